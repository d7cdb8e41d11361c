// One layer of what a file and the files that it names say together (core specification, “Composition”): sublayers,
// references, payloads, inherited classes and chosen variants.
#pragma once

#include "core/base/result.h"
#include "core/formats/usd/layer.h"

#include <filesystem>
#include <string>
#include <vector>

namespace wembrix::usd {

struct Stage {
    Layer layer;                               ///< nothing is left to compose
    std::vector<std::filesystem::path> beside; ///< files that were read besides
    std::vector<Text> notes;                   ///< what could not be taken, and why
};

/// Files are taken from the folder of `file` or below and from nowhere else; empty: none is. A file that makes more of
/// itself than a few million prims, or leads in a circle, is refused.
Result<Stage> compose(Layer root, const std::filesystem::path& file);

/// A layer of text or binary form.
Result<Layer> read_layer(const std::filesystem::path& file);

} // namespace wembrix::usd
