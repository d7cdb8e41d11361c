#include "core/destination/file_paths.h"

#include "core/base/counted.h"
#include "core/base/latin.h"
#include "core/base/pattern.h"
#include "core/base/text.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <fmt/format.h>

namespace wembrix {

namespace fs = std::filesystem;

namespace {

std::string folded(const std::string& name) {
    std::string text = name;
    std::transform(text.begin(), text.end(), text.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return text;
}

/// Names of devices that a common system keeps for itself, with any suffix.
bool is_reserved(const std::string& name) {
    constexpr std::array<std::string_view, 4> words = {"con", "prn", "aux", "nul"};
    const std::string stem = folded(name.substr(0, name.find('.')));
    const bool port =
        stem.size() == 4 && (stem.starts_with("com") || stem.starts_with("lpt")) && stem[3] >= '1' && stem[3] <= '9';
    return port || std::find(words.begin(), words.end(), stem) != words.end();
}

/// A character that no file name may have on one of the common systems, as it is said.
std::string forbidden_character(const std::string& name) {
    for (const char c : name) {
        if (static_cast<unsigned char>(c) < 0x20) {
            return fmt::format("the control character {}", static_cast<int>(c));
        }
        if (std::string_view("<>:\"/\\|?*").find(c) != std::string_view::npos) {
            return fmt::format("“{}”", c);
        }
    }
    if (!is_plain_utf8(name)) {
        return "bytes that are no letters";
    }
    return name.ends_with('.') || name.ends_with(' ') ? fmt::format("“{}” at its end", name.back()) : std::string();
}

} // namespace

std::optional<Problem> problem_with_path(const fs::path& file, const Destination& destination) {
    const std::string name = file.filename().string();
    const auto wrong = [&](Text what, const char* advice) {
        return Problem{std::move(what), destination.name, advice};
    };
    if (is_reserved(name)) {
        return wrong(phrase("the file would be called “{}”, which is the name of a device on some systems.", name),
                     "Rename the clip, or give the destination another file template.");
    }
    if (const std::string bad = forbidden_character(file.stem().string()); !bad.empty()) {
        return wrong(phrase("the file name “{}” has {}, which not every system takes.", name, bad),
                     "Rename the clip, or give the destination another file template.");
    }
    if (name.size() > 255) {
        return wrong(
            phrase("the file name “{}…” has {}; a system takes 255.", name.substr(0, 40), counted(name.size(), "byte")),
            "Give the destination a shorter file template.");
    }
    const std::string& letters = destination.file_names;
    if (!letters.empty()) {
        const Pattern pattern = Pattern::checked(letters);
        const std::string stem = file.stem().string();
        if (!pattern.matches_whole(stem)) {
            return wrong(phrase("the file name “{}” does not fit its pattern {}.", stem, letters),
                         "Rename the clip by a rule, or give the destination another file template.");
        }
        const std::string folder = file.parent_path().filename().string();
        if (!folder.empty() && !pattern.matches_whole(folder)) {
            return wrong(phrase("the folder “{}” does not fit its pattern {}.", folder, letters),
                         "Deliver into a folder of another name.");
        }
    }
    const std::string path = file.string();
    if (destination.longest_path > 0 && path.size() > static_cast<size_t>(destination.longest_path)) {
        return wrong(phrase("the path “{}” has {}; it takes {}.", path, counted(path.size(), "character"),
                            destination.longest_path),
                     "Deliver nearer to the top, or give the destination a shorter file template.");
    }
    return std::nullopt;
}

std::optional<Problem> problem_with_folders(const std::string& stem, const Destination& destination) {
    for (const fs::path& part : fs::path(stem).parent_path()) {
        const std::string name = part.string();
        Text what;
        if (is_reserved(name)) {
            what = phrase("the folder would be called “{}”, which is the name of a device on some systems.", name);
        } else if (const std::string bad = forbidden_character(name); !bad.empty()) {
            what = phrase("the folder “{}” has {}, which not every system takes.", name, bad);
        } else if (!destination.file_names.empty() && !Pattern::checked(destination.file_names).matches_whole(name)) {
            what = phrase("the folder “{}” does not fit its pattern {}.", name, destination.file_names);
        }
        if (!what.empty()) {
            return Problem{what, destination.name, "Give the destination another file template."};
        }
    }
    return std::nullopt;
}

std::optional<Problem> problem_with_spelling(const fs::path& file) {
    fs::path so_far;
    std::error_code error;
    for (const fs::path& part : fs::absolute(file).lexically_normal().parent_path()) {
        const fs::path next = so_far.empty() ? part : so_far / part;
        if (!fs::exists(next, error)) {
            for (fs::directory_iterator entry(so_far, error), end; !error && entry != end; entry.increment(error)) {
                const std::string there = entry->path().filename().string();
                if (there != part.string() && folded(there) == folded(part.string()) && entry->is_directory(error)) {
                    return Problem{phrase("the folder “{}” is there as “{}”.", part.string(), there), so_far.string(),
                                   "Spell it as it is there."};
                }
            }
            return std::nullopt;
        }
        so_far = next;
    }
    return std::nullopt;
}

} // namespace wembrix
