#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/formats/bvh/bvh.h"
#include "core/math/angles.h"
#include "core/math/axis_turns.h"
#include "core/measure/skeleton/pose.h"

#include <Eigen/LU>
#include <algorithm>
#include <fmt/format.h>
#include <map>
#include <optional>

namespace wembrix {

namespace {

struct BvhOptions {
    std::string rotation_order = "ZXY";
    int decimals = 6;
};

class BvhWriter {
  public:
    BvhWriter(const Scene& scene, const BvhOptions& options) : scene_(scene), decimals_(options.decimals) {
        order_ = *rotation_order_from(options.rotation_order);
        for (const int joint : joints_of(scene)) {
            const int above = joint_above(scene, joint);
            (above < 0 ? roots_ : below(above)).push_back(joint);
            parent_[joint] = above;
        }
        clip_ = scene.clips.empty() ? nullptr : scene.clips.data();
        frames_ = clip_ == nullptr ? 1 : clip_->frames();
    }

    Result<std::string> run() {
        if (roots_.size() != 1) {
            return Problem{roots_.empty()
                               ? "there are no joints to write."
                               : phrase("there are {}, and a BVH holds one skeleton.", counted(roots_.size(), "root")),
                           "", "Put one root above all joints first."};
        }
        if (std::optional<Problem> problem = take_motion()) {
            return *problem;
        }
        write_joints();
        write_motion();
        return std::move(text_);
    }

  private:
    std::vector<int>& below(int joint) { return below_[joint]; }

    [[nodiscard]] Mat4 local_of(const std::vector<Mat4>& world, int joint) const {
        const int above = parent_.at(joint);
        return above < 0 ? world[joint] : Mat4(world[above].inverse() * world[joint]);
    }

    std::optional<Problem> take_motion() {
        const Poser poser(scene_, clip_);
        Pose pose;
        const std::vector<Mat4> rest = rest_world(scene_);
        for (const auto& [joint, above] : parent_) {
            rest_[joint] = local_of(rest, joint);
            motion_[joint].resize(static_cast<size_t>(frames_));
        }
        for (int f = 0; f < frames_; ++f) {
            poser.at(clip_ == nullptr ? 0 : f / clip_->rate, pose);
            for (const auto& [joint, above] : parent_) {
                const Decomposed local = decompose(local_of(pose.world, joint));
                const double scale = (local.transform.scale - Vec3::Ones()).cwiseAbs().maxCoeff();
                if (scale > 1e-4 || local.shear > 1e-4) {
                    return Problem{phrase("\"{}\" has the scale {:.4g}, and a BVH has none.", scene_.nodes[joint].name,
                                          local.transform.scale[0]),
                                   "", "Fold the scale first."};
                }
                motion_[joint][static_cast<size_t>(f)] = local.transform;
                const Vec3 away = local.transform.translation - rest_[joint].topRightCorner<3, 1>();
                if (above < 0 || away.norm() > 1e-5) {
                    travels_[joint] = true;
                }
            }
        }
        return std::nullopt;
    }

    /// The root's is nothing, since readers differ in whether its place is added to it.
    [[nodiscard]] Vec3 offset_of(int joint) const {
        return parent_.at(joint) < 0 ? Vec3::Zero() : Vec3(rest_.at(joint).topRightCorner<3, 1>());
    }

    [[nodiscard]] std::string three(const Vec3& numbers) const {
        return fmt::format("{0:.{3}f} {1:.{3}f} {2:.{3}f}", numbers.x(), numbers.y(), numbers.z(), decimals_);
    }

    void line(int depth, const std::string& words) {
        text_.append(static_cast<size_t>(depth), '\t');
        text_ += words;
        text_ += '\n';
    }

    void write_joints() {
        constexpr const char* axes = "XYZ";
        text_ = "HIERARCHY\n";
        struct Open {
            int joint;
            int depth;
            bool close;
        };
        std::vector<Open> open = {{roots_[0], 0, false}};
        while (!open.empty()) {
            const auto [joint, depth, close] = open.back();
            open.pop_back();
            if (close) {
                line(depth, "}");
                continue;
            }
            written_.push_back(joint);
            line(depth, fmt::format("{} {}", depth == 0 ? "ROOT" : "JOINT", scene_.nodes[joint].name));
            line(depth, "{");
            const Vec3 offset = offset_of(joint);
            line(depth + 1, "OFFSET " + three(offset));
            const std::string turns =
                fmt::format("{}rotation {}rotation {}rotation", axes[order_[0]], axes[order_[1]], axes[order_[2]]);
            line(depth + 1, travels_.count(joint) != 0 ? "CHANNELS 6 Xposition Yposition Zposition " + turns
                                                       : "CHANNELS 3 " + turns);
            open.push_back({joint, depth, true});
            const std::vector<int>& children = below(joint);
            if (children.empty()) {
                line(depth + 1, "End Site");
                line(depth + 1, "{");
                line(depth + 2, "OFFSET " + three(Vec3::Zero()));
                line(depth + 1, "}");
            }
            for (auto child = children.rbegin(); child != children.rend(); ++child) {
                open.push_back({*child, depth + 1, false});
            }
        }
    }

    void write_motion() {
        text_ += fmt::format("MOTION\nFrames: {}\nFrame Time: {:.9f}\n", frames_,
                             clip_ == nullptr ? 1 / 30.0 : 1 / clip_->rate);
        std::map<int, Vec3> before;
        for (int f = 0; f < frames_; ++f) {
            std::string row;
            for (const int joint : written_) {
                const Transform& local = motion_[joint][static_cast<size_t>(f)];
                if (travels_.count(joint) != 0) {
                    // What is added to the OFFSET, as most readers take it; where our own would take that for the
                    // place itself, the place.
                    const Vec3 offset = offset_of(joint);
                    const Vec3 first = motion_[joint][0].translation - offset;
                    const Vec3 at =
                        first.norm() < (first - offset).norm() ? Vec3(local.translation - offset) : local.translation;
                    row += three(at) + " ";
                }
                Vec3& last = before.try_emplace(joint, Vec3::Zero()).first->second;
                last = angles_of(local.rotation, order_, last);
                row += three(last * degrees_per_radian) + " ";
            }
            row.back() = '\n';
            text_ += row;
        }
    }

    const Scene& scene_;
    int decimals_;
    RotationOrder order_{};
    std::vector<int> roots_;
    std::map<int, int> parent_;
    std::map<int, std::vector<int>> below_;
    const Clip* clip_ = nullptr;
    int frames_ = 1;
    std::map<int, Mat4> rest_;
    std::map<int, std::vector<Transform>> motion_;
    std::map<int, bool> travels_;
    std::vector<int> written_;
    std::string text_;
};

} // namespace

std::vector<Parameter> bvh_options() {
    return {choice<&BvhOptions::rotation_order>("rotation_order", "Rotation order",
                                                {"XYZ", "XZY", "YXZ", "YZX", "ZXY", "ZYX"},
                                                "About which axes rotations are written, the outermost first"),
            number<&BvhOptions::decimals>("decimals", "Decimals",
                                          "Digits after the point; with six, metres are exact to a micrometre")
                .between(3, 9)};
}

Result<std::vector<WrittenFile>> write_bvh(const Scene& scene, const std::string& stem, const nlohmann::json& options) {
    BvhOptions settings;
    fill_settings(bvh_options(), options, &settings);
    Result<std::string> text = BvhWriter(scene, settings).run();
    if (!text) {
        return text.problem();
    }
    return std::vector<WrittenFile>{{stem + ".bvh", text.take()}};
}

} // namespace wembrix
