#include "core/live/hand_over.h"

#include "core/base/text.h"
#include "core/formats/format.h"

#include <algorithm>

namespace wembrix {

namespace fs = std::filesystem;

namespace {

/// The destination without what is for files in a project's folder.
Destination without_folder(const Destination& destination) {
    Destination here = destination;
    here.container = here.container == "gltf" ? "glb" : here.container;
    if (here.format_options.contains(here.container)) {
        here.format_options[here.container].erase("compression"); // it goes nowhere that is far
    }
    here.folder.clear();
    here.import_record.clear();
    here.file_names.clear();
    here.longest_path = 0;
    here.pictures = 0;
    here.report = false;
    return here;
}

bool is_taken(const std::vector<std::string>& takes, std::string_view kind) {
    return takes.empty() ? kind == "model" || kind == "clip"
                         : std::find(takes.begin(), takes.end(), kind) != takes.end();
}

} // namespace

Result<HandOver> hand_over(const HandOverRequest& request) {
    DeliveryRequest delivery = request.delivery;
    const Scene& prepared = *delivery.prepared;
    const Destination asked = delivery.destination;
    delivery.destination = without_folder(asked);
    const Naming naming = delivery.naming();
    Result<std::vector<Deliverable>> plan = plan_deliverables(prepared, delivery.destination, naming);
    if (!plan) {
        return plan.problem();
    }
    HandOver out;
    const std::string model_content = content_of_model(prepared, asked, delivery.job_name);
    std::vector<std::string> contents;
    for (const Deliverable& one : *plan) {
        contents.push_back(content_of(prepared, *one.kind, one.name, {asked, naming, model_content}));
        if (!is_taken(request.takes, one.kind->id)) {
            contents.back().clear();
            continue;
        }
        out.contents.push_back(contents.back());
        if (request.has.count(contents.back()) == 0) {
            delivery.only.push_back(one.id());
        }
    }
    if (delivery.only.empty()) {
        return out;
    }
    const Result<DeliveryReport> report = deliver(delivery);
    if (!report) {
        return report.problem();
    }
    for (const Arrival& arrival : report->arrivals) {
        const std::string id = arrival.deliverable.id();
        if (arrival.state != CellState::arrived) {
            out.held.push_back(phrase("{}: {}", id, arrival.reason));
            continue;
        }
        if (arrival.files.size() != 1) {
            out.held.push_back(phrase("{}: it has {} files; one is handed over at a time", id, arrival.files.size()));
            continue;
        }
        HandedFile file;
        file.deliverable = id;
        file.kind = std::string(arrival.deliverable.kind->id);
        file.name = arrival.deliverable.name;
        if (const Clip* clip = prepared.find_clip(file.name); clip != nullptr && file.kind == "clip") {
            file.colour = clip->colour;
        }
        for (size_t p = 0; p < plan->size(); ++p) {
            if ((*plan)[p].id() == id) {
                file.content = contents[p];
            }
        }
        file.file_name = arrival.files.front();
        file.file = delivery.folder / file.file_name;
        file.bytes = arrival.bytes;
        Result<Scene> there = read_scene(file.file);
        if (!there) {
            out.held.push_back(there.problem().sentence());
            continue;
        }
        file.as_read = std::make_shared<const Scene>(there.take());
        out.files.push_back(std::move(file));
    }
    return out;
}

} // namespace wembrix
