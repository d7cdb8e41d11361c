#include "core/measure/surface/weight_rows.h"

#include <algorithm>
#include <array>
#include <cassert>
#include <cmath>

namespace wembrix {

void read_row(const Influences& influences, size_t vertex, WeightRow& row) {
    row.clear();
    if (vertex + 1 >= influences.offsets.size()) {
        return;
    }
    double sum = 0;
    for (uint32_t k = influences.offsets[vertex]; k < influences.offsets[vertex + 1]; ++k) {
        if (influences.weights[k] > 0) {
            add_weight(row, influences.joints[k], influences.weights[k]);
            sum += influences.weights[k];
        }
    }
    for (Weight& one : row) {
        one.weight /= sum;
    }
}

double weight_in(const WeightRow& row, uint16_t joint) {
    for (const Weight& one : row) {
        if (one.joint == joint) {
            return one.weight;
        }
    }
    return 0;
}

void add_weight(WeightRow& row, uint16_t joint, double weight) {
    for (Weight& one : row) {
        if (one.joint == joint) {
            one.weight += weight;
            return;
        }
    }
    row.push_back({joint, weight});
}

bool settle_row(WeightRow& row, std::span<const char> locked) {
    const auto is_locked = [&](const Weight& one) { return one.joint < locked.size() && locked[one.joint] != 0; };
    double kept = 0;
    double free = 0;
    for (const Weight& one : row) {
        (is_locked(one) ? kept : free) += std::max(0.0, one.weight);
    }
    constexpr double rounding = 1e-6;
    const double left = 1 - kept;
    if (left < -rounding || (free <= 0 && left > rounding)) {
        return false;
    }
    for (Weight& one : row) {
        if (!is_locked(one)) {
            one.weight = free <= 0 ? 0 : std::max(0.0, one.weight) / free * std::max(0.0, left);
        }
    }
    std::erase_if(row, [](const Weight& one) { return one.weight <= 0; });
    return true;
}

InfluencesBuilder::InfluencesBuilder(size_t vertices, size_t entries) {
    offsets_.reserve(vertices + 1);
    offsets_.push_back(0);
    joints_.reserve(entries);
    weights_.reserve(entries);
}

void InfluencesBuilder::add(const WeightRow& row) {
    double sum = 0;
    size_t heaviest = weights_.size();
    for (const Weight& one : row) {
        joints_.push_back(one.joint);
        weights_.push_back(static_cast<float>(one.weight));
        sum += static_cast<double>(weights_.back());
        heaviest = weights_.back() > weights_[heaviest] ? weights_.size() - 1 : heaviest;
    }
    if (heaviest < weights_.size()) {
        weights_[heaviest] = static_cast<float>(weights_[heaviest] + (1 - sum));
    }
    offsets_.push_back(static_cast<uint32_t>(weights_.size()));
}

void InfluencesBuilder::copy(const Influences& from, size_t vertex) {
    for (uint32_t k = from.offsets[vertex]; k < from.offsets[vertex + 1]; ++k) {
        joints_.push_back(from.joints[k]);
        weights_.push_back(from.weights[k]);
    }
    offsets_.push_back(static_cast<uint32_t>(weights_.size()));
}

Influences InfluencesBuilder::take() {
    return {std::move(offsets_), std::move(joints_), std::move(weights_)};
}

void quantise_weights(std::span<const float> weights, uint32_t one, std::span<uint32_t> out) {
    assert(out.size() == weights.size());
    double sum = 0;
    for (const float weight : weights) {
        sum += std::max(0.0F, weight);
    }
    std::fill(out.begin(), out.end(), 0U);
    if (sum <= 0) {
        return;
    }
    std::vector<std::pair<double, size_t>> lost;
    uint32_t given = 0;
    for (size_t i = 0; i < weights.size(); ++i) {
        const double exact = std::max(0.0F, weights[i]) / sum * one;
        out[i] = static_cast<uint32_t>(std::floor(exact));
        given += out[i];
        lost.emplace_back(exact - std::floor(exact), i);
    }
    std::stable_sort(lost.begin(), lost.end(), [](const auto& a, const auto& b) { return a.first > b.first; });
    for (size_t k = 0; given < one; ++k, ++given) {
        ++out[lost[k % lost.size()].second];
    }
}

} // namespace wembrix
