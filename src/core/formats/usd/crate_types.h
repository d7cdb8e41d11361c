// The numbers that a crate has for the types of values and of specs.
#pragma once

#include "core/formats/usd/value.h"

#include <array>
#include <cstdint>
#include <optional>

namespace wembrix::usd {

enum class CrateType : uint8_t {
    invalid = 0,
    boolean = 1,
    uchar = 2,
    int32 = 3,
    uint32 = 4,
    int64 = 5,
    uint64 = 6,
    half = 7,
    float32 = 8,
    float64 = 9,
    string = 10,
    token = 11,
    asset = 12,
    matrix2d = 13,
    matrix3d = 14,
    matrix4d = 15,
    quatd = 16,
    quatf = 17,
    quath = 18,
    vec2d = 19,
    vec2f = 20,
    vec2h = 21,
    vec2i = 22,
    vec3d = 23,
    vec3f = 24,
    vec3h = 25,
    vec3i = 26,
    vec4d = 27,
    vec4f = 28,
    vec4h = 29,
    vec4i = 30,
    dictionary = 31,
    token_list_op = 32,
    string_list_op = 33,
    path_list_op = 34,
    reference_list_op = 35,
    path_vector = 40,
    token_vector = 41,
    specifier = 42,
    permission = 43,
    variability = 44,
    variant_selections = 45,
    time_samples = 46,
    payload = 47,
    double_vector = 48,
    layer_offsets = 49,
    string_vector = 50,
    value_block = 51,
    value = 52,
    payload_list_op = 55,
    timecode = 56,
};

/// The types of numbers, texts and tuples; the number is the place.
constexpr std::array<Type, 31> crate_values = {{
    {},
    {Kind::boolean},
    {Kind::uchar},
    {Kind::int32},
    {Kind::uint32},
    {Kind::int64},
    {Kind::uint64},
    {Kind::half},
    {Kind::float32},
    {Kind::float64},
    {Kind::string},
    {Kind::token},
    {Kind::asset},
    {Kind::float64, Form::matrix, 4},
    {Kind::float64, Form::matrix, 9},
    {Kind::float64, Form::matrix, 16},
    {Kind::float64, Form::quaternion, 4},
    {Kind::float32, Form::quaternion, 4},
    {Kind::half, Form::quaternion, 4},
    {Kind::float64, Form::vector, 2},
    {Kind::float32, Form::vector, 2},
    {Kind::half, Form::vector, 2},
    {Kind::int32, Form::vector, 2},
    {Kind::float64, Form::vector, 3},
    {Kind::float32, Form::vector, 3},
    {Kind::half, Form::vector, 3},
    {Kind::int32, Form::vector, 3},
    {Kind::float64, Form::vector, 4},
    {Kind::float32, Form::vector, 4},
    {Kind::half, Form::vector, 4},
    {Kind::int32, Form::vector, 4},
}};
/// Of a type, an array or not; invalid: a crate has none.
CrateType crate_type(Type type);
/// The element's type; nothing for what is no number, text or tuple.
std::optional<Type> type_of_crate(uint8_t type);

enum class SpecType : uint8_t {
    attribute = 1,
    connection = 2,
    prim = 6,
    pseudo_root = 7,
    relationship = 8,
    relationship_target = 9,
    variant = 10,
    variant_set = 11,
};

/// Sixty-four bits that say what a value is and where: or hold it.
struct ValueRep {
    uint64_t bits = 0;
    static constexpr uint64_t array_bit = uint64_t{1} << 63U;
    static constexpr uint64_t inlined_bit = uint64_t{1} << 62U;
    static constexpr uint64_t packed_bit = uint64_t{1} << 61U;
    static constexpr uint64_t payload_mask = (uint64_t{1} << 48U) - 1;
    [[nodiscard]] bool is_array() const { return (bits & array_bit) != 0; }
    [[nodiscard]] bool is_inlined() const { return (bits & inlined_bit) != 0; }
    [[nodiscard]] bool is_packed() const { return (bits & packed_bit) != 0; }
    [[nodiscard]] uint8_t type() const { return static_cast<uint8_t>((bits >> 48U) & 0xFFU); }
    [[nodiscard]] uint64_t payload() const { return bits & payload_mask; }
    static ValueRep at(CrateType type, uint64_t offset, uint64_t flags = 0) {
        return {flags | (static_cast<uint64_t>(type) << 48U) | offset};
    }
    static ValueRep inlined(CrateType type, uint64_t payload) { return at(type, payload, inlined_bit); }
};

} // namespace wembrix::usd
