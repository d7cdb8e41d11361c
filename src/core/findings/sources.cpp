// Sources against each other: one that could not be read, a part that rests otherwise, motion that finds no joint, legs
// that are not the take's.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/measure/scene/bounds.h"
#include "core/scene/named_scene.h"
#include "core/steps/names.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <set>

namespace wembrix {

namespace {
Text motion_of(const LeftMotion& left) {
    if (left.moves_m >= 0.0005 && left.turns_degrees >= 0.05) {
        return phrase("{:.3g} m and {:.1f}°", left.moves_m, left.turns_degrees);
    }
    return left.moves_m >= 0.0005 ? phrase("{:.3g} m", left.moves_m) : fmt::format("{:.1f}°", left.turns_degrees);
}

bool moves(const LeftMotion& left) {
    return left.moves_m >= 0.0005 || left.turns_degrees >= 0.05;
}
} // namespace

std::vector<Finding> find_unread_sources(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const SourceFit& fit : context.scene.fits) {
        if (fit.problem.empty()) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::stop;
        finding.where = fit.source;
        finding.message = phrase("“{}” could not be read", fit.source);
        finding.reason = fit.problem + " What it holds is in none of the files.";
        finding.no_step = "find it again, replace it, or take it out of the job's sources";
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_unlike_rests(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const SourceFit& fit : context.scene.fits) {
        if (fit.joints_apart == 0) {
            continue;
        }
        Finding finding;
        finding.grade = fit.rest_settled ? Grade::note : Grade::stop;
        finding.where = fit.source;
        finding.message = phrase("“{}” rests otherwise than the skeleton it joins", fit.source);
        finding.reason =
            phrase("{} up to {:.3g} mm ({}) and {:.1f}° apart. {}",
                   fit.joints_apart == 1 ? "1 joint lies" : phrase("{} joints lie", fit.joints_apart),
                   fit.apart_m * 1000, fit.apart_at, fit.apart_degrees,
                   fit.rest_settled ? "It was said which of the two holds." : "One of the two will be bent at rest.");
        finding.no_step = fit.rest_settled
                              ? "it was said in the list of sources"
                              : "say in the list of sources which rest pose holds: the skeleton's or its own";
        findings.push_back(std::move(finding));
    }
    return findings;
}

namespace {

/// Most of what a source's takes move is not here: they were made on another body. `place` among the sources.
bool is_of_another_body(const Scene& scene, const SourceFit& fit, size_t place) {
    constexpr std::ptrdiff_t least = 3; // a joint or two may be helpers
    const auto lost = std::count_if(fit.left_motion.begin(), fit.left_motion.end(), [&](const LeftMotion& left) {
        return moves(left) && left.carried_by.empty() && scene.find_node(left.name) < 0;
    });
    std::set<int> found;
    for (const Clip& clip : scene.clips) {
        for (const Channel& channel : clip.channels) {
            if (source_of_identity(clip.take) == place && channel.path != Path::weights) {
                found.insert(channel.node);
            }
        }
    }
    return lost >= least && lost > static_cast<std::ptrdiff_t>(found.size());
}

Finding another_body(const Scene& scene, const SourceFit& fit) {
    Finding finding;
    finding.where = fit.source;
    finding.message = phrase("“{}” was made on another body: {} it moves are not here", fit.source,
                             counted(fit.left_motion.size(), "joint"));
    finding.reason = "Its motion is lost unless it is put onto the joints that are here.";
    if (joints_of(scene).empty()) {
        finding.no_step = "there is no skeleton yet: build one";
    } else {
        finding.step = Step{"retarget", {{"sources", {fit.source}}, {"feet", "planted"}}};
    }
    return finding;
}

} // namespace

std::vector<Finding> find_lost_motion(const FindingContext& context) {
    std::vector<Finding> findings;
    for (size_t i = 0; i < context.scene.fits.size(); ++i) {
        const SourceFit& fit = context.scene.fits[i];
        if (is_of_another_body(context.scene, fit, i + 1)) {
            findings.push_back(another_body(context.scene, fit));
            continue;
        }
        for (const LeftMotion& left : fit.left_motion) {
            if (!moves(left)) {
                continue;
            }
            const bool there = context.scene.find_node(left.name) >= 0;
            Finding finding;
            finding.where = fit.source + ", " + left.name;
            finding.grade = left.carried_by.empty() || there ? Grade::look : Grade::note;
            if (!left.carried_by.empty()) {
                finding.nodes = {left.carried_by};
                finding.message = phrase("{} moves {} in “{}”, here {} does", left.name, motion_of(left), fit.source,
                                         left.carried_by);
                finding.reason = there ? phrase("There is a {} now, and it stands still.", left.name)
                                       : phrase("There is no {}: what stands below it goes its way.", left.name);
            } else {
                finding.message =
                    phrase("{} moves {} in “{}”, and nothing here does", left.name, motion_of(left), fit.source);
                finding.reason = there ? phrase("There is a {} now, and it stands still.", left.name)
                                       : "No joint has that name: its motion is lost.";
            }
            if (there) {
                finding.step = Step{"bring_takes"};
            } else {
                finding.no_step = "make or name a joint so, then bring the takes onto it";
            }
            findings.push_back(std::move(finding));
        }
    }
    return findings;
}

std::vector<Finding> find_loose_sculpts(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const SourceFit& fit : context.scene.fits) {
        const int node = fit.sculpt_of == 0 ? -1 : context.scene.find_identity(fit.sculpt_of);
        if (node < 0) {
            continue;
        }
        const std::string& surface = context.scene.nodes[static_cast<size_t>(node)].name;
        // What it becomes is named for its file.
        std::string name = fit.source.substr(fit.source.find_last_of('/') + 1);
        name = name.substr(0, name.find_last_of('.'));
        const bool there = std::any_of(context.scene.meshes.begin(), context.scene.meshes.end(), [&](const Mesh& mesh) {
            return std::any_of(mesh.shapes.begin(), mesh.shapes.end(),
                               [&](const MorphTarget& shape) { return shape.name == name; });
        });
        if (there) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::look;
        finding.where = fit.source;
        finding.message = phrase("“{}” is “{}” in another form, vertex for vertex", fit.source, surface);
        finding.reason =
            "It becomes a shape of that surface by a step, or a corrective where it was sculpted on a pose.";
        finding.step = Step{"add_shape", {{"name", name}, {"source", fit.source}, {"surface", surface}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_unlike_size(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const SourceFit& fit : context.scene.fits) {
        const double ratio = fit.size_ratio;
        if (ratio > 0.75 && ratio < 1.33) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::look;
        finding.where = fit.source;
        finding.message =
            ratio > 1 ? phrase("The model is {:.3g} times as large as the body of “{}”", ratio, fit.source)
                      : phrase("The model is {:.3g} times smaller than the body of “{}”", 1 / ratio, fit.source);
        finding.reason = phrase("It stands {:.3g} m tall; by the bones of that take it would be {:.3g} m.",
                                height_m(context.scene), height_m(context.scene) / ratio);
        finding.step = Step{"scale", {{"factor", std::round(1e4 / ratio) / 1e4}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_unlike_legs(const FindingContext& context) {
    std::vector<Finding> findings;
    const double height = height_m(context.scene);
    for (const SourceFit& fit : context.scene.fits) {
        if (fit.size_ratio <= 0.75 || fit.size_ratio >= 1.33) {
            continue; // all of it is of another size
        }
        if (fit.foot.empty() || std::abs(fit.legs_longer_m) <= 0.01 * height) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::look;
        finding.where = fit.source;
        finding.message = phrase("Legs are {:.3g} m {} than in “{}”", std::abs(fit.legs_longer_m),
                                 fit.legs_longer_m > 0 ? "longer" : "shorter", fit.source);
        finding.reason = phrase("Down to {}: feet {} the ground by as much.", fit.foot,
                                fit.legs_longer_m > 0 ? "sink into" : "float above");
        finding.no_step = "the motion was made on another body";
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
