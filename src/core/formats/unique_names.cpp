#include "core/formats/unique_names.h"
#include "core/base/text.h"

#include <fmt/format.h>
#include <unordered_map>
#include <unordered_set>

namespace wembrix {

void make_names_unique(std::vector<std::string*> names, const std::string& fallback, const std::string& kind,
                       Scene& scene) {
    std::unordered_set<std::string> taken;
    for (const std::string* name : names) {
        taken.insert(*name);
    }
    std::unordered_set<std::string> seen;
    size_t unnamed = 0;
    std::string first_unnamed;
    std::vector<std::string> doubled;
    std::unordered_map<std::string, int> next;
    for (std::string* name : names) {
        const bool empty = name->empty();
        if (!empty && seen.insert(*name).second) {
            continue;
        }
        const std::string stem = empty ? fallback : *name;
        std::string fresh;
        int& number = next.try_emplace(stem, empty ? 1 : 2).first->second;
        do {
            fresh = fmt::format("{}_{}", stem, number++);
        } while (taken.count(fresh) != 0 || seen.count(fresh) != 0);
        if (empty) {
            first_unnamed = unnamed++ == 0 ? fresh : first_unnamed;
        } else {
            doubled.push_back(*name);
        }
        *name = fresh;
        seen.insert(fresh);
    }
    if (unnamed > 0) {
        scene.notes.push_back({kind, unnamed == 1
                                         ? phrase("1 had no name; it is called {}.", first_unnamed)
                                         : phrase("{} had no name; the first is called {}.", unnamed, first_unnamed)});
    }
    if (!doubled.empty()) {
        scene.notes.push_back(
            {kind, phrase("{} had a name that another has already (\"{}\" is one); a number was put behind it.",
                          doubled.size(), doubled.front().substr(0, 60))});
    }
}

} // namespace wembrix
