#include "core/formats/obj/library.h"

#include "core/base/files.h"
#include "core/base/text.h"
#include "core/formats/beside.h"
#include "core/formats/obj/obj_text.h"

#include <algorithm>
#include <cmath>
#include <optional>
#include <set>

namespace wembrix::obj {

namespace fs = std::filesystem;

namespace {

class Library {
  public:
    Library(const std::string& name, const fs::path& folder, Scene& scene,
            std::map<std::string, int, std::less<>>& places)
        : name_(name), folder_(folder), scene_(scene), places_(places) {}

    void read(std::string_view text) {
        Lines lines(text);
        for (std::string_view key = lines.next_line(); !key.empty(); key = lines.next_line()) {
            take(key, lines);
        }
        finish();
        if (!not_taken_.empty()) {
            std::string keys;
            for (const std::string& key : not_taken_) {
                keys += (keys.empty() ? "" : ", ") + key;
            }
            scene_.notes.push_back({name_, phrase("says of its materials what is not taken: {}.", keys), {}});
        }
    }

  private:
    Material& now() { return scene_.materials[static_cast<size_t>(material_)]; }

    void begin(const std::string& name) {
        finish();
        const auto [found, fresh] = places_.try_emplace(name, static_cast<int>(scene_.materials.size()));
        if (fresh) {
            scene_.materials.emplace_back();
            scene_.materials.back().name = name;
        }
        material_ = found->second;
        now().metalness = 0;
        now().roughness = 1;
        shininess_.reset();
        has_roughness_ = false;
        roughness_image_ = metalness_image_ = "";
    }

    void finish() {
        if (material_ < 0) {
            return;
        }
        if (shininess_ && !has_roughness_) {
            // The exponent of a highlight as the roughness of one as wide. (Walter and others, Microfacet Models for
            // Refraction, 2007: alpha^2 = 2 / (n + 2), and glTF's roughness is the root of alpha)
            now().roughness = std::clamp(std::pow(2 / (*shininess_ + 2), 0.25), 0.0, 1.0);
        }
        if (!roughness_image_.empty() || !metalness_image_.empty()) {
            if (roughness_image_ == metalness_image_) {
                now().metalness_roughness_texture = use_of(roughness_image_);
            } else {
                scene_.notes.push_back({name_,
                                        phrase("material “{}” has its roughness and its metalness in images of "
                                               "their own; only one image of both is taken.",
                                               now().name),
                                        {}});
            }
        }
        material_ = -1;
    }

    void take(std::string_view key, Lines& lines) {
        if (key == "newmtl") {
            begin(std::string(lines.rest()));
            return;
        }
        if (material_ < 0) {
            return;
        }
        double value = 0;
        if (key == "Kd") {
            colour(lines, now().base_colour.data());
        } else if (key == "Ke") {
            colour(lines, now().emission.data());
        } else if (key == "d" || key == "Tr") {
            if (lines.number(value)) {
                const double alpha = std::clamp(key == "d" ? value : 1 - value, 0.0, 1.0);
                now().base_colour[3] = alpha;
                now().alpha_mode = alpha < 1 ? AlphaMode::blend : now().alpha_mode;
            }
        } else if (key == "Ns") {
            if (lines.number(value) && value >= 0) {
                shininess_ = value;
            }
        } else if (key == "Pr") {
            has_roughness_ = lines.number(now().roughness);
            now().roughness = std::clamp(now().roughness, 0.0, 1.0);
        } else if (key == "Pm") {
            lines.number(now().metalness);
            now().metalness = std::clamp(now().metalness, 0.0, 1.0);
        } else if (key == "map_Kd") {
            now().base_colour_texture = use(lines);
        } else if (key == "map_Ke") {
            now().emission_texture = use(lines);
            if (now().emission_texture.texture >= 0 && now().emission == std::array<double, 3>{0, 0, 0}) {
                now().emission = {1, 1, 1};
            }
        } else if (key == "norm" || key == "map_Kn") {
            now().normal_texture = use(lines);
        } else if (key == "map_Pr") {
            roughness_image_ = image_name(lines, nullptr);
        } else if (key == "map_Pm") {
            metalness_image_ = image_name(lines, nullptr);
        } else {
            not_taken_.insert(std::string(key.substr(0, 40)));
        }
    }

    static void colour(Lines& lines, double* to) {
        double first = 0;
        if (!lines.number(first)) {
            return; // a spectrum, or other words
        }
        to[0] = to[1] = to[2] = std::clamp(first, 0.0, 1e4);
        for (int part = 1; part < 3; ++part) {
            double value = 0;
            if (!lines.number(value)) {
                return;
            }
            to[part] = std::clamp(value, 0.0, 1e4);
        }
    }

    /// The name behind a map's options; those that move the image go into `use`.
    std::string image_name(Lines& lines, TextureUse* use) {
        std::string_view rest = lines.rest();
        Lines words(rest);
        std::string_view word = words.next_line();
        while (word.size() > 1 && word[0] == '-') {
            const bool moves = word == "-o" || word == "-s" || word == "-t";
            double values[3] = {word == "-s" ? 1.0 : 0.0, word == "-s" ? 1.0 : 0.0, 0};
            int count = 0;
            while (moves && count < 3 && words.number(values[count])) {
                ++count;
            }
            if (!moves) {
                double unused = 0;
                const int numbers = word == "-mm" ? 2 : 1;
                const bool is_number = words.number(unused);
                if (is_number && numbers == 2) {
                    words.number(unused);
                } else if (!is_number) {
                    (void)words.word(); // "on", "off", a channel, a type
                }
            }
            if (use != nullptr && word == "-o") {
                use->offset = {values[0], -values[1]}; // down is up there
            } else if (use != nullptr && word == "-s") {
                use->scale = {values[0], values[1]};
            }
            const std::string_view left = words.rest();
            words = Lines(left);
            rest = left;
            word = words.next_line();
        }
        return std::string(rest);
    }

    TextureUse use(Lines& lines) {
        TextureUse how;
        const std::string name = image_name(lines, &how);
        how.texture = texture_of(name);
        return how;
    }
    TextureUse use_of(const std::string& name) {
        TextureUse how;
        how.texture = texture_of(name);
        return how;
    }

    int texture_of(const std::string& name) {
        if (name.empty()) {
            return -1;
        }
        if (const auto found = textures_.find(name); found != textures_.end()) {
            return found->second;
        }
        int& place = textures_[name];
        place = -1;
        const fs::path file = find_beside(folder_, name);
        if (file.empty()) {
            scene_.notes.push_back(
                {name_,
                 phrase("the image “{}” is not there; it was sought beside the file.", name.substr(0, 200)),
                 {}});
            return -1;
        }
        const Result<std::string> bytes = read_file(file);
        const std::string mime = bytes ? image_type(*bytes) : "";
        if (mime.empty()) {
            scene_.notes.push_back({name_, phrase("the image “{}” is no PNG and no JPEG.", name.substr(0, 200)), {}});
            return -1;
        }
        Image image;
        image.name = file.stem().string();
        image.mime = mime;
        image.bytes = std::vector<uint8_t>(bytes->begin(), bytes->end());
        Texture texture;
        texture.name = image.name;
        texture.image = static_cast<int>(scene_.images.size());
        scene_.images.push_back(std::move(image));
        scene_.beside.push_back(file);
        place = static_cast<int>(scene_.textures.size());
        scene_.textures.push_back(std::move(texture));
        return place;
    }

    const std::string& name_;
    const fs::path& folder_;
    Scene& scene_;
    std::map<std::string, int, std::less<>>& places_;
    std::map<std::string, int> textures_;
    std::set<std::string> not_taken_;
    int material_ = -1;
    std::optional<double> shininess_;
    bool has_roughness_ = false;
    std::string roughness_image_;
    std::string metalness_image_;
};

} // namespace

void read_library(std::string_view text, const std::string& name, const fs::path& folder, Scene& scene,
                  std::map<std::string, int, std::less<>>& places) {
    Library(name, folder, scene, places).read(text);
}

} // namespace wembrix::obj
