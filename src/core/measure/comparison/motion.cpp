// Clips of one name: how long they are, and how far apart they hold surfaces and joints.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/comparison/compare_scenes.h"
#include "core/measure/comparison/subjects.h"
#include "core/measure/scene/drift.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

void tell(Subject& drift, const std::string& where, const Drift& measured, double limit_mm) {
    drift.compared();
    if (measured.points_compared + measured.joints_compared == 0) {
        drift.differs(where, "neither surfaces nor joints could be paired");
    } else if (!(measured.largest_mm <= limit_mm)) {
        drift.differs(where, phrase("{:.4f} mm at {}, moment {}", measured.largest_mm, measured.place, measured.frame));
    } else if (!measured.not_compared.empty()) {
        drift.differs(where, phrase("{} has no counterpart vertex for vertex", measured.not_compared.front()));
    }
}

} // namespace

std::vector<Claim> compare_motion(const Scene& expected, const Scene& actual, double limit_mm) {
    Subject clips("Clips", "clip");
    Subject drift("Drift", "pose");
    DriftRequest request;
    request.should = &expected;
    request.is = &actual;
    request.matching = Matching::name;
    if (!expected.nodes.empty() && !actual.nodes.empty()) {
        tell(drift, "at rest", measure_drift(request), limit_mm);
    }
    for (const Clip& clip : expected.clips) {
        const Clip* other = actual.find_clip(clip.name);
        if (other == nullptr) {
            clips.is_missing(clip.name);
            continue;
        }
        clips.compared();
        if (std::abs(clip.seconds - other->seconds) > 1e-6) {
            clips.differs(clip.name, phrase("{:.6f} s and not {:.6f} s", other->seconds, clip.seconds));
        }
        request.should_clip = &clip;
        request.is_clip = other;
        request.rate = moments_a_frame * clip.rate;
        const double longer = std::max(clip.seconds, other->seconds);
        request.frames = static_cast<int>(std::floor(longer * request.rate + 1e-3)) + 1;
        tell(drift, clip.name, measure_drift(request), limit_mm);
    }
    for (const Clip& clip : actual.clips) {
        if (expected.find_clip(clip.name) == nullptr) {
            clips.is_too_much(clip.name);
        }
    }
    std::vector<Claim> claims;
    for (const Subject& subject : {clips, drift}) {
        if (!subject.is_empty()) {
            claims.push_back(subject.claim());
        }
    }
    return claims;
}

} // namespace wembrix
