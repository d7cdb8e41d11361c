#include "commands.h"

#include "core/formats/format.h"

namespace wembrix::cli {

Result<Opened> open_and_replay(const std::string& file) {
    const std::filesystem::path path(file);
    Opened opened;
    if (path.extension() == ".wembrix") {
        Result<Job> job = read_job(path);
        if (!job) {
            return job.problem();
        }
        opened.job = job.take();
        opened.folder = path.parent_path();
    } else {
        opened.job.name = path.stem().string();
        opened.job.sources.emplace_back(std::filesystem::absolute(path).string());
    }
    Result<LoadedSources> sources = load_sources(opened.job.sources, opened.folder, opened.job.steps);
    if (!sources) {
        return sources.problem();
    }
    opened.sources = sources.take();
    opened.replay = replay(opened.sources, opened.job.steps);
    return opened;
}

} // namespace wembrix::cli
