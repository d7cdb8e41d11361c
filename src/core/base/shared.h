// An array shared between scenes and copied only when one of them changes it.
#pragma once

#include <memory>
#include <utility>
#include <vector>

namespace wembrix {

template <typename T> class Shared {
  public:
    Shared() = default;
    Shared(std::vector<T> values)
        : held_(values.empty() ? nullptr : std::make_shared<std::vector<T>>(std::move(values))) {}

    [[nodiscard]] const std::vector<T>& get() const {
        static const std::vector<T> none;
        return held_ ? *held_ : none;
    }
    [[nodiscard]] size_t size() const { return held_ ? held_->size() : 0; }
    [[nodiscard]] bool empty() const { return size() == 0; }
    const T& operator[](size_t i) const { return (*held_)[i]; }
    [[nodiscard]] const T* data() const { return held_ ? held_->data() : nullptr; }
    [[nodiscard]] auto begin() const { return get().begin(); }
    [[nodiscard]] auto end() const { return get().end(); }

    /// The array to write to: this scene's own after the call.
    std::vector<T>& edit() {
        if (!held_) {
            held_ = std::make_shared<std::vector<T>>();
        } else if (held_.use_count() > 1) {
            held_ = std::make_shared<std::vector<T>>(*held_);
        }
        return *held_;
    }
    /// True when both look at the very same array (no comparison of values).
    [[nodiscard]] bool same_array(const Shared& other) const { return held_ == other.held_; }

  private:
    std::shared_ptr<std::vector<T>> held_;
};

} // namespace wembrix
