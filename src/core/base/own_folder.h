// A folder for one use, gone when that is over.
#pragma once

#include <cstdlib>
#include <filesystem>
#include <string>
#include <system_error>

namespace wembrix {

class OwnFolder {
  public:
    /// Below `into`, which is made where it is not there; its name begins with `prefix`. The path is empty where it
    /// cannot be made.
    OwnFolder(const std::filesystem::path& into, const std::string& prefix) {
        std::error_code error;
        std::filesystem::create_directories(into, error);
        std::string name = (into / (prefix + "XXXXXX")).string();
        if (::mkdtemp(name.data()) != nullptr) {
            path_ = name;
        }
    }
    OwnFolder(const OwnFolder&) = delete;
    OwnFolder& operator=(const OwnFolder&) = delete;
    ~OwnFolder() {
        std::error_code error;
        if (!path_.empty()) {
            std::filesystem::remove_all(path_, error);
        }
    }
    [[nodiscard]] const std::filesystem::path& path() const { return path_; }

  private:
    std::filesystem::path path_;
};

} // namespace wembrix
