// USD layers from a seed: prims of every specifier, attributes of every type with values and samples, lists of edits.
#pragma once

#include "core/formats/usd/layer.h"

#include <random>

namespace wembrix::testing {

class RandomLayer {
  public:
    explicit RandomLayer(uint32_t seed) : random_(seed) {}

    usd::Layer run() {
        usd::Layer layer;
        layer.metadata = {{"defaultPrim", usd::Value::token("p0")}, {"upAxis", usd::Value::token("Y")}};
        layer.metadata.push_back({"metersPerUnit", usd::Value::number(chance() ? 0.01 : drawn(0.1, 10))});
        layer.metadata.push_back({"documentation", usd::Value::string(text())});
        if (chance()) {
            layer.metadata.push_back({"customLayerData", dictionary(0)});
        }
        if (chance()) {
            layer.sublayers = {{"a.usda", "", 0, 1}, {"b.usda", "", 10, 0.5}};
        }
        const int count = between(1, 3);
        for (int i = 0; i < count; ++i) {
            layer.prims.push_back(prim("p" + std::to_string(i), 0));
        }
        return layer;
    }

  private:
    int between(int low, int high) { return std::uniform_int_distribution(low, high)(random_); }
    double drawn(double low, double high) { return std::uniform_real_distribution(low, high)(random_); }
    bool chance() { return between(0, 1) == 1; }

    std::string text() {
        static const char* const texts[] = {"",      "plume",    "a \"quoted\" word", "two\nlines", "back\\slash",
                                            "größe", "tab\there"};
        return texts[between(0, 6)];
    }
    std::string path() {
        static const char* const paths[] = {"/p0", "/p0/c0", "/p1/c1/c0", "/p0.points", "/away/from.here:now"};
        return paths[between(0, 4)];
    }

    usd::Value dictionary(int depth) {
        usd::Dictionary entries;
        const int count = between(0, 3);
        for (int i = 0; i < count; ++i) {
            const std::string name = "key" + std::to_string(i);
            if (depth < 2 && chance()) {
                entries.push_back({name, dictionary(depth + 1)});
            } else {
                entries.push_back({name, value(*usd::type_named(type_name()))});
            }
        }
        return usd::Value(std::move(entries));
    }

    std::string type_name() {
        static const char* const names[] = {
            "bool",   "uchar",   "int",     "uint",    "int64", "uint64", "half",  "float",    "double",   "string",
            "token",  "asset",   "int2",    "int3",    "int4",  "half2",  "half3", "half4",    "float2",   "float3",
            "float4", "double2", "double3", "double4", "quath", "quatf",  "quatd", "matrix2d", "matrix3d", "matrix4d"};
        return std::string(names[between(0, 29)]) + (chance() ? "[]" : "");
    }

    template <typename T> std::vector<T> numbers(size_t count, int style) {
        std::vector<T> all;
        for (size_t i = 0; i < count; ++i) {
            if (style == 0) { // as they are stored inside of a value's own place
                all.push_back(static_cast<T>(between(0, 100)));
            } else if constexpr (std::is_floating_point_v<T>) {
                all.push_back(static_cast<T>(drawn(-1e4, 1e4)));
            } else {
                all.push_back(static_cast<T>(std::uniform_int_distribution<int64_t>(
                    std::is_signed_v<T> ? std::numeric_limits<T>::min() / 2 : 0,
                    static_cast<int64_t>(std::numeric_limits<T>::max() / 2))(random_)));
            }
        }
        return all;
    }

    usd::Value value(usd::Type type) {
        using usd::Kind;
        static constexpr int sizes[] = {0, 1, 3, 15, 16, 17, 100};
        const auto count = static_cast<size_t>(type.is_array ? sizes[between(0, 6)] : 1);
        if (!type.is_number()) {
            std::vector<std::string> texts;
            for (size_t i = 0; i < count; ++i) {
                texts.push_back(type.kind == Kind::asset ? "picture" + std::to_string(between(0, 3)) + ".png" : text());
            }
            return usd::Value(type, std::move(texts));
        }
        const size_t components = count * type.width;
        const int style = between(0, 1);
        const auto made = [&](auto zero) {
            auto all = numbers<decltype(zero)>(components, style);
            return type.is_array ? usd::Value::array(type, std::move(all)) : usd::Value::of(type, std::move(all));
        };
        switch (type.kind) {
        case Kind::boolean: {
            std::vector<uint8_t> all;
            for (size_t i = 0; i < components; ++i) {
                all.push_back(static_cast<uint8_t>(between(0, 1)));
            }
            return type.is_array ? usd::Value::array(type, std::move(all)) : usd::Value::of(type, std::move(all));
        }
        case Kind::uchar:
            return made(uint8_t{});
        case Kind::half: {
            std::vector<uint16_t> all;
            for (size_t i = 0; i < components; ++i) {
                all.push_back(usd::to_half(static_cast<float>(drawn(-100, 100))));
            }
            return type.is_array ? usd::Value::array(type, std::move(all)) : usd::Value::of(type, std::move(all));
        }
        case Kind::int32:
            return made(int32_t{});
        case Kind::uint32:
            return made(uint32_t{});
        case Kind::int64:
            return made(int64_t{});
        case Kind::uint64:
            return made(uint64_t{});
        case Kind::float32:
            return made(float{});
        default:
            return made(double{});
        }
    }

    template <typename Item, typename Make> usd::ListEdit<Item> edits(const Make& make) {
        usd::ListEdit<Item> list;
        const auto some = [&] {
            std::vector<Item> items;
            const int count = between(1, 3);
            for (int i = 0; i < count; ++i) {
                items.push_back(make());
            }
            return items;
        };
        if (chance()) {
            list.is_explicit = true;
            if (chance()) {
                list.items = some();
            }
            return list;
        }
        list.prepended = some();
        if (chance()) {
            list.appended = some();
        }
        if (chance()) {
            list.deleted = some();
        }
        return list;
    }

    usd::Property property(int number) {
        usd::Property one;
        one.name = (chance() ? "primvars:v" : "v") + std::to_string(number);
        one.is_custom = chance();
        if (between(0, 4) == 0) {
            one.is_relationship = true;
            one.has_targets = chance();
            if (one.has_targets) {
                one.targets = edits<std::string>([&] { return path(); });
            }
            return one;
        }
        one.type_name = type_name();
        one.is_uniform = chance();
        const usd::Type type = *usd::type_named(one.type_name);
        one.has_value = chance();
        if (one.has_value && between(0, 9) > 0) {
            one.value = value(type);
        }
        if (!one.is_uniform && chance()) {
            for (int i = 0; i < between(1, 5); ++i) {
                one.samples.push_back({i * 1.5, between(0, 9) > 0 ? value(type) : usd::Value()});
            }
        }
        if (chance()) {
            one.metadata = {{"interpolation", usd::Value::token("vertex")}, {"elementSize", usd::Value::integer(3)}};
        }
        if (between(0, 3) == 0) {
            one.connections = edits<std::string>([&] { return path(); });
        }
        return one;
    }

    usd::Prim prim(const std::string& name, int depth) {
        usd::Prim one;
        one.name = name;
        one.specifier = static_cast<usd::Specifier>(between(0, 2));
        one.type_name = chance() ? "Mesh" : "";
        if (chance()) {
            one.metadata = {{"kind", usd::Value::token("component")}, {"active", usd::Value::truth(chance())}};
            one.metadata.push_back({"customData", dictionary(0)});
        }
        if (chance()) {
            one.api_schemas = edits<std::string>([&] { return std::string("SkelBindingAPI"); });
        }
        if (between(0, 3) == 0) {
            one.references = edits<usd::Reference>([&] {
                return usd::Reference{chance() ? "other.usda" : "", "/p0", chance() ? 10.0 : 0.0, 1};
            });
            one.payloads = edits<usd::Reference>([&] { return usd::Reference{"late.usdc", "/p1", 0, 1}; });
            one.inherits = edits<std::string>([&] { return std::string("/p0"); });
        }
        const int properties = between(0, 6);
        for (int i = 0; i < properties; ++i) {
            one.properties.push_back(property(i));
        }
        if (depth < 2 && between(0, 3) == 0) {
            one.variants = {{"look", "dry"}};
            usd::VariantSet set{"look", {prim("dry", depth + 1), prim("wet", depth + 1)}};
            for (usd::Prim& variant : set.variants) {
                variant.specifier = usd::Specifier::over;
                variant.type_name.clear();
            }
            one.variant_sets.push_back(std::move(set));
        }
        const int children = depth < 3 ? between(0, 2) : 0;
        for (int i = 0; i < children; ++i) {
            one.children.push_back(prim("c" + std::to_string(i), depth + 1));
        }
        return one;
    }

    std::mt19937 random_;
};

} // namespace wembrix::testing
