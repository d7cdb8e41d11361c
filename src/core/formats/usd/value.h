// Values of USD: numbers and tuples of them, texts, and dictionaries, as the core specification's "Foundational data
// types" has them. What stands in a file as one block of numbers is looked at where it lies.
#pragma once

#include "core/base/shared.h"

#include <cstddef>
#include <cstdint>
#include <memory>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix::usd {

/// What one component is.
enum class Kind : uint8_t {
    none, ///< blocked: the attribute has no value
    boolean,
    uchar,
    int32,
    uint32,
    int64,
    uint64,
    half,
    float32,
    float64,
    timecode, ///< float64 that counts in the layer's time
    string,
    token,
    asset,
    path,
    dictionary,
};
/// How an element's components stand together.
enum class Form : uint8_t { scalar, vector, quaternion, matrix };

/// Bytes of one component; 0 for what is no number.
size_t size_of(Kind kind);

/// What an element of a value is: "point3f" is three float32 as a vector.
struct Type {
    Kind kind = Kind::none;
    Form form = Form::scalar;
    uint8_t width = 1; ///< components of an element
    bool is_array = false;
    bool operator==(const Type&) const = default;
    [[nodiscard]] bool is_number() const { return size_of(kind) > 0; }
    [[nodiscard]] size_t element_size() const { return size_of(kind) * width; }
};
/// Of a name such as "float3[]", "color3f", "texCoord2f"; nothing: there is no such type.
std::optional<Type> type_named(std::string_view name);
/// The name without a role: "float3[]".
std::string name_of(const Type& type);

struct Entry;
using Dictionary = std::vector<Entry>; ///< in order

class Value {
  public:
    Value() = default; ///< blocked
    /// Numbers of which `owner` keeps the bytes alive; quaternions are x, y, z, w, matrices row after row.
    /// Precondition: as many bytes as whole elements.
    Value(Type type, std::shared_ptr<const void> owner, std::span<const std::byte> bytes);
    Value(Type type, std::vector<std::string> texts);
    explicit Value(Dictionary dictionary);

    /// An array of numbers, or of tuples that lie in memory without gaps (Vec3f); nothing is copied.
    template <typename T> static Value array(Type type, const Shared<T>& items) {
        auto owner = std::make_shared<Shared<T>>(items);
        const std::span<const std::byte> bytes = std::as_bytes(std::span(owner->get()));
        type.is_array = true;
        return Value(type, std::move(owner), bytes);
    }
    template <typename T> static Value array(Type type, std::vector<T> items) {
        return array(type, Shared<T>(std::move(items)));
    }
    /// One element.
    template <typename T> static Value of(Type type, std::vector<T> components) {
        Value value = array(type, std::move(components));
        value.type_.is_array = false;
        return value;
    }
    static Value number(double value) { return of<double>({Kind::float64}, {value}); }
    static Value integer(int32_t value) { return of<int32_t>({Kind::int32}, {value}); }
    static Value truth(bool value) { return of<uint8_t>({Kind::boolean}, {static_cast<uint8_t>(value ? 1 : 0)}); }
    static Value token(std::string text) { return Value({Kind::token}, {std::move(text)}); }
    static Value string(std::string text) { return Value({Kind::string}, {std::move(text)}); }
    static Value tokens(std::vector<std::string> texts) {
        return Value({Kind::token, Form::scalar, 1, true}, std::move(texts));
    }

    [[nodiscard]] const Type& type() const { return type_; }
    [[nodiscard]] bool is_blocked() const { return type_.kind == Kind::none; }
    [[nodiscard]] size_t size() const; ///< elements; 1 where it is no array
    [[nodiscard]] std::span<const std::byte> bytes() const { return bytes_; }
    [[nodiscard]] const std::vector<std::string>& texts() const { return texts_; }
    [[nodiscard]] const Dictionary& dictionary() const;

    /// All components as numbers of that type, whatever they are in the file; empty where it holds none.
    template <typename T> [[nodiscard]] std::vector<T> numbers() const;
    [[nodiscard]] std::optional<double> as_number() const;    ///< of a single number
    [[nodiscard]] std::optional<std::string> as_text() const; ///< of a single string, token or asset
    /// The same kind, form and contents, bit for bit.
    bool operator==(const Value& other) const;

  private:
    Type type_;
    std::shared_ptr<const void> owner_;
    std::span<const std::byte> bytes_;
    std::vector<std::string> texts_;
    std::shared_ptr<const Dictionary> dictionary_;
};

/// Whole numbers: empty where the value holds others.
template <> std::vector<int64_t> Value::numbers<int64_t>() const;

struct Entry {
    std::string name;
    Value value;
    bool operator==(const Entry&) const;
};

/// The value of that name; null: there is none.
const Value* find(const Dictionary& dictionary, std::string_view name);

/// Half floats (IEEE 754 binary16) from and to single ones; rounded to the nearest even.
float from_half(uint16_t half);
uint16_t to_half(float value);

} // namespace wembrix::usd
