#include "core/delivery/sculpt_file.h"

#include "core/base/files.h"
#include "core/base/text.h"
#include "core/formats/obj/obj.h"
#include "core/measure/skeleton/pose.h"
#include "core/measure/surface/deform.h"
#include "core/steps/surface/sculpt.h"

namespace wembrix {

namespace {

/// The surface alone, with its pose in its vertices, and nothing of it that could change their order.
Scene standing_still(const Scene& scene, int surface, const Pose& pose) {
    const Node& node = scene.nodes[static_cast<size_t>(surface)];
    Scene still;
    Mesh mesh = scene.meshes[static_cast<size_t>(node.mesh)];
    Deformer deformer(scene, {surface});
    std::vector<Vec3f> places(deformer.point_count());
    std::vector<Vec3f> normals(deformer.point_count());
    deformer.points_and_normals(pose, places, normals);
    mesh.positions = std::move(places);
    if (!mesh.normals.empty()) {
        mesh.normals = std::move(normals);
    }
    mesh.shapes.clear();
    mesh.shape_weights.clear();
    for (Primitive& primitive : mesh.primitives) {
        primitive.material = -1;
    }
    Node alone;
    alone.name = node.name;
    alone.kind = NodeKind::surface;
    alone.mesh = 0;
    still.nodes.push_back(std::move(alone));
    still.meshes.push_back(std::move(mesh));
    return still;
}

} // namespace

Result<SculptFile> write_sculpt_file(const SculptRequest& request, const std::filesystem::path& file) {
    const Scene& scene = *request.scene;
    const Result<int> surface = find_shaped_surface(scene, request.surface);
    if (!surface) {
        return surface.problem();
    }
    Pose pose = Poser(scene, nullptr).rest();
    if (!request.clip.empty()) {
        const Clip* clip = scene.find_clip(request.clip);
        if (clip == nullptr) {
            return Problem{phrase("there is no clip “{}”.", request.clip), "", ""};
        }
        if (request.frame < 0 || request.frame >= clip->frames()) {
            return Problem{phrase("“{}” has {} frames.", request.clip, clip->frames()), "", "Frames count from 0."};
        }
        Poser(scene, clip).at(request.frame / clip->rate, pose);
    }
    const Scene still = standing_still(scene, *surface, pose);
    const Result<std::vector<WrittenFile>> written = write_obj(still, file.stem().string());
    if (!written) {
        return written.problem();
    }
    const std::string& text = written->front().bytes;
    const Result<Scene> back = read_obj_text(text, file.filename().string());
    if (!back) {
        return back.problem();
    }
    const std::vector<Vec3f>& should = still.meshes[0].positions.get();
    const bool one = back->meshes.size() == 1;
    if (!one || back->meshes[0].positions.get() != should) {
        return Problem{"its vertices would not come back in their order.", still.nodes[0].name,
                       "Vertices that no face uses have no place in such a file; weld or remove them."};
    }
    if (Outcome put = replace_file(file, text); !put) {
        return put.problem();
    }
    return SculptFile{still.nodes[0].name, should.size()};
}

} // namespace wembrix
