#include "view/vertex_colours.h"

#include "core/measure/surface/surface_facts.h"
#include "core/measure/surface/weight_rows.h"
#include "style/theme.h"
#include "view/difference.h"

#include <QObject>
#include <algorithm>

namespace wembrix::app {

namespace {

Vec3f grey() {
    const QColor clay = theme().clay;
    return {static_cast<float>(clay.redF()), static_cast<float>(clay.greenF()), static_cast<float>(clay.blueF())};
}

} // namespace

Vec3f weight_colour(double weight) {
    return weight > 0 ? difference_colour(static_cast<float>(weight), 1) : grey();
}

std::shared_ptr<VertexColours> weight_colours(std::shared_ptr<const Scene> scene, int joint) {
    auto colours = std::make_shared<VertexColours>();
    for (const int surface : surfaces_of(*scene)) {
        const Node& node = scene->nodes[static_cast<size_t>(surface)];
        if (node.skin < 0) {
            continue;
        }
        const std::vector<int>& joints = scene->skins[static_cast<size_t>(node.skin)].joints;
        const auto place = std::find(joints.begin(), joints.end(), joint);
        if (place == joints.end()) {
            continue;
        }
        std::vector<Vec3f>& of = colours->of[surface];
        of.assign(scene->meshes[static_cast<size_t>(node.mesh)].point_count(), grey());
        WeightRow row;
        for (size_t v = 0; v < of.size(); ++v) {
            read_row(node.influences, v, row);
            of[v] = weight_colour(weight_in(row, static_cast<uint16_t>(place - joints.begin())));
        }
    }
    colours->title = QString::fromStdString(scene->nodes[static_cast<size_t>(joint)].name);
    colours->low = QObject::tr("0");
    colours->high = QObject::tr("1");
    colours->scene = std::move(scene);
    return colours;
}

std::shared_ptr<const VertexColours> influence_colours(std::shared_ptr<const Scene> scene, size_t only) {
    auto colours = std::make_shared<VertexColours>();
    const std::vector<int> surfaces = surfaces_of(*scene);
    const size_t most = std::max<size_t>(2, influence_histogram(*scene, surfaces).size()) - 1;
    for (const int surface : surfaces) {
        const Influences& rows = scene->nodes[static_cast<size_t>(surface)].influences;
        std::vector<Vec3f>& of = colours->of[surface];
        of.assign(scene->meshes[static_cast<size_t>(scene->nodes[static_cast<size_t>(surface)].mesh)].point_count(),
                  grey());
        for (size_t v = 0; v + 1 < rows.offsets.size(); ++v) {
            const auto joints = static_cast<size_t>(std::count_if(rows.weights.begin() + rows.offsets[v],
                                                                  rows.weights.begin() + rows.offsets[v + 1],
                                                                  [](float weight) { return weight > 0; }));
            if (only == 0 || joints == only) {
                of[v] = difference_colour(static_cast<float>(std::max<size_t>(1, joints) - 1),
                                          static_cast<float>(std::max<size_t>(1, most - 1)));
            }
        }
    }
    colours->title = only == 0 ? QObject::tr("influences per vertex")
                               : QObject::tr("vertices with %1 influences").arg(static_cast<qulonglong>(only));
    colours->low = QStringLiteral("1");
    colours->high = QString::number(static_cast<qulonglong>(most));
    colours->scene = std::move(scene);
    return colours;
}

std::shared_ptr<const VertexColours> slot_colours(std::shared_ptr<const Scene> scene, int node, size_t slot) {
    auto colours = std::make_shared<VertexColours>();
    const Mesh& mesh = scene->meshes[static_cast<size_t>(scene->nodes[static_cast<size_t>(node)].mesh)];
    std::vector<Vec3f>& of = colours->of[node];
    of.assign(mesh.point_count(), grey());
    if (slot < mesh.primitives.size()) {
        const QColor accent = theme().accent;
        const Vec3f strong(static_cast<float>(accent.redF()), static_cast<float>(accent.greenF()),
                           static_cast<float>(accent.blueF()));
        const Primitive& primitive = mesh.primitives[slot];
        std::fill_n(of.begin() + primitive.first_point, primitive.point_count, strong);
    }
    colours->scene = std::move(scene);
    return colours;
}

} // namespace wembrix::app
