#include "stations/surface/hull_panel.h"
#include "style/language.h"

#include "core/steps/step_kind.h"
#include "view/tools/hull_tool.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableView>
#include <QVBoxLayout>
#include <cmath>

namespace wembrix::app {

void HullsModel::show_scene(std::shared_ptr<const Scene> scene) {
    beginResetModel();
    scene_ = std::move(scene);
    rows_.clear();
    measured_ = false;
    for (size_t n = 0; scene_ && n < scene_->nodes.size(); ++n) {
        if (scene_->nodes[n].hull >= 0) {
            rows_.push_back({static_cast<int>(n), 0, 0, {}, 0});
        }
    }
    endResetModel();
}

void HullsModel::show_facts(std::vector<HullFacts> facts) {
    rows_ = std::move(facts);
    measured_ = true;
    if (!rows_.empty()) {
        Q_EMIT dataChanged(index(0, 3), index(rowCount() - 1, columnCount() - 1));
    }
}

int64_t HullsModel::identity(int row) const {
    return row < 0 || row >= static_cast<int>(rows_.size())
               ? 0
               : scene_->nodes[static_cast<size_t>(rows_[static_cast<size_t>(row)].node)].identity;
}

std::string HullsModel::name(int row) const {
    return scene_->nodes[static_cast<size_t>(rows_.at(static_cast<size_t>(row)).node)].name;
}

int HullsModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

int HullsModel::columnCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : 6;
}

QVariant HullsModel::data(const QModelIndex& index, int role) const {
    const HullFacts& row = rows_.at(static_cast<size_t>(index.row()));
    const Node& node = scene_->nodes[static_cast<size_t>(row.node)];
    if (role == Qt::TextAlignmentRole) {
        return index.column() >= 3 ? static_cast<int>(Qt::AlignRight | Qt::AlignVCenter)
                                   : static_cast<int>(Qt::AlignLeft | Qt::AlignVCenter);
    }
    if (role != Qt::DisplayRole && role != Qt::ToolTipRole) {
        return {};
    }
    const auto litres = [](double cubic_metres) {
        const double value = cubic_metres * 1000;
        return value < 0.0005 ? QStringLiteral("0") : QString::number(value, 'g', value < 0.01 ? 1 : 3);
    };
    if (!measured_ && index.column() >= 3) {
        return QStringLiteral("…");
    }
    switch (index.column()) {
    case 0:
        return QString::fromStdString(node.name);
    case 1:
        return localized(hull_kind_name(scene_->hulls[static_cast<size_t>(node.hull)].kind));
    case 2:
        return node.parent < 0 ? tr("nothing")
                               : QString::fromStdString(scene_->nodes[static_cast<size_t>(node.parent)].name);
    case 3:
        return litres(row.volume_m3);
    case 4:
        return row.added_m3 ? litres(*row.added_m3) : tr("open surface");
    default:
        return std::isfinite(row.stands_out_m) ? QString::number(row.stands_out_m * 1000, 'f', 1) : tr("no surface");
    }
}

QVariant HullsModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (role != Qt::DisplayRole || orientation != Qt::Horizontal) {
        return {};
    }
    const QString names[] = {tr("Hull"),   tr("Kind"),          tr("Belongs to"),
                             tr("Litres"), tr("Of it air (l)"), tr("Stands out (mm)")};
    return names[section];
}

HullPanel::HullPanel(QWidget* parent) : QWidget(parent) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    said_ = new QLabel(this);
    said_->setObjectName(QStringLiteral("hullsSaid"));
    said_->setWordWrap(true);
    column->addWidget(said_);
    model_ = new HullsModel(this);
    table_ = new QTableView(this);
    table_->setObjectName(QStringLiteral("hullTable"));
    table_->setModel(model_);
    table_->verticalHeader()->hide();
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
    table_->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    table_->setToolTip(
        tr("Choose a hull, here or in the view, and it has handles there. Of it air: what of it lies outside the "
           "surface. Stands out: how far its farthest corner is from the surface"));
    connect(table_->selectionModel(), &QItemSelectionModel::currentRowChanged, this, &HullPanel::chosenChanged);
    connect(table_, &QTableView::clicked, this, &HullPanel::pointedAt);
    column->addWidget(table_, 1);
    auto* buttons = new QHBoxLayout;
    buttons->setSpacing(4);
    const auto add = [&](const char* id, const QString& text, const QString& tip) {
        auto* button = new QPushButton(text, this);
        button->setObjectName(QString::fromUtf8(id));
        button->setToolTip(tip);
        buttons->addWidget(button);
        return button;
    };
    const auto ask = [this](const nlohmann::json& values) {
        Step step{"make_hulls", starting_values(step_kind("make_hulls")->parameters)};
        step.parameters.update(values);
        Q_EMIT stepAsked(step);
    };
    connect(add("makeHulls", tr("Make hulls…"), tr("Of surfaces or material slots")), &QPushButton::clicked, this,
            [ask] {
                ask({{"from", "surfaces"}, {"shape", "convex"}});
            });
    connect(add("makeRagdoll", tr("For each joint…"),
                tr("A capsule around the weighted vertices of each joint: a ragdoll's set")),
            &QPushButton::clicked, this, [ask] {
                ask({{"from", "joints"}, {"shape", "capsule"}});
            });
    auto* leave = add("leaveHull", tr("Leave behind…"), tr("The chosen hull does not go out"));
    connect(leave, &QPushButton::clicked, this, [this] {
        if (table_->currentIndex().isValid()) {
            Q_EMIT stepAsked(Step{"leave_behind", {{"names", {model_->name(table_->currentIndex().row())}}}});
        }
    });
    connect(this, &HullPanel::chosenChanged, leave, [this, leave] { leave->setEnabled(chosen() != 0); });
    leave->setEnabled(false);
    buttons->addStretch(1);
    column->addLayout(buttons);
}

int64_t HullPanel::chosen() const {
    return table_->currentIndex().isValid() ? model_->identity(table_->currentIndex().row()) : 0;
}

HullPanel::~HullPanel() {
    ++run_;
    worker_.waitForDone();
}

void HullPanel::choose(int64_t identity) {
    for (int row = 0; row < model_->rowCount(); ++row) {
        if (identity != 0 && model_->identity(row) == identity) {
            table_->selectRow(row);
        }
    }
}

void HullPanel::show_scene(const std::shared_ptr<const Scene>& scene) {
    const int64_t before = chosen();
    scene_ = scene;
    ++run_;
    model_->show_scene(scene);
    choose(before);
    say();
    if (isVisible()) {
        measure();
    }
    Q_EMIT chosenChanged();
}

void HullPanel::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    measure();
}

void HullPanel::measure() {
    if (model_->is_measured() || model_->rows().empty()) {
        return;
    }
    const uint64_t run = ++run_;
    worker_.setMaxThreadCount(1);
    worker_.start([this, run, scene = scene_] {
        std::vector<HullFacts> facts = hull_facts(*scene, [this, run] { return run_ != run; });
        QMetaObject::invokeMethod(
            this,
            [this, run, facts = std::move(facts)] {
                if (run_ == run) {
                    model_->show_facts(facts);
                    say();
                }
            },
            Qt::QueuedConnection);
    });
}

void HullPanel::say() {
    if (model_->rows().empty()) {
        said_->setText(tr(
            "No collision hulls yet. Make them of surfaces, of slots, or of the weighted vertices of each joint; they "
            "go out with the model, as the destination says."));
        return;
    }
    const auto count = static_cast<qulonglong>(model_->rows().size());
    if (!model_->is_measured()) {
        said_->setText(tr("%1 hulls; being measured").arg(count));
        return;
    }
    double volume = 0;
    for (const HullFacts& facts : model_->rows()) {
        volume += facts.volume_m3;
    }
    said_->setText(tr("%1 hulls, %2 litres together").arg(count).arg(volume * 1000, 0, 'g', 4));
}

std::unique_ptr<ViewTool> HullPanel::tool(SceneView& view) {
    view.let_hulls_go();
    return std::make_unique<HullTool>(
        HullTool::Hooks{[this] { return chosen(); }, [this](int64_t identity) { choose(identity); },
                        [&view](int64_t identity, const Hull& hull) { view.hold_hull(identity, hull); },
                        [this](int64_t identity, const HullAdjustment& by) {
                            const int node = scene_ ? scene_->find_identity(identity) : -1;
                            if (node >= 0) {
                                Q_EMIT adjusted(scene_->nodes[static_cast<size_t>(node)].name, by);
                            }
                        },
                        tr("Click a hull; drag a square to move that side, the dot to move it, the ring to turn it")});
}

} // namespace wembrix::app
