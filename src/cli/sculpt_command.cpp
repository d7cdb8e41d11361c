#include "commands.h"

#include "core/base/counted.h"
#include "core/delivery/sculpt_file.h"

#include <fmt/format.h>

namespace wembrix::cli {

int sculpt(const SculptOptions& options) {
    const Result<Opened> opened = open_and_replay(options.file);
    if (!opened) {
        return refuse(opened.problem());
    }
    const Result<SculptFile> written =
        write_sculpt_file({&opened->replay.prepared(), options.surface, options.clip, options.frame}, options.out);
    if (!written) {
        return refuse(written.problem());
    }
    fmt::print("{}: “{}” with {}{}, read back vertex for vertex\n", options.out, written->surface,
               counted(written->vertices, "vertex"),
               options.clip.empty() ? std::string(" at rest")
                                    : fmt::format(" at frame {} of “{}”", options.frame, options.clip));
    return all_well;
}

} // namespace wembrix::cli
