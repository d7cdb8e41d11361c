// The shapes of several surfaces on the one they are joined into, and the keys of their weights.
#pragma once

#include "core/scene/scene.h"

#include <optional>
#include <string>
#include <vector>

namespace wembrix {

class JoinedShapes {
  public:
    /// Holds a reference: the scene must outlive it.
    explicit JoinedShapes(const Scene& scene) : from_(scene) {}

    /// Adds the shapes of `mesh`, which `node` shows and whose points begin at `first` of the joined ones. A shape of
    /// the same name that moves in step becomes one with it; else both stay, the second by a name of its own, which is
    /// told.
    void add(int node, const Mesh& mesh, uint32_t first, std::vector<Text>& told);
    /// The weights of all shapes in one clip as one channel of `node`, if any of them is keyed.
    [[nodiscard]] std::optional<Channel> weights_in(size_t clip, int node) const;
    [[nodiscard]] const std::vector<float>& rest() const { return rest_; } ///< weights at rest, one a shape
    [[nodiscard]] std::vector<MorphTarget> take() { return std::move(shapes_); }

  private:
    /// What one shape of one surface does in one clip.
    struct Column {
        const Channel* channel = nullptr; ///< none: as at rest
        int at = 0;
        float rest = 0;
    };
    static bool same(const Column& a, const Column& b);
    [[nodiscard]] std::vector<Column> columns_of(int node, int shape) const;
    [[nodiscard]] std::vector<float> row_by_row(size_t clip, const Channel& like) const;
    void sampled(size_t clip, Channel& joined) const;

    const Scene& from_;
    std::vector<MorphTarget> shapes_;
    std::vector<std::vector<Column>> columns_; ///< of each shape, one a clip
    std::vector<float> rest_;
};

} // namespace wembrix
