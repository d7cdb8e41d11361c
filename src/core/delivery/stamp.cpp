#include "core/delivery/stamp.h"

#include <string_view>

namespace wembrix {

using nlohmann::json;

namespace {
constexpr const char* key = "wembrix";

json extras_of(const Carried& carried) {
    json extras = carried.extras.empty() ? json::object() : json::parse(carried.extras, nullptr, false);
    return extras.is_object() ? extras : json();
}

} // namespace

bool is_stamp(const json& said) {
    return said.is_object() && said.value("deliverable", json()).is_string() &&
           said.value("content", json()).is_string();
}

void put_origin(json& to, const Origin& origin) {
    if (!origin.family_id.empty()) {
        to["family"] = {{"id", origin.family_id}, {"name", origin.family}};
        to["variant"] = {{"id", origin.variant_id}, {"name", origin.variant}};
    }
    for (const auto& [key, text] : {std::pair("license", &origin.license), std::pair("credits", &origin.credits)}) {
        if (!text->empty()) {
            to[key] = *text;
        }
    }
}

json stamp_of(const Deliverable& deliverable, const std::string& job_name, const MadeFrom& made_from,
              const Destination& destination) {
    json stamp = {{"job", job_name},
                  {"deliverable", deliverable.id()},
                  {"destination", destination.name},
                  {"number", deliverable.number},
                  {"content", deliverable.content},
                  {"card", made_from.card}};
    put_origin(stamp, made_from.origin);
    if (!deliverable.replaces.empty()) {
        stamp["replaces"] = deliverable.replaces;
    }
    return stamp;
}

Claim stamp_claim(const json& wanted, const json& said) {
    const auto text = [](const json& of) {
        const json id = of.is_object() ? of.value("deliverable", json()) : json();
        return id.is_string() ? id.get<std::string>() : std::string("nothing");
    };
    Claim claim{"Says what it is", text(wanted), text(said), said.is_object(), ""};
    for (const char* key_of : {"deliverable", "destination", "content", "family", "variant", "license", "credits"}) {
        const bool any = std::string_view(key_of) == "content" && !wanted.contains(key_of);
        claim.pass = claim.pass && (any || wanted.value(key_of, json()) == said.value(key_of, json()));
    }
    claim.detail = claim.pass ? "" : "the file says that it is another one, or nothing";
    return claim;
}

bool has_place_for_stamp(const Scene& scene) {
    const json extras = extras_of(scene.asset);
    return extras.is_object() && (!extras.contains(key) || is_stamp(extras[key]));
}

void put_stamp(Scene& scene, const json& stamp) {
    json extras = extras_of(scene.asset);
    extras[key] = stamp;
    scene.asset.extras = extras.dump();
}

json take_stamp(Scene& scene) {
    json extras = extras_of(scene.asset);
    if (!extras.is_object() || !extras.contains(key) || !is_stamp(extras[key])) {
        return {};
    }
    json stamp = extras[key];
    extras.erase(key);
    scene.asset.extras = extras.empty() ? std::string() : extras.dump();
    return stamp;
}

} // namespace wembrix
