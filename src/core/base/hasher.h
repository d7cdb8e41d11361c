// XXH3, 128 bits, over many pieces: to tell whether something is what it was.
#pragma once

#include "core/base/shared.h"

#include <memory>
#include <string>
#include <string_view>
#include <type_traits>

namespace wembrix {

class Hasher {
  public:
    Hasher();
    ~Hasher();
    Hasher(const Hasher&) = delete;
    Hasher& operator=(const Hasher&) = delete;

    void bytes(const void* data, size_t size);
    /// Texts and arrays go in with their lengths, so that two neighbours cannot pass for other two.
    void text(std::string_view text);
    template <typename Number> void number(Number value) {
        static_assert(std::is_arithmetic_v<Number>);
        bytes(&value, sizeof value);
    }
    template <typename Item> void array(const Shared<Item>& items) {
        number(items.size());
        bytes(items.data(), items.size() * sizeof(Item));
    }
    [[nodiscard]] std::string hex() const; ///< 32 hexadecimal digits

  private:
    struct State;
    std::unique_ptr<State> state_;
};

} // namespace wembrix
