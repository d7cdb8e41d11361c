#!/usr/bin/env bash
# The command line as a person uses it: what it prints, what it writes, and with which code it ends.
# usage: run.sh BUILD_FOLDER
set -uo pipefail
build=$(cd "$1" && pwd)
cli=$build/src/cli/wembrix-cli
work=$build/cli-test
rm -rf "$work"
mkdir -p "$work"
"$build/demo/wembrix-demo-maker" "$work/demo" > /dev/null
passed=0
failed=0
check() { # NAME CONDITION...
    local name=$1
    shift
    if "$@"; then passed=$((passed + 1)); else failed=$((failed + 1)); echo "not so: $name"; fi
}
ends() { # CODE COMMAND...
    local code=$1
    shift
    "$@" > "$work/out" 2> "$work/err"
    [ $? -eq "$code" ]
}
one_sentence() { [ "$(wc -l < "$work/err")" -eq 1 ] && [ ! -s "$work/out" ]; }
python_says() { python3 -c "import json,sys; d=json.load(open('$work/out')); sys.exit(0 if ($1) else 1)"; }

check "inspect of a file ends with 0" ends 0 "$cli" inspect "$work/demo/tansy_model.glb"
check "inspect as JSON" ends 0 "$cli" inspect "$work/demo/tansy_model.glb" --json
check "its keys" python_says "all(k in d for k in ('joints','roots','height_m','facing','meshes','clips','findings'))"
check "its joints" python_says "len(d['joints']) == 63 and d['joints'][0]['parent'] is None and len(d['roots']) == 2"
check "its meshes" python_says "d['meshes'][0]['max_influences'] == 7 and d['meshes'][0]['vertices'] > 10000 and len(d['meshes'][0]['shapes']) == 5"
check "its findings" python_says "{f['id'] for f in d['findings']} >= {'size','roots','parent_transform','name_prefix','weight_sum','unweighted_joints','empty_shape'} and all(f['step'] or f['no_step'] for f in d['findings'])"
check "a take has its frames" ends 0 "$cli" inspect "$work/demo/tansy_market.gltf" --json
check "900 of them" python_says "d['clips'] and d['clips'][0]['frames'] == 900 and d['clips'][0]['rate'] == 30"
check "inspect of a job" ends 0 "$cli" inspect "$work/demo/tansy.wembrix" --json
check "drift of every step" python_says "all(s['drift_mm'] is not None and s['drift_mm'] < 1.7 for s in d['steps'] if s['step'] != 'prune_weights') and all(50 < s['drift_mm'] < 150 for s in d['steps'] if s['step'] == 'prune_weights') and {f['id'] for f in d['findings']} >= {'influences','open_loop'} and d['roots'] == ['root']"
check "a surface in a pose, for a sculptor" ends 0 "$cli" sculpt "$work/demo/tansy.wembrix" "$work/pose.obj" --surface tansy_body --clip wade --frame 12
check "comes back with every vertex" ends 0 "$cli" inspect "$work/pose.obj" --json
check "and alone" python_says "len(d['meshes']) == 1 and d['meshes'][0]['vertices'] > 15000"
check "a clip that is not there is refused" ends 2 "$cli" sculpt "$work/demo/tansy.wembrix" "$work/no.obj" --surface tansy_body --clip nobody
check "and nothing is written" test ! -e "$work/no.obj"
check "the human form of a job" ends 0 "$cli" inspect "$work/demo/tansy.wembrix"
check "says the clips" grep -q "clip wade: 177 frames at 30 per second" "$work/out"

check "deliver ends with 0" ends 0 "$cli" deliver "$work/demo/tansy.wembrix" --out "$work/all" --json
check "to both destinations" python_says "len(d['deliveries']) == 2 and all(r['state'] == 'arrived' for x in d['deliveries'] for r in x['deliverables'])"
check "every claim holds" python_says "all(c['pass'] for x in d['deliveries'] for r in x['deliverables'] for c in r['claims'])"
check "a folder each" test -f "$work/all/Tidewater_runtime/delivery.json" -a -f "$work/all/Lantern_web_view/tansy_wade.glb"
check "one destination goes right there" ends 0 "$cli" deliver "$work/demo/tansy.wembrix" --destination "Lantern web view" --out "$work/one"
check "right there" test -f "$work/one/delivery.json"
check "the same bytes every time" cmp "$work/one/tansy_shake_off.glb" "$work/all/Lantern_web_view/tansy_shake_off.glb"
TBB_NUM_THREADS=1 taskset -c 0 "$cli" deliver "$work/demo/tansy.wembrix" --destination "Lantern web view" --out "$work/alone" > /dev/null
check "on one core too" cmp "$work/one/tansy_shake_off.glb" "$work/alone/tansy_shake_off.glb"
check "and the manifest" cmp "$work/one/delivery.json" "$work/alone/delivery.json"
check "an unmended job is held with 1" ends 1 "$cli" deliver "$work/demo/tansy_first_look.wembrix" --out "$work/held"
check "and says why" grep -q "161" "$work/out"
check "and writes nothing" test -z "$(ls "$work/held"/*/*.glb 2> /dev/null)"

python3 -c 'import json,sys; job=json.load(open(sys.argv[1])); json.dump({"steps": job["steps"]}, open(sys.argv[2], "w"))' \
    "$work/demo/tansy.wembrix" "$work/card.json"
check "a card instead of a job" ends 0 "$cli" deliver --card "$work/card.json" --destination "$work/demo/Tidewater_runtime.destination.json" \
    --out "$work/carded" "$work/demo/tansy_model.glb" "$work/demo/tansy_market.gltf" "$work/demo/market_props.glb"
check "a card that names what is not there ends with 1" ends 1 "$cli" deliver --card "$work/card.json" \
    --destination "$work/demo/Tidewater_runtime.destination.json" --out "$work/lacking" "$work/demo/tansy_model.glb" "$work/demo/tansy_market.gltf"
check "and says what" grep -q "could not do all: .*props_holder" "$work/out"
check "five clips and a model" test "$(ls "$work/carded"/*.glb | wc -l)" -eq 6
python3 - "$work" <<'PY'
import json, sys
work = sys.argv[1]
d = json.load(open(work + "/demo/Lantern_web_view.destination.json"))
d.update(container="bvh", name="Motion sheet", format_options={"bvh": {"rotation_order": "XYZ"}})
json.dump(d, open(work + "/bvh.destination.json", "w"))
PY
echo '{"steps": []}' > "$work/empty.card.json"
check "a delivery as BVH" ends 0 "$cli" deliver --card "$work/card.json" --destination "$work/bvh.destination.json" \
    --out "$work/bvh" "$work/demo/tansy_model.glb" "$work/demo/tansy_market.gltf" "$work/demo/market_props.glb" --json
check "checked on arrival" python_says "all(r['state'] == 'arrived' and r['drift_mm'] < 0.5 for r in d['deliveries'][0]['deliverables'])"
check "five motions, no model" test "$(ls "$work/bvh"/*.bvh | wc -l)" -eq 5
check "in the order that was asked for" grep -q "Xrotation Yrotation Zrotation" "$work/bvh/tansy_model_wade.bvh"
check "a BVH is inspected" ends 0 "$cli" inspect "$work/bvh/tansy_model_wade.bvh" --json
check "its frames" python_says "d['clips'][0]['frames'] == 177 and d['clips'][0]['rate'] == 30 and len(d['roots']) == 1"
check "its travel and contacts" ends 0 "$cli" takes "$work/bvh/tansy_model_wade.bvh" --json
check "as numbers" python_says "d['takes'][0]['travel']['along_m'] > 0.1"
check "weights of a job" ends 0 "$cli" weights "$work/demo/tansy.wembrix" --json
check "counted, with what is over each destination's limit" python_says \
    "all(sum(s['influences']) == s['vertices'] and s['sums_off'] == 0 for s in d['surfaces']) and sum(s['over_limit']['Tidewater runtime'] for s in d['surfaces']) == sum(sum(s['influences'][5:]) for s in d['surfaces']) > 0"
check "of one joint" ends 0 "$cli" weights "$work/demo/tansy.wembrix" --joint leg_shank_l
check "of no joint" ends 2 "$cli" weights "$work/demo/tansy.wembrix" --joint nobody
check "its shapes" ends 0 "$cli" shapes "$work/demo/tansy.wembrix" --json
check "in order, each with its reach" python_says \
    "[s['shape'] for s in d['shapes']][:2] == ['throat_puff', 'breath'] and all(s['reach_mm'] > 0 and s['keyed_in'] for s in d['shapes'])"
python3 - "$work/demo/tansy.wembrix" "$work/demo/crest.wembrix" << 'PYTHON'
import json, sys
job = json.load(open(sys.argv[1]))
at = [step["step"] for step in job["steps"]].index("split_take")
job["steps"][at:at] = [
    {"step": "strand_region", "name": "crest", "surface": "tansy_body", "material": "plumes"},
    {"step": "strand_guides", "strands": "crest", "spread": 12, "length_mm": 140, "lean_deg": 80},
    {"step": "grow_strands", "strands": "crest", "count": 400, "clumps": 18},
    {"step": "bind_strands", "strands": "crest"}]
for destination in job["destinations"]:
    destination["container"] = "usdc"
json.dump(job, open(sys.argv[2], "w"))
PYTHON
check "its strands" ends 0 "$cli" strands "$work/demo/crest.wembrix" --json
check "rooted on her, and they stay so" python_says \
    "[(s['guides'], s['surface'], round(s['widths_mm'][1], 4)) for s in d['strands']] == [(12, 'tansy_body', 0.5)] and all(c['root_drift_mm'] < 0.001 for c in d['strands'][0]['clips']) and len(d['strands'][0]['clips']) == 5"
check "they arrive in a USD" ends 0 "$cli" deliver "$work/demo/crest.wembrix" --out "$work/crest"
check "and are read there" ends 0 "$cli" strands "$work/crest/Lantern_web_view/tansy_model.usdc" --json
check "rooted as they were" python_says "d['strands'][0]['surface'] == 'tansy_body' and d['strands'][0]['roots_off_mm'] < 0.001 and d['strands'][0]['count'] > 300"
check "a surface over frames, as points" ends 0 "$cli" cache "$work/demo/tansy.wembrix" --clip stamp --of post_bag --every 10 --out "$work/cache" --json
check "which arrives" python_says \
    "[(r['deliverable'], r['state'], all(c['pass'] for c in r['claims'])) for r in d['deliverables']] == [('cache:post_bag/stamp', 'arrived', True)]"
check "the same as textures" ends 0 "$cli" cache "$work/demo/tansy.wembrix" --clip stand --of post_bag --as textures --half --every 10 --out "$work/textures" --json
check "with the model that leads to them" python_says \
    "[(r['deliverable'], r['state']) for r in d['deliverables']] == [('model', 'arrived'), ('textures:post_bag/stand', 'arrived')] and len(d['deliverables'][1]['files']) == 3"
check "too far away for halves" ends 1 "$cli" cache "$work/demo/tansy.wembrix" --clip stamp --of post_bag --as textures --half --every 10 --out "$work/halves" --json
check "which is held by what it cost" python_says \
    "d['deliverables'][1]['state'] == 'held' and d['deliverables'][1]['reason'].startswith('Drift') and d['deliverables'][1]['drift_mm'] > 0.5"
check "the same as shapes" ends 0 "$cli" cache "$work/demo/tansy.wembrix" --clip stamp --of post_bag --as shapes --limit-mm 2 --out "$work/shapes" --json
check "as few as two millimetres need" python_says \
    "[(r['deliverable'], r['state'], r['drift_mm'] <= 2) for r in d['deliverables']] == [('shapes:post_bag/stamp', 'arrived', True)] and 2 <= int(next(c for c in d['deliverables'][0]['claims'] if c['claim'] == 'Shapes')['actual'].split()[0]) < 80"
check "over a clip that is not there" ends 2 "$cli" cache "$work/demo/tansy.wembrix" --clip nothing --of post_bag --out "$work/cache"
check "of nothing" ends 2 "$cli" cache "$work/demo/tansy.wembrix" --clip stamp --of nobody --out "$work/cache"
check "its materials" ends 0 "$cli" materials "$work/demo/tansy.wembrix" --json
check "slot by slot" python_says "[s['material'] for s in d['slots']][:2] == ['plumage', 'wings']"
check "a BVH moves the model" ends 0 "$cli" deliver --card "$work/empty.card.json" --destination "$work/demo/Lantern_web_view.destination.json" \
    --out "$work/from_bvh" "$work/one/tansy_model.glb" "$work/bvh/tansy_model_wade.bvh"
check "as it did" ends 0 "$cli" compare "$work/one/tansy_wade.glb" "$work/from_bvh/tansy_model_tansy_model_wade.glb" --json
sed 's/^Frames: .*/Frames: 100000/' "$work/bvh/tansy_model_wade.bvh" > "$work/short.bvh"
check "a BVH with fewer frames than it says is read" ends 0 "$cli" inspect "$work/short.bvh"
check "and that is said" grep -q "frames more than it holds" "$work/out"
check "compare ends with 0" ends 0 "$cli" compare "$work/one/tansy_wade.glb" "$work/all/Tidewater_runtime/tansy_wade.glb" --json
check "no drift between equals" python_says "d['clips'][0]['clip'] == 'wade' and d['clips'][0]['largest_mm'] < 1e-6 and d['clips'][0]['frames'] == 177"

check "equal files are the same in everything" ends 0 "$cli" compare "$work/one/tansy_model.glb" "$work/all/Tidewater_runtime/tansy_model.glb" --all --json
check "claim by claim" python_says "d['pass'] and len(d['claims']) >= 14 and {'Weights', 'Materials', 'Shapes', 'Drift'} <= {c['claim'] for c in d['claims']}"
python3 - "$work/one/tansy_model.glb" "$work/tampered.glb" << 'PYTHON'
import json, struct, sys
data = open(sys.argv[1], "rb").read()
size = struct.unpack("<I", data[12:16])[0]
doc = json.loads(data[20:20 + size])
doc["materials"][0]["pbrMetallicRoughness"]["roughnessFactor"] = 0.123
text = json.dumps(doc).encode()
text += b" " * (-len(text) % 4)
rest = data[20 + size:]
open(sys.argv[2], "wb").write(struct.pack("<4sII", b"glTF", 2, 20 + len(text) + len(rest)) + struct.pack("<I4s", len(text), b"JSON") + text + rest)
PYTHON
check "a material that is another one is seen" ends 1 "$cli" compare "$work/one/tansy_model.glb" "$work/tampered.glb" --all --json
check "and named" python_says "[c['claim'] for c in d['claims'] if not c['pass']] == ['Materials'] and 'roughness' in d['claims'][[c['claim'] for c in d['claims']].index('Materials')]['detail']"
check "files with nothing in common do not pass" ends 1 "$cli" compare "$work/one/tansy_model.glb" "$work/demo/market_props.glb" --all
printf '{"asset":{"version":"2.0"}}' > "$work/empty.gltf"
check "an empty file is said to be empty" sh -c "'$cli' inspect '$work/empty.gltf' | grep -q 'holds nothing'"
check "the board of a job" ends 1 "$cli" board "$work/demo/tansy.wembrix" --json
check "never, with the reason" python_says "all(c['state'] == 'never' and c['reason'] == 'not delivered yet' for x in d['board'] for c in x['cells'])"
check "the board of what was delivered" ends 0 "$cli" board "$work/demo/tansy.wembrix" --out "$work/all" --json
check "arrived, twelve of them" python_says "[c['state'] for x in d['board'] for c in x['cells']] == ['arrived'] * 12"
check "the board of what was held" ends 1 "$cli" board "$work/demo/tansy_first_look.wembrix" --out "$work/held"
check "says why" grep -q "held .*161" "$work/out"
cp "$work/demo/tansy.wembrix" "$work/demo/mine.wembrix"
check "the list of cuts" ends 0 "$cli" cuts "$work/demo/mine.wembrix"
check "as CSV" grep -q "^wade,220,396,yes,#2F8A72,$" "$work/out"
check "written to a file" ends 0 "$cli" cuts "$work/demo/mine.wembrix" --to "$work/cuts.csv"
sed -i 's/^stand,0,168/stand,0,150/' "$work/cuts.csv"
check "and read from it" ends 0 "$cli" cuts "$work/demo/mine.wembrix" --from "$work/cuts.csv"
check "only that clip is stale" ends 1 "$cli" board "$work/demo/mine.wembrix" --out "$work/all" --json
check "for that reason" python_says "[(c['deliverable'], c['reason']) for c in d['board'][0]['cells'] if c['state'] == 'stale'] == [('clip:stand', 'the route card changed')]"
check "as JSON" ends 0 "$cli" cuts "$work/demo/mine.wembrix" --to "$work/cuts.json"
check "the same list" ends 0 "$cli" cuts "$work/demo/mine.wembrix" --from "$work/cuts.json"
check "cuts of a job without any" ends 0 "$cli" cuts "$work/demo/tansy_first_look.wembrix" --from "$work/cuts.json"
echo "name,from_s,to_s,take
calm,0,2,capture_07" > "$work/named.csv"
check "a list that names its take" ends 0 "$cli" cuts "$work/demo/mine.wembrix" --from "$work/named.csv"
check "has its one cut" grep -q "1 cut is in the job" "$work/out"
check "which is" ends 0 "$cli" cuts "$work/demo/mine.wembrix" --take capture_07
check "in its frames" grep -qx "calm,0,60,no,," "$work/out"
echo "name,from_s,to_s,take
calm,0,2,nobody" > "$work/named.csv"
check "a take that is none" ends 2 "$cli" cuts "$work/demo/mine.wembrix" --from "$work/named.csv"
check "is named" grep -q "nobody" "$work/err"
check "and the list again" ends 0 "$cli" cuts "$work/demo/mine.wembrix" --from "$work/cuts.json"
echo "name,first,last
a,0,99999" > "$work/late.csv"
cp "$work/demo/mine.wembrix" "$work/before.wembrix"
check "a list that does not fit the take" ends 2 "$cli" cuts "$work/demo/mine.wembrix" --from "$work/late.csv"
check "leaves the good one" cmp "$work/demo/mine.wembrix" "$work/before.wembrix"
printf '\xef\xbb\xbfname;from_s;to_s;loop\r\n"calm; at first";0;1,5;yes\r\n' > "$work/half_the_world.csv"
check "semicolons, decimal commas, a byte-order mark" ends 0 "$cli" cuts "$work/demo/mine.wembrix" --from "$work/half_the_world.csv"
check "are read" ends 0 "$cli" cuts "$work/demo/mine.wembrix"
check "as they are meant" grep -q '"calm; at first",0,45,yes' "$work/out"
cp "$work/before.wembrix" "$work/demo/mine.wembrix"
echo "name,first
a,0" > "$work/bad.csv"
check "a list without its columns" ends 2 "$cli" cuts "$work/demo/mine.wembrix" --from "$work/bad.csv"
check "in one sentence" one_sentence
check "takes of a job" ends 1 "$cli" takes "$work/demo/tansy.wembrix" --json
check "seams of what repeats" python_says "[(t['name'], t['seam']['closes']) for t in d['takes'] if t['seam']] == [('stand', True), ('wade', True), ('shake_off', False)]"
check "still places of a take" ends 0 "$cli" takes "$work/demo/tansy_market.gltf" --json
check "offered as cuts" python_says "3 <= len(d['takes'][0]['still']) <= 8 and all(p['first'] <= p['last'] for p in d['takes'][0]['still'])"
check "a time that is none" ends 2 "$cli" takes "$work/demo/tansy_market.gltf" --shortest 0
check "props without joints are delivered" ends 0 "$cli" deliver "$work/demo/market_props.wembrix" --out "$work/props" --json
check "and arrive" python_says "all(r['state'] == 'arrived' for x in d['deliveries'] for r in x['deliverables'])"

# What baking loses between the frames, and what is said of clips that steps make.
python3 - "$work" << 'PY'
import json, sys
work = sys.argv[1]
card = json.load(open(work + "/card.json"))
card["steps"] += [{"step": "join_clips", "clips": ["lift_parcel", "stamp"], "name": "both", "overlap": 6},
                  {"step": "mirror_clip", "clips": ["stand"], "ending": "_m"},
                  {"step": "describe_clips", "clips": [{"name": "both", "as": "lift_and_stamp", "note": "for the market"},
                                                       {"name": "stand_m", "deliver": False},
                                                       {"name": "not_there", "repeats": True}]}]
json.dump(card, open(work + "/made.card.json", "w"))
d = json.load(open(work + "/demo/Lantern_web_view.destination.json"))
d.update(rate=24, name="Slow lantern")
json.dump(d, open(work + "/slow.destination.json", "w"))
PY
check "clips that steps made are delivered, and a step that names nothing ends with 1" ends 1 "$cli" deliver --card "$work/made.card.json" --destination "$work/slow.destination.json" \
    --out "$work/made" "$work/demo/tansy_model.glb" "$work/demo/tansy_market.gltf" --json
check "under the names they were given" python_says "[r['deliverable'] for r in d['deliveries'][0]['deliverables']] == ['model'] + ['clip:' + c for c in ('stand', 'wade', 'lift_parcel', 'stamp', 'shake_off', 'lift_and_stamp')]"
check "what is lost between frames is measured" python_says "all(r['between_frames']['drift_mm'] > r['drift_mm'] and r['between_frames']['frame'] * 4 % 1 == 0 and r['between_frames']['where'] for r in d['deliveries'][0]['deliverables'][1:])"
check "and holds nothing back" python_says "all(r['state'] == 'arrived' for r in d['deliveries'][0]['deliverables'])"
check "what is not there is said" python_says "any('not_there' in line for s in d['steps'] for line in s.get('could_not', []))"
check "in lines as well" ends 1 "$cli" deliver --all --card "$work/made.card.json" --destination "$work/slow.destination.json" \
    --out "$work/made" "$work/demo/tansy_model.glb" "$work/demo/tansy_market.gltf"
check "with the frame" grep -Eq "tansy_model_wade.glb .*between frames [0-9.]+ mm at .*, frame [0-9.]+" "$work/out"

# Many takes through one card.
mkdir "$work/takes"
cp "$work/demo/tansy_market.gltf" "$work/takes/market_a.gltf"
cp "$work/demo/tansy_market.gltf" "$work/takes/market_b.gltf"
cp "$work/demo/tansy_market.bin" "$work/takes/"
printf 'name,from_s,to_s\nshort_stand,0,2\nshort_wade,8,10\n' > "$work/takes/market_b.csv"
echo "no take at all" > "$work/takes/torn.bvh"
check "takes through a job's card" ends 1 "$cli" deliver "$work/demo/tansy.wembrix" --destination "Tidewater runtime" \
    --out "$work/many" --takes "$work/takes" --json
check "one file a take or entry of its list" python_says "[(r['take'], r['deliverable'], r['state']) for r in d['deliveries'][0]['deliverables']] == [('market_a.gltf', 'clip:market_a', 'arrived'), ('market_b.gltf', 'clip:short_stand', 'arrived'), ('market_b.gltf', 'clip:short_wade', 'arrived'), ('torn.bvh', 'clip:torn', 'held')]"
check "nothing else" test "$(ls "$work/many" | tr '\n' ' ')" = "delivery.json tansy_market_a.glb tansy_short_stand.glb tansy_short_wade.glb "
check "as long as the list says" ends 0 "$cli" inspect "$work/many/tansy_short_wade.glb" --json
check "61 frames" python_says "d['clips'][0]['frames'] == 61"
rm "$work/takes/torn.bvh"
check "said in lines" ends 0 "$cli" deliver "$work/demo/tansy.wembrix" --destination "Tidewater runtime" --out "$work/many" --takes "$work/takes"
check "with what arrived" grep -q "arrived  3 of 3 clips" "$work/out"
check "the job's own delivery leaves them" ends 0 "$cli" deliver "$work/demo/tansy.wembrix" --destination "Tidewater runtime" --out "$work/many"
check "where they are" test -f "$work/many/tansy_short_wade.glb" -a -f "$work/many/tansy_model.glb"
check "a folder that is none" ends 2 "$cli" deliver "$work/demo/tansy.wembrix" --out "$work/many" --takes "$work/nowhere"
check "in one sentence" one_sentence

# What a source names itself.
python3 - "$work/demo/tansy_market.gltf" << 'PY'
import json, sys
gltf = json.load(open(sys.argv[1]))
gltf["animations"][0]["extras"] = {"ranges": {"calm": {"first": 0, "last": 100}, "wet": {"start": 8, "end": 12.5}}}
json.dump(gltf, open(sys.argv[1], "w"))
PY
check "cuts at the names of a source" ends 0 "$cli" cuts "$work/demo/tansy_first_look.wembrix" --named
check "has two" grep -q "2 cuts are in the job" "$work/out"
check "they are" ends 0 "$cli" cuts "$work/demo/tansy_first_look.wembrix"
check "in frames" grep -qx "wet,240,375,no,.*" "$work/out"
check "a job whose source names none" ends 2 "$cli" cuts "$work/demo/market_props.wembrix" --named
check "how low a foot stands" ends 0 "$cli" takes "$work/demo/tansy_market.gltf" --foot-height 0.001 --json
check "which joints stand" ends 1 "$cli" takes "$work/demo/tansy.wembrix" --feet pelvis,head --foot-height 5 --foot-speed 5 --json
check "those alone" python_says "{c['joint'] for t in d['takes'] for c in t['contacts']} == {'pelvis', 'head'}"
check "a joint that is none" ends 2 "$cli" takes "$work/demo/tansy.wembrix" --feet tail_of_nobody
check "and how slow" ends 2 "$cli" takes "$work/demo/tansy_market.gltf" --foot-speed -1

model="$work/all/Tidewater_runtime/tansy_model.glb"
tidewater="$work/demo/Tidewater_runtime.destination.json"
check "a delivered model is clean" ends 0 "$cli" verify "$model" --destination "$tidewater"
check "and says so" grep -qx "clean" "$work/out"
check "every delivered clip, too" ends 0 "$cli" verify "$work/all/Lantern_web_view/tansy_wade.glb" --destination "Lantern web view"
check "a source is not" ends 1 "$cli" verify "$work/demo/tansy_model.glb" --destination "$tidewater" --json
check "claim by claim" python_says "not d['clean'] and {c['claim'] for c in d['claims'] if not c['pass']} >= {'Root', 'Parent transforms', 'Joint names', 'Influences'}"
check "a skeleton becomes a contract" ends 0 "$cli" contract "$work/demo/tansy.wembrix" --name market_biped
cp "$work/out" "$work/biped.contract.json"
check "of all joints" python_says "d['name'] == 'market_biped' and len(d['joints']) == 55 and d['joints'][0]['name'] == 'root'"
check "the delivered model keeps it" ends 0 "$cli" verify "$model" --destination "$tidewater" --contract "$work/biped.contract.json"
check "the source does not" ends 1 "$cli" contract "$work/demo/tansy_model.glb" --against "$work/biped.contract.json"
check "its joints are told by likeness" grep -q "market:tansy_rig:LeftLeg_Hip → leg_hip_l (told by a name that is alike)" "$work/out"
check "a contract that is none" ends 2 "$cli" verify "$model" --destination "$tidewater" --contract "$work/card.json"
check "in one sentence" one_sentence
check "a destination that is none" ends 2 "$cli" verify "$model" --destination "Moon"

check "no file" ends 2 "$cli" inspect "$work/nowhere.glb"
check "in one sentence" one_sentence
check "not a scene" ends 2 "$cli" inspect "$work/demo/tansy.wembrix.txt"
head -c 5000 "$work/demo/tansy_model.glb" > "$work/cut.glb"
check "a cut file" ends 2 "$cli" inspect "$work/cut.glb"
check "says what is wrong" grep -q "cut short" "$work/err"
check "in one sentence" one_sentence
check "no command" ends 2 "$cli"
check "in one sentence" one_sentence
check "an unknown option" ends 2 "$cli" inspect --loudly "$work/demo/tansy_model.glb"
check "no such destination" ends 2 "$cli" deliver "$work/demo/tansy.wembrix" --destination "Moon"
check "names it" grep -q Moon "$work/err"
check "a card without a destination" ends 2 "$cli" deliver --card "$work/card.json" "$work/demo/tansy_model.glb"
echo '{"steps":[{"step":"scale","factor":-1}]}' > "$work/bad_card.json"
check "a step with impossible parameters is bad input" ends 2 "$cli" deliver --card "$work/bad_card.json" \
    --destination "$work/demo/Tidewater_runtime.destination.json" --out "$work/bad" "$work/demo/tansy_model.glb"
check "in one sentence" one_sentence
echo '{"steps":[{"step":"split_take","take":"nobody","clips":[]}]}' > "$work/bad_card.json"
check "a step that does not fit the scene holds the delivery" ends 1 "$cli" deliver --card "$work/bad_card.json" \
    --destination "$work/demo/Tidewater_runtime.destination.json" --out "$work/bad" "$work/demo/tansy_model.glb"
echo '{"steps":[{"step":"dance"}]}' > "$work/bad_card.json"
check "an unknown step is bad input" ends 2 "$cli" deliver --card "$work/bad_card.json" \
    --destination "$work/demo/Tidewater_runtime.destination.json" --out "$work/bad" "$work/demo/tansy_model.glb"
check "a folder that cannot be written" ends 2 "$cli" deliver "$work/demo/tansy.wembrix" --out /proc/nowhere
check "help ends with 0" ends 0 "$cli" --help
# Sources that move, are replaced, and go.
mkdir -p "$work/moving/in" "$work/moving/away"
cp "$work/demo/tansy_model.glb" "$work/demo/tansy_market.gltf" "$work/demo/tansy_market.bin" "$work/moving/in/"
echo '{"format": "wembrix job", "version": 2, "name": "moving", "sources": ["in/tansy_model.glb", "in/tansy_market.gltf"], "steps": []}' > "$work/moving/moving.wembrix"
check "the sources of a job" ends 0 "$cli" sources "$work/moving/moving.wembrix" --as tansy_market.gltf=take --json
check "and what each is taken as" python_says "[s['taken_as'] for s in d['sources']] == ['model', 'take'] and d['sources'][1]['said'] == 'take'"
mv "$work/moving/in/tansy_model.glb" "$work/moving/away/heron.glb"
check "one that is gone" ends 1 "$cli" sources "$work/moving/moving.wembrix" --json
check "is said, and the other is there" python_says "d['sources'][0]['problem'] and not d['sources'][1]['problem']"
check "found again by its content" ends 0 "$cli" sources "$work/moving/moving.wembrix" --look-in "$work/moving/away"
check "with its place" grep -q "by its content at .*heron.glb" "$work/out"
check "kept relative to the job" grep -q '"away/heron.glb"' "$work/moving/moving.wembrix"
cp "$work/moving/moving.wembrix" "$work/moving/before"
check "a replacement is tried out" ends 0 "$cli" sources "$work/moving/moving.wembrix" --replace heron.glb "$work/demo/market_props.glb" --dry-run --json
check "what changes is said" python_says "any('surface' in line for line in d['change']['changes'])"
check "and nothing is written" cmp "$work/moving/moving.wembrix" "$work/moving/before"
check "one taken out" ends 0 "$cli" sources "$work/moving/moving.wembrix" --remove 2 --json
check "is out" python_says "len(d['sources']) == 1"
check "one that is not there" ends 2 "$cli" sources "$work/moving/moving.wembrix" --remove nobody.glb
check "nothing a source can be" ends 2 "$cli" sources "$work/moving/moving.wembrix" --as heron.glb=friend
check "one that a single destination has" ends 0 "$cli" deliver "$work/demo/market_props.wembrix" --out "$work/only" --only materials --json
check "goes to that one alone" python_says "[x['destination'] for x in d['deliveries']] == ['Lantern web view']"
check "nothing to deliver by that name" ends 2 "$cli" deliver "$work/demo/tansy.wembrix" --out "$work/all" --only nobody
# A skeleton from a plan.
check "the plans that come with Wembrix" ends 0 "$cli" plan
check "seven of them" [ "$(wc -l < "$work/out")" -eq 7 ]
check "no such plan" ends 2 "$cli" plan centaur
check "in one sentence" one_sentence
check "a suggested skeleton as a card" ends 0 "$cli" build "$work/demo/sedge_surface.glb" --plan bird --suggest
check "is a card" python_says "[s['step'] for s in d['steps']] == ['build_skeleton'] and len(d['steps'][0]['guides']) == 30"
python3 -c "
import json
j = json.load(open('$work/demo/stall_lid.wembrix'))
j['steps'][-1]['keys']['curves'][0]['of'] = 'nobody'
json.dump(j, open('$work/demo/nobody.wembrix', 'w'))"
"$cli" inspect "$work/demo/nobody.wembrix" > "$work/nobody.txt"
check "what a step could not do is said by inspect" grep -q "could not: .*nobody" "$work/nobody.txt"
check "weights in a job" ends 0 "$cli" bind "$work/demo/sedge.wembrix" --method nearest
check "replace those that it had" grep -q '"method": "nearest"' "$work/demo/sedge.wembrix"
check "a method that is none" ends 2 "$cli" bind "$work/demo/sedge.wembrix" --method magic
check "a skeleton is not built into another" ends 2 "$cli" build "$work/demo/tansy.wembrix" --plan bird
check "in one sentence" one_sentence
cp "$work/demo/sedge.wembrix" "$work/sedge_before"
check "a take that is not there" ends 2 "$cli" retarget "$work/nothere.glb" --onto "$work/demo/sedge.wembrix"
check "in one sentence" one_sentence
check "a file without a take" ends 2 "$cli" retarget "$work/demo/sedge_surface.glb" --onto "$work/demo/sedge.wembrix"
check "in one sentence" one_sentence
check "and the job is as it was" cmp "$work/demo/sedge.wembrix" "$work/sedge_before"
echo '{"guides": [{"chain": "leg", "point": "two"}]}' > "$work/bad.guides.json"
check "guides that are none" ends 2 "$cli" build "$work/demo/sedge_surface.glb" --plan bird --guides "$work/bad.guides.json"

# A job of files, and one like another.
mkdir "$work/new"
cp "$work/demo/tansy_model.glb" "$work/demo"/tansy_market.* "$work/demo/market_props.glb" "$work/new/"
check "a job of files" ends 0 "$cli" new "$work/new/plain" "$work/new/tansy_model.glb" "$work/new/tansy_market.gltf"
check "one like another" ends 0 "$cli" new "$work/new/like.wembrix" "$work/new/tansy_model.glb" "$work/new/tansy_market.gltf" "$work/new/market_props.glb" --like "$work/demo/tansy.wembrix"
check "with its card, its destinations, a family of its own, and files told from its folder" python3 -c "
import json, sys
plain, like, old = (json.load(open(f)) for f in ('$work/new/plain.wembrix', '$work/new/like.wembrix', '$work/demo/tansy.wembrix'))
steps = lambda job: [s for s in job['steps'] if s['step'] != 'bring_takes']
sys.exit(0 if steps(like) == steps(old) and like['destinations'] == old['destinations'] and len(plain['destinations']) == 2
         and like['family']['id'] != old.get('family', {}).get('id') and like['family']['id'] != plain['family']['id']
         and 'tansy_model.glb' in json.dumps(like['sources']) and '$work' not in json.dumps(like['sources']) else 1)"
check "it delivers as the other does" ends 0 "$cli" deliver "$work/new/like.wembrix" --out "$work/new/out"
check "not over one that is there" ends 2 "$cli" new "$work/new/like.wembrix" "$work/new/tansy_model.glb"
check "in one sentence" one_sentence
cp "$work/demo/tansy_market.gltf" "$work/new/without_its_numbers.gltf"
sed -i 's/tansy_market.bin/nowhere.bin/' "$work/new/without_its_numbers.gltf"
check "a file that cannot be read is said" ends 1 "$cli" new "$work/new/part" "$work/new/tansy_model.glb" "$work/new/without_its_numbers.gltf"
check "a template that is none" ends 2 "$cli" new "$work/new/other" "$work/new/tansy_model.glb" --like "$work/new/tansy_model.glb"
check "and nothing is left of it" test ! -e "$work/new/other.wembrix"

# Which file is this? Families, variants and versions.
mkdir "$work/family"
cp "$work/demo/market_props.glb" "$work/demo/market_props.wembrix" "$work/family/"
check "a job of a family" ends 0 "$cli" variant "$work/family/market_props.wembrix" --family "Stall goods" --name plain
check "another variant" ends 0 "$cli" variant "$work/family/market_props.wembrix" "$work/family/goods_wet.wembrix" --name wet
check "not over one that is there" ends 2 "$cli" variant "$work/family/market_props.wembrix" "$work/family/goods_wet.wembrix" --name wet
check "in one sentence" one_sentence
check "of the same family, with its own id" python3 -c "
import json, sys
a, b = (json.load(open('$work/family/' + n + '.wembrix')) for n in ('market_props', 'goods_wet'))
sys.exit(0 if a['family'] == b['family'] and a['variant']['id'] != b['variant']['id'] and b['variant']['name'] == 'wet' else 1)"
check "how its files would be called" ends 0 "$cli" deliver "$work/family/goods_wet.wembrix" --plan --json
check "each prop in its folder" python_says "[r['file'] for r in d['deliveries'][0]['planned']][0] == 'props/parcel_large.glb'"
check "nothing is written for it" [ ! -e "$work/family/deliveries" ]
check "its files" ends 0 "$cli" deliver "$work/family/goods_wet.wembrix"
cp "$work/family/deliveries/Tidewater_runtime/props/stall_lamp.glb" "$work/lamp.glb"
check "which file this is" ends 0 "$cli" where "$work/lamp.glb" --jobs "$work/family" --json
check "of that job and variant alone" python_says "d['variant']['name'] == 'wet' and d['number'] == 1 and [j['job'].rsplit('/', 1)[1] for j in d['jobs']] == ['goods_wet.wembrix'] and not d['stale']"
sed -i 's/"factor": 0.01/"factor": 0.02/' "$work/family/goods_wet.wembrix"
check "a changed card makes it stale" ends 1 "$cli" where "$work/lamp.glb" --jobs "$work/family" --json
check "and says why" python_says "d['stale'] and 'card' in d['jobs'][0]['reason']"
check "the next version" ends 0 "$cli" deliver "$work/family/goods_wet.wembrix"
check "replaces it" ends 0 "$cli" where "$work/family/deliveries/Tidewater_runtime/props/stall_lamp.glb" --json
check "and counts" python_says "d['number'] == 2 and len(d['replaces']) == 32 and d['in_delivery'] == 'as it was delivered'"
# Packages.
check "nothing is packed that is not up to date" ends 2 "$cli" package "$work/family/goods_wet.wembrix" "$work/family/market_props.wembrix" --out "$work/packages"
check "in one sentence" one_sentence
check "the other variant's files" ends 0 "$cli" deliver "$work/family/market_props.wembrix" --out "$work/family/deliveries_dry"
sed -i 's|"deliveries": "deliveries"|"deliveries": "deliveries_dry"|' "$work/family/market_props.wembrix"
check "a package of both variants" ends 0 "$cli" package "$work/family/goods_wet.wembrix" "$work/family/market_props.wembrix" --out "$work/packages" --license "ours alone" --json
check "is whole" python_says "d['whole'] and d['files'] == 22"
check "a second one beside it" ends 0 "$cli" package "$work/family/goods_wet.wembrix" --out "$work/packages" --json
check "has a name of its own" python_says "d['package'].endswith('Stall_goods_2')"
check "as an archive" ends 0 "$cli" package "$work/family/goods_wet.wembrix" --out "$work/packages" --zip --destination "Tidewater runtime"
python3 -m zipfile -e "$work/packages/Stall_goods.zip" "$work/unpacked"
check "whole where others unpacked it" ends 0 "$cli" verify "$work/unpacked" --json
check "says so" python_says "d['whole'] and d['files'] == 10 and not d['not_listed']"
printf x >> "$work/unpacked/Stall_goods/wet/Tidewater_runtime/props/stall_lamp.glb"
check "damage is found" ends 1 "$cli" verify "$work/unpacked" --json
check "and named" python_says "d['damaged'] == ['Stall_goods/wet/Tidewater_runtime/props/stall_lamp.glb: its bytes are others']"
check "the archive itself" ends 0 "$cli" verify "$work/packages/Stall_goods.zip"
check "no package" ends 2 "$cli" verify "$work/demo"
check "in one sentence" one_sentence
# A list of takes that is none makes nothing.
mkdir -p "$work/listed"
check "a list that is none" ends 2 "$cli" deliver "$work/demo/tansy.wembrix" --takes "$work/demo" --listed /etc/passwd --out "$work/listed/out"
check "in one sentence" one_sentence
echo "../demo/tansy_market.gltf" > "$work/listed/outside"
check "takes outside the folder" ends 2 "$cli" deliver "$work/demo/tansy.wembrix" --takes "$work/demo" --listed "$work/listed/outside" --out "$work/listed/out"
check "nothing is made for them" [ ! -e "$work/listed/out" ]
# Pictures, a page that tells of a delivery, license and credits.
check "license and credits" ends 0 "$cli" variant "$work/family/goods_wet.wembrix" --license "ours alone" --credits "the stall"
python3 - "$work/family/goods_wet.wembrix" << 'PY'
import json, sys
job = json.load(open(sys.argv[1]))
for destination in job["destinations"]:
    destination.update(pictures=64, report=True)
json.dump(job, open(sys.argv[1], "w"))
PY
check "pictures are planned" ends 0 "$cli" deliver "$work/family/goods_wet.wembrix" --plan --json
check "beside their files" python_says "'pictures/props/stall_lamp.glb.png' in [r['file'] for r in d['deliveries'][0]['planned']]"
check "with pictures and a page" ends 0 "$cli" deliver "$work/family/goods_wet.wembrix"
wet=$work/family/deliveries/Tidewater_runtime
check "the picture" [ "$(head -c 8 "$wet/pictures/props/stall_lamp.glb.png" | tail -c 7 | head -c 3)" = PNG ]
check "the page" grep -q "ours alone" "$wet/report.html"
check "the same page from the folder" ends 0 "$cli" report "$wet" --out "$work/page.html"
check "byte for byte" cmp "$work/page.html" "$wet/report.html"
check "never over another file" ends 2 "$cli" report "$wet" --out "$work/page.html"
check "in one sentence" one_sentence
check "of no delivery" ends 2 "$cli" report "$work/demo"
check "in one sentence" one_sentence
cp "$wet/pictures/props/parcel_long.glb.png" "$work/family/own.png"
check "a picture of one's own" ends 0 "$cli" picture "$work/family/goods_wet.wembrix" prop:stall_lamp "$work/family/own.png"
check "makes its file due" ends 1 "$cli" board "$work/family/goods_wet.wembrix" --json
check "and no other" python_says "[(c['deliverable'], c['state']) for b in d['board'] for c in b['cells'] if c['state'] != 'arrived'] == [('prop:stall_lamp', 'stale')]"
check "it goes out" ends 0 "$cli" deliver "$work/family/goods_wet.wembrix"
check "as it is" cmp "$work/family/own.png" "$wet/pictures/props/stall_lamp.glb.png"
check "the drawn one again" ends 0 "$cli" picture "$work/family/goods_wet.wembrix" prop:stall_lamp
check "no picture" ends 2 "$cli" picture "$work/family/goods_wet.wembrix" prop:stall_lamp "$work/family/goods_wet.wembrix"
check "in one sentence" one_sentence
check "a file of somebody else's" ends 2 "$cli" where "$work/demo/market_props.glb"
check "in one sentence" one_sentence

# Help: of all, of one, as a page and for a shell; each command stands in it with an example.
check "help of all" ends 0 "$cli" --help
check "by what it is for" grep -q "^Look at files and jobs" "$work/out"
check "help of one" ends 0 "$cli" deliver --help
check "with examples" grep -q "wembrix-cli deliver heron.wembrix --plan" "$work/out"
check "flags take no word" grep -q -- "--plan  " "$work/out"
check "and nothing of the others" bash -c "! grep -q 'Motion energy' '$work/out'"
check "help of one below another" ends 0 "$cli" farm run --help
check "says what it needs" grep -q "usage: wembrix-cli farm run .*--folder" "$work/out"
check "a version" ends 0 "$cli" --version
check "in one line" grep -qx "Wembrix [0-9.]*" "$work/out"
check "a page for man, with each command" ends 0 "$cli" manual
cp "$work/out" "$work/wembrix-cli.1"
if command -v man > /dev/null; then
    check "that man reads without a warning" bash -c "[ -z \"\$(LC_ALL=C.UTF-8 man --warnings=all -l '$work/wembrix-cli.1' 2>&1 > /dev/null)\" ]"
fi
check "completion" ends 0 "$cli" completion
cp "$work/out" "$work/completion.bash"
check "of commands" bash -c ". '$work/completion.bash'; COMP_WORDS=(wembrix-cli de); COMP_CWORD=1; _wembrix_cli; [ \"\${COMPREPLY[*]}\" = deliver ]"
check "of options" bash -c ". '$work/completion.bash'; COMP_WORDS=(wembrix-cli board --w); COMP_CWORD=2; _wembrix_cli; [ \"\${COMPREPLY[*]}\" = --wait ]"
# Ten seconds: a card, its sources, a folder; no job and no destination.
echo '{"steps": [{"step": "strip_prefix"}, {"step": "bake_parent_transforms"}, {"step": "scale", "factor": 0.01}, {"step": "make_root", "name": "root"}]}' > "$work/ten.json"
check "a card over sources" ends 0 "$cli" run "$work/ten.json" "$work/demo/tansy_model.glb" --out "$work/ten" --json
check "arrives" python_says "[r['state'] for x in d['deliveries'] for r in x['deliverables']] == ['arrived']"
check "as another kind of file" ends 0 "$cli" run "$work/ten.json" "$work/demo/tansy_model.glb" --as dae --out "$work/ten_dae"
check "that is there" test -s "$work/ten_dae/tansy_model_model.dae"
check "and is read again" ends 0 "$cli" inspect "$work/ten_dae/tansy_model_model.dae"
check "a kind that is not written" ends 2 "$cli" run "$work/ten.json" "$work/demo/tansy_model.glb" --as obj --out "$work/ten_obj"
check "in one sentence" one_sentence
check "the kinds of files" ends 0 "$cli" formats --json
check "with this one" python_says "[f['writes'] for f in d['formats'] if f['format'] == 'dae'] == [True]"
# The same card over many models: a folder each.
mkdir "$work/models"
cp "$work/demo/tansy_model.glb" "$work/models/heron_a.glb"
cp "$work/demo/tansy_model.glb" "$work/models/heron_b.glb"
echo nothing > "$work/models/broken.glb"
check "many models, one of them broken" ends 1 "$cli" deliver "$work/demo/tansy.wembrix" --models "$work/models" --out "$work/many" --only model --destination "Lantern web view"
check "the others arrive" test -s "$work/many/heron_a/Lantern_web_view/heron_a_model.glb" -a -s "$work/many/heron_b/Lantern_web_view/heron_b_model.glb"
rm "$work/models/broken.glb"
check "and are up to date then" ends 0 "$cli" deliver "$work/demo/tansy.wembrix" --models "$work/models" --out "$work/many" --only model --destination "Lantern web view" --json
check "each a job of its own" python_says "[j['job'] for j in d['jobs']] == ['heron_a', 'heron_b'] and all(r['up_to_date'] for j in d['jobs'] for x in j['deliveries'] for r in x['deliverables'])"
check "no folder for them" ends 2 "$cli" deliver "$work/demo/tansy.wembrix" --models "$work/models"
check "in one sentence" one_sentence
# A real engine is asked about what arrived; without one a line says how to get it.
check "a second reader after a delivery" ends 0 "$cli" deliver "$work/demo/market_props.wembrix" --out "$work/second" --second-reader --json
check "says what it made of each file" python_says "all('missing' in x['second_reader'] or len(x['second_reader']['files']) > 0 for x in d['deliveries'])"
check "not over takes" ends 2 "$cli" deliver "$work/demo/market_props.wembrix" --takes "$work" --second-reader
check "in one sentence" one_sentence

echo "$passed passed, $failed failed"
[ "$failed" -eq 0 ]
