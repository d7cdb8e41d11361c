#include "core/formats/obj/blocks.h"
#include "core/measure/surface/triangulate.h"

#include <algorithm>
#include <array>
#include <optional>
#include <tbb/parallel_for.h>

namespace wembrix::obj {

namespace {

/// What stands in the blocks before one.
struct Before {
    size_t places = 0;
    size_t coordinates = 0;
    size_t normals = 0;
    size_t lines = 0;
    size_t faces = 0;
};

class BlockResolver {
  public:
    BlockResolver(Block& block, const Before& before, const std::vector<Vec3f>& places, bool tells_faces)
        : block_(block), before_(before), places_(places), tells_faces_(tells_faces) {}

    /// What is wrong, with the line of the whole text.
    Failure run() {
        const bool all_triangles =
            std::all_of(block_.statements.begin(), block_.statements.end(), [](const Statement& statement) {
                return statement.element == Element::word ||
                       (statement.element == Element::faces && statement.corners == 3);
            });
        uint32_t face = static_cast<uint32_t>(before_.faces);
        for (Statement& statement : block_.statements) {
            if (statement.element == Element::word) {
                continue;
            }
            if (const std::optional<Failure> failure = resolve_all(statement)) {
                return *failure;
            }
            if (all_triangles) {
                statement.taken = size_t(statement.count) * 3;
                for (uint32_t f = 0; tells_faces_ && f < statement.count; ++f) {
                    block_.face_of.push_back(face++);
                }
            } else {
                cut(statement, face);
            }
        }
        if (!all_triangles) {
            block_.corners = std::move(cut_);
        }
        if (!block_.failure.what.empty()) {
            return {block_.failure.what, before_.lines + block_.failure.line};
        }
        return {};
    }

  private:
    static bool resolve(uint32_t written, size_t count, uint32_t& place) {
        const auto index = static_cast<int32_t>(written);
        const int64_t at = index > 0 ? int64_t(index) - 1 : static_cast<int64_t>(count) + index;
        place = static_cast<uint32_t>(at);
        return index != 0 && at >= 0 && at < static_cast<int64_t>(count);
    }

    std::optional<Failure> resolve_all(const Statement& statement) {
        const size_t places = before_.places + statement.places;
        const size_t coordinates = before_.coordinates + statement.coordinates;
        const size_t normals = before_.normals + statement.normals;
        Corner* corner = block_.corners.data() + statement.first_corner;
        for (size_t c = 0; c < size_t(statement.count) * statement.corners; ++c, ++corner) {
            const Corner written = *corner;
            corner->coordinates = corner->normal = nothing;
            if (!resolve(written.place, places, corner->place) ||
                (written.coordinates != 0 && !resolve(written.coordinates, coordinates, corner->coordinates)) ||
                (written.normal != 0 && !resolve(written.normal, normals, corner->normal))) {
                return Failure{"an index points at nothing that stands before it.",
                               before_.lines + statement.line + c / statement.corners};
            }
        }
        return std::nullopt;
    }

    /// Triangles of faces, pairs of lines, points as they are; behind those that were cut before.
    void cut(Statement& statement, uint32_t& face) {
        const size_t first = cut_.size();
        const Corner* corner = block_.corners.data() + statement.first_corner;
        const uint32_t count = statement.corners;
        const uint32_t least = statement.element == Element::faces ? 3 : statement.element == Element::lines ? 2 : 1;
        if (count < least) {
            block_.too_short += statement.count;
        } else {
            for (uint32_t e = 0; e < statement.count; ++e, corner += count) {
                if (statement.element == Element::faces) {
                    cut_face(corner, count);
                    if (tells_faces_) {
                        block_.face_of.resize(block_.face_of.size() + (cut_.size() - cut_before_) / 3, face);
                    }
                    ++face;
                } else if (statement.element == Element::lines) {
                    for (uint32_t c = 0; c + 1 < count; ++c) {
                        cut_.insert(cut_.end(), {corner[c], corner[c + 1]});
                    }
                } else {
                    cut_.insert(cut_.end(), corner, corner + count);
                }
            }
        }
        statement.first_corner = first;
        statement.taken = cut_.size() - first;
    }

    void cut_face(const Corner* corner, uint32_t count) {
        cut_before_ = cut_.size();
        if (count == 3) {
            cut_.insert(cut_.end(), corner, corner + 3);
            return;
        }
        ++block_.polygons;
        around_.clear();
        for (uint32_t c = 0; c < count; ++c) {
            around_.push_back(places_[corner[c].place]);
        }
        triangles_.clear();
        triangulate_polygon(around_, triangles_);
        for (const std::array<uint32_t, 3>& triangle : triangles_) {
            for (const uint32_t at : triangle) {
                cut_.push_back(corner[at]);
            }
        }
    }

    Block& block_;
    const Before& before_;
    const std::vector<Vec3f>& places_;
    bool tells_faces_;
    std::vector<Corner> cut_;
    size_t cut_before_ = 0;
    std::vector<Vec3f> around_;
    std::vector<std::array<uint32_t, 3>> triangles_;
};

template <typename T> void move_behind(std::vector<T>& part, std::vector<T>& all, size_t at) {
    if (part.empty()) {
        return; // of what no block has there is no list
    }
    std::copy(part.begin(), part.end(), all.begin() + static_cast<std::ptrdiff_t>(at));
    part = {};
}

} // namespace

Failure resolve(std::vector<Block>& blocks, Lists& lists) {
    std::vector<Before> before(blocks.size() + 1);
    bool any_colours = false;
    bool tells_faces = false;
    for (size_t b = 0; b < blocks.size(); ++b) {
        const Block& block = blocks[b];
        before[b + 1] = {before[b].places + block.places.size(), before[b].coordinates + block.coordinates.size(),
                         before[b].normals + block.normals.size(), before[b].lines + block.lines, before[b].faces};
        for (const Statement& statement : block.statements) {
            before[b + 1].faces += statement.element == Element::faces ? statement.count : 0;
        }
        any_colours = any_colours || !block.colours.empty();
        tells_faces = tells_faces || std::any_of(block.words.begin(), block.words.end(),
                                                 [](const Word& word) { return word.key == "s"; });
    }
    const Before& all = before.back();
    lists.places.resize(all.places);
    lists.coordinates.resize(all.coordinates);
    lists.normals.resize(all.normals);
    if (any_colours) {
        lists.colours.assign(all.places, Vec3f::Ones());
    }
    tbb::parallel_for(size_t(0), blocks.size(), [&](size_t b) {
        move_behind(blocks[b].places, lists.places, before[b].places);
        move_behind(blocks[b].coordinates, lists.coordinates, before[b].coordinates);
        move_behind(blocks[b].normals, lists.normals, before[b].normals);
        move_behind(blocks[b].colours, lists.colours, before[b].places);
    });
    std::vector<Failure> failures(blocks.size());
    tbb::parallel_for(size_t(0), blocks.size(), [&](size_t b) {
        failures[b] = BlockResolver(blocks[b], before[b], lists.places, tells_faces).run();
    });
    const auto first =
        std::find_if(failures.begin(), failures.end(), [](const Failure& failure) { return !failure.what.empty(); });
    return first == failures.end() ? Failure{} : *first;
}

} // namespace wembrix::obj
