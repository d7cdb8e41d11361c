#include "view/twin_view.h"

#include <QHBoxLayout>
#include <QVBoxLayout>
#include <algorithm>

namespace wembrix::app {

TwinView::TwinView(Camera& camera, Clock& clock, QWidget* parent) : QWidget(parent) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    auto* row = new QHBoxLayout;
    row->setSpacing(8);
    left_ = new Pane(State::received, camera, clock, this);
    right_ = new Pane(State::prepared, camera, clock, this);
    row->addWidget(left_, 1);
    row->addWidget(right_, 1);
    column->addLayout(row, 1);
    playback_ = new PlaybackBar(clock, this);
    column->addWidget(playback_);
}

void TwinView::show_state(const SessionState& state, const Destination* destination) {
    left_->show_scene(state.replay.received, state.received, destination);
    right_->show_scene(state.replay.prepared_scene(), state.prepared, destination);
    playback_->offer(state.replay.prepared());
    share_scale();
}

void TwinView::clear(const QString& why) {
    left_->clear(why.isEmpty() ? tr("What the sources hold stands here.") : why);
    right_->clear(why.isEmpty() ? tr("What the route card makes of it stands here, seen from the same side.") : why);
    playback_->offer_nothing();
}

void TwinView::set_joints_shown(bool shown) {
    left_->view().set_joints_shown(shown);
    right_->view().set_joints_shown(shown);
}

void TwinView::set_same_scale(bool same) {
    same_scale_ = same;
    share_scale();
}

void TwinView::share_scale() {
    const double larger = same_scale_ ? std::max(left_->view().height_m(), right_->view().height_m()) : 0;
    left_->view().set_shared_height(larger);
    right_->view().set_shared_height(larger);
}

} // namespace wembrix::app
