// Points over time, frame by frame.
#include "core/base/file_sink.h"
#include "core/base/text.h"
#include "core/formats/usd/crate.h"
#include "core/formats/usd/read_parts.h"
#include "core/formats/usd/usd.h"
#include "core/formats/usd/write_parts.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace usd {

namespace {

constexpr Type points_type{Kind::float32, Form::vector, 3};

Prim* prim_at(Layer& layer, const std::string& path) {
    std::vector<Prim>* among = &layer.prims;
    Prim* found = nullptr;
    for (const PathElement& element : elements_of(path)) {
        const auto at =
            std::find_if(among->begin(), among->end(), [&](const Prim& one) { return one.name == element.name; });
        if (at == among->end()) {
            return nullptr;
        }
        found = &*at;
        among = &at->children;
    }
    return found;
}

void set_field(Dictionary& metadata, const std::string& name, Value value) {
    const auto found =
        std::find_if(metadata.begin(), metadata.end(), [&](const Entry& one) { return one.name == name; });
    if (found == metadata.end()) {
        metadata.push_back({name, std::move(value)});
    } else {
        found->value = std::move(value);
    }
}

/// The first prim below these whose points move, and its path.
Prim* moving_prim(std::vector<Prim>& prims) {
    for (Prim& prim : prims) {
        const Property* points = prim.property("points");
        if (points != nullptr && !points->samples.empty()) {
            return &prim;
        }
        if (Prim* below = moving_prim(prim.children)) {
            return below;
        }
    }
    return nullptr;
}

std::vector<Sample> taken_samples(Prim& prim, const char* attribute) {
    for (Property& property : prim.properties) {
        if (property.name == attribute) {
            return std::exchange(property.samples, {});
        }
    }
    return {};
}

/// From a file's numbers to core's axes and metres, as the reader goes by what the layer says.
Mat3 to_core(const Layer& layer) {
    const Value* unit = find(layer.metadata, "metersPerUnit");
    const double metres = unit == nullptr ? 0.01 : unit->as_number().value_or(0.01);
    const bool z_up = metadata_text(layer.metadata, "upAxis") == "Z";
    const Mat3 turn =
        z_up ? Mat3(shortest_turn(Vec3::UnitZ(), Vec3::UnitY()).toRotationMatrix()) : Mat3(Mat3::Identity());
    return turn * metres;
}

Outcome read_frame(const MappedFile& file, const std::vector<Sample>& samples, int frame, const Mat3& to_core,
                   std::vector<Vec3f>& out) {
    const Value& value = samples[static_cast<size_t>(frame)].value;
    if (!(value.type().kind == Kind::float32 && value.type().width == 3) || value.size() == 0) {
        return Problem{phrase("frame {} holds no points.", frame), "", ""};
    }
    out.resize(value.size());
    std::memcpy(static_cast<void*>(out.data()), value.bytes().data(), value.bytes().size());
    file.let_go(value.bytes().data(), value.bytes().size());
    const Eigen::Matrix3f matrix = to_core.cast<float>();
    for (Vec3f& point : out) {
        point = matrix * point;
    }
    return Done{};
}

} // namespace

} // namespace usd

Outcome write_moving_usd(const Scene& scene, const MovingPoints& points, const std::filesystem::path& file,
                         const AxisSystem& space) {
    using namespace usd;
    Result<WrittenStage> stage = stage_of(scene, file.stem().string(), space);
    if (!stage) {
        return stage.problem();
    }
    Layer& layer = stage->layer;
    MadeSamples made;
    if (points.frames > 0) {
        set_field(layer.metadata, "endTimeCode", Value::number(points.frames - 1));
        set_field(layer.metadata, "framesPerSecond", Value::number(points.rate));
        set_field(layer.metadata, "startTimeCode", Value::number(0));
        set_field(layer.metadata, "timeCodesPerSecond", Value::number(points.rate));
        const std::string& path = stage->paths.at(points.node);
        made.attributes = {path + ".points", path + ".extent"};
        const Prim* prim = prim_at(layer, path);
        const bool has_normals = points.has_normals && prim != nullptr && prim->property("normals") != nullptr;
        if (has_normals) {
            made.attributes.push_back(path + ".normals");
        }
        for (int f = 0; f < points.frames; ++f) {
            made.times.push_back(f);
        }
        float widest = 0;
        const int set = scene.nodes[static_cast<size_t>(points.node)].curves;
        for (const float width : set < 0 ? Shared<float>() : scene.curve_sets[static_cast<size_t>(set)].widths) {
            widest = std::max(widest, width);
        }
        made.make = [&points, has_normals, widest](size_t moment) -> Result<std::vector<Value>> {
            std::vector<Vec3f> places;
            std::vector<Vec3f> normals;
            if (Outcome given = points.at(static_cast<int>(moment), places, normals); !given) {
                return given.problem();
            }
            Value extent = extent_of(places, widest / 2);
            std::vector<Value> values = {Value::array<Vec3f>(points_type, std::move(places)), std::move(extent)};
            if (has_normals) {
                values.push_back(Value::array<Vec3f>(points_type, std::move(normals)));
            }
            return values;
        };
    }
    return write_crate(layer, made, file);
}

Result<MovingFile> open_moving_usd(const std::filesystem::path& file) {
    using namespace usd;
    const Result<std::shared_ptr<const MappedFile>> mapped = MappedFile::open(file);
    if (!mapped) {
        return mapped.problem();
    }
    Result<Layer> read = read_crate(*mapped, (*mapped)->bytes());
    if (!read) {
        return read.problem();
    }
    Layer layer = read.take();
    MovingFile opened;
    auto places = std::make_shared<std::vector<Sample>>();
    auto normals = std::make_shared<std::vector<Sample>>();
    std::string name;
    if (Prim* prim = moving_prim(layer.prims)) {
        name = shown_name(*prim);
        *places = taken_samples(*prim, "points");
        *normals = taken_samples(*prim, "normals");
        taken_samples(*prim, "extent");
    }
    const Mat3 matrix = to_core(layer);
    const Mat3 turn = matrix / std::cbrt(matrix.determinant());
    const Value* rate = find(layer.metadata, "timeCodesPerSecond");
    const double codes = rate == nullptr ? 24 : rate->as_number().value_or(24);
    Result<Scene> scene = scene_of_layer(std::move(layer), file.stem().string());
    if (!scene) {
        return scene.problem();
    }
    opened.scene = scene.take();
    for (size_t n = 0; n < opened.scene.nodes.size(); ++n) {
        const Node& node = opened.scene.nodes[n];
        if ((node.mesh >= 0 || node.curves >= 0) && (name.empty() || node.name == name)) {
            opened.points.node = static_cast<int>(n);
        }
    }
    if (opened.points.node < 0) {
        return Problem{"holds neither curves nor a surface.", file.string(), ""};
    }
    opened.points.frames = static_cast<int>(places->size());
    opened.points.has_normals = !normals->empty() && normals->size() == places->size();
    const double step = places->size() < 2 ? 1 : (places->back().time - places->front().time) / (places->size() - 1);
    opened.points.rate = step > 0 ? codes / step : codes;
    const bool has_normals = opened.points.has_normals;
    opened.points.at = [file_held = *mapped, places, normals, matrix, turn,
                        has_normals](int frame, std::vector<Vec3f>& to, std::vector<Vec3f>& to_normals) -> Outcome {
        if (frame < 0 || static_cast<size_t>(frame) >= places->size()) {
            return Problem{phrase("there is no frame {}.", frame), "", ""};
        }
        if (Outcome done = read_frame(*file_held, *places, frame, matrix, to); !done) {
            return done;
        }
        return has_normals ? read_frame(*file_held, *normals, frame, turn, to_normals) : Outcome(Done{});
    };
    return opened;
}

} // namespace wembrix
