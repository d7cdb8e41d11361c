#include "core/delivery/where.h"

#include "core/base/file_sink.h"
#include "core/base/files.h"
#include "core/base/text.h"
#include "core/delivery/cache_textures.h"
#include "core/delivery/stamp.h"
#include "core/formats/format.h"

namespace wembrix {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

/// The nearest folder, from the file's own upwards, with a manifest that lists it.
fs::path delivery_of(const fs::path& file, json& manifest) {
    constexpr int most_above = 16;
    fs::path folder = file.parent_path();
    for (int above = 0; above < most_above && !folder.empty(); ++above) {
        for (json& found : read_manifests(folder)) {
            if (lists_file(found, file.lexically_relative(folder).generic_string())) {
                manifest = std::move(found);
                return folder;
            }
        }
        if (folder == folder.parent_path()) {
            break;
        }
        folder = folder.parent_path();
    }
    return {};
}

json stamp_in(const fs::path& file) {
    const Format* format = format_of_file(file);
    if (format == nullptr) {
        return file.extension() == ".json" ? stamp_of_cache_textures(file) : json();
    }
    // What moves over many frames is not read whole to be asked who it is.
    if (format->open_moving != nullptr) {
        if (Result<MovingFile> moving = format->open_moving(file)) {
            return take_stamp(moving->scene);
        }
    }
    Result<Scene> scene = format->read(file);
    return scene ? take_stamp(*scene) : json();
}

/// The row, of `files` or `earlier`, that names the file.
json row_of(const json& manifest, const std::string& name) {
    for (const char* list : {"files", "earlier"}) {
        for (const json& row : manifest.value(list, json::array())) {
            if (row.is_object() && row.value("file", json()) == name) {
                return row;
            }
        }
    }
    return {};
}

} // namespace

Result<Whereabouts> whereabouts_of(const fs::path& given) {
    std::error_code error;
    const fs::path file = fs::absolute(given, error).lexically_normal();
    const Result<std::string> hash = hash_of_file(file);
    if (!hash) {
        return hash.problem();
    }
    Whereabouts of;
    of.stamp = stamp_in(file);
    of.from_file = of.stamp.is_object();
    json manifest;
    of.delivery = delivery_of(file, manifest);
    if (!of.from_file && !of.delivery.empty()) {
        const json row = row_of(manifest, file.lexically_relative(of.delivery).generic_string());
        of.stamp = {{"job", manifest.value("job", json(""))},
                    {"destination", manifest.value("destination", json::object()).value("name", json(""))}};
        for (const char* key : {"family", "variant"}) {
            if (manifest.contains(key)) {
                of.stamp[key] = manifest[key];
            }
        }
        for (const char* key : {"deliverable", "number", "content", "replaces"}) {
            if (row.contains(key)) {
                of.stamp[key] = row[key];
            }
        }
    }
    if (!of.stamp.is_object()) {
        return Problem{"does not say which file it is, and no manifest above it lists it.", given.string(),
                       "Files of containers that have no place for it are told by the delivery.json of their folder."};
    }
    for (const ManifestRow& row : rows_of(manifest)) {
        if (of.stamp.value("deliverable", json()) == row.deliverable && !of.delivered) {
            of.delivered = row;
            of.is_as_delivered = row.hash == *hash;
        }
    }
    return of;
}

Text state_in_delivery(const Whereabouts& of) {
    if (!of.delivered) {
        return of.delivery.empty() ? "" : "that delivery has no such file any more";
    }
    if (of.is_as_delivered) {
        return "as it was delivered";
    }
    const json number = of.stamp.value("number", json(0));
    if (number.is_number_integer() && number.get<int>() < of.delivered->number) {
        return phrase("version {} is delivered by now", of.delivered->number);
    }
    return "somebody changed it after it was delivered";
}

} // namespace wembrix
