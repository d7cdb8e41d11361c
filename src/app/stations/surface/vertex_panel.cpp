#include "stations/surface/vertex_panel.h"

#include "core/steps/surface/vertex_ranges.h"

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableView>
#include <QVBoxLayout>

namespace wembrix::app {

void VertexWeightsModel::set_rows(std::vector<Row> rows) {
    beginResetModel();
    rows_ = std::move(rows);
    endResetModel();
}

int VertexWeightsModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

int VertexWeightsModel::columnCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : 2;
}

QVariant VertexWeightsModel::data(const QModelIndex& index, int role) const {
    const Row& row = rows_.at(static_cast<size_t>(index.row()));
    if (index.column() == 0) {
        return role == Qt::DisplayRole ? (row.locked ? tr("%1 (locked)").arg(row.name) : row.name) : QVariant();
    }
    switch (role) {
    case Qt::DisplayRole:
        return QString::number(row.weight, 'f', 4);
    case Qt::EditRole:
        return row.weight;
    case Qt::TextAlignmentRole:
        return static_cast<int>(Qt::AlignRight | Qt::AlignVCenter);
    default:
        return {};
    }
}

bool VertexWeightsModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    bool is_number = false;
    const double weight = value.toString().replace(QLatin1Char(','), QLatin1Char('.')).toDouble(&is_number);
    if (role != Qt::EditRole || index.column() != 1 || !is_number || !(weight >= 0 && weight <= 1)) {
        return false;
    }
    const Row& row = rows_.at(static_cast<size_t>(index.row()));
    if (std::abs(weight - row.weight) > 5e-5) { // as many figures as are shown
        Q_EMIT typed(row.joint, weight);
    }
    return true;
}

QVariant VertexWeightsModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (role != Qt::DisplayRole || orientation != Qt::Horizontal) {
        return {};
    }
    return section == 0 ? tr("Joint") : tr("Weight");
}

Qt::ItemFlags VertexWeightsModel::flags(const QModelIndex& index) const {
    const Qt::ItemFlags flags = QAbstractTableModel::flags(index);
    const bool typed = index.column() == 1 && !rows_.at(static_cast<size_t>(index.row())).locked;
    return typed ? flags | Qt::ItemIsEditable : flags;
}

VertexPanel::VertexPanel(Session& session, WeightPainter& painter, QWidget* parent)
    : QWidget(parent), session_(session), painter_(painter) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    said_ = new QLabel(this);
    said_->setObjectName(QStringLiteral("chosenVertices"));
    said_->setWordWrap(true);
    column->addWidget(said_);
    auto* buttons = new QHBoxLayout;
    buttons->setSpacing(4);
    const struct {
        const char* id;
        QString text;
        QString tip;
        void (WeightPainter::*does)();
    } rows[] = {{"growChoice", tr("Grow"), tr("One ring of vertices more"), &WeightPainter::grow},
                {"shrinkChoice", tr("Shrink"), tr("One ring of vertices less"), &WeightPainter::shrink},
                {"loopChoice", tr("Loop"), tr("On from two neighbours along the edges that go straightest"),
                 &WeightPainter::loop}};
    for (const auto& row : rows) {
        auto* button = new QPushButton(row.text, this);
        button->setObjectName(QString::fromUtf8(row.id));
        button->setToolTip(row.tip);
        connect(button, &QPushButton::clicked, &painter_, row.does);
        buttons->addWidget(button);
    }
    auto* faces = new QPushButton(tr("Faces to a slot…"), this);
    faces->setObjectName(QStringLiteral("moveFaces"));
    faces->setToolTip(tr("Puts the faces between the chosen vertices into another material slot"));
    connect(faces, &QPushButton::clicked, this, [this] {
        const std::shared_ptr<const SessionState> state = session_.state();
        const int node = state ? state->replay.prepared().find_identity(painter_.choice().surface) : -1;
        if (node >= 0) {
            Q_EMIT stepAsked(Step{"move_faces",
                                  {{"surface", state->replay.prepared().nodes[static_cast<size_t>(node)].name},
                                   {"vertices", vertex_ranges(painter_.choice().vertices)},
                                   {"material", "other"}}});
        }
    });
    buttons->addWidget(faces);
    auto* others = new QPushButton(tr("Bind the others…"), this);
    others->setObjectName(QStringLiteral("bindOthers"));
    others->setToolTip(tr("Binds the surface to its joints anew; the chosen vertices keep the weights that they have"));
    connect(others, &QPushButton::clicked, this, [this] {
        const std::shared_ptr<const SessionState> state = session_.state();
        const int node = state ? state->replay.prepared().find_identity(painter_.choice().surface) : -1;
        if (node >= 0) {
            Q_EMIT stepAsked(Step{"bind_surface",
                                  {{"surfaces", {state->replay.prepared().nodes[static_cast<size_t>(node)].name}},
                                   {"keep_vertices", vertex_ranges(painter_.choice().vertices)}}});
        }
    });
    buttons->addWidget(others);
    buttons->addStretch(1);
    column->addLayout(buttons);
    model_ = new VertexWeightsModel(this);
    table_ = new QTableView(this);
    table_->setObjectName(QStringLiteral("vertexWeights"));
    table_->setModel(model_);
    table_->verticalHeader()->hide();
    table_->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    table_->setToolTip(tr("Type a weight: the other joints that hold the vertex make room for it"));
    column->addWidget(table_, 1);
    auto* more = new QHBoxLayout;
    more->setSpacing(6);
    joint_ = new QComboBox(this);
    joint_->setObjectName(QStringLiteral("typedJoint"));
    joint_->setMinimumContentsLength(14);
    more->addWidget(joint_, 1);
    weight_ = new QDoubleSpinBox(this);
    weight_->setObjectName(QStringLiteral("typedWeight"));
    weight_->setRange(0, 1);
    weight_->setDecimals(4);
    weight_->setSingleStep(0.05);
    weight_->setValue(1);
    more->addWidget(weight_);
    auto* set = new QPushButton(tr("Set"), this);
    set->setObjectName(QStringLiteral("setWeight"));
    set->setToolTip(tr("Gives this joint that weight on all chosen vertices"));
    connect(set, &QPushButton::clicked, this,
            [this] { painter_.type_weight(joint_->currentData().toLongLong(), weight_->value()); });
    more->addWidget(set);
    column->addLayout(more);
    connect(model_, &VertexWeightsModel::typed, &painter_, [this](qlonglong joint, double weight) {
        // The table is made anew by it: not while its editor is still being closed.
        QMetaObject::invokeMethod(
            &painter_, [this, joint, weight] { painter_.type_weight(joint, weight); }, Qt::QueuedConnection);
    });
    connect(&painter_, &WeightPainter::choiceChanged, this, &VertexPanel::refresh);
    refresh();
}

void VertexPanel::refresh() {
    const WeightPainter::Choice& choice = painter_.choice();
    const std::shared_ptr<const SessionState> state = session_.state();
    std::vector<VertexWeightsModel::Row> rows;
    const int node = state && choice.surface != 0 ? state->replay.prepared().find_identity(choice.surface) : -1;
    for (const char* name : {"growChoice", "shrinkChoice", "loopChoice", "setWeight", "moveFaces", "bindOthers"}) {
        findChild<QPushButton*>(QString::fromUtf8(name))->setEnabled(node >= 0);
    }
    if (node < 0) {
        said_->setText(tr("Draw around vertices in the view, or click one, to see and type their weights."));
        model_->set_rows({});
        return;
    }
    const Scene& scene = state->replay.prepared();
    const Node& surface = scene.nodes[static_cast<size_t>(node)];
    const auto count = static_cast<qulonglong>(choice.vertices.size());
    said_->setText(
        count == 1
            ? tr("Vertex %1 of %2").arg(*choice.vertices.begin()).arg(QString::fromStdString(surface.name))
            : tr("%1 vertices of %2; weights are their means").arg(count).arg(QString::fromStdString(surface.name)));
    for (const auto& [joint, weight] : painter_.weights_of_choice()) {
        const int at = scene.find_identity(joint);
        rows.push_back({joint, QString::fromStdString(scene.nodes[static_cast<size_t>(at)].name), weight,
                        painter_.is_locked(joint)});
    }
    model_->set_rows(std::move(rows));
    const qlonglong chosen = joint_->currentData().toLongLong();
    joint_->clear();
    for (const int joint :
         surface.skin < 0 ? std::vector<int>() : scene.skins[static_cast<size_t>(surface.skin)].joints) {
        const Node& one = scene.nodes[static_cast<size_t>(joint)];
        joint_->addItem(QString::fromStdString(one.name), QVariant::fromValue<qlonglong>(one.identity));
    }
    joint_->setCurrentIndex(std::max(0, joint_->findData(QVariant::fromValue(chosen))));
}

} // namespace wembrix::app
