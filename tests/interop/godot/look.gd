# Prints what the engine made of each imported file, as JSON on one line.
extends SceneTree

func _init():
	var result = {}
	var folder = Directory.new()
	folder.open("res://")
	folder.list_dir_begin(true, true)
	var name = folder.get_next()
	while name != "":
		if name.ends_with(".glb"):
			var packed = load("res://" + name)
			result[name] = describe(packed.instance()) if packed else null
		name = folder.get_next()
	print("LOOK " + JSON.print(result))
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
	var nodes = []
	all_below(root, nodes)
	for node in nodes:
		if node is Skeleton:
			var base = world_of(node)
			var places = []
			for i in node.get_bone_count():
				var parent = node.get_bone_parent(i)
				var here = node.get_bone_rest(i) if parent < 0 else places[parent] * node.get_bone_rest(i)
				places.append(here)
			for i in node.get_bone_count():
				var p = (base * places[i]).origin
				bones.append({"name": node.get_bone_name(i), "parent": node.get_bone_parent(i), "at": [p.x, p.y, p.z]})
		if node is MeshInstance and node.mesh != null:
			for s in node.mesh.get_surface_count():
				var arrays = node.mesh.surface_get_arrays(s)
				var world = world_of(node) if node.skin == null else Transform()
				for v in arrays[Mesh.ARRAY_VERTEX]:
					var p = world * v
					low = p if low == null else Vector3(min(low.x, p.x), min(low.y, p.y), min(low.z, p.z))
					high = p if high == null else Vector3(max(high.x, p.x), max(high.y, p.y), max(high.z, p.z))
		if node is AnimationPlayer:
			for clip in node.get_animation_list():
				clips.append({"name": clip, "seconds": node.get_animation(clip).length, "tracks": node.get_animation(clip).get_track_count()})
	var bounds = null if low == null else [[low.x, low.y, low.z], [high.x, high.y, high.z]]
	return {"bones": bones, "clips": clips, "bounds": bounds}
