#include "view/twin_view.h"

#include <QButtonGroup>
#include <QHBoxLayout>
#include <QPainter>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>

namespace wembrix::app {

TwinView::TwinView(Camera& camera, Clock& clock, Selection& selection, ArrivedScene arrived, QWidget* parent)
    : QWidget(parent), clock_(clock), arrived_(std::move(arrived)) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    column->setSizeConstraint(QLayout::SetNoConstraint);
    auto* row = new QHBoxLayout;
    row->setSpacing(8);
    left_ = new Pane(State::received, camera, clock, this);
    right_ = new Pane(State::prepared, camera, clock, this);
    row->addWidget(left_, 1);
    row->addWidget(right_, 1);
    column->addLayout(row, 1);
    foot_ = new QBoxLayout(QBoxLayout::LeftToRight);
    foot_->setSpacing(6);
    auto* modes = new QHBoxLayout;
    modes->setSpacing(4);
    modes_ = new QButtonGroup(this);
    const struct {
        TwinMode mode;
        const char* name;
        QString text;
        QString tip;
    } rows[] = {{TwinMode::side_by_side, "sideBySide", tr("Beside"), tr("The two states side by side")},
                {TwinMode::overlaid, "overlaid", tr("Over"), tr("The left state drawn over the right one")},
                {TwinMode::difference, "difference", tr("Apart"),
                 tr("How far every vertex of the right state is from where the left one has it")}};
    for (const auto& one : rows) {
        auto* button = new QPushButton(one.text, this);
        button->setObjectName(QString::fromUtf8(one.name));
        button->setProperty("mode", true);
        button->setCheckable(true);
        button->setToolTip(one.tip);
        modes_->addButton(button, static_cast<int>(one.mode));
        modes->addWidget(button);
    }
    modes_->button(0)->setChecked(true);
    connect(modes_, &QButtonGroup::idClicked, this, [this](int id) { set_mode(static_cast<TwinMode>(id)); });
    playback_ = new PlaybackBar(clock, this);
    modes->addStretch(1);
    foot_->addLayout(modes);
    foot_->addWidget(playback_, 1);
    column->addLayout(foot_);
    for (Pane* pane : {left_, right_}) {
        pane->view().set_selection(&selection);
        connect(pane, &Pane::stateChosen, this, &TwinView::refresh);
        connect(&pane->view(), &SceneView::ready, this, &TwinView::share_scale);
    }
    connect(&clock_, &Clock::clipChanged, this, [this] {
        if (left_->state() == State::arrived || right_->state() == State::arrived) {
            refresh();
        }
    });
}

void TwinView::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    // In a narrow place the clock goes below the modes.
    constexpr int narrow = 500;
    foot_->setDirection(width() < narrow ? QBoxLayout::TopToBottom : QBoxLayout::LeftToRight);
}

TwinView::Part TwinView::part_of(State state) const {
    switch (state) {
    case State::received:
        if (instead_) {
            return {instead_, std::nullopt};
        }
        return {state_->replay.received, state_->received};
    case State::prepared:
        return {state_->replay.prepared_scene(), state_->prepared};
    case State::arrived:
        break;
    }
    return {arrived_(clock_.clip()), std::nullopt};
}

std::optional<Other> TwinView::other_for(State own, State other) const {
    const Part part = part_of(other);
    if (!part.scene) {
        return std::nullopt;
    }
    Other second;
    second.scene = part.scene;
    second.state = other;
    second.as_difference = mode_ == TwinMode::difference;
    const bool through_a_file = own == State::arrived || other == State::arrived;
    second.matching = through_a_file ? Matching::name : Matching::identity;
    if (other == State::received && own != State::received) {
        second.moved = state_->replay.moved();
    } else if (own == State::received && other != State::received) {
        second.moved = state_->replay.moved().inverse();
    }
    if (through_a_file && (own == State::received || other == State::received)) {
        // Names changed on the trajectory; nothing but place can be compared.
        second.as_difference = false;
    }
    return second;
}

void TwinView::refresh() {
    if (!state_) {
        return;
    }
    const Destination* destination = destination_ ? &*destination_ : nullptr;
    const auto put = [&](Pane& pane) {
        const Part part = part_of(pane.state());
        if (part.scene) {
            pane.show_scene(part.scene, part.facts, destination);
        } else {
            pane.clear(tr("Nothing of this has arrived yet. Deliver it, and what was read back stands here."));
        }
    };
    left_->setVisible(mode_ == TwinMode::side_by_side && !alone_);
    if (mode_ == TwinMode::side_by_side || alone_) {
        if (!alone_) {
            put(*left_);
            left_->say_other(instead_ && left_->state() == State::received ? instead_name_ : QString());
        }
        right_->view().show_other(std::nullopt);
        right_->say_other(QString());
    } else {
        right_->view().show_other(other_for(right_->state(), left_->state()));
        const QString name = state_name(left_->state());
        const bool told = mode_ == TwinMode::difference && right_->view().other_is_compared();
        right_->say_other(told ? tr("how far from %1").arg(name)
                          : mode_ == TwinMode::difference
                              ? tr("with %1 over it; names changed, so distances are not told").arg(name)
                              : tr("with %1 over it").arg(name));
    }
    put(*right_);
    share_marks();
    share_scale();
}

void TwinView::show_state(std::shared_ptr<const SessionState> state, const std::optional<Destination>& destination) {
    const bool fresh = state != state_;
    state_ = std::move(state);
    destination_ = destination;
    if (fresh) {
        playback_->offer(state_->replay.prepared(), *state_->replay.received);
    }
    refresh();
}

void TwinView::clear(const QString& why) {
    state_.reset();
    left_->clear(why.isEmpty() ? tr("What the sources hold stands here.") : why);
    right_->clear(why.isEmpty() ? tr("What the route card makes of it stands here, seen from the same side.") : why);
    playback_->offer_nothing();
}

void TwinView::set_mode(TwinMode mode) {
    if (mode_ == mode) {
        return;
    }
    mode_ = mode;
    modes_->button(static_cast<int>(mode))->setChecked(true);
    refresh();
    Q_EMIT modeChanged();
}

void TwinView::set_alone(bool alone) {
    if (alone_ == alone) {
        return;
    }
    alone_ = alone;
    for (QAbstractButton* button : modes_->buttons()) {
        button->setVisible(!alone);
    }
    // The person and the rod stand in the way of a surface that is looked at closely.
    Shown shown = shown_;
    shown.tools = shown.tools && !alone;
    right_->view().set_shown(shown);
    if (alone) {
        before_alone_ = right_->state();
        right_->choose_state(State::prepared);
    } else {
        right_->choose_state(before_alone_);
    }
    refresh();
}

void TwinView::show_colours(const std::shared_ptr<const VertexColours>& colours) {
    colours_ = colours;
    share_marks();
}

void TwinView::hold_shapes(std::vector<HeldShapes> held) {
    held_ = std::move(held);
    share_marks();
}

void TwinView::set_shown(const Shown& shown) {
    shown_ = shown;
    left_->view().set_shown(shown);
    Shown on_the_right = shown;
    on_the_right.tools = shown.tools && !alone_;
    right_->view().set_shown(on_the_right);
    Q_EMIT shownChanged();
}

SceneView* TwinView::prepared_view() {
    for (Pane* pane : {right_, left_}) {
        if (pane->isVisible() && pane->state() == State::prepared) {
            return &pane->view();
        }
    }
    return nullptr;
}

void TwinView::show_trajectory(const std::shared_ptr<const Trajectory>& trajectory) {
    trajectory_ = trajectory;
    share_marks();
}

void TwinView::set_round_on(const Mat4& on) {
    round_on_ = on;
    share_marks();
}

void TwinView::show_ends(bool shown) {
    ends_ = shown;
    share_marks();
}

void TwinView::share_marks() {
    for (Pane* pane : {left_, right_}) {
        const bool prepared = pane->state() == State::prepared;
        pane->view().show_trajectory(prepared ? trajectory_ : nullptr);
        pane->view().set_round_on(prepared ? round_on_ : Mat4(Mat4::Identity()));
        pane->view().show_colours(prepared ? colours_ : nullptr);
        pane->view().hold_shapes(prepared ? held_ : std::vector<HeldShapes>());
        pane->view().show_ends(prepared && ends_ && mode_ == TwinMode::side_by_side);
    }
}

void TwinView::set_same_scale(bool same) {
    same_scale_ = same;
    share_scale();
}

void TwinView::show_in_place_of_received(std::shared_ptr<const Scene> scene, const QString& name) {
    if (instead_ == scene) {
        return;
    }
    instead_ = std::move(scene);
    instead_name_ = name;
    refresh();
}

void TwinView::set_playback_shown(bool shown) {
    playback_->setVisible(shown);
}

void TwinView::frame_selection() {
    right_->view().frame_selection();
}

void TwinView::share_scale() {
    const bool both = same_scale_ && mode_ == TwinMode::side_by_side;
    const double larger = both ? std::max(left_->view().height_m(), right_->view().height_m()) : 0;
    left_->view().set_shared_height(larger);
    right_->view().set_shared_height(larger);
}

QImage TwinView::picture() {
    std::vector<Pane*> panes;
    if (left_->isVisible()) {
        panes.push_back(left_);
    }
    panes.push_back(right_);
    std::vector<QImage> images;
    int width = 0;
    int height = 0;
    for (Pane* pane : panes) {
        images.push_back(pane->view().grabFramebuffer());
        width += images.back().width();
        height = std::max(height, images.back().height());
    }
    constexpr int caption = 26;
    const int gap = 8 * (static_cast<int>(panes.size()) - 1);
    QImage all(width + gap, height + caption, QImage::Format_RGB32);
    all.fill(theme().card);
    QPainter painter(&all);
    int x = 0;
    for (size_t i = 0; i < panes.size(); ++i) {
        painter.fillRect(QRect(x, 0, images[i].width(), 3), theme().of(panes[i]->state()));
        QFont bold = font();
        bold.setWeight(QFont::DemiBold);
        painter.setFont(bold);
        painter.setPen(theme().of(panes[i]->state()));
        const QString moment = clock_.words();
        painter.drawText(QRect(x + 8, 4, images[i].width() - 16, caption - 4), Qt::AlignLeft | Qt::AlignVCenter,
                         tr("%1 · %2").arg(state_name(panes[i]->state()), moment));
        painter.drawImage(x, caption, images[i]);
        x += images[i].width() + 8;
    }
    return all;
}

} // namespace wembrix::app
