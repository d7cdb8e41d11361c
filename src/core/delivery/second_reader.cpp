#include "core/delivery/second_reader.h"

#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/base/own_folder.h"
#include "core/base/process.h"
#include "core/base/text.h"
#include "core/delivery/reader_claims.h"
#include "core/delivery/second_reader_script.h"
#include "core/formats/format.h"

#include <algorithm>
#include <chrono>
#include <fmt/format.h>
#include <thread>
#include <unistd.h>

namespace wembrix {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

constexpr const char* program = "godot3-server";

/// Runs it until `done` says so, it ends, or the time is over; false where the time was.
bool run_until(const std::vector<std::string>& arguments, const fs::path& folder, const fs::path& said,
               const std::chrono::steady_clock::time_point& end, const std::function<bool()>& stop,
               const std::function<bool()>& done) {
    // Its settings and caches are nobody's but this folder's.
    std::vector<std::string> words = {
        "HOME=" + (folder / "home").string(), "XDG_DATA_HOME=" + (folder / "home").string(),
        "XDG_CONFIG_HOME=" + (folder / "home").string(), "XDG_CACHE_HOME=" + (folder / "home").string()};
    words.insert(words.end(), arguments.begin(), arguments.end());
    const pid_t process = start_process("/usr/bin/env", words, folder, said, said.string() + ".errors", true);
    if (process == 0) {
        return false;
    }
    bool in_time = true;
    bool ended = false;
    while (!ended && !done()) {
        ended = how_it_ended(process, false).has_value();
        in_time = std::chrono::steady_clock::now() < end && !(stop && stop());
        if (!in_time) {
            break;
        }
        std::this_thread::sleep_for(std::chrono::milliseconds(100));
    }
    if (!ended) {
        end_group(process);
    }
    return in_time;
}

size_t imported_in(const fs::path& folder) {
    std::error_code error;
    size_t count = 0;
    for (fs::directory_iterator entry(folder / ".import", error), end; !error && entry != end; entry.increment(error)) {
        count += entry->path().extension() == ".scn" ? 1 : 0;
    }
    return count;
}

} // namespace

std::optional<fs::path> second_reader() {
    return program_called(program);
}

Text how_to_get_second_reader() {
    return phrase("No second reader is installed: sudo apt install {}", program);
}

bool second_reader_reads(const fs::path& file) {
    return file.extension() == ".glb" || file.extension() == ".gltf" || file.extension() == ".dae";
}

std::vector<Claim> second_reader_claims(const Scene& file, const json& answer) {
    return claims_of_reader("Second reader", file, answer);
}

Result<std::vector<std::vector<Claim>>> ask_second_reader(const SecondReaderRequest& request) {
    const std::optional<fs::path> reader = second_reader();
    if (!reader) {
        return Problem{how_to_get_second_reader(), program, ""};
    }
    const OwnFolder own(fs::temp_directory_path(), "wembrix-second-");
    const fs::path& folder = own.path();
    if (folder.empty()) {
        return Problem{"cannot be written to.", fs::temp_directory_path().string(), ""};
    }
    std::error_code error;
    fs::create_directories(folder / "home", error);
    std::vector<std::string> names;
    for (size_t f = 0; f < request.files.size(); ++f) {
        const fs::path& file = request.files[f];
        if (!second_reader_reads(file)) {
            return Problem{"is nothing that the second reader reads: a .glb, .gltf or .dae.", file.string(), ""};
        }
        // A text with its buffer beside it needs that under its name.
        names.push_back(fmt::format("file_{}{}", f, file.extension().string()));
        fs::copy_file(file, folder / names.back(), error);
        const Result<Scene> scene = format_of_file(file)->read(file);
        if (!scene) {
            return scene.problem();
        }
        for (const fs::path& beside : scene->beside) {
            fs::copy_file(beside, folder / beside.filename(), fs::copy_options::skip_existing, error);
        }
        if (Outcome put = write_file_whole(folder / (names.back() + ".import"),
                                           "[remap]\n\nimporter=\"scene\"\n\n[params]\n\nanimation/fps=30\n"
                                           "animation/optimizer/enabled=false\n");
            !put) {
            return put.problem();
        }
    }
    for (const auto& [name, text] :
         {std::pair("project.godot", "config_version=4\n\n[application]\nconfig/name=\"arrivals\"\n"),
          std::pair("look.gd", second_reader_script)}) {
        if (Outcome put = write_file_whole(folder / name, text); !put) {
            return put.problem();
        }
    }
    const auto end = std::chrono::steady_clock::now() + std::chrono::duration_cast<std::chrono::steady_clock::duration>(
                                                            std::chrono::duration<double>(request.longest_s));
    const Problem late{phrase("did not answer within {:.0f} s.", request.longest_s), program, ""};
    // It imports and may then hang: it is ended once the imports are there and have been for a while.
    std::optional<std::chrono::steady_clock::time_point> there_since;
    const bool imported =
        run_until({reader->string(), "--path", folder.string(), "--editor", "--quit"}, folder, folder / "import.said",
                  end, request.stop, [&] {
                      if (imported_in(folder) >= names.size() && !there_since) {
                          there_since = std::chrono::steady_clock::now();
                      }
                      return there_since && std::chrono::steady_clock::now() - *there_since > std::chrono::seconds(2);
                  });
    if (!imported) {
        return late;
    }
    const fs::path said = folder / "look.said";
    if (!run_until({reader->string(), "--path", folder.string(), "-s", "res://look.gd"}, folder, said, end,
                   request.stop, [] { return false; })) {
        return late;
    }
    const Result<std::string> text = read_file(said);
    const size_t answer = text ? text->find("ANSWER ") : std::string::npos;
    if (answer == std::string::npos) {
        return Problem{"gave no answer.", program, ""};
    }
    const std::string line = text->substr(answer + 7, text->find('\n', answer) - answer - 7);
    const Result<json> answers = parse_json(line, program);
    if (!answers || !answers->is_object()) {
        return Problem{"gave an answer that is none.", program, ""};
    }
    std::vector<std::vector<Claim>> all;
    for (size_t f = 0; f < names.size(); ++f) {
        const Result<Scene> scene = format_of_file(request.files[f])->read(request.files[f]);
        if (!scene) {
            return scene.problem();
        }
        json of_file = answers->value(names[f], json());
        // Where joints rest it takes from the skin of a .dae: without one it knows no rest pose, and means nothing by
        // it.
        const bool knows_rest =
            format_of_file(request.files[f])->id != "dae" ||
            std::any_of(scene->nodes.begin(), scene->nodes.end(), [](const Node& node) { return node.skin >= 0; });
        if (!knows_rest && of_file.is_object()) {
            of_file.erase("bones");
        }
        all.push_back(second_reader_claims(*scene, of_file));
    }
    return all;
}

} // namespace wembrix
