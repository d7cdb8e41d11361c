// wembrix-bad-files DIR: writes the bad files of the tests as a first corpus.
#include "bad_files.h"
#include "core/base/files.h"

#include <filesystem>

int main(int count, char** arguments) {
    if (count != 2) {
        return 2;
    }
    std::filesystem::create_directories(arguments[1]);
    for (const auto& file : wembrix::testing::bad_files()) {
        if (file.bytes.size() < 1000000 &&
            !wembrix::write_file_whole(std::filesystem::path(arguments[1]) / file.name, file.bytes)) {
            return 2;
        }
    }
    return wembrix::write_file_whole(std::filesystem::path(arguments[1]) / "good", wembrix::testing::good_file()).ok()
               ? 0
               : 2;
}
