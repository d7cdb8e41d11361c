#include "picture_scenes.h"

#include "core/base/files.h"
#include "core/destination/conform.h"
#include "core/formats/gltf/gltf.h"
#include "core/job/job.h"
#include "tansy_scene.h"

#include <Eigen/LU>
#include <fmt/format.h>

namespace wembrix::app {

namespace {

namespace fs = std::filesystem;

Outcome put(const fs::path& folder, const Result<std::vector<WrittenFile>>& files) {
    if (!files) {
        return files.problem();
    }
    for (const WrittenFile& file : *files) {
        if (Outcome done = write_file_whole(folder / file.name, file.bytes); !done) {
            return done;
        }
    }
    return Done{};
}

Job mended_job(const std::string& name) {
    Job job;
    job.name = name;
    job.sources = {name + "_model.glb", name + "_take.glb"};
    job.destinations = built_in_destinations();
    job.steps = {{"leave_behind", {{"kinds", {"camera", "light"}}, {"names", {"set_floor", "*ik_world"}}}},
                 {"strip_prefix"},
                 {"bake_parent_transforms"},
                 {"scale", {{"factor", 0.01}}},
                 {"make_root", {{"name", "root"}}}};
    return job;
}

/// `takes`: one file each, named as they are.
Result<fs::path> write_all(const fs::path& folder, const Job& job, const Scene& model,
                           const std::vector<std::pair<std::string, Scene>>& takes) {
    std::error_code error;
    fs::create_directories(folder, error);
    if (Outcome done = put(folder, write_glb_unscaled(model, job.name + "_model")); !done) {
        return done.problem();
    }
    for (const auto& [name, take] : takes) {
        if (Outcome done = put(folder, write_glb(take, name)); !done) {
            return done.problem();
        }
    }
    const fs::path file = folder / (job.name + ".wembrix");
    if (Outcome done = write_job(job, file); !done) {
        return done.problem();
    }
    return file;
}

void add_feathers(Scene& model, const std::string& side, double sign) {
    const std::vector<Mat4> world = rest_world(model);
    const int wing = model.find_node("market:tansy_rig:" + side + "Wing_Hand");
    if (wing < 0) {
        return;
    }
    int parent = wing;
    for (int i = 0; i < 120; ++i) {
        Node node;
        node.name = fmt::format("market:tansy_rig:{}Feather_{:02}_{}", side, i / 4 + 1, i % 4 + 1);
        node.parent = i % 4 == 0 ? wing : parent;
        node.kind = NodeKind::joint;
        const double fan = (i / 4) * 0.09;
        node.rest.translation = i % 4 == 0 ? Vec3(sign * 0.4 * fan, 2 + 3 * fan, -1 - 2.2 * fan) : Vec3(0, 0.2, -4.5);
        node.identity = 90000 + static_cast<int64_t>(sign * 1000) + i;
        parent = static_cast<int>(model.nodes.size());
        model.nodes.push_back(node);
    }
    const std::vector<Mat4> now = rest_world(model);
    for (Skin& skin : model.skins) {
        for (size_t n = world.size(); n < model.nodes.size(); ++n) {
            if (model.nodes[n].name.find(side) != std::string::npos) {
                skin.joints.push_back(static_cast<int>(n));
                skin.inverse_binds.emplace_back(now[n].inverse());
            }
        }
    }
}

/// Every key once more, a round later, `rounds` times in all.
void repeat_keys(Clip& clip, int rounds) {
    const double round = clip.seconds + 1 / clip.rate;
    for (Channel& channel : clip.channels) {
        const std::vector<float> times = channel.times.get();
        const std::vector<float> values = channel.values.get();
        std::vector<float> all_times;
        std::vector<float> all_values;
        for (int r = 0; r < rounds; ++r) {
            for (const float time : times) {
                all_times.push_back(static_cast<float>(time + r * round));
            }
            all_values.insert(all_values.end(), values.begin(), values.end());
        }
        channel.times = std::move(all_times);
        channel.values = std::move(all_values);
    }
    clip.seconds = rounds * round - 1 / clip.rate;
}

} // namespace

Result<fs::path> write_feathered_job(const fs::path& folder) {
    Scene model = demo::tansy_model();
    add_feathers(model, "Left", 1);
    add_feathers(model, "Right", -1);
    return write_all(folder, mended_job("feathered"), model, {{"feathered_take", demo::tansy_market_take()}});
}

Result<fs::path> write_long_take_job(const fs::path& folder) {
    Scene take = demo::tansy_market_take();
    constexpr int rounds = 40;
    repeat_keys(take.clips[0], rounds);
    return write_all(folder, mended_job("long_take"), demo::tansy_model(), {{"long_take_take", take}});
}

Result<fs::path> write_forty_takes_job(const fs::path& folder) {
    const Scene market = demo::tansy_market_take();
    constexpr const char* what[] = {"idle", "wade", "lift", "stamp", "shake"};
    Job job = mended_job("forty_takes");
    job.sources.pop_back();
    std::vector<std::pair<std::string, Scene>> takes;
    for (int i = 0; i < 40; ++i) {
        Clip part = market.clips[0];
        part.name = fmt::format("{}_{:02}", what[i / 8], i % 8 + 1);
        part.start_s = i * 0.7;
        part.seconds = (30 + i * 37 % 60) / part.rate;
        Scene take = market;
        take.clips = {bake_clip(market, part, part.rate)};
        job.sources.push_back(part.name + ".glb");
        takes.emplace_back(part.name, std::move(take));
    }
    return write_all(folder, job, demo::tansy_model(), takes);
}

} // namespace wembrix::app
