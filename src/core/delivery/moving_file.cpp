#include "core/delivery/moving_file.h"

#include "core/base/counted.h"
#include "core/base/file_sink.h"
#include "core/base/text.h"
#include "core/delivery/arrival_check.h"
#include "core/delivery/point_claims.h"
#include "core/delivery/stamp.h"
#include "core/destination/file_space.h"
#include "core/formats/format.h"
#include "core/measure/strands/strand_surface.h"
#include "core/scene/content.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace wembrix {

namespace fs = std::filesystem;

Destination with_points_container(Destination destination) {
    destination.container = destination.points_container;
    return destination;
}

namespace {

void turn_all(const Mat4& matrix, std::vector<Vec3f>& normals) {
    const Mat3 linear = linear_of(matrix);
    const Eigen::Matrix3f turn = (linear / std::cbrt(linear.determinant())).cast<float>();
    for (Vec3f& normal : normals) {
        normal = turn * normal;
    }
}

bool is_stamped(const nlohmann::json& stamp, const Format& format, const Scene& scene) {
    return !stamp.is_null() && has(format.writes, Content::about) && has_place_for_stamp(scene);
}

/// Of one node's points at rest, world.
std::vector<Vec3f> points_at_rest(const Scene& scene, int node) {
    const Node& carrier = scene.nodes[static_cast<size_t>(node)];
    std::vector<Vec3f> points = carrier.mesh >= 0 ? scene.meshes[static_cast<size_t>(carrier.mesh)].positions.get()
                                                  : scene.curve_sets[static_cast<size_t>(carrier.curves)].points.get();
    transform_all(rest_world(scene)[static_cast<size_t>(node)], points);
    return points;
}

} // namespace

Outcome write_part(const Scene& prepared, const MovingPart& part, const Destination& of, const nlohmann::json& stamp,
                   const fs::path& path, Arrival& arrival) {
    const Destination destination = with_points_container(of);
    const Format* format = format_with_id(destination.container);
    if (format == nullptr || format->write_moving == nullptr) {
        return Problem{phrase("\"{}\" is no container for strands and caches.", destination.container),
                       destination.name, ""};
    }
    const AxisSystem space = file_space(*format, destination);
    const Mat4 to_file = space.from_core();
    Scene scene = alone(prepared, part);
    for (Mesh& mesh : scene.meshes) {
        transform_geometry(mesh, to_file);
    }
    for (CurveSet& curves : scene.curve_sets) {
        transform_geometry(curves, to_file);
    }
    if (is_stamped(stamp, *format, scene)) {
        put_stamp(scene, stamp);
    }
    MovingPoints in_core = frames_of(prepared, part, destination);
    MovingPoints moving = in_core;
    moving.node = 0;
    moving.at = [&](int frame, std::vector<Vec3f>& points, std::vector<Vec3f>& normals) -> Outcome {
        if (Outcome given = in_core.at(frame, points, normals); !given) {
            return given;
        }
        transform_all(to_file, points);
        turn_all(to_file, normals);
        return Done{};
    };
    const fs::path folder = path.parent_path();
    const std::string name = path.filename().string() + std::string(format->suffix());
    if (Outcome written = format->write_moving(scene, moving, folder / name, space); !written) {
        return written;
    }
    const Result<std::string> hash = hash_of_file(folder / name);
    if (!hash) {
        return hash.problem();
    }
    std::error_code error;
    arrival.staged_in = folder;
    arrival.files = {name};
    arrival.bytes = fs::file_size(folder / name, error);
    arrival.facts = {{*hash, arrival.bytes}};
    arrival.hash = *hash;
    return Done{};
}

namespace {

class PartCheck {
  public:
    PartCheck(const Scene& prepared, const MovingPart& part, const Destination& of, const nlohmann::json& stamp,
              Arrival& arrival)
        : prepared_(prepared), part_(part), of_(of), stamp_(stamp), destination_(with_points_container(of)),
          should_(alone(prepared, part)), arrival_(arrival) {}

    Outcome run(const fs::path& file, const Scene* model) {
        const Format* format = format_with_id(destination_.container);
        if (format == nullptr || format->open_moving == nullptr) {
            return Problem{phrase("\"{}\" is no container for strands and caches.", destination_.container),
                           destination_.name, ""};
        }
        Result<MovingFile> opened = format->open_moving(file);
        if (!opened) {
            return opened.problem();
        }
        const nlohmann::json said = take_stamp(opened->scene);
        if (is_stamped(stamp_, *format, should_)) {
            arrival_.says = stamp_claim(stamp_, said);
        }
        const AxisSystem space = read_space(*format, destination_);
        from_file_ = space.is_core() ? Mat4(Mat4::Identity()) : Mat4(space.from_core().inverse());
        is_ = from_space(std::move(opened->scene), space);
        moves_ = std::move(opened->points);
        if (should_.nodes[0].curves >= 0) {
            strands();
        } else {
            surface();
        }
        if (has_counts_) {
            arrival_.claims.push_back(
                size_claim(points_at_rest(should_, 0), points_at_rest(is_, moves_.node), destination_));
            if (Outcome frames = frames_and_drift(); !frames) {
                return frames;
            }
            place_by(model);
        }
        show(model);
        settle_state(arrival_);
        return Done{};
    }

  private:
    void claim(Text name, Text expected, Text actual, bool pass, const Text& detail) {
        arrival_.claims.push_back({std::move(name), std::move(expected), std::move(actual), pass, pass ? "" : detail});
    }

    void strands() {
        const CurveSet& a = should_.curve_sets[0];
        const int set = is_.nodes[static_cast<size_t>(moves_.node)].curves;
        const auto said = [](const CurveSet& curves) { return counted(curves.curve_count(), "strand"); };
        if (set < 0) {
            claim("Strands", said(a), "none", false, "no strands arrived");
            return;
        }
        const CurveSet& b = is_.curve_sets[static_cast<size_t>(set)];
        has_counts_ = a.counts.get() == b.counts.get() && a.points.size() == b.points.size();
        claim("Strands", said(a), said(b), a.curve_count() == b.curve_count(), "another number arrived");
        claim("Points", counted(a.points.size(), "point"), counted(b.points.size(), "point"), has_counts_,
              "other counts, or another order, arrived");

        const auto widths = [](const CurveSet& curves) {
            if (curves.widths.empty()) {
                return Text("none");
            }
            const auto [low, high] = std::minmax_element(curves.widths.begin(), curves.widths.end());
            return phrase("{:.3f} to {:.3f} mm", static_cast<double>(*low) * 1000, static_cast<double>(*high) * 1000);
        };
        double apart = 0;
        for (size_t p = 0; p < std::min(a.widths.size(), b.widths.size()); ++p) {
            apart = std::max(apart, std::abs(static_cast<double>(a.widths[p]) - static_cast<double>(b.widths[p])) /
                                        std::max(1e-9, static_cast<double>(a.widths[p])));
        }
        const bool widths_are_there = !b.widths.empty() && a.widths.size() == b.widths.size();
        claim("Widths", widths(a), widths(b), widths_are_there && apart < 1e-5,
              a.widths.empty() ? "strands without widths are nothing in an engine; “Set strand widths” gives them some"
              : !widths_are_there ? "they did not arrive"
                                  : phrase("one is {:.3g} % off", apart * 100));

        size_t moved = 0;
        for (size_t r = 0; r < std::min(a.roots.size(), b.roots.size()); ++r) {
            const bool same = a.roots[r].triangle == b.roots[r].triangle &&
                              std::abs(a.roots[r].u - b.roots[r].u) < 1e-6F &&
                              std::abs(a.roots[r].v - b.roots[r].v) < 1e-6F;
            moved += same ? 0 : 1;
        }
        const bool roots = !b.roots.empty() && a.roots.size() == b.roots.size() && moved == 0;
        claim("Roots", counted(a.roots.size(), "root"), counted(b.roots.size(), "root"), roots,
              a.roots.empty() ? "strands without roots cannot be tied to a surface; “Root strands” finds them"
              : moved > 0     ? phrase("{} on another place", counted(moved, "root"))
                              : "they did not arrive");
        const auto values = [](const CurveSet& curves) {
            std::string names;
            for (const Attribute& one : curves.per_curve) {
                names += (names.empty() ? "" : ", ") + one.name;
            }
            return names.empty() ? std::string("none") : names;
        };
        if (!a.per_curve.empty() || !b.per_curve.empty()) {
            bool same = a.per_curve.size() == b.per_curve.size();
            for (size_t i = 0; same && i < a.per_curve.size(); ++i) {
                same = a.per_curve[i].data.get() == b.per_curve[i].data.get();
            }
            claim("Values of strands", values(a), values(b), same, "other values arrived");
        }
    }

    void surface() {
        const int place = is_.nodes[static_cast<size_t>(moves_.node)].mesh;
        arrival_.claims.push_back(
            surface_claim(should_.meshes[0], place < 0 ? nullptr : &is_.meshes[static_cast<size_t>(place)]));
        has_counts_ = arrival_.claims.back().pass;
    }

    Outcome frames_and_drift() {
        const MovingPoints should = frames_of(prepared_, part_, destination_);
        Drift& drift = arrival_.drift;
        drift.place = should_.nodes[0].name;
        drift.clip = part_.order.clip;
        const auto hold = [&](const std::vector<Vec3f>& a, const std::vector<Vec3f>& b, int frame) {
            for (size_t p = 0; p < std::min(a.size(), b.size()); ++p) {
                const double apart = static_cast<double>((a[p] - b[p]).norm()) * 1000;
                if (is_worse(apart, drift.largest_mm)) {
                    drift.largest_mm = apart;
                    drift.frame = frame;
                    drift.point = p;
                }
            }
            drift.points_compared = std::min(a.size(), b.size());
            return a.size() == b.size();
        };
        bool all_points = hold(points_at_rest(should_, 0), points_at_rest(is_, moves_.node), -1);
        if (should.frames > 0 || moves_.frames > 0) {
            arrival_.claims.push_back(frames_claim({should.frames, should.rate}, {moves_.frames, moves_.rate}));
        }
        std::vector<Vec3f> a;
        std::vector<Vec3f> b;
        std::vector<Vec3f> a_normals;
        std::vector<Vec3f> b_normals;
        double widest_angle = 0;
        for (int f = 0; f < std::min(should.frames, moves_.frames); ++f) {
            for (const Outcome& given : {should.at(f, a, a_normals), moves_.at(f, b, b_normals)}) {
                if (!given) {
                    return given;
                }
            }
            transform_all(from_file_, b);
            keep_to_show(b);
            all_points = hold(a, b, f) && all_points;
            drift.per_frame_mm.push_back(static_cast<float>(worst_of(a, b)));
            if (should.has_normals && moves_.has_normals) {
                turn_all(from_file_, b_normals);
                for (size_t n = 0; n < std::min(a_normals.size(), b_normals.size()); ++n) {
                    widest_angle = std::max(widest_angle, static_cast<double>((a_normals[n] - b_normals[n]).norm()));
                }
            }
        }
        if (should.frames > 0 && should.has_normals) {
            claim("Normals", "within 0.1°",
                  moves_.has_normals ? fmt::format("{:.3f}°", widest_angle * 180 / 3.14159265) : "none",
                  moves_.has_normals && widest_angle < 0.1 * 3.14159265 / 180, "they point another way");
        }
        const bool near = drift.largest_mm <= destination_.drift_limit_mm;
        claim("Drift", phrase("at most {:g} mm", destination_.drift_limit_mm), phrase("{:.4f} mm", drift.largest_mm),
              near && all_points,
              all_points ? phrase("{:.3f} mm, frame {}; the limit is {:g} mm", drift.largest_mm, drift.frame,
                                  destination_.drift_limit_mm)
                         : "not every frame has its points");
        return Done{};
    }

    static double worst_of(const std::vector<Vec3f>& a, const std::vector<Vec3f>& b) {
        float worst = 0;
        for (size_t p = 0; p < std::min(a.size(), b.size()); ++p) {
            worst = std::max(worst, (a[p] - b[p]).norm());
        }
        return static_cast<double>(worst) * 1000;
    }

    /// The body under them moves as Prepared does: that its clip arrived is for the clip's own check to say.
    void add_motion(Scene& model) const {
        const Clip* clip = prepared_.find_clip(part_.order.clip);
        if (clip == nullptr || model.find_clip(clip->name) != nullptr) {
            return;
        }
        Clip motion = *clip;
        motion.channels.clear();
        for (const Channel& channel : clip->channels) {
            Channel own = channel;
            own.node = model.find_node(prepared_.nodes[static_cast<size_t>(channel.node)].name);
            const int mesh = own.node < 0 ? -1 : model.nodes[static_cast<size_t>(own.node)].mesh;
            const size_t shapes = mesh < 0 ? 0 : model.meshes[static_cast<size_t>(mesh)].shapes.size();
            if (own.node >= 0 && (own.path != Path::weights || static_cast<size_t>(own.width) == shapes)) {
                motion.channels.push_back(std::move(own));
            }
        }
        model.clips.push_back(std::move(motion));
    }

    /// Frames that are played where what arrived is shown: those of a clip from its beginning, as long as they are few
    /// enough to be held.
    void keep_to_show(const std::vector<Vec3f>& frame) {
        constexpr size_t most_bytes = 64U << 20U;
        if (part_.own == nullptr && !part_.order.clip.empty() && part_.order.first == 0 &&
            frame.size() * static_cast<size_t>(moves_.frames) * sizeof(Vec3f) <= most_bytes) {
            shown_.insert(shown_.end(), frame.begin(), frame.end());
        }
    }

    /// Both files as the engine takes them in: the strands have to begin on the surface.
    void place_by(const Scene* model) {
        const int set = is_.nodes[static_cast<size_t>(moves_.node)].curves;
        if (set < 0) {
            return;
        }
        const CurveSet& curves = is_.curve_sets[static_cast<size_t>(set)];
        const int before =
            prepared_.curve_sets[static_cast<size_t>(prepared_.nodes[static_cast<size_t>(part_.node)].curves)].surface;
        if (before < 0 || curves.roots.empty()) {
            return;
        }
        const std::string& name = prepared_.nodes[static_cast<size_t>(before)].name;
        const std::string title = "On the model";
        const int there = model == nullptr ? -1 : model->find_node(name);
        if (there < 0 || model->nodes[static_cast<size_t>(there)].mesh < 0) {
            claim(title, "roots on it", phrase("no “{}” goes out", name), true, "");
            return;
        }
        const StrandSurface surface(*model, there);
        const std::vector<Vec3f> points = points_at_rest(is_, moves_.node);
        double farthest = 0;
        size_t at = 0;
        size_t off = 0;
        for (size_t c = 0; c < curves.curve_count(); ++c) {
            if (curves.roots[c].triangle >= surface.triangles().size()) {
                ++off;
            } else if (curves.counts[c] > 0) {
                const Vec3 on_model = place_in_engine(surface.place_of(curves.roots[c]), of_);
                const Vec3 of_strand = place_in_engine(points[at].cast<double>(), destination_);
                farthest = std::max(farthest, (on_model - of_strand).norm() * destination_.axes.unit_m);
            }
            at += curves.counts[c];
        }
        claim(title, "roots on it",
              off > 0 ? phrase("{} on no triangle", counted(off, "root")) : phrase("{:.4f} mm off", farthest * 1000),
              off == 0 && farthest * 1000 <= destination_.drift_limit_mm,
              phrase("{} takes them in {:.1f} mm from the surface: see how it reads files", destination_.name,
                     farthest * 1000));
    }

    /// What arrived, at rest: strands on the model of the same delivery.
    void show(const Scene* model) {
        const Node& moving = is_.nodes[static_cast<size_t>(moves_.node)];
        PointCache cache;
        cache.name = part_.order.clip;
        cache.surface = moves_.node;
        cache.rate = moves_.rate;
        cache.frames = moves_.frames;
        if (model == nullptr || moving.curves < 0) {
            if (!shown_.empty()) {
                transform_all(rest_world(is_)[static_cast<size_t>(moves_.node)].inverse(), shown_);
                cache.positions = std::move(shown_);
                is_.caches = {std::move(cache)};
            }
            arrival_.scene = std::make_shared<const Scene>(std::move(is_));
            return;
        }
        Scene scene = *model;
        Node node;
        node.name = moving.name;
        node.curves = static_cast<int>(scene.curve_sets.size());
        CurveSet curves = is_.curve_sets[static_cast<size_t>(moving.curves)];
        transform_geometry(curves, rest_world(is_)[static_cast<size_t>(moves_.node)]);
        curves.material = -1; // that of a list of its own file
        scene.curve_sets.push_back(std::move(curves));
        if (!shown_.empty()) {
            cache.surface = static_cast<int>(scene.nodes.size());
            cache.positions = std::move(shown_);
            scene.caches.push_back(std::move(cache));
            add_motion(scene);
        }
        scene.nodes.push_back(std::move(node));
        arrival_.scene = std::make_shared<const Scene>(std::move(scene));
    }

    const Scene& prepared_;
    const MovingPart& part_;
    const Destination& of_;
    const nlohmann::json& stamp_;
    Destination destination_;
    Scene should_;
    Arrival& arrival_;
    Scene is_;
    MovingPoints moves_;
    Mat4 from_file_ = Mat4::Identity();
    std::vector<Vec3f> shown_; ///< world, frame after frame
    bool has_counts_ = false;
};

} // namespace

Outcome check_part(const Scene& prepared, const MovingPart& part, const Destination& destination,
                   const nlohmann::json& stamp, const fs::path& file, const Scene* model, Arrival& arrival) {
    return PartCheck(prepared, part, destination, stamp, arrival).run(file, model);
}

} // namespace wembrix
