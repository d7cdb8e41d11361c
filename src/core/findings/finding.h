// Findings: what is wrong or odd, where, why it matters, and the step that mends it.
#pragma once

#include "core/base/text.h"
#include "core/destination/destination.h"
#include "core/scene/scene.h"
#include "core/steps/step.h"

#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

enum class Grade {
    stop, ///< cannot be delivered
    look,
    note,
};
std::string_view grade_name(Grade grade);

struct Finding {
    std::string id;
    std::string_view station; ///< id of the station where it is worked on
    Grade grade = Grade::look;
    std::string where; ///< names of nodes or clips, or "scene"
    Text message;      ///< what it is, with its numbers
    Text reason;       ///< why it matters
    std::optional<Step> step;
    Text no_step;         ///< why there is no step, where there is none
    std::string accepted; ///< of a stop that the route card accepts: the note. It is graded as a look then

    // The place, so that a click can go there.
    std::vector<std::string> nodes; ///< joints or surfaces it is about
    std::string clip;
    int frame = -1;                 ///< of that clip, or -1
    std::string surface;            ///< the one that `vertices` are of
    std::vector<uint32_t> vertices; ///< the worst first, at most 5000
    void point_at(const std::string& of, std::vector<uint32_t> worst_first);

    /// The same trouble, whatever the numbers are now.
    [[nodiscard]] bool same_as(const Finding& other) const { return id == other.id && where == other.where; }
};

struct FindingContext {
    const Scene& scene;
    const Destination* destination = nullptr; ///< or none
};

struct FindingKind {
    std::string_view id;
    std::vector<Finding> (*find)(const FindingContext& context);
    std::string_view station;    ///< id of the station where such are worked on
    bool by_destination = false; ///< what it finds depends on the destination
};
std::span<const FindingKind> finding_kinds();

/// All findings of all kinds, stops first.
std::vector<Finding> look_for_findings(const FindingContext& context);
/// The same for all destinations of a job: what only some of them find names which.
std::vector<Finding> look_for_findings(const Scene& scene, std::span<const Destination> destinations);

/// A stop that the scene's route card accepts as it is becomes a look with the note.
void apply_accepted(const Scene& scene, Finding& finding);
/// The step that accepts a stop as it is now.
Step accepting(const Finding& finding, const std::string& note);
/// The stops that are accepted.
std::vector<Finding> accepted_stops(const std::vector<Finding>& findings);
/// The note, where findings of that id stop and all of them are accepted; else empty.
std::string accepted_note(std::string_view id, const FindingContext& context);

} // namespace wembrix
