#include "session/step_presets.h"
#include "style/language.h"

#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/steps/step_kind.h"
#include "session/library.h"

#include <QDir>
#include <QFileInfo>
#include <QObject>
#include <QStandardPaths>
#include <algorithm>

namespace wembrix::app {

namespace {

constexpr const char* suffix = ".card.json";

QString own_presets() {
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/presets");
}
QString team_presets() {
    return team_folder().isEmpty() ? QString() : team_folder() + QStringLiteral("/presets");
}

nlohmann::json as_json(const std::vector<Step>& steps) {
    nlohmann::json rows = nlohmann::json::array();
    for (const Step& step : steps) {
        rows.push_back(step_to_json(step));
    }
    return {{"steps", std::move(rows)}};
}

void add_presets(const QString& folder, bool of_team, std::vector<StepPreset>& presets) {
    if (folder.isEmpty()) {
        return;
    }
    const QString pattern = QLatin1Char('*') + QLatin1String(suffix);
    for (const QFileInfo& file : QDir(folder).entryInfoList({pattern}, QDir::Files, QDir::Name)) {
        const std::string path = file.absoluteFilePath().toStdString();
        const Result<nlohmann::json> json = read_json_file(path);
        if (!json) {
            continue;
        }
        Result<std::vector<Step>> steps = card_from_json(*json, path);
        const QString name = json->is_object() && json->contains("name") && (*json)["name"].is_string()
                                 ? QString::fromStdString((*json)["name"].get<std::string>())
                                 : file.fileName().chopped(static_cast<qsizetype>(std::string_view(suffix).size()));
        const bool is_known =
            std::any_of(presets.begin(), presets.end(), [&](const StepPreset& other) { return other.name == name; });
        if (steps && !steps->empty() && !is_known) {
            presets.push_back({name, steps.take(), of_team});
        }
    }
}

} // namespace

std::vector<StepPreset> step_presets() {
    std::vector<StepPreset> presets;
    add_presets(own_presets(), false, presets);
    add_presets(team_presets(), true, presets);
    return presets;
}

QString save_preset(const QString& name, const std::vector<Step>& steps, bool for_team) {
    const QString folder = for_team ? team_presets() : own_presets();
    if (name.trimmed().isEmpty() || steps.empty()) {
        return QObject::tr("A preset has a name and at least one step.");
    }
    if (folder.isEmpty()) {
        return QObject::tr("No team's folder is chosen: see Preferences.");
    }
    for (const Step& step : steps) {
        if (!step.data.empty()) {
            const StepKind* kind = step_kind(step.id);
            return QObject::tr("“%1” holds what was made by hand on this job's surfaces; it cannot be kept for others.")
                .arg(kind == nullptr ? QString::fromStdString(step.id) : localized(kind->label));
        }
    }
    if (!QDir().mkpath(folder)) {
        return QObject::tr("%1 cannot be written to.").arg(folder);
    }
    nlohmann::json card = as_json(steps);
    card["name"] = name.trimmed().toStdString();
    const std::string file = folder.toStdString() + "/" + file_name_safe(name.trimmed().toStdString()) + suffix;
    const Outcome done = replace_file(file, card.dump(2) + "\n");
    return done ? QString() : localized(done.problem().sentence());
}

QString card_as_text(const std::vector<Step>& steps) {
    return QString::fromStdString(as_json(steps).dump(2));
}

std::optional<std::vector<Step>> card_from_text(const QString& text) {
    constexpr qsizetype most = 4'000'000;
    const std::string bytes = text.size() > most ? std::string() : text.toStdString();
    const Result<nlohmann::json> json = parse_json(bytes, "clipboard");
    if (!json) {
        return std::nullopt;
    }
    Result<std::vector<Step>> steps = card_from_json(*json, "clipboard");
    return steps && !steps->empty() ? std::optional(steps.take()) : std::nullopt;
}

} // namespace wembrix::app
