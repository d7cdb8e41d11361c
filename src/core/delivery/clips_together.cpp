#include "core/delivery/clips_together.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/delivery/arrival_check.h"
#include "core/delivery/point_claims.h"
#include "core/destination/clip_keys.h"

#include <algorithm>

namespace wembrix {

namespace {

/// One claim for a clip: how long it is, and what of its own claims does not pass.
Claim claim_of(const Clip& clip, const Clip* arrived, const Arrival& of) {
    const auto said = [](const Clip& one) { return phrase("{:.2f} s", one.seconds); };
    Claim claim{phrase("Clip {}", clip.name), said(clip),
                arrived == nullptr ? "not there" : phrase("{}, {:.3f} mm", said(*arrived), of.drift.largest_mm),
                of.state == CellState::arrived, ""};
    for (const Claim& one : of.claims) {
        if (!one.pass && claim.detail.empty()) {
            claim.detail = one.name + ": " + one.detail;
        }
    }
    return claim;
}

/// Each clip is held against Prepared by itself; what they make of the model stands in one scene in the end.
void check_each(const Scene& prepared, const Scene& arrived, const Scene& model, const Destination& destination,
                Arrival& arrival) {
    const std::vector<const Clip*> clips = clips_that_go_out(prepared);
    Claim count{"Clips", counted(clips.size(), "clip"), counted(arrived.clips.size(), "clip"),
                clips.size() == arrived.clips.size(), ""};
    count.detail = count.pass ? "" : "others arrived";
    arrival.claims.push_back(std::move(count));
    std::shared_ptr<Scene> together;
    Scene alone = arrived;
    for (const Clip* clip : clips) {
        const Clip* there = arrived.find_clip(clip->name);
        alone.clips.clear();
        if (there != nullptr) {
            alone.clips.push_back(*there);
        }
        Arrival of;
        check_clip(prepared, *clip, alone, model, destination, of);
        arrival.claims.push_back(claim_of(*clip, there, of));
        arrival.drift.take_worse(of.drift);
        arrival.between.take_worse(of.between);
        if (of.scene == nullptr) {
            continue;
        }
        if (together == nullptr) {
            together = std::make_shared<Scene>(*of.scene);
        } else {
            together->clips.insert(together->clips.end(), of.scene->clips.begin(), of.scene->clips.end());
        }
    }
    arrival.scene = together;
    settle_state(arrival);
}

} // namespace

std::vector<const Clip*> clips_that_go_out(const Scene& prepared) {
    std::vector<const Clip*> clips;
    for (const Clip& clip : prepared.clips) {
        if (clip.deliver) {
            clips.push_back(&clip);
        }
    }
    return clips;
}

void check_whole(const Scene& prepared, const Scene& arrived, const Destination& destination, Arrival& arrival) {
    Scene model = arrived;
    model.clips.clear();
    check_model(prepared, model, destination, arrival);
    check_each(prepared, arrived, model, destination, arrival);
}

void check_clips(const Scene& prepared, const Scene& arrived, const Scene& model, const Destination& destination,
                 Arrival& arrival) {
    check_each(prepared, arrived, model, destination, arrival);
}

} // namespace wembrix
