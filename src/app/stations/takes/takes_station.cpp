#include "stations/takes/takes_station.h"

#include "core/base/files.h"
#include "core/job/card_edits.h"
#include "core/measure/clips/motion.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "stations/takes/strip_edits.h"
#include "style/numbers.h"
#include "style/theme.h"

#include <Eigen/LU>

#include <QButtonGroup>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QLabel>
#include <QMessageBox>
#include <QPushButton>
#include <QSignalBlocker>
#include <QStackedWidget>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

TakesStation::TakesStation(const StationContext& context, QWidget* parent)
    : StationPage(parent), document_(context.document), session_(context.session), clock_(context.clock),
      selection_(context.selection) {
    Document& document = document_;
    Session& session = session_;
    model_ = new TakesModel(document, session, this);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(10, 10, 10, 8);
    column->setSpacing(8);
    auto* top = new QHBoxLayout;
    top->setSpacing(10);
    place_ = new QWidget(this);
    auto* place_column = new QVBoxLayout(place_);
    place_column->setContentsMargins(0, 0, 0, 0);
    top->addWidget(place_, 6);
    top->addWidget(make_side(), 7);
    column->addLayout(top, 10);
    auto* card = new QFrame(this);
    card->setObjectName(QStringLiteral("card"));
    auto* card_column = new QVBoxLayout(card);
    card_column->setContentsMargins(4, 6, 4, 4);
    below_ = new QStackedWidget(card);
    card_column->addWidget(below_);
    auto* of_take = new QWidget(below_);
    auto* take_column = new QVBoxLayout(of_take);
    take_column->setContentsMargins(0, 0, 0, 0);
    take_column->setSpacing(4);
    tools_ = new StripTools(of_take);
    take_column->addWidget(tools_);
    strip_ = new TakeStrip(of_take);
    take_column->addWidget(strip_, 1);
    below_->addWidget(of_take);
    key_board_ = new KeyBoard(document_, session_, clock_, selection_, below_);
    below_->addWidget(key_board_);
    column->addWidget(card, 9);
    connect_parts();
    refresh();
}

QWidget* TakesStation::make_side() {
    auto* side = new QWidget(this);
    auto* column = new QVBoxLayout(side);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    side_row_ = new QWidget(side);
    auto* row = new QHBoxLayout(side_row_);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(4);
    side_buttons_ = new QButtonGroup(this);
    const QString names[] = {tr("Clips"), tr("Keys"), tr("Pairs")};
    const char* ids[] = {"clipsSide", "keysSide", "pairsSide"};
    const QString tips[] = {tr("The clips that go out"), tr("Joints keyed by hand, on top of a take or instead of it"),
                            tr("Takes of other bodies: which joint does as which, and how well it went")};
    for (int i = 0; i < 3; ++i) {
        auto* button = new QPushButton(names[i], side_row_);
        button->setObjectName(QString::fromUtf8(ids[i]));
        button->setProperty("mode", true);
        button->setCheckable(true);
        button->setChecked(i == 0);
        button->setToolTip(tips[i]);
        side_buttons_->addButton(button, i);
        row->addWidget(button);
    }
    row->addStretch(1);
    column->addWidget(side_row_);
    sides_ = new QStackedWidget(side);
    auto* clips = new QWidget(side);
    auto* clips_column = new QVBoxLayout(clips);
    clips_column->setContentsMargins(0, 0, 0, 0);
    list_ = new ClipList(*model_, clips);
    clips_column->addWidget(list_);
    empty_ = new QFrame(clips);
    empty_->setObjectName(QStringLiteral("card"));
    auto* empty_column = new QVBoxLayout(empty_);
    empty_column->addWidget(
        offer(tr("No take yet. Import a file with motion, or a model and its takes: the clips "
                 "that are cut from them are listed here. Clips from nothing are made under “Keys”."),
              empty_));
    clips_column->addWidget(empty_);
    sides_->addWidget(clips);
    auto* keys_card = new QFrame(side);
    keys_card->setObjectName(QStringLiteral("card"));
    auto* keys_column = new QVBoxLayout(keys_card);
    keys_column->setContentsMargins(8, 8, 8, 8);
    keys_ = new KeysPanel(document_, session_, clock_, selection_, keys_card);
    keys_column->addWidget(keys_);
    sides_->addWidget(keys_card);
    connect(keys_, &KeysPanel::layerShown, this, [this] {
        if (below_ != nullptr) {
            key_board_->show_layer(keys_->layer(), keys_->keys());
        }
    });
    connect(keys_, &KeysPanel::viewChanged, this, [this] {
        if (twin_ != nullptr && twin_->prepared_view() != nullptr) {
            twin_->prepared_view()->update();
        }
    });
    connect(keys_, &KeysPanel::clipAsked, this, [this](const QString& name, int frame) {
        wanted_clip_ = name;
        wanted_frame_ = frame;
    });
    auto* card = new QFrame(side);
    card->setObjectName(QStringLiteral("card"));
    auto* card_column = new QVBoxLayout(card);
    card_column->setContentsMargins(8, 8, 8, 8);
    pairs_ = new PairsPanel(document_, session_, card);
    card_column->addWidget(pairs_);
    sides_->addWidget(card);
    column->addWidget(sides_, 1);
    connect(side_buttons_, &QButtonGroup::idClicked, this, [this](int id) { show_side(id); });
    connect(pairs_, &PairsPanel::measured, this, &TakesStation::show_beside);
    connect(pairs_, &PairsPanel::momentAsked, this, &TakesStation::go_to_take);
    return side;
}

void TakesStation::show_side(int side) {
    side_buttons_->button(side)->setChecked(true);
    sides_->setCurrentIndex(side);
    // Below stands what one works on: the take with its clips, or the curves of the keys.
    below_->setCurrentIndex(side == keys_side ? 1 : 0);
    show_beside();
    use_tool();
    keys_->refresh();
}

void TakesStation::use_tool() {
    if (twin_ != nullptr) { // who keys by hand needs the room
        twin_->set_alone(isVisible() && sides_->currentIndex() == keys_side);
    }
    SceneView* view = twin_ == nullptr || !isVisible() ? nullptr : twin_->prepared_view();
    if (view != nullptr) {
        view->use_tool(sides_->currentIndex() == keys_side ? keys_->tool(*view) : nullptr);
        connect(view, &SceneView::toolEnded, this, &TakesStation::use_tool, Qt::UniqueConnection);
    }
}

void TakesStation::show_beside() {
    if (twin_ == nullptr) {
        return;
    }
    const bool shown = isVisible() && sides_->currentIndex() == pairs_side;
    twin_->show_in_place_of_received(shown ? pairs_->beside() : nullptr, pairs_->beside_name());
}

void TakesStation::go_to_take(const QString& take, int frame) {
    const std::shared_ptr<const SessionState> state = session_.state();
    const Clip* whole = nullptr;
    for (const NamedScene& source :
         state && state->replay.sources ? *state->replay.sources : std::vector<NamedScene>()) {
        const Clip* found = source.scene.find_clip(take.toStdString());
        whole = found != nullptr && source.name == pairs_->beside_name().toStdString() ? found : whole;
    }
    if (whole == nullptr) {
        return;
    }
    const double at = whole->start_s + frame / whole->rate;
    for (const Clip& clip : state->replay.prepared().clips) {
        const double into = at - clip.start_s;
        if (into > -1e-6 && into < clip.seconds + 1e-6) {
            go_to(QString::fromStdString(clip.name), static_cast<int>(std::lround(into * clip.rate)));
            return;
        }
    }
}

void TakesStation::connect_parts() {
    connect(tools_, &StripTools::filesAsked, this, &TakesStation::filesAsked);
    connect(tools_, &StripTools::folderAsked, this, &TakesStation::folderAsked);
    connect(model_, &TakesModel::changed, this, &TakesStation::refresh);
    connect(tools_->takes, &QComboBox::activated, this, [this] {
        refresh();
        scrub(0);
    });
    connect(tools_->curves, &QComboBox::activated, this, &TakesStation::refresh_curves);
    connect(&selection_, &Selection::changed, this, &TakesStation::refresh_curves);
    connect(tools_->still_below, &QDoubleSpinBox::valueChanged, this, &TakesStation::refresh_offers);
    connect(tools_->shortest, &QDoubleSpinBox::valueChanged, this, &TakesStation::refresh_offers);
    for (QDoubleSpinBox* box : {tools_->feet_height, tools_->feet_speed}) {
        connect(box, &QDoubleSpinBox::valueChanged, this, &TakesStation::refresh_contacts);
    }
    connect(tools_->feet_chosen, &QPushButton::clicked, this, [this] {
        feet_.assign(selection_.identities().begin(), selection_.identities().end());
        refresh_contacts();
    });
    connect(tools_->feet_found, &QPushButton::clicked, this, [this] {
        feet_.clear();
        refresh_contacts();
    });
    connect(tools_->cut_all, &QPushButton::clicked, this, [this] {
        if (const TakeFacts* one = take()) {
            set_cuts(tr("Cut %1 at its still places").arg(tools_->takes->currentText()), tools_->takes->currentText(),
                     wembrix::app::cut_all(offers_, one->frames));
        }
    });
    connect(tools_->cut_named, &QPushButton::clicked, this, [this] {
        set_cuts(tr("Cut %1 at the ranges its source names").arg(tools_->takes->currentText()),
                 tools_->takes->currentText(), named_ranges());
    });
    connect(tools_->cut_here, &QPushButton::clicked, this, &TakesStation::cut_at_playhead);
    connect(strip_, &TakeStrip::cutAsked, this, &TakesStation::cut_at_playhead);
    connect(strip_, &TakeStrip::edited, this, [this](const QString& what, const std::vector<Cut>& cuts) {
        set_cuts(what, tools_->takes->currentText(), cuts);
    });
    connect(strip_, &TakeStrip::scrubbed, this, &TakesStation::scrub);
    connect(strip_, &TakeStrip::clipChosen, this,
            [this](int clip) { choose_clip(tools_->takes->currentText(), clip); });
    connect(list_, &ClipList::cutsEdited, this, &TakesStation::set_cuts);
    connect(list_, &ClipList::clipChosen, this, &TakesStation::choose_clip);
    connect(list_, &ClipList::madeChosen, this, &TakesStation::choose_made);
    connect(list_, &ClipList::madeEdited, this, [this](const QString& what, const QString& name, const Cut& said) {
        if (said.name != name.toStdString() && model_->is_prepared(said.name)) {
            refresh();
            list_->refuse(
                tr("There is a clip “%1” already: nothing was changed.").arg(QString::fromStdString(said.name)));
            return;
        }
        document_.edit(what, [&](Job& job) { describe_clip(job, name.toStdString(), said); });
    });
    connect(list_, &ClipList::stepAsked, this, &TakesStation::stepAsked);
    connect(list_, &ClipList::stepWanted, this, &TakesStation::ask_for_step);
    connect(list_, &ClipList::endsToggled, this, &TakesStation::refresh_view);
    connect(list_, &ClipList::readAsked, this, &TakesStation::ask_to_read);
    connect(list_, &ClipList::writeAsked, this, &TakesStation::ask_to_write);
    connect(&clock_, &Clock::moved, this, &TakesStation::follow_clock);
    connect(&clock_, &Clock::clipChanged, this, [this] {
        follow_clock();
        refresh_view();
    });
}

void TakesStation::take_view(TwinView& twin) {
    twin_ = &twin;
    place_->layout()->addWidget(&twin);
    twin.set_mode(TwinMode::side_by_side);
    twin.show();
    show_beside();
    use_tool();
    // Working on a take, one sees motion, not the rest pose.
    if (clock_.clip().isEmpty() && take() != nullptr) {
        scrub(0);
    }
    refresh_view();
}

const TakeFacts* TakesStation::take() const {
    return model_->take(tools_->takes->currentText().toStdString());
}

std::vector<Cut> TakesStation::cuts() const {
    return model_->cuts(tools_->takes->currentText().toStdString());
}

std::vector<Cut> TakesStation::named_ranges() const {
    const TakeFacts* one = take();
    const Clip* clip = one == nullptr ? nullptr : one->scene->find_clip(one->name);
    return clip == nullptr ? std::vector<Cut>() : ranges_inside(*clip);
}

QString TakesStation::set_cuts(const QString& what, const QString& take, const std::vector<Cut>& cuts) {
    const std::string name = take.toStdString();
    const TakeFacts* one = model_->take(name);
    if (one == nullptr) {
        return tr("There is no take to cut.");
    }
    const QString wrong = wrong_with(*one, cuts);
    if (wrong.isEmpty()) {
        document_.edit(what, [&](Job& job) { wembrix::set_cuts(job, name, cuts); });
    }
    refresh();
    if (!wrong.isEmpty()) {
        list_->refuse(wrong); // what was typed is gone from the list: why stands below it
    }
    return wrong;
}

QString TakesStation::wrong_with(const TakeFacts& take, const std::vector<Cut>& cuts) const {
    const std::vector<Cut> before = model_->cuts(take.name);
    const auto has = [](const std::vector<Cut>& list, const std::string& name) {
        return std::count_if(list.begin(), list.end(), [&](const Cut& cut) { return cut.name == name; });
    };
    for (const Cut& cut : cuts) {
        const QString name = QString::fromStdString(cut.name);
        if (cut.start < 0 || cut.end >= take.frames || cut.end <= cut.start) {
            return tr("Frames %1 to %2 are no part of the take, which has 0 to %3: “%4” stays as it was.")
                .arg(cut.start)
                .arg(cut.end)
                .arg(take.frames - 1)
                .arg(name);
        }
        // A name that is new to this take may be that of a clip of another one, or of one that a step made.
        const bool elsewhere = has(before, cut.name) == 0 && cut.name != take.name && model_->is_prepared(cut.name);
        if (has(cuts, cut.name) > 1 || elsewhere) {
            return tr("There is a clip “%1” already: nothing was changed.").arg(name);
        }
    }
    return {};
}

void TakesStation::refresh() {
    {
        const QSignalBlocker quiet(tools_->takes);
        const QString wanted = tools_->takes->currentText();
        tools_->takes->clear();
        for (const TakeFacts& one : model_->takes()) {
            tools_->takes->addItem(QString::fromStdString(one.name));
        }
        tools_->takes->setCurrentIndex(std::max(0, tools_->takes->findText(wanted)));
        tools_->takes->setVisible(tools_->takes->count() > 0);
        tools_->bring->setVisible(!document_.is_empty());
    }
    const bool nothing =
        document_.is_empty() || (session_.state() && model_->takes().empty() && model_->made().empty());
    empty_->setVisible(nothing);
    list_->setVisible(!nothing);
    side_row_->setVisible(!document_.is_empty());
    if (document_.is_empty() && sides_->currentIndex() != 0) {
        show_side(0);
    }
    if (!wanted_clip_.isEmpty() && model_->clip(wanted_clip_.toStdString()) != nullptr) {
        const QString clip = wanted_clip_;
        wanted_clip_.clear();
        go_to(clip, wanted_frame_);
    }
    // Pairs are there once a take of another body is put onto this one.
    const std::shared_ptr<const SessionState> now = session_.state();
    const bool retargets = now && retarget_place(now->replay) >= 0;
    side_buttons_->button(pairs_side)->setVisible(retargets);
    if (!retargets && sides_->currentIndex() == pairs_side) {
        show_side(0);
    }
    const TakeFacts* one = take();
    tools_->about->setText(one == nullptr ? QString()
                                          : tr("%1 · %2 fps").arg(counted(one->frames, "frame")).arg(one->rate));
    tools_->takes->setToolTip(tr("The take that is cut: %1").arg(tools_->about->text()));
    for (QWidget* tool :
         std::initializer_list<QWidget*>{tools_->still_below, tools_->shortest, tools_->cut_all, tools_->cut_here}) {
        tool->setEnabled(one != nullptr && !one->energy.empty());
    }
    if (one != nullptr && !one->energy.empty() &&
        (threshold_of_ != tools_->takes->currentText() || measured_threshold_ != one->still_below)) {
        // Of another size the same take has other speeds: what a person set keeps its share of what was measured.
        const bool same_take = threshold_of_ == tools_->takes->currentText() && measured_threshold_ > 0;
        const double share = same_take ? tools_->still_below->value() / measured_threshold_ : 1;
        threshold_of_ = tools_->takes->currentText();
        measured_threshold_ = one->still_below;
        const QSignalBlocker quiet(tools_->still_below);
        tools_->still_below->setSingleStep(std::pow(10, std::floor(std::log10(std::max(1e-3, one->still_below)))));
        tools_->still_below->setValue(one->still_below * share);
    }
    tools_->curves->setEnabled(one != nullptr);
    refresh_offers();
    refresh_named();
    refresh_curves();
    std::vector<ListedTake> listed;
    for (const TakeFacts& each : model_->takes()) {
        const Clip* clip = each.scene->find_clip(each.name);
        listed.push_back({QString::fromStdString(each.name), each.frames, each.rate, model_->cuts(each.name),
                          clip != nullptr && clip->loop});
    }
    list_->show_takes(std::move(listed), model_->made());
    if (strip_->chosen() >= 0) {
        list_->choose(tools_->takes->currentText(), strip_->chosen());
    }
    follow_clock();
    refresh_view();
}

void TakesStation::refresh_offers() {
    const TakeFacts* one = take();
    offers_.clear();
    if (one != nullptr && !one->energy.empty()) {
        const int shortest = std::max(1, static_cast<int>(std::lround(tools_->shortest->value() * one->rate)));
        offers_ = cut_places(still_places(one->energy, tools_->still_below->value(), shortest), one->frames);
        TakeFacts shown = *one;
        shown.still_below = tools_->still_below->value();
        strip_->show_take(&shown, cuts(), *model_);
    } else {
        strip_->show_take(one, cuts(), *model_);
    }
    strip_->set_offers(offers_);
    tools_->offered->setText(offers_.empty() ? tr("no still place") : tr("▾ %1 offered").arg(offers_.size()));
    tools_->cut_all->setEnabled(!offers_.empty());
}

void TakesStation::refresh_named() {
    const std::vector<Cut> ranges = named_ranges();
    tools_->cut_named->setVisible(!ranges.empty());
    tools_->cut_named->setText(tr("Cut at %1 names").arg(ranges.size()));
    QStringList names;
    for (const Cut& one : ranges) {
        names << tr("%1 (%2–%3)").arg(QString::fromStdString(one.name)).arg(one.start).arg(one.end);
    }
    tools_->cut_named->setToolTip(tr("The source names these ranges itself: %1. What is cut now is replaced")
                                      .arg(names.join(QStringLiteral(", "))));
}

void TakesStation::refresh_curves() {
    const int path = tools_->curves->currentData().toInt();
    const std::shared_ptr<const SessionState> state = session_.state();
    if (path < 0 || !state) {
        strip_->show_curves(std::nullopt);
        return;
    }
    strip_->show_curves(StripCurves{state->replay.received, state->replay.prepared_scene(), selection_.current(),
                                    static_cast<Path>(path)});
}

void TakesStation::refresh_contacts() {
    ContactLimits limits;
    limits.height_m = tools_->feet_height->value() / 100;
    limits.speed_m_s = tools_->feet_speed->value();
    model_->set_contacts(limits, feet_);
}

void TakesStation::refresh_view() {
    if (twin_ == nullptr || !isVisible()) {
        return;
    }
    const ClipFacts* facts = model_->clip(clock_.clip().toStdString());
    const bool goes = facts != nullptr && facts->travel.along_m > 0.05;
    twin_->show_trajectory(goes ? facts->trajectory : nullptr);
    twin_->show_ends(list_->ends_shown());
    twin_->set_round_on(facts != nullptr && facts->seam ? facts->seam->aligned.inverse() : Mat4(Mat4::Identity()));
}

void TakesStation::resizeEvent(QResizeEvent* event) {
    StationPage::resizeEvent(event);
    tools_->about->setVisible(width() > 1060); // beside the unfolded card the strip's tools need the room
}

void TakesStation::showEvent(QShowEvent* event) {
    StationPage::showEvent(event);
    model_->set_shown(true);
}

void TakesStation::hideEvent(QHideEvent* event) {
    StationPage::hideEvent(event);
    model_->set_shown(false);
    if (twin_ != nullptr) {
        twin_->show_trajectory(nullptr);
        twin_->show_ends(false);
        twin_->set_round_on(Mat4::Identity());
        twin_->show_in_place_of_received(nullptr, QString());
        if (SceneView* view = twin_->prepared_view(); view != nullptr && sides_->currentIndex() == keys_side) {
            view->use_tool(nullptr);
        }
        twin_->set_alone(false);
    }
}

void TakesStation::follow_clock() {
    const TakeFacts* one = take();
    const std::shared_ptr<const SessionState> state = session_.state();
    if (one == nullptr || !state) {
        return;
    }
    double start = one->start_s;
    if (const Clip* clip = state->replay.prepared().find_clip(clock_.clip().toStdString())) {
        if (clip->take != one->take || (clip->cut && !is_cut_here(clip->name))) {
            return; // what a step made lies nowhere on the take
        }
        start = clip->start_s;
    }
    strip_->set_playhead(static_cast<int>(std::lround((start - one->start_s + clock_.seconds()) * one->rate)));
}

void TakesStation::scrub(int frame) {
    const TakeFacts* one = take();
    const std::shared_ptr<const SessionState> state = session_.state();
    if (one == nullptr || !state || twin_ == nullptr) {
        return;
    }
    clock_.set_playing(false);
    // Inside the clip that plays it stays with it; elsewhere the whole take is shown.
    const Clip* clip = state->replay.prepared().find_clip(clock_.clip().toStdString());
    if (clip != nullptr && clip->take == one->take && is_cut_here(clip->name)) {
        const int first = static_cast<int>(std::lround((clip->start_s - one->start_s) * one->rate));
        if (frame >= first && frame - first < clip->frames()) {
            clock_.go_to(frame - first);
            return;
        }
    }
    if (clock_.clip().toStdString() != one->name) {
        twin_->playback().choose(QString::fromStdString(one->name));
    }
    clock_.go_to(frame);
}

void TakesStation::choose_clip(const QString& take, int clip) {
    if (tools_->takes->currentText() != take) {
        tools_->takes->setCurrentText(take);
        strip_->choose(-1);
        refresh();
    }
    const std::vector<Cut> list = cuts();
    if (clip >= static_cast<int>(list.size())) {
        return;
    }
    strip_->choose(clip);
    list_->choose(take, clip);
    const std::shared_ptr<const SessionState> state = session_.state();
    const std::string name = clip < 0 ? take.toStdString() : list[static_cast<size_t>(clip)].name;
    if (twin_ != nullptr && state && state->replay.prepared().find_clip(name) != nullptr &&
        clock_.clip().toStdString() != name) {
        twin_->playback().choose(QString::fromStdString(name));
    }
}

void TakesStation::choose_made(const QString& name) {
    strip_->choose(-1);
    list_->choose_made(name);
    if (twin_ != nullptr && clock_.clip() != name) {
        twin_->playback().choose(name);
    }
}

void TakesStation::ask_for_step(const QString& id) {
    const QStringList names = list_->chosen_names();
    const StepKind* kind = step_kind(id.toStdString());
    if (names.isEmpty() || kind == nullptr) {
        return;
    }
    Step step{id.toStdString(), starting_values(kind->parameters)};
    for (const Parameter& field : kind->parameters) {
        if (field.kind == Parameter::Kind::list && field.names == NameOf::clip) {
            nlohmann::json& clips = step.parameters["clips"] = nlohmann::json::array();
            for (const QString& name : names) {
                clips.push_back(name.toStdString());
            }
        } else if (field.kind == Parameter::Kind::text && field.key == "clip") {
            step.parameters["clip"] = names.first().toStdString();
        } else if (field.key == "frame" && kind->id != "make_additive") {
            step.parameters["frame"] = clock_.clip() == names.first() ? clock_.frame() : 0;
        } else if (field.key == "name") {
            step.parameters["name"] =
                (names.size() > 1 ? names.join(QLatin1Char('_')) : names.first() + QStringLiteral("_pose"))
                    .toStdString();
        }
    }
    Q_EMIT stepAsked(step);
}

bool TakesStation::is_cut_here(const std::string& clip) const {
    const std::vector<Cut> list = cuts();
    return std::any_of(list.begin(), list.end(), [&](const Cut& each) { return each.name == clip; });
}

void TakesStation::show_destination(const Destination* destination) {
    model_->set_destination(destination);
}

void TakesStation::go_to(const Finding& finding) {
    if (!finding.clip.empty()) {
        go_to(QString::fromStdString(finding.clip), finding.frame);
    }
}

void TakesStation::go_to(const QString& clip, int frame) {
    for (const TakeFacts& one : model_->takes()) {
        const std::vector<Cut> list = model_->cuts(one.name);
        const auto cut =
            std::find_if(list.begin(), list.end(), [&](const Cut& each) { return each.name == clip.toStdString(); });
        if (cut != list.end() || (list.empty() && one.name == clip.toStdString())) {
            choose_clip(QString::fromStdString(one.name), list.empty() ? -1 : static_cast<int>(cut - list.begin()));
            clock_.go_to(std::max(0, frame));
            return;
        }
    }
    choose_made(clip);
    clock_.go_to(std::max(0, frame));
}

void TakesStation::cut_at_playhead() {
    if (const TakeFacts* one = take()) {
        const std::vector<Cut> before = cuts();
        const std::vector<Cut> after = cut_at(before, strip_->playhead(), one->frames);
        if (!(after == before)) {
            set_cuts(tr("Cut at frame %1").arg(strip_->playhead()), tools_->takes->currentText(), after);
        }
    }
}

} // namespace wembrix::app
