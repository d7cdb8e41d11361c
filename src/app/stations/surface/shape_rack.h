// The shapes of all surfaces, one row each: a picture of what it does, a slider, and where it is keyed.
#pragma once

#include "core/measure/surface/surface_facts.h"
#include "core/steps/step.h"

#include <QFrame>
#include <QThreadPool>
#include <atomic>
#include <memory>
#include <vector>

class QLabel;
class QScrollArea;
class QSlider;
class QVBoxLayout;

namespace wembrix::app {

class ShapeRack : public QFrame {
    Q_OBJECT
  public:
    explicit ShapeRack(QWidget* parent = nullptr);
    ~ShapeRack() override;

    /// The same shapes in another state of the job keep their sliders.
    void show_scene(std::shared_ptr<const Scene> scene);
    [[nodiscard]] size_t count() const { return rows_.size(); }
    /// What is held by hand: of each surface (identity) one weight a shape, below -1e9 where the clip has its say.
    struct Held {
        int64_t surface = 0;
        std::vector<float> weights;
    };
    [[nodiscard]] std::vector<Held> held() const;
    void release_all();
    /// What the shapes weigh now, of all surfaces one after another (Pose::shape_weights): shown where nothing is held.
    void show_weights(const std::vector<float>& weights);

  Q_SIGNALS:
    void heldChanged();
    void stepAsked(const wembrix::Step& step);
    void sculptFileAsked(); ///< the surface in its pose, as a file for a sculptor

  private:
    struct Row {
        ShapeFacts facts;
        QLabel* picture = nullptr;
        QSlider* slider = nullptr;
        QLabel* says = nullptr;
        bool is_held = false;
        size_t place = 0;  ///< among the shape weights of a pose
        double weighs = 0; ///< now
    };
    void build();
    QWidget* make_row(size_t row);
    void say(size_t row);
    void draw_pictures();
    void show_menu(size_t row, QWidget* at);

    std::shared_ptr<const Scene> scene_;
    std::vector<Row> rows_;
    QLabel* title_;
    QLabel* empty_;
    QScrollArea* area_;
    QWidget* list_ = nullptr;
    QThreadPool worker_;
    std::atomic<uint64_t> run_ = 0;
};

} // namespace wembrix::app
