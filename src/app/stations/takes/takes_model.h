// What the Takes station shows, measured away from the interface thread: motion energy of each take, seams of clips.
#pragma once

#include "core/destination/conform.h"
#include "core/job/cuts.h"
#include "core/measure/clips/contacts.h"
#include "core/measure/clips/seam.h"
#include "core/measure/clips/travel.h"
#include "core/measure/skeleton/pose_distance.h"
#include "session/document.h"
#include "session/session.h"

#include <QObject>
#include <QThreadPool>
#include <atomic>
#include <map>
#include <memory>
#include <optional>
#include <string>
#include <vector>

namespace wembrix::app {

/// A take that is cut, or could be.
struct TakeFacts {
    std::string name;
    int frames = 1;
    double rate = 30;
    int64_t take = 0; ///< its identity, kept by the clips cut from it
    double start_s = 0;
    double seconds = 0;
    int step = -1;                          ///< of the card that cuts it, or -1
    std::shared_ptr<const Scene> scene;     ///< in which it still is whole
    std::vector<float> energy;              ///< m/s, one a frame; empty until it is measured
    double still_below = 0;                 ///< m/s: what tells rest from motion here
    std::vector<int> feet;                  ///< joints that stand on the ground at rest
    std::vector<Contact> contacts;          ///< where they stand in the take
    ContactLimits limits;                   ///< by which that was found
    std::vector<int64_t> asked_feet;        ///< and for which joints, by identity; empty: those found by themselves
    std::shared_ptr<const PoseTable> poses; ///< null until it is made
};

/// A clip of Prepared that no cut made: joined, mirrored, a pose.
struct MadeClip {
    Cut said; ///< what it says of itself, and its frames from 0
    double rate = 30;
    std::string by; ///< label of the step that made it
};

/// Of a clip in Prepared.
struct ClipFacts {
    std::optional<Seam> seam; ///< of a repeating one
    bool closes = true;
    std::optional<Closing> closing; ///< the frame that would close it best
    Travel travel;
    std::shared_ptr<const Trajectory>
        trajectory;                ///< over the ground, of the root, or where that stands, of what carries the whole
    std::string trajectory_joint;  ///< whose way it is
    double take_end_s = 0;         ///< where its take ends on the keys' clock: so far a closing frame was looked for
    bool keeps_last = false;       ///< whether the destination keeps a last frame that is the first once more
    double baked_at = 0;           ///< frames per second of the destination; 0: none was named
    bool too_long_to_bake = false; ///< only to be shown: measuring it would take minutes
    std::optional<Drift> lost;     ///< between the destination's frames; not there until it is measured
};

class TakesModel : public QObject {
    Q_OBJECT
  public:
    TakesModel(Document& document, Session& session, QObject* parent = nullptr);
    ~TakesModel() override;

    [[nodiscard]] const std::vector<TakeFacts>& takes() const { return takes_; }
    [[nodiscard]] const TakeFacts* take(const std::string& name) const;
    [[nodiscard]] const ClipFacts* clip(const std::string& name) const;
    [[nodiscard]] const std::vector<MadeClip>& made() const { return made_; }
    /// Whether Prepared has a clip of that name: a later step may have used a cut up.
    [[nodiscard]] bool is_prepared(const std::string& name) const;
    /// The cuts of a take as the card has them now.
    [[nodiscard]] std::vector<Cut> cuts(const std::string& take) const;
    [[nodiscard]] bool is_busy() const { return busy_; }
    /// How low and how slow a foot is that stands, and which joints are feet, by identity (none: they are found);
    /// measured anew in the background.
    void set_contacts(const ContactLimits& limits, const std::vector<int64_t>& feet);
    /// Whether somebody looks: what baking loses is measured only then.
    void set_shown(bool shown);
    /// For which destination clips are baked, to tell what that loses; null: none.
    void set_destination(const Destination* destination);
    [[nodiscard]] const ContactLimits& contact_limits() const { return limits_; }

  Q_SIGNALS:
    void changed();

  private:
    void refresh();
    void measure(const std::shared_ptr<const SessionState>& state);
    void adopt(uint64_t run, const std::shared_ptr<const SessionState>& state,
               const std::optional<std::vector<TakeFacts>>& takes, const std::map<std::string, ClipFacts>& clips);

    Document& document_;
    Session& session_;
    std::shared_ptr<const Scene> prepared_;
    std::vector<TakeFacts> takes_;
    std::vector<MadeClip> made_;
    std::map<std::string, ClipFacts> clips_;
    std::shared_ptr<const Scene> measured_; ///< the scene whose clips those are of
    bool shown_ = false;
    ContactLimits limits_;
    std::vector<int64_t> feet_;
    std::optional<Destination> destination_;
    QThreadPool worker_;
    std::atomic<uint64_t> run_ = 0;
    bool busy_ = false;
};

} // namespace wembrix::app
