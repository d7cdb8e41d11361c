#include "stations/takes/key_board.h"

#include "core/job/key_edits.h"

#include <QApplication>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <cmath>

namespace wembrix::app {

KeyBoard::KeyBoard(Document& document, Session& session, Clock& clock, Selection& selection, QWidget* parent)
    : QWidget(parent), document_(document), session_(session), clock_(clock), selection_(selection) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    strip_ = new KeyStrip(this);
    column->addWidget(make_tools());
    column->addWidget(strip_, 1);
    connect(strip_, &KeyStrip::chosenChanged, this, &KeyBoard::refresh_chosen);
    connect(strip_, &KeyStrip::scrubbed, this, [this](int frame) {
        clock_.set_playing(false);
        clock_.go_to(frame);
    });
    connect(strip_, &KeyStrip::edited, this, [this](const QString& what, const KeyLayer& layer) {
        if (place_) {
            document_.edit(what, [&](Job& job) { set_layer(job, *place_, layer); });
        }
    });
    connect(&selection_, &Selection::changed, this, &KeyBoard::refresh_of);
    connect(&session_, &Session::changed, this, &KeyBoard::refresh_of);
    connect(&clock_, &Clock::moved, this, [this] {
        if (isVisible()) {
            strip_->set_playhead(clock_.seconds() * clock_.rate());
        }
    });
    refresh_of();
    refresh_chosen();
}

QWidget* KeyBoard::make_tools() {
    auto* box = new QWidget(this);
    tools_ = new QBoxLayout(QBoxLayout::LeftToRight, box);
    tools_->setContentsMargins(8, 0, 8, 0);
    tools_->setSpacing(5);
    auto* row = new QHBoxLayout;
    row->setSpacing(5);
    tools_->addLayout(row);
    const auto label = [&](const QString& words) {
        auto* made = new QLabel(words, box);
        made->setObjectName(QStringLiteral("soft"));
        row->addWidget(made);
    };
    const auto button = [&](const char* id, const QString& words, const QString& tip, bool checks) {
        auto* made = new QPushButton(words, box);
        made->setObjectName(QString::fromUtf8(id));
        made->setToolTip(tip);
        made->setCheckable(checks);
        if (checks) {
            made->setProperty("mode", true);
        }
        row->addWidget(made);
        return made;
    };
    const auto combo = [&](const char* id, const QStringList& items, const QString& tip) {
        auto* made = new QComboBox(box);
        made->setObjectName(QString::fromUtf8(id));
        made->addItems(items);
        made->setToolTip(tip);
        row->addWidget(made);
        return made;
    };
    path_ = combo("keyPath", {tr("Rotation"), tr("Position"), tr("Scale"), tr("Shapes")},
                  tr("Which curves of the chosen joints are shown; shapes show all that are keyed"));
    connect(path_, QOverload<int>::of(&QComboBox::activated), this, [this] { refresh_of(); });
    for (int axis = 0; axis < 3; ++axis) {
        constexpr const char* ids[] = {"keyAxisX", "keyAxisY", "keyAxisZ"};
        auto* made =
            button(ids[axis], QStringLiteral("XYZ").mid(axis, 1), tr("Shows or hides the curves of this axis"), true);
        made->setChecked(true);
        made->setFixedWidth(30);
        connect(made, &QPushButton::clicked, this, [this] { refresh_of(); });
        axes_.at(static_cast<size_t>(axis)) = made;
    }
    row->addSpacing(6);
    const auto number = [&](const char* id, const QString& tip, int decimals) {
        auto* made = new QDoubleSpinBox(box);
        made->setObjectName(QString::fromUtf8(id));
        made->setRange(-1e6, 1e6);
        made->setDecimals(decimals);
        made->setButtonSymbols(QAbstractSpinBox::NoButtons);
        made->setKeyboardTracking(false);
        made->setToolTip(tip);
        made->setFixedWidth(82);
        row->addWidget(made);
        return made;
    };
    label(tr("Frame"));
    frame_ = number("keyFrame", tr("Of the chosen key; of several the first, and the others move along"), 2);
    connect(frame_, &QDoubleSpinBox::valueChanged, strip_, &KeyStrip::set_frame);
    label(tr("Value"));
    value_ = number("keyValue", tr("Of the chosen keys: typing gives it to all of them"), 3);
    connect(value_, &QDoubleSpinBox::valueChanged, strip_, &KeyStrip::set_value);
    tangent_ = combo("keyTangent", {tr("smooth"), tr("flat"), tr("straight"), tr("stepped"), tr("free")},
                     tr("How the curve goes through the chosen keys. A tangent that is dragged is free"));
    connect(tangent_, QOverload<int>::of(&QComboBox::activated), this,
            [this](int index) { strip_->set_tangents(static_cast<Tangent>(index)); });
    broken_ =
        button("breakTangents", tr("Broken"),
               tr("The two tangents of a key are dragged each for itself: a corner. Off, both get one slope"), true);
    connect(broken_, &QPushButton::clicked, this, [this](bool on) {
        strip_->set_broken(on);
        if (!on && !strip_->chosen().empty()) {
            strip_->join_tangents();
        }
    });
    weighted_ = button("weightTangents", tr("Weighted"),
                       tr("Tangents reach as far as they are dragged. Off, they reach a third of the way, as files can "
                          "hold them; others are baked"),
                       true);
    connect(weighted_, &QPushButton::clicked, this, [this](bool on) {
        strip_->set_weighted(on);
        if (!on && !strip_->chosen().empty()) {
            strip_->even_tangents();
        }
    });
    drop_ = button("dropKey", tr("Delete"), tr("The chosen keys (Delete)"), false);
    connect(drop_, &QPushButton::clicked, strip_, &KeyStrip::remove_chosen);
    row->addSpacing(6);
    const QStringList beyond = {tr("held"), tr("repeated"), tr("repeated on")};
    const QString tip = tr("The curves shown, outside their keys: held at the last value, repeated, or repeated and "
                           "going on from where each round ended");
    label(tr("Before"));
    before_ = combo("keysBefore", beyond, tip);
    connect(before_, QOverload<int>::of(&QComboBox::activated), this,
            [this](int index) { strip_->set_beyond(false, static_cast<Beyond>(index)); });
    label(tr("After"));
    after_ = combo("keysAfter", beyond, tip);
    connect(after_, QOverload<int>::of(&QComboBox::activated), this,
            [this](int index) { strip_->set_beyond(true, static_cast<Beyond>(index)); });
    row->addStretch(1);
    return box;
}

void KeyBoard::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    constexpr int one_row = 1080;
    tools_->setDirection(width() < one_row ? QBoxLayout::TopToBottom : QBoxLayout::LeftToRight);
}

void KeyBoard::show_layer(std::optional<size_t> place, const KeyLayer& layer) {
    place_ = place;
    strip_->show_layer(layer, clock_.frames(), clock_.rate());
    strip_->set_playhead(clock_.seconds() * clock_.rate());
    refresh_of();
    refresh_chosen();
}

void KeyBoard::refresh_of() {
    constexpr Path paths[] = {Path::rotation, Path::translation, Path::scale, Path::weights};
    const Path path = paths[std::clamp(path_->currentIndex(), 0, 3)];
    std::vector<std::string> names;
    if (const std::shared_ptr<const SessionState> state = session_.state()) {
        const Scene& scene = state->replay.prepared();
        for (const int node : selection_.nodes_in(scene)) {
            names.push_back(scene.nodes[static_cast<size_t>(node)].name);
        }
    }
    strip_->say_where_empty(!place_                 ? tr("No layer of keys over this clip yet: “New layer” above.")
                            : path == Path::weights ? tr("No shape has keys on this layer.")
                            : names.empty()         ? tr("Choose a joint in the view: its curves stand here.")
                                                    : tr("No keys here yet. Turn the joint in the view, or type a "
                                                                 "number: that keys it at the playhead."));
    strip_->show_of(std::move(names), path, {axes_[0]->isChecked(), axes_[1]->isChecked(), axes_[2]->isChecked()});
    for (QPushButton* axis : axes_) {
        axis->setEnabled(path != Path::weights);
    }
    refresh_chosen();
}

void KeyBoard::refresh_chosen() {
    const std::vector<KeyStrip::KeyAt>& chosen = strip_->chosen();
    const bool any = !chosen.empty();
    for (QWidget* one : {static_cast<QWidget*>(frame_), static_cast<QWidget*>(value_), static_cast<QWidget*>(tangent_),
                         static_cast<QWidget*>(drop_)}) {
        one->setEnabled(any);
    }
    const QSignalBlocker quiet_frame(frame_);
    const QSignalBlocker quiet_value(value_);
    value_->setSuffix(strip_->unit());
    if (any) {
        const CurveKey& first = strip_->key(chosen.front());
        frame_->setValue(first.frame);
        value_->setValue(first.value);
        tangent_->setCurrentIndex(static_cast<int>(first.tangent));
        constexpr double same = 1e-9;
        const double third = CurveKey().in_weight;
        const bool free = first.tangent == Tangent::free;
        // What the key is like already is how it goes on being dragged.
        if (chosen.size() == 1 && QApplication::mouseButtons() == Qt::NoButton) {
            broken_->setChecked(free && std::abs(first.in_slope - first.out_slope) > same);
            weighted_->setChecked(
                free && (std::abs(first.in_weight - third) > same || std::abs(first.out_weight - third) > same));
            strip_->set_broken(broken_->isChecked());
            strip_->set_weighted(weighted_->isChecked());
        }
    }
    const std::vector<size_t> shown = strip_->shown();
    before_->setEnabled(!shown.empty());
    after_->setEnabled(!shown.empty());
    if (!shown.empty()) {
        const Curve& curve = strip_->layer()[shown.front()].curve;
        before_->setCurrentIndex(static_cast<int>(curve.before));
        after_->setCurrentIndex(static_cast<int>(curve.after));
    }
}

} // namespace wembrix::app
