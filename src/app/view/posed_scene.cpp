#include "view/posed_scene.h"

#include "core/measure/surface/weights.h"

#include <Eigen/LU>

#include <algorithm>
#include <cmath>

namespace wembrix::app {

namespace {

float shown(float linear) {
    const float c = std::clamp(linear, 0.0F, 1.0F);
    return c <= 0.0031308F ? 12.92F * c : 1.055F * std::pow(c, 1 / 2.4F) - 0.055F;
}

} // namespace

PosedScene::PosedScene(std::shared_ptr<const Scene> scene, const std::vector<int>& only)
    : scene_(std::move(scene)), deformer_(*scene_, only) {
    points_.resize(deformer_.point_count());
    normals_.resize(deformer_.point_count());
    colours_.assign(deformer_.point_count(), Vec3f(0.8F, 0.8F, 0.78F));
    for (const Deformer::Surface& surface : deformer_.surfaces()) {
        const Mesh& mesh = scene_->meshes[scene_->nodes[surface.node].mesh];
        const Attribute* painted = nullptr;
        for (const Attribute& attribute : mesh.attributes) {
            if (attribute.name == "COLOR_0" && attribute.width >= 3) {
                painted = &attribute;
            }
        }
        for (const Primitive& part : mesh.primitives) {
            Vec3f base(0.62F, 0.60F, 0.55F);
            if (part.material >= 0 && part.material < static_cast<int>(scene_->materials.size())) {
                const std::array<double, 4>& colour = scene_->materials[part.material].base_colour;
                base = Vec3(colour[0], colour[1], colour[2]).cast<float>();
            }
            for (uint32_t i = part.first_point; i < part.first_point + part.point_count; ++i) {
                Vec3f colour = base;
                if (painted != nullptr) {
                    const float* paint = painted->data.data() + static_cast<size_t>(i) * painted->width;
                    colour = colour.cwiseProduct(Vec3f(paint[0], paint[1], paint[2]));
                }
                colours_[surface.first + i] = Vec3f(shown(colour.x()), shown(colour.y()), shown(colour.z()));
            }
            for (const auto& triangle : triangles_of(mesh, part)) {
                for (const uint32_t corner : triangle) {
                    triangles_.push_back(static_cast<uint32_t>(surface.first + corner));
                }
            }
        }
    }
    joints_ = joints_of(*scene_);
    const std::vector<Holding> holding = holding_of(*scene_);
    const bool any = std::any_of(holding.begin(), holding.end(), [](const Holding& one) { return one.points > 0; });
    for (size_t i = 0; i < scene_->nodes.size(); ++i) {
        const int parent = scene_->nodes[i].parent;
        motion_roots_.push_back(any && holding[i].points == 0 && (parent < 0 || motion_roots_[parent] != 0) ? 1 : 0);
    }
    for (const Node& node : scene_->nodes) {
        goes_.push_back(node.kind == NodeKind::joint || (node.parent >= 0 && goes_[node.parent] != 0) ? 1 : 0);
        const Side own = side_of(node.name);
        sides_.push_back(own == Side::middle && node.parent >= 0 ? sides_[node.parent] : own);
    }
    choose(nullptr, 0);
    pose_at(0);
    for (const int joint : joints_) {
        rest_middle_ += point_of(pose_.world[joint], Vec3::Zero()) / static_cast<double>(joints_.size());
    }
}

void PosedScene::choose(const Clip* clip, double start_s) {
    poser_ = std::make_unique<Poser>(*scene_, clip);
    start_s_ = start_s;
    still_.clear();
}

void PosedScene::play_caches(const std::string& name) {
    playing_.clear();
    for (const PointCache& cache : scene_->caches) {
        if (!name.empty() && cache.name == name && cache.surface >= 0 && cache.frames > 0) {
            playing_.push_back(&cache);
        }
    }
}

bool PosedScene::cached_points(int node, std::span<Vec3f> out) const {
    const auto found =
        std::find_if(playing_.begin(), playing_.end(), [&](const PointCache* cache) { return cache->surface == node; });
    if (found == playing_.end() || out.size() * static_cast<size_t>((*found)->frames) != (*found)->positions.size()) {
        return false;
    }
    const PointCache& cache = **found;
    const double frame = std::clamp(posed_s_ * cache.rate, 0.0, static_cast<double>(cache.frames - 1));
    const auto low = static_cast<size_t>(frame);
    const size_t high = std::min(low + 1, static_cast<size_t>(cache.frames - 1));
    const auto part = static_cast<float>(frame - static_cast<double>(low));
    const Eigen::Matrix4f world = pose_.world[static_cast<size_t>(node)].cast<float>();
    for (size_t p = 0; p < out.size(); ++p) {
        const Vec3f& a = cache.positions[low * out.size() + p];
        const Vec3f at = a + part * (cache.positions[high * out.size() + p] - a);
        out[p] = world.topLeftCorner<3, 3>() * at + world.topRightCorner<3, 1>();
    }
    return true;
}

void PosedScene::choose_pose(std::vector<Transform> locals) {
    choose(nullptr, 0);
    still_ = std::move(locals);
}

void PosedScene::set_row(int node, uint32_t vertex, const WeightRow& row) {
    const std::vector<Deformer::Surface>& surfaces = deformer_.surfaces();
    for (size_t s = 0; s < surfaces.size(); ++s) {
        if (surfaces[s].node == node && vertex < surfaces[s].count) {
            deform(); // as it was, until it is posed again
            deformer_.set_row(s, vertex, row);
        }
    }
}

void PosedScene::pose_at(double seconds, const Mat4& from) {
    poser_->at(start_s_ + seconds, pose_);
    posed_s_ = seconds;
    for (size_t i = 0; i < still_.size(); ++i) {
        const int parent = scene_->nodes[i].parent;
        pose_.local[i] = still_[i];
        pose_.world[i] = parent < 0 ? still_[i].matrix() : Mat4(pose_.world[parent] * still_[i].matrix());
    }
    if (!from.isIdentity(0)) {
        for (size_t i = 0; i < pose_.world.size(); ++i) {
            pose_.world[i] = goes_[i] != 0 ? Mat4(from * pose_.world[i]) : pose_.world[i];
        }
    }
    if (!held_locals_.empty()) {
        free_ = pose_;
        stand_held();
    }
    for (const HeldShapes& held : held_) {
        const int node = scene_->find_identity(held.surface);
        const int offset = node < 0 ? -1 : poser_->shape_offset(node);
        for (size_t s = 0; offset >= 0 && s < held.weights.size(); ++s) {
            const size_t place = static_cast<size_t>(offset) + s;
            if (held.weights[s] > -1e9F && place < pose_.shape_weights.size()) {
                pose_.shape_weights[place] = held.weights[s];
            }
        }
    }
    is_behind_ = true;
}

void PosedScene::deform() const {
    if (!is_behind_) {
        return;
    }
    is_behind_ = false;
    deformer_.points_and_normals(pose_, points_, normals_);
    for (const Deformer::Surface& surface : deformer_.surfaces()) {
        (void)cached_points(surface.node, std::span(points_).subspan(surface.first, surface.count));
    }
}

void PosedScene::hold_locals(std::vector<HeldLocal> held) {
    if (held_locals_.empty()) {
        free_ = pose_;
    }
    held_locals_ = std::move(held);
}

void PosedScene::stand_held() {
    std::vector<char> goes(scene_->nodes.size(), 0);
    for (const HeldLocal& held : held_locals_) {
        pose_.local[static_cast<size_t>(held.node)] = held.is;
        goes[static_cast<size_t>(held.node)] = 1;
    }
    for (size_t i = 0; i < scene_->nodes.size(); ++i) {
        const int parent = scene_->nodes[i].parent;
        const bool below = parent >= 0 && goes[static_cast<size_t>(parent)] != 0;
        if (goes[i] != 0 || below) {
            // What stands above may be carried on by a round of a repeat: it is taken from what is shown.
            const Mat4 above = parent < 0 ? Mat4(free_.world[i] * free_.local[i].matrix().inverse())
                                          : pose_.world[static_cast<size_t>(parent)];
            pose_.world[i] = above * pose_.local[i].matrix();
            goes[i] = 1;
        }
    }
}

Vec3 PosedScene::travelled() const {
    Vec3 middle = Vec3::Zero();
    for (const int joint : joints_) {
        middle += point_of(pose_.world[joint], Vec3::Zero()) / static_cast<double>(joints_.size());
    }
    Vec3 gone = middle - rest_middle_;
    gone.y() = 0;
    return gone;
}

} // namespace wembrix::app
