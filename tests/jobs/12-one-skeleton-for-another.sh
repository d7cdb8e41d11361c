. "$(dirname "$0")/lib.sh"
job "12. Animating on one skeleton for another"
"$build/demo/wembrix-demo-maker" demo > /dev/null
# A short body with other joints gets the heron's take; feet stay where they stand.
ends 0 inspect demo/sedge.wembrix --json
holds "[s['step'] for s in d['steps']] == ['build_skeleton', 'bind_surface', 'retarget', 'split_take'] and 'lost_motion' not in {f['id'] for f in d['findings']}"
holds "'slide at most 0.0 mm' in [s['account'] for s in d['steps'] if s['step'] == 'retarget'][0]"
ends 0 deliver demo/sedge.wembrix --destination 'Lantern web view' --out sedge_out --json
holds "arrived() == ['model', 'clip:stand', 'clip:wade', 'clip:lift_parcel', 'clip:stamp', 'clip:shake_off']"
# A walk goes out as motion only: no surface in a clip's file.
holds "not gltf('sedge_out/sedge_wade.glb').get('meshes')"
# The map is kept, corrected by hand, and used for the next take.
ends 0 retarget demo/tansy_market.gltf --onto demo/sedge.wembrix --save-map heron.map.json
python3 - <<'PY'
import json
m = json.load(open("heron.map.json"))
m["pairs"] = [p for p in m["pairs"] if p["target"] != ["tail_1"]]
json.dump(m, open("heron.map.json", "w"))
PY
ends 0 retarget demo/tansy_market.gltf --onto demo/sedge.wembrix --map heron.map.json
ends 0 inspect demo/sedge.wembrix --json
holds "'35 pairs onto 41 joints' in [s['account'] for s in d['steps'] if s['step'] == 'retarget'][0]"
ends 2 retarget demo/tansy_market.gltf --onto demo/sedge.wembrix --map demo/sedge.wembrix
# A folder of takes through one card: each arrives on this body.
mkdir takes
cp demo/tansy_market.gltf demo/tansy_market.bin takes/
python3 -c "
import json
steps = json.load(open('demo/sedge.wembrix'))['steps']
json.dump({'steps': [s for s in steps if s['step'] != 'split_take']}, open('sedge.card.json', 'w'))"
ends 0 deliver --card sedge.card.json --destination demo/Lantern_web_view.destination.json --takes takes --out many demo/sedge_surface.glb
holds "'tansy_market' in text"
# The root follows the body by the axes that are chosen.
python3 - <<'PY'
import json
j = json.load(open("demo/sedge.wembrix"))
j["steps"].append({"step": "extract_root_motion", "clips": ["wade"]})
json.dump(j, open("demo/travels.wembrix", "w"))
PY
ends 0 inspect demo/travels.wembrix --json
later "twist joints driven by a control skeleton"
done_with_job
