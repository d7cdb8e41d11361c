#include "stations/takes/keys_panel.h"

#include "core/math/two_bones.h"

#include "style/theme.h"
#include "view/scene_view.h"
#include "view/tools/pose_tool.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QDialogButtonBox>
#include <QDoubleSpinBox>
#include <QFormLayout>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QInputDialog>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSignalBlocker>
#include <QSpinBox>
#include <QTableWidget>
#include <QVBoxLayout>
#include <cmath>

namespace wembrix::app {

KeysPanel::KeysPanel(Document& document, Session& session, Clock& clock, Selection& selection, QWidget* parent)
    : QWidget(parent), document_(document), session_(session), clock_(clock), selection_(selection) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    column->addWidget(make_layers());
    column->addWidget(make_values());
    column->addWidget(make_keys(), 1);
    connect(&document_, &Document::jobChanged, this, &KeysPanel::refresh);
    connect(&session_, &Session::changed, this, &KeysPanel::refresh);
    connect(&selection_, &Selection::changed, this, &KeysPanel::refresh);
    connect(&clock_, &Clock::clipChanged, this, &KeysPanel::refresh);
    connect(&clock_, &Clock::moved, this, [this] {
        if (isVisible() && !clock_.is_playing()) {
            refresh_values();
        }
    });
    refresh();
}

QWidget* KeysPanel::make_layers() {
    auto* box = new QWidget(this);
    auto* rows = new QVBoxLayout(box);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(5);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    layers_ = new QComboBox(box);
    layers_->setObjectName(QStringLiteral("keyLayers"));
    layers_->setToolTip(tr("The layer of keys that is worked on; a layer is a step of the route card"));
    connect(layers_, QOverload<int>::of(&QComboBox::activated), this, [this] { refresh(); });
    row->addWidget(layers_, 1);
    add_layer_ = new QPushButton(tr("New layer"), box);
    add_layer_->setObjectName(QStringLiteral("newLayer"));
    add_layer_->setToolTip(tr("Keys over the clip that is shown, on top of its motion"));
    connect(add_layer_, &QPushButton::clicked, this, &KeysPanel::ask_for_layer);
    row->addWidget(add_layer_);
    auto* clip = new QPushButton(tr("New clip…"), box);
    clip->setObjectName(QStringLiteral("newKeyedClip"));
    clip->setToolTip(tr("A clip that no take has: a swinging flap, a bounce"));
    connect(clip, &QPushButton::clicked, this, &KeysPanel::ask_for_clip);
    row->addWidget(clip);
    rows->addLayout(row);
    auto* second = new QHBoxLayout;
    second->setSpacing(6);
    mode_ = new QComboBox(box);
    mode_->setObjectName(QStringLiteral("layerMode"));
    mode_->addItems({tr("on top of the take"), tr("instead of the take")});
    mode_->setToolTip(tr("Whether keys are added to the motion of the take, or take its place"));
    connect(mode_, QOverload<int>::of(&QComboBox::activated), this,
            [this](int index) { change("mode", index == 0 ? "on_top" : "instead", tr("Layer")); });
    second->addWidget(mode_);
    weight_ = new QSpinBox(box);
    weight_->setObjectName(QStringLiteral("layerWeight"));
    weight_->setRange(0, 100);
    weight_->setSuffix(tr(" %"));
    weight_->setKeyboardTracking(false);
    weight_->setToolTip(tr("How much of the layer counts"));
    connect(weight_, &QSpinBox::valueChanged, this,
            [this](int value) { change("weight", value / 100.0, tr("Layer weight")); });
    second->addWidget(weight_);
    second->addStretch(1);
    rows->addLayout(second);
    return box;
}

QWidget* KeysPanel::make_values() {
    auto* box = new QWidget(this);
    auto* grid = new QGridLayout(box);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setHorizontalSpacing(6);
    grid->setVerticalSpacing(4);
    joint_said_ = new QLabel(box);
    joint_said_->setObjectName(QStringLiteral("keyedJoint"));
    joint_said_->setWordWrap(true);
    grid->addWidget(joint_said_, 0, 0, 1, 7);
    const auto add = [&](int row, const QString& name, const char* id, const QString& suffix, Path path,
                         std::array<QDoubleSpinBox*, 3>& into) {
        auto* label = new QLabel(name, box);
        label->setObjectName(QStringLiteral("soft"));
        grid->addWidget(label, row, 0);
        constexpr const char* axes[] = {"X", "Y", "Z"};
        for (int axis = 0; axis < 3; ++axis) {
            auto* axis_label = new QLabel(QString::fromLatin1(axes[axis]), box);
            axis_label->setObjectName(QStringLiteral("soft"));
            grid->addWidget(axis_label, row, 1 + axis * 2);
            auto* spin = new QDoubleSpinBox(box);
            spin->setObjectName(QString::fromUtf8(id) + QString::fromLatin1(axes[axis]));
            spin->setRange(-1e6, 1e6);
            spin->setDecimals(2);
            spin->setSuffix(suffix);
            spin->setButtonSymbols(QAbstractSpinBox::NoButtons);
            spin->setKeyboardTracking(false);
            spin->setToolTip(tr("At the playhead; typing keys it there"));
            connect(spin, &QDoubleSpinBox::valueChanged, this, [this, path] { typed(path); });
            into.at(static_cast<size_t>(axis)) = spin;
            grid->setColumnStretch(2 + axis * 2, 1);
            grid->addWidget(spin, row, 2 + axis * 2);
        }
    };
    add(1, tr("Rotation"), "keyTurn", tr("°"), Path::rotation, turn_);
    add(2, tr("Position"), "keyMove", tr(" mm"), Path::translation, move_);
    return box;
}

QWidget* KeysPanel::make_keys() {
    auto* box = new QWidget(this);
    auto* column = new QVBoxLayout(box);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(5);
    keys_ = new QTableWidget(0, 5, box);
    keys_->setObjectName(QStringLiteral("keyTable"));
    keys_->setHorizontalHeaderLabels({tr("Frame"), tr("X"), tr("Y"), tr("Z"), tr("Tangents")});
    keys_->verticalHeader()->hide();
    keys_->verticalHeader()->setDefaultSectionSize(22);
    keys_->setSelectionBehavior(QAbstractItemView::SelectRows);
    keys_->setSelectionMode(QAbstractItemView::SingleSelection);
    keys_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    keys_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    keys_->setToolTip(tr("The keys of the chosen joint's rotation; a click goes there"));
    connect(keys_, &QTableWidget::cellClicked, this, [this](int row) {
        if (row >= 0 && row < static_cast<int>(frames_.size())) {
            clock_.go_to(static_cast<int>(std::lround(frames_[static_cast<size_t>(row)])));
        }
    });
    column->addWidget(keys_, 1);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    tangent_ = new QComboBox(box);
    tangent_->setObjectName(QStringLiteral("keyTangent"));
    tangent_->addItems({tr("smooth"), tr("flat"), tr("straight"), tr("stepped"), tr("free")});
    tangent_->setToolTip(tr("How the curve goes through the chosen key"));
    connect(tangent_, QOverload<int>::of(&QComboBox::activated), this, [this](int index) {
        if (const std::optional<size_t> place = layer(); place && joint() >= 0) {
            const KeyedPath what = {joint_name(), Path::rotation};
            const double frame = frame_of_row();
            document_.edit(tr("Tangents of %1").arg(QString::fromStdString(what.of)), [&](Job& job) {
                set_tangents(job, *place, what, frame, static_cast<Tangent>(index));
                set_tangents(job, *place, {what.of, Path::translation}, frame, static_cast<Tangent>(index));
            });
        }
    });
    row->addWidget(tangent_);
    const auto add = [&](const char* id, const QString& text, const QString& tip) {
        auto* button = new QPushButton(text, box);
        button->setObjectName(QString::fromUtf8(id));
        button->setToolTip(tip);
        row->addWidget(button);
        return button;
    };
    drop_ = add("dropKey", tr("Delete key"), tr("The chosen key, else the one at the playhead"));
    connect(drop_, &QPushButton::clicked, this, [this] {
        if (const std::optional<size_t> place = layer(); place && joint() >= 0) {
            const std::string of = joint_name();
            const double frame = frame_of_row();
            document_.edit(tr("Delete a key of %1").arg(QString::fromStdString(of)), [&](Job& job) {
                drop_keys(job, *place, {of, Path::rotation}, frame);
                drop_keys(job, *place, {of, Path::translation}, frame);
            });
        }
    });
    close_ = add("closeLayer", tr("First = last"),
                 tr("Every curve ends exactly as it begins, at the clip's last frame, and repeats"));
    connect(close_, &QPushButton::clicked, this, [this] {
        if (const std::optional<size_t> place = layer()) {
            const double last = clock_.frames() - 1;
            document_.edit(tr("First equals last"), [&](Job& job) { close_layer(job, *place, last); });
        }
    });
    thin_ = add("thinLayer", tr("Fewer keys…"), tr("As few keys as keep every curve within a limit"));
    connect(thin_, &QPushButton::clicked, this, [this] {
        const std::optional<size_t> place = layer();
        bool chosen = false;
        const double within =
            QInputDialog::getDouble(this, tr("Fewer keys"), tr("Within (° and mm)"), 0.1, 0.0001, 1000, 4, &chosen);
        if (place && chosen) {
            document_.edit(tr("Fewer keys"), [&](Job& job) { simplify_layer(job, *place, within); });
        }
    });
    row->addStretch(1);
    column->addLayout(row);
    return box;
}

std::optional<size_t> KeysPanel::layer() const {
    const int at = layers_->currentIndex();
    return at < 0 ? std::nullopt : std::optional<size_t>(layers_->itemData(at).toULongLong());
}

int KeysPanel::joint() const {
    const std::shared_ptr<const SessionState> state = session_.state();
    const int node =
        state && selection_.current() != 0 ? state->replay.prepared().find_identity(selection_.current()) : -1;
    return node >= 0 && state->replay.prepared().nodes[static_cast<size_t>(node)].kind == NodeKind::joint ? node : -1;
}

std::string KeysPanel::joint_name() const {
    const int node = joint();
    return node < 0 ? std::string() : session_.state()->replay.prepared().nodes[static_cast<size_t>(node)].name;
}

double KeysPanel::frame_of_row() const {
    const int row = keys_->currentRow();
    const bool chosen = keys_->selectionModel()->hasSelection() && row >= 0 && row < static_cast<int>(frames_.size());
    return chosen ? frames_[static_cast<size_t>(row)] : clock_.frame();
}

void KeysPanel::refresh() {
    const std::string clip = clock_.clip().toStdString();
    const std::optional<size_t> before = layer();
    {
        const QSignalBlocker quiet(layers_);
        layers_->clear();
        const std::vector<size_t> places = clip.empty() ? std::vector<size_t>() : key_layers(document_.job(), clip);
        for (const size_t place : places) {
            const nlohmann::json& parameters = document_.job().steps[place].parameters;
            const QString name = parameters.contains("new_clip")
                                     ? tr("the clip's own keys")
                                     : QString::fromStdString(parameters.value("layer", "layer"));
            layers_->addItem(tr("%1 (step %2)").arg(name).arg(place + 1), static_cast<qulonglong>(place));
            if (before == place || place == places.back()) {
                layers_->setCurrentIndex(layers_->count() - 1);
            }
        }
    }
    const std::optional<size_t> place = layer();
    add_layer_->setEnabled(!clip.empty());
    for (QWidget* widget :
         {static_cast<QWidget*>(layers_), static_cast<QWidget*>(weight_), static_cast<QWidget*>(mode_),
          static_cast<QWidget*>(close_), static_cast<QWidget*>(thin_)}) {
        widget->setEnabled(place.has_value());
    }
    if (place) {
        const nlohmann::json& parameters = document_.job().steps[*place].parameters;
        const QSignalBlocker quiet(weight_);
        mode_->setCurrentIndex(parameters.value("mode", "on_top") == "instead" ? 1 : 0);
        mode_->setEnabled(!parameters.contains("new_clip"));
        weight_->setValue(static_cast<int>(std::lround(parameters.value("weight", 1.0) * 100)));
    }
    refresh_values();
    refresh_keys();
}

void KeysPanel::refresh_values() {
    const std::optional<size_t> place = layer();
    const std::string name = joint_name();
    const bool can = place.has_value() && !name.empty();
    joint_said_->setText(clock_.clip().isEmpty() ? tr("Choose a clip; or make a new one.")
                         : !place ? tr("No layer over “%1” yet. A new one keeps what you key, and replays when the "
                                       "take changes.")
                                        .arg(clock_.clip())
                         : name.empty() ? tr("Choose a joint in the view.")
                                        : tr("%1 at frame %2").arg(QString::fromStdString(name)).arg(clock_.frame()));
    const KeyLayer keys = place ? layer_at(document_.job(), *place) : KeyLayer();
    const auto fill = [&](std::array<QDoubleSpinBox*, 3>& spins, Path path) {
        const Vec3 value = keyed_value(keys, {name, path}, clock_.frame());
        for (size_t axis = 0; axis < 3; ++axis) {
            const QSignalBlocker quiet(spins.at(axis));
            spins.at(axis)->setValue(can ? value[static_cast<Eigen::Index>(axis)] : 0);
            spins.at(axis)->setEnabled(can);
        }
    };
    fill(turn_, Path::rotation);
    fill(move_, Path::translation);
}

void KeysPanel::refresh_keys() {
    const std::optional<size_t> place = layer();
    const std::string name = joint_name();
    const KeyLayer keys = place ? layer_at(document_.job(), *place) : KeyLayer();
    const KeyedPath turns = {name, Path::rotation};
    const KeyedPath moves = {name, Path::translation};
    frames_ = name.empty() ? std::vector<double>() : keyed_frames(keys, turns);
    const bool of_turns = !frames_.empty() || name.empty();
    if (!of_turns) {
        frames_ = keyed_frames(keys, moves);
    }
    const KeyedPath& shown = of_turns ? turns : moves;
    keys_->setRowCount(static_cast<int>(frames_.size()));
    const QString unit = of_turns ? tr("°") : tr(" mm");
    for (int row = 0; row < keys_->rowCount(); ++row) {
        const double frame = frames_[static_cast<size_t>(row)];
        const Vec3 value = keyed_value(keys, shown, frame);
        QStringList tangents;
        for (const KeyedCurve& curve : keys) {
            for (const CurveKey& key : curve.curve.keys) {
                const QString kind = tangent_->itemText(static_cast<int>(key.tangent));
                if (curve.of == name && curve.path == shown.path && key.frame == frame && !tangents.contains(kind)) {
                    tangents << kind;
                }
            }
        }
        const QString cells[] = {QString::number(frame, 'g', 6), QString::number(value.x(), 'f', 1) + unit,
                                 QString::number(value.y(), 'f', 1) + unit, QString::number(value.z(), 'f', 1) + unit,
                                 tangents.join(QStringLiteral(", "))};
        for (int column = 0; column < 5; ++column) {
            keys_->setItem(row, column, new QTableWidgetItem(cells[column]));
        }
    }
    tangent_->setEnabled(!frames_.empty());
    drop_->setEnabled(!frames_.empty());
}

void KeysPanel::key(Path path, const Vec3& value) {
    const std::optional<size_t> place = layer();
    if (!place || joint() < 0) {
        return;
    }
    const std::string of = joint_name();
    const double frame = clock_.frame();
    document_.edit(tr("Key %1 at frame %2").arg(QString::fromStdString(of)).arg(frame), [&](Job& job) {
        set_keys(job, *place, {of, path}, frame, value);
    });
}

void KeysPanel::typed(Path path) {
    const std::array<QDoubleSpinBox*, 3>& spins = path == Path::rotation ? turn_ : move_;
    key(path, Vec3(spins[0]->value(), spins[1]->value(), spins[2]->value()));
}

void KeysPanel::change(const char* parameter, const nlohmann::json& value, const QString& what) {
    if (const std::optional<size_t> place = layer()) {
        document_.edit(what, [&](Job& job) { job.steps[*place].parameters[parameter] = value; });
    }
}

void KeysPanel::ask_for_layer() {
    const std::string clip = clock_.clip().toStdString();
    if (!clip.empty()) {
        const auto number = key_layers(document_.job(), clip).size() + 1;
        const QString name = tr("layer %1").arg(static_cast<qulonglong>(number));
        document_.edit(tr("New layer over %1").arg(clock_.clip()),
                       [&](Job& job) { add_key_layer(job, clip, name.toStdString(), false); });
    }
}

void KeysPanel::ask_for_clip() {
    QDialog dialog(this);
    dialog.setObjectName(QStringLiteral("newClipDialog"));
    dialog.setWindowTitle(tr("New clip"));
    auto* form = new QFormLayout(&dialog);
    auto* name = new QLineEdit(tr("swing"), &dialog);
    name->setObjectName(QStringLiteral("newClipName"));
    form->addRow(tr("Name"), name);
    auto* frames = new QSpinBox(&dialog);
    frames->setObjectName(QStringLiteral("newClipFrames"));
    frames->setRange(1, 1000000);
    frames->setValue(31);
    form->addRow(tr("Frames"), frames);
    auto* rate = new QDoubleSpinBox(&dialog);
    rate->setRange(1, 1000);
    rate->setValue(30);
    rate->setSuffix(tr(" fps"));
    form->addRow(tr("Frame rate"), rate);
    auto* loop = new QCheckBox(tr("It repeats"), &dialog);
    loop->setChecked(true);
    form->addRow(QString(), loop);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel, &dialog);
    connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    form->addRow(buttons);
    if (dialog.exec() != QDialog::Accepted || name->text().trimmed().isEmpty()) {
        return;
    }
    const QString clip = name->text().trimmed();
    document_.edit(tr("New clip %1").arg(clip), [&](Job& job) {
        add_keyed_clip(job, clip.toStdString(), frames->value(), rate->value(), loop->isChecked());
    });
    Q_EMIT clipAsked(clip, 0);
}

void KeysPanel::turn_chosen(const SceneView& view, const Quat& by) {
    const PosedScene* posed = view.posed();
    const std::optional<size_t> place = layer();
    const int shown = posed == nullptr ? -1 : posed->scene().find_identity(selection_.current());
    if (!place || shown < 0 || joint() < 0) {
        return;
    }
    const Node& node = posed->scene().nodes[static_cast<size_t>(shown)];
    const auto turn_of_node = [&](int n) {
        return n < 0 ? Quat(Quat::Identity())
                     : Quat(nearest_rotation(linear_of(posed->pose().world[static_cast<size_t>(n)])));
    };
    const Quat above = turn_of_node(node.parent);
    const Quat was = above.conjugate() * turn_of_node(shown);
    const Quat is = above.conjugate() * by * turn_of_node(shown);
    key(Path::rotation, degrees_for(node, was, is));
}

Vec3 KeysPanel::degrees_for(const Node& node, const Quat& was, const Quat& is) const {
    const size_t place = *layer();
    const KeyLayer keys = layer_at(document_.job(), place);
    const KeyedPath what = {node.name, Path::rotation};
    const Vec3 before = keyed_value(keys, what, clock_.frame());
    const bool instead = document_.job().steps[place].parameters.value("mode", "on_top") == "instead";
    // What is keyed already is part of how it stands; a joint that stands as its take has it is keyed from rest.
    const Quat keyed = instead && keyed_frames(keys, what).empty()
                           ? Quat(node.rest.rotation.conjugate() * is)
                           : Quat(keyed_rotation(before) * was.conjugate() * is);
    return keyed_degrees(keyed.normalized(), before);
}

void KeysPanel::pull_chosen(const SceneView& view, const Vec3& to) {
    const PosedScene* posed = view.posed();
    const std::optional<size_t> place = layer();
    const int end = posed == nullptr ? -1 : posed->scene().find_identity(selection_.current());
    const int second = end < 0 ? -1 : joint_above(posed->scene(), end);
    const int first = second < 0 ? -1 : joint_above(posed->scene(), second);
    if (!place || first < 0 || joint() < 0) {
        return;
    }
    const auto at = [&](int n) { return point_of(posed->pose().world[static_cast<size_t>(n)], Vec3::Zero()); };
    const auto turn = [&](int n) {
        return n < 0 ? Quat(Quat::Identity())
                     : Quat(nearest_rotation(linear_of(posed->pose().world[static_cast<size_t>(n)])));
    };
    const double whole = (at(second) - at(first)).norm() + (at(end) - at(second)).norm();
    const TwoBones bones = two_bones_to(at(first), at(second), at(end), to, turn(first) * Vec3::UnitX(),
                                        std::max(0.98 * whole, (at(end) - at(first)).norm()));
    const Quat new_first = bones.upper * turn(first);
    const Quat new_second = bones.upper * bones.lower * turn(second);
    const auto under = [&](int n) { return turn(posed->scene().nodes[static_cast<size_t>(n)].parent); };
    const auto local = [&](int n) { return Quat(under(n).conjugate() * turn(n)); };
    // Between them may be nodes that are no joints: what lies there turns along with the joint above.
    const Quat above_second = new_first * turn(first).conjugate() * under(second);
    const Quat above_end = new_second * turn(second).conjugate() * under(end);
    const struct {
        int node;
        Quat is;
    } turned[] = {{first, under(first).conjugate() * new_first},
                  {second, above_second.conjugate() * new_second},
                  {end, above_end.conjugate() * turn(end)}};
    std::vector<std::pair<std::string, Vec3>> keyed;
    for (const auto& one : turned) {
        const Node& node = posed->scene().nodes[static_cast<size_t>(one.node)];
        keyed.emplace_back(node.name, degrees_for(node, local(one.node), one.is));
    }
    const double frame = clock_.frame();
    document_.edit(tr("Pull %1 at frame %2").arg(QString::fromStdString(joint_name())).arg(frame), [&](Job& job) {
        for (const auto& [of, degrees] : keyed) {
            set_keys(job, *place, {of, Path::rotation}, frame, degrees);
        }
    });
}

std::unique_ptr<ViewTool> KeysPanel::tool(const SceneView& view) {
    return std::make_unique<PoseTool>(PoseTool::Hooks{
        [this](const Scene& scene) {
            const int node = layer() && selection_.current() != 0 ? scene.find_identity(selection_.current()) : -1;
            return node >= 0 && scene.nodes[static_cast<size_t>(node)].kind == NodeKind::joint ? node : -1;
        },
        [this, &view](const Quat& by) { turn_chosen(view, by); },
        [this, &view](const Vec3& to) { pull_chosen(view, to); }, tr("Drag the ring, a bead, or the joint")});
}

} // namespace wembrix::app
