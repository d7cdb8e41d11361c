#include "stations/intake/contents_model.h"
#include "style/language.h"

#include "core/job/keep.h"
#include "style/numbers.h"

#include <QObject>
#include <set>

namespace wembrix::app {

namespace {

QString holds_of(const Scene& scene, const Node& node) {
    if (node.mesh >= 0) {
        const Mesh& mesh = scene.meshes[node.mesh];
        QString text = counted(mesh.point_count(), "vertex");
        if (node.skin >= 0) {
            text += QObject::tr(" · %1 infl.").arg(node.influences.largest_row());
        } else {
            text += QObject::tr(" · not skinned");
        }
        if (!mesh.shapes.empty()) {
            text += QStringLiteral(" · ") + counted(mesh.shapes.size(), "shape");
        }
        return text;
    }
    return localized(kind_name(node.kind));
}

} // namespace

std::vector<ContentRow> content_rows(const Job& job, const SessionState& state) {
    const Scene& received = *state.replay.received;
    std::vector<ContentRow> rows;
    size_t first_clip = 0;
    for (const LoadedSources::Source& source : state.sources->sources) {
        const std::set<int64_t> own(source.identities.begin(), source.identities.end());
        ContentRow head;
        head.is_source = true;
        head.source = static_cast<int>(&source - state.sources->sources.data());
        head.problem = QString::fromStdString(source.problem);
        head.name = QString::fromStdString(source.name);
        const size_t place = rows.size();
        rows.push_back(head);
        size_t joints = 0;
        QStringList holders;
        for (size_t i = 0; i < received.nodes.size(); ++i) {
            const Node& node = received.nodes[i];
            if (own.count(node.identity) == 0) {
                continue;
            }
            if (node.kind == NodeKind::joint) {
                ++joints;
                continue;
            }
            if (node.kind == NodeKind::parent_transform) {
                holders << QString::fromStdString(node.name);
                continue;
            }
            ContentRow row;
            row.name = QString::fromStdString(node.name);
            row.node = static_cast<int>(i);
            row.holds = holds_of(received, node);
            row.kept = !is_left(job, received, row.node);
            row.can_leave = true;
            rows.push_back(row);
        }
        size_t takes = 0;
        for (; takes < source.takes.size() && first_clip < received.clips.size(); ++takes, ++first_clip) {
            const Clip& clip = received.clips[first_clip];
            ContentRow row;
            row.name = QString::fromStdString(clip.name);
            row.holds = QObject::tr("take · %1 · %2 fps").arg(counted(clip.frames(), "frame")).arg(clip.rate);
            rows.push_back(row);
        }
        QStringList holds;
        if (joints > 0) {
            holds << counted(joints, "joint");
        } else if (takes > 0) {
            holds << QObject::tr("motion for the joints");
        }
        if (head.source > 0 && source.problem.empty() && source.role != SourceRole::take) {
            holds.prepend(localized(role_label(source.role)));
        }
        if (!source.problem.empty()) {
            holds = {QObject::tr("not there: %1").arg(head.problem)};
        }
        if (!holders.isEmpty()) {
            holds << (holders.size() == 1 ? QObject::tr("1 parent transform")
                                          : QObject::tr("%1 parent transforms").arg(holders.size()));
        }
        rows[place].holds = holds.join(QStringLiteral(" · "));
    }
    return rows;
}

} // namespace wembrix::app
