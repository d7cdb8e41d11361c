// How many vertices have how many influences, against what each destination takes.
#pragma once

#include <QString>
#include <QWidget>
#include <vector>

namespace wembrix::app {

struct InfluenceLimit {
    QString destination;
    int most = 4;
};

class InfluenceChart : public QWidget {
    Q_OBJECT
  public:
    explicit InfluenceChart(QWidget* parent = nullptr);
    /// `vertices[k]`: how many have k influences.
    void show_counts(std::vector<size_t> vertices, std::vector<InfluenceLimit> limits);
    void choose(size_t influences); ///< the bar that is marked; 0: none
    [[nodiscard]] size_t chosen() const { return chosen_; }
    [[nodiscard]] QRectF bar(size_t influences) const; ///< its column, from top to bottom
    [[nodiscard]] QSize sizeHint() const override { return {360, 170}; }
    [[nodiscard]] QSize minimumSizeHint() const override { return {220, 120}; }

  Q_SIGNALS:
    void barClicked(size_t influences); ///< 0: the chosen one once more

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    bool event(QEvent* event) override;

  private:
    [[nodiscard]] bool is_over(size_t influences) const;
    std::vector<size_t> vertices_;
    std::vector<InfluenceLimit> limits_;
    size_t chosen_ = 0;
};

} // namespace wembrix::app
