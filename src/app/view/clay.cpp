#include "view/clay.h"

#include "style/theme.h"

#include <QVector4D>
#include <algorithm>

namespace wembrix::app {

namespace {

constexpr const char* clay_vertex = R"(#version 330 core
layout(location = 0) in vec3 place;
layout(location = 1) in vec3 normal;
layout(location = 2) in vec3 colour;
uniform mat4 view;
uniform mat4 model;
out vec3 turned;
out vec3 paint;
out vec3 world;
void main() {
    vec4 at = model * vec4(place, 1.0);
    world = at.xyz;
    turned = mat3(model) * normal;
    paint = colour;
    gl_Position = view * at;
})";

constexpr const char* clay_fragment = R"(#version 330 core
in vec3 turned;
in vec3 paint;
in vec3 world;
uniform vec3 eye;
uniform vec3 key;
uniform vec3 clay;
uniform vec3 edge;
uniform vec3 tint;
uniform float tinted;
uniform float clayed;
uniform float opacity;
out vec4 shown;
void main() {
    vec3 n = normalize(length(turned) > 0.0 ? turned : cross(dFdx(world), dFdy(world)));
    vec3 to_eye = normalize(eye - world);
    n = dot(n, to_eye) < 0.0 ? -n : n;
    float wrap = clamp((dot(n, key) + 0.35) / 1.35, 0.0, 1.0);
    float sky = 0.5 + 0.5 * n.y;
    vec3 base = mix(clay, paint, 1.0 - 0.22 * clayed);
    base = mix(base, tint, tinted);
    vec3 lit = base * (0.34 + 0.22 * sky + 0.58 * wrap);
    float facing = dot(n, to_eye);
    float rim = smoothstep(0.0, 0.34, facing);
    shown = vec4(mix(mix(edge, lit, 0.35), lit, rim), opacity);
})";

// The ink edge: the back of the surface, grown by some pixels.
constexpr const char* ink_vertex = R"(#version 330 core
layout(location = 0) in vec3 place;
layout(location = 1) in vec3 normal;
uniform mat4 view;
uniform mat4 model;
uniform vec2 grow;
void main() {
    vec4 at = view * model * vec4(place, 1.0);
    vec4 out_there = view * model * vec4(place + normal * 0.001, 1.0);
    vec2 outward = out_there.xy / out_there.w - at.xy / at.w;
    float size = length(outward);
    if (size > 0.0) at.xy += outward / size * grow * at.w;
    gl_Position = at;
})";

constexpr const char* ink_fragment = R"(#version 330 core
uniform vec3 edge;
out vec4 shown;
void main() { shown = vec4(edge, 1.0); })";

// What is above the ground, laid down on it along a lamp's light; what is below it has no shadow there.
constexpr const char* shadow_vertex = R"(#version 330 core
layout(location = 0) in vec3 place;
uniform mat4 view;
uniform float ground;
uniform vec2 slant;
out float above;
void main() {
    above = place.y - ground;
    vec3 at = place + vec3(slant.x * above, -above, slant.y * above);
    gl_Position = view * vec4(at, 1.0);
})";

constexpr const char* shadow_fragment = R"(#version 330 core
in float above;
uniform vec4 dark;
uniform float unit;
out vec4 shown;
void main() {
    if (above < 0.0) discard;
    shown = vec4(dark.rgb, dark.a * (1.0 - 0.6 * clamp(above / unit, 0.0, 1.0)));
})";

QVector3D three(const QColor& colour) {
    return {static_cast<float>(colour.redF()), static_cast<float>(colour.greenF()), static_cast<float>(colour.blueF())};
}

std::unique_ptr<QOpenGLShaderProgram> program(const char* vertex, const char* fragment) {
    auto made = std::make_unique<QOpenGLShaderProgram>();
    made->addShaderFromSourceCode(QOpenGLShader::Vertex, vertex);
    made->addShaderFromSourceCode(QOpenGLShader::Fragment, fragment);
    made->link();
    return made;
}

} // namespace

void ClayPrograms::make() {
    clay = program(clay_vertex, clay_fragment);
    ink = program(ink_vertex, ink_fragment);
    shadow = program(shadow_vertex, shadow_fragment);
}

void Clay::make(QOpenGLExtraFunctions&) {
    array_.create();
    points_.create();
    normals_.create();
    colours_.create();
    triangles_.create();
}

void Clay::destroy() {
    array_.destroy();
    points_.destroy();
    normals_.destroy();
    colours_.destroy();
    triangles_.destroy();
}

namespace {

void fill(QOpenGLExtraFunctions& gl, QOpenGLBuffer& buffer, const std::vector<Vec3f>& values, GLuint place,
          QOpenGLBuffer::UsagePattern usage) {
    buffer.bind();
    buffer.setUsagePattern(usage);
    buffer.allocate(values.data(), static_cast<int>(values.size() * sizeof(Vec3f)));
    gl.glEnableVertexAttribArray(place);
    gl.glVertexAttribPointer(place, 3, GL_FLOAT, GL_FALSE, sizeof(Vec3f), nullptr);
}

} // namespace

void Clay::put_shape(QOpenGLExtraFunctions& gl, const PosedScene& posed) {
    array_.bind();
    fill(gl, colours_, posed.colours(), 2, QOpenGLBuffer::StaticDraw);
    triangles_.bind();
    count_ = static_cast<int>(posed.triangles().size());
    triangles_.allocate(posed.triangles().data(), static_cast<int>(posed.triangles().size() * sizeof(uint32_t)));
    array_.release();
}

void Clay::put_pose(QOpenGLExtraFunctions& gl, const PosedScene& posed) {
    array_.bind();
    fill(gl, points_, posed.points(), 0, QOpenGLBuffer::StreamDraw);
    fill(gl, normals_, posed.normals(), 1, QOpenGLBuffer::StreamDraw);
    array_.release();
}

void Clay::put_colours(QOpenGLExtraFunctions& gl, const std::vector<Vec3f>& colours) {
    array_.bind();
    fill(gl, colours_, colours, 2, QOpenGLBuffer::StreamDraw);
    array_.release();
}

void Clay::draw_ink(QOpenGLExtraFunctions& gl, QOpenGLShaderProgram& ink, const Projection& p,
                    const QMatrix4x4& model) {
    const Theme& l = theme();
    ink.bind();
    ink.setUniformValue("view", p.matrix);
    ink.setUniformValue("model", model);
    ink.setUniformValue("edge", three(l.dark ? l.sky_top.darker(160) : l.edge));
    const auto pixels = static_cast<float>(2 * std::clamp(p.size.height() / 480.0, 0.55, 1.2));
    ink.setUniformValue("grow", QVector2D(pixels / static_cast<float>(std::max(1, p.size.width())),
                                          pixels / static_cast<float>(std::max(1, p.size.height()))));
    gl.glEnable(GL_CULL_FACE);
    gl.glCullFace(GL_FRONT);
    gl.glDrawElements(GL_TRIANGLES, count_, GL_UNSIGNED_INT, nullptr);
    gl.glDisable(GL_CULL_FACE);
    ink.release();
}

void Clay::draw_shadow(QOpenGLExtraFunctions& gl, ClayPrograms& programs, const Projection& p, double ground) {
    const QColor dark = theme().edge;
    QOpenGLShaderProgram& shadow = *programs.shadow;
    array_.bind();
    triangles_.bind();
    shadow.bind();
    shadow.setUniformValue("view", p.matrix);
    shadow.setUniformValue("ground", static_cast<float>(ground));
    shadow.setUniformValue("slant", QVector2D(-0.18F, -0.12F));
    shadow.setUniformValue("unit", static_cast<float>(p.unit));
    shadow.setUniformValue("dark", QVector4D(three(dark), theme().dark ? 0.6F : 0.3F));
    gl.glDisable(GL_DEPTH_TEST);
    gl.glEnable(GL_BLEND);
    gl.glBlendFunc(GL_SRC_ALPHA, GL_ONE_MINUS_SRC_ALPHA);
    gl.glClear(GL_STENCIL_BUFFER_BIT);
    gl.glEnable(GL_STENCIL_TEST);
    gl.glStencilFunc(GL_EQUAL, 0, 0xFF);
    gl.glStencilOp(GL_KEEP, GL_KEEP, GL_INCR);
    gl.glDrawElements(GL_TRIANGLES, count_, GL_UNSIGNED_INT, nullptr);
    gl.glDisable(GL_STENCIL_TEST);
    gl.glClear(GL_STENCIL_BUFFER_BIT);
    gl.glDisable(GL_BLEND);
    shadow.release();
    array_.release();
}

void Clay::draw(QOpenGLExtraFunctions& gl, ClayPrograms& programs, const Projection& p, const QMatrix4x4& model,
                const ClayPaint& paint) {
    const Theme& l = theme();
    gl.glEnable(GL_DEPTH_TEST);
    gl.glDepthMask(GL_TRUE);
    gl.glClear(GL_DEPTH_BUFFER_BIT);
    array_.bind();
    triangles_.bind();
    const bool opaque = paint.opacity >= 1;
    if (opaque) {
        gl.glDisable(GL_BLEND);
    } else {
        // First its depth alone, so that only its front shows through.
        gl.glColorMask(GL_FALSE, GL_FALSE, GL_FALSE, GL_FALSE);
    }
    programs.clay->bind();
    programs.clay->setUniformValue("view", p.matrix);
    programs.clay->setUniformValue("model", model);
    programs.clay->setUniformValue(
        "eye", QVector3D(static_cast<float>(p.eye.x()), static_cast<float>(p.eye.y()), static_cast<float>(p.eye.z())));
    // The lamp stands over the viewer's left shoulder, so that no side of the character is ever dark.
    const Vec3 key = (p.away * 0.8 + Vec3::UnitY() * 0.75 - p.aside() * 0.55).normalized();
    programs.clay->setUniformValue(
        "key", QVector3D(static_cast<float>(key.x()), static_cast<float>(key.y()), static_cast<float>(key.z())));
    programs.clay->setUniformValue("clay", three(l.clay));
    programs.clay->setUniformValue("edge", three(l.edge));
    programs.clay->setUniformValue("tint", three(paint.tint));
    programs.clay->setUniformValue("tinted", paint.tinted);
    programs.clay->setUniformValue("clayed", paint.clayed);
    programs.clay->setUniformValue("opacity", paint.opacity);
    gl.glDrawElements(GL_TRIANGLES, count_, GL_UNSIGNED_INT, nullptr);
    if (!opaque) {
        gl.glColorMask(GL_TRUE, GL_TRUE, GL_TRUE, GL_TRUE);
        gl.glEnable(GL_BLEND);
        gl.glBlendFunc(GL_SRC_ALPHA, GL_ONE_MINUS_SRC_ALPHA);
        gl.glDepthFunc(GL_LEQUAL);
        gl.glDrawElements(GL_TRIANGLES, count_, GL_UNSIGNED_INT, nullptr);
        gl.glDepthFunc(GL_LESS);
    }
    programs.clay->release();
    if (opaque) { // behind the clay, of which little is left to be seen but its edge
        draw_ink(gl, *programs.ink, p, model);
    }
    array_.release();
    gl.glDisable(GL_DEPTH_TEST);
    // What is painted over the picture must not be held back by it.
    gl.glClear(GL_DEPTH_BUFFER_BIT);
}

} // namespace wembrix::app
