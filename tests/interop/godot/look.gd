# Prints what the engine made of each imported file, as JSON on one line.
extends SceneTree

# What to sample of which file: {"file.glb": {"clip": {"at": [seconds], "repeats": bool}}}
var asked = {}

func _init():
	var result = {}
	var file = File.new()
	file.open("res://asked.json", File.READ)
	asked = JSON.parse(file.get_as_text()).result
	file.close()
	var folder = Directory.new()
	folder.open("res://")
	folder.list_dir_begin(true, true)
	var name = folder.get_next()
	while name != "":
		if name.ends_with(".glb"):
			var packed = load("res://" + name)
			if packed:
				var scene = packed.instance()
				get_root().add_child(scene)
				result[name] = describe(scene)
				result[name]["played"] = play_all(scene, asked[name] if asked.has(name) else {})
				get_root().remove_child(scene)
				scene.free()
			else:
				result[name] = null
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
	var shaped = []
	for node in nodes:
		if node is MeshInstance and node.mesh is ArrayMesh and node.mesh.get_blend_shape_count() > 0:
			shaped.append(shapes_of(node))
	var bounds = null if low == null else [[low.x, low.y, low.z], [high.x, high.y, high.z]]
	return {"bones": bones, "clips": clips, "bounds": bounds, "shaped": shaped}

# A mesh with shapes as the engine holds it: base and targets, every fifth vertex. `relative`: targets are differences.
func shapes_of(node):
	var mesh = node.mesh
	var names = []
	for k in mesh.get_blend_shape_count():
		names.append(mesh.get_blend_shape_name(k))
	var base = []
	var targets = []
	for k in names:
		targets.append([])
	var count = 0
	for s in mesh.get_surface_count():
		var rest = mesh.surface_get_arrays(s)[Mesh.ARRAY_VERTEX]
		var shaped = mesh.surface_get_blend_shape_arrays(s)
		for v in rest.size():
			if count % 5 == 0:
				base.append([rest[v].x, rest[v].y, rest[v].z])
				for k in shaped.size():
					var p = shaped[k][Mesh.ARRAY_VERTEX][v]
					targets[k].append([p.x, p.y, p.z])
			count += 1
	return {"surface": node.name, "names": names, "relative": mesh.blend_shape_mode == Mesh.BLEND_SHAPE_MODE_RELATIVE,
		"count": count, "base": base, "targets": targets}

# What every shape weighs now, mesh by mesh.
func weights_now(root):
	var nodes = []
	all_below(root, nodes)
	var result = {}
	for node in nodes:
		if node is MeshInstance and node.mesh is ArrayMesh and node.mesh.get_blend_shape_count() > 0:
			var weights = []
			for k in node.mesh.get_blend_shape_count():
				weights.append(node.get("blend_shapes/" + node.mesh.get_blend_shape_name(k)))
			result[node.name] = weights
	return result

func bones_now(skeleton):
	var base = world_of(skeleton)
	var places = []
	for i in skeleton.get_bone_count():
		places.append((base * skeleton.get_bone_global_pose(i)).origin)
	return places

# The engine's own player: where every bone is at the moments asked for, and, of a clip that repeats, how far any bone
# goes from one sixtieth of a second to the next while it is played three times: inside a round, and across its end.
func play_all(root, clips):
	var nodes = []
	all_below(root, nodes)
	var skeleton = null
	var player = null
	for node in nodes:
		if node is Skeleton:
			skeleton = node
		if node is AnimationPlayer:
			player = node
	var result = {}
	if skeleton == null or player == null:
		return result
	for clip in clips:
		if not player.has_animation(clip):
			continue
		var animation = player.get_animation(clip)
		var at = []
		var weights = []
		player.play(clip)
		for seconds in clips[clip]["at"]:
			player.seek(seconds, true)
			var places = []
			for p in bones_now(skeleton):
				places.append([p.x, p.y, p.z])
			at.append(places)
			weights.append(weights_now(root))
		result[clip] = {"at": at, "weights": weights, "keys": animation.track_get_key_count(0)}
		if clips[clip]["repeats"]:
			animation.loop = true
			player.play(clip)
			player.seek(0, true)
			var before = bones_now(skeleton)
			var inside = 0.0
			var across = 0.0
			var rounds = 0
			var last = player.current_animation_position
			for step in int(3 * animation.length * 60):
				player.advance(1.0 / 60)
				var now = bones_now(skeleton)
				var most = 0.0
				for i in now.size():
					most = max(most, now[i].distance_to(before[i]))
				if player.current_animation_position < last:
					rounds += 1
					across = max(across, most)
				else:
					inside = max(inside, most)
				last = player.current_animation_position
				before = now
			result[clip]["inside"] = inside
			result[clip]["across"] = across
			result[clip]["rounds"] = rounds
		player.stop()
	return result
