#!/usr/bin/env bash
# Our files held against readers that are not ours: the standard's validator, three.js, Babylon.js, and an engine's importer.
# usage: run.sh BUILD_FOLDER
set -euo pipefail
here=$(cd "$(dirname "$0")" && pwd)
build=$(cd "$1" && pwd)
work=$build/interop
rm -rf "$work"
mkdir -p "$work/js" "$work/ours" "$work/received" "$work/engine"
cp "$here"/*.mjs "$here/package.json" "$here/package-lock.json" "$here/.npmrc" "$work/js/"
(cd "$work/js" && npm ci --silent)

"$build/demo/wembrix-demo-maker" "$work/demo"
"$build/src/cli/wembrix-cli" deliver "$work/demo/tansy.wembrix" --out "$work/delivered" | grep -v "  pass$"
# A body that was built, bound and given another body's take.
"$build/src/cli/wembrix-cli" deliver "$work/demo/sedge.wembrix" --out "$work/sedge" | grep -v "  pass$"
# Every kind of file of a job with hulls, props and clips.
python3 - "$work/demo/tansy.wembrix" "$work/demo/kinds.wembrix" << 'PY'
import json, sys
job = json.load(open(sys.argv[1]))
job["name"] = "kinds"
job["destinations"] = job["destinations"][:1]
job["destinations"][0].update(deliverables=["whole", "clips", "prop", "hulls", "materials"], prop_file="props/{prop}")
job["steps"].append({"step": "make_hulls", "from": "joints", "shape": "capsule"})
json.dump(job, open(sys.argv[2], "w"))
PY
"$build/src/cli/wembrix-cli" deliver "$work/demo/kinds.wembrix" --out "$work/kinds" | grep -v "  pass$"
# Lean files: rounded, with fewer keys, packed in both ways.
for job in tansy market_props stall_lid; do
    python3 - "$work/demo/$job.wembrix" "$work/demo/${job}_lean.wembrix" << 'PY'
import json, sys
job = json.load(open(sys.argv[1]))
plain = job["destinations"][0]
job["destinations"] = [dict(plain, name=way, numbers="rounded", clip_keys="fewest", images="webp",
                            format_options={"glb": {"compression": way}}) for way in ("none", "meshopt", "draco")]
json.dump(job, open(sys.argv[2], "w"))
PY
    "$build/src/cli/wembrix-cli" deliver "$work/demo/${job}_lean.wembrix" --out "$work/lean/$job" | grep -v "  pass$"
done
for container in gltf gltf_embedded; do
    sed "s/\"container\": \"glb\"/\"container\": \"$container\"/" "$work/demo/Lantern_web_view.destination.json" > "$work/$container.json"
    python3 -c 'import json,sys; job=json.load(open(sys.argv[1])); json.dump({"steps": job["steps"]}, open(sys.argv[2], "w"))' \
        "$work/demo/tansy.wembrix" "$work/card.json"
    "$build/src/cli/wembrix-cli" deliver --card "$work/card.json" --destination "$work/$container.json" --out "$work/$container" \
        "$work/demo/tansy_model.glb" "$work/demo/tansy_market.gltf" "$work/demo/market_props.glb" > "$work/$container.log"
done
"$build/tests/wembrix-points" rigs "$work/rigs" "${WEMBRIX_INTEROP_RIGS:-40}"

echo "== a browser"
"$build/src/cli/wembrix-cli" deliver "$work/demo/market_props.wembrix" --out "$work/props" | grep -v "  pass$"
sed 's/"name": "Lantern web view"/"name": "Lantern web view", "pictures": 128, "report": true/' "$work/demo/tansy.wembrix" > "$work/demo/tansy_told.wembrix"
"$build/src/cli/wembrix-cli" deliver "$work/demo/tansy_told.wembrix" --destination "Lantern web view" --out "$work/told" > /dev/null
python3 "$here/report_page.py" "$work/props/Tidewater_runtime" "$work/browser"
python3 "$here/report_page.py" "$work/told" "$work/browser"

echo "== a folder that an engine's project watches"
python3 "$here/engine_folder.py" "$build" "$work/demo" "$work/engine_folder"

echo "== the second reader that the program asks"
"$build/src/cli/wembrix-cli" second-reader "$work"/delivered/Tidewater_runtime/*.glb "$work"/props/Tidewater_runtime/props/*.glb

echo "== the standard's validator"
(cd "$work/js" && node validate.mjs "$work"/delivered/*/*.glb "$work"/kinds/*/*.glb "$work"/kinds/*/props/*.glb "$work"/sedge/*/*.glb "$work"/gltf/*.gltf "$work"/gltf_embedded/*.gltf "$work"/rigs/delivered*.glb $(find "$work/lean" -name '*.glb'))

echo "== three.js"
pairs=()
for file in "$work"/demo/tansy_model.glb "$work"/delivered/*/*.glb "$work"/kinds/*/kinds*.glb "$work"/sedge/*/*.glb "$work"/rigs/*.glb $(find "$work/lean" -name '*.glb'); do
    ours=$work/ours/$(basename "$(dirname "$file")")_$(basename "$file").json
    "$build/tests/wembrix-points" dump "$file" "$ours"
    pairs+=("$file" "$ours")
done
(cd "$work/js" && node three_points.mjs "${pairs[@]}")

# The same by a third reader, the files that are not packed: points and joints at rest and at frames.
third=()
for (( i = 0; i < ${#pairs[@]}; i += 2 )); do
    case ${pairs[i]} in "$work"/lean/*) ;; *) third+=("${pairs[i]}" "${pairs[i + 1]}") ;; esac
done
(cd "$work/js" && node babylon_points.mjs "${third[@]}")

# Packed by others' encoders: read as three.js reads them, vertex by vertex.
(cd "$work/js" && node packed_by_others.mjs "$work/others" "$work"/props/Tidewater_runtime/props/*.glb)
pairs=()
for file in "$work"/others/*.glb; do
    "$build/tests/wembrix-points" dump "$file" "$file.json"
    pairs+=("$file" "$file.json")
done
(cd "$work/js" && node three_points.mjs "${pairs[@]}" && node validate.mjs "$work"/others/*.glb)

# Files made at random: what is in them arrives or stands in the ledger, and moves as it did.
(cd "$work/js" && node conserved.mjs "$build/src/cli/wembrix-cli" "$work/demo/Lantern_web_view.destination.json" "$work/random" \
    0 "${WEMBRIX_RANDOM_FILES:-500}")

# OBJ, by three.js's own reader: files as others write them, and as we do, corner for corner.
"$build/tests/wembrix-points" objs "$work/objs" 200
(cd "$work/js" && node three_obj.mjs "$work/objs")

# USD, text and crate: every layer as another reader understood it, value for value; and posed by three.js.
"$build/tests/wembrix-points" usds "$work/usds" "${WEMBRIX_INTEROP_RIGS:-40}"
sed 's/"container": "glb"/"container": "usdc"/' "$work/demo/tansy.wembrix" > "$work/demo/tansy_usd.wembrix"
"$build/src/cli/wembrix-cli" deliver "$work/demo/tansy_usd.wembrix" --out "$work/usd" | grep -v "  pass$"
# Strands and caches, few of each: the other reader writes them out as text.
python3 - "$work/demo/tansy_strands.wembrix" "$work/demo/strands.wembrix" << 'PY'
import json, sys
job = json.load(open(sys.argv[1]))
job["name"] = "strands"
for step in job["steps"]:
    if step["step"] == "grow_strands":
        step.update(count=60, points=6)
    step.pop("on", None)
    if step["step"] == "cache_strands":
        step["every"] = 40
cache = {"step": "cache_surface", "surface": "post_bag", "clips": ["wade"], "every": 60}
job["steps"] += [cache, {**cache, "as": "textures"}]
job["steps"] += [{**cache, "clips": ["shake_off"], "as": "shapes", "every": 1},
                 {"step": "lines_from_strands", "strands": "bag_fringe"}]
job["steps"] += [{**cache, "clips": ["stand"]}, {**cache, "clips": ["stand"], "as": "textures", "half": True}]
json.dump(job, open(sys.argv[2], "w"))
PY
"$build/src/cli/wembrix-cli" deliver "$work/demo/strands.wembrix" --out "$work/strands" | grep -v "  pass$"
# Cards, lines and shapes are surfaces like any other to the others.
(cd "$work/js" && node validate.mjs "$work"/strands/Tidewater_runtime/strands_{model,post_bag_shake_off_shapes}.glb)
pairs=()
for file in "$work"/strands/Tidewater_runtime/strands_{model,post_bag_shake_off_shapes}.glb; do
    "$build/tests/wembrix-points" dump "$file" "$file.json"
    pairs+=("$file" "$file.json")
done
(cd "$work/js" && node three_points.mjs "${pairs[@]}")
mkdir -p "$work/usd"
cp "$work"/strands/Tidewater_runtime/*.usdc "$work/usd/"
usd_files=("$work"/usds/*.usd[ac] "$work"/usd/strands_*.usdc)
for file in "$work"/usd/*/*.usdc; do
    cp "$file" "$work/usd/$(basename "$(dirname "$file")")_$(basename "$file")"
    usd_files+=("$work/usd/$(basename "$(dirname "$file")")_$(basename "$file")")
done
(cd "$work/js" && node usd_layers.mjs "$work/usd_text" "${usd_files[@]}")
for file in "${usd_files[@]}"; do
    "$build/tests/wembrix-points" usdsame "$file" "$work/usd_text/$(basename "$file").usda" > "$work/usdsame.log" ||
        { echo "$file"; head -5 "$work/usdsame.log"; exit 1; }
done
(cd "$work/js" && node usd_frames.mjs "$work/usds")
(cd "$work/js" && node three_usd_export.mjs "$build/tests/wembrix-points" "$work/three_usd")
for clip in wade stand; do
    (cd "$work/js" && node cache_textures.mjs "$work/strands/Tidewater_runtime/strands_post_bag_${clip}_textures.json" \
        "$work/strands/Tidewater_runtime/strands_model.glb" "$work/usd_text/strands_post_bag_$clip.usdc.usda")
done

# COLLADA, by three.js's own reader: random rigs, and Tansy as she is delivered.
"$build/tests/wembrix-points" daes "$work/daes" "${WEMBRIX_INTEROP_RIGS:-40}"
(cd "$work/js" && node collada_frames.mjs "$work/daes")
(cd "$work/js" && node collada_optics.mjs "$build/src/cli/wembrix-cli" "$work/demo/Lantern_web_view.destination.json" \
    "$work/optics" 0 20 | grep -v "File version")
sed 's/"container": "glb"/"container": "dae"/' "$work/demo/tansy.wembrix" > "$work/demo/tansy_dae.wembrix"
"$build/src/cli/wembrix-cli" deliver "$work/demo/tansy_dae.wembrix" --out "$work/dae" | grep -v "  pass$"

# Tangents against the reference implementation of the standard tangent space, value for value.
(cd "$work/js" && node tangents.mjs "$build/src/cli/wembrix-cli" "$work/demo/Lantern_web_view.destination.json" "$work/tangents")

# BVH, by three.js's own reader: every joint where ours has it.
sed 's/"container": "glb"/"container": "bvh"/' "$work/demo/Lantern_web_view.destination.json" > "$work/bvh.json"
"$build/src/cli/wembrix-cli" deliver --card "$work/card.json" --destination "$work/bvh.json" --out "$work/bvh" \
    "$work/demo/tansy_model.glb" "$work/demo/tansy_market.gltf" "$work/demo/market_props.glb" > "$work/bvh.log"
pairs=()
for file in "$work"/bvh/*.bvh; do
    "$build/tests/wembrix-points" dump "$file" "$file.json"
    pairs+=("$file" "$file.json")
done
(cd "$work/js" && node three_bvh.mjs "${pairs[@]}")

# The whole way, seen by three.js alone: what was received, scaled as the card says, against what was delivered.
# Without the steps that drop joints and strays of weight, which are meant to move points and say how far.
sed 's/"max_influences": 4/"max_influences": 8/' "$work/demo/Lantern_web_view.destination.json" > "$work/eight.json"
python3 -c 'import json,sys; job=json.load(open(sys.argv[1])); json.dump({"steps": [s for s in job["steps"] if s["step"] not in ("remove_joints", "prune_weights")]}, open(sys.argv[2], "w"))' \
    "$work/demo/tansy.wembrix" "$work/journey.json"
sed -i 's/"\^\[A-Za-z\]\[A-Za-z0-9_\]\*\$"/".*"/' "$work/eight.json"
"$build/src/cli/wembrix-cli" deliver --card "$work/journey.json" --destination "$work/eight.json" --out "$work/eight" \
    "$work/demo/tansy_model.glb" "$work/demo/tansy_market.gltf" "$work/demo/market_props.glb" > "$work/eight.log"
(cd "$work/js" && node three_journey.mjs "$work/demo" "$work/eight" 0.01 "$work/demo/tansy.wembrix")

echo "== an engine's importer"
cp "$here"/godot/* "$work/engine/"
for file in "$work"/delivered/Tidewater_runtime/*.glb "$work"/sedge/Tidewater_runtime/*.glb; do
    cp "$file" "$work/engine/"
    "$build/tests/wembrix-points" dump "$file" "$work/engine/$(basename "$file").json"
done
# Loops made by our steps, to be played three times: one blended closed, one that closes by itself, a walk in place.
python3 - "$work/demo/tansy.wembrix" "$work/loops.json" << 'PY'
import json, sys
steps = json.load(open(sys.argv[1]))["steps"]
steps += [{"step": "close_loop", "clip": "shake_off", "mode": "blend", "frames": 10},
          {"step": "extract_root_motion", "clips": ["wade"], "mode": "in_place"},
          {"step": "close_loop", "clip": "wade", "mode": "blend", "frames": 8},
          {"step": "close_loop", "clip": "stand", "mode": "repeat_first"}]
json.dump({"steps": steps}, open(sys.argv[2], "w"))
PY
"$build/src/cli/wembrix-cli" deliver --card "$work/loops.json" --destination "$work/demo/Tidewater_runtime.destination.json" \
    --out "$work/loops" "$work/demo/tansy_model.glb" "$work/demo/tansy_market.gltf" "$work/demo/market_props.glb" > "$work/loops.log"
for clip in stand wade shake_off; do
    file=$work/engine/loop_$clip.glb
    cp "$work/loops/tansy_model_$clip.glb" "$file"
    "$build/tests/wembrix-points" dump "$file" "$file.json"
    python3 -c 'import json,sys; print(*[c["name"] for c in json.load(open(sys.argv[1]))["clips"] if c["loop"] and c["last_frame"] == "the first once more"])' \
        "$work/loops/delivery.json" > "$work/engine/loop_$clip.repeats"
done
# Frame for frame, as we deliver them: by itself the engine would take every second frame and thin them.
for file in "$work"/engine/*.glb; do
    printf '[remap]\n\nimporter="scene"\n\n[params]\n\nanimation/fps=30\nanimation/optimizer/enabled=false\n' > "$file.import"
done
python3 "$here/godot_check.py" ask "$work/engine"
export HOME=$work/home
mkdir -p "$HOME"
wanted=$(ls "$work"/engine/*.glb | wc -l)
# The editor imports, and may then hang when it quits: it is ended with its whole group once the imports are there.
setsid godot3-server --path "$work/engine" --editor --quit > "$work/engine.log" 2>&1 &
editor=$!
for _ in $(seq 1 240); do
    done_now=$(find "$work/engine/.import" -name "*.scn" 2> /dev/null | wc -l || true)
    kill -0 "$editor" 2>/dev/null || break
    if [ "$done_now" -ge "$wanted" ]; then sleep 3; break; fi
    sleep 1
done
{ kill -KILL -- "-$editor" && wait "$editor"; } 2> /dev/null || true
timeout 120 godot3-server --path "$work/engine" -s res://look.gd > "$work/look.log" 2>&1 || true
sed -n 's/^LOOK //p' "$work/look.log" > "$work/look.json"
test -s "$work/look.json" || { tail -20 "$work/engine.log" "$work/look.log"; echo "the engine gave no answer"; exit 1; }
python3 "$here/godot_check.py" "$work/look.json" "$work/engine"
