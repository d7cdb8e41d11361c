#include "stations/takes/strip_edits.h"

#include <algorithm>
#include <cmath>

namespace wembrix::app {

std::vector<Cut> cut_at(std::vector<Cut> cuts, int frame, int frames) {
    if (frame <= 0 || frame >= frames - 1) {
        return cuts;
    }
    const auto fresh = [&](int first, int last) {
        Cut cut;
        cut.name = free_clip_name(cuts);
        cut.first = first;
        cut.last = last;
        cut.colour = clip_colour(cuts.size());
        return cut;
    };
    if (cuts.empty()) {
        cuts.push_back(fresh(0, frame));
        cuts.push_back(fresh(frame, frames - 1));
        return cuts;
    }
    for (size_t i = 0; i < cuts.size(); ++i) {
        if (frame > cuts[i].first && frame < cuts[i].last) {
            Cut second = fresh(frame, cuts[i].last);
            second.repeats = cuts[i].repeats;
            cuts[i].last = frame;
            cuts.insert(cuts.begin() + static_cast<ptrdiff_t>(i) + 1, second);
            return cuts;
        }
        if (frame == cuts[i].first || frame == cuts[i].last) {
            return cuts;
        }
    }
    int end = frames - 1;
    size_t place = 0;
    for (const Cut& cut : cuts) {
        if (cut.first > frame) {
            end = std::min(end, cut.first);
        } else {
            ++place;
        }
    }
    cuts.insert(cuts.begin() + static_cast<ptrdiff_t>(place), fresh(frame, end));
    return cuts;
}

std::vector<Cut> cut_all(const std::vector<int>& places, int frames) {
    std::vector<Cut> cuts;
    int from = 0;
    std::vector<int> ends = places;
    ends.push_back(frames - 1);
    for (const int end : ends) {
        if (end > from) {
            Cut cut;
            cut.name = free_clip_name(cuts);
            cut.first = from;
            cut.last = end;
            cut.colour = clip_colour(cuts.size());
            cuts.push_back(cut);
            from = end;
        }
    }
    return cuts;
}

std::vector<Cut> move_end(std::vector<Cut> cuts, size_t clip, bool last, int frame, int frames) {
    Cut& cut = cuts.at(clip);
    if (last) {
        cut.last = std::clamp(frame, cut.first + 1, std::max(cut.first + 1, frames - 1));
    } else {
        cut.first = std::clamp(frame, 0, cut.last - 1);
    }
    return cuts;
}

int snapped(int frame, const std::vector<int>& targets, double reach) {
    int best = frame;
    double least = reach;
    for (const int target : targets) {
        const double far = std::abs(target - frame);
        if (far <= least) {
            least = far;
            best = target;
        }
    }
    return best;
}

} // namespace wembrix::app
