// A small picture of what a finding is about, and of the same when it is mended: a sketch of the kind of trouble, not
// of the scene.
#pragma once

#include "core/findings/finding.h"

#include <QWidget>
#include <string_view>

class QPainter;

namespace wembrix::app {

/// Whether that kind of finding has a picture.
bool has_finding_picture(std::string_view id);
/// One of the two, into a box of `finding_picture_size`.
void draw_finding(QPainter& painter, std::string_view id, bool mended, const QColor& trouble);

constexpr int finding_picture_width = 46;
constexpr int finding_picture_height = 30;

class FindingPicture : public QWidget {
    Q_OBJECT
  public:
    explicit FindingPicture(const Finding& finding, QWidget* parent = nullptr);

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    std::string id_;
    Grade grade_;
    bool has_step_; ///< then it is shown mended, too
};

} // namespace wembrix::app
