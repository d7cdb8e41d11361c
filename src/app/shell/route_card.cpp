#include "shell/route_card.h"

#include "core/job/card_edits.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"

#include "session/library.h"
#include "session/step_presets.h"
#include "shell/step_card.h"
#include "shell/step_chooser.h"
#include "shell/step_dialog.h"
#include "style/numbers.h"
#include "style/shortcuts.h"
#include "style/theme.h"

#include <QApplication>
#include <QCheckBox>
#include <QClipboard>
#include <QContextMenuEvent>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QMessageBox>
#include <QPainter>
#include <QPushButton>
#include <QScrollArea>
#include <QTimer>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>

namespace wembrix::app {

RouteCard::RouteCard(Document& document, Session& session, QWidget* parent)
    : QWidget(parent), document_(document), session_(session) {
    setObjectName(QStringLiteral("route"));
    setAttribute(Qt::WA_StyledBackground);
    setFixedWidth(226);
    auto* outer = new QVBoxLayout(this);
    outer->setContentsMargins(10, 10, 10, 8);
    outer->setSpacing(6);
    auto* title = new QLabel(tr("Route card"), this);
    title->setObjectName(QStringLiteral("cardTitle"));
    auto* head = new QHBoxLayout;
    head->addWidget(title, 1);
    auto* more = new QToolButton(this);
    more->setObjectName(QStringLiteral("cardMenu"));
    more->setText(QStringLiteral("…"));
    more->setAutoRaise(true);
    more->setPopupMode(QToolButton::InstantPopup);
    more->setToolTip(tr("Presets; copy and paste steps"));
    more->setAccessibleName(tr("Route card: presets, copy and paste"));
    auto* menu = new QMenu(more);
    connect(menu, &QMenu::aboutToShow, this, [this, menu] { fill_menu(*menu); });
    more->setMenu(menu);
    more->setStyleSheet(QStringLiteral("QToolButton::menu-indicator { image: none; }"));
    head->addWidget(more);
    auto* fold = new QToolButton(this);
    fold->setObjectName(QStringLiteral("foldCard"));
    fold->setText(QStringLiteral("›"));
    fold->setAutoRaise(true);
    fold->setToolTip(with_shortcut(tr("Fold the route card away"), Shortcut::fold_card));
    connect(fold, &QToolButton::clicked, this, &RouteCard::foldAsked);
    head->addWidget(fold);
    outer->addLayout(head);
    auto* scroll = scroll_ = new QScrollArea(this);
    scroll->setFocusPolicy(Qt::NoFocus); // the cards in it take the keys
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_ = new QWidget(scroll);
    column_ = new QVBoxLayout(list_);
    column_->setContentsMargins(0, 0, 2, 0);
    column_->setSpacing(7);
    hint_ = new QLabel(list_);
    hint_->setWordWrap(true);
    hint_->setObjectName(QStringLiteral("soft"));
    hint_->setProperty("cardHint", true);
    hint_->setStyleSheet(QStringLiteral("font-size: 11px;"));
    column_->addWidget(hint_);
    column_->addStretch(1);
    scroll->setWidget(list_);
    outer->addWidget(scroll, 1);
    auto* add = new QPushButton(tr("Add a step…"), this);
    add->setObjectName(QStringLiteral("addStep"));
    connect(add, &QPushButton::clicked, this, &RouteCard::choose_step);
    outer->addWidget(add);
    connect(&document_, &Document::jobChanged, this, &RouteCard::rebuild);
    connect(&session_, &Session::changed, this, &RouteCard::rebuild);
    rebuild();
}

void RouteCard::see_step(size_t index) {
    // When the cards have their places.
    QTimer::singleShot(0, this, [this, index] {
        if (index < cards_.size()) {
            scroll_->ensureWidgetVisible(cards_[index]);
        }
    });
}

void RouteCard::see_end() {
    see_step(document_.job().steps.empty() ? 0 : document_.job().steps.size() - 1);
}

void RouteCard::see_new_step() {
    const std::vector<Step>& steps = document_.job().steps;
    if (steps.size() > shown_.size() && !shown_.empty()) {
        see_step(
            static_cast<size_t>(std::mismatch(shown_.begin(), shown_.end(), steps.begin()).second - steps.begin()));
    }
    shown_ = steps;
}

void RouteCard::rebuild() {
    findChild<QPushButton*>(QStringLiteral("addStep"))->setEnabled(session_.state() != nullptr);
    const std::vector<Step>& steps = document_.job().steps;
    while (cards_.size() > steps.size()) {
        cards_.back()->hide();
        cards_.back()->deleteLater();
        cards_.pop_back();
    }
    while (cards_.size() < steps.size()) {
        add_card();
    }
    // Each keeps its place and shows another step: what a person holds, or has a menu open on, stays where it is.
    const std::shared_ptr<const SessionState> state = session_.state();
    for (size_t i = 0; i < steps.size(); ++i) {
        const StepOutcome* outcome = nullptr;
        if (state && i < state->replay.outcomes.size() && state->replay.outcomes[i].step == steps[i]) {
            outcome = &state->replay.outcomes[i];
        }
        cards_[i]->show_step(steps[i], outcome);
    }
    hint_->setText(steps.empty()
                       ? tr("No steps yet. Findings at the intake offer the step that mends them; every step is "
                            "replayed when a source changes.")
                       : tr("Replayed on every source. Drag to reorder; clear a tick to see the job without a step."));
    see_new_step();
}

void RouteCard::add_card() {
    const size_t place = cards_.size();
    auto* card = new StepCard(static_cast<int>(place) + 1, list_);
    connect(card, &StepCard::switched, this, [this, place](bool on) {
        const QString label = label_of(document_.job().steps[place].id);
        document_.edit((on ? tr("Switch on %1") : tr("Switch off %1")).arg(label),
                       [&](Job& job) { job.steps[place].on = on; });
    });
    connect(card, &StepCard::editAsked, this, [this, place] { edit_step(place); });
    connect(card, &StepCard::removeAsked, this, [this, place] {
        document_.edit(tr("Remove %1").arg(label_of(document_.job().steps[place].id)),
                       [&](Job& job) { job.steps.erase(job.steps.begin() + static_cast<ptrdiff_t>(place)); });
    });
    connect(card, &StepCard::keepAsked, this, [this, place] { keep_as_preset({document_.job().steps[place]}, false); });
    connect(card, &StepCard::moveAsked, this,
            [this, place](int by) { move_step(place, place + static_cast<size_t>(by)); });
    connect(card, &StepCard::dropped, this, [this, place](const QPoint& global) {
        const size_t above = place_at(global);
        move_step(place, above > place ? above - 1 : above);
    });
    column_->insertWidget(static_cast<int>(place), card);
    cards_.push_back(card);
}

size_t RouteCard::place_at(const QPoint& global) const {
    return static_cast<size_t>(std::count_if(cards_.begin(), cards_.end(), [&](const StepCard* card) {
        return global.y() > card->mapToGlobal(QPoint(0, card->height() / 2)).y();
    }));
}

void RouteCard::move_step(size_t from, size_t to) {
    const size_t count = document_.job().steps.size();
    if (to >= count || to == from) {
        return;
    }
    document_.edit(tr("Move %1").arg(label_of(document_.job().steps[from].id)), [&](Job& job) {
        const Step step = job.steps[from];
        job.steps.erase(job.steps.begin() + static_cast<ptrdiff_t>(from));
        job.steps.insert(job.steps.begin() + static_cast<ptrdiff_t>(to), step);
    });
}

void RouteCard::choose_step() {
    StepChooser chooser(this);
    if (chooser.exec() == QDialog::Accepted) {
        if (const std::optional<StepPreset> preset = chooser.chosen_preset()) {
            add_steps(preset->name, preset->steps);
        } else {
            add_step(chooser.chosen());
        }
    }
}

void RouteCard::add_steps(const QString& name, const std::vector<Step>& steps) {
    document_.edit(tr("Add %1").arg(name), [&](Job& job) {
        for (const Step& step : steps) {
            add_step_at_its_place(job, step);
        }
    });
}

void RouteCard::fill_menu(QMenu& menu) {
    menu.clear();
    const std::vector<Step>& steps = document_.job().steps;
    QAction* keep =
        menu.addAction(tr("&Keep all as a preset…"), this, [this] { keep_as_preset(document_.job().steps, false); });
    QAction* team =
        menu.addAction(tr("Keep all for the &team…"), this, [this] { keep_as_preset(document_.job().steps, true); });
    menu.addSeparator();
    QAction* copy = menu.addAction(tr("&Copy all steps"), this, &RouteCard::copy_all);
    QAction* put = menu.addAction(tr("&Paste steps"), this, &RouteCard::paste);
    keep->setEnabled(!steps.empty());
    team->setEnabled(!steps.empty() && !team_folder().isEmpty());
    copy->setEnabled(!steps.empty());
    put->setEnabled(session_.state() != nullptr && card_from_text(QApplication::clipboard()->text()).has_value());
}

void RouteCard::keep_as_preset(const std::vector<Step>& steps, bool for_team) {
    bool is_said = false;
    const QString name =
        QInputDialog::getText(this, tr("Keep as a preset"), tr("Name of the preset:"), QLineEdit::Normal,
                              steps.size() == 1 ? label_of(steps.front().id) : QString(), &is_said);
    if (!is_said) {
        return;
    }
    if (const QString problem = save_preset(name, steps, for_team); !problem.isEmpty()) {
        QMessageBox::warning(this, tr("Preset"), problem);
    }
}

void RouteCard::copy_all() {
    std::vector<Step> steps;
    QStringList left;
    for (const Step& step : document_.job().steps) {
        if (step.data.empty()) {
            steps.push_back(step);
        } else {
            left << label_of(step.id);
        }
    }
    if (!steps.empty()) {
        QApplication::clipboard()->setText(card_as_text(steps));
    }
    if (!left.isEmpty()) {
        QMessageBox::information(
            this, tr("Copy all steps"),
            tr("Made by hand on this job's surfaces, and not copied: %1.").arg(left.join(QStringLiteral(", "))));
    }
}

void RouteCard::paste() {
    if (const auto steps = card_from_text(QApplication::clipboard()->text())) {
        add_steps(tr("Paste %1").arg(counted(steps->size(), "step")), *steps);
    }
}

void RouteCard::add_step(const std::string& id) {
    Step step{id};
    step.parameters = starting_values(step_kind(id)->parameters);
    if (id == "split_take") {
        const std::shared_ptr<const SessionState> now = session_.state();
        if (now && !now->replay.prepared().clips.empty()) {
            step.parameters["take"] = now->replay.prepared().clips.front().name;
        }
    }
    add_step(std::move(step));
}

void RouteCard::add_step(Step step) {
    const std::shared_ptr<const SessionState> state = session_.state();
    const std::string id = step.id;
    StepDialog::Before before;
    if (state) {
        before = {state->replay.prepared_scene(), state->replay.sources};
    }
    StepDialog dialog(std::move(step), std::move(before), this);
    if (dialog.exec() == QDialog::Accepted) {
        document_.edit(tr("Add %1").arg(label_of(id)), [&](Job& job) { add_step_at_its_place(job, dialog.step()); });
    }
}

void RouteCard::edit_step(size_t index) {
    const Step step = document_.job().steps[index];
    const std::shared_ptr<const SessionState> state = session_.state();
    StepDialog::Before before;
    if (state && index <= state->replay.outcomes.size()) {
        before = {index == 0 ? state->replay.received : state->replay.outcomes[index - 1].scene, state->replay.sources};
    }
    StepDialog dialog(step, std::move(before), this, false);
    if (dialog.exec() == QDialog::Accepted) {
        document_.edit(tr("Edit %1").arg(label_of(step.id)), [&](Job& job) {
            job.steps[index].parameters = dialog.step().parameters;
            job.steps[index].data = dialog.step().data;
        });
    }
}

} // namespace wembrix::app
