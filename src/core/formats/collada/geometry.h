// Geometry elements as surfaces.
#pragma once

#include "core/formats/collada/document.h"

#include <memory>

namespace wembrix::collada {

/// A geometry that was read: its mesh has no materials yet, as each instance may bind others.
struct Geometry {
    Mesh mesh;
    std::vector<std::string> symbols;               ///< of each primitive, what an instance binds a material to
    std::vector<std::map<size_t, int>> coordinates; ///< of each primitive: the place of each of its sets of coordinates
    std::vector<uint32_t> point_of;                 ///< of each vertex: the row of the positions it came from
    std::vector<Vec3> points;                       ///< those rows, units of the file
    std::vector<Vec3> point_normals;                ///< what the rows say of themselves; may be empty
    /// Of a form that this program wrote: rows whose differences (place, normal) are too small to be told from theirs.
    std::map<uint32_t, std::pair<Vec3f, Vec3f>> differences;
};

/// Null, and a note, where it is none that can be read. `kept` holds what was read before, by id.
std::shared_ptr<const Geometry> geometry_at(Reading& reading, std::string_view reference,
                                            std::map<std::string, std::shared_ptr<const Geometry>>& kept);

} // namespace wembrix::collada
