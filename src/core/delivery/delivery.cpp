#include "core/delivery/delivery.h"

#include "core/delivery/arrival_check.h"
#include "core/delivery/handover.h"
#include "core/delivery/manifest.h"
#include "core/destination/conform.h"
#include "core/formats/format.h"

#include <algorithm>
#include <fmt/format.h>
#include <set>

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
    Outcome make_model(const std::string& stem, Arrival& arrival) {
        Result<Scene> arrived = model_there_and_back(*request_.prepared, request_.destination, stem, aside_, arrival);
        if (!arrived) {
            return arrived.problem();
        }
        model_ = std::make_shared<const Scene>(arrived.take());
        return Done{};
    }

    Outcome make(const Deliverable& deliverable, Arrival& arrival) {
        const Scene& prepared = *request_.prepared;
        if (deliverable.kind == Deliverable::Kind::model) {
            if (Outcome made = make_model(deliverable.stem, arrival); !made) {
                return made;
            }
            arrival.scene = model_;
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
        Result<Scene> arrived =
            there_and_back(conformed.scene, deliverable.stem, request_.destination, aside_, arrival);
        if (!arrived) {
            return arrived.problem();
        }
        check_clip(prepared, *clip, *arrived, *model_, request_.destination, arrival);
        return Done{};
    }

    Outcome place(const std::vector<Deliverable>& plan, DeliveryReport& report) {
        std::vector<Arrival*> arrivals;
        for (Arrival& arrival : report.arrivals) {
            arrivals.push_back(&arrival);
        }
        if (Outcome placed = put_in_place(arrivals, manifest_, request_.folder); !placed) {
            return placed;
        }
        report.manifest = make_manifest(request_, plan, report, manifest_);
        return settle_manifest(manifest_, report.manifest, request_.folder);
    }

    const DeliveryRequest& request_;
    fs::path aside_;
    nlohmann::json manifest_;
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
