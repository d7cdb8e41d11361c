#include "core/formats/image/pixels.h"

#include "core/formats/image/webp.h"
#include "core/scene/image_facts.h"

#include <algorithm>
#include <cassert>
#include <cmath>
#include <csetjmp>
#include <cstdio>
#include <cstdlib>
#include <jpeglib.h>
#include <memory>
#include <optional>
#include <png.h>

namespace wembrix {

namespace {

Problem broken(const char* what) {
    return {std::string("the image ") + what + ".", "", ""};
}

Result<Pixels> decode_png(std::span<const uint8_t> bytes) {
    png_image image{};
    image.version = PNG_IMAGE_VERSION;
    if (png_image_begin_read_from_memory(&image, bytes.data(), bytes.size()) == 0) {
        return broken("is no PNG that can be read");
    }
    Pixels pixels;
    pixels.channels = (image.format & PNG_FORMAT_FLAG_ALPHA) != 0 ? 4 : 3;
    image.format = pixels.channels == 4 ? PNG_FORMAT_RGBA : PNG_FORMAT_RGB;
    pixels.width = image.width;
    pixels.height = image.height;
    pixels.samples.resize(PNG_IMAGE_SIZE(image));
    if (png_image_finish_read(&image, nullptr, pixels.samples.data(), 0, nullptr) == 0) {
        return broken("ends too early or is broken");
    }
    return pixels;
}

/// The library ends what it cannot do with a jump: out of its functions alone, past nothing of ours that has to be
/// destroyed.
struct JpegErrors {
    jpeg_error_mgr library;
    std::jmp_buf out;
};
void leave(j_common_ptr state) {
    std::longjmp(reinterpret_cast<JpegErrors*>(state->err)->out, 1);
}
void say_nothing(j_common_ptr) {}
void note_warning(j_common_ptr state, int level) {
    if (level < 0) {
        ++state->err->num_warnings;
    }
}

struct JpegReader {
    jpeg_decompress_struct state{};
    JpegErrors errors{};
    JpegReader() {
        state.err = jpeg_std_error(&errors.library);
        errors.library.error_exit = leave;
        errors.library.output_message = say_nothing;
        errors.library.emit_message = note_warning;
    }
    JpegReader(const JpegReader&) = delete;
    JpegReader& operator=(const JpegReader&) = delete;
    ~JpegReader() { jpeg_destroy_decompress(&state); }

    bool begin(std::span<const uint8_t> bytes) {
        if (setjmp(errors.out) != 0) {
            return false;
        }
        jpeg_create_decompress(&state);
        jpeg_mem_src(&state, bytes.data(), bytes.size());
        if (jpeg_read_header(&state, TRUE) != JPEG_HEADER_OK) {
            return false;
        }
        state.out_color_space = JCS_RGB;
        return jpeg_start_decompress(&state) != FALSE;
    }
    bool rows(uint8_t* to, size_t stride) {
        if (setjmp(errors.out) != 0) {
            return false;
        }
        while (state.output_scanline < state.output_height) {
            JSAMPROW row = to + state.output_scanline * stride;
            if (jpeg_read_scanlines(&state, &row, 1) != 1) {
                return false;
            }
        }
        return errors.library.num_warnings == 0;
    }
};

Result<Pixels> decode_jpeg(std::span<const uint8_t> bytes) {
    const auto reader = std::make_unique<JpegReader>();
    if (!reader->begin(bytes)) {
        return broken("is no JPEG that can be read");
    }
    Pixels pixels;
    pixels.channels = 3;
    pixels.width = reader->state.output_width;
    pixels.height = reader->state.output_height;
    pixels.samples.resize(static_cast<size_t>(pixels.width) * pixels.height * 3);
    if (!reader->rows(pixels.samples.data(), static_cast<size_t>(pixels.width) * 3)) {
        return broken("ends too early or is broken");
    }
    return pixels;
}

struct JpegWriter {
    jpeg_compress_struct state{};
    JpegErrors errors{};
    unsigned char* bytes = nullptr;
    unsigned long size = 0; // NOLINT(google-runtime-int): the library's own
    JpegWriter() {
        state.err = jpeg_std_error(&errors.library);
        errors.library.error_exit = leave;
        errors.library.output_message = say_nothing;
    }
    JpegWriter(const JpegWriter&) = delete;
    JpegWriter& operator=(const JpegWriter&) = delete;
    ~JpegWriter() {
        jpeg_destroy_compress(&state);
        std::free(bytes);
    }
    bool write(uint8_t* rgb, uint32_t width, uint32_t height, int quality) {
        if (setjmp(errors.out) != 0) {
            return false;
        }
        jpeg_create_compress(&state);
        jpeg_mem_dest(&state, &bytes, &size);
        state.image_width = width;
        state.image_height = height;
        state.input_components = 3;
        state.in_color_space = JCS_RGB;
        jpeg_set_defaults(&state);
        jpeg_set_quality(&state, quality, TRUE);
        jpeg_start_compress(&state, TRUE);
        while (state.next_scanline < height) {
            JSAMPROW row = rgb + static_cast<size_t>(state.next_scanline) * width * 3;
            jpeg_write_scanlines(&state, &row, 1);
        }
        jpeg_finish_compress(&state);
        return true;
    }
};

} // namespace

Result<Pixels> decode_image(std::span<const uint8_t> bytes) {
    const std::optional<ImageFacts> facts = image_facts(bytes);
    if (!facts) {
        return broken("is neither a PNG nor a JPEG nor a WebP");
    }
    constexpr uint64_t most = 1ULL << 26U; // a small file may say that it is of any size
    if (static_cast<uint64_t>(facts->width) * facts->height > most) {
        return broken("is larger than 8192 by 8192 pixels");
    }
    return facts->mime == "image/png"    ? decode_png(bytes)
           : facts->mime == "image/webp" ? decode_webp(bytes)
                                         : decode_jpeg(bytes);
}

Result<std::vector<uint8_t>> encode_image(const Pixels& pixels, std::string_view mime, int quality) {
    if (mime == "image/webp") {
        return encode_webp(pixels, quality);
    }
    if (mime == "image/png") {
        png_image image{};
        image.version = PNG_IMAGE_VERSION;
        image.width = pixels.width;
        image.height = pixels.height;
        image.format = pixels.channels == 4 ? PNG_FORMAT_RGBA : PNG_FORMAT_RGB;
        png_alloc_size_t size = 0;
        if (png_image_write_to_memory(&image, nullptr, &size, 0, pixels.samples.data(), 0, nullptr) == 0) {
            return broken("cannot be written as PNG");
        }
        std::vector<uint8_t> bytes(size);
        if (png_image_write_to_memory(&image, bytes.data(), &size, 0, pixels.samples.data(), 0, nullptr) == 0) {
            return broken("cannot be written as PNG");
        }
        bytes.resize(size);
        return bytes;
    }
    std::vector<uint8_t> rgb;
    rgb.reserve(static_cast<size_t>(pixels.width) * pixels.height * 3);
    for (size_t i = 0; i < pixels.samples.size(); i += pixels.channels) {
        rgb.insert(rgb.end(), pixels.samples.begin() + static_cast<ptrdiff_t>(i),
                   pixels.samples.begin() + static_cast<ptrdiff_t>(i) + 3);
    }
    const auto writer = std::make_unique<JpegWriter>();
    if (!writer->write(rgb.data(), pixels.width, pixels.height, quality)) {
        return broken("cannot be written as JPEG");
    }
    return std::vector<uint8_t>(writer->bytes, writer->bytes + writer->size);
}

Pixels smaller_image(const Pixels& pixels, uint32_t width, uint32_t height) {
    assert(width > 0 && height > 0 && width <= pixels.width && height <= pixels.height);
    Pixels to;
    to.width = width;
    to.height = height;
    to.channels = pixels.channels;
    to.samples.resize(static_cast<size_t>(width) * height * pixels.channels);
    const double step_x = static_cast<double>(pixels.width) / width;
    const double step_y = static_cast<double>(pixels.height) / height;
    for (uint32_t y = 0; y < height; ++y) {
        const double top = y * step_y;
        const double bottom = std::min<double>((y + 1) * step_y, pixels.height);
        for (uint32_t x = 0; x < width; ++x) {
            const double left = x * step_x;
            const double right = std::min<double>((x + 1) * step_x, pixels.width);
            double sums[4] = {0, 0, 0, 0};
            double area = 0;
            for (auto row = static_cast<uint32_t>(top); row < bottom; ++row) {
                const double high = std::min<double>(bottom, row + 1) - std::max<double>(top, row);
                for (auto column = static_cast<uint32_t>(left); column < right; ++column) {
                    const double wide = std::min<double>(right, column + 1) - std::max<double>(left, column);
                    const uint8_t* from =
                        &pixels.samples[(static_cast<size_t>(row) * pixels.width + column) * pixels.channels];
                    const double share = high * wide;
                    const double alpha = pixels.channels == 4 ? from[3] * share : share;
                    for (int c = 0; c < 3; ++c) {
                        sums[c] += from[c] * alpha;
                    }
                    sums[3] += alpha;
                    area += share;
                }
            }
            uint8_t* at = &to.samples[(static_cast<size_t>(y) * width + x) * pixels.channels];
            for (int c = 0; c < 3; ++c) {
                at[c] = sums[3] > 0 ? static_cast<uint8_t>(std::lround(sums[c] / sums[3])) : uint8_t(0);
            }
            if (pixels.channels == 4) {
                at[3] = static_cast<uint8_t>(std::lround(sums[3] / area));
            }
        }
    }
    return to;
}

} // namespace wembrix
