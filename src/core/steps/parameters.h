// Reads a step's parameters and remembers the first thing that was wrong with them.
#pragma once

#include "core/base/result.h"

#include <initializer_list>
#include <map>
#include <nlohmann/json.hpp>
#include <optional>
#include <string>
#include <vector>

namespace wembrix {

class Parameters {
  public:
    Parameters(const nlohmann::json& json, std::initializer_list<const char*> known);

    std::string text(const char* key, const std::string& otherwise);
    std::string needed_text(const char* key);
    std::optional<double> number(const char* key);
    bool flag(const char* key, bool otherwise);
    int needed_whole(const char* key);
    std::vector<std::string> texts(const char* key);
    std::map<std::string, std::string> pairs(const char* key); ///< an object of texts, or none
    const nlohmann::json& objects(const char* key);            ///< a list of objects, or an empty list

    void complain(const std::string& what);
    [[nodiscard]] bool ok() const { return !problem_; }
    [[nodiscard]] Problem problem() const { return *problem_; }

  private:
    const nlohmann::json& json_;
    std::optional<Problem> problem_;
};

} // namespace wembrix
