#include "view/layers/hull_layer.h"

#include <QPolygonF>
#include <array>
#include <map>

namespace wembrix::app {

void HullLayer::show(bool shown, int64_t chosen) {
    shown_ = shown;
    chosen_ = chosen;
}

void HullLayer::take(const Scene& scene) {
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        if (scene.nodes[n].hull < 0) {
            continue;
        }
        const bool is_held = held_ && held_->first == scene.nodes[n].identity;
        const Hull& hull = is_held ? held_->second : scene.hulls[static_cast<size_t>(scene.nodes[n].hull)];
        Shell one{static_cast<int>(n), shell_of(hull), {}};
        std::map<std::pair<uint32_t, uint32_t>, uint32_t> beside;
        for (uint32_t t = 0; t * 3 + 2 < one.shell.indices.size(); ++t) {
            for (uint32_t side = 0; side < 3; ++side) {
                const uint32_t a = one.shell.indices[t * 3 + side];
                const uint32_t b = one.shell.indices[t * 3 + (side + 1) % 3];
                const auto [found, fresh] = beside.try_emplace(std::minmax(a, b), t);
                if (!fresh) {
                    one.edges.push_back({a, b, found->second, t});
                }
            }
        }
        shells_.push_back(std::move(one));
    }
}

void HullLayer::paint_before(QPainter& painter, const Frame& frame) {
    if (!shown_ || frame.scenes.state() != State::prepared) {
        return;
    }
    const PosedScene& posed = *frame.scenes.posed();
    if (shells_.empty()) {
        take(posed.scene());
    }
    const Theme& l = theme();
    for (const Shell& one : shells_) {
        const Mat4& world = posed.pose().world[static_cast<size_t>(one.node)];
        std::vector<QPointF> at;
        std::vector<Vec3> places;
        bool all_visible = true;
        for (const Vec3f& point : one.shell.points) {
            bool visible = false;
            places.push_back(point_of(world, point.cast<double>()));
            at.push_back(frame.projection.on_screen(places.back(), &visible));
            all_visible = all_visible && visible;
        }
        if (!all_visible) {
            continue;
        }
        std::vector<Vec3> normals;
        std::vector<char> faces;
        for (size_t i = 0; i + 2 < one.shell.indices.size(); i += 3) {
            const Vec3& a = places[one.shell.indices[i]];
            normals.push_back(
                (places[one.shell.indices[i + 1]] - a).cross(places[one.shell.indices[i + 2]] - a).normalized());
            faces.push_back(normals.back().dot(frame.projection.eye - a) > 0 ? 1 : 0);
        }
        const bool chosen = posed.scene().nodes[static_cast<size_t>(one.node)].identity == chosen_;
        QColor colour = chosen ? l.selection : l.accent;
        colour.setAlphaF(chosen ? 0.30F : 0.14F);
        painter.setPen(Qt::NoPen);
        painter.setBrush(colour);
        for (size_t t = 0; t < faces.size(); ++t) {
            if (faces[t] != 0) {
                painter.drawPolygon(QPolygonF({at[one.shell.indices[t * 3]], at[one.shell.indices[t * 3 + 1]],
                                               at[one.shell.indices[t * 3 + 2]]}));
            }
        }
        // Edges that bend, and the outline.
        colour.setAlphaF(chosen ? 1.0F : 0.75F);
        painter.setPen(QPen(colour, chosen ? 1.6 : 1));
        for (const auto& [a, b, first, second] : one.edges) {
            const bool outline = faces[first] != faces[second];
            const bool bends = normals[first].dot(normals[second]) < 0.97 && (faces[first] != 0 || faces[second] != 0);
            if (outline || bends) {
                painter.drawLine(at[a], at[b]);
            }
        }
    }
}

} // namespace wembrix::app
