#include "core/steps/surface/vertex_ranges.h"

#include "core/parameters/parameter.h"

#include <algorithm>
#include <charconv>
#include <fmt/format.h>
#include <nlohmann/json.hpp>

namespace wembrix {

std::optional<std::pair<uint64_t, uint64_t>> vertex_range(const std::string& text) {
    const char* end = text.data() + text.size();
    uint64_t first = 0;
    const auto [dash, wrong] = std::from_chars(text.data(), end, first);
    if (wrong != std::errc() || (dash != end && *dash != '-')) {
        return std::nullopt;
    }
    if (dash == end) {
        return std::pair(first, first);
    }
    uint64_t last = 0;
    const auto [after, also_wrong] = std::from_chars(dash + 1, end, last);
    if (also_wrong != std::errc() || after != end || last < first) {
        return std::nullopt;
    }
    return std::pair(first, last);
}

std::vector<std::string> vertex_ranges(const std::set<uint32_t>& vertices) {
    std::vector<std::string> ranges;
    for (auto at = vertices.begin(); at != vertices.end();) {
        const uint32_t first = *at;
        uint32_t last = first;
        for (++at; at != vertices.end() && *at == last + 1; ++at) {
            last = *at;
        }
        ranges.push_back(first == last ? std::to_string(first) : fmt::format("{}-{}", first, last));
    }
    return ranges;
}

std::optional<Problem> check_vertex_ranges(const nlohmann::json& list) {
    for (const nlohmann::json& one : list) {
        if (one.is_string() && !vertex_range(one.get<std::string>())) {
            return malformed("vertices are numbers and ranges: “12”, “20-31”.");
        }
    }
    return std::nullopt;
}

std::vector<char> vertices_in_ranges(const std::vector<std::string>& ranges, size_t count) {
    std::vector<char> in(count, 0);
    for (const std::string& text : ranges) {
        const auto [first, last] = *vertex_range(text);
        for (uint64_t v = first; v <= last && v < count; ++v) {
            in[v] = 1;
        }
    }
    return in;
}

} // namespace wembrix
