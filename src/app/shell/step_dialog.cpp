#include "shell/step_dialog.h"
#include "style/language.h"

#include "core/base/files.h"
#include "core/scene/image_facts.h"
#include "core/steps/step.h"
#include "core/steps/step_data.h"
#include "core/steps/step_kind.h"
#include "shell/parameter_field.h"
#include "shell/step_text.h"
#include "style/mnemonics.h"
#include "style/theme.h"

#include <QComboBox>
#include <QCompleter>
#include <QDialogButtonBox>
#include <QFileDialog>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QStyle>
#include <QThreadPool>
#include <QVBoxLayout>
#include <algorithm>
#include <atomic>
#include <mutex>
#include <optional>

namespace wembrix::app {

namespace {

QStringList clips_of(const Scene* scene) {
    QStringList names;
    for (const Clip& clip : scene != nullptr ? scene->clips : std::vector<Clip>()) {
        names << QString::fromStdString(clip.name);
    }
    return names;
}

QStringList takes_of(const std::vector<NamedScene>* sources) {
    QStringList names;
    for (const NamedScene& source : sources != nullptr ? *sources : std::vector<NamedScene>()) {
        if (!source.scene.clips.empty()) {
            names << QString::fromStdString(source.name);
        }
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

/// What is tried out in the background. One step at a time; the newest wins. The dialog may close meanwhile: nobody
/// waits for a step to end, and nothing that is shared is the dialog's.
struct StepDialog::Trial {
    std::mutex mutex;
    StepDialog* dialog = nullptr; ///< null once it is gone
    std::atomic<uint64_t> newest = 0;
    bool busy = false;
    std::optional<Step> waiting;
};

StepDialog::StepDialog(const Step& step, Before before, QWidget* parent, bool adding)
    : QDialog(parent), adding_(adding), step_(step), before_(std::move(before)), trial_(std::make_shared<Trial>()) {
    trial_->dialog = this;
    const StepKind& kind = *step_kind(step.id);
    setWindowTitle(localized(kind.label));
    setMinimumWidth(460);
    auto* column = new QVBoxLayout(this);
    column->setSpacing(10);
    auto* why = new QLabel(localized(kind.why), this);
    why->setObjectName(QStringLiteral("soft"));
    why->setWordWrap(true);
    column->addWidget(why);
    auto* form = new QFormLayout;
    form->setLabelAlignment(Qt::AlignLeft | Qt::AlignTop);
    column->addLayout(form);
    const nlohmann::json starting = starting_values(kind.parameters);
    bool any = false;
    for (const Parameter& field : kind.parameters) {
        if (!field.is_shown) {
            continue;
        }
        any = true;
        QWidget* widget = make_field(field, starting);
        widget->setObjectName(QStringLiteral("field_") + to_qstring(field.key));
        widget->setToolTip(localized(field.help));
        form->addRow(label_of(field), widget);
    }
    if (!any) {
        form->addRow(new QLabel(tr("This step has nothing to set."), this));
    }
    outcome_ = new QLabel(this);
    outcome_->setObjectName(QStringLiteral("stepOutcome"));
    outcome_->setWordWrap(true);
    outcome_->setMinimumHeight(34);
    column->addWidget(outcome_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
    accept_ = buttons->addButton(adding_ ? tr("&Add step") : tr("&Apply"), QDialogButtonBox::AcceptRole);
    accept_->setObjectName(QStringLiteral("go"));
    accept_->style()->polish(accept_); // it was made before it had this name
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    column->addWidget(buttons);
    give_mnemonics(*this);
    changed();
}

QWidget* StepDialog::make_field(const Parameter& field, const nlohmann::json& starting) {
    if (field.is_image) {
        return make_image(field);
    }
    const QString now = parameter_text(step_.parameters, field);
    if (is_lines(field.kind)) {
        return make_lines(field, now);
    }
    const bool clip = field.names == NameOf::clip;
    if (field.kind == Parameter::Kind::text && (clip || field.names == NameOf::joint)) {
        QComboBox* box = name_choice(clip ? clips_of(before_.scene.get()) : joint_names_of(before_.scene.get()), now,
                                     localized(field.form), this);
        connect(box, &QComboBox::currentTextChanged, this, &StepDialog::changed);
        readers_.emplace_back(
            [box, field](nlohmann::json& to) { return set_parameter(to, field, box->currentText()); });
        return box;
    }
    ParameterField made = make_parameter_field(field, step_.parameters, starting, this, [this] { changed(); });
    readers_.push_back(std::move(made.read));
    return made.widget;
}

QWidget* StepDialog::make_image(const Parameter& field) {
    auto* place = new QWidget(this);
    auto* row = new QHBoxLayout(place);
    row->setContentsMargins(0, 0, 0, 0);
    auto* said = new QLabel(place);
    auto* none = new QPushButton(tr("None"), place);
    const std::string key(field.key);
    const auto say = [this, said, none, key] {
        const auto name = step_.parameters.find(key);
        const auto held = name == step_.parameters.end() ? step_.data.end() : step_.data.find(name->get<std::string>());
        none->setVisible(name != step_.parameters.end());
        if (held == step_.data.end()) {
            said->setText(name == step_.parameters.end() ? tr("as it is") : tr("not there any more"));
            return;
        }
        const std::vector<uint8_t> bytes(held->second->begin(), held->second->end());
        const std::optional<ImageFacts> facts = image_facts(bytes);
        said->setText(facts ? tr("%1 × %2 px").arg(facts->width).arg(facts->height) : tr("no PNG or JPEG"));
    };
    row->addWidget(said, 1);
    auto* choose = new QPushButton(tr("Choose…"), place);
    choose->setObjectName(QStringLiteral("image_") + to_qstring(field.key));
    connect(choose, &QPushButton::clicked, this, [this, key, say] {
        const QString file =
            QFileDialog::getOpenFileName(this, tr("Choose an image"), QString(), tr("Images (*.png *.jpg *.jpeg)"));
        if (!file.isEmpty()) {
            take_image(key, file);
            say();
        }
    });
    connect(none, &QPushButton::clicked, this, [this, key, say] {
        step_.parameters.erase(key);
        drop_unused_data(step_);
        say();
        changed();
    });
    row->addWidget(choose);
    row->addWidget(none);
    say();
    return place;
}

void StepDialog::take_image(const std::string& key, const QString& file) {
    Result<std::string> bytes = read_file(file.toStdString());
    if (!bytes) {
        show_outcome(localized(bytes.problem().sentence()), false);
        return;
    }
    step_.parameters[key] = keep_data(step_, bytes.take());
    changed();
}

QWidget* StepDialog::make_lines(const Parameter& field, const QString& now) {
    auto* lines = new QPlainTextEdit(now, this);
    const bool long_list = field.kind == Parameter::Kind::rows;
    lines->setMinimumHeight(long_list ? 140 : 64);
    lines->setPlaceholderText(localized(field.form));
    connect(lines, &QPlainTextEdit::textChanged, this, &StepDialog::changed);
    readers_.emplace_back(
        [lines, field](nlohmann::json& to) { return set_parameter(to, field, lines->toPlainText()); });
    if (field.kind == Parameter::Kind::list && field.names == NameOf::clip) {
        return with_choice(field, lines, clips_of(before_.scene.get()),
                           tr("The clips that are there before this step"));
    }
    if (field.kind == Parameter::Kind::list && field.names == NameOf::source) {
        return with_choice(field, lines, takes_of(before_.sources.get()), tr("The sources that hold takes"));
    }
    return lines;
}

QWidget* StepDialog::with_choice(const Parameter& field, QPlainTextEdit* lines, const QStringList& names,
                                 const QString& hint) {
    auto* place = new QWidget(this);
    auto* row = new QHBoxLayout(place);
    row->setContentsMargins(0, 0, 0, 0);
    lines->setObjectName(QStringLiteral("lines_") + to_qstring(field.key));
    row->addWidget(lines, 1);
    // Each that is there can be put in or taken out with a click.
    auto* choose = new QPushButton(tr("Choose"), place);
    choose->setObjectName(QStringLiteral("choose_") + to_qstring(field.key));
    choose->setToolTip(hint);
    auto* menu = new QMenu(choose);
    for (const QString& name : names) {
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
    const std::scoped_lock lock(trial_->mutex);
    trial_->dialog = nullptr;
    trial_->waiting.reset();
    ++trial_->newest;
}

void StepDialog::show_outcome(const QString& outcome, bool fits) {
    outcome_->setText(outcome);
    outcome_->setStyleSheet(QStringLiteral("color: %1;").arg((fits ? theme().accent : theme().stop).name()));
}

/// Tries what waits until nothing does.
void StepDialog::try_out(const std::shared_ptr<Trial>& trial, const Before& before) {
    while (true) {
        Step step;
        uint64_t run = 0;
        {
            const std::scoped_lock lock(trial->mutex);
            if (!trial->waiting) {
                trial->busy = false;
                return;
            }
            step = std::move(*trial->waiting);
            trial->waiting.reset();
            run = trial->newest;
        }
        StepContext context{*before.scene, {}, [&] { return trial->newest != run; }};
        if (before.sources) {
            context.sources = *before.sources;
        }
        const Result<StepResult> result = apply_step(context, step);
        QString outcome = localized(result.ok() ? result->account : result.problem().sentence());
        for (const Text& left : result.ok() ? result->could_not : std::vector<Text>()) {
            outcome += QStringLiteral("\n") + localized(left);
        }
        const std::scoped_lock lock(trial->mutex);
        if (trial->dialog == nullptr) {
            trial->busy = false;
            return;
        }
        QMetaObject::invokeMethod(
            trial->dialog,
            [dialog = trial->dialog, trial, run, outcome, fits = result.ok()] {
                if (trial->newest == run) {
                    dialog->show_outcome(outcome, fits);
                }
            },
            Qt::QueuedConnection);
    }
}

void StepDialog::changed() {
    QString wrong;
    for (const auto& read : readers_) {
        const QString one = read(step_.parameters);
        wrong = wrong.isEmpty() ? one : wrong;
    }
    ++trial_->newest;
    if (!wrong.isEmpty()) {
        show_outcome(wrong, false);
    } else if (before_.scene) {
        show_outcome(tr("Trying it out…"), true);
        const std::scoped_lock lock(trial_->mutex);
        trial_->waiting = step_;
        if (!trial_->busy) {
            trial_->busy = true;
            QThreadPool::globalInstance()->start([trial = trial_, before = before_] { try_out(trial, before); });
        }
    } else {
        outcome_->clear();
    }
    accept_->setEnabled(wrong.isEmpty());
}

} // namespace wembrix::app
