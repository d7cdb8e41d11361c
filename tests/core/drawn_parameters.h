// Parameters of any step, drawn by chance.
#pragma once

#include "core/parameters/parameter.h"
#include "core/scene/scene.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <random>
#include <string>
#include <vector>

namespace wembrix::testing {

/// Values for parameters, drawn by what each declares of itself.
class Drawing {
  public:
    Drawing(uint32_t seed, const Scene& scene) : random_(seed), scene_(scene) {}

    nlohmann::json all(const std::vector<Parameter>& parameters) {
        nlohmann::json values = nlohmann::json::object();
        for (const Parameter& parameter : parameters) {
            if (parameter.holds_data && !parameter.is_needed) {
                continue; // arrays are made by hand
            }
            if (parameter.is_needed || chance(2)) {
                if (nlohmann::json value = one(parameter); !value.is_null()) {
                    values[std::string(parameter.key)] = std::move(value);
                }
            }
        }
        return values;
    }

  private:
    size_t below(size_t count) { return random_() % std::max<size_t>(count, 1); }
    bool chance(size_t in) { return below(in) == 0; }

    std::string name(NameOf of) {
        std::vector<std::string> names;
        for (const Clip& clip : scene_.clips) {
            if (of == NameOf::clip || of == NameOf::node_or_clip) {
                names.push_back(clip.name);
            }
        }
        for (const Node& node : scene_.nodes) {
            if (of == NameOf::node_or_clip || (of == NameOf::joint && node.kind == NodeKind::joint) ||
                ((of == NameOf::surface || of == NameOf::prop) && node.mesh >= 0)) {
                names.push_back(node.name);
            }
        }
        for (const Mesh& mesh : scene_.meshes) {
            for (const MorphTarget& shape : mesh.shapes) {
                if (of == NameOf::shape) {
                    names.push_back(shape.name);
                }
            }
        }
        for (const Material& material : scene_.materials) {
            if (of == NameOf::material) {
                names.push_back(material.name);
            }
        }
        return names.empty() || chance(12) ? fmt::format("name_{}", below(100)) : names[below(names.size())];
    }

    nlohmann::json number(const Parameter& parameter) {
        const double low = std::isfinite(parameter.least) ? parameter.least : -3;
        const double high = std::min(parameter.most, low + (parameter.kind == Parameter::Kind::whole ? 40 : 4));
        const double value = low + (high - low) * static_cast<double>(1 + below(999)) / 1000;
        return parameter.kind == Parameter::Kind::whole ? nlohmann::json(static_cast<int>(std::ceil(value)))
                                                        : nlohmann::json(value);
    }

    nlohmann::json one(const Parameter& parameter) {
        switch (parameter.kind) {
        case Parameter::Kind::text:
            if (parameter.key == "strands" && !scene_.curve_sets.empty()) {
                return chance(4) ? std::string() : scene_.curve_sets[below(scene_.curve_sets.size())].name;
            }
            return parameter.choices.empty() ? name(parameter.names)
                                             : parameter.choices[below(parameter.choices.size())];
        case Parameter::Kind::number:
        case Parameter::Kind::whole:
            return number(parameter);
        case Parameter::Kind::choice:
            return parameter.choices[below(parameter.choices.size())];
        case Parameter::Kind::flag:
            return chance(2);
        case Parameter::Kind::list: {
            nlohmann::json list = nlohmann::json::array();
            for (size_t i = 0; i < std::max<size_t>(parameter.least_items, 1 + below(3)); ++i) {
                list.push_back(!parameter.choices.empty() ? parameter.choices[below(parameter.choices.size())]
                               : chance(6)                ? "*"
                                                          : name(parameter.names));
            }
            return list;
        }
        case Parameter::Kind::pairs:
            return {{name(parameter.names), chance(3) ? name(NameOf::joint) : fmt::format("fresh_{}", below(100))}};
        case Parameter::Kind::rows: {
            nlohmann::json rows = nlohmann::json::array();
            for (size_t i = 0; i < std::max<size_t>(parameter.least_items, 1 + below(2)); ++i) {
                rows.push_back(all(parameter.columns));
            }
            return rows;
        }
        case Parameter::Kind::object:
            return nullptr;
        }
        return nullptr;
    }

    std::mt19937 random_;
    const Scene& scene_;
};

} // namespace wembrix::testing
