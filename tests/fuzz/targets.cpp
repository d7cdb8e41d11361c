#include "targets.h"

#include "core/base/json_file.h"
#include "core/delivery/manifest.h"
#include "core/delivery/reader_claims.h"
#include "core/formats/bvh/bvh.h"
#include "core/formats/collada/collada.h"
#include "core/formats/gltf/gltf.h"
#include "core/formats/image/exr.h"
#include "core/formats/image/pixels.h"
#include "core/formats/obj/obj.h"
#include "core/formats/usd/crate.h"
#include "core/formats/usd/text.h"
#include "core/formats/usd/usd.h"
#include "core/job/cuts.h"
#include "core/job/job.h"
#include "core/job/replay.h"
#include "core/keys/key_layer.h"
#include "core/live/listener_messages.h"
#include "core/measure/skeleton/contract.h"
#include "core/plan/planned_skeleton.h"
#include "core/retarget/joint_map.h"
#include "core/scene/content.h"
#include "core/scene/image_facts.h"
#include "core/steps/strands/density_brush.h"
#include "core/steps/surface/weight_strokes.h"
#include "small_scenes.h"

#include <cstdlib>
#include <filesystem>
#include <fmt/format.h>
#include <fstream>
#include <unistd.h>

namespace wembrix::testing {

namespace {

/// What is written of something that was read is read as the same again.
void require(bool holds) {
    if (!holds) {
        std::abort();
    }
}

std::string hash_of_meshes(const Scene& scene) {
    Hasher hash;
    add_content(hash, scene.meshes);
    return hash.hex();
}

Scene small_character() {
    Scene scene = tower({"root", "hip_l", "hip_r", "head"});
    Mesh& mesh = scene.meshes[0];
    MorphTarget smile;
    smile.name = "smile";
    smile.points = std::vector<uint32_t>{0};
    smile.positions = std::vector<Vec3f>{{0.1F, 0, 0}};
    mesh.shapes = {smile};
    add_nod(scene, "nod", 1, 0.4, true);
    add_nod(scene, "shake", 2, 0.3, false);
    classify_nodes(scene);
    return scene;
}

} // namespace

void fuzz_gltf(const std::string& bytes) {
    (void)read_gltf_bytes(bytes, "/nonexistent", "fuzz");
}

void fuzz_obj(const std::string& bytes) {
    const Result<Scene> scene = read_obj_text(bytes, "fuzz");
    const Result<Scene> by_lines = read_obj_text(bytes, "fuzz", {}, 1);
    require(scene.ok() == by_lines.ok());
    if (scene) {
        require(hash_of_meshes(*scene) == hash_of_meshes(*by_lines));
        (void)write_obj(*scene, "fuzz");
    } else {
        require(scene.problem().sentence() == by_lines.problem().sentence());
    }
}

void fuzz_usd(const std::string& bytes) {
    const Result<usd::Layer> layer =
        usd::is_crate(bytes) ? usd::read_crate(std::make_shared<const std::string>(bytes)) : usd::read_text(bytes);
    if (!layer) {
        return;
    }
    (void)usd::write_text(*layer);
    const std::string packed = usd::write_crate(*layer);
    if (Result<usd::Layer> again = usd::read_crate(std::make_shared<const std::string>(packed))) {
        require(usd::write_crate(*again) == packed);
    }
    if (const Result<Scene> scene = read_usd_bytes(bytes, "fuzz")) {
        (void)write_usd(*scene, "fuzz", {}, false);
    }
}

void fuzz_collada(const std::string& bytes) {
    const Result<Scene> scene = read_collada_bytes(bytes, "fuzz");
    if (!scene) {
        return;
    }
    if (const auto files = write_collada(*scene, "fuzz", {})) {
        require(read_collada_bytes(files->front().bytes, "fuzz").ok());
    }
}

void fuzz_bvh(const std::string& bytes) {
    (void)read_bvh_text(bytes, "fuzz");
}

void fuzz_image(const std::string& bytes) {
    const std::vector<uint8_t> image(bytes.begin(), bytes.end());
    const std::optional<ImageFacts> facts = image_facts(image);
    // Large ones only take the fuzzer's time.
    if (facts && static_cast<uint64_t>(facts->width) * facts->height <= 1U << 16U) {
        if (const Result<Pixels> pixels = decode_image(image)) {
            require(pixels->width == facts->width && pixels->height == facts->height);
            (void)smaller_image(*pixels, (pixels->width + 1) / 2, (pixels->height + 2) / 3);
        }
    }
}

void fuzz_exr(const std::string& bytes) {
    const std::filesystem::path file =
        std::filesystem::temp_directory_path() / fmt::format("wembrix_fuzz_{}.exr", ::getpid());
    std::ofstream(file, std::ios::binary).write(bytes.data(), static_cast<std::streamsize>(bytes.size()));
    if (const Result<ExrImage> image = read_exr(file)) {
        require(image->pixels.size() == size_t{3} * image->size.width * image->size.height);
    }
    std::filesystem::remove(file);
}

void fuzz_strokes(const std::string& bytes) {
    if (const Result<PaintedRows> rows = stroke_from_bytes(bytes)) {
        require(stroke_to_bytes(*rows) == bytes);
    }
    if (const Result<PaintedSurface> surface = surface_from_bytes(bytes)) {
        require(surface_to_bytes(*surface).size() == bytes.size());
    }
    if (const Result<std::vector<float>> density = density_from_bytes(bytes)) {
        require(density_to_bytes(*density) == bytes);
    }
}

void fuzz_job(const std::string& bytes) {
    const Result<nlohmann::json> json = parse_json(bytes, "fuzz");
    if (const Result<Job> job = json ? job_from_json(*json, "fuzz") : Result<Job>(json.problem())) {
        require(job_from_json(job_to_json(*job), "again").ok());
    }
}

void fuzz_card(const std::string& bytes) {
    const Result<nlohmann::json> json = parse_json(bytes, "fuzz");
    if (!json) {
        return;
    }
    if (const Result<std::vector<Step>> card = card_from_json(*json, "fuzz")) {
        for (const Step& step : *card) {
            const Result<Step> again = step_from_json(step_to_json(step));
            require(again.ok() && *again == step);
        }
    }
}

void fuzz_destination(const std::string& bytes) {
    const Result<nlohmann::json> json = parse_json(bytes, "fuzz");
    if (const Result<Destination> destination =
            json ? destination_from_json(*json, "fuzz") : Result<Destination>(json.problem())) {
        require(destination_from_json(destination_to_json(*destination), "again").ok());
    }
}

void fuzz_contract(const std::string& bytes) {
    const Result<nlohmann::json> json = parse_json(bytes, "fuzz");
    if (const Result<Contract> contract = json ? contract_from_json(*json, "fuzz") : Result<Contract>(json.problem())) {
        require(contract_from_json(contract_to_json(*contract), "again").ok());
    }
}

void fuzz_plan(const std::string& bytes) {
    const Result<nlohmann::json> json = parse_json(bytes, "fuzz");
    const Result<Plan> plan = json ? plan_from_json(*json, "fuzz") : Result<Plan>(json.problem());
    if (plan) {
        const Result<Plan> again = plan_from_json(plan_to_json(*plan), "again");
        require(again.ok());
        require(contract_of_plan(*plan).joints.size() <= joint_count(*plan));
        for (const PlanChain& chain : plan->chains) {
            require(plan_from_json(plan_to_json(with_joints(*plan, chain.name, 0)), "fewer").ok());
        }
    }
}

void fuzz_map(const std::string& bytes) {
    const Result<nlohmann::json> json = parse_json(bytes, "fuzz");
    if (const Result<JointMap> map = json ? map_from_json(*json, "fuzz") : Result<JointMap>(json.problem())) {
        require(map_from_json(map_to_json(*map), "again").ok());
    }
}

void fuzz_keys(const std::string& bytes) {
    const Result<nlohmann::json> json = parse_json(bytes, "fuzz");
    const Result<KeyLayer> layer = json ? key_layer_from_json(*json, "fuzz") : Result<KeyLayer>(json.problem());
    if (!layer) {
        return;
    }
    require(key_layer_from_json(key_layer_to_json(*layer), "again").ok());
    for (const KeyedCurve& one : *layer) {
        Curve curve = one.curve;
        for (const double frame : {-1e6, -0.5, 0.0, 1.0, 7.25, 1e6}) {
            (void)value_at(curve, frame);
            (void)slope_at(curve, frame);
        }
        if (is_plain_cubic(curve)) {
            insert_key(curve, 3.5);
        }
        close_curve(curve, 30);
        if (!curve.keys.empty() && curve.keys.back().frame - curve.keys.front().frame < 200) {
            (void)simplified(curve, 0.1);
        }
    }
}

void fuzz_manifest(const std::string& bytes) {
    if (const Result<nlohmann::json> json = parse_json(bytes, "fuzz")) {
        (void)rows_of(*json);
        (void)held_in(*json);
        (void)lists_file(*json, "model.glb");
    }
}

void fuzz_cuts(const std::string& bytes) {
    (void)cuts_from_text(bytes, "fuzz");
    (void)cuts_from_text(bytes, "fuzz", [](const std::string&) { return 29.97; });
    Clip take;
    take.seconds = 1e4;
    take.carried.extras = bytes;
    for (const Cut& range : ranges_inside(take)) {
        require(!range.name.empty() && range.start >= 0 && range.end < take.frames() && range.start < range.end);
    }
}

void fuzz_steps(const std::string& bytes) {
    static const auto character = std::make_shared<const Scene>(small_character());
    const Result<nlohmann::json> json = parse_json(bytes, "fuzz");
    if (!json) {
        return;
    }
    if (Result<std::vector<Step>> card = card_from_json(*json, "fuzz"); card && card->size() <= 4) {
        const Replay made = replay(character, *card);
        // Whatever a card does, each node stands behind its parent and each reference names something.
        const Scene& scene = made.prepared();
        for (size_t n = 0; n < scene.nodes.size(); ++n) {
            require(scene.nodes[n].parent < static_cast<int>(n));
            require(scene.nodes[n].mesh < static_cast<int>(scene.meshes.size()));
            require(scene.nodes[n].skin < static_cast<int>(scene.skins.size()));
        }
        for (const Clip& clip : scene.clips) {
            for (const Channel& channel : clip.channels) {
                require(channel.node >= 0 && channel.node < static_cast<int>(scene.nodes.size()));
            }
        }
    }
}

void fuzz_listener(const std::string& bytes) {
    static const Scene character = small_character();
    const Result<ListenerMessage> message = listener_message(bytes);
    const auto* made = message ? std::get_if<ListenerMade>(&*message) : nullptr;
    if (made != nullptr) {
        require(!claims_of_reader("fuzz", character, made->made).empty());
    }
}

} // namespace wembrix::testing
