// The collision hulls of Prepared, and the steps that make them.
#pragma once

#include "core/measure/hulls/hull_facts.h"
#include "core/steps/step.h"
#include "core/steps/surface/hull_adjustment.h"
#include "view/scene_view.h"

#include <QAbstractTableModel>
#include <QThreadPool>
#include <QWidget>
#include <atomic>
#include <memory>

class QLabel;
class QTableView;

namespace wembrix::app {

class HullsModel : public QAbstractTableModel {
    Q_OBJECT
  public:
    using QAbstractTableModel::QAbstractTableModel;
    /// At once what is quick to tell; the rest is unknown until show_facts.
    void show_scene(std::shared_ptr<const Scene> scene);
    void show_facts(std::vector<HullFacts> facts); ///< of the scene that is shown
    [[nodiscard]] const std::vector<HullFacts>& rows() const { return rows_; }
    [[nodiscard]] bool is_measured() const { return measured_; }
    [[nodiscard]] int64_t identity(int row) const; ///< 0 where there is no such row
    [[nodiscard]] std::string name(int row) const;

    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] int columnCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
    [[nodiscard]] QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

  private:
    std::shared_ptr<const Scene> scene_;
    std::vector<HullFacts> rows_;
    bool measured_ = false;
};

class HullPanel : public QWidget {
    Q_OBJECT
  public:
    explicit HullPanel(QWidget* parent = nullptr);
    ~HullPanel() override;
    void show_scene(const std::shared_ptr<const Scene>& scene);
    [[nodiscard]] HullsModel& model() { return *model_; }
    [[nodiscard]] int64_t chosen() const; ///< identity; 0: none
    void choose(int64_t identity);
    /// Changes hulls in the view that shows Prepared, which outlives the tool.
    [[nodiscard]] std::unique_ptr<ViewTool> tool(SceneView& view);

  Q_SIGNALS:
    void chosenChanged();
    void pointedAt(); ///< the chosen one, by a click in the list
    void stepAsked(const wembrix::Step& step);
    void adjusted(const std::string& hull, const wembrix::HullAdjustment& by); ///< by hand, in the view

  protected:
    void showEvent(QShowEvent* event) override;

  private:
    void measure();
    void say();
    std::shared_ptr<const Scene> scene_;
    QThreadPool worker_; ///< measures, away from the interface
    std::atomic<uint64_t> run_ = 0;
    HullsModel* model_;
    QTableView* table_;
    QLabel* said_;
};

} // namespace wembrix::app
