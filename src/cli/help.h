// Help, the manual page and the completion of the command line: all three from what the commands declare.
#pragma once

#include <CLI/CLI.hpp>
#include <string>

namespace wembrix::cli {

/// What there is, by what it is for, and how to begin.
std::string general_help(const CLI::App& app);
/// One command: what it does, takes and can be told, with examples. `name` is how it is called: "farm run".
std::string command_help(const CLI::App& command, const std::string& name);
/// A page for `man`, section 1.
std::string manual_page(const CLI::App& app);
/// A script for bash: commands, options, files.
std::string bash_completion(const CLI::App& app);
/// Commands that stand in no group or have no example; empty: none.
std::string without_help(const CLI::App& app);

} // namespace wembrix::cli
