// Pictures of a scene without a window: framed, lit like clay, with an ink edge and the shadow on the ground.
#pragma once

#include "core/formats/image/pixels.h"
#include "core/scene/scene.h"

#include <cstdint>
#include <memory>
#include <optional>
#include <span>

namespace wembrix {

struct PictureLook {
    int width = 512; ///< pixels, 16 to 2048
    int height = 512;
    /// Red, green and blue of the ground that it stands before; none: what is not covered is transparent.
    std::optional<std::array<uint8_t, 3>> background = std::array<uint8_t, 3>{0xFB, 0xFB, 0xF8};
    int samples = 3; ///< across and down a pixel, 1 to 4
};

class Studio {
  public:
    /// The scene must outlive it. It is seen from three quarters: the side that it faces, and from a little above; what
    /// does not say where it faces, from its +Z. Surfaces and strands; where there are none, the joints.
    explicit Studio(const Scene& scene);
    ~Studio();

    [[nodiscard]] bool is_empty() const; ///< there is nothing to show

    /// What moves it from now on: a clip of the scene (null: it rests), or the caches of that name.
    void choose(const Clip* clip);
    void choose_cache(const std::string& name);
    /// Places the eye so that it shows all of it at all these moments, and goes along where it goes; without a call, at
    /// rest.
    /// With `only_strands`, all of its strands, where it has some.
    void frame(std::span<const double> seconds, bool only_strands = false);
    /// Precondition: it is not empty.
    Pixels shoot(double seconds, const PictureLook& look);

  private:
    struct Held;
    std::unique_ptr<Held> held_;
};

} // namespace wembrix
