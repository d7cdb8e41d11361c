# What a job's script says: what is done, and what has to come of it.
set -u
here=$(cd "$(dirname "${BASH_SOURCE[0]}")" && pwd)
build=$(cd "$1" && pwd)
cli="$build/src/cli/wembrix-cli"
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
failed=0
cd "$work" || exit 1

job() { echo "== $*"; }
# Makes files: Python with what rigs.py has.
make() { PYTHONDONTWRITEBYTECODE=1 PYTHONPATH="$here" python3 -c "from rigs import *
$1" || { echo "  FAIL: the files could not be made"; failed=1; }; }
# A job file: its sources, its steps, its destination's settings, all as Python.
job_file() { python3 - "$@" <<'PY'
import json, sys
name, sources, steps, settings = (sys.argv[1:] + ["{}"])[:4]
destination = {"name": "Quay engine", "root": "root", "joint_names": "^[A-Za-z][A-Za-z0-9_]*$", "up": "+Y",
               "forward": "+Z", "unit_m": 1}
destination.update(eval(settings))
json.dump({"format": "wembrix job", "version": 2, "name": name, "sources": eval(sources), "steps": eval(steps),
           "destinations": [destination]}, open(name + ".wembrix", "w"))
PY
}
# CODE COMMAND…: wembrix with these arguments ends with CODE; what it says is in `said`.
ends() {
    local code=$1
    shift
    "$cli" "$@" > said 2> said.err
    local is=$?
    if [ $is -ne "$code" ]; then
        echo "  FAIL: $* ended with $is and not $code"
        head -5 said said.err | sed 's/^/    /'
        failed=1
    fi
}
# PYTHON: holds of what the last command said as JSON, `d`; files are read with `gltf(name)`.
holds() {
    if ! python3 - "$1" <<'PY'
import glob, json, os, struct, sys
def gltf(name):
    data = open(glob.glob(name)[0], "rb").read()
    return json.loads(data[20:20 + struct.unpack("<I", data[12:16])[0]]) if data[:4] == b"glTF" else json.loads(data)
try:
    d = json.load(open("said"))
except ValueError:
    d = None
text = open("said").read() + open("said.err").read()
def values(name, attribute):
    """The floats of an attribute of the first mesh of a .glb, a row a vertex."""
    data = open(name, "rb").read()
    size = struct.unpack("<I", data[12:16])[0]
    file, start = gltf(name), 20 + size + 8
    accessor = file["accessors"][file["meshes"][0]["primitives"][0]["attributes"][attribute]]
    view = file["bufferViews"][accessor["bufferView"]]
    width = {"VEC2": 2, "VEC3": 3, "VEC4": 4}[accessor["type"]]
    at = start + view.get("byteOffset", 0) + accessor.get("byteOffset", 0)
    step = view.get("byteStride", width * 4)
    return [struct.unpack_from(f"<{width}f", data, at + i * step) for i in range(accessor["count"])]
def arrived():
    return [r["deliverable"] for x in d["deliveries"] for r in x["deliverables"] if r["state"] == "arrived"]
def joints(name):
    file = gltf(name)
    return [file["nodes"][j]["name"] for j in file["skins"][0]["joints"]]
sys.exit(0 if eval(sys.argv[1]) else 1)
PY
    then
        echo "  FAIL: $1"
        failed=1
    fi
}
# What an issue to come brings to this job.
later() { echo "  not yet: $*"; }
done_with_job() { exit $failed; }
