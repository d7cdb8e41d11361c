// Two skeletons that are meant to be the same: which joint is which, in which unit, and how their frames answer each
// other.
#pragma once

#include "core/scene/scene.h"

#include <map>
#include <optional>
#include <string>
#include <vector>

namespace wembrix {

struct MatchOptions {
    std::optional<double> factor; ///< the other's lengths times this are the model's; nothing: as the bones say
    std::map<std::string, std::string> joints; ///< what a joint of the other is called on the model, where names differ
    /// Of each node of the model, another name that it may be known by (the one it came with); empty for none.
    /// As long as the nodes, or empty.
    std::vector<std::string> other_names;
};

/// A joint that both have, and the nearest one above it in the model that both have.
struct MatchedBone {
    int other = -1;
    int model = -1;
    int above = -1; ///< among the bones
};

/// Nodes are the same whose names are, prefixes (up to the last ':') aside. Holds references to both scenes.
class SkeletonMatch {
  public:
    SkeletonMatch(const Scene& model, const Scene& other, const MatchOptions& options);

    /// Which node of the model each node of the other is, or -1.
    [[nodiscard]] const std::vector<int>& match() const { return match_; }
    [[nodiscard]] const std::vector<MatchedBone>& bones() const { return bones_; } ///< in the model's order
    /// The other's lengths times this are the model's: as was asked, or one of the units that people use.
    [[nodiscard]] double factor() const { return factor_; }
    /// Once the unit is settled, the bone in the middle of all: how many times as long the model's is.
    [[nodiscard]] double middle_ratio() const { return middle_ratio_; }
    /// Of the bones, how unlike the worst is in length once the unit is settled; 0.1: a tenth.
    [[nodiscard]] double longest_apart() const { return longest_apart_; }
    [[nodiscard]] const std::vector<Mat4>& model_world() const { return model_world_; }
    [[nodiscard]] const std::vector<Mat4>& other_world() const { return other_world_; }

    /// F, so that the model's frame stands as W F does, W being that of the other: bones come to lie along bones. One a
    /// bone; `world` has a matrix for each node of the other, in the model's unit.
    [[nodiscard]] std::vector<Mat3> fitting_turns(const std::vector<Mat4>& world) const;
    /// A bone as its upper joint sees it, in metres of the world.
    [[nodiscard]] static Vec3 bone_in(const std::vector<Mat4>& world, int upper, int lower);

  private:
    void compare_lengths(const std::optional<double>& asked);
    [[nodiscard]] Mat3 along_bones(const std::vector<size_t>& below, const MatchedBone& bone,
                                   const std::vector<Mat4>& world, const Mat3& rests) const;

    std::vector<int> match_;
    std::vector<MatchedBone> bones_;
    std::vector<Mat4> model_world_;
    std::vector<Mat4> other_world_;
    double factor_ = 1;
    double longest_apart_ = 0;
    double middle_ratio_ = 1;
};

/// What stands behind the last ':'.
std::string strip_namespace(const std::string& name);

} // namespace wembrix
