// The same motion, left for right.
#include "core/measure/clips/baked.h"
#include "core/measure/skeleton/pairs.h"
#include "core/measure/skeleton/pose.h"
#include "core/steps/clips/clip_step.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix {

namespace {

/// Joint j does, mirrored at X = 0, what its partner m did: with R the turns in the world and S the mirror,
/// R'j = S Rm S Cj. Cj is constant and such that the rest pose mirrors onto the rest pose.
class Mirroring {
  public:
    explicit Mirroring(const Scene& scene) : scene_(scene), joints_(joints_of(scene)), rest_(rest_world(scene)) {
        const Sides sides = find_sides(scene);
        mirror_ = Mat3::Identity() - 2 * sides.left * sides.left.transpose();
        for (const int joint : joints_) {
            const int other = mirror_of(sides, joint);
            partner_.push_back(other < 0 ? joint : other);
            const Mat3 image = mirror_ * turn(rest_[static_cast<size_t>(partner_.back())]) * mirror_;
            fit_.push_back(image.transpose() * turn(rest_[static_cast<size_t>(joint)]));
        }
        pairs_ = sides.pairs.size();
    }

    [[nodiscard]] size_t pairs() const { return pairs_; }

    void run(const Clip& before, Clip& clip) const {
        BakedClip was = bake_tracks(before);
        BakedClip is;
        is.rate = was.rate;
        is.frames = was.frames;
        for (const int joint : joints_) {
            is.tracks.push_back({joint, Path::translation, 3, false, {}});
            is.tracks.push_back({joint, Path::rotation, 4, false, {}});
        }
        const Poser poser(scene_, &before);
        Pose pose;
        std::vector<Mat3> turned(scene_.nodes.size());
        for (int f = 0; f < is.frames; ++f) {
            poser.at(f / is.rate, pose);
            for (size_t i = 0; i < scene_.nodes.size(); ++i) {
                turned[i] = turn(pose.world[i]);
            }
            for (size_t j = 0; j < joints_.size(); ++j) {
                put_frame(j, pose, turned, is);
            }
        }
        for (size_t j = 0; j < joints_.size(); ++j) {
            keep_sign(is.tracks[j * 2 + 1]);
        }
        swap_others(was, is);
        put_tracks(is, 0, clip);
    }

  private:
    static Mat3 turn(const Mat4& matrix) { return nearest_rotation(linear_of(matrix)); }

    /// One joint at one frame; its parents are done already.
    void put_frame(size_t j, const Pose& pose, std::vector<Mat3>& turned, BakedClip& is) const {
        const auto joint = static_cast<size_t>(joints_[j]);
        const auto other = static_cast<size_t>(partner_[j]);
        const int above = scene_.nodes[joint].parent;
        const int above_other = scene_.nodes[other].parent;
        // The partner's own turn of this frame, not what stands there by now.
        const Mat3 now = mirror_ * turn(pose.world[other]) * mirror_ * fit_[j];
        const Mat3 under = above < 0 ? Mat3(Mat3::Identity()) : turned[static_cast<size_t>(above)];
        turned[joint] = now;
        const Quat local(Mat3(under.transpose() * now));
        const Eigen::Vector4f q = local.normalized().coeffs().cast<float>();
        // What its partner goes beyond its rest place, mirrored.
        const Vec3 beyond = pose.local[other].translation - scene_.nodes[other].rest.translation;
        const Mat3 under_other =
            above_other < 0 ? Mat3(Mat3::Identity()) : turn(pose.world[static_cast<size_t>(above_other)]);
        const Vec3 place =
            scene_.nodes[joint].rest.translation + under.transpose() * (mirror_ * (under_other * beyond));
        const Vec3f p = place.cast<float>();
        std::vector<float>& places = is.tracks[j * 2].values;
        std::vector<float>& turns = is.tracks[j * 2 + 1].values;
        places.insert(places.end(), p.data(), p.data() + 3);
        turns.insert(turns.end(), q.data(), q.data() + 4);
    }

    /// Scales go to the other side as they are; shape weights to the shape that names the other side.
    void swap_others(const BakedClip& was, BakedClip& is) const {
        for (const BakedTrack& track : was.tracks) {
            BakedTrack swapped = track;
            const auto joint = std::find(joints_.begin(), joints_.end(), track.node);
            if (track.path == Path::scale && joint != joints_.end()) {
                swapped.node = partner_[static_cast<size_t>(joint - joints_.begin())];
                is.tracks.push_back(std::move(swapped));
            } else if (track.path == Path::weights) {
                swap_shapes(track, swapped);
                is.tracks.push_back(std::move(swapped));
            } else if (joint == joints_.end()) {
                is.tracks.push_back(std::move(swapped));
            }
        }
    }

    void swap_shapes(const BakedTrack& from, BakedTrack& to) const {
        const std::vector<MorphTarget>& shapes = scene_.meshes[scene_.nodes[from.node].mesh].shapes;
        for (size_t s = 0; s < shapes.size(); ++s) {
            const std::string name = other_side(shapes[s].name);
            const auto other = std::find_if(shapes.begin(), shapes.end(), [&](const MorphTarget& shape) {
                return !name.empty() && shape.name == name;
            });
            if (other == shapes.end()) {
                continue;
            }
            const auto at = static_cast<size_t>(other - shapes.begin());
            for (size_t f = 0; f * shapes.size() < from.values.size(); ++f) {
                to.values[f * shapes.size() + at] = from.values[f * shapes.size() + s];
            }
        }
    }

    const Scene& scene_;
    std::vector<int> joints_;
    std::vector<Mat4> rest_;
    Mat3 mirror_;
    std::vector<int> partner_; ///< of each joint; itself in the middle
    std::vector<Mat3> fit_;
    size_t pairs_ = 0;
};

struct MirrorSettings {
    std::vector<std::string> clips;
    std::string ending = "_mirrored";
};

Result<StepResult> apply_mirror_clip(const StepContext& context, const MirrorSettings& settings, ClipWork work) {
    const Scene& scene = context.scene;
    const std::string& ending = settings.ending;
    const Mirroring mirroring(scene);
    if (mirroring.pairs() == 0) {
        return Problem{"no joint answers another one on the other side.", "",
                       "Give left and right joints names that say so, or places that mirror each other."};
    }
    StepResult& result = work.result;
    for (const size_t c : work.clips) {
        Clip clip = scene.clips[c];
        mirroring.run(scene.clips[c], clip);
        mark_remade(clip);
        if (ending.empty()) {
            result.scene.clips[c] = std::move(clip);
            continue;
        }
        clip.name += ending;
        clip.cut = true;
        if (result.scene.find_clip(clip.name) != nullptr) {
            return Problem{fmt::format("there is a clip \"{}\" already.", clip.name), "", "Choose another ending."};
        }
        result.scene.clips.push_back(std::move(clip));
    }
    result.account = fmt::format("{} left for right over {} pairs of joints{}", work.said, mirroring.pairs(),
                                 ending.empty() ? "" : ", as new clips that end in " + ending);
    return std::move(work.result);
}

} // namespace

StepKind mirror_clip_step() {
    return make_clip_step<MirrorSettings>(
        {"mirror_clip", "Mirror clips", "A turn to the left is captured once and goes out for both sides.",
         StepSubject::clips},
        {clips_parameter<&MirrorSettings::clips>(
             "Names of clips, with * and ?; all clips where it is not set. Left for right "
             "over the pairs of joints and the shapes that name a side")
             .starting(nlohmann::json::array()),
         text<&MirrorSettings::ending>("ending", "New names end in",
                                       "What is put behind the name; empty: the clips themselves are mirrored")
             .naming(NameOf::clip_ending)
             .typed_as("empty: the clips themselves are mirrored")
             .starting("_mirrored")},
        apply_mirror_clip);
}

} // namespace wembrix
