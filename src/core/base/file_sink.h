// A large file written piece by piece, and one looked at where it lies: neither is in memory whole.
#pragma once

#include "core/base/result.h"

#include <cstdint>
#include <filesystem>
#include <memory>
#include <string>
#include <string_view>

namespace wembrix {

/// A new file that grows. Nothing that is there is written over: a name that is taken is refused. What is not finished
/// is taken away again.
class FileSink {
  public:
    static Result<FileSink> create(const std::filesystem::path& file);
    FileSink(FileSink&& other) noexcept;
    FileSink& operator=(FileSink&& other) = delete;
    FileSink(const FileSink&) = delete;
    FileSink& operator=(const FileSink&) = delete;
    ~FileSink();

    Outcome append(std::string_view bytes);
    /// Precondition: so many bytes are there already.
    Outcome write_over(uint64_t at, std::string_view bytes);
    /// On the disk, whole.
    Outcome finish();

  private:
    FileSink(int descriptor, std::filesystem::path file) : descriptor_(descriptor), file_(std::move(file)) {}
    [[nodiscard]] Problem failed() const;
    int descriptor_ = -1;
    std::filesystem::path file_;
    bool finished_ = false;
};

/// The bytes of a file that nobody shortens meanwhile: of one that was just written, not of one that was given.
class MappedFile {
  public:
    static Result<std::shared_ptr<const MappedFile>> open(const std::filesystem::path& file);
    MappedFile(const MappedFile&) = delete;
    MappedFile& operator=(const MappedFile&) = delete;
    ~MappedFile();
    [[nodiscard]] std::string_view bytes() const { return bytes_; }
    /// A part of them is not looked at again soon: its pages need not stay in memory.
    void let_go(const void* first, size_t size) const;

  private:
    explicit MappedFile(std::string_view bytes) : bytes_(bytes) {}
    std::string_view bytes_;
};

/// As hash_of its bytes; however large it is.
Result<std::string> hash_of_file(const std::filesystem::path& file);

} // namespace wembrix
