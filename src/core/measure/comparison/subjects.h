// The subjects of a comparison of two scenes, a function each.
#pragma once

#include "core/measure/comparison/subject.h"
#include "core/scene/content.h"
#include "core/scene/scene.h"

#include <array>
#include <string>
#include <string_view>
#include <tuple>
#include <utility>
#include <vector>

namespace wembrix {

/// Nodes of two scenes by their names.
class NodePairs {
  public:
    NodePairs(const Scene& expected, const Scene& actual);

    [[nodiscard]] const Scene& expected() const { return expected_; }
    [[nodiscard]] const Scene& actual() const { return actual_; }
    /// Calls `each` with every two nodes of one name.
    template <typename Each> void for_both(const Each& each) const {
        for (const auto& [a, b] : both) {
            each(expected_.nodes[static_cast<size_t>(a)], actual_.nodes[static_cast<size_t>(b)]);
        }
    }

    std::vector<std::pair<int, int>> both; ///< in the order of the expected ones
    std::vector<int> missing;              ///< of the expected ones
    std::vector<int> too_many;             ///< of the actual ones

  private:
    const Scene& expected_;
    const Scene& actual_;
};

void compare_nodes(const NodePairs& pairs, std::vector<Subject>& subjects);
void compare_surfaces(const NodePairs& pairs, std::vector<Subject>& subjects);
void compare_shapes(const NodePairs& pairs, std::vector<Subject>& subjects);
void compare_materials(const NodePairs& pairs, std::vector<Subject>& subjects);
void compare_other_kinds(const NodePairs& pairs, std::vector<Subject>& subjects);

/// The first field that differs, by its name; empty when none does. `names` are in the order of T::fields.
template <typename T, size_t N>
std::string_view first_unlike(const T& a, const T& b, const std::array<std::string_view, N>& names) {
    static_assert(std::tuple_size_v<decltype(T::fields(a))> == N, "a name for each field");
    const auto x = T::fields(a);
    const auto y = T::fields(b);
    std::string_view found;
    [&]<size_t... I>(std::index_sequence<I...>) {
        ((found = found.empty() && !same_content(std::get<I>(x), std::get<I>(y)) ? names[I] : found), ...);
    }
    (std::make_index_sequence<N>{});
    return found;
}

} // namespace wembrix
