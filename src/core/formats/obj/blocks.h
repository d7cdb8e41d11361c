// The text of an OBJ in blocks of whole lines, each read by itself, so that all cores read at once.
#pragma once

#include "core/base/file_ranges.h"
#include "core/math/transform.h"

#include <cstdint>
#include <map>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix::obj {

constexpr uint32_t nothing = 0xFFFFFFFF;

/// Into the lists of the whole file once it is resolved; until then as written, negative ones as their two's complement
/// and 0 for none.
struct Corner {
    uint32_t place = 0;
    uint32_t coordinates = nothing;
    uint32_t normal = nothing;
};

struct Coordinates {
    float u = 0;
    float v = 0;
};

enum class Element : uint8_t { faces, lines, points, word };

/// Elements of one kind and number of corners in lines one after another, or one line that says what holds from here.
struct Statement {
    Element element = Element::word;
    uint32_t corners = 0; ///< of each; of a word its place in `words`
    uint32_t count = 0;
    size_t first_corner = 0;
    size_t line = 0;          ///< of the first, from the block's first line, which is 1
    uint32_t places = 0;      ///< how many stand before it in the block
    uint32_t coordinates = 0; ///< the same
    uint32_t normals = 0;     ///< the same
    size_t taken = 0;         ///< once resolved: corners from first_corner on, of triangles, pairs or points
};

/// `o`, `g`, `usemtl`, `mtllib` or `s`, and what follows it.
struct Word {
    std::string key;
    std::string rest;
};

struct Failure {
    std::string what; ///< empty: none
    size_t line = 0;
};

struct Block {
    std::vector<Vec3f> places;
    std::vector<Vec3f> colours; ///< as many as places up to the last that has one; empty: none has
    std::vector<Coordinates> coordinates;
    std::vector<Vec3f> normals;
    std::vector<Corner> corners;
    std::vector<Statement> statements;
    std::vector<Word> words;
    std::map<std::string, size_t> not_taken; ///< lines by the word they begin with
    size_t weighted = 0;                     ///< places with a weight that is not 1
    size_t lines = 0;
    Failure failure; ///< it ends there

    // Once resolved:
    std::vector<uint32_t> face_of; ///< the face that each triangle was cut from; where smoothing is said at all
    size_t polygons = 0;           ///< faces of more than three corners
    size_t too_short = 0;          ///< elements with too few corners, left out
};

/// What is read: a text in memory, or a file from which each block is taken when its turn comes.
class Text {
  public:
    explicit Text(std::string_view text) : text_(text) {}
    explicit Text(const FileRanges& file) : file_(&file) {}
    [[nodiscard]] size_t size() const { return file_ != nullptr ? static_cast<size_t>(file_->size()) : text_.size(); }
    /// `bytes` from `at` on, in `buffer` if need be. False where they cannot be read.
    bool read(size_t at, size_t bytes, std::vector<char>& buffer, std::string_view& found) const;

  private:
    std::string_view text_;
    const FileRanges* file_ = nullptr;
};

/// Each of at least `block_bytes`, if there are as many. False where the text cannot be read to its end.
bool read_blocks(const Text& text, size_t block_bytes, std::vector<Block>& blocks);

/// What stands in all blocks, one after another.
struct Lists {
    std::vector<Vec3f> places;
    std::vector<Vec3f> colours;
    std::vector<Coordinates> coordinates;
    std::vector<Vec3f> normals;
};
/// Puts the blocks' lists together and takes them from the blocks, whose corners point into them then: three for each
/// triangle, two for each piece of a line. Returns what is wrong, with the line of the whole text; lists and corners
/// are of no use then.
Failure resolve(std::vector<Block>& blocks, Lists& lists);

} // namespace wembrix::obj
