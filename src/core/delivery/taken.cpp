#include "core/delivery/taken.h"

#include "core/base/files.h"

#include <array>
#include <sys/stat.h>

namespace wembrix {

namespace fs = std::filesystem;

std::string_view taken_name(Taken taken) {
    constexpr std::array<std::string_view, 3> names = {"cannot know", "waiting", "taken"};
    return names.at(static_cast<size_t>(taken));
}

Taken taken_by_engine(const fs::path& folder, const std::string& file, const Destination& destination) {
    constexpr std::string_view token = "{file}";
    std::string record = destination.import_record;
    const size_t at = record.find(token);
    if (at == std::string::npos) {
        return Taken::cannot_know;
    }
    record.replace(at, token.size(), file);
    struct stat of_file {};
    struct stat of_record {};
    if (!is_plain_path(record) || ::stat((folder / record).c_str(), &of_record) != 0 ||
        ::stat((folder / file).c_str(), &of_file) != 0) {
        return Taken::waiting;
    }
    const timespec& put = of_file.st_ctim; // when it came to be in its place
    const timespec& written = of_record.st_mtim;
    const bool later = written.tv_sec != put.tv_sec ? written.tv_sec > put.tv_sec : written.tv_nsec >= put.tv_nsec;
    return later ? Taken::taken : Taken::waiting;
}

} // namespace wembrix
