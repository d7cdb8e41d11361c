#include "core/formats/obj/blocks.h"

#include "core/formats/obj/obj_text.h"

#include <algorithm>
#include <atomic>
#include <limits>
#include <tbb/enumerable_thread_specific.h>
#include <tbb/parallel_for.h>

namespace wembrix::obj {

namespace {

/// Indices beyond it point at nothing in any file that is read.
uint32_t as_written(int64_t index) {
    constexpr int64_t most = std::numeric_limits<int32_t>::max();
    return static_cast<uint32_t>(static_cast<int32_t>(std::clamp(index, -most, most)));
}

class BlockReader {
  public:
    BlockReader(std::string_view text, Block& block) : lines_(text), block_(block) {
        // Of the lines that most files have most of; more is taken when it is needed.
        block_.corners.reserve(text.size() / 16);
    }

    void run() {
        for (std::string_view key = lines_.next_line(); !key.empty(); key = lines_.next_line()) {
            if (!take(key)) {
                block_.failure.line = lines_.line();
                return;
            }
        }
        block_.lines = lines_.line();
    }

  private:
    bool fail(const char* what) {
        block_.failure.what = what;
        return false;
    }

    bool take(std::string_view key) {
        if (key == "v") {
            return take_place();
        }
        if (key == "f") {
            return take_element(Element::faces);
        }
        if (key == "vt") {
            Coordinates at;
            if (!lines_.number(at.u)) {
                return fail("texture coordinates are no numbers.");
            }
            lines_.number(at.v);
            block_.coordinates.push_back(at);
            return true;
        }
        if (key == "vn") {
            Vec3f normal;
            if (!lines_.number(normal.x()) || !lines_.number(normal.y()) || !lines_.number(normal.z())) {
                return fail("a normal is not three numbers.");
            }
            block_.normals.push_back(normal);
            return true;
        }
        if (key == "l") {
            return take_element(Element::lines);
        }
        if (key == "p") {
            return take_element(Element::points);
        }
        if (key == "o" || key == "g" || key == "usemtl" || key == "mtllib" || key == "s") {
            block_.statements.push_back({Element::word, static_cast<uint32_t>(block_.words.size())});
            block_.words.push_back({std::string(key), std::string(key == "s" ? lines_.word() : lines_.rest())});
            return true;
        }
        ++block_.not_taken[std::string(key.substr(0, 20))];
        return true;
    }

    bool take_place() {
        Vec3f at;
        if (!lines_.number(at.x()) || !lines_.number(at.y()) || !lines_.number(at.z())) {
            return fail("a vertex is not three numbers.");
        }
        if (!at.allFinite()) {
            return fail("a vertex has a place that is no number.");
        }
        block_.places.push_back(at);
        float more[4];
        int count = 0;
        while (count < 4 && lines_.number(more[count])) {
            ++count;
        }
        if (count >= 3) { // the last three: a weight may stand before them
            block_.colours.resize(block_.places.size() - 1, Vec3f::Ones());
            block_.colours.emplace_back(more[count - 3], more[count - 2], more[count - 1]);
        } else if (count == 1 && more[0] != 1) {
            ++block_.weighted;
        }
        return true;
    }

    bool take_element(Element element) {
        const size_t first = block_.corners.size();
        const size_t line = lines_.line();
        int64_t indices[3];
        bool broken = false;
        while (lines_.corner(indices, broken)) {
            if (broken) {
                return fail("what should be indices is something else.");
            }
            block_.corners.push_back({as_written(indices[0]), as_written(indices[1]), as_written(indices[2])});
        }
        const size_t count = block_.corners.size() - first;
        if (count >= nothing) {
            return fail("has more corners than can be counted.");
        }
        const Statement now = {element,
                               static_cast<uint32_t>(count),
                               1,
                               first,
                               line,
                               static_cast<uint32_t>(block_.places.size()),
                               static_cast<uint32_t>(block_.coordinates.size()),
                               static_cast<uint32_t>(block_.normals.size())};
        if (!block_.statements.empty()) {
            Statement& last = block_.statements.back();
            if (last.element == element && last.corners == now.corners && last.line + last.count == line &&
                last.places == now.places && last.coordinates == now.coordinates && last.normals == now.normals) {
                ++last.count;
                return true;
            }
        }
        block_.statements.push_back(now);
        return true;
    }

    Lines lines_;
    Block& block_;
};

/// Where the first line ends that goes on at or behind `from`; a line that ends in a backslash goes on in the next.
bool end_of_line(const Text& text, size_t from, size_t& end) {
    constexpr size_t window = 4096;
    std::vector<char> buffer;
    for (size_t at = from; at < text.size(); at += window) {
        const size_t before = std::min<size_t>(at, 2);
        std::string_view bytes;
        if (!text.read(at - before, std::min(text.size() - at, window) + before, buffer, bytes)) {
            return false;
        }
        for (size_t i = before; i < bytes.size(); ++i) {
            const bool goes_on =
                (i >= 1 && bytes[i - 1] == '\\') || (i >= 2 && bytes[i - 1] == '\r' && bytes[i - 2] == '\\');
            if (bytes[i] == '\n' && !goes_on) {
                end = at - before + i + 1;
                return true;
            }
        }
    }
    end = text.size();
    return true;
}

} // namespace

bool Text::read(size_t at, size_t bytes, std::vector<char>& buffer, std::string_view& found) const {
    if (file_ == nullptr) {
        found = text_.substr(at, bytes);
        return true;
    }
    if (buffer.size() < bytes) {
        buffer.resize(bytes);
    }
    found = {buffer.data(), bytes};
    return file_->read(at, bytes, buffer.data());
}

bool read_blocks(const Text& text, size_t block_bytes, std::vector<Block>& blocks) {
    std::vector<size_t> ends = {0};
    while (ends.back() < text.size()) {
        size_t end = text.size();
        if (text.size() - ends.back() > block_bytes && !end_of_line(text, ends.back() + block_bytes, end)) {
            return false;
        }
        ends.push_back(end);
    }
    blocks.resize(ends.size() - 1);
    std::atomic<bool> whole = true;
    tbb::enumerable_thread_specific<std::vector<char>> buffers;
    tbb::parallel_for(size_t(0), blocks.size(), [&](size_t b) {
        std::string_view bytes;
        if (!text.read(ends[b], ends[b + 1] - ends[b], buffers.local(), bytes)) {
            whole = false;
            return;
        }
        BlockReader(bytes, blocks[b]).run();
        // A line is counted once it begins; behind the last one's end another would.
        blocks[b].lines -= bytes.ends_with('\n') ? 1 : 0;
    });
    return whole;
}

} // namespace wembrix::obj
