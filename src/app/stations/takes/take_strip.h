// The take strip: a whole take as its motion energy, with a ruler, still places offered as cuts, and clips as spans.
#pragma once

#include "core/job/cuts.h"
#include "stations/takes/takes_model.h"
#include "style/theme.h"

#include <QWidget>
#include <optional>
#include <utility>
#include <vector>

class QScrollBar;

namespace wembrix::app {

class NameBox;

/// One joint's motion over the take: as it was received, and as the clips of Prepared have it.
struct StripCurves {
    std::shared_ptr<const Scene> received;
    std::shared_ptr<const Scene> prepared;
    int64_t joint = 0; ///< its identity; 0: none is chosen
    Path path = Path::rotation;
};

class TakeStrip : public QWidget {
    Q_OBJECT
  public:
    explicit TakeStrip(QWidget* parent = nullptr);

    /// `take` may be null. `clips` tells the seams; it must outlive what is shown.
    void show_take(const TakeFacts* take, std::vector<Cut> cuts, const TakesModel& clips);
    void set_offers(std::vector<int> places);
    /// Curves instead of the energy; nothing: the energy.
    void show_curves(std::optional<StripCurves> curves);
    /// What the curves say at the playhead, X Y Z: metres, degrees or factors. Empty where there is none.
    [[nodiscard]] std::vector<float> curve_here(State state) const;
    void set_playhead(int frame);
    void choose(int clip);
    [[nodiscard]] int chosen() const { return chosen_; }
    [[nodiscard]] int playhead() const { return playhead_; }
    [[nodiscard]] const std::vector<Cut>& cuts() const { return cuts_; }
    void zoom(double factor, double about_x);
    void see_all();
    void edit_name(int clip);

    [[nodiscard]] double x_of(double frame) const;
    [[nodiscard]] double frame_at(double x) const;
    [[nodiscard]] QRect span_rect(int clip) const;
    [[nodiscard]] QRect contact_rect(const Contact& contact) const;
    [[nodiscard]] double pixels_per_frame() const { return scale_; }
    [[nodiscard]] QSize minimumSizeHint() const override { return {300, 210}; }

    /// The frame under the pointer and how far every other pose is from its own, in mm; -1 and nothing elsewhere.
    [[nodiscard]] int pointed() const { return pointed_; }
    [[nodiscard]] const std::vector<float>& alike() const { return alike_; }

  Q_SIGNALS:
    void scrubbed(int frame);
    void clipChosen(int clip);
    void edited(const QString& what, const std::vector<wembrix::Cut>& cuts);
    void cutAsked();

  protected:
    void leaveEvent(QEvent* event) override;
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

  private:
    struct Grip {
        int clip = -1;
        bool last = false;
    };
    [[nodiscard]] Grip grip_at(const QPoint& place) const;
    [[nodiscard]] int clip_at(const QPoint& place) const;
    [[nodiscard]] std::vector<int> snap_targets(int without) const;
    [[nodiscard]] std::vector<int> playhead_targets() const;
    void scrub_to(const QPoint& place, Qt::KeyboardModifiers modifiers);
    void keep_in_range();
    void tell_clips(); ///< and still places, to a screen reader
    void choose_next(int by);
    void point_at(const QPoint& place);
    void lay_spans();
    void draw_ruler(QPainter& painter) const;
    void draw_energy(QPainter& painter) const;
    void draw_curves(QPainter& painter) const;
    struct Piece {
        const Scene* scene = nullptr;
        const Clip* clip = nullptr;
        int node = -1;
        double first = 0; ///< frames of the take
        double last = 0;
        State state = State::received;
    };
    [[nodiscard]] std::vector<Piece> curve_pieces() const;
    void draw_offers(QPainter& painter, double top) const;
    void draw_likeness(QPainter& painter) const;
    void draw_contacts(QPainter& painter) const;
    [[nodiscard]] double contacts_top() const;
    [[nodiscard]] int
    spans_tall() const; ///< what all rows of clips take: more for more rows, up to a third of the strip
    [[nodiscard]] double energy_bottom() const;
    [[nodiscard]] QString contact_text(const Contact& contact) const;
    void draw_spans(QPainter& painter) const;
    void draw_playhead(QPainter& painter) const;

    TakeFacts take_;
    bool any_ = false;
    const TakesModel* clips_ = nullptr;
    std::vector<Cut> cuts_;
    std::vector<int> span_rows_; ///< of each cut: those that overlap stand one below the other
    int row_count_ = 1;
    std::vector<Cut> before_drag_;
    std::vector<int> offers_;
    std::optional<StripCurves> curves_;
    std::pair<float, float> curve_reach_[3]; ///< least and most of X, Y and Z over the whole take
    int playhead_ = 0;
    int chosen_ = -1;
    double scale_ = 1; ///< pixels a frame
    double first_ = 0; ///< the frame at the left edge
    Grip grip_;
    bool scrubbing_ = false;
    int snapped_to_ = -1;
    int pointed_ = -1;         ///< the frame under the pointer, when it is over the energy
    std::vector<float> alike_; ///< mm from its pose to that of every frame
    QScrollBar* bar_;
    NameBox* name_;
    int named_ = -1;
};

} // namespace wembrix::app
