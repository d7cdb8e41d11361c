// Each kind of finding has a sketch of itself, and one of itself mended.
#include "stations/intake/finding_picture.h"
#include "window_fixture.h"

#include <QPainter>

namespace wembrix::app {
namespace {

QImage drawn(std::string_view id, bool mended) {
    // With room about it: what is drawn beyond the box is seen there.
    QImage image(finding_picture_width + 20, finding_picture_height + 20, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::transparent);
    QPainter painter(&image);
    painter.translate(10, 10);
    draw_finding(painter, id, mended, Qt::red);
    return image;
}

QRect covered(const QImage& image) {
    QRect box;
    for (int y = 0; y < image.height(); ++y) {
        for (int x = 0; x < image.width(); ++x) {
            box = qAlpha(image.pixel(x, y)) > 12 ? box.united(QRect(x, y, 1, 1)) : box;
        }
    }
    return box;
}

TEST(FindingPicture, EveryKindHasOneThatStaysInItsBox) {
    for (const FindingKind& kind : finding_kinds()) {
        EXPECT_TRUE(has_finding_picture(kind.id)) << std::string(kind.id) << " has no picture";
        const QImage now = drawn(kind.id, false);
        const QImage mended = drawn(kind.id, true);
        EXPECT_NE(now, mended) << std::string(kind.id) << " looks the same when it is mended";
        for (const QImage& image : {now, mended}) {
            const QRect box = covered(image);
            EXPECT_FALSE(box.isEmpty()) << std::string(kind.id);
            EXPECT_TRUE(QRect(9, 9, finding_picture_width + 2, finding_picture_height + 2).contains(box))
                << std::string(kind.id) << " leaves its box";
        }
    }
    EXPECT_FALSE(has_finding_picture("none_such"));
    EXPECT_TRUE(covered(drawn("none_such", false)).isEmpty());
}

TEST_F(Window, FindingsShowTheirPicturesMendedWhereThereIsAStep) {
    open();
    size_t both = 0;
    size_t one = 0;
    for (FindingPicture* picture : window->findChildren<FindingPicture*>()) {
        (picture->height() > 2 * finding_picture_height ? both : one) += 1;
    }
    size_t with_step = 0;
    for (const Finding& finding : state().findings) {
        with_step += finding.step ? 1 : 0;
    }
    EXPECT_EQ(both, with_step);
    EXPECT_EQ(both + one, state().findings.size());
    EXPECT_GT(both, 3U);
}

} // namespace
} // namespace wembrix::app
