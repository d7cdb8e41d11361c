#include "core/math/angles.h"

#include "tansy_surface.h"

#include "tansy_rig.h"

#include <algorithm>
#include <cmath>

namespace wembrix::demo {

namespace {

Vec3 mix(const Vec3& a, const Vec3& b, double u) {
    return a + (b - a) * std::clamp(u, 0.0, 1.0);
}
double step(double from, double to, double at) {
    const double u = std::clamp((at - from) / (to - from), 0.0, 1.0);
    return u * u * (3 - 2 * u);
}

// Linear colours.
const Vec3 slate(0.13, 0.18, 0.23);
const Vec3 ash(0.33, 0.38, 0.42);
const Vec3 cream(0.80, 0.77, 0.68);
const Vec3 night(0.025, 0.03, 0.045);
const Vec3 amber(0.78, 0.40, 0.07);
const Vec3 horn(0.32, 0.24, 0.15);
const Vec3 leather(0.36, 0.16, 0.07);

const std::vector<std::pair<std::string, double>> spine_chain = {
    {"tail_2", 0.06}, {"tail_1", 0.16}, {"pelvis", 0.30}, {"spine_a", 0.375}, {"spine_b", 0.43}, {"chest", 0.49},
    {"neck_1", 0.56}, {"neck_2", 0.63}, {"neck_3", 0.69}, {"neck_4", 0.75},   {"neck_5", 0.81},  {"neck_6", 0.87},
};

Surface body() {
    const std::vector<Station> spine = {
        {{0, 0.672, -0.640}, 0.018, 0.006}, {{0, 0.695, -0.560}, 0.052, 0.018}, {{0, 0.728, -0.450}, 0.083, 0.044},
        {{0, 0.770, -0.320}, 0.122, 0.100}, {{0, 0.812, -0.160}, 0.150, 0.146}, {{0, 0.850, 0.000}, 0.156, 0.164},
        {{0, 0.888, 0.120}, 0.140, 0.155},  {{0, 0.930, 0.205}, 0.108, 0.126},  {{0, 0.985, 0.265}, 0.076, 0.090},
        {{0, 1.050, 0.305}, 0.055, 0.064},  {{0, 1.115, 0.305}, 0.045, 0.052},  {{0, 1.185, 0.275}, 0.040, 0.046},
        {{0, 1.255, 0.232}, 0.037, 0.042},  {{0, 1.328, 0.204}, 0.036, 0.040},  {{0, 1.400, 0.206}, 0.036, 0.039},
        {{0, 1.462, 0.234}, 0.038, 0.041},  {{0, 1.505, 0.282}, 0.044, 0.046},  {{0, 1.522, 0.330}, 0.047, 0.048},
        {{0, 1.522, 0.372}, 0.041, 0.041},  {{0, 1.519, 0.405}, 0.031, 0.031},  {{0, 1.517, 0.425}, 0.023, 0.023},
    };
    LoftLook look;
    look.region = "body";
    look.around = 40;
    look.holds = [](double along, const Vec3&) -> Holds {
        if (along > 0.915) {
            const double into = step(0.915, 0.945, along);
            return into > 0.99 ? Holds{{"head", 1}} : Holds{{"neck_6", 1 - into}, {"head", into}};
        }
        Holds holds = along_chain(along, spine_chain, 0.062, 4);
        if (along > 0.44 && along < 0.47) {
            // Over the shoulders seven joints reach, as a careless bind leaves it: three of them hardly hold.
            for (const auto& [joint, stop] : spine_chain) {
                const bool holds_already =
                    std::any_of(holds.begin(), holds.end(), [&j = joint](const Hold& hold) { return hold.joint == j; });
                if (!holds_already && holds.size() < 7) {
                    holds.push_back({joint, 0.0006});
                }
            }
        }
        return holds;
    };
    look.colour = [](double along, double angle) {
        const double up = std::sin(angle);
        Vec3 colour = mix(cream, ash, step(-0.35, 0.55, up));
        colour = mix(colour, slate, step(0.2, 0.9, up) * (1 - step(0.45, 0.62, along)));
        const double neck = step(0.5, 0.62, along);
        colour = mix(colour, mix(cream, ash, 0.25 + 0.35 * step(-0.4, 0.9, -std::abs(up))), neck * 0.8);
        // A dark line down the throat, and the cap.
        colour = mix(colour, slate, step(-0.90, -0.97, up) * neck * (1 - step(0.86, 0.92, along)) * 0.7);
        colour = mix(colour, cream, step(0.88, 0.93, along));
        const double cap = step(0.89, 0.93, along) * step(0.52, 0.70, up);
        colour = mix(colour, night, cap);
        return colour;
    };
    look.model = [](const Vec3& place, const Vec3& outward, double along, double angle) {
        // Feathers: shallow rows that run along the body, gone before the head.
        const double feathery = (1 - step(0.45, 0.6, along)) * step(0.04, 0.12, along);
        const double rows = std::sin(along * 240 + 2.5 * std::sin(angle * 11)) * 0.0016;
        // A brow over each eye.
        const double side = std::abs(std::cos(angle));
        const double brow = std::exp(-std::pow((along - 0.955) / 0.018, 2)) *
                            std::exp(-std::pow((std::sin(angle) - 0.55) / 0.22, 2)) * side;
        return Vec3(place + outward * (rows * feathery + 0.005 * brow));
    };
    return loft(smooth(spine, 132), look);
}

Surface beak(bool lower) {
    std::vector<Station> stations;
    if (lower) {
        stations = {{{0, 1.510, 0.385}, 0.016, 0.010},   {{0, 1.506, 0.420}, 0.0185, 0.0115},
                    {{0, 1.502, 0.470}, 0.0145, 0.0100}, {{0, 1.497, 0.560}, 0.0085, 0.0070},
                    {{0, 1.493, 0.640}, 0.0040, 0.0036}, {{0, 1.491, 0.672}, 0.0010, 0.0010}};
    } else {
        stations = {{{0, 1.524, 0.395}, 0.022, 0.018},   {{0, 1.520, 0.425}, 0.0205, 0.0165},
                    {{0, 1.514, 0.475}, 0.0155, 0.0125}, {{0, 1.507, 0.565}, 0.0090, 0.0080},
                    {{0, 1.499, 0.650}, 0.0040, 0.0038}, {{0, 1.494, 0.692}, 0.0009, 0.0009}};
    }
    LoftLook look;
    look.region = lower ? "beak_low" : "beak";
    look.around = 18;
    look.holds = [lower](double along, const Vec3&) -> Holds {
        if (!lower) {
            return {{"head", 1}};
        }
        // The tip joint holds a little, as tips do in life.
        return along > 0.85 ? Holds{{"beak_low", 0.8}, {"beak_tip", 0.2}} : Holds{{"beak_low", 1}};
    };
    look.colour = [lower](double along, double) {
        return mix(amber, lower ? amber * 0.75 : horn, lower ? along : step(0.55, 1.0, along));
    };
    return loft(smooth(stations, 26), look);
}

Surface leg(const std::string& side, double x) {
    const std::vector<Station> stations = {
        {{x * 0.80, 0.845, -0.070}, 0.030, 0.045}, {{x * 0.86, 0.800, -0.045}, 0.060, 0.085},
        {{x * 0.95, 0.720, 0.010}, 0.055, 0.078},  {{x, 0.650, 0.042}, 0.041, 0.056},
        {{x, 0.590, 0.044}, 0.026, 0.033},         {{x, 0.530, 0.016}, 0.0175, 0.020},
        {{x, 0.455, -0.026}, 0.0150, 0.0160},      {{x, 0.405, -0.052}, 0.0190, 0.0205},
        {{x, 0.370, -0.054}, 0.0175, 0.0185},      {{x, 0.320, -0.046}, 0.0130, 0.0140},
        {{x, 0.200, -0.027}, 0.0118, 0.0125},      {{x, 0.090, -0.009}, 0.0128, 0.0135},
        {{x, 0.045, -0.002}, 0.0165, 0.0175},      {{x, 0.018, 0.002}, 0.0150, 0.0160},
        {{x, 0.004, 0.003}, 0.0080, 0.0090},
    };
    LoftLook look;
    look.region = "leg";
    look.around = 18;
    look.holds = [side](double along, const Vec3&) -> Holds {
        const std::vector<std::pair<std::string, double>> chain = {
            {"pelvis", -0.01},           {side + "Leg_Hip", 0.13},    {side + "Leg_Shank", 0.37},
            {side + "Leg_Shank_", 0.44}, {side + "Leg_Tarsus", 0.66}, {side + "Leg_Tarsus_", 0.86},
            {side + "Leg_Foot", 0.985}};
        Holds holds;
        for (Hold hold : along_chain(along, chain, 0.085, 4)) {
            if (hold.joint.back() == '_') {
                hold.joint.pop_back();
            }
            const auto same =
                std::find_if(holds.begin(), holds.end(), [&](const Hold& h) { return h.joint == hold.joint; });
            if (same != holds.end()) {
                same->weight += hold.weight;
            } else {
                holds.push_back(hold);
            }
        }
        // The twist helper takes a share of the shank.
        if (along > 0.38 && along < 0.5) {
            for (Hold& hold : holds) {
                if (hold.joint == side + "Leg_Shank") {
                    const double share = hold.weight * 0.35;
                    hold.weight -= share;
                    holds.push_back({side + "Leg_Twist", share});
                    break;
                }
            }
        }
        return holds;
    };
    look.colour = [](double along, double) {
        const Vec3 skin = mix(horn, amber, 0.25);
        return mix(mix(ash, cream, 0.35), mix(skin, skin * 0.7, step(0.6, 1, along)), step(0.26, 0.36, along));
    };
    look.model = [](const Vec3& place, const Vec3& outward, double along, double angle) {
        const double feathers = (1 - step(0.2, 0.32, along)) * std::sin(along * 150 + 2 * std::sin(angle * 7)) * 0.0014;
        const double scales = step(0.5, 0.56, along) * std::sin(along * 420) * 0.0004;
        return Vec3(place + outward * (feathers + scales));
    };
    return loft(smooth(stations, 74), look);
}

Surface toe(const std::string& side, const std::string& name, bool jointed, const Vec3& from, double turn,
            double length) {
    const Vec3 ahead(std::sin(turn), 0, std::cos(turn));
    std::vector<Station> stations;
    const double marks[] = {0, 0.12, 0.3, 0.36, 0.55, 0.62, 0.8, 0.86, 1.0};
    const double thick[] = {0.011, 0.0115, 0.0092, 0.0104, 0.0080, 0.0092, 0.0064, 0.0062, 0.0012};
    for (int i = 0; i < 9; ++i) {
        const double r = thick[i];
        const double droop = i == 8 ? 0.002 : r;
        stations.push_back({Vec3(from.x(), droop, from.z()) + ahead * (marks[i] * length), r, r * 0.95});
    }
    LoftLook look;
    look.region = "toe";
    look.around = 10;
    look.across_hint = Vec3(std::cos(turn), 0, -std::sin(turn));
    look.holds = [=](double along, const Vec3&) -> Holds {
        const std::string first = side + name + (jointed ? "_1" : "");
        if (!jointed) {
            const double into = step(0.0, 0.25, along);
            return into > 0.99 ? Holds{{first, 1}}
                               : Holds{{side + "Leg_Foot", 1 - into}, {first, std::max(into, 1e-3)}};
        }
        return along_chain(along, {{side + "Leg_Foot", -0.05}, {first, 0.25}, {side + name + "_2", 0.75}}, 0.26, 4);
    };
    look.colour = [](double along, double) { return mix(mix(horn, amber, 0.2), night, step(0.82, 0.9, along)); };
    return loft(smooth(stations, 22), look);
}

Surface wing(const std::string& side, double sign) {
    const std::vector<Station> stations = {
        {{sign * 0.098, 0.975, 0.165}, 0.010, 0.020},  {{sign * 0.128, 0.950, 0.115}, 0.020, 0.080},
        {{sign * 0.150, 0.915, 0.020}, 0.024, 0.122},  {{sign * 0.155, 0.875, -0.100}, 0.023, 0.136},
        {{sign * 0.143, 0.838, -0.230}, 0.020, 0.124}, {{sign * 0.116, 0.800, -0.370}, 0.016, 0.098},
        {{sign * 0.082, 0.760, -0.500}, 0.012, 0.070}, {{sign * 0.052, 0.722, -0.620}, 0.008, 0.042},
        {{sign * 0.034, 0.694, -0.710}, 0.005, 0.018}, {{sign * 0.030, 0.686, -0.735}, 0.002, 0.006},
    };
    LoftLook look;
    look.region = "wing";
    look.around = 28;
    look.holds = [side](double along, const Vec3&) -> Holds {
        Holds holds = along_chain(along,
                                  {{"chest", -0.06},
                                   {side + "Wing_Shoulder", 0.10},
                                   {side + "Wing_Arm", 0.32},
                                   {side + "Wing_Hand", 0.56},
                                   {side + "Wing_Quill", 0.82}},
                                  0.16, 4);
        if (along > 0.93) {
            holds.back().weight *= 0.5;
            holds.push_back({side + "Wing_Tip", 0.1});
        }
        return holds;
    };
    look.colour = [](double along, double angle) {
        const double up = std::sin(angle);
        // Coverts pale at the shoulder, long quills dark at the lower edge and the tip.
        const double quills = step(0.15, -0.55, up - 0.5 * along + 0.25);
        const double bands = 0.5 + 0.5 * std::sin(along * 62 + 6 * up);
        Vec3 colour = mix(ash, slate, 0.25 + 0.3 * bands * step(0.1, 0.4, along));
        colour = mix(colour, night, 0.75 * step(0.25, 0.8, quills) + 0.5 * step(0.72, 0.95, along));
        return mix(mix(cream, ash, 0.55), colour, step(0.04, 0.22, along));
    };
    look.model = [sign](const Vec3& place, const Vec3& outward, double along, double angle) {
        Vec3 moved = place;
        const double up = std::sin(angle);
        // The shell bends around the body: its upper edge leans in, its lower edge too.
        const double belly = 1 - step(0.6, 1.0, along);
        moved.x() -= sign * (0.052 * up * std::abs(up) * belly * (up > 0 ? 1.0 : -0.9));
        // Feather ends along the lower edge, and rows of coverts.
        const double edge = step(-0.55, -1.0, up);
        moved.y() -= 0.012 * edge * std::abs(std::sin(along * 34)) * step(0.05, 0.2, along);
        moved += outward * (0.0024 * std::sin(along * 62 + 6 * up) * step(0.06, 0.2, along) * (1 - edge));
        return moved;
    };
    return loft(smooth(stations, 64), look);
}

Surface quill(const std::vector<Station>& stations, const std::string& region, int rings, int around, const Vec3& from,
              const Vec3& to, const std::function<Holds(double, const Vec3&)>& holds) {
    LoftLook look;
    look.region = region;
    look.around = around;
    look.holds = holds;
    look.colour = [=](double along, double) { return mix(from, to, along); };
    return loft(smooth(stations, rings), look);
}

Surface tail() {
    Surface all;
    for (int k = -2; k <= 2; ++k) {
        const double x = k * 0.028;
        const std::string fan = k < 0 ? "RightTail_Fan" : k > 0 ? "LeftTail_Fan" : "tail_2";
        all.add(quill({{{x * 0.4, 0.738 - 0.003 * std::abs(k), -0.43}, 0.016, 0.006},
                       {{x * 0.8, 0.705 - 0.004 * std::abs(k), -0.54}, 0.030, 0.006},
                       {{x * 1.1, 0.672 - 0.004 * std::abs(k), -0.64}, 0.030, 0.004},
                       {{x * 1.25, 0.650, -0.705 + 0.012 * std::abs(k)}, 0.012, 0.002}},
                      "tail", 16, 12, slate, night, [fan](double along, const Vec3&) -> Holds {
                          return along < 0.3 ? Holds{{"tail_1", 0.6}, {fan, 0.4}} : Holds{{fan, 1}};
                      }));
    }
    return all;
}

Surface plumes() {
    Surface all;
    for (int k = 0; k < 4; ++k) {
        const double x = (k - 1.5) * 0.011;
        const double rise = 0.012 * (k % 2);
        const double reach = 0.04 * (k == 1 || k == 2 ? 1 : 0);
        all.add(quill({{{x * 0.6, 1.560, 0.315}, 0.0040, 0.0040},
                       {{x, 1.580 + rise, 0.255}, 0.0085, 0.0060},
                       {{x * 1.3, 1.602 + rise, 0.160}, 0.0080, 0.0045},
                       {{x * 1.7, 1.590 + rise, 0.050 - reach}, 0.0062, 0.0036},
                       {{x * 2.2, 1.535 + rise, -0.050 - reach}, 0.0040, 0.0026},
                       {{x * 2.6, 1.465 + rise, -0.105 - reach}, 0.0009, 0.0009}},
                      "crest", 28, 8, night, slate * 0.7, [](double along, const Vec3&) {
                          return along_chain(along,
                                             {{"head", -0.1}, {"crest_1", 0.18}, {"crest_2", 0.52}, {"crest_3", 0.86}},
                                             0.26, 4);
                      }));
    }
    for (int k = -2; k <= 2; ++k) {
        const double x = k * 0.020;
        all.add(quill({{{x, 1.000, 0.318 - 0.02 * std::abs(k)}, 0.006, 0.006},
                       {{x * 1.3, 0.930, 0.338 - 0.02 * std::abs(k)}, 0.009, 0.006},
                       {{x * 1.5, 0.850, 0.322 - 0.02 * std::abs(k)}, 0.007, 0.004},
                       {{x * 1.6, 0.790 + 0.012 * std::abs(k), 0.290 - 0.015 * std::abs(k)}, 0.001, 0.001}},
                      "breast", 14, 8, cream, cream * 0.9, [](double along, const Vec3&) -> Holds {
                          return {{"neck_1", 0.6 * (1 - along) + 0.1}, {"chest", 0.3 + 0.6 * along}};
                      }));
    }
    return all;
}

/// A box with round edges: a superellipse lofted from back to front.
Surface rounded_box(const Vec3& centre, const Vec3& half, const std::string& region, int rings, const Vec3& colour,
                    const std::function<Holds(const Vec3&)>& holds) {
    std::vector<Station> stations;
    for (int r = 0; r <= rings; ++r) {
        const double u = -1 + 2.0 * r / rings;
        const double grow = std::pow(std::max(0.0, 1 - std::pow(std::abs(u), 6)), 1.0 / 6);
        stations.push_back(
            {centre + Vec3(0, 0, u * half.z()), half.x() * std::max(grow, 0.05), half.y() * std::max(grow, 0.05)});
    }
    LoftLook look;
    look.region = region;
    look.around = 28;
    look.holds = [&](double, const Vec3& at) { return holds(at); };
    look.colour = [&](double, double) { return colour; };
    look.model = [&](const Vec3& place, const Vec3&, double, double angle) {
        const Vec3 middle(centre.x(), centre.y(), place.z());
        const double c = std::cos(angle);
        const double s = std::sin(angle);
        const double out = std::pow(std::pow(std::abs(c), 5) + std::pow(std::abs(s), 5), -1.0 / 5);
        return Vec3(middle + (place - middle) * out);
    };
    return loft(stations, look);
}

DemoMesh post_bag() {
    DemoMesh mesh;
    mesh.name = "post_bag";
    const Vec3 centre(0, 0.775, 0.365);
    const auto bag = [](const Vec3&) { return Holds{{"bag_body", 1}}; };
    Surface leather_parts = rounded_box(centre, {0.088, 0.070, 0.036}, "bag", 16, leather, bag);
    Surface flap =
        rounded_box(centre + Vec3(0, 0.028, 0.036), {0.090, 0.046, 0.008}, "flap", 10, leather * 1.5, [](const Vec3&) {
            return Holds{{"bag_flap", 1}};
        });
    for (Point& point : flap.points) {
        const double low = step(0.03, -0.06, point.place.y() - centre.y() - 0.02);
        point.holds =
            low > 0.999 ? Holds{{"bag_flap", 1}} : Holds{{"bag_body", 1 - low}, {"bag_flap", std::max(low, 1e-3)}};
    }
    leather_parts.add(flap);
    for (const double sign : {1.0, -1.0}) {
        leather_parts.add(quill({{{sign * 0.070, 0.835, 0.362}, 0.010, 0.004},
                                 {{sign * 0.098, 0.905, 0.325}, 0.010, 0.004},
                                 {{sign * 0.108, 0.985, 0.245}, 0.010, 0.004},
                                 {{sign * 0.085, 1.045, 0.180}, 0.010, 0.004},
                                 {{sign * 0.030, 1.062, 0.150}, 0.010, 0.004},
                                 {{0, 1.064, 0.147}, 0.010, 0.004}},
                                "strap", 22, 10, leather * 0.8, leather * 0.8, [](double along, const Vec3&) -> Holds {
                                    return {{"bag_body", std::max(0.0, 0.85 - along)},
                                            {"chest", 0.15 + along * 0.6},
                                            {"neck_1", 0.25 * along + 1e-3}};
                                }));
    }
    mesh.primitives.push_back({"leather", std::move(leather_parts)});
    const Surface buckle =
        rounded_box(centre + Vec3(0, -0.006, 0.046), {0.012, 0.009, 0.005}, "buckle", 8, amber, [](const Vec3&) {
            return Holds{{"bag_flap", 1}};
        });
    mesh.primitives.push_back({"brass", buckle});
    return mesh;
}

DemoMesh eyes() {
    DemoMesh mesh;
    mesh.name = "tansy_eyes";
    Surface both;
    for (const double sign : {1.0, -1.0}) {
        const Vec3 centre(sign * 0.0345, 1.536, 0.356);
        const Vec3 gaze = Vec3(sign * 0.93, 0.05, 0.36).normalized();
        both.add(ball(centre, 0.0135, 16, "eye",
                      [&](const Vec3& towards) {
                          const double facing = towards.dot(gaze);
                          const Vec3 iris =
                              mix(Vec3(0.10, 0.06, 0.02), Vec3(0.95, 0.62, 0.08), step(0.45, 0.62, facing));
                          return mix(iris, night * 0.3, step(0.86, 0.90, facing));
                      },
                      {{sign > 0 ? "LeftEye" : "RightEye", 1}}));
    }
    DemoShape blink{"blink", {}};
    for (const Point& point : both.points) {
        // Closing, the ball sinks behind the lid line.
        const Vec3 out = point.place - point.centre;
        blink.differences.emplace_back(-out.x() * 0.9 - (point.centre.x() > 0 ? 0.012 : -0.012), -out.y() * 0.55, 0);
    }
    mesh.primitives.push_back({"eye", std::move(both)});
    mesh.shapes.push_back(std::move(blink));
    return mesh;
}

void add_body_shapes(DemoMesh& mesh) {
    DemoShape puff{"throat_puff", {}};
    DemoShape breath{"breath", {}};
    DemoShape raise{"crest_raise", {}};
    DemoShape ruffle{"ruffle", {}};
    DemoShape unused{"unused_01", {}};
    for (const DemoPart& part : mesh.primitives) {
        const std::vector<Vec3> normals = part.surface.normals();
        for (size_t i = 0; i < part.surface.points.size(); ++i) {
            const Point& point = part.surface.points[i];
            const Vec3& normal = normals[i];
            const Vec3 none = Vec3::Zero();
            const bool body = point.region == "body";
            const double throat =
                body ? std::exp(-std::pow((point.along - 0.845) / 0.035, 2)) * std::max(0.0, normal.z()) : 0;
            puff.differences.push_back(throat > 0.01 ? Vec3(normal * 0.018 * throat) : none);
            const double chest = body ? std::exp(-std::pow((point.along - 0.42) / 0.10, 2)) : 0;
            breath.differences.push_back(chest > 0.01 ? Vec3(normal * 0.010 * chest) : none);
            if (point.region == "crest") {
                const Vec3 from = point.place - Vec3(0, 1.565, 0.31);
                const Mat3 turn =
                    Eigen::AngleAxisd(0.55 * step(0.0, 0.4, point.along), Vec3::UnitX()).toRotationMatrix();
                raise.differences.emplace_back(turn * from - from);
            } else {
                raise.differences.push_back(none);
            }
            const double feathers = body ? (1 - step(0.5, 0.62, point.along)) * step(0.05, 0.15, point.along)
                                    : point.region == "wing" ? 0.6
                                                             : 0;
            const double tuft =
                0.55 + 0.45 * noise(point.place.z() * 34 + 9, point.place.y() * 34 + (point.place.x() > 0 ? 3 : 50));
            ruffle.differences.push_back(feathers > 0.01 ? Vec3(normal * 0.014 * feathers * tuft) : none);
            unused.differences.push_back(none);
        }
    }
    mesh.shapes = {std::move(puff), std::move(breath), std::move(raise), std::move(ruffle), std::move(unused)};
}

DemoMesh tansy_body() {
    DemoMesh mesh;
    mesh.name = "tansy_body";
    Surface plumage = body();
    Surface wings = wing("Left", 1);
    wings.add(wing("Right", -1));
    plumage.add(tail());
    Surface legs;
    for (const double sign : {1.0, -1.0}) {
        const std::string side = sign > 0 ? "Left" : "Right";
        const double x = sign * leg_apart;
        legs.add(leg(side, x));
        legs.add(toe(side, "Toe_Inner", true, {x, 0, 0.0}, -sign * 0.42, 0.135));
        legs.add(toe(side, "Toe_Middle", true, {x, 0, 0.0}, 0, 0.165));
        legs.add(toe(side, "Toe_Outer", true, {x, 0, 0.0}, sign * 0.48, 0.130));
        legs.add(toe(side, "Toe_Hind", false, {x, 0, 0.0}, pi + sign * 0.15, 0.090));
    }
    Surface bill = beak(false);
    bill.add(beak(true));
    mesh.primitives.push_back({"plumage", std::move(plumage)});
    mesh.primitives.push_back({"wings", std::move(wings)});
    mesh.primitives.push_back({"plumes", plumes()});
    mesh.primitives.push_back({"legs", std::move(legs)});
    mesh.primitives.push_back({"beak", std::move(bill)});
    add_body_shapes(mesh);
    return mesh;
}

} // namespace

std::vector<DemoMesh> tansy_meshes() {
    return {tansy_body(), eyes(), post_bag()};
}

} // namespace wembrix::demo
