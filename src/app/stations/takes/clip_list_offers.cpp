// What is said of the chosen clip below the list, and the steps that are offered for it.
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "stations/takes/clip_list.h"
#include "style/language.h"

#include "stations/takes/clip_words.h"
#include "style/theme.h"

#include <QColorDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QScopedValueRollback>
#include <QSignalBlocker>
#include <QTableWidget>
#include <QTimer>
#include <QVBoxLayout>
#include <cmath>

namespace wembrix::app {

QWidget* ClipList::make_offers() {
    auto* bar = new QWidget(this);
    auto* row = new QHBoxLayout(bar);
    row->setContentsMargins(0, 0, 0, 0);
    close_ = new QPushButton(bar);
    close_->setObjectName(QStringLiteral("closeLoop"));
    once_ = new QPushButton(tr("Don't repeat"), bar);
    once_->setObjectName(QStringLiteral("playOnce"));
    once_->setToolTip(tr("It is delivered as a clip that does not repeat"));
    blend_ = new QPushButton(tr("Blend the loop"), bar);
    blend_->setObjectName(QStringLiteral("blendLoop"));
    blend_->setToolTip(tr("Its last frames lead into its first pose; how many can be said"));
    root_motion_ = new QPushButton(tr("Extract root motion…"), bar);
    root_motion_->setObjectName(QStringLiteral("rootMotion"));
    root_motion_->setToolTip(tr("The trajectory of the pelvis becomes the root's, or is taken out"));
    row->addWidget(close_);
    row->addWidget(blend_);
    row->addWidget(root_motion_);
    row->addWidget(once_);
    row->addStretch(1);
    more_ = new QPushButton(tr("More"), bar);
    more_->setObjectName(QStringLiteral("moreSteps"));
    more_->setToolTip(tr("What else can become of the chosen clips; Ctrl or Shift with a click chooses several"));
    more_->setMenu(make_more());
    row->addWidget(more_);
    connect(close_, &QPushButton::clicked, this, [this] {
        Cut cut = cut_at(chosen_);
        const ClipFacts* facts = model_.clip(cut.name);
        if (facts != nullptr && facts->closing) {
            cut.end = cut.start + facts->closing->frame;
            put(chosen_, tr("Close %1").arg(named(cut)), cut);
        }
    });
    connect(blend_, &QPushButton::clicked, this, [this] {
        Q_EMIT stepAsked({"close_loop", {{"clip", cut_at(chosen_).name}, {"mode", "blend"}, {"frames", 8}}});
    });
    connect(root_motion_, &QPushButton::clicked, this, [this] {
        Q_EMIT stepAsked(
            {"extract_root_motion",
             {{"clips", {cut_at(chosen_).name}}, {"mode", "to_root"}, {"x", true}, {"z", true}, {"rotation", true}}});
    });
    connect(once_, &QPushButton::clicked, this, [this] {
        Cut cut = cut_at(chosen_);
        cut.loop = false;
        put(chosen_, tr("Play %1 once").arg(named(cut)), cut);
    });
    return bar;
}

QMenu* ClipList::make_more() {
    auto* menu = new QMenu(this);
    menu->setObjectName(QStringLiteral("moreMenu"));
    for (const char* id : {"bake", "change_frame_rate", "stretch_time", "reverse", "start_at", "join_clips",
                           "pose_to_clip", "mirror_clip", "make_additive", "reduce_keys"}) {
        const StepKind* kind = step_kind(id);
        QAction* action = menu->addAction(localized(kind->label) + QStringLiteral("…"));
        action->setToolTip(localized(kind->why));
        action->setData(QString::fromUtf8(id));
        connect(action, &QAction::triggered, this, [this, id] { Q_EMIT stepWanted(QString::fromUtf8(id)); });
    }
    menu->setToolTipsVisible(true);
    connect(menu, &QMenu::aboutToShow, this, [this, menu] {
        const qsizetype chosen = chosen_names().size();
        for (QAction* action : menu->actions()) {
            const QString id = action->data().toString();
            const bool of_one = id == QStringLiteral("start_at") || id == QStringLiteral("pose_to_clip");
            action->setEnabled(id == QStringLiteral("join_clips") ? chosen > 1 : of_one ? chosen == 1 : chosen > 0);
        }
    });
    return menu;
}

void ClipList::show_message() {
    close_->hide();
    blend_->hide();
    once_->hide();
    const bool any = chosen_ >= 0;
    root_motion_->setVisible(any);
    more_->setVisible(any);
    ends_->setVisible(!rows_.empty());
    ends_->setEnabled(any);
    message_->setStyleSheet(QStringLiteral("color: %1; font-size: 11px;").arg(theme().soft.name()));
    if (takes_.empty()) {
        message_->setText(tr("Clips cut from a take are listed here."));
        return;
    }
    if (rows_.empty()) {
        message_->setText(tr("Nothing is cut yet: the take goes out whole. Cut at the playhead, at the places offered, "
                             "or read a list."));
        return;
    }
    if (!any) {
        message_->setText(tr("Choose a clip to see whether it closes. Names, frames and notes can be typed."));
        return;
    }
    const Cut cut = cut_at(chosen_);
    const ClipFacts* facts = model_.clip(cut.name);
    const QString travel =
        facts != nullptr && goes(facts->travel) ? QStringLiteral(" ") + travel_words(*facts) + '.' : "";
    if (facts == nullptr || !facts->seam || !cut.loop) {
        message_->setText(tr("“%1” plays once: no seam to close.").arg(named(cut)) + travel);
        return;
    }
    if (facts->closes) {
        message_->setText(tr("“%1” closes: its last pose is %2 mm and %3° from its first.")
                              .arg(named(cut))
                              .arg(facts->seam->apart_mm, 0, 'f', 1)
                              .arg(facts->seam->turned_deg, 0, 'f', 1) +
                          travel);
        return;
    }
    show_seam(cut, *facts);
}

void ClipList::refuse(const QString& why) {
    message_->setStyleSheet(QStringLiteral("background: %1; color: %2; padding: 6px; border-radius: 4px;")
                                .arg(theme().look_ground.name(), theme().look.name()));
    message_->setText(why);
}

void ClipList::show_seam(const Cut& cut, const ClipFacts& facts) {
    message_->setStyleSheet(QStringLiteral("background: %1; color: %2; padding: 6px; border-radius: 4px;")
                                .arg(theme().stop_ground.name(), theme().stop.name()));
    QString text = tr("<b>%1 does not close.</b> Its last pose is %2 mm (%3) and %4° (%5) from its first.")
                       .arg(named(cut))
                       .arg(facts.seam->apart_mm, 0, 'f', 0)
                       .arg(QString::fromStdString(facts.seam->apart_at))
                       .arg(facts.seam->turned_deg, 0, 'f', 0)
                       .arg(QString::fromStdString(facts.seam->turned_joint));
    if (facts.closing && cut.start + facts.closing->frame != cut.end) {
        text += tr(" Nearest is frame %1: %2 mm.")
                    .arg(cut.start + facts.closing->frame)
                    .arg(facts.closing->seam.apart_mm, 0, 'f', 1);
        close_->setText(tr("End at frame %1").arg(cut.start + facts.closing->frame));
        close_->setToolTip(tr("The frame near its end whose pose is nearest to the first"));
        close_->show();
    }
    message_->setText(text);
    blend_->show();
    once_->show();
}

} // namespace wembrix::app
