#include "core/base/file_sink.h"
#include "core/base/text.h"

#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <fmt/format.h>
#include <sys/mman.h>
#include <sys/stat.h>
#include <unistd.h>
#include <utility>
#include <vector>
#include <xxhash.h>

namespace wembrix {

Result<FileSink> FileSink::create(const std::filesystem::path& file) {
    const int made = ::open(file.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_NOFOLLOW | O_CLOEXEC, 0644);
    if (made < 0) {
        return Problem{phrase("cannot be created: {}.", std::strerror(errno)), file.string(),
                       "Check that the folder can be written to and the disk has room."};
    }
    return FileSink(made, file);
}

FileSink::FileSink(FileSink&& other) noexcept
    : descriptor_(std::exchange(other.descriptor_, -1)), file_(std::move(other.file_)), finished_(other.finished_) {}

FileSink::~FileSink() {
    if (descriptor_ >= 0) {
        ::close(descriptor_);
        if (!finished_) {
            ::unlink(file_.c_str());
        }
    }
}

Problem FileSink::failed() const {
    return Problem{phrase("cannot be written: {}.", std::strerror(errno)), file_.string(),
                   "Check that the folder can be written to and the disk has room."};
}

Outcome FileSink::append(std::string_view bytes) {
    while (!bytes.empty()) {
        const ssize_t put = ::write(descriptor_, bytes.data(), bytes.size());
        if (put < 0 && errno == EINTR) {
            continue;
        }
        if (put <= 0) {
            return failed();
        }
        bytes.remove_prefix(static_cast<size_t>(put));
    }
    return Done{};
}

Outcome FileSink::write_over(uint64_t at, std::string_view bytes) {
    const ssize_t put = ::pwrite(descriptor_, bytes.data(), bytes.size(), static_cast<off_t>(at));
    if (put != static_cast<ssize_t>(bytes.size())) {
        return failed();
    }
    return Done{};
}

Outcome FileSink::finish() {
    if (::fsync(descriptor_) != 0) {
        return failed();
    }
    finished_ = true;
    return Done{};
}

Result<std::shared_ptr<const MappedFile>> MappedFile::open(const std::filesystem::path& file) {
    const auto failed = [&] {
        return Problem{phrase("cannot be opened: {}.", std::strerror(errno)), file.string(), ""};
    };
    const int in = ::open(file.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK);
    struct stat info {};
    if (in < 0 || ::fstat(in, &info) != 0) {
        const Problem problem = failed();
        if (in >= 0) {
            ::close(in);
        }
        return problem;
    }
    if (!S_ISREG(info.st_mode) || info.st_size == 0) {
        ::close(in);
        return Problem{info.st_size == 0 ? "is empty." : "is not a file.", file.string(), ""};
    }
    const auto size = static_cast<size_t>(info.st_size);
    void* at = ::mmap(nullptr, size, PROT_READ, MAP_PRIVATE, in, 0);
    ::close(in);
    if (at == MAP_FAILED) {
        return failed();
    }
    return std::shared_ptr<const MappedFile>(new MappedFile({static_cast<const char*>(at), size}));
}

MappedFile::~MappedFile() {
    ::munmap(const_cast<char*>(bytes_.data()), bytes_.size());
}

void MappedFile::let_go(const void* first, size_t size) const {
    static const auto page = static_cast<uintptr_t>(::sysconf(_SC_PAGESIZE));
    const auto begin = (reinterpret_cast<uintptr_t>(first) + page - 1) / page * page;
    const auto end = (reinterpret_cast<uintptr_t>(first) + size) / page * page;
    if (end > begin) {
        ::madvise(reinterpret_cast<void*>(begin), end - begin, MADV_DONTNEED);
    }
}

Result<std::string> hash_of_file(const std::filesystem::path& file) {
    const int in = ::open(file.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK);
    struct stat info {};
    if (in < 0 || ::fstat(in, &info) != 0 || !S_ISREG(info.st_mode)) {
        if (in >= 0) {
            ::close(in);
        }
        return Problem{"cannot be opened.", file.string(), ""};
    }
    XXH3_state_t* state = XXH3_createState();
    XXH3_128bits_reset(state);
    std::vector<char> piece(size_t{1} << 20);
    ssize_t got = 0;
    while ((got = ::read(in, piece.data(), piece.size())) > 0 || (got < 0 && errno == EINTR)) {
        if (got > 0) {
            XXH3_128bits_update(state, piece.data(), static_cast<size_t>(got));
        }
    }
    ::close(in);
    const XXH128_hash_t hash = XXH3_128bits_digest(state);
    XXH3_freeState(state);
    if (got < 0) {
        return Problem{phrase("cannot be read: {}.", std::strerror(errno)), file.string(), ""};
    }
    return fmt::format("{:016x}{:016x}", hash.high64, hash.low64);
}

} // namespace wembrix
