// Takes prefixes ("market:tansy_rig:") off all names, at any depth.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"

#include <set>
#include <unordered_map>

namespace wembrix {

namespace {

struct Stripped {
    size_t count = 0;
    std::vector<std::string> kept; ///< names that would have clashed
    std::set<std::string> prefixes;
};

template <typename Item> void strip(std::vector<Item>& items, const std::string& separator, Stripped& done) {
    std::unordered_map<std::string, int> uses;
    for (const Item& item : items) {
        const std::string_view prefix = prefix_of(item.name, separator);
        ++uses[item.name.substr(prefix.size())];
    }
    for (Item& item : items) {
        const std::string prefix(prefix_of(item.name, separator));
        if (prefix.empty()) {
            continue;
        }
        std::string bare = item.name.substr(prefix.size());
        if (uses[bare] > 1) {
            done.kept.push_back(item.name);
            continue;
        }
        done.prefixes.insert(prefix);
        item.name = std::move(bare);
        ++done.count;
    }
}

struct PrefixSettings {
    std::string separator = ":";
};

Result<StepResult> apply_strip_prefix(const StepContext& context, const PrefixSettings& settings) {
    const Scene& scene = context.scene;
    const std::string& separator = settings.separator;
    StepResult result;
    result.scene = scene;
    Stripped nodes;
    Stripped others;
    strip(result.scene.nodes, separator, nodes);
    strip(result.scene.meshes, separator, others);
    strip(result.scene.skins, separator, others);
    strip(result.scene.clips, separator, others);
    const std::vector<std::string> prefixes(nodes.prefixes.begin(), nodes.prefixes.end());
    result.account = nodes.count + others.count == 0
                         ? "no name has a prefix"
                         : phrase("“{}” off {}", some_of(prefixes, 2), counted(nodes.count + others.count, "name"));
    if (!nodes.kept.empty() || !others.kept.empty()) {
        std::vector<std::string> kept = nodes.kept;
        kept.insert(kept.end(), others.kept.begin(), others.kept.end());
        result.could_not.push_back(
            phrase("{} keep their prefix, for without it two would have one name", some_of(kept)));
    }
    return result;
}

} // namespace

StepKind strip_prefix_step() {
    return make_step<PrefixSettings>(
        {"strip_prefix", "Strip prefix", "Names come without what was put before them in somebody else's file.",
         StepSubject::scene},
        {text<&PrefixSettings::separator>("separator", "Ends with",
                                          "All up to the last one comes off; names that would clash keep theirs")
             .not_empty()
             .typed_as("the character that ends a prefix")},
        apply_strip_prefix);
}

} // namespace wembrix
