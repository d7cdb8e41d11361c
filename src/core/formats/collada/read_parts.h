// The pieces that the COLLADA reader is made of.
#pragma once

#include "core/formats/collada/document.h"
#include "core/formats/collada/geometry.h"

#include <map>
#include <memory>
#include <string>
#include <vector>

namespace wembrix::collada {

/// The place of a material; `sets`: which set of coordinates is meant by each name of an instance's. -1, and a note:
/// there is none.
int material_at(Reading& reading, std::string_view reference, const std::map<std::string, size_t>& sets);

/// One element of a node's place: its matrix as its values stand.
struct PlaceElement {
    enum class Kind : uint8_t { matrix, translate, rotate, scale, lookat };
    Kind kind = Kind::matrix;
    std::string sid;
    std::vector<double> values; ///< 16, 3, 4 (axis, degrees), 3, 9
    [[nodiscard]] Mat4 as_matrix() const;
};
/// In the order in which they are multiplied. What is not read is a note.
std::vector<PlaceElement> place_of(Reading& reading, Element node);
Mat4 matrix_of(const std::vector<PlaceElement>& place);

/// A controller that a node instances, until all nodes are there.
struct Instance {
    int node = -1;
    Element element; ///< instance_controller
};
/// Surfaces of controllers: skins and shapes, onto their nodes.
class Controllers {
  public:
    explicit Controllers(Reading& reading) : reading_(reading) {}
    /// A geometry with the materials that an instance binds, as the mesh of a node.
    void place(int node, Element instance, std::string_view geometry, Element morph);
    void bind(const Instance& instance);
    /// Some node shows the geometry of that id, or a surface has it for a form.
    [[nodiscard]] bool has_read(const std::string& id) const { return geometries_.contains(id); }

  private:
    void add_shapes(const Geometry& base, Element morph, Mesh& mesh);
    bool add_skin(int node, Element instance, Element skin, const std::string& name);
    /// Which of the nodes have that "id", "sid" or "name". Precondition: all nodes are there.
    const std::vector<int>& nodes_named(const char* attribute, const std::string& name);
    /// `below`: of each node, whether the skin's skeleton holds it. -1: none is called so.
    int joint_named(const std::string& name, const std::vector<char>& below, bool by_id);
    Reading& reading_;
    std::map<std::string, std::shared_ptr<const Geometry>> geometries_;
    std::map<const Geometry*, std::vector<int>> meshes_of_;      ///< of those without shapes
    std::map<int, std::shared_ptr<const Geometry>> geometry_of_; ///< of nodes
    std::map<std::string, std::unordered_map<std::string, std::vector<int>>> by_name_;
};

/// Clips from all animations; `places` are the nodes' own, as they rest.
/// The camera or the light that an instance names, as that of a node.
void read_optics(Reading& reading, int node, Element instance);
void read_animations(Reading& reading, const std::vector<std::vector<PlaceElement>>& places);

} // namespace wembrix::collada
