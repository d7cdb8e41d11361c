#include "core/delivery/made_from.h"

#include "core/base/files.h"
#include "core/base/hasher.h"
#include "core/destination/file_kinds.h"
#include "core/scene/content.h"

#include <algorithm>
#include <fmt/format.h>
#include <random>

namespace wembrix {

MadeFrom made_from(const std::vector<std::string>& source_names, const std::vector<std::string>& source_hashes,
                   const std::vector<Step>& steps) {
    MadeFrom from;
    for (size_t i = 0; i < source_hashes.size(); ++i) {
        from.sources.emplace_back(i < source_names.size() ? source_names[i] : "", source_hashes[i]);
    }
    nlohmann::json card = nlohmann::json::array();
    for (const Step& step : steps) {
        if (step.on) {
            card.push_back(step_to_json(step));
        }
    }
    from.card = hash_of(card.dump());
    return from;
}

std::string new_id() {
    std::random_device lot;
    std::string id;
    for (int part = 0; part < 4; ++part) {
        id += fmt::format("{:08x}", lot() & 0xFFFFFFFFU);
    }
    return id;
}

bool is_id(std::string_view text) {
    return text.size() == 32 && text.find_first_not_of("0123456789abcdef") == std::string_view::npos;
}

std::string hash_of_destination(const Destination& destination) {
    nlohmann::json said = destination_to_json(destination);
    for (const char* key : {"revision", "folder", "import_record"}) {
        said.erase(key); // where it is kept and where files go is not what it asks of them
    }
    return hash_of(said.dump());
}

std::string content_of_model(const Scene& prepared, const Destination& destination, const std::string& job_name) {
    Hasher hash;
    nlohmann::json said = destination_to_json(destination);
    said.erase("report");
    for (const char* key : {"revision", "folder", "import_record"}) {
        said.erase(key);
    }
    said.erase("deliverables"); // which kinds of files there are, and how they are called, is not what is in them
    for (const FileKind& kind : file_kinds()) {
        said.erase(std::string(kind.id) + "_file");
    }
    hash.text(said.dump());
    hash.text(job_name);
    add_content(hash, prepared);
    for (const CacheOrder& order : prepared.orders) { // its surface gets coordinates that lead to its pixels
        if (order.as == CacheAs::textures) {
            hash.number(order.node);
        }
    }
    if (destination.influences_kept == InfluencesKept::least_motion) {
        for (const Clip& clip : prepared.clips) { // which weights stay depends on how it moves
            add_content(hash, clip);
        }
    }
    return hash.hex();
}

std::string content_of_clip(const Clip& clip, const std::string& model_content) {
    Hasher hash;
    hash.text(model_content);
    hash.text(clip.name);
    hash.number(clip.seconds);
    hash.number(clip.rate);
    hash.number(clip.loop);
    hash.number(clip.last_is_first);
    hash.text(clip.colour);
    add_content(hash, clip.carried);
    for (const Channel& channel : clip.channels) {
        hash.number(channel.node);
        hash.number(static_cast<int>(channel.path));
        hash.number(static_cast<int>(channel.interpolation));
        hash.number(channel.width);
        // The keys that the clip's frames lie between; times count from its beginning.
        const auto& times = channel.times.get();
        auto first = std::upper_bound(times.begin(), times.end(), static_cast<float>(clip.start_s));
        first = first == times.begin() ? first : first - 1;
        auto last = std::lower_bound(first, times.end(), static_cast<float>(clip.start_s + clip.seconds));
        last = last == times.end() ? last : last + 1;
        for (auto time = first; time != last; ++time) {
            hash.number(static_cast<double>(*time) - clip.start_s);
        }
        const size_t a_key =
            static_cast<size_t>(channel.width) * (channel.interpolation == Interpolation::cubic ? 3 : 1);
        const auto from = static_cast<size_t>(first - times.begin());
        const auto to = static_cast<size_t>(last - times.begin());
        hash.bytes(channel.values.data() + from * a_key, (to - from) * a_key * sizeof(float));
        add_content(hash, channel.carried);
    }
    return hash.hex();
}

} // namespace wembrix
