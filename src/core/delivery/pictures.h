// Pictures that go with what is delivered: a thumbnail of each deliverable, and of a clip its film strip and, where it
// repeats, a moving picture. They are of what was prepared, and lie in the folder "pictures" of the delivery.
#pragma once

#include "core/delivery/delivery.h"

#include <filesystem>
#include <memory>
#include <string>
#include <vector>

namespace wembrix {

/// What the pictures of a deliverable show.
struct Pictured {
    std::shared_ptr<const Scene> scene;
    std::string clip{};        ///< that moves it; empty: it rests
    std::string cache{};       ///< the same of a cache
    bool only_strands = false; ///< the eye comes near enough to see them
};

inline constexpr const char* picture_folder = "pictures/";

/// How the pictures of a deliverable are called below the delivery's folder, its thumbnail first; none where its
/// destination wants none. `file`: the file of it that is opened first.
std::vector<std::string> picture_files(const Scene& prepared, const Deliverable& deliverable,
                                       const Destination& destination, const std::string& file);
/// How the thumbnail before the one of that name is called.
std::string earlier_picture(const std::string& picture);

/// Makes them in the staging folder and adds them to the arrival's files. Where the thumbnail differs from the one that
/// lies in the delivery's folder and is ours by `manifest`, that one is kept beside it.
Outcome add_pictures(const DeliveryRequest& request, const Deliverable& deliverable,
                     const std::filesystem::path& staging_folder, const nlohmann::json& manifest, Arrival& arrival);

} // namespace wembrix
