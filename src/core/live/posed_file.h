// A file that was handed over, posed as the program that has it would.
#pragma once

#include "core/live/program_messages.h"
#include "core/measure/skeleton/pose.h"
#include "core/scene/scene.h"

#include <memory>
#include <string>
#include <vector>

namespace wembrix {

/// `at` and `places` are of the file's own axes and unit.
class PosedFile {
  public:
    /// The file as its own reader gives it: a model, or a skeleton with the first of its clips.
    explicit PosedFile(std::shared_ptr<const Scene> file);
    [[nodiscard]] const PosedNames& names() const { return names_; }
    /// The pose at `seconds` from the clip's beginning, held at its ends; the rest pose where there is no clip.
    LivePose at(double seconds);
    /// Where those joints (places in names().joints) are in the pose that `at` gave last.
    [[nodiscard]] std::vector<Vec3> places(const std::vector<size_t>& about) const;

  private:
    std::shared_ptr<const Scene> file_;
    Poser poser_;
    Pose pose_;
    std::vector<int> joints_;
    std::vector<int> surfaces_; ///< nodes whose surfaces have shapes
    PosedNames names_;
};

} // namespace wembrix
