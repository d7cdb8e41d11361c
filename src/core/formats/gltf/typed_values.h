// Values that core reads out of a JSON object and writes back, while what stands beside them is carried along.
#pragma once

#include "core/formats/gltf/read_parts.h"

#include <cmath>

namespace wembrix::gltf {

/// An object that is taken apart field by field; what nobody takes is left over.
class Taken {
  public:
    Taken(const Json& object, std::string where) : rest_(object), where_(std::move(where)) {}

    /// Each leaves `value` as it is where the key is missing. A value that is the default all the same stays in what is
    /// left over, so that it is written again.
    void number(const char* key, double& value);
    void flag(const char* key, bool& value);
    void text(const char* key, std::string& value); ///< an empty one is written nowhere
    template <size_t N> void numbers(const char* key, std::array<double, N>& values) {
        std::vector<double> read(values.begin(), values.end());
        list(key, read);
        std::copy(read.begin(), read.end(), values.begin());
    }
    /// One of `words`, by its place; refuses another one. False where the key is missing.
    bool choice(const char* key, std::initializer_list<const char*> words, int& place);
    /// The object under a key, which leaves; null where there is none.
    Json object(const char* key);
    int index(const char* key, size_t limit); ///< -1 where it is missing
    /// What is left: extras and extensions on their own, all else as `other`.
    Carried carried(const std::set<std::string>& taken_extensions, Scene& scene, Owner owner = Owner::other);
    [[nodiscard]] const std::string& where() const { return where_; }

  private:
    void list(const char* key, std::vector<double>& values);
    Json rest_;
    std::string where_;
};

/// The same the other way: begins with what was carried, and sets what differs from its default.
class Given {
  public:
    explicit Given(const Carried& carried);
    void number(const char* key, double value, double otherwise);
    void flag(const char* key, bool value, bool otherwise);
    void text(const char* key, const std::string& value);
    template <size_t N>
    void numbers(const char* key, const std::array<double, N>& values, const std::array<double, N>& otherwise) {
        if (values != otherwise || object_.contains(key)) {
            Json list = Json::array();
            for (const double value : values) {
                list.push_back(as_json(value));
            }
            object_[key] = std::move(list);
        }
    }
    void choice(const char* key, std::initializer_list<const char*> words, int place, int otherwise);
    Json& at(const char* key) { return object_[key]; }
    Json take() { return std::move(object_); }
    /// A whole number is written as one.
    static Json as_json(double value);

  private:
    Json object_ = Json::object();
};

} // namespace wembrix::gltf
