// The ledger: what of a source stays behind on its way into files, where, why, and who asked for it.
#pragma once

#include "core/base/text.h"
#include "core/destination/destination.h"
#include "core/measure/inventory/inventory.h"
#include "core/scene/scene.h"

#include <nlohmann/json.hpp>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

struct LedgerEntry {
    /// Who left it out.
    enum class By : uint8_t { reader, card, destination, container };
    Text what; ///< "joint", "texture coordinates", "translation keys"; "note" of what a reader says
    std::string name;
    size_t count = 1;
    Text why;
    By by = By::card;
    int step = -1;        ///< its place on the card, where a step did
    bool altered = false; ///< it is there, and not as it was
};
using Ledger = std::vector<LedgerEntry>;

/// "reader", "card", "destination", "container"
std::string_view by_name(LedgerEntry::By by);

/// What readers say that they left out or altered.
Ledger reader_ledger(const Scene& received);
/// What the destination and its container do not take of what was prepared: neither the model nor a clip holds it.
Ledger destination_ledger(const Scene& prepared, const Destination& destination);

/// The part of it that is of takes: keys, and takes whose clips are not delivered.
Ledger destination_ledger_of_takes(const Scene& prepared, const Destination& destination);
/// Entries that differ only in what they are of as one, with the sum of their counts: under the name of the first where
/// there are no others, else without one.
Ledger summed(const Ledger& ledger);

/// Entries made of things that were left, with one reason.
void add_left(Ledger& ledger, std::vector<Thing> things, LedgerEntry::By by, const std::string& why, int step = -1);

/// [{what, name, count, why, by, step?, altered?}]
nlohmann::json ledger_to_json(const Ledger& ledger);
/// What ledger_to_json() wrote; of anything else what can be understood.
Ledger ledger_from_json(const nlohmann::json& rows);
/// "17 things stayed behind: 12 by your card, 5 the destination does not take; 2 are altered"; empty where nothing did.
Text ledger_said(const Ledger& ledger);

} // namespace wembrix
