// Brings the scale of every joint to 1: what scale did goes into the places of the joints below, the binds and the
// points of what hangs there.
//
// At rest a joint's matrix is W = T R K, R the turn nearest to its linear part and K what is left. With C = inverse(K)
// the joint has W' = W C = T R. Where K is the same at every moment (scales that do not move, of one factor, or uneven
// ones above joints that do not turn), W' has no scale in any frame and nothing moves. Scale that moves goes into the
// places of the joints below ("places") or stays as keys around 1 ("keep").
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/chosen_joints.h"
#include "core/steps/skeleton/reframe.h"
#include "core/steps/step_kind.h"

#include <Eigen/LU>

namespace wembrix {

namespace {

bool scale_moves(const Scene& scene, int node) {
    for (const Clip& clip : scene.clips) {
        for (const Channel& channel : clip.channels) {
            if (channel.node != node || channel.path != Path::scale) {
                continue;
            }
            const std::vector<float>& values = channel.values.get();
            const Vec3f rest = scene.nodes[node].rest.scale.cast<float>();
            const bool cubic = channel.interpolation == Interpolation::cubic;
            for (size_t i = cubic ? 3 : 0; i + 2 < values.size(); i += cubic ? 9 : 3) {
                if ((Vec3f(values[i], values[i + 1], values[i + 2]) - rest).cwiseAbs().maxCoeff() >
                    1e-6F * rest.cwiseAbs().maxCoeff()) {
                    return true;
                }
            }
        }
    }
    return false;
}

/// An attachment point, a light, a camera: its scale moves nothing, and engines make of it what they like.
bool is_mere_point(const Node& node) {
    return node.mesh < 0 && node.curves < 0 && node.hull < 0 &&
           (node.kind == NodeKind::point || node.kind == NodeKind::light || node.kind == NodeKind::camera ||
            node.kind == NodeKind::empty);
}

/// A joint, or what hangs on one, or a point that stands by itself.
std::vector<char> belongs_to_joints(const Scene& scene) {
    std::vector<char> belongs(scene.nodes.size(), 0);
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        const Node& node = scene.nodes[i];
        const bool skinned = node.mesh >= 0 && node.skin >= 0;
        belongs[i] = !skinned && (node.kind == NodeKind::joint || (node.parent < 0 && is_mere_point(node)) ||
                                  (node.parent >= 0 && belongs[node.parent] != 0));
    }
    return belongs;
}

struct StretchSettings {
    enum class Stretch : uint8_t { translation, keep };
    Stretch stretch = Stretch::translation;
};

Result<StepResult> apply_bake_joint_scale(const StepContext& context, const StretchSettings& settings) {
    const Scene& scene = context.scene;
    const bool to_translation = settings.stretch == StretchSettings::Stretch::translation;
    const std::vector<Mat4> world = rest_world(scene);
    const std::vector<char> belongs = belongs_to_joints(scene);
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        const int parent = scene.nodes[i].parent;
        if (belongs[i] != 0 && parent >= 0 && belongs[parent] == 0 &&
            (linear_of(world[parent]).transpose() * linear_of(world[parent]) - Mat3::Identity()).cwiseAbs().maxCoeff() >
                1e-9) {
            return Problem{
                phrase("the parent transform \"{}\" scales the joints from above.", scene.nodes[parent].name), "",
                "Put “Bake parent transforms” before this step."};
        }
    }
    Reframing frames = same_frames(scene);
    std::vector<std::string> scaled;
    std::vector<std::string> moving;
    std::vector<char> uneven(scene.nodes.size(), 0); // its scale moves, or is uneven, or one above it is
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        if (belongs[i] == 0) {
            continue;
        }
        const Node& node = scene.nodes[i];
        const Mat3 linear = linear_of(world[i]);
        if (!linear.allFinite() || std::abs(linear.determinant()) < 1e-30) {
            return Problem{phrase("\"{}\" has no size: its scale is 0.", node.name), "",
                           "Drop that joint, or mend the source."};
        }
        const bool moves = scale_moves(scene, static_cast<int>(i));
        const bool own = (node.rest.scale - Vec3::Ones()).cwiseAbs().maxCoeff() > 1e-9;
        if ((node.kind == NodeKind::joint || is_mere_point(node)) && own) {
            scaled.push_back(node.name);
        }
        if (moves) {
            moving.push_back(node.name);
        }
        const Vec3& scale = node.rest.scale;
        const bool above = node.parent >= 0 && uneven[node.parent] != 0;
        uneven[i] = above || moves || scale.minCoeff() <= 0 ||
                    (scale.array() - scale.x()).abs().maxCoeff() > 1e-9 * std::abs(scale.x());
        if (uneven[i] == 0) {
            const double factor = std::cbrt(linear.determinant());
            if (std::abs(factor - 1) > 1e-12) {
                frames.correction[i] = scaling(1 / factor);
            }
            continue;
        }
        const Mat3 rest = nearest_rotation(linear).transpose() * linear;
        frames.correction[i].topLeftCorner<3, 3>() = rest.inverse();
        frames.rigid[i] = to_translation ? 1 : 0;
    }
    StepResult result;
    if (scaled.empty() && moving.empty()) {
        result.scene = scene;
        result.account = "every joint and point has the scale 1 already";
        return result;
    }
    Reframed folded = reframe(scene, frames);
    for (Node& node : folded.scene.nodes) {
        // What is 1 but for rounding is 1.
        if ((node.kind == NodeKind::joint || is_mere_point(node)) &&
            (node.rest.scale - Vec3::Ones()).cwiseAbs().maxCoeff() < 1e-9) {
            node.rest.scale = Vec3::Ones();
        }
    }
    if (to_translation) {
        // What still has keys of scale has them at 1.
        for (Clip& clip : folded.scene.clips) {
            std::erase_if(clip.channels, [&](const Channel& channel) {
                return channel.path == Path::scale && folded.scene.nodes[channel.node].kind == NodeKind::joint;
            });
        }
    }
    result.account = scaled.empty() ? phrase("scale that moves on {}", some_of(moving))
                                    : phrase("scale of {} node{} to 1 ({})", scaled.size(),
                                             scaled.size() == 1 ? "" : "s", some_of(scaled));
    if (!moving.empty()) {
        result.account += to_translation ? phrase("; stretch of {} into places", some_of(moving))
                                         : phrase("; stretch of {} kept", some_of(moving));
    }
    std::vector<Text> lost;
    for (const Lost& one : folded.lost) {
        if (lost.size() < 5) {
            lost.push_back(phrase("{} by {} % {}", scene.nodes[one.node].name,
                                  one.part < 0.1 ? phrase("{:.2f}", one.part * 100) : phrase("{:.0f}", one.part * 100),
                                  one.clip.empty() ? Text("at rest") : phrase("in {} frame {}", one.clip, one.frame)));
        }
    }
    if (!lost.empty()) {
        result.could_not.push_back(
            phrase("{} {} its stretch or shear: {}{}",
                   folded.lost.size() == 1 ? "one joint" : std::to_string(folded.lost.size()) + " joints",
                   folded.lost.size() == 1 ? "loses" : "lose", some_of(lost, 5), folded.lost.size() > 5 ? ", …" : ""));
    }
    result.scene = std::move(folded.scene);
    return result;
}

} // namespace

StepKind bake_joint_scale_step() {
    return make_step<StretchSettings>(
        {"bake_joint_scale", "Bake joint scale",
         "Engines multiply joint scales their own way, or drop them; at 1 there is nothing to disagree about.",
         StepSubject::skeleton},
        {choice<&StretchSettings::stretch>(
             "stretch", "Scale that moves", {"translation", "keep"},
             "What becomes of scale that moves: into the positions of the joints below (what is lost is named by joint "
             "and frame), or keys around 1")
             .starting("translation")},
        apply_bake_joint_scale);
}

} // namespace wembrix
