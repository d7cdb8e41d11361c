#include "core/destination/destination.h"

#include "core/base/counted.h"
#include "core/base/file_version.h"
#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/base/pattern.h"
#include "core/formats/format.h"

#include <algorithm>
#include <cctype>
#include <cmath>
#include <fmt/format.h>
#include <map>

namespace wembrix {

using nlohmann::json;

bool Destination::operator==(const Destination& other) const {
    return destination_to_json(*this) == destination_to_json(other);
}

std::string Destination::summary() const {
    const std::string unit = axes.unit_m == 1       ? "1 m"
                             : axes.unit_m == 0.01  ? "1 cm"
                             : axes.unit_m == 0.001 ? "1 mm"
                                                    : fmt::format("{:.6g} m", axes.unit_m);
    return fmt::format("{} up · 1 u = {} · {}", axis_name(axes.up).substr(axis_name(axes.up)[0] == '+' ? 1 : 0), unit,
                       counted(influences, "influence"));
}

std::string Destination::in_units(double metres) const {
    const double units = metres / axes.unit_m;
    return fmt::format("{:.{}f} u", units, std::abs(units) >= 10 ? 1 : 3);
}

json Destination::options_of(std::string_view format) const {
    return format_options.value(std::string(format), json::object());
}

std::string Destination::axis_here(Axis core_axis) const {
    return std::string(axis_name(nearest_axis(linear_of(axes.from_core()) * direction(core_axis))));
}

namespace {
void destination_from_1(json& destination) {
    rename_key(destination, "influences", "max_influences");
    rename_key(destination, "turn_order", "rotation_order");
}

/// The rotation order stood beside the other settings once; it is an option of the one format that has it.
void move_rotation_order(json& destination) {
    const auto order = destination.find("rotation_order");
    if (order == destination.end()) {
        return;
    }
    const json value = *order;
    destination.erase(order);
    json& options = destination.emplace("format_options", json::object()).first.value();
    if (value == "ZXY" || !options.is_object()) {
        return; // as it is by itself; what is wrong with the options is told with them
    }
    json& of_bvh = options.emplace("bvh", json::object()).first.value();
    if (of_bvh.is_object()) {
        of_bvh.emplace("rotation_order", value);
    }
}

std::string what_is_wrong_with_options(const json& options) {
    if (!options.is_object()) {
        return "\"format_options\" is not an object.";
    }
    for (const auto& [id, values] : options.items()) {
        const Format* format = format_with_id(id);
        if (format == nullptr) {
            return fmt::format("\"format_options\": there is no format \"{}\".", id);
        }
        if (const std::optional<Problem> problem = check_parameters(format->options, values)) {
            return fmt::format("\"format_options\", \"{}\": {}", id, problem->sentence());
        }
    }
    return "";
}
} // namespace

Result<Destination> destination_from_json(const json& given, const std::string& where) {
    json from = given;
    if (from.is_object()) {
        if (Outcome done = bring_up_to_date(from, where, destination_from_1); !done) {
            return done.problem();
        }
        move_rotation_order(from);
    }
    if (!from.is_object() || !from.contains("name") || !from["name"].is_string()) {
        return Problem{"is not a destination: it has no \"name\".", where, ""};
    }
    Destination to;
    std::string wrong;
    auto text = [&](const char* key, std::string& value) {
        if (from.contains(key)) {
            if (from[key].is_string()) {
                value = from[key].get<std::string>();
            } else {
                wrong = fmt::format("\"{}\" is not a text.", key);
            }
        }
    };
    auto number = [&](const char* key, double& value, double low, double high) {
        if (from.contains(key)) {
            if (from[key].is_number() && from[key].get<double>() >= low && from[key].get<double>() <= high) {
                value = from[key].get<double>();
            } else {
                wrong = fmt::format("\"{}\" is not a number from {:g} to {:g}.", key, low, high);
            }
        }
    };
    auto axis = [&](const char* key, Axis& value) {
        std::string name;
        text(key, name);
        if (name.empty()) {
            return;
        }
        if (const auto found = axis_from(name)) {
            value = *found;
        } else {
            wrong = fmt::format("\"{}\" is no axis; an axis is one of +X -X +Y -Y +Z -Z.", key);
        }
    };
    static const std::vector<std::string> known = {
        "format",         "version",  "name",           "container",   "unit_m",       "up",         "forward",
        "max_influences", "rate",     "root",           "joint_names", "longest_name", "model_file", "clip_file",
        "drift_limit_mm", "contract", "format_options", "keep_last",   "handedness"};
    for (const auto& [key, value] : from.items()) {
        if (std::find(known.begin(), known.end(), key) == known.end()) {
            wrong = fmt::format("has no setting \"{}\".", key);
        }
    }
    text("name", to.name);
    text("container", to.container);
    text("root", to.root);
    to.format_options = from.value("format_options", json::object());
    if (const auto keep = from.find("keep_last"); keep != from.end()) {
        if (keep->is_boolean()) {
            to.keep_last = keep->get<bool>();
        } else {
            wrong = "\"keep_last\" is neither true nor false.";
        }
    }
    text("joint_names", to.joint_names);
    text("model_file", to.model_file);
    text("clip_file", to.clip_file);
    number("unit_m", to.axes.unit_m, 1e-9, 1e9);
    number("rate", to.rate, 1, 1000);
    number("drift_limit_mm", to.drift_limit_mm, 0, 1e6);
    double influences = to.influences;
    number("max_influences", influences, 1, 64);
    to.influences = static_cast<int>(influences);
    double longest = to.longest_name;
    number("longest_name", longest, 1, 256);
    to.longest_name = static_cast<int>(longest);
    if (const auto contract = from.find("contract"); contract != from.end() && !contract->is_null()) {
        Result<Contract> read = contract_from_json(*contract, "\"contract\"");
        if (read) {
            to.contract = read.take();
        } else {
            wrong = read.problem().where + " " + read.problem().what;
        }
    }
    std::string handedness(handedness_name(to.axes.handedness));
    text("handedness", handedness);
    if (handedness != "right" && handedness != "left") {
        wrong = "\"handedness\" is neither \"right\" nor \"left\".";
    }
    to.axes.handedness = handedness == "left" ? Handedness::left : Handedness::right;
    axis("up", to.axes.up);
    axis("forward", to.axes.forward);
    if (wrong.empty() && !to.axes.valid()) {
        wrong = "\"up\" and \"forward\" lie on one line.";
    }
    if (wrong.empty() && to.name.empty()) {
        wrong = "\"name\" is empty.";
    }
    if (wrong.empty() && format_with_id(to.container) == nullptr) {
        wrong = fmt::format("\"{}\" is no container that Wembrix writes.", to.container);
    }
    if (wrong.empty()) {
        wrong = what_is_wrong_with_options(to.format_options);
    }
    if (const Result<Pattern> names = Pattern::compile(to.joint_names); wrong.empty() && !names) {
        wrong = "\"joint_names\": " + names.problem().what;
    }
    if (wrong.empty()) {
        for (const std::string& pattern : {to.model_file, to.clip_file}) {
            if (const Result<std::string> stem = file_stem(pattern, "job", "clip", to); !stem) {
                wrong = stem.problem().what;
            }
        }
    }
    if (!wrong.empty()) {
        return Problem{wrong, where, ""};
    }
    return to;
}

json destination_to_json(const Destination& from) {
    json to = {{"format", "wembrix destination"},
               {"version", file_version},
               {"name", from.name},
               {"container", from.container},
               {"unit_m", from.axes.unit_m},
               {"up", axis_name(from.axes.up)},
               {"forward", axis_name(from.axes.forward)},
               {"handedness", handedness_name(from.axes.handedness)},
               {"max_influences", from.influences},
               {"rate", from.rate},
               {"root", from.root},
               {"joint_names", from.joint_names},
               {"longest_name", from.longest_name},
               {"model_file", from.model_file},
               {"clip_file", from.clip_file},
               {"keep_last", from.keep_last},
               {"drift_limit_mm", from.drift_limit_mm}};
    if (!from.format_options.empty()) {
        to["format_options"] = from.format_options;
    }
    if (from.contract) {
        to["contract"] = contract_to_json(*from.contract);
    }
    return to;
}

Result<Destination> read_destination(const std::filesystem::path& file) {
    const Result<nlohmann::json> parsed = read_json_file(file);
    if (!parsed) {
        return parsed.problem();
    }
    return destination_from_json(*parsed, file.string());
}

Result<std::string> file_stem(const std::string& pattern, const std::string& job, const std::string& clip,
                              const Destination& destination) {
    std::string stem;
    for (size_t i = 0; i < pattern.size();) {
        if (pattern[i] != '{') {
            stem += pattern[i++];
            continue;
        }
        const size_t end = pattern.find('}', i);
        const std::string token = end == std::string::npos ? pattern.substr(i) : pattern.substr(i, end - i + 1);
        if (token == "{job}") {
            stem += file_name_safe(job);
        } else if (token == "{clip}") {
            stem += file_name_safe(clip);
        } else if (token == "{destination}") {
            stem += file_name_safe(destination.name);
        } else {
            return Problem{fmt::format("the file template has the unknown token {}.", token), "",
                           "There are {job}, {clip} and {destination}."};
        }
        i += token.size();
    }
    if (stem.empty() || stem[0] == '.' || stem.find_first_of("/\\:*?\"<>|\n\t") != std::string::npos ||
        stem.size() > 120) {
        return Problem{fmt::format("\"{}\" cannot be a file name.", stem), "", ""};
    }
    return stem;
}

std::vector<Destination> built_in_destinations() {
    Destination tidewater;
    tidewater.name = "Tidewater runtime";
    tidewater.axes = {Axis::pos_z, Axis::neg_y, 0.01};
    tidewater.joint_names = "^[a-z][a-z0-9_]*$";
    Destination lantern;
    lantern.name = "Lantern web view";
    lantern.axes = {Axis::pos_y, Axis::pos_z, 1};
    return {tidewater, lantern};
}

std::optional<Problem> shared_folder(const std::vector<Destination>& destinations) {
    std::map<std::string, std::string> seen;
    for (const Destination& destination : destinations) {
        std::string folder = file_name_safe(destination.name);
        std::transform(folder.begin(), folder.end(), folder.begin(),
                       [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
        const auto [other, is_new] = seen.emplace(folder, destination.name);
        if (!is_new) {
            return Problem{fmt::format("shares its folder with \"{}\".", other->second), destination.name,
                           "Give one of the two destinations another name."};
        }
    }
    return std::nullopt;
}

} // namespace wembrix
