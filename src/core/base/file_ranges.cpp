#include "core/base/file_ranges.h"

#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <string>
#include <sys/stat.h>
#include <unistd.h>
#include <utility>

namespace wembrix {

Result<FileRanges> FileRanges::open(const std::filesystem::path& file) {
    const int descriptor = ::open(file.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK);
    if (descriptor < 0) {
        return Problem{"cannot be opened: " + std::string(std::strerror(errno)) + ".", file.string(), ""};
    }
    FileRanges opened(descriptor, 0);
    struct stat info {};
    if (::fstat(descriptor, &info) != 0 || !S_ISREG(info.st_mode)) {
        return Problem{"is not a file.", file.string(), ""};
    }
    opened.size_ = static_cast<uint64_t>(info.st_size);
    return opened;
}

FileRanges::FileRanges(FileRanges&& other) noexcept
    : descriptor_(std::exchange(other.descriptor_, -1)), size_(other.size_) {}

FileRanges::~FileRanges() {
    if (descriptor_ >= 0) {
        ::close(descriptor_);
    }
}

bool FileRanges::read(uint64_t at, size_t bytes, char* to) const {
    size_t done = 0;
    while (done < bytes) {
        const ssize_t got = ::pread(descriptor_, to + done, bytes - done, static_cast<off_t>(at + done));
        if (got < 0 && errno == EINTR) {
            continue;
        }
        if (got <= 0) {
            return false;
        }
        done += static_cast<size_t>(got);
    }
    return true;
}

} // namespace wembrix
