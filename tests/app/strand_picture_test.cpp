// Strands as they are drawn without a graphics processor, against what a pixel must show.
#include "view/layers/strand_picture.h"

#include <cmath>
#include <gtest/gtest.h>
#include <limits>
#include <random>
#include <tbb/global_control.h>

namespace wembrix::app {
namespace {

constexpr QSize pane(64, 48);

/// So that a place's x and y are pixels of the pane and z its depth, seen along z without perspective.
QMatrix4x4 pixels_are_places() {
    QMatrix4x4 matrix;
    matrix(0, 0) = 2.0F / static_cast<float>(pane.width());
    matrix(0, 3) = -1;
    matrix(1, 1) = 2.0F / static_cast<float>(pane.height());
    matrix(1, 3) = -1;
    matrix(2, 2) = 2;
    matrix(2, 3) = -1;
    return matrix;
}

StrandColours red_to_green() {
    StrandColours colours;
    colours.root = {1, 0, 0};
    colours.tip = {0, 1, 0};
    colours.near_at = 1e6F; // nothing is far
    return colours;
}

/// The pixel at a place of the pane, or nothing where the picture does not reach.
uint32_t pixel(const StrandPicture& picture, int x, int y) {
    const QRect& box = picture.box();
    return box.contains(x, y) ? picture.pixels()[static_cast<size_t>(y - box.top()) * static_cast<size_t>(box.width()) +
                                                 static_cast<size_t>(x - box.left())]
                              : 0;
}

float depth(const StrandPicture& picture, int x, int y) {
    const QRect& box = picture.box();
    return box.contains(x, y) ? picture.depths()[static_cast<size_t>(y - box.top()) * static_cast<size_t>(box.width()) +
                                                 static_cast<size_t>(x - box.left())]
                              : 1;
}

TEST(StrandPicture, ALineCoversItsPixelsAndNoOthers) {
    const std::vector<Vec3f> points = {{10.5F, 20.5F, 0.25F}, {30.5F, 20.5F, 0.75F}};
    const std::vector<StrandPicture::Line> lines = {{0, 2}};
    StrandPicture picture;
    picture.draw(points, lines, 1, pixels_are_places(), pane, false, red_to_green());
    for (int y = 0; y < pane.height(); ++y) {
        for (int x = 0; x < pane.width(); ++x) {
            const bool covered = y == 20 && x >= 10 && x < 30;
            EXPECT_EQ(pixel(picture, x, y) != 0, covered) << x << ", " << y;
            EXPECT_NEAR(depth(picture, x, y), covered ? 0.25 + 0.5 * (x - 10) / 20 : 1, 0.03) << x << ", " << y;
        }
    }
    EXPECT_EQ(pixel(picture, 12, 20), 0xFF0000FFU) << "the root's colour, in red, green, blue and what is covered";
    // With smooth edges it is as wide, over two rows or one.
    picture.draw(points, lines, 1, pixels_are_places(), pane, true, red_to_green());
    double covered = 0;
    for (const uint32_t one : picture.pixels()) {
        covered += (one >> 24) / 255.0;
    }
    EXPECT_NEAR(covered, 20, 1.5);
    EXPECT_NE(pixel(picture, 20, 20), 0U);
    EXPECT_EQ(pixel(picture, 20, 22), 0U);
    EXPECT_EQ(pixel(picture, 20, 18), 0U);
}

TEST(StrandPicture, WhatIsNearerHidesWhatIsFarther) {
    // Across each other, the nearer one given last and first.
    for (const bool near_first : {false, true}) {
        std::vector<Vec3f> points = {
            {10.5F, 10.5F, 0.6F}, {20.5F, 10.5F, 0.6F}, {15.5F, 5.5F, 0.2F}, {15.5F, 15.5F, 0.2F}};
        std::vector<StrandPicture::Line> lines = {{0, 2}, {2, 2}};
        if (near_first) {
            std::swap(lines[0], lines[1]);
        }
        StrandPicture picture;
        picture.draw(points, lines, 1, pixels_are_places(), pane, false, red_to_green());
        EXPECT_NEAR(depth(picture, 15, 10), 0.2, 1e-6);
        EXPECT_NEAR(depth(picture, 12, 10), 0.6, 1e-6);
    }
}

TEST(StrandPicture, EveryPixelHasTheNearestOfAllThatCrossIt) {
    // Through every third point, a depth each: a strand alone tells what a pixel of the whole must hold at least.
    std::mt19937 random(3);
    std::uniform_real_distribution<float> at(-20, 80);
    std::uniform_real_distribution<float> deep(0.01F, 0.99F);
    std::vector<Vec3f> points;
    std::vector<StrandPicture::Line> lines;
    for (uint32_t l = 0; l < 40; ++l) {
        const float z = deep(random);
        lines.push_back({static_cast<uint32_t>(points.size()), 8});
        for (int p = 0; p < 8; ++p) {
            points.push_back({at(random), at(random), z});
        }
    }
    StrandPicture all;
    all.draw(points, lines, 3, pixels_are_places(), pane, false, red_to_green());
    std::vector<float> wanted(static_cast<size_t>(pane.width()) * static_cast<size_t>(pane.height()), 1.F);
    for (const StrandPicture::Line& line : lines) {
        StrandPicture one;
        one.draw(points, std::span(&line, 1), 3, pixels_are_places(), pane, false, red_to_green());
        for (int y = 0; y < pane.height(); ++y) {
            for (int x = 0; x < pane.width(); ++x) {
                float& here =
                    wanted[static_cast<size_t>(y) * static_cast<size_t>(pane.width()) + static_cast<size_t>(x)];
                here = std::min(here, depth(one, x, y));
            }
        }
    }
    size_t covered = 0;
    for (int y = 0; y < pane.height(); ++y) {
        for (int x = 0; x < pane.width(); ++x) {
            const float here =
                wanted[static_cast<size_t>(y) * static_cast<size_t>(pane.width()) + static_cast<size_t>(x)];
            ASSERT_EQ(depth(all, x, y), here) << x << ", " << y;
            ASSERT_EQ(pixel(all, x, y) != 0, here < 1) << x << ", " << y;
            covered += here < 1 ? 1 : 0;
        }
    }
    EXPECT_GT(covered, 500U);
}

TEST(StrandPicture, TheSameWithAnyNumberOfThreads) {
    std::mt19937 random(5);
    std::uniform_real_distribution<float> at(0, 64);
    std::vector<Vec3f> points;
    std::vector<StrandPicture::Line> lines;
    for (uint32_t l = 0; l < 2000; ++l) {
        lines.push_back({4 * l, 4});
        for (int p = 0; p < 4; ++p) {
            points.push_back({at(random), at(random), 0.5F}); // all at one depth: the first one stays
        }
    }
    std::vector<std::vector<uint32_t>> pictures;
    for (const size_t threads : {1, 2, 8}) {
        const tbb::global_control limit(tbb::global_control::max_allowed_parallelism, threads);
        StrandPicture picture;
        picture.draw(points, lines, 1, pixels_are_places(), pane, true, red_to_green());
        pictures.emplace_back(picture.pixels().begin(), picture.pixels().end());
    }
    EXPECT_EQ(pictures[0], pictures[1]);
    EXPECT_EQ(pictures[0], pictures[2]);
}

TEST(StrandPicture, WhatCannotBeDrawnIsLeftOut) {
    constexpr float none = std::numeric_limits<float>::quiet_NaN();
    constexpr float endless = std::numeric_limits<float>::infinity();
    const std::vector<Vec3f> points = {{none, 1, 0.5F}, {5, 5, 0.5F},     {endless, 1, 0.5F}, {5, -endless, 0.5F},
                                       {5, 5, -3},      {6, 6, 7},        {1e30F, 3, 0.5F},   {-1e30F, 4, 0.5F},
                                       {9e6F, 7, 0.5F}, {-9e6F, 7, 0.5F}, {7.5F, 7.5F, 0.5F}};
    std::vector<StrandPicture::Line> lines;
    for (uint32_t p = 0; p + 1 < points.size(); ++p) {
        lines.push_back({p, 2});
    }
    lines.push_back({10, 1}); // of one point: no piece
    StrandPicture picture;
    for (const bool smooth : {false, true}) {
        picture.draw(points, lines, 1, pixels_are_places(), pane, smooth, red_to_green());
        for (const uint32_t one : picture.pixels()) {
            EXPECT_EQ(one, 0U);
        }
    }
    picture.draw({}, {}, 1, pixels_are_places(), pane, true, red_to_green());
    EXPECT_TRUE(picture.box().isEmpty());
    picture.draw(points, lines, 1, QMatrix4x4(), QSize(0, 0), true, red_to_green());
    EXPECT_TRUE(picture.pixels().empty());
}

} // namespace
} // namespace wembrix::app
