#include "core/base/text.h"
#include "core/formats/usd/crate.h"
#include "core/formats/usd/crate_pack.h"
#include "core/formats/usd/crate_types.h"

#include <Eigen/Core>
#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>
#include <fmt/format.h>
#include <map>
#include <unordered_map>
#include <unordered_set>

namespace wembrix::usd {

namespace {

constexpr std::string_view magic = "PXR-USDC";

/// Walks through the file's bytes; once it has come to their end nothing more is read, and `ok` says so.
class Cursor {
  public:
    Cursor(std::span<const std::byte> bytes, uint64_t at) : bytes_(bytes), at_(at) { ok_ = at <= bytes.size(); }
    template <typename T> T take() {
        T value{};
        if (!ok_ || bytes_.size() - at_ < sizeof value) {
            ok_ = false;
            return value;
        }
        std::memcpy(&value, bytes_.data() + at_, sizeof value);
        at_ += sizeof value;
        return value;
    }
    std::span<const std::byte> take_bytes(uint64_t size) {
        if (!ok_ || size > bytes_.size() - at_) {
            ok_ = false;
            return {};
        }
        const std::span<const std::byte> taken = bytes_.subspan(at_, size);
        at_ += size;
        return taken;
    }
    [[nodiscard]] bool ok() const { return ok_; }
    [[nodiscard]] uint64_t at() const { return at_; }
    [[nodiscard]] uint64_t left() const { return ok_ ? bytes_.size() - at_ : 0; }
    void go_to(uint64_t at) {
        ok_ = ok_ && at <= bytes_.size();
        at_ = ok_ ? at : 0;
    }

  private:
    std::span<const std::byte> bytes_;
    uint64_t at_ = 0;
    bool ok_ = true;
};

class CrateReader {
  public:
    CrateReader(std::shared_ptr<const void> owner, std::string_view bytes)
        : file_(std::move(owner)), bytes_(std::as_bytes(std::span(bytes.data(), bytes.size()))) {}

    Result<Layer> run() {
        if (!sections() || !tokens() || !strings() || !fields() || !field_sets() || !paths() || !specs() || !layer()) {
            return Problem{broken_.empty() ? "the file ends too early." : broken_ + ".", "", "The file is broken."};
        }
        return std::move(layer_);
    }

  private:
    struct Section {
        uint64_t begin = 0;
        uint64_t size = 0;
    };
    struct Field {
        uint32_t token = 0;
        ValueRep rep;
    };
    struct Node {
        int32_t parent = -2; ///< -2: not in the tree; -1: the root
        uint32_t token = 0;
        bool is_property = false;
    };
    struct Spec {
        int64_t field_set = -1;
        SpecType type = SpecType::prim;
    };

    bool broken(Text what) {
        if (broken_.empty()) {
            broken_ = std::move(what);
        }
        return false;
    }

    bool sections() {
        Cursor head(bytes_, 0);
        head.take_bytes(magic.size());
        const auto version = head.take_bytes(8);
        if (!head.ok()) {
            return false;
        }
        major_ = static_cast<uint8_t>(version[0]);
        minor_ = static_cast<uint8_t>(version[1]);
        if (major_ != 0 || minor_ > 13) {
            return broken(phrase("it is of version {}.{}, which is newer than what is read", major_, minor_));
        }
        if (minor_ < 4) {
            return broken(phrase("it is of version 0.{}, which is older than what is read", minor_));
        }
        Cursor toc(bytes_, head.take<uint64_t>());
        const auto count = toc.take<uint64_t>();
        if (count > 64) {
            return broken("its table of contents is none");
        }
        for (uint64_t i = 0; i < count; ++i) {
            const auto name = toc.take_bytes(16);
            const auto begin = toc.take<uint64_t>();
            const auto size = toc.take<uint64_t>();
            if (!toc.ok() || begin > bytes_.size() || size > bytes_.size() - begin) {
                return broken("its table of contents leads out of the file");
            }
            const auto* text = reinterpret_cast<const char*>(name.data());
            sections_[std::string(text, strnlen(text, 16))] = {begin, size};
        }
        return toc.ok();
    }
    bool section(const char* name, Cursor& cursor) {
        const auto found = sections_.find(name);
        if (found == sections_.end()) {
            return broken(phrase("it has no section {}", name));
        }
        cursor = Cursor(bytes_.first(found->second.begin + found->second.size), found->second.begin);
        return true;
    }

    /// Counts what is unpacked: a file of this size does not hold so much, packed however well.
    bool is_too_many(uint64_t count, size_t size) {
        constexpr uint64_t always = uint64_t{256} << 20U;
        const uint64_t most = std::max<uint64_t>(always, bytes_.size() * 64);
        if (count > most / size || unpacked_ + count * size > most) {
            return true;
        }
        unpacked_ += count * size;
        return false;
    }

    bool tokens() {
        Cursor cursor(bytes_, 0);
        if (!section("TOKENS", cursor)) {
            return false;
        }
        const auto count = cursor.take<uint64_t>();
        const auto size = cursor.take<uint64_t>();
        const auto packed_size = cursor.take<uint64_t>();
        const auto packed = cursor.take_bytes(packed_size);
        if (!cursor.ok() || is_too_many(size, 1) || count > size) {
            return broken("its tokens are broken");
        }
        const auto text = unpack_bytes(packed, size);
        if (!text) {
            return broken("its tokens are broken");
        }
        const auto* at = reinterpret_cast<const char*>(text->data());
        const char* end = at + text->size();
        tokens_.reserve(count);
        while (tokens_.size() < count) {
            const auto* zero = static_cast<const char*>(std::memchr(at, 0, static_cast<size_t>(end - at)));
            if (zero == nullptr) {
                return broken("its tokens are broken");
            }
            tokens_.emplace_back(at, zero);
            at = zero + 1;
        }
        return true;
    }

    bool strings() {
        Cursor cursor(bytes_, 0);
        if (!section("STRINGS", cursor)) {
            return false;
        }
        const auto count = cursor.take<uint64_t>();
        if (count > cursor.left() / 4) {
            return broken("its strings are broken");
        }
        for (uint64_t i = 0; i < count; ++i) {
            strings_.push_back(cursor.take<uint32_t>());
        }
        return true;
    }

    bool packed_ints(Cursor& cursor, uint64_t count, std::vector<int32_t>& to) {
        const auto size = cursor.take<uint64_t>();
        const auto packed = cursor.take_bytes(size);
        if (!cursor.ok() || is_too_many(count, 4)) {
            return false;
        }
        std::optional<std::vector<int32_t>> values = count == 0 ? std::vector<int32_t>() : unpack_int32(packed, count);
        if (!values) {
            return false;
        }
        to = std::move(*values);
        return true;
    }

    bool fields() {
        Cursor cursor(bytes_, 0);
        std::vector<int32_t> names;
        if (!section("FIELDS", cursor)) {
            return false;
        }
        const auto count = cursor.take<uint64_t>();
        if (!packed_ints(cursor, count, names)) {
            return broken("its fields are broken");
        }
        const auto size = cursor.take<uint64_t>();
        const auto packed = cursor.take_bytes(size);
        if (!cursor.ok() || is_too_many(count, 8)) {
            return broken("its fields are broken");
        }
        const auto reps = unpack_bytes(packed, count * 8);
        if (!reps) {
            return broken("its fields are broken");
        }
        fields_.resize(count);
        for (size_t i = 0; i < count; ++i) {
            fields_[i].token = static_cast<uint32_t>(names[i]);
            std::memcpy(&fields_[i].rep.bits, reps->data() + i * 8, 8);
            if (fields_[i].token >= tokens_.size()) {
                return broken("a field has no name");
            }
        }
        return true;
    }

    bool field_sets() {
        Cursor cursor(bytes_, 0);
        if (!section("FIELDSETS", cursor)) {
            return false;
        }
        const auto count = cursor.take<uint64_t>();
        return packed_ints(cursor, count, field_sets_) || broken("its sets of fields are broken");
    }

    bool paths() {
        Cursor cursor(bytes_, 0);
        if (!section("PATHS", cursor)) {
            return false;
        }
        const auto all = cursor.take<uint64_t>();
        const auto count = cursor.take<uint64_t>();
        std::vector<int32_t> places;
        std::vector<int32_t> elements;
        std::vector<int32_t> jumps;
        if (is_too_many(all, sizeof(Node)) || count > all || !packed_ints(cursor, count, places) ||
            !packed_ints(cursor, count, elements) || !packed_ints(cursor, count, jumps)) {
            return broken("its paths are broken");
        }
        nodes_.resize(all);
        children_.resize(all);
        struct Open {
            size_t at;
            int32_t parent;
        };
        std::vector<Open> open;
        if (count > 0) {
            open.push_back({0, -1});
        }
        size_t taken = 0;
        while (!open.empty()) {
            auto [at, parent] = open.back();
            open.pop_back();
            for (bool goes_on = true; goes_on;) {
                if (at >= count || ++taken > count) {
                    return broken("its paths lead nowhere");
                }
                const int32_t place = places[at];
                if (place < 0 || static_cast<size_t>(place) >= all || nodes_[static_cast<size_t>(place)].parent != -2) {
                    return broken("its paths are broken");
                }
                Node& node = nodes_[static_cast<size_t>(place)];
                node.parent = parent;
                const int64_t element = elements[at];
                node.is_property = element < 0;
                node.token = static_cast<uint32_t>(std::abs(element));
                if (parent >= 0) {
                    if (node.token >= tokens_.size()) {
                        return broken("a path has no name");
                    }
                    children_[static_cast<size_t>(parent)].push_back(place);
                } else if (root_ >= 0) {
                    return broken("its paths have two roots");
                } else {
                    root_ = place;
                }
                const int32_t jump = jumps[at];
                const bool has_child = jump > 0 || jump == -1;
                const bool has_sibling = jump >= 0;
                if (has_child && has_sibling) {
                    open.push_back({at + static_cast<size_t>(jump), parent});
                }
                parent = has_child ? place : parent;
                goes_on = has_child || has_sibling;
                ++at;
            }
        }
        return true;
    }

    bool specs() {
        Cursor cursor(bytes_, 0);
        if (!section("SPECS", cursor)) {
            return false;
        }
        const auto count = cursor.take<uint64_t>();
        std::vector<int32_t> places;
        std::vector<int32_t> sets;
        std::vector<int32_t> types;
        if (!packed_ints(cursor, count, places) || !packed_ints(cursor, count, sets) ||
            !packed_ints(cursor, count, types)) {
            return broken("its specs are broken");
        }
        specs_.resize(nodes_.size());
        for (size_t i = 0; i < count; ++i) {
            if (places[i] < 0 || static_cast<size_t>(places[i]) >= nodes_.size() || sets[i] < 0 ||
                static_cast<size_t>(sets[i]) >= field_sets_.size()) {
                return broken("its specs are broken");
            }
            specs_[static_cast<size_t>(places[i])] = {sets[i], static_cast<SpecType>(types[i])};
        }
        return true;
    }

    [[nodiscard]] const std::string& token(uint64_t place) {
        static const std::string none;
        if (place < tokens_.size()) {
            return tokens_[place];
        }
        broken("a value is a token that is not there");
        return none;
    }
    [[nodiscard]] const std::string& string(uint64_t place) {
        static const std::string none;
        if (place < strings_.size()) {
            return token(strings_[place]);
        }
        broken("a value is a string that is not there");
        return none;
    }
    [[nodiscard]] std::string path(uint64_t place) {
        std::vector<size_t> up;
        if (place >= nodes_.size()) {
            broken("a value is a path that is not there");
            return {};
        }
        size_t length = 0;
        constexpr size_t longest = 65536;
        for (auto at = static_cast<int32_t>(place); at >= 0 && nodes_[static_cast<size_t>(at)].parent != -2;
             at = nodes_[static_cast<size_t>(at)].parent) {
            up.push_back(static_cast<size_t>(at));
            if (at != root_) {
                length += tokens_[nodes_[static_cast<size_t>(at)].token].size() + 1;
            }
            if (length > longest) {
                broken("a path is too long");
                return {};
            }
        }
        std::string text;
        for (size_t i = up.size(); i-- > 0;) {
            const Node& node = nodes_[up[i]];
            if (node.parent < 0) {
                continue;
            }
            const std::string& name = tokens_[node.token];
            text += node.is_property ? "." : name.starts_with('{') || name.starts_with('[') ? "" : "/";
            text += name;
        }
        return text.empty() ? "/" : text;
    }

    /// The value at a rep; blocked, and `unread_` set, where it is of a type that is not read.
    Value value(ValueRep rep, int depth = 0) {
        const std::optional<Type> element = type_of_crate(rep.type());
        if (element) {
            Type type = *element;
            type.is_array = rep.is_array();
            return type.is_array ? array(type, rep) : rep.is_inlined() ? inlined(type, rep) : single(type, rep);
        }
        switch (static_cast<CrateType>(rep.type())) {
        case CrateType::value_block:
            return {};
        case CrateType::dictionary:
            return rep.is_inlined() ? Value(Dictionary()) : dictionary(rep.payload(), depth);
        case CrateType::token_vector:
        case CrateType::string_vector: {
            std::vector<std::string> texts = text_vector(rep);
            const bool tokens = static_cast<CrateType>(rep.type()) == CrateType::token_vector;
            return Value({tokens ? Kind::token : Kind::string, Form::scalar, 1, true}, std::move(texts));
        }
        case CrateType::double_vector: {
            Cursor cursor(bytes_, rep.payload());
            return raw({Kind::float64, Form::scalar, 1, true}, cursor, cursor.take<uint64_t>());
        }
        case CrateType::specifier:
        case CrateType::permission:
        case CrateType::variability:
            return Value::integer(static_cast<int32_t>(rep.payload()));
        default:
            unread_ = true;
            return {};
        }
    }

    Value inlined(const Type& type, ValueRep rep) {
        const auto low = static_cast<uint32_t>(rep.payload());
        const auto as = [&](auto one) { return Value::of<decltype(one)>(type, {one}); };
        switch (type.kind) {
        case Kind::string:
            return Value(type, {string(low)});
        case Kind::token:
        case Kind::asset:
            return Value(type, {token(low)});
        default:
            break;
        }
        if (type.form == Form::matrix) { // the diagonal, a byte each
            const size_t rows = type.width == 4 ? 2 : type.width == 9 ? 3 : 4;
            std::vector<double> all(type.width, 0);
            for (size_t r = 0; r < rows; ++r) {
                all[r * rows + r] = static_cast<int8_t>(low >> (8 * r));
            }
            return Value::of<double>(type, std::move(all));
        }
        if (type.form == Form::vector) { // a byte each
            std::array<int8_t, 4> each{};
            std::memcpy(each.data(), &low, 4);
            const auto components = [&](auto zero) {
                std::vector<decltype(zero)> all;
                for (size_t c = 0; c < type.width; ++c) {
                    all.push_back(static_cast<decltype(zero)>(each[c]));
                }
                return Value::of<decltype(zero)>(type, std::move(all));
            };
            if (type.kind == Kind::half) {
                std::vector<uint16_t> all;
                for (size_t c = 0; c < type.width; ++c) {
                    all.push_back(to_half(each[c]));
                }
                return Value::of<uint16_t>(type, std::move(all));
            }
            return type.kind == Kind::float32   ? components(0.0F)
                   : type.kind == Kind::float64 ? components(0.0)
                                                : components(int32_t{0});
        }
        if (type.form == Form::quaternion) {
            broken("a quaternion has no place");
            return {};
        }
        switch (type.kind) {
        case Kind::boolean:
        case Kind::uchar:
            return as(static_cast<uint8_t>(low));
        case Kind::int32:
            return as(static_cast<int32_t>(low));
        case Kind::uint32:
            return as(low);
        case Kind::int64:
            return as(static_cast<int64_t>(static_cast<int32_t>(low)));
        case Kind::uint64:
            return as(static_cast<uint64_t>(low));
        case Kind::half:
            return as(static_cast<uint16_t>(low));
        case Kind::float32:
            return as(Eigen::numext::bit_cast<float>(low));
        default:
            return as(static_cast<double>(Eigen::numext::bit_cast<float>(low)));
        }
    }

    Value single(const Type& type, ValueRep rep) {
        Cursor cursor(bytes_, rep.payload());
        if (!type.is_number()) {
            return Value(type, {string(cursor.take<uint32_t>())});
        }
        return raw(type, cursor, 1);
    }

    /// As they lie in the file.
    Value raw(const Type& type, Cursor& cursor, uint64_t count) {
        if (count > cursor.left() / type.element_size()) {
            broken("an array leads out of the file");
            return {};
        }
        return Value(type, file_, cursor.take_bytes(count * type.element_size()));
    }

    Value array(const Type& type, ValueRep rep) {
        if (rep.payload() == 0) {
            return type.is_number() ? Value(type, nullptr, {}) : Value(type, std::vector<std::string>());
        }
        Cursor cursor(bytes_, rep.payload());
        if (minor_ < 5) {
            cursor.take<uint32_t>(); // a number of dimensions, always one
        }
        const uint64_t count = minor_ < 7 ? cursor.take<uint32_t>() : cursor.take<uint64_t>();
        if (!type.is_number()) {
            if (count > cursor.left() / 4) {
                broken("an array leads out of the file");
                return {};
            }
            std::vector<std::string> texts;
            texts.reserve(count);
            for (uint64_t i = 0; i < count && broken_.empty(); ++i) {
                const auto place = cursor.take<uint32_t>();
                texts.push_back(type.kind == Kind::token ? token(place) : string(place));
                if (is_too_many(texts.back().size() + sizeof(std::string), 1)) {
                    broken("an array of texts is too long");
                }
            }
            return Value(type, std::move(texts));
        }
        constexpr uint64_t least_packed = 16;
        if (!rep.is_packed() || count < least_packed) {
            return raw(type, cursor, count);
        }
        if (is_too_many(count, type.element_size()) || type.form != Form::scalar) {
            broken("an array is too long");
            return {};
        }
        return packed_array(type, cursor, count);
    }

    Value packed_array(const Type& type, Cursor& cursor, uint64_t count) {
        const auto ints = [&]() -> std::optional<std::vector<int32_t>> {
            const auto size = cursor.take<uint64_t>();
            const auto packed = cursor.take_bytes(size);
            return cursor.ok() ? unpack_int32(packed, count) : std::nullopt;
        };
        const auto fail = [&] {
            broken("a packed array is broken");
            return Value();
        };
        switch (type.kind) {
        case Kind::int32:
        case Kind::uint32: {
            auto values = ints();
            return values ? Value::array<int32_t>(type, std::move(*values)) : fail();
        }
        case Kind::int64:
        case Kind::uint64: {
            const auto size = cursor.take<uint64_t>();
            const auto packed = cursor.take_bytes(size);
            auto values = cursor.ok() ? unpack_int64(packed, count) : std::nullopt;
            return values ? Value::array<int64_t>(type, std::move(*values)) : fail();
        }
        case Kind::half:
        case Kind::float32:
        case Kind::float64:
            break;
        default:
            return fail();
        }
        const auto code = cursor.take<char>();
        if (code == 'i') { // whole numbers
            const auto values = ints();
            if (!values) {
                return fail();
            }
            if (type.kind == Kind::half) {
                std::vector<uint16_t> halves;
                for (const int32_t one : *values) {
                    halves.push_back(to_half(static_cast<float>(one)));
                }
                return Value::array<uint16_t>(type, std::move(halves));
            }
            return type.kind == Kind::float32
                       ? Value::array<float>(type, std::vector<float>(values->begin(), values->end()))
                       : Value::array<double>(type, std::vector<double>(values->begin(), values->end()));
        }
        if (code != 't') {
            return fail();
        }
        const auto table_size = cursor.take<uint32_t>(); // a table, and places in it
        const auto table = cursor.take_bytes(uint64_t{table_size} * type.element_size());
        const auto places = cursor.ok() ? ints() : std::nullopt;
        if (!places) {
            return fail();
        }
        const size_t size = type.element_size();
        auto all = std::make_shared<std::vector<std::byte>>(count * size);
        for (size_t i = 0; i < count; ++i) {
            const auto place = static_cast<uint32_t>((*places)[i]);
            if (place >= table_size) {
                return fail();
            }
            std::memcpy(all->data() + i * size, table.data() + place * size, size);
        }
        const std::span<const std::byte> bytes(*all);
        return Value(type, std::move(all), bytes);
    }

    std::vector<std::string> text_vector(ValueRep rep) {
        Cursor cursor(bytes_, rep.payload());
        return texts(cursor, static_cast<CrateType>(rep.type()) == CrateType::token_vector ? 't' : 's');
    }
    /// A count and so many places: of tokens (t), strings (s) or paths (p).
    std::vector<std::string> texts(Cursor& cursor, char of) {
        const auto count = cursor.take<uint64_t>();
        if (count > cursor.left() / 4) {
            broken("a list leads out of the file");
            return {};
        }
        std::vector<std::string> all;
        for (uint64_t i = 0; i < count && broken_.empty(); ++i) {
            const auto place = cursor.take<uint32_t>();
            all.push_back(of == 't' ? token(place) : of == 's' ? string(place) : path(place));
            if (is_too_many(all.back().size() + sizeof(std::string), 1)) {
                broken("its lists are too long");
            }
        }
        return all;
    }

    /// A rep that stands behind what it needs; the cursor goes behind it.
    ValueRep nested(Cursor& cursor) {
        const uint64_t start = cursor.at();
        const auto jump = cursor.take<int64_t>();
        cursor.go_to(start + static_cast<uint64_t>(std::max<int64_t>(jump, 8)));
        return {cursor.take<uint64_t>()};
    }

    Value dictionary(uint64_t at, int depth) {
        if (depth >= deepest) {
            broken("dictionaries lie too deep");
            return {};
        }
        Cursor cursor(bytes_, at);
        const auto count = cursor.take<uint64_t>();
        if (count > cursor.left() / 12 || is_too_many(count + 1, sizeof(Entry))) {
            broken("a dictionary leads out of the file");
            return {};
        }
        Dictionary entries;
        for (uint64_t i = 0; i < count && cursor.ok() && broken_.empty(); ++i) {
            std::string name = string(cursor.take<uint32_t>());
            entries.push_back({std::move(name), value(nested(cursor), depth + 1)});
        }
        if (!cursor.ok()) {
            broken("a dictionary leads out of the file");
        }
        return Value(std::move(entries));
    }

    template <typename Item, typename Read> ListEdit<Item> list_edit(ValueRep rep, const Read& read) {
        Cursor cursor(bytes_, rep.payload());
        const auto bits = cursor.take<uint8_t>();
        ListEdit<Item> list;
        list.is_explicit = (bits & 1U) != 0;
        const auto part = [&](uint32_t bit, std::vector<Item>& items) {
            if ((bits & (1U << bit)) != 0) {
                items = read(cursor);
            }
        };
        part(1, list.items);
        part(2, list.added);
        part(5, list.prepended);
        part(6, list.appended);
        part(3, list.deleted);
        part(4, list.ordered);
        if (!cursor.ok()) {
            broken("a list leads out of the file");
        }
        return list;
    }
    ListEdit<std::string> text_edit(ValueRep rep) {
        const auto type = static_cast<CrateType>(rep.type());
        const char of = type == CrateType::token_list_op    ? 't'
                        : type == CrateType::string_list_op ? 's'
                        : type == CrateType::path_list_op   ? 'p'
                                                            : ' ';
        if (of == ' ') {
            unread_ = true;
            return {};
        }
        return list_edit<std::string>(rep, [&](Cursor& cursor) { return texts(cursor, of); });
    }
    ListEdit<Reference> reference_edit(ValueRep rep) {
        const auto type = static_cast<CrateType>(rep.type());
        if (type == CrateType::payload) {
            Cursor cursor(bytes_, rep.payload());
            ListEdit<Reference> list;
            list.is_explicit = true;
            list.items.push_back(reference(cursor, false));
            return list;
        }
        if (type != CrateType::reference_list_op && type != CrateType::payload_list_op) {
            unread_ = true;
            return {};
        }
        return list_edit<Reference>(rep, [&](Cursor& cursor) {
            const auto count = cursor.take<uint64_t>();
            std::vector<Reference> all;
            if (count > cursor.left() / 8) {
                broken("a list leads out of the file");
                return all;
            }
            for (uint64_t i = 0; i < count && cursor.ok() && broken_.empty(); ++i) {
                all.push_back(reference(cursor, type == CrateType::reference_list_op));
            }
            return all;
        });
    }
    Reference reference(Cursor& cursor, bool has_data) {
        Reference one;
        one.asset = string(cursor.take<uint32_t>());
        const auto place = cursor.take<uint32_t>();
        one.prim = place == 0xFFFFFFFFU || (place < nodes_.size() && nodes_[place].parent < 0) ? "" : path(place);
        if (has_data || minor_ >= 8) {
            one.offset = cursor.take<double>();
            one.scale = cursor.take<double>();
        }
        if (has_data) { // a dictionary of somebody's own
            const auto count = cursor.take<uint64_t>();
            for (uint64_t i = 0; i < count && cursor.ok() && broken_.empty(); ++i) {
                cursor.take<uint32_t>();
                nested(cursor);
            }
        }
        return one;
    }

    std::vector<Sample> samples(ValueRep rep) {
        Cursor cursor(bytes_, rep.payload());
        const std::vector<double> times = value(nested(cursor)).numbers<double>();
        cursor.go_to(values_begin(cursor));
        const auto count = cursor.take<uint64_t>();
        if (!cursor.ok() || count != times.size() || count > cursor.left() / 8 || is_too_many(count, sizeof(Sample))) {
            broken("samples over time are broken");
            return {};
        }
        std::vector<Sample> all;
        all.reserve(count);
        for (uint64_t i = 0; i < count && broken_.empty(); ++i) {
            all.push_back({times[i], value({cursor.take<uint64_t>()})});
            if (std::isnan(times[i]) || (i > 0 && times[i] < times[i - 1])) {
                broken("samples over time stand in no order");
            }
        }
        return all;
    }
    /// Behind the values that the reps of samples need.
    static uint64_t values_begin(Cursor& cursor) {
        const uint64_t start = cursor.at();
        const auto jump = cursor.take<int64_t>();
        return start + static_cast<uint64_t>(std::max<int64_t>(jump, 8));
    }

    /// Calls `take` with each field of a spec's.
    template <typename Take> void for_fields(int64_t set, const Take& take) {
        for (auto i = static_cast<size_t>(set); i < field_sets_.size() && field_sets_[i] != -1; ++i) {
            const auto place = static_cast<uint32_t>(field_sets_[i]);
            if (place >= fields_.size() || !broken_.empty()) {
                broken("a set of fields is broken");
                return;
            }
            take(tokens_[fields_[place].token], fields_[place].rep);
        }
    }

    bool layer() {
        if (root_ < 0) {
            return broken("it has no paths");
        }
        std::vector<std::string> offsets;
        const Spec& spec = specs_[static_cast<size_t>(root_)];
        std::vector<std::string> order;
        if (spec.field_set >= 0) {
            for_fields(spec.field_set, [&](const std::string& name, ValueRep rep) {
                if (name == "primChildren") {
                    order = value(rep).texts();
                } else if (name == "subLayers") {
                    const Value assets = value(rep);
                    for (const std::string& asset : assets.texts()) {
                        layer_.sublayers.push_back({asset, "", 0, 1});
                    }
                } else if (name == "subLayerOffsets") {
                    Cursor cursor(bytes_, rep.payload());
                    const auto count = cursor.take<uint64_t>();
                    for (uint64_t i = 0; i < count && i < layer_.sublayers.size(); ++i) {
                        layer_.sublayers[i].offset = cursor.take<double>();
                        layer_.sublayers[i].scale = cursor.take<double>();
                    }
                } else {
                    field(layer_.metadata, name, rep, "the layer");
                }
            });
        }
        return children(root_, order, layer_.prims, 0) && broken_.empty();
    }

    void field(Dictionary& metadata, const std::string& name, ValueRep rep, const std::string& of) {
        unread_ = false;
        Value one = value(rep);
        if (unread_) {
            layer_.unread.push_back(name + " of " + of);
        } else {
            metadata.push_back({name, std::move(one)});
        }
    }

    /// The prims below a path, in the order that it says; those it does not name follow.
    bool children(int32_t parent, const std::vector<std::string>& order, std::vector<Prim>& to, int depth) {
        if (depth >= deepest) {
            return broken(fmt::format("prims lie more than {} deep", deepest));
        }
        for (const int32_t place : in_order(parent, order, false)) {
            if (specs_[static_cast<size_t>(place)].type == SpecType::prim) {
                to.emplace_back();
                to.back().name = tokens_[nodes_[static_cast<size_t>(place)].token];
                if (!prim(place, to.back(), depth)) {
                    return false;
                }
            }
        }
        return true;
    }
    std::vector<int32_t> in_order(int32_t parent, const std::vector<std::string>& order, bool properties) {
        std::unordered_map<std::string_view, size_t> rank;
        for (size_t i = 0; i < order.size(); ++i) {
            rank.emplace(order[i], i);
        }
        std::vector<std::pair<size_t, int32_t>> ranked;
        std::unordered_set<std::string_view> seen;
        for (const int32_t place : children_[static_cast<size_t>(parent)]) {
            const Node& node = nodes_[static_cast<size_t>(place)];
            if (node.is_property == properties && specs_[static_cast<size_t>(place)].field_set >= 0) {
                if (!seen.insert(tokens_[node.token]).second) {
                    broken("two of its prims or properties have one name");
                    return {};
                }
                const auto found = rank.find(tokens_[node.token]);
                ranked.emplace_back(found == rank.end() ? order.size() : found->second, place);
            }
        }
        std::stable_sort(ranked.begin(), ranked.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
        std::vector<int32_t> places;
        for (const auto& [at, place] : ranked) {
            places.push_back(place);
        }
        return places;
    }

    bool prim(int32_t place, Prim& prim, int depth) {
        std::vector<std::string> child_order;
        std::vector<std::string> property_order;
        std::vector<std::string> set_order;
        for_fields(specs_[static_cast<size_t>(place)].field_set, [&](const std::string& name, ValueRep rep) {
            if (name == "specifier") {
                prim.specifier = static_cast<Specifier>(std::min<uint64_t>(rep.payload(), 2));
            } else if (name == "typeName") {
                prim.type_name = value(rep).as_text().value_or("");
            } else if (name == "primChildren") {
                child_order = value(rep).texts();
            } else if (name == "properties") {
                property_order = value(rep).texts();
            } else if (name == "apiSchemas") {
                prim.api_schemas = text_edit(rep);
            } else if (name == "references") {
                prim.references = reference_edit(rep);
            } else if (name == "payload") {
                prim.payloads = reference_edit(rep);
            } else if (name == "inheritPaths") {
                prim.inherits = text_edit(rep);
            } else if (name == "specializes") {
                prim.specializes = text_edit(rep);
            } else if (name == "variantSelection") {
                Cursor cursor(bytes_, rep.payload());
                const auto count = cursor.take<uint64_t>();
                for (uint64_t i = 0; i < count && cursor.ok() && broken_.empty(); ++i) {
                    std::string set = string(cursor.take<uint32_t>());
                    prim.variants.emplace_back(std::move(set), string(cursor.take<uint32_t>()));
                }
            } else if (name == "variantSetNames") {
                set_order = text_edit(rep).list();
            } else if (name != "variantSetChildren" && name != "variantChildren") {
                field(prim.metadata, name, rep, prim.name);
            }
        });
        for (const int32_t property_place : in_order(place, property_order, true)) {
            prim.properties.emplace_back();
            if (!property(property_place, prim.properties.back(), prim.name)) {
                return false;
            }
        }
        return variants(place, set_order, prim, depth) && children(place, child_order, prim.children, depth + 1);
    }

    /// "{set=variant}" below a prim.
    bool variants(int32_t place, const std::vector<std::string>& order, Prim& prim, int depth) {
        for (const int32_t below : in_order(place, {}, false)) {
            const std::string& name = tokens_[nodes_[static_cast<size_t>(below)].token];
            const size_t equals = name.find('=');
            if (specs_[static_cast<size_t>(below)].type != SpecType::variant || equals == std::string::npos ||
                name.front() != '{' || name.back() != '}') {
                continue;
            }
            const std::string set_name = name.substr(1, equals - 1);
            auto set = std::find_if(prim.variant_sets.begin(), prim.variant_sets.end(),
                                    [&](const VariantSet& one) { return one.name == set_name; });
            if (set == prim.variant_sets.end()) {
                prim.variant_sets.push_back({set_name, {}});
                set = prim.variant_sets.end() - 1;
            }
            Prim variant;
            variant.name = name.substr(equals + 1, name.size() - equals - 2);
            if (depth + 1 >= deepest || !this->prim(below, variant, depth + 1)) {
                return broken(fmt::format("prims lie more than {} deep", deepest));
            }
            variant.specifier = Specifier::over;
            set->variants.push_back(std::move(variant));
        }
        std::stable_sort(prim.variant_sets.begin(), prim.variant_sets.end(), [&](const auto& a, const auto& b) {
            return std::find(order.begin(), order.end(), a.name) < std::find(order.begin(), order.end(), b.name);
        });
        return true;
    }

    bool property(int32_t place, Property& property, const std::string& of) {
        property.name = tokens_[nodes_[static_cast<size_t>(place)].token];
        const Spec& spec = specs_[static_cast<size_t>(place)];
        property.is_relationship = spec.type == SpecType::relationship;
        const std::string whose = of + "." + property.name;
        for_fields(spec.field_set, [&](const std::string& name, ValueRep rep) {
            if (name == "typeName") {
                property.type_name = value(rep).as_text().value_or("");
            } else if (name == "custom") {
                property.is_custom = rep.payload() != 0;
            } else if (name == "variability") {
                property.is_uniform = rep.payload() == 1 && !property.is_relationship;
            } else if (name == "default") {
                unread_ = false;
                property.value = value(rep);
                property.has_value = !unread_;
                if (unread_) {
                    layer_.unread.push_back(whose);
                }
            } else if (name == "timeSamples") {
                if (static_cast<CrateType>(rep.type()) == CrateType::time_samples) {
                    property.samples = samples(rep);
                } else {
                    layer_.unread.push_back("samples of " + whose);
                }
            } else if (name == "connectionPaths") {
                property.connections = text_edit(rep);
            } else if (name == "targetPaths") {
                property.targets = text_edit(rep);
                property.has_targets = true;
            } else if (name != "connectionChildren" && name != "targetChildren") {
                field(property.metadata, name, rep, whose);
            }
        });
        return broken_.empty();
    }

    std::shared_ptr<const void> file_;
    std::span<const std::byte> bytes_;
    uint8_t major_ = 0;
    uint8_t minor_ = 0;
    std::map<std::string, Section> sections_;
    std::vector<std::string> tokens_;
    std::vector<uint32_t> strings_; ///< places of tokens
    std::vector<Field> fields_;
    std::vector<int32_t> field_sets_; ///< places of fields; -1 ends a set
    std::vector<Node> nodes_;         ///< paths
    std::vector<std::vector<int32_t>> children_;
    std::vector<Spec> specs_; ///< of each path
    int32_t root_ = -1;
    Layer layer_;
    Text broken_;
    bool unread_ = false;
    uint64_t unpacked_ = 0; ///< bytes that were made of what is packed or told again
};

} // namespace

bool is_crate(std::string_view bytes) {
    return bytes.starts_with(magic);
}

Result<Layer> read_crate(std::shared_ptr<const void> owner, std::string_view bytes) {
    if (!is_crate(bytes)) {
        return Problem{"it does not begin as a binary USD file does.", "", ""};
    }
    return CrateReader(std::move(owner), bytes).run();
}

} // namespace wembrix::usd
