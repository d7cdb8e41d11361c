#include "core/live/listener_messages.h"

#include "core/base/json_file.h"
#include "core/base/text.h"

#include <cmath>
#include <limits>

namespace wembrix {

using nlohmann::json;

namespace {

constexpr const char* from_listener = "a listener";
constexpr size_t longest_name = 200;
constexpr size_t most_names = 4096;
constexpr size_t most_places = 4096;

Problem wrong(const Text& what) {
    return {"says what cannot be understood: " + what, from_listener, ""};
}

/// The text under `key`, shorter than a line is and without characters that steer; nothing where it is something else.
bool text_from(const json& object, const char* key, std::string& out) {
    const auto found = object.find(key);
    if (found == object.end()) {
        return true;
    }
    if (!found->is_string() || found->get_ref<const std::string&>().size() > longest_name) {
        return false;
    }
    out = found->get<std::string>();
    for (char& c : out) {
        if (static_cast<unsigned char>(c) < 0x20) {
            c = ' ';
        }
    }
    return true;
}

bool names_from(const json& object, const char* key, std::vector<std::string>& out) {
    const auto found = object.find(key);
    if (found == object.end()) {
        return true;
    }
    if (!found->is_array() || found->size() > most_names) {
        return false;
    }
    for (const json& one : *found) {
        if (!one.is_string() || one.get_ref<const std::string&>().size() > longest_name) {
            return false;
        }
        out.push_back(one.get<std::string>());
    }
    return true;
}

bool whole_from(const json& object, const char* key, uint64_t& out) {
    const auto found = object.find(key);
    if (found == object.end()) {
        return false;
    }
    if (found->is_number_unsigned()) {
        out = found->get<uint64_t>();
        return true;
    }
    // Some write every number with a point.
    const double value = found->is_number() ? found->get<double>() : -1;
    if (!(value >= 0 && value <= 9e15) || std::floor(value) != value) {
        return false;
    }
    out = static_cast<uint64_t>(value);
    return true;
}

Result<ListenerMessage> hello_from(const json& said) {
    uint64_t version = 0;
    if (!whole_from(said, "version", version)) {
        return wrong("a hello without a version.");
    }
    if (version != live_version) {
        return Problem{
            phrase("speaks version {} of the live hand-over; this program speaks {}.", version, live_version),
            from_listener, "Take the listener that came with this program."};
    }
    ListenerHello hello;
    if (!text_from(said, "token", hello.token) || !text_from(said, "name", hello.name) ||
        !text_from(said, "project", hello.project) || !text_from(said, "destination", hello.destination) ||
        !names_from(said, "takes", hello.takes) || !names_from(said, "has", hello.has)) {
        return wrong("a part of its hello is no text, or longer than 200 characters.");
    }
    if (hello.name.empty()) {
        return wrong("a hello without a name.");
    }
    if (const auto poses = said.find("poses"); poses != said.end()) {
        if (!poses->is_boolean()) {
            return wrong("“poses” is neither true nor false.");
        }
        hello.poses = poses->get<bool>();
    }
    return ListenerMessage(std::move(hello));
}

} // namespace

Result<ListenerMessage> listener_message(std::string_view text) {
    if (text.size() > longest_listener_message) {
        return wrong(phrase("a message of more than {} MB.", longest_listener_message >> 20));
    }
    const Result<json> parsed = parse_json(std::string(text), from_listener);
    if (!parsed) {
        return parsed.problem();
    }
    const json& said = *parsed;
    if (!said.is_object() || !said.contains("message") || !said["message"].is_string()) {
        return wrong("no message.");
    }
    const auto& kind = said["message"].get_ref<const std::string&>();
    if (kind == "hello") {
        return hello_from(said);
    }
    if (kind == "more") {
        ListenerMore more;
        if (!whole_from(said, "file", more.file) || !whole_from(said, "from", more.from)) {
            return wrong("it asks for more of no file.");
        }
        return ListenerMessage(more);
    }
    if (kind == "made") {
        ListenerMade made;
        if (!whole_from(said, "file", made.file) || !text_from(said, "problem", made.problem)) {
            return wrong("it made something of no file.");
        }
        made.made = said.value("made", json());
        const json seconds = said.value("seconds", json());
        made.seconds = seconds.is_number() && std::isfinite(seconds.get<double>()) ? seconds.get<double>() : 0;
        return ListenerMessage(std::move(made));
    }
    if (kind == "posed") {
        ListenerPosed posed;
        const json places = said.value("places", json());
        if (!whole_from(said, "ask", posed.ask) || !places.is_array() || places.size() > most_places) {
            return wrong("places of no pose.");
        }
        for (const json& place : places) {
            Eigen::Vector3d at = Eigen::Vector3d::Constant(std::numeric_limits<double>::quiet_NaN());
            for (size_t k = 0; place.is_array() && place.size() == 3 && k < 3; ++k) {
                if (place[k].is_number()) {
                    at[static_cast<Eigen::Index>(k)] = place[k].get<double>();
                }
            }
            posed.places.push_back(at);
        }
        return ListenerMessage(std::move(posed));
    }
    return wrong(phrase("no message is called “{}”.", kind.substr(0, 40)));
}

} // namespace wembrix
