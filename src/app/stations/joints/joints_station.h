// Joints: the ladder from what came in to what goes out, the rule that renames, and the chosen joint.
#pragma once

#include "session/document.h"
#include "session/selection.h"
#include "session/session.h"
#include "stations/joints/joint_facts.h"
#include "stations/joints/joint_ladder.h"
#include "stations/joints/rule_box.h"
#include "stations/station.h"

class QLabel;
class QLineEdit;

namespace wembrix::app {

class JointsStation : public StationPage {
    Q_OBJECT
  public:
    JointsStation(Document& document, Session& session, Selection& selection, QWidget* parent = nullptr);
    void take_view(TwinView& twin) override;
    JointLadder& ladder() { return *ladder_; }
    RuleBox& rules() { return *rules_; }
    JointFacts& facts() { return *facts_; }

  private:
    void refresh();
    void drop_chosen();

    Document& document_;
    Session& session_;
    Selection& selection_;
    JointLadder* ladder_;
    RuleBox* rules_;
    JointFacts* facts_;
    QLineEdit* search_;
    QLabel* received_;
    QLabel* prepared_;
    QLabel* counts_;
    QWidget* place_;
    std::shared_ptr<const Scene> shown_received_;
    std::shared_ptr<const Scene> shown_prepared_;
};

} // namespace wembrix::app
