#include "core/base/text.h"
#include "core/formats/usd/fields.h"
#include "core/formats/usd/text.h"
#include "core/formats/usd/text_numbers.h"
#include "core/formats/usd/text_tokens.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <fmt/format.h>
#include <unordered_map>
#include <unordered_set>

namespace wembrix::usd {

namespace {

using TokenKind = Tokens::Kind;

/// The parts of a list edit that a statement may begin with.
enum class Edit : uint8_t { none, add, prepend, append, remove, reorder };

template <typename Item> void put(ListEdit<Item>& list, Edit edit, std::vector<Item> items) {
    switch (edit) {
    case Edit::none:
        list.is_explicit = true;
        list.items = std::move(items);
        break;
    case Edit::add:
        list.added = std::move(items);
        break;
    case Edit::prepend:
        list.prepended = std::move(items);
        break;
    case Edit::append:
        list.appended = std::move(items);
        break;
    case Edit::remove:
        list.deleted = std::move(items);
        break;
    case Edit::reorder:
        list.ordered = std::move(items);
        break;
    }
}

/// Each function reads one thing; false: the file is broken there, and `broken_` says how.
class TextReader {
  public:
    explicit TextReader(std::string_view text) : tokens_(text) {}

    Result<Layer> run() {
        if (!layer()) {
            return Problem{phrase("line {}: {}.", line_, broken_), "", "The file is broken."};
        }
        return std::move(layer_);
    }

  private:
    /// Where a prim's properties are, by name.
    using Known = std::unordered_map<std::string, size_t>;

    bool broken(Text what) {
        if (broken_.empty()) {
            line_ = tokens_.line();
            broken_ = std::move(what);
        }
        return false;
    }
    bool expected(std::string_view what) {
        return broken(tokens_.now().kind == TokenKind::end
                          ? phrase("the file ends where {} should be", what)
                          : phrase("{} expected before “{}”", what, shown(tokens_.now().text)));
    }
    static std::string shown(std::string_view text) { return std::string(text.substr(0, 40)); }
    bool mark(char c) { return tokens_.take(c) || expected(fmt::format("“{}”", c)); }

    bool layer() {
        if (tokens_.is('(')) {
            tokens_.next();
            while (!tokens_.take(')')) {
                if (!layer_metadata()) {
                    return false;
                }
            }
        }
        std::unordered_set<std::string> names;
        while (tokens_.now().kind != TokenKind::end) {
            if (tokens_.take_word("reorder")) {
                if (!skip_statement()) {
                    return false;
                }
                continue;
            }
            Prim prim;
            if (!this->prim(prim, 0)) {
                return false;
            }
            if (!names.insert(prim.name).second) {
                return broken(phrase("it has two prims called “{}”", shown(prim.name)));
            }
            layer_.prims.push_back(std::move(prim));
        }
        return true;
    }

    bool layer_metadata() {
        tokens_.take(';');
        if (tokens_.is(')')) {
            return true;
        }
        if (tokens_.now().kind == TokenKind::string) {
            layer_.metadata.push_back({"comment", Value::string(tokens_.now().value)});
            tokens_.next();
            return true;
        }
        if (tokens_.is_word("subLayers")) {
            tokens_.next();
            return mark('=') && references(layer_.sublayers);
        }
        const Edit edit = this->edit();
        std::string name;
        if (!word(name) || !mark('=')) {
            return false;
        }
        if (name == "relocates") {
            layer_.unread.emplace_back("relocations of prims");
            return skip_value(0);
        }
        Value value;
        if (!field_value(name, value)) {
            return false;
        }
        if (edit == Edit::none) {
            layer_.metadata.push_back({field_name(name), std::move(value)});
        }
        return true;
    }

    static std::string field_name(const std::string& name) { return name == "doc" ? "documentation" : name; }

    Edit edit() {
        constexpr std::pair<std::string_view, Edit> words[] = {{"add", Edit::add},
                                                               {"prepend", Edit::prepend},
                                                               {"append", Edit::append},
                                                               {"delete", Edit::remove},
                                                               {"reorder", Edit::reorder}};
        for (const auto& [text, edit] : words) {
            if (tokens_.take_word(text)) {
                return edit;
            }
        }
        return Edit::none;
    }

    bool word(std::string& name) {
        if (tokens_.now().kind != TokenKind::word) {
            return expected("a name");
        }
        name = tokens_.now().text;
        tokens_.next();
        return true;
    }

    /// Prims of a layer, or of a prim. The token that is there is the specifier.
    bool prim(Prim& prim, int depth) {
        if (depth >= deepest) {
            return broken(phrase("prims lie more than {} deep", deepest));
        }
        if (tokens_.take_word("def")) {
            prim.specifier = Specifier::def;
        } else if (tokens_.take_word("over")) {
            prim.specifier = Specifier::over;
        } else if (tokens_.take_word("class")) {
            prim.specifier = Specifier::class_;
        } else {
            return expected("def, over or class");
        }
        if (tokens_.now().kind == TokenKind::word) {
            prim.type_name = tokens_.now().text;
            tokens_.next();
        }
        if (tokens_.now().kind != TokenKind::string) {
            return expected("the name of a prim");
        }
        prim.name = tokens_.now().value;
        tokens_.next();
        if (prim.name.empty() || prim.name.find('/') != std::string::npos) {
            return broken("a prim has no name, or one with a “/”");
        }
        return prim_body(prim, depth);
    }

    /// Metadata and braces.
    bool prim_body(Prim& prim, int depth) {
        if (tokens_.take('(')) {
            while (!tokens_.take(')')) {
                if (!prim_metadata(prim)) {
                    return false;
                }
            }
        }
        if (!mark('{')) {
            return false;
        }
        std::unordered_set<std::string> names;
        Known known;
        while (!tokens_.take('}')) {
            if (tokens_.take(';')) {
                continue;
            }
            if (tokens_.is_word("def") || tokens_.is_word("over") || tokens_.is_word("class")) {
                Prim child;
                if (!this->prim(child, depth + 1)) {
                    return false;
                }
                if (!names.insert(child.name).second) {
                    return broken(phrase("“{}” has two prims called “{}”", shown(prim.name), shown(child.name)));
                }
                prim.children.push_back(std::move(child));
            } else if (tokens_.is_word("variantSet")) {
                if (!variant_set(prim, depth)) {
                    return false;
                }
            } else if (!property(prim, known)) {
                return false;
            }
        }
        return true;
    }

    bool variant_set(Prim& prim, int depth) {
        tokens_.next();
        VariantSet set;
        if (tokens_.now().kind != TokenKind::string) {
            return expected("the name of a set of variants");
        }
        set.name = tokens_.now().value;
        tokens_.next();
        if (!mark('=') || !mark('{')) {
            return false;
        }
        while (!tokens_.take('}')) {
            if (tokens_.now().kind != TokenKind::string) {
                return expected("the name of a variant");
            }
            Prim variant;
            variant.name = tokens_.now().value;
            variant.specifier = Specifier::over;
            tokens_.next();
            if (depth + 1 >= deepest || !prim_body(variant, depth + 1)) {
                return broken(phrase("prims lie more than {} deep", deepest));
            }
            set.variants.push_back(std::move(variant));
        }
        prim.variant_sets.push_back(std::move(set));
        return true;
    }

    bool prim_metadata(Prim& prim) {
        if (tokens_.take(';')) {
            return true;
        }
        if (tokens_.now().kind == TokenKind::string) {
            prim.metadata.push_back({"comment", Value::string(tokens_.now().value)});
            tokens_.next();
            return true;
        }
        const Edit edit = this->edit();
        std::string name;
        if (!word(name) || !mark('=')) {
            return false;
        }
        if (name == "apiSchemas") {
            return texts_into(prim.api_schemas, edit);
        }
        if (name == "inherits") {
            return texts_into(prim.inherits, edit);
        }
        if (name == "specializes") {
            return texts_into(prim.specializes, edit);
        }
        if (name == "references" || name == "payload") {
            std::vector<Reference> list;
            if (!references(list)) {
                return false;
            }
            put(name == "payload" ? prim.payloads : prim.references, edit, std::move(list));
            return true;
        }
        if (name == "variants") {
            Value chosen;
            if (!dictionary(chosen, 0)) {
                return false;
            }
            for (const Entry& one : chosen.dictionary()) {
                prim.variants.emplace_back(one.name, one.value.as_text().value_or(""));
            }
            return true;
        }
        if (name == "variantSets") {
            ListEdit<std::string> names; // the sets themselves follow in the braces
            return texts_into(names, edit);
        }
        if (name == "relocates") {
            layer_.unread.push_back("relocations of prims below " + prim.name);
            return skip_value(0);
        }
        Value value;
        if (!field_value(name, value)) {
            return false;
        }
        if (edit == Edit::none) {
            prim.metadata.push_back({field_name(name), std::move(value)});
        } else {
            layer_.unread.push_back(name + " of " + prim.name);
        }
        return true;
    }

    /// One string, path or asset, or a list of them; “None” for no one.
    bool texts_into(ListEdit<std::string>& list, Edit edit) {
        std::vector<std::string> items;
        if (!texts(items)) {
            return false;
        }
        put(list, edit, std::move(items));
        return true;
    }
    bool texts(std::vector<std::string>& items) {
        const auto one = [&] {
            const TokenKind kind = tokens_.now().kind;
            if (kind != TokenKind::string && kind != TokenKind::path && kind != TokenKind::asset) {
                return expected("a text or a path");
            }
            items.push_back(tokens_.now().value);
            tokens_.next();
            return true;
        };
        if (tokens_.take_word("None")) {
            return true;
        }
        if (!tokens_.take('[')) {
            return one();
        }
        while (!tokens_.take(']')) {
            if (!one() || (!tokens_.take(',') && !tokens_.is(']'))) {
                return expected("“]”");
            }
        }
        return true;
    }

    bool references(std::vector<Reference>& list) {
        if (tokens_.take_word("None")) {
            return true;
        }
        if (!tokens_.take('[')) {
            return reference(list);
        }
        while (!tokens_.take(']')) {
            if (!reference(list) || (!tokens_.take(',') && !tokens_.is(']'))) {
                return expected("“]”");
            }
        }
        return true;
    }
    bool reference(std::vector<Reference>& list) {
        Reference one;
        const bool has_asset = tokens_.now().kind == TokenKind::asset;
        if (has_asset) {
            one.asset = tokens_.now().value;
            tokens_.next();
        }
        if (tokens_.now().kind == TokenKind::path) {
            one.prim = tokens_.now().value;
            tokens_.next();
        } else if (!has_asset) {
            return expected("@…@ or <…>");
        }
        if (tokens_.take('(')) {
            while (!tokens_.take(')')) {
                if (tokens_.take(';') || tokens_.take(',')) {
                    continue;
                }
                std::string name;
                Value value;
                if (!word(name) || !mark('=') || !free_value(value, 0)) {
                    return false;
                }
                if (name == "offset" || name == "scale") {
                    (name == "offset" ? one.offset : one.scale) = value.as_number().value_or(name == "scale" ? 1 : 0);
                }
            }
        }
        list.push_back(std::move(one));
        return true;
    }

    bool property(Prim& prim, Known& known) {
        const Edit edit = this->edit();
        if (edit == Edit::reorder && (tokens_.is_word("nameChildren") || tokens_.is_word("properties"))) {
            return skip_statement();
        }
        const bool custom = tokens_.take_word("custom");
        bool uniform = false;
        for (bool more = true; more;) {
            uniform = uniform || tokens_.is_word("uniform");
            more = tokens_.take_word("uniform") || tokens_.take_word("varying") || tokens_.take_word("config");
        }
        std::string type;
        if (!word(type)) {
            return false;
        }
        if (type == "rel") {
            return relationship(prim, known, edit, custom);
        }
        if (tokens_.take('[')) {
            if (!mark(']')) {
                return false;
            }
            type += "[]";
        }
        std::string name;
        if (!word(name)) {
            return false;
        }
        std::string part;
        if (const size_t dot = name.rfind('.'); dot != std::string::npos) {
            part = name.substr(dot + 1);
            name.resize(dot);
        }
        Property& attribute = property_called(prim, known, name);
        if (attribute.type_name.empty()) {
            attribute.type_name = type;
            attribute.is_custom = custom;
            attribute.is_uniform = uniform;
        }
        if (attribute.is_relationship) {
            return broken(phrase("“{}” is an attribute and a relationship", shown(name)));
        }
        if (part == "connect") {
            return mark('=') && texts_into(attribute.connections, edit);
        }
        if (!part.empty() && part != "timeSamples") {
            layer_.unread.push_back(phrase("“{}” of {}", part, name));
            return mark('=') && skip_value(0);
        }
        if (tokens_.take('=')) {
            const std::optional<Type> typed = type_named(type);
            if (!typed) {
                layer_.unread.push_back(phrase("{}, of the unknown type {}", name, type));
                if (!skip_value(0)) {
                    return false;
                }
            } else if (part == "timeSamples") {
                if (!samples(*typed, attribute)) {
                    return false;
                }
            } else {
                attribute.has_value = true;
                if (!typed_value(*typed, attribute.value, 0)) {
                    return false;
                }
            }
        }
        return property_metadata(attribute);
    }

    bool relationship(Prim& prim, Known& known, Edit edit, bool custom) {
        std::string name;
        if (!word(name)) {
            return false;
        }
        Property& relation = property_called(prim, known, name);
        if (!relation.type_name.empty()) {
            return broken(phrase("“{}” is an attribute and a relationship", shown(name)));
        }
        relation.is_relationship = true;
        relation.is_custom = relation.is_custom || custom;
        if (tokens_.take('=')) {
            relation.has_targets = true;
            if (!texts_into(relation.targets, edit)) {
                return false;
            }
        }
        return property_metadata(relation);
    }

    static Property& property_called(Prim& prim, Known& known, const std::string& name) {
        const auto [at, is_new] = known.emplace(name, prim.properties.size());
        if (is_new) {
            prim.properties.push_back({});
            prim.properties.back().name = name;
        }
        return prim.properties[at->second];
    }

    bool property_metadata(Property& property) {
        if (!tokens_.take('(')) {
            return true;
        }
        while (!tokens_.take(')')) {
            if (tokens_.take(';')) {
                continue;
            }
            if (tokens_.now().kind == TokenKind::string) {
                property.metadata.push_back({"comment", Value::string(tokens_.now().value)});
                tokens_.next();
                continue;
            }
            edit();
            std::string name;
            Value value;
            if (!word(name) || !mark('=') || !field_value(name, value)) {
                return false;
            }
            property.metadata.push_back({field_name(name), std::move(value)});
        }
        return true;
    }

    bool samples(const Type& type, Property& attribute) {
        if (!mark('{')) {
            return false;
        }
        while (!tokens_.take('}')) {
            if (tokens_.take(',')) {
                continue;
            }
            Sample sample;
            if (tokens_.now().kind != TokenKind::number || !as_double(tokens_.now().text, sample.time)) {
                return expected("a time");
            }
            tokens_.next();
            if (!mark(':') || !typed_value(type, sample.value, 0)) {
                return false;
            }
            attribute.samples.push_back(std::move(sample));
        }
        std::stable_sort(attribute.samples.begin(), attribute.samples.end(),
                         [](const Sample& a, const Sample& b) { return a.time < b.time; });
        return true;
    }

    static bool as_double(std::string_view text, double& value) {
        const auto [end, wrong] = std::from_chars(text.data(), text.data() + text.size(), value);
        return wrong == std::errc() && value == value;
    }

    bool typed_value(const Type& type, Value& value, int depth) {
        if (tokens_.take_word("None")) {
            value = {};
            return true;
        }
        if (type.is_number()) {
            std::optional<ScannedNumbers> numbers = scan_numbers(type, tokens_.from_here());
            if (!numbers) {
                return expected(phrase("a value of the type {}", name_of(type)));
            }
            value = std::move(numbers->value);
            tokens_.skip(numbers->length);
            return true;
        }
        if (type.kind == Kind::dictionary) {
            return dictionary(value, depth);
        }
        if (type.is_array != tokens_.is('[')) {
            return expected(phrase("a value of the type {}", name_of(type)));
        }
        std::vector<std::string> items;
        if (!texts(items)) {
            return false;
        }
        value = Value(type, std::move(items));
        return true;
    }

    bool dictionary(Value& value, int depth) {
        if (depth >= deepest) {
            return broken(phrase("dictionaries lie more than {} deep", deepest));
        }
        if (!mark('{')) {
            return false;
        }
        Dictionary entries;
        while (!tokens_.take('}')) {
            if (tokens_.take(';') || tokens_.take(',')) {
                continue;
            }
            std::string type;
            if (!word(type)) {
                return false;
            }
            if (tokens_.take('[')) {
                if (!mark(']')) {
                    return false;
                }
                type += "[]";
            }
            Entry entry;
            if (tokens_.now().kind == TokenKind::string) {
                entry.name = tokens_.now().value;
                tokens_.next();
            } else if (!word(entry.name)) {
                return false;
            }
            if (!mark('=')) {
                return false;
            }
            const std::optional<Type> known = type_named(type);
            if (!known) {
                return broken(phrase("there is no type “{}”", shown(type)));
            }
            if (!typed_value(*known, entry.value, depth + 1)) {
                return false;
            }
            entries.push_back(std::move(entry));
        }
        value = Value(std::move(entries));
        return true;
    }

    bool field_value(const std::string& name, Value& value) {
        const std::optional<Type> type = type_of_field(field_name(name));
        return type ? typed_value(*type, value, 0) : free_value(value, 0);
    }

    /// A value of which nothing says the type.
    bool free_value(Value& value, int depth) {
        const Tokens::Token& now = tokens_.now();
        switch (now.kind) {
        case TokenKind::string:
            value = Value::string(now.value);
            break;
        case TokenKind::asset:
            value = Value({Kind::asset}, {now.value});
            break;
        case TokenKind::path:
            value = Value({Kind::path}, {now.value});
            break;
        case TokenKind::word:
            if (now.text == "true" || now.text == "false") {
                value = Value::truth(now.text == "true");
            } else if (now.text == "None") {
                value = {};
            } else {
                value = Value::token(std::string(now.text));
            }
            break;
        case TokenKind::number: {
            double number = 0;
            if (!as_double(now.text, number)) {
                return expected("a number");
            }
            const bool whole = now.text.find_first_of(".en") == std::string_view::npos;
            value =
                whole && std::abs(number) < 2e9 ? Value::integer(static_cast<int32_t>(number)) : Value::number(number);
            break;
        }
        default:
            if (tokens_.is('{')) {
                return dictionary(value, depth);
            }
            if (tokens_.is('[')) {
                if (auto scanned = scan_numbers({Kind::float64, Form::scalar, 1, true}, tokens_.from_here());
                    scanned && scanned->length > 2) {
                    value = std::move(scanned->value);
                    tokens_.skip(scanned->length);
                    return true;
                }
                std::vector<std::string> items;
                if (!texts(items)) {
                    return false;
                }
                value = Value({Kind::string, Form::scalar, 1, true}, std::move(items));
                return true;
            }
            for (const uint8_t width : {uint8_t{2}, uint8_t{3}, uint8_t{4}}) {
                if (auto scanned = scan_numbers({Kind::float64, Form::vector, width}, tokens_.from_here())) {
                    value = std::move(scanned->value);
                    tokens_.skip(scanned->length);
                    return true;
                }
            }
            return expected("a value");
        }
        tokens_.next();
        return true;
    }

    /// Over what is not read: one value, whatever it is.
    bool skip_value(int depth) {
        if (depth >= deepest) {
            return broken(phrase("brackets lie more than {} deep", deepest));
        }
        const bool opens = tokens_.is('(') || tokens_.is('[') || tokens_.is('{');
        if (tokens_.now().kind == TokenKind::end || tokens_.now().kind == TokenKind::broken ||
            (tokens_.now().kind == TokenKind::mark && !opens)) {
            return expected("a value");
        }
        if (!opens) {
            tokens_.next();
            return true;
        }
        const char close = tokens_.is('(') ? ')' : tokens_.is('[') ? ']' : '}';
        tokens_.next();
        while (!tokens_.take(close)) {
            const bool between = tokens_.take(',') || tokens_.take(':') || tokens_.take(';') || tokens_.take('=');
            if (!between && !skip_value(depth + 1)) {
                return false;
            }
        }
        return true;
    }
    /// “nameChildren = [...]”
    bool skip_statement() {
        std::string name;
        return word(name) && mark('=') && skip_value(0);
    }

    Tokens tokens_;
    Layer layer_;
    Text broken_;
    size_t line_ = 0;
};

} // namespace

Result<Layer> read_text(std::string_view text) {
    if (text.starts_with("\xEF\xBB\xBF")) {
        text.remove_prefix(3);
    }
    if (!text.starts_with("#usda 1.")) {
        return Problem{"it does not begin with “#usda 1.0”.", "", "It is no USD text."};
    }
    if (text.find('\0') != std::string_view::npos) {
        return Problem{"it holds a byte that is no text.", "", "The file is broken."};
    }
    return TextReader(text).run();
}

} // namespace wembrix::usd
