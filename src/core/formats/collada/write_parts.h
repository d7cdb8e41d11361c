// The pieces that the COLLADA writer is made of.
#pragma once

#include "core/formats/collada/xml_text.h"
#include "core/formats/format.h"
#include "core/measure/clips/baked.h"

#include <set>
#include <string>
#include <vector>

namespace wembrix::collada {

struct Writing {
    const Scene& scene;
    const std::string& stem;
    XmlText xml{};
    std::set<std::string> taken{}; ///< ids
    std::vector<std::string> node_ids{};
    std::vector<std::string> mesh_ids{};
    std::vector<std::string> material_ids{};
    std::vector<std::string> camera_ids{};
    std::vector<std::string> light_ids{};
    std::vector<std::string> morph_ids{}; ///< of nodes; empty: it has no shapes
    std::vector<std::string> skin_ids{};  ///< of nodes; empty: it has no skin
    std::vector<WrittenFile> files{};     ///< images
};

/// An id that nothing has yet, close to the name: letters, digits, '_', '-', '.'.
std::string own_id(Writing& writing, const std::string& name, const char* kind);

void write_materials(Writing& writing);
void write_geometries(Writing& writing);
void write_controllers(Writing& writing);
/// The first clip.
void write_clip(Writing& writing);
void write_optics(Writing& writing); ///< cameras and lights

} // namespace wembrix::collada
