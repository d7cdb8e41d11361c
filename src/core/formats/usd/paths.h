// Paths of prims and properties: "/bird/body.points".
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace wembrix::usd {

struct PathElement {
    std::string name;
    bool is_property = false;
};
/// Of an absolute path. Targets in brackets and variants in braces are parts of names.
std::vector<PathElement> elements_of(std::string_view path);

/// A path that may be relative ("../skeleton", ".points") as seen from a prim.
std::string absolute_path(std::string_view path, std::string_view from);

/// The path of the prim that it leads to or that has the property.
std::string prim_path(std::string_view path);
/// What stands behind the last "/": "body.points".
std::string last_of_path(std::string_view path);

} // namespace wembrix::usd
