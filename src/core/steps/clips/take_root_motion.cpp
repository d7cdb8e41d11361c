// Hands the way over the ground from the pelvis to the root, or takes it out so that the clip plays in place.
#include "core/measure/clips/travel.h"
#include "core/steps/all.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/clips/rekey.h"
#include "core/steps/parameters.h"

#include <Eigen/LU>
#include <algorithm>
#include <fmt/format.h>

namespace wembrix {

namespace {

struct Wish {
    bool axes[3] = {true, false, true};
    bool turn = true;
    int smooth = 0;
    bool in_place = false;
    bool from_origin = false;
};

/// How the whole has gone from its rest place by some moment: a turn about up, and a way along the chosen axes.
Mat4 gone(const Vec3& place, double heading, const Vec3& rest, const Wish& wish) {
    Vec3 now = rest;
    for (int k = 0; k < 3; ++k) {
        now[k] = wish.axes[k] ? place[k] : rest[k];
    }
    Mat4 turn = Mat4::Identity();
    turn.topLeftCorner<3, 3>() = Eigen::AngleAxisd(wish.turn ? heading : 0, Vec3::UnitY()).toRotationMatrix();
    return translating(now) * turn * translating(-rest);
}

class Taking {
  public:
    Taking(const Scene& scene, int root, int from, const Wish& wish)
        : scene_(scene), root_(root), from_(from), wish_(wish), rest_(rest_world(scene)) {
        nodes_.push_back(root);
        for (size_t i = 0; i < scene.nodes.size(); ++i) {
            const Node& node = scene.nodes[i];
            if (node.parent == root && !(node.mesh >= 0 && node.skin >= 0)) {
                nodes_.push_back(static_cast<int>(i));
            }
        }
    }

    /// Changes one clip; what it travels within its own range.
    Travel run(const Clip& before, Clip& clip) const {
        double end = before.start_s + before.seconds;
        for (const Channel& channel : before.channels) {
            end = channel.times.empty() ? end : std::max(end, static_cast<double>(channel.times.get().back()));
        }
        // The way over the whole take that the clip shows a part of.
        Clip whole = before;
        whole.start_s = 0;
        const int frames = static_cast<int>(std::ceil(end * before.rate - 1e-3)) + 1;
        Way way = way_of(scene_, whole, from_, before.rate, 0, frames);
        smooth(way, wish_.smooth);
        const Vec3 rest = rest_[from_].topRightCorner<3, 1>();
        Mat4 first = Mat4::Identity();
        if (wish_.from_origin) {
            first = gone(way.place_at(before.start_s), way.heading_at(before.start_s), rest, wish_).inverse();
        }
        std::erase_if(clip.channels, [&](const Channel& channel) {
            return channel.path != Path::weights &&
                   std::find(nodes_.begin(), nodes_.end(), channel.node) != nodes_.end();
        });
        const int above = scene_.nodes[root_].parent;
        key_anew(
            scene_, before, nodes_,
            [&](double seconds, const Pose& pose, std::vector<Transform>& locals) {
                const Mat4 now = gone(way.place_at(seconds), way.heading_at(seconds), rest, wish_) * rest_[root_];
                const Mat4 back = now.inverse();
                for (size_t n = 1; n < nodes_.size(); ++n) {
                    locals[n] = decompose(back * pose.world[nodes_[n]]).transform;
                }
                const Mat4 shown = wish_.in_place ? rest_[root_] : Mat4(first * now);
                locals[0] = decompose(above < 0 ? shown : Mat4(pose.world[above].inverse() * shown)).transform;
            },
            clip);
        if (wish_.in_place) {
            // The root does not move at all: it needs no keys.
            std::erase_if(clip.channels, [&](const Channel& channel) { return channel.node == root_; });
        }
        Way own = way_of(scene_, before, from_, before.rate, 0, before.frames());
        return travel_of(own);
    }

  private:
    const Scene& scene_;
    int root_;
    int from_;
    Wish wish_;
    std::vector<Mat4> rest_;
    std::vector<int> nodes_; ///< the root, then all that hangs on it
};

Result<StepResult> apply(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"clips", "from", "x", "y", "z", "turn", "smooth", "way", "from_origin"});
    const std::vector<std::string> patterns = parameters.texts("clips");
    const std::string name = parameters.text("from", "");
    const std::string way = parameters.text("way", "to_root");
    Wish wish;
    wish.axes[0] = parameters.flag("x", true);
    wish.axes[1] = parameters.flag("y", false);
    wish.axes[2] = parameters.flag("z", true);
    wish.turn = parameters.flag("turn", true);
    wish.from_origin = parameters.flag("from_origin", false);
    wish.in_place = way == "in_place";
    const double smooth = parameters.number("smooth").value_or(0);
    if (way != "to_root" && way != "in_place") {
        parameters.complain("\"way\" is neither \"to_root\" nor \"in_place\".");
    }
    if (!(smooth >= 0 && smooth <= 10000)) {
        parameters.complain("\"smooth\" is no number of frames.");
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    wish.smooth = static_cast<int>(smooth);
    const Result<std::vector<size_t>> chosen = chosen_clips(scene, patterns);
    if (!chosen) {
        return chosen.problem();
    }
    const std::vector<int> roots = root_joints(scene);
    if (roots.size() != 1) {
        return Problem{fmt::format("there are {} roots, and one is to carry the way.", roots.size()), "",
                       "Make one root first."};
    }
    const int from = name.empty() ? carrying_joint(scene) : scene.find_node(name);
    if (from < 0 || scene.nodes[from].kind != NodeKind::joint) {
        return Problem{name.empty() ? std::string("no joint below the root can be told to carry the others.")
                                    : fmt::format("there is no joint \"{}\".", name),
                       "", "Name the joint whose way the root is to take."};
    }
    if (!is_above(scene, roots[0], from)) {
        return Problem{fmt::format("\"{}\" is the root itself.", scene.nodes[from].name), "",
                       "Make a root above it first: that one can take its way."};
    }
    StepResult result;
    result.scene = scene;
    result.moved.let_go.insert(scene.nodes[roots[0]].identity);
    const Taking taking(scene, roots[0], from, wish);
    std::string told;
    for (const size_t c : *chosen) {
        Clip& clip = result.scene.clips[c];
        const Travel travel = taking.run(scene.clips[c], clip);
        if (wish.in_place || wish.from_origin) {
            mark_remade(clip);
        }
        if (chosen->size() <= 3) {
            told += fmt::format("{}{}: {:.2f} m, {:.0f}°, {:.2f} m/s", told.empty() ? "" : "; ", clip.name,
                                travel.metres, travel.turn_degrees, travel.mean_m_s);
        }
    }
    result.account = fmt::format("way of {} {} in {}{}", scene.nodes[from].name,
                                 wish.in_place ? "taken out" : fmt::format("handed to {}", scene.nodes[roots[0]].name),
                                 clips_said(scene, *chosen), told.empty() ? "" : " (" + told + ")");
    return result;
}

} // namespace

StepKind take_root_motion_step() {
    return {"take_root_motion",
            "Take the root motion",
            "Engines move a character by its root: the way that the pelvis makes is handed to it, or taken out.",
            true,
            {{"clips", "Clips", StepField::Kind::clips, "one a line, * and ? allowed; none: all"},
             {"from", "From", StepField::Kind::joint, "joint; empty: the pelvis, as far as it can be told"},
             {"way", "Goes", StepField::Kind::choice, "to_root|in_place"},
             {"x", "Aside", StepField::Kind::flag, "along X"},
             {"y", "Up", StepField::Kind::flag, "along Y"},
             {"z", "Ahead", StepField::Kind::flag, "along Z"},
             {"turn", "Turn", StepField::Kind::flag, "about up"},
             {"smooth", "Smooth over", StepField::Kind::number, "frames"},
             {"from_origin", "Begin", StepField::Kind::flag, "at the origin, looking forward"}},
            [] {
                return nlohmann::json{{"way", "to_root"}, {"x", true}, {"y", false}, {"z", true}, {"turn", true}};
            },
            apply,
            true};
}

} // namespace wembrix
