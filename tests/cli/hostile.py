#!/usr/bin/env python3
"""Small files made to exhaust memory or time, or to write where they should not: each is taken or refused within
256 MB and 5 s of processor time, and says so in words.

usage: hostile.py BUILD_FOLDER
"""
import base64
import copy
import json
import os
import pathlib
import re
import resource
import shutil
import struct
import subprocess
import sys

build = pathlib.Path(sys.argv[1]).resolve()
cli = build / "src/cli/wembrix-cli"
work = build / "hostile-test"
shutil.rmtree(work, ignore_errors=True)
work.mkdir(parents=True)
subprocess.run([build / "demo/wembrix-demo-maker", work], check=True, stdout=subprocess.DEVNULL)
destination = work / "Lantern_web_view.destination.json"
card = work / "none.card.json"
card.write_text('{"steps": []}')

failed = 0


def complain(what):
    global failed
    failed += 1
    print("not so:", what)


def run(name, *arguments, exits=(0, 1, 2), says=""):
    def limit():
        resource.setrlimit(resource.RLIMIT_CPU, (20, 20))

    process = subprocess.Popen([cli, *arguments], stdout=subprocess.PIPE, stderr=subprocess.STDOUT, preexec_fn=limit)
    said = process.stdout.read().decode(errors="replace")
    _, status, used = os.wait4(process.pid, 0)
    code = os.waitstatus_to_exitcode(status)
    process.returncode = code
    seconds = used.ru_utime + used.ru_stime
    megabytes = used.ru_maxrss / 1024
    if code not in exits:
        complain(f"{name}: ended with {code}: {said[:200]}")
    if megabytes > 256 or seconds > 5:
        complain(f"{name}: took {megabytes:.0f} MB and {seconds:.1f} s")
    if says and not re.search(says, said):
        complain(f"{name}: does not say “{says}”: {said[:300]}")
    return said


def both_ways(name, document=None, **expected):
    file = work / f"{name}.gltf"
    if document is not None:
        file.write_text(json.dumps(document))
    run(f"{name}, inspect", "inspect", file, **expected)
    run(f"{name}, deliver", "deliver", "--card", card, "--destination", destination, "--out", work / f"out_{name}", file)


def embedded(data):
    return "data:application/octet-stream;base64," + base64.b64encode(data).decode()


def surface(vertices=3):
    data = struct.pack("<9f", 0, 0, 0, 1, 0, 0, 0, 1, 0) * (vertices // 3)
    return {
        "asset": {"version": "2.0"},
        "buffers": [{"byteLength": len(data), "uri": embedded(data)}],
        "bufferViews": [{"buffer": 0, "byteLength": len(data)}],
        "accessors": [{"bufferView": 0, "componentType": 5126, "count": vertices, "type": "VEC3",
                       "min": [0, 0, 0], "max": [1, 1, 0]}],
        "meshes": [{"primitives": [{"attributes": {"POSITION": 0}}]}],
        "nodes": [{"mesh": 0, "name": "plank"}],
        "scenes": [{"nodes": [0]}],
    }


def moving(joints, times, values, path, width):
    data = struct.pack(f"<{len(times) + len(values)}f", *times, *values)
    kind = {3: "VEC3", 4: "VEC4"}[width]
    return {
        "asset": {"version": "2.0"},
        "buffers": [{"byteLength": len(data), "uri": embedded(data)}],
        "bufferViews": [{"buffer": 0, "byteLength": 4 * len(times)},
                        {"buffer": 0, "byteOffset": 4 * len(times), "byteLength": 4 * len(values)}],
        "accessors": [{"bufferView": 0, "componentType": 5126, "count": len(times), "type": "SCALAR",
                       "min": [times[0]], "max": [times[-1]]},
                      {"bufferView": 1, "componentType": 5126, "count": len(times), "type": kind}],
        "nodes": [{"name": f"link_{n}", "translation": [0, 0.01, 0], **({"children": [n + 1]} if n + 1 < joints else {})}
                  for n in range(joints)],
        "scenes": [{"nodes": [0]}],
        "skins": [{"joints": list(range(joints))}],
        "animations": [{"name": "sway", "samplers": [{"input": 0, "output": 1}],
                        "channels": [{"sampler": 0, "target": {"node": 0, "path": path}}]}],
    }


picture = b"\x89PNG\r\n\x1a\n" + bytes(200_000)

# Files that name themselves, or one file over and over.
document = surface()
document["buffers"] += [{"byteLength": 36, "uri": "own_buffer.gltf"}] * 4000
document["extras"] = "x" * 100_000
both_ways("own_buffer", document)
document = surface()
document["images"] = [{"uri": "own_picture.gltf", "mimeType": "image/png"}] * 6000
both_ways("own_picture", document)
(work / "picture.png").write_bytes(picture)
document = surface()
document["images"] = [{"uri": "picture.png"}] * 6000
both_ways("one_picture", document)
(work / "big.bin").write_bytes(bytes(200_036))
document = surface()
document["buffers"] = [{"byteLength": 200_036, "uri": "big.bin"}] * 6000
both_ways("one_buffer", document)
document = surface()
document["buffers"].append({"byteLength": len(picture), "uri": embedded(picture)})
document["bufferViews"].append({"buffer": 1, "byteLength": len(picture)})
document["images"] = [{"bufferView": 1, "mimeType": "image/png"}] * 8000
both_ways("one_view", document)

# One surface at very many places, or in very many meshes.
document = surface(3000)
document["nodes"] = [{"mesh": 0}] * 40_000
document["scenes"][0]["nodes"] = list(range(40_000))
both_ways("many_places", document, exits=(2,), says="far more than there are")
document["skins"] = [{"joints": [0]}]
document["nodes"] = [{"name": "held"}] + [{"mesh": 0, "skin": 0}] * 20_000
both_ways("many_places_under_a_skin", document, exits=(2,), says="far more than there are")
document = surface(3000)
document["meshes"] *= 20_000
document["nodes"] = [{"mesh": n} for n in range(20_000)]
document["scenes"][0]["nodes"] = list(range(20_000))
both_ways("many_meshes", document, exits=(2,), says="far more memory")

# A key days away, and a chain as long as a chain may be.
both_ways("late_key", moving(2, [0, 1e6], [0, 0, 0, 1, 0, 0], "translation", 3), exits=(0,), says="no key between 0.000 s")
chain = moving(4000, [0, 1], [0, 0, 0, 1, 0, 0, 0.7071068, 0.7071068], "rotation", 4)
both_ways("chain", chain, exits=(0,), says="4000 joints")
small = work / "small.card.json"
small.write_text(json.dumps({"steps": [{"step": "scale", "factor": 0.04},
                                       {"step": "rename_joints", "rules": [{"find": "link_0$", "replace": "root"}]}]}))
run("chain, made small", "deliver", "--card", small, "--destination", destination, "--out", work / "out_small",
    work / "chain.gltf", exits=(0,))

# A rule that never ends in a matcher that tries every way.
document = surface()
document["nodes"][0]["name"] = "a" * 5000 + "!"
(work / "long_name.gltf").write_text(json.dumps(document))
rule = work / "rule.card.json"
rule.write_text(json.dumps({"steps": [{"step": "rename_surfaces", "what": "surfaces",
                                       "rules": [{"find": "(a+)+$", "replace": "b"}]}]}))
run("endless rule", "deliver", "--card", rule, "--destination", destination, "--out", work / "out_rule",
    work / "long_name.gltf", exits=(1,))
for expression in ("(?=a)", "(a)\\1", "(((a{1000}){1000}){1000})", "("):
    rule.write_text(json.dumps({"steps": [{"step": "rename_surfaces", "rules": [{"find": expression, "replace": ""}]}]}))
    run(f"rule {expression}", "deliver", "--card", rule, "--destination", destination, "--out", work / "out_rule",
        work / "long_name.gltf", exits=(1, 2), says="regular expression")

# Brackets without end, in every file that is JSON.
deep = "[" * 400_000
for name, text in (("deep.wembrix", '{"version": 2, "steps": [{"step": "scale", "factor": ' + deep),
                   ("deep.gltf", '{"asset": {"version": "2.0"}, "extras": ' + deep)):
    (work / name).write_text(text)
    run(name, "inspect", work / name, exits=(2,), says="nested")
(work / "deep.card.json").write_text('{"steps": ' + deep)
(work / "deep.destination.json").write_text('{"version": 2, "name": ' + deep)
run("deep card", "deliver", "--card", work / "deep.card.json", "--destination", destination, "--out", work / "out_deep",
    work / "own_buffer.gltf", exits=(2,), says="nested")
run("deep destination", "deliver", "--card", card, "--destination", work / "deep.destination.json", "--out",
    work / "out_deep", work / "own_buffer.gltf", exits=(2,), says="nested")

# Manifests of the wrong shape: nothing that is there is touched, and nothing falls over.
head = {"format": "wembrix delivery", "version": 2}
for number, manifest in enumerate(({}, [], 7, {**head, "files": 3}, {**head, "files": [3, None, [], {"file": 7}]},
                                   {**head, "files": [{"file": "../../own_buffer.gltf", "xxh3_128": "0"}]},
                                   {**head, "files": [{"file": "x.glb", "deliverable": []}], "held": {"a": 1}, "clips": 5},
                                   {**head, "version": 99})):
    folder = work / f"shape_{number}"
    folder.mkdir()
    (folder / "delivery.json").write_text(json.dumps(manifest))
    (folder / "mine.txt").write_text("mine")
    run(f"manifest {number}", "deliver", "--card", card, "--destination", destination, "--out", folder,
        work / "late_key.gltf", exits=(0, 1, 2))
    if (folder / "mine.txt").read_text() != "mine" or not (work / "own_buffer.gltf").exists():
        complain(f"manifest {number}: took away what is not its own")

# Links planted where our own files pass: what they point at stays as it is.
folder = work / "planted"
folder.mkdir()
precious = work / "precious.txt"
precious.write_text("precious")
for name in ("delivery.json", "late_key_model.glb", ".wembrix-lock"):
    (folder / name).symlink_to(precious)
for pid in range(2, 32768):
    (folder / f"delivery.json.{pid}.part").symlink_to(precious)
run("planted links", "deliver", "--card", card, "--destination", destination, "--out", folder, work / "late_key.gltf")
if precious.read_text() != "precious":
    complain("a planted link was written through")

print(f"hostile files: {'none' if failed == 0 else failed} not as they should be")
sys.exit(1 if failed else 0)
