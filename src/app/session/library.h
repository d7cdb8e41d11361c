// What a person keeps over all jobs: destinations of their own, and the jobs they opened last.
#pragma once

#include "core/destination/destination.h"

#include <QString>
#include <QStringList>
#include <optional>
#include <vector>

namespace wembrix::app {

/// Destinations that come with Wembrix, and those in the person's library; one of the same name in the library wins.
std::vector<Destination> library_destinations();
/// Says what went wrong, or nothing.
QString save_to_library(const Destination& destination);
/// Null when neither the library nor Wembrix has one of that name.
std::optional<Destination> from_library(const std::string& name);

/// The folder that the team shares; empty: none is chosen.
QString team_folder();
void choose_team_folder(const QString& folder);

QStringList recent_jobs(); ///< newest first, only those that are still there
void add_recent_job(const QString& path);

} // namespace wembrix::app
