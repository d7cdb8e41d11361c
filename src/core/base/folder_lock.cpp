#include "core/base/folder_lock.h"
#include "core/base/text.h"

#include <cerrno>
#include <chrono>
#include <cstring>
#include <fcntl.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <thread>
#include <unistd.h>
#include <utility>

namespace wembrix {

namespace fs = std::filesystem;

namespace {

bool try_to_lock(int descriptor) {
    int locked = -1;
    do {
        locked = ::flock(descriptor, LOCK_EX | LOCK_NB);
    } while (locked != 0 && errno == EINTR);
    return locked == 0;
}

/// Whoever held it last may have removed the file just before it was locked here.
bool is_still_there(int descriptor, const fs::path& file) {
    struct stat held {};
    struct stat there {};
    return ::fstat(descriptor, &held) == 0 && ::lstat(file.c_str(), &there) == 0 && held.st_ino == there.st_ino &&
           held.st_dev == there.st_dev;
}

} // namespace

HeldFile::HeldFile(HeldFile&& other) noexcept : descriptor_(std::exchange(other.descriptor_, -1)) {}

HeldFile& HeldFile::operator=(HeldFile&& other) noexcept {
    std::swap(descriptor_, other.descriptor_);
    return *this;
}

HeldFile::~HeldFile() {
    if (descriptor_ >= 0) {
        ::close(descriptor_);
    }
}

HeldFile HeldFile::create(const fs::path& file) {
    HeldFile made(::open(file.c_str(), O_RDWR | O_CREAT | O_EXCL | O_NOFOLLOW | O_CLOEXEC, 0644));
    // Whoever asks just then whether it is free has it for a moment.
    for (int turn = 0; made.holds() && turn < 100; ++turn) {
        if (try_to_lock(made.descriptor_)) {
            return made;
        }
        std::this_thread::sleep_for(std::chrono::milliseconds(2));
    }
    return {};
}

bool HeldFile::is_free(const fs::path& file) {
    const HeldFile opened(::open(file.c_str(), O_RDWR | O_NOFOLLOW | O_CLOEXEC));
    return opened.holds() && try_to_lock(opened.descriptor_);
}

Result<FolderLock> FolderLock::wait(const fs::path& folder, double longest_s) {
    const fs::path file = folder / ".wembrix-lock";
    const auto end = std::chrono::steady_clock::now() + std::chrono::duration<double>(longest_s);
    while (true) {
        const int descriptor = ::open(file.c_str(), O_RDWR | O_CREAT | O_NOFOLLOW | O_CLOEXEC, 0644);
        if (descriptor < 0) {
            return Problem{phrase("cannot be written to: {}.", std::strerror(errno)), folder.string(),
                           "Choose another folder, or give yourself the right to write there."};
        }
        HeldFile held(descriptor);
        if (try_to_lock(descriptor) && is_still_there(descriptor, file)) {
            return FolderLock(file, std::move(held));
        }
        if (std::chrono::steady_clock::now() > end) {
            return Problem{"another delivery is writing into it.", folder.string(), "Deliver again when it is done."};
        }
        std::this_thread::sleep_for(std::chrono::milliseconds(20));
    }
}

FolderLock::~FolderLock() {
    if (held_.holds()) {
        ::unlink(file_.c_str());
    }
}

} // namespace wembrix
