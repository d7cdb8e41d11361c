// One process at a time changes a folder that several may deliver to.
#pragma once

#include "core/base/result.h"

#include <filesystem>

namespace wembrix {

/// A file that is held locked until this is gone. The lock ends with the process, however that ends.
class HeldFile {
  public:
    HeldFile() = default;
    explicit HeldFile(int descriptor) : descriptor_(descriptor) {}
    HeldFile(HeldFile&& other) noexcept;
    HeldFile& operator=(HeldFile&& other) noexcept;
    ~HeldFile();

    /// Makes a file that was not there (a link at its place is not followed) and holds it; holds() is false if it
    /// cannot.
    static HeldFile create(const std::filesystem::path& file);
    [[nodiscard]] bool holds() const { return descriptor_ >= 0; }
    [[nodiscard]] int descriptor() const { return descriptor_; }
    /// True when the file is there and no process holds it.
    static bool is_free(const std::filesystem::path& file);

  private:
    int descriptor_ = -1;
};

/// Held while a folder's manifest is read, changed and written. Waits for who holds it, at most `longest_s` seconds.
class FolderLock {
  public:
    static Result<FolderLock> wait(const std::filesystem::path& folder, double longest_s = 60);
    FolderLock(FolderLock&&) = default;
    FolderLock& operator=(FolderLock&&) = default;
    ~FolderLock();

  private:
    FolderLock(std::filesystem::path file, HeldFile held) : file_(std::move(file)), held_(std::move(held)) {}
    std::filesystem::path file_;
    HeldFile held_;
};

} // namespace wembrix
