#include "core/base/counted.h"
#include "core/base/files.h"
#include "core/base/text.h"
#include "core/formats/bvh/bvh.h"
#include "core/formats/bvh/words.h"
#include "core/math/angles.h"
#include "core/math/axis_turns.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>
#include <limits>
#include <nlohmann/json.hpp>
#include <optional>
#include <unordered_set>

namespace wembrix {

namespace {

using bvh::Bad;
using bvh::Words;

struct BvhJoint {
    std::string name;
    int parent = -1;
    Vec3 offset = Vec3::Zero();
    std::vector<int> channels; ///< 0 to 2: place along X, Y, Z; 3 to 5: turn about them
    size_t first_value = 0;    ///< of its channels in a row of the motion
};

class Reader {
  public:
    Reader(std::string_view text, std::string name) : words_(text), name_(std::move(name)) {}

    Scene run() {
        words_.expect("HIERARCHY");
        words_.expect("ROOT");
        std::string_view word;
        do { // several figures in one file stand one after the other
            read_joints();
            word = words_.next();
        } while (Words::same(word, "ROOT"));
        read_motion(word);
        return make_scene();
    }

  private:
    static constexpr size_t most_joints = 20000;

    [[noreturn]] void fail(const Text& what) const { throw Bad{what, words_.line()}; }

    std::string name_here(const char* what) {
        std::string_view name = words_.rest_of_line();
        opened_ = !name.empty() && name.back() == '{'; // some write it behind the name
        if (opened_) {
            name.remove_suffix(1);
            name = name.substr(0, name.find_last_not_of(" \t") + 1);
        }
        if (name.empty()) {
            fail(fmt::format("a {} has no name", what));
        }
        return in_utf8(name);
    }

    /// Names of old programs are of one byte a letter.
    std::string in_utf8(std::string_view name) {
        // What JSON cannot hold as it is would be replaced: that is what tells.
        std::string text(name);
        if (nlohmann::json::parse(nlohmann::json(text).dump(-1, ' ', false, nlohmann::json::error_handler_t::replace))
                .get<std::string>() == text) {
            return text;
        }
        std::string converted;
        for (const char c : name) {
            const auto byte = static_cast<unsigned char>(c);
            if (byte < 0x80) {
                converted += c;
            } else {
                converted += static_cast<char>(0xC0U | byte >> 6U);
                converted += static_cast<char>(0x80U | (byte & 0x3FU));
            }
        }
        ++converted_names_;
        return converted;
    }

    void begin_joint(const std::string& name, int parent) {
        if (joints_.size() >= most_joints) {
            fail("there are more than 20000 joints");
        }
        BvhJoint joint;
        joint.name = name;
        joint.parent = parent;
        joints_.push_back(joint);
        if (!opened_) {
            words_.expect("{");
        }
    }

    void read_joints() {
        begin_joint(name_here("root"), -1);
        int open = static_cast<int>(joints_.size()) - 1; // the joint that is being read
        while (open >= 0) {
            const std::string_view word = words_.next();
            if (Words::same(word, "OFFSET")) {
                read_offset(joints_[static_cast<size_t>(open)]);
            } else if (Words::same(word, "CHANNELS")) {
                read_channels(joints_[static_cast<size_t>(open)]);
            } else if (Words::same(word, "JOINT")) {
                begin_joint(name_here("joint"), open);
                open = static_cast<int>(joints_.size()) - 1;
            } else if (Words::same(word, "End")) {
                words_.expect("Site");
                read_end(open);
            } else if (word == "}") {
                open = joints_[static_cast<size_t>(open)].parent;
            } else if (word.empty()) {
                fail(fmt::format("the file ends inside \"{}\"", joints_[static_cast<size_t>(open)].name));
            } else {
                fail(fmt::format("\"{}\" is nothing a joint has", Words::some(word)));
            }
        }
    }

    void read_offset(BvhJoint& joint) {
        for (int k = 0; k < 3; ++k) {
            joint.offset[k] = words_.number("a number of an OFFSET");
        }
    }

    void read_end(int parent) {
        BvhJoint end;
        end.name = joints_[static_cast<size_t>(parent)].name + "_end";
        end.parent = parent;
        std::string_view word = words_.next();
        while (!word.empty() && word != "{" && !word.ends_with('{')) {
            word = words_.next(); // some give it a name
        }
        while ((word = words_.next()) != "}") {
            if (Words::same(word, "OFFSET")) {
                read_offset(end);
            } else if (Words::same(word, "CHANNELS") && words_.number("a number of channels") == 0) {
                continue;
            } else {
                fail(word.empty() ? "the file ends inside an End Site"
                                  : fmt::format("\"{}\" is nothing an End Site has", Words::some(word)));
            }
        }
        if (!end.offset.isZero(0) && joints_.size() < most_joints) {
            joints_.push_back(end);
        }
    }

    void read_channels(BvhJoint& joint) {
        if (!joint.channels.empty()) {
            fail(fmt::format("\"{}\" has channels twice", joint.name));
        }
        const double count = words_.number("a number of channels");
        if (count < 0 || count > 6 || count != std::floor(count)) {
            fail(fmt::format("\"{}\" has {:g} channels; there are six at most", joint.name, count));
        }
        constexpr std::string_view known[] = {"Xposition", "Yposition", "Zposition",
                                              "Xrotation", "Yrotation", "Zrotation"};
        for (int i = 0; i < static_cast<int>(count); ++i) {
            const std::string_view word = words_.next();
            const auto* found = std::find_if(std::begin(known), std::end(known),
                                             [&](std::string_view name) { return Words::same(name, word); });
            const auto channel = static_cast<int>(found - std::begin(known));
            if (channel == 6) {
                fail(fmt::format("\"{}\" is no channel; there are Xposition to Zposition and Xrotation to Zrotation",
                                 Words::some(word)));
            }
            if (std::find(joint.channels.begin(), joint.channels.end(), channel) != joint.channels.end()) {
                fail(fmt::format("\"{}\" has {} twice", joint.name, known[channel]));
            }
            joint.channels.push_back(channel);
        }
    }

    /// What stands behind a label and its colon, however they are spaced: "Frames: 3", "Frames:3", "Frames : 3".
    std::string behind(std::string_view label) {
        std::string_view rest = words_.rest_of_line();
        const size_t word = rest.find_first_not_of(" \t");
        rest.remove_prefix(word == std::string_view::npos ? rest.size() : word);
        if (!Words::same(rest.substr(0, label.size()), label)) {
            fail(fmt::format("\"{}\" stands where \"{}\" is expected", Words::some(rest.substr(0, rest.find(' '))),
                             label));
        }
        rest.remove_prefix(label.size());
        const size_t value = rest.find_first_not_of(" \t:");
        return std::string(value == std::string_view::npos ? std::string_view() : rest.substr(value));
    }

    void read_motion(std::string_view word) {
        if (!Words::same(word, "MOTION")) {
            fail(word.empty() ? std::string("there is no MOTION")
                              : fmt::format("\"{}\" stands where MOTION is expected", Words::some(word)));
        }
        words_.to_next_word();
        const std::string said = behind("Frames");
        const std::optional<double> frames = words_.as_number(said);
        if (!frames || *frames < 1 || *frames != std::floor(*frames) || *frames > 1e7) {
            fail(fmt::format("\"{}\" is no number of frames", Words::some(said)));
        }
        words_.to_next_word();
        read_frame_time(behind("Frame Time"));
        for (BvhJoint& joint : joints_) {
            joint.first_value = width_;
            width_ += joint.channels.size();
        }
        frames_ = static_cast<size_t>(*frames);
        // Every value takes a digit and a space at least.
        values_.reserve(std::min(frames_ * width_, words_.left() / 2 + 1));
        while (values_.size() < frames_ * width_) {
            const std::string_view value = words_.next();
            if (value.empty()) {
                break;
            }
            if (const std::optional<double> number = words_.as_number(value)) {
                values_.push_back(*number);
            } else if (is_broken(value)) {
                values_.push_back(values_.size() < width_ ? 0 : values_[values_.size() - width_]);
                ++broken_values_;
            } else {
                fail(fmt::format("\"{}\" stands where a value of the motion is expected", Words::some(value)));
            }
        }
        if (width_ > 0 && values_.size() < frames_ * width_) {
            missing_frames_ = frames_ - values_.size() / width_;
            frames_ = values_.size() / width_;
            values_.resize(frames_ * width_);
        }
        if (frames_ == 0) {
            fail("the file ends before the first frame");
        }
        for (std::string_view more = words_.next(); !more.empty(); more = words_.next()) {
            if (!words_.as_number(more)) {
                fail(fmt::format("\"{}\" stands behind the last of {}", Words::some(more), counted(frames_, "frame")));
            }
            ++values_behind_;
        }
    }

    /// How programs write what is no number: "nan", "-nan(ind)", "1.#QNAN".
    static bool is_broken(std::string_view word) {
        std::string text(word.substr(0, 20));
        std::transform(text.begin(), text.end(), text.begin(), [](unsigned char c) { return std::tolower(c); });
        return text.find("nan") != std::string::npos || text.find("inf") != std::string::npos ||
               text.find('#') != std::string::npos;
    }

    /// A frame time is written with a few digits: of the usual rates, the one that it may stand for.
    void read_frame_time(const std::string& word) {
        const double time = words_.as_number(word).value_or(0);
        if (!(time > 1e-5) || !(time < 100)) {
            fail(fmt::format("\"{}\" is no frame time in seconds", Words::some(word)));
        }
        const size_t point = word.find_first_of(".,");
        const size_t digits =
            point == std::string::npos || word.find_first_of("eE") != std::string::npos ? 0 : word.size() - point - 1;
        const double half = digits == 0 ? 1e-9 : 0.5 * std::pow(10.0, -static_cast<double>(digits));
        double nearest = std::min(half * 1.001, time * 2e-3);
        rate_ = 1 / time;
        for (const double usual : {24.0, 25.0, 30.0, 48.0, 50.0, 60.0, 100.0, 120.0, 240.0}) {
            if (std::abs(1 / usual - time) <= nearest) {
                nearest = std::abs(1 / usual - time);
                rate_ = usual;
            }
        }
    }

    [[nodiscard]] double value(size_t frame, size_t at) const { return values_[frame * width_ + at]; }

    Scene make_scene() {
        Scene scene;
        Clip clip;
        clip.name = name_;
        clip.take = 1;
        clip.rate = rate_;
        clip.seconds = static_cast<double>(frames_ - 1) / rate_;
        std::vector<float> moments(frames_);
        for (size_t f = 0; f < frames_; ++f) {
            moments[f] = static_cast<float>(static_cast<double>(f) / rate_);
        }
        const Shared<float> times(std::move(moments));
        std::unordered_set<std::string> taken;
        for (size_t j = 0; j < joints_.size(); ++j) {
            const BvhJoint& joint = joints_[j];
            Node node;
            node.name = joint.name;
            for (int number = 2; !taken.insert(node.name).second; ++number) {
                node.name = fmt::format("{}_{}", joint.name, number);
            }
            if (node.name != joint.name) {
                scene.notes.push_back(
                    {joint.name, fmt::format("stands twice; the other one is called {}.", node.name)});
            }
            node.parent = joint.parent;
            node.kind = NodeKind::joint;
            node.rest.translation = joint.offset;
            node.identity = static_cast<int64_t>(j) + 1;
            scene.nodes.push_back(std::move(node));
            add_channels(static_cast<int>(j), times, clip, scene);
        }
        scene.clips.push_back(std::move(clip));
        if (converted_names_ > 0) {
            scene.notes.push_back({name_, fmt::format("{} had letters that are not UTF-8; they are read as Latin-1.",
                                                      counted(converted_names_, "name"))});
        }
        const auto note = [&](size_t count, const Text& what) {
            if (count > 0) {
                scene.notes.push_back({name_, what, {}});
            }
        };
        note(missing_frames_, fmt::format("it says {} more than it holds; those that are there are taken.",
                                          counted(missing_frames_, "frame")));
        note(values_behind_,
             fmt::format("{} stand behind its last frame; they are left out.", counted(values_behind_, "number")));
        note(broken_values_,
             fmt::format("{} no numbers; those of the frame before stand in.",
                         broken_values_ == 1 ? "1 value is" : counted(broken_values_, "value") + " are"));
        note(words_.has_commas() ? 1 : 0, "its numbers are written with commas; they are read as points.");
        scene.notes.push_back({name_, "a BVH says no unit: its numbers are taken for metres."});
        return scene;
    }

    /// Some programs write where a joint is, others what is added to its OFFSET. Over the whole take a bone keeps its
    /// length, so that the values are once near the OFFSET or once near nothing. A root has no bone: it goes by the
    /// other joints of the file where they say which, and where that leaves it open a note says what is assumed.
    template <typename Place> bool is_added(int node, Scene& scene, const Place& place) {
        const BvhJoint& joint = joints_[static_cast<size_t>(node)];
        if (joint.offset.isZero(0)) {
            return false;
        }
        double from_nothing = std::numeric_limits<double>::max();
        double from_offset = from_nothing;
        for (size_t f = 0; f < frames_; ++f) {
            const Vec3 at = place(f);
            from_nothing = std::min(from_nothing, at.norm());
            from_offset = std::min(from_offset, (at - joint.offset).norm());
        }
        if (joint.parent < 0) {
            if (const std::optional<bool> others = bones_are_added(); others) {
                return *others;
            }
        }
        const bool added = from_nothing < from_offset;
        if (std::min(from_nothing, from_offset) > 0.3 * std::max(from_nothing, from_offset)) {
            scene.notes.push_back(
                {scene.nodes[static_cast<size_t>(node)].name,
                 fmt::format("its positions are taken {} its OFFSET, {:.3g} away; the file does not "
                             "say which is meant, and the other way it would stand that far off.",
                             added ? "as what is added to" : "for where it is, without", joint.offset.norm())});
        }
        return added;
    }

    /// Whether joints below the root that have positions keep their bones' lengths with the OFFSET added; nothing where
    /// none of them tells.
    [[nodiscard]] std::optional<bool> bones_are_added() const {
        double with = 0;
        double without = 0;
        for (const BvhJoint& joint : joints_) {
            std::array<std::optional<size_t>, 3> places;
            for (size_t c = 0; c < joint.channels.size(); ++c) {
                if (joint.channels[c] < 3) {
                    places[static_cast<size_t>(joint.channels[c])] = joint.first_value + c;
                }
            }
            const double length = joint.offset.norm();
            if (joint.parent < 0 || length < 1e-9 || !places[0] || !places[1] || !places[2]) {
                continue;
            }
            for (size_t f = 0; f < frames_; ++f) {
                const Vec3 at(value(f, *places[0]), value(f, *places[1]), value(f, *places[2]));
                with += std::abs((at + joint.offset).norm() - length) / length;
                without += std::abs(at.norm() - length) / length;
            }
        }
        if (with == without) {
            return std::nullopt;
        }
        return with < without;
    }

    void add_channels(int node, const Shared<float>& times, Clip& clip, Scene& scene) {
        const BvhJoint& joint = joints_[static_cast<size_t>(node)];
        std::vector<size_t> turns;
        std::array<std::optional<size_t>, 3> places;
        for (size_t c = 0; c < joint.channels.size(); ++c) {
            if (joint.channels[c] < 3) {
                places[static_cast<size_t>(joint.channels[c])] = joint.first_value + c;
            } else {
                turns.push_back(c);
            }
        }
        if (places[0] || places[1] || places[2]) {
            const auto place = [&](size_t frame, const Vec3& otherwise) {
                Vec3 at = otherwise;
                for (int k = 0; k < 3; ++k) {
                    at[k] = places[static_cast<size_t>(k)] ? value(frame, *places[static_cast<size_t>(k)]) : at[k];
                }
                return at;
            };
            const bool added = is_added(node, scene, [&](size_t frame) { return place(frame, Vec3::Zero()); });
            std::vector<float> values;
            for (size_t f = 0; f < frames_; ++f) {
                const Vec3 at = added ? Vec3(joint.offset + place(f, Vec3::Zero())) : place(f, joint.offset);
                for (int k = 0; k < 3; ++k) {
                    values.push_back(static_cast<float>(at[k]));
                }
            }
            clip.channels.push_back({node, Path::translation, Interpolation::linear, 3, times, std::move(values), {}});
        }
        if (turns.empty()) {
            return;
        }
        std::vector<float> values;
        Quat last = Quat::Identity();
        for (size_t f = 0; f < frames_; ++f) {
            Quat turn = Quat::Identity();
            for (const size_t c : turns) {
                const double angle = value(f, joint.first_value + c) * radians_per_degree;
                turn = turn * Quat(Eigen::AngleAxisd(angle, Vec3::Unit(joint.channels[c] - 3)));
            }
            turn.normalize();
            if (turn.dot(last) < 0) {
                turn.coeffs() *= -1;
            }
            last = turn;
            for (int k = 0; k < 4; ++k) {
                values.push_back(static_cast<float>(turn.coeffs()[k]));
            }
        }
        clip.channels.push_back({node, Path::rotation, Interpolation::linear, 4, times, std::move(values), {}});
    }

    Words words_;
    bool opened_ = false;
    size_t converted_names_ = 0;
    std::string name_;
    std::vector<BvhJoint> joints_;
    size_t width_ = 0;
    size_t frames_ = 0;
    size_t missing_frames_ = 0;
    size_t values_behind_ = 0;
    size_t broken_values_ = 0;
    double rate_ = 30;
    std::vector<double> values_;
};

} // namespace

Result<Scene> read_bvh_text(std::string_view text, const std::string& name) {
    try {
        return Reader(text, name).run();
    } catch (const Bad& bad) {
        return Problem{bad.what + ".", phrase("{}, line {}", name, bad.line), ""};
    }
}

Result<Scene> read_bvh(const std::filesystem::path& file) {
    const Result<std::string> text = read_file(file);
    if (!text) {
        return text.problem();
    }
    Result<Scene> scene = read_bvh_text(*text, file.stem().string());
    if (!scene) {
        Problem problem = scene.problem();
        const size_t comma = problem.where.rfind(", line ");
        problem.where = file.string() + (comma == std::string::npos ? "" : problem.where.substr(comma));
        return problem;
    }
    return scene;
}

} // namespace wembrix
