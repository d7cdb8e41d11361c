// A USD layer as it stands in its file: prims with their attributes and relationships, before anything is composed.
#pragma once

#include "core/base/text.h"
#include "core/formats/usd/value.h"

#include <algorithm>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace wembrix::usd {

/// An edit of a list, item by item; or the list itself where `is_explicit`.
template <typename Item> struct ListEdit {
    bool is_explicit = false;
    std::vector<Item> items; ///< of an explicit list
    std::vector<Item> added, prepended, appended, deleted, ordered;
    bool operator==(const ListEdit&) const = default;
    [[nodiscard]] bool empty() const {
        return !is_explicit && added.empty() && prepended.empty() && appended.empty() && deleted.empty() &&
               ordered.empty();
    }
    /// What the edit makes of the list that weaker opinions left.
    [[nodiscard]] std::vector<Item> applied_to(std::vector<Item> list) const {
        if (is_explicit) {
            return items;
        }
        const auto without = [&](const std::vector<Item>& gone) {
            std::erase_if(list,
                          [&](const Item& one) { return std::find(gone.begin(), gone.end(), one) != gone.end(); });
        };
        without(deleted);
        for (const Item& one : added) {
            if (std::find(list.begin(), list.end(), one) == list.end()) {
                list.push_back(one);
            }
        }
        without(prepended);
        list.insert(list.begin(), prepended.begin(), prepended.end());
        without(appended);
        list.insert(list.end(), appended.begin(), appended.end());
        return list;
    }
    /// The list that stands by itself.
    [[nodiscard]] std::vector<Item> list() const { return applied_to({}); }
};

struct Sample {
    double time = 0;
    Value value;
    bool operator==(const Sample&) const = default;
};

struct Property {
    std::string name; ///< "primvars:st:indices"
    bool is_relationship = false;
    bool is_custom = false;
    bool is_uniform = false;
    std::string type_name;             ///< of an attribute: "point3f[]"
    bool has_value = false;            ///< a default; it may be blocked
    Value value;                       ///< the default
    std::vector<Sample> samples;       ///< over time, ascending
    ListEdit<std::string> connections; ///< paths that an attribute takes its value from
    ListEdit<std::string> targets;     ///< paths that a relationship points at
    bool has_targets = false;          ///< they are said, perhaps as none
    Dictionary metadata;               ///< "interpolation", "elementSize", "customData", …
    bool operator==(const Property&) const = default;
};

struct Reference {
    std::string asset; ///< empty: this layer
    std::string prim;  ///< empty: the default prim of that layer
    double offset = 0;
    double scale = 1;
    bool operator==(const Reference&) const = default;
};

enum class Specifier : uint8_t { def, over, class_ };

struct Prim;
struct VariantSet {
    std::string name;
    std::vector<Prim> variants; ///< each as a prim that bears the variant's name
    bool operator==(const VariantSet&) const;
};

struct Prim {
    std::string name;
    std::string type_name; ///< "Mesh"; may be empty
    Specifier specifier = Specifier::def;
    Dictionary metadata; ///< what is no list of edits: "kind", "customData", "active", "displayName", …
    ListEdit<std::string> api_schemas;
    ListEdit<Reference> references;
    ListEdit<Reference> payloads;
    ListEdit<std::string> inherits;
    ListEdit<std::string> specializes;
    std::vector<std::pair<std::string, std::string>> variants; ///< which of which set
    std::vector<VariantSet> variant_sets;
    std::vector<Property> properties;
    std::vector<Prim> children;
    bool operator==(const Prim&) const = default;

    [[nodiscard]] const Property* property(std::string_view named) const; ///< null: there is none
    [[nodiscard]] const Prim* child(std::string_view named) const;
};

struct Layer {
    Dictionary metadata; ///< "upAxis", "metersPerUnit", "defaultPrim", …
    std::vector<Reference> sublayers;
    std::vector<Prim> prims;
    std::vector<Text> unread; ///< what of the file is not in here, in a few words each
    bool operator==(const Layer&) const = default;

    [[nodiscard]] const Prim* find(std::string_view path) const; ///< "/a/b"; null: there is none
};

/// As deep as prims, dictionaries and what stands in brackets may be in files; deeper ones are refused.
constexpr int deepest = 256;

} // namespace wembrix::usd
