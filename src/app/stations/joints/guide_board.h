// A plan being fitted into the surface: what the card has of it, what is being dragged, and what the surface says.
// Apart from the widgets that show it.
#pragma once

#include "core/job/skeleton_edits.h"
#include "core/measure/surface/body_volume.h"
#include "session/document.h"
#include "session/session.h"

#include <QObject>
#include <QThreadPool>
#include <atomic>
#include <memory>
#include <optional>

namespace wembrix::app {

class GuideBoard : public QObject {
    Q_OBJECT
  public:
    GuideBoard(Document& document, Session& session, QObject* parent = nullptr);
    ~GuideBoard() override;

    /// What the surface is: nothing is measured while nobody looks.
    void set_shown(bool shown);
    /// The surface is measured and guides can be placed.
    [[nodiscard]] bool is_ready() const { return body_ != nullptr && !body_->empty(); }
    [[nodiscard]] bool has_surface() const;
    /// Joints that the job has without building them; then nothing is built.
    [[nodiscard]] size_t other_joints() const;

    [[nodiscard]] const Plan& plan() const { return build_.plan; }
    [[nodiscard]] const Guides& guides() const { return guides_; }
    [[nodiscard]] const BodyVolume::Symmetry& symmetry() const { return symmetry_; }
    [[nodiscard]] bool is_on_card() const { return on_card_; }
    [[nodiscard]] bool is_built() const { return on_card_ && build_.on; }
    [[nodiscard]] bool is_mirrored() const { return mirrored_; }
    void set_mirrored(bool mirrored) { mirrored_ = mirrored; }
    [[nodiscard]] bool snaps() const { return snaps_; }
    void set_snaps(bool snaps) { snaps_ = snaps; }

    [[nodiscard]] const std::optional<GuideId>& chosen() const { return chosen_; }
    void choose(const std::optional<GuideId>& id);
    [[nodiscard]] std::optional<LimbMiddle> middle_of_chosen() const { return middle_; }

    /// Each of these is one edit of the card: the step that builds keeps them, switched off until it is asked for.
    void set_plan(const Plan& plan, const QString& what, const QString& merges_as = {});
    void suggest();
    void place(const GuideId& id, const Vec3& at);
    void to_middle(const GuideId& id);
    void build();
    /// While it is dragged: shown and not kept.
    void preview(const GuideId& id, const Vec3& at);

  Q_SIGNALS:
    void changed();       ///< plan, guides or what the surface says
    void chosenChanged(); ///< another guide, or it stands elsewhere

  private:
    void refresh_job();
    void refresh_body();
    void fill();
    void keep(const QString& what, const BuildOnCard& build, const QString& merges_as = {});
    [[nodiscard]] BuildOnCard with_guide(const GuideId& id, Vec3 at) const;

    Document& document_;
    Session& session_;
    QThreadPool worker_;
    std::atomic<uint64_t> run_ = 0;
    std::shared_ptr<const Scene> measured_;
    std::shared_ptr<const BodyVolume> body_;
    BodyVolume::Symmetry symmetry_;
    BuildOnCard build_;
    bool on_card_ = false;
    bool shown_ = false;
    bool mirrored_ = true;
    bool snaps_ = false;
    Guides guides_;
    std::optional<GuideId> chosen_;
    std::optional<LimbMiddle> middle_;
};

} // namespace wembrix::app
