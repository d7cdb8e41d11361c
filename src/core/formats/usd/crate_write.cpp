#include "core/base/file_sink.h"
#include "core/base/hasher.h"
#include "core/formats/usd/crate.h"
#include "core/formats/usd/crate_pack.h"
#include "core/formats/usd/crate_types.h"
#include "core/formats/usd/paths.h"

#include <Eigen/Core>
#include <algorithm>
#include <cassert>
#include <cmath>
#include <cstring>
#include <map>
#include <unordered_map>

namespace wembrix::usd {

namespace {

constexpr size_t header_size = 88;
constexpr uint32_t no_path = 0xFFFFFFFFU;

/// The file as it grows: in memory, or on the disk but for its last piece.
class CrateOut {
  public:
    explicit CrateOut(FileSink* sink) : sink_(sink) {}
    void reserve(size_t size) {
        if (sink_ == nullptr) {
            held_.reserve(size);
        }
    }
    [[nodiscard]] size_t size() const { return gone_ + held_.size(); }
    void append(const char* bytes, size_t size) {
        held_.append(bytes, size);
        constexpr size_t piece = size_t{4} << 20;
        if (sink_ != nullptr && held_.size() >= piece) {
            let_go();
        }
    }
    void append(size_t count, char byte) { held_.append(count, byte); }
    void write_over_head(std::string_view head) {
        if (gone_ == 0) {
            held_.replace(0, head.size(), head);
        } else if (done_) {
            done_ = sink_->write_over(0, head);
        }
    }
    Outcome finish() {
        let_go();
        return done_ ? sink_->finish() : done_;
    }
    [[nodiscard]] const Outcome& outcome() const { return done_; }
    [[nodiscard]] std::string take() { return std::move(held_); }

  private:
    void let_go() {
        if (done_) {
            done_ = sink_->append(held_);
        }
        gone_ += held_.size();
        held_.clear();
    }
    FileSink* sink_;
    std::string held_;
    size_t gone_ = 0;
    Outcome done_ = Done{};
};

class CrateWriter {
  public:
    explicit CrateWriter(FileSink* sink = nullptr) : out_(sink) {}

    std::string run(const Layer& layer) {
        out_.reserve(header_size + size_of_values(layer.prims) + 65536);
        begin();
        root(layer);
        finish();
        return out_.take();
    }
    Outcome run(const Layer& layer, const MadeSamples& made) {
        begin();
        if (Outcome samples = make(made); !samples) {
            return samples;
        }
        root(layer);
        finish();
        return out_.finish();
    }

  private:
    struct Node {
        uint32_t parent = no_path;
        uint32_t token = 0;
        bool is_property = false;
        std::vector<uint32_t> children{};
    };
    struct Spec {
        uint32_t path;
        uint32_t field_set;
        SpecType type;
    };
    using Fields = std::vector<uint32_t>;

    /// Of the arrays alone: so that a large file is not moved about while it grows.
    static size_t size_of_values(const std::vector<Prim>& prims) {
        size_t size = 0;
        for (const Prim& prim : prims) {
            for (const Property& property : prim.properties) {
                size += property.value.bytes().size();
                for (const Sample& sample : property.samples) {
                    size += sample.value.bytes().size() + 32;
                }
            }
            size += size_of_values(prim.children);
        }
        return size;
    }

    void begin() {
        out_.append(header_size, '\0');
        token("-"); // a property's name is told by its place below 0: no name is at 0
        nodes_.push_back({});
    }
    /// The values that are made, moment after moment, before all others.
    Outcome make(const MadeSamples& made) {
        std::vector<std::vector<ValueRep>> reps(made.attributes.size());
        for (size_t moment = 0; moment < made.times.size(); ++moment) {
            const Result<std::vector<Value>> values = made.make(moment);
            if (!values) {
                return values.problem();
            }
            assert(values->size() == reps.size());
            for (size_t a = 0; a < reps.size(); ++a) {
                reps[a].push_back(rep((*values)[a]));
            }
            if (!out_.outcome()) {
                return out_.outcome();
            }
        }
        for (size_t a = 0; a < reps.size(); ++a) {
            made_.emplace(made.attributes[a], samples_at(made.times, reps[a]));
        }
        return Done{};
    }

    // --- bytes
    template <typename T> void put(T value) { out_.append(reinterpret_cast<const char*>(&value), sizeof value); }
    void put(const std::string& bytes) { out_.append(bytes.data(), bytes.size()); }
    void put_packed(const std::string& packed) {
        put<uint64_t>(packed.size());
        put(packed);
    }
    /// Where the next value is, on eight bytes.
    uint64_t here() {
        out_.append((8 - out_.size() % 8) % 8, '\0');
        return out_.size();
    }

    // --- tables
    uint32_t token(const std::string& text) {
        if (text.find('\0') != std::string::npos) { // a zero ends a text there: it is left out
            std::string without = text;
            std::erase(without, '\0');
            return token(without);
        }
        const auto [at, is_new] = token_places_.emplace(text, static_cast<uint32_t>(tokens_.size()));
        if (is_new) {
            tokens_.push_back(text);
        }
        return at->second;
    }
    uint32_t string(const std::string& text) {
        const auto [at, is_new] = string_places_.emplace(text, static_cast<uint32_t>(strings_.size()));
        if (is_new) {
            strings_.push_back(token(text));
        }
        return at->second;
    }
    uint32_t child(uint32_t parent, const std::string& name, bool is_property) {
        const std::string key = std::to_string(parent) + (is_property ? "." : "/") + name;
        const auto [at, is_new] = node_places_.emplace(key, static_cast<uint32_t>(nodes_.size()));
        if (is_new) {
            nodes_.push_back({parent, token(name), is_property});
            nodes_[parent].children.push_back(at->second);
        }
        return at->second;
    }
    uint32_t path(const std::string& text, const std::string& from) {
        if (text.empty()) {
            return no_path;
        }
        uint32_t node = 0;
        for (PathElement& element : elements_of(absolute_path(text, from))) {
            // No name has brackets; in a crate's tree they say targets and variants.
            std::replace_if(
                element.name.begin(), element.name.end(), [](char c) { return std::strchr("[]{}", c) != nullptr; },
                '_');
            node = child(node, element.name, element.is_property);
        }
        return node;
    }

    // --- values
    ValueRep texts_at(CrateType type, const std::vector<std::string>& texts, bool as_tokens, uint64_t flags = 0) {
        const uint64_t at = here();
        std::vector<uint32_t> places;
        for (const std::string& one : texts) {
            places.push_back(as_tokens ? token(one) : string(one));
        }
        put<uint64_t>(places.size());
        out_.append(reinterpret_cast<const char*>(places.data()), places.size() * 4);
        return ValueRep::at(type, at, flags);
    }

    ValueRep rep(const Value& value) {
        const Type& type = value.type();
        if (type.kind == Kind::none) {
            return ValueRep::inlined(CrateType::value_block, 0);
        }
        if (type.kind == Kind::dictionary) {
            return dictionary(value.dictionary());
        }
        const CrateType crate = type.kind == Kind::path ? CrateType::string : crate_type(type);
        assert(crate != CrateType::invalid);
        if (!type.is_number()) {
            const bool tokens = type.kind == Kind::token;
            if (type.is_array) {
                return value.texts().empty() ? ValueRep::at(crate, 0, ValueRep::array_bit)
                                             : texts_at(crate, value.texts(), tokens, ValueRep::array_bit);
            }
            const std::string text = value.texts().empty() ? std::string() : value.texts().front();
            return ValueRep::inlined(crate, tokens || type.kind == Kind::asset ? token(text) : string(text));
        }
        if (!type.is_array) {
            if (const std::optional<uint64_t> payload = inlined(value)) {
                return ValueRep::inlined(crate, *payload);
            }
        } else if (value.size() == 0) {
            return ValueRep::at(crate, 0, ValueRep::array_bit);
        }
        // What was written already is not written again.
        Hasher hasher;
        hasher.number(static_cast<uint8_t>(crate));
        hasher.number(type.is_array);
        hasher.bytes(value.bytes().data(), value.bytes().size());
        const auto [known, is_new] = written_.emplace(hasher.hex(), ValueRep());
        if (is_new) {
            known->second = type.is_array ? array(crate, value) : ValueRep::at(crate, here());
            if (!type.is_array) {
                raw(value);
            }
        }
        return known->second;
    }
    void raw(const Value& value) {
        out_.append(reinterpret_cast<const char*>(value.bytes().data()), value.bytes().size());
    }

    ValueRep array(CrateType crate, const Value& value) {
        constexpr size_t least_packed = 16;
        const uint64_t at = here();
        put<uint64_t>(value.size());
        const Type& type = value.type();
        const bool whole = type.form == Form::scalar && (type.kind == Kind::int32 || type.kind == Kind::uint32 ||
                                                         type.kind == Kind::int64 || type.kind == Kind::uint64);
        if (!whole || value.size() < least_packed) {
            raw(value);
            return ValueRep::at(crate, at, ValueRep::array_bit);
        }
        const auto as = [&](auto zero) {
            std::vector<decltype(zero)> numbers(value.size());
            std::memcpy(numbers.data(), value.bytes().data(), value.bytes().size());
            return pack_integers(std::span<const decltype(zero)>(numbers));
        };
        put_packed(size_of(type.kind) == 4 ? as(int32_t{}) : as(int64_t{}));
        return ValueRep::at(crate, at, ValueRep::array_bit | ValueRep::packed_bit);
    }

    /// The payload of what fits into one.
    static std::optional<uint64_t> inlined(const Value& value) {
        const Type& type = value.type();
        const std::span<const std::byte> bytes = value.bytes();
        if (type.form == Form::quaternion) {
            return std::nullopt;
        }
        const auto is_byte = [](double number) {
            return number >= -128 && number <= 127 && number == std::trunc(number) &&
                   !(number == 0 && std::signbit(number));
        };
        if (type.form != Form::scalar) {
            const std::vector<double> numbers = value.numbers<double>();
            const size_t rows = type.width == 4 ? 2 : type.width == 9 ? 3 : 4;
            uint64_t payload = 0;
            size_t place = 0;
            for (size_t i = 0; i < numbers.size(); ++i) {
                const bool is_in = type.form == Form::vector || i % rows == i / rows;
                if (!is_byte(numbers[i]) || (!is_in && numbers[i] != 0)) {
                    return std::nullopt;
                }
                if (is_in) {
                    payload |= static_cast<uint64_t>(static_cast<uint8_t>(static_cast<int8_t>(numbers[i])))
                               << (8 * place++);
                }
            }
            return payload;
        }
        if (bytes.size() <= 4) {
            uint64_t payload = 0;
            std::memcpy(&payload, bytes.data(), bytes.size());
            return payload;
        }
        if (type.kind == Kind::int64 || type.kind == Kind::uint64) {
            int64_t number = 0;
            std::memcpy(&number, bytes.data(), sizeof number);
            const bool fits = type.kind == Kind::int64 ? number == static_cast<int32_t>(number)
                                                       : static_cast<uint64_t>(number) <= 0xFFFFFFFFU;
            return fits ? std::optional<uint64_t>(static_cast<uint32_t>(number)) : std::nullopt;
        }
        if (type.kind == Kind::timecode) {
            return std::nullopt;
        }
        double number = 0;
        std::memcpy(&number, bytes.data(), sizeof number);
        const auto single = static_cast<float>(number);
        return static_cast<double>(single) == number
                   ? std::optional<uint64_t>(Eigen::numext::bit_cast<uint32_t>(single))
                   : std::nullopt;
    }

    ValueRep dictionary(const Dictionary& entries) {
        if (entries.empty()) {
            return ValueRep::inlined(CrateType::dictionary, 0);
        }
        std::vector<std::pair<uint32_t, ValueRep>> all;
        for (const Entry& one : entries) {
            all.emplace_back(string(one.name), rep(one.value));
        }
        const uint64_t at = here();
        put<uint64_t>(all.size());
        for (const auto& [name, value] : all) {
            put(name);
            nested(value);
        }
        return ValueRep::at(CrateType::dictionary, at);
    }
    /// A rep of which all that it needs is written already.
    void nested(ValueRep rep) {
        put<int64_t>(8);
        put(rep.bits);
    }

    ValueRep samples(const std::vector<Sample>& samples) {
        std::vector<double> times;
        std::vector<ValueRep> values;
        for (const Sample& one : samples) {
            times.push_back(one.time);
            values.push_back(rep(one.value));
        }
        return samples_at(std::move(times), values);
    }
    ValueRep samples_at(std::vector<double> times, const std::vector<ValueRep>& values) {
        const ValueRep all_times = rep(Value::array<double>({Kind::float64}, std::move(times)));
        const uint64_t at = here();
        nested(all_times);
        put<int64_t>(8);
        put<uint64_t>(values.size());
        for (const ValueRep& one : values) {
            put(one.bits);
        }
        return ValueRep::at(CrateType::time_samples, at);
    }

    template <typename Item, typename Write>
    ValueRep edit(CrateType type, const ListEdit<Item>& list, const Write& write) {
        uint8_t bits = list.is_explicit ? 3 : 0;
        bits |= list.added.empty() ? 0U : 1U << 2U;
        bits |= list.deleted.empty() ? 0U : 1U << 3U;
        bits |= list.ordered.empty() ? 0U : 1U << 4U;
        bits |= list.prepended.empty() ? 0U : 1U << 5U;
        bits |= list.appended.empty() ? 0U : 1U << 6U;
        const uint64_t at = here();
        put(bits);
        const auto part = [&](const std::vector<Item>& items, bool always) {
            if (!items.empty() || always) {
                put<uint64_t>(items.size());
                for (const Item& one : items) {
                    write(one);
                }
            }
        };
        part(list.items, list.is_explicit);
        part(list.added, false);
        part(list.prepended, false);
        part(list.appended, false);
        part(list.deleted, false);
        part(list.ordered, false);
        return ValueRep::at(type, at);
    }
    ValueRep path_edit(const ListEdit<std::string>& list, const std::string& from) {
        return edit(CrateType::path_list_op, list, [&](const std::string& one) { put(path(one, from)); });
    }
    ValueRep reference_edit(CrateType type, const ListEdit<Reference>& list, const std::string& from) {
        return edit(type, list, [&](const Reference& one) {
            put(string(one.asset));
            put(path(one.prim, from));
            put(one.offset);
            put(one.scale);
            if (type == CrateType::reference_list_op) {
                put<uint64_t>(0);
            }
        });
    }

    // --- specs
    void field(Fields& fields, const std::string& name, ValueRep rep) {
        const auto [at, is_new] =
            field_places_.emplace(std::pair(token(name), rep.bits), static_cast<uint32_t>(fields_.size()));
        if (is_new) {
            fields_.emplace_back(token(name), rep);
        }
        fields.push_back(at->second);
    }
    void metadata(Fields& fields, const Dictionary& of) {
        for (const Entry& one : of) {
            field(fields, one.name, rep(one.value));
        }
    }
    void spec(uint32_t path, SpecType type, Fields fields) {
        const auto [at, is_new] = set_places_.emplace(fields, static_cast<uint32_t>(field_sets_.size()));
        if (is_new) {
            for (const uint32_t one : fields) {
                field_sets_.push_back(static_cast<int32_t>(one));
            }
            field_sets_.push_back(-1);
        }
        specs_.push_back({path, at->second, type});
    }

    void root(const Layer& layer) {
        Fields fields;
        metadata(fields, layer.metadata);
        if (!layer.sublayers.empty()) {
            std::vector<std::string> assets;
            for (const Reference& one : layer.sublayers) {
                assets.push_back(one.asset);
            }
            field(fields, "subLayers", texts_at(CrateType::string_vector, assets, false));
            const uint64_t at = here();
            put<uint64_t>(layer.sublayers.size());
            for (const Reference& one : layer.sublayers) {
                put(one.offset);
                put(one.scale);
            }
            field(fields, "subLayerOffsets", ValueRep::at(CrateType::layer_offsets, at));
        }
        prim_children(fields, layer.prims);
        spec(0, SpecType::pseudo_root, std::move(fields));
        for (const Prim& one : layer.prims) {
            prim(one, child(0, one.name, false), "/" + one.name, SpecType::prim);
        }
    }
    void prim_children(Fields& fields, const std::vector<Prim>& prims) {
        if (!prims.empty()) {
            std::vector<std::string> names;
            for (const Prim& one : prims) {
                names.push_back(one.name);
            }
            field(fields, "primChildren", texts_at(CrateType::token_vector, names, true));
        }
    }

    void prim(const Prim& one, uint32_t place, const std::string& at, SpecType type) {
        Fields fields;
        if (type == SpecType::prim) {
            field(fields, "specifier", ValueRep::inlined(CrateType::specifier, static_cast<uint64_t>(one.specifier)));
        }
        if (!one.type_name.empty()) {
            field(fields, "typeName", rep(Value::token(one.type_name)));
        }
        metadata(fields, one.metadata);
        if (!one.api_schemas.empty()) {
            field(fields, "apiSchemas",
                  edit(CrateType::token_list_op, one.api_schemas, [&](const std::string& text) { put(token(text)); }));
        }
        if (!one.references.empty()) {
            field(fields, "references", reference_edit(CrateType::reference_list_op, one.references, at));
        }
        if (!one.payloads.empty()) {
            field(fields, "payload", reference_edit(CrateType::payload_list_op, one.payloads, at));
        }
        if (!one.inherits.empty()) {
            field(fields, "inheritPaths", path_edit(one.inherits, at));
        }
        if (!one.specializes.empty()) {
            field(fields, "specializes", path_edit(one.specializes, at));
        }
        if (!one.variants.empty()) {
            const uint64_t begin = here();
            put<uint64_t>(one.variants.size());
            for (const auto& [set, variant] : one.variants) {
                put(string(set));
                put(string(variant));
            }
            field(fields, "variantSelection", ValueRep::at(CrateType::variant_selections, begin));
        }
        std::vector<std::string> sets;
        for (const VariantSet& set : one.variant_sets) {
            sets.push_back(set.name);
        }
        if (!sets.empty()) {
            ListEdit<std::string> names;
            names.prepended = sets;
            field(fields, "variantSetNames",
                  edit(CrateType::string_list_op, names, [&](const std::string& text) { put(string(text)); }));
            field(fields, "variantSetChildren", texts_at(CrateType::token_vector, sets, true));
        }
        if (!one.properties.empty()) {
            std::vector<std::string> names;
            for (const Property& property : one.properties) {
                names.push_back(property.name);
            }
            field(fields, "properties", texts_at(CrateType::token_vector, names, true));
        }
        prim_children(fields, one.children);
        spec(place, type, std::move(fields));
        for (const Property& each : one.properties) {
            property(each, child(place, each.name, true), at);
        }
        for (const VariantSet& set : one.variant_sets) {
            Fields set_fields;
            std::vector<std::string> names;
            for (const Prim& variant : set.variants) {
                names.push_back(variant.name);
            }
            field(set_fields, "variantChildren", texts_at(CrateType::token_vector, names, true));
            spec(child(place, "{" + set.name + "=}", false), SpecType::variant_set, std::move(set_fields));
            for (const Prim& variant : set.variants) {
                prim(variant, child(place, "{" + set.name + "=" + variant.name + "}", false), at, SpecType::variant);
            }
        }
        for (const Prim& each : one.children) {
            prim(each, child(place, each.name, false), at + "/" + each.name, SpecType::prim);
        }
    }

    void property(const Property& one, uint32_t place, const std::string& at) {
        Fields fields;
        if (!one.is_relationship) {
            field(fields, "typeName", rep(Value::token(one.type_name)));
        }
        if (one.is_custom) {
            field(fields, "custom", ValueRep::inlined(CrateType::boolean, 1));
        }
        if (one.is_uniform || one.is_relationship) {
            field(fields, "variability", ValueRep::inlined(CrateType::variability, 1));
        }
        metadata(fields, one.metadata);
        if (one.has_value) {
            field(fields, "default", rep(one.value));
        }
        if (const auto found = made_.find(at + "." + one.name); found != made_.end()) {
            field(fields, "timeSamples", found->second);
        } else if (!one.samples.empty()) {
            field(fields, "timeSamples", samples(one.samples));
        }
        if (!one.connections.empty()) {
            field(fields, "connectionPaths", path_edit(one.connections, at));
        }
        if (one.has_targets) {
            field(fields, "targetPaths", path_edit(one.targets, at));
        }
        spec(place, one.is_relationship ? SpecType::relationship : SpecType::attribute, std::move(fields));
    }

    // --- sections
    void section(const char* name, uint64_t begin) { sections_.push_back({name, begin, out_.size() - begin}); }

    void finish() {
        uint64_t begin = here();
        std::string text;
        for (const std::string& one : tokens_) {
            text += one;
            text += '\0';
        }
        put<uint64_t>(tokens_.size());
        put<uint64_t>(text.size());
        put_packed(pack_bytes(std::as_bytes(std::span(text))));
        section("TOKENS", begin);

        begin = here();
        put<uint64_t>(strings_.size());
        for (const uint32_t one : strings_) {
            put(one);
        }
        section("STRINGS", begin);

        begin = here();
        std::vector<int32_t> names;
        std::vector<uint64_t> reps;
        for (const auto& [name, rep] : fields_) {
            names.push_back(static_cast<int32_t>(name));
            reps.push_back(rep.bits);
        }
        put<uint64_t>(fields_.size());
        put_packed(pack_integers(std::span<const int32_t>(names)));
        put_packed(pack_bytes(std::as_bytes(std::span(reps))));
        section("FIELDS", begin);

        begin = here();
        put<uint64_t>(field_sets_.size());
        put_packed(pack_integers(std::span<const int32_t>(field_sets_)));
        section("FIELDSETS", begin);

        begin = here();
        paths();
        section("PATHS", begin);

        begin = here();
        std::vector<int32_t> columns[3];
        for (const Spec& one : specs_) {
            columns[0].push_back(static_cast<int32_t>(one.path));
            columns[1].push_back(static_cast<int32_t>(one.field_set));
            columns[2].push_back(static_cast<int32_t>(one.type));
        }
        put<uint64_t>(specs_.size());
        for (const std::vector<int32_t>& column : columns) {
            put_packed(pack_integers(std::span<const int32_t>(column)));
        }
        section("SPECS", begin);

        const uint64_t contents = here();
        put<uint64_t>(sections_.size());
        for (const auto& [name, start, size] : sections_) {
            std::string padded = name;
            padded.resize(16, '\0');
            put(padded);
            put(start);
            put(size);
        }
        std::string head(24, '\0');
        std::memcpy(head.data(), "PXR-USDC", 8);
        head[9] = 8; // version 0.8.0
        std::memcpy(head.data() + 16, &contents, sizeof contents);
        out_.write_over_head(head);
    }

    /// The tree depth first: place, name, and how far it is to the next sibling (0: it is next; -1: none, a child is
    /// next; -2: neither).
    void paths() {
        std::vector<int32_t> places;
        std::vector<int32_t> names;
        std::vector<int32_t> jumps;
        struct Open {
            uint32_t node;
            bool has_sibling;
            size_t sibling_of; ///< the row that waits to learn where this one is; npos: none
        };
        constexpr size_t none = static_cast<size_t>(-1);
        std::vector<Open> open = {{0, false, none}};
        while (!open.empty()) {
            const Open now = open.back();
            open.pop_back();
            const size_t row = places.size();
            if (now.sibling_of != none) {
                jumps[now.sibling_of] = static_cast<int32_t>(row - now.sibling_of);
            }
            const Node& node = nodes_[now.node];
            places.push_back(static_cast<int32_t>(now.node));
            const auto name = static_cast<int32_t>(node.token);
            names.push_back(now.node == 0 ? 0 : node.is_property ? -name : name);
            const bool has_child = !node.children.empty();
            jumps.push_back(has_child ? -1 : now.has_sibling ? 0 : -2);
            if (now.has_sibling) {
                // The sibling lies below on the pile; it is told who waits for it.
                open.back().sibling_of = has_child ? row : none;
            }
            for (size_t c = node.children.size(); c-- > 0;) {
                open.push_back({node.children[c], c + 1 < node.children.size(), none});
            }
        }
        put<uint64_t>(nodes_.size());
        put<uint64_t>(places.size());
        put_packed(pack_integers(std::span<const int32_t>(places)));
        put_packed(pack_integers(std::span<const int32_t>(names)));
        put_packed(pack_integers(std::span<const int32_t>(jumps)));
    }

    CrateOut out_;
    std::unordered_map<std::string, ValueRep> made_; ///< time samples, by an attribute's path
    std::vector<std::string> tokens_;
    std::unordered_map<std::string, uint32_t> token_places_;
    std::vector<uint32_t> strings_;
    std::unordered_map<std::string, uint32_t> string_places_;
    std::vector<Node> nodes_;
    std::unordered_map<std::string, uint32_t> node_places_;
    std::vector<std::pair<uint32_t, ValueRep>> fields_;
    std::map<std::pair<uint32_t, uint64_t>, uint32_t> field_places_;
    std::vector<int32_t> field_sets_;
    std::map<Fields, uint32_t> set_places_;
    std::vector<Spec> specs_;
    std::unordered_map<std::string, ValueRep> written_;
    struct Section {
        std::string name;
        uint64_t begin;
        uint64_t size;
    };
    std::vector<Section> sections_;
};

} // namespace

std::string write_crate(const Layer& layer) {
    return CrateWriter().run(layer);
}

Outcome write_crate(const Layer& layer, const MadeSamples& made, const std::filesystem::path& file) {
    Result<FileSink> sink = FileSink::create(file);
    if (!sink) {
        return sink.problem();
    }
    FileSink out = sink.take();
    return CrateWriter(&out).run(layer, made);
}

} // namespace wembrix::usd
