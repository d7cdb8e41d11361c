#include "core/steps/names.h"
#include "core/base/text.h"

#include <algorithm>
#include <map>

namespace wembrix {

std::vector<std::string> doubled_names(const std::vector<std::string>& names) {
    std::map<std::string, int> count;
    std::vector<std::string> doubled;
    for (const std::string& name : names) {
        if (++count[name] == 2) {
            doubled.push_back(name);
        }
    }
    return doubled;
}

std::string_view prefix_of(std::string_view name, std::string_view separator) {
    const size_t at = separator.empty() ? std::string_view::npos : name.rfind(separator);
    if (at == std::string_view::npos || at + separator.size() >= name.size()) {
        return {};
    }
    return name.substr(0, at + separator.size());
}

bool matches_wildcard(std::string_view name, std::string_view pattern) {
    size_t n = 0;
    size_t p = 0;
    size_t star = std::string_view::npos;
    size_t resume = 0;
    while (n < name.size()) {
        if (p < pattern.size() && (pattern[p] == '?' || pattern[p] == name[n]) && pattern[p] != '*') {
            ++n;
            ++p;
        } else if (p < pattern.size() && pattern[p] == '*') {
            star = p++;
            resume = n;
        } else if (star != std::string_view::npos) {
            p = star + 1;
            n = ++resume;
        } else {
            return false;
        }
    }
    return pattern.find_first_not_of('*', p) == std::string_view::npos;
}

bool NamePatterns::any_fits(std::string_view name) const {
    for (size_t p = 0; p < patterns_.size(); ++p) {
        if (fits(name, p)) {
            return true;
        }
    }
    return false;
}

Text some_of(const std::vector<std::string>& names, size_t most) {
    std::string first;
    for (size_t i = 0; i < names.size() && i < most; ++i) {
        first += (i == 0 ? "" : ", ") + names[i];
    }
    return names.size() > most ? phrase("{} and {} more", first, names.size() - most) : Text(first);
}

Text some_of(const std::vector<Text>& of, size_t most) {
    const Text first = joined({of.begin(), of.begin() + static_cast<ptrdiff_t>(std::min(most, of.size()))}, ", ");
    return of.size() > most ? phrase("{} and {} more", first, of.size() - most) : first;
}

} // namespace wembrix
