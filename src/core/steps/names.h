// Names: clashes, prefixes, wildcards.
#pragma once

#include "core/scene/scene.h"

#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace wembrix {

/// Names that stand more than once in the list, each once.
std::vector<std::string> doubled_names(const std::vector<std::string>& names);

/// What comes before the last `separator`, with it; empty when there is none or nothing follows it.
std::string_view prefix_of(std::string_view name, std::string_view separator);

/// '*' stands for any run of characters, '?' for one.
bool matches_wildcard(std::string_view name, std::string_view pattern);

/// Names that a person gave, with wildcards. One that is the whole name of something means that thing alone, whatever
/// characters it has.
class NamePatterns {
  public:
    /// `exists` tells whether something is called so.
    template <typename Exists>
    NamePatterns(const std::vector<std::string>& patterns, const Exists& exists) : patterns_(patterns) {
        for (const std::string& pattern : patterns) {
            literal_.push_back(exists(pattern) ? 1 : 0);
        }
    }
    /// Of nodes.
    NamePatterns(const std::vector<std::string>& patterns, const Scene& scene)
        : NamePatterns(patterns, [&](const std::string& name) { return scene.find_node(name) >= 0; }) {}
    [[nodiscard]] bool fits(std::string_view name, size_t pattern) const {
        return literal_[pattern] != 0 ? name == patterns_[pattern] : matches_wildcard(name, patterns_[pattern]);
    }
    [[nodiscard]] bool any_fits(std::string_view name) const;

  private:
    std::vector<std::string> patterns_;
    std::vector<char> literal_;
};

/// "a, b, c and 4 more"
Text some_of(const std::vector<std::string>& names, size_t most = 3);
Text some_of(const std::vector<Text>& of, size_t most = 3);

} // namespace wembrix
