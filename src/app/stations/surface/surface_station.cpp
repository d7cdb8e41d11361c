#include "stations/surface/surface_station.h"
#include "style/language.h"

#include "core/steps/step_kind.h"
#include "style/theme.h"
#include "view/vertex_colours.h"

#include <QButtonGroup>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QStackedWidget>
#include <QTableWidget>
#include <QTimer>
#include <QVBoxLayout>
#include <algorithm>

namespace wembrix::app {

SurfaceStation::SurfaceStation(const StationContext& context, QWidget* parent)
    : StationPage(parent), document_(context.document), session_(context.session), selection_(context.selection),
      clock_(context.clock) {
    auto* outer = new QVBoxLayout(this);
    outer->setContentsMargins(10, 10, 10, 8);
    empty_ = offer(
        tr("No surfaces yet. Import a model: the weights of its vertices, its shapes and its material slots stand "
           "here."),
        this);
    outer->addWidget(empty_, 1);
    all_ = new QWidget(this);
    outer->addWidget(all_, 1);
    auto* row = new QHBoxLayout(all_);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(10);
    auto* left = new QVBoxLayout;
    left->setSpacing(6);
    auto* top = new QHBoxLayout;
    auto* of = new QLabel(tr("Weights of"), all_);
    of->setObjectName(QStringLiteral("soft"));
    top->addWidget(of);
    joints_ = new QComboBox(all_);
    joints_->setObjectName(QStringLiteral("weightsOf"));
    joints_->setEditable(true);
    joints_->lineEdit()->setAccessibleName(tr("Joint"));
    joints_->setInsertPolicy(QComboBox::NoInsert);
    joints_->setMinimumContentsLength(16);
    joints_->setToolTip(tr("Whose weights the view shows. A joint clicked in the view is chosen here, too."));
    connect(joints_, &QComboBox::activated, this, [this](int at) {
        const qlonglong identity = joints_->itemData(at).toLongLong();
        if (identity != 0) {
            selection_.choose(identity);
            if (twin_ != nullptr) {
                twin_->frame_selection();
            }
        } else {
            choose_joint(0);
        }
    });
    top->addWidget(joints_, 1);
    top->addWidget(make_tools());
    left->addLayout(top);
    left->addWidget(paint_bar_);
    place_ = new QWidget(all_);
    auto* place_column = new QVBoxLayout(place_);
    place_column->setContentsMargins(0, 0, 0, 0);
    left->addWidget(place_, 14);
    facts_ = new QLabel(all_);
    facts_->setObjectName(QStringLiteral("weightFacts"));
    facts_->setTextFormat(Qt::RichText);
    facts_->setWordWrap(true);
    left->addWidget(facts_);
    chart_card_ = make_chart_card();
    left->addWidget(chart_card_, 5);
    row->addLayout(left, 10);
    row->addWidget(make_side(), 11);
    connect(&session_, &Session::changed, this, &SurfaceStation::refresh);
    for (const auto moved : {&Clock::moved, &Clock::clipChanged}) {
        // Behind the view, which poses the scene first.
        connect(&context.clock, moved, this, [this] { QTimer::singleShot(0, this, &SurfaceStation::follow_clip); });
    }
    connect(&document_, &Document::jobChanged, this, [this] { say(); });
    connect(&selection_, &Selection::changed, this, [this] {
        const std::shared_ptr<const Scene> scene = prepared();
        const int node = scene && selection_.current() != 0 ? scene->find_identity(selection_.current()) : -1;
        if (node >= 0 && scene->nodes[static_cast<size_t>(node)].kind == NodeKind::joint) {
            choose_joint(selection_.current());
        }
    });
    refresh();
}

QWidget* SurfaceStation::make_tools() {
    painter_ = new WeightPainter(document_, session_, this);
    painter_->joint = [this] { return joint_; };
    painter_->settings = [this] { return paint_bar_->settings(); };
    painter_->colours = [this] { return weights_shown_; };
    connect(painter_, &WeightPainter::said, this,
            [this](const QString& words) { facts_->setText(words.toHtmlEscaped()); });
    connect(painter_, &WeightPainter::ended, this, [this] { use_tool(false, false); });
    paint_bar_ = new PaintBar(PaintBar::Of::weights, all_);
    paint_bar_->hide();
    auto* tools = new QWidget(all_);
    auto* row = new QHBoxLayout(tools);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(4);
    const auto add = [&](const char* id, const QString& text, const QString& tip) {
        auto* button = new QPushButton(text, tools);
        button->setObjectName(QString::fromUtf8(id));
        button->setProperty("mode", true);
        button->setCheckable(true);
        button->setToolTip(tip);
        row->addWidget(button);
        return button;
    };
    lock_ = add("lockJoint", tr("Lock"), tr("Painted and typed weights leave those of this joint as they are"));
    lock_->setEnabled(false);
    paint_ = add("paintWeights", tr("Paint"), tr("Paint the weights of this joint in the view"));
    choose_ = add("chooseVertices", tr("Choose"), tr("Choose vertices in the view, and type their weights"));
    connect(lock_, &QPushButton::clicked, this, [this](bool on) {
        painter_->set_locked(joint_, on);
        vertices_->refresh();
    });
    connect(paint_, &QPushButton::clicked, this, [this](bool on) { use_tool(on, false); });
    connect(choose_, &QPushButton::clicked, this, [this](bool on) { use_tool(false, on); });
    return tools;
}

void SurfaceStation::use_tool(bool brush, bool lasso) {
    paint_->setChecked(brush);
    choose_->setChecked(lasso);
    paint_bar_->setVisible(brush);
    SceneView* view = twin_ == nullptr || !isVisible() ? nullptr : twin_->prepared_view();
    painter_->set_view(view);
    if (view == nullptr) {
        return;
    }
    if (brush && side_->currentWidget() == hulls_) { // the hulls' handles would be in the way
        tabs_->button(0)->setChecked(true);
        side_->setCurrentIndex(0);
        show_hulls();
    }
    if (brush) {
        chart_->choose(0);
        slot_row_ = -1;
        colour();
    }
    if (lasso) {
        tabs_->button(2)->setChecked(true);
        side_->setCurrentIndex(2);
        show_hulls();
        show_looks();
    }
    share_room();
    const bool hulls = side_->currentWidget() == hulls_;
    view->use_tool(brush   ? painter_->brush_tool()
                   : lasso ? painter_->lasso_tool()
                   : hulls ? hulls_->tool(*view)
                           : nullptr);
}

QWidget* SurfaceStation::make_chart_card() {
    auto* card = new QFrame(all_);
    card->setObjectName(QStringLiteral("card"));
    auto* column = new QVBoxLayout(card);
    column->setContentsMargins(10, 6, 10, 6);
    column->setSpacing(4);
    auto* title = new QLabel(tr("Vertices by their number of influences"), card);
    title->setStyleSheet(QStringLiteral("font-weight: 600;"));
    column->addWidget(title);
    chart_ = new InfluenceChart(card);
    chart_->setObjectName(QStringLiteral("influenceChart"));
    connect(chart_, &InfluenceChart::barClicked, this, [this] {
        slot_row_ = -1;
        colour();
    });
    column->addWidget(chart_, 1);
    sums_ = new QLabel(card);
    sums_->setObjectName(QStringLiteral("weightSums"));
    sums_->setTextFormat(Qt::RichText);
    sums_->setWordWrap(true);
    connect(sums_, &QLabel::linkActivated, this, [this](const QString& link) {
        const std::shared_ptr<const SessionState> state = session_.state();
        const bool shows = link.startsWith(QLatin1String("show"));
        const int at = link.mid(shows ? 4 : 0).toInt();
        if (shows && state && at >= 0 && at < static_cast<int>(state->findings.size())) {
            (void)show_place(state->findings[static_cast<size_t>(at)]);
            return;
        }
        if (state && at >= 0 && at < static_cast<int>(state->findings.size()) &&
            state->findings[static_cast<size_t>(at)].step) {
            Q_EMIT stepAsked(*state->findings[static_cast<size_t>(at)].step);
        }
    });
    column->addWidget(sums_);
    auto* steps = new QHBoxLayout;
    steps->setSpacing(4);
    const struct {
        const char* id;
        QString text;
    } offers[] = {{"limit_influences", tr("Limit…")},    {"prune_weights", tr("Prune…")},
                  {"smooth_weights", tr("Smooth…")},     {"mirror_weights", tr("Mirror…")},
                  {"transfer_weights", tr("Transfer…")}, {"copy_weights", tr("Copy…")}};
    for (const auto& one : offers) {
        auto* button = new QPushButton(one.text, card);
        button->setObjectName(QString::fromUtf8(one.id));
        const StepKind* kind = step_kind(one.id);
        button->setToolTip(localized(kind->why));
        connect(button, &QPushButton::clicked, this, [this, id = one.id] { ask(id); });
        steps->addWidget(button);
    }
    column->addLayout(steps);
    return card;
}

std::shared_ptr<const Scene> SurfaceStation::prepared() const {
    const std::shared_ptr<const SessionState> state = session_.state();
    return state ? state->replay.prepared_scene() : nullptr;
}

int SurfaceStation::joint() const {
    const std::shared_ptr<const Scene> scene = prepared();
    return scene && joint_ != 0 ? scene->find_identity(joint_) : -1;
}

void SurfaceStation::take_view(TwinView& twin) {
    twin_ = &twin;
    place_->layout()->addWidget(&twin);
    twin.set_alone(true);
    twin.show();
    colour();
    hold_shapes();
    show_hulls();
    show_looks();
    use_tool(paint_->isChecked(), choose_->isChecked());
}

void SurfaceStation::showEvent(QShowEvent* event) {
    StationPage::showEvent(event);
    refresh();
}

void SurfaceStation::hideEvent(QHideEvent* event) {
    StationPage::hideEvent(event);
    painter_->set_view(nullptr);
    if (twin_ != nullptr) { // other stations show the surface as it is
        if (SceneView* view = twin_->prepared_view()) {
            view->show_hulls(false, 0);
            view->show_looks(false, 0, 0, -1);
            view->show_hairs(Hairs::none);
        }
        twin_->set_alone(false);
        twin_->show_colours(nullptr);
        twin_->hold_shapes({});
    }
}

bool SurfaceStation::show_place(const Finding& finding) {
    const std::shared_ptr<const Scene> scene = prepared();
    const int surface = scene && !finding.vertices.empty() ? scene->find_node(finding.surface) : -1;
    if (surface < 0) {
        return false;
    }
    const int64_t identity = scene->nodes[static_cast<size_t>(surface)].identity;
    use_tool(false, true);
    painter_->choose({identity, {finding.vertices.begin(), finding.vertices.end()}});
    if (SceneView* view = twin_ == nullptr ? nullptr : twin_->prepared_view()) {
        view->frame_vertices(identity, finding.vertices);
    }
    return true;
}

void SurfaceStation::go_to(const Finding& finding) {
    if (show_place(finding)) {
        return;
    }
    const std::shared_ptr<const Scene> scene = prepared();
    for (const std::string& name : scene ? finding.nodes : std::vector<std::string>()) {
        const int node = scene->find_node(name);
        if (node >= 0 && scene->nodes[static_cast<size_t>(node)].kind == NodeKind::joint) {
            selection_.choose(scene->nodes[static_cast<size_t>(node)].identity);
            return;
        }
    }
    choose_joint(0); // of a surface: how it is held as a whole
}

void SurfaceStation::refresh() {
    const std::shared_ptr<const Scene> scene = prepared();
    const bool any = scene && !surfaces_of(*scene).empty();
    empty_->setVisible(!any);
    all_->setVisible(any);
    if (!any || !isVisible()) {
        return;
    }
    if (scene != shown_) {
        shown_ = scene;
        if (joint_ != 0 && joint() < 0) {
            joint_ = 0;
        }
        fill_joints();
        fill_slots();
        rack_->show_scene(scene);
        hulls_->show_scene(scene);
        colour();
    }
    paint_bar_->suit(session_.state()->prepared.height_m);
    say();
}

void SurfaceStation::fill_joints() {
    const std::shared_ptr<const SessionState> state = session_.state();
    const Scene& scene = *shown_;
    joints_->clear();
    joints_->addItem(tr("no joint: influences per vertex"), QVariant::fromValue<qlonglong>(0));
    for (const int joint : joints_of(scene)) {
        const Node& node = scene.nodes[static_cast<size_t>(joint)];
        if (static_cast<size_t>(joint) < state->prepared.held.size() &&
            state->prepared.held[static_cast<size_t>(joint)].points > 0) {
            joints_->addItem(QString::fromStdString(node.name), QVariant::fromValue<qlonglong>(node.identity));
        }
    }
    joints_->setCurrentIndex(std::max(0, joints_->findData(QVariant::fromValue<qlonglong>(joint_))));
}

void SurfaceStation::choose_joint(int64_t identity) {
    joint_ = identity;
    slot_row_ = -1;
    lock_->setEnabled(joint_ != 0);
    lock_->setChecked(painter_->is_locked(joint_));
    if (!isVisible()) {
        return;
    }
    int at = joints_->findData(QVariant::fromValue<qlonglong>(joint_));
    if (at < 0 && joint() >= 0) { // one that holds nothing
        joints_->addItem(QString::fromStdString(prepared()->nodes[static_cast<size_t>(joint())].name),
                         QVariant::fromValue<qlonglong>(joint_));
        at = joints_->count() - 1;
    }
    joints_->setCurrentIndex(std::max(0, at));
    if (joint_ != 0) {
        chart_->choose(0);
    }
    colour();
    say();
}

void SurfaceStation::colour() {
    if (twin_ == nullptr || !shown_ || !isVisible()) {
        return;
    }
    weights_shown_.reset();
    if (side_->currentWidget() == hulls_) { // hulls are seen best on plain clay
        twin_->show_colours(nullptr);
        return;
    }
    if (slot_row_ >= 0) {
        const std::vector<SlotFacts> facts = slot_facts(*shown_);
        if (slot_row_ < static_cast<int>(facts.size())) {
            const SlotFacts& slot = facts[static_cast<size_t>(slot_row_)];
            twin_->show_colours(slot_colours(shown_, slot.node, slot.slot));
        }
        return;
    }
    if (chart_->chosen() > 0 || joint() < 0) {
        twin_->show_colours(influence_colours(shown_, chart_->chosen()));
        return;
    }
    weights_shown_ = weight_colours(shown_, joint());
    painter_->overlay(*weights_shown_);
    twin_->show_colours(weights_shown_);
}

void SurfaceStation::say() {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!state || !shown_ || !isVisible()) {
        return;
    }
    std::vector<InfluenceLimit> limits;
    for (const Destination& destination : document_.job().destinations) {
        limits.push_back({QString::fromStdString(destination.name), destination.influences});
    }
    chart_->show_counts(influence_histogram(*shown_, surfaces_of(*shown_)), std::move(limits));

    const int at = joint();
    if (at >= 0 && static_cast<size_t>(at) < state->prepared.held.size()) {
        const Holding& held = state->prepared.held[static_cast<size_t>(at)];
        facts_->setText(
            held.points == 0
                ? tr("<b>%1</b> has no weights")
                      .arg(QString::fromStdString(shown_->nodes[static_cast<size_t>(at)].name).toHtmlEscaped())
                : tr("<b>%1</b> has weights on %2 vertices · largest %3 · %4 shared with other joints")
                      .arg(QString::fromStdString(shown_->nodes[static_cast<size_t>(at)].name).toHtmlEscaped())
                      .arg(static_cast<qulonglong>(held.points))
                      .arg(held.heaviest, 0, 'f', 2)
                      .arg(static_cast<qulonglong>(held.shared)));
    } else {
        facts_->setText(tr("Click a joint in the view to see its weights."));
    }
    QStringList lines;
    for (size_t i = 0; i < state->findings.size(); ++i) {
        const Finding& finding = state->findings[i];
        if (finding.station != kind().id) {
            continue;
        }
        QString line = QStringLiteral("<span style='color:%1'><b>%2</b></span> %3")
                           .arg(theme().of(finding.grade).name(), localized(grade_name(finding.grade)),
                                localized(finding.message).toHtmlEscaped());
        if (finding.step) {
            const StepKind* step = step_kind(finding.step->id);
            line += QStringLiteral(" <a style='color:%1; text-decoration:none' href='%2'><b>%3</b></a>")
                        .arg(theme().accent.name())
                        .arg(i)
                        .arg(tr("Add “%1”").arg(localized(step->label)));
        }
        if (!finding.vertices.empty()) {
            line += QStringLiteral(" <a style='color:%1; text-decoration:none' href='show%2'><b>%3</b></a>")
                        .arg(theme().accent.name())
                        .arg(i)
                        .arg(tr("Show"));
        }
        lines << line;
    }
    constexpr qsizetype most = 3;
    if (lines.size() > most) {
        const qsizetype more = lines.size() - most;
        lines = lines.mid(0, most);
        lines << tr("and %1 more, in Intake").arg(more);
    }
    sums_->setText(lines.isEmpty() ? tr("Sums are 1; nothing else was noticed.") : lines.join(QStringLiteral("<br>")));
}

void SurfaceStation::share_room() {
    // What is worked on in the view gets its room; how many influences there are belongs to weights as a whole.
    chart_card_->setVisible(side_->currentIndex() == 0 && !paint_->isChecked() && !choose_->isChecked());
}

void SurfaceStation::hold_shapes() {
    if (twin_ == nullptr || !isVisible()) {
        return;
    }
    std::vector<HeldShapes> held;
    for (ShapeRack::Held& one : rack_->held()) {
        held.push_back({one.surface, std::move(one.weights)});
    }
    twin_->hold_shapes(std::move(held));
}

void SurfaceStation::follow_clip() {
    if (twin_ == nullptr || !isVisible() || !rack_->isVisible()) {
        return;
    }
    const SceneView* view = twin_->prepared_view();
    if (view != nullptr && view->posed() != nullptr && view->posed()->shared_scene() == shown_) {
        rack_->show_weights(view->posed()->pose().shape_weights);
    }
}

void SurfaceStation::ask(const char* step, const nlohmann::json& values) {
    Step wanted{step, starting_values(step_kind(step)->parameters)};
    wanted.parameters.update(values);
    const int at = joint();
    if (std::string_view(step) == "transfer_weights" && at >= 0) {
        wanted.parameters["joints"] = {shown_->nodes[static_cast<size_t>(at)].name};
    }
    if (std::string_view(step) == "limit_influences" && !document_.job().destinations.empty()) {
        int least = 64;
        for (const Destination& destination : document_.job().destinations) {
            least = std::min(least, destination.influences);
        }
        wanted.parameters["max_influences"] = std::max(1, least);
    }
    Q_EMIT stepAsked(wanted);
}

} // namespace wembrix::app
