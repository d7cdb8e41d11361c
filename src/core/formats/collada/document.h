// A COLLADA file as a tree of elements, with what its elements refer to by id, and its arrays as numbers.
#pragma once

#include "core/base/result.h"
#include "core/scene/scene.h"

#include <filesystem>
#include <map>
#include <memory>
#include <optional>
#include <pugixml.hpp>
#include <set>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

namespace wembrix::collada {

using Element = pugi::xml_node;

/// Rows of a `source`: numbers or words, as its accessor walks through an array.
struct Source {
    size_t width = 0; ///< values a row
    size_t rows = 0;
    std::vector<double> numbers;    ///< width * rows
    std::vector<std::string> words; ///< instead of numbers
    std::vector<std::string> params;
    bool is_ids = false; ///< its words name things by their ids
    [[nodiscard]] const double* row(size_t at) const { return numbers.data() + at * width; }
};

/// An `input`: what of a vertex, and where its values are.
struct Input {
    std::string semantic;
    std::string source; ///< as it stands there, "#id"
    size_t offset = 0;
    size_t set = 0;
};

class Document {
  public:
    /// Parses; fails with one sentence on what is no COLLADA. `bytes` must stay as long as the document.
    static Result<std::shared_ptr<Document>> parse(std::string_view bytes);

    [[nodiscard]] Element root() const { return root_; }
    /// What a reference names; empty where it is not there or in another file.
    [[nodiscard]] Element by_reference(std::string_view reference) const;
    /// The same if it is of that name, else empty.
    [[nodiscard]] Element by_reference(std::string_view reference, const char* name) const;
    /// Null: there is none, or its accessor does not go with its array. Kept for the next time.
    const Source* source(std::string_view reference);
    /// The same of a source that holds numbers; null for one of words.
    const Source* numbers(std::string_view reference) {
        const Source* found = source(reference);
        return found != nullptr && !found->numbers.empty() ? found : nullptr;
    }

  private:
    pugi::xml_document tree_;
    Element root_;
    std::unordered_map<std::string_view, Element> by_id_;
    std::unordered_map<std::string_view, std::unique_ptr<Source>> sources_;
};

/// All numbers of a text; what is none ends the list. "INF" and "NaN" as the schema spells them.
std::vector<double> numbers_in(const char* text);
/// The same for indices; negative ones stay so.
std::vector<int64_t> integers_in(const char* text);
std::vector<std::string> words_in(const char* text);
std::vector<Input> inputs_of(Element element);
/// What a thing is called for people: its name, else its id, else its sid.
std::string name_of(Element element);
/// 16 numbers of a row-major matrix; false where there are not so many.
bool matrix_in(const char* text, Mat4& matrix);

/// What reading fills, and what it has found so far.
struct Reading {
    Document& document;
    std::filesystem::path folder; ///< empty: nothing may be opened
    std::string name;             ///< of the file, without suffix
    size_t points_left = 0;       ///< how many vertices, influences and moved points may still be made
    Scene scene{};
    std::vector<Element> elements{};        ///< of each node, what it was made from
    std::map<std::string, int> materials{}; ///< by id
    std::map<std::string, int> images{};    ///< by id
    std::map<std::string, int> textures{};  ///< by image and wraps
    std::map<int, std::string> morph_of{};  ///< of a node: the id of the controller its shapes came from
    std::map<size_t, int> optics{};         ///< cameras and lights by their elements; -1: one that is left out
    std::set<std::string> said{};           ///< notes that are given once

    void note(const std::string& where, const Text& what) { scene.notes.push_back({where, what, {}}); }
    /// Once for each place and text.
    void note_once(const std::string& where, const Text& what) {
        if (said.insert(where + "\n" + what).second) {
            note(where, what);
        }
    }
    /// Takes so many from what may still be made. False: there are not so many left.
    [[nodiscard]] bool take(size_t count) {
        if (count > points_left) {
            return false;
        }
        points_left -= count;
        return true;
    }
};

} // namespace wembrix::collada
