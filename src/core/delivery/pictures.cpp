#include "core/delivery/pictures.h"

#include "core/base/files.h"
#include "core/delivery/manifest.h"
#include "core/formats/image/pixels.h"
#include "core/picture/film.h"
#include "core/picture/studio.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>

namespace wembrix {

namespace fs = std::filesystem;

namespace {

constexpr int strip_moments = 8;
constexpr double pictures_a_second = 15; // of a moving picture

const Clip* clip_shown(const Pictured& shown) {
    return shown.clip.empty() ? nullptr : shown.scene->find_clip(shown.clip);
}

Pictured pictured(const Scene& prepared, const Deliverable& deliverable) {
    return deliverable.kind->shown == nullptr ? Pictured{std::make_shared<const Scene>(prepared), "", ""}
                                              : deliverable.kind->shown(prepared, deliverable.name);
}

Result<std::string> png_of(const Pixels& pixels) {
    Result<std::vector<uint8_t>> bytes = encode_image(pixels, "image/png");
    if (!bytes) {
        return bytes.problem();
    }
    return std::string(bytes->begin(), bytes->end());
}

} // namespace

std::vector<std::string> picture_files(const Scene& prepared, const Deliverable& deliverable,
                                       const Destination& destination, const std::string& file) {
    if (destination.pictures <= 0) {
        return {};
    }
    const std::string base = picture_folder + file;
    std::vector<std::string> files = {base + ".png"};
    const Clip* clip = nullptr;
    if (deliverable.kind->manifest_list == "clips") {
        clip = prepared.find_clip(deliverable.name);
    }
    if (clip != nullptr && clip->frames() > 2) {
        files.push_back(base + "_film.png");
        if (clip->loop) {
            files.push_back(base + ".webp");
        }
    }
    return files;
}

std::string earlier_picture(const std::string& picture) {
    return picture.substr(0, picture.rfind('.')) + "_before.png";
}

namespace {

/// A person's picture as a thumbnail: whole, in the middle, and no larger than it is.
Result<Pixels> own_thumbnail(const std::string& file, const Destination& destination) {
    const Result<std::string> bytes = read_file(file);
    if (!bytes) {
        return bytes.problem();
    }
    const Result<Pixels> read = decode_image({reinterpret_cast<const uint8_t*>(bytes->data()), bytes->size()});
    if (!read) {
        return Problem{read.problem().what, file, "Choose a PNG or a JPEG."};
    }
    const auto side = static_cast<uint32_t>(destination.pictures);
    const double scale = std::min(1.0, static_cast<double>(side) / std::max(read->width, read->height));
    const auto scaled = [&](uint32_t of) { return std::max(1U, static_cast<uint32_t>(std::lround(of * scale))); };
    const Pixels small =
        scale < 1 ? smaller_image(*read, std::min(side, scaled(read->width)), std::min(side, scaled(read->height)))
                  : *read;
    const std::optional<std::array<uint8_t, 3>> ground = background_of(destination);
    Pixels out;
    out.width = out.height = side;
    out.channels = ground ? 3 : 4;
    out.samples.assign(size_t{side} * side * out.channels, 0);
    for (size_t i = 0; ground && i < out.samples.size(); ++i) {
        out.samples[i] = (*ground)[i % 3];
    }
    for (uint32_t y = 0; y < small.height; ++y) {
        for (uint32_t x = 0; x < small.width; ++x) {
            const uint8_t* from = small.samples.data() + (size_t{y} * small.width + x) * small.channels;
            uint8_t* to = out.samples.data() +
                          (size_t{y + (side - small.height) / 2} * side + x + (side - small.width) / 2) * out.channels;
            const int alpha = small.channels == 4 ? from[3] : 255;
            for (size_t k = 0; k < 3; ++k) {
                to[k] = ground ? static_cast<uint8_t>((from[k] * alpha + to[k] * (255 - alpha) + 127) / 255) : from[k];
            }
            if (!ground) {
                to[3] = static_cast<uint8_t>(alpha);
            }
        }
    }
    return out;
}

/// The pictures of one deliverable, on their way into the staging folder.
class Pictures {
  public:
    Pictures(const DeliveryRequest& request, const Deliverable& deliverable, const fs::path& staging_folder,
             Arrival& arrival)
        : destination_(request.destination), staging_folder_(staging_folder), arrival_(arrival),
          shown_(pictured(*request.prepared, deliverable)), studio_(*shown_.scene), clip_(clip_shown(shown_)) {
        if (clip_ != nullptr) {
            studio_.choose(clip_);
            moments_ = telling_moments(*shown_.scene, *clip_, strip_moments);
        }
        if (!shown_.cache.empty()) {
            studio_.choose_cache(shown_.cache);
        }
        if (!studio_.is_empty()) {
            studio_.frame(moments_, shown_.only_strands);
        }
    }

    [[nodiscard]] bool is_empty() const { return studio_.is_empty(); }

    Pixels thumbnail() {
        const double telling = clip_ != nullptr && clip_->frames() > 2 ? moments_[strip_moments / 2] : 0;
        return studio_.shoot(telling, look(destination_.pictures, 3));
    }
    Outcome put_strip(const std::string& file) {
        const Result<std::string> strip = png_of(film_strip(studio_, moments_, clip_ == nullptr ? 0 : clip_->seconds,
                                                            look(std::max(96, destination_.pictures * 3 / 8), 2)));
        return strip ? put(file, *strip) : Outcome(strip.problem());
    }
    Outcome put_moving(const std::string& file) {
        const Result<std::vector<uint8_t>> moving =
            moving_picture(studio_, clip_ == nullptr ? 0 : clip_->seconds, pictures_a_second,
                           look(std::clamp(destination_.pictures / 2, 64, 256), 2));
        return moving ? put(file, {moving->begin(), moving->end()}) : Outcome(moving.problem());
    }
    Outcome put(const std::string& file, const std::string& bytes) {
        std::error_code error;
        fs::create_directories((staging_folder_ / file).parent_path(), error);
        if (Outcome written = write_file_whole(staging_folder_ / file, bytes); !written) {
            return written;
        }
        arrival_.files.push_back(file);
        arrival_.facts.push_back({hash_of(bytes), bytes.size()});
        return Done{};
    }

  private:
    [[nodiscard]] PictureLook look(int size, int samples) const {
        PictureLook look;
        look.width = size;
        look.height = size;
        look.samples = samples;
        look.background = background_of(destination_);
        return look;
    }
    const Destination& destination_;
    fs::path staging_folder_;
    Arrival& arrival_;
    Pictured shown_;
    Studio studio_;
    const Clip* clip_;
    std::vector<double> moments_ = {0};
};

} // namespace

Outcome add_pictures(const DeliveryRequest& request, const Deliverable& deliverable, const fs::path& staging_folder,
                     const nlohmann::json& manifest, Arrival& arrival) {
    const std::vector<std::string> files =
        picture_files(*request.prepared, deliverable, request.destination, arrival.files.front());
    if (files.empty()) {
        return Done{};
    }
    Pictures pictures(request, deliverable, staging_folder, arrival);
    const auto own = std::find_if(request.made_from.pictures.begin(), request.made_from.pictures.end(),
                                  [&](const OwnPicture& one) { return one.deliverable == deliverable.id(); });
    const bool has_own = own != request.made_from.pictures.end();
    if (pictures.is_empty() && !has_own) {
        return Done{};
    }
    const Result<Pixels> pixels =
        has_own ? own_thumbnail(own->file, request.destination) : Result<Pixels>(pictures.thumbnail());
    if (!pixels) {
        arrival.state = CellState::held;
        arrival.reason = "its own picture: " + pixels.problem().sentence();
        return Done{};
    }
    const Result<std::string> thumbnail = png_of(*pixels);
    if (!thumbnail) {
        return thumbnail.problem();
    }
    if (Outcome done = pictures.put(files[0], *thumbnail); !done) {
        return done;
    }
    if (const Result<std::string> before = read_file(request.folder / files[0]);
        before && *before != *thumbnail && lists_file(manifest, files[0])) {
        if (Outcome done = pictures.put(earlier_picture(files[0]), *before); !done) {
            return done;
        }
    }
    if (files.size() > 1) {
        if (Outcome done = pictures.put_strip(files[1]); !done) {
            return done;
        }
    }
    return files.size() > 2 ? pictures.put_moving(files[2]) : Outcome(Done{});
}

} // namespace wembrix
