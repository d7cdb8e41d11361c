#include "core/formats/usd/forms_between.h"

#include <algorithm>
#include <map>
#include <set>

namespace wembrix::usd {

namespace {

/// The shapes of one token by their knots; rest is -1.
using Forms = std::map<double, int>;

void put_weights(const Forms& forms, double weight, std::vector<double>& weights) {
    auto high = forms.upper_bound(weight);
    if (high == forms.end()) {
        --high;
    }
    if (high == forms.begin()) {
        ++high;
    }
    const auto low = std::prev(high);
    const double part = (weight - low->first) / (high->first - low->first);
    for (const auto& [shape, share] : {std::pair(low->second, 1 - part), std::pair(high->second, part)}) {
        if (shape >= 0) {
            weights[static_cast<size_t>(shape)] = share;
        }
    }
}

} // namespace

std::vector<ShapeWeights> with_forms_between(const std::vector<std::string>& tokens, const std::vector<double>& knots,
                                             const std::vector<ShapeWeights>& keys) {
    std::map<std::string, Forms> of_token;
    for (size_t s = 0; s < tokens.size(); ++s) {
        Forms& forms = of_token[tokens[s]];
        forms.emplace(0, -1);
        forms.emplace(knots[s], static_cast<int>(s));
    }
    std::erase_if(of_token, [](const auto& one) { return one.second.size() <= 2; });
    if (of_token.empty()) {
        return keys;
    }
    std::vector<ShapeWeights> result;
    const auto add = [&](const ShapeWeights& key) {
        ShapeWeights own = key;
        for (const auto& [token, forms] : of_token) {
            double weight = 0;
            for (const auto& [knot, shape] : forms) {
                if (shape >= 0) {
                    weight = key.weights[static_cast<size_t>(shape)];
                    own.weights[static_cast<size_t>(shape)] = 0;
                }
            }
            put_weights(forms, weight, own.weights);
        }
        result.push_back(std::move(own));
    };
    for (size_t k = 0; k < keys.size(); ++k) {
        if (k > 0) {
            std::set<double> passed; // parts of the way from the key before
            for (const auto& [token, forms] : of_token) {
                const auto shape = static_cast<size_t>(std::max(forms.begin()->second, forms.rbegin()->second));
                const double from = keys[k - 1].weights[shape];
                const double to = keys[k].weights[shape];
                for (const auto& [knot, unused] : forms) {
                    const double part = to != from ? (knot - from) / (to - from) : 0;
                    if (part > 1e-9 && part < 1 - 1e-9) {
                        passed.insert(part);
                    }
                }
            }
            for (const double part : passed) {
                ShapeWeights between{keys[k - 1].seconds + part * (keys[k].seconds - keys[k - 1].seconds), {}};
                for (size_t s = 0; s < keys[k].weights.size(); ++s) {
                    between.weights.push_back(keys[k - 1].weights[s] +
                                              part * (keys[k].weights[s] - keys[k - 1].weights[s]));
                }
                add(between);
            }
        }
        add(keys[k]);
    }
    return result;
}

} // namespace wembrix::usd
