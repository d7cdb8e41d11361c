// Random rigs from a seed: chains and branches, prefixes, holders, mixed interpolation, shapes, several skins.
#pragma once

#include "core/scene/scene.h"

#include <cstdint>
#include <random>

namespace wembrix::testing {

enum class Holders { none, even, mirrored, uneven, moving };

struct RigOptions {
    Holders holders = Holders::even;
    bool two_roots = true;
    bool odd_weights = true;   ///< sums that are not 1
    bool moving_scale = true;  ///< some joints have keys of scale
    bool uneven_keys = true;   ///< that stretch them one way more than another between the keys
    bool uneven_scale = false; ///< some joints are stretched at rest
};

/// The same scene for the same seed, on any machine. Classified and in order, as a reader would give it.
Scene random_rig(uint32_t seed, const RigOptions& options);
/// Options that differ from seed to seed, uneven and moving holders left out.
RigOptions options_for(uint32_t seed);

/// What rounding may move: 1e-5 of the size of all there is, in mm.
double allowed_mm(const Scene& scene);

/// How many seeds the tests try: WEMBRIX_SEEDS, else 60.
uint32_t seeds();
/// How many of `many` a test of its own number of seeds tries: all of them, or the share that WEMBRIX_SEEDS is of 60
/// where that is less; three at least.
uint32_t share_of_seeds(uint32_t many);

inline double drawn(std::mt19937& random, double low, double high) {
    return std::uniform_real_distribution<double>(low, high)(random);
}

} // namespace wembrix::testing
