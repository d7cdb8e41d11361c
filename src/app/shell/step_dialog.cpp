#include "shell/step_dialog.h"

#include "shell/step_text.h"
#include "style/look.h"

#include <QCheckBox>
#include <QComboBox>
#include <QCompleter>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QStyle>
#include <QVBoxLayout>
#include <algorithm>

namespace wembrix::app {

namespace {

QString text(std::string_view view) {
    return QString::fromUtf8(view.data(), static_cast<qsizetype>(view.size()));
}

QStringList clips_of(const Scene* scene) {
    QStringList names;
    for (const Clip& clip : scene != nullptr ? scene->clips : std::vector<Clip>()) {
        names << QString::fromStdString(clip.name);
    }
    return names;
}

QStringList joint_names_of(const Scene* scene) {
    QStringList names;
    for (const int joint : scene != nullptr ? joints_of(*scene) : std::vector<int>()) {
        names << QString::fromStdString(scene->nodes[static_cast<size_t>(joint)].name);
    }
    return names;
}

/// A list to choose one of, or to type into: parts of a name find it.
QComboBox* name_choice(const QStringList& names, const QString& now, const QString& hint, QWidget* parent) {
    auto* box = new QComboBox(parent);
    box->setEditable(true);
    box->setInsertPolicy(QComboBox::NoInsert);
    box->addItems(names);
    box->completer()->setFilterMode(Qt::MatchContains);
    box->completer()->setCompletionMode(QCompleter::PopupCompletion);
    box->setCurrentText(now);
    box->lineEdit()->setPlaceholderText(hint);
    return box;
}

} // namespace

StepDialog::StepDialog(const Step& step, std::shared_ptr<const Scene> before, QWidget* parent)
    : QDialog(parent), step_(step), before_(std::move(before)) {
    worker_.setMaxThreadCount(1);
    const StepKind& kind = *step_kind(step.id);
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
    const nlohmann::json starting = kind.starting != nullptr ? kind.starting() : nlohmann::json::object();
    for (const StepField& field : kind.fields) {
        QWidget* widget = make_field(field, starting);
        widget->setObjectName(QStringLiteral("field_") + text(field.key));
        QString label = text(field.label);
        if (field.kind == StepField::Kind::number && !field.hint.empty()) {
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

QWidget* StepDialog::make_field(const StepField& field, const nlohmann::json& starting) {
    QString now = parameter_text(step_.parameters, field);
    if (field.kind == StepField::Kind::choice) {
        auto* box = new QComboBox(this);
        for (const QString& value : text(field.hint).split(QLatin1Char('|'))) {
            box->addItem(QString(value).replace(QLatin1Char('_'), QLatin1Char(' ')), value);
        }
        box->setCurrentIndex(std::max(0, box->findData(now)));
        connect(box, &QComboBox::currentTextChanged, this, &StepDialog::changed);
        readers_.emplace_back(
            [box, field](nlohmann::json& to) { return set_parameter(to, field, box->currentData().toString()); });
        return box;
    }
    if (field.kind == StepField::Kind::flag) {
        auto* tick = new QCheckBox(text(field.hint), this);
        const bool said = step_.parameters.contains(std::string(field.key));
        tick->setChecked((said ? now : parameter_text(starting, field)) == QStringLiteral("yes"));
        connect(tick, &QCheckBox::toggled, this, &StepDialog::changed);
        readers_.emplace_back([tick, field](nlohmann::json& to) {
            return set_parameter(to, field, tick->isChecked() ? QStringLiteral("yes") : QString());
        });
        return tick;
    }
    if (is_lines(field.kind)) {
        return make_lines(field, now);
    }
    if (field.kind == StepField::Kind::clip || field.kind == StepField::Kind::joint) {
        const bool clip = field.kind == StepField::Kind::clip;
        QComboBox* box =
            name_choice(clip ? clips_of(before_.get()) : joint_names_of(before_.get()), now, text(field.hint), this);
        connect(box, &QComboBox::currentTextChanged, this, &StepDialog::changed);
        readers_.emplace_back(
            [box, field](nlohmann::json& to) { return set_parameter(to, field, box->currentText()); });
        return box;
    }
    auto* line = new QLineEdit(now, this);
    line->setPlaceholderText(field.kind == StepField::Kind::number ? QString() : text(field.hint));
    connect(line, &QLineEdit::textChanged, this, &StepDialog::changed);
    readers_.emplace_back([line, field](nlohmann::json& to) { return set_parameter(to, field, line->text()); });
    return line;
}

QWidget* StepDialog::make_lines(const StepField& field, const QString& now) {
    auto* lines = new QPlainTextEdit(now, this);
    const bool long_list = field.kind == StepField::Kind::rules || field.kind == StepField::Kind::cuts ||
                           field.kind == StepField::Kind::described;
    lines->setMinimumHeight(long_list ? 140 : 64);
    lines->setPlaceholderText(text(field.hint));
    lines->setToolTip(text(field.hint));
    connect(lines, &QPlainTextEdit::textChanged, this, &StepDialog::changed);
    readers_.emplace_back(
        [lines, field](nlohmann::json& to) { return set_parameter(to, field, lines->toPlainText()); });
    return field.kind == StepField::Kind::clips ? with_choice(field, lines) : lines;
}

QWidget* StepDialog::with_choice(const StepField& field, QPlainTextEdit* lines) {
    auto* place = new QWidget(this);
    auto* row = new QHBoxLayout(place);
    row->setContentsMargins(0, 0, 0, 0);
    lines->setObjectName(QStringLiteral("lines_") + text(field.key));
    row->addWidget(lines, 1);
    // Each clip that is there can be put in or taken out with a click.
    auto* choose = new QPushButton(tr("Choose"), place);
    choose->setObjectName(QStringLiteral("choose_") + text(field.key));
    choose->setToolTip(tr("The clips that are there before this step"));
    auto* menu = new QMenu(choose);
    for (const QString& name : clips_of(before_.get())) {
        QAction* action = menu->addAction(name);
        action->setCheckable(true);
        connect(action, &QAction::triggered, lines, [lines, name](bool in) {
            QStringList all = lines->toPlainText().split(QLatin1Char('\n'), Qt::SkipEmptyParts);
            in ? all.append(name) : static_cast<void>(all.removeAll(name));
            lines->setPlainText(all.join(QLatin1Char('\n')));
        });
    }
    connect(menu, &QMenu::aboutToShow, lines, [menu, lines] {
        const QStringList all = lines->toPlainText().split(QLatin1Char('\n'), Qt::SkipEmptyParts);
        for (QAction* action : menu->actions()) {
            action->setChecked(all.contains(action->text()));
        }
    });
    choose->setMenu(menu);
    choose->setEnabled(!menu->isEmpty());
    row->addWidget(choose, 0, Qt::AlignTop);
    return place;
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
