// Joints: the ladder from what came in to what goes out, the rule that renames, and the chosen joint.
#pragma once

#include "session/document.h"
#include "session/selection.h"
#include "session/session.h"
#include "stations/joints/build_panel.h"
#include "stations/joints/joint_facts.h"
#include "stations/joints/joint_ladder.h"
#include "stations/joints/rule_box.h"
#include "stations/station.h"

#include <functional>
#include <map>
#include <optional>

class QButtonGroup;
class QLabel;
class QLineEdit;
class QStackedWidget;
class QVBoxLayout;

namespace wembrix::app {

class JointsStation : public StationPage {
    Q_OBJECT
  public:
    JointsStation(const StationContext& context, QWidget* parent = nullptr);
    void take_view(TwinView& twin) override;
    /// Whose contract the ladder is held against; null for none.
    void show_destination(const Destination* destination) override;
    bool start_search() override;
    JointLadder& ladder() { return *ladder_; }
    RuleBox& rules() { return *rules_; }
    JointFacts& facts() { return *facts_; }
    BuildPanel& build() { return *build_; }
    /// What came in and what became of it, or a skeleton that is being built.
    enum class Face : uint8_t { ladder, build };
    void show_face(Face face);

  protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

  private:
    QWidget* make_ladder_face(Document& document, Session& session, Selection& selection);
    QWidget* make_build_face();
    void refresh();
    void settle_view();
    void let_guide_go();
    void show_counts();
    void drop_chosen();
    void rename(int64_t identity, const std::string& name);
    void hang_chosen(const std::string& under);
    void ask_what_to_hang_on();
    void choose_mirror();
    void name_from_mirror();
    void ask_to_insert();
    void ask_to_attach();
    void ask_for_place();
    /// The place that was asked for, in the world as the view poses it now.
    void place_attachment(const Vec3& place);
    void match(const std::map<std::string, std::string>& matches);
    void take_proposals();
    [[nodiscard]] std::vector<std::string> chosen_names() const;
    [[nodiscard]] int current_node() const; ///< in Prepared, or -1
    void complain(const QString& what);

    Document& document_;
    Session& session_;
    Selection& selection_;
    JointLadder* ladder_;
    RuleBox* rules_;
    JointFacts* facts_;
    QLineEdit* search_;
    QLabel* received_;
    QLabel* prepared_;
    QLabel* held_;
    QLabel* counts_;
    QStackedWidget* faces_;
    QWidget* face_row_;
    QVBoxLayout* ladder_side_ = nullptr;
    QVBoxLayout* build_side_ = nullptr;
    QButtonGroup* face_buttons_;
    BuildPanel* build_;
    QWidget* build_place_;
    QWidget* place_;
    QWidget* empty_;
    int64_t attaching_ = 0; ///< the joint that an attachment point is being placed on
    std::shared_ptr<const Scene> shown_received_;
    std::shared_ptr<const Scene> shown_prepared_;
    std::optional<Contract> contract_;
    TwinView* twin_ = nullptr; ///< once the page was shown
};

} // namespace wembrix::app
