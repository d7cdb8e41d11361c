#include "stations/strands/density_painter.h"

namespace wembrix::app {

DensityPainter::DensityPainter(StrandBoard& board, QObject* parent) : QObject(parent), board_(board) {}

int DensityPainter::strands_in(const Scene& scene) const {
    const int found = scene.find_node(name());
    return found >= 0 && scene.nodes[static_cast<size_t>(found)].curves >= 0 ? found : -1;
}

void DensityPainter::set_view(TwinView* view) {
    if (view_ != nullptr && view == nullptr) {
        view_->show_colours(nullptr);
    }
    view_ = view;
    brush_.reset();
    painting_ = false;
    refresh();
}

bool DensityPainter::take_brush(std::shared_ptr<const Scene> scene, int surface) {
    if (brush_ && brush_->scene() == scene && brush_->surface() == surface) {
        return true;
    }
    if (!scene || surface < 0) {
        return false;
    }
    // As it was painted, where it was; else what the region comes to.
    std::vector<float> density = board_.painted_density(name(), scene->nodes[static_cast<size_t>(surface)].name);
    const int mesh = scene->nodes[static_cast<size_t>(surface)].mesh;
    if (density.size() != scene->meshes[static_cast<size_t>(mesh)].point_count()) {
        density = density_of_region(*scene, surface, strands_in(*scene));
    }
    brush_ = std::make_unique<DensityBrush>(std::move(scene), surface, std::move(density));
    return true;
}

void DensityPainter::refresh() {
    if (view_ == nullptr || painting_) {
        return;
    }
    const std::shared_ptr<const Scene> scene = board_.prepared();
    const int strands = scene ? strands_in(*scene) : -1;
    const int on =
        strands < 0 ? -1
                    : scene->curve_sets[static_cast<size_t>(scene->nodes[static_cast<size_t>(strands)].curves)].surface;
    if (take_brush(scene, on)) {
        show();
    } else {
        brush_.reset();
        colours_.reset();
        view_->show_colours(nullptr);
    }
}

void DensityPainter::show() {
    colours_ = std::make_shared<VertexColours>();
    colours_->scene = brush_->scene();
    colours_->title = tr("how densely “%1” may grow").arg(QString::fromStdString(name()));
    colours_->low = tr("0");
    colours_->high = tr("1");
    std::vector<Vec3f>& of = colours_->of[brush_->surface()];
    for (const float density : brush_->density()) {
        of.push_back(weight_colour(static_cast<double>(density)));
    }
    view_->show_colours(colours_);
}

std::unique_ptr<ViewTool> DensityPainter::tool() {
    BrushTool::Hooks hooks;
    hooks.words = tr("Drag over the surface to paint · right drag slides, a drag beside it turns · Escape ends");
    hooks.radius_m = [this] { return settings().radius_m; };
    hooks.begin = [this](const Frame& frame, const SurfaceHit& hit) {
        // Strands of one name grow on one surface.
        if (brush_ && strands_in(*brush_->scene()) >= 0 && hit.node != brush_->surface()) {
            return false;
        }
        if (!take_brush(frame.scenes.posed()->shared_scene(), hit.node)) {
            return false;
        }
        painting_ = true;
        show();
        return true;
    };
    hooks.dab = [this](const Frame& frame, const SurfaceHit& hit) {
        const PosedScene& posed = *frame.scenes.posed();
        if (!painting_ || hit.node != brush_->surface() || posed.shared_scene() != brush_->scene()) {
            return; // the stroke stays on the surface that it began on
        }
        for (const Deformer::Surface& surface : posed.surfaces()) {
            if (surface.node == hit.node && surface.count == brush_->density().size()) {
                Dab dab;
                dab.at = hit.at.cast<float>();
                dab.vertex = hit.vertex;
                dab.eye = frame.projection.eye.cast<float>();
                const std::vector<uint32_t> touched =
                    brush_->dab(settings(), dab, {posed.points().data() + surface.first, surface.count},
                                {posed.normals().data() + surface.first, surface.count});
                for (const uint32_t vertex : touched) {
                    colours_->of[hit.node][vertex] = weight_colour(static_cast<double>(brush_->density()[vertex]));
                }
                if (!touched.empty()) {
                    view_->prepared_view()->colours_changed();
                }
            }
        }
    };
    hooks.end = [this] {
        painting_ = false;
        if (brush_ && brush_->take_changed()) {
            const Scene& scene = *brush_->scene();
            board_.set_density(name(), scene.nodes[static_cast<size_t>(brush_->surface())].name,
                               density_to_bytes(brush_->density()));
            Q_EMIT kept();
        }
    };
    return std::make_unique<BrushTool>(std::move(hooks));
}

} // namespace wembrix::app
