// What a delivered file says of itself: which job, family and variant it is of, which of their files, and which
// version.
#pragma once

#include "core/delivery/deliverable.h"
#include "core/delivery/made_from.h"
#include "core/measure/comparison/claim.h"
#include "core/scene/scene.h"

#include <nlohmann/json.hpp>
#include <optional>
#include <string>

namespace wembrix {

/// {job, family{id, name}, variant{id, name}, deliverable, destination, number, content, card, replaces}; what is empty
/// is left out. `content` is the deliverable's hash, `card` that of the steps, `replaces` that of the file before it.
nlohmann::json stamp_of(const Deliverable& deliverable, const std::string& job_name, const MadeFrom& made_from,
                        const Destination& destination);

/// family{id, name} and variant{id, name} of what a file or a manifest says; nothing for a job without ids.
void put_origin(nlohmann::json& to, const Origin& origin);

/// Whether somebody's word "wembrix" is a stamp at all.
bool is_stamp(const nlohmann::json& said);
/// Whether a file says what it should: which deliverable it is, of whose, for whom, and which content, where `wanted`
/// says one.
Claim stamp_claim(const nlohmann::json& wanted, const nlohmann::json& said);

/// Whether the scene's asset has a place for one: what a source says there is an object, and has not taken the name.
bool has_place_for_stamp(const Scene& scene);
/// Puts it among what the scene's asset says, under "wembrix". Precondition: there is a place for it.
void put_stamp(Scene& scene, const nlohmann::json& stamp);
/// Takes it out again; null where there is none. What somebody else says under that name stays.
nlohmann::json take_stamp(Scene& scene);

} // namespace wembrix
