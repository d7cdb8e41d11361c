#include "core/job/job_patch.h"

#include <algorithm>

namespace wembrix {

JobPatch::JobPatch(const Job& before, const Job& after) {
    const auto compare = [](const auto& a, const auto& b, auto& change) {
        if (!(a == b)) {
            change.emplace(a, b);
        }
    };
    compare(before.name, after.name, name_);
    compare(before.origin, after.origin, origin_);
    compare(before.sources, after.sources, sources_);
    compare(before.destinations, after.destinations, destinations_);
    compare(before.poses, after.poses, poses_);
    compare(before.source_contents, after.source_contents, source_contents_);
    compare(before.pictures, after.pictures, pictures_);
    compare(before.deliveries, after.deliveries, deliveries_);
    const std::vector<Step>& a = before.steps;
    const std::vector<Step>& b = after.steps;
    const size_t common = std::min(a.size(), b.size());
    while (first_step_ < common && a[first_step_] == b[first_step_]) {
        ++first_step_;
    }
    size_t same_end = 0;
    while (same_end < common - first_step_ && a[a.size() - 1 - same_end] == b[b.size() - 1 - same_end]) {
        ++same_end;
    }
    steps_before_.assign(a.begin() + static_cast<ptrdiff_t>(first_step_), a.end() - static_cast<ptrdiff_t>(same_end));
    steps_after_.assign(b.begin() + static_cast<ptrdiff_t>(first_step_), b.end() - static_cast<ptrdiff_t>(same_end));
}

bool JobPatch::is_empty() const {
    return !name_ && !origin_ && !sources_ && !destinations_ && !poses_ && !source_contents_ && !pictures_ &&
           !deliveries_ && steps_held() == 0;
}

void JobPatch::put(Job& job, bool after) const {
    const auto set = [&](const auto& change, auto& value) {
        if (change) {
            value = after ? change->second : change->first;
        }
    };
    set(name_, job.name);
    set(origin_, job.origin);
    set(sources_, job.sources);
    set(destinations_, job.destinations);
    set(poses_, job.poses);
    set(source_contents_, job.source_contents);
    set(pictures_, job.pictures);
    set(deliveries_, job.deliveries);
    const std::vector<Step>& out = after ? steps_before_ : steps_after_;
    const std::vector<Step>& in = after ? steps_after_ : steps_before_;
    const auto first = job.steps.begin() + static_cast<ptrdiff_t>(first_step_);
    job.steps.insert(job.steps.erase(first, first + static_cast<ptrdiff_t>(out.size())), in.begin(), in.end());
}

} // namespace wembrix
