// Takes of other bodies put onto this one: joint by joint of a map, feet planted, no length changed.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/skeleton/joint_limits.h"
#include "core/retarget/retarget_report.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/clips/source_takes.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/skeleton_match.h"
#include "core/steps/step_kind.h"

#include <algorithm>

namespace wembrix {

namespace {

Result<JointMap> map_in(const nlohmann::json& json) {
    return json.empty() ? Result<JointMap>(JointMap()) : map_from_json(json, "\"map\"");
}

Result<JointLimits> limits_in(const nlohmann::json& json) {
    return joint_limits_from_json(json, "\"limits\"");
}

struct RetargetSettings {
    enum class Feet : uint8_t { planted, free };
    enum class Hands : uint8_t { free, kept };
    std::vector<std::string> sources;
    JointMap map;
    RetargetOptions::Path path = RetargetOptions::Path::legs;
    std::optional<double> path_factor;
    Feet feet = Feet::planted;
    Hands hands = Hands::free;
    JointLimits limits;
};

class RetargetTakes {
  public:
    RetargetTakes(const StepContext& context, const RetargetSettings& settings)
        : context_(context), settings_(settings), asked_(settings.sources, [&](const std::string& name) {
              return std::any_of(context.sources.begin(), context.sources.end(),
                                 [&](const NamedScene& source) { return source.name == name; });
          }) {
        options_.path = settings.path;
        options_.path_factor = settings.path_factor.value_or(0);
        options_.plant_feet = settings.feet == RetargetSettings::Feet::planted;
        options_.keep_hands = settings.hands == RetargetSettings::Hands::kept;
        options_.stop = context.stop;
        result_.scene = context.scene;
    }

    Result<StepResult> run() {
        std::vector<std::string> nobodys;
        for (const auto& [joint, of] : settings_.limits) {
            const bool is_here = context_.scene.find_node(joint) >= 0;
            watched_ = watched_ || (is_here && of.any());
            if (!is_here) {
                nobodys.push_back(joint);
            }
        }
        if (!nobodys.empty()) {
            result_.could_not.push_back(phrase("limits of {}, which is not here, hold nothing", some_of(nobodys)));
            result_.unmatched = nobodys;
        }
        if (joints_of(context_.scene).empty()) {
            return Problem{"there is no skeleton to put motion onto.", "", "Build one, or add it to the sources."};
        }
        std::vector<std::string> told;
        for (size_t s = 0; s < context_.sources.size(); ++s) {
            const NamedScene& source = context_.sources[s];
            if (!moves_others(context_, s) || source.scene.clips.empty() ||
                (!settings_.sources.empty() && !asked_.any_fits(source.name))) {
                continue;
            }
            if (joints_of(source.scene).empty()) {
                result_.could_not.push_back(phrase("{} has no joints", source.name));
                continue;
            }
            Result<std::string> one = put_on(s);
            if (!one) {
                return one.problem();
            }
            told.push_back(one.take());
        }
        if (told.empty()) {
            result_.could_not.push_back(settings_.sources.empty()
                                            ? std::string("no source is taken for a take of another body")
                                            : "no such source holds takes: " + some_of(settings_.sources));
        }
        result_.account = told.empty() ? "nothing is retargeted" : some_of(told, 5);
        return std::move(result_);
    }

  private:
    Result<std::string> put_on(size_t s) {
        const NamedScene& source = context_.sources[s];
        const JointMap map =
            settings_.map.pairs.empty() ? propose_map(source.scene, context_.scene, source.name) : settings_.map;
        const Retargeter retargeter(source.scene, context_.scene, map, options_);
        if (retargeter.links().empty()) {
            result_.could_not.push_back(phrase("{}: no joint answers one of these", source.name));
            return source.name + " left out";
        }
        double over = 0;
        double worst = 0;
        std::string worst_at;
        size_t stands = 0;
        size_t hand_holds = 0;
        double rise = 0;
        double hand_off = 0;
        BeyondLimits beyond;
        std::string beyond_clip;
        for (const Clip& clip : source.scene.clips) {
            if (context_.stop && context_.stop()) {
                return Problem{"was stopped.", "", ""};
            }
            const Result<int> place = place_of_whole_take(result_.scene, source.name, clip,
                                                          clip.take + identities_from(s), true, result_.could_not);
            if (!place) {
                return place.problem();
            }
            if (*place < 0) {
                continue;
            }
            Clip& now = result_.scene.clips[static_cast<size_t>(*place)];
            std::vector<HandHold> holds;
            Clip made = retargeter.run(clip, &holds);
            if (context_.stop && context_.stop()) {
                return Problem{"was stopped.", "", ""};
            }
            const RetargetReport report = report_on(retargeter, source.scene, clip, context_.scene, made, holds);
            over = std::max(over, report.over_mm);
            stands += report.stands;
            rise = std::max(rise, report.ground_rise_mm);
            hand_holds += report.holds;
            hand_off = std::max(hand_off, report.hand_off_mm);
            const BeyondLimits one = beyond_limits(context_.scene, made, settings_.limits);
            beyond = one.degrees > beyond.degrees ? one : beyond;
            beyond_clip = one.degrees >= beyond.degrees ? clip.name : beyond_clip;
            if (!report.directions.empty() && report.directions.front().worst_degrees > worst) {
                worst = report.directions.front().worst_degrees;
                worst_at = phrase("{} at frame {} of “{}”",
                                  context_.scene.nodes[static_cast<size_t>(report.directions.front().target)].name,
                                  report.directions.front().worst_frame, clip.name);
            }
            // Weights of shapes that came along by name stay.
            for (const Channel& channel : now.channels) {
                if (channel.path == Path::weights) {
                    made.channels.push_back(channel);
                }
            }
            mark_remade(now);
            now.channels = std::move(made.channels);
        }
        const std::vector<std::string> left = left_out(source, map);
        if (!left.empty()) {
            result_.could_not.push_back(phrase("{} of {} without an answer here: {}", counted(left.size(), "joint"),
                                               source.name, some_of(left, 4)));
        }
        if (!retargeter.missing().empty()) {
            result_.could_not.push_back(phrase("the map names {}, which {} there", some_of(retargeter.missing()),
                                               retargeter.missing().size() == 1 ? "is not" : "are not"));
        }
        Text said = phrase("{}: {} onto {}, path × {:.3f}", source.name, counted(map.pairs.size(), "pair"),
                           counted(retargeter.links().size(), "joint"), retargeter.path_factor());
        if (options_.plant_feet && stands > 0) {
            said += phrase(", {} planted, slide at most {:.1f} mm beyond the source's", counted(stands, "stand"),
                           std::max(0.0, over));
        }
        constexpr double level_mm = 20;
        if (rise > level_mm * retargeter.target_body().height_m) {
            said += phrase(", the ground rises by {:.0f} mm", rise);
        }
        if (options_.keep_hands) {
            said += phrase(", {} of hands, at most {:.1f} mm off", counted(hand_holds, "hold"), hand_off);
        }
        if (!worst_at.empty()) {
            said += phrase(", worst direction {:.1f}° ({})", worst, worst_at);
        }
        if (watched_) {
            said += beyond.degrees > 0 ? phrase(", {:.1f}° beyond its limits at most ({} at frame {} of “{}”)",
                                                beyond.degrees, beyond.joint, beyond.frame, beyond_clip)
                                       : Text(", no joint beyond its limits");
        }
        return said;
    }

    /// Joints of the take that move and are in no pair; what the reader of takes said of it no longer holds.
    std::vector<std::string> left_out(const NamedScene& source, const JointMap& map) {
        std::vector<std::string> left;
        for (SourceFit& fit : result_.scene.fits) {
            if (fit.source != source.name) {
                continue;
            }
            for (const LeftMotion& motion : fit.left_motion) {
                if (map.of_source(motion.name) == nullptr && (motion.moves_m > 0 || motion.turns_degrees > 0)) {
                    left.push_back(strip_namespace(motion.name));
                }
            }
            // It is told by this step from here on.
            fit.left_motion.clear();
            fit.legs_longer_m = 0;
            fit.size_ratio = 1;
        }
        std::erase_if(result_.scene.notes, [&](const Note& note) { return note.where == source.name; });
        return left;
    }

    const StepContext& context_;
    const RetargetSettings& settings_;
    NamePatterns asked_;
    RetargetOptions options_;
    StepResult result_;
    bool watched_ = false; ///< some joint here has limits
};

Result<StepResult> apply_retarget(const StepContext& context, const RetargetSettings& settings) {
    return RetargetTakes(context, settings).run();
}

} // namespace

StepKind retarget_step() {
    return make_step<RetargetSettings>(
        {"retarget", "Retarget takes",
         "Motion of another body moves this one: bones point where that one's do, feet stay where they stand, and no "
         "bone gets another length.",
         StepSubject::clips},
        {list<&RetargetSettings::sources>("sources", "Sources",
                                          "File names, * and ? stand for any characters; none: every source that is "
                                          "motion for these joints")
             .naming(NameOf::source)
             .typed_as("one a line; empty: every take"),
         object<&RetargetSettings::map, map_in>("map", "Map",
                                                "A whole [map](map-format.md) of joints; not set: as names and bodies "
                                                "say"),
         choice<&RetargetSettings::path>("path", "Path", {"legs", "same"},
                                         "How far pelvis and root go: by the length of the legs, or as far as there")
             .starting("legs"),
         number<&RetargetSettings::path_factor>("path_factor", "Path factor", "Instead, so many times as far")
             .unit("×")
             .above(0),
         choice<&RetargetSettings::feet>("feet", "Feet", {"planted", "free"},
                                         "Whether feet stand where the source's stand")
             .starting("planted"),
         choice<&RetargetSettings::hands>("hands", "Hands", {"free", "kept"},
                                          "Whether hands keep to where they are still: in the world, at each other, "
                                          "at what the map calls a prop"),
         object<&RetargetSettings::limits, limits_in>(
             "limits", "Limits",
             "How far joints may turn, by name, as [plans](plan-format.md) say: "
             "what goes beyond is measured")},
        apply_retarget);
}

} // namespace wembrix
