#include "core/base/process.h"

#include <array>
#include <cerrno>
#include <csignal>
#include <cstdlib>
#include <fcntl.h>
#include <sstream>
#include <sys/prctl.h>
#include <sys/wait.h>
#include <tuple>
#include <unistd.h>

namespace wembrix {

namespace {

std::vector<char*> as_list(const std::vector<std::string>& words) {
    std::vector<char*> list;
    for (const std::string& word : words) {
        list.push_back(const_cast<char*>(word.c_str()));
    }
    list.push_back(nullptr);
    return list;
}

} // namespace

pid_t start_process(const std::filesystem::path& program, const std::vector<std::string>& arguments,
                    const std::filesystem::path& folder, const std::filesystem::path& said,
                    const std::filesystem::path& complained, bool own_group) {
    std::vector<std::string> words = {program.string()};
    words.insert(words.end(), arguments.begin(), arguments.end());
    const std::vector<char*> list = as_list(words);
    const int out = ::open(said.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC | O_NOFOLLOW, 0644);
    const int errors = ::open(complained.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC | O_NOFOLLOW, 0644);
    const pid_t parent = ::getpid();
    const pid_t child = out >= 0 && errors >= 0 ? ::fork() : -1;
    if (child == 0) {
        // Only what is safe after a fork of a process with threads.
        ::prctl(PR_SET_PDEATHSIG, SIGKILL);
        if ((own_group && ::setpgid(0, 0) != 0) || ::getppid() != parent || ::dup2(out, STDOUT_FILENO) < 0 ||
            ::dup2(errors, STDERR_FILENO) < 0 || ::chdir(folder.c_str()) != 0) {
            ::_exit(126);
        }
        ::execv(words.front().c_str(), list.data());
        ::_exit(127);
    }
    for (const int descriptor : {out, errors}) {
        if (descriptor >= 0) {
            ::close(descriptor);
        }
    }
    return child > 0 ? child : 0;
}

void end_group(pid_t process) {
    ::kill(-process, SIGKILL);
    ::kill(process, SIGKILL); // it may not have come to having a group
    std::ignore = how_it_ended(process, true);
}

std::optional<std::filesystem::path> program_called(const std::string& name) {
    const char* all = std::getenv("PATH");
    std::istringstream folders(all == nullptr ? "/usr/bin:/bin" : all);
    for (std::string folder; std::getline(folders, folder, ':');) {
        const std::filesystem::path file = std::filesystem::path(folder) / name;
        if (!folder.empty() && ::access(file.c_str(), X_OK) == 0) {
            return file;
        }
    }
    return std::nullopt;
}

std::optional<int> how_it_ended(pid_t process, bool wait) {
    int status = 0;
    pid_t ended = -1;
    do {
        ended = ::waitpid(process, &status, wait ? 0 : WNOHANG);
    } while (ended < 0 && errno == EINTR);
    if (ended == 0) {
        return std::nullopt;
    }
    return ended == process && WIFEXITED(status) ? WEXITSTATUS(status) : -1;
}

Said run_and_hear(const std::vector<std::string>& command) {
    Said said;
    std::array<int, 2> ends{};
    if (command.empty() || ::pipe2(ends.data(), O_CLOEXEC) != 0) {
        return said;
    }
    const std::vector<char*> list = as_list(command);
    const pid_t child = ::fork();
    if (child == 0) {
        ::dup2(ends[1], STDOUT_FILENO);
        ::execvp(list.front(), list.data());
        ::_exit(127);
    }
    ::close(ends[1]);
    std::array<char, 4096> block{};
    ssize_t got = 0;
    while (child > 0 && ((got = ::read(ends[0], block.data(), block.size())) > 0 || (got < 0 && errno == EINTR))) {
        if (got > 0 && said.out.size() < size_t{1} << 24) {
            said.out.append(block.data(), static_cast<size_t>(got));
        }
    }
    ::close(ends[0]);
    if (child > 0) {
        said.code = how_it_ended(child, true).value_or(-1);
    }
    return said;
}

std::string quoted(const std::string& word) {
    std::string out = "'";
    for (const char c : word) {
        out += c == '\'' ? std::string("'\\''") : std::string(1, c);
    }
    return out + "'";
}

} // namespace wembrix
