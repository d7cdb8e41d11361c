"""Small glTF files for the jobs: a figure of a few joints with a box around each, its clips, a prop.

Everything is made here, from code; units and axes are those of the file unless an option says otherwise."""
import base64
import json
import math
import struct


class File:
    """A glTF file in the making: lists of JSON and one buffer."""

    def __init__(self):
        self.json = {"asset": {"version": "2.0"}, "scene": 0, "scenes": [{"nodes": []}], "nodes": [], "meshes": [],
                     "accessors": [], "bufferViews": [], "buffers": []}
        self.bytes = b""

    def accessor(self, rows, kind, component=5126, bounds=False):
        flat = [v for row in rows for v in (row if isinstance(row, (list, tuple)) else [row])]
        code = {5126: "f", 5123: "H", 5125: "I"}[component]
        data = struct.pack("<%d%s" % (len(flat), code), *flat)
        self.bytes += b"\0" * (-len(self.bytes) % 4)
        self.json["bufferViews"].append({"buffer": 0, "byteOffset": len(self.bytes), "byteLength": len(data)})
        self.bytes += data
        one = {"bufferView": len(self.json["bufferViews"]) - 1, "componentType": component, "count": len(rows),
               "type": kind}
        if bounds:
            columns = list(zip(*[row if isinstance(row, (list, tuple)) else [row] for row in rows]))
            packed = lambda v: struct.unpack("<f", struct.pack("<f", v))[0]
            one["min"], one["max"] = [packed(min(c)) for c in columns], [packed(max(c)) for c in columns]
        self.json["accessors"].append(one)
        return len(self.json["accessors"]) - 1

    def node(self, name, parent=None, **more):
        self.json["nodes"].append({"name": name, **more})
        at = len(self.json["nodes"]) - 1
        if parent is None:
            self.json["scenes"][0]["nodes"].append(at)
        else:
            self.json["nodes"][parent].setdefault("children", []).append(at)
        return at

    def mesh(self, name, positions, triangles, extra=None, targets=None):
        primitive = {"attributes": {"POSITION": self.accessor(positions, "VEC3", bounds=True), **(extra or {})},
                     "indices": self.accessor(triangles, "SCALAR", 5125)}
        mesh = {"name": name, "primitives": [primitive]}
        if targets:
            primitive["targets"] = [{"POSITION": self.accessor(t, "VEC3", bounds=True)} for _, t in targets]
            mesh["extras"] = {"targetNames": [n for n, _ in targets]}
        self.json["meshes"].append(mesh)
        return len(self.json["meshes"]) - 1

    def clip(self, name, channels):
        """channels: (node, path, times, rows[, interpolation])"""
        animation = {"name": name, "samplers": [], "channels": []}
        for node, path, times, rows, *how in channels:
            kind = {"rotation": "VEC4", "translation": "VEC3", "scale": "VEC3", "weights": "SCALAR"}[path]
            animation["samplers"].append({"input": self.accessor(times, "SCALAR", bounds=True),
                                          "output": self.accessor(rows, kind), "interpolation": (how or ["LINEAR"])[0]})
            animation["channels"].append({"sampler": len(animation["samplers"]) - 1,
                                          "target": {"node": node, "path": path}})
        self.json.setdefault("animations", []).append(animation)

    def save(self, path):
        self.json["buffers"] = [{"byteLength": len(self.bytes), "uri": "data:application/octet-stream;base64," +
                                 base64.b64encode(self.bytes).decode()}]
        with open(path, "w") as out:
            json.dump(self.json, out)


def turn(axis, degrees):
    half = math.radians(degrees) / 2
    return [math.sin(half) * (axis == c) for c in "xyz"] + [math.cos(half)]


def box(low, high):
    corners = [[x, y, z] for x in (low[0], high[0]) for y in (low[1], high[1]) for z in (low[2], high[2])]
    sides = [(0, 1, 3, 2), (4, 6, 7, 5), (0, 4, 5, 1), (2, 3, 7, 6), (0, 2, 6, 4), (1, 5, 7, 3)]
    return corners, [i for a, b, c, d in sides for i in (a, b, c, a, c, d)]


JOINTS = [("hips", None, (0, 1.0, 0)), ("spine", "hips", (0, 0.3, 0)), ("head", "spine", (0, 0.4, 0)),
          ("thigh_l", "hips", (0.12, 0, 0)), ("foot_l", "thigh_l", (0, -0.9, 0)), ("toe_l", "foot_l", (0, -0.05, 0.2)),
          ("thigh_r", "hips", (-0.12, 0, 0)), ("foot_r", "thigh_r", (0, -0.9, 0)), ("toe_r", "foot_r", (0, -0.05, 0.2))]


def figure(path, prefix="", size=1.0, joints=JOINTS, holder=None, root=None, body="body", only=None, clips=(),
           shape=None, extra=None, yaw=0):
    """A figure of boxes, one a joint. `holder`: a node above the joints with these properties; `root`: a joint of that
    name above all; `only`: boxes of these joints alone; `clips`: functions of (file, places by name); `yaw`: the whole
    turned about up in its data."""
    out = File()
    above = out.node("rig", **holder) if holder else None
    turned = lambda v: (v[0] * math.cos(math.radians(yaw)) + v[2] * math.sin(math.radians(yaw)), v[1],
                        -v[0] * math.sin(math.radians(yaw)) + v[2] * math.cos(math.radians(yaw)))
    at, world = {}, {}
    if root:
        at[root] = out.node(prefix + root, above)
        world[root] = (0, 0, 0)
    for name, parent, offset in joints:
        offset = [size * v for v in turned(offset)]
        at[name] = out.node(prefix + name, at.get(parent, at.get(root, above)), translation=offset)
        world[name] = [a + b for a, b in zip(world.get(parent, (0, 0, 0)), offset)]
    names = list(world)
    points, triangles, held = [], [], []
    for index, name in enumerate(names):
        if name == root or (only is not None and name not in only):
            continue
        r = 0.08 * size
        corners, sides = box([v - r for v in world[name]], [v + r for v in world[name]])
        triangles += [i + len(points) for i in sides]
        held += [index] * len(corners)
        points += corners
    targets = [(shape, [[0.1 * size, 0, 0] if i < 4 else [0, 0, 0] for i in range(len(points))])] if shape else None
    mesh = out.mesh(body, points, triangles,
                    {"JOINTS_0": out.accessor([[h, 0, 0, 0] for h in held], "VEC4", 5123),
                     "WEIGHTS_0": out.accessor([[1, 0, 0, 0]] * len(held), "VEC4")}, targets)
    binds = [[1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, -w[0], -w[1], -w[2], 1] for w in (world[n] for n in names)]
    out.json["skins"] = [{"joints": [at[n] for n in names], "inverseBindMatrices": out.accessor(binds, "MAT4")}]
    out.node(body, mesh=mesh, skin=0)
    for clip in clips:
        clip(out, at)
    if extra:
        extra(out, at)
    out.save(path)


def walk(name="walk", mover="hips", metres=2.0, frames=31, rate=30, size=1.0, start=(0, 1.0, 0)):
    """Legs swing, `mover` goes ahead by `metres`."""
    def add(out, at):
        times = [f / rate for f in range(frames)]
        channels = [(at[mover], "translation", times,
                     [[size * (start[k] + (metres * f / (frames - 1) if k == 2 else 0)) for k in range(3)]
                      for f in range(frames)])]
        for leg, sign in (("thigh_l", 1), ("thigh_r", -1)):
            channels.append((at[leg], "rotation", times,
                             [turn("x", sign * 30 * math.sin(2 * math.pi * f / (frames - 1))) for f in range(frames)]))
        out.clip(name, channels)
    return add


def nod(name, joint="head", degrees=30, times=(0, 0.5, 1.0), there_and_back=True):
    def add(out, at):
        angles = [0, degrees, 0 if there_and_back else 2 * degrees]
        out.clip(name, [(at[joint], "rotation", list(times), [turn("x", a) for a in angles])])
    return add


def bounce(name="bounce", joint="hips"):
    """Up and down on three cubic keys: flat at the top, sharp at the ground, the last is the first once more."""
    def add(out, at):
        rows = []
        for y, before, after in ((1.0, -6.0, 6.0), (1.8, 0.0, 0.0), (1.0, -6.0, 6.0)):
            rows += [[0, before, 0], [0, y, 0], [0, after, 0]]
        times = [0, 0.5, 1.0]
        out.json.setdefault("animations", []).append({
            "name": name,
            "samplers": [{"input": out.accessor(times, "SCALAR", bounds=True), "output": out.accessor(rows, "VEC3"),
                          "interpolation": "CUBICSPLINE"}],
            "channels": [{"sampler": 0, "target": {"node": at[joint], "path": "translation"}}]})
    return add


def floor_and_camera(out, at):
    corners, sides = box([-3, -0.1, -3], [3, 0, 3])
    out.node("floor", mesh=out.mesh("floor", corners, sides))
    out.json["cameras"] = [{"type": "perspective", "perspective": {"yfov": 0.7, "znear": 0.1}}]
    out.node("camera", camera=0)


def sculpt(path, out, lift):
    """The surface of a figure as somebody sculpted it: an OBJ with its vertices in their order, the first `lift` of them
    0.2 higher."""
    file = json.load(open(path))
    data = base64.b64decode(file["buffers"][0]["uri"].split(",")[1])

    def numbers(accessor, code, width):
        one = file["accessors"][accessor]
        view = file["bufferViews"][one["bufferView"]]
        flat = struct.unpack_from("<%d%s" % (one["count"] * width, code), data, view["byteOffset"])
        return [flat[i:i + width] for i in range(0, len(flat), width)]

    primitive = file["meshes"][0]["primitives"][0]
    corners = [i[0] + 1 for i in numbers(primitive["indices"], "I", 1)]
    with open(out, "w") as text:
        for i, (x, y, z) in enumerate(numbers(primitive["attributes"]["POSITION"], "f", 3)):
            text.write("v %r %r %r\n" % (x, y + (0.2 if i < lift else 0), z))
        for i in range(0, len(corners), 3):
            text.write("f %d %d %d\n" % tuple(corners[i:i + 3]))
