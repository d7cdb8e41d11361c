#include "core/delivery/delivery.h"

#include "core/base/files.h"
#include "core/delivery/arrival_check.h"
#include "core/delivery/manifest.h"
#include "core/destination/conform.h"
#include "core/formats/format.h"

#include <algorithm>
#include <csignal>
#include <fmt/format.h>
#include <regex>
#include <set>
#include <unistd.h>

namespace wembrix {

namespace fs = std::filesystem;

std::string_view cell_state_name(CellState state) {
    constexpr std::string_view names[] = {"never", "stale", "held", "arrived"};
    return names[static_cast<int>(state)];
}

bool DeliveryReport::all_arrived() const {
    return !stopped && !arrivals.empty() && std::all_of(arrivals.begin(), arrivals.end(), [](const Arrival& arrival) {
        return arrival.state == CellState::arrived;
    });
}

Result<std::vector<Deliverable>> plan_deliverables(const Scene& prepared, const Destination& destination,
                                                   const std::string& job_name) {
    std::vector<Deliverable> plan;
    auto add = [&](Deliverable::Kind kind, const std::string& clip) -> Outcome {
        const bool model = kind == Deliverable::Kind::model;
        Result<std::string> stem =
            file_stem(model ? destination.model_file : destination.clip_file, job_name, clip, destination);
        if (!stem) {
            return stem.problem();
        }
        plan.push_back({kind, clip, stem.take()});
        return Done{};
    };
    const Format* format = format_with_id(destination.container);
    const bool holds_models = format == nullptr || format->surfaces;
    if (holds_models && (!surfaces_of(prepared).empty() || !joints_of(prepared).empty())) {
        if (Outcome done = add(Deliverable::Kind::model, ""); !done) {
            return done.problem();
        }
    }
    for (const Clip& clip : prepared.clips) {
        if (!clip.deliver) {
            continue;
        }
        if (Outcome done = add(Deliverable::Kind::clip, clip.name); !done) {
            return done.problem();
        }
    }
    if (plan.empty()) {
        return Problem{"there is nothing to deliver: the route card left nothing.", destination.name, ""};
    }
    std::set<std::string> seen;
    for (const Deliverable& deliverable : plan) {
        std::string folded = deliverable.stem;
        std::transform(folded.begin(), folded.end(), folded.begin(), [](unsigned char c) { return std::tolower(c); });
        if (!seen.insert(folded).second || folded == "delivery") {
            return Problem{fmt::format("two deliverables would share the file name \"{}\".", deliverable.stem),
                           destination.name, "Rename a clip, or give the destination another file template."};
        }
    }
    return plan;
}

namespace {

std::string content_of(const Deliverable& deliverable, const Scene& prepared, const std::string& model_content) {
    return deliverable.kind == Deliverable::Kind::model
               ? model_content
               : content_of_clip(*prepared.find_clip(deliverable.clip), model_content);
}

/// Takes away what an earlier run that was killed left behind: folders and half files named for a process that is
/// no more.
void sweep(const fs::path& folder) {
    static const std::regex ours(R"(\.wembrix-(\d{1,9})|delivery\.json\.(\d{1,9})\.part)");
    std::error_code error;
    std::vector<fs::path> left;
    for (fs::directory_iterator entry(folder, error), end; !error && entry != end; entry.increment(error)) {
        std::smatch match;
        const std::string name = entry->path().filename().string();
        if (std::regex_match(name, match, ours)) {
            const pid_t process = std::stoi(match[1].matched ? match[1].str() : match[2].str());
            if (::kill(process, 0) != 0 && errno == ESRCH) {
                left.push_back(entry->path());
            }
        }
    }
    for (const fs::path& path : left) {
        fs::remove_all(path, error);
    }
}

/// A folder beside the delivery that is gone when this is.
class Aside {
  public:
    explicit Aside(const fs::path& folder) : path_(folder / fmt::format(".wembrix-{}", ::getpid())) {
        std::error_code error;
        sweep(folder);
        fs::remove_all(path_, error);
        fs::create_directories(path_, error);
        failed_ = static_cast<bool>(error);
    }
    Aside(const Aside&) = delete;
    Aside& operator=(const Aside&) = delete;
    ~Aside() {
        std::error_code error;
        fs::remove_all(path_, error);
    }
    [[nodiscard]] const fs::path& path() const { return path_; }
    [[nodiscard]] bool failed() const { return failed_; }

  private:
    fs::path path_;
    bool failed_ = false;
};

class Delivery {
  public:
    Delivery(const DeliveryRequest& request, const fs::path& aside) : request_(request), aside_(aside) {}

    Outcome run(const std::vector<Deliverable>& plan, DeliveryReport& report) {
        manifest_ = read_manifest(request_.folder);
        const std::vector<Finding> findings = look_for_findings({*request_.prepared, &request_.destination});
        std::string held_back;
        for (const std::string& problem : request_.card_problems) {
            held_back = held_back.empty() ? "a step does not fit: " + problem : held_back;
        }
        for (const Finding& finding : findings) {
            if (finding.grade == Grade::stop && held_back.empty()) {
                held_back = finding.message + ". " + finding.reason;
            }
        }
        std::vector<Deliverable> wanted;
        for (const Deliverable& deliverable : plan) {
            if (request_.only.empty() ||
                std::find(request_.only.begin(), request_.only.end(), deliverable.id()) != request_.only.end()) {
                wanted.push_back(deliverable);
            }
        }
        report.model_content = content_of_model(*request_.prepared, request_.destination, request_.job_name);
        int done = 0;
        for (const Deliverable& deliverable : wanted) {
            if (request_.stop && request_.stop()) {
                report.stopped = true;
                break;
            }
            if (request_.progress) {
                request_.progress(done, static_cast<int>(wanted.size()), deliverable.stem);
            }
            Arrival arrival;
            arrival.deliverable = deliverable;
            arrival.content = content_of(deliverable, *request_.prepared, report.model_content);
            if (!held_back.empty()) {
                arrival.state = CellState::held;
                arrival.reason = held_back;
            } else if (Outcome made = make(deliverable, arrival); !made) {
                return made.problem();
            }
            report.arrivals.push_back(std::move(arrival));
            ++done;
        }
        if (Outcome placed = place(plan, report); !placed) {
            return placed.problem();
        }
        if (request_.progress) {
            request_.progress(done, static_cast<int>(wanted.size()), "");
        }
        return Done{};
    }

  private:
    /// Writes aside and reads back.
    Result<Scene> there_and_back(const Scene& scene, const std::string& stem, Arrival& arrival) {
        const Format* format = format_with_id(request_.destination.container);
        Result<std::vector<WrittenFile>> written = format->write(scene, stem);
        if (!written) {
            return written.problem();
        }
        arrival.files.clear();
        arrival.bytes = 0;
        for (const WrittenFile& file : *written) {
            if (Outcome put = write_file_whole(aside_ / file.name, file.bytes); !put) {
                return put.problem();
            }
            arrival.files.push_back(file.name);
            arrival.bytes += file.bytes.size();
            hashes_[file.name] = {hash_of(file.bytes), file.bytes.size()};
        }
        arrival.hash = hashes_[arrival.files.front()].hash;
        return format->read(aside_ / arrival.files.front());
    }

    Outcome make_model(const std::string& stem, Arrival& arrival) {
        Conformed conformed = conform_model(*request_.prepared, request_.destination);
        if (!format_with_id(request_.destination.container)->surfaces) {
            // The container holds no surfaces: motion is checked on those that it is meant for.
            model_ = std::make_shared<const Scene>(std::move(conformed.scene));
            return Done{};
        }
        Result<Scene> arrived = there_and_back(conformed.scene, stem, arrival);
        if (!arrived) {
            return arrived.problem();
        }
        model_ = std::make_shared<const Scene>(arrived.take());
        arrival.scene = model_;
        return Done{};
    }

    Outcome make(const Deliverable& deliverable, Arrival& arrival) {
        const Scene& prepared = *request_.prepared;
        if (deliverable.kind == Deliverable::Kind::model) {
            if (Outcome made = make_model(deliverable.stem, arrival); !made) {
                return made;
            }
            check_model(prepared, *model_, request_.destination, arrival);
            return Done{};
        }
        if (!model_) {
            // A clip alone is still checked on the surfaces that the model of this delivery would have.
            Arrival unused;
            if (Outcome made = make_model("model-for-check", unused); !made) {
                return made;
            }
        }
        const Clip* clip = prepared.find_clip(deliverable.clip);
        const Conformed conformed = conform_clip(prepared, *clip, request_.destination);
        Result<Scene> arrived = there_and_back(conformed.scene, deliverable.stem, arrival);
        if (!arrived) {
            return arrived.problem();
        }
        check_clip(prepared, *clip, *arrived, *model_, request_.destination, arrival);
        return Done{};
    }

    /// Puts what arrived in place. The manifest names every file before it is moved, so that a file left by a
    /// crash is known as ours.
    Outcome place(const std::vector<Deliverable>& plan, DeliveryReport& report) {
        for (Arrival& arrival : report.arrivals) {
            if (arrival.state != CellState::arrived) {
                continue;
            }
            for (const std::string& file : arrival.files) {
                const fs::path target = request_.folder / file;
                std::error_code error;
                if (fs::exists(fs::symlink_status(target, error)) && !lists_file(manifest_, file)) {
                    arrival.state = CellState::held;
                    arrival.reason = fmt::format("“{}” is there already and was not written by Wembrix", file);
                }
            }
        }
        nlohmann::json coming = manifest_;
        bool any = false;
        for (const Arrival& arrival : report.arrivals) {
            if (arrival.state == CellState::arrived) {
                any = true;
                for (const std::string& file : arrival.files) {
                    note_coming(coming, file, hashes_[file].hash);
                }
            }
        }
        if (any) {
            if (Outcome written = write_manifest(coming, request_.folder); !written) {
                return written;
            }
        }
        for (const Arrival& arrival : report.arrivals) {
            if (arrival.state != CellState::arrived) {
                continue;
            }
            // Buffers before the file that names them.
            for (auto file = arrival.files.rbegin(); file != arrival.files.rend(); ++file) {
                std::error_code error;
                fs::rename(aside_ / *file, request_.folder / *file, error);
                if (error) {
                    return Problem{"cannot be put in place: " + error.message() + ".",
                                   (request_.folder / *file).string(), ""};
                }
            }
        }
        report.manifest = make_manifest(request_, plan, report, manifest_, hashes_);
        // While the manifest still lists what goes: a file that nothing lists would never be taken away.
        remove_retired(manifest_, report.manifest, request_.folder);
        if (Outcome written = write_manifest(report.manifest, request_.folder); !written) {
            return written;
        }
        return Done{};
    }

    const DeliveryRequest& request_;
    fs::path aside_;
    nlohmann::json manifest_;
    std::map<std::string, FileFact> hashes_;
    std::shared_ptr<const Scene> model_;
};

} // namespace

Result<DeliveryReport> deliver(const DeliveryRequest& request) {
    Result<std::vector<Deliverable>> plan = plan_deliverables(*request.prepared, request.destination, request.job_name);
    if (!plan) {
        return plan.problem();
    }
    std::error_code error;
    fs::create_directories(request.folder, error);
    const Aside aside(request.folder);
    if (error || aside.failed()) {
        return Problem{"cannot be written to.", request.folder.string(),
                       "Choose another folder, or give yourself the right to write there."};
    }
    DeliveryReport report;
    if (Outcome done = Delivery(request, aside.path()).run(*plan, report); !done) {
        return done.problem();
    }
    return report;
}

Result<Arrival> check_again(const DeliveryRequest& request, const Deliverable& deliverable) {
    const Format* format = format_with_id(request.destination.container);
    const Scene& prepared = *request.prepared;
    if (deliverable.kind == Deliverable::Kind::clip && prepared.find_clip(deliverable.clip) == nullptr) {
        return Problem{"the job has no such clip any more.", deliverable.clip, ""};
    }
    const std::string content =
        content_of(deliverable, prepared, content_of_model(prepared, request.destination, request.job_name));
    Arrival arrival;
    arrival.deliverable = deliverable;
    arrival.content = content;
    arrival.files = {deliverable.stem + std::string(format->suffix)};
    Result<Scene> there = format->read(request.folder / arrival.files.front());
    if (!there) {
        return there.problem();
    }
    std::error_code error;
    arrival.bytes = fs::file_size(request.folder / arrival.files.front(), error);
    if (deliverable.kind == Deliverable::Kind::model) {
        arrival.scene = std::make_shared<const Scene>(there.take());
        check_model(prepared, *arrival.scene, request.destination, arrival);
        return arrival;
    }
    const Clip* clip = prepared.find_clip(deliverable.clip);
    Result<std::string> stem = file_stem(request.destination.model_file, request.job_name, "", request.destination);
    if (!stem) {
        return stem.problem();
    }
    Result<Scene> model = format->surfaces ? format->read(request.folder / (*stem + std::string(format->suffix)))
                                           : Result<Scene>(conform_model(prepared, request.destination).scene);
    if (!model) {
        return model.problem();
    }
    check_clip(prepared, *clip, *there, *model, request.destination, arrival);
    return arrival;
}

} // namespace wembrix
