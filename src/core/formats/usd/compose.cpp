#include "core/formats/usd/compose.h"

#include "core/base/files.h"
#include "core/base/text.h"
#include "core/formats/usd/crate.h"
#include "core/formats/usd/paths.h"
#include "core/formats/usd/text.h"

#include <map>
#include <set>
#include <unordered_map>

namespace wembrix::usd {

namespace fs = std::filesystem;

Result<Layer> read_layer(const fs::path& file) {
    Result<std::string> bytes = read_file(file);
    if (!bytes) {
        return bytes.problem();
    }
    auto held = std::make_shared<const std::string>(bytes.take());
    Result<Layer> layer = is_crate(*held) ? read_crate(held) : read_text(*held);
    if (!layer) {
        Problem problem = layer.problem();
        problem.where = file.filename().string() + (problem.where.empty() ? "" : ", " + problem.where);
        return problem;
    }
    return layer;
}

namespace {

constexpr size_t most_prims = 2'000'000;
constexpr int deepest_arcs = 32;
constexpr size_t most_layers = 256;

bool is_inside(std::string_view path, std::string_view prim) {
    return path.starts_with(prim) &&
           (path.size() == prim.size() || path[prim.size()] == '/' || path[prim.size()] == '.');
}

/// Paths below `from` become paths below `to`.
void move_paths(Prim& prim, const std::string& from, const std::string& to) {
    const auto move = [&](std::vector<std::string>& paths) {
        for (std::string& one : paths) {
            if (is_inside(one, from)) {
                one = to + one.substr(from.size());
            }
        }
    };
    const auto move_list = [&](ListEdit<std::string>& list) {
        for (auto* items : {&list.items, &list.added, &list.prepended, &list.appended, &list.deleted, &list.ordered}) {
            move(*items);
        }
    };
    for (Property& property : prim.properties) {
        move_list(property.connections);
        move_list(property.targets);
    }
    move_list(prim.inherits);
    move_list(prim.specializes);
    for (Prim& child : prim.children) {
        move_paths(child, from, to);
    }
    for (VariantSet& set : prim.variant_sets) {
        for (Prim& variant : set.variants) {
            move_paths(variant, from, to);
        }
    }
}

void make_absolute(Prim& prim, const std::string& at) {
    const auto absolute = [&](ListEdit<std::string>& list) {
        for (auto* items : {&list.items, &list.added, &list.prepended, &list.appended, &list.deleted, &list.ordered}) {
            for (std::string& one : *items) {
                one = absolute_path(one, at);
            }
        }
    };
    for (Property& property : prim.properties) {
        absolute(property.connections);
        absolute(property.targets);
    }
    absolute(prim.inherits);
    absolute(prim.specializes);
    for (auto* list : {&prim.references, &prim.payloads}) {
        for (auto* items : {&list->items, &list->added, &list->prepended, &list->appended}) {
            for (Reference& one : *items) {
                one.prim = one.prim.empty() ? "" : absolute_path(one.prim, at);
            }
        }
    }
    for (Prim& child : prim.children) {
        make_absolute(child, at + "/" + child.name);
    }
    for (VariantSet& set : prim.variant_sets) {
        for (Prim& variant : set.variants) {
            make_absolute(variant, at);
        }
    }
}

void shift_times(Prim& prim, double offset, double scale) {
    for (Property& property : prim.properties) {
        for (Sample& sample : property.samples) {
            sample.time = sample.time * scale + offset;
        }
        if (scale < 0) {
            std::reverse(property.samples.begin(), property.samples.end());
        }
    }
    for (Prim& child : prim.children) {
        shift_times(child, offset, scale);
    }
    for (VariantSet& set : prim.variant_sets) {
        for (Prim& variant : set.variants) {
            shift_times(variant, offset, scale);
        }
    }
}

void name_assets(Value& value, const fs::path& folder) {
    if (value.type().kind == Kind::asset && !folder.empty()) {
        std::vector<std::string> texts = value.texts();
        for (std::string& one : texts) {
            if (!one.empty() && !fs::path(one).is_absolute()) {
                one = (folder / one).lexically_normal().string();
            }
        }
        value = Value(value.type(), std::move(texts));
    }
}
/// What a layer in a folder below names, as the file above has to name it.
void name_assets(Prim& prim, const fs::path& folder) {
    if (folder.empty() || folder == ".") {
        return;
    }
    for (Property& property : prim.properties) {
        name_assets(property.value, folder);
        for (Sample& sample : property.samples) {
            name_assets(sample.value, folder);
        }
    }
    for (auto* list : {&prim.references, &prim.payloads}) {
        for (auto* items : {&list->items, &list->added, &list->prepended, &list->appended}) {
            for (Reference& one : *items) {
                if (!one.asset.empty()) {
                    one.asset = (folder / one.asset).lexically_normal().string();
                }
            }
        }
    }
    for (Prim& child : prim.children) {
        name_assets(child, folder);
    }
    for (VariantSet& set : prim.variant_sets) {
        for (Prim& variant : set.variants) {
            name_assets(variant, folder);
        }
    }
}

template <typename Item> void weaker_edit(ListEdit<Item>& strong, const ListEdit<Item>& weak) {
    if (strong.empty()) {
        strong = weak;
    } else if (!strong.is_explicit && !weak.empty()) {
        strong.items = strong.applied_to(weak.list());
        strong = {true, std::move(strong.items), {}, {}, {}, {}, {}};
    }
}

void weaker_metadata(Dictionary& strong, Dictionary& weak) {
    for (Entry& one : weak) {
        if (find(strong, one.name) == nullptr) {
            strong.push_back(std::move(one));
        }
    }
}

class Composer {
  public:
    explicit Composer(const fs::path& file) : file_(file), folder_(file.parent_path()) {}

    Result<Stage> run(Layer root) {
        const std::string own = file_.filename().string();
        stage_.layer = flat(std::move(root), fs::path(), own, 0);
        // Each prim by itself: what it refers to stands in the same tree or in another file.
        whole_ = stage_.layer;
        for (Prim& prim : stage_.layer.prims) {
            resolve(prim, "/" + prim.name, whole_, own, 0);
        }
        if (prims_ > most_prims) {
            return Problem{phrase("it makes more than {} prims of itself.", most_prims), file_.string(), ""};
        }
        return std::move(stage_);
    }

  private:
    void note(Text text) {
        if (told_.insert(text).second) {
            stage_.notes.push_back(std::move(text));
        }
    }

    static size_t size_of_tree(const Prim& prim) {
        size_t size = 1 + prim.properties.size();
        for (const Prim& child : prim.children) {
            size += size_of_tree(child);
        }
        return size;
    }

    /// A layer with what its sublayers say beneath. `within` is the folder of the layer, seen from the first one's.
    Layer flat(Layer layer, const fs::path& within, const std::string& name, int depth) {
        for (const std::string& one : layer.unread) {
            note(phrase("{}: {} is not read.", name, one));
        }
        for (Prim& prim : layer.prims) {
            make_absolute(prim, "/" + prim.name);
            name_assets(prim, within);
        }
        for (const Reference& below : layer.sublayers) {
            const fs::path path = (within / below.asset).lexically_normal();
            std::optional<Layer> under = open(path.string(), depth);
            if (!under) {
                continue;
            }
            for (Prim& prim : under->prims) {
                if (below.offset != 0 || below.scale != 1) {
                    shift_times(prim, below.offset, below.scale);
                }
                Prim* same = nullptr;
                for (Prim& own : layer.prims) {
                    same = own.name == prim.name ? &own : same;
                }
                if (same != nullptr) {
                    merge(*same, std::move(prim));
                } else {
                    layer.prims.push_back(std::move(prim));
                }
            }
        }
        layer.sublayers.clear();
        return layer;
    }

    /// Another file's layer, flat; nothing, and a note, where it cannot be had.
    std::optional<Layer> open(const std::string& path, int depth) {
        if (depth >= deepest_arcs || layers_.size() >= most_layers) {
            note(phrase("“{}” is left: files name each other too deep.", path.substr(0, 200)));
            return std::nullopt;
        }
        if (const auto known = layers_.find(path); known != layers_.end()) {
            return known->second;
        }
        const fs::path file = inside(path);
        if (file.empty()) {
            note(phrase("the layer “{}” is not there; it was sought in the folder of the file and below.",
                        path.substr(0, 200)));
            return std::nullopt;
        }
        if (!opening_.insert(path).second) {
            note(phrase("“{}” names itself.", path.substr(0, 200)));
            return std::nullopt;
        }
        Result<Layer> layer = read_layer(file);
        if (!layer) {
            note(layer.problem().sentence());
            opening_.erase(path);
            return std::nullopt;
        }
        stage_.beside.push_back(file);
        Layer whole = flat(layer.take(), fs::path(path).parent_path(), path, depth + 1);
        opening_.erase(path);
        layers_[path] = whole;
        return whole;
    }

    /// A file in the first one's folder or below; empty: there is none.
    fs::path inside(const std::string& name) const {
        if (folder_.empty() && file_.empty()) {
            return {};
        }
        if (name.empty() || name.find('\0') != std::string::npos || fs::path(name).is_absolute()) {
            return {};
        }
        std::error_code error;
        const fs::path base = fs::weakly_canonical(folder_.empty() ? fs::path(".") : folder_, error);
        fs::path full = fs::weakly_canonical(base / name, error);
        const auto [end, unused] = std::mismatch(base.begin(), base.end(), full.begin(), full.end());
        return !error && end == base.end() && fs::is_regular_file(full, error) ? full : fs::path();
    }

    /// What a weaker opinion says besides.
    static void merge(Prim& strong, Prim weak) {
        strong.type_name = strong.type_name.empty() ? weak.type_name : strong.type_name;
        if (strong.specifier == Specifier::over) {
            strong.specifier = weak.specifier;
        }
        weaker_metadata(strong.metadata, weak.metadata);
        weaker_edit(strong.api_schemas, weak.api_schemas);
        weaker_edit(strong.references, weak.references);
        weaker_edit(strong.payloads, weak.payloads);
        weaker_edit(strong.inherits, weak.inherits);
        weaker_edit(strong.specializes, weak.specializes);
        for (auto& one : weak.variants) {
            if (std::none_of(strong.variants.begin(), strong.variants.end(),
                             [&](const auto& own) { return own.first == one.first; })) {
                strong.variants.push_back(std::move(one));
            }
        }
        for (VariantSet& set : weak.variant_sets) {
            strong.variant_sets.push_back(std::move(set));
        }
        std::unordered_map<std::string, size_t> own;
        for (size_t i = 0; i < strong.properties.size(); ++i) {
            own.emplace(strong.properties[i].name, i);
        }
        for (Property& property : weak.properties) {
            const auto found = own.find(property.name);
            if (found == own.end()) {
                strong.properties.push_back(std::move(property));
                continue;
            }
            Property& to = strong.properties[found->second];
            to.type_name = to.type_name.empty() ? property.type_name : to.type_name;
            if (!to.has_value && to.samples.empty()) {
                to.has_value = property.has_value;
                to.value = std::move(property.value);
                to.samples = std::move(property.samples);
            } else if (!to.has_value) {
                to.has_value = property.has_value;
                to.value = std::move(property.value);
            }
            weaker_edit(to.connections, property.connections);
            weaker_edit(to.targets, property.targets);
            to.has_targets = to.has_targets || property.has_targets;
            weaker_metadata(to.metadata, property.metadata);
        }
        std::unordered_map<std::string, size_t> children;
        for (size_t i = 0; i < strong.children.size(); ++i) {
            children.emplace(strong.children[i].name, i);
        }
        for (Prim& child : weak.children) {
            const auto found = children.find(child.name);
            if (found == children.end()) {
                strong.children.push_back(std::move(child));
            } else {
                merge(strong.children[found->second], std::move(child));
            }
        }
    }

    /// All that a prim takes from elsewhere, and then those below it.
    void resolve(Prim& prim, const std::string& at, const Layer& layer, const std::string& name, int depth) {
        if (prims_ > most_prims) {
            return;
        }
        if (depth >= deepest_arcs) {
            note(phrase("{} takes from other prims too deep, or from itself.", at.substr(0, 200)));
            return;
        }
        prims_ += 1 + prim.properties.size();
        const ListEdit<std::string> inherits = std::exchange(prim.inherits, {});
        const ListEdit<std::string> specializes = std::exchange(prim.specializes, {});
        for (const std::string& from : inherits.list()) {
            take_from(prim, at, {"", from, 0, 1}, layer, name, depth);
        }
        take_variants(prim);
        for (auto* list : {&prim.references, &prim.payloads}) {
            const ListEdit<Reference> arcs = std::exchange(*list, {});
            for (const Reference& one : arcs.list()) {
                take_from(prim, at, one, layer, name, depth);
            }
        }
        for (const std::string& from : specializes.list()) {
            take_from(prim, at, {"", from, 0, 1}, layer, name, depth);
        }
        for (Prim& child : prim.children) {
            resolve(child, at + "/" + child.name, layer, name, depth);
        }
    }

    void take_variants(Prim& prim) {
        // What a variant brings may choose variants, too.
        for (int round = 0; round < deepest_arcs && !prim.variant_sets.empty(); ++round) {
            const std::vector<VariantSet> sets = std::exchange(prim.variant_sets, {});
            for (const VariantSet& set : sets) {
                std::string chosen;
                for (const auto& [of, variant] : prim.variants) {
                    chosen = of == set.name ? variant : chosen;
                }
                for (const Prim& variant : set.variants) {
                    if (variant.name == chosen) {
                        Prim weak = variant;
                        weak.specifier = prim.specifier;
                        merge(prim, std::move(weak));
                    }
                }
                if (set.variants.size() > 1 || chosen.empty()) {
                    note(phrase("{}: of the variants of “{}” {} is taken.", prim.name, set.name,
                                chosen.empty() ? "none" : "“" + chosen + "”"));
                }
            }
        }
    }

    void take_from(Prim& prim, const std::string& at, const Reference& from, const Layer& layer,
                   const std::string& name, int depth) {
        std::optional<Layer> other;
        if (!from.asset.empty()) {
            other = open(from.asset, depth);
            if (!other) {
                return;
            }
        }
        const Layer& source = other ? *other : layer;
        std::string path = from.prim;
        if (path.empty()) {
            const Value* first = find(source.metadata, "defaultPrim");
            path = first != nullptr ? "/" + first->as_text().value_or("") : "";
        }
        const Prim* found = path.size() > 1 ? source.find(path) : nullptr;
        if (found == nullptr) {
            note(phrase("{} refers to {}, which is not in “{}”.", at.substr(0, 200),
                        path.empty() ? "a default prim" : path.substr(0, 200),
                        from.asset.empty() ? name : from.asset.substr(0, 200)));
            return;
        }
        if (from.asset.empty() && (is_inside(at, path) || is_inside(path, at))) {
            note(phrase("{} refers to itself.", at.substr(0, 200)));
            return;
        }
        prims_ += size_of_tree(*found);
        if (prims_ > most_prims) {
            return;
        }
        Prim taken = *found;
        // A class stands for no prim by itself.
        taken.specifier = taken.specifier == Specifier::class_ ? Specifier::over : taken.specifier;
        resolve(taken, path, source, from.asset.empty() ? name : from.asset, depth + 1);
        move_paths(taken, path, at);
        if (from.offset != 0 || from.scale != 1) {
            shift_times(taken, from.offset, from.scale);
        }
        merge(prim, std::move(taken));
    }

    fs::path file_;
    fs::path folder_;
    Stage stage_;
    Layer whole_;
    std::map<std::string, Layer> layers_;
    std::set<std::string> opening_;
    std::set<std::string> told_;
    size_t prims_ = 0;
};

} // namespace

Result<Stage> compose(Layer root, const fs::path& file) {
    return Composer(file).run(std::move(root));
}

} // namespace wembrix::usd
