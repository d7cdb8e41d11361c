// The sources of a job as files that move, are replaced and go: found again, exchanged, and what that changes.
#pragma once

#include "core/job/job.h"

#include <filesystem>
#include <functional>
#include <string>
#include <vector>

namespace wembrix {

/// The place of a source by its path, its file's name, or its number from 1; -1 if there is none, or several of that
/// name.
int find_source(const Job& job, const std::string& name);

struct FoundAgain {
    size_t source = 0; ///< its place in the job
    std::filesystem::path path;
    bool by_content = false; ///< under another name, with the bytes it had; else by its name
};
/// Looks for sources whose files are gone: by name, then by the bytes they had when the job was last saved, in
/// `folders` and below (hidden ones aside, at most 20 000 files), the job's own folder and those of other sources.
/// `stop` ends it early.
std::vector<FoundAgain> find_again(const Job& job, const std::filesystem::path& folder,
                                   const std::vector<std::filesystem::path>& folders,
                                   const std::function<bool()>& stop = {});

/// A source at another path; what was said of it stays.
void relink(Job& job, size_t source, const std::filesystem::path& path);

/// A path as a job in `to` has it that one in `from` had: relative where it lies below, so that both can move together.
std::string path_from(const std::string& path, const std::filesystem::path& from, const std::filesystem::path& to);
/// The same of all that a job names by paths: sources, what is known of them, pictures.
void rebase_paths(Job& job, const std::filesystem::path& from, const std::filesystem::path& to);

/// Notes of each source that can be read what bytes it has, so that it can be found again.
void note_contents(Job& job, const std::filesystem::path& folder);

struct SourceChange {
    std::vector<Text> changes; ///< of Received: joints, surfaces, vertices, shapes, takes, sizes
    std::vector<Text> steps;   ///< that fitted and no longer do, or leave more undone
};
/// What becomes different when the sources of `before` become those of `after`.
Result<SourceChange> compare_sources(const Job& before, const Job& after, const std::filesystem::path& folder);
/// The same of two states that are loaded.
SourceChange compare_sources(const LoadedSources& before, const LoadedSources& after, const std::vector<Step>& steps);

} // namespace wembrix
