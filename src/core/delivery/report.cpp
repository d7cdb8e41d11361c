#include "core/delivery/report.h"

#include "core/base/counted.h"
#include "core/base/file_sink.h"
#include "core/base/files.h"
#include "core/delivery/manifest.h"
#include "core/delivery/pictures.h"
#include "core/delivery/report_style.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <map>
#include <set>

namespace wembrix {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

constexpr size_t most_of_curve = 240;           // figures of it that are kept
constexpr uintmax_t largest_picture = 16000000; // bytes of a file that goes into a page

const json& list_in(const json& of, const char* key) {
    static const json none = json::array();
    const auto found = of.is_object() ? of.find(key) : of.end();
    return of.is_object() && found != of.end() && found->is_array() ? *found : none;
}

const json& object_in(const json& of, const char* key) {
    static const json none = json::object();
    const auto found = of.is_object() ? of.find(key) : of.end();
    return of.is_object() && found != of.end() && found->is_object() ? *found : none;
}

std::string text_at(const json& of, const char* key) {
    const auto found = of.is_object() ? of.find(key) : of.end();
    return of.is_object() && found != of.end() && found->is_string() ? found->get<std::string>() : std::string();
}

double number_at(const json& of, const char* key) {
    const auto found = of.is_object() ? of.find(key) : of.end();
    return of.is_object() && found != of.end() && found->is_number() ? found->get<double>() : 0.0;
}

/// As text of a page, whatever it holds.
std::string escaped(const std::string& text) {
    std::string out;
    for (const char c : text) {
        switch (c) {
        case '&':
            out += "&amp;";
            break;
        case '<':
            out += "&lt;";
            break;
        case '>':
            out += "&gt;";
            break;
        case '"':
            out += "&quot;";
            break;
        case '\'':
            out += "&#39;";
            break;
        default:
            out += c;
        }
    }
    return out;
}

std::string escaped_at(const json& of, const char* key) {
    return escaped(text_at(of, key));
}

std::string said_size(double bytes) {
    return bytes < 1000      ? fmt::format("{:.0f} bytes", bytes)
           : bytes < 1000000 ? fmt::format("{:.1f} kB", bytes / 1000)
                             : fmt::format("{:.2f} MB", bytes / 1000000);
}

std::string base64(const std::string& bytes) {
    constexpr const char* letters = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/";
    std::string out;
    out.reserve((bytes.size() + 2) / 3 * 4);
    for (size_t i = 0; i < bytes.size(); i += 3) {
        const size_t left = std::min<size_t>(3, bytes.size() - i);
        uint32_t three = 0;
        for (size_t k = 0; k < 3; ++k) {
            three = three << 8 | (k < left ? static_cast<uint8_t>(bytes[i + k]) : 0U);
        }
        for (size_t k = 0; k < 4; ++k) {
            out += k <= left ? letters[three >> (18 - 6 * k) & 63] : '=';
        }
    }
    return out;
}

/// The files of one deliverable, in the manifest's order.
struct Told {
    std::string id;
    std::vector<const json*> rows;
    [[nodiscard]] const json& first() const { return *rows.front(); }
    [[nodiscard]] const json& check() const { return object_in(first(), "check"); }
    /// All but its pictures.
    [[nodiscard]] double bytes() const {
        double sum = 0;
        for (const json* row : rows) {
            sum += text_at(*row, "file").starts_with(picture_folder) ? 0 : number_at(*row, "bytes");
        }
        return sum;
    }
};

std::vector<Told> told_in(const json& manifest) {
    std::vector<Told> all;
    std::map<std::string, size_t> places;
    for (const json& row : list_in(manifest, "files")) {
        const std::string id = text_at(row, "deliverable");
        if (id.empty() || id == "report") {
            continue;
        }
        const auto [place, is_new] = places.emplace(id, all.size());
        if (is_new) {
            all.push_back({id, {}});
        }
        all[place->second].rows.push_back(&row);
    }
    return all;
}

/// The picture as an element of the page; empty where it is not there as the manifest lists it.
std::string picture(const Told& of, const fs::path& folder, const std::string& file, const char* what,
                    const char* css_class) {
    for (const json* row : of.rows) {
        if (text_at(*row, "file") != file || !is_plain_path(file) || number_at(*row, "bytes") > largest_picture) {
            continue;
        }
        const Result<std::string> bytes = read_file(folder / file);
        if (!bytes || hash_of(*bytes) != text_at(*row, "xxh3_128")) {
            return {};
        }
        return fmt::format(
            R"(<figure class="{}"><img alt="{} of {}" src="data:image/{};base64,{}"><figcaption>{}</figcaption></figure>)",
            css_class, what, escaped(of.id), file.ends_with(".webp") ? "webp" : "png", base64(*bytes), what);
    }
    return {};
}

std::string curve(const json& values, double limit) {
    if (values.size() < 2) {
        return {};
    }
    constexpr double width = 640;
    constexpr double height = 70;
    double most = 0;
    for (const json& value : values) {
        most = std::max(most, value.is_number() ? value.get<double>() : 0);
    }
    const double top = std::max(most, 1e-4);
    std::string path;
    for (size_t i = 0; i < values.size(); ++i) {
        const double value = values[i].is_number() ? values[i].get<double>() : 0;
        path += fmt::format("{}{:.1f} {:.1f}", i == 0 ? "M" : " L",
                            width * static_cast<double>(i) / static_cast<double>(values.size() - 1),
                            height - value / top * height);
    }
    return fmt::format(
        R"(<svg class="curve" viewBox="-4 -4 {} {}" role="img" aria-label="drift over the clip"><path class="ground" d="M0 {} H{}"/><path class="line" d="{}"/></svg><p class="soft">Drift over the clip: at most {:.4f} mm, where {:g} mm are allowed.</p>)",
        width + 8, height + 8, height, width, path, most, limit);
}

std::string claims_table(const json& claims) {
    std::string rows;
    for (const json& claim : claims) {
        const bool pass = claim.is_object() && claim.value("pass", json(false)) == true;
        const std::string accepted = text_at(claim, "accepted");
        rows += fmt::format("<tr><td>{}</td><td>{}</td><td>{}</td><td class=\"{}\">{}</td></tr>\n",
                            escaped_at(claim, "claim"), escaped_at(claim, "expected"), escaped_at(claim, "actual"),
                            pass               ? "pass"
                            : accepted.empty() ? "fail"
                                               : "look",
                            pass               ? "holds"
                            : accepted.empty() ? "does not hold: " + escaped_at(claim, "detail")
                                               : "accepted: " + escaped(accepted));
    }
    return "<table "
           "class=\"claims\"><thead><tr><th>Claim</th><th>Prepared</th><th>Arrived</th><th></th></tr></"
           "thead><tbody>\n" +
           rows + "</tbody></table>\n";
}

size_t passed(const json& claims) {
    return static_cast<size_t>(std::count_if(claims.begin(), claims.end(), [](const json& claim) {
        return claim.is_object() && claim.value("pass", json(false)) == true;
    }));
}

std::string said_claims(const Told& told) {
    const json& claims = list_in(told.check(), "claims");
    return claims.empty() ? std::string("not kept") : fmt::format("{} of {}", passed(claims), claims.size());
}

std::string said_plain(const Told& told) {
    const double plain = number_at(told.first(), "plain_bytes");
    return plain > 0 ? fmt::format("<br><span class=\"soft\">of {} plain</span>", said_size(plain)) : "";
}

std::string deliverables_part(const json& manifest, const std::vector<Told>& all, const fs::path& folder) {
    std::string page =
        "<h2>What was delivered</h2>\n<table class=\"files\"><thead><tr><th></th><th>File</th><th>What it "
        "is</th><th class=\"n\">Size or length</th><th class=\"n\">File size</th><th class=\"n\">Version</th><th "
        "class=\"n\">Drift (mm)</th><th class=\"n\">Claims that hold</th></tr></thead><tbody>\n";
    for (const Told& told : all) {
        const std::string file = text_at(told.first(), "file");
        page += fmt::format(
            "<tr><td>{}</td><td><b>{}</b><br><span class=\"soft\">{}</span></td><td>{}</td><td class=\"n\">{}</td><td "
            "class=\"n\">{}</td><td class=\"n\">{:.0f}</td><td class=\"n\">{:.4f}</td><td class=\"n\">{}</td></tr>\n",
            picture(told, folder, picture_folder + file + ".png", "Picture", "small"), escaped(file), escaped(told.id),
            escaped_at(told.check(), "facts"), escaped_at(told.check(), "size"),
            said_size(told.bytes()) + said_plain(told), number_at(told.first(), "number"),
            number_at(told.first(), "drift_mm"), said_claims(told));
    }
    page += "</tbody></table>\n";
    const json& held = list_in(manifest, "held");
    if (!held.empty()) {
        page += "<h2>What is held back</h2>\n<ul>\n";
        for (const json& row : held) {
            page += fmt::format("<li><b class=\"fail\">held</b> {}: {}</li>\n", escaped_at(row, "deliverable"),
                                escaped_at(row, "reason"));
        }
        page += "</ul>\n";
    }
    return page;
}

std::string details_part(const json& manifest, const std::vector<Told>& all, const fs::path& folder) {
    std::string page = "<h2>One by one</h2>\n";
    const double limit = number_at(object_in(manifest, "destination"), "drift_limit_mm");
    for (const Told& told : all) {
        const std::string file = text_at(told.first(), "file");
        const std::string base = picture_folder + file;
        const std::string before = picture(told, folder, earlier_picture(base + ".png"), "Before", "large");
        page += fmt::format("<section><h3>{}</h3>\n<div class=\"row\">{}{}{}</div>\n{}", escaped(file), before,
                            picture(told, folder, base + ".png", before.empty() ? "Picture" : "Now", "large"),
                            picture(told, folder, base + ".webp", "As it repeats", "large"),
                            picture(told, folder, base + "_film.png", "The moments that tell it", "wide"));
        page += curve(list_in(told.check(), "drift_curve"), limit);
        if (const json& claims = list_in(told.check(), "claims"); !claims.empty()) {
            page += claims_table(claims);
        } else {
            page += "<p class=\"soft\">Its claims were not kept: it was delivered without a report.</p>\n";
        }
        page += "</section>\n";
    }
    return page;
}

std::set<std::string> names_in(const json& rows) {
    std::set<std::string> names;
    for (const json& row : rows) {
        names.insert(row.is_string() ? row.get<std::string>() : text_at(row, "name"));
    }
    return names;
}

void tell_names(std::string& page, const char* what, const std::set<std::string>& before,
                const std::set<std::string>& now) {
    const auto list = [&](const std::set<std::string>& of, const std::set<std::string>& others, const char* how) {
        std::string names;
        size_t count = 0;
        for (const std::string& name : of) {
            if (others.count(name) == 0) {
                ++count;
                names += count > 40 ? "" : (names.empty() ? "" : ", ") + escaped(name);
            }
        }
        if (count > 0) {
            page += fmt::format("<li>{} {}: {}{}</li>\n", counted(count, what), how, names,
                                count > 40 ? fmt::format(" and {} more", count - 40) : "");
        }
    };
    list(now, before, "new");
    list(before, now, "gone");
}

std::string changes_part(const json& manifest, const std::vector<Told>& all) {
    const json& before = object_in(manifest, "before");
    std::string page = "<h2>What changed since the delivery before</h2>\n";
    if (before.empty()) {
        return page + "<p>There was none.</p>\n";
    }
    std::string list;
    tell_names(list, "joint", names_in(list_in(before, "joints")), names_in(list_in(manifest, "joints")));
    tell_names(list, "clip", names_in(list_in(before, "clips")), names_in(list_in(manifest, "clips")));
    for (const json& now : list_in(manifest, "clips")) {
        for (const json& then : list_in(before, "clips")) {
            if (text_at(then, "name") == text_at(now, "name") &&
                std::abs(number_at(then, "seconds") - number_at(now, "seconds")) > 1e-6) {
                list += fmt::format("<li>clip {}: {:.3f} s, before {:.3f} s</li>\n", escaped_at(now, "name"),
                                    number_at(now, "seconds"), number_at(then, "seconds"));
            }
        }
    }
    std::set<std::string> seen;
    for (const Told& told : all) {
        seen.insert(told.id);
        bool was_there = false;
        for (const json& then : list_in(before, "files")) {
            if (text_at(then, "deliverable") != told.id) {
                continue;
            }
            was_there = true;
            std::vector<std::string> changes;
            for (const char* key : {"facts", "size"}) {
                if (!text_at(then, key).empty() && text_at(then, key) != text_at(told.check(), key)) {
                    changes.push_back(
                        fmt::format("{}, before {}", escaped_at(told.check(), key), escaped_at(then, key)));
                }
            }
            if (number_at(then, "number") == number_at(told.first(), "number")) {
                continue; // the same content
            }
            if (said_size(told.bytes()) != said_size(number_at(then, "bytes"))) {
                changes.push_back(
                    fmt::format("{}, before {}", said_size(told.bytes()), said_size(number_at(then, "bytes"))));
            }
            list += fmt::format("<li>{}: version {:.0f} in the place of {:.0f}{}</li>\n", escaped(told.id),
                                number_at(told.first(), "number"), number_at(then, "number"),
                                changes.empty() ? "" : "; " + fmt::format("{}", fmt::join(changes, "; ")));
        }
        if (!was_there) {
            list += fmt::format("<li>{}: new</li>\n", escaped(told.id));
        }
    }
    for (const json& then : list_in(before, "files")) {
        if (seen.count(text_at(then, "deliverable")) == 0) {
            list += fmt::format("<li>{}: no longer delivered</li>\n", escaped_at(then, "deliverable"));
        }
    }
    return page + (list.empty() ? "<p>Nothing.</p>\n" : "<ul>\n" + list + "</ul>\n");
}

std::string ledger_part(const json& manifest) {
    const json& left = list_in(manifest, "left");
    std::string page = "<h2>What stayed behind</h2>\n";
    if (left.empty()) {
        return page + "<p>Nothing.</p>\n";
    }
    page += "<table><thead><tr><th>What</th><th>Name</th><th class=\"n\">How "
            "many</th><th>Why</th><th>By</th></tr></thead><tbody>\n";
    for (const json& row : left) {
        page += fmt::format("<tr><td>{}</td><td>{}</td><td class=\"n\">{:.0f}</td><td>{}</td><td>{}</td></tr>\n",
                            escaped_at(row, "what"), escaped_at(row, "name"), number_at(row, "count"),
                            escaped_at(row, "why"), escaped_at(row, "by"));
    }
    return page + "</tbody></table>\n";
}

std::string accepted_part(const json& manifest) {
    const json& accepted = list_in(manifest, "accepted");
    if (accepted.empty()) {
        return {};
    }
    std::string page = "<h2>What was accepted</h2>\n<ul>\n";
    for (const json& row : accepted) {
        page += fmt::format("<li>{}. <i>{}</i></li>\n", escaped_at(row, "message"), escaped_at(row, "note"));
    }
    return page + "</ul>\n";
}

std::string card_part(const json& manifest) {
    const json& card = list_in(manifest, "card");
    if (card.empty()) {
        return {};
    }
    std::string page = "<h2>The route card</h2>\n<ol>\n";
    for (const json& step : card) {
        page += fmt::format("<li>{}</li>\n", escaped(step.is_string() ? step.get<std::string>() : ""));
    }
    return page + "</ol>\n";
}

std::string head_part(const json& manifest, const std::vector<Told>& all) {
    const json& destination = object_in(manifest, "destination");
    double worst = 0;
    size_t claims = 0;
    size_t hold = 0;
    for (const Told& told : all) {
        worst = std::max(worst, number_at(told.first(), "drift_mm"));
        claims += list_in(told.check(), "claims").size();
        hold += passed(list_in(told.check(), "claims"));
    }
    const size_t held = list_in(manifest, "held").size();
    std::string family = text_at(object_in(manifest, "family"), "name");
    const std::string variant = text_at(object_in(manifest, "variant"), "name");
    family += variant.empty() ? "" : (family.empty() ? "" : ", ") + variant;
    std::string page = fmt::format("<header><p class=\"soft\">Delivery for {}</p><h1>{}</h1>\n",
                                   escaped_at(destination, "name"), escaped_at(manifest, "job"));
    page += fmt::format("<p class=\"sum\">{} arrived{}. {}The largest drift is {:.4f} mm; {:g} mm are allowed.</p>\n",
                        counted(all.size(), "deliverable"),
                        held > 0 ? fmt::format(", <b class=\"fail\">{} held back</b>", held) : "",
                        claims > 0 ? fmt::format("{} of {} claims hold. ", hold, claims) : "", worst,
                        number_at(destination, "drift_limit_mm"));
    page += fmt::format(
        "<dl><dt>For</dt><dd>{}: {} up, {} forward, 1 unit is {:g} m, {}-handed, {:g} frames a second</dd>\n",
        escaped_at(destination, "name"), escaped_at(destination, "up"), escaped_at(destination, "forward"),
        number_at(destination, "unit_m"), escaped_at(destination, "handedness"), number_at(destination, "rate"));
    page += fmt::format("<dt>Height</dt><dd>{:.3f} m, {:.4g} units there</dd>\n", number_at(manifest, "height_m"),
                        number_at(manifest, "height_units"));
    page += fmt::format("<dt>Joints</dt><dd>{}</dd>\n", list_in(manifest, "joints").size());
    if (!family.empty()) {
        page += fmt::format("<dt>Family</dt><dd>{}</dd>\n", escaped(family));
    }
    for (const auto& [label, key] : {std::pair("License", "license"), std::pair("Credits", "credits")}) {
        if (!text_at(manifest, key).empty()) {
            page += fmt::format("<dt>{}</dt><dd>{}</dd>\n", label, escaped_at(manifest, key));
        }
    }
    return page + "</dl></header>\n";
}

} // namespace

json check_row(const Scene& prepared, const Arrival& arrival, const Destination& destination) {
    const DeliverableKind& kind = *arrival.deliverable.kind;
    json claims = json::array();
    for (const Claim& claim : arrival.claims) {
        claims.push_back(
            {{"claim", claim.name}, {"expected", claim.expected}, {"actual", claim.actual}, {"pass", claim.pass}});
        if (!claim.detail.empty()) {
            claims.back()["detail"] = claim.detail;
        }
        if (!claim.accepted.empty()) {
            claims.back()["accepted"] = claim.accepted;
        }
    }
    // Each figure that is kept is the largest of its frames.
    const std::vector<float>& frames = arrival.drift.per_frame_mm;
    const size_t kept = std::min(frames.size(), most_of_curve);
    json curve = json::array();
    for (size_t i = 0; i < kept; ++i) {
        const auto first = frames.begin() + static_cast<std::ptrdiff_t>(i * frames.size() / kept);
        const auto last = frames.begin() + static_cast<std::ptrdiff_t>((i + 1) * frames.size() / kept);
        curve.push_back(std::round(static_cast<double>(*std::max_element(first, last)) * 1e4) / 1e4);
    }
    const std::string& name = arrival.deliverable.name;
    return {{"facts", kind.facts == nullptr ? "" : kind.facts(prepared, name)},
            {"size", kind.size == nullptr ? "" : kind.size(prepared, name, destination)},
            {"claims", claims},
            {"drift_curve", curve}};
}

json delivery_before(const json& old, const json& now) {
    std::map<std::string, std::string> contents;
    for (const json& row : list_in(old, "files")) {
        contents.emplace(text_at(row, "deliverable"), text_at(row, "content"));
    }
    contents.erase("");
    contents.erase("report");
    if (contents.empty()) {
        return json::object();
    }
    std::map<std::string, std::string> contents_now;
    for (const json& row : list_in(now, "files")) {
        contents_now.emplace(text_at(row, "deliverable"), text_at(row, "content"));
    }
    contents_now.erase("");
    contents_now.erase("report");
    if (contents == contents_now) {
        return object_in(old, "before");
    }
    json files = json::array();
    for (const Told& told : told_in(old)) {
        files.push_back({{"deliverable", told.id},
                         {"bytes", told.bytes()},
                         {"number", number_at(told.first(), "number")},
                         {"facts", text_at(told.check(), "facts")},
                         {"size", text_at(told.check(), "size")}});
    }
    json joints = json::array();
    for (const json& joint : list_in(old, "joints")) {
        joints.push_back(text_at(joint, "name"));
    }
    json clips = json::array();
    for (const json& clip : list_in(old, "clips")) {
        clips.push_back({{"name", text_at(clip, "name")}, {"seconds", number_at(clip, "seconds")}});
    }
    return {{"files", files}, {"joints", joints}, {"clips", clips}};
}

std::string report_page(const json& manifest, const fs::path& folder) {
    const std::vector<Told> all = told_in(manifest);
    return fmt::format("<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><meta name=\"viewport\" "
                       "content=\"width=device-width\">\n<title>{} for {}</title>\n<style>{}</style></head>\n<body>\n",
                       escaped_at(manifest, "job"), escaped_at(object_in(manifest, "destination"), "name"),
                       report_style) +
           head_part(manifest, all) + deliverables_part(manifest, all, folder) + changes_part(manifest, all) +
           ledger_part(manifest) + accepted_part(manifest) + card_part(manifest) + details_part(manifest, all, folder) +
           "<footer class=\"soft\">Made by Wembrix from delivery.json and the pictures beside "
           "it.</footer>\n</body></html>\n";
}

std::string report_file(const json& manifest) {
    for (const ManifestRow& row : rows_of(manifest)) {
        if (row.deliverable == "report") {
            return row.file;
        }
    }
    return job_with_file(manifest, "report.html") ? "report_" + file_name_safe(text_at(manifest, "job")) + ".html"
                                                  : "report.html";
}

std::optional<Problem> problem_with_report(const json& old, const fs::path& folder) {
    std::error_code error;
    const std::string file = report_file(old);
    if (fs::exists(fs::symlink_status(folder / file, error)) && !lists_file(old, file)) {
        return Problem{"is there already and was not written by Wembrix.", (folder / file).string(),
                       "Move it elsewhere, or let the destination ask for no report."};
    }
    return std::nullopt;
}

Outcome put_report(json& manifest, const json& old, const fs::path& folder) {
    const std::string page = report_page(manifest, folder);
    const std::string hash = hash_of(page);
    const std::string page_file = report_file(old);
    if (!lists_file(old, page_file)) {
        // It is known as ours if the run ends before the manifest is written.
        json coming = old;
        const std::unordered_set<std::string> listed = files_in(old);
        for (const json& row : list_in(manifest, "files")) {
            if (const std::string file = text_at(row, "file"); listed.count(file) == 0) {
                note_coming(coming, file, text_at(row, "xxh3_128"));
            }
        }
        note_coming(coming, page_file, hash);
        if (Outcome noted = write_manifest(coming, folder); !noted) {
            return noted;
        }
    }
    if (Outcome written = write_file_whole(folder / page_file, page); !written) {
        return written;
    }
    manifest["files"].push_back(
        {{"file", page_file}, {"deliverable", "report"}, {"bytes", page.size()}, {"xxh3_128", hash}});
    return Done{};
}

} // namespace wembrix
