// Hands the trajectory over the ground from the pelvis to the root, or takes it out so that the clip plays in place.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/clips/travel.h"
#include "core/steps/clips/clip_step.h"
#include "core/steps/clips/rekey.h"

#include <Eigen/LU>
#include <algorithm>

namespace wembrix {

namespace {

struct RootMotionSettings {
    enum class Mode : uint8_t { to_root, in_place };
    std::vector<std::string> clips;
    std::string from;
    Mode mode = Mode::to_root;
    bool x = true;
    bool y = false;
    bool z = true;
    bool rotation = true;
    int smooth = 0; ///< frames
    bool from_origin = false;

    [[nodiscard]] bool in_place() const { return mode == Mode::in_place; }
};

/// How the whole has gone from its rest place by some moment: a turn about up, and a way along the chosen axes.
Mat4 gone(const Vec3& place, double heading, const Vec3& rest, const RootMotionSettings& settings) {
    const bool axes[] = {settings.x, settings.y, settings.z};
    Vec3 now = rest;
    for (int k = 0; k < 3; ++k) {
        now[k] = axes[k] ? place[k] : rest[k];
    }
    Mat4 turn = Mat4::Identity();
    turn.topLeftCorner<3, 3>() = Eigen::AngleAxisd(settings.rotation ? heading : 0, Vec3::UnitY()).toRotationMatrix();
    return translating(now) * turn * translating(-rest);
}

class Taking {
  public:
    Taking(const Scene& scene, int root, int from, const RootMotionSettings& settings)
        : scene_(scene), root_(root), from_(from), settings_(settings), rest_(rest_world(scene)) {
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
        // The trajectory over the whole take that the clip shows a part of.
        Clip whole = before;
        whole.start_s = 0;
        const int frames = static_cast<int>(std::ceil(end * before.rate - 1e-3)) + 1;
        Trajectory trajectory = trajectory_of(scene_, whole, from_, before.rate, 0, frames);
        smooth(trajectory, settings_.smooth);
        const Vec3 rest = rest_[from_].topRightCorner<3, 1>();
        Mat4 first = Mat4::Identity();
        if (settings_.from_origin) {
            first = gone(trajectory.place_at(before.start_s), trajectory.heading_at(before.start_s), rest, settings_)
                        .inverse();
        }
        std::erase_if(clip.channels, [&](const Channel& channel) {
            return channel.path != Path::weights &&
                   std::find(nodes_.begin(), nodes_.end(), channel.node) != nodes_.end();
        });
        const int above = scene_.nodes[root_].parent;
        resample(
            scene_, before, nodes_,
            [&](double seconds, const Pose& pose, std::vector<Transform>& locals) {
                const Mat4 now =
                    gone(trajectory.place_at(seconds), trajectory.heading_at(seconds), rest, settings_) * rest_[root_];
                const Mat4 back = now.inverse();
                for (size_t n = 1; n < nodes_.size(); ++n) {
                    locals[n] = decompose(back * pose.world[nodes_[n]]).transform;
                }
                const Mat4 shown = settings_.in_place() ? rest_[root_] : Mat4(first * now);
                locals[0] = decompose(above < 0 ? shown : Mat4(pose.world[above].inverse() * shown)).transform;
            },
            clip);
        if (settings_.in_place()) {
            // The root does not move at all: it needs no keys.
            std::erase_if(clip.channels, [&](const Channel& channel) { return channel.node == root_; });
        }
        Trajectory own = trajectory_of(scene_, before, from_, before.rate, 0, before.frames());
        return travel_of(own);
    }

  private:
    const Scene& scene_;
    int root_;
    int from_;
    RootMotionSettings settings_;
    std::vector<Mat4> rest_;
    std::vector<int> nodes_; ///< the root, then all that hangs on it
};

Result<StepResult> apply_extract_root_motion(const StepContext& context, const RootMotionSettings& settings,
                                             ClipWork work) {
    const Scene& scene = context.scene;
    const std::string& name = settings.from;
    const std::vector<int> roots = root_joints(scene);
    if (roots.size() != 1) {
        return Problem{phrase("there are {}, and one is to carry the trajectory.", counted(roots.size(), "root")), "",
                       "Make one root first."};
    }
    const int from = name.empty() ? carrying_joint(scene) : scene.find_node(name);
    if (from < 0 || scene.nodes[from].kind != NodeKind::joint) {
        return Problem{name.empty() ? Text("no joint below the root can be told to carry the others.")
                                    : phrase("there is no joint \"{}\".", name),
                       "", "Name the joint whose trajectory the root is to take."};
    }
    if (!is_above(scene, roots[0], from)) {
        return Problem{phrase("\"{}\" is the root itself.", scene.nodes[from].name), "",
                       "Make a root above it first: that one can take its trajectory."};
    }
    StepResult& result = work.result;
    result.moved.let_go.insert(scene.nodes[roots[0]].identity);
    const Taking taking(scene, roots[0], from, settings);
    Text told;
    for (const size_t c : work.clips) {
        Clip& clip = result.scene.clips[c];
        const Travel travel = taking.run(scene.clips[c], clip);
        if (settings.in_place() || settings.from_origin) {
            mark_remade(clip);
        }
        if (work.clips.size() <= 3) {
            told += phrase("{}{}: {:.2f} m, {:.0f}°, {:.2f} m/s", told.empty() ? "" : "; ", clip.name, travel.metres,
                           travel.turn_degrees, travel.mean_m_s);
        }
    }
    result.account = phrase("trajectory of {} {} in {}{}", scene.nodes[from].name,
                            settings.in_place() ? "taken out" : phrase("handed to {}", scene.nodes[roots[0]].name),
                            work.said, told.empty() ? "" : " (" + told + ")");
    return std::move(work.result);
}

} // namespace

StepKind extract_root_motion_step() {
    return make_clip_step<RootMotionSettings>(
        {"extract_root_motion", "Extract root motion",
         "Engines move a character by its root: the trajectory of the pelvis is handed to it, or taken out.",
         StepSubject::clips},
        {clips_parameter<&RootMotionSettings::clips>(),
         text<&RootMotionSettings::from>(
             "from", "From", "The joint whose trajectory it is; else the first below the root that carries the others")
             .naming(NameOf::joint)
             .typed_as("joint; empty: the pelvis, as far as it can be told"),
         choice<&RootMotionSettings::mode>("mode", "Mode", {"to_root", "in_place"},
                                           "The root takes it, or it is taken out and the clip plays in place")
             .starting("to_root"),
         flag<&RootMotionSettings::x>("x", "X", "sideways").starting(true),
         flag<&RootMotionSettings::y>("y", "Y", "up and down").starting(false),
         flag<&RootMotionSettings::z>("z", "Z", "forward").starting(true),
         flag<&RootMotionSettings::rotation>("rotation", "Rotation", "about up").starting(true),
         number<&RootMotionSettings::smooth>("smooth", "Smooth over", "Frames to smooth the trajectory over")
             .unit("frames")
             .between(0, 10000),
         flag<&RootMotionSettings::from_origin>("from_origin", "Begin", "at the origin, looking forward")},
        apply_extract_root_motion);
}

} // namespace wembrix
