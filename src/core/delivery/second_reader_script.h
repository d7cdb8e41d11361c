// What the second reader runs: it opens each imported scene and says what it holds.
#pragma once

namespace wembrix {

inline constexpr const char* second_reader_script = R"gd(extends SceneTree

func _init():
	var result = {}
	var folder = Directory.new()
	folder.open("res://")
	folder.list_dir_begin(true, true)
	var name = folder.get_next()
	while name != "":
		if name.ends_with(".glb") or name.ends_with(".gltf") or name.ends_with(".dae"):
			var packed = load("res://" + name)
			result[name] = null
			if packed:
				var scene = packed.instance()
				get_root().add_child(scene)
				result[name] = describe(scene)
				get_root().remove_child(scene)
				scene.free()
		name = folder.get_next()
	print("ANSWER " + JSON.print(result))
	quit()

func all_below(node, found):
	found.append(node)
	for child in node.get_children():
		all_below(child, found)

func world_of(node):
	var world = Transform()
	while node != null:
		if node is Spatial:
			world = node.transform * world
		node = node.get_parent()
	return world

func describe(root):
	var bones = []
	var clips = []
	var low = null
	var high = null
	var vertices = 0
	var shapes = 0
	var nodes = []
	all_below(root, nodes)
	for node in nodes:
		if node is Skeleton:
			var base = world_of(node)
			var places = []
			for i in node.get_bone_count():
				var parent = node.get_bone_parent(i)
				places.append(node.get_bone_rest(i) if parent < 0 else places[parent] * node.get_bone_rest(i))
				var p = (base * places[i]).origin
				bones.append([p.x, p.y, p.z])
		if node is MeshInstance and node.mesh != null:
			if node.mesh is ArrayMesh:
				shapes += node.mesh.get_blend_shape_count()
			for s in node.mesh.get_surface_count():
				var arrays = node.mesh.surface_get_arrays(s)
				var world = world_of(node) if node.skin == null else Transform()
				vertices += arrays[Mesh.ARRAY_VERTEX].size()
				for v in arrays[Mesh.ARRAY_VERTEX]:
					var p = world * v
					low = p if low == null else Vector3(min(low.x, p.x), min(low.y, p.y), min(low.z, p.z))
					high = p if high == null else Vector3(max(high.x, p.x), max(high.y, p.y), max(high.z, p.z))
		if node is AnimationPlayer:
			for clip in node.get_animation_list():
				clips.append({"name": clip, "seconds": node.get_animation(clip).length})
	var bounds = null if low == null else [[low.x, low.y, low.z], [high.x, high.y, high.z]]
	return {"bones": bones, "clips": clips, "bounds": bounds, "vertices": vertices, "shapes": shapes}
)gd";

} // namespace wembrix
