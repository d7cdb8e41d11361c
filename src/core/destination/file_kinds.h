// The kinds of files that a destination can be given: which of them it is given, and how they are called. What goes
// into one of each kind stands in core/delivery/deliverable.h.
#pragma once

#include "core/base/result.h"

#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

struct Destination;

struct FileKind {
    std::string_view id;     ///< "clip"; "clip_file" is its template in a destination's file
    std::string_view label;  ///< for people
    std::string_view help;   ///< what goes into one, in a few words
    bool is_usual;           ///< a destination that does not choose is given it
    std::string_view named;  ///< the kind whose template it shares; empty: it has its own
    std::string_view file;   ///< its template where the destination has none
    std::string_view tokens; ///< what can be filled in beside those of all kinds: "clip part"
};

/// In the order in which they are delivered.
std::span<const FileKind> file_kinds();
const FileKind* file_kind(std::string_view id); ///< null: there is none

/// Whether a destination is given files of this kind.
bool takes_kind(const Destination& destination, std::string_view kind);
/// The template of its files' names, with folders.
std::string file_template(const Destination& destination, const FileKind& kind);

/// What is filled in for the tokens of a template.
struct FileTokens {
    std::string part{}; ///< strands or a surface, by the name of its node
    std::string clip{};
    std::string prop{};
    std::string job{};
    std::string variant{};           ///< empty: the job's file is of none with a name
    std::string date = "2000-01-01"; ///< of the delivery that first had this content
    int number = 1;                  ///< of it: counted up when the content changes
};

/// True where the name depends on earlier deliveries.
bool counts_deliveries(const std::string& file_template);

/// A template with its tokens filled in, each made safe for file systems: a file without its suffix, below the
/// delivery's folder, "/" between folders. A Problem names the token that is unknown, or the part that cannot be a
/// name.
Result<std::string> file_stem(const std::string& file_template, const FileTokens& tokens, const FileKind& kind,
                              const Destination& destination);

/// Whether a relative path can be that of a file of ours: below the folder, "/" between plain names.
bool is_plain_path(std::string_view file);

} // namespace wembrix
