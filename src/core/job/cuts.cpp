#include "core/job/cuts.h"

#include "core/base/csv.h"
#include "core/base/json_file.h"
#include "core/base/text.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <fmt/format.h>
#include <map>
#include <optional>

namespace wembrix {

using nlohmann::json;

namespace {

std::string trimmed(const std::string& text) {
    const size_t from = text.find_first_not_of(" \t");
    return from == std::string::npos ? "" : text.substr(from, text.find_last_not_of(" \t") - from + 1);
}

std::optional<double> number(std::string text) {
    if (std::count(text.begin(), text.end(), ',') == 1 && text.find('.') == std::string::npos) {
        text[text.find(',')] = '.'; // as half the world writes it
    }
    double value = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    return error == std::errc() && end == text.data() + text.size() && std::isfinite(value)
               ? std::optional<double>(value)
               : std::nullopt;
}

std::optional<bool> yes_or_no(std::string text) {
    std::transform(text.begin(), text.end(), text.begin(), [](unsigned char c) { return std::tolower(c); });
    if (text == "yes" || text == "true" || text == "1") {
        return true;
    }
    if (text.empty() || text == "no" || text == "false" || text == "0") {
        return false;
    }
    return std::nullopt;
}

/// What columns were called in lists of version 1.
const std::map<std::string, std::string> version_1_columns = {{"first", "start"}, {"last", "end"}, {"repeats", "loop"}};

/// The range of one row, in frames, or in seconds at `rate`; nothing when the row has neither.
template <typename Field> std::optional<Problem> read_range(const Field& field, const RateOfTake& rate_of, Cut& cut) {
    const auto either = [&](const char* key, const char* version_1) {
        const std::optional<double> value = field(key);
        return value ? value : field(version_1);
    };
    const std::optional<double> first = either("start", "first");
    const std::optional<double> last = either("end", "last");
    if (first && last) {
        if (*first != std::floor(*first) || *last != std::floor(*last) ||
            std::max(std::abs(*first), std::abs(*last)) > 1e9) {
            return Problem{"\"start\" and \"end\" are not both whole frame numbers.", "", "", true};
        }
        cut.start = static_cast<int>(*first);
        cut.end = static_cast<int>(*last);
        return std::nullopt;
    }
    const std::optional<double> from = field("from_s");
    const std::optional<double> to = field("to_s");
    if (!from || !to) {
        return Problem{
            "says neither \"start\" and \"end\" (whole frame numbers) nor \"from_s\" and \"to_s\" (seconds).", "", "",
            true};
    }
    const double rate = rate_of ? rate_of(cut.take) : 0;
    if (rate <= 0) {
        return Problem{"is in seconds, and no take is there to count its frames by.", "", "", true};
    }
    if (std::max(std::abs(*from), std::abs(*to)) * rate > 1e9) {
        return Problem{"\"from_s\" and \"to_s\" are beyond any take.", "", "", true};
    }
    cut.start = static_cast<int>(std::lround(*from * rate));
    cut.end = static_cast<int>(std::lround(*to * rate));
    return std::nullopt;
}

} // namespace

std::vector<Cut> cuts_of(const Step& step) {
    std::vector<Cut> cuts;
    const auto rows = step.parameters.find("clips");
    if (step.id != "split_take" || rows == step.parameters.end()) {
        return cuts;
    }
    Result<std::vector<Cut>> read = cuts_from_json(*rows, "");
    return read ? read.take() : cuts;
}

Step split_step(const std::string& take, const std::vector<Cut>& cuts) {
    return {"split_take", {{"take", take}, {"clips", cuts_to_json(cuts)}}};
}

std::string cuts_to_csv(const std::vector<Cut>& cuts) {
    // The last column only where it says something: most lists are read by people's own spreadsheets.
    const bool some_stay = std::any_of(cuts.begin(), cuts.end(), [](const Cut& cut) { return !cut.deliver; });
    const bool several = std::any_of(cuts.begin(), cuts.end(), [](const Cut& cut) { return !cut.take.empty(); });
    std::string text =
        fmt::format("name,start,end,loop,colour,note{}{}\n", some_stay ? ",deliver" : "", several ? ",take" : "");
    for (const Cut& cut : cuts) {
        text += fmt::format("{},{},{},{},{},{}{}{}\n", csv_field(cut.name), cut.start, cut.end, cut.loop ? "yes" : "no",
                            csv_field(cut.colour), csv_field(cut.note),
                            !some_stay    ? ""
                            : cut.deliver ? ",yes"
                                          : ",no",
                            several ? "," + csv_field(cut.take) : "");
    }
    return text;
}

Result<std::vector<Cut>> cuts_from_csv(std::string_view text, const std::string& where, const RateOfTake& rate) {
    const Result<std::vector<std::vector<std::string>>> records = csv_records(text, where);
    if (!records) {
        return records.problem();
    }
    if (records->empty()) {
        return Problem{"holds no cuts.", where, "Its first line names the columns: name,start,end.", true};
    }
    std::map<std::string, size_t> column;
    for (size_t i = 0; i < records->front().size(); ++i) {
        column[trimmed(records->front()[i])] = i;
        if (const auto now = version_1_columns.find(trimmed(records->front()[i])); now != version_1_columns.end()) {
            column.emplace(now->second, i);
        }
    }
    const bool in_seconds = column.count("from_s") != 0 && column.count("start") == 0;
    for (const char* needed : {"name", in_seconds ? "from_s" : "start", in_seconds ? "to_s" : "end"}) {
        if (column.count(needed) == 0) {
            return Problem{phrase("has no column \"{}\".", needed), where,
                           "Its first line names the columns: name,start,end,loop,colour,note; or from_s,to_s for "
                           "seconds.",
                           true};
        }
    }
    std::vector<Cut> cuts;
    for (size_t r = 1; r < records->size(); ++r) {
        const std::vector<std::string>& record = (*records)[r];
        const auto field = [&](const char* key) {
            const auto at = column.find(key);
            return at == column.end() || at->second >= record.size() ? std::string() : trimmed(record[at->second]);
        };
        const std::string line = fmt::format("{}, row {}", where, r);
        Cut cut;
        cut.name = field("name");
        cut.colour = field("colour");
        cut.note = field("note");
        cut.take = field("take");
        if (cut.name.empty()) {
            return Problem{"has no name.", line, "", true};
        }
        if (std::optional<Problem> problem =
                read_range([&](const char* key) { return number(field(key)); }, rate, cut)) {
            problem->where = line;
            return *problem;
        }
        const std::optional<bool> loop = yes_or_no(field("loop"));
        const std::optional<bool> deliver = field("deliver").empty() ? true : yes_or_no(field("deliver"));
        if (!loop || !deliver) {
            return Problem{phrase("\"{}\" is neither yes nor no.", loop ? "deliver" : "loop"), line, "", true};
        }
        cut.loop = *loop;
        cut.deliver = *deliver;
        cuts.push_back(std::move(cut));
    }
    return cuts;
}

json cuts_to_json(const std::vector<Cut>& cuts) {
    json rows = json::array();
    for (const Cut& cut : cuts) {
        json row = {{"name", cut.name}, {"start", cut.start}, {"end", cut.end}, {"loop", cut.loop}};
        if (!cut.colour.empty()) {
            row["colour"] = cut.colour;
        }
        if (!cut.note.empty()) {
            row["note"] = cut.note;
        }
        if (!cut.deliver) {
            row["deliver"] = false;
        }
        if (!cut.take.empty()) {
            row["take"] = cut.take;
        }
        rows.push_back(std::move(row));
    }
    return rows;
}

Result<std::vector<Cut>> cuts_from_json(const json& from, const std::string& where, const RateOfTake& rate) {
    const json* rows = &from;
    if (from.is_object() && from.contains("clips")) {
        rows = &from["clips"];
    }
    if (!rows->is_array()) {
        return Problem{"is no list of cuts.", where, "", true};
    }
    std::vector<Cut> cuts;
    for (const json& row : *rows) {
        const std::string line = fmt::format("{}cut {}", where.empty() ? "" : where + ", ", cuts.size() + 1);
        const auto text = [&](const char* key) {
            return row.contains(key) && row[key].is_string() ? row[key].get<std::string>() : std::string();
        };
        if (!row.is_object() || text("name").empty()) {
            return Problem{"has no name.", line, "", true};
        }
        Cut cut;
        cut.name = text("name");
        cut.colour = text("colour");
        cut.note = text("note");
        cut.take = text("take");
        cut.loop = row.value("loop", row.value("repeats", json(false))) == json(true);
        cut.deliver = row.value("deliver", json(true)) != json(false);
        const auto numbered = [&](const char* key) {
            return row.contains(key) && row[key].is_number() ? std::optional<double>(row[key].get<double>())
                                                             : std::nullopt;
        };
        if (std::optional<Problem> problem = read_range(numbered, rate, cut)) {
            problem->where = line;
            return *problem;
        }
        cuts.push_back(std::move(cut));
    }
    return cuts;
}

std::vector<std::pair<std::string, std::vector<Cut>>> cuts_by_take(const std::vector<Cut>& cuts,
                                                                   const std::string& otherwise) {
    std::vector<std::pair<std::string, std::vector<Cut>>> takes;
    for (const Cut& cut : cuts) {
        const std::string& name = cut.take.empty() ? otherwise : cut.take;
        auto take = std::find_if(takes.begin(), takes.end(), [&](const auto& one) { return one.first == name; });
        if (take == takes.end()) {
            take = takes.insert(takes.end(), {name, {}});
        }
        take->second.push_back(cut);
        take->second.back().take.clear();
    }
    return takes;
}

Result<std::vector<Cut>> cuts_from_text(const std::string& text, const std::string& where, const RateOfTake& rate) {
    const size_t mark = text.starts_with("\xEF\xBB\xBF") ? 3 : 0;
    const size_t begin = text.find_first_not_of(" \t\r\n", mark);
    if (begin == std::string::npos || (text[begin] != '[' && text[begin] != '{')) {
        return cuts_from_csv(text, where, rate);
    }
    const Result<json> parsed = parse_json(text.substr(mark), where);
    return parsed ? cuts_from_json(*parsed, where, rate) : Result<std::vector<Cut>>(parsed.problem());
}

namespace {

/// A list of named ranges wherever it stands in `from`: rows with a name, or an object whose keys are the names.
void ranges_in(const json& from, const Clip& take, std::vector<Cut>& cuts, int depth) {
    if (depth > 4 || !from.is_structured()) {
        return;
    }
    for (const auto& item : from.items()) {
        const json& row = item.value();
        if (!row.is_object()) {
            ranges_in(row, take, cuts, depth + 1);
            continue;
        }
        const auto text = [&](const char* name) {
            return row.contains(name) && row[name].is_string() ? row[name].get<std::string>() : std::string();
        };
        const auto pair = [&](const char* one, const char* other) -> std::optional<std::pair<double, double>> {
            if (!row.contains(one) || !row.contains(other) || !row[one].is_number() || !row[other].is_number()) {
                return std::nullopt;
            }
            return std::pair(row[one].get<double>(), row[other].get<double>());
        };
        double scale = 1;
        std::optional<std::pair<double, double>> range = pair("first", "last");
        if (!range) {
            range = pair("from_s", "to_s");
            scale = take.rate;
        }
        if (!range) {
            // The words do not say what they count: frames, where they reach beyond the take's seconds.
            range = pair("start", "end");
            scale = range && range->second > take.seconds + 1e-3 ? 1 : take.rate;
        }
        if (!range) {
            ranges_in(row, take, cuts, depth + 1);
            continue;
        }
        Cut cut;
        cut.name = !text("name").empty() ? text("name") : from.is_object() ? item.key() : std::string();
        const int last_frame = take.frames() - 1;
        const auto frame = [&](double at) { return static_cast<int>(std::clamp(std::round(at * scale), -1.0, 2e9)); };
        cut.start = frame(range->first);
        cut.end = frame(range->second);
        cut.note = text("note");
        cut.take = text("take");
        cut.loop = row.value("loop", row.value("repeats", json(false))) == json(true);
        const bool taken = std::any_of(cuts.begin(), cuts.end(), [&](const Cut& one) { return one.name == cut.name; });
        if (!cut.name.empty() && !taken && cut.start >= 0 && cut.start < cut.end && cut.end <= last_frame) {
            cut.colour = clip_colour(cuts.size());
            cuts.push_back(std::move(cut));
        }
    }
}

} // namespace

std::vector<Cut> ranges_inside(const Clip& take) {
    std::vector<Cut> cuts;
    const json extras = json::parse(take.carried.extras, nullptr, false);
    if (!extras.is_discarded()) {
        ranges_in(extras, take, cuts, 0);
    }
    return cuts;
}

std::string clip_colour(size_t place) {
    constexpr std::array<const char*, 8> colours = {"#4B78A8", "#2F8A72", "#B5763C", "#8C6BB0",
                                                    "#A84B5C", "#6F7F2C", "#3F8FA6", "#8A5A44"};
    return colours.at(place % colours.size());
}

std::string free_clip_name(const std::vector<Cut>& cuts) {
    for (size_t number = 1;; ++number) {
        std::string name = fmt::format("clip_{}", number);
        if (std::none_of(cuts.begin(), cuts.end(), [&](const Cut& cut) { return cut.name == name; })) {
            return name;
        }
    }
}

} // namespace wembrix
