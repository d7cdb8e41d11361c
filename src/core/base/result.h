// Result<T>: a value, or the Problem that kept it from being made. Used across all module borders of core.
#pragma once

#include "core/base/text.h"

#include <string>
#include <utility>
#include <variant>

namespace wembrix {

/// What went wrong, in the person's words.
struct Problem {
    Text what;              ///< one clear sentence
    std::string where;      ///< file, joint, step or key; may be empty
    Text remedy;            ///< what the person can do; may be empty
    bool malformed = false; ///< the fault is in what was typed, whatever the scene it is used on
    [[nodiscard]] Text sentence() const {
        Text text = where.empty() ? what : Text(where) + ": " + what;
        if (!remedy.empty()) {
            text += " " + remedy;
        }
        return text;
    }
};

template <typename T> class [[nodiscard]] Result {
  public:
    Result(T value) : held_(std::move(value)) {}
    Result(Problem problem) : held_(std::move(problem)) {}

    [[nodiscard]] bool ok() const { return std::holds_alternative<T>(held_); }
    explicit operator bool() const { return ok(); }
    T& value() { return std::get<T>(held_); }
    const T& value() const { return std::get<T>(held_); }
    T take() { return std::move(std::get<T>(held_)); }
    const Problem& problem() const { return std::get<Problem>(held_); }
    T* operator->() { return &value(); }
    const T* operator->() const { return &value(); }
    T& operator*() { return value(); }
    const T& operator*() const { return value(); }

  private:
    std::variant<T, Problem> held_;
};

struct Done {};
using Outcome = Result<Done>;

} // namespace wembrix
