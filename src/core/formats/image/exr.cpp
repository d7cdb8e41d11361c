#include "core/formats/image/exr.h"
#include "core/base/text.h"

#include <ImfChannelList.h>
#include <ImfFrameBuffer.h>
#include <ImfHeader.h>
#include <ImfInputFile.h>
#include <ImfOutputFile.h>
#include <algorithm>
#include <array>
#include <cstdlib>
#include <exception>
#include <half.h>
#include <unistd.h>

namespace wembrix {

namespace {
constexpr std::array<const char*, 3> channels = {"R", "G", "B"};
constexpr int widest_image = 4096, highest_image = 16384;
} // namespace

Outcome write_exr(const std::filesystem::path& file, ExrSize size, bool half_floats,
                  const std::function<Outcome(uint32_t y, std::span<float> row)>& row) {
    std::error_code error;
    if (std::filesystem::exists(std::filesystem::symlink_status(file, error))) {
        return Problem{"is there already.", file.string(), ""};
    }
    try {
        Imf::Header header(static_cast<int>(size.width), static_cast<int>(size.height));
        header.compression() = Imf::ZIP_COMPRESSION;
        const Imf::PixelType type = half_floats ? Imf::HALF : Imf::FLOAT;
        for (const char* name : channels) {
            header.channels().insert(name, Imf::Channel(type));
        }
        Imf::OutputFile out(file.c_str(), header, 0);
        std::vector<float> numbers(size_t{3} * size.width);
        std::vector<half> halves(half_floats ? numbers.size() : 0);
        for (uint32_t y = 0; y < size.height; ++y) {
            if (Outcome filled = row(y, numbers); !filled) {
                std::filesystem::remove(file, error);
                return filled;
            }
            std::transform(numbers.begin(), numbers.begin() + static_cast<ptrdiff_t>(halves.size()), halves.begin(),
                           [](float number) { return half(number); });
            const size_t item = half_floats ? sizeof(half) : sizeof(float);
            char* first =
                half_floats ? reinterpret_cast<char*>(halves.data()) : reinterpret_cast<char*>(numbers.data());
            Imf::FrameBuffer frame;
            for (size_t c = 0; c < 3; ++c) { // rows of its own do not move on: the row at hand is always the first
                frame.insert(channels[c], Imf::Slice(type, first + c * item, 3 * item, 0));
            }
            out.setFrameBuffer(frame);
            out.writePixels(1);
        }
    } catch (const std::exception& problem) {
        std::filesystem::remove(file, error);
        return Problem{phrase("cannot be written: {}.", problem.what()), file.string(),
                       "Check that the folder can be written to and the disk has room."};
    }
    return Done{};
}

Result<ExrImage> read_exr(const std::filesystem::path& file) {
    try {
        Imf::InputFile in(file.c_str(), 0);
        const Imath::Box2i window = in.header().dataWindow();
        const int64_t width = int64_t{window.max.x} - window.min.x + 1;
        const int64_t height = int64_t{window.max.y} - window.min.y + 1;
        constexpr int farthest = 1 << 20; // of the window from its own origin
        if (std::abs(int64_t{window.min.x}) > farthest || std::abs(int64_t{window.min.y}) > farthest || width < 1 ||
            height < 1 || width > widest_image || height > highest_image) {
            return Problem{"is an image of a size that is not taken.", file.string(), ""};
        }
        ExrImage image;
        image.size = {static_cast<uint32_t>(width), static_cast<uint32_t>(height)};
        for (const char* name : channels) {
            const Imf::Channel* channel = in.header().channels().findChannel(name);
            if (channel == nullptr || channel->xSampling != 1 || channel->ySampling != 1) {
                return Problem{phrase("has no channel {}.", name), file.string(), ""};
            }
            image.half = channel->type == Imf::HALF;
        }
        // Row by row, so that a file which says that it is large and is not is found out before there is room made.
        std::vector<float> row(static_cast<size_t>(3 * width));
        char* origin =
            reinterpret_cast<char*>(row.data()) - int64_t{window.min.x} * static_cast<int64_t>(3 * sizeof(float));
        Imf::FrameBuffer frame;
        for (size_t c = 0; c < 3; ++c) {
            frame.insert(channels[c], Imf::Slice(Imf::FLOAT, origin + c * sizeof(float), 3 * sizeof(float), 0));
        }
        in.setFrameBuffer(frame);
        for (int y = window.min.y; y <= window.max.y; ++y) {
            in.readPixels(y);
            image.pixels.insert(image.pixels.end(), row.begin(), row.end());
        }
        return image;
    } catch (const std::exception& problem) {
        return Problem{phrase("cannot be read: {}.", problem.what()), file.string(), ""};
    }
}

} // namespace wembrix
