// The list of findings: it keeps its place, shows what was mended where it stood, and takes the note of an accepted
// stop.
#include "small_scenes.h"
#include "stations/intake/accept_dialog.h"
#include "window_fixture.h"

#include <QLineEdit>
#include <QScrollArea>
#include <QScrollBar>
#include <QTimer>

namespace wembrix::app {
namespace {

class FindingsInWindow : public Window {
  protected:
    FindingsInWindow() { with_drift = false; }
    QPushButton* accept_button(const char* finding) {
        for (QPushButton* button : window->findChildren<QPushButton*>(QStringLiteral("link"))) {
            if (button->property("accepts") == QString::fromUtf8(finding) && button->isVisible()) {
                return button;
            }
        }
        return nullptr;
    }
    QScrollBar* scroll_bar() {
        QWidget* at = child<QWidget>("findings");
        while (at != nullptr && qobject_cast<QScrollArea*>(at) == nullptr) {
            at = at->parentWidget();
        }
        return at == nullptr ? nullptr : qobject_cast<QScrollArea*>(at)->verticalScrollBar();
    }
    /// The cards of the list from top to bottom: the id of what was mended, else empty.
    QStringList mended_cards() {
        QList<QFrame*> cards;
        for (QFrame* card : child<QWidget>("findings")->findChildren<QFrame*>(QStringLiteral("card"))) {
            if (card->isVisible()) {
                cards.push_back(card);
            }
        }
        std::sort(cards.begin(), cards.end(), [](QFrame* a, QFrame* b) { return a->y() < b->y(); });
        QStringList mended;
        for (QFrame* card : cards) {
            mended << card->property("mended").toString();
        }
        return mended;
    }
};

TEST_F(FindingsInWindow, WhatIsMendedIsShownWhereItStoodAndTheListKeepsItsPlace) {
    window->resize(1100, 560);
    open();
    ASSERT_EQ(mended_cards().count(QString()), mended_cards().size());
    QScrollBar* bar = scroll_bar();
    ASSERT_NE(bar, nullptr);
    ASSERT_GT(bar->maximum(), 60);
    bar->setValue(bar->maximum() / 2);
    const int place = bar->value();
    const qsizetype cards = mended_cards().size();
    QPushButton* mend = finding_button(QStringLiteral("strip_prefix"));
    ASSERT_NE(mend, nullptr);
    mend->setFocus();
    QTest::mouseClick(mend, Qt::LeftButton);
    settle();
    EXPECT_NEAR(bar->value(), place, 30) << "a mended card is lower than an open one";
    EXPECT_GE(mended_cards().size(), cards);
    const qsizetype stood = mended_cards().indexOf(QStringLiteral("name_prefix"));
    ASSERT_GE(stood, 0);
    EXPECT_LT(stood, mended_cards().size() - 1) << "not at the end";
    window->document().undo().undo();
    settle();
    EXPECT_EQ(mended_cards().indexOf(QStringLiteral("name_prefix")), -1) << "it is open again";
    EXPECT_NE(finding_button(QStringLiteral("strip_prefix")), nullptr);
}

TEST_F(FindingsInWindow, AStopIsAcceptedWithANoteAndOnlyWithOne) {
    open();
    QPushButton* accept = accept_button("size");
    ASSERT_NE(accept, nullptr);
    bool could_without = true;
    QTimer::singleShot(200, window.get(), [&] {
        auto* ask = qobject_cast<AcceptDialog*>(QApplication::activeModalWidget());
        ASSERT_NE(ask, nullptr);
        QPushButton* yes = nullptr;
        for (QPushButton* button : ask->findChildren<QPushButton*>()) {
            yes = button->text().contains(QStringLiteral("Accept")) ? button : yes;
        }
        ASSERT_NE(yes, nullptr);
        could_without = yes->isEnabled();
        QTest::keyClicks(ask->findChild<QLineEdit*>(), QStringLiteral("a giant"));
        QTest::mouseClick(yes, Qt::LeftButton);
    });
    const size_t before = steps();
    QTest::mouseClick(accept, Qt::LeftButton);
    settle();
    EXPECT_FALSE(could_without);
    ASSERT_EQ(steps(), before + 1);
    const auto size = std::find_if(state().findings.begin(), state().findings.end(),
                                   [](const Finding& finding) { return finding.id == "size"; });
    ASSERT_NE(size, state().findings.end());
    EXPECT_EQ(size->accepted, "a giant");
    EXPECT_NE(size->grade, Grade::stop);
    EXPECT_EQ(accept_button("size"), nullptr);
}

TEST_F(FindingsInWindow, DriftThatNobodyAskedForIsAStopThatCanBeAccepted) {
    window->session().set_measures_drift(true);
    with_drift = true;
    put(write_glb(testing::under_an_uneven_parent(), "wide"));
    Job job;
    job.name = "wide";
    job.sources = {"wide.glb"};
    job.destinations = {built_in_destinations()[1]};
    job.destinations[0].root = "a";
    job.steps = {{"bake_parent_transforms"}};
    job_file = folder.filePath("wide.wembrix");
    ASSERT_TRUE(write_job(job, job_file.toStdString()).ok());
    open();
    const auto drift = [&] {
        return std::find_if(state().findings.begin(), state().findings.end(),
                            [](const Finding& finding) { return finding.id == "step_drift"; });
    };
    ASSERT_NE(drift(), state().findings.end());
    EXPECT_EQ(drift()->grade, Grade::stop);
    EXPECT_EQ(drift()->clip, "sway");
    QPushButton* accept = accept_button("step_drift");
    ASSERT_NE(accept, nullptr);
    QTimer::singleShot(200, window.get(), [&] {
        auto* ask = qobject_cast<AcceptDialog*>(QApplication::activeModalWidget());
        ASSERT_NE(ask, nullptr);
        QTest::keyClicks(ask->findChild<QLineEdit*>(), QStringLiteral("far away"));
        for (QPushButton* button : ask->findChildren<QPushButton*>()) {
            if (button->text().contains(QStringLiteral("Accept"))) {
                QTest::mouseClick(button, Qt::LeftButton);
            }
        }
    });
    QTest::mouseClick(accept, Qt::LeftButton);
    settle();
    ASSERT_NE(drift(), state().findings.end());
    EXPECT_EQ(drift()->accepted, "far away");
    EXPECT_EQ(drift()->grade, Grade::look);
}

} // namespace
} // namespace wembrix::app
