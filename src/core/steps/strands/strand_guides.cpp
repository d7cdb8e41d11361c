// Guides: a few strands by hand, from curves that were brought in, or as a start, along the normal.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/strands/even_steps.h"
#include "core/steps/step_kind.h"
#include "core/steps/strands/strand_guide_rows.h"
#include "core/steps/strands/strand_sets.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace wembrix {

namespace {

struct GuideSettings {
    std::string strands;
    std::vector<StrandGuideRow> guides;
    std::string from;
    double distance_mm = 20;
    int spread = 0;
    double length_mm = 100;
    double lean_deg = 0;
    bool mirrored = false;
    double middle_x_mm = 0;
    int points = 0;
};

Result<std::vector<StrandGuideRow>> strand_guides_in(const nlohmann::json& json) {
    return guide_rows_from_json(json);
}

/// Roots far from each other, over the region: the next is where it is farthest from those that are there.
std::vector<CurveRoot> spread_roots(const StrandSurface& surface, const Shared<float>& region, int count) {
    std::vector<CurveRoot> middles;
    for (uint32_t t = 0; t < surface.triangles().size() && t < region.size(); ++t) {
        if (region[t] > 0) {
            middles.push_back({t, 1.F / 3, 1.F / 3});
        }
    }
    std::vector<CurveRoot> roots;
    std::vector<double> far(middles.size(), std::numeric_limits<double>::infinity());
    // The first is the highest.
    size_t next = 0;
    for (size_t m = 1; m < middles.size(); ++m) {
        if (surface.place_of(middles[m]).y() > surface.place_of(middles[next]).y() + 1e-9) {
            next = m;
        }
    }
    while (roots.size() < static_cast<size_t>(count) && roots.size() < middles.size()) {
        roots.push_back(middles[next]);
        const Vec3 at = surface.place_of(middles[next]);
        for (size_t m = 0; m < middles.size(); ++m) {
            far[m] = std::min(far[m], (surface.place_of(middles[m]) - at).squaredNorm());
        }
        next = static_cast<size_t>(std::max_element(far.begin(), far.end()) - far.begin());
    }
    return roots;
}

/// A line along the normal that leans over backwards, evenly from root to tip.
std::vector<Vec3> leaning(const Vec3& normal, double length, double lean, int points) {
    std::vector<Vec3> offsets;
    const Vec3 side = normal.cross(-Vec3::UnitZ());
    const Vec3 axis = side.norm() > 1e-6 ? Vec3(side.normalized()) : Vec3(Vec3::UnitX());
    Vec3 at = Vec3::Zero();
    for (int p = 1; p < points; ++p) {
        const double turned = lean * (p - 0.5) / (points - 1);
        at += length / (points - 1) * (Eigen::AngleAxisd(turned, axis) * normal);
        offsets.push_back(at);
    }
    return offsets;
}

/// The same line with so many points, at even steps.
std::vector<Vec3> with_points(const std::vector<Vec3>& offsets, int points) {
    std::vector<Vec3> line = {Vec3::Zero()};
    line.insert(line.end(), offsets.begin(), offsets.end());
    line = at_even_steps(line, static_cast<size_t>(points));
    line.erase(line.begin()); // the root itself
    return line;
}

Result<StepResult> apply_strand_guides(const StepContext& context, const GuideSettings& settings) {
    StepResult result{context.scene, {}, {}};
    Scene& scene = result.scene;
    const Result<RootedStrands> rooted = rooted_strands_named(scene, settings.strands);
    if (!rooted) {
        return rooted.problem();
    }
    const int node = rooted->node;
    CurveSet& curves = scene.curve_sets[rooted->set];
    const StrandSurface surface(scene, rooted->surface);
    if (surface.triangles().empty()) {
        return Problem{"the surface has no faces.", "", ""};
    }
    std::vector<StrandGuideRow> rows = settings.guides;
    if (settings.spread > 0) {
        for (const CurveRoot& root : spread_roots(surface, curves.region, settings.spread)) {
            rows.push_back({surface.place_of(root),
                            leaning(surface.normal_of(root), settings.length_mm / 1000, settings.lean_deg * M_PI / 180,
                                    settings.points > 1 ? settings.points : 5)});
        }
    }
    std::string brought;
    if (!settings.from.empty()) {
        const Result<int> other = strands_named(scene, settings.from);
        if (!other) {
            return other.problem();
        }
        const CurveSet& from = scene.curve_sets[static_cast<size_t>(scene.nodes[static_cast<size_t>(*other)].curves)];
        const Mat4 world = rest_world(scene)[static_cast<size_t>(*other)];
        size_t at = 0;
        size_t far = 0;
        for (const uint32_t count : from.counts) {
            if (count >= 2) {
                StrandGuideRow row;
                row.root = point_of(world, from.points[at].cast<double>());
                for (size_t p = at + 1; p < at + count; ++p) {
                    row.offsets.push_back(point_of(world, from.points[p].cast<double>()) - row.root);
                }
                double distance = 0;
                (void)surface.nearest(row.root, &distance);
                if (distance * 1000 <= settings.distance_mm) {
                    rows.push_back(std::move(row));
                } else {
                    ++far;
                }
            }
            at += count;
        }
        brought = phrase(", from “{}”", settings.from);
        if (far > 0) {
            result.could_not.push_back(phrase("{} of “{}” beginning more than {:g} mm from the surface",
                                              counted(far, "curve"), settings.from, settings.distance_mm));
        }
    }
    if (settings.mirrored) {
        const double middle = settings.middle_x_mm / 1000;
        const size_t count = rows.size();
        for (size_t g = 0; g < count; ++g) {
            StrandGuideRow other = rows[g];
            other.root.x() = 2 * middle - other.root.x();
            for (Vec3& offset : other.offsets) {
                offset.x() = -offset.x();
            }
            if (std::abs(other.root.x() - rows[g].root.x()) > 1e-4) { // one in the middle is its own mirror image
                rows.push_back(std::move(other));
            }
        }
    }
    const Mat4 back = rest_world(scene)[static_cast<size_t>(node)].inverse();
    std::vector<uint32_t> counts;
    std::vector<Vec3f> points;
    std::vector<CurveRoot> roots;
    double farthest = 0;
    double shortest = std::numeric_limits<double>::infinity();
    double longest = 0;
    for (const StrandGuideRow& row : rows) {
        double distance = 0;
        const CurveRoot root = surface.nearest(row.root, &distance);
        farthest = std::max(farthest, distance);
        const std::vector<Vec3> offsets = settings.points > 1 ? with_points(row.offsets, settings.points) : row.offsets;
        const Vec3 at = surface.place_of(root);
        points.push_back(point_of(back, at).cast<float>());
        double length = 0;
        Vec3 before = Vec3::Zero();
        for (const Vec3& offset : offsets) {
            points.push_back(point_of(back, at + offset).cast<float>());
            length += (offset - before).norm();
            before = offset;
        }
        shortest = std::min(shortest, length);
        longest = std::max(longest, length);
        counts.push_back(static_cast<uint32_t>(offsets.size() + 1));
        roots.push_back(root);
    }
    if (rows.empty()) {
        result.could_not.push_back("there is no guide: nothing can grow");
        result.account = "no guides";
        return result;
    }
    curves.guide_counts = std::move(counts);
    curves.guide_points = std::move(points);
    curves.guide_roots = std::move(roots);
    result.account = phrase("{}{}, {:.0f} to {:.0f} mm long, at most {:.1f} mm moved onto the surface",
                            counted(rows.size(), "guide"), brought, shortest * 1000, longest * 1000, farthest * 1000);
    return result;
}

} // namespace

StepKind strand_guides_step() {
    return make_step<GuideSettings>(
        {"strand_guides", "Guides for strands",
         "A few strands say how all others go: placed by hand, taken from curves, or spread to begin with.",
         StepSubject::strands},
        {text<&GuideSettings::strands>("strands", "Strands", "Which; empty: the only ones"),
         object<&GuideSettings::guides, strand_guides_in>(
             "guides", "Guides",
             "`[{\"root_mm\": [x, y, z], \"points_mm\": [[x, y, z], …]}, …]`, points from the root"),
         text<&GuideSettings::from>("from", "From curves", "Curves that were brought in; each becomes a guide"),
         number<&GuideSettings::distance_mm>("distance_mm", "No farther than",
                                             "Curves that begin farther off are no guides")
             .unit("mm")
             .above(0),
         number<&GuideSettings::spread>("spread", "Spread", "So many over the region, along the normal, to begin with")
             .between(0, 1000),
         number<&GuideSettings::length_mm>("length_mm", "Length", "Of those that are spread").unit("mm").above(0),
         number<&GuideSettings::lean_deg>("lean_deg", "Lean",
                                          "Of those that are spread: how far the tip leans backwards")
             .unit("°")
             .between(-180, 180),
         flag<&GuideSettings::mirrored>("mirrored", "Mirrored", "each also on the other side"),
         number<&GuideSettings::middle_x_mm>("middle_x_mm", "Middle", "The plane that they are mirrored at").unit("mm"),
         number<&GuideSettings::points>("points", "Points", "Of each guide; 0: as they are").between(0, 200)},
        apply_strand_guides);
}

} // namespace wembrix
