#include "core/live/posed_file.h"

#include <algorithm>

namespace wembrix {

PosedFile::PosedFile(std::shared_ptr<const Scene> file)
    : file_(std::move(file)), poser_(*file_, file_->clips.empty() ? nullptr : file_->clips.data()),
      joints_(joints_of(*file_)) {
    for (const int joint : joints_) {
        names_.joints.push_back(file_->nodes[static_cast<size_t>(joint)].name);
    }
    for (const int node : surfaces_of(*file_)) {
        const Node& own = file_->nodes[static_cast<size_t>(node)];
        const Mesh& mesh = file_->meshes[static_cast<size_t>(own.mesh)];
        if (mesh.shapes.empty()) {
            continue;
        }
        surfaces_.push_back(node);
        std::vector<std::string> shapes;
        for (const MorphTarget& shape : mesh.shapes) {
            shapes.push_back(shape.name);
        }
        names_.shapes.emplace_back(own.name, std::move(shapes));
    }
}

LivePose PosedFile::at(double seconds) {
    LivePose said;
    if (file_->clips.empty()) {
        pose_ = poser_.rest();
    } else {
        const Clip& clip = file_->clips.front();
        said.clip = clip.name;
        said.seconds = std::clamp(seconds, 0.0, clip.seconds);
        poser_.at(said.seconds, pose_);
    }
    for (const int joint : joints_) {
        said.joints.push_back(pose_.local[static_cast<size_t>(joint)]);
    }
    for (size_t s = 0; s < surfaces_.size(); ++s) {
        const auto first = pose_.shape_weights.begin() + poser_.shape_offset(surfaces_[s]);
        said.weights.insert(said.weights.end(), first, first + static_cast<ptrdiff_t>(names_.shapes[s].second.size()));
    }
    return said;
}

std::vector<Vec3> PosedFile::places(const std::vector<size_t>& about) const {
    std::vector<Vec3> all;
    for (const size_t one : about) {
        all.push_back(pose_.world[static_cast<size_t>(joints_.at(one))].block<3, 1>(0, 3));
    }
    return all;
}

} // namespace wembrix
