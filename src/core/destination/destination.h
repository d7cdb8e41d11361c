// What one engine project expects of the files it is given. A file of its own, so that a team shares it.
#pragma once

#include "core/base/result.h"
#include "core/math/axes.h"
#include "core/measure/skeleton/contract.h"

#include <filesystem>
#include <nlohmann/json.hpp>
#include <optional>
#include <string>
#include <vector>

namespace wembrix {

struct Destination {
    std::string name;
    std::string container = "glb"; ///< a format's id
    AxisSystem axes;               ///< what the engine counts in once it has read the file
    int influences = 4;            ///< joints per point
    double rate = 30;              ///< frames per second
    std::string root = "root";
    std::string joint_names = "^[A-Za-z][A-Za-z0-9_]*$"; ///< regular expression that a whole name must fit
    int longest_name = 63;                               ///< characters of a joint's name
    /// What is set of formats, an object of each one's options under its id; kept when the container changes.
    nlohmann::json format_options = nlohmann::json::object();
    std::string model_file = "{job}_model"; ///< tokens: {job} {destination}
    std::string clip_file = "{job}_{clip}"; ///< and {clip}
    bool keep_last = true;                  ///< of a repeat whose last frame is its first once more
    double drift_limit_mm = 0.5;            ///< a delivery that moves a point farther is held
    std::optional<Contract> contract;       ///< the skeleton that every delivery must have; one that differs is held

    bool operator==(const Destination& other) const;
    /// What is set of one format: an object, empty where nothing is.
    [[nodiscard]] nlohmann::json options_of(std::string_view format) const;
    /// "Z up · 1 u = 1 cm · 4 influences"
    [[nodiscard]] std::string summary() const;
    /// "162.3 u" for a length in metres.
    [[nodiscard]] std::string in_units(double metres) const;
    /// A direction of core's as this destination calls it: "-Y".
    [[nodiscard]] std::string axis_here(Axis core_axis) const;
};

Result<Destination> destination_from_json(const nlohmann::json& json, const std::string& where);
nlohmann::json destination_to_json(const Destination& destination);
Result<Destination> read_destination(const std::filesystem::path& file);

/// A file template with its tokens filled in; each value is made safe for file systems.
Result<std::string> file_stem(const std::string& pattern, const std::string& job, const std::string& clip,
                              const Destination& destination);

/// Two destinations whose files would lie in one folder, since their names differ only in what a folder's name cannot
/// hold or in case: each would take the other's files for its own.
std::optional<Problem> shared_folder(const std::vector<Destination>& destinations);

/// The destinations that come with Wembrix: those of the scenario.
std::vector<Destination> built_in_destinations();

} // namespace wembrix
