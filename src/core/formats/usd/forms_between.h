// Shapes with forms between rest and themselves, as plain shapes: weights of each that give the same.
#pragma once

#include <string>
#include <vector>

namespace wembrix::usd {

struct ShapeWeights {
    double seconds = 0;
    std::vector<double> weights; ///< one a shape
};

/// Several shapes may have one token: at a weight of the token that is the knot of one of them, that one alone is
/// wholly in; between two knots (rest is at 0) those two in parts, before the first and behind the last as the line
/// through the nearest two goes on (blend shapes with in-betweens, Universal Scene Description, schema of skeletons).
/// `keys` have the token's weight for each of its shapes; keys come in between where a weight passes a knot, so that
/// straight lines from key to key are right. Shapes without such forms have their weights as they were.
std::vector<ShapeWeights> with_forms_between(const std::vector<std::string>& tokens, const std::vector<double>& knots,
                                             const std::vector<ShapeWeights>& keys);

} // namespace wembrix::usd
