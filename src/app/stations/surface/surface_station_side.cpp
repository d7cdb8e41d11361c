// The right side of the station: shapes, slots, vertices and hulls, each in a tab.
#include "core/delivery/sculpt_file.h"
#include "core/job/card_edits.h"
#include "core/measure/surface/surface_facts.h"
#include "stations/surface/surface_station.h"
#include "style/language.h"
#include "style/theme.h"

#include <QButtonGroup>
#include <QFileDialog>
#include <QHeaderView>
#include <QInputDialog>
#include <QPainter>
#include <QPushButton>
#include <QStackedWidget>
#include <QTableWidget>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

namespace {

/// A colour with an edge: white has to be seen on white.
QPixmap swatch(const QColor& colour) {
    QPixmap picture(14, 14);
    picture.fill(colour);
    QPainter painter(&picture);
    painter.setPen(theme().soft);
    painter.drawRect(0, 0, 13, 13);
    return picture;
}

} // namespace

QWidget* SurfaceStation::make_side() {
    auto* whole = new QWidget(all_);
    auto* column = new QVBoxLayout(whole);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    auto* tabs = new QHBoxLayout;
    tabs->setSpacing(4);
    tabs_ = new QButtonGroup(this);
    side_ = new QStackedWidget(whole);
    rack_ = new ShapeRack(side_);
    connect(rack_, &ShapeRack::heldChanged, this, &SurfaceStation::hold_shapes);
    connect(rack_, &ShapeRack::stepAsked, this, &SurfaceStation::stepAsked);
    connect(rack_, &ShapeRack::sculptFileAsked, this, &SurfaceStation::ask_for_sculpt_file);
    side_->addWidget(rack_);
    slots_ = new QTableWidget(side_);
    slots_->setObjectName(QStringLiteral("slotTable"));
    slots_->setColumnCount(4);
    slots_->setHorizontalHeaderLabels({tr("Surface"), tr("Slot"), tr("Material"), tr("Triangles")});
    slots_->horizontalHeader()->setSectionResizeMode(2, QHeaderView::Stretch);
    slots_->verticalHeader()->hide();
    slots_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    slots_->setSelectionBehavior(QAbstractItemView::SelectRows);
    slots_->setSelectionMode(QAbstractItemView::SingleSelection);
    slots_->setToolTip(tr("Choose a slot, and its faces stand out in the view"));
    connect(slots_, &QTableWidget::currentCellChanged, this, [this](int at) {
        slot_row_ = at;
        colour();
        show_looks();
    });
    auto* slot_page = new QWidget(side_);
    auto* slot_column = new QVBoxLayout(slot_page);
    slot_column->setContentsMargins(0, 0, 0, 0);
    slot_column->setSpacing(6);
    slot_column->addWidget(slots_, 1);
    looks_ = new LooksBar(slot_page);
    connect(looks_, &LooksBar::changed, this, &SurfaceStation::show_looks);
    connect(looks_, &LooksBar::materialAsked, this, [this] {
        const std::vector<SlotFacts> facts = shown_ ? slot_facts(*shown_) : std::vector<SlotFacts>();
        nlohmann::json values = nlohmann::json::object();
        if (slot_row_ >= 0 && slot_row_ < static_cast<int>(facts.size()) &&
            facts[static_cast<size_t>(slot_row_)].material >= 0) {
            const int material = facts[static_cast<size_t>(slot_row_)].material;
            values["materials"] = {shown_->materials[static_cast<size_t>(material)].name};
        }
        ask("set_material", values);
    });
    slot_column->addWidget(looks_);
    side_->addWidget(slot_page);
    vertices_ = new VertexPanel(session_, *painter_, side_);
    connect(vertices_, &VertexPanel::stepAsked, this, &SurfaceStation::stepAsked);
    side_->addWidget(vertices_);
    hulls_ = new HullPanel(side_);
    connect(hulls_, &HullPanel::stepAsked, this, &SurfaceStation::stepAsked);
    connect(hulls_, &HullPanel::chosenChanged, this, &SurfaceStation::show_hulls);
    connect(hulls_, &HullPanel::pointedAt, this, [this] {
        if (SceneView* view = twin_ == nullptr ? nullptr : twin_->prepared_view()) {
            view->bring_hull_into_view(hulls_->chosen());
        }
    });
    connect(hulls_, &HullPanel::adjusted, this, [this](const std::string& hull, const HullAdjustment& by) {
        document_.edit(tr("Adjust hull “%1”").arg(QString::fromStdString(hull)),
                       [&](Job& job) { adjust_hull(job, hull, by); });
    });
    side_->addWidget(hulls_);
    const QString names[] = {tr("Shapes"), tr("Slots"), tr("Vertices"), tr("Hulls")};
    const char* ids[] = {"shapesTab", "slotsTab", "verticesTab", "hullsTab"};
    for (int i = 0; i < 4; ++i) {
        auto* button = new QPushButton(names[i], whole);
        button->setObjectName(QString::fromUtf8(ids[i]));
        button->setProperty("mode", true);
        button->setCheckable(true);
        button->setChecked(i == 0);
        tabs_->addButton(button, i);
        tabs->addWidget(button);
    }
    connect(tabs_, &QButtonGroup::idClicked, this, [this](int id) {
        const bool had_hulls = side_->currentWidget() == hulls_;
        side_->setCurrentIndex(id);
        if (had_hulls || side_->currentWidget() == hulls_) {
            use_tool(false, false);
        }
        if (id != 1) {
            slot_row_ = -1;
            slots_->clearSelection();
            slots_->setCurrentCell(-1, -1);
        }
        colour();
        show_hulls();
        show_looks();
        share_room();
    });
    tabs->addStretch(1);
    column->addLayout(tabs);
    column->addWidget(side_, 1);
    return whole;
}

void SurfaceStation::fill_slots() {
    const QSignalBlocker quiet(slots_);
    const std::vector<SlotFacts> facts = slot_facts(*shown_);
    slots_->setRowCount(static_cast<int>(facts.size()));
    for (int row = 0; row < static_cast<int>(facts.size()); ++row) {
        const SlotFacts& slot = facts[static_cast<size_t>(row)];
        const QString cells[] = {
            QString::fromStdString(shown_->nodes[static_cast<size_t>(slot.node)].name),
            QString::number(static_cast<qulonglong>(slot.slot + 1)),
            slot.material < 0 ? tr("none")
                              : QString::fromStdString(shown_->materials[static_cast<size_t>(slot.material)].name),
            QString::number(static_cast<qulonglong>(slot.triangles))};
        for (int column = 0; column < 4; ++column) {
            auto* item = new QTableWidgetItem(cells[column]);
            if (column == 2 && slot.material >= 0) {
                const auto& base = shown_->materials[static_cast<size_t>(slot.material)].base_colour;
                const auto shown = [&](int part) { // colours are linear, screens are not
                    return static_cast<float>(
                        std::clamp(std::pow(base.at(static_cast<size_t>(part)), 1 / 2.2), 0.0, 1.0));
                };
                item->setData(Qt::DecorationRole, swatch(QColor::fromRgbF(shown(0), shown(1), shown(2))));
            }
            if (column == 1 || column == 3) {
                item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
            }
            slots_->setItem(row, column, item);
        }
    }
    slots_->resizeColumnToContents(0);
    slots_->resizeColumnToContents(1);
    slot_row_ = -1;
}

void SurfaceStation::show_looks() {
    SceneView* view = twin_ == nullptr || !isVisible() ? nullptr : twin_->prepared_view();
    if (view == nullptr) {
        return;
    }
    const bool in_front = side_->currentIndex() == 1;
    const std::vector<SlotFacts> facts =
        shown_ && looks_->only_chosen() ? slot_facts(*shown_) : std::vector<SlotFacts>();
    const bool only = slot_row_ >= 0 && slot_row_ < static_cast<int>(facts.size());
    const SlotFacts* slot = only ? &facts[static_cast<size_t>(slot_row_)] : nullptr;
    view->show_looks(in_front && looks_->shown(), looks_->light_degrees(),
                     slot == nullptr ? 0 : shown_->nodes[static_cast<size_t>(slot->node)].identity,
                     slot == nullptr ? -1 : static_cast<int>(slot->slot));
    view->show_hairs(in_front ? looks_->hairs() : Hairs::none);
}

void SurfaceStation::show_hulls() {
    if (SceneView* view = twin_ == nullptr || !isVisible() ? nullptr : twin_->prepared_view()) {
        view->show_hulls(side_->currentWidget() == hulls_, hulls_->chosen());
    }
}

void SurfaceStation::ask_for_sculpt_file() {
    QStringList names;
    for (const int surface : shown_ ? surfaces_of(*shown_) : std::vector<int>()) {
        names << QString::fromStdString(shown_->nodes[static_cast<size_t>(surface)].name);
    }
    if (names.isEmpty()) {
        return;
    }
    bool chosen = true;
    const QString surface = names.size() == 1 ? names[0]
                                              : QInputDialog::getItem(this, tr("Save for sculpting"),
                                                                      tr("Which surface (%1)").arg(clock_.words()),
                                                                      names, 0, false, &chosen);
    const QString file =
        chosen ? QFileDialog::getSaveFileName(this, tr("Save for sculpting"), surface + ".obj", tr("OBJ (*.obj)"))
               : QString();
    if (!file.isEmpty()) {
        facts_->setText(save_for_sculpting(surface, file).toHtmlEscaped());
    }
}

QString SurfaceStation::save_for_sculpting(const QString& surface, const QString& file) {
    if (!shown_ || (clock_.clip().isEmpty() && clock_.still() != Clock::Still::rest)) {
        return tr("Choose a clip or the rest pose first: a sculpt of another pose could not be brought back.");
    }
    const Result<SculptFile> written = write_sculpt_file(
        {shown_.get(), surface.toStdString(), clock_.clip().toStdString(), clock_.frame()}, file.toStdString());
    if (!written) {
        return localized(written.problem().sentence());
    }
    return tr("“%1” at %2: %3 vertices, read back one by one")
        .arg(surface, clock_.words())
        .arg(static_cast<qulonglong>(written->vertices));
}

} // namespace wembrix::app
