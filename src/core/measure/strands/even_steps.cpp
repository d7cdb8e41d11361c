#include "core/measure/strands/even_steps.h"

#include <algorithm>

namespace wembrix {

std::vector<Vec3> at_even_steps(const std::vector<Vec3>& line, size_t count) {
    std::vector<double> along = {0};
    for (size_t i = 1; i < line.size(); ++i) {
        along.push_back(along.back() + (line[i] - line[i - 1]).norm());
    }
    std::vector<Vec3> points;
    points.reserve(count);
    size_t piece = 0;
    for (size_t k = 0; k < count; ++k) {
        const double wanted = along.back() * static_cast<double>(k) / static_cast<double>(count - 1);
        while (piece + 2 < line.size() && along[piece + 1] < wanted) {
            ++piece;
        }
        const double size = line.size() < 2 ? 0 : along[piece + 1] - along[piece];
        const double part = size > 0 ? std::clamp((wanted - along[piece]) / size, 0.0, 1.0) : 0;
        points.push_back(line.size() < 2 ? line.front() : Vec3(line[piece] + part * (line[piece + 1] - line[piece])));
    }
    return points;
}

} // namespace wembrix
