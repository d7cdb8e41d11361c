// How USD's binary files (“crate”) pack bytes and whole numbers: LZ4 blocks, and integers as small differences.
#pragma once

#include <cstddef>
#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <vector>

namespace wembrix::usd {

/// As LZ4 blocks of at most 2113929216 bytes each, behind a byte that says how many (0: one, without its length).
std::string pack_bytes(std::span<const std::byte> bytes);
/// Exactly `size` bytes, or nothing. Takes no more memory than that, whatever stands in `packed`; a size that LZ4 could
/// not have packed so small (255 times) is refused before.
std::optional<std::vector<std::byte>> unpack_bytes(std::span<const std::byte> packed, size_t size);

/// Each as the difference from the one before it, the first from 0: the commonest difference once, then two bits for
/// each, which say whether it is that one or how many bytes it has, then those bytes; all packed as above.
std::string pack_integers(std::span<const int32_t> values);
std::string pack_integers(std::span<const int64_t> values);
std::optional<std::vector<int32_t>> unpack_int32(std::span<const std::byte> packed, size_t count);
std::optional<std::vector<int64_t>> unpack_int64(std::span<const std::byte> packed, size_t count);

} // namespace wembrix::usd
