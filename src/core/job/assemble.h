// Several sources into one Received scene: a model and parts of it, takes and shapes for it, props.
#pragma once

#include "core/job/join_part.h"
#include "core/scene/named_scene.h"
#include "core/steps/clips/bring_take.h"
#include "core/steps/step.h"

#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <vector>

namespace wembrix {

struct AssemblyOptions {
    SourceRole role = SourceRole::automatic;
    RestOf rest = RestOf::nobody_said;
    /// What the route card calls joints of the base, by their identity, and under 0 those that it makes; empty: as they
    /// came. Sources may know the joints by either name.
    std::multimap<int64_t, std::string> prepared_names;
};

/// What a source is to what is there already. Joints count as the same by name, prefixes aside.
/// - Half of its joints are there: a part where it has surfaces of its own, else a take, else shapes.
/// - No joints, and shapes of a surface that is there: shapes.
/// - Curves alone: strands. Motion of more than 8 joints without a surface, where there is a skeleton: a take, of
///   another body. A skin of more than 8 joints: a model of its own. All else: a prop.
SourceRole guess_role(const Scene& base, const Scene& source, const AssemblyOptions& options = {});
/// Half of its joints are there.
bool shares_skeleton(const Scene& base, const Scene& source, const AssemblyOptions& options = {});
/// What the card's steps for the skeleton call the joints of the base, where it is another name, and which they make.
std::multimap<int64_t, std::string> prepared_names(const Scene& base, const std::vector<Step>& steps);

/// The first scene is the base; each later one is added as what it is. What finds no place is said in the notes.
Scene assemble(std::vector<NamedScene> sources);
/// Puts one more to what was assembled: the source at `place` of all. See identities_from(). How its takes were
/// brought, without its clips, if it moves joints that were there. What it was taken for is in the last of the scene's
/// fits.
std::optional<Brought> add_source(Scene& base, NamedScene source, size_t place, const AssemblyOptions& options = {});

} // namespace wembrix
