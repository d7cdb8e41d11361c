. "$(dirname "$0")/lib.sh"
job "4. A skeleton from guides"
"$build/demo/wembrix-demo-maker" demo > /dev/null
"$cli" plan biped > biped.plan.json
# A plan of one's own: side words as this engine mirrors by, zero rest rotations, longer tail.
ends 0 plan bird
python3 - <<'PY'
import json
plan = json.load(open("said"))
plan.update(name="quay bird", left="_left", right="_right", rest_rotations="zero")
for chain in plan["chains"]:
    if chain["chain"] == "neck":
        chain["spread_joints"] = 4
json.dump(plan, open("quay.plan.json", "w"))
PY
job_file sedge "['demo/sedge_surface.glb']" "[]" "{'max_influences': 6}"
python3 -c "
import json
steps = json.load(open('demo/sedge.wembrix'))['steps']
json.dump({'guides': [s for s in steps if s['step'] == 'build_skeleton'][0]['guides']}, open('sedge.guides.json', 'w'))"
ends 0 build sedge.wembrix --plan quay.plan.json --guides sedge.guides.json
holds "'40 joints after the plan “quay bird”' in text and 'outside' not in text"
ends 0 bind sedge.wembrix --method volume --influences 6
holds "'39 joints' in text"
ends 0 inspect sedge.wembrix --json
holds "d['roots'] == ['root'] and len(d['joints']) == 40 and all(m['max_influences'] <= 6 for m in d['meshes'])"
holds "{'leg_2_left', 'leg_2_right'} <= {j['name'] for j in d['joints']}"
holds "not {'weight_sum', 'unreached_vertices', 'roots', 'root_weights'} & {f['id'] for f in d['findings']}"
# Only the root that carries the motion has no weights; sums are 1.
ends 0 weights sedge.wembrix --joint root --json
holds "d['weights'] == []"
ends 0 deliver sedge.wembrix --json
holds "arrived() == ['model'] and joints('deliveries/*/sedge_model.glb')[0] in ('root', 'pelvis')"
# What arrived is the plan, joint for joint, and clean as this engine sees it.
python3 -c "
import json
json.dump(json.load(open('sedge.wembrix'))['destinations'][0], open('quay.destination.json', 'w'))"
ends 0 verify deliveries/*/sedge_model.glb --destination quay.destination.json --contract quay.plan.json --json
holds "d['clean']"
ends 1 verify deliveries/*/sedge_model.glb --destination quay.destination.json --contract biped.plan.json --json
# The guides moved: built again in its place on the card, bound anew by the replay.
python3 -c "
import json
guides = json.load(open('sedge.guides.json'))
for g in guides['guides']:
    g['y_m'] *= 1.01
json.dump(guides, open('higher.guides.json', 'w'))"
ends 0 build sedge.wembrix --plan quay.plan.json --guides higher.guides.json
ends 0 inspect sedge.wembrix --json
holds "[s['step'] for s in d['steps']] == ['build_skeleton', 'bind_surface']"
# A plan is taken off a skeleton that is there, and makes it again.
ends 0 plan --of deliveries/*/sedge_model.glb "taken"
holds "d['format'] == 'wembrix plan' and d['left'] == 'left' and sum(c.get('both_sides', False) for c in d['chains']) >= 3"
done_with_job
