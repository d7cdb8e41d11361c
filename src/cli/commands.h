// The commands of wembrix-cli. Each returns the exit code: 0 all well, 1 held or a claim failed, 2 bad input.
#pragma once

#include "core/base/result.h"

#include <string>
#include <vector>

namespace wembrix::cli {

constexpr int all_well = 0;
constexpr int held = 1;
constexpr int bad_input = 2;

/// One clear sentence on standard error.
int refuse(const Problem& problem);

struct InspectOptions {
    std::string file;
    bool json = false;
};
int inspect(const InspectOptions& options);

struct DeliverOptions {
    std::vector<std::string> inputs; ///< one job, or sources
    std::string card;
    std::string destination; ///< a name with a job, a file with a card
    std::string out;
    bool json = false;
};
int deliver_files(const DeliverOptions& options);

struct CompareOptions {
    std::string first;
    std::string second;
    bool json = false;
};
int compare(const CompareOptions& options);

} // namespace wembrix::cli
