#include "core/formats/usd/layer.h"

#include <algorithm>

namespace wembrix::usd {

namespace {
template <typename List> auto named_in(const List& list, std::string_view name) -> decltype(&list.front()) {
    const auto found = std::find_if(list.begin(), list.end(), [&](const auto& one) { return one.name == name; });
    return found == list.end() ? nullptr : &*found;
}
} // namespace

bool VariantSet::operator==(const VariantSet& other) const {
    return name == other.name && variants == other.variants;
}

const Property* Prim::property(std::string_view named) const {
    return named_in(properties, named);
}

const Prim* Prim::child(std::string_view named) const {
    return named_in(children, named);
}

const Prim* Layer::find(std::string_view path) const {
    const std::vector<Prim>* among = &prims;
    const Prim* prim = nullptr;
    while (path.starts_with('/')) {
        path.remove_prefix(1);
        const size_t end = std::min(path.find('/'), path.size());
        prim = named_in(*among, path.substr(0, end));
        if (prim == nullptr) {
            return nullptr;
        }
        among = &prim->children;
        path.remove_prefix(end);
    }
    return path.empty() ? prim : nullptr;
}

} // namespace wembrix::usd
