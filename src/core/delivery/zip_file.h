// Archives, by libzip: a folder tree written into one, and one that is read entry by entry, from whoever it comes.
#pragma once

#include "core/base/result.h"

#include <filesystem>
#include <memory>
#include <string>
#include <vector>

struct zip;

namespace wembrix {

/// All regular files below a folder, in the order of their names and without times: the same tree, the same bytes.
Outcome write_zip(const std::filesystem::path& folder, const std::filesystem::path& file);

class ZipFile {
  public:
    static Result<ZipFile> open(const std::filesystem::path& file);
    ZipFile(ZipFile&&) noexcept;
    ~ZipFile();

    [[nodiscard]] std::vector<std::string> names() const; ///< of its files, as they stand there
    /// A Problem where it is larger than `most` bytes, or broken.
    [[nodiscard]] Result<std::string> read(const std::string& name, size_t most) const;
    /// As hash_of its bytes; empty where they are not as many, or broken. Never reads more.
    [[nodiscard]] std::string hash(const std::string& name, uintmax_t bytes) const;

  private:
    explicit ZipFile(zip* open) : zip_(open) {}
    zip* zip_ = nullptr;
};

} // namespace wembrix
