#include "core/formats/usd/crate_pack.h"

#include <algorithm>
#include <cstring>
#include <lz4.h>
#include <type_traits>
#include <unordered_map>

namespace wembrix::usd {

namespace {

constexpr size_t largest_block = LZ4_MAX_INPUT_SIZE;

void append(std::string& out, const void* data, size_t size) {
    out.append(static_cast<const char*>(data), size);
}

} // namespace

std::string pack_bytes(std::span<const std::byte> bytes) {
    std::string out;
    const auto pack_one = [&](std::span<const std::byte> block, bool with_length) {
        std::vector<char> packed(static_cast<size_t>(LZ4_compressBound(static_cast<int>(block.size()))));
        const int32_t size = LZ4_compress_default(reinterpret_cast<const char*>(block.data()), packed.data(),
                                                  static_cast<int>(block.size()), static_cast<int>(packed.size()));
        if (with_length) {
            append(out, &size, sizeof size);
        }
        out.append(packed.data(), static_cast<size_t>(size));
    };
    if (bytes.size() <= largest_block) {
        out += '\0';
        pack_one(bytes, false);
        return out;
    }
    const size_t blocks = (bytes.size() + largest_block - 1) / largest_block;
    out += static_cast<char>(blocks);
    for (size_t b = 0; b < blocks; ++b) {
        pack_one(bytes.subspan(b * largest_block, std::min(largest_block, bytes.size() - b * largest_block)), true);
    }
    return out;
}

std::optional<std::vector<std::byte>> unpack_bytes(std::span<const std::byte> packed, size_t size) {
    constexpr size_t at_best = 255; // times smaller than what was packed, as LZ4 counts lengths
    if (packed.empty() || size / at_best > packed.size()) {
        return std::nullopt;
    }
    std::vector<std::byte> out(size);
    const auto unpack_one = [&](std::span<const std::byte> block, size_t to) -> std::optional<size_t> {
        const int room = static_cast<int>(std::min(largest_block, size - to));
        const int got =
            LZ4_decompress_safe(reinterpret_cast<const char*>(block.data()), reinterpret_cast<char*>(out.data()) + to,
                                static_cast<int>(block.size()), room);
        return got < 0 ? std::nullopt : std::optional(static_cast<size_t>(got));
    };
    const auto blocks = static_cast<size_t>(packed[0]);
    packed = packed.subspan(1);
    if (blocks == 0) {
        if (packed.size() > static_cast<size_t>(LZ4_COMPRESSBOUND(LZ4_MAX_INPUT_SIZE))) {
            return std::nullopt;
        }
        const std::optional<size_t> got = unpack_one(packed, 0);
        return got == size ? std::optional(std::move(out)) : std::nullopt;
    }
    size_t at = 0;
    for (size_t b = 0; b < blocks; ++b) {
        int32_t length = 0;
        if (packed.size() < sizeof length) {
            return std::nullopt;
        }
        std::memcpy(&length, packed.data(), sizeof length);
        packed = packed.subspan(sizeof length);
        if (length < 0 || static_cast<size_t>(length) > packed.size()) {
            return std::nullopt;
        }
        const std::optional<size_t> got = unpack_one(packed.first(static_cast<size_t>(length)), at);
        if (!got) {
            return std::nullopt;
        }
        at += *got;
        packed = packed.subspan(static_cast<size_t>(length));
    }
    return at == size ? std::optional(std::move(out)) : std::nullopt;
}

namespace {

/// What the three codes beside the common one hold.
template <typename T> struct Widths;
template <> struct Widths<int32_t> {
    using Small = int8_t;
    using Middle = int16_t;
};
template <> struct Widths<int64_t> {
    using Small = int16_t;
    using Middle = int32_t;
};

template <typename T> std::string pack(std::span<const T> values) {
    using Unsigned = std::make_unsigned_t<T>;
    std::vector<T> differences(values.size());
    std::unordered_map<T, size_t> counts;
    T before = 0;
    for (size_t i = 0; i < values.size(); ++i) {
        differences[i] = static_cast<T>(static_cast<Unsigned>(values[i]) - static_cast<Unsigned>(before));
        before = values[i];
        ++counts[differences[i]];
    }
    T common = 0;
    size_t most = 0;
    for (const auto& [difference, count] : counts) { // the larger one of two that are as common
        if (count > most || (count == most && difference > common)) {
            common = difference;
            most = count;
        }
    }
    std::string out;
    append(out, &common, sizeof common);
    std::string codes((values.size() * 2 + 7) / 8, '\0');
    std::string bytes;
    const auto put = [&](auto narrow) { append(bytes, &narrow, sizeof narrow); };
    for (size_t i = 0; i < differences.size(); ++i) {
        using Small = typename Widths<T>::Small;
        using Middle = typename Widths<T>::Middle;
        const T one = differences[i];
        uint32_t code = 3;
        if (one == common) {
            code = 0;
        } else if (one == static_cast<Small>(one)) {
            code = 1;
            put(static_cast<Small>(one));
        } else if (one == static_cast<Middle>(one)) {
            code = 2;
            put(static_cast<Middle>(one));
        } else {
            put(one);
        }
        codes[i / 4] = static_cast<char>(static_cast<uint8_t>(codes[i / 4]) | (code << (i % 4 * 2)));
    }
    out += codes + bytes;
    return pack_bytes(std::as_bytes(std::span(out)));
}

/// The most bytes that so many packed numbers have before LZ4.
template <typename T> size_t largest_packed(size_t count) {
    return sizeof(T) + (count * 2 + 7) / 8 + count * sizeof(T);
}

template <typename T> std::optional<std::vector<T>> unpack(std::span<const std::byte> packed, size_t count) {
    using Unsigned = std::make_unsigned_t<T>;
    if (packed.size() < 2 || packed[0] != std::byte{0}) { // several blocks of numbers: more than any file has
        return std::nullopt;
    }
    // Two bits a number have to come out of it, 255 bytes at most out of each that is there.
    if (count / (4 * 255) > packed.size()) {
        return std::nullopt;
    }
    std::vector<std::byte> bytes(largest_packed<T>(count));
    if (bytes.size() > largest_block || packed.size() > largest_block) {
        return std::nullopt;
    }
    const int got =
        LZ4_decompress_safe(reinterpret_cast<const char*>(packed.data() + 1), reinterpret_cast<char*>(bytes.data()),
                            static_cast<int>(packed.size() - 1), static_cast<int>(bytes.size()));
    const size_t codes = sizeof(T);
    size_t at = codes + (count * 2 + 7) / 8;
    if (got < 0 || static_cast<size_t>(got) < at) {
        return std::nullopt;
    }
    const auto size = static_cast<size_t>(got);
    T common = 0;
    std::memcpy(&common, bytes.data(), sizeof common);
    std::vector<T> values(count);
    Unsigned before = 0;
    const auto take = [&](auto narrow, T& difference) {
        if (at + sizeof narrow > size) {
            return false;
        }
        std::memcpy(&narrow, bytes.data() + at, sizeof narrow);
        at += sizeof narrow;
        difference = narrow;
        return true;
    };
    for (size_t i = 0; i < count; ++i) {
        const uint32_t code = (static_cast<uint32_t>(bytes[codes + i / 4]) >> (i % 4 * 2)) & 3U;
        T difference = common;
        const bool whole = code == 0   ? true
                           : code == 1 ? take(typename Widths<T>::Small{}, difference)
                           : code == 2 ? take(typename Widths<T>::Middle{}, difference)
                                       : take(T{}, difference);
        if (!whole) {
            return std::nullopt;
        }
        before += static_cast<Unsigned>(difference);
        values[i] = static_cast<T>(before);
    }
    return values;
}

} // namespace

std::string pack_integers(std::span<const int32_t> values) {
    return pack<int32_t>(values);
}
std::string pack_integers(std::span<const int64_t> values) {
    return pack<int64_t>(values);
}
std::optional<std::vector<int32_t>> unpack_int32(std::span<const std::byte> packed, size_t count) {
    return unpack<int32_t>(packed, count);
}
std::optional<std::vector<int64_t>> unpack_int64(std::span<const std::byte> packed, size_t count) {
    return unpack<int64_t>(packed, count);
}

} // namespace wembrix::usd
