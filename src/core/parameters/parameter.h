// Parameters: what a person sets of a step or a format, each declared once. From the declaration come the check of what
// was typed, the settings that code reads, the widgets of the window, the tables of the documentation, and which names
// are followed when what they name is renamed.
//
//     struct ScaleSettings { std::optional<double> factor; };
//     number<&ScaleSettings::factor>("factor", "Factor", "Times as large").unit("×").above(0).starting(1.0)
#pragma once

#include "core/base/result.h"

#include <cmath>
#include <cstdint>
#include <limits>
#include <map>
#include <nlohmann/json.hpp>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <type_traits>
#include <vector>

namespace wembrix {

/// What a text is the name of. Lists may hold patterns with * and ?.
enum class NameOf : uint8_t {
    nothing,
    clip,        ///< of one clip that is there before the step
    clip_after,  ///< of a clip that the step makes
    clip_ending, ///< of names of clips: a clip that the step makes is called after another one, with this behind it
    joint,
    source, ///< file of a source
    surface,
    shape,    ///< a morph target of any surface
    material, ///< as a slot of any surface
    prop,
    node_or_clip,
};

class Parameter {
  public:
    enum class Kind : uint8_t {
        text,
        number,
        whole, ///< a number without a fraction
        choice,
        flag,
        list,   ///< texts
        pairs,  ///< an object of texts
        rows,   ///< a list of objects, each with the columns
        object, ///< read by a function of its own; no widget shows it
    };
    using Put = void (*)(void* settings, const nlohmann::json& value, const Parameter& self);
    using Check = std::optional<Problem> (*)(const nlohmann::json& value);

    std::string_view key;   ///< as it stands in files, with its unit where it has one: "height_m"
    std::string_view label; ///< for people
    std::string_view help;  ///< what it does, as a phrase
    Kind kind = Kind::text;
    std::string_view unit_text;       ///< "mm"
    std::string_view form;            ///< how a row is typed, or what an empty field means
    std::string_view row_word;        ///< what a row is, for its problems: "rule"
    std::vector<std::string> choices; ///< of a choice, and of the items of a list that takes no others
    std::vector<Parameter> columns;
    nlohmann::json otherwise;      ///< what holds where it is not set; null where nothing does
    nlohmann::json starting_value; ///< what it begins with when a person adds the step; null: not set
    NameOf names = NameOf::nothing;
    NameOf values_name = NameOf::nothing; ///< what the texts of pairs are the names of; `names` is of their keys
    bool is_needed = false;
    bool may_be_empty = true; ///< a text, or the texts of pairs
    bool is_shown = true;     ///< the window has a widget for it
    bool holds_data = false;  ///< its texts are the hashes of arrays that lie beside the job
    bool is_image = false;    ///< that array is a PNG or JPEG, chosen as a file
    double least = -std::numeric_limits<double>::infinity();
    double most = std::numeric_limits<double>::infinity();
    bool least_is_outside = false;
    size_t least_items = 0; ///< of a list
    Check check = nullptr;  ///< one more check of the value
    Put put = nullptr;

    // Each gives the parameter back, so that a declaration reads as one line.
    Parameter unit(std::string_view text) const {
        return with([&](Parameter& p) { p.unit_text = text; });
    }
    Parameter typed_as(std::string_view text) const {
        return with([&](Parameter& p) { p.form = text; });
    }
    Parameter between(double low, double high) const {
        return with([&](Parameter& p) { p.least = low, p.most = high; });
    }
    Parameter at_least(double low) const {
        return with([&](Parameter& p) { p.least = low; });
    }
    Parameter above(double low) const {
        return with([&](Parameter& p) { p.least = low, p.least_is_outside = true; });
    }
    Parameter needed() const {
        return with([](Parameter& p) { p.is_needed = true, p.may_be_empty = false; });
    }
    Parameter not_empty() const {
        return with([](Parameter& p) { p.may_be_empty = false; });
    }
    Parameter items(size_t least_count) const {
        return with([&](Parameter& p) { p.least_items = least_count, p.is_needed = true; });
    }
    Parameter unseen() const {
        return with([](Parameter& p) { p.is_shown = false; });
    }
    /// Hashes of arrays made by hand, 32 hexadecimal digits each; no widget shows them.
    Parameter naming_data() const {
        return with([](Parameter& p) { p.holds_data = true, p.is_shown = false; });
    }
    /// The same of one image; the window has a field for its file.
    Parameter naming_image() const {
        return with([](Parameter& p) { p.holds_data = true, p.is_image = true; });
    }
    Parameter naming(NameOf what) const {
        return with([&](Parameter& p) { p.names = what; });
    }
    Parameter with_values_naming(NameOf what) const {
        return with([&](Parameter& p) { p.values_name = what; });
    }
    Parameter out_of(std::vector<std::string> names_allowed) const {
        return with([&](Parameter& p) { p.choices = std::move(names_allowed); });
    }
    Parameter checked(Check also) const {
        return with([&](Parameter& p) { p.check = also; });
    }
    Parameter starting(nlohmann::json value) const {
        return with([&](Parameter& p) { p.starting_value = std::move(value); });
    }

    [[nodiscard]] const Parameter* column(std::string_view of) const;

  private:
    template <typename Change> Parameter with(const Change& change) const {
        Parameter changed = *this;
        change(changed);
        return changed;
    }
};

/// The first thing that is wrong with an object of parameters: an unknown key, a missing one, a wrong kind, a value out
/// of its range. The problem is malformed(): no scene could make it right.
std::optional<Problem> check_parameters(std::span<const Parameter> parameters, const nlohmann::json& values);

/// Puts the values into settings. Precondition: check_parameters found nothing; `settings` is the struct whose members
/// the parameters were declared with.
void fill_settings(std::span<const Parameter> parameters, const nlohmann::json& values, void* settings);

/// The object that a step begins with when a person adds it.
nlohmann::json starting_values(std::span<const Parameter> parameters);

/// "Factor 0.01 ×, clips wade and stamp": what is set, in one line.
Text summary_of(std::span<const Parameter> parameters, const nlohmann::json& values);

/// A problem with what was typed, whatever the scene.
Problem malformed(Text what, std::string where = {});

namespace parameter_detail {

void assign(double& to, const nlohmann::json& value);
void assign(std::optional<double>& to, const nlohmann::json& value);
void assign(int& to, const nlohmann::json& value);
void assign(bool& to, const nlohmann::json& value);
void assign(std::optional<bool>& to, const nlohmann::json& value);
void assign(std::string& to, const nlohmann::json& value);
void assign(std::optional<std::string>& to, const nlohmann::json& value);
void assign(std::vector<std::string>& to, const nlohmann::json& value);
void assign(std::map<std::string, std::string>& to, const nlohmann::json& value);
int choice_of(const nlohmann::json& value, const Parameter& parameter);

nlohmann::json value_of(double value);
nlohmann::json value_of(int value);
nlohmann::json value_of(bool value);
nlohmann::json value_of(const std::string& value);
template <typename Other> nlohmann::json value_of(const Other&) {
    return nullptr; // nothing, lists and rows: none unless they are set
}

template <typename> struct MemberOf;
template <typename Settings, typename Value> struct MemberOf<Value Settings::*> {
    using Struct = Settings;
    using Type = Value;
};
template <auto Member> using StructOf = typename MemberOf<decltype(Member)>::Struct;
template <auto Member> using TypeOf = typename MemberOf<decltype(Member)>::Type;

template <auto Member> void put_value(void* settings, const nlohmann::json& value, const Parameter& self) {
    auto& to = static_cast<StructOf<Member>*>(settings)->*Member;
    if constexpr (std::is_enum_v<TypeOf<Member>>) {
        to = static_cast<TypeOf<Member>>(choice_of(value, self));
    } else {
        assign(to, value);
    }
}

template <auto Member> void put_rows(void* settings, const nlohmann::json& value, const Parameter& self) {
    auto& rows = static_cast<StructOf<Member>*>(settings)->*Member;
    for (size_t i = 0; i < value.size(); ++i) {
        rows.emplace_back();
        fill_settings(self.columns, value[i], &rows.back());
    }
}

/// All but how its value is put into the settings.
template <auto Member>
Parameter declare_bare(Parameter::Kind kind, std::string_view key, std::string_view label, std::string_view help) {
    Parameter parameter;
    parameter.key = key;
    parameter.label = label;
    parameter.help = help;
    parameter.kind = kind;
    if constexpr (!std::is_enum_v<TypeOf<Member>>) {
        parameter.otherwise = value_of(StructOf<Member>{}.*Member);
    }
    return parameter;
}
template <auto Member>
Parameter declare(Parameter::Kind kind, std::string_view key, std::string_view label, std::string_view help) {
    Parameter parameter = declare_bare<Member>(kind, key, label, help);
    parameter.put = put_value<Member>;
    return parameter;
}

} // namespace parameter_detail

/// Each of these declares the parameter that fills one member of a settings struct. What the member is initialised with
/// is what holds where the parameter is not set.
template <auto Member> Parameter text(std::string_view key, std::string_view label, std::string_view help) {
    return parameter_detail::declare<Member>(Parameter::Kind::text, key, label, help);
}
template <auto Member> Parameter number(std::string_view key, std::string_view label, std::string_view help) {
    constexpr bool whole = std::is_same_v<parameter_detail::TypeOf<Member>, int>;
    return parameter_detail::declare<Member>(whole ? Parameter::Kind::whole : Parameter::Kind::number, key, label,
                                             help);
}
template <auto Member> Parameter flag(std::string_view key, std::string_view label, std::string_view help) {
    return parameter_detail::declare<Member>(Parameter::Kind::flag, key, label, help);
}
/// `choices` in the order of the member's enumerators; of a text, all that it may be.
template <auto Member>
Parameter choice(std::string_view key, std::string_view label, std::vector<std::string> choices,
                 std::string_view help) {
    Parameter parameter = parameter_detail::declare<Member>(Parameter::Kind::choice, key, label, help);
    if constexpr (std::is_enum_v<parameter_detail::TypeOf<Member>>) {
        parameter.otherwise =
            choices.at(static_cast<size_t>(parameter_detail::StructOf<Member>{}.*Member)); // its own starting value
    }
    parameter.choices = std::move(choices);
    return parameter;
}
template <auto Member> Parameter list(std::string_view key, std::string_view label, std::string_view help) {
    return parameter_detail::declare<Member>(Parameter::Kind::list, key, label, help);
}
template <auto Member> Parameter pairs(std::string_view key, std::string_view label, std::string_view help) {
    return parameter_detail::declare<Member>(Parameter::Kind::pairs, key, label, help);
}
template <auto Member>
Parameter rows(std::string_view key, std::string_view label, std::string_view row_word, std::vector<Parameter> columns,
               std::string_view help) {
    Parameter parameter = parameter_detail::declare_bare<Member>(Parameter::Kind::rows, key, label, help);
    parameter.put = parameter_detail::put_rows<Member>;
    parameter.columns = std::move(columns);
    parameter.row_word = row_word;
    return parameter;
}
/// `Read` is a function from JSON to a Result of the member's type.
template <auto Member, auto Read>
Parameter object(std::string_view key, std::string_view label, std::string_view help) {
    Parameter parameter = parameter_detail::declare_bare<Member>(Parameter::Kind::object, key, label, help);
    parameter.is_shown = false;
    parameter.check = [](const nlohmann::json& value) -> std::optional<Problem> {
        const auto read = Read(value);
        return read ? std::nullopt : std::optional<Problem>(read.problem());
    };
    parameter.put = [](void* settings, const nlohmann::json& value, const Parameter&) {
        static_cast<parameter_detail::StructOf<Member>*>(settings)->*Member = Read(value).take();
    };
    return parameter;
}

} // namespace wembrix
