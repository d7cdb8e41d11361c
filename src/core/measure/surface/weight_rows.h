// One vertex's weights at a time, taken apart to be changed and put together so that they sum to 1.
#pragma once

#include "core/scene/mesh.h"

#include <cstdint>
#include <span>
#include <vector>

namespace wembrix {

struct Weight {
    uint16_t joint = 0; ///< place in the skin's list of joints
    double weight = 0;
};
/// Of one vertex: each joint once, all above 0. Its sum is 1 wherever it has any.
using WeightRow = std::vector<Weight>;

/// Row `vertex` of the influences, divided by its sum; empty where nothing holds the vertex.
void read_row(const Influences& influences, size_t vertex, WeightRow& row);
/// The weight of a joint in a row, 0 if it is not there.
double weight_in(const WeightRow& row, uint16_t joint);
/// Adds to the weight of a joint; the joint comes into the row if it was not there.
void add_weight(WeightRow& row, uint16_t joint, double weight);

/// Divides what is not locked so that the row sums to 1; entries at or below 0 go. `locked` has one mark a joint of the
/// skin, or none at all. False where it cannot be: the locked ones alone hold more than 1, or less and nothing else is
/// there. The row stays as it was then.
bool settle_row(WeightRow& row, std::span<const char> locked);

/// Puts rows together, vertex after vertex. Rounding to single precision is given back to the heaviest, so that the
/// written weights of a row sum to 1 within 1e-7.
class InfluencesBuilder {
  public:
    explicit InfluencesBuilder(size_t vertices, size_t entries = 0);
    void add(const WeightRow& row);
    /// The row of that vertex as it stands there, untouched.
    void copy(const Influences& from, size_t vertex);
    Influences take();

  private:
    std::vector<uint32_t> offsets_;
    std::vector<uint16_t> joints_;
    std::vector<float> weights_;
};

/// Whole numbers that stand for weights and sum to exactly `one` (255 or 65535), each at most 1 from its true value:
/// the remainders that rounding down leaves go to those that lost most (the method of largest remainders). All zero for
/// a row without weights. `out` is as long as `weights`.
void quantise_weights(std::span<const float> weights, uint32_t one, std::span<uint32_t> out);

} // namespace wembrix
