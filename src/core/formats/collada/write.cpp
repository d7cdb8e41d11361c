#include "core/base/latin.h"
#include "core/formats/collada/collada.h"
#include "core/formats/collada/sources.h"
#include "core/formats/collada/write_parts.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix {

namespace collada {

std::string own_id(Writing& writing, const std::string& name, const char* kind) {
    std::string made;
    for (const char c : in_latin(name)) {
        const bool is_plain = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') || c == '_' ||
                              c == '-' || c == '.';
        made += is_plain ? c : '_';
    }
    const bool begins_well = !made.empty() && !(made[0] >= '0' && made[0] <= '9') && made[0] != '-' && made[0] != '.';
    made = made.empty() ? kind : begins_well ? made : "_" + made;
    std::string own = made;
    for (int number = 2; !writing.taken.insert(own).second; ++number) {
        own = fmt::format("{}_{}", made, number);
    }
    return own;
}

namespace {

Eigen::Matrix<double, 4, 4, Eigen::RowMajor> in_rows(const Transform& place) {
    return place.matrix();
}

void extra(XmlText& xml, const char* name, const std::string& json) {
    xml.open("extra");
    xml.open("technique", {{"profile", "wembrix"}});
    xml.words(name, json);
    xml.close();
    xml.close();
}

void write_asset(Writing& writing, const AxisSystem& space) {
    XmlText& xml = writing.xml;
    xml.open("asset");
    xml.open("contributor");
    xml.words("authoring_tool", "Wembrix");
    if (!writing.scene.copyright.empty()) {
        xml.words("copyright", writing.scene.copyright);
    }
    xml.close();
    // The schema asks for both; the same scene gives the same bytes whenever it is written.
    xml.words("created", "1970-01-01T00:00:00Z");
    xml.words("modified", "1970-01-01T00:00:00Z");
    xml.empty("unit", {{"meter", fmt::format("{}", space.unit_m)},
                       {"name", space.unit_m == 1      ? "meter"
                                : space.unit_m == 0.01 ? "centimeter"
                                                       : "unit"}});
    xml.words("up_axis", space.up == Axis::pos_z ? "Z_UP" : "Y_UP");
    if (!writing.scene.asset.extras.empty()) {
        extra(xml, "about", writing.scene.asset.extras);
    }
    xml.close();
}

/// The topmost joints over a skin's.
std::vector<int> roots_of(const Scene& scene, const Skin& skin) {
    std::vector<int> roots;
    for (const int joint : skin.joints) {
        int top = joint;
        for (int n = joint; n >= 0; n = scene.nodes[static_cast<size_t>(n)].parent) {
            top = scene.nodes[static_cast<size_t>(n)].kind == NodeKind::joint ? n : top;
        }
        if (std::find(roots.begin(), roots.end(), top) == roots.end()) {
            roots.push_back(top);
        }
    }
    return roots;
}

void bind_materials(Writing& writing, const Mesh& mesh) {
    XmlText& xml = writing.xml;
    std::vector<int> bound;
    for (const Primitive& part : mesh.primitives) {
        if (part.material >= 0 && std::find(bound.begin(), bound.end(), part.material) == bound.end()) {
            bound.push_back(part.material);
        }
    }
    if (bound.empty()) {
        return;
    }
    xml.open("bind_material");
    xml.open("technique_common");
    for (const int material : bound) {
        const std::string& id = writing.material_ids[static_cast<size_t>(material)];
        xml.open("instance_material", {{"symbol", id}, {"target", "#" + id}});
        for (const Attribute& one : mesh.attributes) {
            if (one.name.starts_with("TEXCOORD_")) {
                xml.empty("bind_vertex_input",
                          {{"semantic", one.name}, {"input_semantic", "TEXCOORD"}, {"input_set", one.name.substr(9)}});
            }
        }
        xml.close();
    }
    xml.close();
    xml.close();
}

void write_surface(Writing& writing, size_t n) {
    const Node& node = writing.scene.nodes[n];
    XmlText& xml = writing.xml;
    const Mesh& mesh = writing.scene.meshes[static_cast<size_t>(node.mesh)];
    if (!writing.skin_ids[n].empty() || !writing.morph_ids[n].empty()) {
        const bool is_skinned = !writing.skin_ids[n].empty();
        xml.open("instance_controller", {{"url", "#" + (is_skinned ? writing.skin_ids[n] : writing.morph_ids[n])}});
        if (is_skinned) {
            for (const int root : roots_of(writing.scene, writing.scene.skins[static_cast<size_t>(node.skin)])) {
                xml.words("skeleton", "#" + writing.node_ids[static_cast<size_t>(root)]);
            }
        }
    } else {
        xml.open("instance_geometry", {{"url", "#" + writing.mesh_ids[static_cast<size_t>(node.mesh)]}});
    }
    bind_materials(writing, mesh);
    xml.close();
}

void write_nodes(Writing& writing) {
    const Scene& scene = writing.scene;
    std::vector<std::vector<size_t>> children(scene.nodes.size());
    std::vector<size_t> waiting; // a node, or beyond all nodes: one to close
    for (size_t n = scene.nodes.size(); n-- > 0;) {
        if (scene.nodes[n].parent >= 0) {
            children[static_cast<size_t>(scene.nodes[n].parent)].push_back(n);
        } else {
            waiting.push_back(n);
        }
    }
    XmlText& xml = writing.xml;
    while (!waiting.empty()) {
        const size_t n = waiting.back();
        waiting.pop_back();
        if (n >= scene.nodes.size()) {
            const Node& node = scene.nodes[n - scene.nodes.size()];
            if (!node.carried.extras.empty()) {
                extra(xml, "extras", node.carried.extras);
            }
            xml.close();
            continue;
        }
        const Node& node = scene.nodes[n];
        xml.open("node", {{"id", writing.node_ids[n]},
                          {"sid", writing.node_ids[n]},
                          {"name", node.name},
                          {"type", node.kind == NodeKind::joint ? "JOINT" : "NODE"}});
        xml.numbers("matrix", in_rows(node.rest).reshaped<Eigen::RowMajor>(), {{"sid", "transform"}});
        if (node.camera >= 0) {
            xml.empty("instance_camera", {{"url", "#" + writing.camera_ids[static_cast<size_t>(node.camera)]}});
        }
        if (node.mesh >= 0) {
            write_surface(writing, n);
        }
        if (node.light >= 0) {
            xml.empty("instance_light", {{"url", "#" + writing.light_ids[static_cast<size_t>(node.light)]}});
        }
        waiting.push_back(n + scene.nodes.size());
        waiting.insert(waiting.end(), children[n].begin(), children[n].end());
    }
}

void write_track(XmlText& xml, const std::string& id, const std::vector<double>& times,
                 const std::vector<double>& values, const char* param, bool is_stepped, const std::string& target) {
    xml.open("animation", {{"id", id}});
    write_source(xml, id + "-times", times, 1, {"TIME"});
    write_source(xml, id + "-values", values, values.size() / times.size(), {param});
    write_words(xml, id + "-kinds", std::vector<std::string>(times.size(), is_stepped ? "STEP" : "LINEAR"), false,
                "INTERPOLATION");
    xml.open("sampler", {{"id", id + "-sampler"}});
    xml.empty("input", {{"semantic", "INPUT"}, {"source", "#" + id + "-times"}});
    xml.empty("input", {{"semantic", "OUTPUT"}, {"source", "#" + id + "-values"}});
    xml.empty("input", {{"semantic", "INTERPOLATION"}, {"source", "#" + id + "-kinds"}});
    xml.close();
    xml.empty("channel", {{"source", "#" + id + "-sampler"}, {"target", target}});
    xml.close();
}

} // namespace

void write_clip(Writing& writing) {
    const Scene& scene = writing.scene;
    if (scene.clips.empty() || scene.clips.front().channels.empty()) {
        return;
    }
    const Clip& clip = scene.clips.front();
    const BakedClip baked = bake_tracks(clip);
    std::vector<double> times;
    for (int f = 0; f < baked.frames; ++f) {
        times.push_back(f / baked.rate);
    }
    XmlText& xml = writing.xml;
    std::vector<std::string> ids;
    xml.open("library_animations");
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        const auto node = static_cast<int>(n);
        const BakedTrack* moves = baked.find(node, Path::translation);
        const BakedTrack* turns = baked.find(node, Path::rotation);
        const BakedTrack* scales = baked.find(node, Path::scale);
        if (moves != nullptr || turns != nullptr || scales != nullptr) {
            bool is_stepped = true;
            for (const BakedTrack* track : {moves, turns, scales}) {
                is_stepped = is_stepped && (track == nullptr || track->stepped);
            }
            std::vector<double> values;
            for (int f = 0; f < baked.frames; ++f) {
                Transform place = scene.nodes[n].rest;
                if (moves != nullptr) {
                    place.translation = Eigen::Map<const Vec3f>(moves->at(f)).cast<double>();
                }
                if (turns != nullptr) {
                    place.rotation.coeffs() = Eigen::Map<const Vec4f>(turns->at(f)).cast<double>().normalized();
                }
                if (scales != nullptr) {
                    place.scale = Eigen::Map<const Vec3f>(scales->at(f)).cast<double>();
                }
                const auto rows = in_rows(place);
                values.insert(values.end(), rows.data(), rows.data() + 16);
            }
            ids.push_back(own_id(writing, writing.node_ids[n] + "-moves", "animation"));
            write_track(xml, ids.back(), times, values, "TRANSFORM", is_stepped, writing.node_ids[n] + "/transform");
        }
        const BakedTrack* weights = baked.find(node, Path::weights);
        for (int s = 0; weights != nullptr && !writing.morph_ids[n].empty() && s < weights->width; ++s) {
            std::vector<double> values;
            for (int f = 0; f < baked.frames; ++f) {
                values.push_back(static_cast<double>(weights->at(f)[s]));
            }
            ids.push_back(own_id(writing, fmt::format("{}-shape-{}", writing.node_ids[n], s), "animation"));
            write_track(xml, ids.back(), times, values, "MORPH_WEIGHT", weights->stepped,
                        fmt::format("{}-weights({})", writing.morph_ids[n], s));
        }
    }
    xml.close();
    xml.open("library_animation_clips");
    xml.open("animation_clip", {{"id", own_id(writing, clip.name, "clip")},
                                {"name", clip.name},
                                {"start", "0"},
                                {"end", fmt::format("{}", times.empty() ? 0 : times.back())}});
    for (const std::string& id : ids) {
        xml.empty("instance_animation", {{"url", "#" + id}});
    }
    extra(xml, "rate", fmt::format("{}", clip.rate));
    xml.close();
    xml.close();
}

} // namespace collada

Result<std::vector<WrittenFile>> write_collada(const Scene& scene, const std::string& stem, const AxisSystem& space) {
    if (space.up != Axis::pos_y && space.up != Axis::pos_z) {
        return Problem{"COLLADA is written with Y or Z for the axis that is up.", "",
                       "Choose +Y or +Z for the destination."};
    }
    collada::Writing writing{scene, stem};
    for (const Node& node : scene.nodes) {
        writing.node_ids.push_back(collada::own_id(writing, node.name, "node"));
    }
    collada::XmlText& xml = writing.xml;
    xml.open("COLLADA", {{"xmlns", "http://www.collada.org/2005/11/COLLADASchema"}, {"version", "1.4.1"}});
    collada::write_asset(writing, space);
    collada::write_optics(writing);
    collada::write_materials(writing);
    collada::write_geometries(writing);
    collada::write_controllers(writing);
    collada::write_clip(writing);
    xml.open("library_visual_scenes");
    const std::string shown = collada::own_id(writing, stem + "-scene", "scene");
    xml.open("visual_scene", {{"id", shown}, {"name", stem}});
    collada::write_nodes(writing);
    xml.close();
    xml.close();
    xml.open("scene");
    xml.empty("instance_visual_scene", {{"url", "#" + shown}});
    xml.close();
    xml.close();
    std::vector<WrittenFile> files = {{stem + ".dae", xml.take()}};
    std::move(writing.files.begin(), writing.files.end(), std::back_inserter(files));
    return files;
}

} // namespace wembrix
