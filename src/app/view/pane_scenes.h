// What a pane draws: a scene, a second one over it or held against it, and both ends of the clip that plays. Made ready
// in the background; what was shown stays until then.
#pragma once

#include "core/measure/scene/drift.h"
#include "session/clock.h"
#include "session/session.h"
#include "style/theme.h"
#include "view/difference.h"
#include "view/pose_ends.h"
#include "view/posed_scene.h"
#include "view/vertex_colours.h"

#include <QObject>
#include <QThreadPool>
#include <atomic>
#include <functional>
#include <memory>
#include <optional>
#include <span>

namespace wembrix::app {

/// A second scene in the same pane.
struct Other {
    std::shared_ptr<const Scene> scene;
    State state = State::received;
    Matching matching = Matching::identity;
    Mat4 moved = Mat4::Identity(); ///< where the whole of it is expected to have gone
    bool as_difference = false;    ///< colours on the pane's own scene; else drawn over it
};

class PaneScenes : public QObject {
    Q_OBJECT
  public:
    PaneScenes(State state, Clock& clock, QObject* parent = nullptr);
    ~PaneScenes() override;

    /// Facts that are not given are measured in the background, too. True when another scene was asked for.
    bool show_scene(std::shared_ptr<const Scene> scene, const std::optional<SceneFacts>& facts, State state);
    void show_other(const std::optional<Other>& other);
    void show_ends(bool shown);
    /// Colours for the scene that they were made for, once it is drawn; null: its own.
    void show_colours(std::shared_ptr<const VertexColours> colours);
    /// The same colours, with other values.
    void colours_changed() { Q_EMIT coloursChanged(); }
    void reweight(int node, std::span<const uint32_t> vertices, const std::function<const WeightRow&(uint32_t)>& row);
    /// Of the pane's own scene, whatever it shows from now on.
    void hold_shapes(std::vector<HeldShapes> held);
    /// Of the scene that is shown, until another one is; see HeldLocal.
    void hold_locals(std::vector<HeldLocal> held);
    void clear();

    [[nodiscard]] State state() const { return state_; }
    [[nodiscard]] const SceneFacts& facts() const { return facts_; }
    [[nodiscard]] PosedScene* posed() const { return posed_.get(); } ///< null: nothing is shown
    [[nodiscard]] PosedScene* other() const { return other_.get(); }
    [[nodiscard]] const Other* shown_other() const { return shown_other_ ? &*shown_other_ : nullptr; }
    [[nodiscard]] Difference* difference() const { return difference_.get(); }
    [[nodiscard]] const PoseEnds* ends() const { return ends_.get(); }
    /// Null where there are none, or none for what is drawn.
    [[nodiscard]] const VertexColours* colours() const {
        return colours_ && posed_ && colours_->scene == posed_->shared_scene() ? colours_.get() : nullptr;
    }
    /// What stands for the surfaces of posed() while it `moves`: the same of fewer vertices, for screens that would
    /// come to a stop over all of them. Null where they are drawn as they are: at rest, where colours or a second scene
    /// say something of each vertex, or where there are few enough.
    [[nodiscard]] PosedScene* coarse(bool moves) const {
        return moves && coarse_ && !other_ && !colours() ? coarse_.get() : nullptr;
    }
    /// Up to how many vertices are drawn as they are while they move.
    void set_most_moving(size_t vertices);
    [[nodiscard]] bool other_is_compared() const { return wanted_other_ && wanted_other_->as_difference; }
    /// True when what was asked for last is what is drawn.
    [[nodiscard]] bool is_ready() const;

  Q_SIGNALS:
    void adopted();      ///< other scenes are drawn from now on
    void posesChanged(); ///< the same scenes, in another clip or pose
    void endsChanged();
    void coloursChanged();

  private:
    struct Drawn {
        std::shared_ptr<PosedScene> posed;
        std::shared_ptr<PosedScene> other;
        std::optional<SceneFacts> facts;
    };
    void build();
    void adopt(uint64_t run, const Drawn& drawn);
    void choose_clip();
    void choose_clip_of(PosedScene& posed) const;
    void build_coarse();
    void build_ends();

    State state_;
    Clock& clock_;
    SceneFacts facts_;
    std::shared_ptr<const Scene> wanted_;
    std::optional<SceneFacts> wanted_facts_;
    std::optional<Other> wanted_other_;
    std::shared_ptr<PosedScene> posed_;
    std::shared_ptr<PosedScene> coarse_; ///< null: not made, or not wanted
    std::shared_ptr<const Scene> coarse_of_;
    size_t most_moving_ = 400'000;
    std::shared_ptr<PosedScene> other_;
    std::optional<Other> shown_other_;
    std::unique_ptr<Difference> difference_;
    bool ends_wanted_ = false;
    std::shared_ptr<const PoseEnds> ends_;
    std::shared_ptr<const VertexColours> colours_;
    std::vector<HeldShapes> held_;
    std::atomic<uint64_t> ends_run_ = 0;
    QThreadPool worker_;
    std::atomic<uint64_t> run_ = 0;
};

} // namespace wembrix::app
