// Hands weights of some joints over to others, all or a part.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/skeleton/bones.h"
#include "core/measure/surface/rest_places.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/chosen_joints.h"
#include "core/steps/surface/weight_scope.h"

#include <algorithm>
#include <map>

namespace wembrix {

namespace {

struct TransferSettings : WeightScope {
    enum class To : uint8_t { parent, joint, nearest };
    std::vector<std::string> joints;
    To to = To::parent;
    std::string joint;
    double share_percent = 100;
};

class Transfer {
  public:
    Transfer(const Scene& scene, const TransferSettings& settings, std::vector<char> giving)
        : settings_(settings), giving_(std::move(giving)), scene_(scene), bones_(bones_of(scene)) {}

    /// Of which joint the weight goes to which; -1 where it is told vertex by vertex, -2 where nothing takes it.
    [[nodiscard]] int taker(int joint) const {
        if (settings_.to == TransferSettings::To::nearest) {
            return -1;
        }
        if (settings_.to == TransferSettings::To::joint) {
            return scene_.find_node(settings_.joint);
        }
        int above = joint_above(scene_, joint);
        while (above >= 0 && giving_[static_cast<size_t>(above)] != 0) {
            above = joint_above(scene_, above);
        }
        return above < 0 ? -2 : above;
    }

    /// The joint of the skin whose bone is nearest to a place, among those that may take.
    [[nodiscard]] int nearest(const Vec3& place, const Skin& skin, std::span<const char> locked) const {
        int best = -1;
        double least = 1e300;
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            const auto joint = static_cast<size_t>(skin.joints[j]);
            if (giving_[joint] != 0 || (j < locked.size() && locked[j] != 0) || bones_[joint].only_carries) {
                continue;
            }
            const double far = distance_to_bone(bones_[joint], place);
            if (far <= least + 1e-9) { // beyond a chain's end the last joint is as near as the bone that leads to it
                least = far;
                best = static_cast<int>(joint);
            }
        }
        return best;
    }

    [[nodiscard]] bool gives(int joint) const { return giving_[static_cast<size_t>(joint)] != 0; }

  private:
    const TransferSettings& settings_;
    std::vector<char> giving_;
    const Scene& scene_;
    std::vector<Bone> bones_;
};

Result<StepResult> apply_transfer_weights(const StepContext& context, const TransferSettings& settings) {
    const Scene& scene = context.scene;
    if (settings.to == TransferSettings::To::joint) {
        const int taker = scene.find_node(settings.joint);
        if (taker < 0 || scene.nodes[static_cast<size_t>(taker)].kind != NodeKind::joint) {
            return Problem{phrase("there is no joint “{}”.", settings.joint), "", "Name the one that takes over."};
        }
    }
    StepResult result;
    result.scene = scene;
    const ScopedWeights scope = choose_weights(scene, settings);
    const Transfer transfer(scene, settings, choose_joints(scene, settings.joints).in);
    const double share = settings.share_percent / 100;
    std::map<std::string, size_t> taken; // by the taker's name
    size_t vertices = 0;
    size_t stayed = 0;
    for (const int surface : scope.surfaces) {
        const Node& node = scene.nodes[static_cast<size_t>(surface)];
        const Skin skin = scene.skins[static_cast<size_t>(node.skin)];
        std::vector<int> takers;
        for (const int joint : skin.joints) {
            takers.push_back(transfer.gives(joint) ? transfer.taker(joint) : -2);
        }
        // Only joints that hold something on this surface bring a taker into the skin.
        std::vector<char> holds(skin.joints.size(), 0);
        for (const uint16_t joint : node.influences.joints) {
            holds[joint] = 1;
        }
        std::vector<int> places(skin.joints.size(), -1);
        for (size_t j = 0; j < takers.size(); ++j) {
            if (takers[j] >= 0 && holds[j] != 0) {
                places[j] = place_in_skin(result.scene, node.skin, takers[j]);
            }
        }
        const std::vector<int> now = result.scene.skins[static_cast<size_t>(node.skin)].joints;
        std::vector<char> locked = scope.locked[static_cast<size_t>(node.skin)];
        locked.resize(now.size(), 0);
        const std::vector<Vec3f> rest =
            settings.to == TransferSettings::To::nearest ? rest_places(scene, surface) : std::vector<Vec3f>();
        change_rows(result.scene, surface, locked, [&](size_t vertex, WeightRow& row) {
            bool any = false;
            const WeightRow was = row;
            for (const Weight& one : was) {
                if (one.joint >= takers.size() || !transfer.gives(now[one.joint]) || locked[one.joint] != 0) {
                    continue;
                }
                int place = places[one.joint];
                if (takers[one.joint] == -1) {
                    const int nearest = transfer.nearest(rest[vertex].cast<double>(), skin, locked);
                    place =
                        nearest < 0 ? -1 : static_cast<int>(std::find(now.begin(), now.end(), nearest) - now.begin());
                }
                if (place < 0 || locked[static_cast<size_t>(place)] != 0) {
                    ++stayed;
                    continue;
                }
                add_weight(row, static_cast<uint16_t>(place), share * one.weight);
                add_weight(row, one.joint, -share * one.weight);
                ++taken[scene.nodes[static_cast<size_t>(now[static_cast<size_t>(place)])].name];
                any = true;
            }
            vertices += any ? 1 : 0;
            return any;
        });
    }
    std::vector<std::string> names;
    for (const auto& [name, count] : taken) {
        names.push_back(name);
    }
    result.account = vertices == 0 ? Text("those joints hold nothing")
                                   : phrase("weights of {} went to {}", counted(vertices, "vertex"), some_of(names));
    if (stayed > 0) {
        result.could_not.push_back(
            phrase("{} stay where they are: no joint that is free may take them", counted(stayed, "weight")));
    }
    return result;
}

} // namespace

StepKind transfer_weights_step() {
    return make_step<TransferSettings>(
        {"transfer_weights", "Transfer weights",
         "A joint that only carries motion, or is about to go, hands what it holds to one that should hold it.",
         StepSubject::surface},
        with_weight_scope(
            {list<&TransferSettings::joints>("joints", "From joints", "Whose weights go")
                 .naming(NameOf::joint)
                 .items(1),
             choice<&TransferSettings::to>("to", "To", {"parent", "joint", "nearest"},
                                           "The joint above, the one named, or for each vertex the nearest bone"),
             text<&TransferSettings::joint>("joint", "Joint", "The one that takes over, of “to: joint”")
                 .naming(NameOf::joint),
             number<&TransferSettings::share_percent>("share_percent", "Share", "How much of it goes")
                 .unit("%")
                 .between(0, 100)
                 .starting(100)}),
        apply_transfer_weights);
}

} // namespace wembrix
