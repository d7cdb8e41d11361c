#include "shell/step_dialog.h"

#include "shell/step_text.h"
#include "style/look.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QStyle>
#include <QVBoxLayout>

namespace wembrix::app {

StepDialog::StepDialog(const Step& step, std::shared_ptr<const Scene> before, QWidget* parent)
    : QDialog(parent), step_(step), before_(std::move(before)) {
    worker_.setMaxThreadCount(1);
    const StepKind& kind = *step_kind(step.id);
    const auto text = [](std::string_view view) {
        return QString::fromUtf8(view.data(), static_cast<qsizetype>(view.size()));
    };
    setWindowTitle(text(kind.label));
    setMinimumWidth(460);
    auto* column = new QVBoxLayout(this);
    column->setSpacing(10);
    auto* why = new QLabel(text(kind.why), this);
    why->setObjectName(QStringLiteral("soft"));
    why->setWordWrap(true);
    column->addWidget(why);
    auto* form = new QFormLayout;
    form->setLabelAlignment(Qt::AlignLeft | Qt::AlignTop);
    column->addLayout(form);
    for (const StepField& field : kind.fields) {
        const QString now = parameter_text(step.parameters, field);
        QWidget* widget = nullptr;
        if (field.kind == StepField::Kind::choice) {
            auto* box = new QComboBox(this);
            box->addItems(text(field.hint).split(QLatin1Char('|')));
            box->setCurrentText(now);
            connect(box, &QComboBox::currentTextChanged, this, &StepDialog::changed);
            readers_.emplace_back(
                [box, field](nlohmann::json& to) { return set_parameter(to, field, box->currentText()); });
            widget = box;
        } else if (field.kind == StepField::Kind::flag) {
            auto* tick = new QCheckBox(text(field.hint), this);
            tick->setChecked(now == QStringLiteral("yes"));
            connect(tick, &QCheckBox::toggled, this, &StepDialog::changed);
            readers_.emplace_back([tick, field](nlohmann::json& to) {
                return set_parameter(to, field, tick->isChecked() ? QStringLiteral("yes") : QString());
            });
            widget = tick;
        } else if (field.kind == StepField::Kind::list || field.kind == StepField::Kind::pairs) {
            auto* lines = new QPlainTextEdit(now, this);
            lines->setMinimumHeight(field.key == "rules" || field.key == "clips" ? 140 : 64);
            lines->setPlaceholderText(text(field.hint));
            lines->setToolTip(text(field.hint));
            connect(lines, &QPlainTextEdit::textChanged, this, &StepDialog::changed);
            readers_.emplace_back(
                [lines, field](nlohmann::json& to) { return set_parameter(to, field, lines->toPlainText()); });
            widget = lines;
        } else {
            auto* line = new QLineEdit(now, this);
            line->setPlaceholderText(text(field.hint));
            connect(line, &QLineEdit::textChanged, this, &StepDialog::changed);
            readers_.emplace_back([line, field](nlohmann::json& to) { return set_parameter(to, field, line->text()); });
            widget = line;
        }
        widget->setObjectName(QStringLiteral("field_") + text(field.key));
        QString label = text(field.label);
        if (field.kind == StepField::Kind::number) {
            label += QStringLiteral(" (%1)").arg(text(field.hint));
        }
        form->addRow(label, widget);
    }
    if (kind.fields.empty()) {
        form->addRow(new QLabel(tr("This step has nothing to set."), this));
    }
    outcome_ = new QLabel(this);
    outcome_->setObjectName(QStringLiteral("stepOutcome"));
    outcome_->setWordWrap(true);
    outcome_->setMinimumHeight(34);
    column->addWidget(outcome_);
    auto* buttons = new QDialogButtonBox(this);
    accept_ = buttons->addButton(tr("Use this step"), QDialogButtonBox::AcceptRole);
    accept_->setObjectName(QStringLiteral("go"));
    accept_->style()->polish(accept_); // it was made before it had this name
    buttons->addButton(tr("Leave it"), QDialogButtonBox::RejectRole);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    column->addWidget(buttons);
    changed();
}

StepDialog::~StepDialog() {
    ++run_;
    worker_.waitForDone();
}

void StepDialog::say(const QString& outcome, bool fits) {
    outcome_->setText(outcome);
    outcome_->setStyleSheet(QStringLiteral("color: %1;").arg((fits ? look().accent : look().stop).name()));
}

void StepDialog::changed() {
    QString wrong;
    for (const auto& read : readers_) {
        const QString one = read(step_.parameters);
        wrong = wrong.isEmpty() ? one : wrong;
    }
    const uint64_t run = ++run_;
    if (!wrong.isEmpty()) {
        say(wrong, false);
    } else if (before_) {
        say(tr("Trying it out…"), true);
        worker_.start([this, run, before = before_, step = step_] {
            if (run_ != run) {
                return;
            }
            const Result<StepResult> result = apply_step(*before, step);
            QString outcome = QString::fromStdString(result.ok() ? result->account : result.problem().sentence());
            for (const std::string& left : result.ok() ? result->could_not : std::vector<std::string>()) {
                outcome += QStringLiteral("\n") + QString::fromStdString(left);
            }
            QMetaObject::invokeMethod(
                this,
                [this, run, outcome, fits = result.ok()] {
                    if (run_ == run) {
                        say(outcome, fits);
                    }
                },
                Qt::QueuedConnection);
        });
    } else {
        outcome_->clear();
    }
    accept_->setEnabled(wrong.isEmpty());
}

} // namespace wembrix::app
