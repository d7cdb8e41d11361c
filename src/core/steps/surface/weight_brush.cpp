#include "core/steps/surface/weight_brush.h"

#include "core/base/files.h"
#include "core/steps/step_data.h"

#include <algorithm>
#include <cassert>
#include <cmath>
#include <unordered_map>

namespace wembrix {

namespace {

std::shared_ptr<const BrushSurface> brush_surface(const Mesh& mesh) {
    auto made = std::make_shared<BrushSurface>();
    made->positions = mesh.positions;
    made->indices = mesh.indices;
    made->primitives = mesh.primitives.size();
    made->neighbours = neighbours_of(mesh);
    made->doubles = doubles_of(made->neighbours);
    made->painted_on = std::make_shared<const std::string>(surface_to_bytes(painted_surface(mesh)));
    made->painted_on_hash = hash_of(*made->painted_on);
    return made;
}

} // namespace

double brushed(const BrushSettings& settings, double now, double share, const std::function<double()>& around) {
    switch (settings.mode) {
    case BrushMode::add:
        return now + share;
    case BrushMode::subtract:
        return now - share;
    case BrushMode::set:
        return now + (settings.value - now) * share;
    case BrushMode::scale:
        return now * (1 + (settings.value - 1) * share);
    case BrushMode::smooth:
        break;
    }
    return now + (around() - now) * share;
}

WeightBrush::WeightBrush(std::shared_ptr<const Scene> scene, int node, std::shared_ptr<const BrushSurface> before)
    : scene_(std::move(scene)), node_(node), surface_(std::move(before)) {
    const Node& surface = scene_->nodes[static_cast<size_t>(node)];
    const Mesh& mesh = scene_->meshes[static_cast<size_t>(surface.mesh)];
    assert(surface.skin >= 0 && !surface.influences.empty());
    const bool same = surface_ && surface_->positions.same_array(mesh.positions) &&
                      surface_->indices.same_array(mesh.indices) && surface_->primitives == mesh.primitives.size();
    if (!same) {
        surface_ = brush_surface(mesh);
    }
    rows_.resize(mesh.point_count());
    for (size_t v = 0; v < rows_.size(); ++v) {
        read_row(surface.influences, v, rows_[v]);
    }
    joints_ = scene_->skins[static_cast<size_t>(surface.skin)].joints;
    locked_.assign(joints_.size(), 0);
}

std::optional<uint16_t> WeightBrush::place_of(int joint) const {
    const auto found = std::find(joints_.begin(), joints_.end(), joint);
    return found == joints_.end() ? std::nullopt
                                  : std::optional<uint16_t>(static_cast<uint16_t>(found - joints_.begin()));
}

uint16_t WeightBrush::place_for(int joint) {
    if (const std::optional<uint16_t> place = place_of(joint)) {
        return *place;
    }
    joints_.push_back(joint);
    locked_.push_back(0);
    return static_cast<uint16_t>(joints_.size() - 1);
}

void WeightBrush::make_mirror() {
    if (mirror_) {
        return;
    }
    const Sides sides = find_sides(*scene_);
    const Mesh& mesh = scene_->meshes[static_cast<size_t>(scene_->nodes[static_cast<size_t>(node_)].mesh)];
    Vec3f low = Vec3f::Constant(1e30F);
    Vec3f high = -low;
    for (const Vec3f& place : mesh.positions) {
        low = low.cwiseMin(place);
        high = high.cwiseMax(place);
    }
    mirror_ = std::make_shared<const SurfaceMirror>(
        mirror_of_surface(*scene_, node_, sides, static_cast<double>((high - low).norm()) * 1e-3));
    mirrored_joints_ = ::wembrix::mirrored_joints(*scene_, sides);
}

void WeightBrush::lock(const std::set<int>& joints) {
    for (size_t j = 0; j < joints_.size(); ++j) {
        locked_[j] = joints.contains(joints_[j]) ? 1 : 0;
    }
}

std::vector<std::string> WeightBrush::joint_names() const {
    std::vector<std::string> names;
    for (const int joint : joints_) {
        names.push_back(scene_->nodes[static_cast<size_t>(joint)].name);
    }
    return names;
}

std::optional<uint16_t> WeightBrush::free_place_above(uint16_t joint) const {
    for (int above = joint_above(*scene_, joints_[joint]); above >= 0; above = joint_above(*scene_, above)) {
        const std::optional<uint16_t> place = place_of(above);
        if (place && locked_[*place] == 0) {
            return place;
        }
    }
    return std::nullopt;
}

bool WeightBrush::change(uint32_t vertex, uint16_t joint, double weight) {
    if (locked_[joint] != 0) {
        return false;
    }
    double kept = 0;
    double free = 0;
    for (const Weight& one : rows_[vertex]) {
        if (one.joint != joint) {
            (locked_[one.joint] != 0 ? kept : free) += one.weight;
        }
    }
    WeightRow row = rows_[vertex];
    const double before = weight_in(row, joint);
    double now = std::clamp(weight, 0.0, std::max(0.0, 1 - kept));
    const double rest = 1 - kept - now;
    // What it lets go of goes to the others in their shares; where there are none, to the joint above it.
    if (free <= 0 && rest > 0) {
        if (const std::optional<uint16_t> taker = free_place_above(joint)) {
            add_weight(row, *taker, rest);
        } else {
            now = 1 - kept;
        }
    }
    for (Weight& one : row) {
        if (one.joint != joint && locked_[one.joint] == 0 && free > 0) {
            one.weight *= rest / free;
        }
    }
    std::erase_if(row, [&](const Weight& one) { return one.joint == joint || one.weight <= 1e-6; });
    if (now > 1e-6) {
        row.push_back({joint, now});
    }
    if (std::abs(now - before) < 1e-7 || row.empty() || !settle_row(row, locked_)) {
        return false;
    }
    rows_[vertex] = std::move(row);
    stroke_.insert(vertex);
    changed_.insert(vertex);
    return true;
}

double WeightBrush::mean_around(uint32_t vertex, uint16_t joint) const {
    const uint32_t spot = surface_->neighbours.spot[vertex];
    double sum = 0;
    size_t count = 0;
    for (const uint32_t other : surface_->neighbours.of(spot)) {
        sum += weight_in(rows_[surface_->neighbours.first[other]], joint);
        ++count;
    }
    return count == 0 ? weight_in(rows_[vertex], joint) : sum / static_cast<double>(count);
}

void WeightBrush::paint(int joint, const BrushSettings& settings,
                        const std::vector<std::pair<uint32_t, double>>& shares, std::vector<uint32_t>& touched) {
    const uint16_t place = place_for(joint);
    std::vector<std::pair<uint32_t, double>> wanted; // told before any is changed: smoothing looks around
    for (const auto& [vertex, share] : shares) {
        const double now = weight_in(rows_[vertex], place);
        const double then = brushed(settings, now, share, [&, v = vertex] { return mean_around(v, place); });
        wanted.emplace_back(vertex, then);
    }
    for (const auto& [vertex, weight] : wanted) {
        if (change(vertex, place, weight)) {
            touched.push_back(vertex);
        }
    }
}

std::vector<uint32_t> WeightBrush::dab(int joint, const BrushSettings& settings, const Dab& dab,
                                       std::span<const Vec3f> points, std::span<const Vec3f> normals) {
    assert(points.size() == rows_.size());
    const std::vector<std::pair<uint32_t, double>> shares =
        reached(settings, dab, surface_->neighbours, surface_->doubles, points, normals);
    std::vector<uint32_t> touched;
    paint(joint, settings, shares, touched);
    if (settings.mirrored) {
        make_mirror();
        const int other = mirrored_joints_[static_cast<size_t>(joint)];
        std::vector<std::pair<uint32_t, double>> answers;
        for (const auto& [vertex, share] : shares) {
            const uint32_t answer = mirror_->answers[vertex];
            // In the middle a joint that answers itself was painted already.
            if (answer != SurfaceMirror::none && !(answer == vertex && other == joint)) {
                answers.emplace_back(answer, share);
            }
        }
        if (other == joint) { // what both sides of one dab reach is painted once
            std::erase_if(answers, [&](const auto& one) {
                return std::any_of(shares.begin(), shares.end(),
                                   [&](const auto& own) { return own.first == one.first; });
            });
        }
        paint(other, settings, answers, touched);
    }
    std::sort(touched.begin(), touched.end());
    touched.erase(std::unique(touched.begin(), touched.end()), touched.end());
    return touched;
}

std::vector<uint32_t> WeightBrush::set_weight(int joint, double weight, std::span<const uint32_t> at) {
    const uint16_t place = place_for(joint);
    std::vector<uint32_t> touched;
    for (const uint32_t vertex : at) {
        if (change(vertex, place, weight)) {
            touched.push_back(vertex);
        }
    }
    return touched;
}

PaintedRows WeightBrush::take_stroke() {
    PaintedRows rows;
    for (const uint32_t vertex : stroke_) {
        rows.emplace_hint(rows.end(), vertex, rows_[vertex]);
    }
    stroke_.clear();
    return rows;
}

Step step_with_stroke(const Step* painted, const WeightBrush& brush, const PaintedRows& stroke, bool& into_given) {
    const Node& node = brush.scene()->nodes[static_cast<size_t>(brush.node())];
    Step step{"paint_weights"};
    const std::string& on = brush.surface()->painted_on_hash;
    keep_data(step, on, brush.surface()->painted_on);
    into_given = painted != nullptr && painted->id == step.id && painted->parameters.value("painted_on", "") == on &&
                 painted->parameters.value("surface", "") == node.name;
    if (into_given) {
        step = *painted;
    } else {
        step.parameters = {{"surface", node.name}, {"painted_on", on}};
    }
    std::vector<std::string> joints = step.parameters.value("joints", std::vector<std::string>());
    const std::vector<std::string> names = brush.joint_names();
    std::unordered_map<uint16_t, uint16_t> places;
    PaintedRows rows = stroke;
    for (auto& [vertex, row] : rows) {
        for (Weight& one : row) {
            const auto [place, fresh] = places.try_emplace(one.joint, 0);
            if (fresh) {
                const auto there = std::find(joints.begin(), joints.end(), names[one.joint]);
                place->second = static_cast<uint16_t>(there - joints.begin());
                if (there == joints.end()) {
                    joints.push_back(names[one.joint]);
                }
            }
            one.joint = place->second;
        }
    }
    step.parameters["joints"] = joints;
    step.parameters["strokes"].push_back(keep_data(step, stroke_to_bytes(rows)));
    return step;
}

} // namespace wembrix
