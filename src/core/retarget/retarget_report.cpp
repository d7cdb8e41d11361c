#include "core/retarget/retarget_report.h"

#include "core/math/angles.h"
#include "core/measure/skeleton/pose.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

/// Places of the joints of both at every frame.
struct Tracks {
    std::vector<std::vector<Vec3>> source; ///< one a link
    std::vector<std::vector<Vec3>> source_child;
    std::vector<std::vector<Vec3>> target;
    std::vector<std::vector<Vec3>> target_child;
};

double over_ground(const Vec3& a, const Vec3& b) {
    return std::hypot(a.x() - b.x(), a.z() - b.z());
}

} // namespace

RetargetReport report_on(const Retargeter& retargeter, const Scene& source, const Clip& clip, const Scene& target,
                         const Clip& made, const std::vector<HandHold>& holds) {
    RetargetReport report;
    report.holds = holds.size();
    const std::vector<Retargeter::Link>& links = retargeter.links();
    const int frames = clip.frames();
    const double factor = retargeter.path_factor();
    Tracks tracks;
    for (auto* track : {&tracks.source, &tracks.source_child, &tracks.target, &tracks.target_child}) {
        track->assign(links.size(), std::vector<Vec3>(static_cast<size_t>(std::max(1, frames)), Vec3::Zero()));
    }
    const Poser from(source, &clip);
    const Poser to(target, &made);
    const std::vector<Mat4> rest = rest_world(target);
    const std::vector<Mat4> source_rest_world = rest_world(source);
    Pose was;
    Pose is;
    for (int f = 0; f < frames; ++f) {
        from.at(f / clip.rate, was);
        to.at(f / clip.rate, is);
        const auto at = static_cast<size_t>(f);
        const auto in_source = [&](int node) -> Vec3 {
            return node < 0 ? Vec3(Vec3::Zero())
                            : Vec3(retargeter.upright() * point_of(was.world[static_cast<size_t>(node)], Vec3::Zero()));
        };
        const auto in_target = [&](int node) -> Vec3 {
            return node < 0 ? Vec3(Vec3::Zero()) : point_of(is.world[static_cast<size_t>(node)], Vec3::Zero());
        };
        for (size_t l = 0; l < links.size(); ++l) {
            tracks.source[l][at] = in_source(links[l].source);
            tracks.source_child[l][at] = in_source(links[l].source_child);
            tracks.target[l][at] = in_target(links[l].target);
            tracks.target_child[l][at] = in_target(links[l].target_child);
        }
        for (size_t n = 0; n < target.nodes.size(); ++n) {
            const int parent = target.nodes[n].parent;
            const bool carries = std::any_of(links.begin(), links.end(), [&](const Retargeter::Link& link) {
                return link.target == static_cast<int>(n) &&
                       (link.role == MapPair::Role::pelvis || link.role == MapPair::Role::root ||
                        link.role == MapPair::Role::prop);
            });
            if (parent >= 0 && target.nodes[n].kind == NodeKind::joint && !carries) {
                const auto length = [&](const std::vector<Mat4>& world) {
                    return (world[n] - world[static_cast<size_t>(parent)]).topRightCorner<3, 1>().norm();
                };
                report.longest_change_m = std::max(report.longest_change_m, std::abs(length(is.world) - length(rest)));
            }
        }
    }
    report.over_mm = -1e300;
    double lowest = 1e300;
    double highest = -1e300;
    for (size_t l = 0; l < links.size(); ++l) {
        const Retargeter::Link& link = links[l];
        const std::string& name = target.nodes[static_cast<size_t>(link.target)].name;
        if (link.source_child >= 0 && link.target_child >= 0 && link.row < 0 && link.role != MapPair::Role::root) {
            BoneDirection bone;
            bone.target = link.target;
            for (int f = 0; f < frames; ++f) {
                const auto at = static_cast<size_t>(f);
                const Vec3 a = tracks.source_child[l][at] - tracks.source[l][at];
                const Vec3 b = tracks.target_child[l][at] - tracks.target[l][at];
                const double apart = std::atan2(a.cross(b).norm(), a.dot(b)) * degrees_per_radian;
                bone.mean_degrees += apart / std::max(1, frames);
                if (apart > bone.worst_degrees) {
                    bone.worst_degrees = apart;
                    bone.worst_frame = f;
                }
            }
            report.directions.push_back(bone);
        }
        for (int f = 1; f + 1 < frames; ++f) {
            const auto at = static_cast<size_t>(f);
            const auto change = [&](const std::vector<Vec3>& track) {
                return (track[at + 1] - 2 * track[at] + track[at - 1]).norm() * clip.rate * clip.rate;
            };
            const double pop = change(tracks.target[l]) - factor * change(tracks.source[l]);
            if (pop > report.pop_m_s2) {
                report.pop_m_s2 = pop;
                report.pop_joint = name;
                report.pop_frame = f;
            }
        }
        if (link.role != MapPair::Role::foot) {
            continue;
        }
        const double height = point_of(rest[static_cast<size_t>(link.target)], Vec3::Zero()).y();
        const double source_rest =
            (retargeter.upright() * point_of(source_rest_world[static_cast<size_t>(link.source)], Vec3::Zero())).y();
        for (int f = 0; f < frames; ++f) {
            const auto at = static_cast<size_t>(f);
            const double source_low = factor * (tracks.source[l][at].y() - source_rest);
            const double below = (std::min(0.0, source_low) - (tracks.target[l][at].y() - height)) * 1000;
            if (below > report.below_ground_mm) {
                report.below_ground_mm = below;
                report.below_frame = f;
            }
        }
        for (const Contact& stand :
             contacts_of(source, clip, {link.source}, std::max(1e-9, retargeter.source_body().height_m))) {
            ++report.stands;
            // A foot's height above where it rests is the ground's there.
            const double under =
                factor * (tracks.source[l][static_cast<size_t>((stand.first + stand.last) / 2)].y() - source_rest);
            lowest = std::min(lowest, under);
            highest = std::max(highest, under);
            double slide = 0;
            double own = 0;
            int worst = stand.first;
            for (int f = stand.first; f <= stand.last; ++f) {
                const auto at = static_cast<size_t>(f);
                const auto first = static_cast<size_t>(stand.first);
                const double here = over_ground(tracks.target[l][at], tracks.target[l][first]);
                own = std::max(own, factor * over_ground(tracks.source[l][at], tracks.source[l][first]));
                if (here > slide) {
                    slide = here;
                    worst = f;
                }
            }
            report.over_mm = std::max(report.over_mm, (slide - own) * 1000);
            if (report.slide_joint.empty() || slide * 1000 > report.slide_mm) {
                report.slide_mm = slide * 1000;
                report.allowed_mm = own * 1000;
                report.slide_joint = name;
                report.slide_frame = worst;
            }
        }
    }
    for (const HandHold& hold : holds) {
        const auto l = static_cast<size_t>(hold.link);
        const auto middle = static_cast<size_t>((hold.first + hold.last) / 2);
        for (int f = hold.first; f <= hold.last; ++f) {
            const auto at = static_cast<size_t>(f);
            // From the world as it was half-way, or from what it is at.
            const auto origin = [&](const std::vector<std::vector<Vec3>>& track) {
                return hold.on_link < 0 ? track[l][middle] : track[static_cast<size_t>(hold.on_link)][at];
            };
            const Vec3 is_away = tracks.target[l][at] - origin(tracks.target);
            const Vec3 was_away = tracks.source[l][at] - origin(tracks.source);
            const double off = (is_away - factor * was_away).norm() * 1000;
            if (off > report.hand_off_mm) {
                report.hand_off_mm = off;
                report.hand_joint = target.nodes[static_cast<size_t>(links[l].target)].name;
                report.hand_frame = f;
            }
        }
    }
    report.ground_rise_mm = report.stands == 0 ? 0 : (highest - lowest) * 1000;
    report.over_mm = report.stands == 0 ? 0 : report.over_mm;
    std::sort(report.directions.begin(), report.directions.end(),
              [](const BoneDirection& a, const BoneDirection& b) { return a.worst_degrees > b.worst_degrees; });
    return report;
}

} // namespace wembrix
