#include "core/measure/surface/tangent_space.h"

#include <algorithm>
#include <bit>
#include <cfloat>
#include <cmath>
#include <unordered_map>

namespace wembrix {

namespace {

using Triangle = std::array<uint32_t, 3>;

bool not_zero(float x) {
    return std::abs(x) > FLT_MIN;
}
bool not_zero(const Vec3f& v) {
    return not_zero(v.x()) || not_zero(v.y()) || not_zero(v.z());
}
Vec3f in_plane(const Vec3f& v, const Vec3f& normal) {
    const Vec3f flat = v - normal.dot(v) * normal;
    return not_zero(flat) ? Vec3f(flat / flat.norm()) : flat;
}

struct MappedFace {
    Triangle at{};                         ///< of its corners, the corner values that they share with others
    std::array<int, 3> beside{-1, -1, -1}; ///< the face over edge 0-1, 1-2, 2-0
    std::array<int, 3> group{-1, -1, -1};
    Vec3f along_u = Vec3f::Zero(); ///< unit
    bool flat = true;              ///< its coordinates have no area: it goes along with any others
    bool mirrored = false;         ///< its coordinates run the other way around
    bool degenerate = false;       ///< two of its corners are at one place
};

struct CornerGroup {
    uint32_t at = 0;
    bool mirrored = false;
    std::vector<uint32_t> faces;
};

class TangentSpace {
  public:
    TangentSpace(std::span<const Vec3f> points, std::span<const Vec3f> normals, std::span<const float> coordinates,
                 std::span<const Triangle> triangles)
        : points_(points), normals_(normals), coordinates_(coordinates), triangles_(triangles) {}

    std::vector<Vec4f> run() {
        weld();
        for (size_t f = 0; f < faces_.size(); ++f) {
            measure(faces_[f], triangles_[f]);
        }
        join_edges();
        std::vector<Vec4f> result(triangles_.size() * 3, Vec4f(1, 0, 0, -1));
        std::vector<char> known(result.size(), 0);
        for (uint32_t f = 0; f < faces_.size(); ++f) {
            for (size_t c = 0; c < 3 && !faces_[f].degenerate; ++c) {
                if (!faces_[f].flat && faces_[f].group.at(c) < 0) {
                    grow(f, c);
                    settle(groups_.back(), result, known);
                }
            }
        }
        lend(result, known);
        return result;
    }

  private:
    [[nodiscard]] std::array<uint32_t, 8> key_of(uint32_t point) const {
        std::array<uint32_t, 8> key{};
        for (int axis = 0; axis < 3; ++axis) {
            key.at(static_cast<size_t>(axis)) = std::bit_cast<uint32_t>(points_[point][axis] + 0.0F);
            key.at(static_cast<size_t>(axis) + 3) = std::bit_cast<uint32_t>(normals_[point][axis] + 0.0F);
        }
        key[6] = std::bit_cast<uint32_t>(coordinates_[2 * static_cast<size_t>(point)] + 0.0F);
        key[7] = std::bit_cast<uint32_t>(coordinates_[2 * static_cast<size_t>(point) + 1] + 0.0F);
        return key;
    }

    struct KeyHash {
        size_t operator()(const std::array<uint32_t, 8>& key) const {
            uint64_t h = 0x9E3779B97F4A7C15ULL;
            for (const uint32_t part : key) {
                h = (h ^ part) * 0xFF51AFD7ED558CCDULL;
                h ^= h >> 32U;
            }
            return static_cast<size_t>(h);
        }
    };

    /// Points with the same values become the first of them.
    void weld() {
        std::vector<uint32_t> first(points_.size(), 0xFFFFFFFF);
        std::unordered_map<std::array<uint32_t, 8>, uint32_t, KeyHash> seen;
        seen.reserve(points_.size());
        faces_.resize(triangles_.size());
        for (size_t f = 0; f < faces_.size(); ++f) {
            for (size_t c = 0; c < 3; ++c) {
                const uint32_t point = triangles_[f].at(c);
                if (first[point] == 0xFFFFFFFF) {
                    first[point] = seen.try_emplace(key_of(point), point).first->second;
                }
                faces_[f].at.at(c) = first[point];
            }
        }
    }

    void measure(MappedFace& face, const Triangle& triangle) const {
        const Vec3f& p0 = points_[triangle[0]];
        const Vec3f& p1 = points_[triangle[1]];
        const Vec3f& p2 = points_[triangle[2]];
        face.degenerate = p0 == p1 || p0 == p2 || p1 == p2;
        const float* a = &coordinates_[2 * static_cast<size_t>(triangle[0])];
        const float* b = &coordinates_[2 * static_cast<size_t>(triangle[1])];
        const float* c = &coordinates_[2 * static_cast<size_t>(triangle[2])];
        const float bu = b[0] - a[0];
        const float bv = b[1] - a[1];
        const float cu = c[0] - a[0];
        const float cv = c[1] - a[1];
        const float area = bu * cv - bv * cu;
        const Vec3f along_u = cv * (p1 - p0) - bv * (p2 - p0);
        const Vec3f along_v = -cu * (p1 - p0) + bu * (p2 - p0);
        face.mirrored = !(area > 0);
        if (not_zero(area)) {
            const float length_u = along_u.norm();
            const float length_v = along_v.norm();
            const float sign = face.mirrored ? -1.0F : 1.0F;
            if (not_zero(length_u)) {
                face.along_u = (sign / length_u) * along_u;
            }
            face.flat = !(not_zero(length_u / std::abs(area)) && not_zero(length_v / std::abs(area)));
        }
    }

    struct Edge {
        uint32_t low, high, face;
        uint8_t number;
        bool from_low; ///< the face runs along it from the lower to the higher
        bool operator<(const Edge& other) const {
            return low != other.low ? low < other.low : high != other.high ? high < other.high : face < other.face;
        }
    };

    /// Two faces that run along one edge in opposite directions lie beside each other; each edge of a face has one
    /// such.
    void join_edges() {
        std::vector<Edge> edges;
        edges.reserve(faces_.size() * 3);
        for (uint32_t f = 0; f < faces_.size(); ++f) {
            for (uint8_t e = 0; e < 3 && !faces_[f].degenerate; ++e) {
                const uint32_t from = faces_[f].at.at(e);
                const uint32_t to = faces_[f].at.at((e + 1U) % 3U);
                edges.push_back({std::min(from, to), std::max(from, to), f, e, from < to});
            }
        }
        std::sort(edges.begin(), edges.end());
        for (size_t i = 0; i < edges.size(); ++i) {
            const Edge& own = edges[i];
            if (faces_[own.face].beside.at(own.number) >= 0) {
                continue;
            }
            for (size_t j = i + 1; j < edges.size() && edges[j].low == own.low && edges[j].high == own.high; ++j) {
                const Edge& other = edges[j];
                if (other.from_low != own.from_low && faces_[other.face].beside.at(other.number) < 0) {
                    faces_[own.face].beside.at(own.number) = static_cast<int>(other.face);
                    faces_[other.face].beside.at(other.number) = static_cast<int>(own.face);
                    break;
                }
            }
        }
    }

    /// All faces around a corner that edges lead to from this one and whose coordinates run the same way around.
    void grow(uint32_t first, size_t corner) {
        const int number = static_cast<int>(groups_.size());
        groups_.push_back({faces_[first].at.at(corner), faces_[first].mirrored, {}});
        CornerGroup& group = groups_.back();
        std::vector<uint32_t> open = {first};
        while (!open.empty()) {
            const uint32_t f = open.back();
            open.pop_back();
            MappedFace& face = faces_[f];
            const auto at = static_cast<size_t>(std::find(face.at.begin(), face.at.end(), group.at) - face.at.begin());
            if (at == 3 || face.group.at(at) >= 0) {
                continue;
            }
            if (face.flat && face.group == std::array<int, 3>{-1, -1, -1}) {
                face.mirrored = group.mirrored; // the first that it goes along with decides
            }
            if (face.mirrored != group.mirrored) {
                continue;
            }
            face.group.at(at) = number;
            group.faces.push_back(f);
            const int left = face.beside.at(at);
            const int right = face.beside.at((at + 2) % 3);
            if (right >= 0) {
                open.push_back(static_cast<uint32_t>(right));
            }
            if (left >= 0) {
                open.push_back(static_cast<uint32_t>(left));
            }
        }
    }

    void settle(const CornerGroup& group, std::vector<Vec4f>& result, std::vector<char>& known) {
        const Vec3f& normal = normals_[group.at];
        Vec3f sum = Vec3f::Zero();
        for (const uint32_t f : group.faces) {
            const MappedFace& face = faces_[f];
            if (face.flat) {
                continue;
            }
            const auto at = static_cast<size_t>(std::find(face.at.begin(), face.at.end(), group.at) - face.at.begin());
            const Vec3f& here = points_[face.at.at(at)];
            const Vec3f back = in_plane(points_[face.at.at((at + 2) % 3)] - here, normal);
            const Vec3f on = in_plane(points_[face.at.at((at + 1) % 3)] - here, normal);
            const float angle = std::acos(std::clamp(back.dot(on), -1.0F, 1.0F));
            sum += angle * in_plane(face.along_u, normal);
        }
        if (not_zero(sum)) {
            sum /= sum.norm();
        }
        const float sign = group.mirrored ? -1.0F : 1.0F;
        for (const uint32_t f : group.faces) {
            const MappedFace& face = faces_[f];
            const auto at = static_cast<size_t>(std::find(face.at.begin(), face.at.end(), group.at) - face.at.begin());
            result[3 * static_cast<size_t>(f) + at] = {sum.x(), sum.y(), sum.z(), sign};
            known[3 * static_cast<size_t>(f) + at] = 1;
        }
    }

    /// Corners of triangles without an extent take what another triangle has at the same corner.
    void lend(std::vector<Vec4f>& result, const std::vector<char>& known) const {
        std::unordered_map<uint32_t, size_t> first;
        bool any = false;
        for (size_t f = 0; f < faces_.size(); ++f) {
            any = any || faces_[f].degenerate;
        }
        for (size_t corner = 0; any && corner < result.size(); ++corner) {
            if (known[corner] != 0) {
                first.try_emplace(faces_[corner / 3].at.at(corner % 3), corner);
            }
        }
        for (size_t corner = 0; any && corner < result.size(); ++corner) {
            const MappedFace& face = faces_[corner / 3];
            const auto found = face.degenerate ? first.find(face.at.at(corner % 3)) : first.end();
            if (found != first.end()) {
                result[corner] = result[found->second];
            }
        }
    }

    std::span<const Vec3f> points_;
    std::span<const Vec3f> normals_;
    std::span<const float> coordinates_;
    std::span<const Triangle> triangles_;
    std::vector<MappedFace> faces_;
    std::vector<CornerGroup> groups_;
};

} // namespace

std::vector<Vec4f> corner_tangents(std::span<const Vec3f> points, std::span<const Vec3f> normals,
                                   std::span<const float> coordinates,
                                   std::span<const std::array<uint32_t, 3>> triangles) {
    return TangentSpace(points, normals, coordinates, triangles).run();
}

} // namespace wembrix
