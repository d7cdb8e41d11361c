#include "core/base/hasher.h"

#include <fmt/format.h>
#include <xxhash.h>

namespace wembrix {

struct Hasher::State {
    XXH3_state_t* xxh = XXH3_createState();
    ~State() { XXH3_freeState(xxh); }
};

Hasher::Hasher() : state_(std::make_unique<State>()) {
    XXH3_128bits_reset(state_->xxh);
}

Hasher::~Hasher() = default;

void Hasher::bytes(const void* data, size_t size) {
    if (size > 0) {
        XXH3_128bits_update(state_->xxh, data, size);
    }
}

void Hasher::text(std::string_view text) {
    number(text.size());
    bytes(text.data(), text.size());
}

std::string Hasher::hex() const {
    const XXH128_hash_t hash = XXH3_128bits_digest(state_->xxh);
    return fmt::format("{:016x}{:016x}", hash.high64, hash.low64);
}

} // namespace wembrix
