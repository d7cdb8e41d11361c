#include "core/delivery/verify.h"

#include "core/base/counted.h"
#include "core/base/pattern.h"
#include "core/base/text.h"
#include "core/measure/scene/bounds.h"
#include "core/steps/names.h"

#include <algorithm>
#include <cctype>
#include <fmt/format.h>
#include <map>

namespace wembrix {

namespace {

Claim claim(const Text& name, const Text& should, const Text& is, const Text& wrong) {
    return {name, should, is, wrong.empty(), wrong};
}

Claim one_root(const Scene& scene, const Destination& destination) {
    std::vector<std::string> roots;
    for (const int root : root_joints(scene)) {
        roots.push_back(scene.nodes[root].name);
    }
    const bool right = roots.size() == 1 && roots[0] == destination.root;
    return claim("Root", destination.root, roots.empty() ? "no joints" : some_of(roots),
                 right               ? ""
                 : roots.size() == 1 ? phrase("the root is “{}”", roots[0])
                                     : phrase("{}, where one is expected", counted(roots.size(), "root")));
}

Claim no_parent_transform(const Scene& scene) {
    std::vector<std::string> above_joints;
    for (const int root : root_joints(scene)) {
        for (int above = scene.nodes[root].parent; above >= 0; above = scene.nodes[above].parent) {
            if (std::find(above_joints.begin(), above_joints.end(), scene.nodes[above].name) == above_joints.end()) {
                above_joints.push_back(scene.nodes[above].name);
            }
        }
    }
    return claim("Parent transforms", "none", above_joints.empty() ? "none" : some_of(above_joints),
                 above_joints.empty() ? "" : phrase("{} stands above the joints", some_of(above_joints)));
}

Claim scales_one(const Scene& scene) {
    std::string worst;
    double most = 0;
    const auto see = [&](double off, const std::string& where) {
        if (off > most) {
            most = off;
            worst = where;
        }
    };
    for (const int joint : joints_of(scene)) {
        see((scene.nodes[joint].rest.scale - Vec3::Ones()).cwiseAbs().maxCoeff(), scene.nodes[joint].name);
    }
    for (const Clip& clip : scene.clips) {
        for (const Channel& channel : clip.channels) {
            if (channel.path == Path::scale && scene.nodes[channel.node].kind == NodeKind::joint) {
                const bool cubic = channel.interpolation == Interpolation::cubic;
                // A cubic key is in-tangent, value, out-tangent: only the value is a scale.
                for (size_t i = 0; i < channel.values.size(); ++i) {
                    if (!cubic || i / 3 % 3 == 1) {
                        see(std::abs(channel.values[i] - 1.0), scene.nodes[channel.node].name + " in " + clip.name);
                    }
                }
            }
        }
    }
    return claim("Joint scales", "exactly 1", most == 0 ? "exactly 1" : phrase("up to {:.3g} off 1", most),
                 most == 0 ? "" : phrase("{} is {:.3g} off 1", worst, most));
}

Claim names_fit(const Scene& scene, const Destination& destination) {
    const Pattern pattern = Pattern::checked(destination.joint_names);
    std::vector<std::string> strange;
    std::map<std::string, std::vector<std::string>> alike;
    for (const int joint : joints_of(scene)) {
        const std::string& name = scene.nodes[joint].name;
        if (name.size() > static_cast<size_t>(destination.longest_name) || !pattern.matches_whole(name)) {
            strange.push_back(name);
        }
        std::string lower = name;
        std::transform(lower.begin(), lower.end(), lower.begin(), [](unsigned char c) { return std::tolower(c); });
        alike[lower].push_back(name);
    }
    Text wrong = strange.empty() ? "" : phrase("{} does not fit {}", some_of(strange), destination.joint_names);
    for (const auto& [lower, names] : alike) {
        if (names.size() > 1 && wrong.empty()) {
            wrong = phrase("{} and {} differ in capitals only", names[0], names[1]);
        }
    }
    return claim("Joint names", phrase("{}, at most {} characters", destination.joint_names, destination.longest_name),
                 wrong.empty() ? phrase("{} fit", counted(joints_of(scene).size(), "name")) : "not all fit", wrong);
}

Claim binds_fit(const Scene& scene) {
    const std::vector<Mat4> world = rest_world(scene);
    // Files hold single precision: places of a scene of 20 m are rounded twenty times as much as those of one of 1 m.
    const double size = std::max(1.0, whole_bounds(scene).size().norm());
    double most = 0;
    std::string worst;
    size_t count = 0;
    for (const Skin& skin : scene.skins) {
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            const double off = (world[skin.joints[j]] * skin.inverse_binds[j] - Mat4::Identity()).cwiseAbs().maxCoeff();
            ++count;
            if (off / size > most) {
                most = off / size;
                worst = scene.nodes[skin.joints[j]].name;
            }
        }
    }
    return claim("Inverse binds", "inverse of the rest pose",
                 count == 0 ? "no skin" : phrase("{} within {:.1e}", count, most),
                 most <= 1e-6 ? "" : phrase("{} is {:.2g} off", worst, most));
}

Claim in_order(const Scene& scene) {
    Text wrong;
    for (const Skin& skin : scene.skins) {
        for (size_t j = 1; j < skin.joints.size() && wrong.empty(); ++j) {
            if (skin.joints[j] <= skin.joints[j - 1]) {
                wrong = phrase("the skin “{}” lists {} after {}", skin.name, scene.nodes[skin.joints[j]].name,
                               scene.nodes[skin.joints[j - 1]].name);
            }
        }
    }
    return claim("Order of joints", "parents first, the same in every skin", wrong.empty() ? "so" : "not so", wrong);
}

Claim few_influences(const Scene& scene, const Destination& destination) {
    size_t most = 0;
    for (const Node& node : scene.nodes) {
        most = std::max(most, node.influences.largest_row());
    }
    return claim("Influences", phrase("at most {}", destination.influences), fmt::format("{}", most),
                 most <= static_cast<size_t>(destination.influences) ? "" : "more than the destination takes");
}

Claim same_skeleton(const Scene& scene, const Contract& contract) {
    const std::vector<ContractDifference> differences = compare_with_contract(scene, contract);
    std::vector<std::string> sentences;
    for (const ContractDifference& difference : differences) {
        sentences.push_back(difference.sentence);
    }
    return claim("Contract", phrase("“{}”, {}", contract.name, counted(contract.joints.size(), "joint")),
                 differences.empty() ? phrase("{}, the same", counted(joints_of(scene).size(), "joint"))
                                     : phrase("{} differences", differences.size()),
                 some_of(sentences, 12));
}

} // namespace

std::vector<Claim> verify_scene(const Scene& scene, const Destination& destination,
                                const std::optional<Contract>& contract) {
    std::vector<Claim> claims = {one_root(scene, destination),      no_parent_transform(scene), scales_one(scene),
                                 names_fit(scene, destination),     binds_fit(scene),           in_order(scene),
                                 few_influences(scene, destination)};
    if (contract) {
        claims.push_back(same_skeleton(scene, *contract));
    } else if (destination.contract) {
        claims.push_back(same_skeleton(scene, *destination.contract));
    }
    return claims;
}

} // namespace wembrix
