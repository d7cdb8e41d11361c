#include "core/formats/usd/fields.h"

#include <algorithm>
#include <array>

namespace wembrix::usd {

namespace {

template <size_t N> bool among(const std::array<std::string_view, N>& names, std::string_view name) {
    return std::find(names.begin(), names.end(), name) != names.end();
}

constexpr std::array<std::string_view, 7> token_fields = {
    "upAxis", "defaultPrim", "kind", "interpolation", "colorSpace", "bindMaterialAs", "connectability"};
constexpr std::array<std::string_view, 8> double_fields = {"metersPerUnit",   "kilogramsPerUnit", "timeCodesPerSecond",
                                                           "framesPerSecond", "startTimeCode",    "endTimeCode",
                                                           "startFrame",      "endFrame"};
constexpr std::array<std::string_view, 4> truth_fields = {"active", "hidden", "instanceable", "noLoadHint"};
constexpr std::array<std::string_view, 5> string_fields = {"documentation", "comment", "displayName", "displayGroup",
                                                           "owner"};
constexpr std::array<std::string_view, 5> dictionary_fields = {"customData", "assetInfo", "customLayerData",
                                                               "sdrMetadata", "clips"};

} // namespace

std::optional<Type> type_of_field(std::string_view field) {
    if (among(token_fields, field)) {
        return Type{Kind::token};
    }
    if (among(double_fields, field)) {
        return Type{Kind::float64};
    }
    if (among(truth_fields, field)) {
        return Type{Kind::boolean};
    }
    if (among(string_fields, field)) {
        return Type{Kind::string};
    }
    if (among(dictionary_fields, field)) {
        return Type{Kind::dictionary};
    }
    if (field == "elementSize" || field == "framePrecision" || field == "unauthoredValuesIndex") {
        return Type{Kind::int32};
    }
    if (field == "allowedTokens") {
        return Type{Kind::token, Form::scalar, 1, true};
    }
    return std::nullopt;
}

} // namespace wembrix::usd
