// Gathers what differs about one subject of a comparison.
#pragma once

#include "core/measure/comparison/claim.h"

#include <cstddef>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

class Subject {
  public:
    /// `noun` is what is counted: "surface".
    Subject(std::string_view name, std::string_view noun) : name_(std::string(name).c_str()), noun_(noun) {}

    /// One more thing was held against its counterpart.
    void compared() { ++compared_; }
    void differs(const Text& where, const Text& how);
    void is_missing(std::string_view what) { differs(Text(std::string(what)), "is missing"); }
    void is_too_much(std::string_view what) { differs(Text(std::string(what)), "is too much"); }
    [[nodiscard]] bool is_empty() const { return compared_ == 0 && found_ == 0; }
    [[nodiscard]] Claim claim() const;

  private:
    Text name_;
    std::string noun_;
    size_t compared_ = 0;
    size_t found_ = 0;
    std::vector<Text> differences_;
    std::vector<std::string> places_; ///< things that differ, each once
};

/// "0.0123" with as many digits as tell it.
std::string short_number(double value);

} // namespace wembrix
