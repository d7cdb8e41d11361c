#include "stations/takes/takes_model.h"

#include "core/job/card_edits.h"
#include "core/measure/clips/motion.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/surface/deform.h"
#include "core/scene/same_motion.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace wembrix::app {

namespace {

/// So many are posed twice in a few seconds; what takes more is measured when it is delivered.
constexpr double most_points_posed = 5e8;

TakeFacts facts_of_take(const Clip& clip, std::shared_ptr<const Scene> scene, int step) {
    TakeFacts facts;
    facts.name = clip.name;
    facts.frames = clip.frames();
    facts.rate = clip.rate;
    facts.take = clip.take;
    facts.start_s = clip.start_s;
    facts.seconds = clip.seconds;
    facts.scene = std::move(scene);
    facts.step = step;
    return facts;
}

std::vector<TakeFacts> takes_of(const Replay& replay) {
    std::vector<TakeFacts> takes;
    for (size_t i = 0; i < replay.outcomes.size(); ++i) {
        const StepOutcome& outcome = replay.outcomes[i];
        if (outcome.step.id != "split_take" || !outcome.step.on) {
            continue;
        }
        const std::shared_ptr<const Scene> before = i == 0 ? replay.received : replay.outcomes[i - 1].scene;
        const Clip* clip = before->find_clip(outcome.step.parameters.value("take", ""));
        if (clip != nullptr) {
            takes.push_back(facts_of_take(*clip, before, static_cast<int>(i)));
        }
    }
    for (const Clip& clip : replay.prepared().clips) {
        const bool known =
            std::any_of(takes.begin(), takes.end(), [&](const TakeFacts& take) { return take.name == clip.name; });
        if (!clip.cut && !known) {
            takes.push_back(facts_of_take(clip, replay.prepared_scene(), -1));
        }
    }
    // As they came, so that none leaps in the list when it is cut.
    std::stable_sort(takes.begin(), takes.end(),
                     [](const TakeFacts& a, const TakeFacts& b) { return a.take < b.take; });
    return takes;
}

/// The label of the step after which a clip of that name is there for the first time.
std::string maker_of(const Replay& replay, const std::string& name) {
    const StepOutcome* maker = nullptr;
    for (size_t i = replay.outcomes.size(); i-- > 0 && replay.outcomes[i].scene->find_clip(name) != nullptr;) {
        maker = &replay.outcomes[i];
    }
    const StepKind* kind = maker == nullptr ? nullptr : step_kind(maker->step.id);
    return kind == nullptr ? "" : std::string(kind->label);
}

std::vector<MadeClip> made_clips(const Replay& replay) {
    std::set<std::string> cut;
    for (const StepOutcome& outcome : replay.outcomes) {
        if (outcome.step.id == "split_take" && outcome.step.on) {
            for (const Cut& one : cuts_of(outcome.step)) {
                cut.insert(one.name);
            }
        }
    }
    std::vector<MadeClip> made;
    for (const Clip& clip : replay.prepared().clips) {
        if (clip.cut && cut.count(clip.name) == 0) {
            made.push_back({{clip.name, 0, clip.frames() - 1, clip.loop, clip.colour, clip.note, clip.deliver},
                            clip.rate,
                            maker_of(replay, clip.name)});
        }
    }
    return made;
}

ClipFacts facts_of_clip(const Scene& scene, const Clip& clip, double height_m, double take_end_s) {
    ClipFacts facts;
    facts.take_end_s = take_end_s;
    const Seam seam = measure_seam(scene, clip, height_m);
    // The root's own way; where it stands still, that of the joint that carries the rest.
    const std::vector<int> roots = root_joints(scene);
    for (const int joint : {roots.empty() ? -1 : roots[0], carrying_joint(scene)}) {
        if (joint < 0 || facts.travel.along_m > 0.01 || std::abs(facts.travel.turn_degrees) > 1) {
            continue;
        }
        facts.trajectory =
            std::make_shared<const Trajectory>(trajectory_of(scene, clip, joint, clip.rate, 0, clip.frames()));
        facts.trajectory_joint = scene.nodes[static_cast<size_t>(joint)].name;
        facts.travel = travel_of(*facts.trajectory);
    }
    if (clip.loop && clip.frames() > 2) {
        facts.seam = seam;
        facts.closes = seam.closes(height_m);
        if (!facts.closes) {
            facts.closing = nearest_closing(scene, clip, height_m, take_end_s);
        }
    }
    return facts;
}

/// What is known of a clip that moves now as it did when it was measured, under this name or another one; null:
/// nothing.
const ClipFacts* known_facts(const Scene* measured, const std::map<std::string, ClipFacts>& known, const Scene& scene,
                             const Clip& clip, double take_end_s) {
    for (const Clip& before : measured != nullptr ? measured->clips : std::vector<Clip>()) {
        const auto facts = known.find(before.name);
        if (facts != known.end() && facts->second.take_end_s == take_end_s &&
            is_same_motion(*measured, before, scene, clip)) {
            return &facts->second;
        }
    }
    return nullptr;
}

} // namespace

TakesModel::TakesModel(Document& document, Session& session, QObject* parent)
    : QObject(parent), document_(document), session_(session) {
    worker_.setMaxThreadCount(1);
    connect(&session_, &Session::changed, this, &TakesModel::refresh);
    connect(&document_, &Document::jobChanged, this, &TakesModel::changed);
}

TakesModel::~TakesModel() {
    ++run_;
    worker_.waitForDone();
}

const TakeFacts* TakesModel::take(const std::string& name) const {
    const auto found =
        std::find_if(takes_.begin(), takes_.end(), [&](const TakeFacts& take) { return take.name == name; });
    return found == takes_.end() ? nullptr : &*found;
}

const ClipFacts* TakesModel::clip(const std::string& name) const {
    const auto found = clips_.find(name);
    return found == clips_.end() ? nullptr : &found->second;
}

bool TakesModel::is_prepared(const std::string& name) const {
    return prepared_ != nullptr && prepared_->find_clip(name) != nullptr;
}

std::vector<Cut> TakesModel::cuts(const std::string& take) const {
    const int place = split_place(document_.job(), take);
    return place < 0 ? std::vector<Cut>() : cuts_of(document_.job().steps[static_cast<size_t>(place)]);
}

void TakesModel::refresh() {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (state && state->replay.prepared_scene() == prepared_) {
        return; // only a measurement came in
    }
    prepared_ = state ? state->replay.prepared_scene() : nullptr;
    std::vector<TakeFacts> takes = state ? takes_of(state->replay) : std::vector<TakeFacts>();
    for (TakeFacts& take : takes) {
        // What moves as it did was measured.
        for (const TakeFacts& before : takes_) {
            if (before.name == take.name &&
                (before.scene == take.scene || is_same_motion(*before.scene, *before.scene->find_clip(before.name),
                                                              *take.scene, *take.scene->find_clip(take.name)))) {
                take.energy = before.energy;
                take.still_below = before.still_below;
                take.feet = before.feet;
                take.contacts = before.contacts;
                take.limits = before.limits;
                take.asked_feet = before.asked_feet;
                take.poses = before.poses;
            }
        }
    }
    takes_ = std::move(takes);
    made_ = state ? made_clips(state->replay) : std::vector<MadeClip>();
    busy_ = state != nullptr;
    Q_EMIT changed();
    if (!state) {
        ++run_;
        clips_.clear();
        measured_.reset();
        return;
    }
    measure(state);
}

void TakesModel::set_contacts(const ContactLimits& limits, const std::vector<int64_t>& feet) {
    if (limits == limits_ && feet == feet_) {
        return;
    }
    limits_ = limits;
    feet_ = feet;
    if (session_.state()) {
        measure(session_.state());
    }
}

void TakesModel::set_destination(const Destination* destination) {
    const std::optional<Destination> next = destination == nullptr ? std::nullopt : std::optional(*destination);
    const auto same = [](const Destination& a, const Destination& b) {
        return a.rate == b.rate && a.keep_last == b.keep_last;
    };
    if (next.has_value() == destination_.has_value() && (!next || same(*next, *destination_))) {
        return;
    }
    destination_ = next;
    if (session_.state()) {
        measure(session_.state());
    }
}

void TakesModel::set_shown(bool shown) {
    if (shown && !shown_ && session_.state()) {
        shown_ = true;
        measure(session_.state());
    }
    shown_ = shown;
}

void TakesModel::measure(const std::shared_ptr<const SessionState>& state) {
    const uint64_t run = ++run_;
    busy_ = true;
    // What baking loses is only looked at here, and takes longest.
    const std::optional<Destination> wanted = shown_ ? destination_ : std::nullopt;
    worker_.start([this, run, state, to = wanted, takes = takes_, limits = limits_, feet = feet_, measured = measured_,
                   known = clips_]() mutable {
        const auto stale = [this, run] { return run_ != run; };
        for (TakeFacts& take : takes) {
            if (take.energy.empty() && !stale()) {
                take.energy = motion_energy(*take.scene, *take.scene->find_clip(take.name), take.rate, stale);
                take.still_below = still_threshold(take.energy);
                take.poses =
                    std::make_shared<const PoseTable>(*take.scene, *take.scene->find_clip(take.name), take.rate, stale);
                take.limits.shortest = -1; // not found yet
            }
            if ((!(take.limits == limits) || take.asked_feet != feet) && !stale()) {
                take.limits = limits;
                take.asked_feet = feet;
                take.feet.clear();
                for (const int64_t identity : feet) {
                    if (const int joint = take.scene->find_identity(identity); joint >= 0) {
                        take.feet.push_back(joint);
                    }
                }
                if (take.feet.empty()) {
                    take.feet = foot_joints(*take.scene, height_m(*take.scene));
                }
                take.contacts = contacts_of(*take.scene, *take.scene->find_clip(take.name), take.feet,
                                            height_m(*take.scene), limits);
            }
        }
        std::map<std::string, ClipFacts> clips;
        const Scene& prepared = state->replay.prepared();
        for (const Clip& clip : prepared.clips) {
            if (stale()) {
                return;
            }
            double end = clip.start_s + clip.seconds;
            for (const TakeFacts& take : takes) {
                end = take.take == clip.take ? std::max(end, take.start_s + take.seconds) : end;
            }
            const ClipFacts* before = known_facts(measured.get(), known, prepared, clip, end);
            clips[clip.name] =
                before != nullptr ? *before : facts_of_clip(prepared, clip, state->prepared.height_m, end);
        }
        QMetaObject::invokeMethod(
            this, [this, run, state, takes = std::move(takes), clips] { adopt(run, state, takes, clips); },
            Qt::QueuedConnection);
        // What baking loses takes longest: all else is shown by then.
        const size_t points = to ? Deformer(prepared).point_count() : 0;
        for (const Clip& clip : to ? prepared.clips : std::vector<Clip>()) {
            if (stale()) {
                return;
            }
            ClipFacts& facts = clips[clip.name];
            if (facts.lost && facts.baked_at == to->rate && facts.keeps_last == to->keep_last) {
                continue;
            }
            facts.baked_at = to->rate;
            facts.keeps_last = to->keep_last;
            facts.lost.reset();
            facts.too_long_to_bake =
                !lies_on_frames(clip, to->rate) &&
                clip.seconds * to->rate * moments_a_frame * static_cast<double>(points) > most_points_posed;
            if (!facts.too_long_to_bake) {
                facts.lost = drift_between_frames(prepared, clip, *to, stale);
            }
        }
        QMetaObject::invokeMethod(
            this, [this, run, state, clips] { adopt(run, state, std::nullopt, clips); }, Qt::QueuedConnection);
    });
}

void TakesModel::adopt(uint64_t run, const std::shared_ptr<const SessionState>& state,
                       const std::optional<std::vector<TakeFacts>>& takes,
                       const std::map<std::string, ClipFacts>& clips) {
    if (run_ != run) {
        return;
    }
    measured_ = state->replay.prepared_scene();
    takes_ = takes.value_or(takes_);
    clips_ = clips;
    busy_ = false;
    Q_EMIT changed();
}

} // namespace wembrix::app
