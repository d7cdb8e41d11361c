// Axes and transforms: each formula held against another way to the same answer.
#include "core/math/axes.h"
#include "core/math/transform.h"

#include <Eigen/LU>
#include <array>
#include <gtest/gtest.h>
#include <random>

namespace wembrix::testing {
namespace {

constexpr std::array all_axes = {Axis::pos_x, Axis::neg_x, Axis::pos_y, Axis::neg_y, Axis::pos_z, Axis::neg_z};

class Dice {
  public:
    explicit Dice(uint32_t seed) : random_(seed) {}
    double real(double low, double high) {
        return low + (high - low) * static_cast<double>(random_() >> 8U) / 16777216.0;
    }
    Vec3 vector(double size) { return {real(-size, size), real(-size, size), real(-size, size)}; }
    Quat rotation() { return Quat(real(-1, 1), real(-1, 1), real(-1, 1), real(0.01, 1)).normalized(); }

  private:
    std::mt19937 random_;
};

TEST(Axes, EverySystemTurnsUpAndForwardIntoItsOwn) {
    int valid = 0;
    for (const Axis up : all_axes) {
        for (const Axis forward : all_axes) {
            for (const Handedness hand : {Handedness::right, Handedness::left}) {
                AxisSystem system{up, forward, 0.01, hand};
                const bool on_one_line = std::abs(direction(up).dot(direction(forward))) > 0.5;
                ASSERT_EQ(system.valid(), !on_one_line) << axis_name(up) << " " << axis_name(forward);
                if (on_one_line) {
                    continue;
                }
                ++valid;
                const Mat4 there = system.from_core();
                EXPECT_TRUE(is_similarity(linear_of(there)));
                EXPECT_LT((point_of(there, Vec3(0, 1, 0)) - direction(up) * 100).norm(), 1e-9);
                EXPECT_LT((point_of(there, Vec3(0, 0, 1)) - direction(forward) * 100).norm(), 1e-9);
                EXPECT_EQ(linear_of(there).determinant() > 0, hand == Handedness::right);
                // A length is a hundred of its units, wherever it points.
                EXPECT_NEAR(point_of(there, Vec3(3, -4, 12)).norm(), 1300, 1e-6);
                EXPECT_EQ(system.is_core(), false) << "its unit is another";
            }
        }
    }
    EXPECT_EQ(valid, 48) << "24 ways to lie, each of two hands";
    EXPECT_TRUE(AxisSystem().is_core());
    EXPECT_LT((AxisSystem().from_core() - Mat4::Identity()).norm(), 1e-12);
    AxisSystem broken;
    for (const double unit :
         {0.0, -1.0, std::numeric_limits<double>::infinity(), std::numeric_limits<double>::quiet_NaN()}) {
        broken.unit_m = unit;
        EXPECT_FALSE(broken.valid()) << unit;
    }
}

TEST(Axes, NamesComeBackAndOthersDoNot) {
    for (const Axis axis : all_axes) {
        EXPECT_EQ(axis_from(axis_name(axis)), axis);
        EXPECT_EQ(axis_name(axis).size(), 2U);
        EXPECT_EQ(direction(axis).norm(), 1);
        EXPECT_EQ(nearest_axis(direction(axis)), axis);
        EXPECT_EQ(nearest_axis(direction(axis) * 5 + Vec3(0.3, -0.2, 0.4)), axis);
    }
    for (const char* name : {"", "X", "+W", "x+", "+X ", "++X"}) {
        EXPECT_FALSE(axis_from(name)) << name;
    }
}

TEST(Transforms, ComeApartAndTogetherAgain) {
    Dice dice(11);
    for (int i = 0; i < 500; ++i) {
        Transform made;
        made.translation = dice.vector(10);
        made.rotation = dice.rotation();
        for (int k = 0; k < 3; ++k) {
            made.scale[k] = dice.real(0.05, 3) * (dice.real(0, 1) < 0.3 ? -1 : 1);
        }
        const Mat4 matrix = made.matrix();
        const Decomposed apart = decompose(matrix);
        EXPECT_LT((apart.transform.matrix() - matrix).norm(), 1e-9) << "scale " << made.scale.transpose();
        EXPECT_LT(apart.shear, 1e-9);
        EXPECT_NEAR(apart.transform.rotation.norm(), 1, 1e-12);
        EXPECT_GE(apart.transform.scale.y(), 0) << "a mirror goes into x";
        EXPECT_GE(apart.transform.scale.z(), 0);
        EXPECT_EQ(apart.transform.scale.x() < 0, made.scale.prod() < 0);
    }
}

TEST(Transforms, WhatTheyCannotHoldIsMeasured) {
    Dice dice(12);
    for (int i = 0; i < 200; ++i) {
        const double shear = dice.real(0.01, 0.4);
        Mat4 sheared = Mat4::Identity();
        sheared(0, 1) = shear;
        Mat4 turned = Mat4::Identity();
        turned.topLeftCorner<3, 3>() = dice.rotation().toRotationMatrix();
        const Decomposed apart = decompose(turned * sheared);
        EXPECT_GT(apart.shear, shear * 0.3) << shear;
        EXPECT_LT(apart.shear, shear * 1.5) << shear;
    }
}

TEST(Transforms, TheNearestRotationIsNoFartherThanAnyOther) {
    Dice dice(13);
    for (int i = 0; i < 100; ++i) {
        Mat3 linear = dice.rotation().toRotationMatrix();
        linear += 0.3 * (Mat3() << dice.vector(1), dice.vector(1), dice.vector(1)).finished();
        if (linear.determinant() <= 0.05) {
            continue;
        }
        const Mat3 nearest = nearest_rotation(linear);
        EXPECT_LT((nearest * nearest.transpose() - Mat3::Identity()).norm(), 1e-9);
        EXPECT_NEAR(nearest.determinant(), 1, 1e-9);
        const double apart = (nearest - linear).norm();
        for (int k = 0; k < 40; ++k) {
            const Quat near(Eigen::AngleAxisd(dice.real(-0.3, 0.3), dice.vector(1).normalized()));
            EXPECT_GE((nearest * near.toRotationMatrix() - linear).norm(), apart - 1e-9);
        }
        EXPECT_LT((nearest_rotation(nearest) - nearest).norm(), 1e-9);
    }
}

TEST(Transforms, TheShortestTurnLaysOneAlongTheOther) {
    Dice dice(14);
    for (int i = 0; i < 300; ++i) {
        const Vec3 from = dice.vector(3);
        const Vec3 to = i % 10 == 0 ? Vec3(from * -2) : i % 10 == 1 ? Vec3(from * 0.5) : dice.vector(0.01);
        const Quat turn = shortest_turn(from, to);
        EXPECT_LT((turn * from.normalized() - to.normalized()).norm(), 1e-6);
        const double angle = std::acos(std::clamp(from.normalized().dot(to.normalized()), -1.0, 1.0));
        EXPECT_NEAR(turn.angularDistance(Quat::Identity()), angle, 1e-6) << "no longer than it has to be";
    }
}

TEST(Transforms, NormalsStayUprightOnWhatIsStretched) {
    Dice dice(15);
    for (int i = 0; i < 200; ++i) {
        Transform stretch;
        stretch.rotation = dice.rotation();
        stretch.scale = Vec3(dice.real(0.2, 3), dice.real(0.2, 3), dice.real(0.2, 3));
        const Mat4 matrix = stretch.matrix();
        const Vec3 along = dice.vector(1);
        const Vec3 other = dice.vector(1);
        const Vec3 normal = along.cross(other);
        const Vec3 carried = normal_matrix(matrix) * normal;
        EXPECT_LT(std::abs(carried.normalized().dot((linear_of(matrix) * along).normalized())), 1e-9);
        EXPECT_LT(std::abs(carried.normalized().dot((linear_of(matrix) * other).normalized())), 1e-9);
    }
    EXPECT_TRUE(normal_matrix(Mat4::Zero()).allFinite()) << "flat, and no number is lost";
}

TEST(Transforms, OneFactorAndAMirrorAreASimilarityAndMoreIsNot) {
    Dice dice(16);
    for (int i = 0; i < 100; ++i) {
        const Mat3 turn = dice.rotation().toRotationMatrix();
        const double factor = dice.real(0.01, 100);
        EXPECT_TRUE(is_similarity(turn * factor));
        EXPECT_TRUE(is_similarity(turn * Vec3(-factor, factor, factor).asDiagonal()));
        EXPECT_FALSE(is_similarity(turn * Vec3(factor, factor, factor * 1.01).asDiagonal()));
        EXPECT_TRUE(is_similarity(turn * Vec3(factor, factor, factor * 1.01).asDiagonal(), 0.1));
    }
    EXPECT_LT((point_of(translating(Vec3(1, 2, 3)) * scaling(2), Vec3(1, 1, 1)) - Vec3(3, 4, 5)).norm(), 1e-12);
}

} // namespace
} // namespace wembrix::testing
