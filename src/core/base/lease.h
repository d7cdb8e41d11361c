// Who is at work on something in a folder that several machines share.
#pragma once

#include "core/base/folder_lock.h"

#include <filesystem>
#include <string>
#include <thread>

namespace wembrix {

/// The name of this machine, of letters, digits and '-'.
std::string host_name();

/// A file that is held locked and renewed as long as this lives. It says which machine holds it.
class Lease {
  public:
    Lease() = default;
    /// Makes a file that was not there; holds() is false if it cannot.
    static Lease create(const std::filesystem::path& file);
    Lease(Lease&&) noexcept = default;
    Lease& operator=(Lease&&) noexcept = default;

    [[nodiscard]] bool holds() const { return held_.holds(); }
    /// True where there is none, or whoever had it is gone: its process on this machine, by the lock; on another one
    /// it has not been renewed for `longest_s` seconds besides. These are told by the clock of the file system alone:
    /// what the machines' own clocks say does not matter.
    static bool is_over(const std::filesystem::path& file, double longest_s = 90);

  private:
    HeldFile held_;
    std::jthread renewing_; ///< gone before the file is let go
};

} // namespace wembrix
