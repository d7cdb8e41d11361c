// The graphics of one posed scene with its materials: textures, normal maps and a light that can be turned.
#pragma once

#include "view/posed_scene.h"
#include "view/projection.h"

#include <QOpenGLBuffer>
#include <QOpenGLExtraFunctions>
#include <QOpenGLShaderProgram>
#include <QOpenGLTexture>
#include <QOpenGLVertexArrayObject>
#include <memory>
#include <vector>

namespace wembrix::app {

/// All calls need the context of the pane to be current.
class Looks {
  public:
    void make(QOpenGLExtraFunctions& gl);
    void destroy();
    /// Triangles, coordinates and textures, once a scene. Images that cannot be decoded are left out.
    void put_shape(QOpenGLExtraFunctions& gl, const PosedScene& posed);
    void put_pose(QOpenGLExtraFunctions& gl, const PosedScene& posed);
    /// `light`: from the surface to it, of length 1. `only`: this slot of this surface node alone; -1: all.
    void draw(QOpenGLExtraFunctions& gl, const Projection& p, const Vec3& light, int only_node, int only_slot);
    [[nodiscard]] size_t textures() const { return textures_.size(); }
    [[nodiscard]] size_t undecoded() const { return undecoded_; }

  private:
    struct Slot {
        int node = -1;
        int slot = -1;
        int first = 0; ///< of its indices
        int count = 0;
        int material = -1;
    };
    struct Use {
        int texture = -1; ///< place in textures_
        QMatrix3x3 turned;
    };
    struct Surface {
        Use base, metalness_roughness, normal, occlusion, emission;
        QVector4D base_colour{1, 1, 1, 1};
        QVector3D emission_colour;
        float metalness = 0;
        float roughness = 1;
        float normal_scale = 1;
        float occlusion_strength = 1;
        float cutoff = -1; ///< below 0: none
        bool blended = false;
        bool double_sided = false;
    };
    [[nodiscard]] Use use_of(const Scene& scene, const TextureUse& from, bool is_colour);
    void bind(const Use& use, int unit, const char* name);

    std::unique_ptr<QOpenGLShaderProgram> program_;
    QOpenGLVertexArrayObject array_;
    QOpenGLBuffer points_{QOpenGLBuffer::VertexBuffer};
    QOpenGLBuffer normals_{QOpenGLBuffer::VertexBuffer};
    QOpenGLBuffer coordinates_{QOpenGLBuffer::VertexBuffer};
    QOpenGLBuffer colours_{QOpenGLBuffer::VertexBuffer};
    QOpenGLBuffer triangles_{QOpenGLBuffer::IndexBuffer};
    std::vector<Slot> slots_;
    std::vector<Surface> materials_; ///< one a material of the scene, and behind them one for none
    std::vector<std::unique_ptr<QOpenGLTexture>> textures_;
    std::vector<std::pair<int, bool>> texture_of_; ///< image and whether it is a colour, of each texture
    size_t undecoded_ = 0;
};

} // namespace wembrix::app
