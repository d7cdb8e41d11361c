// Motion of one skeleton on another of other proportions: no length changes, feet stay where they stand.
#pragma once

#include "core/measure/clips/contacts.h"
#include "core/retarget/body_chains.h"
#include "core/retarget/joint_map.h"

#include <functional>
#include <string>
#include <vector>

namespace wembrix {

struct RetargetOptions {
    enum class Path : uint8_t {
        legs, ///< the path of pelvis and root by the length of the legs
        same, ///< as long as it was
    };
    Path path = Path::legs;
    double path_factor = 0; ///< instead, if above 0
    bool plant_feet = true;
    bool keep_hands = false; ///< see HandHold
    std::function<bool()> stop;
};

/// Where a hand of the source is still: in the world, or as seen from the other hand or a prop near it. The target's
/// keeps to the same, distances times the path's factor.
struct HandHold {
    int link = 0;     ///< of the hand
    int on_link = -1; ///< of the other hand or the prop; -1: the world
    int first = 0;    ///< frames, both counted
    int last = 0;
};

/// A map between two skeletons, made ready for any number of takes. Holds references to both scenes.
///
/// Let a source joint be turned by Δ from its rest in the world. Its target joint is then turned by Δ D from its own,
/// where D lays the target's bone at rest along the source's by the shortest way: a bone points where the source's
/// does, and the rotation about it is as both rest. Between rows of other numbers of joints Δ is interpolated by how
/// far along the row a joint stands, and each bone laid along the source's curve. Pelvis and root go from where they
/// rest as far as the source's, times the factor. Where a foot of the source stands, the target's is held by two bones:
/// the hip turns, the leg bends in its own plane, and the pelvis sinks where a leg would be too short.
class Retargeter {
  public:
    Retargeter(const Scene& source, const Scene& target, const JointMap& map, const RetargetOptions& options);

    /// Joints that the map names and one of the two does not have.
    [[nodiscard]] const std::vector<std::string>& missing() const { return missing_; }
    [[nodiscard]] double path_factor() const { return factor_; }
    /// Turns the source so that it stands and looks as the target does.
    [[nodiscard]] const Mat3& upright() const { return upright_; }

    struct Link {
        int source = -1;
        int target = -1;
        int source_child = -1; ///< the joint that its bone leads to; -1: it leads nowhere
        int target_child = -1;
        Mat3 rest = Mat3::Identity(); ///< D, and then how the target rests in the world
        MapPair::Role role = MapPair::Role::none;
        // Of rows of other lengths: between which joints of the source it stands, and how far.
        int row = -1; ///< of rows_; -1: one joint each
        size_t place = 0;
    };
    /// One a target joint, parents first.
    [[nodiscard]] const std::vector<Link>& links() const { return links_; }
    [[nodiscard]] const Body& source_body() const { return from_; }
    [[nodiscard]] const Body& target_body() const { return to_; }

    /// Baked at the clip's rate: rotations of all joints of the map, translations of root and pelvis. The clip is
    /// whole: all its frames, from its own beginning on. An empty list of channels where `stop` said so.
    /// `holds`: of the hands, if they are kept.
    [[nodiscard]] Clip run(const Clip& clip, std::vector<HandHold>* holds = nullptr) const;

  private:
    struct Row {
        std::vector<int> source;
        int source_end = -1; ///< where its last bone leads; -1: nowhere
        std::vector<double>
            at; ///< of the target's joints along the source's, in joints: 1.5 is between the second and the third
        std::vector<Vec3> directions; ///< of the target's bones at rest
    };
    struct Limb { ///< a leg, or an arm
        bool is_arm = false;
        std::vector<int> joints; ///< of the target, from the hip to the foot
        size_t knee = 1;
        std::vector<int> below; ///< all nodes under the hip, parents first
        int source_foot = -1;
        double lift_m = 0; ///< the foot's height at rest less that of the source's, times the factor
    };
    /// A joint that only divides a bone and hangs on its upper end: it takes its share of what the next one twists.
    struct Twist {
        int node = -1;
        int next = -1;             ///< where the bone leads
        Vec3 bone = Vec3::UnitY(); ///< under the upper one, of length 1
        double share = 0;
    };
    struct Source; ///< a clip baked, by node
    struct Frame;  ///< both bodies at one frame; each thread has its own
    struct Steps;  ///< where feet are to be, and how far the pelvis sinks, frame by frame
    void link_rows();
    void find_limbs();
    void find_twists();
    void twist(Frame& frame) const;
    void rest_of(Link& link);
    void choose_nodes();
    void pose(const Source& source, int f, Frame& frame) const;
    void place(Frame& frame) const;
    void reach(Frame& frame, const Limb& limb, const Vec3& at) const;
    struct Track; ///< where a limb is before anything is held
    [[nodiscard]] Steps steps_of(const Source& source, const Clip& clip, int frames) const;
    void plant(size_t limb, const Track& track, const Clip& clip, std::vector<Vec3>& to) const;
    [[nodiscard]] std::vector<double> sink_of(const std::vector<Track>& tracks,
                                              const std::vector<std::vector<Vec3>>& wanted, int blend) const;
    /// Of every hand, one after another; `to` gets where each is to be.
    [[nodiscard]] std::vector<HandHold> hold_hands(const std::vector<Track>& tracks, const std::vector<Track>& props,
                                                   const Clip& clip, std::vector<std::vector<Vec3>>& to) const;
    /// Carries the path of the whole, or its own.
    [[nodiscard]] static bool is_carried(MapPair::Role role) {
        return role == MapPair::Role::pelvis || role == MapPair::Role::root || role == MapPair::Role::prop;
    }

    const Scene& source_;
    const Scene& target_;
    RetargetOptions options_;
    Body from_;
    Body to_;
    Mat3 upright_ = Mat3::Identity();
    double factor_ = 1;
    std::vector<Link> links_;
    std::vector<int> link_of_; ///< one a node of the target; -1: none
    std::vector<Row> rows_;
    std::vector<Limb> limbs_;
    std::vector<Twist> twists_;
    std::vector<std::string> missing_;
    std::vector<Mat4> source_rest_;
    std::vector<Mat4> target_rest_;
    std::vector<Quat> source_rest_turn_;
    std::vector<Quat> target_rest_turn_;
    std::vector<Vec3> target_scale_; ///< of each node in the world at rest
    std::vector<int> source_nodes_;  ///< those that matter, parents first
    std::vector<int> source_placed_; ///< of them, those whose places matter
    std::vector<char> link_placed_;  ///< one a link: so is its source joint's
    std::vector<int> free_nodes_;    ///< of the target, that no link turns
    std::vector<int> placed_nodes_;  ///< of the target, whose places matter
    /// Links of one joint each, close together: they are most of all, and gone through at every frame.
    struct Simple {
        int link = 0;
        int source = 0;
        int target = 0;
        Quat onto = Quat::Identity(); ///< of onto_target_
    };
    std::vector<Simple> simple_;
    std::vector<int> rowed_;        ///< the other links
    std::vector<int> placed_at_;    ///< links whose source joint's place matters
    std::vector<Quat> onto_target_; ///< one a link: from how the source's joint is turned to how the target's is
};

} // namespace wembrix
