// A map between two skeletons, made ready: which joints answer, how bones lie at rest, which limbs are held.
#include "core/retarget/retarget_parts.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

using namespace retargeting;

namespace {

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
    find_limbs();
    find_twists();
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

void Retargeter::find_limbs() {
    for (const Link& link : links_) {
        const bool foot = link.role == MapPair::Role::foot && options_.plant_feet;
        const bool hand = link.role == MapPair::Role::hand && options_.keep_hands;
        if (!foot && !hand) {
            continue;
        }
        Limb limb;
        limb.is_arm = hand;
        // As the body has it: a front leg begins at the chest, and no spine bends with it.
        const auto chain = std::find_if(to_.chains.begin(), to_.chains.end(), [&](const BodyChain& one) {
            return one.role == (hand ? "arm" : "leg") && !one.joints.empty() && one.joints.back() == link.target;
        });
        if (chain != to_.chains.end()) {
            limb.joints = chain->joints;
        } else {
            for (int node = link.target; node >= 0 && limb.joints.size() < 3; node = joint_above(target_, node)) {
                limb.joints.insert(limb.joints.begin(), node);
            }
        }
        if (limb.joints.size() < 3) {
            continue;
        }
        const auto apart = [&](size_t a, size_t b) {
            return (place_in(target_rest_, limb.joints[a]) - place_in(target_rest_, limb.joints[b])).norm();
        };
        // Where it bends most and both parts are long enough to bend about it.
        const auto choose_knee = [&] {
            double most = -1;
            for (size_t i = 1; i + 1 < limb.joints.size(); ++i) {
                const double bend = std::min(apart(0, i), apart(i, limb.joints.size() - 1));
                if (bend > most) {
                    most = bend;
                    limb.knee = i;
                }
            }
        };
        choose_knee();
        // A collar bone is no part of the arm that reaches.
        if (hand && limb.joints.size() > 3 && apart(0, 1) < 0.75 * apart(1, limb.knee == 1 ? 2 : limb.knee)) {
            limb.joints.erase(limb.joints.begin());
            choose_knee();
        }
        for (int n = limb.joints.front() + 1; n < static_cast<int>(target_.nodes.size()); ++n) {
            if (is_above(target_, limb.joints.front(), n)) {
                limb.below.push_back(n);
            }
        }
        limb.source_foot = link.source;
        limb.lift_m =
            place_in(target_rest_, link.target).y() - factor_ * (upright_ * place_in(source_rest_, link.source)).y();
        limbs_.push_back(limb);
    }
}

void Retargeter::find_twists() {
    for (size_t n = 0; n < target_.nodes.size(); ++n) {
        const Node& node = target_.nodes[n];
        const int upper = node.parent < 0 ? -1 : link_of_[at_(node.parent)];
        const int next = upper < 0 ? -1 : links_[at_(upper)].target_child;
        if (node.kind != NodeKind::joint || link_of_[n] >= 0 || !is_twist_name(node.name) || next < 0 ||
            target_.nodes[at_(next)].parent != node.parent) {
            continue;
        }
        const Vec3 bone = target_.nodes[at_(next)].rest.translation;
        if (bone.norm() < 1e-9) {
            continue;
        }
        Twist twist;
        twist.node = static_cast<int>(n);
        twist.next = next;
        twist.bone = bone.normalized();
        twist.share = std::clamp(node.rest.translation.dot(bone) / bone.squaredNorm(), 0.0, 1.0);
        twists_.push_back(twist);
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
    std::vector<char> in_target(target_.nodes.size(), limbs_.empty() ? 0 : 1);
    for (const Link& link : links_) {
        if (is_carried(link.role)) {
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
    for (size_t l = 0; l < links_.size(); ++l) {
        const Link& link = links_[l];
        if (link.row < 0) {
            simple_.push_back({static_cast<int>(l), link.source, link.target, onto_target_[l]});
        } else {
            rowed_.push_back(static_cast<int>(l));
        }
        if (link_placed_[l] != 0) {
            placed_at_.push_back(static_cast<int>(l));
        }
    }
    for (size_t n = 0; n < target_.nodes.size(); ++n) {
        if (link_of_[n] < 0) {
            free_nodes_.push_back(static_cast<int>(n));
        }
    }
}

} // namespace wembrix
