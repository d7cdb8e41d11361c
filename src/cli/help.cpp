#include "help.h"

#include <algorithm>
#include <array>
#include <fmt/format.h>
#include <map>
#include <vector>

namespace wembrix::cli {

namespace {

struct CommandGroup {
    const char* title;
    std::vector<const char*> commands;
};
const std::vector<CommandGroup>& command_groups() {
    static const std::vector<CommandGroup> all = {
        {"Look at files and jobs",
         {"inspect", "takes", "weights", "shapes", "materials", "strands", "verify", "compare", "where"}},
        {"Prepare", {"new", "sources", "cuts", "plan", "build", "bind", "retarget", "sculpt", "contract"}},
        {"Deliver", {"run", "deliver", "board", "cache", "report", "package", "picture", "variant", "second-reader"}},
        {"Many takes, many machines", {"farm"}},
        {"Of the program", {"steps", "formats", "completion", "manual"}}};
    return all;
}

struct Example {
    const char* command; ///< as it is typed, behind the program's name
    const char* words;
};
const std::map<std::string, std::vector<Example>>& examples() {
    static const std::map<std::string, std::vector<Example>> all = {
        {"inspect",
         {{"inspect heron.glb", "what came in, and what is wrong with it"},
          {"inspect heron.wembrix --json", "after the route card, for a script"}}},
        {"takes", {{"takes heron.wembrix", "where it stands still, which loops close"}}},
        {"weights", {{"weights heron.glb --joint hand_l", "what one joint holds"}}},
        {"shapes", {{"shapes heron.glb", "all shapes in order, and how far they move"}}},
        {"materials", {{"materials heron.glb", "the slots of each surface"}}},
        {"strands", {{"strands heron.wembrix", "how many, how long, how wide, through the body or not"}}},
        {"verify",
         {{"verify heron.glb --destination \"Tidewater runtime\"", "is its skeleton as the engine wants it"},
          {"verify Heron.zip", "is a package whole"}}},
        {"compare", {{"compare before.glb after.glb --all", "what differs, claim by claim"}}},
        {"where", {{"where project/heron_walk.glb", "which job, which version, stale or not"}}},
        {"new",
         {{"new heron.wembrix heron.glb walk.bvh", "a job of these files"},
          {"new crane.wembrix crane.glb --like heron.wembrix", "its card and destinations, for another bird"}}},
        {"sources", {{"sources heron.wembrix --relink --look-in /shared/takes", "find files again that were moved"}}},
        {"cuts",
         {{"cuts heron.wembrix --to cuts.csv", "the list of clips"},
          {"cuts heron.wembrix --from cuts.csv", "and back"}}},
        {"plan", {{"plan biped > biped.json", "a plan of a skeleton, to be changed"}}},
        {"build", {{"build body.obj --plan biped --suggest --to card.json", "a skeleton into a bare surface"}}},
        {"bind", {{"bind body.obj --method heat --to card.json", "its first weights"}}},
        {"retarget", {{"retarget dance.bvh --onto heron.wembrix", "another body's motion"}}},
        {"sculpt", {{"sculpt heron.wembrix bent.obj --clip wade --frame 40", "a pose for a sculptor"}}},
        {"contract", {{"contract heron.glb --name heron_v3 > heron.contract.json", "its skeleton, to hold others to"}}},
        {"run",
         {{"run card.json heron.glb walk.bvh --out ready", "ten seconds: read, prepare, write, check"},
          {"run card.json heron.glb --as dae --out ready", "as another kind of file"}}},
        {"deliver",
         {{"deliver heron.wembrix", "what is missing or stale, to all destinations"},
          {"deliver heron.wembrix --plan", "only how the files would be called"},
          {"deliver heron.wembrix --takes /shared/takes --out out", "a folder of takes, onto one model"}}},
        {"board", {{"board heron.wembrix", "never, stale, held, arrived; and why"}}},
        {"cache", {{"cache heron.wembrix --clip wade --of cloak --as textures --out out", "a moving surface"}}},
        {"report", {{"report deliveries/Tidewater_runtime", "one page, pictures inside"}}},
        {"package", {{"package heron.wembrix --out packages --zip", "what was delivered, with its list"}}},
        {"picture", {{"picture heron.wembrix model mine.png", "a picture of one's own"}}},
        {"variant", {{"variant heron.wembrix wet_heron.wembrix --name wet", "another of the same family"}}},
        {"second-reader", {{"second-reader heron.glb", "what a real engine makes of it"}}},
        {"farm",
         {{"farm run heron.wembrix --takes takes --folder run --on slurm", "over a scheduler's machines"},
          {"farm status run", "how far it is"}}},
        {"steps", {{"steps", "what a route card can hold"}}},
        {"formats", {{"formats", "what is read and written"}}},
        {"completion", {{"completion > ~/.local/share/bash-completion/completions/wembrix-cli", "for bash"}}},
        {"manual", {{"manual | man -l -", "this help as a page"}}}};
    return all;
}

std::vector<const CLI::App*> commands_of(const CLI::App& app) {
    return app.get_subcommands([](const CLI::App*) { return true; });
}

std::vector<const CLI::Option*> options_of(const CLI::App& command, bool positional) {
    std::vector<const CLI::Option*> found = command.get_options([&](const CLI::Option* option) {
        return option->get_positional() == positional && option->get_name() != "--help" &&
               option->get_name(false, true).find("--help") == std::string::npos;
    });
    return found;
}

/// "--out DIR", "--joint TEXT", "--json".
std::string option_words(const CLI::Option& option) {
    std::string name = option.get_positional() ? option.get_name(true) : "--" + option.get_lnames().front();
    if (option.get_positional()) {
        std::string upper = name;
        std::transform(upper.begin(), upper.end(), upper.begin(), [](unsigned char c) { return std::toupper(c); });
        return upper + (option.get_expected_max() > 1 ? "…" : "");
    }
    if (option.get_items_expected_max() == 0) {
        return name; // a flag
    }
    const std::string& type = option.get_type_name();
    const bool is_number = type.starts_with("INT") || type.starts_with("FLOAT") || type.starts_with("UINT");
    return name + (is_number ? " N" : " X") + (option.get_expected_max() == 2 ? " Y" : "");
}

std::string usage_of(const CLI::App& command, const std::string& name) {
    std::string usage = "wembrix-cli " + name;
    for (const CLI::Option* one : options_of(command, true)) {
        usage += one->get_required() ? " " + option_words(*one) : " [" + option_words(*one) + "]";
    }
    for (const CLI::Option* one : options_of(command, false)) {
        usage += one->get_required() ? " " + option_words(*one) : "";
    }
    const std::vector<const CLI::App*> below = commands_of(command);
    if (!below.empty()) {
        usage += " COMMAND";
    }
    return usage + (options_of(command, false).empty() ? "" : " [OPTIONS]");
}

/// As wide as a terminal is at least: what does not fit goes on below itself.
std::string wrapped(const std::string& words, size_t left) {
    constexpr size_t wide = 100;
    std::string text;
    size_t at = left;
    for (size_t begin = 0; begin < words.size();) {
        const size_t end = std::min(words.find(' ', begin), words.size());
        if (at > left && at + 1 + end - begin > wide) {
            text += "\n" + std::string(left, ' ');
            at = left;
        } else if (at > left) {
            text += ' ';
            ++at;
        }
        text.append(words, begin, end - begin);
        at += end - begin;
        begin = end + 1;
    }
    return text;
}

const CLI::App* command_named(const CLI::App& app, const std::string& name) {
    const std::vector<const CLI::App*> all = commands_of(app);
    const auto found =
        std::find_if(all.begin(), all.end(), [&](const CLI::App* one) { return one->get_name() == name; });
    return found == all.end() ? nullptr : *found;
}

/// For `man`: a dot or quote that begins a line, backslashes and hyphens mean something else there.
std::string roff(const std::string& text) {
    std::string made;
    for (const char c : text) {
        if (c == '\\') {
            made += "\\e";
        } else if (c == '-') {
            made += "\\-";
        } else {
            made += c;
        }
    }
    return made.empty() || (made[0] != '.' && made[0] != '\'') ? made : "\\&" + made;
}

} // namespace

std::string general_help(const CLI::App& app) {
    std::string text = app.get_description() + "\n\nusage: wembrix-cli COMMAND …\n";
    for (const CommandGroup& group : command_groups()) {
        text += fmt::format("\n{}\n", group.title);
        for (const char* name : group.commands) {
            const CLI::App* command = command_named(app, name);
            text +=
                fmt::format("  {:<15}{}\n", name, command == nullptr ? "" : wrapped(command->get_description(), 17));
        }
    }
    text += "\nTo begin\n";
    for (const char* name : {"inspect", "run", "deliver"}) {
        const Example& first = examples().at(name).front();
        text += fmt::format("  wembrix-cli {:<50} {}\n", first.command, first.words);
    }
    return text +
           "\nOf one: wembrix-cli COMMAND --help. Ends with 0 when all is well, 1 when something is held or a claim "
           "failed,\n2 when it was given something that it cannot read.\n";
}

std::string command_help(const CLI::App& command, const std::string& name) {
    std::string text =
        fmt::format("{}\n\nusage: {}\n", wrapped(command.get_description() + ".", 0), usage_of(command, name));
    const auto list = [&](const char* title, const std::vector<const CLI::Option*>& options) {
        if (!options.empty()) {
            text += fmt::format("\n{}\n", title);
        }
        for (const CLI::Option* one : options) {
            text += fmt::format("  {:<20}  {}\n", option_words(*one), wrapped(one->get_description(), 24));
        }
    };
    list("What it takes", options_of(command, true));
    list("Options", options_of(command, false));
    for (const CLI::App* below : commands_of(command)) {
        text += fmt::format("\n  {:<20}  {}\n", below->get_name(), wrapped(below->get_description(), 24));
    }
    if (const auto found = examples().find(name.substr(0, name.find(' '))); found != examples().end()) {
        text += "\nExamples\n";
        for (const Example& one : found->second) {
            text += fmt::format("  wembrix-cli {}\n      {}\n", one.command, one.words);
        }
    }
    return text;
}

std::string manual_page(const CLI::App& app) {
    std::string page =
        fmt::format(".TH WEMBRIX\\-CLI 1 \"\" \"Wembrix {}\" \"User Commands\"\n.SH NAME\nwembrix\\-cli \\- {}\n"
                    ".SH SYNOPSIS\n.B wembrix\\-cli\n.I COMMAND\n[\\fIOPTIONS\\fR]\n.SH DESCRIPTION\n{}\n",
                    WEMBRIX_VERSION, "characters made ready for an engine, and checked on arrival",
                    "It reads what others made, replays a route card over it, writes what an engine "
                    "expects, reads that back and says, claim by claim, whether it arrived.");
    for (const CommandGroup& group : command_groups()) {
        std::string title = group.title;
        std::transform(title.begin(), title.end(), title.begin(), [](unsigned char c) { return std::toupper(c); });
        page += fmt::format(".SH \"{}\"\n", title);
        for (const char* name : group.commands) {
            const CLI::App* command = command_named(app, name);
            if (command == nullptr) {
                continue;
            }
            page += fmt::format(".SS \"{}\"\n{}.\n.PP\n\\fB{}\\fR\n", roff(name), roff(command->get_description()),
                                roff(usage_of(*command, name)));
            for (const bool positional : {true, false}) {
                for (const CLI::Option* one : options_of(*command, positional)) {
                    page +=
                        fmt::format(".TP\n\\fB{}\\fR\n{}\n", roff(option_words(*one)), roff(one->get_description()));
                }
            }
            for (const CLI::App* below : commands_of(*command)) {
                page += fmt::format(".TP\n\\fB{} {}\\fR\n{}\n", name, roff(below->get_name()),
                                    roff(below->get_description()));
            }
            for (const Example& one : examples().at(name)) {
                page +=
                    fmt::format(".PP\n{}:\n.PP\n.RS\n.B wembrix\\-cli {}\n.RE\n", roff(one.words), roff(one.command));
            }
        }
    }
    return page +
           ".SH \"EXIT STATUS\"\n0 when all is well, 1 when something is held or a claim failed, 2 when it was given "
           "something that it cannot read.\n.SH \"SEE ALSO\"\n.BR wembrix (1)\n";
}

std::string bash_completion(const CLI::App& app) {
    std::string names;
    std::string cases;
    for (const CLI::App* command : commands_of(app)) {
        names += (names.empty() ? "" : " ") + command->get_name();
        std::string words;
        const auto add_options = [&](const CLI::App& of) {
            for (const CLI::Option* one : options_of(of, false)) {
                words += (words.empty() ? "" : " ") + ("--" + one->get_lnames().front());
            }
        };
        add_options(*command);
        for (const CLI::App* below : commands_of(*command)) {
            words += (words.empty() ? "" : " ") + below->get_name();
            add_options(*below);
        }
        cases += fmt::format("        {}) words=\"{} --help\" ;;\n", command->get_name(), words);
    }
    return fmt::format(R"(# bash completion of wembrix-cli: made by `wembrix-cli completion`
_wembrix_cli() {{
    local current=${{COMP_WORDS[COMP_CWORD]}} words
    COMPREPLY=()
    if [ "$COMP_CWORD" -eq 1 ]; then
        COMPREPLY=($(compgen -W "{} --help --version" -- "$current"))
        return
    fi
    case ${{COMP_WORDS[1]}} in
{}    esac
    if [[ $current == -* ]]; then
        COMPREPLY=($(compgen -W "$words" -- "$current"))
    else
        COMPREPLY=($(compgen -f -- "$current"))
        if [ "${{COMP_WORDS[1]}}" = farm ] && [ "$COMP_CWORD" -eq 2 ]; then
            COMPREPLY=($(compgen -W "run status item task" -- "$current"))
        fi
    fi
}}
complete -o filenames -F _wembrix_cli wembrix-cli
)",
                       names, cases);
}

std::string without_help(const CLI::App& app) {
    std::string missing;
    for (const CLI::App* command : commands_of(app)) {
        const std::string name = command->get_name();
        const bool is_grouped =
            std::any_of(command_groups().begin(), command_groups().end(), [&](const CommandGroup& group) {
                return std::find(group.commands.begin(), group.commands.end(), name) != group.commands.end();
            });
        if (!is_grouped || !examples().contains(name)) {
            missing += name + "\n";
        }
    }
    return missing;
}

} // namespace wembrix::cli
