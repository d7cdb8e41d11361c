#include "stations/intake/replace_dialog.h"

#include "style/language.h"

#include <QDialogButtonBox>
#include <QFileInfo>
#include <QLabel>
#include <QMetaObject>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QVBoxLayout>

namespace wembrix::app {

ReplaceDialog::ReplaceDialog(const Job& before, const Job& after, size_t source, const std::filesystem::path& folder,
                             std::shared_ptr<const LoadedSources> loaded, QWidget* parent)
    : QDialog(parent) {
    setWindowTitle(tr("Replace a source"));
    setObjectName(QStringLiteral("replaceSource"));
    resize(560, 380);
    worker_.setMaxThreadCount(1);
    auto* column = new QVBoxLayout(this);
    column->setSpacing(8);
    const auto name = [](const Job& job, size_t at) {
        return QFileInfo(QString::fromStdString(job.sources[at].path)).fileName();
    };
    auto* head = new QLabel(tr("%1 in place of %2").arg(name(after, source), name(before, source)), this);
    head->setStyleSheet(QStringLiteral("font-weight: 600;"));
    head->setWordWrap(true);
    column->addWidget(head);
    summary_ = new QLabel(tr("Reading it and replaying the route card…"), this);
    summary_->setObjectName(QStringLiteral("replaceSummary"));
    summary_->setWordWrap(true);
    column->addWidget(summary_);
    lines_ = new QPlainTextEdit(this);
    lines_->setObjectName(QStringLiteral("replaceChanges"));
    lines_->setReadOnly(true);
    column->addWidget(lines_, 1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel, this);
    replace_ = buttons->button(QDialogButtonBox::Ok);
    replace_->setText(tr("&Replace"));
    replace_->setEnabled(false);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    column->addWidget(buttons);
    worker_.start([this, before, after, folder, loaded = std::move(loaded)] {
        const auto compared = [&]() -> Result<SourceChange> {
            const Result<LoadedSources> now = load_sources(after.sources, folder, after.steps);
            if (!now) {
                return now.problem();
            }
            for (const LoadedSources::Source& row : now->sources) {
                if (!row.problem.empty()) {
                    return Problem{row.problem, "", ""};
                }
            }
            return loaded ? Result<SourceChange>(compare_sources(*loaded, *now, after.steps))
                          : Result<SourceChange>(SourceChange());
        };
        const Result<SourceChange> change = compared();
        QMetaObject::invokeMethod(
            this,
            [this, change] {
                if (change) {
                    show_change(*change);
                } else {
                    show_problem(localized(change.problem().sentence()));
                }
            },
            Qt::QueuedConnection);
    });
}

ReplaceDialog::~ReplaceDialog() {
    worker_.waitForDone();
}

void ReplaceDialog::show_change(const SourceChange& change) {
    QStringList lines;
    for (const Text& step : change.steps) {
        lines << localized(step);
    }
    for (const Text& line : change.changes) {
        lines << localized(line);
    }
    const auto steps = static_cast<int>(change.steps.size());
    summary_->setText(change.steps.empty()
                          ? (lines.isEmpty() ? tr("Nothing in it is different.") : tr("All steps still fit."))
                          : (steps == 1 ? tr("1 step no longer does all it did.")
                                        : tr("%1 steps no longer do all they did.").arg(steps)));
    lines_->setPlainText(lines.join(QLatin1Char('\n')));
    replace_->setEnabled(true);
    ready_ = true;
}

void ReplaceDialog::show_problem(const QString& problem) {
    summary_->setText(problem);
    ready_ = true;
}

} // namespace wembrix::app
