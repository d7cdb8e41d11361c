#include "core/base/files.h"
#include "core/formats/obj/obj.h"
#include "core/measure/surface/deform.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <iterator>

namespace wembrix {

namespace {

std::string one_line(const std::string& name) {
    std::string text = name;
    std::replace_if(
        text.begin(), text.end(), [](char c) { return static_cast<unsigned char>(c) < 0x20; }, '_');
    return text;
}

/// Names of materials as they stand in both files: each once, none empty.
std::vector<std::string> material_names(const Scene& scene) {
    std::vector<std::string> names;
    for (const Material& material : scene.materials) {
        const std::string wanted = material.name.empty() ? "material" : one_line(material.name);
        std::string name = wanted;
        for (int number = 2; std::find(names.begin(), names.end(), name) != names.end(); ++number) {
            name = fmt::format("{}_{}", wanted, number);
        }
        names.push_back(name);
    }
    return names;
}

class ObjWriter {
  public:
    ObjWriter(const Scene& scene, const std::string& stem)
        : scene_(scene), stem_(stem), names_(material_names(scene)) {}

    std::vector<WrittenFile> run() {
        std::vector<WrittenFile> beside;
        std::string text;
        auto out = std::back_inserter(text);
        if (!scene_.materials.empty()) {
            fmt::format_to(out, "mtllib {}.mtl\n", stem_);
            std::string text_of_library = library(beside);
            beside.push_back({stem_ + ".mtl", std::move(text_of_library)});
            std::rotate(beside.begin(), beside.end() - 1, beside.end());
        }
        const Pose rest = Poser(scene_, nullptr).rest();
        for (const int surface : surfaces_of(scene_)) {
            add_surface(surface, rest, text);
        }
        std::vector<WrittenFile> files = {{stem_ + ".obj", std::move(text)}};
        files.insert(files.end(), std::make_move_iterator(beside.begin()), std::make_move_iterator(beside.end()));
        return files;
    }

  private:
    void add_surface(int surface, const Pose& rest, std::string& text) {
        const Node& node = scene_.nodes[static_cast<size_t>(surface)];
        const Mesh& mesh = scene_.meshes[static_cast<size_t>(node.mesh)];
        Deformer deformer(scene_, {surface});
        std::vector<Vec3f> places(deformer.point_count());
        std::vector<Vec3f> normals(deformer.point_count());
        deformer.points_and_normals(rest, places, normals);
        const auto attribute = [&](const char* name) {
            const auto found = std::find_if(mesh.attributes.begin(), mesh.attributes.end(),
                                            [&](const Attribute& one) { return one.name == name; });
            return found == mesh.attributes.end() ? nullptr : &*found;
        };
        const Attribute* coordinates = attribute("TEXCOORD_0");
        const Attribute* colours = attribute("COLOR_0");
        auto out = std::back_inserter(text);
        fmt::format_to(out, "o {}\n", one_line(node.name));
        for (size_t v = 0; v < places.size(); ++v) {
            fmt::format_to(out, "v {} {} {}", places[v].x(), places[v].y(), places[v].z());
            if (colours != nullptr && colours->width >= 3) {
                const float* c = &colours->data[v * static_cast<size_t>(colours->width)];
                fmt::format_to(out, " {} {} {}", c[0], c[1], c[2]);
            }
            text += '\n';
        }
        for (size_t v = 0; coordinates != nullptr && v < places.size(); ++v) {
            fmt::format_to(out, "vt {} {}\n", coordinates->data[2 * v], 1 - coordinates->data[2 * v + 1]);
        }
        for (size_t v = 0; !mesh.normals.empty() && v < places.size(); ++v) {
            fmt::format_to(out, "vn {} {} {}\n", normals[v].x(), normals[v].y(), normals[v].z());
        }
        const Mat3 turned = linear_of(rest.world[static_cast<size_t>(surface)]);
        const bool mirrored = node.skin < 0 && turned.determinant() < 0;
        for (const Primitive& primitive : mesh.primitives) {
            add_primitive(mesh, primitive, coordinates != nullptr, mirrored, text);
        }
        first_ += places.size();
        first_coordinates_ += coordinates != nullptr ? places.size() : 0;
        first_normal_ += mesh.normals.empty() ? 0 : places.size();
    }

    void add_primitive(const Mesh& mesh, const Primitive& primitive, bool has_coordinates, bool mirrored,
                       std::string& text) {
        auto out = std::back_inserter(text);
        if (primitive.material >= 0 && primitive.material < static_cast<int>(names_.size())) {
            fmt::format_to(out, "usemtl {}\n", names_[static_cast<size_t>(primitive.material)]);
            used_material_ = true;
        } else if (used_material_) {
            text += "usemtl\n"; // back to none
        }
        const bool coordinates = has_coordinates && std::find(primitive.attributes.begin(), primitive.attributes.end(),
                                                              "TEXCOORD_0") != primitive.attributes.end();
        const bool normals = primitive.has_normals && !mesh.normals.empty();
        const auto corner = [&](uint32_t v) {
            if (normals && coordinates) {
                fmt::format_to(out, " {}/{}/{}", first_ + v, first_coordinates_ + v, first_normal_ + v);
            } else if (normals) {
                fmt::format_to(out, " {}//{}", first_ + v, first_normal_ + v);
            } else if (coordinates) {
                fmt::format_to(out, " {}/{}", first_ + v, first_coordinates_ + v);
            } else {
                fmt::format_to(out, " {}", first_ + v);
            }
        };
        if (primitive.topology >= Topology::triangles) {
            for (std::array<uint32_t, 3> triangle : triangles_of(mesh, primitive)) {
                if (mirrored) {
                    std::swap(triangle[1], triangle[2]);
                }
                text += 'f';
                for (const uint32_t v : triangle) {
                    corner(v);
                }
                text += '\n';
            }
            return;
        }
        std::vector<uint32_t> order;
        for (uint32_t i = 0; i < primitive.index_count; ++i) {
            order.push_back(mesh.indices[primitive.first_index + i]);
        }
        for (uint32_t v = 0; primitive.index_count == 0 && v < primitive.point_count; ++v) {
            order.push_back(primitive.first_point + v);
        }
        if (primitive.topology == Topology::points) {
            for (const uint32_t v : order) {
                fmt::format_to(out, "p {}\n", first_ + v);
            }
            return;
        }
        const bool pairs = primitive.topology == Topology::lines;
        const size_t lines = pairs ? order.size() / 2 : order.size() - (primitive.topology == Topology::line_strip);
        for (size_t i = 0; i < lines && order.size() > 1; ++i) {
            const size_t from = pairs ? 2 * i : i;
            fmt::format_to(out, "l {} {}\n", first_ + order[from], first_ + order[(from + 1) % order.size()]);
        }
    }

    std::string image_file(int texture, std::vector<WrittenFile>& beside) {
        const int image = texture < 0 || texture >= static_cast<int>(scene_.textures.size())
                              ? -1
                              : scene_.textures[static_cast<size_t>(texture)].image;
        if (image < 0 || image >= static_cast<int>(scene_.images.size())) {
            return "";
        }
        const Image& from = scene_.images[static_cast<size_t>(image)];
        std::string name = fmt::format("{}_{}.{}", stem_, image, from.mime == "image/jpeg" ? "jpg" : "png");
        if (std::none_of(beside.begin(), beside.end(), [&](const WrittenFile& file) { return file.name == name; })) {
            beside.push_back({name, std::string(from.bytes.begin(), from.bytes.end())});
        }
        return name;
    }

    std::string library(std::vector<WrittenFile>& beside) {
        std::string text;
        auto out = std::back_inserter(text);
        for (size_t m = 0; m < scene_.materials.size(); ++m) {
            const Material& material = scene_.materials[m];
            const auto& base = material.base_colour;
            fmt::format_to(out, "newmtl {}\nKd {} {} {}\n", names_[m], base[0], base[1], base[2]);
            fmt::format_to(out, "Ke {} {} {}\n", material.emission[0], material.emission[1], material.emission[2]);
            fmt::format_to(out, "Pm {}\nPr {}\n", material.metalness, material.roughness);
            if (material.alpha_mode != AlphaMode::opaque) {
                fmt::format_to(out, "d {}\n", base[3]);
            }
            const auto map = [&](const char* key, const TextureUse& use) {
                const std::string file = image_file(use.texture, beside);
                if (!file.empty()) {
                    text += key;
                    if (use.offset != std::array<double, 2>{0, 0}) {
                        fmt::format_to(out, " -o {} {}", use.offset[0], -use.offset[1]);
                    }
                    if (use.scale != std::array<double, 2>{1, 1}) {
                        fmt::format_to(out, " -s {} {}", use.scale[0], use.scale[1]);
                    }
                    fmt::format_to(out, " {}\n", file);
                }
            };
            map("map_Kd", material.base_colour_texture);
            map("map_Ke", material.emission_texture);
            map("norm", material.normal_texture);
            map("map_Pr", material.metalness_roughness_texture);
            map("map_Pm", material.metalness_roughness_texture);
        }
        return text;
    }

    const Scene& scene_;
    const std::string& stem_;
    std::vector<std::string> names_;
    size_t first_ = 1;
    size_t first_coordinates_ = 1;
    size_t first_normal_ = 1;
    bool used_material_ = false;
};

} // namespace

Result<std::vector<WrittenFile>> write_obj(const Scene& scene, const std::string& stem, const nlohmann::json&) {
    return ObjWriter(scene, stem).run();
}

} // namespace wembrix
