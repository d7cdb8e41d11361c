// Motion that jumps, drifts, slides, ends between frames, or stands there twice.
#include "core/findings/finding.h"
#include "core/measure/clips/baked.h"
#include "core/measure/clips/contacts.h"
#include "core/measure/clips/travel.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/skeleton/pose.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <map>

namespace wembrix {

namespace {

Finding about(const Clip& clip, Grade grade) {
    Finding finding;
    finding.grade = grade;
    finding.where = clip.name;
    finding.clip = clip.name;
    return finding;
}

/// One moment where a joint goes much farther in one frame than in the frames on both sides.
struct Jump {
    int joint = -1;
    int frame = 0; ///< the first one behind the jump
    double metres = 0;
};

Jump largest_jump(const Scene& scene, const Clip& clip, double height) {
    const std::vector<int> joints = joints_of(scene);
    const int frames = clip.frames();
    Jump jump;
    std::vector<std::vector<double>> steps(joints.size(), std::vector<double>(static_cast<size_t>(frames), 0));
    std::vector<Vec3> before(joints.size());
    const Poser poser(scene, &clip);
    Pose pose;
    for (int f = 0; f < frames; ++f) {
        poser.at(f / clip.rate, pose);
        for (size_t j = 0; j < joints.size(); ++j) {
            const Vec3 now = pose.world[static_cast<size_t>(joints[j])].topRightCorner<3, 1>();
            steps[j][static_cast<size_t>(f)] = f == 0 ? 0 : (now - before[j]).norm();
            before[j] = now;
        }
    }
    for (size_t j = 0; j < joints.size(); ++j) {
        for (size_t f = 2; f + 1 < steps[j].size(); ++f) {
            const double beside = std::max(steps[j][f - 1], steps[j][f + 1]);
            if (steps[j][f] > 0.05 * height && steps[j][f] > 5 * beside && steps[j][f] > jump.metres) {
                jump = {joints[j], static_cast<int>(f), steps[j][f]};
            }
        }
    }
    return jump;
}

/// What tells two motions apart: their length, and every value at a few frames.
std::string print_of(const Clip& clip) {
    std::string print = fmt::format("{} {:g}", clip.frames(), clip.rate);
    for (const double part : {0.0, 0.25, 0.5, 0.75, 1.0}) {
        const BakedClip baked = bake_tracks(clip, clip.rate, clip.seconds * part, 1);
        for (const BakedTrack& track : baked.tracks) {
            for (const float value : track.values) {
                print.append(reinterpret_cast<const char*>(&value), sizeof value);
            }
        }
    }
    return print;
}

} // namespace

std::vector<Finding> find_jumps(const FindingContext& context) {
    std::vector<Finding> findings;
    const double height = height_m(context.scene);
    for (const Clip& clip : context.scene.clips) {
        const Jump jump = largest_jump(context.scene, clip, height);
        if (jump.joint < 0) {
            continue;
        }
        Finding finding = about(clip, Grade::look);
        finding.frame = jump.frame;
        finding.nodes = {context.scene.nodes[static_cast<size_t>(jump.joint)].name};
        finding.message = fmt::format("“{}” jumps at frame {}", clip.name, jump.frame);
        finding.reason = fmt::format("{} goes {:.0f} mm in that one frame, and little before and after it.",
                                     finding.nodes[0], jump.metres * 1000);
        finding.no_step = "cut the clip there, or ask for the capture anew";
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_odd_lengths(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const Clip& clip : context.scene.clips) {
        const double frames = clip.seconds * clip.rate;
        if (std::abs(frames - std::round(frames)) <= 0.01) {
            continue;
        }
        Finding finding = about(clip, Grade::note);
        finding.frame = clip.frames() - 1;
        finding.message = fmt::format("“{}” ends between two frames", clip.name);
        finding.reason =
            fmt::format("It lasts {:.4f} s, {:.2f} frames at {:g} per second.", clip.seconds, frames, clip.rate);
        finding.step = Step{"bake", {{"clips", {clip.name}}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_same_motions(const FindingContext& context) {
    std::vector<Finding> findings;
    std::map<std::string, const Clip*> seen;
    for (const Clip& clip : context.scene.clips) {
        if (clip.frames() < 2) {
            continue;
        }
        const auto [other, fresh] = seen.emplace(print_of(clip), &clip);
        if (fresh) {
            continue;
        }
        Finding finding = about(clip, Grade::look);
        finding.message = fmt::format("“{}” is the same motion as “{}”", clip.name, other->second->name);
        finding.reason = "The same frames under two names are delivered, stored and loaded twice.";
        finding.step = Step{"leave_behind", {{"names", {clip.name}}}};
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
        finding.message = fmt::format("“{}” repeats and creeps away", clip.name);
        finding.reason = fmt::format("{} is {:.0f} mm from where it began when it ends, and jumps back each time.",
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
            fmt::format("{} slides {:.0f} mm while it stands in “{}”", finding.nodes[0], worst->slide_mm, clip.name);
        finding.reason =
            fmt::format("It is set down at frame {} and lifted after frame {}.", worst->first, worst->last);
        finding.no_step = "it is in the motion as it came";
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
