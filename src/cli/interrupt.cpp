#include "interrupt.h"

#include <atomic>
#include <csignal>

namespace wembrix::cli {

namespace {

std::atomic<bool> interrupted = false;

} // namespace

void stop_when_interrupted() {
    std::signal(SIGINT, [](int) { interrupted = true; });
    std::signal(SIGTERM, [](int) { interrupted = true; });
}

bool was_interrupted() {
    return interrupted;
}

} // namespace wembrix::cli
