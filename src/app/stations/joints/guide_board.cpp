#include "stations/joints/guide_board.h"

#include "core/plan/suggest_guides.h"

#include <algorithm>

namespace wembrix::app {

GuideBoard::GuideBoard(Document& document, Session& session, QObject* parent)
    : QObject(parent), document_(document), session_(session) {
    worker_.setMaxThreadCount(1);
    connect(&document_, &Document::jobChanged, this, &GuideBoard::refresh_job);
    connect(&document_, &Document::opened, this, &GuideBoard::refresh_job);
    connect(&session_, &Session::changed, this, &GuideBoard::refresh_body);
    refresh_job();
}

GuideBoard::~GuideBoard() {
    ++run_;
    worker_.waitForDone();
}

void GuideBoard::set_shown(bool shown) {
    shown_ = shown;
    refresh_body();
}

bool GuideBoard::has_surface() const {
    const std::shared_ptr<const SessionState> state = session_.state();
    return state && !surfaces_of(state->replay.prepared()).empty();
}

size_t GuideBoard::other_joints() const {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!state || is_built()) {
        return 0;
    }
    return joints_of(state->replay.prepared()).size();
}

void GuideBoard::refresh_job() {
    const std::optional<BuildOnCard> build = build_on_card(document_.job());
    on_card_ = build.has_value();
    if (build) {
        build_ = *build;
    } else if (build_.plan.chains.empty() || !build_.guides.empty()) {
        build_ = {shipped_plans().front(), {}, {}, false};
    }
    fill();
}

void GuideBoard::refresh_body() {
    const std::shared_ptr<const SessionState> state = session_.state();
    const std::shared_ptr<const Scene> scene = state ? state->replay.prepared_scene() : nullptr;
    if (scene == measured_ || !shown_) {
        Q_EMIT changed();
        return;
    }
    measured_ = scene;
    const uint64_t run = ++run_;
    if (!scene) {
        body_.reset();
        fill();
        return;
    }
    worker_.start([this, run, scene] {
        auto body = std::make_shared<const BodyVolume>(*scene);
        const BodyVolume::Symmetry symmetry = body->symmetry();
        QMetaObject::invokeMethod(
            this,
            [this, run, body, symmetry] {
                if (run_ == run) {
                    body_ = body;
                    symmetry_ = symmetry;
                    fill();
                }
            },
            Qt::QueuedConnection);
    });
}

void GuideBoard::fill() {
    if (is_ready()) {
        guides_ =
            guides_in(build_.plan, build_.guides, body_->bounds(), build_.middle_x_m.value_or(symmetry_.middle_x));
    } else {
        guides_ = {};
    }
    if (chosen_ && guides_.find(*chosen_) == nullptr) {
        chosen_.reset();
    }
    middle_ = chosen_ && is_ready() ? body_->middle_near(guides_.at(*chosen_)) : std::nullopt;
    Q_EMIT changed();
    Q_EMIT chosenChanged();
}

void GuideBoard::choose(const std::optional<GuideId>& id) {
    if (chosen_ == id) {
        return;
    }
    chosen_ = id;
    middle_ = id && is_ready() ? body_->middle_near(guides_.at(*id)) : std::nullopt;
    Q_EMIT chosenChanged();
}

void GuideBoard::keep(const QString& what, const BuildOnCard& build, const QString& merges_as) {
    document_.edit(
        what, [&](Job& job) { set_build(job, build); }, merges_as);
}

void GuideBoard::set_plan(const Plan& plan, const QString& what, const QString& merges_as) {
    BuildOnCard build = build_;
    build.plan = plan;
    // What the plan no longer has goes with it, so that no other plan finds it.
    std::erase_if(build.guides, [&](const Guide& guide) {
        const int chain = plan.find(guide.id.chain);
        return chain < 0 || guide.id.copy > plan.chains[static_cast<size_t>(chain)].copies ||
               guide.id.point > static_cast<int>(plan.chains[static_cast<size_t>(chain)].points());
    });
    build.on = is_built();
    keep(what, build, merges_as);
}

void GuideBoard::suggest() {
    if (!is_ready()) {
        return;
    }
    BuildOnCard build = build_;
    build.guides = suggest_guides(build.plan, *body_).placed;
    build.on = is_built();
    keep(tr("Suggest guides"), build);
}

BuildOnCard GuideBoard::with_guide(const GuideId& id, Vec3 at) const {
    BuildOnCard build = build_;
    build.on = is_built();
    if (mirrored_ && id.side == Side::middle) {
        at.x() = guides_.middle_x;
    }
    std::erase_if(build.guides, [&](const Guide& guide) {
        return guide.id == id || (mirrored_ && guide.id == wembrix::mirrored(id));
    });
    if (!mirrored_ && id.side != Side::middle) {
        // The other one stays where it is, and is no mirror image from here on.
        const GuideId other = wembrix::mirrored(id);
        if (std::none_of(build.guides.begin(), build.guides.end(),
                         [&](const Guide& guide) { return guide.id == other; })) {
            build.guides.push_back({other, guides_.at(other), true});
        }
    }
    build.guides.push_back({id, at, true});
    return build;
}

void GuideBoard::place(const GuideId& id, const Vec3& at) {
    const std::optional<LimbMiddle> middle = snaps_ && is_ready() ? body_->middle_near(at) : std::nullopt;
    keep(tr("Move guide %1").arg(QString::fromStdString(guide_label(build_.plan, id))),
         with_guide(id, middle ? middle->at : at));
}

void GuideBoard::to_middle(const GuideId& id) {
    const std::optional<LimbMiddle> middle =
        is_ready() && guides_.find(id) != nullptr ? body_->middle_near(guides_.at(id)) : std::nullopt;
    if (middle) {
        keep(tr("Put guide %1 in the middle").arg(QString::fromStdString(guide_label(build_.plan, id))),
             with_guide(id, middle->at));
    }
}

void GuideBoard::preview(const GuideId& id, const Vec3& at) {
    if (!is_ready()) {
        return;
    }
    guides_ = guides_in(build_.plan, with_guide(id, at).guides, body_->bounds(), guides_.middle_x);
    middle_.reset();
    Q_EMIT chosenChanged();
}

void GuideBoard::build() {
    BuildOnCard build = build_;
    build.on = true;
    keep(tr("Build the skeleton"), build);
}

} // namespace wembrix::app
