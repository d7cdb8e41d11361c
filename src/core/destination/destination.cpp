#include "core/destination/destination.h"

#include "core/base/counted.h"
#include "core/base/file_version.h"
#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/base/pattern.h"
#include "core/base/text.h"
#include "core/destination/file_kinds.h"
#include "core/destination/place_hulls.h"
#include "core/formats/format.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <cmath>
#include <map>

namespace wembrix {

using nlohmann::json;

std::string_view clip_keys_name(ClipKeys keys) {
    constexpr std::array<std::string_view, 4> names = {"every_frame", "own_rate", "as_prepared", "fewest"};
    return names.at(static_cast<size_t>(keys));
}

std::string_view hulls_as_name(HullsAs as) {
    constexpr std::array<std::string_view, 4> names = {"below", "beside", "node_data", "left_out"};
    return names.at(static_cast<size_t>(as));
}

std::string_view numbers_name(Numbers numbers) {
    return numbers == Numbers::rounded ? "rounded" : "as_prepared";
}

std::string_view images_as_name(ImagesAs as) {
    constexpr std::array<std::string_view, 4> names = {"as_they_are", "png", "jpeg", "webp"};
    return names.at(static_cast<size_t>(as));
}

std::string_view influences_kept_name(InfluencesKept kept) {
    constexpr std::array<std::string_view, 2> names = {"heaviest", "least_motion"};
    return names.at(static_cast<size_t>(kept));
}

Destination Destination::plain() const {
    Destination plain = *this;
    plain.numbers = Numbers::as_prepared;
    plain.clip_keys = clip_keys == ClipKeys::fewest ? ClipKeys::every_frame : clip_keys;
    plain.images = ImagesAs::as_they_are;
    for (auto& [format, options] : plain.format_options.items()) {
        if (options.is_object()) {
            options.erase("compression");
        }
    }
    return plain;
}

bool Destination::is_lean() const {
    const json packed = options_of(container).value("compression", json("none"));
    return numbers != Numbers::as_prepared || clip_keys == ClipKeys::fewest || images != ImagesAs::as_they_are ||
           packed != "none";
}

AxisSystem Destination::takes_files_as() const {
    if (reads) {
        return *reads;
    }
    AxisSystem system = axes;
    // The shortest way from +Y to the engine's up carries +Z along; where up is +Y, nothing turns.
    system.forward = nearest_axis(shortest_turn(Vec3::UnitY(), direction(axes.up)) * Vec3::UnitZ());
    return system;
}

bool Destination::operator==(const Destination& other) const {
    return destination_to_json(*this) == destination_to_json(other);
}

Text Destination::summary() const {
    const Text unit = axes.unit_m == 1       ? "1 m"
                      : axes.unit_m == 0.01  ? "1 cm"
                      : axes.unit_m == 0.001 ? "1 mm"
                                             : phrase("{:.6g} m", axes.unit_m);
    return phrase("{} up · 1 u = {} · {}", axis_name(axes.up).substr(axis_name(axes.up)[0] == '+' ? 1 : 0), unit,
                  counted(influences, "influence"));
}

Text Destination::in_units(double metres) const {
    const double units = metres / axes.unit_m;
    return std::abs(units) >= 10 ? phrase("{:.1f} u", units) : phrase("{:.3f} u", units);
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

/// ": \"forward\" is one", where somebody may have mistyped it; else which there are.
Text nearest_setting(const std::string& key, const std::vector<std::string>& known) {
    std::string nearest;
    size_t least = 4; // changes of a letter
    for (const std::string& one : known) {
        std::vector<size_t> row(one.size() + 1);
        for (size_t j = 0; j <= one.size(); ++j) {
            row[j] = j;
        }
        for (size_t i = 1; i <= std::min<size_t>(key.size(), 60); ++i) { // Levenshtein 1966
            size_t diagonal = row[0];
            row[0] = i;
            for (size_t j = 1; j <= one.size(); ++j) {
                const size_t change = diagonal + (key[i - 1] == one[j - 1] ? 0 : 1);
                diagonal = row[j];
                row[j] = std::min({row[j] + 1, row[j - 1] + 1, change});
            }
        }
        if (row.back() < least) {
            least = row.back();
            nearest = one;
        }
    }
    if (!nearest.empty()) {
        return phrase("; is \"{}\" meant?", nearest);
    }
    std::string all;
    for (const std::string& one : known) {
        all += (all.empty() ? "" : ", ") + one;
    }
    return "; there are " + all + ".";
}

/// The kinds of a list; what is wrong with it, or nothing.
Text read_kinds(const json& from, std::vector<std::string>& kinds) {
    if (!from.is_array() || from.empty()) {
        return "\"deliverables\" is not a list of kinds of files.";
    }
    for (const json& one : from) {
        if (!one.is_string() || file_kind(one.get_ref<const std::string&>()) == nullptr) {
            std::vector<std::string> known;
            for (const FileKind& kind : file_kinds()) {
                known.emplace_back(kind.id);
            }
            return phrase("\"deliverables\": {} is no kind of file{}", one.dump(),
                          nearest_setting(one.is_string() ? one.get<std::string>() : "", known));
        }
        if (std::find(kinds.begin(), kinds.end(), one.get<std::string>()) == kinds.end()) {
            kinds.push_back(one.get<std::string>());
        }
    }
    return "";
}

Text what_is_wrong_with_options(const json& options) {
    if (!options.is_object()) {
        return "\"format_options\" is not an object.";
    }
    for (const auto& [id, values] : options.items()) {
        const Format* format = format_with_id(id);
        if (format == nullptr) {
            return phrase("\"format_options\": there is no format \"{}\".", id);
        }
        if (const std::optional<Problem> problem = check_parameters(format->options, values)) {
            return phrase("\"format_options\", \"{}\": {}", id, problem->sentence());
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
    Text wrong;
    auto text = [&](const char* key, std::string& value) {
        if (from.contains(key)) {
            if (from[key].is_string()) {
                value = from[key].get<std::string>();
            } else {
                wrong = phrase("\"{}\" is not a text.", key);
            }
        }
    };
    auto number = [&](const char* key, double& value, double low, double high) {
        if (from.contains(key)) {
            if (from[key].is_number() && from[key].get<double>() >= low && from[key].get<double>() <= high) {
                value = from[key].get<double>();
            } else {
                wrong = phrase("\"{}\" is not a number from {:g} to {:g}.", key, low, high);
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
            wrong = phrase("\"{}\" is no axis; an axis is one of +X -X +Y -Y +Z -Z.", key);
        }
    };
    static const std::vector<std::string> fixed = {"format",
                                                   "version",
                                                   "name",
                                                   "container",
                                                   "unit_m",
                                                   "up",
                                                   "forward",
                                                   "max_influences",
                                                   "rate",
                                                   "root",
                                                   "joint_names",
                                                   "longest_name",
                                                   "drift_limit_mm",
                                                   "contract",
                                                   "format_options",
                                                   "keep_last",
                                                   "handedness",
                                                   "reads",
                                                   "file_forward",
                                                   "max_shapes",
                                                   "clip_keys",
                                                   "still_channels",
                                                   "clip_names",
                                                   "surface_names",
                                                   "material_names",
                                                   "shape_names",
                                                   "file_names",
                                                   "longest_path",
                                                   "hulls",
                                                   "hull_names",
                                                   "largest_image",
                                                   "power_of_two_images",
                                                   "influences_kept",
                                                   "numbers",
                                                   "images",
                                                   "image_quality",
                                                   "revision",
                                                   "folder",
                                                   "import_record",
                                                   "points_container",
                                                   "deliverables",
                                                   "pictures",
                                                   "picture_ground",
                                                   "report"};
    std::vector<std::string> known = fixed;
    for (const FileKind& kind : file_kinds()) {
        if (kind.named.empty()) {
            known.push_back(std::string(kind.id) + "_file");
        }
    }
    for (const auto& [key, value] : from.items()) {
        if (std::find(known.begin(), known.end(), key) == known.end()) {
            wrong = phrase("has no setting \"{}\"{}", key, nearest_setting(key, known));
        }
    }
    text("name", to.name);
    text("container", to.container);
    text("root", to.root);
    to.format_options = from.value("format_options", json::object());
    auto yes_or_no = [&](const char* key, bool& value) {
        if (const auto found = from.find(key); found != from.end()) {
            if (found->is_boolean()) {
                value = found->get<bool>();
            } else {
                wrong = phrase("\"{}\" is neither true nor false.", key);
            }
        }
    };
    yes_or_no("keep_last", to.keep_last);
    yes_or_no("still_channels", to.still_channels);
    text("joint_names", to.joint_names);
    text("clip_names", to.clip_names);
    text("surface_names", to.surface_names);
    text("material_names", to.material_names);
    text("shape_names", to.shape_names);
    text("file_names", to.file_names);
    text("points_container", to.points_container);
    for (const FileKind& kind : file_kinds()) {
        std::string own(kind.file);
        text((std::string(kind.id) + "_file").c_str(), own);
        if (kind.named.empty() && own != kind.file) {
            to.files[std::string(kind.id)] = own;
        }
    }
    if (const auto kinds = from.find("deliverables"); kinds != from.end()) {
        const std::string problem = read_kinds(*kinds, to.deliverables);
        wrong = problem.empty() ? wrong : problem;
    }
    number("unit_m", to.axes.unit_m, 1e-9, 1e9);
    number("rate", to.rate, 1, 1000);
    number("drift_limit_mm", to.drift_limit_mm, 0, 1e6);
    double influences = to.influences;
    number("max_influences", influences, 1, 64);
    to.influences = static_cast<int>(influences);
    double longest = to.longest_name;
    number("longest_name", longest, 1, 256);
    to.longest_name = static_cast<int>(longest);
    double longest_path = to.longest_path;
    number("longest_path", longest_path, 0, 4096);
    to.longest_path = static_cast<int>(longest_path);
    if (const auto shapes = from.find("max_shapes"); shapes != from.end() && !shapes->is_null()) {
        double most = 0;
        number("max_shapes", most, 0, 10000);
        to.shapes = static_cast<int>(most);
    }
    std::string keys(clip_keys_name(to.clip_keys));
    text("clip_keys", keys);
    bool known_keys = false;
    for (const ClipKeys one : {ClipKeys::every_frame, ClipKeys::own_rate, ClipKeys::as_prepared, ClipKeys::fewest}) {
        if (keys == clip_keys_name(one)) {
            to.clip_keys = one;
            known_keys = true;
        }
    }
    if (!known_keys) {
        wrong = "\"clip_keys\" is neither \"every_frame\" nor \"own_rate\" nor \"as_prepared\" nor \"fewest\".";
    }
    double largest_image = to.largest_image;
    number("largest_image", largest_image, 0, 16384);
    to.largest_image = static_cast<int>(largest_image);
    yes_or_no("power_of_two_images", to.power_of_two_images);
    std::string numbers(numbers_name(to.numbers));
    text("numbers", numbers);
    if (numbers != numbers_name(Numbers::rounded) && numbers != numbers_name(Numbers::as_prepared)) {
        wrong = "\"numbers\" is neither \"as_prepared\" nor \"rounded\".";
    }
    to.numbers = numbers == numbers_name(Numbers::rounded) ? Numbers::rounded : Numbers::as_prepared;
    std::string images(images_as_name(to.images));
    text("images", images);
    bool known_images = false;
    for (const ImagesAs one : {ImagesAs::as_they_are, ImagesAs::png, ImagesAs::jpeg, ImagesAs::webp}) {
        if (images == images_as_name(one)) {
            to.images = one;
            known_images = true;
        }
    }
    if (!known_images) {
        wrong = "\"images\" is neither \"as_they_are\" nor \"png\" nor \"jpeg\" nor \"webp\".";
    }
    double image_quality = to.image_quality;
    number("image_quality", image_quality, 1, 100);
    to.image_quality = static_cast<int>(image_quality);
    text("folder", to.folder);
    if (to.folder.find('\0') != std::string::npos || to.folder.size() > 4000) {
        wrong = "\"folder\" is no path.";
    }
    text("import_record", to.import_record);
    if (!to.import_record.empty() && to.import_record.find("{file}") == std::string::npos) {
        wrong = "\"import_record\" does not say {file}: it would be the same for all.";
    }
    double revision = to.revision;
    number("revision", revision, 0, 1e9);
    to.revision = static_cast<int>(revision);
    double pictures = to.pictures;
    number("pictures", pictures, 0, 2048);
    to.pictures = static_cast<int>(pictures);
    if (to.pictures > 0 && to.pictures < 64) {
        wrong = "\"pictures\" is less than 64 pixels, and more than none.";
    }
    text("picture_ground", to.picture_ground);
    if (to.picture_ground != "none" && !background_of(to)) {
        wrong = "\"picture_ground\" is neither a colour such as \"#fbfbf8\" nor \"none\".";
    }
    yes_or_no("report", to.report);
    text("hull_names", to.hull_names);
    std::string kept(influences_kept_name(to.influences_kept));
    text("influences_kept", kept);
    if (kept == influences_kept_name(InfluencesKept::least_motion)) {
        to.influences_kept = InfluencesKept::least_motion;
    } else if (kept != influences_kept_name(InfluencesKept::heaviest)) {
        wrong = "\"influences_kept\" is neither \"heaviest\" nor \"least_motion\".";
    } else {
        to.influences_kept = InfluencesKept::heaviest;
    }
    std::string hulls(hulls_as_name(to.hulls));
    text("hulls", hulls);
    bool known_hulls = false;
    for (const HullsAs one : {HullsAs::below, HullsAs::beside, HullsAs::node_data, HullsAs::left_out}) {
        if (hulls == hulls_as_name(one)) {
            to.hulls = one;
            known_hulls = true;
        }
    }
    if (!known_hulls) {
        wrong = "\"hulls\" is neither \"below\" nor \"beside\" nor \"node_data\" nor \"left_out\".";
    }
    if (const Result<std::string> name = hull_name(to.hull_names, "surface", 1, "box"); !name) {
        wrong = name.problem().what;
    }
    if (const auto contract = from.find("contract"); contract != from.end() && !contract->is_null()) {
        Result<Contract> read = contract_from_json(*contract, "\"contract\"");
        if (read) {
            to.contract = read.take();
        } else {
            wrong = read.problem().where + " " + read.problem().what;
        }
    }
    const auto hand = [&](const json& of, const char* key, Handedness& value) {
        const json found = of.value(key, json(handedness_name(value)));
        if (found != "right" && found != "left") {
            wrong = phrase("\"{}\" is neither \"right\" nor \"left\".", key);
        }
        value = found == "left" ? Handedness::left : Handedness::right;
    };
    hand(from, "handedness", to.axes.handedness);
    axis("up", to.axes.up);
    axis("forward", to.axes.forward);
    axis("file_forward", to.file_forward);
    if (wrong.empty() && !to.axes.valid()) {
        wrong = "\"up\" and \"forward\" lie on one line.";
    }
    if (wrong.empty() && std::abs(direction(to.file_forward).y()) > 0.5) {
        wrong = "\"file_forward\" is +Y or -Y, which is up in the file.";
    }
    if (const auto reads = from.find("reads"); reads != from.end() && !reads->is_null()) {
        if (reads->is_object()) {
            to.reads = to.axes;
            for (const auto& [key, value] : reads->items()) {
                const std::optional<Axis> along =
                    axis_from(value.is_string() ? value.get<std::string>() : std::string());
                if ((key == "up" || key == "forward") && along) {
                    (key == "up" ? to.reads->up : to.reads->forward) = *along;
                } else if (key == "unit_m" && value.is_number()) {
                    to.reads->unit_m = value.get<double>();
                } else if (key == "handedness") {
                    hand(*reads, "handedness", to.reads->handedness);
                } else {
                    wrong =
                        phrase("\"reads\" does not take \"{}\" so; it has up, forward, unit_m and handedness.", key);
                }
            }
            if (wrong.empty() && !to.reads->valid()) {
                wrong = "\"reads\": \"up\" and \"forward\" lie on one line, or \"unit_m\" is no length.";
            }
        } else {
            wrong = "\"reads\" is not an object.";
        }
    }
    if (wrong.empty() && to.name.empty()) {
        wrong = "\"name\" is empty.";
    }
    const Format* container = format_with_id(to.container);
    if (wrong.empty() && (container == nullptr || container->is_read_only())) {
        wrong = phrase("\"{}\" is no container that Wembrix writes.", to.container);
    }
    const Format* of_points = format_with_id(to.points_container);
    if (wrong.empty() && !to.points_container.empty() && (of_points == nullptr || of_points->write_moving == nullptr)) {
        wrong = phrase("\"{}\" is no container that strands and caches can go out in.", to.points_container);
    }
    if (wrong.empty()) {
        wrong = what_is_wrong_with_options(to.format_options);
    }
    for (const auto& [key, pattern] :
         {std::pair("joint_names", &to.joint_names), std::pair("clip_names", &to.clip_names),
          std::pair("surface_names", &to.surface_names), std::pair("material_names", &to.material_names),
          std::pair("shape_names", &to.shape_names), std::pair("file_names", &to.file_names)}) {
        if (const Result<Pattern> names = Pattern::compile(*pattern); wrong.empty() && !names) {
            wrong = phrase("\"{}\": {}", key, names.problem().what);
        }
    }
    if (wrong.empty()) {
        for (const FileKind& kind : file_kinds()) {
            const FileTokens tokens{"part", "clip", "prop", "job"};
            if (const Result<std::string> stem = file_stem(file_template(to, kind), tokens, kind, to); !stem) {
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
               {"clip_keys", clip_keys_name(from.clip_keys)},
               {"still_channels", from.still_channels},
               {"file_forward", axis_name(from.file_forward)},
               {"root", from.root},
               {"joint_names", from.joint_names},
               {"longest_name", from.longest_name},
               {"model_file", file_template(from, *file_kind("model"))},
               {"clip_file", file_template(from, *file_kind("clip"))},
               {"hulls", hulls_as_name(from.hulls)},
               {"hull_names", from.hull_names},
               {"keep_last", from.keep_last},
               {"drift_limit_mm", from.drift_limit_mm}};
    if (from.reads) {
        to["reads"] = {{"up", axis_name(from.reads->up)},
                       {"forward", axis_name(from.reads->forward)},
                       {"unit_m", from.reads->unit_m},
                       {"handedness", handedness_name(from.reads->handedness)}};
    }
    if (from.shapes >= 0) {
        to["max_shapes"] = from.shapes;
    }
    for (const auto& [key, pattern] :
         {std::pair("clip_names", &from.clip_names), std::pair("surface_names", &from.surface_names),
          std::pair("material_names", &from.material_names), std::pair("shape_names", &from.shape_names),
          std::pair("file_names", &from.file_names)}) {
        if (!pattern->empty()) {
            to[key] = *pattern;
        }
    }
    if (from.influences_kept != InfluencesKept::heaviest) {
        to["influences_kept"] = influences_kept_name(from.influences_kept);
    }
    if (from.largest_image > 0) {
        to["largest_image"] = from.largest_image;
    }
    if (from.power_of_two_images) {
        to["power_of_two_images"] = true;
    }
    if (from.numbers != Numbers::as_prepared) {
        to["numbers"] = numbers_name(from.numbers);
    }
    if (from.images != ImagesAs::as_they_are) {
        to["images"] = images_as_name(from.images);
        to["image_quality"] = from.image_quality;
    }
    if (!from.folder.empty()) {
        to["folder"] = from.folder;
    }
    if (!from.import_record.empty()) {
        to["import_record"] = from.import_record;
    }
    if (from.revision > 0) {
        to["revision"] = from.revision;
    }
    if (from.pictures > 0) {
        to["pictures"] = from.pictures;
    }
    if (from.picture_ground != Destination().picture_ground) {
        to["picture_ground"] = from.picture_ground;
    }
    if (from.report) {
        to["report"] = true;
    }
    if (!from.points_container.empty()) {
        to["points_container"] = from.points_container;
        to["strands_file"] = file_template(from, *file_kind("strands"));
        to["cache_file"] = file_template(from, *file_kind("cache"));
    }
    for (const auto& [kind, pattern] : from.files) {
        to[kind + "_file"] = pattern;
    }
    if (!from.deliverables.empty()) {
        to["deliverables"] = from.deliverables;
    }
    if (from.longest_path > 0) {
        to["longest_path"] = from.longest_path;
    }
    if (!from.format_options.empty()) {
        to["format_options"] = from.format_options;
    }
    if (from.contract) {
        to["contract"] = contract_to_json(*from.contract);
    }
    return to;
}

std::optional<std::array<uint8_t, 3>> background_of(const Destination& destination) {
    const std::string& text = destination.picture_ground;
    if (text.size() != 7 || text[0] != '#' ||
        !std::all_of(text.begin() + 1, text.end(), [](unsigned char c) { return std::isxdigit(c) != 0; })) {
        return std::nullopt;
    }
    std::array<uint8_t, 3> colour{};
    for (size_t k = 0; k < 3; ++k) {
        colour[k] = static_cast<uint8_t>(std::stoi(text.substr(1 + 2 * k, 2), nullptr, 16));
    }
    return colour;
}

Result<Destination> read_destination(const std::filesystem::path& file) {
    const Result<nlohmann::json> parsed = read_json_file(file);
    if (!parsed) {
        return parsed.problem();
    }
    return destination_from_json(*parsed, file.string());
}

std::vector<Destination> built_in_destinations() {
    Destination tidewater;
    tidewater.name = "Tidewater runtime";
    tidewater.axes = {Axis::pos_z, Axis::neg_y, 0.01};
    tidewater.joint_names = "^[a-z][a-z0-9_]*$";
    tidewater.points_container = "usdc";
    Destination lantern;
    lantern.name = "Lantern web view";
    lantern.axes = {Axis::pos_y, Axis::pos_z, 1};
    return {tidewater, lantern};
}

std::optional<Problem> shared_folder(const std::vector<Destination>& destinations) {
    std::map<std::string, std::string> seen;
    for (const Destination& destination : destinations) {
        std::string folder = destination.folder.empty()
                                 ? file_name_safe(destination.name)
                                 : "/" + std::filesystem::path(destination.folder).lexically_normal().string();
        std::transform(folder.begin(), folder.end(), folder.begin(),
                       [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
        const auto [other, is_new] = seen.emplace(folder, destination.name);
        if (!is_new) {
            return Problem{phrase("shares its folder with \"{}\".", other->second), destination.name,
                           "Give one of the two destinations another name or folder."};
        }
    }
    return std::nullopt;
}

} // namespace wembrix
