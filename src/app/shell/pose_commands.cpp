#include "shell/pose_commands.h"

#include "core/job/card_edits.h"

#include <QInputDialog>

namespace wembrix::app {

PoseCommands::PoseCommands(Document& document, Session& session, Clock& clock, QWidget* window)
    : QObject(window), document_(document), session_(session), clock_(clock), window_(window) {}

StoredPose PoseCommands::shown() const {
    const Scene& prepared = session_.state()->replay.prepared();
    if (clock_.still() == Clock::Still::stored) {
        return clock_.stored_pose();
    }
    if (clock_.still() == Clock::Still::bind) {
        const std::vector<Transform> locals = bind_pose(prepared);
        StoredPose pose;
        for (const int joint : joints_of(prepared)) {
            pose[prepared.nodes[joint].name] = locals[static_cast<size_t>(joint)];
        }
        return pose;
    }
    return pose_of(prepared, prepared.find_clip(clock_.clip().toStdString()), clock_.seconds());
}

void PoseCommands::ask_and_keep() {
    if (!session_.state()) {
        return;
    }
    bool typed = false;
    const QString name =
        QInputDialog::getText(window_, tr("Store pose"), tr("A name for what is shown now (%1)").arg(clock_.words()),
                              QLineEdit::Normal, clock_.clip(), &typed)
            .trimmed();
    if (typed && !name.isEmpty()) {
        keep(name);
    }
}

void PoseCommands::keep(const QString& name) {
    if (session_.state()) {
        const StoredPose pose = shown();
        document_.edit(tr("Store pose %1").arg(name), [&](Job& job) { job.poses[name.toStdString()] = pose; });
        clock_.show_stored_pose(name, pose);
    }
}

void PoseCommands::forget() {
    if (clock_.still() == Clock::Still::stored) {
        const std::string name = clock_.pose_name().toStdString();
        clock_.choose(QString(), 1, 30);
        document_.edit(tr("Delete pose %1").arg(QString::fromStdString(name)),
                       [&](Job& job) { job.poses.erase(name); });
    }
}

void PoseCommands::make_rest_pose() {
    if (!session_.state()) {
        return;
    }
    Step step = {"set_rest_pose", {{"from", "bind"}, {"surface", "keep"}}};
    if (clock_.still() != Clock::Still::bind) {
        // Before the cuts there is no such clip yet: the pose itself goes along.
        step.parameters = {{"from", "pose"},
                           {"pose", pose_to_json(shown())},
                           {"name", clock_.words().toStdString()},
                           {"surface", "keep"}};
    }
    document_.edit(tr("Make %1 the rest pose").arg(clock_.words()),
                   [&](Job& job) { add_step_at_its_place(job, step); });
}

} // namespace wembrix::app
