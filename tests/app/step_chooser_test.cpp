// Adding a step: found by what it is for, set in its window, put on the card.
#include "shell/step_chooser.h"

#include "core/steps/step.h"
#include "core/steps/step_kind.h"

#include <QLineEdit>
#include <QPushButton>
#include <QTest>
#include <QTreeWidget>
#include <algorithm>
#include <gtest/gtest.h>

namespace wembrix::app {
namespace {

int shown_steps(const QTreeWidget& list) {
    int count = 0;
    for (int g = 0; g < list.topLevelItemCount(); ++g) {
        for (int i = 0; i < list.topLevelItem(g)->childCount(); ++i) {
            count += list.topLevelItem(g)->child(i)->isHidden() ? 0 : 1;
        }
    }
    return count;
}

TEST(StepChooserDialog, HasAllStepsByWhatTheyAreAbout) {
    StepChooser chooser;
    const auto* list = chooser.findChild<QTreeWidget*>("stepList");
    EXPECT_EQ(list->topLevelItemCount(), 5);
    const auto by_hand =
        std::count_if(step_kinds().begin(), step_kinds().end(), [](const StepKind& kind) { return kind.is_by_hand(); });
    EXPECT_GT(by_hand, 0) << "those begin at their station";
    EXPECT_EQ(shown_steps(*list), static_cast<int>(step_kinds().size()) - static_cast<int>(by_hand));
    for (int g = 0; g < list->topLevelItemCount(); ++g) {
        for (int i = 0; i < list->topLevelItem(g)->childCount(); ++i) {
            EXPECT_FALSE(list->topLevelItem(g)->child(i)->text(1).isEmpty()) << "what it is for stands beside it";
        }
    }
}

TEST(StepChooserDialog, FindsByNameAndByWhatItIsFor) {
    StepChooser chooser;
    chooser.show();
    auto* search = chooser.findChild<QLineEdit*>("stepSearch");
    const auto* list = chooser.findChild<QTreeWidget*>("stepList");
    QTest::keyClicks(search, "rename jo");
    EXPECT_EQ(shown_steps(*list), 1);
    EXPECT_EQ(chooser.chosen(), "rename_joints");
    search->clear();
    QTest::keyClicks(search, "pelvis");
    EXPECT_EQ(chooser.chosen(), "extract_root_motion") << "its sentence speaks of the pelvis";
    search->clear();
    QTest::keyClicks(search, "no such thing");
    EXPECT_EQ(chooser.chosen(), "");
    EXPECT_FALSE(chooser.findChild<QPushButton*>("go")->isEnabled());
    search->clear();
    QTest::keyClicks(search, "clip");
    const std::string first = chooser.chosen();
    QTest::keyClick(search, Qt::Key_Down);
    EXPECT_NE(chooser.chosen(), first) << "arrows go through what was found";
    EXPECT_FALSE(chooser.chosen().empty());
    QTest::keyClick(search, Qt::Key_Up);
    EXPECT_EQ(chooser.chosen(), first);
}

} // namespace
} // namespace wembrix::app
