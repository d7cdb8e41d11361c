// What the keys panel is made of.
#include "stations/takes/keys_panel.h"

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSpinBox>
#include <QVBoxLayout>

namespace wembrix::app {

namespace {

constexpr int whole = -1; ///< of a span: the clip's own end

QLabel* soft(const QString& words, QWidget* parent) {
    auto* label = new QLabel(words, parent);
    label->setObjectName(QStringLiteral("soft"));
    return label;
}

} // namespace

QPushButton* KeysPanel::add_button(QHBoxLayout* row, const char* id, const QString& text, const QString& tip) {
    auto* button = new QPushButton(text, this);
    button->setObjectName(QString::fromUtf8(id));
    button->setToolTip(tip);
    row->addWidget(button);
    return button;
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
    layers_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    layers_->setMinimumContentsLength(8);
    layers_->setToolTip(tr("The layer of keys that is worked on; a layer is a step of the route card"));
    connect(layers_, QOverload<int>::of(&QComboBox::activated), this, [this] { refresh(); });
    row->addWidget(layers_, 1);
    add_layer_ =
        add_button(row, "newLayer", tr("New layer"), tr("Keys over the clip that is shown, on top of its motion"));
    connect(add_layer_, &QPushButton::clicked, this, &KeysPanel::ask_for_layer);
    connect(add_button(row, "newKeyedClip", tr("New clip…"), tr("A clip that no take has: a swinging flap, a bounce")),
            &QPushButton::clicked, this, &KeysPanel::ask_for_clip);
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
    close_ = add_button(second, "closeLayer", tr("First = last"),
                        tr("Every curve ends exactly as it begins, at the clip's last frame, and repeats"));
    connect(close_, &QPushButton::clicked, this, [this] {
        if (const std::optional<size_t> place = layer()) {
            const double last = clock_.frames() - 1;
            document_.edit(tr("First equals last"), [&](Job& job) { close_layer(job, *place, last); });
        }
    });
    thin_ = add_button(second, "thinLayer", tr("Fewer keys…"), tr("As few keys as keep every curve within a limit"));
    connect(thin_, &QPushButton::clicked, this, [this] {
        const std::optional<size_t> place = layer();
        bool chosen = false;
        const double within =
            QInputDialog::getDouble(this, tr("Fewer keys"), tr("Within (° and mm)"), 0.1, 0.0001, 1000, 4, &chosen);
        if (place && chosen) {
            document_.edit(tr("Fewer keys"), [&](Job& job) { simplify_layer(job, *place, within); });
        }
    });
    rows->addLayout(second);
    rows->addWidget(make_span());
    account_ = soft(QString(), box);
    account_->setObjectName(QStringLiteral("layerAccount"));
    account_->setWordWrap(true);
    rows->addWidget(account_);
    return box;
}

QWidget* KeysPanel::make_span() {
    auto* box = new QWidget(this);
    auto* row = new QHBoxLayout(box);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    const auto spin = [&](const char* id, int least, const QString& nothing, const QString& tip) {
        auto* made = new QSpinBox(box);
        made->setObjectName(QString::fromUtf8(id));
        made->setRange(least, 1000000);
        made->setSpecialValueText(nothing);
        made->setKeyboardTracking(false);
        made->setToolTip(tip);
        row->addWidget(made, 1);
        return made;
    };
    row->addWidget(soft(tr("Counts from"), box));
    start_ = spin("layerStart", whole, tr("start"), tr("The first frame at which the layer counts"));
    row->addWidget(soft(tr("to"), box));
    end_ = spin("layerEnd", whole, tr("end"), tr("The last frame at which the layer counts"));
    row->addWidget(soft(tr("fades in"), box));
    fade_in_ = spin("layerFadeIn", 0, tr("at once"), tr("Frames until it counts fully"));
    row->addWidget(soft(tr("out"), box));
    fade_out_ = spin("layerFadeOut", 0, tr("at once"), tr("Frames over which it ceases to count"));
    const auto bound = [this](QSpinBox* one, const char* key) {
        connect(one, &QSpinBox::valueChanged, this, [this, key](int value) {
            change(key, value == whole ? nlohmann::json() : nlohmann::json(value), tr("Layer span"));
        });
    };
    bound(start_, "start");
    bound(end_, "end");
    bound(fade_in_, "fade_in");
    bound(fade_out_, "fade_out");
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
        grid->addWidget(soft(name, box), row, 0);
        constexpr const char* axes[] = {"X", "Y", "Z"};
        for (int axis = 0; axis < 3; ++axis) {
            grid->addWidget(soft(QString::fromLatin1(axes[axis]), box), row, 1 + axis * 2);
            auto* spin = new QDoubleSpinBox(box);
            spin->setObjectName(QString::fromUtf8(id) + QString::fromLatin1(axes[axis]));
            spin->setRange(-1e6, 1e6);
            spin->setDecimals(2);
            spin->setSuffix(suffix);
            spin->setButtonSymbols(QAbstractSpinBox::NoButtons);
            spin->setKeyboardTracking(false);
            spin->setToolTip(tr("At the playhead; typing keys it there"));
            connect(spin, &QDoubleSpinBox::valueChanged, this, [this, path] { typed(path); });
            connect(spin->findChild<QLineEdit*>(), &QLineEdit::returnPressed, this, [this, path] { confirm(path); });
            into.at(static_cast<size_t>(axis)) = spin;
            grid->setColumnStretch(2 + axis * 2, 1);
            grid->addWidget(spin, row, 2 + axis * 2);
        }
    };
    add(1, tr("Rotation"), "keyTurn", tr("°"), Path::rotation, turn_);
    add(2, tr("Position"), "keyMove", tr(" mm"), Path::translation, move_);
    shape_said_ = soft(tr("Shape"), box);
    grid->addWidget(shape_said_, 3, 0);
    shape_ = new QComboBox(box);
    shape_->setObjectName(QStringLiteral("keyedShape"));
    shape_->setToolTip(tr("A shape of a surface, keyed by its weight"));
    connect(shape_, QOverload<int>::of(&QComboBox::activated), this, [this] { refresh_values(); });
    grid->addWidget(shape_, 3, 1, 1, 4);
    shape_weight_ = new QDoubleSpinBox(box);
    shape_weight_->setObjectName(QStringLiteral("keyShapeWeight"));
    shape_weight_->setRange(-1000, 1000);
    shape_weight_->setSuffix(tr(" %"));
    shape_weight_->setButtonSymbols(QAbstractSpinBox::NoButtons);
    shape_weight_->setKeyboardTracking(false);
    shape_weight_->setToolTip(tr("Its weight at the playhead; typing keys it there"));
    connect(shape_weight_, &QDoubleSpinBox::valueChanged, this, [this] { typed(Path::weights); });
    connect(shape_weight_->findChild<QLineEdit*>(), &QLineEdit::returnPressed, this,
            [this] { confirm(Path::weights); });
    grid->addWidget(shape_weight_, 3, 6);
    return box;
}

QWidget* KeysPanel::make_poses() {
    auto* box = new QWidget(this);
    auto* row = new QHBoxLayout(box);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    row->addWidget(soft(tr("Pose"), box));
    sources_ = new QComboBox(box);
    sources_->setObjectName(QStringLiteral("poseSource"));
    sources_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    sources_->setMinimumContentsLength(8);
    sources_->setToolTip(tr("Which pose the chosen joints are keyed to; all joints, where none is chosen"));
    connect(sources_, QOverload<int>::of(&QComboBox::activated), this, [this] { refresh_values(); });
    row->addWidget(sources_, 1);
    copy_ = add_button(row, "copyPose", tr("Copy"), tr("Copies the pose that is shown at the playhead"));
    connect(copy_, &QPushButton::clicked, this, [this] {
        if (const std::shared_ptr<const SessionState> state = session_.state()) {
            const Scene& scene = state->replay.prepared();
            copied_ = pose_of(scene, scene.find_clip(clock_.clip().toStdString()), clock_.seconds());
            copied_said_ = clock_.words();
            refresh_sources();
            sources_->setCurrentIndex(0);
            refresh_values();
        }
    });
    mirrored_ = add_button(row, "mirrorPose", tr("Mirrored"), tr("The pose left for right"));
    mirrored_->setCheckable(true);
    mirrored_->setProperty("mode", true);
    blend_ = new QSpinBox(box);
    blend_->setObjectName(QStringLiteral("poseBlend"));
    blend_->setRange(1, 100);
    blend_->setValue(100);
    blend_->setSuffix(tr(" %"));
    blend_->setToolTip(tr("How far the joints go towards the pose"));
    row->addWidget(blend_);
    key_pose_ = add_button(row, "keyPose", tr("Key pose"), tr("Keys it at the playhead"));
    connect(key_pose_, &QPushButton::clicked, this, &KeysPanel::key_source);
    return box;
}

QWidget* KeysPanel::make_touch() {
    auto* box = new QWidget(this);
    auto* row = new QHBoxLayout(box);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    by_touch_ =
        add_button(row, "keyByTouch", tr("Key what I touch"),
                   tr("What is dragged in the view is keyed at once. Off, it stands there until “Key” is pressed "
                      "or the playhead moves"));
    by_touch_->setCheckable(true);
    by_touch_->setChecked(true);
    by_touch_->setProperty("mode", true);
    connect(by_touch_, &QPushButton::clicked, this, &KeysPanel::let_go);
    key_now_ = add_button(row, "keyNow", tr("Key"),
                          tr("Keys what was dragged; else the chosen joints as they stand at the playhead"));
    connect(key_now_, &QPushButton::clicked, this, &KeysPanel::key_by_command);
    row->addStretch(1);
    return box;
}

QWidget* KeysPanel::make_view() {
    auto* box = new QWidget(this);
    auto* row = new QHBoxLayout(box);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    row->addWidget(soft(tr("In the view"), box));
    const auto combo = [&](const char* id, const QStringList& items, const QString& tip) {
        auto* made = new QComboBox(box);
        made->setObjectName(QString::fromUtf8(id));
        made->addItems(items);
        made->setToolTip(tip);
        connect(made, QOverload<int>::of(&QComboBox::activated), this, &KeysPanel::viewChanged);
        row->addWidget(made);
        return made;
    };
    handle_ =
        combo("poseHandle", {tr("turn"), tr("move")},
              tr("What dragging does to the chosen joint. Turning, the joint itself pulls the two bones above it, "
                 "and the square on the joint between them swings it"));
    axes_ = combo("poseAxes", {tr("own axes"), tr("world axes")}, tr("Which axes the beads X, Y and Z go by"));
    const auto toggle = [&](const char* id, const QString& text, const QString& tip) {
        QPushButton* made = add_button(row, id, text, tip);
        made->setCheckable(true);
        made->setProperty("mode", true);
        connect(made, &QPushButton::clicked, this, [this] {
            refresh_overlay();
            Q_EMIT viewChanged();
        });
        return made;
    };
    path_ = toggle("posePath", tr("Trajectory"),
                   tr("The chosen joint's way, a dot a frame; its keys on it can be dragged"));
    ghosts_ = toggle("poseGhosts", tr("Poses about"), tr("The poses before (blue) and after (amber), as lines"));
    ghost_step_ = new QSpinBox(box);
    ghost_step_->setObjectName(QStringLiteral("ghostStep"));
    ghost_step_->setRange(1, 1000);
    ghost_step_->setValue(5);
    ghost_step_->setSuffix(tr(" frames"));
    ghost_step_->setToolTip(tr("From one of the poses about to the next"));
    connect(ghost_step_, &QSpinBox::valueChanged, this, [this] {
        refresh_overlay();
        Q_EMIT viewChanged();
    });
    row->addWidget(ghost_step_);
    row->addStretch(1);
    return box;
}

} // namespace wembrix::app
