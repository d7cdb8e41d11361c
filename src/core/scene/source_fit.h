// How a source came into the scene: what it was taken for, and what of it does not fit what was there.
#pragma once

#include "core/base/text.h"

#include <cstddef>
#include <cstdint>
#include <string>
#include <string_view>
#include <tuple>
#include <vector>

namespace wembrix {

/// What a source is to the others.
enum class SourceRole : uint8_t {
    automatic, ///< found out from what it holds
    model,     ///< a skeleton and surfaces of its own
    part,      ///< surfaces for the skeleton that is there, and its takes
    take,      ///< motion alone, for the skeleton that is there
    shapes,    ///< morph targets for a surface that is there
    strands,   ///< curves
    prop,      ///< a thing that stands by itself
};
std::string_view role_name(SourceRole role); ///< "part"
/// For people: "part of the model".
std::string_view role_label(SourceRole role);
constexpr SourceRole source_roles[] = {SourceRole::automatic, SourceRole::model,   SourceRole::part, SourceRole::take,
                                       SourceRole::shapes,    SourceRole::strands, SourceRole::prop};

/// What a take moves and the model does not have.
struct LeftMotion {
    std::string name;
    double moves_m = 0;       ///< the furthest from its first key, in the model's unit
    double turns_degrees = 0; ///< the furthest from its first key
    std::string carried_by;   ///< the joint of the model that makes its way instead; empty: nothing does, it is lost
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.name, s.moves_m, s.turns_degrees, s.carried_by);
    }
};

struct SourceFit {
    std::string source;                      ///< its file
    SourceRole role = SourceRole::automatic; ///< what it was taken for
    Text problem;                            ///< why it could not be read; then it is not in the scene
    std::vector<LeftMotion> left_motion;     ///< of a take
    double legs_longer_m = 0;                ///< the model's against the take's; below 0: shorter
    std::string foot;                        ///< the joint that those end in
    double size_ratio = 1;                   ///< of a take: the model's bones are so many times as long as its own
    size_t joints_apart = 0;                 ///< of a part: joints that rest otherwise than those of the same name
    double apart_m = 0;                      ///< the farthest of them
    double apart_degrees = 0;                ///< the bone that lies most unlike
    std::string apart_at;                    ///< the joint that is farthest
    bool rest_settled = false;               ///< somebody said which rest pose holds
    double extent_m = 0;                     ///< the longest side of its surfaces, as it came; 0: it has none
    double beside_m = 0;                     ///< the same of what was there before it
    int64_t sculpt_of = 0;                   ///< identity of the surface that it is another form of, vertex for vertex
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.source, s.role, s.problem, s.left_motion, s.legs_longer_m, s.foot, s.size_ratio,
                        s.joints_apart, s.apart_m, s.apart_degrees, s.apart_at, s.rest_settled, s.extent_m, s.beside_m,
                        s.sculpt_of);
    }
};

} // namespace wembrix
