// Motion that drifts, slides, ends between frames, or stands there twice.
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/measure/clips/contacts.h"
#include "core/measure/clips/same_motions.h"
#include "core/measure/clips/travel.h"
#include "core/measure/scene/bounds.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

Finding about(const Clip& clip, Grade grade) {
    Finding finding;
    finding.grade = grade;
    finding.where = clip.name;
    finding.clip = clip.name;
    return finding;
}

} // namespace

std::vector<Finding> find_odd_lengths(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const Clip& clip : context.scene.clips) {
        const double frames = clip.seconds * clip.rate;
        if (std::abs(frames - std::round(frames)) <= 0.01) {
            continue;
        }
        Finding finding = about(clip, Grade::note);
        finding.frame = clip.frames() - 1;
        finding.message = phrase("“{}” ends between two frames", clip.name);
        finding.reason =
            phrase("It lasts {:.4f} s, {:.2f} frames at {:g} per second.", clip.seconds, frames, clip.rate);
        finding.step = Step{"bake", {{"clips", {clip.name}}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_same_motions(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const SameMotion& same : same_motions(context.scene)) {
        const Clip& whole = context.scene.clips[same.whole];
        const Clip& part = context.scene.clips[same.part];
        Finding finding = about(part, Grade::look);
        const bool all = whole.frames() == part.frames();
        finding.message = all ? phrase("“{}” is the same motion as “{}”", part.name, whole.name)
                              : phrase("“{}” is frames {} to {} of “{}”", part.name, same.from,
                                       same.from + same.frames - 1, whole.name);
        finding.reason = "The same frames under two names are delivered, stored and loaded twice.";
        finding.step = Step{"leave_behind", {{"names", {part.name}}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_drifting_roots(const FindingContext& context) {
    std::vector<Finding> findings;
    const double height = height_m(context.scene);
    const int carrier = carrying_joint(context.scene);
    for (const Clip& clip : context.scene.clips) {
        if (carrier < 0 || !clip.loop || clip.frames() < 3) {
            continue;
        }
        const Travel travel = travel_of(trajectory_of(context.scene, clip, carrier, clip.rate, 0, clip.frames()));
        if (travel.metres > 0.1 * height || travel.metres < 0.01 * height) {
            continue; // it stays, or it is meant to go
        }
        Finding finding = about(clip, Grade::look);
        finding.frame = clip.frames() - 1;
        finding.message = phrase("“{}” repeats and creeps away", clip.name);
        finding.reason = phrase("{} is {:.0f} mm from where it began when it ends, and jumps back each time.",
                                context.scene.nodes[static_cast<size_t>(carrier)].name, travel.metres * 1000);
        finding.step = Step{"close_loop", {{"clip", clip.name}, {"mode", "blend"}, {"frames", 8}}};
        if (clip.frames() < 11) {
            finding.step.reset();
            finding.no_step = "it is too short to blend";
        }
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_sliding_feet(const FindingContext& context) {
    std::vector<Finding> findings;
    const double height = height_m(context.scene);
    const std::vector<int> feet = foot_joints(context.scene, height);
    for (const Clip& clip : context.scene.clips) {
        const std::vector<Contact> contacts = contacts_of(context.scene, clip, feet, height);
        const auto worst = std::max_element(contacts.begin(), contacts.end(),
                                            [](const Contact& a, const Contact& b) { return a.slide_mm < b.slide_mm; });
        if (worst == contacts.end() || worst->slide_mm <= 30 * height) {
            continue;
        }
        Finding finding = about(clip, Grade::note);
        finding.frame = worst->slide_frame;
        finding.nodes = {context.scene.nodes[static_cast<size_t>(worst->joint)].name};
        finding.message =
            phrase("{} slides {:.0f} mm while it stands in “{}”", finding.nodes[0], worst->slide_mm, clip.name);
        finding.reason = phrase("It is set down at frame {} and lifted after frame {}.", worst->first, worst->last);
        finding.no_step = "it is in the motion as it came";
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
