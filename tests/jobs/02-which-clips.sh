. "$(dirname "$0")/lib.sh"
job "2. Which clips go out"
make "figure('hero.gltf', root='root', clips=[nod('idle'), walk('run'), nod('try_out', 'spine')])"
job_file hero "['hero.gltf']" "[{'step': 'join_clips', 'clips': ['idle', 'run'], 'name': 'idle_run'},
    {'step': 'describe_clips', 'clips': [{'name': 'try_out', 'deliver': False}]}]"
ends 0 deliver hero.wembrix --json
holds "arrived() == ['model', 'clip:idle', 'clip:run', 'clip:idle_run']"
ends 0 deliver hero.wembrix --only idle --all --json
holds "[r['deliverable'] for x in d['deliveries'] for r in x['deliverables']] == ['clip:idle']"
job_file none "['hero.gltf']" "[{'step': 'leave_behind', 'names': ['*']}]"
ends 2 deliver none.wembrix
holds "'nothing to deliver' in text or 'left nothing' in text"
# Motion made on a control skeleton of other names and size arrives on the engine's, with the same ranges.
make "
control = [(n + '_ctl', p and p + '_ctl', o) for n, p, o in JOINTS]
def stride(out, at): walk('run', 'hips_ctl', frames=25, size=1.3)(out, {**at, 'thigh_l': at['thigh_l_ctl'], 'thigh_r': at['thigh_r_ctl']})
figure('controls.gltf', prefix='rig:', size=1.3, joints=control, clips=[nod('idle', 'head_ctl', times=(0, 0.4, 0.8)), stride])
figure('engine.gltf', root='root')"
python3 - <<'PY'
import json
json.dump({"format": "wembrix job", "version": 2, "name": "hero", "sources": ["engine.gltf", {"file": "controls.gltf", "as": "take"}],
           "steps": [{"step": "retarget"}],
           "destinations": [{"name": "Quay engine", "root": "root", "joint_names": "^[A-Za-z][A-Za-z0-9_]*$", "up": "+Y",
                             "forward": "+Z", "unit_m": 1}]}, open("controlled.wembrix", "w"))
PY
ends 0 deliver controlled.wembrix --out controlled --json
holds "arrived() == ['model', 'clip:idle', 'clip:run']"
holds "[(c['name'], c['frames']) for c in json.load(open(glob.glob('controlled/*/delivery.json')[0]))['clips']] == [('idle', 25), ('run', 25)]"
holds "{n['name'] for n in gltf('controlled/*/hero_run.glb')['nodes']} >= {'root', 'hips', 'thigh_l', 'foot_r'}"
ends 0 inspect controlled.wembrix --json
holds "'9 pairs onto 9 joints' in [s['account'] for s in d['steps'] if s['step'] == 'retarget'][0] and '0.0 mm beyond' in [s['account'] for s in d['steps']][0]"
done_with_job
