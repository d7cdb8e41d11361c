#include "core/delivery/arrival_check.h"

#include "core/base/counted.h"
#include "core/base/pattern.h"
#include "core/base/text.h"
#include "core/delivery/point_claims.h"
#include "core/destination/conform.h"
#include "core/destination/file_space.h"
#include "core/formats/format.h"
#include "core/measure/comparison/compare_scenes.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/facing.h"
#include "core/steps/names.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>

namespace wembrix {

namespace {

void check_root(const Scene& prepared, const Scene& arrived, const Destination& destination, Arrival& arrival) {
    auto names = [](const Scene& scene) {
        std::vector<std::string> roots;
        for (const int root : root_joints(scene)) {
            roots.push_back(scene.nodes[root].name);
        }
        return roots;
    };
    const std::vector<std::string> should = names(prepared);
    const std::vector<std::string> is = names(arrived);
    Claim claim{"Root", some_of(should), some_of(is), should == is, ""};
    if (should.empty()) {
        // Nothing here is a skeleton: what moves hangs on joints only in the file of its motion.
        claim.expected = "no joints";
        claim.pass = true;
    } else if (should.size() > 1) {
        claim.pass = false;
        claim.accepted = should == is ? accepted_note("roots", {prepared, &destination}) : "";
        claim.detail = phrase("{}, where one is expected; “Make root” gives it one", counted(should.size(), "root"));
    } else if (!is.empty() && is[0] != destination.root) {
        claim.pass = false;
        claim.detail = phrase("the root is “{}”, {} expects “{}”", is[0], destination.name, destination.root);
    } else if (!claim.pass) {
        claim.detail = "another root arrived";
    }
    arrival.claims.push_back(std::move(claim));
}

void check_joints(const Scene& prepared, const Scene& arrived, const Destination& destination, Arrival& arrival) {
    const std::vector<JointRow> should = joint_rows(prepared);
    std::vector<JointRow> is = joint_rows(arrived);
    if (should.empty()) {
        // A file of motion alone does not say that what moves is a door and no bone: what is Prepared's own counts as
        // what it is there.
        std::erase_if(is, [&](const JointRow& row) { return prepared.find_node(row.name) >= 0; });
    }
    Claim claim{"Joints, in order", fmt::format("{}", should.size()), fmt::format("{}", is.size()), should == is, ""};
    for (size_t i = 0; !claim.pass && i < std::max(should.size(), is.size()); ++i) {
        if (i >= should.size() || i >= is.size() || !(should[i] == is[i])) {
            claim.detail = phrase("joint {} is “{}” and should be “{}”", i, i < is.size() ? is[i].name : "missing",
                                  i < should.size() ? should[i].name : "nothing");
            break;
        }
    }
    arrival.claims.push_back(std::move(claim));

    const Pattern pattern = Pattern::checked(destination.joint_names);
    std::vector<std::string> strange;
    for (const JointRow& row : is) {
        if (row.name.size() > static_cast<size_t>(destination.longest_name) || !pattern.matches_whole(row.name)) {
            strange.push_back(row.name);
        }
    }
    Claim names{"Joint names", "fit the pattern",
                strange.empty() ? "fit the pattern" : phrase("{} do not fit", strange.size()), strange.empty(), ""};
    names.accepted = strange.empty() ? "" : accepted_note("illegal_name", {prepared, &destination});
    names.detail = strange.empty() ? "" : some_of(strange) + " cannot stand there; rename them by a rule";
    arrival.claims.push_back(std::move(names));

    double apart = 0;
    double from_one = 0;
    std::string worst;
    for (const int joint : joints_of(prepared)) {
        const Node& node = prepared.nodes[joint];
        const int other = arrived.find_node(node.name);
        if (other < 0) {
            continue;
        }
        apart = std::max(apart, (arrived.nodes[other].rest.scale - node.rest.scale).cwiseAbs().maxCoeff());
        const double off = (arrived.nodes[other].rest.scale - Vec3::Ones()).cwiseAbs().maxCoeff();
        if (off > from_one) {
            from_one = off;
            worst = node.name;
        }
    }
    auto text = [&](double off) { return off < 1e-5 ? Text("all 1") : phrase("up to {:.4g} off 1 ({})", off, worst); };
    double prepared_off = 0;
    for (const int joint : joints_of(prepared)) {
        prepared_off = std::max(prepared_off, (prepared.nodes[joint].rest.scale - Vec3::Ones()).cwiseAbs().maxCoeff());
    }
    arrival.claims.push_back({"Joint scales", text(prepared_off), text(from_one), apart < 1e-5,
                              apart < 1e-5 ? "" : phrase("scales changed by {:.4g}", apart)});
}

void check_drift(Drift drift, const Destination& destination, Arrival& arrival) {
    Claim claim{"Drift", phrase("at most {:g} mm", destination.drift_limit_mm), phrase("{:.4f} mm", drift.largest_mm),
                true, ""};
    if (!(drift.largest_mm <= destination.drift_limit_mm)) {
        claim.pass = false;
        claim.detail = phrase("{:.3f} mm at {}, frame {}; the limit is {:g} mm", drift.largest_mm, drift.place,
                              drift.frame, destination.drift_limit_mm);
    } else if (drift.points_compared == 0 && drift.joints_compared == 0) {
        claim.pass = false;
        claim.actual = "nothing to compare";
        claim.detail = "neither surfaces nor joints could be paired";
    } else if (!drift.not_compared.empty()) {
        claim.pass = false;
        claim.detail = phrase("{} did not arrive point for point", some_of(drift.not_compared));
    }
    arrival.claims.push_back(std::move(claim));
    arrival.drift = std::move(drift);
}

/// How much larger than meant the engine shows what arrived, its own reading of the file's unit against its project's.
double engine_unit(const Destination& destination) {
    const Format* format = format_with_id(destination.container);
    const bool in_its_axes = format != nullptr && format->space != FileSpace::standard;
    return in_its_axes ? 1 : destination.axes.unit_m / destination.takes_files_as().unit_m;
}

/// A direction of what arrived as the engine has it once it has read the file.
Vec3 in_engine(const Vec3& of_core, const Destination& destination) {
    return place_in_engine(of_core, destination);
}

/// Where the character looks and where its left is, in the engine's axes.
void check_facing(const Scene& prepared, const Scene& arrived, const Destination& destination, Arrival& arrival) {
    const std::optional<Facing> facing = facing_of(prepared);
    const std::optional<Facing> faces = facing_of(arrived);
    if (!facing || !faces) {
        const bool same = facing.has_value() == faces.has_value();
        arrival.claims.push_back({"Faces", facing ? destination.axis_here(facing->axis) : "no side is named",
                                  faces ? destination.axis_here(faces->axis) : "no side is named", same,
                                  same ? "" : "it looks another way than Prepared"});
        return;
    }
    const auto left_of = [](Axis ahead) { return Vec3(Vec3::UnitY().cross(direction(ahead))); };
    const Mat3 wanted = linear_of(destination.axes.from_core());
    const Axis should = nearest_axis(wanted * direction(facing->axis));
    const Axis should_left = nearest_axis(wanted * left_of(facing->axis));
    const Axis is = nearest_axis(in_engine(direction(faces->axis), destination));
    const Axis is_left = nearest_axis(in_engine(left_of(faces->axis), destination));
    Claim claim{"Faces", std::string(axis_name(should)), std::string(axis_name(is)),
                should == is && should_left == is_left, ""};
    if (should != is) {
        claim.detail = phrase("{} would see it look along {}. Set “front in the file”, or how the engine reads files",
                              destination.name, axis_name(is));
    } else if (!claim.pass) {
        claim.detail =
            phrase("{} would see its left on its right: the engine's handedness is another one", destination.name);
    }
    arrival.claims.push_back(std::move(claim));
}

void check_height_and_facing(const Scene& prepared, const Scene& arrived, const Destination& destination,
                             Arrival& arrival) {
    const double should = height_m(prepared);
    // What the engine makes of the file's length, as long as it counts in its project's unit.
    const double is = height_m(arrived) * engine_unit(destination);
    const bool same = std::abs(should - is) <= 1e-5 * should + destination.drift_limit_mm / 1000;
    arrival.claims.push_back({"Height", phrase("{:.3f} m", should), destination.in_units(is), same,
                              same ? "" : phrase("{:.4f} m became {:.4f} m", should, is)});
    check_facing(prepared, arrived, destination, arrival);
}

/// Without the surfaces that stand for hulls: they are not seen, and may stand out above the head.
Scene without_hulls(const Scene& prepared, const Scene& conformed, const Scene& arrived) {
    Scene seen = arrived;
    for (const Node& node : conformed.nodes) {
        const int before = prepared.find_identity(node.identity);
        const int there = arrived.find_node(node.name);
        if (before >= 0 && there >= 0 && prepared.nodes[static_cast<size_t>(before)].hull >= 0) {
            seen.nodes[static_cast<size_t>(there)].mesh = -1;
        }
    }
    return seen;
}
} // namespace

void check_model(const Scene& prepared, const Scene& arrived, const Destination& destination, Arrival& arrival) {
    const Conformed conformed = conform_model(prepared, destination);
    check_height_and_facing(prepared,
                            prepared.hulls.empty() ? arrived : without_hulls(prepared, conformed.scene, arrived),
                            destination, arrival);
    check_root(prepared, arrived, destination, arrival);
    check_joints(prepared, arrived, destination, arrival);

    for (Claim& claim : compare_scenes(conformed.scene, arrived)) {
        arrival.claims.push_back(std::move(claim));
    }
    const auto most = [](const Scene& scene) {
        size_t influences = 0;
        for (const int node : surfaces_of(scene)) {
            influences = std::max(influences, scene.nodes[static_cast<size_t>(node)].influences.largest_row());
        }
        return influences;
    };
    const size_t prepared_influences = most(prepared);
    const size_t influences = most(arrived);
    const bool few = influences <= static_cast<size_t>(destination.influences);
    arrival.claims.push_back({"Influences", phrase("{}, limit {}", prepared_influences, destination.influences),
                              fmt::format("{}", influences), few, few ? "" : "more than the destination takes"});

    DriftRequest request;
    request.should = &prepared;
    request.is = &arrived;
    request.matching = Matching::name;
    check_drift(measure_drift(request), destination, arrival);
    settle_state(arrival);
}

namespace {

/// The surfaces of the arrived model under the hierarchy of the clip's own file, moved by the arrived clip. Nodes are
/// paired by name.
Scene put_together(const Scene& model, const Scene& arrived) {
    Scene scene = model;
    scene.clips.clear();
    std::vector<char> keyed(arrived.nodes.size(), 0);
    for (const Clip& clip : arrived.clips) {
        for (const Channel& channel : clip.channels) {
            keyed[static_cast<size_t>(channel.node)] |= channel.path == Path::weights ? 0 : 1;
        }
    }
    for (Node& node : scene.nodes) {
        const int other = arrived.find_node(node.name);
        if (other < 0) {
            continue;
        }
        const Node& there = arrived.nodes[static_cast<size_t>(other)];
        // A surface that only lends its shapes' names stands nowhere in the clip's file.
        if (there.mesh >= 0 && keyed[static_cast<size_t>(other)] == 0) {
            continue;
        }
        node.rest = there.rest;
        node.parent = there.parent < 0 ? -1 : model.find_node(arrived.nodes[static_cast<size_t>(there.parent)].name);
    }
    reorder_nodes(scene, sorted_order(scene.nodes));
    for (Clip clip : arrived.clips) {
        for (Channel& channel : clip.channels) {
            channel.node = scene.find_node(arrived.nodes[channel.node].name);
            if (channel.node >= 0 && channel.path == Path::weights) {
                const int mesh = scene.nodes[channel.node].mesh;
                if (mesh < 0 || static_cast<int>(scene.meshes[mesh].shapes.size()) != channel.width) {
                    channel.node = -1;
                }
            }
        }
        std::erase_if(clip.channels, [](const Channel& channel) { return channel.node < 0; });
        scene.clips.push_back(std::move(clip));
    }
    return scene;
}

} // namespace

namespace {
/// Of a clip that goes out with the keys it has: how many, and of which interpolation.
void check_keys(const Scene& should, const Scene& arrived, Arrival& arrival) {
    const auto said = [](const Scene& scene) {
        std::array<size_t, 3> channels{};
        size_t keys = 0;
        for (const Clip& clip : scene.clips) {
            for (const Channel& channel : clip.channels) {
                keys += channel.times.size();
                ++channels.at(static_cast<size_t>(channel.interpolation));
            }
        }
        return phrase("{} ({} cubic, {} stepped, {} linear)", counted(keys, "key"), channels[2], channels[0],
                      channels[1]);
    };
    const std::string wanted = said(should);
    const std::string is = said(arrived);
    arrival.claims.push_back({"Keys", wanted, is, wanted == is, wanted == is ? "" : "they are not those of Prepared"});
}
} // namespace

namespace {
/// How many keys are left of those at every frame.
void check_fewer_keys(const Clip& is, int frames, Arrival& arrival) {
    const size_t all = is.channels.size() * static_cast<size_t>(frames);
    size_t keys = 0;
    for (const Channel& channel : is.channels) {
        keys += channel.times.size();
    }
    arrival.claims.push_back({"Keys", phrase("at most {} (every frame)", all), fmt::format("{}", keys),
                              keys <= all && keys > 0, keys <= all ? "" : "more keys than frames"});
}
} // namespace

void check_clip(const Scene& prepared, const Clip& whole, const Scene& arrived, const Scene& model,
                const Destination& destination, Arrival& arrival) {
    const Clip clip = shown_part(whole, destination);
    const double rate = rate_for(whole, destination);
    const double seconds = seconds_in_file(clip, destination);
    check_root(prepared, arrived, destination, arrival);
    check_joints(prepared, arrived, destination, arrival);

    const int frames = static_cast<int>(std::ceil(clip.seconds * rate - 1e-3)) + 1;
    const Clip* is = arrived.clips.size() == 1 ? &arrived.clips[0] : nullptr;
    const int is_frames = is == nullptr ? 0 : static_cast<int>(std::ceil(is->seconds * rate - 1e-3)) + 1;
    Claim length{"Clip length", phrase("{:.3f} s, {} f", clip.seconds, frames),
                 is == nullptr ? "no clip" : phrase("{:.3f} s, {} f", is->seconds, is_frames), false, ""};
    const Format* format = format_with_id(destination.container);
    const bool holds_shapes = format != nullptr && has(format->writes, Content::shapes);
    const bool has_shapes = holds_shapes && destination.shapes != 0;
    const bool has_names = format != nullptr && has(format->writes, Content::clip_names);
    length.pass = is != nullptr && (!has_names || is->name == clip.name) && frames == is_frames &&
                  std::abs(is->seconds - seconds) < 1e-4;
    length.detail = length.pass ? "" : "another clip or another length arrived";
    arrival.claims.push_back(std::move(length));

    std::vector<std::string> should_shapes;
    std::vector<std::string> is_shapes;
    for (const Channel& channel : clip.channels) {
        if (channel.path == Path::weights) {
            for (const MorphTarget& shape : prepared.meshes[prepared.nodes[channel.node].mesh].shapes) {
                should_shapes.push_back(prepared.nodes[channel.node].name + "/" + shape.name);
            }
        }
    }
    for (const Channel& channel : is == nullptr ? std::vector<Channel>() : is->channels) {
        if (channel.path == Path::weights) {
            for (const MorphTarget& shape : arrived.meshes[arrived.nodes[channel.node].mesh].shapes) {
                is_shapes.push_back(arrived.nodes[channel.node].name + "/" + shape.name);
            }
        }
    }
    std::sort(should_shapes.begin(), should_shapes.end());
    std::sort(is_shapes.begin(), is_shapes.end());
    if (has_shapes) {
        arrival.claims.push_back({"Shapes moved", fmt::format("{}", should_shapes.size()),
                                  fmt::format("{}", is_shapes.size()), should_shapes == is_shapes,
                                  should_shapes == is_shapes ? "" : "other shapes arrived"});
    } else {
        arrival.claims.push_back({"Shapes moved", fmt::format("{}", should_shapes.size()),
                                  holds_shapes ? "the destination takes none" : "the container holds none", true, ""});
    }

    if (keeps_keys(destination)) {
        check_keys(conform_clip(prepared, whole, destination).scene, arrived, arrival);
    } else if (destination.clip_keys == ClipKeys::fewest && is != nullptr) {
        check_fewer_keys(*is, frames, arrival);
    }
    Clip held_against = clip;
    if (!has_shapes) {
        std::erase_if(held_against.channels, [](const Channel& channel) { return channel.path == Path::weights; });
    }
    auto together = std::make_shared<Scene>(put_together(model, arrived));
    if (is != nullptr && !together->clips.empty()) {
        together->clips[0].rate = rate;
        DriftRequest request;
        request.should = &prepared;
        request.should_clip = &held_against;
        request.is = together.get();
        request.is_clip = &together->clips[0];
        request.matching = Matching::name;
        request.rate = rate;
        request.frames = static_cast<int>(std::floor(clip.seconds * rate + 1e-3)) + 1;
        MotionRequest motion{&prepared, &held_against, &arrived, is, rate, request.frames, destination.drift_limit_mm};
        if (destination.clip_keys == ClipKeys::fewest) {
            // By which nothing that is a tenth of the whole away from a node moves farther than the limit.
            motion.limit_radians =
                std::max(motion.limit_radians, destination.drift_limit_mm / 1000 /
                                                   std::max(1e-6, 0.1 * whole_bounds(prepared).size().norm()));
        }
        Claim nodes = compare_node_motion(motion);
        if (joints_of(prepared).empty() && surfaces_of(prepared).empty() && nodes.compared > 0) {
            arrival.claims.push_back({"Drift", phrase("at most {:g} mm", destination.drift_limit_mm),
                                      "no joints, no surfaces: see its nodes", true, ""});
        } else {
            check_drift(measure_drift(request), destination, arrival);
        }
        arrival.claims.push_back(std::move(nodes));
        // What lies between the frames is the rate's to lose: measured and said, it holds nothing back.
        if (!lies_on_frames(held_against, rate)) {
            request.rate = moments_a_frame * rate;
            request.frames = static_cast<int>(std::floor(clip.seconds * request.rate + 1e-3)) + 1;
            arrival.between = measure_drift(request);
            arrival.between.per_frame_mm = {};
        }
    }
    arrival.scene = together;
    settle_state(arrival);
}

Vec3 place_in_engine(const Vec3& of_core, const Destination& destination) {
    const Format* format = format_with_id(destination.container);
    if (format == nullptr || format->space != FileSpace::standard) {
        return linear_of(destination.axes.from_core()) * of_core; // the file's numbers are the engine's
    }
    const Vec3 in_file = linear_of(file_space(*format, destination).from_core()) * of_core;
    return linear_of(destination.takes_files_as().from_core()) * in_file;
}

} // namespace wembrix
