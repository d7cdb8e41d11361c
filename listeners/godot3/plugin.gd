# A listener of the live hand-over: it imports model and clips into this project, shows the model, says what the import
# made of them, and follows the pose at Wembrix' clock. The protocol is docs/live.md.
tool
extends EditorPlugin

const version = 1
const patience = 2.0 # seconds between tries to join

var client = null
var joined = false
var until_next = 0.0
var coming = null # the file that is on its way
var bytes = PoolByteArray()
var waiting = {} # by path: the file that is being imported
var since = 0.0 # since an import was asked for
var contents = {} # what each content made, for when the connection was lost
var names = []
var shapes = []

var panel
var words
var viewport
var camera
var model = null
var skeleton = null
var last_middle = null # of its joints
var surfaces = {}
var keys = {} # of bones, by what is left of their names
var others = {} # what is posed and no bone: attachment points, props

func _enter_tree():
	panel = VBoxContainer.new()
	panel.rect_min_size = Vector2(0, 300)
	words = Label.new()
	words.text = "Wembrix is not listening: Deliver, Live hand-over."
	panel.add_child(words)
	var holder = ViewportContainer.new()
	holder.stretch = true
	holder.size_flags_vertical = Control.SIZE_EXPAND_FILL
	panel.add_child(holder)
	viewport = Viewport.new()
	viewport.own_world = true
	holder.add_child(viewport)
	camera = Camera.new()
	viewport.add_child(camera)
	var sun = DirectionalLight.new()
	sun.rotation_degrees = Vector3(-40, 30, 0)
	viewport.add_child(sun)
	add_control_to_bottom_panel(panel, "Wembrix live")
	get_editor_interface().get_resource_filesystem().connect("resources_reimported", self, "imported")
	set_process(true)

func _exit_tree():
	leave()
	remove_control_from_bottom_panel(panel)
	panel.queue_free()

func _process(delta):
	if client != null:
		client.poll()
		since += delta
		if not waiting.empty() and since > 1.0 and not get_editor_interface().get_resource_filesystem().is_scanning():
			since = 0.0
			look_for_imports()
		return
	until_next -= delta
	if until_next <= 0:
		until_next = patience
		join()

func meeting():
	var named = OS.get_environment("WEMBRIX_LIVE")
	if named != "":
		return named
	var folder = OS.get_environment("XDG_RUNTIME_DIR")
	return (folder if folder != "" else OS.get_environment("HOME") + "/.cache") + "/wembrix/live.json"

func join():
	var file = File.new()
	if file.open(meeting(), File.READ) != OK:
		return
	var said = JSON.parse(file.get_as_text()).result
	file.close()
	if typeof(said) != TYPE_DICTIONARY or said.get("version") != version:
		words.text = "This add-on and Wembrix speak different versions of the live hand-over."
		return
	client = WebSocketClient.new()
	client.set_buffers(4096, 1024, 1024, 256)
	client.connect("connection_established", self, "greet", [said.token])
	client.connect("data_received", self, "hear")
	client.connect("connection_closed", self, "closed")
	client.connect("connection_error", self, "closed")
	if client.connect_to_url(said.url) != OK:
		client = null

func leave():
	if client != null:
		client.disconnect_from_host()
	client = null

func closed(_clean = false):
	client = null
	joined = false
	coming = null
	words.text = "Not connected."

func tell(message):
	client.get_peer(1).set_write_mode(WebSocketPeer.WRITE_MODE_TEXT)
	client.get_peer(1).put_packet(JSON.print(message).to_utf8())

func greet(_protocol, token):
	tell({"message": "hello", "version": version, "token": token, "name": "Godot " + Engine.get_version_info().string.split("-")[0],
		"project": ProjectSettings.get_setting("application/config/name"), "takes": ["model", "clip"], "has": contents.keys()})

func hear():
	var packet = client.get_peer(1).get_packet()
	if not client.get_peer(1).was_string_packet():
		take_part(packet)
		return
	var said = JSON.parse(packet.get_string_from_utf8()).result
	if typeof(said) != TYPE_DICTIONARY:
		return
	match said.get("message"):
		"welcome":
			joined = true
			words.text = said.job + ", for " + said.destination
		"refused":
			words.text = "Wembrix says: " + said.why
		"file":
			coming = said
			bytes = PoolByteArray()
		"kept":
			tell({"message": "made", "file": said.file, "made": contents[said.content]})
		"joints":
			names = said.names
			shapes = said.shapes
		"pose":
			pose(said)

func is_plain(path):
	return path != "" and not path.begins_with("/") and path.find("..") < 0 and path.find("\\") < 0 and path.find(":") < 0

func take_part(part):
	if coming == null:
		return
	bytes.append_array(part)
	if bytes.size() < coming.bytes:
		tell({"message": "more", "file": coming.file, "from": bytes.size()})
		return
	var file = coming
	coming = null
	if not is_plain(file.file_name):
		tell({"message": "made", "file": file.file, "problem": "its name leads out of the project"})
		return
	var path = "res://" + file.file_name
	Directory.new().make_dir_recursive(path.get_base_dir())
	var out = File.new()
	if not out.file_exists(path + ".import"):
		# Every frame, as it was sent.
		out.open(path + ".import", File.WRITE)
		out.store_string("[remap]\n\nimporter=\"scene\"\n\n[params]\n\nanimation/fps=60\nanimation/optimizer/enabled=false\n")
		out.close()
	if out.open(path, File.WRITE) != OK:
		tell({"message": "made", "file": file.file, "problem": "the project takes no file " + file.file_name})
		return
	out.store_buffer(bytes)
	out.close()
	bytes = PoolByteArray()
	waiting[path] = file
	since = 0.0
	look_for_imports()

func look_for_imports():
	var files = get_editor_interface().get_resource_filesystem()
	if not files.is_scanning():
		files.scan()

func imported(paths):
	for path in paths:
		if not waiting.has(path):
			continue
		var file = waiting[path]
		waiting.erase(path)
		var packed = ResourceLoader.load(path, "", true)
		if packed == null:
			tell({"message": "made", "file": file.file, "problem": "the import failed"})
			continue
		var scene = packed.instance()
		var made = describe(scene)
		contents[file.content] = made
		if file.kind == "model":
			show(scene)
		else:
			scene.free()
		tell({"message": "made", "file": file.file, "made": made})

func all_below(node, found):
	found.append(node)
	for child in node.get_children():
		all_below(child, found)

func world_of(node):
	var world = Transform()
	while node != null and node != viewport:
		if node is Spatial:
			world = node.transform * world
		node = node.get_parent()
	return world

func describe(root):
	var bones = []
	var clips = []
	var low = null
	var high = null
	var count = 0
	var vertices = 0
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
				count += node.mesh.get_blend_shape_count()
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
	return {"bones": bones, "clips": clips, "bounds": bounds, "vertices": vertices, "shapes": count}

func show(scene):
	if model != null:
		model.queue_free()
	var first = model == null
	model = scene
	viewport.add_child(model)
	skeleton = null
	last_middle = null
	surfaces = {}
	others = {}
	var nodes = []
	all_below(model, nodes)
	var box = null
	for node in nodes:
		if node is Skeleton:
			skeleton = node
			keys = {}
			for i in node.get_bone_count():
				keys[key_of(node.get_bone_name(i))] = i
		elif node is Spatial and node != model:
			others[node.name] = node
		if node is MeshInstance and node.mesh != null:
			surfaces[node.name] = node
			var own = world_of(node).xform(node.mesh.get_aabb())
			box = own if box == null else box.merge(own)
	if first and box != null:
		var middle = box.position + box.size / 2
		camera.translation = middle + Vector3(0.75, 0.25, 0.75).normalized() * box.size.length() * 1.3
		camera.look_at_from_position(camera.translation, middle, Vector3(0, 1, 0))

# The import writes names of bones in its own way: small letters, other signs, no zeros before a number.
func key_of(name):
	var key = ""
	for i in name.length():
		var c = name[i].to_lower()
		if (c >= "a" and c <= "z") or (c >= "1" and c <= "9") or (c == "0" and key != "" and key[-1] >= "0" and key[-1] <= "9"):
			key += c
		elif c.ord_at(0) > 127:
			key += c
	return key

func bone_called(name):
	var bone = skeleton.find_bone(name)
	return bone if bone >= 0 else keys.get(key_of(name), -1)

func pose(said):
	if skeleton == null:
		return
	var bones = []
	for i in names.size():
		var bone = bone_called(names[i])
		bones.append(bone)
		if bone < 0 and not others.has(names[i]):
			continue
		var v = said.joints[i]
		var turn = Basis(Quat(v[3], v[4], v[5], v[6]).normalized())
		var local = Transform(turn.x * v[7], turn.y * v[8], turn.z * v[9], Vector3(v[0], v[1], v[2]))
		if bone < 0:
			others[names[i]].transform = local
			continue
		skeleton.set_bone_pose(bone, skeleton.get_bone_rest(bone).affine_inverse() * local)
	var first = 0
	for one in shapes:
		var surface = surfaces.get(one.node)
		for i in one.names.size():
			if surface != null:
				surface.set("blend_shapes/" + one.names[i], said.weights[first + i])
		first += one.names.size()
	var base = world_of(skeleton)
	# The camera goes along with whoever walks away.
	var middle = Vector3()
	for i in skeleton.get_bone_count():
		middle += (base * skeleton.get_bone_global_pose(i)).origin / skeleton.get_bone_count()
	if last_middle != null:
		camera.translation += (middle - last_middle) * Vector3(1, 0, 1)
	last_middle = middle
	if said.has("ask"):
		var places = []
		for i in said.about:
			var bone = bones[i]
			if bone < 0 and not others.has(names[i]):
				places.append(null)
				continue
			var world = base * skeleton.get_bone_global_pose(bone) if bone >= 0 else world_of(others[names[i]])
			places.append([world.origin.x, world.origin.y, world.origin.z])
		tell({"message": "posed", "ask": said.ask, "places": places})
