#include "view/looks.h"

#include "core/formats/image/pixels.h"
#include "style/theme.h"

#include <QImage>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

namespace {

constexpr const char* vertex_source = R"(#version 330 core
layout(location = 0) in vec3 place;
layout(location = 1) in vec3 normal;
layout(location = 2) in vec2 coordinates;
layout(location = 3) in vec4 colour;
uniform mat4 view;
out vec3 turned;
out vec3 world;
out vec2 uv;
out vec4 paint;
void main() {
    world = place;
    turned = normal;
    uv = coordinates;
    paint = colour;
    gl_Position = view * vec4(place, 1.0);
})";

// Metalness and roughness after the glTF specification, appendix B: GGX, height-correlated Smith, Schlick.
constexpr const char* fragment_source = R"(#version 330 core
in vec3 turned;
in vec3 world;
in vec2 uv;
in vec4 paint;
uniform vec3 eye;
uniform vec3 light;
uniform vec4 base_colour;
uniform vec3 emission_colour;
uniform float metalness;
uniform float roughness;
uniform float normal_scale;
uniform float occlusion_strength;
uniform float cutoff;
uniform bool has_base, has_metalness_roughness, has_normal, has_occlusion, has_emission;
uniform sampler2D base, metalness_roughness, normal_map, occlusion, emission;
uniform mat3 base_turned, metalness_roughness_turned, normal_turned, occlusion_turned, emission_turned;
out vec4 shown;
vec2 at(mat3 turn) { return (turn * vec3(uv, 1.0)).xy; }
vec3 bumped(vec3 n, vec2 t) {
    // A frame from how place and coordinates change over the screen.
    vec3 dx = dFdx(world), dy = dFdy(world);
    vec2 tx = dFdx(t), ty = dFdy(t);
    vec3 across = cross(dy, n), along = cross(n, dx);
    vec3 tangent = across * tx.x + along * ty.x, bitangent = across * tx.y + along * ty.y;
    float size = max(dot(tangent, tangent), dot(bitangent, bitangent));
    if (size <= 0.0) return n;
    vec3 m = texture(normal_map, t).xyz * 2.0 - 1.0;
    m.xy *= normal_scale;
    // Images hold their first row first, so the second coordinate grows downwards.
    return normalize(mat3(tangent * inversesqrt(size), -bitangent * inversesqrt(size), n) * m);
}
void main() {
    vec3 n = normalize(length(turned) > 0.0 ? turned : cross(dFdx(world), dFdy(world)));
    vec3 v = normalize(eye - world);
    n = dot(n, v) < 0.0 ? -n : n;
    vec4 colour = base_colour * paint;
    if (has_base) colour *= texture(base, at(base_turned));
    if (colour.a < cutoff) discard;
    float metal = metalness, rough = roughness;
    if (has_metalness_roughness) {
        vec4 m = texture(metalness_roughness, at(metalness_roughness_turned));
        metal *= m.b;
        rough *= m.g;
    }
    if (has_normal) n = bumped(n, at(normal_turned));
    float shade = has_occlusion ? 1.0 + occlusion_strength * (texture(occlusion, at(occlusion_turned)).r - 1.0) : 1.0;
    vec3 glow = emission_colour;
    if (has_emission) glow *= texture(emission, at(emission_turned)).rgb;
    vec3 h = normalize(v + light);
    float nl = max(dot(n, light), 0.0), nv = max(dot(n, v), 0.001), nh = max(dot(n, h), 0.0), vh = max(dot(v, h), 0.0);
    float a = max(rough * rough, 0.002);
    float d = nh * nh * (a * a - 1.0) + 1.0;
    float spread = a * a / (3.14159265 * d * d);
    float masked = 0.5 / max(nl * sqrt(nv * nv * (1.0 - a * a) + a * a) + nv * sqrt(nl * nl * (1.0 - a * a) + a * a), 1e-5);
    vec3 f0 = mix(vec3(0.04), colour.rgb, metal);
    vec3 f = f0 + (1.0 - f0) * pow(1.0 - vh, 5.0);
    vec3 diffuse = mix(colour.rgb, vec3(0.0), metal) / 3.14159265;
    vec3 lit = ((1.0 - f) * diffuse + f * spread * masked) * nl * 2.6;
    // What comes from everywhere: more from above; a smooth metal shows some of it as well.
    float sky = 0.55 + 0.45 * n.y;
    lit += (diffuse * 1.35 + f0 * mix(0.5, 0.2, rough)) * sky * shade;
    lit += glow;
    shown = vec4(pow(clamp(lit, 0.0, 1.0), vec3(1.0 / 2.2)), colour.a);
})";

void fill(QOpenGLExtraFunctions& gl, QOpenGLBuffer& buffer, const float* values, size_t count, GLuint place,
          int width) {
    buffer.bind();
    buffer.allocate(values, static_cast<int>(count * static_cast<size_t>(width) * sizeof(float)));
    gl.glEnableVertexAttribArray(place);
    gl.glVertexAttribPointer(place, width, GL_FLOAT, GL_FALSE, 0, nullptr);
}

const Attribute* attribute_of(const Mesh& mesh, const std::string& name) {
    const auto found = std::find_if(mesh.attributes.begin(), mesh.attributes.end(),
                                    [&](const Attribute& one) { return one.name == name; });
    return found == mesh.attributes.end() ? nullptr : &*found;
}

QOpenGLTexture::WrapMode wrap_of(Wrap wrap) {
    return wrap == Wrap::clamp    ? QOpenGLTexture::ClampToEdge
           : wrap == Wrap::mirror ? QOpenGLTexture::MirroredRepeat
                                  : QOpenGLTexture::Repeat;
}

} // namespace

void Looks::make(QOpenGLExtraFunctions&) {
    program_ = std::make_unique<QOpenGLShaderProgram>();
    program_->addShaderFromSourceCode(QOpenGLShader::Vertex, vertex_source);
    program_->addShaderFromSourceCode(QOpenGLShader::Fragment, fragment_source);
    program_->link();
    array_.create();
    for (QOpenGLBuffer* buffer : {&points_, &normals_, &coordinates_, &colours_, &triangles_}) {
        buffer->create();
    }
}

void Looks::destroy() {
    textures_.clear();
    texture_of_.clear();
    program_.reset();
    array_.destroy();
    for (QOpenGLBuffer* buffer : {&points_, &normals_, &coordinates_, &colours_, &triangles_}) {
        buffer->destroy();
    }
}

namespace {
/// Qt alone knows no WebP.
QImage picture_of(const Image& image) {
    const QImage known = QImage::fromData(image.bytes.data(), static_cast<int>(image.bytes.size()));
    if (!known.isNull()) {
        return known.convertToFormat(QImage::Format_RGBA8888);
    }
    const Result<Pixels> pixels = decode_image(image.bytes.get());
    if (!pixels) {
        return {};
    }
    const bool alpha = pixels->channels == 4;
    return QImage(pixels->samples.data(), static_cast<int>(pixels->width), static_cast<int>(pixels->height),
                  static_cast<qsizetype>(pixels->width) * pixels->channels,
                  alpha ? QImage::Format_RGBA8888 : QImage::Format_RGB888)
        .convertToFormat(QImage::Format_RGBA8888); // a copy of its own
}
} // namespace

Looks::Use Looks::use_of(const Scene& scene, const TextureUse& from, bool is_colour) {
    Use use;
    if (from.texture < 0 || scene.textures[static_cast<size_t>(from.texture)].image < 0) {
        return use;
    }
    const Texture& texture = scene.textures[static_cast<size_t>(from.texture)];
    const auto known = std::find(texture_of_.begin(), texture_of_.end(), std::pair(from.texture, is_colour));
    if (known != texture_of_.end()) {
        use.texture = static_cast<int>(known - texture_of_.begin());
    } else {
        const Image& image = scene.images[static_cast<size_t>(texture.image)];
        const QImage pixels = picture_of(image);
        if (pixels.isNull()) {
            ++undecoded_;
            return use;
        }
        auto made = std::make_unique<QOpenGLTexture>(QOpenGLTexture::Target2D);
        made->setFormat(is_colour ? QOpenGLTexture::SRGB8_Alpha8 : QOpenGLTexture::RGBA8_UNorm);
        made->setSize(pixels.width(), pixels.height());
        made->setMipLevels(made->maximumMipLevels());
        made->allocateStorage(QOpenGLTexture::RGBA, QOpenGLTexture::UInt8);
        made->setData(QOpenGLTexture::RGBA, QOpenGLTexture::UInt8, pixels.constBits());
        made->generateMipMaps();
        made->setMinMagFilters(QOpenGLTexture::LinearMipMapLinear, QOpenGLTexture::Linear);
        if (texture.sampler >= 0) {
            const Sampler& sampler = scene.samplers[static_cast<size_t>(texture.sampler)];
            made->setWrapMode(QOpenGLTexture::DirectionS, wrap_of(sampler.wrap_u));
            made->setWrapMode(QOpenGLTexture::DirectionT, wrap_of(sampler.wrap_v));
        }
        use.texture = static_cast<int>(textures_.size());
        textures_.push_back(std::move(made));
        texture_of_.emplace_back(from.texture, is_colour);
    }
    const auto c = static_cast<float>(std::cos(from.rotation));
    const auto s = static_cast<float>(std::sin(from.rotation));
    const auto w = static_cast<float>(from.scale[0]);
    const auto h = static_cast<float>(from.scale[1]);
    const float rows[] = {
        c * w, s * h, static_cast<float>(from.offset[0]), -s * w, c * h, static_cast<float>(from.offset[1]), 0, 0, 1};
    use.turned = QMatrix3x3(rows);
    return use;
}

void Looks::put_shape(QOpenGLExtraFunctions& gl, const PosedScene& posed) {
    const Scene& scene = posed.scene();
    textures_.clear();
    texture_of_.clear();
    slots_.clear();
    materials_.clear();
    undecoded_ = 0;
    for (const Material& from : scene.materials) {
        Surface to;
        to.base = use_of(scene, from.base_colour_texture, true);
        to.metalness_roughness = use_of(scene, from.metalness_roughness_texture, false);
        to.normal = use_of(scene, from.normal_texture, false);
        to.occlusion = use_of(scene, from.occlusion_texture, false);
        to.emission = use_of(scene, from.emission_texture, true);
        const auto f = [](double value) { return static_cast<float>(value); };
        to.base_colour = {f(from.base_colour[0]), f(from.base_colour[1]), f(from.base_colour[2]),
                          f(from.base_colour[3])};
        to.emission_colour = {f(from.emission[0]), f(from.emission[1]), f(from.emission[2])};
        to.metalness = f(from.metalness);
        to.roughness = f(from.roughness);
        to.normal_scale = f(from.normal_scale);
        to.occlusion_strength = f(from.occlusion_strength);
        to.cutoff = from.alpha_mode == AlphaMode::mask ? f(from.alpha_cutoff) : -1;
        to.blended = from.alpha_mode == AlphaMode::blend;
        to.double_sided = from.double_sided;
        materials_.push_back(to);
    }
    Surface plain;
    plain.base_colour = {0.6F, 0.6F, 0.6F, 1};
    materials_.push_back(plain);
    std::vector<float> coordinates(posed.points().size() * 2, 0);
    std::vector<float> colours(posed.points().size() * 4, 1);
    std::vector<uint32_t> triangles;
    for (const Deformer::Surface& surface : posed.surfaces()) {
        const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface.node)].mesh)];
        if (const Attribute* from = attribute_of(mesh, "TEXCOORD_0"); from != nullptr && from->width == 2) {
            std::copy(from->data.begin(), from->data.end(),
                      coordinates.begin() + static_cast<ptrdiff_t>(surface.first * 2));
        }
        if (const Attribute* from = attribute_of(mesh, "COLOR_0"); from != nullptr && from->width >= 3) {
            for (size_t v = 0; v < surface.count; ++v) {
                for (size_t k = 0; k < static_cast<size_t>(std::min(4, from->width)); ++k) {
                    colours[(surface.first + v) * 4 + k] = from->data[v * static_cast<size_t>(from->width) + k];
                }
            }
        }
        for (size_t p = 0; p < mesh.primitives.size(); ++p) {
            Slot slot{surface.node, static_cast<int>(p), static_cast<int>(triangles.size()), 0,
                      mesh.primitives[p].material};
            for (const auto& triangle : triangles_of(mesh, mesh.primitives[p])) {
                for (const uint32_t corner : triangle) {
                    triangles.push_back(static_cast<uint32_t>(surface.first + corner));
                }
            }
            slot.count = static_cast<int>(triangles.size()) - slot.first;
            slots_.push_back(slot);
        }
    }
    const auto is_blended = [&](const Slot& slot) {
        return slot.material >= 0 && materials_[static_cast<size_t>(slot.material)].blended;
    };
    std::stable_partition(slots_.begin(), slots_.end(), [&](const Slot& slot) { return !is_blended(slot); });
    array_.bind();
    fill(gl, coordinates_, coordinates.data(), posed.points().size(), 2, 2);
    fill(gl, colours_, colours.data(), posed.points().size(), 3, 4);
    triangles_.bind();
    triangles_.allocate(triangles.data(), static_cast<int>(triangles.size() * sizeof(uint32_t)));
    array_.release();
}

void Looks::put_pose(QOpenGLExtraFunctions& gl, const PosedScene& posed) {
    array_.bind();
    fill(gl, points_, posed.points().empty() ? nullptr : posed.points()[0].data(), posed.points().size(), 0, 3);
    fill(gl, normals_, posed.normals().empty() ? nullptr : posed.normals()[0].data(), posed.normals().size(), 1, 3);
    array_.release();
}

void Looks::bind(const Use& use, int unit, const char* name) {
    const QByteArray id(name);
    program_->setUniformValue(QByteArray("has_" + (id == "normal_map" ? QByteArray("normal") : id)).constData(),
                              use.texture >= 0);
    program_->setUniformValue(name, unit);
    if (use.texture >= 0) {
        textures_[static_cast<size_t>(use.texture)]->bind(static_cast<uint>(unit));
        program_->setUniformValue(QByteArray((id == "normal_map" ? QByteArray("normal") : id) + "_turned").constData(),
                                  use.turned);
    }
}

void Looks::draw(QOpenGLExtraFunctions& gl, const Projection& p, const Vec3& light, int only_node, int only_slot) {
    const auto v = [](const Vec3& from) {
        return QVector3D(static_cast<float>(from.x()), static_cast<float>(from.y()), static_cast<float>(from.z()));
    };
    gl.glEnable(GL_DEPTH_TEST);
    gl.glDepthMask(GL_TRUE);
    gl.glClear(GL_DEPTH_BUFFER_BIT);
    array_.bind();
    triangles_.bind();
    program_->bind();
    program_->setUniformValue("view", p.matrix);
    program_->setUniformValue("eye", v(p.eye));
    program_->setUniformValue("light", v(light));
    for (const Slot& slot : slots_) {
        if (slot.count == 0 || (only_node >= 0 && (slot.node != only_node || slot.slot != only_slot))) {
            continue;
        }
        const Surface& of = slot.material < 0 ? materials_.back() : materials_[static_cast<size_t>(slot.material)];
        program_->setUniformValue("base_colour", of.base_colour);
        program_->setUniformValue("emission_colour", of.emission_colour);
        program_->setUniformValue("metalness", of.metalness);
        program_->setUniformValue("roughness", of.roughness);
        program_->setUniformValue("normal_scale", of.normal_scale);
        program_->setUniformValue("occlusion_strength", of.occlusion_strength);
        program_->setUniformValue("cutoff", of.cutoff);
        bind(of.base, 0, "base");
        bind(of.metalness_roughness, 1, "metalness_roughness");
        bind(of.normal, 2, "normal_map");
        bind(of.occlusion, 3, "occlusion");
        bind(of.emission, 4, "emission");
        if (of.blended) {
            gl.glEnable(GL_BLEND);
            gl.glBlendFunc(GL_SRC_ALPHA, GL_ONE_MINUS_SRC_ALPHA);
        } else {
            gl.glDisable(GL_BLEND);
        }
        if (of.double_sided) {
            gl.glDisable(GL_CULL_FACE);
        } else {
            gl.glEnable(GL_CULL_FACE);
            gl.glCullFace(GL_BACK);
        }
        gl.glDrawElements(GL_TRIANGLES, slot.count, GL_UNSIGNED_INT,
                          reinterpret_cast<const void*>(static_cast<size_t>(slot.first) * sizeof(uint32_t)));
    }
    program_->release();
    array_.release();
    gl.glDisable(GL_CULL_FACE);
    gl.glDisable(GL_DEPTH_TEST);
    gl.glEnable(GL_BLEND);
    gl.glClear(GL_DEPTH_BUFFER_BIT);
    gl.glActiveTexture(GL_TEXTURE0);
}

} // namespace wembrix::app
