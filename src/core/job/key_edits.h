// What keying by hand means for the route card: layers over clips, their keys, clips from nothing.
#pragma once

#include "core/job/job.h"
#include "core/keys/key_layer.h"
#include "core/math/transform.h"

#include <string>
#include <vector>

namespace wembrix {

/// Places on the card of the steps that key a clip, or make it.
std::vector<size_t> key_layers(const Job& job, const std::string& clip);
/// The curves of the step at that place; empty where it is none.
KeyLayer layer_at(const Job& job, size_t place);
/// Puts curves in the place of those that the step has; those without keys go.
void set_layer(Job& job, size_t place, KeyLayer layer);
/// A layer without keys over a clip, at the card's end. Its place.
size_t add_key_layer(Job& job, const std::string& clip, const std::string& name, bool instead);
/// A clip of so many frames without keys, instead of nothing. The place of its step.
size_t add_keyed_clip(Job& job, const std::string& name, int frames, double rate, bool loop);

/// What of a layer is meant: a joint's or shape's curves of one path. Of a shape only the first axis counts.
struct KeyedPath {
    std::string of;
    Path path = Path::rotation;
};
/// The value of all three axes at a frame: 0, and 1 of a scale, where nothing is keyed.
Vec3 keyed_value(const KeyLayer& layer, const KeyedPath& what, double frame);
/// Frames at which any of the axes has a key, ascending.
std::vector<double> keyed_frames(const KeyLayer& layer, const KeyedPath& what);
/// Keys all axes at a frame; a key that is there gets the value and keeps its tangents.
void set_keys(KeyLayer& layer, const KeyedPath& what, double frame, const Vec3& value);
void set_keys(Job& job, size_t place, const KeyedPath& what, double frame, const Vec3& value);
void drop_keys(Job& job, size_t place, const KeyedPath& what, double frame);
void set_tangents(Job& job, size_t place, const KeyedPath& what, double frame, Tangent tangent);
/// Every curve of the layer ends at `last` as it begins, and repeats behind it.
void close_layer(Job& job, size_t place, double last);
/// As few keys as keep every curve within so much: degrees, mm; of scales and weights a hundredth of it.
void simplify_layer(Job& job, size_t place, double tolerance);

} // namespace wembrix
