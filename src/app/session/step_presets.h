// Steps that a person, or a team, keeps for other jobs: one or several with what is set of them, each list a card's
// file.
#pragma once

#include "core/steps/step.h"

#include <QString>
#include <optional>
#include <vector>

namespace wembrix::app {

struct StepPreset {
    QString name;
    std::vector<Step> steps;
    bool is_of_team = false;
};

/// The person's own, then those of the team's folder that are called otherwise; by name. What cannot be read is left
/// out.
std::vector<StepPreset> step_presets();
/// Keeps the steps under a name, over one that is called so. What went wrong, or nothing. Steps with arrays that were
/// made by hand on one job's surfaces are refused.
QString save_preset(const QString& name, const std::vector<Step>& steps, bool for_team);

/// A card as text that another job, or a text editor, takes; and back, nothing where it is none.
QString card_as_text(const std::vector<Step>& steps);
std::optional<std::vector<Step>> card_from_text(const QString& text);

} // namespace wembrix::app
