#include "stations/joints/joints_station.h"

#include "core/job/card_edits.h"
#include "style/theme.h"
#include "view/tools/place_tool.h"

#include <Eigen/LU>
#include <QButtonGroup>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QStackedWidget>
#include <QVBoxLayout>
#include <cmath>

namespace wembrix::app {

JointsStation::JointsStation(const StationContext& context, QWidget* parent)
    : StationPage(parent), document_(context.document), session_(context.session), selection_(context.selection) {
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(10, 8, 10, 8);
    whole->setSpacing(0);
    face_row_ = new QWidget(this);
    auto* top = new QHBoxLayout(face_row_);
    top->setContentsMargins(0, 0, 0, 0);
    top->setSpacing(4);
    face_buttons_ = new QButtonGroup(this);
    const QString names[] = {tr("Ladder"), tr("Build")};
    const char* ids[] = {"ladderFace", "buildFace"};
    const QString tips[] = {tr("What came in, and what became of each joint"),
                            tr("A skeleton for a surface that has none: a plan, fitted by guide points")};
    for (int i = 0; i < 2; ++i) {
        auto* button = new QPushButton(names[i], face_row_);
        button->setObjectName(QString::fromUtf8(ids[i]));
        button->setProperty("mode", true);
        button->setCheckable(true);
        button->setChecked(i == 0);
        button->setToolTip(tips[i]);
        face_buttons_->addButton(button, i);
        top->addWidget(button);
    }
    top->addStretch(1);
    faces_ = new QStackedWidget(this);
    faces_->addWidget(make_ladder_face(document_, session_, selection_));
    faces_->addWidget(make_build_face());
    whole->addWidget(faces_, 1);
    ladder_side_->insertWidget(0, face_row_);
    connect(face_buttons_, &QButtonGroup::idClicked, this, [this](int id) { show_face(static_cast<Face>(id)); });
    connect(&session_, &Session::changed, this, &JointsStation::refresh);
    refresh();
}

QWidget* JointsStation::make_build_face() {
    auto* face = new QWidget(this);
    auto* row = new QHBoxLayout(face);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(10);
    build_place_ = new QWidget(face);
    auto* place_column = new QVBoxLayout(build_place_);
    place_column->setContentsMargins(0, 0, 0, 0);
    build_side_ = new QVBoxLayout;
    build_side_->setSpacing(8);
    build_side_->addWidget(build_place_, 1);
    row->addLayout(build_side_, 13);
    auto* card = new QFrame(face);
    card->setObjectName(QStringLiteral("card"));
    auto* column = new QVBoxLayout(card);
    column->setContentsMargins(10, 10, 10, 10);
    build_ = new BuildPanel(document_, session_, card);
    column->addWidget(build_);
    row->addWidget(card, 10);
    connect(build_, &BuildPanel::guidesMoved, this, [this] {
        SceneView* view = twin_ == nullptr ? nullptr : twin_->prepared_view();
        if (view != nullptr && isVisible() && faces_->currentIndex() == static_cast<int>(Face::build)) {
            view->update();
        }
    });
    return face;
}

QWidget* JointsStation::make_ladder_face(Document& document, Session& session, Selection& selection) {
    auto* face = new QWidget(this);
    auto* row = new QHBoxLayout(face);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(10);
    auto* card = new QFrame(face);
    card->setObjectName(QStringLiteral("card"));
    auto* column = new QVBoxLayout(card);
    column->setContentsMargins(8, 8, 8, 8);
    column->setSpacing(5);
    auto* top = new QHBoxLayout;
    received_ = new QLabel(card);
    received_->setStyleSheet(QStringLiteral("font-weight: 600; color: %1;").arg(theme().received.name()));
    top->addWidget(received_);
    search_ = new QLineEdit(card);
    search_->setObjectName(QStringLiteral("jointSearch"));
    search_->setAccessibleName(tr("Find a joint"));
    search_->setPlaceholderText(tr("Find a joint by its old or new name"));
    search_->setClearButtonEnabled(true);
    top->addStretch(1);
    top->addWidget(search_, 3);
    top->addStretch(1);
    prepared_ = new QLabel(card);
    prepared_->setStyleSheet(QStringLiteral("font-weight: 600; color: %1;").arg(theme().prepared.name()));
    top->addWidget(prepared_);
    held_ = new QLabel(tr("weighted vertices"), card);
    held_->setObjectName(QStringLiteral("soft"));
    held_->setContentsMargins(16, 0, 12, 0);
    top->addWidget(held_);
    column->addLayout(top);
    ladder_ = new JointLadder(selection, card);
    column->addWidget(ladder_, 1);
    empty_ = offer(tr("No joints yet. Import a rigged model: what came in stands here on the left, what each joint "
                      "became on the right."),
                   card);
    column->addWidget(empty_, 1);
    counts_ = new QLabel(card);
    counts_->setObjectName(QStringLiteral("ladderCounts"));
    counts_->setTextFormat(Qt::RichText);
    counts_->setWordWrap(true);
    column->addWidget(counts_);
    rules_ = new RuleBox(document, session, card);
    column->addWidget(rules_);
    row->addWidget(card, 17);
    auto* side = new QVBoxLayout;
    ladder_side_ = side;
    side->setSpacing(8);
    place_ = new QWidget(face);
    auto* place_column = new QVBoxLayout(place_);
    place_column->setContentsMargins(0, 0, 0, 0);
    side->addWidget(place_, 5);
    facts_ = new JointFacts(session, selection, face);
    facts_->setMinimumHeight(272);
    side->addWidget(facts_, 3);
    row->addLayout(side, 10);
    connect(search_, &QLineEdit::textChanged, ladder_, &JointLadder::set_filter);
    connect(ladder_, &JointLadder::renamed, this,
            [this](qlonglong identity, const QString& name) { rename(identity, name.toStdString()); });
    connect(ladder_, &JointLadder::hangAsked, this, [this](qlonglong under) {
        const std::shared_ptr<const SessionState> state = session_.state();
        const int node = state ? state->replay.prepared().find_identity(under) : -1;
        if (node >= 0) {
            hang_chosen(state->replay.prepared().nodes[node].name);
        }
    });
    connect(ladder_, &JointLadder::hangTyped, this, &JointsStation::ask_what_to_hang_on);
    connect(ladder_, &JointLadder::mirrorAsked, this, &JointsStation::choose_mirror);
    connect(ladder_, &JointLadder::nameFromMirrorAsked, this, &JointsStation::name_from_mirror);
    connect(ladder_, &JointLadder::insertAsked, this, &JointsStation::ask_to_insert);
    connect(ladder_, &JointLadder::attachAsked, this, &JointsStation::ask_to_attach);
    connect(ladder_, &JointLadder::placeAsked, this, &JointsStation::ask_for_place);
    connect(ladder_, &JointLadder::matchAsked, this, [this](qlonglong identity, const QString& to) {
        const std::shared_ptr<const SessionState> state = session_.state();
        const int node = state ? state->replay.prepared().find_identity(identity) : -1;
        if (node >= 0) {
            match({{state->replay.prepared().nodes[node].name, to.toStdString()}});
        }
    });
    connect(counts_, &QLabel::linkActivated, this, &JointsStation::take_proposals);
    connect(ladder_, &JointLadder::dropAsked, this, &JointsStation::drop_chosen);
    connect(facts_, &JointFacts::dropAsked, this, &JointsStation::drop_chosen);
    return face;
}

void JointsStation::show_face(Face face) {
    // Above the view on either face: the ladder needs its height.
    (face == Face::build ? build_side_ : ladder_side_)->insertWidget(0, face_row_);
    faces_->setCurrentIndex(static_cast<int>(face));
    face_buttons_->button(static_cast<int>(face))->setChecked(true);
    settle_view();
}

/// The view stands on the face that is shown, in the way that its work needs.
void JointsStation::settle_view() {
    if (twin_ == nullptr || !isVisible()) {
        return;
    }
    const bool building = faces_->currentIndex() == static_cast<int>(Face::build);
    build_->board().set_shown(building);
    (building ? build_place_ : place_)->layout()->addWidget(twin_);
    twin_->set_alone(building);
    if (!building) {
        twin_->set_mode(TwinMode::overlaid);
    }
    twin_->show();
    if (SceneView* view = twin_->prepared_view()) {
        view->see_through(building);
        view->use_tool(building ? build_->tool() : nullptr);
        // Escape lets the chosen guide go; guides can be moved all the same.
        connect(view, &SceneView::toolEnded, this, &JointsStation::let_guide_go, Qt::UniqueConnection);
    }
}

void JointsStation::let_guide_go() {
    if (isVisible() && faces_->currentIndex() == static_cast<int>(Face::build)) {
        build_->board().choose(std::nullopt);
        twin_->prepared_view()->use_tool(build_->tool());
    }
}

void JointsStation::showEvent(QShowEvent* event) {
    StationPage::showEvent(event);
    settle_view();
}

void JointsStation::hideEvent(QHideEvent* event) {
    StationPage::hideEvent(event);
    build_->board().set_shown(false);
    if (twin_ != nullptr && faces_->currentIndex() == static_cast<int>(Face::build)) {
        if (SceneView* view = twin_->prepared_view()) { // other stations show the surface as it is
            view->see_through(false);
            view->use_tool(nullptr);
        }
        twin_->set_alone(false);
    }
}

bool JointsStation::start_search() {
    search_->setFocus(Qt::ShortcutFocusReason);
    search_->selectAll();
    return true;
}

void JointsStation::take_view(TwinView& twin) {
    twin_ = &twin;
    if (isVisible()) {
        settle_view();
        return;
    }
    // Not shown yet: the view has its place all the same.
    place_->layout()->addWidget(&twin);
    twin.set_mode(TwinMode::overlaid);
    twin.show();
}

std::vector<std::string> JointsStation::chosen_names() const {
    std::vector<std::string> names;
    if (const std::shared_ptr<const SessionState> state = session_.state()) {
        const Scene& prepared = state->replay.prepared();
        for (const int node : selection_.nodes_in(prepared)) {
            if (prepared.nodes[node].kind == NodeKind::joint) {
                names.push_back(prepared.nodes[node].name);
            }
        }
    }
    return names;
}

int JointsStation::current_node() const {
    const std::shared_ptr<const SessionState> state = session_.state();
    return state && selection_.current() != 0 ? state->replay.prepared().find_identity(selection_.current()) : -1;
}

void JointsStation::complain(const QString& what) {
    counts_->setText(QStringLiteral("<b><font color='%1'>%2</font></b>").arg(theme().stop.name(), what));
}

void JointsStation::rename(int64_t identity, const std::string& name) {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!state) {
        return;
    }
    const Scene& prepared = state->replay.prepared();
    const int taken = prepared.find_node(name);
    if (taken >= 0 && prepared.nodes[taken].identity != identity) {
        complain(tr("“%1” is taken already; the name stays.").arg(QString::fromStdString(name)));
    } else if (taken < 0) {
        document_.edit(tr("Rename to %1").arg(QString::fromStdString(name)),
                       [&](Job& job) { rename_one(job, state->replay, identity, name); });
    }
}

void JointsStation::hang_chosen(const std::string& under) {
    const std::vector<std::string> names = chosen_names();
    if (!names.empty()) {
        const QString where = QString::fromStdString(under);
        document_.edit(names.size() == 1 ? tr("Put %1 under %2").arg(QString::fromStdString(names[0]), where)
                                         : tr("Put %1 joints under %2").arg(names.size()).arg(where),
                       [&](Job& job) { hang_under(job, names, under); });
    }
}

void JointsStation::ask_what_to_hang_on() {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!state || chosen_names().empty()) {
        return;
    }
    const std::set<int64_t> below = with_all_below(ladder_->ladder().prepared, selection_.identities());
    QStringList joints;
    for (const LadderRow& row : ladder_->ladder().prepared) {
        if (row.joint && below.count(row.identity) == 0) {
            joints << row.prefix + row.bare;
        }
    }
    bool chosen = false;
    const QString under =
        QInputDialog::getItem(this, tr("Reparent"), tr("New parent of the chosen joints"), joints, 0, false, &chosen);
    if (chosen) {
        hang_chosen(under.toStdString());
    }
}

void JointsStation::choose_mirror() {
    const int node = current_node();
    const int mirror = node < 0 ? -1 : mirror_of(session_.state()->prepared.sides, node);
    if (mirror >= 0) {
        selection_.choose(session_.state()->replay.prepared().nodes[mirror].identity);
    } else if (node >= 0) {
        complain(tr("No joint answers it on the other side."));
    }
}

void JointsStation::name_from_mirror() {
    const int node = current_node();
    const int mirror = node < 0 ? -1 : mirror_of(session_.state()->prepared.sides, node);
    if (mirror < 0) {
        complain(tr("No joint answers it on the other side."));
        return;
    }
    const Scene& prepared = session_.state()->replay.prepared();
    const std::string name = other_side(prepared.nodes[mirror].name);
    if (name.empty()) {
        complain(tr("“%1” does not say its side.").arg(QString::fromStdString(prepared.nodes[mirror].name)));
    } else {
        rename(prepared.nodes[node].identity, name);
    }
}

void JointsStation::ask_to_insert() {
    const int node = current_node();
    if (node < 0) {
        return;
    }
    const Scene& prepared = session_.state()->replay.prepared();
    const int parent = prepared.nodes[node].parent;
    if (parent < 0 || prepared.nodes[parent].kind != NodeKind::joint) {
        complain(tr("No joint is above it; “Make root” puts one there."));
        return;
    }
    const std::string& name = prepared.nodes[node].name;
    Q_EMIT stepAsked({"insert_joint",
                      {{"name", prepared.nodes[parent].name + "_part"},
                       {"under", prepared.nodes[parent].name},
                       {"above", {name}},
                       {"along", 0.5}}});
}

void JointsStation::ask_to_attach() {
    const int node = current_node();
    if (node >= 0) {
        const std::string& name = session_.state()->replay.prepared().nodes[node].name;
        Q_EMIT stepAsked(
            {"add_attachment", {{"name", name + "_point"}, {"under", name}, {"x_m", 0}, {"y_m", 0}, {"z_m", 0}}});
    }
}

void JointsStation::ask_for_place() {
    const int node = current_node();
    if (node >= 0) {
        const Node& joint = session_.state()->replay.prepared().nodes[node];
        attaching_ = joint.identity;
        SceneView* view = twin_ == nullptr ? nullptr : twin_->prepared_view();
        if (view != nullptr) {
            view->use_tool(
                std::make_unique<PlaceTool>(tr("Click the surface where the point on %1 is to be; Escape leaves it")
                                                .arg(QString::fromStdString(joint.name)),
                                            [this](const Vec3& place) { place_attachment(place); }));
        }
    }
}

void JointsStation::place_attachment(const Vec3& place) {
    const std::shared_ptr<const SessionState> state = session_.state();
    const int node = state ? state->replay.prepared().find_identity(attaching_) : -1;
    const SceneView* view = twin_ == nullptr ? nullptr : twin_->prepared_view();
    const PosedScene* posed = view == nullptr ? nullptr : view->posed();
    const int shown = posed == nullptr ? -1 : posed->scene().find_identity(attaching_);
    if (node < 0 || shown < 0) {
        return;
    }
    const Mat4& now = posed->pose().world[static_cast<size_t>(shown)];
    const Node& joint = state->replay.prepared().nodes[node];
    // The view may show any pose: the place is kept as the joint sees it.
    const Vec3 own = point_of(now.inverse(), place);
    const auto to_tenth_mm = [](double metres) { return std::round(metres * 1e4) / 1e4; };
    Q_EMIT stepAsked({"add_attachment",
                      {{"name", joint.name + "_point"},
                       {"under", joint.name},
                       {"x_m", to_tenth_mm(own.x())},
                       {"y_m", to_tenth_mm(own.y())},
                       {"z_m", to_tenth_mm(own.z())}}});
}

void JointsStation::match(const std::map<std::string, std::string>& matches) {
    if (contract_ && !matches.empty()) {
        const auto& [joint, to] = *matches.begin();
        document_.edit(
            matches.size() > 1 ? tr("Match %1 joints with the contract").arg(matches.size())
            : to.empty()       ? tr("Take %1 out of the contract").arg(QString::fromStdString(joint))
                         : tr("%1 is the contract's %2").arg(QString::fromStdString(joint), QString::fromStdString(to)),
            [&](Job& job) { match_joints(job, *contract_, matches); });
    }
}

void JointsStation::take_proposals() {
    std::map<std::string, std::string> matches;
    for (const LadderRow& row : ladder_->ladder().prepared) {
        if (!row.proposal.isEmpty()) {
            matches[(row.prefix + row.bare).toStdString()] = row.proposal.toStdString();
        }
    }
    match(matches);
}

void JointsStation::drop_chosen() {
    const std::vector<std::string> names = chosen_names();
    if (names.empty()) {
        return;
    }
    document_.edit(names.size() == 1 ? tr("Remove %1").arg(QString::fromStdString(names[0]))
                                     : tr("Remove %1 joints").arg(names.size()),
                   [&](Job& job) { drop_by_name(job, names); });
}

void JointsStation::show_destination(const Destination* destination) {
    const std::optional<Contract> contract = destination == nullptr ? std::nullopt : destination->contract;
    if (contract_ != contract) {
        contract_ = contract;
        shown_prepared_.reset();
        refresh();
    }
}

void JointsStation::refresh() {
    const std::shared_ptr<const SessionState> state = session_.state();
    empty_->setVisible(!state);
    ladder_->setVisible(state != nullptr);
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
    Ladder made = make_ladder(*shown_received_, state->received.held, *shown_prepared_, state->prepared.held);
    if (contract_) {
        mark_contract(made, *shown_prepared_, *contract_);
    }
    ladder_->show_ladder(std::move(made));
    received_->setText(tr("Received · %1").arg(state->received.joints));
    prepared_->setText(tr("Prepared · %1").arg(state->prepared.joints));
    held_->setText(contract_ ? tr("weighted vertices      contract") : tr("weighted vertices"));
    show_counts();
}

void JointsStation::show_counts() {
    const Ladder& ladder = ladder_->ladder();
    const auto number = [](size_t count, const QColor& colour) {
        return QStringLiteral("<b><font color='%1'>%2</font></b>").arg(colour.name()).arg(count);
    };
    QString text =
        tr("%1 renamed &nbsp; %2 added &nbsp; %3 removed, weights along the dashed line &nbsp; %4 reparented")
            .arg(number(ladder.renamed, theme().accent), number(ladder.added, theme().accent),
                 number(ladder.dropped, theme().look), number(ladder.moved, theme().ink));
    if (!ladder.contract.isEmpty()) {
        const bool all = ladder.contract_missing.isEmpty() && ladder.contract_same == ladder.contract_joints;
        text += QStringLiteral("<br>") +
                tr("Contract “%1”: %2 of %3 joints the same")
                    .arg(ladder.contract.toHtmlEscaped())
                    .arg(number(static_cast<size_t>(ladder.contract_same), all ? theme().well : theme().stop))
                    .arg(ladder.contract_joints);
        if (!ladder.contract_missing.isEmpty()) {
            text += tr(", missing: %1").arg(ladder.contract_missing.join(QStringLiteral(", ")).toHtmlEscaped());
        }
        if (ladder.proposals > 0) {
            text += QStringLiteral(" · <a href='all' style='color: %1'>%2</a>")
                        .arg(theme().accent.name(), ladder.proposals == 1
                                                        ? tr("take the one that is offered")
                                                        : tr("take the %1 that are offered").arg(ladder.proposals));
        }
    }
    counts_->setText(text);
}

} // namespace wembrix::app
