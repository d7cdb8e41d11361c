// Any text at all: a skeleton and its motion or one sentence. What is read is posed and written again.
#include "core/formats/bvh/bvh.h"
#include "core/measure/skeleton/pose.h"
#include "core/steps/clips/bring_take.h"

#include <cstddef>
#include <cstdint>

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    using namespace wembrix;
    const Result<Scene> scene = read_bvh_text({reinterpret_cast<const char*>(data), size}, "fuzz");
    if (scene) {
        Pose pose;
        Poser(*scene, scene->clips.data()).at(0.1, pose);
        (void)write_bvh(*scene, "fuzz");
        Scene model = *scene;
        model.clips.clear();
        (void)bring_take(model, *scene);
    }
    return 0;
}
