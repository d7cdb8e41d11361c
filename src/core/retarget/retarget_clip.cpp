#include "core/retarget/retarget_clip.h"

#include "core/math/two_bones.h"
#include "core/retarget/retarget_parts.h"

#include <algorithm>
#include <cmath>
#include <tbb/blocked_range.h>
#include <tbb/concurrent_vector.h>
#include <tbb/parallel_for.h>

namespace wembrix {

using namespace retargeting;

/// Both bodies' rotations at one frame, and where the source's joints are.
void Retargeter::pose(const Source& source, int f, Frame& frame) const {
    frame.source_turn.resize(source_.nodes.size());
    frame.source_place.resize(source_.nodes.size());
    frame.source_scale.resize(source_.nodes.size());
    frame.turn.resize(target_.nodes.size());
    frame.source_at.resize(links_.size());
    for (const Source::Turned& one : source.turned) {
        const float* q = one.values == nullptr ? nullptr : one.values + at_(f) * 4;
        const Quat turn = q == nullptr ? one.rest : Quat(q[3], q[0], q[1], q[2]);
        frame.source_turn[at_(one.node)] = one.parent < 0 ? turn : Quat(frame.source_turn[at_(one.parent)] * turn);
    }
    for (const int n : source_placed_) {
        const Node& node = source_.nodes[at_(n)];
        const Source::Tracks& tracks = source.of[at_(n)];
        Vec3 place = node.rest.translation;
        if (tracks.translation != nullptr) {
            const float* t = tracks.translation->at(f);
            place = Vec3(t[0], t[1], t[2]);
        }
        Vec3 scale = node.rest.scale;
        if (tracks.scale != nullptr) {
            const float* k = tracks.scale->at(f);
            scale = Vec3(k[0], k[1], k[2]);
        }
        if (node.parent < 0) {
            frame.source_place[at_(n)] = place;
            frame.source_scale[at_(n)] = scale;
            continue;
        }
        const Vec3& scaled = frame.source_scale[at_(node.parent)];
        frame.source_place[at_(n)] =
            frame.source_place[at_(node.parent)] + frame.source_turn[at_(node.parent)] * scaled.cwiseProduct(place);
        frame.source_scale[at_(n)] = scaled.cwiseProduct(scale);
    }
    const bool stands = upright_.isIdentity(1e-12);
    const Quat upright(upright_);
    const auto place = [&](int node) -> Vec3 {
        return stands ? frame.source_place[at_(node)] : Vec3(upright_ * frame.source_place[at_(node)]);
    };
    for (const int l : placed_at_) {
        frame.source_at[at_(l)] = place(links_[at_(l)].source);
    }
    for (const Simple& one : simple_) {
        const Quat turned = frame.source_turn[at_(one.source)] * one.onto;
        frame.turn[at_(one.target)] = stands ? turned : Quat(upright * turned);
    }
    for (const int l : rowed_) {
        const Link& link = links_[at_(l)];
        // Δ: from the rest in the world to now.
        const auto turned = [&](int node) {
            return Quat(upright * frame.source_turn[at_(node)] * source_rest_turn_[at_(node)].conjugate() *
                        upright.conjugate());
        };
        const Row& row = rows_[at_(link.row)];
        const double at = row.at[link.place];
        const auto k = std::min(static_cast<size_t>(at), row.source.size() - 1);
        Quat turn = turned(row.source[k]);
        // Along one bone of the source the rotation goes over to what it leads to: what twists it is spread.
        const int next_joint = k + 1 < row.source.size() ? row.source[k + 1]
                               : row.source.size() == 1  ? row.source_end
                                                         : -1;
        if (at > static_cast<double>(k) && next_joint >= 0) {
            turn = turn.slerp(at - static_cast<double>(k), turned(next_joint));
        }
        const auto on_row = [&](double along) -> Vec3 {
            const auto i = std::min(static_cast<size_t>(along), row.source.size() - 1);
            const Vec3 here = place(row.source[i]);
            const int next = i + 1 < row.source.size() ? row.source[i + 1] : row.source_end;
            return next < 0 ? here : Vec3(here + (along - static_cast<double>(i)) * (place(next) - here));
        };
        const double end = static_cast<double>(row.source.size()) - (row.source_end >= 0 ? 0 : 1);
        const double to = link.place + 1 < row.at.size() ? row.at[link.place + 1] : end;
        const Vec3 wanted = on_row(to) - on_row(at);
        // Where the bone would point by the turn alone, and from there onto the curve.
        const Vec3 is =
            turn * (link.rest * (target_rest_turn_[at_(link.target)].conjugate() * row.directions[link.place]));
        if (wanted.norm() > 1e-12 && is.norm() > 0.5 && row.source.size() != row.at.size()) {
            turn = shortest_turn(is, wanted) * turn;
        }
        frame.turn[at_(link.target)] = (turn * Quat(link.rest)).normalized();
    }
    for (const int n : free_nodes_) {
        const Node& node = target_.nodes[at_(n)];
        frame.turn[at_(n)] =
            node.parent < 0 ? node.rest.rotation : Quat(frame.turn[at_(node.parent)] * node.rest.rotation);
    }
}

/// Where every node is: what the map does not have follows as it rests.
void Retargeter::place(Frame& frame) const {
    frame.at.resize(target_.nodes.size());
    for (const int n : placed_nodes_) {
        const Node& node = target_.nodes[at_(n)];
        const int link = link_of_[at_(n)];
        if (link >= 0 && is_carried(links_[at_(link)].role)) {
            const Vec3 moved = frame.source_at[at_(link)] - upright_ * place_in(source_rest_, links_[at_(link)].source);
            frame.at[at_(n)] = place_in(target_rest_, n) + factor_ * moved;
            if (links_[at_(link)].role == MapPair::Role::pelvis) {
                frame.at[at_(n)] += frame.sunk;
            }
            continue;
        }
        frame.at[at_(n)] = node.parent < 0
                               ? node.rest.translation
                               : Vec3(frame.at[at_(node.parent)] +
                                      frame.turn[at_(node.parent)] *
                                          target_scale_[at_(node.parent)].cwiseProduct(node.rest.translation));
    }
}

/// Two bones: the hip turns and the leg bends in its plane until the foot is there, turned as it was.
void Retargeter::reach(Frame& frame, const Limb& limb, const Vec3& to) const {
    const Vec3 hip = frame.at[at_(limb.joints.front())];
    const Vec3 knee = frame.at[at_(limb.joints[limb.knee])];
    const Vec3 foot = frame.at[at_(limb.joints.back())];
    if ((to - foot).norm() < held_below_m) {
        return;
    }
    // Straight, it bends as it does at rest.
    const auto rest = [&](size_t i) { return place_in(target_rest_, limb.joints[i]); };
    const Vec3 bends_about = frame.turn[at_(limb.joints.front())] *
                             (target_rest_turn_[at_(limb.joints.front())].conjugate() *
                              (rest(0) - rest(limb.knee)).cross(rest(limb.joints.size() - 1) - rest(limb.knee)));
    const double straight = std::max(full_reach * ((knee - hip).norm() + (foot - knee).norm()), (foot - hip).norm());
    const TwoBones bones = two_bones_to(hip, knee, foot, to, bends_about, straight);
    for (size_t i = 0; i + 1 < limb.joints.size(); ++i) {
        Quat& turn = frame.turn[at_(limb.joints[i])];
        turn = ((i >= limb.knee ? bones.upper * bones.lower : bones.upper) * turn).normalized();
    }
    // What lies below takes its place anew; the foot keeps its rotation, and so do the toes.
    for (const int n : limb.below) {
        const Node& node = target_.nodes[at_(n)];
        const Quat above = frame.turn[at_(node.parent)];
        if (link_of_[at_(n)] < 0 && std::find(limb.joints.begin(), limb.joints.end(), n) == limb.joints.end()) {
            frame.turn[at_(n)] = above * node.rest.rotation;
        }
        frame.at[at_(n)] =
            frame.at[at_(node.parent)] + above * target_scale_[at_(node.parent)].cwiseProduct(node.rest.translation);
    }
}

/// Of how the next joint stands under the upper one, what turns about the bone; so much of it as the joint's share.
void Retargeter::twist(Frame& frame) const {
    for (const Twist& twist : twists_) {
        const int above = target_.nodes[at_(twist.node)].parent;
        const Quat& upper = frame.turn[at_(above)];
        const Quat turned =
            upper.conjugate() * frame.turn[at_(twist.next)] * target_.nodes[at_(twist.next)].rest.rotation.conjugate();
        const double along = turned.vec().dot(twist.bone);
        const double angle = 2 * std::atan2(turned.w() < 0 ? -along : along, std::abs(turned.w()));
        frame.turn[at_(twist.node)] = upper * Quat(Eigen::AngleAxisd(angle * twist.share, twist.bone)) *
                                      target_.nodes[at_(twist.node)].rest.rotation;
    }
}

namespace {

/// The rotations at each of so many frames, where the channel has a key at every one of them, of length 1: it need not
/// be baked.
const float* as_baked(const Channel& channel, const Clip& clip, int count) {
    constexpr double same = 1e-3; // of a frame
    if (channel.interpolation != Interpolation::linear || channel.times.size() < at_(count)) {
        return nullptr;
    }
    size_t first = 0;
    while (first + at_(count) <= channel.times.size() &&
           (static_cast<double>(channel.times[first]) - clip.start_s) * clip.rate < -same) {
        ++first;
    }
    if (first + at_(count) > channel.times.size()) {
        return nullptr;
    }
    for (int f = 0; f < count; ++f) {
        if (std::abs((static_cast<double>(channel.times[first + at_(f)]) - clip.start_s) * clip.rate - f) > same) {
            return nullptr;
        }
    }
    const float* values = channel.values.data() + first * 4;
    float most = 0;
    for (int f = 0; f < count; ++f) {
        const float* q = values + at_(f) * 4;
        most = std::max(most, std::abs(q[0] * q[0] + q[1] * q[1] + q[2] * q[2] + q[3] * q[3] - 1));
    }
    constexpr float of_length_one = 1e-5F;
    return most < of_length_one ? values : nullptr;
}

} // namespace

Clip Retargeter::run(const Clip& clip, std::vector<HandHold>* holds) const {
    Clip made = clip;
    made.channels.clear();
    const int count = std::max(1, clip.frames());
    Source source;
    Clip sparse = clip;
    sparse.channels.clear();
    std::vector<const float*> dense(source_.nodes.size(), nullptr);
    std::vector<const float*> found(clip.channels.size(), nullptr);
    tbb::parallel_for(size_t(0), clip.channels.size(), [&](size_t c) {
        const Channel& channel = clip.channels[c];
        if (channel.path == wembrix::Path::rotation && channel.node >= 0) {
            found[c] = as_baked(channel, clip, count);
        }
    });
    for (size_t c = 0; c < clip.channels.size(); ++c) {
        if (found[c] != nullptr) {
            dense[at_(clip.channels[c].node)] = found[c];
        } else {
            sparse.channels.push_back(clip.channels[c]);
        }
    }
    source.baked = bake_tracks(sparse, clip.rate, 0, count);
    source.of.resize(source_.nodes.size());
    for (const BakedTrack& track : source.baked.tracks) {
        Source::Tracks& of = source.of[at_(track.node)];
        if (track.path == wembrix::Path::rotation) {
            of.rotation = &track;
        } else if (track.path == wembrix::Path::translation) {
            of.translation = &track;
        } else if (track.path == wembrix::Path::scale) {
            of.scale = &track;
        }
    }
    for (const int n : source_nodes_) {
        const BakedTrack* rotation = source.of[at_(n)].rotation;
        const float* values = dense[at_(n)] != nullptr ? dense[at_(n)]
                              : rotation != nullptr    ? rotation->values.data()
                                                       : nullptr;
        source.turned.push_back({n, source_.nodes[at_(n)].parent, values, source_.nodes[at_(n)].rest.rotation});
    }
    Steps steps;
    if (!limbs_.empty()) {
        steps = steps_of(source, clip, count);
        if (holds != nullptr) {
            *holds = steps.holds;
        }
    }
    // What was put into the plane of a leg is keyed, too.
    std::vector<int> keyed;
    std::vector<int> moved;
    for (size_t n = 0; n < target_.nodes.size(); ++n) {
        const bool in_limb = std::any_of(limbs_.begin(), limbs_.end(), [&](const Limb& limb) {
            return std::find(limb.joints.begin(), limb.joints.end(), static_cast<int>(n)) != limb.joints.end();
        });
        const int link = link_of_[n];
        const bool twists = std::any_of(twists_.begin(), twists_.end(),
                                        [&](const Twist& one) { return one.node == static_cast<int>(n); });
        if (link >= 0 || in_limb || twists) {
            keyed.push_back(static_cast<int>(n));
        }
        if (link >= 0 && is_carried(links_[at_(link)].role)) {
            moved.push_back(static_cast<int>(n));
        }
    }
    std::vector<int> keyed_under;
    for (const int n : keyed) {
        keyed_under.push_back(target_.nodes[at_(n)].parent);
    }
    std::vector<std::vector<float>> turns(keyed.size());
    std::vector<std::vector<float>> places(moved.size(), std::vector<float>(at_(count) * 3));
    tbb::parallel_for(size_t(0), keyed.size(), [&](size_t k) { turns[k].resize(at_(count) * 4); });
    tbb::concurrent_vector<int> begins;
    tbb::parallel_for(tbb::blocked_range<int>(0, count, 64), [&](const auto& range) {
        begins.push_back(range.begin());
        Frame frame;
        for (int f = range.begin(); f < range.end() && !(options_.stop && options_.stop()); ++f) {
            pose(source, f, frame);
            frame.sunk = {0, limbs_.empty() ? 0 : -steps.sink[at_(f)], 0};
            place(frame);
            for (size_t g = 0; g < limbs_.size(); ++g) {
                reach(frame, limbs_[g], steps.ends[g][at_(f)]);
            }
            twist(frame);
            const auto above = [&](int n) {
                const int parent = target_.nodes[at_(n)].parent;
                return parent < 0 ? Quat(Quat::Identity()) : frame.turn[at_(parent)];
            };
            for (size_t k = 0; k < keyed.size(); ++k) {
                const Quat& own = frame.turn[at_(keyed[k])];
                const int under = keyed_under[k];
                const Quat local = under < 0 ? own : Quat(frame.turn[at_(under)].conjugate() * own);
                Eigen::Vector4f q = local.coeffs().cast<float>();
                float* to = turns[k].data() + at_(f) * 4;
                if (f > range.begin() && q.dot(Eigen::Map<const Eigen::Vector4f>(to - 4)) < 0) {
                    q = -q; // the shorter way from the frame before
                }
                std::copy(q.data(), q.data() + 4, to);
            }
            for (size_t k = 0; k < moved.size(); ++k) {
                const int parent = target_.nodes[at_(moved[k])].parent;
                const Vec3 from = parent < 0 ? Vec3(Vec3::Zero()) : frame.at[at_(parent)];
                const Vec3 scale = parent < 0 ? Vec3(Vec3::Ones()) : target_scale_[at_(parent)];
                const Vec3 local =
                    (above(moved[k]).conjugate() * (frame.at[at_(moved[k])] - from)).cwiseQuotient(scale);
                for (int c = 0; c < 3; ++c) {
                    places[k][at_(f) * 3 + at_(c)] = static_cast<float>(local[c]);
                }
            }
        }
    });
    if (options_.stop && options_.stop()) {
        return made;
    }
    std::vector<float> moments;
    for (int f = 0; f < count; ++f) {
        moments.push_back(static_cast<float>(clip.start_s + f / clip.rate));
    }
    const Shared<float> times(std::move(moments));
    // From block to block the sign goes on as well.
    std::sort(begins.begin(), begins.end());
    for (size_t b = 1; b < begins.size(); ++b) {
        const int end = b + 1 < begins.size() ? begins[b + 1] : count;
        for (std::vector<float>& track : turns) {
            float* first = track.data() + at_(begins[b]) * 4;
            if (Eigen::Map<const Eigen::Vector4f>(first).dot(Eigen::Map<const Eigen::Vector4f>(first - 4)) < 0) {
                Eigen::Map<Eigen::VectorXf>(first, Eigen::Index(end - begins[b]) * 4) *= -1;
            }
        }
    }
    for (size_t k = 0; k < keyed.size(); ++k) {
        made.channels.push_back(
            {keyed[k], wembrix::Path::rotation, Interpolation::linear, 4, times, std::move(turns[k]), {}});
    }
    for (size_t k = 0; k < moved.size(); ++k) {
        made.channels.push_back(
            {moved[k], wembrix::Path::translation, Interpolation::linear, 3, times, std::move(places[k]), {}});
    }
    return made;
}

} // namespace wembrix
