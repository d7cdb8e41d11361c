// What one engine project expects of the files it is given. A file of its own, so that a team shares it.
#pragma once

#include "core/base/result.h"
#include "core/math/axes.h"
#include "core/measure/skeleton/contract.h"

#include <array>
#include <cstdint>
#include <filesystem>
#include <map>
#include <nlohmann/json.hpp>
#include <optional>
#include <string>
#include <vector>

namespace wembrix {

/// At which moments the clips of a destination have keys.
enum class ClipKeys : uint8_t {
    every_frame, ///< of the destination's rate
    own_rate,    ///< at every frame of the rate that the clip was made at
    as_prepared, ///< those of the clip, as they are: cubic and stepped where the container can hold them
    fewest,      ///< of those at every frame the fewest by which nothing moves half as far as the drift limit
};
std::string_view clip_keys_name(ClipKeys keys); ///< "every_frame"

/// How collision hulls go out.
enum class HullsAs : uint8_t {
    below,     ///< a plain surface below the joint or surface that each belongs to
    beside,    ///< a plain surface at the top of the file, where it stands at rest
    node_data, ///< numbers in the data of a node, where the container has a place for them
    left_out,
};
std::string_view hulls_as_name(HullsAs as); ///< "node_data"

/// Which influences of a vertex stay where it has too many.
enum class InfluencesKept : uint8_t {
    heaviest,     ///< divided by their sum
    least_motion, ///< those, with weights fitted anew, by which the surface moves least over the job's clips
};
std::string_view influences_kept_name(InfluencesKept kept); ///< "least_motion"

/// The numbers of surfaces.
enum class Numbers : uint8_t {
    as_prepared,
    rounded, ///< within the drift limit (round_numbers.h)
};
std::string_view numbers_name(Numbers numbers); ///< "rounded"

/// What kind of file images become.
enum class ImagesAs : uint8_t { as_they_are, png, jpeg, webp };
std::string_view images_as_name(ImagesAs as); ///< "webp"

struct Destination {
    std::string name;
    std::string container = "glb"; ///< a format's id
    AxisSystem axes;               ///< what the engine project counts in: a character looks along its forward
    /// Which axes and unit of the engine the file's come to be: the file's up, front (+Z of a glTF) and metre. Nothing:
    /// up and unit as the project counts, the front by the shortest rotation. Of formats that are written in the
    /// project's own axes it means nothing.
    std::optional<AxisSystem> reads;
    Axis file_forward = Axis::pos_z; ///< where the character looks in a file whose format leaves up and unit no choice
    int influences = 4;              ///< joints per point
    InfluencesKept influences_kept = InfluencesKept::heaviest;
    int shapes = -1;  ///< morph targets of one surface; 0: none go out, below 0: any number
    double rate = 30; ///< frames per second
    ClipKeys clip_keys = ClipKeys::every_frame;
    bool still_channels = true; ///< what a clip never moves is keyed all the same
    std::string root = "root";
    std::string joint_names = "^[A-Za-z][A-Za-z0-9_]*$"; ///< regular expression that a whole name must fit
    int longest_name = 63;                               ///< characters of a joint's name
    /// The same for names of other things; empty: any.
    std::string clip_names, surface_names, material_names, shape_names;
    std::string file_names; ///< and for each file's and folder's name of a delivery, without the suffix
    int longest_path = 0;   ///< characters of a file's whole path; 0: whatever the system takes
    /// What is set of formats, an object of each one's options under its id; kept when the container changes.
    nlohmann::json format_options = nlohmann::json::object();
    std::vector<std::string> deliverables;    ///< the kinds of files it is given; none: the usual ones (file_kinds.h)
    std::map<std::string, std::string> files; ///< by kind: the template of its files' names, where it is its own
    /// What strands and caches go out in, a format's id, in files of their own. Empty: strands go with the model where
    /// its container holds them, and no caches go out.
    std::string points_container;
    int largest_image = 0;            ///< pixels of a side; 0: any
    bool power_of_two_images = false; ///< sides are made powers of two
    ImagesAs images = ImagesAs::as_they_are;
    int image_quality = 90; ///< of JPEG and WebP that are made, 1 to 100; WebP of 100 keeps every pixel
    Numbers numbers = Numbers::as_prepared;
    HullsAs hulls = HullsAs::below;
    std::string hull_names = "{surface}_hull_{number}"; ///< tokens: {surface} {number} {kind}
    bool keep_last = true;                              ///< of a repeat whose last frame is its first once more
    double drift_limit_mm = 0.5;                        ///< a delivery that moves a point farther is held
    int pictures = 0;                       ///< pixels of the side of each deliverable's thumbnail; 0: none are made
    std::string picture_ground = "#fbfbf8"; ///< the colour behind them; "none": they are transparent there
    bool report = false;                    ///< whether each delivery tells of itself on a page
    /// Where its files go, a folder that an engine's project watches, say; relative ones count from the job's folder.
    /// Empty: a folder of its name below the job's deliveries.
    std::string folder;
    /// What an engine leaves beside each file that it took: "{file}.import". Empty: it leaves nothing that tells.
    std::string import_record;
    int revision = 0;                 ///< of the team's library (team_library.h); 0: it was never there
    std::optional<Contract> contract; ///< the skeleton that every delivery must have; one that differs is held

    bool operator==(const Destination& other) const;
    /// Whether anything is set that makes files smaller at some cost, or packs them.
    [[nodiscard]] bool is_lean() const;
    /// The same with none of that set.
    [[nodiscard]] Destination plain() const;
    /// How the engine takes a file: `reads`, or what stands for it.
    [[nodiscard]] AxisSystem takes_files_as() const;
    /// What is set of one format: an object, empty where nothing is.
    [[nodiscard]] nlohmann::json options_of(std::string_view format) const;
    /// "Z up · 1 u = 1 cm · 4 influences"
    [[nodiscard]] Text summary() const;
    /// "162.3 u" for a length in metres.
    [[nodiscard]] Text in_units(double metres) const;
    /// A direction of core's as this destination calls it: "-Y".
    [[nodiscard]] std::string axis_here(Axis core_axis) const;
};

Result<Destination> destination_from_json(const nlohmann::json& json, const std::string& where);
nlohmann::json destination_to_json(const Destination& destination);
/// Red, green and blue of what is behind its pictures; nothing where they are transparent.
std::optional<std::array<uint8_t, 3>> background_of(const Destination& destination);
Result<Destination> read_destination(const std::filesystem::path& file);

/// Two destinations whose files would lie in one folder, since their names differ only in what a folder's name cannot
/// hold or in case: each would take the other's files for its own.
std::optional<Problem> shared_folder(const std::vector<Destination>& destinations);

/// The destinations that come with Wembrix: those of the scenario.
std::vector<Destination> built_in_destinations();

} // namespace wembrix
