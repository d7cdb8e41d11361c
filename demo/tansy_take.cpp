#include "core/math/angles.h"

#include "tansy_take.h"

#include "tansy_rig.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace wembrix::demo {

namespace {

double ease(double from, double to, double at) {
    const double u = std::clamp((at - from) / (to - from), 0.0, 1.0);
    return u * u * u * (u * (u * 6 - 15) + 10);
}
double bump(double from, double top, double to, double at) {
    return ease(from, top, at) - ease(top, to, at);
}
double within(double in0, double in1, double out0, double out1, double at) {
    return ease(in0, in1, at) - ease(out0, out1, at);
}
Quat about(const Vec3& axis, double angle) {
    return Quat(Eigen::AngleAxisd(angle, axis));
}
Quat pitch(double angle) {
    return about(Vec3::UnitX(), angle);
}
Quat yaw(double angle) {
    return about(Vec3::UnitY(), angle);
}
Quat roll(double angle) {
    return about(Vec3::UnitZ(), angle);
}

// Wading: each foot swings 16 frames of a cycle of 44 and stands the rest.
constexpr double cycle = 44;
constexpr double stride = 0.46;

struct Swing {
    double first;
    double last;
    double from;
    double to;
};

std::vector<Swing> swings(bool left) {
    std::vector<Swing> all;
    if (left) {
        for (int k = 0; k < 5; ++k) {
            all.push_back({214 + cycle * k + 2, 214 + cycle * k + 18, stride * k, stride * (k + 1)});
        }
    } else {
        all.push_back({194, 210, 0, stride / 2});
        for (int k = 0; k < 4; ++k) {
            all.push_back({214 + cycle * k + 24, 214 + cycle * k + 40, stride * (k + 0.5), stride * (k + 1.5)});
        }
        all.push_back({416, 432, stride * 4.5, stride * 5});
    }
    return all;
}

struct Foot {
    double z = 0;
    double lift = 0; ///< height above the ground, metres
    double curl = 0; ///< toes closing, 0 to 1
};

Foot foot_at(bool left, double frame) {
    static const std::vector<Swing> left_swings = swings(true);
    static const std::vector<Swing> right_swings = swings(false);
    Foot foot;
    for (const Swing& swing : left ? left_swings : right_swings) {
        if (frame >= swing.last) {
            foot.z = swing.to;
        } else if (frame > swing.first) {
            const double u = (frame - swing.first) / (swing.last - swing.first);
            foot.z = swing.from + (swing.to - swing.from) * ease(0.08, 1, u);
            const double up = std::sin(pi * ease(0, 1, u));
            foot.lift = 0.15 * up * up;
            foot.curl = std::sin(pi * u);
        }
    }
    if (left) {
        for (const double hit : {612.0, 648.0, 684.0}) {
            // Up slowly, a moment's poise, down fast.
            const double up = ease(hit - 18, hit - 6, frame) - ease(hit - 4, hit, frame);
            foot.lift += 0.19 * up;
            foot.curl += 0.8 * up;
        }
    }
    return foot;
}

double feet_between(double frame) {
    return (foot_at(true, frame).z + foot_at(false, frame).z) / 2;
}

/// The body follows the feet smoothly: a Gaussian over the frames around.
double travel(double frame) {
    double sum = 0;
    double weights = 0;
    for (int k = -24; k <= 24; ++k) {
        const double weight = std::exp(-k * k / (2.0 * 9 * 9));
        sum += weight * feet_between(frame + k);
        weights += weight;
    }
    return sum / weights;
}

struct Controls {
    Vec3 pelvis = Vec3::Zero(); ///< from its rest place
    double pitch = 0;
    double yaw = 0;
    double roll = 0;
    double neck[6] = {0, 0, 0, 0, 0, 0};
    double neck_roll = 0;
    double neck_yaw = 0;
    double head_pitch = 0;
    double head_yaw = 0;
    double head_roll = 0;
    double beak = 0;
    double wings = 0;
    double flutter = 0;
    double tail = 0;
    double tail_yaw = 0;
    double crest = 0;
    double bag = 0;
    double flap = 0;
};

void stand(double f, Controls& c, std::map<std::string, double>& shapes) {
    const double on = 1 - ease(170, 205, f);
    const double w = 2 * pi / 168;
    c.pelvis += on * Vec3(0.016 * std::sin(w * f), 0.004 * std::sin(2 * w * f),
                          0.004 * std::sin(w * f + 1) - 0.004 * std::sin(1.0));
    c.roll += on * 0.018 * std::sin(w * f);
    c.head_yaw += on * (0.42 * bump(30, 48, 78, f) - 0.35 * bump(96, 112, 140, f));
    c.neck_yaw += on * (0.05 * bump(28, 50, 84, f) - 0.04 * bump(94, 116, 146, f));
    c.head_pitch += on * 0.08 * std::sin(2 * w * f);
    c.neck[1] += on * 0.03 * std::sin(w * f);
    c.neck[4] -= on * 0.03 * std::sin(w * f);
    c.bag += on * 0.02 * std::sin(2 * w * f);
    shapes["breath"] += on * (0.5 - 0.5 * std::cos(3 * w * f));
    shapes["crest_raise"] += on * 0.5 * bump(100, 112, 136, f);
}

void wade(double f, Controls& c) {
    const double on = within(186, 212, 394, 430, f);
    const double phase = 2 * pi * (f - 214) / cycle;
    // Weight goes over the foot that stands.
    c.pelvis += on * Vec3(-0.026 * std::sin(phase - 0.2), -0.012 + 0.010 * std::cos(2 * phase - 1.2), 0);
    c.roll += on * 0.035 * std::sin(phase - 0.2);
    c.yaw += on * 0.05 * std::cos(phase);
    c.pitch += on * (0.03 + 0.012 * std::sin(2 * phase));
    // The neck leads: the head is thrust ahead before each step and waits there for the body.
    const double lead = std::sin(2 * phase + 2.4) + 0.35 * std::sin(4 * phase + 0.6);
    c.neck[0] += on * (0.10 * lead + 0.10);
    c.neck[1] += on * (0.14 * lead + 0.08);
    c.neck[3] -= on * (0.10 * lead + 0.06);
    c.neck[4] -= on * (0.10 * lead + 0.06);
    c.neck[5] -= on * (0.04 * lead + 0.06);
    c.tail_yaw += on * 0.05 * std::sin(phase);
    c.bag += on * 0.12 * std::sin(2 * phase - 0.8);
    c.flap += on * (0.10 + 0.12 * std::sin(2 * phase - 1.6));
    c.crest += on * 0.06 * std::sin(2 * phase - 0.5);
}

void lift(double f, Controls& c, std::map<std::string, double>& shapes) {
    const double down = within(448, 488, 508, 548, f);
    const double neck = within(444, 484, 505, 552, f); // the neck leads here too
    c.pitch += 0.30 * down;
    c.pelvis += down * Vec3(0, -0.075, -0.03);
    c.neck[0] += 0.62 * neck;
    c.neck[1] += 0.72 * neck;
    c.neck[2] += 0.42 * neck;
    c.neck[3] += 0.10 * neck;
    c.neck[4] -= 0.10 * neck;
    c.neck[5] -= 0.25 * neck;
    c.head_pitch -= 0.42 * neck;
    c.beak += 0.20 * bump(478, 489, 496, f) + 0.07 * within(495, 499, 556, 566, f);
    c.tail += 0.12 * down;
    c.bag -= 0.30 * down;
    c.flap += 0.20 * bump(470, 494, 520, f);
    c.wings += 0.05 * bump(500, 515, 545, f);
    shapes["throat_puff"] += bump(528, 544, 566, f);
}

void stamp(double f, Controls& c) {
    const double over = within(590, 606, 696, 718, f);
    c.pelvis += over * Vec3(-0.045, -0.008, 0);
    c.roll += 0.045 * over;
    for (const double hit : {612.0, 648.0, 684.0}) {
        const double jolt = f < hit ? 0 : std::exp(-(f - hit) / 5) * std::sin((f - hit) * 0.9);
        const double gather = bump(hit - 18, hit - 5, hit + 1, f);
        c.pelvis.y() += 0.012 * gather - 0.018 * jolt;
        c.neck[0] -= 0.10 * gather;
        c.neck[1] -= 0.08 * gather - 0.10 * jolt;
        c.neck[4] += 0.12 * gather;
        c.head_pitch += 0.10 * gather + 0.08 * jolt;
        c.bag += 0.18 * jolt;
        c.flap += 0.35 * std::abs(jolt);
        c.crest += 0.12 * jolt;
        c.tail -= 0.08 * jolt;
    }
}

void shake(double f, Controls& c, std::map<std::string, double>& shapes) {
    const double on = within(748, 766, 874, 918, f);
    const double beat = 2 * pi * f / 11;
    c.roll += on * 0.10 * std::sin(beat);
    c.yaw += on * 0.05 * std::sin(beat + 0.7);
    c.neck_roll += on * 0.085 * std::sin(beat - 0.9);
    c.neck_yaw += on * 0.05 * std::sin(beat - 0.5);
    c.head_roll += on * 0.30 * std::sin(beat - 1.8);
    c.neck[0] += on * 0.10;
    c.neck[4] -= on * 0.08;
    c.wings += on * 0.22;
    c.flutter += on * 0.10 * std::sin(beat * 2);
    c.tail_yaw += on * 0.22 * std::sin(beat + 1.2);
    c.pelvis.y() -= on * 0.015;
    c.bag += on * 0.16 * std::sin(beat + 0.4);
    c.flap += on * (0.22 + 0.2 * std::sin(beat * 2));
    c.crest += on * 0.25 * std::sin(beat - 2.2);
    shapes["ruffle"] += on * (0.75 + 0.2 * std::sin(beat * 2));
    shapes["crest_raise"] += on * 0.8;
}

/// Knee of a leg from hip to ankle, bent forward.
Vec3 knee_of(const Vec3& hip, const Vec3& ankle, double thigh, double shank, const Vec3& forward) {
    const Vec3 line = ankle - hip;
    const double reach = std::clamp(line.norm(), std::abs(thigh - shank) + 1e-4, thigh + shank - 1e-4);
    const Vec3 along = line.normalized();
    const Vec3 out = (forward - along * forward.dot(along)).normalized();
    const double a = (thigh * thigh - shank * shank + reach * reach) / (2 * reach);
    return hip + along * a + out * std::sqrt(std::max(0.0, thigh * thigh - a * a));
}

void pose_leg(const std::string& side, double frame, const Vec3& pelvis, const Quat& pelvis_turn, TakePose& pose) {
    const bool left = side == "Left";
    const Foot at = foot_at(left, frame);
    const Vec3 hip_rest = place_of(side + "Leg_Hip");
    const Vec3 knee_rest = place_of(side + "Leg_Shank");
    const Vec3 ankle_rest = place_of(side + "Leg_Tarsus");
    const Vec3 foot_rest = place_of(side + "Leg_Foot");
    const Vec3 hip = pelvis + pelvis_turn * (hip_rest - place_of("pelvis"));
    const Vec3 foot = foot_rest + Vec3(0, at.lift, at.z - 0.06 * at.curl);
    // The tarsus leans so that the ankle stays between hip and foot.
    const Vec3 tarsus = ankle_rest - foot_rest;
    const double length = tarsus.norm();
    const double lean = std::clamp(
        tarsus.z() + 0.52 * ((hip.z() - foot.z()) - (hip_rest.z() - foot_rest.z())) - 0.08 * at.curl, -0.32, 0.32);
    const double aside = 0.35 * (hip.x() - hip_rest.x());
    const Vec3 ankle = foot + Vec3(aside, std::sqrt(length * length - lean * lean - aside * aside), lean);
    const Vec3 knee = knee_of(hip, ankle, (knee_rest - hip_rest).norm(), (ankle_rest - knee_rest).norm(),
                              pelvis_turn * Vec3::UnitZ());
    // Lengths are kept: if hip and ankle are too far apart the whole lower leg follows, so the take stays within reach.
    const Quat thigh = shortest_turn(knee_rest - hip_rest, knee - hip);
    const Quat shank = shortest_turn(ankle_rest - knee_rest, ankle - knee);
    const Quat shin = shortest_turn(foot_rest - ankle_rest, foot - ankle);
    const Quat sole = pitch(0.75 * at.curl);
    pose.turns[side + "Leg_Hip"] = pelvis_turn.conjugate() * thigh;
    pose.turns[side + "Leg_Shank"] = thigh.conjugate() * shank;
    pose.turns[side + "Leg_Twist"] = pitch(0.04 * at.curl);
    pose.turns[side + "Leg_Tarsus"] = shank.conjugate() * shin;
    pose.turns[side + "Leg_Foot"] = shin.conjugate() * sole;
    for (const char* toe : {"Toe_Inner", "Toe_Middle", "Toe_Outer"}) {
        pose.turns[side + toe + "_1"] = pitch(0.30 * at.curl);
        pose.turns[side + toe + "_2"] = pitch(0.45 * at.curl);
    }
    pose.turns[side + "Toe_Hind"] = pitch(-0.5 * at.curl);
    pose.places[left ? "ik_foot_L" : "ik_foot_R"] = foot;
}

} // namespace

TakePose tansy_at(double f) {
    TakePose pose;
    Controls c;
    stand(f, c, pose.shapes);
    wade(f, c);
    lift(f, c, pose.shapes);
    stamp(f, c);
    shake(f, c, pose.shapes);
    for (const double moment : {62.0, 131.0, 240.0, 333.0, 420.0, 500.0, 590.0, 655.0, 740.0, 850.0}) {
        pose.shapes["blink"] += bump(moment - 4, moment, moment + 5, f);
    }
    c.pelvis.z() += travel(f);

    const Vec3 pelvis = place_of("pelvis") + c.pelvis;
    const Quat pelvis_turn = yaw(c.yaw) * roll(c.roll) * pitch(c.pitch);
    pose.places["pelvis"] = pelvis;
    pose.turns["pelvis"] = pelvis_turn;
    // The spine takes back part of what the pelvis does: the chest is calmer than the hips.
    pose.turns["spine_a"] = roll(-0.3 * c.roll) * yaw(-0.4 * c.yaw);
    pose.turns["spine_b"] = roll(-0.3 * c.roll);
    pose.turns["chest"] = pitch(-0.15 * c.pitch);
    for (int k = 0; k < 6; ++k) {
        pose.turns["neck_" + std::to_string(k + 1)] =
            yaw(c.neck_yaw) * roll(c.neck_roll - 0.05 * c.roll) * pitch(c.neck[k]);
    }
    pose.turns["head"] = yaw(c.head_yaw) * roll(c.head_roll) * pitch(c.head_pitch - 0.5 * c.pitch);
    pose.turns["beak_low"] = pitch(c.beak);
    pose.turns["crest_1"] = pitch(-0.5 * c.crest);
    pose.turns["crest_2"] = pitch(-0.8 * c.crest);
    pose.turns["crest_3"] = pitch(-1.0 * c.crest);
    pose.turns["tail_1"] = yaw(c.tail_yaw) * pitch(c.tail);
    pose.turns["tail_2"] = yaw(0.6 * c.tail_yaw) * pitch(0.5 * c.tail);
    for (const double sign : {1.0, -1.0}) {
        const std::string side = sign > 0 ? "Left" : "Right";
        pose.turns[side + "Tail_Fan"] = yaw(sign * (0.10 * c.wings - 0.3 * c.flutter));
        pose.turns[side + "Wing_Shoulder"] = roll(sign * (0.75 * c.wings + c.flutter)) * yaw(-sign * 0.55 * c.wings);
        pose.turns[side + "Wing_Arm"] = roll(sign * 0.4 * c.flutter) * yaw(-sign * 0.25 * c.wings);
        pose.turns[side + "Wing_Hand"] = yaw(sign * 0.30 * c.wings);
        pose.turns[side + "Wing_Quill"] = yaw(sign * 0.25 * c.wings) * roll(sign * 0.3 * c.flutter);
        pose_leg(side, f, pelvis, pelvis_turn, pose);
        // Eyes jump; they do not glide.
        const double glance = 0.16 * std::sin(std::floor(f / 37) * 2.4) + 0.1 * std::sin(std::floor(f / 23) * 1.7);
        pose.turns[side + "Eye"] = yaw(glance);
    }
    pose.turns["bag_body"] = pitch(c.bag - 0.8 * c.pitch);
    pose.turns["bag_flap"] = pitch(-c.flap);
    return pose;
}

} // namespace wembrix::demo
