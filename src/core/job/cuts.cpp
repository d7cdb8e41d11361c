#include "core/job/cuts.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <fmt/format.h>
#include <map>

namespace wembrix {

using nlohmann::json;

namespace {

std::string quoted(const std::string& field) {
    if (field.find_first_of(",\"\r\n") == std::string::npos) {
        return field;
    }
    std::string text = "\"";
    for (const char c : field) {
        text += c == '"' ? "\"\"" : std::string(1, c);
    }
    return text + "\"";
}

/// The records of a CSV text; quotes may hold commas, line ends and doubled quotes.
Result<std::vector<std::vector<std::string>>> records_of(std::string_view text, const std::string& where) {
    if (text.substr(0, 3) == "\xEF\xBB\xBF") {
        text.remove_prefix(3);
    }
    std::vector<std::vector<std::string>> records;
    std::vector<std::string> record(1);
    bool inside = false;
    const auto end_record = [&] {
        if (record.size() > 1 || !record[0].empty()) {
            records.push_back(record);
        }
        record.assign(1, "");
    };
    for (size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (inside) {
            if (c != '"') {
                record.back() += c;
            } else if (i + 1 < text.size() && text[i + 1] == '"') {
                record.back() += '"';
                ++i;
            } else {
                inside = false;
            }
        } else if (c == '"') {
            inside = true;
        } else if (c == ',') {
            record.emplace_back();
        } else if (c == '\n') {
            end_record();
        } else if (c != '\r') {
            record.back() += c;
        }
    }
    if (inside) {
        return Problem{"a quote is opened and never closed.", where, "", true};
    }
    end_record();
    return records;
}

std::string trimmed(const std::string& text) {
    const size_t from = text.find_first_not_of(" \t");
    return from == std::string::npos ? "" : text.substr(from, text.find_last_not_of(" \t") - from + 1);
}

std::optional<int> whole(const std::string& text) {
    int value = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    return error == std::errc() && end == text.data() + text.size() ? std::optional<int>(value) : std::nullopt;
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
    std::string text = "name,first,last,repeats,colour,note\n";
    for (const Cut& cut : cuts) {
        text += fmt::format("{},{},{},{},{},{}\n", quoted(cut.name), cut.first, cut.last, cut.repeats ? "yes" : "no",
                            quoted(cut.colour), quoted(cut.note));
    }
    return text;
}

Result<std::vector<Cut>> cuts_from_csv(std::string_view text, const std::string& where) {
    const Result<std::vector<std::vector<std::string>>> records = records_of(text, where);
    if (!records) {
        return records.problem();
    }
    if (records->empty()) {
        return Problem{"holds no cuts.", where, "Its first line names the columns: name,first,last.", true};
    }
    std::map<std::string, size_t> column;
    for (size_t i = 0; i < records->front().size(); ++i) {
        column[trimmed(records->front()[i])] = i;
    }
    for (const char* needed : {"name", "first", "last"}) {
        if (column.count(needed) == 0) {
            return Problem{fmt::format("has no column \"{}\".", needed), where,
                           "Its first line names the columns: name,first,last,repeats,colour,note.", true};
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
        const std::optional<int> first = whole(field("first"));
        const std::optional<int> last = whole(field("last"));
        const std::optional<bool> repeats = yes_or_no(field("repeats"));
        if (field("name").empty()) {
            return Problem{"has no name.", line, "", true};
        }
        if (!first || !last) {
            return Problem{"\"first\" and \"last\" are not both whole frame numbers.", line, "", true};
        }
        if (!repeats) {
            return Problem{"\"repeats\" is neither yes nor no.", line, "", true};
        }
        cuts.push_back({field("name"), *first, *last, *repeats, field("colour"), field("note")});
    }
    return cuts;
}

json cuts_to_json(const std::vector<Cut>& cuts) {
    json rows = json::array();
    for (const Cut& cut : cuts) {
        json row = {{"name", cut.name}, {"first", cut.first}, {"last", cut.last}, {"repeats", cut.repeats}};
        if (!cut.colour.empty()) {
            row["colour"] = cut.colour;
        }
        if (!cut.note.empty()) {
            row["note"] = cut.note;
        }
        if (!cut.deliver) {
            row["deliver"] = false;
        }
        rows.push_back(std::move(row));
    }
    return rows;
}

Result<std::vector<Cut>> cuts_from_json(const json& from, const std::string& where) {
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
        const auto is_whole = [&](const char* key) {
            return row.contains(key) && row[key].is_number_integer() && std::abs(row[key].get<double>()) < 1e9;
        };
        const auto text = [&](const char* key) {
            return row.contains(key) && row[key].is_string() ? row[key].get<std::string>() : std::string();
        };
        if (!row.is_object() || text("name").empty()) {
            return Problem{"has no name.", line, "", true};
        }
        if (!is_whole("first") || !is_whole("last")) {
            return Problem{"\"first\" and \"last\" are not both whole frame numbers.", line, "", true};
        }
        const bool repeats = row.contains("repeats") && row["repeats"].is_boolean() && row["repeats"].get<bool>();
        cuts.push_back(
            {text("name"), row["first"].get<int>(), row["last"].get<int>(), repeats, text("colour"), text("note")});
        cuts.back().deliver = row.value("deliver", json(true)) != json(false);
    }
    return cuts;
}

Result<std::vector<Cut>> cuts_from_text(const std::string& text, const std::string& where) {
    const size_t begin = text.find_first_not_of(" \t\r\n");
    if (begin == std::string::npos || (text[begin] != '[' && text[begin] != '{')) {
        return cuts_from_csv(text, where);
    }
    const json parsed = json::parse(text, nullptr, false);
    if (parsed.is_discarded()) {
        return Problem{"is not JSON.", where, "", true};
    }
    return cuts_from_json(parsed, where);
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
