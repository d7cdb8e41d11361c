#include "core/delivery/foreseen.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/delivery/deliverable.h"
#include "core/delivery/delivery.h"
#include "core/delivery/ledger.h"
#include "core/destination/clip_keys.h"
#include "core/destination/conform.h"
#include "core/destination/limit_for.h"
#include "core/findings/finding.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/facing.h"
#include "core/scene/image_facts.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

Text files_said(const Scene& prepared, const Destination& destination) {
    const Result<std::vector<std::string>> files = planned_files(prepared, destination, Naming("job"), {});
    return files ? counted(files->size(), "file") : files.problem().what;
}

Text frames_said(const Scene& prepared, const Destination& destination) {
    size_t clips = 0;
    long frames = 0;
    for (const Clip& clip : prepared.clips) {
        if (clip.deliver) {
            const Clip part = shown_part(clip, destination);
            frames += std::lround(std::ceil(part.seconds * rate_for(clip, destination) - 1e-3)) + 1;
            ++clips;
        }
    }
    return clips == 0 ? "no clips" : phrase("{}, {}", counted(clips, "clip"), counted(frames, "frame"));
}

Text influences_said(const Scene& prepared, const Destination& destination) {
    Scene limited = prepared;
    size_t vertices = 0;
    double largest = 0;
    for (const LimitedSurface& one : limit_for(limited, destination)) {
        vertices += one.vertices;
        largest = std::max(largest, one.largest_weight);
    }
    return vertices == 0 ? "none is cut" : phrase("{} lose some, up to {:.3f}", counted(vertices, "vertex"), largest);
}

Text shapes_said(const Scene& out) {
    size_t shapes = 0;
    for (const Mesh& mesh : out.meshes) {
        shapes += mesh.shapes.size();
    }
    return counted(shapes, "shape");
}

Text images_said(const Scene& out) {
    size_t bytes = 0;
    uint32_t side = 0;
    for (const Image& image : out.images) {
        bytes += image.bytes.size();
        if (const std::optional<ImageFacts> facts = image_facts(image.bytes.get())) {
            side = std::max({side, facts->width, facts->height});
        }
    }
    return out.images.empty()
               ? "none"
               : phrase("{}, {} px at most, {}", counted(out.images.size(), "image"), side, said_bytes(bytes));
}

} // namespace

std::vector<Foreseen> foreseen(const Scene& prepared, const Destination& destination) {
    const std::optional<Facing> facing = facing_of(prepared);
    const Scene out = conform_model(prepared, destination).scene;
    const Ledger ledger = destination_ledger(prepared, destination);
    const auto altered =
        static_cast<size_t>(std::count_if(ledger.begin(), ledger.end(), [](const auto& one) { return one.altered; }));
    Text held = "nothing";
    for (const Finding& finding : look_for_findings({prepared, &destination})) {
        if (finding.grade == Grade::stop && held == "nothing") {
            held = finding.message;
        }
    }
    return {{"Height", destination.in_units(height_m(prepared))},
            {"Looks along", facing ? Text(std::string(destination.axis_here(facing->axis))) : Text("no side is named")},
            {"Files", files_said(prepared, destination)},
            {"Clips", frames_said(prepared, destination)},
            {"Influences", influences_said(prepared, destination)},
            {"Shapes", shapes_said(out)},
            {"Images", images_said(out)},
            {"Stays behind", counted(ledger.size() - altered, "thing")},
            {"Is altered", counted(altered, "thing")},
            {"Held by", held}};
}

} // namespace wembrix
