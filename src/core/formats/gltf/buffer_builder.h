// Collects numbers into one glTF buffer and the accessors that describe it.
#pragma once

#include "core/formats/gltf/document.h"
#include "core/scene/mesh.h"

#include <cstdint>
#include <string>
#include <vector>

namespace wembrix::gltf {

class BufferBuilder {
  public:
    enum class Use { none = 0, points = 34962, indices = 34963 };

    /// `width` floats an element; writes min and max when asked. Returns the accessor.
    int add_floats(const std::vector<float>& values, int width, Use use, bool with_bounds);
    /// The same in another form of numbers, if each value is the very same in it; else as floats.
    int add_numbers(const std::vector<float>& values, int width, const NumberFormat& format, Use use);
    /// Whole numbers in the narrowest of `smallest_bytes` (1, 2 or 4) and up that holds them all.
    int add_whole(const std::vector<uint32_t>& values, int width, Use use, size_t smallest_bytes);
    /// Raw bytes (an image). Returns the buffer view.
    int add_bytes(const char* data, size_t size);

    [[nodiscard]] const std::string& bytes() const { return bytes_; }
    [[nodiscard]] const Json& accessors() const { return accessors_; }
    [[nodiscard]] const Json& views() const { return views_; }

  private:
    int add_view(const char* data, size_t size, Use use, size_t stride = 0);
    int add_accessor(int view, int component, int width, size_t count);

    std::string bytes_;
    Json accessors_ = Json::array();
    Json views_ = Json::array();
};

} // namespace wembrix::gltf
