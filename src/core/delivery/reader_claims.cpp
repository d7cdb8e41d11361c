#include "core/delivery/reader_claims.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/scene/bounds.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace wembrix {

using nlohmann::json;

namespace {

constexpr double clip_slack_s = 1.0 / 60;

std::vector<Vec3> places_in(const json& list) {
    std::vector<Vec3> places;
    for (const json& one : list.is_array() ? list : json::array()) {
        Vec3 place = Vec3::Constant(std::nan(""));
        for (size_t k = 0; one.is_array() && k < 3 && k < one.size(); ++k) {
            place[static_cast<Eigen::Index>(k)] = one[k].is_number() ? one[k].get<double>() : std::nan("");
        }
        places.push_back(place);
    }
    return places;
}

/// The vertices as a reader has them that does not pose them: of a skinned surface where they were bound.
Bounds bound_places(const Scene& file, size_t& vertices, size_t& shapes) {
    Bounds bounds;
    const std::vector<Mat4> world = rest_world(file);
    for (const int node : surfaces_of(file)) {
        const Node& own = file.nodes[static_cast<size_t>(node)];
        const Mesh& mesh = file.meshes[static_cast<size_t>(own.mesh)];
        shapes += mesh.shapes.size();
        for (const Primitive& primitive : mesh.primitives) {
            std::set<uint32_t> used;
            for (const auto& triangle : triangles_of(mesh, primitive)) {
                used.insert(triangle.begin(), triangle.end());
            }
            vertices += used.size();
            for (const uint32_t point : used) {
                const Vec3 at = mesh.positions[point].cast<double>();
                bounds.add(own.skin >= 0 ? at : point_of(world[static_cast<size_t>(node)], at));
            }
        }
    }
    return bounds;
}

Text said_box(const Vec3& size) {
    return phrase("{:.3f} x {:.3f} x {:.3f} m", size.x(), size.y(), size.z());
}

Claim bones_claim(const std::string& who, const Scene& file, const json& answer, double size) {
    const std::vector<int> joints = joints_of(file);
    const std::vector<Mat4> world = rest_world(file);
    std::vector<Vec3> free = places_in(answer.value("bones", json()));
    Claim claim{who + ": joints", counted(joints.size(), "joint"), counted(free.size(), "joint"), true, ""};
    // It may call them otherwise: each is looked for where it stands.
    double worst = 0;
    for (const int joint : joints) {
        const Vec3 at = point_of(world[static_cast<size_t>(joint)], Vec3::Zero());
        auto nearest = free.end();
        double least = 1e300;
        for (auto one = free.begin(); one != free.end(); ++one) {
            const double apart = (*one - at).norm();
            if (apart < least) {
                least = apart;
                nearest = one;
            }
        }
        if (nearest == free.end()) {
            claim.pass = false;
            claim.detail = "it has none for " + file.nodes[static_cast<size_t>(joint)].name;
            return claim;
        }
        free.erase(nearest);
        worst = std::max(worst, least);
    }
    claim.pass = free.empty() && worst <= std::max(1e-4 * size, 1e-5);
    claim.actual += phrase(", at most {:.3f} mm apart", worst * 1000);
    claim.detail = claim.pass ? "" : free.empty() ? "one rests elsewhere" : phrase("it has {} more", free.size());
    return claim;
}

} // namespace

std::vector<Claim> claims_of_reader(const std::string& who, const Scene& file, const json& answer) {
    if (!answer.is_object()) {
        return {{who + ": opens it", "yes", "no", false, "it imported nothing"}};
    }
    size_t vertices = 0;
    size_t shapes = 0;
    const Bounds bounds = bound_places(file, vertices, shapes);
    const Bounds whole = whole_bounds(file);
    const double size = std::max({whole.size().norm(), bounds.size().norm(), 1e-3});
    std::vector<Claim> claims;
    if (!joints_of(file).empty() || (answer.contains("bones") && !answer["bones"].empty())) {
        claims.push_back(bones_claim(who, file, answer, size));
    }
    const auto number = [&](const char* key) {
        const json value = answer.value(key, json());
        return value.is_number() ? value.get<double>() : 0.0;
    };
    if (vertices > 0) {
        // It may split vertices, or join those that are alike: only their box is held against ours.
        const std::vector<Vec3> there = places_in(answer.value("bounds", json()));
        Claim claim{who + ": bounds", said_box(bounds.size()), "none", false, "it has no surface"};
        if (there.size() == 2) {
            const double apart = std::max((there[0] - bounds.low).norm(), (there[1] - bounds.high).norm());
            claim.actual = said_box(there[1] - there[0]);
            claim.pass = apart <= 1e-4 * size;
            claim.detail = claim.pass ? "" : phrase("its corners are {:.3f} mm elsewhere", apart * 1000);
        }
        claims.push_back(claim);
        if (shapes > 0 || number("shapes") > 0) {
            const bool same = number("shapes") >= static_cast<double>(shapes);
            claims.push_back({who + ": shapes", counted(shapes, "shape"),
                              counted(static_cast<size_t>(number("shapes")), "shape"), same,
                              same ? "" : "it has fewer"});
        }
    }
    const json clips = answer.value("clips", json::array());
    for (const Clip& clip : file.clips) {
        Claim claim{who + ": " + clip.name, phrase("{:.3f} s", clip.seconds), "none", false,
                    "it has no clip of that name"};
        for (const json& there : clips.is_array() ? clips : json::array()) {
            if (there.is_object() && there.value("name", json()) == clip.name &&
                there.value("seconds", json()).is_number()) {
                const double seconds = there["seconds"].get<double>();
                claim.actual = phrase("{:.3f} s", seconds);
                claim.pass = std::abs(seconds - clip.seconds) <= clip_slack_s;
                claim.detail = claim.pass ? "" : "it lasts otherwise there";
            }
        }
        claims.push_back(claim);
    }
    if (claims.empty()) {
        claims.push_back({who + ": opens it", "yes", "yes", true, ""});
    }
    return claims;
}

} // namespace wembrix
