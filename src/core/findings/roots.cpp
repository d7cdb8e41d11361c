// More than one root: an engine keeps one tree of joints.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/steps/names.h"

namespace wembrix {

std::vector<Finding> find_roots(const FindingContext& context) {
    const std::vector<int> roots = root_joints(context.scene);
    if (roots.size() < 2) {
        return {};
    }
    std::vector<std::string> names;
    for (const int root : roots) {
        names.push_back(context.scene.nodes[root].name);
    }
    Finding finding;
    finding.grade = Grade::stop;
    finding.nodes = names;
    finding.where = some_of(names, names.size());
    finding.message = phrase("{} have no parent", counted(roots.size(), "joint"));
    finding.reason = phrase("{}: an engine keeps one tree.", some_of(names));
    const std::string name = context.destination == nullptr ? "root" : context.destination->root;
    finding.step = Step{"make_root", {{"name", name}, {"position", "ground"}}};
    return {finding};
}

} // namespace wembrix
