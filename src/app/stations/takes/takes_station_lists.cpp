// Lists of cuts, read from a file and written to one.
#include "stations/takes/takes_station.h"
#include "style/language.h"

#include "core/base/files.h"
#include "core/job/card_edits.h"
#include "core/measure/clips/motion.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "stations/takes/strip_edits.h"
#include "style/theme.h"

#include <Eigen/LU>

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QLabel>
#include <QMessageBox>
#include <QPushButton>
#include <QSignalBlocker>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

void TakesStation::ask_to_read() {
    const QString file =
        QFileDialog::getOpenFileName(this, tr("Read a list of cuts"), QString(), tr("Lists (*.csv *.json)"));
    const QString problem = file.isEmpty() ? QString() : read_list(file);
    if (!problem.isEmpty()) {
        QMessageBox::warning(this, tr("Wembrix"), problem);
    }
}

void TakesStation::ask_to_write() {
    const QString file = QFileDialog::getSaveFileName(this, tr("Write the list of cuts"), QStringLiteral("cuts.csv"),
                                                      tr("CSV (*.csv);;JSON (*.json)"));
    const QString problem = file.isEmpty() ? QString() : write_list(file);
    if (!problem.isEmpty()) {
        QMessageBox::warning(this, tr("Wembrix"), problem);
    }
}

QString TakesStation::read_list(const QString& file) {
    const Result<std::string> text = read_file(file.toStdString());
    if (!text) {
        return localized(text.problem().sentence());
    }
    const std::string shown = tools_->takes->currentText().toStdString();
    const Result<std::vector<Cut>> list = cuts_from_text(*text, file.toStdString(), [&](const std::string& name) {
        const TakeFacts* one = model_->take(name.empty() ? shown : name);
        return one == nullptr ? 0 : one->rate;
    });
    if (!list) {
        return localized(list.problem().sentence());
    }
    const auto takes = cuts_by_take(*list, shown);
    for (const auto& [name, cuts] : takes) {
        const TakeFacts* one = model_->take(name);
        const QString wrong = one == nullptr
                                  ? tr("There is no take “%1”: nothing was read.").arg(QString::fromStdString(name))
                                  : wrong_with(*one, cuts);
        if (!wrong.isEmpty()) {
            return wrong;
        }
    }
    document_.edit(tr("Read cuts from a list"), [&](Job& job) {
        for (const auto& [name, cuts] : takes) {
            wembrix::set_cuts(job, name, cuts);
        }
    });
    refresh();
    return {};
}

QString TakesStation::write_list(const QString& file) {
    // Of several takes each says which it is; what is not cut stands there whole.
    const bool several = model_->takes().size() > 1;
    std::vector<Cut> list;
    for (const TakeFacts& one : model_->takes()) {
        std::vector<Cut> cuts = model_->cuts(one.name);
        if (cuts.empty() && several) {
            const Clip* clip = one.scene->find_clip(one.name);
            cuts = {{one.name, 0, one.frames - 1, clip != nullptr && clip->loop, "", ""}};
        }
        for (Cut& cut : cuts) {
            cut.take = several ? one.name : "";
            list.push_back(std::move(cut));
        }
    }
    const std::string text =
        file.endsWith(QStringLiteral(".json")) ? cuts_to_json(list).dump(2) + "\n" : cuts_to_csv(list);
    const Outcome done = replace_file(file.toStdString(), text);
    return done ? QString() : localized(done.problem().sentence());
}

} // namespace wembrix::app
