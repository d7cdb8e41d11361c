// Several clips as one, end to end or with an overlap in which one leads into the next; the way goes on where the
// clip before it arrived.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/clips/baked.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/clips/motion_roots.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"

#include <Eigen/LU>
#include <algorithm>

namespace wembrix {

namespace {

void blend(const BakedTrack& from, int from_frame, double share, float* to, Path path) {
    const float* a = from.at(from_frame);
    if (path == Path::rotation) {
        const Quat was(a[3], a[0], a[1], a[2]);
        const Quat is(to[3], to[0], to[1], to[2]);
        std::copy_n(was.normalized().slerp(share, is.normalized()).coeffs().cast<float>().eval().data(), 4, to);
        return;
    }
    for (int k = 0; k < from.width; ++k) {
        to[k] = static_cast<float>(a[k] + (static_cast<double>(to[k]) - a[k]) * share);
    }
}

/// Puts `next` behind `all`; its first `overlap` frames lie over the last ones.
void append_clip(const Scene& scene, BakedClip next, int overlap, BakedClip& all) {
    add_rest_tracks(scene, all, next);
    add_rest_tracks(scene, next, all);
    // The way goes on: the next one stands, where the two meet, as the one before does.
    const int meets = overlap > 0 ? all.frames - overlap : all.frames - 1;
    Mat4 stand = stand_of(scene, all, meets);
    if (overlap == 0 && all.frames > 1) {
        stand = stand * stand_of(scene, all, meets - 1).inverse() * stand; // a frame later it is a step farther
    }
    aligned(scene, stand * stand_of(scene, next, 0).inverse(), 0, next.frames - 1, next);
    for (BakedTrack& track : all.tracks) {
        BakedTrack& other = *next.find(track.node, track.path);
        for (int i = 0; i < overlap; ++i) {
            const double u = (i + 1.0) / (overlap + 1.0);
            if (!track.stepped) {
                blend(track, all.frames - overlap + i, u * u * (3 - 2 * u), other.at(i), track.path);
            }
        }
        track.values.resize(static_cast<size_t>(all.frames - overlap) * static_cast<size_t>(track.width));
        track.values.insert(track.values.end(), other.values.begin(), other.values.end());
        if (track.path == Path::rotation) {
            keep_sign(track);
        }
    }
    all.frames += next.frames - overlap;
}

struct JoinSettings {
    std::vector<std::string> clips;
    std::string name;
    int overlap = 0;
    bool keep = true;
};

Result<StepResult> apply_join_clips(const StepContext& context, const JoinSettings& settings) {
    const Scene& scene = context.scene;
    const std::vector<std::string>& names = settings.clips;
    const std::string& name = settings.name;
    const int overlap = settings.overlap;
    const bool keep = settings.keep;
    std::vector<size_t> chosen;
    for (const std::string& one : names) {
        const Result<size_t> at = named_clip(scene, one);
        if (!at) {
            return at.problem();
        }
        if (scene.clips[*at].frames() <= overlap) {
            return Problem{
                phrase("“{}” has {}: {} cannot overlap.", one, counted(scene.clips[*at].frames(), "frame"), overlap),
                "", ""};
        }
        chosen.push_back(*at);
    }
    if (std::any_of(scene.clips.begin(), scene.clips.end(), [&](const Clip& clip) {
            return clip.name == name && (keep || std::find(names.begin(), names.end(), name) == names.end());
        })) {
        return Problem{phrase("there is a clip \"{}\" already.", name), "", "Choose another name."};
    }
    Clip joined = scene.clips[chosen.front()];
    BakedClip all = bake_tracks(joined);
    for (size_t i = 1; i < chosen.size(); ++i) {
        const Clip& next = scene.clips[chosen[i]];
        append_clip(scene, bake_tracks(next, joined.rate, 0, next.frames(joined.rate)), overlap, all);
    }
    put_tracks(all, 0, joined);
    joined.name = name;
    joined.loop = joined.last_is_first = false;
    joined.cut = true;
    joined.note.clear();
    mark_remade(joined);
    StepResult result;
    result.scene = scene;
    if (keep) {
        result.scene.clips.push_back(std::move(joined));
    } else {
        const size_t place = *std::min_element(chosen.begin(), chosen.end());
        result.scene.clips[place] = std::move(joined);
        size_t c = 0;
        std::erase_if(result.scene.clips, [&](const Clip&) {
            const size_t at = c++;
            return at != place && std::find(chosen.begin(), chosen.end(), at) != chosen.end();
        });
    }
    result.account = phrase("{} into “{}”, {}{}", some_of(names), name, counted(all.frames, "frame"),
                            overlap > 0 ? phrase(", {} of them over each other", overlap) : "");
    return result;
}

} // namespace

StepKind join_clips_step() {
    return make_step<JoinSettings>(
        {"join_clips", "Join clips", "What was captured in pieces plays as one.", StepSubject::clips},
        {list<&JoinSettings::clips>("clips", "Clips",
                                    "Names of clips, in order. Each goes on where the one before it arrived")
             .items(2)
             .naming(NameOf::clip)
             .typed_as("one per line, in their order")
             .starting(nlohmann::json::array()),
         text<&JoinSettings::name>("name", "Into", "Name of the new clip")
             .needed()
             .naming(NameOf::clip_after)
             .typed_as("name of the new clip")
             .starting("joined"),
         number<&JoinSettings::overlap>("overlap", "Overlap", "Frames that play over each other")
             .unit("frames")
             .between(0, 100000)
             .starting(0),
         flag<&JoinSettings::keep>("keep", "Pieces", "stay, too").starting(true)},
        apply_join_clips);
}

} // namespace wembrix
