#include "core/base/csv.h"

namespace wembrix {

namespace {

/// What stands most often between the words of the first line: a comma, a semicolon or a tab.
char separator_of(std::string_view text) {
    size_t commas = 0;
    size_t semicolons = 0;
    size_t tabs = 0;
    bool inside = false;
    bool any = false;
    for (const char c : text) {
        inside = c == '"' ? !inside : inside;
        if (!inside && c == '\n' && any) {
            break;
        }
        any = any || (c != '\n' && c != '\r');
        commas += !inside && c == ',' ? 1 : 0;
        semicolons += !inside && c == ';' ? 1 : 0;
        tabs += !inside && c == '\t' ? 1 : 0;
    }
    return semicolons > commas && semicolons >= tabs ? ';' : tabs > commas ? '\t' : ',';
}

bool trimmed_is_empty(const std::string& text) {
    return text.find_first_not_of(" \t") == std::string::npos;
}

} // namespace

std::string csv_field(const std::string& field) {
    if (field.find_first_of(",;\t\"\r\n") == std::string::npos) {
        return field;
    }
    std::string text = "\"";
    for (const char c : field) {
        text += c == '"' ? "\"\"" : std::string(1, c);
    }
    return text + "\"";
}

Result<std::vector<std::vector<std::string>>> csv_records(std::string_view text, const std::string& where) {
    if (text.substr(0, 3) == "\xEF\xBB\xBF") {
        text.remove_prefix(3);
    }
    const char separator = separator_of(text);
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
        } else if (c == '"' && trimmed_is_empty(record.back())) {
            record.back().clear();
            inside = true;
        } else if (c == separator) {
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

} // namespace wembrix
