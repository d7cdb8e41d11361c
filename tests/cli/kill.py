#!/usr/bin/env python3
"""Kills deliveries and saves at random moments: old or new files, whole, every time.

usage: kill.py BUILD_FOLDER [TIMES]
"""
import hashlib
import json
import os
import pathlib
import random
import shutil
import signal
import struct
import subprocess
import sys
import time

build = pathlib.Path(sys.argv[1]).resolve()
times = int(sys.argv[2]) if len(sys.argv) > 2 else 200
cli = build / "src/cli/wembrix-cli"
work = build / "kill-test"
shutil.rmtree(work, ignore_errors=True)
work.mkdir(parents=True)
subprocess.run([build / "demo/wembrix-demo-maker", work], check=True, stdout=subprocess.DEVNULL)
random.seed(2026)


def job(factor, container):
    """Two versions of one job that differ in every byte that is delivered."""
    made = json.loads((work / "market_props.wembrix").read_text())
    made["steps"][1]["factor"] = factor
    made["destinations"] = made["destinations"][:1]
    made["destinations"][0].update(container=container, deliverables=["model", "prop"], prop_file="props/{prop}", pictures=64, report=False)
    return made


def without_counts(path):
    """A file's bytes, but for how many were delivered before it: that differs from one history to another."""
    data = path.read_bytes()
    rest = b""
    if path.suffix == ".glb":
        length = struct.unpack("<I", data[12:16])[0]
        data, rest = data[20:20 + length], data[20 + length:]
    if path.suffix not in (".glb", ".gltf", ".json"):
        return data
    try:
        made = json.loads(data)
    except ValueError:
        return data
    said = made.get("asset", {}).get("extras", {}).get("wembrix", {})
    if "files" in made:
        made["files"] = [row for row in made["files"] if not row["file"].endswith("_before.png")]
    for row in made.get("files", []) + [said]:
        for key in ("number", "replaces"):
            row.pop(key, None)
    for row in made.get("files", []):
        for key in ("bytes", "xxh3_128"):
            row.pop(key, None)
    return json.dumps(made, sort_keys=True).encode() + rest


def files_of(folder):
    found = {}
    for path in sorted(folder.rglob("*")):
        if path.is_file() and not any(part.startswith(".wembrix-") for part in path.parts):
            # The picture before the one that is there depends on what was delivered before.
            if not path.name.endswith((".part", "_before.png")):
                found[str(path.relative_to(folder / "Tidewater_runtime"))] = \
                    hashlib.sha256(without_counts(path)).hexdigest()
    return found


def deliver_to(name, made):
    file = work / f"{name}.wembrix"
    file.write_text(json.dumps(made))
    out = work / f"out_{name}"
    subprocess.run([cli, "deliver", file, "--out", out], check=True, stdout=subprocess.DEVNULL)
    return file, out


failed = 0
killed = 0
writing = 0  # killed while files were being written or put in place


def complain(what):
    global failed
    failed += 1
    print("not so:", what)


def run_and_kill(command, longest):
    """True when it was killed before it ended."""
    global killed
    process = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
    time.sleep(random.uniform(0, longest))
    ended = process.poll() is not None
    if not ended:
        process.send_signal(signal.SIGKILL)
        killed += 1
    process.wait()
    return not ended


def deliver_whole(turn):
    """One delivery makes everything right, and leaves nothing of the dead behind."""
    last = turn % 2
    subprocess.run([cli, "deliver", versions[last][0], "--out", out], check=True, stdout=subprocess.DEVNULL)
    now = files_of(out)
    if now != whole[last]:
        differ = sorted({name for name, _ in set(now.items()) ^ set(whole[last].items())})
        complain(f"{container}, turn {turn}: a whole delivery after killed ones differs from a first one: {differ}")


for container in ("glb", "gltf"):
    versions = [deliver_to(f"{container}_{n}", job(factor, container)) for n, factor in enumerate((0.01, 0.02))]
    whole = [files_of(out) for _, out in versions]
    known = {}
    for version in whole:
        for name, digest in version.items():
            known.setdefault(name, set()).add(digest)
    out = work / f"out_{container}"
    start = time.monotonic()
    subprocess.run([cli, "deliver", versions[0][0], "--out", out], check=True, stdout=subprocess.DEVNULL)
    longest = (time.monotonic() - start) * 1.6
    for turn in range(times // 4):
        run_and_kill([cli, "deliver", versions[turn % 2][0], "--out", out], longest)
        now = files_of(out)
        writing += any(p.name.startswith(".wembrix-") for p in (out / "Tidewater_runtime").iterdir())
        for name, digest in now.items():
            if name != "delivery.json" and digest not in known.get(name, ()):
                complain(f"{container}, turn {turn}: {name} is neither the old nor the new file")
        manifest = json.loads((out / "Tidewater_runtime/delivery.json").read_text())
        listed = {row["file"] for row in manifest["files"]}
        for name in now:
            if name != "delivery.json" and name not in listed:
                complain(f"{container}, turn {turn}: {name} is ours and the manifest does not know it")
        model = next((out / "Tidewater_runtime").glob(f"*_model.{container}"))
        if subprocess.run([cli, "inspect", model], stdout=subprocess.DEVNULL).returncode != 0:
            complain(f"{container}, turn {turn}: {model.name} cannot be read")
        if random.random() < 0.2:
            deliver_whole(random.randrange(2))
    deliver_whole(1)
    litter = [p.name for p in (out / "Tidewater_runtime").iterdir() if p.is_file() and p.name not in whole[1]]
    if litter:
        complain(f"{container}: left behind: {litter}")

# Saving: the job's file is written anew by every list of cuts that is read in.
saved = work / "saved.wembrix"
first = json.loads((work / "tansy.wembrix").read_text())
first["sources"] = [str(work / name) for name in first["sources"]]
lists = []
contents = []
for n in range(2):
    rows = "".join(f"clip_{n}_{k},{k * 10},{k * 10 + 8},no,,{'note ' * 200}\n" for k in range(80))
    path = work / f"cuts_{n}.csv"
    path.write_text("name,first,last,repeats,colour,note\n" + rows)
    saved.write_text(json.dumps(first))
    start = time.monotonic()
    subprocess.run([cli, "cuts", saved, "--from", path], check=True, stdout=subprocess.DEVNULL)
    lists.append(path)
    contents.append(saved.read_bytes())
# The file is put in place early on; what follows is a replay.
longest = (time.monotonic() - start) * 0.7
for turn in range(times - times // 4 * 2):
    run_and_kill([cli, "cuts", saved, "--from", lists[turn % 2]], longest)
    if saved.read_bytes() not in contents:
        complain(f"save, turn {turn}: the job is neither the old nor the new one")

print(f"{killed} of {times} killed before they ended, {writing} of them while writing; {failed} failed")
if killed < times // 3 or writing < times // 20:
    complain("too few were killed in the middle to mean anything")
sys.exit(1 if failed else 0)
