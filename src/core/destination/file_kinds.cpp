#include "core/destination/file_kinds.h"

#include "core/base/files.h"
#include "core/base/text.h"
#include "core/destination/destination.h"

#include <algorithm>
#include <array>
#include <fmt/format.h>
#include <map>

namespace wembrix {

namespace {

constexpr std::array<FileKind, 12> all_kinds = {{
    {"model", "Model", "the model in its rest pose, without clips", true, "", "{job}_model", ""},
    {"whole", "All in one", "the model with every clip", false, "", "{job}", ""},
    {"clip", "Clips", "each with the skeleton only", true, "", "{job}_{clip}", "clip"},
    {"clips", "Clips in one file", "all of them on one skeleton", false, "", "{job}_clips", ""},
    {"pose", "Poses", "clips of one pose, each by itself and not among the clips", false, "", "{job}_{clip}", "clip"},
    {"prop", "Props", "each thing that stands by itself, with its own skeleton", false, "", "{job}_{prop}", "prop"},
    {"strands", "Strands", "at rest, where strands have a container", true, "", "{job}_{part}", "part"},
    {"cache", "Caches", "points at each frame, where they have a container", true, "", "{job}_{part}_{clip}",
     "part clip"},
    {"textures", "Caches as textures", "as their steps ask for", true, "cache", "{job}_{part}_{clip}", "part clip"},
    {"shapes", "Caches as shapes", "as their steps ask for", true, "cache", "{job}_{part}_{clip}", "part clip"},
    {"hulls", "Hulls", "the collision hulls alone, as surfaces", false, "", "{job}_hulls", ""},
    {"materials", "Material set", "a swatch of each material that is in use", false, "", "{job}_materials", ""},
}};

/// What stands for a token; nothing where the kind does not know it.
std::optional<std::string> filled(std::string_view token, const FileTokens& tokens, const FileKind& kind,
                                  const Destination& destination) {
    const std::map<std::string_view, std::string> values = {{"job", tokens.job},
                                                            {"destination", destination.name},
                                                            {"kind", std::string(kind.id)},
                                                            {"clip", tokens.clip},
                                                            {"part", tokens.part},
                                                            {"prop", tokens.prop},
                                                            {"date", tokens.date},
                                                            {"variant", tokens.variant},
                                                            {"number", std::to_string(tokens.number)}};
    const bool of_some = token == "clip" || token == "part" || token == "prop";
    const auto found = values.find(token);
    if (found == values.end() || (of_some && kind.tokens.find(token) == std::string_view::npos)) {
        return std::nullopt;
    }
    return file_name_safe(found->second);
}

std::string tokens_of(const FileKind& kind) {
    std::string text = "There are {job}, {destination}, {kind}, {variant}, {date}, {number}";
    for (const std::string_view one : {"part", "clip", "prop"}) {
        if (kind.tokens.find(one) != std::string_view::npos) {
            text += fmt::format(", {{{}}}", one);
        }
    }
    return text + ".";
}

bool is_plain_name(std::string_view name) {
    return !name.empty() && name[0] != '.' && name.size() <= 255 &&
           name.find_first_of("/\\:*?\"<>|\n\t") == std::string_view::npos;
}

std::vector<std::string_view> names_in(std::string_view path) {
    std::vector<std::string_view> names;
    for (size_t at = 0; at <= path.size();) {
        const size_t end = std::min(path.find('/', at), path.size());
        names.push_back(path.substr(at, end - at));
        at = end + 1;
    }
    return names;
}

} // namespace

std::span<const FileKind> file_kinds() {
    return all_kinds;
}

const FileKind* file_kind(std::string_view id) {
    const auto* found =
        std::find_if(all_kinds.begin(), all_kinds.end(), [&](const FileKind& one) { return one.id == id; });
    return found == all_kinds.end() ? nullptr : found;
}

bool takes_kind(const Destination& destination, std::string_view kind) {
    if (destination.deliverables.empty()) {
        const FileKind* row = file_kind(kind);
        return row != nullptr && row->is_usual;
    }
    return std::find(destination.deliverables.begin(), destination.deliverables.end(), kind) !=
           destination.deliverables.end();
}

std::string file_template(const Destination& destination, const FileKind& kind) {
    const auto own = destination.files.find(std::string(kind.named.empty() ? kind.id : kind.named));
    return own == destination.files.end() ? std::string(kind.file) : own->second;
}

bool counts_deliveries(const std::string& file_template) {
    return file_template.find("{date}") != std::string::npos || file_template.find("{number}") != std::string::npos;
}

bool is_plain_path(std::string_view file) {
    const std::vector<std::string_view> names = names_in(file);
    return file.size() <= 1000 && std::all_of(names.begin(), names.end(), is_plain_name);
}

Result<std::string> file_stem(const std::string& file_template, const FileTokens& tokens, const FileKind& kind,
                              const Destination& destination) {
    std::string stem;
    for (size_t i = 0; i < file_template.size();) {
        if (file_template[i] != '{') {
            stem += file_template[i++];
            continue;
        }
        const size_t end = file_template.find('}', i);
        const std::string token =
            end == std::string::npos ? file_template.substr(i) : file_template.substr(i, end - i + 1);
        const auto value = end == std::string::npos
                               ? std::nullopt
                               : filled(std::string_view(token).substr(1, token.size() - 2), tokens, kind, destination);
        if (!value) {
            return Problem{phrase("the file template has the unknown token {}.", token), "", tokens_of(kind)};
        }
        stem += *value;
        i += token.size();
    }
    for (const std::string_view name : names_in(stem)) {
        if (!is_plain_name(name) || name.size() > 120) {
            return Problem{phrase("\"{}\" cannot be a file name.", name), "", ""};
        }
    }
    if (!is_plain_path(stem)) {
        return Problem{phrase("\"{}…\" is too long for a path.", stem.substr(0, 80)), "", ""};
    }
    return stem;
}

} // namespace wembrix
