// Broken glTF files of every kind we could think of; also the first corpus of the fuzz target.
#pragma once

#include <string>
#include <vector>

namespace wembrix::testing {

struct BadFile {
    std::string name;
    std::string bytes;
};
std::vector<BadFile> bad_files();

/// A small, valid file that the bad ones are made from: a skinned strip with a shape and a clip, buffer inside.
std::string good_file();

} // namespace wembrix::testing
