#include "commands.h"

#include "core/base/counted.h"
#include "core/delivery/package.h"
#include "core/job/packed_job.h"

#include <fmt/format.h>

namespace wembrix::cli {

int package(const PackageOptions& options) {
    PackageRequest request;
    for (const std::string& job : options.jobs) {
        Result<PackedVariant> variant =
            packed_variant(job, options.destination.empty() ? std::set<std::string>() : std::set{options.destination});
        if (!variant) {
            return refuse(variant.problem());
        }
        request.variants.push_back(variant.take());
    }
    request.name = options.name;
    request.license = options.license;
    request.credits = options.credits;
    request.into = options.out;
    request.archive = options.zip;
    const Result<Package> made = write_package(request);
    if (!made) {
        return refuse(made.problem());
    }
    // What arrived is what was packed: read where it lies now.
    const Result<PackageCheck> check = check_package(made->path);
    if (!check) {
        return refuse(check.problem());
    }
    if (options.json) {
        fmt::print("{}\n", nlohmann::json{{"package", made->path.string()},
                                          {"files", made->files},
                                          {"bytes", made->bytes},
                                          {"whole", check->is_whole()}}
                               .dump(2));
    } else {
        fmt::print("{}: {}, {} bytes, {}\n", made->path.string(), counted(made->files, "file"), made->bytes,
                   check->is_whole() ? "read back whole" : "not whole");
    }
    return check->is_whole() ? all_well : held;
}

int verify_package(const std::string& path, bool as_json) {
    const Result<PackageCheck> check = check_package(path);
    if (!check) {
        return refuse(check.problem());
    }
    if (as_json) {
        fmt::print("{}\n", nlohmann::json{{"package", path},
                                          {"whole", check->is_whole()},
                                          {"files", check->files},
                                          {"damaged", check->damaged},
                                          {"not_listed", check->not_listed}}
                               .dump(2, ' ', false, nlohmann::json::error_handler_t::replace));
    } else {
        for (const std::string& one : check->damaged) {
            fmt::print("damaged  {}\n", one);
        }
        for (const std::string& one : check->not_listed) {
            fmt::print("not of it  {}\n", one);
        }
        fmt::print("{}: {}\n", counted(check->files, "file"), check->is_whole() ? "whole" : "not whole");
    }
    return check->is_whole() ? all_well : held;
}

} // namespace wembrix::cli
