// What a skeleton is built of: the plan's chains, how joints are called and turned, the chosen guide in numbers, and
// the first weights.
#pragma once

#include "stations/joints/guide_board.h"
#include "stations/joints/plan_model.h"
#include "view/view_tool.h"

#include <QWidget>
#include <array>
#include <memory>

class QCheckBox;
class QComboBox;
class QDoubleSpinBox;
class QLabel;
class QLineEdit;
class QPushButton;
class QSpinBox;
class QTableView;

namespace wembrix::app {

class BuildPanel : public QWidget {
    Q_OBJECT
  public:
    BuildPanel(Document& document, Session& session, QWidget* parent = nullptr);
    [[nodiscard]] GuideBoard& board() { return *board_; }
    [[nodiscard]] PlanModel& model() { return *model_; }
    /// Moves guides in a view that outlives the tool.
    [[nodiscard]] std::unique_ptr<ViewTool> tool();

  Q_SIGNALS:
    void guidesMoved(); ///< the view has something else to show

  private:
    QWidget* make_plan_row();
    QWidget* make_settings();
    QWidget* make_guide();
    QWidget* make_binding();
    void refresh();
    void refresh_guide();
    void say();
    void ask_for_plan(int index);
    void change(const QString& what, const std::function<void(Plan&)>& change);
    void place_typed();
    void bind();

    Document& document_;
    Session& session_;
    GuideBoard* board_;
    PlanModel* model_;
    QComboBox* plan_;
    QPushButton* suggest_;
    QTableView* table_;
    QComboBox* root_;
    QComboBox* rest_;
    QComboBox* bone_;
    QComboBox* up_;
    QLineEdit* left_;
    QLineEdit* right_;
    QComboBox* guide_;
    std::array<QDoubleSpinBox*, 3> at_{};
    QPushButton* middle_;
    QCheckBox* mirrored_;
    QCheckBox* snaps_;
    QLabel* said_;
    QPushButton* build_;
    QPushButton* bind_;
    QComboBox* method_;
    QSpinBox* influences_;
};

} // namespace wembrix::app
