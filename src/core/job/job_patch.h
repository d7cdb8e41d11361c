// What is different between two versions of a job: what one edit changed. It holds that and nothing else, so that a
// long history stays small.
#pragma once

#include "core/job/job.h"

#include <optional>
#include <utility>
#include <vector>

namespace wembrix {

class JobPatch {
  public:
    JobPatch(const Job& before, const Job& after);

    /// Precondition: `job` is as it was on the other side of the change.
    void redo(Job& job) const { put(job, true); }
    void undo(Job& job) const { put(job, false); }
    [[nodiscard]] bool is_empty() const;
    /// Steps that it holds, of both versions.
    [[nodiscard]] size_t steps_held() const { return steps_before_.size() + steps_after_.size(); }

  private:
    template <typename Value> using Change = std::optional<std::pair<Value, Value>>; ///< before, after
    void put(Job& job, bool after) const;

    Change<std::string> name_;
    Change<Origin> origin_;
    Change<std::vector<JobSource>> sources_;
    Change<std::vector<Destination>> destinations_;
    Change<std::map<std::string, StoredPose>> poses_;
    Change<std::map<std::string, std::string>> source_contents_;
    Change<std::map<std::string, std::string>> pictures_;
    Change<std::string> deliveries_;
    size_t first_step_ = 0; ///< where on the card these stand
    std::vector<Step> steps_before_;
    std::vector<Step> steps_after_;
};

} // namespace wembrix
