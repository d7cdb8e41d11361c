// A scene written and read back, as a delivery is.
#pragma once

#include "core/destination/destination.h"
#include "core/formats/gltf/gltf.h"

#include <gtest/gtest.h>

namespace wembrix::testing {

inline Scene through_a_file(const Scene& scene) {
    const Result<std::vector<WrittenFile>> written = write_glb(scene, "scene");
    EXPECT_TRUE(written.ok()) << (written.ok() ? "" : written.problem().sentence());
    Result<Scene> read = read_gltf_bytes(written->front().bytes, {}, "scene.glb");
    EXPECT_TRUE(read.ok()) << (read.ok() ? "" : read.problem().sentence());
    return read.take();
}

/// A destination that takes joints of any name.
inline Destination any_destination() {
    Destination destination = built_in_destinations()[1];
    destination.joint_names = "^.*$";
    return destination;
}

} // namespace wembrix::testing
