// What working on strands at their station does to the route card, and how guides are shaped by hand.
#include "core/job/strand_edits.h"
#include "core/measure/strands/shape_guides.h"

#include <cmath>
#include <gtest/gtest.h>

namespace wembrix {
namespace {

using nlohmann::json;

std::vector<std::string> ids(const Job& job) {
    std::vector<std::string> all;
    for (const Step& step : job.steps) {
        all.push_back(step.id);
    }
    return all;
}

TEST(StrandEdits, StepsComeInTheOrderInWhichOneBuildsOnTheOther) {
    Job job;
    job.steps = {{"strip_prefix"}};
    set_strand_step(job, "strand_region", "crest", {{"surface", "body"}});
    set_strand_step(job, "bind_strands", "crest", {{"follow", "stiff"}});
    set_strand_step(job, "grow_strands", "crest", {{"count", 100}});
    set_strand_step(job, "strand_guides", "crest", {{"spread", 12}});
    EXPECT_EQ(ids(job), (std::vector<std::string>{"strip_prefix", "strand_region", "strand_guides", "grow_strands",
                                                  "bind_strands"}));
    // Others come behind all of it, and each edit finds its own.
    set_strand_step(job, "strand_region", "fringe", {{"surface", "bag"}});
    set_strand_step(job, "grow_strands", "fringe", {{"count", 7}});
    EXPECT_EQ(set_strand_step(job, "grow_strands", "crest", {{"count", 200}, {"clumps", 5}}), 3U);
    EXPECT_EQ(job.steps[3].parameters, json({{"strands", "crest"}, {"count", 200}, {"clumps", 5}}));
    EXPECT_EQ(job.steps[6].parameters["count"], 7);
    set_strand_step(job, "grow_strands", "crest", {{"clumps", nullptr}});
    EXPECT_FALSE(job.steps[3].parameters.contains("clumps"));
    EXPECT_EQ(strands_made_by(job), (std::vector<std::string>{"crest", "fringe"}));
    remove_strands(job, "crest");
    EXPECT_EQ(ids(job), (std::vector<std::string>{"strip_prefix", "strand_region", "grow_strands"}));
}

TEST(StrandEdits, AStepThatNamesNoneIsAboutTheOnlyOnes) {
    Job job;
    job.steps = {{"strand_region", {{"name", "fur"}}}, {"strand_guides", {{"spread", 5}}}};
    EXPECT_EQ(strand_step_place(job, "strand_guides", "fur"), 1U);
    EXPECT_FALSE(strand_step_place(job, "strand_guides", "other"));
    EXPECT_FALSE(strand_step_place(job, "grow_strands", "fur"));
    job.steps.push_back({"strand_region", {{"name", "other"}}});
    EXPECT_FALSE(strand_step_place(job, "strand_guides", "fur")) << "of two it could be either";
}

TEST(ShapeGuides, KeepTheirRootAndWhatTheyAreToKeep) {
    const GuideLine line = straight({1, 2, 3}, Vec3::UnitY(), 0.4, 5);
    EXPECT_NEAR(guide_length(line), 0.4, 1e-12);
    const Vec3 by(0.1, 0, 0.05);
    const GuideLine stretched = pulled(line, 4, by, false);
    EXPECT_LT((stretched[4] - line[4] - by).norm(), 1e-12) << "the tip goes where it is pulled";
    EXPECT_GT(guide_length(stretched), 0.4);
    const GuideLine bent = pulled(line, 4, by, true);
    EXPECT_NEAR(guide_length(bent), 0.4, 1e-9);
    for (size_t p = 1; p < 5; ++p) {
        EXPECT_NEAR((bent[p] - bent[p - 1]).norm(), 0.1, 1e-9) << "each piece as long as it was";
    }
    EXPECT_GT(bent[4].x() - line[4].x(), 0.05);
    // Pulled in the middle, what is above goes along.
    const GuideLine middle = pulled(line, 2, by, false);
    EXPECT_LT((middle[4] - line[4] - by).norm(), 1e-12);
    EXPECT_LT((middle[1] - line[1]).norm(), by.norm() / 3);
    const GuideLine other = turned(line, Vec3::UnitX(), M_PI / 2);
    EXPECT_LT((other[4] - Vec3(1, 2, 3.4)).norm(), 1e-12);
    EXPECT_NEAR(guide_length(lengthened(line, 2.5)), 1, 1e-12);
    const GuideLine over = mirrored(line, 0.25);
    EXPECT_LT((over[0] - Vec3(-0.5, 2, 3)).norm(), 1e-12);
    GuideLine bumpy = line;
    bumpy[2].x() += 0.1;
    EXPECT_NEAR(smoothed(bumpy)[2].x(), 1.05, 1e-12);
    for (const GuideLine& made : {stretched, bent, middle, other, smoothed(bumpy)}) {
        EXPECT_EQ(made.front(), line.front());
    }
    EXPECT_EQ(smoothed(bumpy).back(), line.back());
}

} // namespace
} // namespace wembrix
