#include "core/base/lease.h"

#include "core/base/files.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <chrono>
#include <condition_variable>
#include <fcntl.h>
#include <mutex>
#include <stop_token>
#include <sys/stat.h>
#include <unistd.h>

namespace wembrix {

namespace fs = std::filesystem;

namespace {

constexpr std::chrono::seconds renewed_every(15);

/// Seconds of the file system's own clock since the file was touched; the folder gets a file for a moment.
double seconds_since_touched(const fs::path& file) {
    std::string now = file.string() + ".now-XXXXXX";
    const int descriptor = ::mkstemp(now.data());
    struct stat there {};
    struct stat fresh {};
    double seconds = 0;
    if (descriptor >= 0) {
        if (::fstat(descriptor, &fresh) == 0 && ::lstat(file.c_str(), &there) == 0) {
            seconds = static_cast<double>(fresh.st_mtim.tv_sec - there.st_mtim.tv_sec) +
                      static_cast<double>(fresh.st_mtim.tv_nsec - there.st_mtim.tv_nsec) / 1e9;
        }
        ::close(descriptor);
        ::unlink(now.c_str());
    }
    return seconds;
}

} // namespace

std::string host_name() {
    std::array<char, 256> name{};
    ::gethostname(name.data(), name.size() - 1);
    std::string host(name.data());
    std::replace_if(
        host.begin(), host.end(), [](unsigned char c) { return std::isalnum(c) == 0; }, '-');
    return host.empty() ? "host" : host.substr(0, 60);
}

Lease Lease::create(const fs::path& file) {
    Lease lease;
    lease.held_ = HeldFile::create(file);
    if (!lease.held_.holds()) {
        return lease;
    }
    const std::string host = host_name() + "\n";
    if (::write(lease.held_.descriptor(), host.data(), host.size()) != static_cast<ssize_t>(host.size())) {
        return {};
    }
    lease.renewing_ = std::jthread([descriptor = lease.held_.descriptor()](const std::stop_token& stop) {
        std::mutex mutex;
        std::condition_variable_any wake;
        std::unique_lock lock(mutex);
        while (!stop.stop_requested()) {
            ::futimens(descriptor, nullptr); // by the clock of whoever keeps the file
            wake.wait_for(lock, stop, renewed_every, [] { return false; });
        }
    });
    return lease;
}

bool Lease::is_over(const fs::path& file, double longest_s) {
    std::error_code error;
    if (!fs::exists(fs::symlink_status(file, error))) {
        return true;
    }
    if (!HeldFile::is_free(file)) {
        return false;
    }
    const Result<std::string> host = read_file(file);
    if (host && (host->empty() || *host == host_name() + "\n")) {
        return true;
    }
    // A lock may not reach from one machine to another: there the renewing tells.
    return seconds_since_touched(file) > longest_s;
}

} // namespace wembrix
