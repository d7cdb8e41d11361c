#include "stations/takes/keys_panel.h"
#include "style/language.h"
#include "style/numbers.h"

#include "stations/takes/pose_hand.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QDialogButtonBox>
#include <QDoubleSpinBox>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSignalBlocker>
#include <QSpinBox>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

namespace {

constexpr int ghosts_a_side = 3;
constexpr int path_frames = 150; ///< of the trajectory, on either side of the playhead

} // namespace

KeysPanel::KeysPanel(Document& document, Session& session, Clock& clock, Selection& selection, QWidget* parent)
    : QWidget(parent), document_(document), session_(session), clock_(clock), selection_(selection) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(7);
    for (QWidget* part : {make_layers(), make_values(), make_touch(), make_poses(), make_view()}) {
        column->addWidget(part);
    }
    column->addStretch(1);
    connect(&document_, &Document::jobChanged, this, &KeysPanel::refresh);
    connect(&session_, &Session::changed, this, &KeysPanel::refresh);
    connect(&selection_, &Selection::changed, this, &KeysPanel::refresh);
    connect(&clock_, &Clock::clipChanged, this, [this] {
        let_go();
        refresh();
    });
    connect(&clock_, &Clock::moved, this, [this] {
        let_go();
        if (isVisible() && !clock_.is_playing()) {
            refresh_values();
            refresh_overlay();
        }
    });
    refresh();
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

std::string KeysPanel::shape_name() const {
    return shape_->currentText().toStdString();
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
    keys_ = place ? layer_at(document_.job(), *place) : KeyLayer();
    add_layer_->setEnabled(!clip.empty());
    for (QWidget* widget : std::initializer_list<QWidget*>{layers_, weight_, mode_, close_, thin_, start_, end_,
                                                           fade_in_, fade_out_, sources_, mirrored_, blend_}) {
        widget->setEnabled(place.has_value());
    }
    QString account;
    if (place) {
        const nlohmann::json& parameters = document_.job().steps[*place].parameters;
        const LayerFade fade = layer_fade(parameters);
        mode_->setCurrentIndex(parameters.value("mode", "on_top") == "instead" ? 1 : 0);
        mode_->setEnabled(!parameters.contains("new_clip"));
        const auto fill = [](QSpinBox* spin, double value) {
            const QSignalBlocker quiet(spin);
            spin->setValue(static_cast<int>(std::lround(value)));
        };
        fill(weight_, fade.weight * 100);
        fill(start_, fade.start.value_or(-1));
        fill(end_, fade.end.value_or(-1));
        fill(fade_in_, fade.fade_in);
        fill(fade_out_, fade.fade_out);
        const std::shared_ptr<const SessionState> state = session_.state();
        if (state && *place < state->replay.outcomes.size()) {
            account = localized(state->replay.outcomes[*place].account);
        }
    }
    account_->setText(account);
    account_->setVisible(!account.isEmpty());
    refresh_sources();
    refresh_values();
    refresh_overlay();
    Q_EMIT layerShown();
}

void KeysPanel::refresh_sources() {
    const QSignalBlocker quiet(sources_);
    const QString was = sources_->currentText();
    sources_->clear();
    sources_->addItem(copied_said_.isEmpty() ? tr("copied: none yet") : tr("copied: %1").arg(copied_said_));
    sources_->addItem(tr("as the take has it"));
    sources_->addItem(tr("rest pose"));
    for (const auto& [name, pose] : document_.job().poses) {
        sources_->addItem(tr("stored: %1").arg(QString::fromStdString(name)), QString::fromStdString(name));
    }
    sources_->setCurrentIndex(std::max(0, sources_->findText(was)));
    const QSignalBlocker quiet_shapes(shape_);
    const QString shape = shape_->currentText();
    shape_->clear();
    if (const std::shared_ptr<const SessionState> state = session_.state()) {
        const Scene& scene = state->replay.prepared();
        for (const int surface : surfaces_of(scene)) {
            const int mesh = scene.nodes[static_cast<size_t>(surface)].mesh;
            for (const MorphTarget& one : scene.meshes[static_cast<size_t>(mesh)].shapes) {
                if (const QString name = QString::fromStdString(one.name); shape_->findText(name) < 0) {
                    shape_->addItem(name);
                }
            }
        }
    }
    shape_->setCurrentIndex(std::max(0, shape_->findText(shape)));
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
    const auto fill = [&](std::array<QDoubleSpinBox*, 3>& spins, Path path) {
        const Vec3 value = keyed_value(keys_, {name, path}, clock_.frame());
        for (size_t axis = 0; axis < 3; ++axis) {
            const QSignalBlocker quiet(spins.at(axis));
            spins.at(axis)->setValue(can ? value[static_cast<Eigen::Index>(axis)] : 0);
            spins.at(axis)->setEnabled(can);
        }
    };
    fill(turn_, Path::rotation);
    fill(move_, Path::translation);
    const bool has_shape = place.has_value() && shape_->count() > 0;
    const QSignalBlocker quiet(shape_weight_);
    shape_weight_->setValue(has_shape ? 100 * keyed_value(keys_, {shape_name(), Path::weights}, clock_.frame()).x()
                                      : 0);
    shape_->setEnabled(has_shape);
    for (QWidget* part :
         {static_cast<QWidget*>(shape_said_), static_cast<QWidget*>(shape_), static_cast<QWidget*>(shape_weight_)}) {
        part->setVisible(shape_->count() > 0);
    }
    shape_weight_->setEnabled(has_shape);
    key_now_->setEnabled(place.has_value() && (!standing_.empty() || !name.empty()));
    copy_->setEnabled(!clock_.clip().isEmpty());
    key_pose_->setEnabled(place.has_value() && (sources_->currentIndex() != 0 || !copied_.empty()));
}

void KeysPanel::refresh_overlay() {
    overlay_ = {};
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!isVisible() || !state || clock_.clip().isEmpty() || clock_.is_playing()) {
        return;
    }
    const Scene& scene = state->replay.prepared();
    const Clip* clip = scene.find_clip(clock_.clip().toStdString());
    if (clip == nullptr) {
        return;
    }
    const Poser poser(scene, clip);
    Pose pose;
    const int last = clip->frames() - 1;
    if (ghosts_->isChecked()) {
        for (int k = ghosts_a_side; k > 0; --k) {
            for (const int by : {-k, k}) {
                const int frame = clock_.frame() + by * ghost_step_->value();
                if (frame >= 0 && frame <= last) {
                    poser.at(frame / clip->rate, pose);
                    overlay_.ghosts.push_back(
                        {bones_of(scene, pose), by < 0, 1 - (k - 1) / static_cast<double>(ghosts_a_side)});
                }
            }
        }
    }
    if (const int node = joint(); path_->isChecked() && node >= 0) {
        overlay_.first = std::max(0, clock_.frame() - path_frames);
        for (int f = overlay_.first; f <= std::min(last, clock_.frame() + path_frames); ++f) {
            poser.at(f / clip->rate, pose);
            overlay_.path.push_back(point_of(pose.world[static_cast<size_t>(node)], Vec3::Zero()));
        }
        // What moves it by keys: its own, and those of the two joints above it, which a pull keys.
        int at = node;
        for (int up = 0; up < 3 && at >= 0; ++up, at = joint_above(scene, at)) {
            const std::string& name = scene.nodes[static_cast<size_t>(at)].name;
            for (const Path path : {Path::rotation, Path::translation}) {
                for (const double frame : keyed_frames(keys_, {name, path})) {
                    overlay_.keyed.push_back(static_cast<int>(std::lround(frame)));
                }
            }
        }
        std::sort(overlay_.keyed.begin(), overlay_.keyed.end());
        overlay_.keyed.erase(std::unique(overlay_.keyed.begin(), overlay_.keyed.end()), overlay_.keyed.end());
        std::erase_if(overlay_.keyed, [&](int frame) {
            return frame < overlay_.first || frame >= overlay_.first + static_cast<int>(overlay_.path.size());
        });
    }
}

void KeysPanel::key(const KeyedPath& what, const Vec3& value) {
    if (const std::optional<size_t> place = layer()) {
        const double frame = clock_.frame();
        document_.edit(tr("Key %1 at frame %2").arg(QString::fromStdString(what.of)).arg(frame),
                       [&](Job& job) { set_keys(job, *place, what, frame, value); });
    }
}

void KeysPanel::typed(Path path) {
    if (path == Path::weights) {
        key({shape_name(), path}, Vec3(shape_weight_->value() / 100, 0, 0));
    } else if (joint() >= 0) {
        const std::array<QDoubleSpinBox*, 3>& spins = path == Path::rotation ? turn_ : move_;
        key({joint_name(), path}, Vec3(spins[0]->value(), spins[1]->value(), spins[2]->value()));
    }
}

void KeysPanel::confirm(Path path) {
    const std::vector<double> frames = keyed_frames(keys_, {path == Path::weights ? shape_name() : joint_name(), path});
    if (std::find(frames.begin(), frames.end(), static_cast<double>(clock_.frame())) == frames.end()) {
        typed(path);
    }
}

void KeysPanel::change(const char* parameter, const nlohmann::json& value, const QString& what) {
    if (const std::optional<size_t> place = layer()) {
        document_.edit(what, [&](Job& job) {
            nlohmann::json& parameters = job.steps[*place].parameters;
            if (value.is_null()) {
                parameters.erase(parameter);
            } else {
                parameters[parameter] = value;
            }
        });
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
    auto* name = new QLineEdit(QStringLiteral("swing"), &dialog);
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

LayerPlace KeysPanel::layer_place() const {
    LayerPlace made;
    made.place = layer().value_or(0);
    made.frame = clock_.frame();
    made.frames = clock_.frames();
    const std::shared_ptr<const SessionState> state = session_.state();
    if (state && made.place < state->replay.outcomes.size()) {
        // A step behind may resize: what is moved in the view is worth more or less where the layer works.
        const auto length = [](const Scene& scene) {
            double sum = 0;
            for (const int joint : joints_of(scene)) {
                sum += scene.nodes[static_cast<size_t>(joint)].rest.translation.norm();
            }
            return sum;
        };
        const double shown = length(state->replay.prepared());
        made.scale = shown > 0 ? length(*state->replay.outcomes[made.place].scene) / shown : 1;
    }
    return made;
}

void KeysPanel::key_source() {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!layer() || !state) {
        return;
    }
    PoseSource source;
    const int row = sources_->currentIndex();
    source.kind = row < 3 ? static_cast<PoseSource::Kind>(row) : PoseSource::Kind::stored;
    source.name = sources_->currentData().toString();
    const auto stored = document_.job().poses.find(source.name.toStdString());
    const StoredPose& pose =
        source.kind == PoseSource::Kind::stored && stored != document_.job().poses.end() ? stored->second : copied_;
    const Scene& scene = state->replay.prepared();
    const std::string clip = clock_.clip().toStdString();
    const std::vector<PosedJoint> wanted = wanted_pose(source, pose, mirrored_->isChecked(), state->replay, *layer(),
                                                       clip, clock_.seconds(), selection_.nodes_in(scene));
    Pose now;
    Poser(scene, scene.find_clip(clip)).at(clock_.seconds(), now);
    document_.edit(tr("Key a pose at frame %1").arg(clock_.frame()), [&](Job& job) {
        key_pose(job, layer_place(), scene, now, blended(now, wanted, blend_->value() / 100.0));
    });
}

void KeysPanel::key_by_command() {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!layer() || !state) {
        return;
    }
    if (!standing_.empty() && view_ != nullptr && view_->posed() != nullptr) {
        const Scene& scene = view_->posed()->scene();
        const Pose now = view_->posed()->free_pose();
        const std::vector<PosedJoint> wanted = standing_;
        standing_.clear();
        document_.edit(tr("Key %1 at frame %2").arg(counted(wanted.size(), "joint")).arg(clock_.frame()),
                       [&](Job& job) { key_pose(job, layer_place(), scene, now, wanted); });
        return;
    }
    // As they stand: the curves get a key where they are.
    const double frame = clock_.frame();
    const Scene& scene = state->replay.prepared();
    KeyLayer made = keys_;
    for (const int node : selection_.nodes_in(scene)) {
        const std::string& name = scene.nodes[static_cast<size_t>(node)].name;
        for (const Path path : {Path::rotation, Path::translation}) {
            if (path == Path::rotation || !keyed_frames(keys_, {name, path}).empty()) {
                set_keys(made, {name, path}, frame, keyed_value(keys_, {name, path}, frame));
            }
        }
    }
    document_.edit(tr("Key at frame %1").arg(frame), [&](Job& job) { set_layer(job, *layer(), made); });
}

void KeysPanel::let_go() {
    if (!standing_.empty()) {
        standing_.clear();
        if (view_ != nullptr) {
            view_->hold_locals({});
        }
        refresh_values();
    }
}

const Pose& KeysPanel::base_pose(const PosedScene& posed) {
    if (standing_.empty()) {
        return posed.free_pose();
    }
    standing_pose_ = posed_with(posed.scene(), posed.free_pose(), standing_);
    return standing_pose_;
}

void KeysPanel::keep(SceneView& view, const std::vector<PosedJoint>& joints) {
    std::vector<HeldLocal> held;
    for (const std::vector<PosedJoint>* some : {&joints, &std::as_const(standing_)}) {
        for (const PosedJoint& joint : *some) {
            if (std::none_of(held.begin(), held.end(), [&](const HeldLocal& one) { return one.node == joint.node; })) {
                held.push_back({joint.node, joint.is});
            }
        }
    }
    view.hold_locals(std::move(held));
}

void KeysPanel::try_gesture(SceneView& view, const PoseGesture& gesture) {
    const PosedScene* posed = view.posed();
    const int node = posed == nullptr ? -1 : posed->scene().find_identity(selection_.current());
    if (node >= 0) {
        keep(view, joints_moved(posed->scene(), base_pose(*posed), node, gesture));
    }
}

void KeysPanel::take_gesture(SceneView& view, const PoseGesture& gesture) {
    const PosedScene* posed = view.posed();
    const int node = posed == nullptr ? -1 : posed->scene().find_identity(selection_.current());
    if (node < 0 || !layer()) {
        return;
    }
    const Scene& scene = posed->scene();
    std::vector<PosedJoint> wanted = joints_moved(scene, base_pose(*posed), node, gesture);
    if (!by_touch_->isChecked()) {
        keep(view, wanted);
        for (const PosedJoint& before : standing_) {
            if (std::none_of(wanted.begin(), wanted.end(),
                             [&](const PosedJoint& one) { return one.node == before.node; })) {
                wanted.push_back(before);
            }
        }
        standing_ = std::move(wanted);
        refresh_values();
        return;
    }
    const Pose now = posed->free_pose();
    const QString what = gesture.kind == PoseGesture::Kind::turn   ? tr("Turn %1 at frame %2")
                         : gesture.kind == PoseGesture::Kind::move ? tr("Move %1 at frame %2")
                                                                   : tr("Pull %1 at frame %2");
    // It stays as it was dropped until it is shown with its keys.
    bool any = false;
    document_.edit(what.arg(QString::fromStdString(scene.nodes[static_cast<size_t>(node)].name)).arg(clock_.frame()),
                   [&](Job& job) { any = !key_pose(job, layer_place(), scene, now, wanted).empty(); });
    if (!any) {
        view.hold_locals({});
    }
}

std::unique_ptr<ViewTool> KeysPanel::tool(SceneView& view) {
    view_ = &view;
    PoseTool::Hooks hooks;
    hooks.base = [this](const PosedScene& posed) -> const Pose& { return base_pose(posed); };
    hooks.chosen = [this](const Scene& scene) {
        const int node = layer() && selection_.current() != 0 ? scene.find_identity(selection_.current()) : -1;
        return node >= 0 && scene.nodes[static_cast<size_t>(node)].kind == NodeKind::joint ? node : -1;
    };
    hooks.moves = [this] { return handle_->currentIndex() == 1; };
    hooks.world_axes = [this] { return axes_->currentIndex() == 1; };
    hooks.tried = [this, &view](const PoseGesture& gesture) { try_gesture(view, gesture); };
    hooks.done = [this, &view](const PoseGesture& gesture) { take_gesture(view, gesture); };
    hooks.frame_asked = [this](int frame) { clock_.go_to(frame); };
    hooks.overlay = [this]() -> const PoseOverlay& { return overlay_; };
    hooks.words = tr("Drag the joint, its ring or a bead");
    return std::make_unique<PoseTool>(std::move(hooks));
}

} // namespace wembrix::app
