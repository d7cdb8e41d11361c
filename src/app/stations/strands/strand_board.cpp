#include "stations/strands/strand_board.h"

#include "core/job/strand_edits.h"
#include "core/measure/strands/even_steps.h"
#include "core/measure/strands/strand_deform.h"
#include "core/steps/step_data.h"
#include "core/steps/step_kind.h"
#include "core/steps/strands/density_brush.h"
#include "core/steps/strands/places_text.h"
#include "core/steps/strands/strand_guide_rows.h"
#include "core/steps/surface/vertex_ranges.h"

#include <algorithm>
#include <cmath>

namespace wembrix::app {

namespace {
constexpr double most_measured_points = 2e7; ///< of strands, over all frames
}

StrandBoard::StrandBoard(Document& document, Session& session, Clock& clock, QObject* parent)
    : QObject(parent), document_(document), session_(session), clock_(clock) {
    worker_.setMaxThreadCount(1);
    connect(&document_, &Document::jobChanged, this, &StrandBoard::refresh);
    connect(&document_, &Document::opened, this, [this] {
        name_.clear();
        waits_ = false;
        refresh();
    });
    connect(&session_, &Session::changed, this, &StrandBoard::refresh);
    connect(&clock_, &Clock::clipChanged, this, &StrandBoard::measure);
    refresh();
}

StrandBoard::~StrandBoard() {
    ++run_;
    worker_.waitForDone();
}

std::shared_ptr<const Scene> StrandBoard::prepared() const {
    const std::shared_ptr<const SessionState> state = session_.state();
    return state ? state->replay.prepared_scene() : nullptr;
}

int StrandBoard::node() const {
    const std::shared_ptr<const Scene> scene = prepared();
    const int found = scene && !name_.empty() ? scene->find_node(name_) : -1;
    return found >= 0 && scene->nodes[static_cast<size_t>(found)].curves >= 0 ? found : -1;
}

int StrandBoard::surface() const {
    const int at = node();
    const std::shared_ptr<const Scene> scene = prepared();
    return at < 0 ? -1 : scene->curve_sets[static_cast<size_t>(scene->nodes[static_cast<size_t>(at)].curves)].surface;
}

void StrandBoard::choose_strands(const std::string& name) {
    name_ = name;
    chosen_.clear();
    waits_ = false;
    refresh();
}

nlohmann::json StrandBoard::setting(std::string_view step, const char* key) const {
    const std::optional<size_t> place = strand_step_place(document_.job(), step, name_);
    if (place) {
        const nlohmann::json& values = document_.job().steps[*place].parameters;
        if (const auto found = values.find(key); found != values.end()) {
            return *found;
        }
    }
    const StepKind* kind = step_kind(step);
    for (const Parameter& parameter : kind == nullptr ? std::vector<Parameter>() : kind->parameters) {
        if (parameter.key == key) {
            return parameter.otherwise;
        }
    }
    return {};
}

void StrandBoard::refresh() {
    all_ = strands_made_by(document_.job());
    if (const std::shared_ptr<const Scene> scene = prepared()) {
        for (const int at : strands_of(*scene)) {
            const std::string& name = scene->nodes[static_cast<size_t>(at)].name;
            if (std::find(all_.begin(), all_.end(), name) == all_.end()) {
                all_.push_back(name);
            }
        }
    }
    if (std::find(all_.begin(), all_.end(), name_) == all_.end()) {
        name_ = all_.empty() ? std::string() : all_.front();
        chosen_.clear();
    }
    made_ = strand_step_place(document_.job(), "strand_region", name_).has_value();
    read_guides();
    Q_EMIT changed();
    measure();
}

void StrandBoard::read_guides() {
    if (waits_ && !session_.is_current()) {
        return; // what was just shaped is on its way through the card
    }
    waits_ = false;
    guides_.clear();
    const std::shared_ptr<const Scene> scene = prepared();
    if (const int at = node(); at >= 0) {
        const CurveSet& curves = scene->curve_sets[static_cast<size_t>(scene->nodes[static_cast<size_t>(at)].curves)];
        const Mat4 world = rest_world(*scene)[static_cast<size_t>(at)];
        size_t first = 0;
        for (const uint32_t count : curves.guide_counts) {
            GuideLine line;
            for (size_t p = first; p < first + count; ++p) {
                line.push_back(point_of(world, curves.guide_points[p].cast<double>()));
            }
            first += count;
            guides_.push_back(std::move(line));
        }
    }
    std::erase_if(chosen_, [&](size_t one) { return one >= guides_.size(); });
    shown_ = guides_;
    Q_EMIT guidesChanged();
}

void StrandBoard::set_region(const std::string& name, const std::string& surface, const std::set<uint32_t>& vertices) {
    document_.edit(tr("Region of strands “%1”").arg(QString::fromStdString(name)), [&](Job& job) {
        set_strand_step(
            job, "strand_region", name,
            {{"surface", surface}, {"vertices", vertex_ranges(vertices)}, {"material", nullptr}, {"painted", nullptr}});
    });
    choose_strands(name);
}

void StrandBoard::set_region_of_slot(const std::string& name, const std::string& surface, const std::string& material) {
    document_.edit(tr("Region of strands “%1”").arg(QString::fromStdString(name)), [&](Job& job) {
        set_strand_step(job, "strand_region", name,
                        {{"surface", surface}, {"vertices", nullptr}, {"material", material}, {"painted", nullptr}});
    });
    choose_strands(name);
}

std::vector<std::vector<Vec3>> StrandBoard::partings() const {
    std::vector<std::vector<Vec3>> lines;
    for (const nlohmann::json& text : setting("grow_strands", "partings")) {
        if (text.is_string()) {
            lines.push_back(places_in_text(text.get<std::string>()).value_or(std::vector<Vec3>()));
        }
    }
    std::erase_if(lines, [](const std::vector<Vec3>& line) { return line.empty(); });
    return lines;
}

void StrandBoard::add_parting(const std::vector<Vec3>& line) {
    nlohmann::json all = setting("grow_strands", "partings");
    if (!all.is_array()) {
        all = nlohmann::json::array();
    }
    all.push_back(text_of_places(line));
    document_.edit(tr("Draw a parting"), [&](Job& job) {
        set_strand_step(job, "grow_strands", name_, {{"partings", all}});
    });
}

std::vector<float> StrandBoard::painted_density(const std::string& name, const std::string& surface) const {
    const std::optional<size_t> place = strand_step_place(document_.job(), "strand_region", name);
    if (!place) {
        return {};
    }
    const Step& step = document_.job().steps[*place];
    const auto array = step.data.find(step.parameters.value("painted", std::string()));
    if (array == step.data.end() || step.parameters.value("surface", surface) != surface) {
        return {};
    }
    Result<std::vector<float>> density = density_from_bytes(*array->second);
    return density ? density.take() : std::vector<float>();
}

void StrandBoard::set_density(const std::string& name, const std::string& surface, std::string bytes) {
    document_.edit(tr("Paint where strands “%1” grow").arg(QString::fromStdString(name)), [&](Job& job) {
        Step array{"strand_region"};
        const std::string hash = keep_data(array, std::move(bytes));
        const size_t place = set_strand_step(job, "strand_region", name,
                                             {{"surface", surface},
                                              {"vertices", nullptr},
                                              {"material", nullptr},
                                              {"density", nullptr},
                                              {"painted", hash}});
        keep_data(job.steps[place], hash, array.data.at(hash));
        drop_unused_data(job.steps[place]);
    });
    choose_strands(name);
}

void StrandBoard::set(std::string_view step, const QString& what, const nlohmann::json& values) {
    if (name_.empty()) {
        return;
    }
    document_.edit(
        what, [&](Job& job) { set_strand_step(job, step, name_, values); },
        QStringLiteral("strands %1 %2")
            .arg(QString::fromStdString(name_), QString::fromStdString(values.begin().key())));
}

void StrandBoard::remove() {
    document_.edit(tr("Take strands “%1” off").arg(QString::fromStdString(name_)),
                   [&](Job& job) { remove_strands(job, name_); });
}

void StrandBoard::choose(size_t guide, bool adds) {
    if (adds && chosen_.contains(guide)) {
        chosen_.erase(guide);
    } else {
        if (!adds) {
            chosen_.clear();
        }
        chosen_.insert(guide);
    }
    Q_EMIT guidesChanged();
}

void StrandBoard::choose_all() {
    for (size_t g = 0; g < guides_.size(); ++g) {
        chosen_.insert(g);
    }
    Q_EMIT guidesChanged();
}

void StrandBoard::choose_none() {
    chosen_.clear();
    Q_EMIT guidesChanged();
}

void StrandBoard::keep(const QString& what, std::vector<GuideLine> guides) {
    std::vector<StrandGuideRow> rows;
    for (const GuideLine& line : guides) {
        StrandGuideRow row;
        row.root = line.front();
        for (size_t p = 1; p < line.size(); ++p) {
            row.offsets.push_back(line[p] - line.front());
        }
        rows.push_back(std::move(row));
    }
    guides_ = std::move(guides);
    shown_ = guides_;
    waits_ = true;
    // What spread them or brought them in has done its work: from now on they are these.
    document_.edit(what, [&](Job& job) {
        set_strand_step(job, "strand_guides", name_,
                        {{"guides", guide_rows_to_json(rows)},
                         {"spread", nullptr},
                         {"from", nullptr},
                         {"mirrored", nullptr},
                         {"points", nullptr}});
    });
    Q_EMIT guidesChanged();
}

template <typename Change> void StrandBoard::change_chosen(const QString& what, bool done, const Change& change) {
    if (chosen_.empty()) {
        return;
    }
    std::vector<GuideLine> now = guides_;
    for (const size_t g : chosen_) {
        now[g] = change(now[g]);
    }
    if (done) {
        keep(what, std::move(now));
    } else {
        shown_ = std::move(now);
        Q_EMIT guidesChanged();
    }
}

void StrandBoard::plant(const Vec3& at) {
    const std::shared_ptr<const Scene> scene = prepared();
    const int on = surface();
    if (!scene || on < 0 || !made_) {
        return;
    }
    const StrandSurface body(*scene, on);
    const CurveRoot root = body.nearest(at);
    double length = 0.05;
    size_t points = 5;
    if (!guides_.empty()) {
        length = 0;
        for (const GuideLine& line : guides_) {
            length += guide_length(line) / static_cast<double>(guides_.size());
        }
        points = guides_.front().size();
    }
    std::vector<GuideLine> now = guides_;
    now.push_back(straight(body.place_of(root), body.normal_of(root), length, points));
    chosen_ = {now.size() - 1};
    keep(tr("Plant a guide"), std::move(now));
}

void StrandBoard::pull(size_t point, const Vec3& by, bool done) {
    change_chosen(keeps_length_ ? tr("Bend guides") : tr("Pull guides"), done, [&](const GuideLine& line) {
        return pulled(line, std::clamp<size_t>(point, 1, line.size() - 1), by, keeps_length_);
    });
}

void StrandBoard::lengthen(double factor, bool done) {
    change_chosen(tr("Length of guides"), done, [&](const GuideLine& line) { return lengthened(line, factor); });
}

void StrandBoard::turn(const Vec3& axis, double radians, bool done) {
    change_chosen(tr("Turn guides"), done, [&](const GuideLine& line) { return turned(line, axis, radians); });
}

void StrandBoard::set_length(double metres) {
    change_chosen(tr("Length of guides"), true, [&](const GuideLine& line) {
        const double is = guide_length(line);
        return is > 1e-9 ? lengthened(line, metres / is) : line;
    });
}

void StrandBoard::set_points(int points) {
    if (guides_.empty() || points < 2) {
        return;
    }
    std::vector<GuideLine> now = guides_;
    for (GuideLine& line : now) {
        line = at_even_steps(line, static_cast<size_t>(points));
    }
    keep(tr("Points of guides"), std::move(now));
}

void StrandBoard::smooth() {
    change_chosen(tr("Smooth guides"), true, [](const GuideLine& line) { return smoothed(line); });
}

void StrandBoard::mirror() {
    if (chosen_.empty()) {
        return;
    }
    const double middle = setting("strand_guides", "middle_x_mm").is_number()
                              ? setting("strand_guides", "middle_x_mm").get<double>() / 1000
                              : 0;
    std::vector<GuideLine> now = guides_;
    std::set<size_t> made;
    for (const size_t g : chosen_) {
        if (std::abs(guides_[g].front().x() - middle) > 1e-4) { // one in the middle is its own mirror image
            made.insert(now.size());
            now.push_back(mirrored(guides_[g], middle));
        }
    }
    if (!made.empty()) {
        chosen_ = made;
        keep(tr("Mirror guides"), std::move(now));
    }
}

void StrandBoard::take_away() {
    std::vector<GuideLine> now;
    for (size_t g = 0; g < guides_.size(); ++g) {
        if (!chosen_.contains(g)) {
            now.push_back(guides_[g]);
        }
    }
    if (now.size() < guides_.size()) {
        chosen_.clear();
        keep(tr("Take guides away"), std::move(now));
    }
}

void StrandBoard::set_looked_at(bool looked_at) {
    looked_at_ = looked_at;
    measure();
}

void StrandBoard::measure() {
    const std::shared_ptr<const Scene> scene = prepared();
    const int at = node();
    const std::string clip = clock_.clip().toStdString();
    if (!looked_at_ || (scene == measured_scene_ && name_ == measured_name_ && clip == measured_clip_)) {
        return;
    }
    const bool same_strands = scene == measured_scene_ && name_ == measured_name_;
    measured_scene_ = scene;
    measured_name_ = name_;
    measured_clip_ = clip;
    over_.reset();
    if (!same_strands) {
        facts_.reset();
    }
    const uint64_t run = ++run_;
    measuring_ = scene && at >= 0;
    Q_EMIT measured();
    if (!measuring_) {
        return;
    }
    worker_.start([this, run, scene, at, clip] {
        const auto facts = std::make_shared<const StrandFacts>(strand_facts(*scene, at));
        QMetaObject::invokeMethod(
            this,
            [this, run, facts] {
                if (run_ == run) {
                    facts_ = *facts;
                    Q_EMIT measured();
                }
            },
            Qt::QueuedConnection);
        const Clip* over = scene->find_clip(clip);
        const CurveSet& curves = scene->curve_sets[static_cast<size_t>(scene->nodes[static_cast<size_t>(at)].curves)];
        const auto result = std::make_shared<std::optional<OverClip>>();
        if (over != nullptr && curves.curve_count() > 0 && roots_are_valid(*scene, curves)) {
            const double points = static_cast<double>(curves.points.size()) * over->frames();
            const int every = std::max(1, static_cast<int>(std::ceil(points / most_measured_points)));
            // On one core: others draw.
            *result = OverClip{clip,
                               strand_motion(
                                   *scene, at, *over, every, [this, run] { return run_ != run; }, 1),
                               every, over->frames()};
        }
        QMetaObject::invokeMethod(
            this,
            [this, run, result] {
                if (run_ == run) {
                    over_ = *result;
                    measuring_ = false;
                    Q_EMIT measured();
                }
            },
            Qt::QueuedConnection);
    });
}

} // namespace wembrix::app
