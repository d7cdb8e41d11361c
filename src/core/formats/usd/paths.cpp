#include "core/formats/usd/paths.h"

#include <algorithm>

namespace wembrix::usd {

std::vector<PathElement> elements_of(std::string_view path) {
    std::vector<PathElement> elements;
    while (!path.empty()) {
        const bool is_property = path.front() == '.';
        if (path.front() == '/' || is_property) {
            path.remove_prefix(1);
        }
        // A property's name goes on to the end: nothing lies below it.
        const size_t end = is_property ? path.size() : std::min(path.find_first_of("/."), path.size());
        if (end > 0) {
            elements.push_back({std::string(path.substr(0, end)), is_property});
        }
        path.remove_prefix(end);
    }
    return elements;
}

std::string absolute_path(std::string_view path, std::string_view from) {
    if (path.starts_with('/')) {
        return std::string(path);
    }
    std::string at(from);
    while (path.starts_with("..")) {
        const size_t slash = at.rfind('/');
        at.resize(slash == std::string::npos ? 0 : slash);
        path.remove_prefix(2);
        if (path.starts_with('/')) {
            path.remove_prefix(1);
        }
    }
    if (path.empty()) {
        return at.empty() ? "/" : at;
    }
    return path.starts_with('.') ? at + std::string(path) : at + "/" + std::string(path);
}

std::string prim_path(std::string_view path) {
    const size_t slash = path.rfind('/');
    const size_t dot = path.find('.', slash == std::string_view::npos ? 0 : slash);
    return std::string(path.substr(0, dot));
}

std::string last_of_path(std::string_view path) {
    const size_t slash = path.rfind('/');
    return std::string(slash == std::string_view::npos ? path : path.substr(slash + 1));
}

} // namespace wembrix::usd
