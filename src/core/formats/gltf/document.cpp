#include "core/formats/gltf/document.h"

#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/base/text.h"

#include <array>
#include <cmath>
#include <cstring>
#include <fmt/format.h>
#include <utility>

namespace wembrix::gltf {

void refuse(const Where& where, const Text& what) {
    throw Refused{Problem{what, where.said(), ""}};
}

void Document::spend(size_t bytes, const Where& where) {
    constexpr size_t always = 64UL << 20U;
    constexpr size_t times = 16;
    if (bytes > always + source_bytes * times || decoded_bytes + bytes > always + source_bytes * times) {
        refuse(where, "asks for far more memory than the size of the file allows.");
    }
    decoded_bytes += bytes;
}

namespace {

Json parse(const std::string& text) {
    if (is_too_deep(text)) {
        refuse("JSON", phrase("is nested more than {} levels deep.", deepest_json));
    }
    Json root = Json::parse(text, nullptr, false);
    if (root.is_discarded()) {
        try {
            const Json unused = Json::parse(text);
        } catch (const Json::parse_error& error) {
            refuse("JSON", phrase("is not valid JSON near byte {}.", error.byte));
        }
    }
    if (!root.is_object()) {
        refuse("JSON", "is not a JSON object.");
    }
    return root;
}

uint32_t word_at(const std::string& bytes, size_t at) {
    uint32_t value = 0;
    std::memcpy(&value, bytes.data() + at, 4);
    return value;
}

constexpr uint32_t glb_magic = 0x46546C67;
constexpr uint32_t json_chunk = 0x4E4F534A;
constexpr uint32_t binary_chunk = 0x004E4942;

struct Chunks {
    std::string json;
    std::string binary;
    bool has_binary = false;
};

Chunks take_apart(const std::string& bytes) {
    if (bytes.size() < 20) {
        refuse("GLB header", "the file is cut short.");
    }
    if (word_at(bytes, 4) != 2) {
        refuse("GLB header", phrase("is version {}; only version 2 is read.", word_at(bytes, 4)));
    }
    const size_t length = word_at(bytes, 8);
    if (length > bytes.size()) {
        refuse("GLB header", phrase("says {} bytes but the file has {}: it is cut short.", length, bytes.size()));
    }
    Chunks chunks;
    bool has_json = false;
    for (size_t at = 12; at + 8 <= length;) {
        const size_t size = word_at(bytes, at);
        const uint32_t kind = word_at(bytes, at + 4);
        if (size > length - at - 8) {
            refuse("GLB chunk", phrase("at byte {} says {} bytes but only {} follow.", at, size, length - at - 8));
        }
        if (!has_json) {
            if (kind != json_chunk) {
                refuse("GLB chunk", "the first one is not JSON.");
            }
            chunks.json = bytes.substr(at + 8, size);
            has_json = true;
        } else if (kind == binary_chunk && !chunks.has_binary) {
            chunks.binary = bytes.substr(at + 8, size);
            chunks.has_binary = true;
        }
        at += 8 + size + (4 - size % 4) % 4;
    }
    if (!has_json) {
        refuse("GLB", "holds no JSON.");
    }
    return chunks;
}

std::string percent_decoded(const std::string& text, const Where& where) {
    std::string result;
    auto digit = [&](char c) {
        if (c >= '0' && c <= '9') {
            return c - '0';
        }
        if (c >= 'a' && c <= 'f') {
            return c - 'a' + 10;
        }
        if (c >= 'A' && c <= 'F') {
            return c - 'A' + 10;
        }
        refuse(where, "its address has a broken % sign.");
    };
    for (size_t i = 0; i < text.size(); ++i) {
        if (text[i] != '%') {
            result += text[i];
            continue;
        }
        if (i + 2 >= text.size()) {
            refuse(where, "its address has a broken % sign.");
        }
        result += static_cast<char>(digit(text[i + 1]) * 16 + digit(text[i + 2]));
        i += 2;
    }
    return result;
}

} // namespace

Document open_document(std::string bytes, const std::filesystem::path& folder) {
    Document document;
    document.folder = folder;
    document.source_bytes = bytes.size();
    if (bytes.empty()) {
        refuse("", "the file is empty.");
    }
    std::string binary;
    bool has_binary = false;
    if (bytes.size() >= 4 && word_at(bytes, 0) == glb_magic) {
        Chunks chunks = take_apart(bytes);
        document.root = parse(chunks.json);
        binary = std::move(chunks.binary);
        has_binary = chunks.has_binary;
    } else {
        if (bytes.compare(0, 3, "\xEF\xBB\xBF") == 0) {
            bytes.erase(0, 3);
        }
        document.root = parse(bytes);
    }
    const std::string version = document.root.contains("asset") && document.root["asset"].is_object()
                                    ? text_of(document.root["asset"], "version")
                                    : "";
    if (version.compare(0, 2, "2.") != 0) {
        refuse("asset",
               version.empty() ? "does not say that it is glTF 2." : "is glTF " + version + "; only 2 is read.");
    }
    const Json& buffers = array_of(document.root, "buffers", "buffers");
    for (size_t i = 0; i < buffers.size(); ++i) {
        const std::string where = fmt::format("buffer {}", i);
        const uint64_t length = count_of(buffers[i], "byteLength", 0, where);
        auto data = std::make_shared<const std::string>();
        if (buffers[i].contains("uri")) {
            data = resolve_uri(document, text_of(buffers[i], "uri"), where);
        } else if (i == 0 && has_binary) {
            data = std::make_shared<const std::string>(std::exchange(binary, {}));
        } else if (!buffers[i].contains("extensions")) { // else a placeholder that an extension fills
            refuse(where, "has no data.");
        }
        if (data->size() < length && !(data->empty() && buffers[i].contains("extensions"))) {
            refuse(where, phrase("says {} bytes but has {}.", length, data->size()));
        }
        document.buffers.push_back(std::move(data));
    }
    return document;
}

namespace {
std::filesystem::path folder_of(const Document& document) {
    std::error_code error;
    return std::filesystem::weakly_canonical(document.folder.empty() ? std::filesystem::path(".") : document.folder,
                                             error);
}
} // namespace

std::optional<std::string> file_named(const Document& document, const std::string& uri, const Where& where) {
    if (uri.compare(0, 5, "data:") == 0) {
        return std::nullopt;
    }
    std::string name = percent_decoded(uri, where);
    const size_t colon = name.find(':');
    if (colon != std::string::npos && colon < name.find('/')) {
        refuse(where, "points at the address \"" + name.substr(0, 60) + "\"; only files beside it are read.");
    }
    const std::filesystem::path relative(name);
    if (name.empty() || name.find('\0') != std::string::npos || name.find('\\') != std::string::npos ||
        relative.is_absolute()) {
        refuse(where, "points at \"" + name.substr(0, 60) + "\", which is not a file beside it.");
    }
    std::error_code error;
    const std::filesystem::path folder = folder_of(document);
    const std::filesystem::path full = std::filesystem::weakly_canonical(folder / relative, error);
    const auto [folder_end, unused] = std::mismatch(folder.begin(), folder.end(), full.begin(), full.end());
    if (error || folder_end != folder.end()) {
        refuse(where, "points at \"" + name.substr(0, 60) + "\", outside the folder of the file.");
    }
    return name;
}

std::shared_ptr<const std::string> file_bytes(Document& document, const std::string& name, const Where& where) {
    std::error_code error;
    const std::filesystem::path full = std::filesystem::weakly_canonical(folder_of(document) / name, error);
    const auto [known, fresh] = document.files.try_emplace(full.string());
    if (fresh) {
        Result<std::string> data = read_file(full);
        if (!data) {
            refuse(where, "points at \"" + name.substr(0, 60) + "\", which cannot be read.");
        }
        document.beside.push_back(full);
        document.source_bytes += data->size();
        known->second = std::make_shared<const std::string>(data.take());
    }
    return known->second;
}

std::optional<std::string> same_name_below(const Document& document, const std::string& name) {
    const auto lower = [](std::string text) {
        std::transform(text.begin(), text.end(), text.begin(),
                       [](char c) { return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c; });
        return text;
    };
    const std::string wanted = lower(std::filesystem::path(name).filename().string());
    const std::filesystem::path folder = folder_of(document);
    std::error_code error;
    std::vector<std::filesystem::path> found;
    constexpr int deepest = 3;
    size_t left = 5000; // a source may lie in somebody's home
    for (std::filesystem::recursive_directory_iterator at(folder, error), end; !error && at != end && left > 0;
         at.increment(error), --left) {
        if (at.depth() >= deepest) {
            at.disable_recursion_pending();
        }
        std::error_code none;
        if (lower(at->path().filename().string()) == wanted && at->is_regular_file(none) && !at->is_symlink(none)) {
            found.push_back(at->path().lexically_relative(folder));
        }
    }
    // Of several the first by name: folders are listed in any order.
    const auto first = std::min_element(found.begin(), found.end());
    return first == found.end() ? std::nullopt : std::optional<std::string>(first->string());
}

std::shared_ptr<const std::string> resolve_uri(Document& document, const std::string& uri, const Where& where) {
    if (const std::optional<std::string> name = file_named(document, uri, where)) {
        return file_bytes(document, *name, where);
    }
    const size_t comma = uri.find(',');
    if (comma == std::string::npos || uri.rfind(";base64", comma) == std::string::npos) {
        refuse(where, "has embedded data that is not base64.");
    }
    std::string data = decode_base64(std::string_view(uri).substr(comma + 1), where);
    document.source_bytes += data.size();
    return std::make_shared<const std::string>(std::move(data));
}

const Json& array_of(const Json& object, const char* key, const Where& where) {
    static const Json none = Json::array();
    const auto found = object.find(key);
    if (found == object.end()) {
        return none;
    }
    if (!found->is_array()) {
        refuse(where, phrase("\"{}\" is not a list.", key));
    }
    for (const Json& element : *found) {
        if (element.is_null()) {
            refuse(where, phrase("\"{}\" holds a null.", key));
        }
    }
    return *found;
}

namespace {

const Json& checked_once(const Json& root, const char* key, bool& checked) {
    if (!checked) {
        checked = true;
        return array_of(root, key, key);
    }
    static const Json none = Json::array();
    const auto found = root.find(key);
    return found == root.end() ? none : *found;
}

} // namespace

const Json& accessors_of(Document& document) {
    return checked_once(document.root, "accessors", document.accessors_checked);
}

const Json& views_of(Document& document) {
    return checked_once(document.root, "bufferViews", document.views_checked);
}

int64_t index_of(const Json& object, const char* key, int64_t limit, const Where& where) {
    const auto found = object.find(key);
    if (found == object.end()) {
        return -1;
    }
    if (!found->is_number_integer()) {
        refuse(where, phrase("\"{}\" is not a whole number.", key));
    }
    const bool huge = found->is_number_unsigned() && found->get<uint64_t>() > INT64_MAX;
    const int64_t value = huge ? INT64_MAX : found->get<int64_t>();
    if (value < 0 || value >= limit) {
        refuse(where, phrase("\"{}\" is {}, but there are only {}.", key, value, limit));
    }
    return value;
}

uint64_t count_of(const Json& object, const char* key, uint64_t missing, const Where& where) {
    const auto found = object.find(key);
    if (found == object.end()) {
        return missing;
    }
    if (found->is_number_unsigned()) {
        const auto value = found->get<uint64_t>();
        if (value < (1ULL << 53U)) {
            return value;
        }
    } else if (found->is_number_float()) {
        const double value = found->get<double>();
        if (value >= 0 && value < 9e15 && value == std::floor(value)) {
            return static_cast<uint64_t>(value);
        }
    }
    refuse(where, phrase("\"{}\" is not a count.", key));
}

std::string text_of(const Json& object, const char* key) {
    const auto found = object.find(key);
    return found != object.end() && found->is_string() ? found->get<std::string>() : std::string();
}

std::string dump(const Json& value) {
    return value.dump(-1, ' ', false, Json::error_handler_t::replace);
}

namespace {
constexpr std::string_view alphabet = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/";
}

std::string base64(std::string_view bytes) {
    std::string text;
    text.reserve((bytes.size() + 2) / 3 * 4);
    for (size_t i = 0; i < bytes.size(); i += 3) {
        const size_t left = std::min<size_t>(3, bytes.size() - i);
        uint32_t group = 0;
        for (size_t k = 0; k < 3; ++k) {
            group = group << 8U | (k < left ? static_cast<uint8_t>(bytes[i + k]) : 0U);
        }
        for (size_t k = 0; k < 4; ++k) {
            text += k <= left ? alphabet[group >> (18 - 6 * k) & 63U] : '=';
        }
    }
    return text;
}

std::string decode_base64(std::string_view text, const Where& where) {
    static const std::array<int8_t, 256> values = [] {
        std::array<int8_t, 256> table{};
        table.fill(-1);
        for (size_t i = 0; i < alphabet.size(); ++i) {
            table.at(static_cast<uint8_t>(alphabet[i])) = static_cast<int8_t>(i);
        }
        return table;
    }();
    std::string bytes;
    bytes.reserve(text.size() / 4 * 3);
    uint32_t group = 0;
    int bits = 0;
    for (const char c : text) {
        if (c == '=') {
            break;
        }
        const int value = values.at(static_cast<uint8_t>(c));
        if (value < 0) {
            refuse(where, "has embedded data that is not base64.");
        }
        group = group << 6U | static_cast<uint32_t>(value);
        bits += 6;
        if (bits >= 8) {
            bits -= 8;
            bytes += static_cast<char>(group >> static_cast<unsigned>(bits) & 255U);
        }
    }
    return bytes;
}

} // namespace wembrix::gltf
