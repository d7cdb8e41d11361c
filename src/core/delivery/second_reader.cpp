#include "core/delivery/second_reader.h"

#include "core/base/counted.h"
#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/base/own_folder.h"
#include "core/base/process.h"
#include "core/delivery/second_reader_script.h"
#include "core/formats/format.h"
#include "core/measure/scene/bounds.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <fmt/format.h>
#include <set>
#include <thread>
#include <unistd.h>

namespace wembrix {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

constexpr const char* program = "godot3-server";
constexpr double clip_slack_s = 1.0 / 60;

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

std::vector<Vec3> places_in(const json& list) {
    std::vector<Vec3> places;
    for (const json& one : list.is_array() ? list : json::array()) {
        Vec3 place = Vec3::Constant(std::nan(""));
        for (size_t k = 0; one.is_array() && k < 3 && k < one.size(); ++k) {
            place[static_cast<Eigen::Index>(k)] = one[k].is_number() ? one[k].get<double>() : std::nan("");
        }
        places.push_back(place);
    }
    return places;
}

/// The vertices as a reader has them that does not pose them: of a skinned surface where they were bound.
Bounds bound_places(const Scene& file, size_t& vertices, size_t& shapes) {
    Bounds bounds;
    const std::vector<Mat4> world = rest_world(file);
    for (const int node : surfaces_of(file)) {
        const Node& own = file.nodes[static_cast<size_t>(node)];
        const Mesh& mesh = file.meshes[static_cast<size_t>(own.mesh)];
        shapes += mesh.shapes.size();
        for (const Primitive& primitive : mesh.primitives) {
            std::set<uint32_t> used;
            for (const auto& triangle : triangles_of(mesh, primitive)) {
                used.insert(triangle.begin(), triangle.end());
            }
            vertices += used.size();
            for (const uint32_t point : used) {
                const Vec3 at = mesh.positions[point].cast<double>();
                bounds.add(own.skin >= 0 ? at : point_of(world[static_cast<size_t>(node)], at));
            }
        }
    }
    return bounds;
}

std::string said_box(const Vec3& size) {
    return fmt::format("{:.3f} x {:.3f} x {:.3f} m", size.x(), size.y(), size.z());
}

Claim bones_claim(const Scene& file, const json& answer, double size) {
    const std::vector<int> joints = joints_of(file);
    const std::vector<Mat4> world = rest_world(file);
    std::vector<Vec3> free = places_in(answer.value("bones", json()));
    Claim claim{"Second reader: joints", counted(joints.size(), "joint"), counted(free.size(), "joint"), true, ""};
    // It may call them otherwise: each is looked for where it stands.
    double worst = 0;
    for (const int joint : joints) {
        const Vec3 at = point_of(world[static_cast<size_t>(joint)], Vec3::Zero());
        auto nearest = free.end();
        double least = 1e300;
        for (auto one = free.begin(); one != free.end(); ++one) {
            const double apart = (*one - at).norm();
            if (apart < least) {
                least = apart;
                nearest = one;
            }
        }
        if (nearest == free.end()) {
            claim.pass = false;
            claim.detail = "it has none for " + file.nodes[static_cast<size_t>(joint)].name;
            return claim;
        }
        free.erase(nearest);
        worst = std::max(worst, least);
    }
    claim.pass = free.empty() && worst <= std::max(1e-4 * size, 1e-5);
    claim.actual += fmt::format(", at most {:.3f} mm apart", worst * 1000);
    claim.detail = claim.pass ? "" : free.empty() ? "one rests elsewhere" : fmt::format("it has {} more", free.size());
    return claim;
}

} // namespace

std::optional<fs::path> second_reader() {
    return program_called(program);
}

std::string how_to_get_second_reader() {
    return fmt::format("No second reader is installed: sudo apt install {}", program);
}

bool second_reader_reads(const fs::path& file) {
    return file.extension() == ".glb" || file.extension() == ".gltf";
}

std::vector<Claim> second_reader_claims(const Scene& file, const json& answer) {
    if (!answer.is_object()) {
        return {{"Second reader: opens it", "yes", "no", false, "it imported nothing"}};
    }
    size_t vertices = 0;
    size_t shapes = 0;
    const Bounds bounds = bound_places(file, vertices, shapes);
    const Bounds whole = whole_bounds(file);
    const double size = std::max({whole.size().norm(), bounds.size().norm(), 1e-3});
    std::vector<Claim> claims;
    if (!joints_of(file).empty() || (answer.contains("bones") && !answer["bones"].empty())) {
        claims.push_back(bones_claim(file, answer, size));
    }
    const auto number = [&](const char* key) {
        const json value = answer.value(key, json());
        return value.is_number() ? value.get<double>() : 0.0;
    };
    if (vertices > 0) {
        // It may split vertices, or join those that are alike: only their box is held against ours.
        const std::vector<Vec3> there = places_in(answer.value("bounds", json()));
        Claim claim{"Second reader: bounds", said_box(bounds.size()), "none", false, "it has no surface"};
        if (there.size() == 2) {
            const double apart = std::max((there[0] - bounds.low).norm(), (there[1] - bounds.high).norm());
            claim.actual = said_box(there[1] - there[0]);
            claim.pass = apart <= 1e-4 * size;
            claim.detail = claim.pass ? "" : fmt::format("its corners are {:.3f} mm elsewhere", apart * 1000);
        }
        claims.push_back(claim);
        if (shapes > 0 || number("shapes") > 0) {
            const bool same = number("shapes") >= static_cast<double>(shapes);
            claims.push_back({"Second reader: shapes", counted(shapes, "shape"),
                              counted(static_cast<size_t>(number("shapes")), "shape"), same,
                              same ? "" : "it has fewer"});
        }
    }
    const json clips = answer.value("clips", json::array());
    for (const Clip& clip : file.clips) {
        Claim claim{"Second reader: " + clip.name, fmt::format("{:.3f} s", clip.seconds), "none", false,
                    "it has no clip of that name"};
        for (const json& there : clips.is_array() ? clips : json::array()) {
            if (there.is_object() && there.value("name", json()) == clip.name &&
                there.value("seconds", json()).is_number()) {
                const double seconds = there["seconds"].get<double>();
                claim.actual = fmt::format("{:.3f} s", seconds);
                claim.pass = std::abs(seconds - clip.seconds) <= clip_slack_s;
                claim.detail = claim.pass ? "" : "it lasts otherwise there";
            }
        }
        claims.push_back(claim);
    }
    if (claims.empty()) {
        claims.push_back({"Second reader: opens it", "yes", "yes", true, ""});
    }
    return claims;
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
            return Problem{"is nothing that the second reader reads: a .glb or a .gltf.", file.string(), ""};
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
    const Problem late{fmt::format("did not answer within {:.0f} s.", request.longest_s), program, ""};
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
        all.push_back(second_reader_claims(*scene, answers->value(names[f], json())));
    }
    return all;
}

} // namespace wembrix
