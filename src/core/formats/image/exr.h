// OpenEXR images of floats, row by row: what a cache of textures is made of. Encoding and decoding are OpenEXR's.
#pragma once

#include "core/base/result.h"

#include <cstdint>
#include <filesystem>
#include <functional>
#include <span>
#include <string>
#include <vector>

namespace wembrix {

struct ExrSize {
    uint32_t width = 0;
    uint32_t height = 0;
};

/// Red, green and blue; rows from the top, each asked for once, in order: `row` fills 3 * width numbers. Losslessly
/// packed (ZIP), as 32 or 16 bit floats. Into a new file; the same numbers give the same bytes.
Outcome write_exr(const std::filesystem::path& file, ExrSize size, bool half,
                  const std::function<Outcome(uint32_t y, std::span<float> row)>& row);

/// An image of red, green and blue floats, at most 4096 by 16384 pixels; a Problem for anything else.
struct ExrImage {
    ExrSize size;
    bool half = false;
    std::vector<float> pixels; ///< 3 a pixel, rows from the top
};
Result<ExrImage> read_exr(const std::filesystem::path& file);

} // namespace wembrix
