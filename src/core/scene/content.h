// Comparing and hashing what a struct holds, by the one list of fields that it gives of itself.
#pragma once

#include "core/base/hasher.h"
#include "core/base/shared.h"
#include "core/math/transform.h"

#include <array>
#include <string>
#include <tuple>
#include <type_traits>
#include <vector>

namespace wembrix {

template <typename T>
concept ListsItsFields = requires(T& value) {
    T::fields(value);
};

template <typename T> void add_content(Hasher& hash, const T& value);

namespace content_detail {
template <typename T> struct IsShared : std::false_type {};
template <typename T> struct IsShared<Shared<T>> : std::true_type {};
template <typename T> struct IsList : std::false_type {};
template <typename T> struct IsList<std::vector<T>> : std::true_type {};
template <typename T, size_t N> struct IsList<std::array<T, N>> : std::true_type {};
} // namespace content_detail

/// Texts and lists go in with their lengths, so that two neighbours cannot pass for other two.
template <typename T> void add_content(Hasher& hash, const T& value) {
    if constexpr (ListsItsFields<const T>) {
        std::apply([&](const auto&... field) { (add_content(hash, field), ...); }, T::fields(value));
    } else if constexpr (std::is_base_of_v<std::string, T>) {
        hash.text(value);
    } else if constexpr (content_detail::IsShared<T>::value) {
        hash.array(value);
    } else if constexpr (content_detail::IsList<T>::value) {
        hash.number(value.size());
        for (const auto& item : value) {
            add_content(hash, item);
        }
    } else if constexpr (std::is_enum_v<T>) {
        hash.number(static_cast<int>(value));
    } else if constexpr (std::is_arithmetic_v<T>) {
        hash.number(value);
    } else if constexpr (std::is_same_v<T, Transform>) {
        hash.bytes(value.translation.data(), 3 * sizeof(double));
        hash.bytes(value.rotation.coeffs().data(), 4 * sizeof(double));
        hash.bytes(value.scale.data(), 3 * sizeof(double));
    } else {
        hash.bytes(value.data(), sizeof(*value.data()) * static_cast<size_t>(value.size())); // a matrix
    }
}

/// Whether two values hold the same. Arrays that are the very same one are not looked through.
template <typename T> bool same_content(const T& a, const T& b) {
    if constexpr (ListsItsFields<const T>) {
        return std::apply(
            [&](const auto&... x) {
                return std::apply([&](const auto&... y) { return (same_content(x, y) && ...); }, T::fields(b));
            },
            T::fields(a));
    } else if constexpr (content_detail::IsShared<T>::value) {
        return a.same_array(b) || a.get() == b.get();
    } else if constexpr (content_detail::IsList<T>::value) {
        if (a.size() != b.size()) {
            return false;
        }
        for (size_t i = 0; i < a.size(); ++i) {
            if (!same_content(a[i], b[i])) {
                return false;
            }
        }
        return true;
    } else {
        return a == b;
    }
}

} // namespace wembrix
