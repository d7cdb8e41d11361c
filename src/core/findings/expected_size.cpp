// Size against what is known of it: what a person said, the destination's own skeleton, the other sources.
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/upright.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>

namespace wembrix {

namespace {

Text length_said(double metres) {
    return metres >= 1 ? phrase("{:.3g} m", metres)
                       : (metres >= 0.01 ? phrase("{:.3g} cm", metres * 100) : phrase("{:.3g} mm", metres * 1000));
}

/// "3.9 times as large as expected", "2 times smaller than expected".
Text times_said(double ratio, const std::string& than) {
    return ratio >= 1 ? phrase("{:.3g} times as large as {}", ratio, than)
                      : phrase("{:.3g} times smaller than {}", 1 / ratio, than);
}

Step scaled_by(double factor) {
    const double digits = std::pow(10, 4 - std::ceil(std::log10(factor)));
    return {"scale", {{"factor", std::round(factor * digits) / digits}}};
}

/// From foot to head, whichever way it lies.
double tallness(const Scene& scene) {
    const std::optional<Upright> upright = upright_of(scene);
    return std::abs(character_bounds(scene).size().dot(direction(upright ? upright->up : Axis::pos_y)));
}

struct CommonSizes {
    const char* name;
    double least_m;
    double most_m;
};
/// What stands in a game: from a child to a giant, from a bee to a whale, from a ring to a house.
constexpr std::array<CommonSizes, 4> common_sizes = {
    {{"thing", 0.002, 30}, {"figure", 0.5, 3}, {"animal", 0.005, 30}, {"thing", 0.005, 30}}};

Finding size_question(const Scene& scene, double height) {
    Finding finding;
    finding.grade = Grade::note;
    finding.where = "scene";
    finding.message = phrase("It stands {} tall; nobody said how tall it should be", length_said(height));
    finding.reason = "Said once, every later version in another size is seen.";
    const double digits = std::pow(10, 3 - std::ceil(std::log10(height)));
    finding.step = Step{
        "expect_size",
        {{"kind", joints_of(scene).empty() ? "thing" : "figure"}, {"height_m", std::round(height * digits) / digits}}};
    return finding;
}

} // namespace

std::vector<Finding> find_unexpected_size(const FindingContext& context) {
    const ExpectedSize& expected = context.scene.expected;
    const double height = tallness(context.scene);
    if (height <= 0) {
        return {};
    }
    if (expected.kind == ExpectedSize::Kind::not_said && expected.height_m <= 0) {
        const bool odd = height < common_sizes[0].least_m || height > common_sizes[0].most_m; // that is said elsewhere
        return odd ? std::vector<Finding>() : std::vector<Finding>{size_question(context.scene, height)};
    }
    const CommonSizes& common = common_sizes.at(static_cast<size_t>(expected.kind));
    Finding finding;
    finding.where = "scene";
    if (expected.height_m > 0) {
        const double ratio = height / expected.height_m;
        if (ratio > 0.8 && ratio < 1.25) {
            return {};
        }
        finding.grade = ratio >= 2 || ratio <= 0.5 ? Grade::stop : Grade::look;
        finding.message = phrase("It stands {} tall, {}", length_said(height), times_said(ratio, "expected"));
        finding.reason = phrase("The route card says {}.", length_said(expected.height_m));
        finding.step = scaled_by(1 / ratio);
        return {finding};
    }
    if (height >= common.least_m && height <= common.most_m) {
        return {};
    }
    finding.grade = Grade::stop;
    finding.message = phrase("It stands {} tall, and is said to be {} {}", length_said(height),
                             expected.kind == ExpectedSize::Kind::animal ? "an" : "a", common.name);
    finding.reason = phrase("Such stand between {} and {}.", length_said(common.least_m), length_said(common.most_m));
    finding.step = Step{"scale", {{"height_m", expected.kind == ExpectedSize::Kind::figure ? 1.7 : 1.0}}};
    return {finding};
}

std::vector<Finding> find_size_unlike_contract(const FindingContext& context) {
    if (context.destination == nullptr || !context.destination->contract) {
        return {};
    }
    const Contract& wanted = *context.destination->contract;
    std::map<std::string_view, double> lengths;
    for (const ContractJoint& joint : wanted.joints) {
        lengths.emplace(joint.name, joint.parent.empty() ? 0.0 : joint.place.norm());
    }
    const Contract own = contract_of(context.scene, "");
    std::vector<double> ratios;
    for (const ContractJoint& joint : own.joints) {
        const auto found = lengths.find(joint.name);
        if (!joint.parent.empty() && found != lengths.end() && found->second > 1e-6 && joint.place.norm() > 1e-9) {
            ratios.push_back(joint.place.norm() / found->second);
        }
    }
    if (ratios.size() < 5) {
        return {};
    }
    std::sort(ratios.begin(), ratios.end());
    const double middle = ratios[ratios.size() / 2];
    const bool alike = ratios[ratios.size() * 9 / 10] < middle * 1.05 && ratios[ratios.size() / 10] > middle / 1.05;
    if (!alike || (middle > 0.95 && middle < 1.05)) {
        return {};
    }
    Finding finding;
    finding.grade = Grade::look;
    finding.where = "scene";
    finding.message = "The skeleton is " + times_said(middle, phrase("the contract “{}”", wanted.name));
    finding.reason = phrase("{} bones of both were held against each other.", ratios.size());
    finding.step = scaled_by(1 / middle);
    return {finding};
}

std::vector<Finding> find_sources_of_other_sizes(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const SourceFit& fit : context.scene.fits) {
        // A ring on a giant's hand and a house beside a bee are both seldom.
        if (fit.extent_m <= 0 || fit.beside_m <= 0 ||
            (fit.extent_m <= 20 * fit.beside_m && fit.extent_m >= fit.beside_m / 1000)) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::look;
        finding.where = fit.source;
        finding.message = phrase("“{}” is {} across, {}", fit.source, length_said(fit.extent_m),
                                 times_said(fit.extent_m / fit.beside_m, "the sources before it"));
        finding.reason = "Sources of one job most often count in one unit; this one may have been read in another.";
        finding.no_step = "have it sent again in metres, or scale it in a job of its own";
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
