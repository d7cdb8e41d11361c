#include "core/retarget/retarget_clip.h"

#include "core/math/two_bones.h"
#include "core/measure/clips/baked.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

namespace wembrix {

namespace {

constexpr double full_reach = 0.98;   ///< of a leg's length: it is not asked to be straighter than that, or than it was
constexpr double blend_s = 0.2;       ///< into a stand and out of it
constexpr double held_below_m = 1e-9; ///< a foot that is there already is left alone

size_t at_(int node) {
    return static_cast<size_t>(node);
}

Vec3 place_in(const std::vector<Mat4>& world, int node) {
    return world[at_(node)].topRightCorner<3, 1>();
}

double smooth_step(double t) {
    t = std::clamp(t, 0.0, 1.0);
    return t * t * (3 - 2 * t);
}

/// Rotations in the world from those under the parents: scales are no part of them.
void turns_of(const Scene& scene, const std::vector<Transform>& local, std::vector<Quat>& turns) {
    turns.resize(scene.nodes.size());
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        const int parent = scene.nodes[n].parent;
        turns[n] = parent < 0 ? local[n].rotation : Quat(turns[at_(parent)] * local[n].rotation);
    }
}

std::vector<Quat> rest_turns(const Scene& scene) {
    std::vector<Transform> local;
    for (const Node& node : scene.nodes) {
        local.push_back(node.rest);
    }
    std::vector<Quat> turns;
    turns_of(scene, local, turns);
    return turns;
}

} // namespace

struct Retargeter::Source {
    BakedClip baked;
    struct Tracks {
        const BakedTrack* rotation = nullptr; ///< null: as at rest
        const BakedTrack* translation = nullptr;
        const BakedTrack* scale = nullptr;
    };
    std::vector<Tracks> of; ///< one a node
};

struct Retargeter::Frame {
    std::vector<Quat> source_turn; ///< one a node of the source, in its world
    std::vector<Vec3> source_place;
    std::vector<Vec3> source_scale;
    std::vector<Vec3> source_at; ///< one a link: its source joint, upright, metres of the source
    std::vector<Quat> turn;      ///< one a node of the target, in the world
    std::vector<Vec3> at;        ///< one a node of the target
    Vec3 sunk = Vec3::Zero();    ///< added to the pelvis
};

struct Retargeter::Steps {
    std::vector<std::vector<Vec3>> feet; ///< one a leg, one a frame
    std::vector<double> sink;            ///< one a frame
};

Retargeter::Retargeter(const Scene& source, const Scene& target, const JointMap& map, const RetargetOptions& options)
    : source_(source), target_(target), options_(options), from_(body_of(source)), to_(body_of(target)),
      link_of_(target.nodes.size(), -1), source_rest_(rest_world(source)), target_rest_(rest_world(target)),
      source_rest_turn_(rest_turns(source)), target_rest_turn_(rest_turns(target)) {
    upright_ = to_.upright.transpose() * from_.upright;
    const double legs = from_.leg_m > 1e-9 && to_.leg_m > 1e-9         ? to_.leg_m / from_.leg_m
                        : from_.height_m > 1e-9 && to_.height_m > 1e-9 ? to_.height_m / from_.height_m
                                                                       : 1;
    factor_ = options.path_factor > 0 ? options.path_factor : options.path == RetargetOptions::Path::legs ? legs : 1;
    target_scale_.resize(target.nodes.size(), Vec3::Ones());
    for (size_t n = 0; n < target.nodes.size(); ++n) {
        const int parent = target.nodes[n].parent;
        target_scale_[n] = target.nodes[n].rest.scale;
        if (parent >= 0) {
            target_scale_[n] = target_scale_[n].cwiseProduct(target_scale_[at_(parent)]);
        }
    }
    const auto find = [&](const Scene& scene, const std::string& name) {
        const int node = scene.find_node(name);
        if (node < 0) {
            missing_.push_back(name);
        }
        return node;
    };
    for (const MapPair& pair : map.pairs) {
        std::vector<int> from;
        std::vector<int> to;
        for (const std::string& name : pair.source) {
            from.push_back(find(source, name));
        }
        for (const std::string& name : pair.target) {
            to.push_back(find(target, name));
        }
        if (std::count(from.begin(), from.end(), -1) + std::count(to.begin(), to.end(), -1) > 0) {
            continue;
        }
        const bool is_row = from.size() != to.size() || from.size() > 1;
        if (is_row) {
            rows_.push_back({from, -1, {}, {}});
        }
        for (size_t i = 0; i < to.size(); ++i) {
            Link link;
            link.target = to[i];
            link.source = from[std::min(i, from.size() - 1)];
            link.role = pair.role;
            if (is_row) {
                link.row = static_cast<int>(rows_.size()) - 1;
                link.place = i;
            }
            links_.push_back(link);
        }
    }
    std::stable_sort(links_.begin(), links_.end(), [](const Link& a, const Link& b) { return a.target < b.target; });
    for (size_t l = 0; l < links_.size(); ++l) {
        link_of_[at_(links_[l].target)] = static_cast<int>(l);
    }
    link_rows();
    for (Link& link : links_) {
        rest_of(link);
    }
    find_legs();
    choose_nodes();
}

/// Which joint the bone of each leads to: of those of the map right below it the one with the most below.
void Retargeter::link_rows() {
    std::vector<int> size(target_.nodes.size(), 1);
    for (size_t n = target_.nodes.size(); n-- > 0;) {
        if (target_.nodes[n].parent >= 0) {
            size[at_(target_.nodes[n].parent)] += size[n];
        }
    }
    for (const Link& below : links_) {
        int above = target_.nodes[at_(below.target)].parent;
        while (above >= 0 && link_of_[at_(above)] < 0) {
            above = target_.nodes[at_(above)].parent;
        }
        if (above < 0) {
            continue;
        }
        Link& link = links_[at_(link_of_[at_(above)])];
        const bool same_row = link.row >= 0 && link.row == below.row;
        const bool taken_by_row =
            link.target_child >= 0 && link.row >= 0 && links_[at_(link_of_[at_(link.target_child)])].row == link.row;
        if (same_row ||
            (!taken_by_row && (link.target_child < 0 || size[at_(below.target)] > size[at_(link.target_child)]))) {
            // A bone without length says no direction.
            if ((place_in(target_rest_, below.target) - place_in(target_rest_, link.target)).norm() > 1e-7) {
                link.target_child = below.target;
                link.source_child = below.source;
            }
        }
    }
    for (Row& row : rows_) {
        // The target's joints by their share of its length, on the source's by its own.
        std::vector<const Link*> own;
        for (const Link& link : links_) {
            if (link.row >= 0 && &rows_[at_(link.row)] == &row) {
                own.push_back(&link);
            }
        }
        std::sort(own.begin(), own.end(), [](const Link* a, const Link* b) { return a->place < b->place; });
        std::vector<Vec3> target_line;
        for (const Link* link : own) {
            target_line.push_back(place_in(target_rest_, link->target));
        }
        const Link& last = *own.back();
        const bool leads_on = last.target_child >= 0 && last.source_child >= 0;
        if (leads_on) {
            target_line.push_back(place_in(target_rest_, last.target_child));
            row.source_end = last.source_child;
        }
        std::vector<double> source_share = {0};
        for (size_t i = 1; i < row.source.size(); ++i) {
            source_share.push_back(
                source_share.back() +
                (place_in(source_rest_, row.source[i]) - place_in(source_rest_, row.source[i - 1])).norm());
        }
        if (row.source_end >= 0) {
            source_share.push_back(
                source_share.back() +
                (place_in(source_rest_, row.source_end) - place_in(source_rest_, row.source.back())).norm());
        }
        std::vector<double> target_share = {0};
        for (size_t i = 1; i < target_line.size(); ++i) {
            target_share.push_back(target_share.back() + (target_line[i] - target_line[i - 1]).norm());
        }
        for (size_t i = 0; i < own.size(); ++i) {
            const double share = target_share.back() > 0 ? target_share[i] / target_share.back() : 0;
            const double along = share * source_share.back();
            size_t k = 0;
            while (k + 1 < source_share.size() && source_share[k + 1] <= along + 1e-12 * source_share.back()) {
                ++k;
            }
            const double part = k + 1 < source_share.size() && source_share[k + 1] > source_share[k]
                                    ? (along - source_share[k]) / (source_share[k + 1] - source_share[k])
                                    : 0;
            row.at.push_back(static_cast<double>(k) + (part < 1e-9 ? 0 : part));
            row.directions.push_back(i + 1 < target_line.size()
                                         ? Vec3((target_line[i + 1] - target_line[i]).normalized())
                                         : Vec3(Vec3::Zero()));
        }
    }
}

void Retargeter::rest_of(Link& link) {
    const Mat3 own = target_rest_turn_[at_(link.target)].toRotationMatrix();
    Mat3 lays = Mat3::Identity();
    const auto on_source = [&](const Row& row, double along) -> Vec3 {
        const auto k = std::min(static_cast<size_t>(along), row.source.size() - 1);
        const Vec3 here = place_in(source_rest_, row.source[k]);
        const int next = k + 1 < row.source.size() ? row.source[k + 1] : row.source_end;
        return next < 0 ? here : Vec3(here + (along - static_cast<double>(k)) * (place_in(source_rest_, next) - here));
    };
    Vec3 bone = Vec3::Zero();
    Vec3 wanted = Vec3::Zero();
    if (link.row >= 0) {
        const Row& row = rows_[at_(link.row)];
        const double end = static_cast<double>(row.source.size()) - (row.source_end >= 0 ? 0 : 1);
        const double next = link.place + 1 < row.at.size() ? row.at[link.place + 1] : end;
        bone = row.directions[link.place];
        wanted = upright_ * (on_source(row, next) - on_source(row, row.at[link.place]));
    } else if (link.target_child >= 0 && link.role != MapPair::Role::root) {
        bone = place_in(target_rest_, link.target_child) - place_in(target_rest_, link.target);
        wanted = upright_ * (place_in(source_rest_, link.source_child) - place_in(source_rest_, link.source));
    }
    if (bone.norm() > 1e-9 && wanted.norm() > 1e-12) {
        lays = shortest_turn(bone, wanted).toRotationMatrix();
    } else if (link.role != MapPair::Role::root) {
        // An end is laid as what it hangs on.
        int above = target_.nodes[at_(link.target)].parent;
        while (above >= 0 && link_of_[at_(above)] < 0) {
            above = target_.nodes[at_(above)].parent;
        }
        if (above >= 0) {
            const Link& upper = links_[at_(link_of_[at_(above)])];
            lays = upper.rest * target_rest_turn_[at_(above)].toRotationMatrix().transpose();
        }
    }
    link.rest = lays * own;
}

void Retargeter::find_legs() {
    for (const Link& link : links_) {
        if (link.role != MapPair::Role::foot || !options_.plant_feet) {
            continue;
        }
        Leg leg;
        // As the body has it: a front leg begins at the chest, and no spine bends with it.
        const auto chain = std::find_if(to_.chains.begin(), to_.chains.end(), [&](const BodyChain& one) {
            return one.role == "leg" && !one.joints.empty() && one.joints.back() == link.target;
        });
        if (chain != to_.chains.end()) {
            leg.joints = chain->joints;
        } else {
            for (int node = link.target; node >= 0 && leg.joints.size() < 3; node = joint_above(target_, node)) {
                leg.joints.insert(leg.joints.begin(), node);
            }
        }
        if (leg.joints.size() < 3) {
            continue;
        }
        double most = -1;
        for (size_t i = 1; i + 1 < leg.joints.size(); ++i) {
            const Vec3 here = place_in(target_rest_, leg.joints[i]);
            const Vec3 up = place_in(target_rest_, leg.joints[0]) - here;
            const Vec3 down = place_in(target_rest_, leg.joints.back()) - here;
            // Where it bends most and both parts are long enough to bend about it.
            const double bend = std::min(up.norm(), down.norm());
            if (bend > most) {
                most = bend;
                leg.knee = i;
            }
        }
        for (int n = leg.joints.front() + 1; n < static_cast<int>(target_.nodes.size()); ++n) {
            if (is_above(target_, leg.joints.front(), n)) {
                leg.below.push_back(n);
            }
        }
        leg.source_foot = link.source;
        leg.lift_m =
            place_in(target_rest_, link.target).y() - factor_ * (upright_ * place_in(source_rest_, link.source)).y();
        legs_.push_back(leg);
    }
}

void Retargeter::choose_nodes() {
    std::vector<char> in_source(source_.nodes.size(), 0);
    const auto with_above = [](const Scene& scene, std::vector<char>& in, int node) {
        for (; node >= 0 && in[at_(node)] == 0; node = scene.nodes[at_(node)].parent) {
            in[at_(node)] = 1;
        }
    };
    const Quat upright(upright_);
    for (const Link& link : links_) {
        with_above(source_, in_source, link.source);
        onto_target_.push_back(
            Quat(source_rest_turn_[at_(link.source)].conjugate() * upright.conjugate() * Quat(link.rest)).normalized());
    }
    for (const Row& row : rows_) {
        for (const int joint : row.source) {
            with_above(source_, in_source, joint);
        }
        with_above(source_, in_source, row.source_end);
    }
    std::vector<char> placed(source_.nodes.size(), 0);
    for (const Link& link : links_) {
        link_placed_.push_back(link.role != MapPair::Role::none ? 1 : 0);
        if (link_placed_.back() != 0) {
            with_above(source_, placed, link.source);
        }
    }
    for (const Row& row : rows_) {
        for (const int joint : row.source) {
            with_above(source_, placed, joint);
        }
        with_above(source_, placed, row.source_end);
    }
    for (size_t n = 0; n < placed.size(); ++n) {
        if (placed[n] != 0) {
            source_placed_.push_back(static_cast<int>(n));
        }
    }
    std::vector<char> in_target(target_.nodes.size(), legs_.empty() ? 0 : 1);
    for (const Link& link : links_) {
        if (link.role == MapPair::Role::pelvis || link.role == MapPair::Role::root) {
            with_above(target_, in_target, link.target);
        }
    }
    for (size_t n = 0; n < in_source.size(); ++n) {
        if (in_source[n] != 0) {
            source_nodes_.push_back(static_cast<int>(n));
        }
    }
    for (size_t n = 0; n < in_target.size(); ++n) {
        if (in_target[n] != 0) {
            placed_nodes_.push_back(static_cast<int>(n));
        }
    }
}

/// Both bodies' rotations at one frame, and where the source's joints are.
void Retargeter::pose(const Source& source, int f, Frame& frame) const {
    frame.source_turn.resize(source_.nodes.size());
    frame.source_place.resize(source_.nodes.size());
    frame.source_scale.resize(source_.nodes.size());
    frame.turn.resize(target_.nodes.size());
    frame.source_at.resize(links_.size());
    for (const int n : source_nodes_) {
        const Node& node = source_.nodes[at_(n)];
        const Source::Tracks& tracks = source.of[at_(n)];
        Quat turn = node.rest.rotation;
        if (tracks.rotation != nullptr) {
            const float* q = tracks.rotation->at(f);
            turn = Quat(q[3], q[0], q[1], q[2]);
        }
        frame.source_turn[at_(n)] = node.parent < 0 ? turn : Quat(frame.source_turn[at_(node.parent)] * turn);
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
    for (size_t l = 0; l < links_.size(); ++l) {
        const Link& link = links_[l];
        if (link_placed_[l] != 0) {
            frame.source_at[l] = place(link.source);
        }
        if (link.row < 0) {
            const Quat turned = frame.source_turn[at_(link.source)] * onto_target_[l];
            frame.turn[at_(link.target)] = stands ? turned : Quat(upright * turned);
            continue;
        }
        // Δ: from the rest in the world to now.
        const auto turned = [&](int node) {
            return Quat(upright * frame.source_turn[at_(node)] * source_rest_turn_[at_(node)].conjugate() *
                        upright.conjugate());
        };
        const Row& row = rows_[at_(link.row)];
        const double at = row.at[link.place];
        const auto k = std::min(static_cast<size_t>(at), row.source.size() - 1);
        Quat turn = turned(row.source[k]);
        if (at > static_cast<double>(k) && k + 1 < row.source.size()) {
            turn = turn.slerp(at - static_cast<double>(k), turned(row.source[k + 1]));
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
    for (size_t n = 0; n < target_.nodes.size(); ++n) {
        if (link_of_[n] < 0) {
            const Node& node = target_.nodes[n];
            frame.turn[n] =
                node.parent < 0 ? node.rest.rotation : Quat(frame.turn[at_(node.parent)] * node.rest.rotation);
        }
    }
}

/// Where every node is: what the map does not have follows as it rests.
void Retargeter::place(Frame& frame) const {
    frame.at.resize(target_.nodes.size());
    for (const int n : placed_nodes_) {
        const Node& node = target_.nodes[at_(n)];
        const int link = link_of_[at_(n)];
        if (link >= 0 &&
            (links_[at_(link)].role == MapPair::Role::pelvis || links_[at_(link)].role == MapPair::Role::root)) {
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
void Retargeter::reach(Frame& frame, const Leg& leg, const Vec3& to) const {
    const Vec3 hip = frame.at[at_(leg.joints.front())];
    const Vec3 knee = frame.at[at_(leg.joints[leg.knee])];
    const Vec3 foot = frame.at[at_(leg.joints.back())];
    if ((to - foot).norm() < held_below_m) {
        return;
    }
    // Straight, it bends as it does at rest.
    const auto rest = [&](size_t i) { return place_in(target_rest_, leg.joints[i]); };
    const Vec3 bends_about = frame.turn[at_(leg.joints.front())] *
                             (target_rest_turn_[at_(leg.joints.front())].conjugate() *
                              (rest(0) - rest(leg.knee)).cross(rest(leg.joints.size() - 1) - rest(leg.knee)));
    const double straight = std::max(full_reach * ((knee - hip).norm() + (foot - knee).norm()), (foot - hip).norm());
    const TwoBones bones = two_bones_to(hip, knee, foot, to, bends_about, straight);
    for (size_t i = 0; i + 1 < leg.joints.size(); ++i) {
        Quat& turn = frame.turn[at_(leg.joints[i])];
        turn = ((i >= leg.knee ? bones.upper * bones.lower : bones.upper) * turn).normalized();
    }
    // What lies below takes its place anew; the foot keeps its rotation, and so do the toes.
    for (const int n : leg.below) {
        const Node& node = target_.nodes[at_(n)];
        const Quat above = frame.turn[at_(node.parent)];
        if (link_of_[at_(n)] < 0 && std::find(leg.joints.begin(), leg.joints.end(), n) == leg.joints.end()) {
            frame.turn[at_(n)] = above * node.rest.rotation;
        }
        frame.at[at_(n)] =
            frame.at[at_(node.parent)] + above * target_scale_[at_(node.parent)].cwiseProduct(node.rest.translation);
    }
}

Retargeter::Steps Retargeter::steps_of(const Source& source, const Clip& clip, int count) const {
    const int blend = std::max(1, static_cast<int>(std::lround(blend_s * clip.rate)));
    // Where hips, knees and feet are before anything is planted.
    struct Track {
        std::vector<Vec3> hip, knee, foot, source;
    };
    std::vector<Track> tracks(legs_.size());
    for (Track& track : tracks) {
        for (std::vector<Vec3>* one : {&track.hip, &track.knee, &track.foot, &track.source}) {
            one->resize(static_cast<size_t>(count));
        }
    }
    tbb::parallel_for(tbb::blocked_range<int>(0, count, 64), [&](const auto& range) {
        Frame frame;
        for (int f = range.begin(); f < range.end() && !(options_.stop && options_.stop()); ++f) {
            pose(source, f, frame);
            place(frame);
            for (size_t g = 0; g < legs_.size(); ++g) {
                const Leg& leg = legs_[g];
                tracks[g].hip[at_(f)] = frame.at[at_(leg.joints.front())];
                tracks[g].knee[at_(f)] = frame.at[at_(leg.joints[leg.knee])];
                tracks[g].foot[at_(f)] = frame.at[at_(leg.joints.back())];
                tracks[g].source[at_(f)] = frame.source_at[at_(link_of_[at_(leg.joints.back())])];
            }
        }
    });
    Steps steps;
    std::vector<std::vector<Vec3>>& wanted = steps.feet;
    wanted.resize(legs_.size());
    for (size_t g = 0; g < legs_.size(); ++g) {
        const Leg& leg = legs_[g];
        std::vector<Vec3>& to = wanted[g];
        to = tracks[g].foot;
        const std::vector<Contact> stands =
            contacts_of_places(leg.source_foot, tracks[g].source, clip.rate, std::max(1e-9, from_.height_m));
        // Where it should be while it stands: as the source's, from a place of its own.
        std::vector<Vec3> off(at_(count), Vec3::Zero());
        std::vector<char> stands_at(at_(count), 0);
        for (const Contact& stand : stands) {
            const int middle = (stand.first + stand.last) / 2;
            const Vec3 anchor = to[at_(middle)] - factor_ * tracks[g].source[at_(middle)];
            for (int f = stand.first; f <= stand.last; ++f) {
                Vec3 place = anchor + factor_ * tracks[g].source[at_(f)];
                place.y() = factor_ * tracks[g].source[at_(f)].y() + leg.lift_m;
                off[at_(f)] = place - to[at_(f)];
                stands_at[at_(f)] = 1;
            }
        }
        // Between two stands it lets go of the one and goes over to the next.
        std::vector<int> before(at_(count), -1);
        std::vector<int> after(at_(count), count);
        for (int f = 0; f < count; ++f) {
            before[at_(f)] = stands_at[at_(f)] != 0 ? f : f > 0 ? before[at_(f - 1)] : -1;
        }
        for (int f = count - 1; f >= 0; --f) {
            after[at_(f)] = stands_at[at_(f)] != 0 ? f : f + 1 < count ? after[at_(f + 1)] : count;
        }
        for (int f = 0; f < count; ++f) {
            const int last = before[at_(f)];
            const int next = after[at_(f)];
            if (last == f) {
                to[at_(f)] += off[at_(f)];
                continue;
            }
            const int ramp = last >= 0 && next < count ? std::min(blend, next - last) : blend;
            if (last >= 0) {
                to[at_(f)] += off[at_(last)] * (1 - smooth_step(static_cast<double>(f - last) / ramp));
            }
            if (next < count) {
                to[at_(f)] += off[at_(next)] * (1 - smooth_step(static_cast<double>(next - f) / ramp));
            }
        }
        // No foot goes deeper into the ground than the source's does.
        const int foot = leg.joints.back();
        const double rest = place_in(target_rest_, foot).y();
        const double source_rest = (upright_ * place_in(source_rest_, leg.source_foot)).y();
        for (int f = 0; f < count; ++f) {
            const double deep = std::min(0.0, factor_ * (tracks[g].source[at_(f)].y() - source_rest));
            to[at_(f)].y() = std::max(to[at_(f)].y(), rest + deep);
        }
    }
    // How far the pelvis has to come down for every leg to reach; ahead of it and after, smoothly.
    std::vector<double> sink(at_(count), 0);
    for (size_t g = 0; g < legs_.size(); ++g) {
        for (int f = 0; f < count; ++f) {
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
    steps.sink.assign(at_(count), 0);
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
            steps.sink[at_(f)] = sum / (2 * blend + 1);
        }
    }
    return steps;
}

Clip Retargeter::run(const Clip& clip) const {
    Clip made = clip;
    made.channels.clear();
    const int count = std::max(1, clip.frames());
    Source source;
    source.baked = bake_tracks(clip, clip.rate, 0, count);
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
    Steps steps;
    if (!legs_.empty()) {
        steps = steps_of(source, clip, count);
    }
    // What was put into the plane of a leg is keyed, too.
    std::vector<int> keyed;
    std::vector<int> moved;
    for (size_t n = 0; n < target_.nodes.size(); ++n) {
        const bool in_leg = std::any_of(legs_.begin(), legs_.end(), [&](const Leg& leg) {
            return std::find(leg.joints.begin(), leg.joints.end(), static_cast<int>(n)) != leg.joints.end();
        });
        const int link = link_of_[n];
        if (link >= 0 || in_leg) {
            keyed.push_back(static_cast<int>(n));
        }
        if (link >= 0 &&
            (links_[at_(link)].role == MapPair::Role::pelvis || links_[at_(link)].role == MapPair::Role::root)) {
            moved.push_back(static_cast<int>(n));
        }
    }
    std::vector<std::vector<float>> turns(keyed.size(), std::vector<float>(at_(count) * 4));
    std::vector<std::vector<float>> places(moved.size(), std::vector<float>(at_(count) * 3));
    tbb::parallel_for(tbb::blocked_range<int>(0, count, 64), [&](const auto& range) {
        Frame frame;
        for (int f = range.begin(); f < range.end() && !(options_.stop && options_.stop()); ++f) {
            pose(source, f, frame);
            frame.sunk = {0, legs_.empty() ? 0 : -steps.sink[at_(f)], 0};
            place(frame);
            for (size_t g = 0; g < legs_.size(); ++g) {
                reach(frame, legs_[g], steps.feet[g][at_(f)]);
            }
            const auto above = [&](int n) {
                const int parent = target_.nodes[at_(n)].parent;
                return parent < 0 ? Quat(Quat::Identity()) : frame.turn[at_(parent)];
            };
            for (size_t k = 0; k < keyed.size(); ++k) {
                const Quat local = above(keyed[k]).conjugate() * frame.turn[at_(keyed[k])];
                for (int c = 0; c < 4; ++c) {
                    turns[k][at_(f) * 4 + at_(c)] = static_cast<float>(local.coeffs()[c]);
                }
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
    tbb::parallel_for(size_t(0), keyed.size(), [&](size_t k) {
        BakedTrack track;
        track.values = std::move(turns[k]);
        keep_sign(track);
        turns[k] = std::move(track.values);
    });
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
