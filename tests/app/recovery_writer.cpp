// wembrix-recovery-writer JOB: edits the job and keeps each state for recovery, until it is killed.
#include "session/recovery.h"

#include <QCoreApplication>
#include <QStandardPaths>
#include <cstdio>

int main(int count, char** arguments) {
    using namespace wembrix::app;
    QCoreApplication application(count, arguments);
    QCoreApplication::setApplicationName(QStringLiteral("wembrix-tests"));
    QStandardPaths::setTestModeEnabled(true);
    Document document;
    Recovery recovery(document);
    if (count != 2 || !document.open(QString::fromLocal8Bit(arguments[1]))) {
        return 2;
    }
    const size_t steps = document.job().steps.size();
    for (int state = 0;; ++state) {
        document.edit(QStringLiteral("next"), [&](wembrix::Job& job) {
            job.name = "state " + std::to_string(state);
            job.steps.resize(steps);
            const std::string find(20000, static_cast<char>('a' + state % 26));
            job.steps.push_back({"rename_joints", {{"find", find}}});
        });
        recovery.keep();
        if (state == 0) {
            std::puts("kept");
            std::fflush(stdout);
        }
    }
}
