#include "core/delivery/cache_textures.h"

#include "core/base/counted.h"
#include "core/base/file_sink.h"
#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/base/text.h"
#include "core/delivery/point_claims.h"
#include "core/delivery/stamp.h"
#include "core/destination/pixel_coordinates.h"
#include "core/formats/image/exr.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace wembrix {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

constexpr uint32_t highest = 16384;

Mat4 to_engine(const Destination& destination) {
    return destination.axes.from_core();
}

std::vector<Vec3f> rest_of(const Scene& prepared, const MovingPart& part, const Mat4& matrix) {
    std::vector<Vec3f> rest = alone(prepared, part).meshes.at(0).positions.get();
    transform_all(matrix, rest);
    return rest;
}

/// Frames as they go into pixels: differences from rest, and unit normals.
class PixelFrames {
  public:
    PixelFrames(const Scene& prepared, const MovingPart& part, const Destination& destination)
        : matrix_(to_engine(destination)), rest_(rest_of(prepared, part, matrix_)),
          moving_(frames_of(prepared, part, destination)) {
        const Mat3 linear = linear_of(matrix_);
        turn_ = (linear / std::cbrt(std::abs(linear.determinant()))).cast<float>();
    }
    [[nodiscard]] const MovingPoints& moving() const { return moving_; }
    [[nodiscard]] const std::vector<Vec3f>& rest() const { return rest_; }
    Outcome take(int frame) {
        if (frame == taken_) {
            return Done{};
        }
        if (Outcome given = moving_.at(frame, points_, normals_); !given) {
            return given;
        }
        taken_ = frame;
        transform_all(matrix_, points_);
        for (size_t v = 0; v < points_.size(); ++v) {
            points_[v] -= rest_[v];
            normals_[v] = turn_ * normals_[v];
        }
        return Done{};
    }
    [[nodiscard]] const std::vector<Vec3f>& differences() const { return points_; }
    [[nodiscard]] const std::vector<Vec3f>& normals() const { return normals_; }

  private:
    Mat4 matrix_;
    Eigen::Matrix3f turn_;
    std::vector<Vec3f> rest_;
    MovingPoints moving_;
    int taken_ = -1;
    std::vector<Vec3f> points_;
    std::vector<Vec3f> normals_;
};

std::vector<double> numbers(const Vec3& of) {
    return {of.x(), of.y(), of.z()};
}

} // namespace

std::vector<MovingPart> texture_parts(const Scene& prepared) {
    return ordered_parts(prepared, CacheAs::textures);
}

Outcome write_cache_textures(const Scene& prepared, const MovingPart& part, const Destination& destination,
                             const json& stamp, const fs::path& path, Arrival& arrival) {
    const fs::path folder = path.parent_path();
    const std::string stem = path.filename().string();
    PixelFrames frames(prepared, part, destination);
    const size_t vertices = frames.rest().size();
    const TextureLayout layout = texture_layout(vertices);
    const auto count = static_cast<uint32_t>(frames.moving().frames);
    const uint64_t height = uint64_t{layout.rows} * count;
    if (height > highest) {
        return Problem{phrase("{} of {} need an image of {} rows; engines take {}.", counted(count, "frame"),
                              counted(vertices, "vertex"), height, highest),
                       part.name, "Take every second frame, or a shorter range."};
    }
    Vec3 low = Vec3::Constant(1e300);
    Vec3 high = -low;
    const auto image = [&](const char* name, bool is_normals) {
        return write_exr(folder / fmt::format("{}_{}.exr", stem, name), {layout.width, static_cast<uint32_t>(height)},
                         part.order.half, [&](uint32_t y, std::span<float> row) -> Outcome {
                             if (Outcome taken = frames.take(static_cast<int>(y / layout.rows)); !taken) {
                                 return taken;
                             }
                             const std::vector<Vec3f>& from = is_normals ? frames.normals() : frames.differences();
                             std::fill(row.begin(), row.end(), 0.F);
                             const size_t first = size_t{y % layout.rows} * layout.width;
                             for (size_t v = first; v < std::min(first + layout.width, vertices); ++v) {
                                 std::copy_n(from[v].data(), 3, row.begin() + static_cast<ptrdiff_t>(3 * (v - first)));
                                 if (!is_normals) {
                                     low = low.cwiseMin(from[v].cast<double>());
                                     high = high.cwiseMax(from[v].cast<double>());
                                 }
                             }
                             return Done{};
                         });
    };
    for (const auto& [name, is_normals] : {std::pair("positions", false), std::pair("normals", true)}) {
        if (Outcome written = image(name, is_normals); !written) {
            return written;
        }
    }
    json description = {{"format", "wembrix cache textures"},
                        {"version", 1},
                        {"surface", prepared.nodes[static_cast<size_t>(part.node)].name},
                        {"clip", part.order.clip},
                        {"vertices", vertices},
                        {"frames", count},
                        {"rate", frames.moving().rate},
                        {"width", layout.width},
                        {"height", height},
                        {"rows_a_frame", layout.rows},
                        {"coordinates", pixel_coordinates_of(prepared, part.node)},
                        {"positions", fmt::format("{}_positions.exr", stem)},
                        {"normals", fmt::format("{}_normals.exr", stem)},
                        {"numbers", part.order.half ? "half" : "float"},
                        {"positions_are", "differences from rest"},
                        {"low", numbers(low)},
                        {"high", numbers(high)},
                        {"up", axis_name(destination.axes.up)},
                        {"forward", axis_name(destination.axes.forward)},
                        {"unit_m", destination.axes.unit_m}};
    if (!stamp.is_null()) {
        description["wembrix"] = stamp;
    }
    if (Outcome written = write_file_whole(folder / (stem + ".json"), description.dump(2) + "\n"); !written) {
        return written;
    }
    arrival.staged_in = folder;
    arrival.files = {stem + ".json", stem + "_positions.exr", stem + "_normals.exr"};
    arrival.facts.clear();
    arrival.bytes = 0;
    for (const std::string& file : arrival.files) {
        const Result<std::string> hash = hash_of_file(folder / file);
        if (!hash) {
            return hash.problem();
        }
        std::error_code error;
        arrival.facts.push_back({*hash, fs::file_size(folder / file, error)});
        arrival.bytes += arrival.facts.back().bytes;
    }
    arrival.hash = arrival.facts.front().hash;
    return Done{};
}

namespace {

/// Which pixel of a frame's block a vertex's coordinates lead to.
size_t pixel_at(const Attribute& set, size_t vertex, const TextureLayout& layout) {
    const auto column = static_cast<size_t>(set.data[2 * vertex] * static_cast<float>(layout.width));
    const auto row = static_cast<size_t>(set.data[2 * vertex + 1] * static_cast<float>(layout.rows));
    return std::min<size_t>(row, layout.rows - 1) * layout.width + std::min<size_t>(column, layout.width - 1);
}

} // namespace

json stamp_of_cache_textures(const fs::path& description) {
    const Result<json> said = read_json_file(description);
    const bool is_one = said && said->is_object() && said->value("format", json()) == "wembrix cache textures";
    json stamp = is_one ? said->value("wembrix", json()) : json();
    return is_stamp(stamp) ? stamp : json();
}

Outcome check_cache_textures(const Scene& prepared, const MovingPart& part, const Destination& destination,
                             const json& stamp, const fs::path& file, const Scene* model, Arrival& arrival) {
    const Result<json> description = read_json_file(file);
    if (!description) {
        return description.problem();
    }
    if (!stamp.is_null()) {
        arrival.says = stamp_claim(stamp, stamp_of_cache_textures(file));
    }
    const auto text = [&](const char* key) { return description->value(key, std::string()); };
    std::vector<ExrImage> images;
    for (const char* key : {"positions", "normals"}) {
        const fs::path name(text(key));
        if (name.empty() || name.filename() != name) {
            return Problem{phrase("names no image as \"{}\".", key), file.string(), ""};
        }
        Result<ExrImage> image = read_exr(file.parent_path() / name);
        if (!image) {
            return image.problem();
        }
        images.push_back(image.take());
    }
    const auto claim = [&](Text name, Text expected, Text actual, bool pass, const Text& detail) {
        arrival.claims.push_back({std::move(name), std::move(expected), std::move(actual), pass, pass ? "" : detail});
    };
    PixelFrames frames(prepared, part, destination);
    const size_t vertices = frames.rest().size();
    const TextureLayout layout = texture_layout(vertices);
    const int count = frames.moving().frames;
    const int is_frames = description->value("frames", 0);
    const double is_rate = description->value("rate", 0.0);
    arrival.claims.push_back(frames_claim({count, frames.moving().rate}, {is_frames, is_rate}));
    bool sizes = true;
    for (const ExrImage& image : images) {
        sizes = sizes && image.size.width == layout.width &&
                image.size.height == layout.rows * static_cast<uint32_t>(count) && image.half == part.order.half;
    }
    claim("Images", phrase("{} × {}", layout.width, layout.rows * static_cast<uint32_t>(count)),
          phrase("{} × {}", images[0].size.width, images[0].size.height), sizes, "another size, or kind of number");
    // Each vertex of the model that arrived finds its own pixel.
    const std::string& name = prepared.nodes[static_cast<size_t>(part.node)].name;
    const std::string set_name = text("coordinates");
    const int node = model == nullptr ? -1 : model->find_node(name);
    const int mesh = node < 0 ? -1 : model->nodes[static_cast<size_t>(node)].mesh;
    const Attribute* set = nullptr;
    for (size_t a = 0; mesh >= 0 && a < model->meshes[static_cast<size_t>(mesh)].attributes.size(); ++a) {
        const Attribute& one = model->meshes[static_cast<size_t>(mesh)].attributes[a];
        set = one.name == set_name && one.width == 2 && one.data.size() == 2 * vertices ? &one : set;
    }
    size_t lost = set == nullptr ? vertices : 0;
    for (size_t v = 0; set != nullptr && v < vertices; ++v) {
        lost += pixel_at(*set, v, layout) == v ? 0 : 1;
    }
    claim("Coordinates", phrase("each of {} finds its pixel", counted(vertices, "vertex")),
          set == nullptr ? phrase("“{}” has no {}", name, set_name.empty() ? "such set" : set_name)
                         : phrase("{} do not", lost),
          lost == 0, "the model of the same delivery does not lead to the pixels");
    Drift& drift = arrival.drift;
    drift.place = name;
    drift.clip = part.order.clip;
    double widest_angle = 0;
    Vec3 low = Vec3::Constant(1e300);
    Vec3 high = -low;
    for (int f = 0; f < count && sizes && lost == 0; ++f) {
        if (Outcome taken = frames.take(f); !taken) {
            return taken;
        }
        float worst = 0;
        for (size_t v = 0; v < vertices; ++v) {
            const size_t pixel = size_t(f) * layout.rows * layout.width + pixel_at(*set, v, layout);
            const Eigen::Map<const Vec3f> is(images[0].pixels.data() + 3 * pixel);
            const Eigen::Map<const Vec3f> normal(images[1].pixels.data() + 3 * pixel);
            low = low.cwiseMin(is.cast<double>());
            high = high.cwiseMax(is.cast<double>());
            const double apart =
                static_cast<double>((is - frames.differences()[v]).norm()) * destination.axes.unit_m * 1000;
            worst = std::max(worst, static_cast<float>(apart));
            if (is_worse(apart, drift.largest_mm)) {
                drift.largest_mm = apart;
                drift.frame = f;
                drift.point = v;
            }
            widest_angle = std::max(widest_angle, static_cast<double>((normal - frames.normals()[v]).norm()));
        }
        drift.per_frame_mm.push_back(worst);
        drift.points_compared = vertices;
    }
    const double degrees = widest_angle * 180 / M_PI;
    const double allowed = part.order.half ? 0.2 : 0.01;
    claim("Normals", phrase("within {:g}°", allowed), fmt::format("{:.3f}°", degrees), degrees <= allowed,
          "they point another way");
    // The bounding figures are those of the numbers before they were rounded to halves.
    const auto figure = [&](const char* key) {
        const json list = description->value(key, json::array());
        Vec3 at = Vec3::Constant(std::nan(""));
        for (int k = 0; k < 3 && list.is_array() && list.size() == 3; ++k) {
            at[k] =
                list[static_cast<size_t>(k)].is_number() ? list[static_cast<size_t>(k)].get<double>() : std::nan("");
        }
        return at;
    };
    const double off =
        std::max((figure("low") - low).cwiseAbs().maxCoeff(), (figure("high") - high).cwiseAbs().maxCoeff());
    const double largest = std::max(low.cwiseAbs().maxCoeff(), high.cwiseAbs().maxCoeff());
    const double rounding = largest * (part.order.half ? std::ldexp(1, -10) : std::ldexp(1, -22));
    claim("Bounding figures", "those of the pixels", phrase("{:.2g} u off", off), off <= rounding,
          "the pixels go beyond them, or do not reach them");
    const bool near = drift.points_compared > 0 && drift.largest_mm <= destination.drift_limit_mm;
    claim("Drift", phrase("at most {:g} mm", destination.drift_limit_mm), phrase("{:.4f} mm", drift.largest_mm), near,
          drift.points_compared == 0 ? "nothing could be put together"
                                     : phrase("{:.3f} mm, frame {}; the limit is {:g} mm", drift.largest_mm,
                                              drift.frame, destination.drift_limit_mm));
    if (model != nullptr) {
        arrival.scene = std::make_shared<const Scene>(*model);
    }
    settle_state(arrival);
    return Done{};
}

} // namespace wembrix
