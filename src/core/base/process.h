// Programs that are started, and that end with the one that started them.
#pragma once

#include <filesystem>
#include <optional>
#include <string>
#include <sys/types.h>
#include <vector>

namespace wembrix {

/// Starts it in a folder, with what it says in two files. It is killed when this process ends, however that ends. 0
/// where it cannot be started; one that is no program ends with 127. With a group of its own, what it starts can be
/// ended with it.
pid_t start_process(const std::filesystem::path& program, const std::vector<std::string>& arguments,
                    const std::filesystem::path& folder, const std::filesystem::path& said,
                    const std::filesystem::path& complained, bool own_group = false);
/// Ends a process that has a group of its own, with all that it started, and waits for it.
void end_group(pid_t process);
/// The program of that name on the path, as a shell finds it.
std::optional<std::filesystem::path> program_called(const std::string& name);
/// How it ended, once it did: its code, or -1 where it was killed.
std::optional<int> how_it_ended(pid_t process, bool wait);

/// What a command says, and the code it ends with; -1 where it could not be run. Looked for as a shell does.
struct Said {
    int code = -1;
    std::string out;
};
Said run_and_hear(const std::vector<std::string>& command);

/// For a shell: one word, whatever is in it.
std::string quoted(const std::string& word);

} // namespace wembrix
