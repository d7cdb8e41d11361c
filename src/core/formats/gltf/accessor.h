// Typed numbers out of glTF buffers.
#pragma once

#include "core/formats/gltf/document.h"

#include <string_view>
#include <vector>

namespace wembrix::gltf {

struct AccessorInfo {
    size_t count = 0;
    int width = 0;     ///< components of an element: SCALAR 1 ... MAT4 16
    int component = 0; ///< 5120 byte ... 5126 float
    bool normalised = false;
};

/// Checked against the JSON only; no data is touched.
AccessorInfo accessor_info(Document& document, int64_t accessor, const Where& where);

/// All elements as floats, `width` each; normalised integers become [0, 1] or [-1, 1] (specification, 3.11).
/// Refuses values that are no numbers, and a width other than `width` (0: any).
std::vector<float> read_floats(Document& document, int64_t accessor, int width, const Where& where);

/// All elements as whole numbers; refuses floats.
std::vector<uint32_t> read_whole(Document& document, int64_t accessor, int width, const Where& where);

/// The bytes of a buffer view (an image, say).
std::string_view view_bytes(Document& document, int64_t view, const Where& where);

} // namespace wembrix::gltf
