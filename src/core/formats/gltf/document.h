// The container of a glTF: its JSON and its buffers, checked before anything looks inside.
#pragma once

#include "core/base/result.h"
#include "core/base/shared.h"

#include <cstdint>
#include <filesystem>
#include <map>
#include <memory>
#include <nlohmann/json.hpp>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix::gltf {

using Json = nlohmann::json;

/// Where in a file something stands. A file has thousands of such places, so one is written out only when it is told;
/// it names what it was made from, which has to outlive it.
class Where {
  public:
    Where(const char* at) : at_(at) {}
    Where(const std::string& at) : at_(at) {}
    /// "animation 0, channel 3" of "animation 0", ", channel " and 3.
    Where(const Where& in, std::string_view what, int64_t number = -1) : in_(&in), at_(what), number_(number) {}
    // A temporary made of a text would be gone when it is told.
    Where(const std::string& in, std::string_view what, int64_t number = -1) = delete;
    Where(const char* in, std::string_view what, int64_t number = -1) = delete;
    [[nodiscard]] std::string said() const {
        return (in_ == nullptr ? "" : in_->said()) + std::string(at_) + (number_ < 0 ? "" : std::to_string(number_));
    }

  private:
    const Where* in_ = nullptr;
    std::string_view at_;
    int64_t number_ = -1;
};

/// Thrown inside the reader, turned into a Result at its border.
struct Refused {
    Problem problem;
};
[[noreturn]] void refuse(const Where& where, const Text& what);

struct Document {
    Json root;
    std::vector<std::shared_ptr<const std::string>> buffers; ///< of a file that several name, the same bytes
    std::filesystem::path folder;
    std::vector<std::filesystem::path> beside; ///< files that were read besides the document itself
    std::map<std::string, std::shared_ptr<const std::string>> files; ///< neighbours that were read, by their path
    std::map<int64_t, Shared<uint8_t>> pictures_of_views;            ///< by buffer view
    std::map<const std::string*, Shared<uint8_t>> pictures_of_files; ///< by the bytes in `files`
    size_t source_bytes = 0;
    size_t decoded_bytes = 0; ///< what was unpacked so far, held against source_bytes

    bool accessors_checked = false; ///< that they are lists of objects: looked at once, not for each that is used
    bool views_checked = false;

    /// Accounts for `bytes` more of decoded data; refuses what is far beyond the size of the source.
    void spend(size_t bytes, const Where& where);
};

Document open_document(std::string bytes, const std::filesystem::path& folder);

/// The name of the file that an address means, below the document's folder; nothing for a data: address. Remote
/// addresses and ways out of the folder are refused.
std::optional<std::string> file_named(const Document& document, const std::string& uri, const Where& where);
/// The bytes of that file.
std::shared_ptr<const std::string> file_bytes(Document& document, const std::string& name, const Where& where);
/// A file of the same last name, capitals aside, somewhere below the folder (three folders deep, links not followed),
/// as a name for file_bytes; nothing where there is none.
std::optional<std::string> same_name_below(const Document& document, const std::string& name);

/// The bytes behind a data: address or a neighbouring file. Remote addresses and ways out of the folder are refused.
/// What several name is read once, and counts once as a part of the source.
std::shared_ptr<const std::string> resolve_uri(Document& document, const std::string& uri, const Where& where);

/// Array `key` of `object`, or an empty array. Refuses other types.
const Json& array_of(const Json& object, const char* key, const Where& where);
/// The same for the file's lists that are used over and over.
const Json& accessors_of(Document& document);
const Json& views_of(Document& document);
/// Whole number `key` in [0, limit); -1 when it is missing.
int64_t index_of(const Json& object, const char* key, int64_t limit, const Where& where);
/// Whole number `key` >= 0, or `missing`.
uint64_t count_of(const Json& object, const char* key, uint64_t missing, const Where& where);
std::string text_of(const Json& object, const char* key);
std::string dump(const Json& value);

std::string base64(std::string_view bytes);
std::string decode_base64(std::string_view text, const Where& where);

} // namespace wembrix::gltf
