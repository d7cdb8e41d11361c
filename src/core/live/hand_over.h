// What is handed to listeners: the files that a delivery would make, made and checked in a folder of their own.
#pragma once

#include "core/delivery/delivery.h"

#include <filesystem>
#include <memory>
#include <set>
#include <string>
#include <vector>

namespace wembrix {

struct HandedFile {
    std::string deliverable; ///< id
    std::string kind;
    std::string name;
    std::string file_name; ///< as a delivery calls it, below its folder
    std::string content;   ///< as the board of the job's own destination knows it
    std::string colour{};  ///< of a clip's span on the strip, "#RRGGBB"; empty: none
    std::filesystem::path file;
    uintmax_t bytes = 0;
    std::shared_ptr<const Scene> as_read; ///< by its own reader, in its axes and unit: as another program has it
};

struct HandOverRequest {
    DeliveryRequest delivery;       ///< as for a delivery to the destination; its folder is for this use alone
    std::vector<std::string> takes; ///< kinds, by their ids; empty: model and clips
    std::set<std::string> has;      ///< contents that need not be made again
};

struct HandOver {
    std::vector<HandedFile> files;     ///< those that were made, in the order of a delivery: the model before clips
    std::vector<std::string> contents; ///< of all that the listener is to have, those in `has` too
    std::vector<Text> held;            ///< what is not handed over, and why: a line each
};

/// A destination's files go into one piece each: a .gltf as a .glb. What holds back a delivery holds back this.
Result<HandOver> hand_over(const HandOverRequest& request);

} // namespace wembrix
