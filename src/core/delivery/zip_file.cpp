#include "core/delivery/zip_file.h"

#include "core/base/hasher.h"

#include <algorithm>
#include <array>
#include <fmt/format.h>
#include <functional>
#include <utility>
#include <zip.h>

namespace wembrix {

namespace fs = std::filesystem;

namespace {

constexpr size_t piece = 1U << 16U;

std::string said(int code) {
    zip_error_t error;
    zip_error_init_with_code(&error, code);
    std::string text = zip_error_strerror(&error);
    zip_error_fini(&error);
    return text;
}

/// Calls `take` with the entry's bytes, piece by piece, until it says no. False: broken, or not there.
bool each_piece(zip* archive, const std::string& name, const std::function<bool(const char*, size_t)>& take) {
    zip_file_t* entry = zip_fopen(archive, name.c_str(), ZIP_FL_ENC_GUESS);
    if (entry == nullptr) {
        return false;
    }
    std::array<char, piece> bytes{};
    zip_int64_t count = 0;
    bool goes_on = true;
    while (goes_on && (count = zip_fread(entry, bytes.data(), bytes.size())) > 0) {
        goes_on = take(bytes.data(), static_cast<size_t>(count));
    }
    zip_fclose(entry);
    return goes_on && count == 0;
}

} // namespace

Outcome write_zip(const fs::path& folder, const fs::path& file) {
    std::vector<std::string> names;
    std::error_code error;
    for (fs::recursive_directory_iterator entry(folder, error), end; !error && entry != end; entry.increment(error)) {
        if (fs::is_regular_file(entry->symlink_status(error))) {
            names.push_back(entry->path().lexically_relative(folder).generic_string());
        }
    }
    std::sort(names.begin(), names.end());
    int code = 0;
    zip* archive = zip_open(file.c_str(), ZIP_CREATE | ZIP_EXCL, &code);
    if (archive == nullptr) {
        return Problem{"cannot be written: " + said(code) + ".", file.string(), ""};
    }
    for (const std::string& name : names) {
        zip_source_t* source = zip_source_file(archive, (folder / name).c_str(), 0, -1);
        const zip_int64_t at = source == nullptr ? -1 : zip_file_add(archive, name.c_str(), source, ZIP_FL_ENC_UTF_8);
        if (at < 0) {
            if (source != nullptr) {
                zip_source_free(source);
            }
            zip_discard(archive);
            return Problem{"cannot be packed.", name, ""};
        }
        constexpr zip_uint16_t first_of_1980 = 1U << 5U | 1U;
        zip_file_set_dostime(archive, static_cast<zip_uint64_t>(at), 0, first_of_1980, 0);
    }
    if (zip_close(archive) != 0) {
        const std::string why = zip_strerror(archive);
        zip_discard(archive);
        return Problem{"cannot be written: " + why + ".", file.string(), "Make room, or choose another folder."};
    }
    return Done{};
}

Result<ZipFile> ZipFile::open(const fs::path& file) {
    int code = 0;
    zip* archive = zip_open(file.c_str(), ZIP_RDONLY | ZIP_CHECKCONS, &code);
    if (archive == nullptr) {
        return Problem{"cannot be opened as an archive: " + said(code) + ".", file.string(), ""};
    }
    return ZipFile(archive);
}

ZipFile::ZipFile(ZipFile&& other) noexcept : zip_(std::exchange(other.zip_, nullptr)) {}

ZipFile::~ZipFile() {
    if (zip_ != nullptr) {
        zip_discard(zip_);
    }
}

std::vector<std::string> ZipFile::names() const {
    std::vector<std::string> names;
    const zip_int64_t count = zip_get_num_entries(zip_, 0);
    for (zip_int64_t i = 0; i < count; ++i) {
        const char* name = zip_get_name(zip_, static_cast<zip_uint64_t>(i), ZIP_FL_ENC_GUESS);
        if (name != nullptr && *name != 0 && std::string_view(name).back() != '/') {
            names.emplace_back(name);
        }
    }
    return names;
}

Result<std::string> ZipFile::read(const std::string& name, size_t most) const {
    std::string bytes;
    const bool is_whole = each_piece(zip_, name, [&](const char* data, size_t count) {
        bytes.append(data, count);
        return bytes.size() <= most;
    });
    if (!is_whole) {
        return Problem{"cannot be read, or is too large.", name, ""};
    }
    return bytes;
}

std::string ZipFile::hash(const std::string& name, uintmax_t bytes) const {
    Hasher hasher;
    uintmax_t read = 0;
    const bool is_whole = each_piece(zip_, name, [&](const char* data, size_t count) {
        hasher.bytes(data, count);
        read += count;
        return read <= bytes;
    });
    return is_whole && read == bytes ? hasher.hex() : std::string();
}

} // namespace wembrix
