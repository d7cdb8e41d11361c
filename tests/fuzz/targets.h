// What is fuzzed: each takes any bytes at all and ends with something read or one sentence, never more. The fuzzer runs
// them (main.cpp), and the tests run them over the corpus that is kept.
#pragma once

#include <array>
#include <string>
#include <string_view>

namespace wembrix::testing {

void fuzz_gltf(const std::string& bytes);
void fuzz_bvh(const std::string& bytes);
void fuzz_obj(const std::string& bytes);
/// Text and crate: as layers, which come back from what is written of them, and as scenes.
void fuzz_usd(const std::string& bytes);
void fuzz_collada(const std::string& bytes);
void fuzz_job(const std::string& bytes);
void fuzz_card(const std::string& bytes);
void fuzz_destination(const std::string& bytes);
void fuzz_contract(const std::string& bytes);
/// A plan of a skeleton, and the joints that it makes of itself.
void fuzz_plan(const std::string& bytes);
void fuzz_map(const std::string& bytes);
/// A layer of curves, looked at and mended.
void fuzz_keys(const std::string& bytes);
void fuzz_manifest(const std::string& bytes);
void fuzz_cuts(const std::string& bytes);
/// Arrays beside a job: strokes, the surfaces that they were painted on, and painted densities.
void fuzz_strokes(const std::string& bytes);
/// PNG and JPEG.
void fuzz_image(const std::string& bytes);
/// OpenEXR, through a file: its library reads those alone.
void fuzz_exr(const std::string& bytes);
/// A route card over a small scene with joints, weights, shapes and a clip.
void fuzz_steps(const std::string& bytes);
/// What a listener of the live hand-over says, and its answer held against a file.
void fuzz_listener(const std::string& bytes);

struct FuzzTarget {
    std::string_view name; ///< of its corpus folder, too
    void (*run)(const std::string& bytes);
};
inline constexpr std::array<FuzzTarget, 19> fuzz_targets = {{{"gltf", fuzz_gltf},
                                                             {"bvh", fuzz_bvh},
                                                             {"obj", fuzz_obj},
                                                             {"usd", fuzz_usd},
                                                             {"collada", fuzz_collada},
                                                             {"job", fuzz_job},
                                                             {"card", fuzz_card},
                                                             {"destination", fuzz_destination},
                                                             {"contract", fuzz_contract},
                                                             {"plan", fuzz_plan},
                                                             {"map", fuzz_map},
                                                             {"keys", fuzz_keys},
                                                             {"manifest", fuzz_manifest},
                                                             {"cuts", fuzz_cuts},
                                                             {"strokes", fuzz_strokes},
                                                             {"image", fuzz_image},
                                                             {"exr", fuzz_exr},
                                                             {"steps", fuzz_steps},
                                                             {"listener", fuzz_listener}}};

} // namespace wembrix::testing
