// Grows strands between guides.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/formats/image/pixels.h"
#include "core/measure/strands/grow.h"
#include "core/measure/strands/strand_facts.h"
#include "core/steps/step_kind.h"
#include "core/steps/strands/places_text.h"
#include "core/steps/strands/strand_sets.h"

#include <Eigen/LU>

namespace wembrix {

namespace {

struct GrowSettings {
    std::string strands;
    int count = 1000;
    double per_cm2 = 0;
    int points = 16;
    double length = 1;
    double length_varies = 0.1;
    double width_root_mm = 0.5;
    double width_tip_mm = 0.1;
    std::vector<std::string> width_profile;
    int clumps = 0;
    std::string clump_map;
    double clump = 0.5;
    std::vector<std::string> clump_profile;
    int fine_clumps = 0;
    double fine_clump = 0.5;
    double noise_mm = 0;
    double noise_wave_mm = 20;
    std::vector<std::string> noise_profile;
    double curl_mm = 0;
    double curl_turns = 2;
    double lift_deg = 0;
    bool parted = false;
    double middle_x_mm = 0;
    std::vector<std::string> partings;
    bool trimmed = true;
    int seed = 1;
    double share = 100;
};

std::optional<Problem> check_profile(const nlohmann::json& list) {
    for (const nlohmann::json& one : list) {
        if (one.is_string()) {
            const std::string& text = one.get_ref<const std::string&>();
            char* end = nullptr;
            const double value = std::strtod(text.c_str(), &end);
            if (text.empty() || *end != 0 || !(value >= 0 && value <= 1)) {
                return malformed("a profile is numbers from 0 to 1, from root to tip.");
            }
        }
    }
    return std::nullopt;
}

std::optional<Problem> check_partings(const nlohmann::json& list) {
    for (const nlohmann::json& one : list) {
        if (one.is_string() && !places_in_text(one.get_ref<const std::string&>())) {
            return malformed("a parting is a line through two places or more: x y z, x y z, in millimetres.");
        }
    }
    return std::nullopt;
}

StrandProfile profile_of(const std::vector<std::string>& texts) {
    StrandProfile profile;
    for (const std::string& text : texts) {
        profile.values.push_back(std::strtod(text.c_str(), nullptr));
    }
    return profile;
}

Growth growth_of(const GrowSettings& from) {
    Growth to;
    to.count = static_cast<size_t>(from.count);
    to.per_cm2 = from.per_cm2;
    to.points = from.points;
    to.length = from.length;
    to.length_varies = from.length_varies;
    to.width_root_m = from.width_root_mm / 1000;
    to.width_tip_m = from.width_tip_mm / 1000;
    to.width = profile_of(from.width_profile);
    to.clumps = from.clumps;
    to.clump = from.clump;
    to.clump_along = profile_of(from.clump_profile);
    to.fine_clumps = from.fine_clumps;
    to.fine_clump = from.fine_clump;
    to.noise_m = from.noise_mm / 1000;
    to.noise_length_m = from.noise_wave_mm / 1000;
    to.noise_along = profile_of(from.noise_profile);
    to.curl_m = from.curl_mm / 1000;
    to.curl_turns = from.curl_turns;
    to.lift = from.lift_deg * M_PI / 180;
    to.parted = from.parted;
    to.middle_x = from.middle_x_mm / 1000;
    for (const std::string& line : from.partings) {
        to.partings.push_back(places_in_text(line).value_or(std::vector<Vec3>()));
    }
    to.trimmed = from.trimmed;
    to.seed = static_cast<uint64_t>(from.seed);
    to.share = from.share / 100;
    return to;
}

/// The image that the step holds, as colours: whatever is seen through is no clump.
Result<ClumpMap> clump_map_of(const StepContext& context, const GrowSettings& settings, const Mesh& mesh) {
    ClumpMap map;
    if (settings.clump_map.empty()) {
        return map;
    }
    const auto held = context.data == nullptr ? StepData::const_iterator() : context.data->find(settings.clump_map);
    if (context.data == nullptr || held == context.data->end()) {
        return Problem{phrase("the map of clumps {} is not there, or not as it was taken.", settings.clump_map), "",
                       "It lies in the folder beside the job; choose the file again."};
    }
    if (!has_coordinates(mesh)) {
        return Problem{"the surface has no texture coordinates: a map of clumps cannot lie on it.", "",
                       "Take centres by number instead."};
    }
    const std::string& bytes = *held->second;
    const auto pixels = decode_image(std::span(reinterpret_cast<const uint8_t*>(bytes.data()), bytes.size()));
    if (!pixels) {
        return pixels.problem();
    }
    map.width = pixels->width;
    map.height = pixels->height;
    map.colours.resize(size_t(map.width) * map.height);
    for (size_t i = 0; i < map.colours.size(); ++i) {
        const uint8_t* samples = pixels->samples.data() + i * pixels->channels;
        if (pixels->channels < 4 || samples[3] >= 128) {
            map.colours[i] = 255U << 24 | static_cast<uint32_t>(samples[0]) << 16 |
                             static_cast<uint32_t>(samples[1]) << 8 | static_cast<uint32_t>(samples[2]);
        }
    }
    constexpr size_t most_colours = 20000;
    if (const size_t colours = map.distinct(); colours > most_colours) {
        return Problem{phrase("the map of clumps has {} colours: strands of one colour are a clump.", colours), "",
                       "Save it with flat colours, as a PNG."};
    }
    return map;
}

Result<StepResult> apply_grow_strands(const StepContext& context, const GrowSettings& settings) {
    StepResult result{context.scene, {}, {}};
    Scene& scene = result.scene;
    const Result<RootedStrands> rooted = rooted_strands_named(scene, settings.strands);
    if (!rooted) {
        return rooted.problem();
    }
    const int node = rooted->node;
    CurveSet& curves = scene.curve_sets[rooted->set];
    const StrandSurface surface(scene, rooted->surface);
    if (curves.region.size() != surface.triangles().size()) {
        return Problem{"the region is of another surface: its faces changed.", "",
                       "Put the step that makes the region behind those that change faces."};
    }
    if (curves.guide_counts.empty()) {
        return Problem{"there are no guides.", "", "Place some first."};
    }
    const Mat4 world = rest_world(scene)[static_cast<size_t>(node)];
    StrandGuides guides{curves.guide_roots.get(), curves.guide_counts.get(), {}};
    for (const Vec3f& point : curves.guide_points) {
        guides.points.push_back(point_of(world, point.cast<double>()).cast<float>());
    }
    constexpr double most_points = 200e6;
    Growth growth = growth_of(settings);
    Result<ClumpMap> map = clump_map_of(context, settings, surface.mesh());
    if (!map) {
        return map.problem();
    }
    growth.clump_map = map.take();
    Grown grown;
    {
        double area = 0;
        for (uint32_t t = 0; t < surface.triangles().size(); ++t) {
            area += surface.area_of(t) * static_cast<double>(curves.region[t]) * 1e4;
        }
        const double wanted = settings.per_cm2 > 0 ? settings.per_cm2 * area : settings.count;
        if (wanted * settings.points > most_points) {
            return Problem{phrase("{:.0f} strands of {} points are more than can be held.", wanted, settings.points),
                           "", "Grow fewer, or with fewer points."};
        }
        grown = grow_strands(surface, curves.region.get(), guides, growth, context.stop);
    }
    if (context.stop && context.stop()) {
        return Problem{"was stopped.", "", ""};
    }
    const Mat4 back = world.inverse();
    for (Vec3f& point : grown.points) {
        point = point_of(back, point.cast<double>()).cast<float>();
    }
    const size_t made = grown.counts.size();
    curves.counts = std::move(grown.counts);
    curves.points = std::move(grown.points);
    curves.widths = std::move(grown.widths);
    curves.roots = std::move(grown.roots);
    curves.per_curve.clear();
    if (growth.share < 1) {
        result.could_not.push_back(phrase("only {:g} % of the strands are here: a preview", settings.share));
    }
    if (grown.unreached > 0) {
        result.could_not.push_back(phrase("{} not grown: no guide is reached from there along the surface",
                                          counted(grown.unreached, "strand")));
    }
    if (grown.buried > 0) {
        result.could_not.push_back(
            phrase("{} not grown: they would go into the surface at once", counted(grown.buried, "strand")));
    }
    const StrandFacts facts = strand_facts(scene, node);
    result.account =
        phrase("{} of {}, {:.0f} to {:.0f} mm long, {:.2g} to {:.2g} mm wide{}", counted(made, "strand"),
               counted(static_cast<size_t>(settings.points), "point"), facts.shortest_m * 1000, facts.longest_m * 1000,
               facts.narrowest_m * 1000, facts.widest_m * 1000,
               grown.trimmed == 0 ? std::string() : phrase("; {} cut short at the surface", grown.trimmed));
    return result;
}

} // namespace

StepKind grow_strands_step() {
    return make_step<GrowSettings>(
        {"grow_strands", "Grow strands",
         "From a few guides to as many strands as hair has, in clumps and not all alike; the same ones every time.",
         StepSubject::strands},
        {text<&GrowSettings::strands>("strands", "Strands", "Which; empty: the only ones"),
         number<&GrowSettings::count>("count", "Strands", "How many").between(0, 2000000),
         number<&GrowSettings::per_cm2>("per_cm2", "Density", "Instead: so many on each square centimetre; 0: by count")
             .unit("per cm²")
             .between(0, 100000),
         number<&GrowSettings::points>("points", "Points", "Of each strand").between(2, 200),
         number<&GrowSettings::length>("length", "Length", "Times the guides'").unit("×").between(0.01, 100),
         number<&GrowSettings::length_varies>("length_varies", "Length varies", "By so much of it at most")
             .between(0, 1),
         number<&GrowSettings::width_root_mm>("width_root_mm", "Width at the root", "Diameter")
             .unit("mm")
             .between(0, 1000),
         number<&GrowSettings::width_tip_mm>("width_tip_mm", "Width at the tip", "Diameter")
             .unit("mm")
             .between(0, 1000),
         list<&GrowSettings::width_profile>("width_profile", "Width, root to tip",
                                            "1 is the width at the root, 0 that at the tip; empty: straight")
             .typed_as("numbers from 0 to 1, one per line")
             .checked(check_profile),
         number<&GrowSettings::clumps>("clumps", "Clumps", "Centres that strands gather at; 0: none").between(0, 20000),
         text<&GrowSettings::clump_map>("clump_map", "Map of clumps",
                                        "Instead of centres: strands whose roots lie on one colour of it gather at one")
             .naming_image(),
         number<&GrowSettings::clump>("clump", "Clumped", "How far strands go to their centre").between(0, 1),
         list<&GrowSettings::clump_profile>("clump_profile", "Clumped, root to tip", "Times that; empty: from 0 to 1")
             .typed_as("numbers from 0 to 1, one per line")
             .checked(check_profile),
         number<&GrowSettings::fine_clumps>("fine_clumps", "Finer clumps", "Centres of a second level; 0: none")
             .between(0, 20000),
         number<&GrowSettings::fine_clump>("fine_clump", "Finer clumped", "How far strands go to those").between(0, 1),
         number<&GrowSettings::noise_mm>("noise_mm", "Noise", "How far strands wander").unit("mm").between(0, 10000),
         number<&GrowSettings::noise_wave_mm>("noise_wave_mm", "Noise every", "Length of one wave").unit("mm").above(0),
         list<&GrowSettings::noise_profile>("noise_profile", "Noise, root to tip", "Times that; empty: from 0 to 1")
             .typed_as("numbers from 0 to 1, one per line")
             .checked(check_profile),
         number<&GrowSettings::curl_mm>("curl_mm", "Curl", "Radius; 0: none").unit("mm").between(0, 10000),
         number<&GrowSettings::curl_turns>("curl_turns", "Turns", "Of the curl, root to tip").between(-100, 100),
         number<&GrowSettings::lift_deg>("lift_deg", "Lift", "Off the surface").unit("°").between(-90, 90),
         flag<&GrowSettings::parted>("parted", "Parted in the middle",
                                     "strands of one side take no guide of the other"),
         number<&GrowSettings::middle_x_mm>("middle_x_mm", "Middle", "Where they part").unit("mm"),
         list<&GrowSettings::partings>("partings", "Partings", "Lines on the surface that nothing is taken across")
             .typed_as("a line of places each: x y z, x y z, … in millimetres")
             .checked(check_partings),
         flag<&GrowSettings::trimmed>("trimmed", "Cut at the surface", "a strand ends where it would go into the body"),
         number<&GrowSettings::seed>("seed", "Seed", "Another one: other strands of the same kind")
             .between(0, 1000000000),
         number<&GrowSettings::share>("share", "Preview", "So many of the strands that there will be")
             .unit("%")
             .between(1, 100)},
        apply_grow_strands);
}

} // namespace wembrix
