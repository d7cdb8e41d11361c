// Which way up a character is, told from its joints and from how it moves.
#pragma once

#include "core/base/text.h"
#include "core/math/axes.h"
#include "core/scene/scene.h"

#include <optional>
#include <string>

namespace wembrix {

struct Upright {
    Axis up = Axis::pos_y;
    Text reason;          ///< what it was told from: "the head is above the feet"
    double certainty = 0; ///< 0 to 1: the share of all grounds that say so
};
/// Head, pelvis and feet by their names, the plane between left and right, and on which side of a take something is
/// always low. Nothing where too little says it, or the grounds disagree.
std::optional<Upright> upright_of(const Scene& scene);

/// A name has one of the words, whole, in any letters: "L_Foot" and "footLeft" have "foot".
bool has_word(const std::string& name, std::initializer_list<std::string_view> words);
/// The mean of joints whose names have one of the words, at rest; nothing where there is none.
std::optional<Vec3> middle_of_joints(const Scene& scene, std::initializer_list<std::string_view> words);

} // namespace wembrix
