#include "stations/surface/weight_painter.h"

#include "core/job/card_edits.h"
#include "core/measure/surface/vertex_choice.h"
#include "view/vertex_colours.h"

#include <algorithm>
#include <map>

namespace wembrix::app {

WeightPainter::WeightPainter(Document& document, Session& session, QObject* parent)
    : QObject(parent), document_(document), session_(session) {
    connect(&document_, &Document::jobChanged, this, [this] { holds_ = holds_ && keeping_; });
    connect(&document_, &Document::opened, this, [this] {
        brush_.reset();
        ready_.reset();
        ++run_;
        locked_.clear();
        choose({});
    });
    connect(&session_, &Session::changed, this, [this] {
        // Another version of the surface may have fewer vertices, or be gone.
        const std::shared_ptr<const SessionState> state = session_.state();
        const int node = state && choice_.surface != 0 ? state->replay.prepared().find_identity(choice_.surface) : -1;
        const Scene* scene = node < 0 ? nullptr : &state->replay.prepared();
        const int mesh = scene == nullptr ? -1 : scene->nodes[static_cast<size_t>(node)].mesh;
        const size_t count = mesh < 0 ? 0 : scene->meshes[static_cast<size_t>(mesh)].point_count();
        if (choice_.surface != 0 && (choice_.vertices.empty() || *choice_.vertices.rbegin() >= count)) {
            choice_ = {};
        }
        Q_EMIT choiceChanged();
        prepare_brush();
    });
    worker_.setMaxThreadCount(1);
}

WeightPainter::~WeightPainter() {
    ++run_;
    worker_.waitForDone();
}

void WeightPainter::prepare_brush() {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (view_ == nullptr || !state || !session_.is_current()) {
        return;
    }
    const std::shared_ptr<const Scene> scene = state->replay.prepared_scene();
    // The surface that was painted last, else the one with most vertices.
    int surface =
        brush_ ? scene->find_identity(brush_->scene()->nodes[static_cast<size_t>(brush_->node())].identity) : -1;
    const auto can_be_painted = [&](int node) {
        return node >= 0 && scene->nodes[static_cast<size_t>(node)].skin >= 0 &&
               !scene->nodes[static_cast<size_t>(node)].influences.empty();
    };
    size_t most = 0;
    for (const int node : can_be_painted(surface) ? std::vector<int>() : surfaces_of(*scene)) {
        const size_t vertices = scene->nodes[static_cast<size_t>(node)].influences.offsets.size();
        if (can_be_painted(node) && vertices > most) {
            most = vertices;
            surface = node;
        }
    }
    const auto is_of_it = [&](const std::unique_ptr<WeightBrush>& brush) {
        return brush && brush->scene() == scene && brush->node() == surface;
    };
    if (!can_be_painted(surface) || is_of_it(brush_) || is_of_it(ready_)) {
        return;
    }
    const uint64_t run = ++run_;
    const bool mirrored = settings && settings().mirrored;
    worker_.start([this, run, scene, surface, mirrored, before = brush_ ? brush_->surface() : nullptr] {
        if (run_ != run) {
            return;
        }
        auto made =
            std::make_shared<std::unique_ptr<WeightBrush>>(std::make_unique<WeightBrush>(scene, surface, before));
        if (mirrored) {
            (*made)->make_mirror();
        }
        QMetaObject::invokeMethod(
            this,
            [this, run, made] {
                if (run_ == run) {
                    ready_ = std::move(*made);
                }
            },
            Qt::QueuedConnection);
    });
}

void WeightPainter::set_view(SceneView* view) {
    if (view == view_) {
        return;
    }
    if (view_ != nullptr) {
        view_->disconnect(this);
        view_->use_tool(nullptr);
    }
    view_ = view;
    if (view_ != nullptr) {
        connect(view_, &SceneView::toolEnded, this, &WeightPainter::ended);
        // Another scene is shown, made before the last strokes: they are put onto it until one with them comes.
        connect(view_, &SceneView::ready, this, [this] {
            if (brush_ && holds_ && view_->posed() != nullptr && view_->posed()->shared_scene() != brush_->scene() &&
                (painting_ || !session_.is_current())) {
                const std::vector<uint32_t> changed(brush_->changed().begin(), brush_->changed().end());
                show_changed(changed);
            }
        });
    }
}

bool WeightPainter::take_brush(int64_t surface) {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!state || surface == 0) {
        return false;
    }
    const auto identity = [&] { return brush_->scene()->nodes[static_cast<size_t>(brush_->node())].identity; };
    const std::shared_ptr<const Scene> prepared = state->replay.prepared_scene();
    const bool same = brush_ && holds_ && identity() == surface;
    if (same && (!session_.is_current() || brush_->scene() == prepared)) {
        return true;
    }
    if (!session_.is_current()) {
        Q_EMIT said(tr("The route card is being replayed; paint when it is done."));
        return false;
    }
    const int node = prepared->find_identity(surface);
    if (node < 0 || prepared->nodes[static_cast<size_t>(node)].skin < 0 ||
        prepared->nodes[static_cast<size_t>(node)].influences.empty()) {
        Q_EMIT said(tr("Only a surface under a skin has weights."));
        return false;
    }
    if (ready_ && ready_->scene() == prepared && ready_->node() == node) {
        brush_ = std::move(ready_);
    } else {
        brush_ = std::make_unique<WeightBrush>(prepared, node, brush_ ? brush_->surface() : nullptr);
    }
    holds_ = true;
    return true;
}

int WeightPainter::painted_joint() const {
    return brush_ && joint ? brush_->scene()->find_identity(joint()) : -1;
}

std::unique_ptr<ViewTool> WeightPainter::brush_tool() {
    prepare_brush();
    BrushTool::Hooks hooks;
    hooks.words = tr("Drag over the surface to paint · right drag slides, a drag beside it turns · Escape ends");
    hooks.radius_m = [this] { return settings().radius_m; };
    hooks.begin = [this](const Frame& frame, const SurfaceHit& hit) {
        const Scene& shown = frame.scenes.posed()->scene();
        if (joint() == 0) {
            Q_EMIT said(tr("Choose the joint whose weights are painted first."));
            return false;
        }
        if (!take_brush(shown.nodes[static_cast<size_t>(hit.node)].identity) || painted_joint() < 0) {
            return false;
        }
        std::set<int> locked;
        for (const int64_t one : locked_) {
            locked.insert(brush_->scene()->find_identity(one));
        }
        brush_->lock(locked);
        painting_ = true;
        return true;
    };
    hooks.dab = [this](const Frame& frame, const SurfaceHit& hit) {
        const PosedScene& posed = *frame.scenes.posed();
        const Node& node = posed.scene().nodes[static_cast<size_t>(hit.node)];
        if (!painting_ || node.identity != brush_->scene()->nodes[static_cast<size_t>(brush_->node())].identity) {
            return; // the stroke stays on the surface that it began on
        }
        for (const Deformer::Surface& surface : posed.surfaces()) {
            if (surface.node == hit.node && surface.count == brush_->vertices()) {
                Dab dab;
                dab.at = hit.at.cast<float>();
                dab.vertex = hit.vertex;
                dab.eye = frame.projection.eye.cast<float>();
                const std::vector<uint32_t> touched = brush_->dab(
                    painted_joint(), settings(), dab, {posed.points().data() + surface.first, surface.count},
                    {posed.normals().data() + surface.first, surface.count});
                show_changed(touched);
            }
        }
    };
    hooks.end = [this] {
        painting_ = false;
        keep(tr("Paint weights of %1")
                 .arg(QString::fromStdString(brush_->scene()->nodes[static_cast<size_t>(painted_joint())].name)));
    };
    return std::make_unique<BrushTool>(std::move(hooks));
}

std::unique_ptr<ViewTool> WeightPainter::lasso_tool() {
    LassoTool::Hooks hooks;
    hooks.words = tr("Draw around vertices, or click one · Ctrl adds · Shift drag slides · Escape ends");
    hooks.choose = [this](const ChosenVertices& chosen, bool adds) {
        if (view_ == nullptr || view_->posed() == nullptr) {
            return;
        }
        Choice next;
        if (chosen.node >= 0 && !chosen.vertices.empty()) {
            next.surface = view_->posed()->scene().nodes[static_cast<size_t>(chosen.node)].identity;
            next.vertices = chosen.vertices;
        }
        if (adds && (next.surface == 0 || next.surface == choice_.surface)) {
            next.surface = choice_.surface;
            next.vertices.insert(choice_.vertices.begin(), choice_.vertices.end());
        }
        choose(std::move(next));
    };
    hooks.chosen = [this] {
        ChosenVertices chosen;
        if (view_ != nullptr && view_->posed() != nullptr && choice_.surface != 0) {
            chosen.node = view_->posed()->scene().find_identity(choice_.surface);
            chosen.vertices = choice_.vertices;
        }
        return chosen;
    };
    return std::make_unique<LassoTool>(std::move(hooks));
}

void WeightPainter::set_locked(int64_t of, bool locked) {
    if (locked) {
        locked_.insert(of);
    } else {
        locked_.erase(of);
    }
}

void WeightPainter::choose(Choice choice) {
    choice_ = std::move(choice);
    if (view_ != nullptr) {
        view_->update();
    }
    Q_EMIT choiceChanged();
}

void WeightPainter::grow() {
    if (take_brush(choice_.surface)) {
        choose({choice_.surface, grown(brush_->neighbours(), choice_.vertices)});
    }
}

void WeightPainter::shrink() {
    if (take_brush(choice_.surface)) {
        choose({choice_.surface, shrunk(brush_->neighbours(), choice_.vertices)});
    }
}

void WeightPainter::loop() {
    if (take_brush(choice_.surface)) {
        const Scene& scene = *brush_->scene();
        const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(brush_->node())].mesh)];
        choose({choice_.surface, looped(mesh, brush_->neighbours(), choice_.vertices)});
    }
}

std::vector<std::pair<int64_t, double>> WeightPainter::weights_of_choice() {
    std::vector<std::pair<int64_t, double>> weights;
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!state || choice_.surface == 0) {
        return weights;
    }
    const Scene& scene = state->replay.prepared();
    const int at = scene.find_identity(choice_.surface);
    if (at < 0 || scene.nodes[static_cast<size_t>(at)].skin < 0) {
        return weights;
    }
    const Node& node = scene.nodes[static_cast<size_t>(at)];
    std::map<uint16_t, double> sums;
    WeightRow row;
    for (const uint32_t vertex : choice_.vertices) {
        read_row(node.influences, vertex, row);
        for (const Weight& one : row) {
            sums[one.joint] += one.weight / static_cast<double>(choice_.vertices.size());
        }
    }
    for (const auto& [place, sum] : sums) {
        const int joint_node = scene.skins[static_cast<size_t>(node.skin)].joints[place];
        weights.emplace_back(scene.nodes[static_cast<size_t>(joint_node)].identity, sum);
    }
    std::stable_sort(weights.begin(), weights.end(), [](const auto& a, const auto& b) { return a.second > b.second; });
    return weights;
}

void WeightPainter::type_weight(int64_t of, double weight) {
    if (!take_brush(choice_.surface)) {
        return;
    }
    const int node = brush_->scene()->find_identity(of);
    if (node < 0) {
        return;
    }
    std::set<int> locked;
    for (const int64_t one : locked_) {
        locked.insert(brush_->scene()->find_identity(one));
    }
    brush_->lock(locked);
    const std::vector<uint32_t> at(choice_.vertices.begin(), choice_.vertices.end());
    const std::vector<uint32_t> touched = brush_->set_weight(node, weight, at);
    if (touched.empty()) {
        Q_EMIT said(tr("Nothing changed: the others that hold these vertices are locked, or nothing else holds them."));
        return;
    }
    show_changed(touched);
    size_t kind = at.size();
    for (const uint32_t vertex : at) {
        kind = kind * 1000003 + vertex;
    }
    keep(tr("Type weight of %1").arg(QString::fromStdString(brush_->scene()->nodes[static_cast<size_t>(node)].name)),
         QStringLiteral("weight %1 %2 %3").arg(choice_.surface).arg(of).arg(kind));
}

void WeightPainter::keep(const QString& what, const QString& merges_as) {
    const PaintedRows stroke = brush_->take_stroke();
    if (stroke.empty()) {
        return;
    }
    keeping_ = true;
    document_.edit(
        what, [&](Job& job) { keep_stroke(job, *brush_, stroke); }, merges_as);
    keeping_ = false;
}

void WeightPainter::show_changed(std::span<const uint32_t> vertices) {
    if (view_ == nullptr || view_->posed() == nullptr || vertices.empty()) {
        return;
    }
    const int node =
        view_->posed()->scene().find_identity(brush_->scene()->nodes[static_cast<size_t>(brush_->node())].identity);
    view_->reweight(node, vertices, [this](uint32_t vertex) -> const WeightRow& { return brush_->row(vertex); });
    if (const std::shared_ptr<VertexColours> shown = colours ? colours() : nullptr) {
        put_colours(*shown, vertices);
        view_->colours_changed();
    }
}

void WeightPainter::put_colours(VertexColours& shown, std::span<const uint32_t> vertices) {
    const int node = shown.scene->find_identity(brush_->scene()->nodes[static_cast<size_t>(brush_->node())].identity);
    const std::optional<uint16_t> place = painted_joint() < 0 ? std::nullopt : brush_->place_of(painted_joint());
    if (node < 0 || !place) {
        return;
    }
    std::vector<Vec3f>& of = shown.of[node];
    of.resize(brush_->vertices(), weight_colour(0));
    for (const uint32_t vertex : vertices) {
        of[vertex] = weight_colour(weight_in(brush_->row(vertex), *place));
    }
}

void WeightPainter::overlay(VertexColours& shown) {
    if (brush_ && holds_ && shown.scene != brush_->scene() && (painting_ || !session_.is_current())) {
        const std::vector<uint32_t> changed(brush_->changed().begin(), brush_->changed().end());
        put_colours(shown, changed);
    }
}

} // namespace wembrix::app
