// A file read piece by piece, from several threads if need be.
#pragma once

#include "core/base/result.h"

#include <cstddef>
#include <cstdint>
#include <filesystem>

namespace wembrix {

class FileRanges {
  public:
    /// A regular file (no folder, no device); its size is what it is now.
    static Result<FileRanges> open(const std::filesystem::path& file);
    FileRanges(FileRanges&& other) noexcept;
    FileRanges& operator=(FileRanges&& other) = delete;
    ~FileRanges();

    [[nodiscard]] uint64_t size() const { return size_; }
    /// Exactly `bytes` bytes from `at` on, into `to`. False where the file does not have them, or cannot be read.
    bool read(uint64_t at, size_t bytes, char* to) const;

  private:
    FileRanges(int descriptor, uint64_t size) : descriptor_(descriptor), size_(size) {}
    int descriptor_;
    uint64_t size_;
};

} // namespace wembrix
