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
        cut.start = first;
        cut.end = last;
        cut.colour = clip_colour(cuts.size());
        return cut;
    };
    if (cuts.empty()) {
        cuts.push_back(fresh(0, frame));
        cuts.push_back(fresh(frame, frames - 1));
        return cuts;
    }
    for (size_t i = 0; i < cuts.size(); ++i) {
        if (frame > cuts[i].start && frame < cuts[i].end) {
            Cut second = fresh(frame, cuts[i].end);
            second.loop = cuts[i].loop;
            cuts[i].end = frame;
            cuts.insert(cuts.begin() + static_cast<ptrdiff_t>(i) + 1, second);
            return cuts;
        }
        if (frame == cuts[i].start || frame == cuts[i].end) {
            return cuts;
        }
    }
    int end = frames - 1;
    size_t place = 0;
    for (const Cut& cut : cuts) {
        if (cut.start > frame) {
            end = std::min(end, cut.start);
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
            cut.start = from;
            cut.end = end;
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
        cut.end = std::clamp(frame, cut.start + 1, std::max(cut.start + 1, frames - 1));
    } else {
        cut.start = std::clamp(frame, 0, cut.end - 1);
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
