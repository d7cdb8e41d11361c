#include "core/base/files.h"

#include "core/base/latin.h"
#include "core/base/text.h"

#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <fmt/format.h>
#include <sys/stat.h>
#include <unistd.h>
#include <xxhash.h>

namespace wembrix {

namespace {

class Descriptor {
  public:
    explicit Descriptor(int number) : number_(number) {}
    Descriptor(const Descriptor&) = delete;
    Descriptor& operator=(const Descriptor&) = delete;
    ~Descriptor() {
        if (number_ >= 0) {
            ::close(number_);
        }
    }
    [[nodiscard]] int get() const { return number_; }

  private:
    int number_;
};

std::string reason() {
    return std::strerror(errno);
}

} // namespace

Result<std::string> read_file(const std::filesystem::path& file) {
    const Descriptor in(::open(file.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK));
    struct stat info {};
    if (in.get() < 0 || ::fstat(in.get(), &info) != 0) {
        return Problem{"cannot be opened: " + reason() + ".", file.string(), ""};
    }
    if (!S_ISREG(info.st_mode)) {
        return Problem{"is not a file.", file.string(), ""};
    }
    constexpr off_t largest = 4LL << 30;
    if (info.st_size > largest) {
        return Problem{"is larger than 4 GiB.", file.string(), ""};
    }
    std::string bytes(static_cast<size_t>(info.st_size), '\0');
    size_t done = 0;
    while (done < bytes.size()) {
        const ssize_t got = ::read(in.get(), bytes.data() + done, bytes.size() - done);
        if (got < 0 && errno == EINTR) {
            continue;
        }
        if (got < 0) {
            return Problem{"cannot be read: " + reason() + ".", file.string(), ""};
        }
        if (got == 0) {
            break;
        }
        done += static_cast<size_t>(got);
    }
    bytes.resize(done);
    return bytes;
}

Outcome write_file_whole(const std::filesystem::path& file, const std::string& bytes) {
    std::string beside;
    auto failed = [&](const char* doing) {
        Problem problem{phrase("cannot be {}: {}.", doing, reason()), file.string(),
                        "Check that the folder can be written to and the disk has room."};
        ::unlink(beside.c_str());
        return problem;
    };
    {
        // Never through a file or link that somebody put at the name.
        int made = -1;
        for (int n = 0; n < 100 && made < 0 && (n == 0 || errno == EEXIST); ++n) {
            beside = fmt::format("{}.{}{}.part", file.string(), ::getpid(), n == 0 ? "" : fmt::format("-{}", n));
            made = ::open(beside.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_NOFOLLOW | O_CLOEXEC, 0644);
        }
        if (made < 0) {
            beside.clear();
        }
        const Descriptor out(made);
        if (out.get() < 0) {
            return failed("created");
        }
        size_t done = 0;
        while (done < bytes.size()) {
            const ssize_t put = ::write(out.get(), bytes.data() + done, bytes.size() - done);
            if (put < 0 && errno == EINTR) {
                continue;
            }
            if (put <= 0) {
                return failed("written");
            }
            done += static_cast<size_t>(put);
        }
        if (::fsync(out.get()) != 0) {
            return failed("written");
        }
    }
    if (::rename(beside.c_str(), file.c_str()) != 0) {
        return failed("put in place");
    }
    const Descriptor folder(
        ::open(file.has_parent_path() ? file.parent_path().c_str() : ".", O_RDONLY | O_DIRECTORY | O_CLOEXEC));
    if (folder.get() >= 0) {
        ::fsync(folder.get());
    }
    return Done{};
}

Outcome replace_file(const std::filesystem::path& file, const std::string& bytes) {
    std::error_code error;
    const std::filesystem::path real = std::filesystem::canonical(file, error);
    return write_file_whole(error ? file : real, bytes);
}

std::string hash_of(const std::string& bytes) {
    const XXH128_hash_t hash = XXH3_128bits(bytes.data(), bytes.size());
    return fmt::format("{:016x}{:016x}", hash.high64, hash.low64);
}

std::string file_name_safe(const std::string& name) {
    std::string safe;
    const bool any_script = is_plain_utf8(name); // two names in another script stay two names
    for (const char c : name) {
        const bool plain = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') || c == '-' ||
                           c == '_' || (any_script && static_cast<unsigned char>(c) >= 0x80);
        safe += plain ? c : '_';
    }
    return safe.empty() ? "unnamed" : safe;
}

} // namespace wembrix
