// Takes brought onto the skeleton that the steps before have made: the joints that they find there, in its unit and its
// axes, anew from the sources.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/scene/content.h"
#include "core/steps/clips/bring_take.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/clips/source_takes.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

struct BringTakesSettings {
    std::vector<std::string> sources;
    BringOptions::Carry carry = BringOptions::Carry::where_needed;
    std::optional<double> factor;
    std::map<std::string, std::string> joints;
};

/// What each node was called in its source.
std::vector<std::string> names_as_received(const StepContext& context) {
    std::vector<std::string> names;
    for (const Node& node : context.scene.nodes) {
        const size_t source = source_of_identity(node.identity);
        int there = -1;
        if (node.identity != 0 && source < context.sources.size()) {
            there = context.sources[source].scene.find_identity(node.identity - identities_from(source));
        }
        names.push_back(there < 0 ? std::string()
                                  : context.sources[source].scene.nodes[static_cast<size_t>(there)].name);
    }
    return names;
}

class BringTakes {
  public:
    BringTakes(const StepContext& context, const BringTakesSettings& settings)
        : context_(context), settings_(settings), asked_(settings.sources, [&](const std::string& name) {
              return std::any_of(context.sources.begin(), context.sources.end(),
                                 [&](const NamedScene& source) { return source.name == name; });
          }) {
        options_.carry = settings.carry;
        options_.factor = settings.factor;
        options_.joints = settings.joints;
        options_.other_names = names_as_received(context);
        result_.scene = context.scene;
    }

    Result<StepResult> run() {
        std::vector<Text> told;
        for (size_t s = 0; s < context_.sources.size(); ++s) {
            if (context_.stop && context_.stop()) {
                return Problem{"was stopped.", "", ""};
            }
            if (moves_others(context_, s) && is_meant(context_.sources[s].name)) {
                Result<Text> one = bring(s);
                if (!one) {
                    return one.problem();
                }
                told.push_back(one.take());
            }
        }
        if (told.empty()) {
            result_.could_not.push_back(settings_.sources.empty()
                                            ? std::string("no source holds takes for these joints")
                                            : "no such source holds takes for these joints: " +
                                                  some_of(settings_.sources));
        }
        result_.account = told.empty() ? "nothing is brought" : some_of(told, 5);
        return std::move(result_);
    }

  private:
    [[nodiscard]] bool is_meant(const std::string& name) const {
        return settings_.sources.empty() || asked_.any_fits(name);
    }

    /// What was done with the takes of one source, in a few words.
    Result<Text> bring(size_t s) {
        const NamedScene& source = context_.sources[s];
        const Brought brought = bring_take(context_.scene, source.scene, options_);
        for (const Clip& clip : brought.clips) {
            const Result<int> place = place_of_whole_take(result_.scene, source.name, clip,
                                                          clip.take + identities_from(s), false, result_.could_not);
            if (!place) {
                return place.problem();
            }
            if (*place < 0) {
                continue;
            }
            Clip& now = result_.scene.clips[static_cast<size_t>(*place)];
            if (!same_content(now.channels, clip.channels)) {
                mark_remade(now);
            }
            now.channels = clip.channels;
        }
        replace_notes(source.name, brought);
        for (SourceFit& fit : result_.scene.fits) {
            if (fit.source == source.name) {
                add_to_fit(fit, brought);
            }
        }
        return said_of(source.name, brought);
    }

    void replace_notes(const std::string& name, const Brought& brought) {
        std::vector<Note>& notes = result_.scene.notes;
        std::erase_if(notes, [&](const Note& note) { return note.where == name; });
        for (Text& note : notes_on(brought)) {
            notes.push_back({name, note});
        }
        if (!brought.left_out.empty() || brought.longest_apart > 0.02) {
            for (const Note& note : notes) {
                if (note.where == name) {
                    result_.could_not.push_back(name + " " + note.what);
                }
            }
        }
    }

    static Text said_of(const std::string& name, const Brought& brought) {
        Text said = name;
        if (brought.as_it_came()) {
            return said + " as it came";
        }
        if (brought.factor != 1) {
            said += phrase(" × {:g}", brought.factor);
        }
        if (brought.carried) {
            said += " carried over";
        }
        if (!brought.left_out.empty()) {
            said += phrase(" without {}", counted(brought.left_out.size(), "node"));
        }
        return said;
    }

    const StepContext& context_;
    const BringTakesSettings& settings_;
    NamePatterns asked_;
    BringOptions options_;
    StepResult result_;
};

Result<StepResult> apply_bring_takes(const StepContext& context, const BringTakesSettings& settings) {
    return BringTakes(context, settings).run();
}

} // namespace

StepKind bring_takes_step() {
    return make_step<BringTakesSettings>(
        {"bring_takes", "Bring takes onto the skeleton",
         "Takes find their joints on the skeleton that the steps before have made, by the names it came with or by "
         "those "
         "it has now, and move them as they moved in the take.",
         StepSubject::clips},
        {list<&BringTakesSettings::sources>("sources", "Sources",
                                            "File names, * and ? stand for any characters; none: "
                                            "every source that is motion for these joints")
             .naming(NameOf::source)
             .typed_as("one a line; empty: every take"),
         choice<&BringTakesSettings::carry>("carry", "Carry over", {"where_needed", "always", "never"},
                                            "Whether rotations are carried into the skeleton's own joint axes: where "
                                            "keys do not mean the same on both, always, or never (keys as they came)"),
         number<&BringTakesSettings::factor>("factor", "Factor",
                                             "The take's lengths times this are the skeleton's; "
                                             "empty: as the lengths of the bones say")
             .unit("×")
             .above(0),
         pairs<&BringTakesSettings::joints>("joints", "Joints",
                                            "What a joint of the take is called on the skeleton, "
                                            "where names differ")
             .with_values_naming(NameOf::joint)
             .typed_as("joint of the take → joint here")},
        apply_bring_takes);
}

} // namespace wembrix
