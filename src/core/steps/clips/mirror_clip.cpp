// The same motion, left for right.
#include "core/base/text.h"
#include "core/measure/clips/baked.h"
#include "core/measure/skeleton/pose_mirror.h"
#include "core/steps/clips/clip_step.h"

#include <algorithm>

namespace wembrix {

namespace {

class Mirroring {
  public:
    explicit Mirroring(const Scene& scene) : scene_(scene), mirror_(scene) {}

    [[nodiscard]] size_t pairs() const { return mirror_.pairs(); }

    void run(const Clip& before, Clip& clip) const {
        const std::vector<int>& joints = mirror_.joints();
        BakedClip was = bake_tracks(before);
        BakedClip is;
        is.rate = was.rate;
        is.frames = was.frames;
        for (const int joint : joints) {
            is.tracks.push_back({joint, Path::translation, 3, false, {}});
            is.tracks.push_back({joint, Path::rotation, 4, false, {}});
        }
        const Poser poser(scene_, &before);
        Pose pose;
        for (int f = 0; f < is.frames; ++f) {
            poser.at(f / is.rate, pose);
            const std::vector<Transform> mirrored = mirror_.mirrored(pose);
            for (size_t j = 0; j < joints.size(); ++j) {
                const Vec3f p = mirrored[j].translation.cast<float>();
                const Eigen::Vector4f q = mirrored[j].rotation.coeffs().cast<float>();
                std::vector<float>& places = is.tracks[j * 2].values;
                std::vector<float>& turns = is.tracks[j * 2 + 1].values;
                places.insert(places.end(), p.data(), p.data() + 3);
                turns.insert(turns.end(), q.data(), q.data() + 4);
            }
        }
        for (size_t j = 0; j < joints.size(); ++j) {
            keep_sign(is.tracks[j * 2 + 1]);
        }
        swap_others(was, is);
        put_tracks(is, 0, clip);
    }

  private:
    /// Scales go to the other side as they are; shape weights to the shape that names the other side.
    void swap_others(const BakedClip& was, BakedClip& is) const {
        const std::vector<int>& joints = mirror_.joints();
        for (const BakedTrack& track : was.tracks) {
            BakedTrack swapped = track;
            const auto joint = std::find(joints.begin(), joints.end(), track.node);
            if (track.path == Path::scale && joint != joints.end()) {
                swapped.node = mirror_.partners()[static_cast<size_t>(joint - joints.begin())];
                is.tracks.push_back(std::move(swapped));
            } else if (track.path == Path::weights) {
                swap_shapes(track, swapped);
                is.tracks.push_back(std::move(swapped));
            } else if (joint == joints.end()) {
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
    PoseMirror mirror_;
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
            return Problem{phrase("there is a clip \"{}\" already.", clip.name), "", "Choose another ending."};
        }
        result.scene.clips.push_back(std::move(clip));
    }
    result.account = phrase("{} left for right over {} pairs of joints{}", work.said, mirroring.pairs(),
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
