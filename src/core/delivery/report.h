// A delivery on one page to send: what went out, what it was held against, what changed, what stayed behind.
#pragma once

#include "core/delivery/delivery.h"

#include <filesystem>
#include <nlohmann/json.hpp>
#include <string>

namespace wembrix {

/// The page's file: "report.html", or one with the job's name where another job's page has that name.
std::string report_file(const nlohmann::json& manifest);

/// What a manifest keeps of a check so that a page can tell it: {facts, size, claims, drift_curve}.
nlohmann::json check_row(const Scene& prepared, const Arrival& arrival, const Destination& destination);

/// What a manifest keeps of the delivery before: joints, clips and files as the old one lists them. That of the old one
/// where this delivery changed no content.
nlohmann::json delivery_before(const nlohmann::json& old, const nlohmann::json& now);

/// The page of the delivery that the manifest tells of, with the pictures that lie in its folder inside it: HTML that
/// needs neither scripts nor any other file. It depends on nothing but those.
std::string report_page(const nlohmann::json& manifest, const std::filesystem::path& folder);

/// A file of the page's name that the manifest does not list: it stays as it is.
std::optional<Problem> problem_with_report(const nlohmann::json& old, const std::filesystem::path& folder);
/// Writes the page into the delivery's folder and lists it in the manifest. Preconditions: the folder is locked, and
/// there is no problem with it.
Outcome put_report(nlohmann::json& manifest, const nlohmann::json& old, const std::filesystem::path& folder);

} // namespace wembrix
