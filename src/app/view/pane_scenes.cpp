#include "view/pane_scenes.h"

#include "core/measure/surface/coarser.h"

namespace wembrix::app {

PaneScenes::PaneScenes(State state, Clock& clock, QObject* parent) : QObject(parent), state_(state), clock_(clock) {
    worker_.setMaxThreadCount(1);
    connect(&clock_, &Clock::clipChanged, this, &PaneScenes::choose_clip);
}

PaneScenes::~PaneScenes() {
    ++run_;
    ++ends_run_;
    worker_.waitForDone();
}

bool PaneScenes::show_scene(std::shared_ptr<const Scene> scene, const std::optional<SceneFacts>& facts, State state) {
    state_ = state;
    wanted_facts_ = facts;
    if (facts) {
        // Numbers beside the picture are never older than it.
        facts_ = *facts;
    }
    if (wanted_ == scene) {
        return false;
    }
    wanted_ = std::move(scene);
    build();
    return true;
}

void PaneScenes::show_other(const std::optional<Other>& other) {
    const bool same =
        other.has_value() == wanted_other_.has_value() &&
        (!other || (other->scene == wanted_other_->scene && other->as_difference == wanted_other_->as_difference &&
                    other->matching == wanted_other_->matching && other->moved == wanted_other_->moved));
    wanted_other_ = other;
    if (!same) {
        build();
    }
}

void PaneScenes::show_colours(std::shared_ptr<const VertexColours> colours) {
    if (colours != colours_) {
        colours_ = std::move(colours);
        Q_EMIT coloursChanged();
    }
}

void PaneScenes::hold_shapes(std::vector<HeldShapes> held) {
    if (held.empty() && held_.empty()) {
        return;
    }
    held_ = std::move(held);
    if (posed_) {
        posed_->hold_shapes(held_);
        if (coarse_) {
            coarse_->hold_shapes(held_);
        }
        Q_EMIT posesChanged();
    }
}

void PaneScenes::hold_locals(std::vector<HeldLocal> held) {
    if (posed_) {
        if (coarse_) {
            coarse_->hold_locals(held);
        }
        posed_->hold_locals(std::move(held));
        Q_EMIT posesChanged();
    }
}

void PaneScenes::reweight(int node, std::span<const uint32_t> vertices,
                          const std::function<const WeightRow&(uint32_t)>& row) {
    if (posed_) {
        coarse_.reset(); // it has other weights
        for (const uint32_t vertex : vertices) {
            posed_->set_row(node, vertex, row(vertex));
        }
        Q_EMIT posesChanged();
    }
}

void PaneScenes::clear() {
    ++run_;
    wanted_.reset();
    wanted_other_.reset();
    shown_other_.reset();
    difference_.reset();
    posed_.reset();
    coarse_.reset();
    coarse_of_.reset();
    other_.reset();
    build_ends();
}

bool PaneScenes::is_ready() const {
    const bool own = wanted_ ? posed_ && posed_->shared_scene() == wanted_ : !posed_;
    const bool second = wanted_other_ ? other_ && other_->shared_scene() == wanted_other_->scene : !shown_other_;
    return own && second;
}

namespace {

/// The surfaces of a second scene that the pane's own has too: what was left behind would only hide it.
std::vector<int> shared_surfaces(const Scene& other, const Scene& own, Matching matching) {
    std::vector<int> both;
    for (const int surface : surfaces_of(other)) {
        const Node& node = other.nodes[surface];
        const int match = matching == Matching::identity ? own.find_identity(node.identity) : own.find_node(node.name);
        if (match >= 0 && own.nodes[match].mesh >= 0) {
            both.push_back(surface);
        }
    }
    return both;
}

} // namespace

void PaneScenes::build() {
    const uint64_t run = ++run_;
    if (!wanted_) {
        return;
    }
    Drawn kept;
    kept.posed = posed_ && posed_->shared_scene() == wanted_ ? posed_ : nullptr;
    kept.facts = wanted_facts_;
    kept.other = wanted_other_ && other_ && other_->shared_scene() == wanted_other_->scene ? other_ : nullptr;
    const std::shared_ptr<const Scene> other = wanted_other_ ? wanted_other_->scene : nullptr;
    const Matching matching = wanted_other_ ? wanted_other_->matching : Matching::identity;
    if (!kept.posed) {
        kept.other.reset(); // it was chosen for another scene
    }
    worker_.start([this, run, kept, scene = wanted_, other, matching]() mutable {
        if (run_ != run) {
            return;
        }
        if (!kept.posed) {
            kept.posed = std::make_shared<PosedScene>(scene);
        }
        if (other && !kept.other) {
            kept.other = std::make_shared<PosedScene>(other, shared_surfaces(*other, *scene, matching));
        }
        if (!kept.facts) {
            kept.facts = facts_of(*scene);
        }
        QMetaObject::invokeMethod(
            this, [this, run, kept] { adopt(run, kept); }, Qt::QueuedConnection);
    });
}

void PaneScenes::adopt(uint64_t run, const Drawn& drawn) {
    if (run_ != run) {
        return;
    }
    posed_ = drawn.posed;
    posed_->hold_shapes(held_);
    other_ = drawn.other;
    shown_other_ = wanted_other_;
    facts_ = *drawn.facts;
    difference_.reset();
    choose_clip();
    if (other_ && shown_other_->as_difference) {
        posed_->pose_at(clock_.seconds());
        other_->pose_at(clock_.seconds());
        difference_ = std::make_unique<Difference>(*other_, *posed_, shown_other_->matching, shown_other_->moved);
    }
    build_coarse();
    Q_EMIT adopted();
}

void PaneScenes::set_most_moving(size_t vertices) {
    if (vertices != most_moving_) {
        most_moving_ = vertices;
        coarse_.reset();
        coarse_of_.reset();
        build_coarse();
    }
}

void PaneScenes::build_coarse() {
    if (!posed_ || posed_->shared_scene() == coarse_of_) {
        return;
    }
    coarse_.reset();
    coarse_of_ = posed_->shared_scene();
    // A cache has places for the vertices that there are.
    if (posed_->point_count() <= most_moving_ || !coarse_of_->caches.empty()) {
        return;
    }
    worker_.start([this, run = run_.load(), scene = coarse_of_, vertices = most_moving_ / 4] {
        if (run_ != run) {
            return;
        }
        auto made = std::make_shared<PosedScene>(std::make_shared<const Scene>(coarser(*scene, vertices)));
        QMetaObject::invokeMethod(
            this,
            [this, scene, made] {
                if (coarse_of_ == scene && posed_ && posed_->shared_scene() == scene) {
                    coarse_ = made;
                    coarse_->hold_shapes(held_);
                    choose_clip_of(*coarse_);
                }
            },
            Qt::QueuedConnection);
    });
}

void PaneScenes::show_ends(bool shown) {
    if (shown != ends_wanted_) {
        ends_wanted_ = shown;
        build_ends();
    }
}

void PaneScenes::build_ends() {
    const uint64_t run = ++ends_run_;
    ends_.reset();
    Q_EMIT endsChanged();
    if (!ends_wanted_ || !posed_ || clock_.clip().isEmpty()) {
        return;
    }
    worker_.start(
        [this, run, scene = posed_->shared_scene(), clip = clock_.clip().toStdString(), height = facts_.height_m] {
            if (ends_run_ != run) {
                return;
            }
            QMetaObject::invokeMethod(
                this,
                [this, run, ends = pose_ends(scene, clip, height)] {
                    if (ends_run_ == run) {
                        ends_ = ends;
                        Q_EMIT endsChanged();
                    }
                },
                Qt::QueuedConnection);
        });
}

void PaneScenes::choose_clip() {
    if (posed_) {
        choose_clip_of(*posed_);
    }
    if (coarse_) {
        choose_clip_of(*coarse_);
    }
    if (other_) {
        choose_clip_of(*other_);
    }
    build_ends();
    Q_EMIT posesChanged();
}

void PaneScenes::choose_clip_of(PosedScene& posed) const {
    const std::string name = clock_.clip().toStdString();
    const Clip* clip = posed.scene().find_clip(name);
    double start = 0;
    if (clip == nullptr && !name.empty() && clock_.part().take != 0) {
        // A scene from before the cuts shows the take at the same moment.
        for (const Clip& candidate : posed.scene().clips) {
            if (candidate.take == clock_.part().take) {
                clip = &candidate;
                start = clock_.part().start_s - candidate.start_s;
            }
        }
    }
    posed.choose(clip, start);
    posed.play_caches(name);
    if (!name.empty() || clock_.still() == Clock::Still::rest) {
        return;
    }
    const Scene& scene = posed.scene();
    if (clock_.still() == Clock::Still::bind) {
        posed.choose_pose(bind_pose(scene));
    } else if ((&posed != posed_.get() && &posed != coarse_.get()) || state_ != State::received) {
        // A stored pose speaks of the joints of Prepared: in what was received they stand otherwise.
        std::vector<Transform> locals;
        for (const Node& node : scene.nodes) {
            const auto stored = clock_.stored_pose().find(node.name);
            locals.push_back(stored == clock_.stored_pose().end() ? node.rest : stored->second);
        }
        posed.choose_pose(std::move(locals));
    }
}

} // namespace wembrix::app
