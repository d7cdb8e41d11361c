#include "view/playback_bar.h"

#include "style/shortcuts.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QSignalBlocker>
#include <QSlider>
#include <algorithm>
#include <utility>

namespace wembrix::app {

PlaybackBar::PlaybackBar(Clock& clock, QWidget* parent) : QWidget(parent), clock_(clock) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 4, 0, 0);
    row->setSpacing(8);
    clips_ = new QComboBox(this);
    clips_->setObjectName(QStringLiteral("clipChoice"));
    clips_->setMinimumWidth(96);
    clips_->setMaximumWidth(170);
    clips_->setToolTip(tr("The clip that both panes show; the received take is shown at the same moment"));
    play_ = new QPushButton(tr("Play"), this);
    play_->setObjectName(QStringLiteral("play"));
    play_->setToolTip(with_shortcut(tr("Play or pause"), Shortcut::play));
    const int widest = std::max(play_->fontMetrics().horizontalAdvance(tr("Play")),
                                play_->fontMetrics().horizontalAdvance(tr("Pause")));
    play_->setFixedWidth(std::max(58, widest + 26));
    scrub_ = new QSlider(Qt::Horizontal, this);
    scrub_->setObjectName(QStringLiteral("scrub"));
    scrub_->setAccessibleName(tr("Frame of the clip"));
    scrub_->setToolTip(tr("Drag to a frame; arrow keys go frame by frame"));
    label_ = new QLabel(this);
    label_->setObjectName(QStringLiteral("soft"));
    label_->setMinimumWidth(112);
    label_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    row->addWidget(clips_);
    row->addWidget(play_);
    row->addWidget(scrub_, 1);
    row->addWidget(label_);
    connect(clips_, &QComboBox::currentIndexChanged, this, &PlaybackBar::chosen);
    connect(play_, &QPushButton::clicked, this, [this] { clock_.set_playing(!clock_.is_playing()); });
    connect(scrub_, &QSlider::valueChanged, this, [this](int frame) {
        clock_.set_playing(false);
        clock_.go_to(frame);
    });
    connect(&clock_, &Clock::clipChanged, this, &PlaybackBar::follow);
    connect(&clock_, &Clock::moved, this, &PlaybackBar::refresh);
    connect(&clock_, &Clock::playingChanged, this, &PlaybackBar::refresh);
    offer_nothing();
}

void PlaybackBar::offer_nothing() {
    rows_.clear();
    const QSignalBlocker quiet(clips_);
    clips_->clear();
    setEnabled(false);
    clock_.choose(QString(), 1, 30);
    refresh();
}

void PlaybackBar::set_poses(const std::map<std::string, StoredPose>& poses) {
    if (poses_ == poses) {
        return;
    }
    poses_ = poses;
    if (rows_.empty()) {
        return;
    }
    // The poses stand between the rest pose and the clips.
    const std::vector<Row> before = std::exchange(rows_, {});
    const QSignalBlocker quiet(clips_);
    QStringList labels;
    for (size_t i = 0; i < before.size(); ++i) {
        labels << clips_->itemText(static_cast<int>(i));
    }
    clips_->clear();
    offer_poses();
    for (size_t i = 0; i < before.size(); ++i) {
        if (before[i].frames > 1 || before[i].part.take != 0) {
            rows_.push_back(before[i]);
            clips_->addItem(labels[static_cast<qsizetype>(i)]);
        }
    }
    const int index = row_of_clock();
    clips_->setCurrentIndex(index);
    chosen(index);
}

int PlaybackBar::row_of_clock() const {
    const bool clip = !clock_.clip().isEmpty();
    for (size_t i = 0; i < rows_.size(); ++i) {
        if (rows_[i].name == (clip ? clock_.clip() : clock_.pose_name()) && rows_[i].still == clock_.still()) {
            return static_cast<int>(i);
        }
    }
    return 0;
}

void PlaybackBar::follow() {
    const QSignalBlocker quiet(clips_);
    clips_->setCurrentIndex(row_of_clock());
}

void PlaybackBar::offer_poses() {
    rows_ = {Row{}, Row{}};
    rows_.back().still = Clock::Still::bind;
    clips_->addItem(tr("Rest pose"));
    clips_->addItem(tr("Bind pose"));
    for (const auto& [name, pose] : poses_) {
        static_cast<void>(pose);
        rows_.emplace_back();
        rows_.back().name = QString::fromStdString(name);
        rows_.back().still = Clock::Still::stored;
        clips_->addItem(tr("Pose “%1”").arg(rows_.back().name));
    }
}

void PlaybackBar::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    // In a narrow place the slider needs the room; the status line says the frame as well.
    label_->setVisible(width() >= 420);
    clips_->setMaximumWidth(width() >= 420 ? 170 : 120);
}

void PlaybackBar::offer(const Scene& scene, const Scene& received) {
    const QSignalBlocker quiet(clips_);
    clips_->clear();
    offer_poses();
    for (const Clip& clip : scene.clips) {
        rows_.push_back({QString::fromStdString(clip.name), clip.frames(), clip.rate, {clip.take, clip.start_s}});
        clips_->addItem(rows_.back().name);
    }
    // A take that was cut can still be seen whole.
    for (const Clip& take : received.clips) {
        const bool whole = std::any_of(scene.clips.begin(), scene.clips.end(),
                                       [&](const Clip& clip) { return clip.take == take.take && !clip.cut; });
        const bool cut = std::any_of(scene.clips.begin(), scene.clips.end(),
                                     [&](const Clip& clip) { return clip.take == take.take && clip.cut; });
        if (cut && !whole && scene.find_clip(take.name) == nullptr) {
            rows_.push_back({QString::fromStdString(take.name), take.frames(), take.rate, {take.take, take.start_s}});
            clips_->addItem(tr("%1 (whole take)").arg(rows_.back().name));
        }
    }
    setEnabled(true);
    int index = row_of_clock();
    // The clip that plays may have another name by now: the one of the same part of the same take.
    for (size_t i = 0; index == 0 && !clock_.clip().isEmpty() && i < rows_.size(); ++i) {
        if (rows_[i].part.take != 0 && rows_[i].part == clock_.part() && rows_[i].frames == clock_.frames()) {
            const int frame = clock_.frame();
            clock_.choose(rows_[i].name, rows_[i].frames, rows_[i].rate, rows_[i].part);
            clock_.go_to(frame);
            index = static_cast<int>(i);
        }
    }
    clips_->setCurrentIndex(index);
    chosen(index);
}

void PlaybackBar::choose(const QString& clip) {
    for (size_t i = 0; i < rows_.size(); ++i) {
        if (rows_[i].name == clip && rows_[i].still == Clock::Still::rest) {
            clips_->setCurrentIndex(static_cast<int>(i));
        }
    }
}

void PlaybackBar::chosen(int index) {
    if (index < 0 || index >= static_cast<int>(rows_.size())) {
        return;
    }
    const Row& row = rows_[index];
    if (row.still == Clock::Still::bind) {
        clock_.show_bind_pose();
    } else if (row.still == Clock::Still::stored) {
        clock_.show_stored_pose(row.name, poses_[row.name.toStdString()]);
    } else {
        clock_.choose(row.name, row.frames, row.rate, row.part);
    }
    refresh();
}

void PlaybackBar::refresh() {
    const QSignalBlocker quiet(scrub_);
    scrub_->setRange(0, clock_.frames() - 1);
    scrub_->setValue(clock_.frame());
    play_->setText(clock_.is_playing() ? tr("Pause") : tr("Play"));
    play_->setEnabled(clock_.frames() > 1);
    scrub_->setEnabled(clock_.frames() > 1);
    label_->setText(
        clock_.frames() > 1
            ? tr("f %1 of %2 · %3 s").arg(clock_.frame()).arg(clock_.frames() - 1).arg(clock_.seconds(), 0, 'f', 2)
            : clock_.words());
    label_->setToolTip(tr("Frame and time, at %1 frames per second").arg(clock_.rate()));
}

} // namespace wembrix::app
