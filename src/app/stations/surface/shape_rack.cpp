#include "stations/surface/shape_rack.h"

#include "stations/surface/shape_picture.h"
#include "style/live_theme.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QScrollArea>
#include <QSlider>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>

namespace wembrix::app {

namespace {
constexpr int steps_of_slider = 100;
constexpr float not_held = -1e10F;
} // namespace

ShapeRack::ShapeRack(QWidget* parent) : QFrame(parent) {
    setObjectName(QStringLiteral("card"));
    worker_.setMaxThreadCount(1);
    if (LiveTheme* live = live_theme()) {
        connect(live, &LiveTheme::changed, this, &ShapeRack::draw_pictures);
    }
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(10, 8, 6, 8);
    column->setSpacing(6);
    auto* top = new QHBoxLayout;
    title_ = new QLabel(this);
    title_->setStyleSheet(QStringLiteral("font-weight: 600;"));
    top->addWidget(title_, 1);
    auto* order = new QLabel(tr("base → <b>shapes</b> → <b>skin</b>"), this);
    order->setObjectName(QStringLiteral("soft"));
    order->setToolTip(
        tr("Shapes move the surface first, then the joints bend it. This is how every frame here is made, "
           "and how files say it."));
    top->addWidget(order);
    auto* release = new QPushButton(tr("Follow the clip"), this);
    release->setObjectName(QStringLiteral("releaseShapes"));
    release->setToolTip(tr("Lets go of all sliders: shapes move as the clip has them"));
    connect(release, &QPushButton::clicked, this, &ShapeRack::release_all);
    top->addWidget(release);
    column->addLayout(top);
    auto* sculpt = new QPushButton(tr("Save for sculpting…"), this);
    sculpt->setObjectName(QStringLiteral("sculptFile"));
    sculpt->setToolTip(tr("Saves the surface as the clip has it at this frame (.obj, held sliders aside). What a "
                          "sculptor makes of it comes back as a source, for “Add a shape” or “Add a corrective”"));
    connect(sculpt, &QPushButton::clicked, this, &ShapeRack::sculptFileAsked);
    auto* below = new QHBoxLayout;
    below->addStretch(1);
    below->addWidget(sculpt);
    empty_ = new QLabel(tr("No surface has shapes. Add a file with a sculpted surface to the job's sources, and “Add a "
                           "shape” makes one of it."),
                        this);
    empty_->setObjectName(QStringLiteral("soft"));
    empty_->setWordWrap(true);
    column->addWidget(empty_);
    area_ = new QScrollArea(this);
    area_->setFocusPolicy(Qt::NoFocus); // the shapes in it take the keys
    area_->setWidgetResizable(true);
    area_->setFrameShape(QFrame::NoFrame);
    area_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    column->addWidget(area_, 1);
    column->addLayout(below);
    build();
}

ShapeRack::~ShapeRack() {
    ++run_;
    worker_.waitForDone();
}

void ShapeRack::show_scene(std::shared_ptr<const Scene> scene) {
    if (scene == scene_) {
        return;
    }
    std::vector<std::tuple<int64_t, std::string, int>> held;
    for (const Row& row : rows_) {
        if (row.is_held) {
            held.emplace_back(scene_->nodes[static_cast<size_t>(row.facts.node)].identity, row.facts.name,
                              row.slider->value());
        }
    }
    scene_ = std::move(scene);
    build();
    for (const auto& [surface, name, value] : held) {
        for (Row& row : rows_) {
            if (row.facts.name == name && scene_->nodes[static_cast<size_t>(row.facts.node)].identity == surface) {
                row.is_held = true;
                const QSignalBlocker quiet(row.slider);
                row.slider->setValue(value);
                say(static_cast<size_t>(&row - rows_.data()));
            }
        }
    }
    Q_EMIT heldChanged();
}

void ShapeRack::build() {
    rows_.clear();
    delete list_;
    list_ = new QWidget;
    list_->setObjectName(QStringLiteral("shapeList"));
    auto* column = new QVBoxLayout(list_);
    column->setContentsMargins(0, 0, 4, 0);
    column->setSpacing(0);
    if (scene_) {
        for (ShapeFacts& facts : shape_facts(*scene_)) {
            Row row;
            row.facts = std::move(facts);
            row.weighs = row.facts.starts_at;
            row.place = rows_.size(); // shapes of surfaces follow one another in a pose, too
            rows_.push_back(std::move(row));
        }
    }
    const bool several = !rows_.empty() && rows_.front().facts.node != rows_.back().facts.node;
    for (size_t row = 0; row < rows_.size(); ++row) {
        if (several && (row == 0 || rows_[row].facts.node != rows_[row - 1].facts.node)) {
            auto* name = new QLabel(
                QString::fromStdString(scene_->nodes[static_cast<size_t>(rows_[row].facts.node)].name), list_);
            name->setObjectName(QStringLiteral("soft"));
            name->setContentsMargins(2, row == 0 ? 0 : 8, 0, 0);
            column->addWidget(name);
        }
        column->addWidget(make_row(row));
        say(row);
    }
    column->addStretch(1);
    area_->setWidget(list_);
    area_->setVisible(!rows_.empty());
    empty_->setVisible(rows_.empty());
    title_->setText(rows_.empty() ? tr("Shapes") : tr("Shapes · %1").arg(rows_.size()));
    draw_pictures();
}

QWidget* ShapeRack::make_row(size_t place) {
    Row& row = rows_[place];
    auto* widget = new QFrame(list_);
    widget->setObjectName(QStringLiteral("shapeRow"));
    widget->setStyleSheet(
        QStringLiteral("QFrame#shapeRow { border: none; border-bottom: 1px solid %1; }").arg(theme().line.name()));
    auto* across = new QHBoxLayout(widget);
    across->setContentsMargins(2, 6, 2, 6);
    across->setSpacing(8);
    row.picture = new QLabel(widget);
    row.picture->setFixedSize(72, 54);
    across->addWidget(row.picture);
    auto* column = new QVBoxLayout;
    column->setSpacing(1);
    auto* top = new QHBoxLayout;
    const QString surface = QString::fromStdString(scene_->nodes[static_cast<size_t>(row.facts.node)].name);
    auto* name = new QLabel(QStringLiteral("%1 <b>%2</b>")
                                .arg(row.facts.shape + 1)
                                .arg(QString::fromStdString(row.facts.name).toHtmlEscaped()),
                            widget);
    name->setToolTip(tr("Shape %1 of “%2”").arg(row.facts.shape + 1).arg(surface));
    top->addWidget(name, 1);
    auto* reach = new QLabel(row.facts.vertices == 0 ? tr("moves nothing")
                                                     : tr("up to %1 mm · %2 vertices")
                                                           .arg(row.facts.reach_mm, 0, 'g', 3)
                                                           .arg(static_cast<qulonglong>(row.facts.vertices)),
                             widget);
    reach->setStyleSheet(
        QStringLiteral("color: %1;").arg((row.facts.vertices == 0 ? theme().stop : theme().soft).name()));
    top->addWidget(reach);
    auto* more = new QToolButton(widget);
    more->setText(QStringLiteral("⋯"));
    more->setObjectName(QStringLiteral("shapeMenu"));
    more->setToolTip(tr("What can be made of this shape"));
    more->setAutoRaise(true);
    connect(more, &QToolButton::clicked, this, [this, place, more] { show_menu(place, more); });
    top->addWidget(more);
    column->addLayout(top);
    row.slider = new QSlider(Qt::Horizontal, widget);
    row.slider->setObjectName(QStringLiteral("shapeSlider"));
    row.slider->setAccessibleName(tr("How far %1 is in").arg(QString::fromStdString(row.facts.name)));
    row.slider->setRange(0, steps_of_slider);
    row.slider->setValue(static_cast<int>(std::lround(row.facts.starts_at * steps_of_slider)));
    row.slider->setEnabled(row.facts.vertices > 0);
    row.slider->setToolTip(tr("Shows the shape so far in, in the view alone: the job does not change"));
    connect(row.slider, &QSlider::valueChanged, this, [this, place] {
        rows_[place].is_held = true;
        say(place);
        Q_EMIT heldChanged();
    });
    column->addWidget(row.slider);
    row.says = new QLabel(widget);
    row.says->setObjectName(QStringLiteral("soft"));
    column->addWidget(row.says);
    across->addLayout(column, 1);
    return widget;
}

void ShapeRack::say(size_t place) {
    const Row& row = rows_[place];
    QStringList words;
    words
        << (row.is_held
                ? tr("weight %1, held here").arg(row.slider->value() / static_cast<double>(steps_of_slider), 0, 'f', 2)
                : tr("weight %1").arg(row.weighs, 0, 'f', 2));
    if (row.facts.keyed_in.empty()) {
        words << tr("no keys");
    } else {
        QStringList clips;
        for (const std::string& clip : row.facts.keyed_in) {
            clips << QString::fromStdString(clip);
        }
        const bool many = clips.size() > 3;
        words
            << tr("keyed in %1")
                   .arg(many
                            ? tr("%1 and %2 more").arg(clips.mid(0, 2).join(QStringLiteral(", "))).arg(clips.size() - 2)
                            : clips.join(QStringLiteral(", ")));
        row.says->setToolTip(clips.join(QStringLiteral(", ")));
    }
    if (!row.facts.answers.empty()) {
        words << tr("answers %1").arg(QString::fromStdString(row.facts.answers));
    }
    row.says->setText(words.join(QStringLiteral(" · ")));
}

void ShapeRack::draw_pictures() {
    const uint64_t run = ++run_;
    if (!scene_) {
        return;
    }
    const qreal ratio = devicePixelRatioF();
    for (size_t place = 0; place < rows_.size(); ++place) {
        worker_.start([this, run, place, ratio, scene = scene_, node = rows_[place].facts.node,
                       shape = rows_[place].facts.shape] {
            if (run_ != run) {
                return;
            }
            QImage picture = shape_picture(*scene, node, shape, QSize(72, 54) * ratio);
            picture.setDevicePixelRatio(ratio);
            QMetaObject::invokeMethod(
                this,
                [this, run, place, picture] {
                    if (run_ == run && place < rows_.size()) {
                        rows_[place].picture->setPixmap(QPixmap::fromImage(picture));
                    }
                },
                Qt::QueuedConnection);
        });
    }
}

void ShapeRack::show_menu(size_t place, QWidget* at) {
    const std::string name = rows_[place].facts.name;
    const std::string surface = scene_->nodes[static_cast<size_t>(rows_[place].facts.node)].name;
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    const auto add = [&](const QString& text, const Step& step) {
        connect(menu->addAction(text), &QAction::triggered, this, [this, step] { Q_EMIT stepAsked(step); });
    };
    add(tr("Rename…"), {"rename_shapes", {{"names", {{name, name}}}}});
    add(tr("Mirror to the other side…"), {"mirror_shape", {{"shapes", {name}}, {"tolerance_mm", 1}}});
    add(tr("Split by side…"), {"split_shape_sides", {{"shapes", {name}}, {"soft_mm", 10}}});
    add(tr("Scale…"), {"scale_shape", {{"shapes", {name}}, {"factor", 1}}});
    add(tr("Put first…"), {"order_shapes", {{"shapes", {name}}}});
    add(tr("Bake into the surface…"), {"bake_shape", {{"shapes", {name}}, {"weight", 1}, {"surfaces", {surface}}}});
    menu->popup(at->mapToGlobal(QPoint(0, at->height())));
}

void ShapeRack::show_weights(const std::vector<float>& weights) {
    for (size_t at = 0; at < rows_.size(); ++at) {
        Row& row = rows_[at];
        if (row.is_held || row.place >= weights.size() || row.weighs == static_cast<double>(weights[row.place])) {
            continue;
        }
        row.weighs = static_cast<double>(weights[row.place]);
        const QSignalBlocker quiet(row.slider);
        row.slider->setValue(static_cast<int>(std::lround(row.weighs * steps_of_slider)));
        say(at);
    }
}

std::vector<ShapeRack::Held> ShapeRack::held() const {
    std::vector<Held> all;
    for (const Row& row : rows_) {
        if (!row.is_held) {
            continue;
        }
        const Node& node = scene_->nodes[static_cast<size_t>(row.facts.node)];
        auto of = std::find_if(all.begin(), all.end(), [&](const Held& one) { return one.surface == node.identity; });
        if (of == all.end()) {
            all.push_back({node.identity,
                           std::vector<float>(scene_->meshes[static_cast<size_t>(node.mesh)].shapes.size(), not_held)});
            of = all.end() - 1;
        }
        of->weights[row.facts.shape] = static_cast<float>(row.slider->value()) / static_cast<float>(steps_of_slider);
    }
    return all;
}

void ShapeRack::release_all() {
    for (size_t place = 0; place < rows_.size(); ++place) {
        Row& row = rows_[place];
        row.is_held = false;
        const QSignalBlocker quiet(row.slider);
        row.slider->setValue(static_cast<int>(std::lround(row.weighs * steps_of_slider)));
        say(place);
    }
    Q_EMIT heldChanged();
}

} // namespace wembrix::app
