#include "stations/joints/joints_station.h"

#include "core/job/card_edits.h"
#include "style/look.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QVBoxLayout>

namespace wembrix::app {

JointsStation::JointsStation(Document& document, Session& session, Selection& selection, QWidget* parent)
    : StationPage(parent), document_(document), session_(session), selection_(selection) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(10, 10, 10, 8);
    row->setSpacing(10);
    auto* card = new QFrame(this);
    card->setObjectName(QStringLiteral("card"));
    auto* column = new QVBoxLayout(card);
    column->setContentsMargins(8, 8, 8, 8);
    column->setSpacing(5);
    auto* top = new QHBoxLayout;
    received_ = new QLabel(card);
    received_->setStyleSheet(QStringLiteral("font-weight: 600; color: %1;").arg(look().received.name()));
    top->addWidget(received_);
    search_ = new QLineEdit(card);
    search_->setObjectName(QStringLiteral("jointSearch"));
    search_->setPlaceholderText(tr("Find a joint by its old or new name"));
    search_->setClearButtonEnabled(true);
    top->addStretch(1);
    top->addWidget(search_, 3);
    top->addStretch(1);
    prepared_ = new QLabel(card);
    prepared_->setStyleSheet(QStringLiteral("font-weight: 600; color: %1;").arg(look().prepared.name()));
    top->addWidget(prepared_);
    auto* held = new QLabel(tr("points held"), card);
    held->setObjectName(QStringLiteral("soft"));
    held->setContentsMargins(16, 0, 12, 0);
    top->addWidget(held);
    column->addLayout(top);
    ladder_ = new JointLadder(selection, card);
    column->addWidget(ladder_, 1);
    counts_ = new QLabel(card);
    counts_->setObjectName(QStringLiteral("ladderCounts"));
    counts_->setTextFormat(Qt::RichText);
    column->addWidget(counts_);
    rules_ = new RuleBox(document, session, card);
    column->addWidget(rules_);
    row->addWidget(card, 17);
    auto* side = new QVBoxLayout;
    side->setSpacing(8);
    place_ = new QWidget(this);
    auto* place_column = new QVBoxLayout(place_);
    place_column->setContentsMargins(0, 0, 0, 0);
    side->addWidget(place_, 5);
    facts_ = new JointFacts(session, selection, this);
    facts_->setMinimumHeight(272);
    side->addWidget(facts_, 3);
    row->addLayout(side, 10);
    connect(search_, &QLineEdit::textChanged, ladder_, &JointLadder::set_filter);
    connect(&session_, &Session::changed, this, &JointsStation::refresh);
    connect(ladder_, &JointLadder::renamed, this, [this](qlonglong identity, const QString& name) {
        const std::shared_ptr<const SessionState> state = session_.state();
        const int taken = state ? state->replay.prepared().find_node(name.toStdString()) : -1;
        if (taken >= 0 && state->replay.prepared().nodes[taken].identity != identity) {
            counts_->setText(QStringLiteral("<b><font color='%1'>%2</font></b>")
                                 .arg(look().stop.name(), tr("“%1” is taken already; the name stays.").arg(name)));
        } else if (state) {
            document_.edit(tr("Rename to %1").arg(name),
                           [&](Job& job) { rename_one(job, state->replay, identity, name.toStdString()); });
        }
    });
    connect(ladder_, &JointLadder::dropAsked, this, &JointsStation::drop_chosen);
    connect(facts_, &JointFacts::dropAsked, this, &JointsStation::drop_chosen);
    refresh();
}

void JointsStation::take_view(TwinView& twin) {
    place_->layout()->addWidget(&twin);
    twin.set_mode(TwinMode::overlaid);
    twin.show();
}

void JointsStation::drop_chosen() {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!state) {
        return;
    }
    std::vector<std::string> names;
    const Scene& prepared = state->replay.prepared();
    for (const int node : selection_.nodes_in(prepared)) {
        if (prepared.nodes[node].kind == NodeKind::joint) {
            names.push_back(prepared.nodes[node].name);
        }
    }
    if (names.empty()) {
        return;
    }
    document_.edit(names.size() == 1 ? tr("Drop %1").arg(QString::fromStdString(names[0]))
                                     : tr("Drop %1 joints").arg(names.size()),
                   [&](Job& job) { drop_by_name(job, names); });
}

void JointsStation::refresh() {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!state) {
        received_->setText(tr("Received"));
        prepared_->setText(tr("Prepared"));
        counts_->clear();
        ladder_->clear();
        shown_received_.reset();
        shown_prepared_.reset();
        return;
    }
    if (shown_received_ == state->replay.received && shown_prepared_ == state->replay.prepared_scene()) {
        return;
    }
    shown_received_ = state->replay.received;
    shown_prepared_ = state->replay.prepared_scene();
    ladder_->show_ladder(make_ladder(*shown_received_, state->received.held, *shown_prepared_, state->prepared.held));
    received_->setText(tr("Received · %1").arg(state->received.joints));
    prepared_->setText(tr("Prepared · %1").arg(state->prepared.joints));
    const Ladder& ladder = ladder_->ladder();
    const auto number = [](size_t count, const QColor& colour) {
        return QStringLiteral("<b><font color='%1'>%2</font></b>").arg(colour.name()).arg(count);
    };
    counts_->setText(
        tr("%1 renamed &nbsp; %2 added &nbsp; %3 dropped, weights along the dashed line &nbsp; %4 under another joint")
            .arg(number(ladder.renamed, look().accent), number(ladder.added, look().accent),
                 number(ladder.dropped, look().look), number(ladder.moved, look().ink)));
}

} // namespace wembrix::app
