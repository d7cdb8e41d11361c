#include "core/job/job_data.h"

#include "core/base/files.h"
#include "core/steps/step_data.h"

#include <set>

namespace wembrix {

namespace {

constexpr std::string_view ending = ".array";

std::filesystem::path file_of(const std::filesystem::path& folder, const std::string& name) {
    return folder / (name + std::string(ending));
}

/// 32 hexadecimal digits and our ending.
bool is_ours(const std::string& file) {
    return file.size() == 32 + ending.size() && file.ends_with(ending) &&
           file.find_first_not_of("0123456789abcdef") == 32;
}

} // namespace

std::filesystem::path data_folder(const std::filesystem::path& job_file) {
    return job_file.string() + ".data";
}

void read_data(std::vector<Step>& steps, const std::filesystem::path& folder) {
    StepData read; // one array may be in several steps
    for (Step& step : steps) {
        for (const std::string& name : data_names(step)) {
            if (step.data.contains(name)) {
                continue;
            }
            if (!read.contains(name)) {
                Result<std::string> bytes = read_file(file_of(folder, name));
                if (!bytes || hash_of(*bytes) != name) {
                    continue;
                }
                read[name] = std::make_shared<const std::string>(bytes.take());
            }
            step.data[name] = read[name];
        }
    }
}

Outcome write_data(const std::vector<Step>& steps, const std::filesystem::path& folder) {
    for (const Step& step : steps) {
        for (const std::string& name : data_names(step)) {
            const auto held = step.data.find(name);
            std::error_code none;
            const std::filesystem::path file = file_of(folder, name);
            if (held == step.data.end() || std::filesystem::file_size(file, none) == held->second->size()) {
                continue;
            }
            std::filesystem::create_directories(folder, none);
            if (none) {
                return Problem{"cannot be made: " + none.message() + ".", folder.string(), ""};
            }
            if (Outcome done = write_file_whole(file, *held->second); !done) {
                return done;
            }
        }
    }
    return Done{};
}

void collect_data(const std::vector<Step>& steps, const std::filesystem::path& folder) {
    std::set<std::string> needed;
    for (const Step& step : steps) {
        for (const std::string& name : data_names(step)) {
            needed.insert(name + std::string(ending));
        }
    }
    std::error_code none;
    std::vector<std::filesystem::path> left;
    for (const auto& entry : std::filesystem::directory_iterator(folder, none)) {
        const std::string file = entry.path().filename().string();
        if (is_ours(file) && !needed.contains(file)) {
            left.push_back(entry.path());
        }
    }
    for (const std::filesystem::path& file : left) {
        std::filesystem::remove(file, none);
    }
    if (!left.empty()) {
        std::filesystem::remove(folder, none); // only an empty one goes
    }
}

} // namespace wembrix
