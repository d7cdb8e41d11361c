#include "core/base/text.h"
#include "core/formats/usd/text.h"

#include <cmath>
#include <cstring>
#include <fmt/compile.h>
#include <fmt/format.h>

namespace wembrix::usd {

namespace {

class TextWriter {
  public:
    std::string run(const Layer& layer) {
        out_ = "#usda 1.0\n";
        if (!layer.metadata.empty() || !layer.sublayers.empty()) {
            out_ += "(\n";
            metadata(layer.metadata, 1);
            if (!layer.sublayers.empty()) {
                out_ += "    subLayers = ";
                references(layer.sublayers);
                out_ += "\n";
            }
            out_ += ")\n";
        }
        for (const Prim& one : layer.prims) {
            out_ += "\n";
            prim(one, 0);
        }
        return std::move(out_);
    }

  private:
    void indent(int depth) { out_.append(static_cast<size_t>(depth) * 4, ' '); }
    template <typename... Args> void line(int depth, fmt::format_string<Args...> text, Args&&... args) {
        indent(depth);
        fmt::format_to(std::back_inserter(out_), text, std::forward<Args>(args)...);
        out_ += "\n";
    }

    static std::string quoted(const std::string& text) {
        std::string out = "\"";
        for (const char c : text) {
            const auto code = static_cast<unsigned char>(c);
            if (c == '"' || c == '\\') {
                out += '\\';
                out += c;
            } else if (c == '\n') {
                out += "\\n";
            } else if (c == '\t') {
                out += "\\t";
            } else if (c == '\r') {
                out += "\\r";
            } else if (code < 0x20) {
                out += fmt::format("\\x{:02x}", code);
            } else {
                out += c;
            }
        }
        return out + "\"";
    }
    static std::string asset(const std::string& path) {
        if (path.find('@') == std::string::npos) {
            return "@" + path + "@";
        }
        std::string escaped = path;
        for (size_t at = escaped.find("@@@"); at != std::string::npos; at = escaped.find("@@@", at + 4)) {
            escaped.insert(at, "\\");
        }
        return "@@@" + escaped + "@@@";
    }

    void text(Kind kind, const std::string& one) {
        out_ += kind == Kind::asset ? asset(one) : kind == Kind::path ? "<" + one + ">" : quoted(one);
    }

    template <typename T> void component(const std::byte* at) {
        T value;
        std::memcpy(&value, at, sizeof value);
        if constexpr (std::is_floating_point_v<T>) {
            if (!std::isfinite(value)) {
                out_ += std::isnan(value) ? "nan" : value < 0 ? "-inf" : "inf";
                return;
            }
        }
        fmt::format_to(std::back_inserter(out_), FMT_COMPILE("{}"), value);
    }
    void component(Kind kind, const std::byte* at) {
        switch (kind) {
        case Kind::boolean:
            out_ += *at != std::byte{0} ? "1" : "0";
            break;
        case Kind::uchar:
            component<uint8_t>(at);
            break;
        case Kind::int32:
            component<int32_t>(at);
            break;
        case Kind::uint32:
            component<uint32_t>(at);
            break;
        case Kind::int64:
            component<int64_t>(at);
            break;
        case Kind::uint64:
            component<uint64_t>(at);
            break;
        case Kind::half: {
            uint16_t half = 0;
            std::memcpy(&half, at, sizeof half);
            const float value = from_half(half);
            component<float>(reinterpret_cast<const std::byte*>(&value));
            break;
        }
        case Kind::float32:
            component<float>(at);
            break;
        default:
            component<double>(at);
            break;
        }
    }
    void tuple(Kind kind, const std::byte* at, size_t count) {
        out_ += '(';
        for (size_t c = 0; c < count; ++c) {
            out_ += c > 0 ? ", " : "";
            component(kind, at + c * size_of(kind));
        }
        out_ += ')';
    }
    void element(const Type& type, const std::byte* at) {
        const size_t size = size_of(type.kind);
        switch (type.form) {
        case Form::scalar:
            component(type.kind, at);
            break;
        case Form::vector:
            tuple(type.kind, at, type.width);
            break;
        case Form::quaternion: // the real part first
            out_ += '(';
            component(type.kind, at + 3 * size);
            for (size_t c = 0; c < 3; ++c) {
                out_ += ", ";
                component(type.kind, at + c * size);
            }
            out_ += ')';
            break;
        case Form::matrix: {
            const size_t rows = type.width == 4 ? 2 : type.width == 9 ? 3 : 4;
            out_ += "( ";
            for (size_t r = 0; r < rows; ++r) {
                out_ += r > 0 ? ", " : "";
                tuple(type.kind, at + r * rows * size, rows);
            }
            out_ += " )";
            break;
        }
        }
    }

    void value(const Value& value, int depth) {
        const Type& type = value.type();
        if (type.kind == Kind::none) {
            out_ += "None";
        } else if (type.kind == Kind::dictionary) {
            dictionary(value.dictionary(), depth);
        } else if (!type.is_number()) {
            if (type.is_array) {
                texts(type.kind, value.texts());
            } else {
                text(type.kind, value.texts().empty() ? std::string() : value.texts().front());
            }
        } else if (type.is_array) {
            out_ += '[';
            for (size_t i = 0; i < value.size(); ++i) {
                out_ += i > 0 ? ", " : "";
                element(type, value.bytes().data() + i * type.element_size());
            }
            out_ += ']';
        } else {
            element(type, value.bytes().data());
        }
    }
    void texts(Kind kind, const std::vector<std::string>& all) {
        out_ += '[';
        for (size_t i = 0; i < all.size(); ++i) {
            out_ += i > 0 ? ", " : "";
            text(kind, all[i]);
        }
        out_ += ']';
    }
    void dictionary(const Dictionary& entries, int depth) {
        out_ += "{\n";
        for (const Entry& one : entries) {
            indent(depth + 1);
            out_ += name_of(one.value.type()) + " " + quoted(one.name) + " = ";
            value(one.value, depth + 1);
            out_ += "\n";
        }
        indent(depth);
        out_ += "}";
    }

    void metadata(const Dictionary& fields, int depth) {
        for (const Entry& field : fields) {
            indent(depth);
            out_ += (field.name == "documentation" ? "doc" : field.name) + " = ";
            if (field.value.type().kind == Kind::boolean) {
                out_ += field.value.as_number().value_or(0) != 0 ? "true" : "false";
            } else {
                value(field.value, depth);
            }
            out_ += "\n";
        }
    }

    template <typename Item, typename Write>
    void edits(int depth, const std::string& name, const ListEdit<Item>& list, const Write& write) {
        const auto one = [&](const char* word, const std::vector<Item>& items, bool always) {
            if (!items.empty() || always) {
                indent(depth);
                out_ += word + name + " = ";
                write(items);
                out_ += "\n";
            }
        };
        one("", list.items, list.is_explicit);
        one("delete ", list.deleted, false);
        one("add ", list.added, false);
        one("prepend ", list.prepended, false);
        one("append ", list.appended, false);
        one("reorder ", list.ordered, false);
    }
    void paths(const std::vector<std::string>& items) {
        if (items.size() == 1) {
            out_ += "<" + items.front() + ">";
        } else if (items.empty()) {
            out_ += "None";
        } else {
            texts(Kind::path, items);
        }
    }
    void references(const std::vector<Reference>& items) {
        if (items.empty()) {
            out_ += "None";
            return;
        }
        out_ += items.size() > 1 ? "[" : "";
        for (size_t i = 0; i < items.size(); ++i) {
            const Reference& one = items[i];
            out_ += i > 0 ? ", " : "";
            out_ += one.asset.empty() ? "" : asset(one.asset);
            out_ += one.prim.empty() && !one.asset.empty() ? "" : "<" + one.prim + ">";
            if (one.offset != 0 || one.scale != 1) {
                out_ += fmt::format(" (offset = {}; scale = {})", one.offset, one.scale);
            }
        }
        out_ += items.size() > 1 ? "]" : "";
    }

    void prim(const Prim& one, int depth) {
        constexpr const char* specifiers[] = {"def", "over", "class"};
        indent(depth);
        out_ += specifiers[static_cast<size_t>(one.specifier)];
        out_ += (one.type_name.empty() ? "" : " " + one.type_name) + " " + quoted(one.name);
        body(one, depth);
    }
    /// Metadata and braces, behind a prim's head.
    void body(const Prim& one, int depth) {
        const bool has_metadata = !one.metadata.empty() || !one.api_schemas.empty() || !one.references.empty() ||
                                  !one.payloads.empty() || !one.inherits.empty() || !one.specializes.empty() ||
                                  !one.variants.empty() || !one.variant_sets.empty();
        if (has_metadata) {
            out_ += " (\n";
            metadata(one.metadata, depth + 1);
            edits(depth + 1, "apiSchemas", one.api_schemas, [&](const auto& items) { texts(Kind::token, items); });
            edits(depth + 1, "references", one.references, [&](const auto& items) { references(items); });
            edits(depth + 1, "payload", one.payloads, [&](const auto& items) { references(items); });
            edits(depth + 1, "inherits", one.inherits, [&](const auto& items) { paths(items); });
            edits(depth + 1, "specializes", one.specializes, [&](const auto& items) { paths(items); });
            if (!one.variants.empty()) {
                indent(depth + 1);
                Dictionary chosen;
                for (const auto& [set, variant] : one.variants) {
                    chosen.push_back({set, Value::string(variant)});
                }
                out_ += "variants = ";
                dictionary(chosen, depth + 1);
                out_ += "\n";
            }
            if (!one.variant_sets.empty()) {
                std::vector<std::string> names;
                for (const VariantSet& set : one.variant_sets) {
                    names.push_back(set.name);
                }
                indent(depth + 1);
                out_ += "prepend variantSets = ";
                texts(Kind::string, names);
                out_ += "\n";
            }
            indent(depth);
            out_ += ")";
        }
        out_ += "\n";
        line(depth, "{{");
        for (const Property& each : one.properties) {
            property(each, depth + 1);
        }
        for (const VariantSet& set : one.variant_sets) {
            line(depth + 1, "variantSet {} = {{", quoted(set.name));
            for (const Prim& variant : set.variants) {
                indent(depth + 2);
                out_ += quoted(variant.name);
                body(variant, depth + 2);
            }
            line(depth + 1, "}}");
        }
        for (size_t i = 0; i < one.children.size(); ++i) {
            if (i > 0 || !one.properties.empty() || !one.variant_sets.empty()) {
                out_ += "\n";
            }
            prim(one.children[i], depth + 1);
        }
        line(depth, "}}");
    }

    void property(const Property& one, int depth) {
        std::string head = one.is_custom ? "custom " : "";
        if (one.is_relationship) {
            head += "rel " + one.name;
            if (one.has_targets) {
                edits(depth, head, one.targets, [&](const auto& items) { paths(items); });
            } else {
                line(depth, "{}", head);
            }
            return;
        }
        head += (one.is_uniform ? "uniform " : "") + one.type_name + " " + one.name;
        if (one.has_value || !one.metadata.empty() || (one.samples.empty() && one.connections.empty())) {
            indent(depth);
            out_ += head;
            if (one.has_value) {
                out_ += " = ";
                value(one.value, depth);
            }
            if (!one.metadata.empty()) {
                out_ += " (\n";
                metadata(one.metadata, depth + 1);
                indent(depth);
                out_ += ")";
            }
            out_ += "\n";
        }
        if (!one.samples.empty()) {
            line(depth, "{}.timeSamples = {{", head);
            for (const Sample& sample : one.samples) {
                indent(depth + 1);
                fmt::format_to(std::back_inserter(out_), FMT_COMPILE("{}: "), sample.time);
                value(sample.value, depth + 1);
                out_ += ",\n";
            }
            line(depth, "}}");
        }
        edits(depth, head + ".connect", one.connections, [&](const auto& items) { paths(items); });
    }

    std::string out_;
};

} // namespace

std::string write_text(const Layer& layer) {
    return TextWriter().run(layer);
}

} // namespace wembrix::usd
