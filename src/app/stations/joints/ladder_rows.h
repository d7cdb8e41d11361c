// The joint ladder as data: both hierarchies, and what became of each joint. No widgets.
#pragma once

#include "core/measure/scene/facing.h"
#include "core/measure/skeleton/contract.h"
#include "core/measure/surface/weights.h"
#include "core/scene/scene.h"

#include <QString>
#include <QStringList>
#include <cstdint>
#include <set>
#include <vector>

namespace wembrix::app {

enum class Fate {
    same, ///< under the same bare name
    renamed,
    dropped, ///< its weights went along the dashed line
    added,   ///< made by a step
};

struct LadderRow {
    int node = -1; ///< in its scene
    int64_t identity = 0;
    int depth = 0;
    int indent = 0; ///< pixels: a chain is drawn nearly straight, only branches step aside
    QString prefix; ///< "market:tansy_rig:"
    QString bare;
    Side side = Side::middle;
    Fate fate = Fate::same;
    bool joint = true; ///< a holder stands in the list too, since it can go
    bool has_below = false;
    bool folded = false;
    size_t points = 0;        ///< held; on the right
    int64_t weights_to = 0;   ///< of a dropped joint that held points: who holds them now
    bool clash = false;       ///< shares its name, capitals ignored
    bool as_contract = false; ///< it is as the contract has it
    QString contract;         ///< how it stands to the contract: "same", or what differs; empty without a contract
    QString proposal;         ///< of a joint that is not in it: which of its joints that are missing is probably meant
    QString why_proposed;
};

struct Ladder {
    std::vector<LadderRow> received;
    std::vector<LadderRow> prepared;
    size_t renamed = 0;
    size_t added = 0;
    size_t dropped = 0;
    size_t moved = 0; ///< under another joint than before, dropped ones left out
    QString contract; ///< its name; empty without one
    int contract_joints = 0;
    int contract_same = 0;        ///< joints that are as the contract has them
    QStringList contract_missing; ///< joints of the contract that are not there
    int proposals = 0;            ///< rows with one
};

/// All joints and the holders above them, in order. What is held is one value a node of each scene.
Ladder make_ladder(const Scene& received, const std::vector<Holding>& held_before, const Scene& prepared,
                   const std::vector<Holding>& held);

/// Says of each prepared joint how it stands to the contract.
void mark_contract(Ladder& ladder, const Scene& prepared, const Contract& contract);

/// The rows of `rows` that hang below one of `identities`, and those themselves.
std::set<int64_t> with_all_below(const std::vector<LadderRow>& rows, const std::set<int64_t>& identities);

/// What is seen of one side: without what folded rows hide; with `filter`, rows whose name holds it (capitals
/// ignored) or whose counterpart's does.
std::vector<LadderRow> shown_rows(const std::vector<LadderRow>& rows, const std::vector<LadderRow>& counterpart,
                                  const std::set<int64_t>& folded, const QString& filter);

} // namespace wembrix::app
