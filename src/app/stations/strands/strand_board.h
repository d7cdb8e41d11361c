// The strands being made: which set, what the card has of it, its guides while they are shaped, and what is measured.
// Apart from the widgets that show it.
#pragma once

#include "core/measure/strands/shape_guides.h"
#include "core/measure/strands/strand_facts.h"
#include "session/clock.h"
#include "session/document.h"
#include "session/session.h"

#include <QObject>
#include <QThreadPool>
#include <atomic>
#include <memory>
#include <optional>
#include <set>
#include <vector>

namespace wembrix::app {

class StrandBoard : public QObject {
    Q_OBJECT
  public:
    StrandBoard(Document& document, Session& session, Clock& clock, QObject* parent = nullptr);
    ~StrandBoard() override;

    /// Strands that the job has: made by its card or brought in.
    [[nodiscard]] const std::vector<std::string>& all() const { return all_; }
    [[nodiscard]] const std::string& name() const { return name_; } ///< of those that are worked on; empty: none
    void choose_strands(const std::string& name);
    /// The card makes them; else they were brought in, and do not grow.
    [[nodiscard]] bool is_made() const { return made_; }
    [[nodiscard]] std::shared_ptr<const Scene> prepared() const;
    [[nodiscard]] int node() const;    ///< in Prepared, or -1
    [[nodiscard]] int surface() const; ///< that they grow on, in Prepared, or -1
    /// What the card's step of that kind says of these strands; what it does not say as the step has it.
    [[nodiscard]] nlohmann::json setting(std::string_view step, const char* key) const;

    // --- each of these is one edit of the card
    /// Grow on faces all of whose corners are among these; strands of a new name are begun so.
    void set_region(const std::string& name, const std::string& surface, const std::set<uint32_t>& vertices);
    /// As painted: density_to_bytes.
    void set_density(const std::string& name, const std::string& surface, std::string bytes);
    /// Lines that they part along: world, metres.
    [[nodiscard]] std::vector<std::vector<Vec3>> partings() const;
    void add_parting(const std::vector<Vec3>& line);
    /// What was painted for them on a surface, one a vertex; empty: nothing.
    [[nodiscard]] std::vector<float> painted_density(const std::string& name, const std::string& surface) const;
    void set_region_of_slot(const std::string& name, const std::string& surface, const std::string& material);
    void set(std::string_view step, const QString& what, const nlohmann::json& values);
    void remove();

    // --- guides
    [[nodiscard]] const std::vector<GuideLine>& guides() const { return shown_; }
    [[nodiscard]] const std::set<size_t>& chosen() const { return chosen_; }
    void choose(size_t guide, bool adds);
    void choose_all();
    void choose_none();
    [[nodiscard]] bool keeps_length() const { return keeps_length_; }
    void set_keeps_length(bool keeps) { keeps_length_ = keeps; }
    /// On the surface at rest; along its normal, as long as those that are there.
    void plant(const Vec3& at);
    void pull(size_t point, const Vec3& by, bool done);
    void lengthen(double factor, bool done);
    void turn(const Vec3& axis, double radians, bool done);
    void set_length(double metres); ///< of the chosen ones
    void set_points(int points);    ///< of each
    void smooth();
    void mirror();
    void take_away();

    // --- what is measured, of Prepared as it is shown; nothing while it is being measured
    [[nodiscard]] const std::optional<StrandFacts>& facts() const { return facts_; }
    struct OverClip {
        std::string clip;
        StrandMotion motion;
        int every = 1; ///< measured at each so manieth frame: many strands at all of them would take minutes
        int frames = 0;
    };
    [[nodiscard]] const std::optional<OverClip>& over_clip() const { return over_; }
    /// Nothing is measured while nobody looks.
    void set_looked_at(bool looked_at);
    [[nodiscard]] bool is_measuring() const { return measuring_; }

  Q_SIGNALS:
    void changed();       ///< which strands, or what the card says of them
    void guidesChanged(); ///< or which are chosen, or one is in the hand
    void measured();

  private:
    void refresh();
    void read_guides();
    void measure();
    /// Shows the chosen ones changed; with `done` the card keeps it.
    template <typename Change> void change_chosen(const QString& what, bool done, const Change& change);
    void keep(const QString& what, std::vector<GuideLine> guides);

    Document& document_;
    Session& session_;
    Clock& clock_;
    std::vector<std::string> all_;
    std::string name_;
    bool made_ = false;
    std::vector<GuideLine> guides_; ///< as kept
    std::vector<GuideLine> shown_;  ///< with what is in the hand
    std::set<size_t> chosen_;
    bool keeps_length_ = true;
    bool waits_ = false; ///< an edit of ours is not in Prepared yet
    QThreadPool worker_;
    std::atomic<uint64_t> run_ = 0;
    bool looked_at_ = false;
    bool measuring_ = false;
    std::shared_ptr<const Scene> measured_scene_;
    std::string measured_name_;
    std::string measured_clip_;
    std::optional<StrandFacts> facts_;
    std::optional<OverClip> over_;
};

} // namespace wembrix::app
