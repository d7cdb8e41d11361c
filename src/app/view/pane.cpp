#include "view/pane.h"
#include "style/language.h"
#include "style/numbers.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QPainter>
#include <QToolButton>
#include <QVBoxLayout>

namespace wembrix::app {

Pane::Pane(State state, Camera& camera, Clock& clock, QWidget* parent) : QFrame(parent), state_(state) {
    setObjectName(QStringLiteral("card"));
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(1, 4, 1, 1);
    column->setSpacing(0);
    auto* top = new QHBoxLayout;
    top->setContentsMargins(4, 2, 8, 2);
    states_ = new QToolButton(this);
    states_->setPopupMode(QToolButton::InstantPopup);
    states_->setToolTip(tr("Which of the three states this pane shows"));
    auto* menu = new QMenu(states_);
    for (const State one : {State::received, State::prepared, State::arrived}) {
        menu->addAction(state_name(one), this, [this, one] {
            choose_state(one);
            Q_EMIT stateChosen(state_);
        });
    }
    states_->setMenu(menu);
    top->addWidget(states_);
    other_ = new QLabel(this);
    other_->setObjectName(QStringLiteral("soft"));
    top->addWidget(other_, 1);
    column->addLayout(top);
    view_ = new SceneView(state, camera, clock, this);
    column->addWidget(view_, 1);
    facts_ = new QLabel(this);
    facts_->setTextFormat(Qt::RichText);
    facts_->setWordWrap(true);
    facts_->setMinimumHeight(44);
    facts_->setContentsMargins(8, 5, 8, 5);
    column->addWidget(facts_);
    choose_state(state);
}

void Pane::choose_state(State state) {
    state_ = state;
    states_->setText(state_name(state) + QStringLiteral(" ▾"));
    dress();
}

void Pane::dress() {
    states_->setStyleSheet(QStringLiteral("QToolButton { font-weight: 600; color: %1; border: none; "
                                          "background: transparent; padding: 3px 4px; }"
                                          "QToolButton::menu-indicator { image: none; }")
                               .arg(theme().of(state_).name()));
    const QString name = state_id(state_);
    states_->setObjectName(name + QStringLiteral("State"));
    view_->setObjectName(name + QStringLiteral("View"));
    view_->setAccessibleName(tr("View of %1").arg(state_name(state_)));
    facts_->setObjectName(name + QStringLiteral("Facts"));
    update();
}

void Pane::say_other(const QString& words) {
    other_->setText(words);
}

void Pane::show_scene(std::shared_ptr<const Scene> scene, const std::optional<SceneFacts>& facts,
                      const Destination* destination) {
    view_->show_scene(std::move(scene), facts, state_);
    if (facts) {
        say_facts(*facts, destination);
    } else {
        facts_->clear();
    }
}

void Pane::say_facts(const SceneFacts& facts, const Destination* destination) {
    const auto wrong = [](const QString& text) {
        return QStringLiteral("<b><font color='%1'>%2</font></b>")
            .arg(theme().stop.name(), QString(text).replace(QLatin1Char(' '), QChar(0xA0)));
    };
    QStringList parts;
    QString tall = tr("%1 m tall").arg(facts.height_m, 0, 'f', facts.height_m < 10 ? 2 : 1);
    if (state_ != State::received && destination != nullptr) {
        tall += QStringLiteral(" = ") + localized(destination->in_units(facts.height_m));
    }
    parts << (facts.odd_size ? wrong(tall) : tall);
    parts << (facts.facing ? tr("faces %1").arg(QString::fromUtf8(axis_name(*facts.facing).data()))
                           : tr("facing not told"));
    const QString roots = counted(facts.roots, "root");
    parts << (facts.roots > 1 ? wrong(roots) : roots);
    parts << counted(facts.joints, "joint");
    if (facts.holders > 0) {
        parts << wrong(facts.holders == 1 ? tr("a parent transform rotates or scales")
                                          : tr("%1 parent transforms rotate or scale").arg(facts.holders));
    }
    parts << (facts.scales_one ? tr("all scales 1") : wrong(tr("scales differ from 1")));
    for (QString& part : parts) {
        if (!part.startsWith(QLatin1Char('<'))) {
            part.replace(QLatin1Char(' '), QChar(0xA0)); // a fact does not break in the middle
        }
    }
    facts_->setText(parts.join(QStringLiteral("&nbsp;&nbsp; ")));
}

void Pane::clear(const QString& why) {
    view_->clear(why);
    facts_->clear();
}

QString Pane::facts_text() const {
    return facts_->text();
}

void Pane::paintEvent(QPaintEvent* event) {
    QFrame::paintEvent(event);
    QPainter painter(this);
    painter.fillRect(QRect(0, 0, width(), 3), theme().of(state_));
}

} // namespace wembrix::app
