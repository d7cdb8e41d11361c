#include "core/formats/usd/value.h"

#include <Eigen/Core>
#include <algorithm>
#include <array>
#include <cassert>
#include <cstring>

namespace wembrix::usd {

size_t size_of(Kind kind) {
    switch (kind) {
    case Kind::boolean:
    case Kind::uchar:
        return 1;
    case Kind::half:
        return 2;
    case Kind::int32:
    case Kind::uint32:
    case Kind::float32:
        return 4;
    case Kind::int64:
    case Kind::uint64:
    case Kind::float64:
    case Kind::timecode:
        return 8;
    default:
        return 0;
    }
}

namespace {

struct NamedType {
    std::string_view name;
    Type type;
};

/// Those without a role first: the first name of a type is the one that it is written with.
constexpr std::array named_types = {
    NamedType{"bool", {Kind::boolean}},
    NamedType{"uchar", {Kind::uchar}},
    NamedType{"int", {Kind::int32}},
    NamedType{"uint", {Kind::uint32}},
    NamedType{"int64", {Kind::int64}},
    NamedType{"uint64", {Kind::uint64}},
    NamedType{"half", {Kind::half}},
    NamedType{"float", {Kind::float32}},
    NamedType{"double", {Kind::float64}},
    NamedType{"timecode", {Kind::timecode}},
    NamedType{"string", {Kind::string}},
    NamedType{"token", {Kind::token}},
    NamedType{"asset", {Kind::asset}},
    NamedType{"dictionary", {Kind::dictionary}},
    NamedType{"int2", {Kind::int32, Form::vector, 2}},
    NamedType{"int3", {Kind::int32, Form::vector, 3}},
    NamedType{"int4", {Kind::int32, Form::vector, 4}},
    NamedType{"half2", {Kind::half, Form::vector, 2}},
    NamedType{"half3", {Kind::half, Form::vector, 3}},
    NamedType{"half4", {Kind::half, Form::vector, 4}},
    NamedType{"float2", {Kind::float32, Form::vector, 2}},
    NamedType{"float3", {Kind::float32, Form::vector, 3}},
    NamedType{"float4", {Kind::float32, Form::vector, 4}},
    NamedType{"double2", {Kind::float64, Form::vector, 2}},
    NamedType{"double3", {Kind::float64, Form::vector, 3}},
    NamedType{"double4", {Kind::float64, Form::vector, 4}},
    NamedType{"quath", {Kind::half, Form::quaternion, 4}},
    NamedType{"quatf", {Kind::float32, Form::quaternion, 4}},
    NamedType{"quatd", {Kind::float64, Form::quaternion, 4}},
    NamedType{"matrix2d", {Kind::float64, Form::matrix, 4}},
    NamedType{"matrix3d", {Kind::float64, Form::matrix, 9}},
    NamedType{"matrix4d", {Kind::float64, Form::matrix, 16}},
    NamedType{"frame4d", {Kind::float64, Form::matrix, 16}},
    NamedType{"point3h", {Kind::half, Form::vector, 3}},
    NamedType{"point3f", {Kind::float32, Form::vector, 3}},
    NamedType{"point3d", {Kind::float64, Form::vector, 3}},
    NamedType{"vector3h", {Kind::half, Form::vector, 3}},
    NamedType{"vector3f", {Kind::float32, Form::vector, 3}},
    NamedType{"vector3d", {Kind::float64, Form::vector, 3}},
    NamedType{"normal3h", {Kind::half, Form::vector, 3}},
    NamedType{"normal3f", {Kind::float32, Form::vector, 3}},
    NamedType{"normal3d", {Kind::float64, Form::vector, 3}},
    NamedType{"color3h", {Kind::half, Form::vector, 3}},
    NamedType{"color3f", {Kind::float32, Form::vector, 3}},
    NamedType{"color3d", {Kind::float64, Form::vector, 3}},
    NamedType{"color4h", {Kind::half, Form::vector, 4}},
    NamedType{"color4f", {Kind::float32, Form::vector, 4}},
    NamedType{"color4d", {Kind::float64, Form::vector, 4}},
    NamedType{"texCoord2h", {Kind::half, Form::vector, 2}},
    NamedType{"texCoord2f", {Kind::float32, Form::vector, 2}},
    NamedType{"texCoord2d", {Kind::float64, Form::vector, 2}},
    NamedType{"texCoord3h", {Kind::half, Form::vector, 3}},
    NamedType{"texCoord3f", {Kind::float32, Form::vector, 3}},
    NamedType{"texCoord3d", {Kind::float64, Form::vector, 3}},
    NamedType{"group", {Kind::token}},
    NamedType{"pathExpression", {Kind::string}},
};

} // namespace

std::optional<Type> type_named(std::string_view name) {
    const bool is_array = name.ends_with("[]");
    if (is_array) {
        name.remove_suffix(2);
    }
    for (const NamedType& one : named_types) {
        if (one.name == name) {
            Type type = one.type;
            type.is_array = is_array;
            return type;
        }
    }
    return std::nullopt;
}

std::string name_of(const Type& type) {
    Type element = type;
    element.is_array = false;
    for (const NamedType& one : named_types) {
        if (one.type == element) {
            return std::string(one.name) + (type.is_array ? "[]" : "");
        }
    }
    return {};
}

Value::Value(Type type, std::shared_ptr<const void> owner, std::span<const std::byte> bytes)
    : type_(type), owner_(std::move(owner)), bytes_(bytes) {
    assert(type.is_number() && bytes.size() % type.element_size() == 0);
}

Value::Value(Type type, std::vector<std::string> texts) : type_(type), texts_(std::move(texts)) {}

Value::Value(Dictionary dictionary)
    : type_({Kind::dictionary}), dictionary_(std::make_shared<Dictionary>(std::move(dictionary))) {}

size_t Value::size() const {
    if (!type_.is_array) {
        return 1;
    }
    return type_.is_number() ? bytes_.size() / type_.element_size() : texts_.size();
}

const Dictionary& Value::dictionary() const {
    static const Dictionary none;
    return dictionary_ ? *dictionary_ : none;
}

namespace {

template <typename From, typename To> void convert(std::span<const std::byte> bytes, std::vector<To>& to) {
    const size_t count = bytes.size() / sizeof(From);
    to.resize(count);
    if constexpr (std::is_same_v<From, To>) {
        if (count > 0) {
            std::memcpy(to.data(), bytes.data(), count * sizeof(From));
        }
    } else {
        for (size_t i = 0; i < count; ++i) {
            From one;
            std::memcpy(&one, bytes.data() + i * sizeof(From), sizeof one);
            to[i] = static_cast<To>(one);
        }
    }
}

template <typename To> void convert_half(std::span<const std::byte> bytes, std::vector<To>& to) {
    to.resize(bytes.size() / 2);
    for (size_t i = 0; i < to.size(); ++i) {
        uint16_t one = 0;
        std::memcpy(&one, bytes.data() + i * 2, 2);
        to[i] = static_cast<To>(from_half(one));
    }
}

} // namespace

template <typename T> std::vector<T> Value::numbers() const {
    std::vector<T> all;
    switch (type_.kind) {
    case Kind::boolean:
    case Kind::uchar:
        convert<uint8_t>(bytes_, all);
        break;
    case Kind::int32:
        convert<int32_t>(bytes_, all);
        break;
    case Kind::uint32:
        convert<uint32_t>(bytes_, all);
        break;
    case Kind::int64:
        convert<int64_t>(bytes_, all);
        break;
    case Kind::uint64:
        convert<uint64_t>(bytes_, all);
        break;
    case Kind::half:
        convert_half(bytes_, all);
        break;
    case Kind::float32:
        convert<float>(bytes_, all);
        break;
    case Kind::float64:
    case Kind::timecode:
        convert<double>(bytes_, all);
        break;
    default:
        break;
    }
    return all;
}
template std::vector<float> Value::numbers<float>() const;
template std::vector<double> Value::numbers<double>() const;

template <> std::vector<int64_t> Value::numbers<int64_t>() const {
    std::vector<int64_t> all;
    switch (type_.kind) {
    case Kind::boolean:
    case Kind::uchar:
        convert<uint8_t>(bytes_, all);
        break;
    case Kind::int32:
        convert<int32_t>(bytes_, all);
        break;
    case Kind::uint32:
        convert<uint32_t>(bytes_, all);
        break;
    case Kind::int64:
    case Kind::uint64:
        convert<int64_t>(bytes_, all);
        break;
    default:
        break;
    }
    return all;
}

std::optional<double> Value::as_number() const {
    if (!type_.is_number() || bytes_.size() != size_of(type_.kind)) {
        return std::nullopt;
    }
    return numbers<double>().front();
}

std::optional<std::string> Value::as_text() const {
    return texts_.size() == 1 && !type_.is_array ? std::optional(texts_.front()) : std::nullopt;
}

bool Value::operator==(const Value& other) const {
    return type_ == other.type_ && texts_ == other.texts_ && std::ranges::equal(bytes_, other.bytes_) &&
           dictionary() == other.dictionary();
}

bool Entry::operator==(const Entry& other) const {
    return name == other.name && value == other.value;
}

const Value* find(const Dictionary& dictionary, std::string_view name) {
    const auto found =
        std::find_if(dictionary.begin(), dictionary.end(), [&](const Entry& e) { return e.name == name; });
    return found == dictionary.end() ? nullptr : &found->value;
}

float from_half(uint16_t half) {
    return static_cast<float>(Eigen::numext::bit_cast<Eigen::half>(half));
}

uint16_t to_half(float value) {
    return Eigen::numext::bit_cast<uint16_t>(Eigen::half(value));
}

} // namespace wembrix::usd
