#include "stations/joints/build_panel.h"
#include "style/language.h"

#include "core/base/files.h"
#include "core/formats/format.h"
#include "style/theme.h"
#include "view/tools/guide_tool.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QFileDialog>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QMessageBox>
#include <QPushButton>
#include <QSignalBlocker>
#include <QSpinBox>
#include <QTableView>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

namespace {

const char* const axis_choices[] = {"+X", "-X", "+Y", "-Y", "+Z", "-Z"};

/// What stands behind the plans in their list.
enum PlanCommand { from_file = -3, of_skeleton = -2, to_file = -1 };

} // namespace

BuildPanel::BuildPanel(Document& document, Session& session, QWidget* parent)
    : QWidget(parent), document_(document), session_(session) {
    board_ = new GuideBoard(document, session, this);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(7);
    column->addWidget(make_plan_row());
    model_ = new PlanModel(this);
    table_ = new QTableView(this);
    table_->setObjectName(QStringLiteral("planTable"));
    table_->setModel(model_);
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(24);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
    table_->horizontalHeader()->setSectionResizeMode(PlanModel::names, QHeaderView::Stretch);
    table_->setToolTip(tr("The chains of the plan. Click a number of joints, of twist joints, or the names to "
                          "change them; 0 joints takes the chain away"));
    connect(model_, &PlanModel::planAsked, this,
            [this](const Plan& plan, const QString& what) { board_->set_plan(plan, what); });
    connect(table_, &QTableView::clicked, this, [this](const QModelIndex& index) {
        const std::string chain = model_->name(index.row());
        for (const Guide& guide : board_->guides().all) {
            if (guide.id.chain == chain) {
                board_->choose(guide.id);
                return;
            }
        }
    });
    table_->setEditTriggers(QAbstractItemView::CurrentChanged | QAbstractItemView::DoubleClicked |
                            QAbstractItemView::AnyKeyPressed);
    table_->setMinimumHeight(120);
    table_->setSizeAdjustPolicy(QAbstractScrollArea::AdjustToContents);
    column->addWidget(table_);
    column->addWidget(make_settings());
    column->addWidget(make_guide());
    said_ = new QLabel(this);
    said_->setObjectName(QStringLiteral("buildSaid"));
    said_->setWordWrap(true);
    said_->setTextFormat(Qt::RichText);
    column->addWidget(said_);
    column->addWidget(make_binding());
    column->addStretch(1);
    connect(board_, &GuideBoard::changed, this, &BuildPanel::refresh);
    connect(board_, &GuideBoard::chosenChanged, this, [this] {
        refresh_guide();
        Q_EMIT guidesMoved();
    });
    refresh();
}

QWidget* BuildPanel::make_plan_row() {
    auto* row = new QWidget(this);
    auto* line = new QHBoxLayout(row);
    line->setContentsMargins(0, 0, 0, 0);
    line->setSpacing(6);
    auto* title = new QLabel(tr("Plan"), row);
    title->setStyleSheet(QStringLiteral("font-weight: 600;"));
    line->addWidget(title);
    plan_ = new QComboBox(row);
    plan_->setObjectName(QStringLiteral("planChoice"));
    plan_->setToolTip(tr("Which chains of joints a body of this kind has. A plan is a file that a team shares"));
    connect(plan_, QOverload<int>::of(&QComboBox::activated), this, &BuildPanel::ask_for_plan);
    line->addWidget(plan_, 1);
    suggest_ = new QPushButton(tr("Suggest from the surface"), row);
    suggest_->setObjectName(QStringLiteral("suggestGuides"));
    suggest_->setToolTip(
        tr("Places all guides by what the surface alone says: a start that saves time, to be corrected by hand"));
    connect(suggest_, &QPushButton::clicked, board_, &GuideBoard::suggest);
    line->addWidget(suggest_);
    return row;
}

QWidget* BuildPanel::make_settings() {
    auto* box = new QWidget(this);
    auto* grid = new QGridLayout(box);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setHorizontalSpacing(6);
    grid->setVerticalSpacing(5);
    const auto soft = [&](const QString& text) {
        auto* label = new QLabel(text, box);
        label->setObjectName(QStringLiteral("soft"));
        return label;
    };
    root_ = new QComboBox(box);
    root_->setObjectName(QStringLiteral("motionRoot"));
    root_->addItems({tr("none"), tr("on the ground"), tr("at the origin")});
    root_->setToolTip(tr("A joint above all that carries the motion of the whole, looking along +Z"));
    connect(root_, QOverload<int>::of(&QComboBox::activated), this, [this](int index) {
        change(tr("Motion root"), [&](Plan& plan) { plan.root = static_cast<Plan::Root>(index); });
    });
    rest_ = new QComboBox(box);
    rest_->setObjectName(QStringLiteral("restRotations"));
    rest_->addItems({tr("along the bones"), tr("zero")});
    rest_->setToolTip(tr("How joints are rotated at rest: along their bones, or all along the axes of the world"));
    connect(rest_, QOverload<int>::of(&QComboBox::activated), this, [this](int index) {
        change(tr("Rest rotations"), [&](Plan& plan) { plan.rest = static_cast<Plan::Rest>(index); });
    });
    const auto axis = [&](const char* name, const QString& tip, Axis Plan::*member, const QString& what) {
        auto* combo = new QComboBox(box);
        combo->setObjectName(QString::fromUtf8(name));
        for (const char* one : axis_choices) {
            combo->addItem(QString::fromLatin1(one));
        }
        combo->setToolTip(tip);
        connect(combo, QOverload<int>::of(&QComboBox::activated), this, [this, member, what](int index) {
            change(what, [&](Plan& plan) { plan.*member = static_cast<Axis>(index); });
        });
        return combo;
    };
    bone_ = axis("boneAxis", tr("The axis of a joint along its bone"), &Plan::bone_axis, tr("Bone axis"));
    up_ = axis("upAxis", tr("Its second axis"), &Plan::up_axis, tr("Second axis"));
    const auto token = [&](const char* name, const QString& tip, std::string Plan::*member) {
        auto* edit = new QLineEdit(box);
        edit->setObjectName(QString::fromUtf8(name));
        edit->setToolTip(tip);
        edit->setMaximumWidth(72);
        connect(edit, &QLineEdit::editingFinished, this, [this, edit, member] {
            const std::string text = edit->text().trimmed().toStdString();
            if (!text.empty() && text != board_->plan().*member) {
                change(tr("Side tokens"), [&](Plan& plan) { plan.*member = text; });
            }
        });
        return edit;
    };
    left_ = token("leftToken", tr("What {side} becomes in the names of the left"), &Plan::left);
    right_ = token("rightToken", tr("What {side} becomes in the names of the right"), &Plan::right);
    const auto pair = [](QWidget* first, QWidget* second) {
        auto* both = new QHBoxLayout;
        both->setSpacing(4);
        both->addWidget(first);
        both->addWidget(second);
        return both;
    };
    grid->addWidget(soft(tr("Motion root")), 0, 0);
    grid->addWidget(root_, 0, 1);
    grid->addWidget(soft(tr("Bone axis, second")), 0, 2);
    grid->addLayout(pair(bone_, up_), 0, 3);
    grid->addWidget(soft(tr("Rest rotations")), 1, 0);
    grid->addWidget(rest_, 1, 1);
    grid->addWidget(soft(tr("Side tokens")), 1, 2);
    grid->addLayout(pair(left_, right_), 1, 3);
    return box;
}

QWidget* BuildPanel::make_guide() {
    auto* box = new QWidget(this);
    auto* rows = new QVBoxLayout(box);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(5);
    auto* first = new QHBoxLayout;
    first->setSpacing(6);
    guide_ = new QComboBox(box);
    guide_->setObjectName(QStringLiteral("guideChoice"));
    guide_->setToolTip(tr("The chosen guide point, here or by a click in the view"));
    connect(guide_, QOverload<int>::of(&QComboBox::activated), this, [this](int index) {
        if (index > 0 && index <= static_cast<int>(board_->guides().all.size())) {
            board_->choose(board_->guides().all[static_cast<size_t>(index) - 1].id);
        } else {
            board_->choose(std::nullopt);
        }
    });
    first->addWidget(guide_, 1);
    const char* names[] = {"guideX", "guideY", "guideZ"};
    const QString labels[] = {tr("X"), tr("Y"), tr("Z")};
    for (size_t i = 0; i < 3; ++i) {
        auto* label = new QLabel(labels[i], box);
        label->setObjectName(QStringLiteral("soft"));
        first->addWidget(label);
        auto* spin = new QDoubleSpinBox(box);
        spin->setObjectName(QString::fromUtf8(names[i]));
        spin->setRange(-1e6, 1e6);
        spin->setDecimals(1);
        spin->setSingleStep(1);
        spin->setSuffix(tr(" mm"));
        spin->setButtonSymbols(QAbstractSpinBox::NoButtons);
        spin->setKeyboardTracking(false);
        spin->setMinimumWidth(72);
        connect(spin, &QDoubleSpinBox::valueChanged, this, &BuildPanel::place_typed);
        at_.at(i) = spin;
        first->addWidget(spin);
    }
    rows->addLayout(first);
    auto* second = new QHBoxLayout;
    second->setSpacing(8);
    mirrored_ = new QCheckBox(tr("Both sides"), box);
    mirrored_->setObjectName(QStringLiteral("guidesMirrored"));
    mirrored_->setChecked(true);
    mirrored_->setToolTip(tr("A guide moves together with the one that answers it across the middle of the surface; "
                             "those in the middle stay there"));
    connect(mirrored_, &QCheckBox::toggled, board_, &GuideBoard::set_mirrored);
    second->addWidget(mirrored_);
    snaps_ = new QCheckBox(tr("Snap to the middle"), box);
    snaps_->setObjectName(QStringLiteral("guidesSnap"));
    snaps_->setToolTip(tr("A guide that is dropped goes to the middle of the limb around it"));
    connect(snaps_, &QCheckBox::toggled, board_, &GuideBoard::set_snaps);
    second->addWidget(snaps_);
    second->addStretch(1);
    middle_ = new QPushButton(tr("To the middle"), box);
    middle_->setObjectName(QStringLiteral("guideToMiddle"));
    middle_->setToolTip(tr("The chosen guide goes to the middle of the limb around it: rays through the surface, both "
                           "ways, find it"));
    connect(middle_, &QPushButton::clicked, this, [this] {
        if (board_->chosen()) {
            board_->to_middle(*board_->chosen());
        }
    });
    second->addWidget(middle_);
    rows->addLayout(second);
    return box;
}

QWidget* BuildPanel::make_binding() {
    auto* box = new QWidget(this);
    auto* line = new QHBoxLayout(box);
    line->setContentsMargins(0, 0, 0, 0);
    line->setSpacing(6);
    build_ = new QPushButton(box);
    build_->setObjectName(QStringLiteral("buildSkeleton"));
    build_->setProperty("go", true);
    connect(build_, &QPushButton::clicked, board_, &GuideBoard::build);
    line->addWidget(build_);
    line->addStretch(1);
    method_ = new QComboBox(box);
    method_->setObjectName(QStringLiteral("bindMethod"));
    method_->addItem(tr("by heat"), QStringLiteral("heat"));
    method_->addItem(tr("through the volume"), QStringLiteral("volume"));
    method_->addItem(tr("by the nearest bone"), QStringLiteral("nearest"));
    method_->setToolTip(tr("Heat spreads along the surface from the bones it sees; through the volume is for surfaces "
                           "that are open, overlap or come in pieces"));
    line->addWidget(method_);
    influences_ = new QSpinBox(box);
    influences_->setObjectName(QStringLiteral("bindInfluences"));
    influences_->setRange(1, 8);
    influences_->setValue(4);
    influences_->setPrefix(tr("≤ "));
    influences_->setToolTip(tr("Influences per vertex, at most"));
    line->addWidget(influences_);
    bind_ = new QPushButton(tr("Bind"), box);
    bind_->setObjectName(QStringLiteral("bindSurface"));
    bind_->setToolTip(tr("Gives the surface its first weights: all joints but the motion root may have some"));
    connect(bind_, &QPushButton::clicked, this, &BuildPanel::bind);
    line->addWidget(bind_);
    return box;
}

void BuildPanel::change(const QString& what, const std::function<void(Plan&)>& change) {
    Plan plan = board_->plan();
    change(plan);
    const Result<Plan> whole = plan_from_json(plan_to_json(plan), "");
    if (!whole) {
        said_->setText(QStringLiteral("<font color='%1'>%2</font>")
                           .arg(theme().stop.name(), localized(whole.problem().sentence()).toHtmlEscaped()));
        refresh();
        return;
    }
    if (*whole != board_->plan()) {
        board_->set_plan(*whole, what);
    }
}

void BuildPanel::ask_for_plan(int index) {
    const int command = plan_->itemData(index).toInt();
    const std::vector<Plan>& shipped = shipped_plans();
    const auto refuse = [this](const Problem& problem) {
        QMessageBox::warning(this, tr("Plan"), localized(problem.sentence()));
    };
    const auto use = [this](const Plan& plan) {
        board_->set_plan(plan, tr("Plan %1").arg(QString::fromStdString(plan.name)));
    };
    if (command >= 0 && command < static_cast<int>(shipped.size())) {
        use(shipped[static_cast<size_t>(command)]);
    } else if (command == from_file) {
        const QString file =
            QFileDialog::getOpenFileName(this, tr("Open a plan"), {}, tr("Plans (*.plan.json *.json)"));
        if (!file.isEmpty()) {
            const Result<Plan> plan = read_plan(file.toStdString());
            plan ? use(*plan) : refuse(plan.problem());
        }
    } else if (command == of_skeleton) {
        const QString file = QFileDialog::getOpenFileName(this, tr("Take the plan of a skeleton"), {},
                                                          tr("Files with a skeleton (*.glb *.gltf *.bvh)"));
        if (!file.isEmpty()) {
            const Result<Scene> scene = read_scene(file.toStdString());
            const Result<Plan> plan =
                scene ? plan_of_skeleton(*scene, std::filesystem::path(file.toStdString()).stem().string())
                      : Result<Plan>(scene.problem());
            plan ? use(*plan) : refuse(plan.problem());
        }
    } else if (command == to_file) {
        const QString file = QFileDialog::getSaveFileName(
            this, tr("Save the plan"), QString::fromStdString(file_name_safe(board_->plan().name)) + ".plan.json",
            tr("Plans (*.plan.json)"));
        if (!file.isEmpty()) {
            const Outcome done = replace_file(file.toStdString(), plan_to_json(board_->plan()).dump(2) + "\n");
            if (!done) {
                refuse(done.problem());
            }
        }
    }
    refresh();
}

void BuildPanel::place_typed() {
    if (!board_->chosen() || board_->guides().find(*board_->chosen()) == nullptr) {
        return;
    }
    const Vec3 at(at_[0]->value() / 1000, at_[1]->value() / 1000, at_[2]->value() / 1000);
    if ((at - board_->guides().at(*board_->chosen())).cwiseAbs().maxCoeff() > 4e-5) {
        board_->place(*board_->chosen(), at);
    }
}

void BuildPanel::bind() {
    nlohmann::json parameters = {{"method", method_->currentData().toString().toStdString()},
                                 {"max_influences", influences_->value()},
                                 {"ends", board_->is_on_card()}};
    document_.edit(tr("Bind the surface"), [&](Job& job) { set_binding(job, parameters); });
}

void BuildPanel::refresh() {
    const Plan& plan = board_->plan();
    {
        const QSignalBlocker quiet(plan_);
        plan_->clear();
        int current = -1;
        const std::vector<Plan>& shipped = shipped_plans();
        for (size_t i = 0; i < shipped.size(); ++i) {
            plan_->addItem(QString::fromStdString(shipped[i].name), static_cast<int>(i));
            current = shipped[i].name == plan.name ? static_cast<int>(i) : current;
        }
        if (current < 0) {
            plan_->addItem(QString::fromStdString(plan.name), static_cast<int>(shipped.size()));
            current = plan_->count() - 1;
        }
        plan_->insertSeparator(plan_->count());
        plan_->addItem(tr("From a file…"), from_file);
        plan_->addItem(tr("Off a skeleton in a file…"), of_skeleton);
        plan_->addItem(tr("Save to a file…"), to_file);
        plan_->setCurrentIndex(current);
    }
    model_->show_plan(plan, board_->guides());
    root_->setCurrentIndex(static_cast<int>(plan.root));
    rest_->setCurrentIndex(static_cast<int>(plan.rest));
    bone_->setCurrentIndex(static_cast<int>(plan.bone_axis));
    up_->setCurrentIndex(static_cast<int>(plan.up_axis));
    left_->setText(QString::fromStdString(plan.left));
    right_->setText(QString::fromStdString(plan.right));
    const auto joints = static_cast<qulonglong>(joint_count(plan));
    build_->setText(board_->is_built() ? tr("Built: %1 joints").arg(joints) : tr("Build %1 joints").arg(joints));
    const bool free = board_->is_ready() && board_->other_joints() == 0;
    for (QWidget* widget :
         {static_cast<QWidget*>(plan_), static_cast<QWidget*>(suggest_), static_cast<QWidget*>(table_),
          static_cast<QWidget*>(root_), static_cast<QWidget*>(rest_), static_cast<QWidget*>(bone_),
          static_cast<QWidget*>(up_), static_cast<QWidget*>(left_), static_cast<QWidget*>(right_)}) {
        widget->setEnabled(free);
    }
    build_->setEnabled(free && !board_->is_built());
    bind_->setEnabled(board_->is_built());
    method_->setEnabled(board_->is_built());
    influences_->setEnabled(board_->is_built());
    refresh_guide();
    say();
}

void BuildPanel::refresh_guide() {
    const bool free = board_->is_ready() && board_->other_joints() == 0;
    const std::optional<GuideId>& chosen = board_->chosen();
    const Guide* guide = chosen ? board_->guides().find(*chosen) : nullptr;
    const QSignalBlocker quiet(guide_);
    guide_->clear();
    guide_->addItem(tr("no guide chosen"));
    int current = 0;
    for (const Guide& one : board_->guides().all) {
        guide_->addItem(QString::fromStdString(guide_label(board_->plan(), one.id)));
        current = guide != nullptr && one.id == guide->id ? guide_->count() - 1 : current;
    }
    guide_->setCurrentIndex(current);
    guide_->setEnabled(free);
    middle_->setEnabled(free && guide != nullptr);
    for (size_t i = 0; i < 3; ++i) {
        const QSignalBlocker still(at_.at(i));
        at_.at(i)->setEnabled(free && guide != nullptr);
        at_.at(i)->setValue(guide == nullptr ? 0 : guide->at[static_cast<Eigen::Index>(i)] * 1000);
    }
    if (guide != nullptr) {
        table_->selectRow(model_->row_of(guide->id.chain));
    }
}

void BuildPanel::say() {
    if (!board_->has_surface()) {
        said_->setText(tr("A skeleton is built into a surface. Import one first."));
        return;
    }
    if (const size_t joints = board_->other_joints(); joints > 0) {
        said_->setText(tr("There is a skeleton of %1 joints already. To build another one, leave it behind first: "
                          "“Leave behind” with its root.")
                           .arg(static_cast<qulonglong>(joints)));
        return;
    }
    if (!board_->is_ready()) {
        said_->setText(tr("The surface is being measured…"));
        return;
    }
    const auto placed = std::count_if(board_->guides().all.begin(), board_->guides().all.end(),
                                      [](const Guide& guide) { return guide.by_hand; });
    said_->setText(
        tr("%1 of %2 guides placed · left and right alike within %3 mm, about X = %4 mm")
            .arg(placed)
            .arg(static_cast<qulonglong>(board_->guides().all.size()))
            .arg(board_->symmetry().most_m * 1000, 0, 'f', 1)
            .arg(std::round(board_->guides().middle_x * 1e4) / 10 + 0.0, 0, 'f', 1) + // no minus before 0
        (board_->symmetry().looks_aside
             ? tr("\nThe surface looks along X: turn it before you build, so that left and right are mirrored "
                  "across X.")
             : QString()));
}

std::unique_ptr<ViewTool> BuildPanel::tool() {
    return std::make_unique<GuideTool>(
        GuideTool::Hooks{[this]() -> const Plan* {
                             return board_->is_ready() && board_->other_joints() == 0 ? &board_->plan() : nullptr;
                         },
                         [this]() -> const Guides& { return board_->guides(); }, [this] { return board_->chosen(); },
                         [this](const GuideId& id) { board_->choose(id); },
                         [this](const GuideId& id, const Vec3& at, bool done) {
                             done ? board_->place(id, at) : board_->preview(id, at);
                         },
                         [this]() -> QString {
                             const std::optional<LimbMiddle> middle = board_->middle_of_chosen();
                             if (!board_->chosen() || !middle) {
                                 return {};
                             }
                             const double off = (board_->guides().at(*board_->chosen()) - middle->at).norm();
                             return off < 0.01 * middle->thickness_m
                                        ? tr("middle, %1 mm thick").arg(middle->thickness_m * 1000, 0, 'f', 0)
                                        : tr("%1 mm off the middle, %2 mm thick")
                                              .arg(off * 1000, 0, 'f', 0)
                                              .arg(middle->thickness_m * 1000, 0, 'f', 0);
                         },
                         tr("Click a guide; drag it, or an arm to move it along one axis")});
}

} // namespace wembrix::app
