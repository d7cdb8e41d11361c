#include "core/delivery/package.h"

#include "core/base/file_sink.h"
#include "core/base/files.h"
#include "core/base/hasher.h"
#include "core/base/json_file.h"
#include "core/base/own_folder.h"
#include "core/base/text.h"
#include "core/delivery/manifest.h"
#include "core/delivery/stamp.h"
#include "core/delivery/zip_file.h"
#include "core/destination/file_kinds.h"

#include <cstring>
#include <fcntl.h>
#include <fmt/format.h>
#include <memory>
#include <set>
#include <unistd.h>

namespace wembrix {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

constexpr const char* list_name = "package.json";
constexpr size_t largest_list = 64U << 20U;

std::string name_or(const std::string& name, const std::string& otherwise) {
    return file_name_safe(name.empty() ? otherwise : name);
}

/// Puts it under the first free name of NAME, NAME_2, …, in one move that replaces nothing.
Result<fs::path> put_under_free_name(const fs::path& staged, const fs::path& into, const std::string& name,
                                     const std::string& suffix) {
    constexpr int most = 10000;
    for (int number = 1; number <= most; ++number) {
        const fs::path to = into / ((number == 1 ? name : fmt::format("{}_{}", name, number)) + suffix);
        if (::renameat2(AT_FDCWD, staged.c_str(), AT_FDCWD, to.c_str(), RENAME_NOREPLACE) == 0) {
            return to;
        }
        if (errno != EEXIST) {
            return Problem{phrase("cannot be put in place: {}.", std::strerror(errno)), to.string(), ""};
        }
    }
    return Problem{"is there in ten thousand versions.", (into / name).string(), "Give the package another name."};
}

class Packing {
  public:
    explicit Packing(const PackageRequest& request) : request_(request), staged_(request.into, ".wembrix-package-") {}

    Result<Package> run() {
        if (staged_.path().empty()) {
            return Problem{"cannot be written to.", request_.into.string(), "Choose another folder."};
        }
        root_ = staged_.path() / "tree";
        list_ = {{"format", "wembrix package"}, {"version", 1}, {"variants", json::array()}};
        if (!request_.license.empty()) {
            list_["license"] = request_.license;
        }
        if (!request_.credits.empty()) {
            list_["credits"] = request_.credits;
        }
        for (const PackedVariant& variant : request_.variants) {
            if (Outcome done = add(variant); !done) {
                return done.problem();
            }
        }
        if (package_.files == 0) {
            return Problem{"there is nothing to pack: nothing was delivered.", "", "Deliver first."};
        }
        if (Outcome done = write_file_whole(root_ / list_name, list_.dump(2) + "\n"); !done) {
            return done.problem();
        }
        return put_in_place();
    }

  private:
    Outcome add(const PackedVariant& variant) {
        const std::string family = name_or(variant.origin.family, variant.job_name);
        std::string own = name_or(variant.origin.variant, variant.job_name);
        std::string below = family + "/" + own;
        if (!taken_.insert(below).second) {
            below += "_" + variant.origin.variant_id.substr(0, 8);
            if (!taken_.insert(below).second) {
                return Problem{phrase("two jobs are the variant “{}” of “{}”.", own, family), "",
                               "Give one of them another variant's name."};
            }
        }
        json row = {{"job", variant.job_name}, {"deliveries", json::array()}};
        put_origin(row, variant.origin);
        for (const fs::path& folder : variant.deliveries) {
            json files = json::array();
            json manifest = read_manifest(folder, {variant.job_name, variant.origin.variant_id});
            manifest.erase("others"); // another job's files stay where they are
            std::vector<ManifestRow> rows = rows_of(manifest);
            if (rows.empty()) {
                return Problem{"holds nothing that was delivered.", folder.string(), "Deliver first."};
            }
            const std::string place = below + "/" + file_name_safe(folder.filename().string());
            for (const ManifestRow& one : rows) {
                if (Outcome done = copy(folder, one, place); !done) {
                    return done;
                }
                files.push_back({{"file", place + "/" + one.file},
                                 {"deliverable", one.deliverable},
                                 {"number", one.number},
                                 {"bytes", one.bytes},
                                 {"xxh3_128", one.hash}});
            }
            // Its manifest goes along: from it each file can be told, whatever its container.
            const std::string text = manifest.dump(2) + "\n";
            if (Outcome done = write_file_whole(root_ / place / "delivery.json", text); !done) {
                return done;
            }
            files.push_back({{"file", place + "/delivery.json"}, {"bytes", text.size()}, {"xxh3_128", hash_of(text)}});
            row["deliveries"].push_back(
                {{"destination", manifest.value("destination", json::object()).value("name", json(""))},
                 {"files", std::move(files)}});
        }
        list_["variants"].push_back(std::move(row));
        return Done{};
    }

    Outcome copy(const fs::path& folder, const ManifestRow& row, const std::string& place) {
        if (request_.stop && request_.stop()) {
            return Problem{"was stopped.", "", ""};
        }
        const fs::path to = root_ / place / row.file;
        std::error_code error;
        fs::create_directories(to.parent_path(), error);
        if (!fs::copy_file(folder / row.file, to, error)) {
            return Problem{phrase("cannot be copied: {}.", error.message()), (folder / row.file).string(),
                           "Deliver again, or make room."};
        }
        const Result<std::string> hash = hash_of_file(to);
        if (!hash || *hash != row.hash) {
            return Problem{"is not as it was delivered.", (folder / row.file).string(), "Deliver again."};
        }
        ++package_.files;
        package_.bytes += row.bytes;
        return Done{};
    }

    Result<Package> put_in_place() {
        const PackedVariant& first = request_.variants.front();
        const std::string name = request_.name.empty() ? name_or(first.origin.family, first.job_name) : request_.name;
        fs::path staged = root_;
        if (request_.archive) {
            staged = staged_.path() / "package.zip";
            if (Outcome done = write_zip(root_, staged); !done) {
                return done.problem();
            }
        }
        Result<fs::path> placed =
            put_under_free_name(staged, request_.into, name, request_.archive ? ".zip" : std::string());
        if (!placed) {
            return placed.problem();
        }
        package_.path = placed.take();
        return package_;
    }

    const PackageRequest& request_;
    OwnFolder staged_; ///< within the folder that the package comes into
    fs::path root_;
    json list_;
    std::set<std::string> taken_; ///< folders of variants
    Package package_;
};

/// What lies in a folder as in an archive: names with hashes. Links are not followed.
class PackedFiles {
  public:
    static Result<PackedFiles> of(const fs::path& path) {
        PackedFiles contents;
        std::error_code error;
        if (!fs::is_directory(path, error)) {
            Result<ZipFile> zip = ZipFile::open(path);
            if (!zip) {
                return zip.problem();
            }
            contents.zip_ = std::make_unique<ZipFile>(zip.take());
            for (const std::string& name : contents.zip_->names()) {
                contents.names_.insert(name);
            }
            return contents;
        }
        contents.folder_ = path;
        for (fs::recursive_directory_iterator entry(path, error), end; !error && entry != end; entry.increment(error)) {
            if (!entry->is_directory(error) || entry->is_symlink(error)) {
                contents.names_.insert(entry->path().lexically_relative(path).generic_string());
            }
        }
        return contents;
    }

    [[nodiscard]] const std::set<std::string>& names() const { return names_; }
    [[nodiscard]] Result<std::string> read(const std::string& name, size_t most) const {
        if (zip_) {
            return zip_->read(name, most);
        }
        std::error_code error;
        if (!is_regular(name) || fs::file_size(folder_ / name, error) > most) {
            return Problem{"is no file, or too large.", name, ""};
        }
        return read_file(folder_ / name);
    }
    /// Reads no more than `bytes` and one more.
    [[nodiscard]] std::string hash(const std::string& name, uintmax_t bytes) const {
        if (zip_) {
            return zip_->hash(name, bytes);
        }
        std::error_code error;
        if (!is_regular(name) || fs::file_size(folder_ / name, error) != bytes) {
            return {};
        }
        const Result<std::string> hash = hash_of_file(folder_ / name);
        return hash ? *hash : std::string();
    }

  private:
    [[nodiscard]] bool is_regular(const std::string& name) const {
        std::error_code error;
        return strange_folder(folder_, name).empty() && fs::is_regular_file(fs::symlink_status(folder_ / name, error));
    }
    fs::path folder_;
    std::unique_ptr<ZipFile> zip_;
    std::set<std::string> names_;
};

} // namespace

Result<Package> write_package(const PackageRequest& request) {
    if (request.variants.empty()) {
        return Problem{"there is nothing to pack.", "", ""};
    }
    if (!request.name.empty() && file_name_safe(request.name) != request.name) {
        return Problem{phrase("\"{}\" cannot be a file name.", request.name), "", ""};
    }
    std::error_code error;
    const bool was_there = fs::exists(request.into, error);
    Result<Package> made = Packing(request).run();
    if (!made && !was_there) {
        fs::remove(request.into, error); // while it is empty
    }
    return made;
}

Result<PackageCheck> check_package(const fs::path& path) {
    const Result<PackedFiles> contents = PackedFiles::of(path);
    if (!contents) {
        return contents.problem();
    }
    const Result<std::string> text = contents->read(list_name, largest_list);
    if (!text) {
        return Problem{"is no package: it has no package.json.", path.string(), ""};
    }
    Result<json> list = parse_json(*text, list_name);
    if (!list || !list->is_object() || list->value("format", json()) != "wembrix package" ||
        !list->value("variants", json()).is_array()) {
        return Problem{"is no package: its package.json is not one.", path.string(), ""};
    }
    PackageCheck check;
    check.list = list.take();
    std::set<std::string> listed = {list_name};
    const auto look_at = [&](const json& row) {
        const json name = row.is_object() ? row.value("file", json()) : json();
        const json bytes = row.is_object() ? row.value("bytes", json()) : json();
        if (!name.is_string() || !is_plain_path(name.get_ref<const std::string&>()) || !bytes.is_number_unsigned()) {
            check.damaged.emplace_back("package.json: a row names no file of the package");
            return;
        }
        const std::string& file = name.get_ref<const std::string&>();
        ++check.files;
        listed.insert(file);
        if (!contents->names().contains(file)) {
            check.damaged.push_back(file + ": is missing");
        } else if (contents->hash(file, bytes.get<uintmax_t>()) != row.value("xxh3_128", json())) {
            check.damaged.push_back(file + ": its bytes are others");
        }
    };
    for (const json& variant : check.list["variants"]) {
        for (const json& delivery : variant.is_object() ? variant.value("deliveries", json::array()) : json::array()) {
            const json files = delivery.is_object() ? delivery.value("files", json()) : json();
            for (const json& row : files.is_array() ? files : json::array()) {
                look_at(row);
            }
        }
    }
    if (check.files == 0) {
        check.damaged.emplace_back("package.json: lists nothing");
    }
    for (const std::string& name : contents->names()) {
        if (!listed.contains(name)) {
            check.not_listed.push_back(name);
        }
    }
    return check;
}

} // namespace wembrix
