// The curves of a layer of keys over the frames of its clip: keys and their tangents are dragged here.
#pragma once

#include "core/keys/key_layer.h"

#include <QWidget>
#include <array>
#include <string>
#include <vector>

namespace wembrix::app {

class KeyStrip : public QWidget {
    Q_OBJECT
  public:
    /// A key of one of the layer's curves.
    struct KeyAt {
        size_t curve = 0;
        size_t key = 0;
        bool operator==(const KeyAt& other) const = default;
    };
    explicit KeyStrip(QWidget* parent = nullptr);

    /// `of`: joints or shapes whose curves of the path are shown. Keys stay chosen as long as they are there.
    void show_layer(KeyLayer layer, int frames, double rate);
    void show_of(std::vector<std::string> of, Path path, std::array<bool, 3> axes);
    void say_where_empty(const QString& why);
    void set_playhead(double frame);
    [[nodiscard]] const KeyLayer& layer() const { return layer_; }
    [[nodiscard]] const std::vector<KeyAt>& chosen() const { return chosen_; }
    [[nodiscard]] const CurveKey& key(const KeyAt& at) const { return layer_[at.curve].curve.keys[at.key]; }
    [[nodiscard]] std::vector<size_t> shown() const; ///< curves of the layer
    [[nodiscard]] Path path() const { return path_; }
    void choose(std::vector<KeyAt> keys);

    /// What the tools do to the chosen keys, one edit each.
    void set_tangents(Tangent tangent);
    void join_tangents(); ///< both sides of each get one slope
    void even_tangents(); ///< both sides of each reach a third of the way, as files can hold them
    void remove_chosen();
    void set_frame(double frame); ///< of the first; the others move along
    void set_value(double value);
    void set_beyond(bool after, Beyond beyond); ///< of the curves shown
    /// A dragged tangent takes its other side along, unless it is broken; it keeps its reach, unless it is weighted.
    void set_broken(bool broken) { broken_ = broken; }
    void set_weighted(bool weighted) { weighted_ = weighted; }

    void see_all();
    void zoom(double factor, double about_x);
    [[nodiscard]] double x_of(double frame) const;
    [[nodiscard]] double frame_at(double x) const;
    [[nodiscard]] double y_of(double value) const;
    [[nodiscard]] double value_at_y(double y) const;
    [[nodiscard]] QPointF place_of(const KeyAt& at) const;
    /// The end of a tangent of a chosen key; the key itself where it has none on that side.
    [[nodiscard]] QPointF knob_of(const KeyAt& at, bool out) const;
    /// About the chosen keys, if they are several: its sides are dragged to scale them.
    [[nodiscard]] QRectF frame_of_chosen() const;
    [[nodiscard]] QString unit() const;
    [[nodiscard]] QSize minimumSizeHint() const override { return {300, 170}; }

  Q_SIGNALS:
    void edited(const QString& what, const wembrix::KeyLayer& layer);
    void scrubbed(int frame);
    void chosenChanged();

  protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

  private:
    enum class Held : uint8_t { nothing, playhead, keys, in_knob, out_knob, left, right, top, bottom, box, sheet };
    [[nodiscard]] Held held_at(const QPointF& place, KeyAt& at) const;
    [[nodiscard]] bool has_knob(const KeyAt& at, bool out) const;
    [[nodiscard]] std::vector<size_t> keys_of(size_t curve) const; ///< that are chosen
    [[nodiscard]] double clamped(double frame) const;              ///< into the clip
    void fit_values();
    void tell_keys(); ///< to a screen reader
    void drag_keys(const QPointF& to, Qt::KeyboardModifiers modifiers);
    void drag_knob(const QPointF& to);
    void scale_chosen(const QPointF& to, Qt::KeyboardModifiers modifiers);
    void scaled_about(double about_frame, double frames_factor, double about_value, double value_factor);
    void move_chosen(double by_frames, double by_value);
    /// Chooses again what lies at these frames of each curve.
    void choose_at(const std::vector<std::pair<size_t, double>>& places);
    void done(const QString& what);
    void draw_sheet(QPainter& painter) const;
    void draw_curve(QPainter& painter, size_t curve, const QColor& colour) const;
    void draw_keys(QPainter& painter, size_t curve, const QColor& colour) const;
    void draw_ends(QPainter& painter) const; ///< which curve is which
    [[nodiscard]] QColor colour_of(size_t curve) const;

    KeyLayer layer_;
    KeyLayer before_drag_;
    std::vector<KeyAt> chosen_before_;
    int frames_ = 0;
    double rate_ = 30;
    std::vector<std::string> of_;
    Path path_ = Path::rotation;
    std::array<bool, 3> axes_ = {true, true, true};
    QString empty_;
    std::vector<KeyAt> chosen_;
    double playhead_ = 0;
    double first_ = 0; ///< the frame at the left edge
    double scale_ = 1; ///< pixels a frame
    double least_ = -1;
    double most_ = 1;
    bool broken_ = false;
    bool weighted_ = false;
    Held held_ = Held::nothing;
    KeyAt held_key_;
    QRectF held_frame_; ///< about the chosen keys when the drag began
    QPointF pressed_;
    QPointF now_;
    bool moved_ = false;
};

} // namespace wembrix::app
