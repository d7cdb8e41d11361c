#include "core/formats/usd/read_parts.h"

namespace wembrix::usd {

const Value* value_of(const Prim& prim, std::string_view attribute) {
    const Property* property = prim.property(attribute);
    if (property == nullptr || property->is_relationship) {
        return nullptr;
    }
    if (property->has_value && !property->value.is_blocked()) {
        return &property->value;
    }
    for (const Sample& sample : property->samples) {
        if (!sample.value.is_blocked()) {
            return &sample.value;
        }
    }
    return nullptr;
}

std::optional<std::string> text_of(const Prim& prim, std::string_view attribute) {
    const Value* value = value_of(prim, attribute);
    return value == nullptr ? std::nullopt : value->as_text();
}

std::vector<float> floats_of(const Prim& prim, std::string_view attribute) {
    const Value* value = value_of(prim, attribute);
    return value == nullptr ? std::vector<float>() : value->numbers<float>();
}

std::vector<int64_t> integers_of(const Prim& prim, std::string_view attribute) {
    const Value* value = value_of(prim, attribute);
    return value == nullptr ? std::vector<int64_t>() : value->numbers<int64_t>();
}

std::vector<std::string> texts_of(const Prim& prim, std::string_view attribute) {
    const Value* value = value_of(prim, attribute);
    return value == nullptr ? std::vector<std::string>() : value->texts();
}

std::string target_of(const Prim& prim, std::string_view relationship) {
    const Property* property = prim.property(relationship);
    if (property == nullptr || !property->is_relationship) {
        return {};
    }
    const std::vector<std::string> targets = property->targets.list();
    return targets.empty() ? std::string() : targets.front();
}

std::string metadata_text(const Dictionary& metadata, std::string_view field) {
    const Value* value = find(metadata, field);
    return value == nullptr ? std::string() : value->as_text().value_or("");
}

std::string shown_name(const Prim& prim) {
    std::string shown = metadata_text(prim.metadata, "displayName");
    return shown.empty() ? prim.name : shown;
}

std::string own_word(const Prim& prim, std::string_view name) {
    const Value* data = find(prim.metadata, "customData");
    return data == nullptr ? std::string() : metadata_text(data->dictionary(), name);
}

bool is_own_word(std::string_view name) {
    return name == "meshName" || name == "skinName" || name == "attachmentPoints" || name == "surfaces" ||
           name == "shapeWeights";
}

Mat4 matrix_of(const Value& value, size_t place) {
    Mat4 matrix = Mat4::Identity();
    if (value.type().form != Form::matrix || value.type().width != 16 || place >= value.size()) {
        return matrix;
    }
    const std::vector<double> numbers = value.numbers<double>();
    // Row after row of a matrix for rows is column after column of ours.
    std::copy(numbers.begin() + static_cast<ptrdiff_t>(place * 16),
              numbers.begin() + static_cast<ptrdiff_t>(place * 16 + 16), matrix.data());
    return matrix.allFinite() ? matrix : Mat4::Identity();
}

} // namespace wembrix::usd
