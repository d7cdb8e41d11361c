#include "commands.h"

#include <CLI/CLI.hpp>
#include <cstdio>
#include <exception>
#include <fmt/format.h>

namespace wembrix::cli {

int refuse(const Problem& problem) {
    std::string sentence = problem.sentence();
    for (char& c : sentence) {
        c = c == '\n' ? ' ' : c;
    }
    fmt::print(stderr, "{}\n", sentence);
    return bad_input;
}

namespace {

int run(int count, char** arguments) {
    CLI::App app{"Wembrix: characters made ready for an engine, and checked on arrival."};
    app.require_subcommand(1);
    InspectOptions inspect_options;
    CLI::App* inspect_command =
        app.add_subcommand("inspect", "Say what a source file, or a job after its route card, holds");
    inspect_command->add_option("file", inspect_options.file, ".glb, .gltf or .wembrix")->required();
    inspect_command->add_flag("--json", inspect_options.json, "As JSON");
    DeliverOptions deliver_options;
    CLI::App* deliver_command = app.add_subcommand("deliver", "Write a job's files, read each back and check it");
    deliver_command->add_option("inputs", deliver_options.inputs, "A job, or with --card the sources")->required();
    deliver_command->add_option("--card", deliver_options.card, "Route card (.json), instead of a job");
    deliver_command->add_option("--destination", deliver_options.destination,
                                "With a job: a destination's name; with --card: its file");
    deliver_command->add_option("--out", deliver_options.out, "Folder to write to");
    deliver_command->add_flag("--json", deliver_options.json, "As JSON");
    CompareOptions compare_options;
    CLI::App* compare_command =
        app.add_subcommand("compare", "Drift between two files over the clips of the same name, in mm");
    compare_command->add_option("first", compare_options.first, "Where things should be")->required();
    compare_command->add_option("second", compare_options.second, "Where they are")->required();
    compare_command->add_flag("--json", compare_options.json, "As JSON");
    try {
        app.parse(count, arguments);
    } catch (const CLI::CallForHelp&) {
        fmt::print("{}", app.help());
        for (const CLI::App* command : app.get_subcommands()) {
            fmt::print("{}", command->help());
        }
        return all_well;
    } catch (const CLI::ParseError& error) {
        return refuse({std::string(error.what()) + (std::string(error.what()).ends_with('.') ? "" : "."), "usage",
                       "Try --help."});
    }
    if (inspect_command->parsed()) {
        return inspect(inspect_options);
    }
    return deliver_command->parsed() ? deliver_files(deliver_options) : compare(compare_options);
}

} // namespace

} // namespace wembrix::cli

int main(int count, char** arguments) {
    try {
        return wembrix::cli::run(count, arguments);
    } catch (const std::exception& error) {
        fmt::print(stderr, "Wembrix had to stop: {}.\n", error.what());
        return wembrix::cli::bad_input;
    }
}
