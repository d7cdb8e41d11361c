// Images as large, and of the kind, as a destination takes them.
#pragma once

#include "core/base/text.h"
#include "core/destination/destination.h"
#include "core/scene/scene.h"

#include <string>
#include <vector>

namespace wembrix {

/// What became of an image.
struct FittedImage {
    std::string name;
    Text said;              ///< "2048 × 2048 became 1024 × 1024"
    bool as_it_was = false; ///< it could not be decoded
};
/// Makes those smaller that are larger than the destination takes, or whose sides are no powers of two where it wants
/// those, and makes them of its kind (one with transparent pixels becomes a PNG where that is JPEG). Each that was
/// changed, or could not be, is told.
std::vector<FittedImage> fit_images(Scene& scene, const Destination& destination);

/// The size that an image goes out with.
std::pair<uint32_t, uint32_t> fitted_size(uint32_t width, uint32_t height, const Destination& destination);

} // namespace wembrix
