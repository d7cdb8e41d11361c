// One target for the fuzzer: the build says which.
#include "targets.h"

#include <cstddef>
#include <cstdint>

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    wembrix::testing::WEMBRIX_TARGET(std::string(reinterpret_cast<const char*>(data), size));
    return 0;
}
