// Where feet and hands are to be: as long as they stand still, and on the way from one hold to the next.
#include "core/retarget/retarget_parts.h"

#include <algorithm>
#include <cmath>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

namespace wembrix {

using namespace retargeting;

namespace {

constexpr double near_share = 0.2;       ///< of the height: a hand is at a prop
constexpr double touching_share = 0.12;  ///< and at the other hand
constexpr double still_share_a_s = 0.08; ///< of the height a second: still
constexpr int shortest_hold = 4;         ///< frames

/// Between two holds it lets go of the one and goes over to the next; `off` is known where it is held.
void go_over(std::vector<Vec3>& off, const std::vector<char>& held, int blend) {
    const int count = static_cast<int>(off.size());
    std::vector<int> before(at_(count), -1);
    std::vector<int> after(at_(count), count);
    for (int f = 0; f < count; ++f) {
        before[at_(f)] = held[at_(f)] != 0 ? f : f > 0 ? before[at_(f - 1)] : -1;
    }
    for (int f = count - 1; f >= 0; --f) {
        after[at_(f)] = held[at_(f)] != 0 ? f : f + 1 < count ? after[at_(f + 1)] : count;
    }
    for (int f = 0; f < count; ++f) {
        const int last = before[at_(f)];
        const int next = after[at_(f)];
        if (last == f) {
            continue;
        }
        Vec3 sum = Vec3::Zero();
        const int ramp = last >= 0 && next < count ? std::min(blend, next - last) : blend;
        if (last >= 0) {
            sum += off[at_(last)] * (1 - smooth_step(static_cast<double>(f - last) / ramp));
        }
        if (next < count) {
            sum += off[at_(next)] * (1 - smooth_step(static_cast<double>(next - f) / ramp));
        }
        off[at_(f)] = sum;
    }
}

} // namespace

/// Each foot of the target stands where that of the source does, from a place of its own.
void Retargeter::plant(size_t limb, const Track& track, const Clip& clip, std::vector<Vec3>& to) const {
    const Limb& leg = limbs_[limb];
    const int count = static_cast<int>(to.size());
    const int blend = std::max(1, static_cast<int>(std::lround(blend_s * clip.rate)));
    const std::vector<Contact> stands =
        contacts_of_places(leg.source_foot, track.source, clip.rate, std::max(1e-9, from_.height_m));
    std::vector<Vec3> off(at_(count), Vec3::Zero());
    std::vector<char> stands_at(at_(count), 0);
    for (const Contact& stand : stands) {
        const int middle = (stand.first + stand.last) / 2;
        const Vec3 anchor = to[at_(middle)] - factor_ * track.source[at_(middle)];
        for (int f = stand.first; f <= stand.last; ++f) {
            Vec3 place = anchor + factor_ * track.source[at_(f)];
            place.y() = factor_ * track.source[at_(f)].y() + leg.lift_m;
            off[at_(f)] = place - to[at_(f)];
            stands_at[at_(f)] = 1;
        }
    }
    go_over(off, stands_at, blend);
    // No foot goes deeper into the ground than the source's does.
    const double rest = place_in(target_rest_, leg.joints.back()).y();
    const double source_rest = (upright_ * place_in(source_rest_, leg.source_foot)).y();
    for (int f = 0; f < count; ++f) {
        to[at_(f)] += off[at_(f)];
        const double deep = std::min(0.0, factor_ * (track.source[at_(f)].y() - source_rest));
        to[at_(f)].y() = std::max(to[at_(f)].y(), rest + deep);
    }
}

/// How far the pelvis has to come down for every leg to reach; ahead of it and after, smoothly.
std::vector<double> Retargeter::sink_of(const std::vector<Track>& tracks, const std::vector<std::vector<Vec3>>& wanted,
                                        int blend) const {
    const int count = tracks.empty() ? 0 : static_cast<int>(tracks.front().foot.size());
    std::vector<double> sink(at_(count), 0);
    for (size_t g = 0; g < limbs_.size(); ++g) {
        for (int f = 0; f < count && !limbs_[g].is_arm; ++f) {
            const Vec3& hip = tracks[g].hip[at_(f)];
            const Vec3& knee = tracks[g].knee[at_(f)];
            const Vec3& foot = tracks[g].foot[at_(f)];
            const double straight =
                std::max(full_reach * ((knee - hip).norm() + (foot - knee).norm()), (foot - hip).norm());
            const Vec3 way = wanted[g][at_(f)] - hip;
            const double aside = std::hypot(way.x(), way.z());
            if (way.norm() > straight * (1 + 1e-12) && aside < straight) {
                sink[at_(f)] = std::max(sink[at_(f)], -way.y() - std::sqrt(straight * straight - aside * aside));
            }
        }
    }
    std::vector<double> smooth(at_(count), 0);
    if (count > 0 && *std::max_element(sink.begin(), sink.end()) > 0) {
        std::vector<double> widest(sink.size());
        for (int f = 0; f < count; ++f) {
            for (int k = std::max(0, f - blend); k <= std::min(count - 1, f + blend); ++k) {
                widest[at_(f)] = std::max(widest[at_(f)], sink[at_(k)]);
            }
        }
        for (int f = 0; f < count; ++f) {
            double sum = 0;
            for (int k = f - blend; k <= f + blend; ++k) {
                sum += widest[at_(std::clamp(k, 0, count - 1))];
            }
            smooth[at_(f)] = sum / (2 * blend + 1);
        }
    }
    return smooth;
}

std::vector<HandHold> Retargeter::hold_hands(const std::vector<Track>& tracks, const std::vector<Track>& props,
                                             const Clip& clip, std::vector<std::vector<Vec3>>& to) const {
    std::vector<HandHold> holds;
    const double height = std::max(1e-9, from_.height_m);
    const int blend = std::max(1, static_cast<int>(std::lround(blend_s * clip.rate)));
    std::vector<size_t> hands;
    for (size_t g = 0; g < limbs_.size(); ++g) {
        if (limbs_[g].is_arm) {
            hands.push_back(g);
        }
    }
    // Runs of frames in which something holds, long enough to be meant.
    const auto runs = [&](const auto& holds_at) {
        std::vector<std::pair<int, int>> found;
        const int count = clip.frames();
        for (int f = 0; f < count;) {
            int end = f;
            while (end < count && holds_at(end)) {
                ++end;
            }
            if (end - f >= shortest_hold) {
                found.emplace_back(f, end - 1);
            }
            f = std::max(end, f + 1);
        }
        return found;
    };
    const double still_a_frame = still_share_a_s * height / clip.rate;
    struct Held {
        std::vector<Vec3> off;
        std::vector<char> at;
    };
    std::vector<Held> held(limbs_.size());
    for (const size_t g : hands) {
        held[g] = {std::vector<Vec3>(to[g].size(), Vec3::Zero()), std::vector<char>(to[g].size(), 0)};
    }
    // One that begins where another holds or has just let go begins later, so that it goes over smoothly.
    const auto take = [&](size_t g, int on_link, int first, int last, const auto& place) {
        Held& own = held[g];
        const auto taken = [&](int f) {
            for (int k = std::max(0, f - blend); k <= std::min(static_cast<int>(own.at.size()) - 1, f + blend); ++k) {
                if (own.at[at_(k)] != 0) {
                    return true;
                }
            }
            return false;
        };
        std::vector<char> free(own.at.size(), 0);
        for (int f = first; f <= last; ++f) {
            free[at_(f)] = taken(f) ? 0 : 1;
        }
        for (const auto& [from, until] : runs([&](int f) { return free[at_(f)] != 0; })) {
            for (int f = from; f <= until; ++f) {
                own.off[at_(f)] = place(f) - to[g][at_(f)];
                own.at[at_(f)] = 1;
            }
            holds.push_back({tracks[g].link, on_link, from, until});
        }
    };
    for (const size_t g : hands) {
        const std::vector<Vec3>& source = tracks[g].source;
        for (const Track& prop : props) {
            const auto seen = [&](int f) {
                return Vec3(prop.source_turn[at_(f)].conjugate() * (source[at_(f)] - prop.source[at_(f)]));
            };
            const auto keeps = [&](int f) {
                const bool still = (f == 0 || (seen(f) - seen(f - 1)).norm() < still_a_frame) &&
                                   (f + 1 == clip.frames() || (seen(f + 1) - seen(f)).norm() < still_a_frame);
                return still && seen(f).norm() < near_share * height;
            };
            for (const auto& [first, last] : runs(keeps)) {
                take(g, prop.link, first, last,
                     [&](int f) { return Vec3(prop.foot[at_(f)] + factor_ * (source[at_(f)] - prop.source[at_(f)])); });
            }
        }
    }
    for (size_t a = 0; a < hands.size(); ++a) {
        for (size_t b = a + 1; b < hands.size(); ++b) {
            const size_t g = hands[a];
            const size_t h = hands[b];
            const auto between = [&](int f) { return Vec3(tracks[h].source[at_(f)] - tracks[g].source[at_(f)]); };
            for (const auto& [first, last] : runs([&](int f) { return between(f).norm() < touching_share * height; })) {
                // Where one is held already the other goes there; else both meet in the middle.
                const Held before_g = held[g];
                const Held before_h = held[h];
                const auto place_of = [&](size_t limb, int f) {
                    const bool first_hand = limb == g;
                    const Held& other = first_hand ? before_h : before_g;
                    const Vec3 own_way = (first_hand ? -1.0 : 1.0) * factor_ * between(f);
                    if (other.at[at_(f)] != 0) {
                        return Vec3(to[first_hand ? h : g][at_(f)] + other.off[at_(f)] + own_way);
                    }
                    return Vec3((to[g][at_(f)] + to[h][at_(f)]) / 2 + own_way / 2);
                };
                take(g, tracks[h].link, first, last, [&](int f) { return place_of(g, f); });
                take(h, tracks[g].link, first, last, [&](int f) { return place_of(h, f); });
            }
        }
    }
    for (const size_t g : hands) {
        ContactLimits anywhere;
        anywhere.height_m = 1e9;
        anywhere.speed_m_s = still_share_a_s * height;
        anywhere.shortest = shortest_hold;
        for (const Contact& still :
             contacts_of_places(limbs_[g].source_foot, tracks[g].source, clip.rate, height, anywhere)) {
            const int middle = (still.first + still.last) / 2;
            const Vec3 anchor = to[g][at_(middle)] - factor_ * tracks[g].source[at_(middle)];
            take(g, -1, still.first, still.last,
                 [&](int f) { return Vec3(anchor + factor_ * tracks[g].source[at_(f)]); });
        }
    }
    for (const size_t g : hands) {
        go_over(held[g].off, held[g].at, blend);
        for (size_t f = 0; f < to[g].size(); ++f) {
            to[g][f] += held[g].off[f];
        }
    }
    std::sort(holds.begin(), holds.end(), [](const HandHold& a, const HandHold& b) { return a.first < b.first; });
    return holds;
}

Retargeter::Steps Retargeter::steps_of(const Source& source, const Clip& clip, int count) const {
    const int blend = std::max(1, static_cast<int>(std::lround(blend_s * clip.rate)));
    // Where hips, knees and feet are before anything is planted.
    std::vector<Track> tracks(limbs_.size());
    std::vector<Track> props;
    const bool any_hand = std::any_of(limbs_.begin(), limbs_.end(), [](const Limb& limb) { return limb.is_arm; });
    for (size_t l = 0; l < links_.size() && any_hand; ++l) {
        if (links_[l].role == MapPair::Role::prop) {
            props.emplace_back();
            props.back().link = static_cast<int>(l);
        }
    }
    for (size_t g = 0; g < limbs_.size(); ++g) {
        tracks[g].link = link_of_[at_(limbs_[g].joints.back())];
        for (std::vector<Vec3>* one : {&tracks[g].hip, &tracks[g].knee, &tracks[g].foot, &tracks[g].source}) {
            one->resize(at_(count));
        }
    }
    for (Track& prop : props) {
        prop.foot.resize(at_(count));
        prop.source.resize(at_(count));
        prop.source_turn.resize(at_(count));
    }
    tbb::parallel_for(tbb::blocked_range<int>(0, count, 64), [&](const auto& range) {
        Frame frame;
        for (int f = range.begin(); f < range.end() && !(options_.stop && options_.stop()); ++f) {
            pose(source, f, frame);
            place(frame);
            for (size_t g = 0; g < limbs_.size(); ++g) {
                const Limb& limb = limbs_[g];
                tracks[g].hip[at_(f)] = frame.at[at_(limb.joints.front())];
                tracks[g].knee[at_(f)] = frame.at[at_(limb.joints[limb.knee])];
                tracks[g].foot[at_(f)] = frame.at[at_(limb.joints.back())];
                tracks[g].source[at_(f)] = frame.source_at[at_(tracks[g].link)];
            }
            for (Track& prop : props) {
                const Link& link = links_[at_(prop.link)];
                prop.foot[at_(f)] = frame.at[at_(link.target)];
                prop.source[at_(f)] = frame.source_at[at_(prop.link)];
                prop.source_turn[at_(f)] = Quat(upright_) * frame.source_turn[at_(link.source)];
            }
        }
    });
    Steps steps;
    steps.ends.resize(limbs_.size());
    for (size_t g = 0; g < limbs_.size(); ++g) {
        steps.ends[g] = tracks[g].foot;
        if (!limbs_[g].is_arm) {
            plant(g, tracks[g], clip, steps.ends[g]);
        }
    }
    steps.sink = sink_of(tracks, steps.ends, blend);
    if (any_hand) {
        // What hangs on the pelvis comes down with it.
        const auto hangs = [&](int node) {
            const int pelvis = to_.pelvis;
            return pelvis >= 0 && (node == pelvis || is_above(target_, pelvis, node));
        };
        for (int f = 0; f < count; ++f) {
            const Vec3 down(0, -steps.sink[at_(f)], 0);
            for (size_t g = 0; g < limbs_.size(); ++g) {
                if (limbs_[g].is_arm && hangs(limbs_[g].joints.front())) {
                    steps.ends[g][at_(f)] += down;
                }
            }
        }
        steps.holds = hold_hands(tracks, props, clip, steps.ends);
    }
    return steps;
}

} // namespace wembrix
