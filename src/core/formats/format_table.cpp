#include "core/formats/format_table.h"

#include "core/base/text.h"
#include "core/formats/format.h"

#include <array>
#include <fmt/format.h>

namespace wembrix {

namespace {

struct ContentRow {
    Content content;
    std::string_view words;
};
constexpr std::array content_rows = {
    ContentRow{Content::skeleton, "Joints, their places and names"},
    ContentRow{Content::surfaces, "Surfaces: normals, tangents, coordinates, colours, values of your own"},
    ContentRow{Content::skins, "Weights and bind pose"},
    ContentRow{Content::shapes, "Shapes"},
    ContentRow{Content::materials, "Materials and textures"},
    ContentRow{Content::clips, "Motion"},
    ContentRow{Content::clip_names, "Names of clips"},
    ContentRow{Content::several_clips, "Several clips in one file"},
    ContentRow{Content::curved_keys, "Keys as they were set (else one a frame)"},
    ContentRow{Content::curves, "Strands"},
    ContentRow{Content::caches, "Moving surfaces as caches"},
    ContentRow{Content::cameras, "Cameras"},
    ContentRow{Content::lights, "Lights"},
    ContentRow{Content::extras, "Extras of nodes"},
    ContentRow{Content::about, "What is said of the file: copyright, which delivery it is"},
    ContentRow{Content::carried, "All else that the source says, as it stands there"},
};

std::string_view cell(const Format& format, Content content) {
    const bool reads = has(format.reads, content);
    const bool writes = has(format.writes, content);
    return reads && writes ? "yes" : reads ? "read" : writes ? "written" : "–";
}

std::string_view space_words(FileSpace space) {
    switch (space) {
    case FileSpace::standard:
        return "metres, Y up, always";
    case FileSpace::destination:
        return "the destination's; the file does not say";
    case FileSpace::stated:
        return "the destination's; the file says";
    }
    return "";
}

} // namespace

std::string format_table() {
    std::string head = "| |";
    std::string rule = "|---|";
    for (const Format& format : formats()) {
        head += fmt::format(" `{}` |", format.id);
        rule += "---|";
    }
    std::string table = head + "\n" + rule + "\n";
    for (const ContentRow& told : content_rows) {
        table += fmt::format("| {} |", told.words);
        for (const Format& format : formats()) {
            table += fmt::format(" {} |", cell(format, told.content));
        }
        table += '\n';
    }
    table += "| Unit and axes |";
    for (const Format& format : formats()) {
        table += fmt::format(" {} |", space_words(format.space));
    }
    table += "\n| Suffixes |";
    for (const Format& format : formats()) {
        std::string suffixes;
        for (const std::string_view suffix : format.suffixes) {
            suffixes += fmt::format("{}`{}`", suffixes.empty() ? "" : " ", suffix);
        }
        table += fmt::format(" {} |", suffixes);
    }
    return table + "\n";
}

} // namespace wembrix
