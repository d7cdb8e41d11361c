#include "core/delivery/made_from.h"

#include "core/base/files.h"
#include "core/base/hasher.h"

#include <algorithm>

namespace wembrix {

MadeFrom made_from(const std::vector<std::string>& source_names, const std::vector<std::string>& source_hashes,
                   const std::vector<Step>& steps) {
    MadeFrom from;
    for (size_t i = 0; i < source_hashes.size(); ++i) {
        from.sources.emplace_back(i < source_names.size() ? source_names[i] : "", source_hashes[i]);
    }
    nlohmann::json card = nlohmann::json::array();
    for (const Step& step : steps) {
        if (step.on) {
            card.push_back(step_to_json(step));
        }
    }
    from.card = hash_of(card.dump());
    return from;
}

std::string hash_of_destination(const Destination& destination) {
    return hash_of(destination_to_json(destination).dump());
}

namespace {

void add(Hasher& hash, const Carried& carried) {
    hash.text(carried.extras);
    hash.text(carried.extensions);
}

void add(Hasher& hash, const Transform& transform) {
    hash.bytes(transform.translation.data(), 3 * sizeof(double));
    hash.bytes(transform.rotation.coeffs().data(), 4 * sizeof(double));
    hash.bytes(transform.scale.data(), 3 * sizeof(double));
}

void add(Hasher& hash, const Mesh& mesh) {
    hash.text(mesh.name);
    hash.array(mesh.positions);
    hash.array(mesh.normals);
    hash.array(mesh.tangents);
    for (const Attribute& attribute : mesh.attributes) {
        hash.text(attribute.name);
        hash.number(attribute.width);
        hash.array(attribute.data);
    }
    hash.array(mesh.indices);
    for (const Part& part : mesh.parts) {
        for (const uint32_t number : {part.first_point, part.point_count, part.first_index, part.index_count}) {
            hash.number(number);
        }
        hash.number(static_cast<int>(part.topology));
        hash.number(part.material);
        hash.number(part.has_normals);
        hash.number(part.has_tangents);
        for (const std::string& name : part.attributes) {
            hash.text(name);
        }
        add(hash, part.carried);
    }
    hash.array(mesh.influences.offsets);
    hash.array(mesh.influences.joints);
    hash.array(mesh.influences.weights);
    for (const Shape& shape : mesh.shapes) {
        hash.text(shape.name);
        hash.array(shape.points);
        hash.array(shape.positions);
        hash.array(shape.normals);
        hash.array(shape.tangents);
    }
    for (const float weight : mesh.shape_weights) {
        hash.number(weight);
    }
    add(hash, mesh.carried);
}

void add(Hasher& hash, const Node& node) {
    hash.text(node.name);
    for (const int number : {node.parent, static_cast<int>(node.kind), node.mesh, node.skin, node.camera}) {
        hash.number(number);
    }
    hash.number(node.scenes);
    for (const float weight : node.shape_weights) {
        hash.number(weight);
    }
    add(hash, node.rest);
    add(hash, node.carried);
}

void add_texts(Hasher& hash, const std::vector<std::string>& texts) {
    hash.number(texts.size());
    for (const std::string& text : texts) {
        hash.text(text);
    }
}

} // namespace

std::string content_of_model(const Scene& prepared, const Destination& destination, const std::string& job_name) {
    Hasher hash;
    hash.text(destination_to_json(destination).dump());
    hash.text(job_name);
    for (const Node& node : prepared.nodes) {
        add(hash, node);
    }
    for (const Mesh& mesh : prepared.meshes) {
        add(hash, mesh);
    }
    for (const Skin& skin : prepared.skins) {
        hash.text(skin.name);
        for (const int joint : skin.joints) {
            hash.number(joint);
        }
        for (const Mat4& bind : skin.inverse_binds) {
            hash.bytes(bind.data(), 16 * sizeof(double));
        }
        add(hash, skin.carried);
    }
    for (const Material& material : prepared.materials) {
        hash.text(material.json);
    }
    for (const Image& image : prepared.images) {
        hash.text(image.json);
        hash.text(image.mime);
        hash.array(image.bytes);
    }
    for (const std::vector<std::string>* texts : {&prepared.textures, &prepared.samplers, &prepared.cameras,
                                                  &prepared.scene_names, &prepared.extensions_required}) {
        add_texts(hash, *texts);
    }
    add(hash, prepared.carried);
    add(hash, prepared.asset);
    hash.text(prepared.copyright);
    return hash.hex();
}

std::string content_of_clip(const Clip& clip, const std::string& model_content) {
    Hasher hash;
    hash.text(model_content);
    hash.text(clip.name);
    hash.number(clip.seconds);
    hash.number(clip.rate);
    hash.number(clip.loop);
    hash.number(clip.last_is_first);
    hash.text(clip.colour);
    add(hash, clip.carried);
    for (const Channel& channel : clip.channels) {
        hash.number(channel.node);
        hash.number(static_cast<int>(channel.path));
        hash.number(static_cast<int>(channel.interpolation));
        hash.number(channel.width);
        // The keys that the clip's frames lie between; times count from its beginning.
        const auto& times = channel.times.get();
        auto first = std::upper_bound(times.begin(), times.end(), static_cast<float>(clip.start_s));
        first = first == times.begin() ? first : first - 1;
        auto last = std::lower_bound(first, times.end(), static_cast<float>(clip.start_s + clip.seconds));
        last = last == times.end() ? last : last + 1;
        for (auto time = first; time != last; ++time) {
            hash.number(static_cast<double>(*time) - clip.start_s);
        }
        const size_t a_key =
            static_cast<size_t>(channel.width) * (channel.interpolation == Interpolation::cubic ? 3 : 1);
        const auto from = static_cast<size_t>(first - times.begin());
        const auto to = static_cast<size_t>(last - times.begin());
        hash.bytes(channel.values.data() + from * a_key, (to - from) * a_key * sizeof(float));
        add(hash, channel.carried);
    }
    return hash.hex();
}

} // namespace wembrix
