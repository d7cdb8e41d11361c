// Weights by hand: strokes and typed numbers on the scene that is shown, kept on the route card.
#pragma once

#include "core/steps/surface/weight_brush.h"
#include "session/document.h"
#include "session/session.h"
#include "view/tools/brush_tool.h"
#include "view/tools/lasso_tool.h"
#include "view/twin_view.h"

#include <QObject>
#include <QPointer>
#include <QThreadPool>
#include <atomic>
#include <functional>
#include <memory>
#include <set>

namespace wembrix::app {

class WeightPainter : public QObject {
    Q_OBJECT
  public:
    WeightPainter(Document& document, Session& session, QObject* parent = nullptr);
    ~WeightPainter() override;

    /// What is painted, and with what: asked at each stroke. The joint is an identity; 0: none is chosen.
    std::function<int64_t()> joint;
    std::function<BrushSettings()> settings;
    /// The colours that are shown while the weights of the joint are; null: other colours.
    std::function<std::shared_ptr<VertexColours>()> colours;

    /// In the view that shows Prepared; null: painting ends.
    void set_view(SceneView* view);
    [[nodiscard]] std::unique_ptr<ViewTool> brush_tool();
    [[nodiscard]] std::unique_ptr<ViewTool> lasso_tool();

    void set_locked(int64_t joint, bool locked);
    [[nodiscard]] bool is_locked(int64_t joint) const { return locked_.contains(joint); }

    /// Chosen vertices of one surface.
    struct Choice {
        int64_t surface = 0; ///< identity; 0: nothing is chosen
        std::set<uint32_t> vertices;
    };
    [[nodiscard]] const Choice& choice() const { return choice_; }
    void choose(Choice choice);
    void grow();
    void shrink();
    void loop();
    /// What holds the chosen vertices: joints by identity, each with the mean of its weights; the heaviest first.
    [[nodiscard]] std::vector<std::pair<int64_t, double>> weights_of_choice();
    void type_weight(int64_t joint, double weight);

    /// Gives colours of an older scene what was painted since.
    void overlay(VertexColours& colours);

  Q_SIGNALS:
    void choiceChanged();
    void ended();                    ///< the tool was put away in the view
    void said(const QString& words); ///< why nothing could be painted

  private:
    [[nodiscard]] bool take_brush(int64_t surface);
    void prepare_brush(); ///< away from the interface, for the surface that is likely painted next
    void show_changed(std::span<const uint32_t> vertices);
    void put_colours(VertexColours& colours, std::span<const uint32_t> vertices);
    void keep(const QString& what, const QString& merges_as = {});
    [[nodiscard]] int painted_joint() const;

    Document& document_;
    Session& session_;
    QPointer<SceneView> view_;
    std::unique_ptr<WeightBrush> brush_;
    std::unique_ptr<WeightBrush> ready_; ///< made ahead, of Prepared as it is now
    QThreadPool worker_;
    std::atomic<uint64_t> run_ = 0;
    bool holds_ = false;   ///< the brush shows what the job says, or will once the session is done
    bool keeping_ = false; ///< an edit of our own is under way
    bool painting_ = false;
    std::set<int64_t> locked_;
    Choice choice_;
};

} // namespace wembrix::app
