#include "core/formats/gltf/typed_values.h"
#include "core/base/text.h"

#include <algorithm>

namespace wembrix::gltf {

void Taken::number(const char* key, double& value) {
    const auto found = rest_.find(key);
    if (found == rest_.end()) {
        return;
    }
    if (!found->is_number() || !std::isfinite(found->get<double>())) {
        refuse(where_, phrase("\"{}\" is not a number.", key));
    }
    if (found->get<double>() != value) {
        value = found->get<double>();
        rest_.erase(found);
    }
}

void Taken::flag(const char* key, bool& value) {
    const auto found = rest_.find(key);
    if (found == rest_.end()) {
        return;
    }
    if (!found->is_boolean()) {
        refuse(where_, phrase("\"{}\" is neither true nor false.", key));
    }
    if (found->get<bool>() != value) {
        value = found->get<bool>();
        rest_.erase(found);
    }
}

void Taken::text(const char* key, std::string& value) {
    value = text_of(rest_, key);
    if (!value.empty()) {
        rest_.erase(key);
    }
}

void Taken::list(const char* key, std::vector<double>& values) {
    const auto found = rest_.find(key);
    if (found == rest_.end()) {
        return;
    }
    const Json& list = array_of(rest_, key, where_);
    if (list.size() != values.size()) {
        refuse(where_, phrase("\"{}\" has {} numbers where {} are expected.", key, list.size(), values.size()));
    }
    std::vector<double> read;
    for (const Json& one : list) {
        if (!one.is_number() || !std::isfinite(one.get<double>())) {
            refuse(where_, phrase("\"{}\" holds a value that is not a number.", key));
        }
        read.push_back(one.get<double>());
    }
    if (read != values) {
        values = std::move(read);
        rest_.erase(key);
    }
}

bool Taken::choice(const char* key, std::initializer_list<const char*> words, int& place) {
    const auto found = rest_.find(key);
    if (found == rest_.end()) {
        return false;
    }
    const std::string word = text_of(rest_, key);
    const auto* at = std::find(words.begin(), words.end(), word);
    if (at == words.end()) {
        refuse(where_, phrase("\"{}\" is \"{}\", which glTF does not know.", key, word.substr(0, 40)));
    }
    const int read = static_cast<int>(at - words.begin());
    if (read != place) {
        place = read;
        rest_.erase(key);
    }
    return true;
}

Json Taken::object(const char* key) {
    const auto found = rest_.find(key);
    if (found == rest_.end()) {
        return nullptr;
    }
    if (!found->is_object()) {
        refuse(where_, phrase("\"{}\" is not an object.", key));
    }
    Json taken = std::move(*found);
    rest_.erase(found);
    return taken;
}

int Taken::index(const char* key, size_t limit) {
    const int64_t place = index_of(rest_, key, static_cast<int64_t>(limit), where_);
    rest_.erase(key);
    return static_cast<int>(place);
}

Carried Taken::carried(const std::set<std::string>& taken_extensions, Scene& scene, Owner owner) {
    Carried carried = carried_of(rest_, taken_extensions, scene, where_, owner);
    rest_.erase("extras");
    rest_.erase("extensions");
    carried.other = rest_.empty() ? "" : dump(rest_);
    return carried;
}

Given::Given(const Carried& carried) {
    if (!carried.other.empty()) {
        object_ = Json::parse(carried.other);
    }
    if (!carried.extras.empty()) {
        object_["extras"] = Json::parse(carried.extras);
    }
    if (!carried.extensions.empty()) {
        object_["extensions"] = Json::parse(carried.extensions);
    }
}

Json Given::as_json(double value) {
    if (value == std::floor(value) && std::abs(value) < 1e15) {
        return static_cast<int64_t>(value);
    }
    return value;
}

void Given::number(const char* key, double value, double otherwise) {
    if (value != otherwise || object_.contains(key)) {
        object_[key] = as_json(value);
    }
}

void Given::flag(const char* key, bool value, bool otherwise) {
    if (value != otherwise || object_.contains(key)) {
        object_[key] = value;
    }
}

void Given::text(const char* key, const std::string& value) {
    if (!value.empty()) {
        object_[key] = value;
    }
}

void Given::choice(const char* key, std::initializer_list<const char*> words, int place, int otherwise) {
    if (place != otherwise || object_.contains(key)) {
        object_[key] = *(words.begin() + place);
    }
}

} // namespace wembrix::gltf
