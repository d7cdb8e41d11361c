. "$(dirname "$0")/lib.sh"
job "6. First character into an engine"
make "figure('hero.gltf', joints=JOINTS + [('head_tip', 'head', (0, .2, 0)), ('ik_hand', 'hips', (.5, 0, 0))],
    only=[j[0] for j in JOINTS], clips=[walk('walk'), walk('walk_again'), nod('nod')], extra=floor_and_camera)"
job_file hero "['hero.gltf']" "[{'step': 'leave_behind', 'kinds': ['camera'], 'names': ['floor', 'walk_again']},
    {'step': 'remove_joints', 'unweighted': True},
    {'step': 'make_root', 'name': 'root', 'position': 'ground'}]"
ends 0 inspect hero.wembrix --json
holds "any(f['id'] == 'same_motion' and f['where'] == 'walk_again' for f in d['received']['findings'])"
ends 0 deliver hero.wembrix --json
holds "arrived() == ['model', 'clip:walk', 'clip:nod']"
holds "joints('deliveries/*/hero_model.glb')[0] == 'root' and not {'head_tip', 'ik_hand'} & set(joints('deliveries/*/hero_model.glb'))"
holds "len(gltf('deliveries/*/hero_model.glb')['meshes']) == 1"
# Faces smoothed below an angle, with edges above it: each box keeps the normals of its sides.
job_file smooth "['hero.gltf']" "[{'step': 'leave_behind', 'kinds': ['camera'], 'names': ['floor', 'walk_again']},
    {'step': 'remove_joints', 'unweighted': True}, {'step': 'make_root', 'name': 'root', 'position': 'ground'},
    {'step': 'recompute_normals', 'hard_degrees': 30}]"
ends 0 deliver smooth.wembrix --json
holds "max(abs(max(map(abs, n)) - 1) for n in values(glob.glob('deliveries/*/smooth_model.glb')[0], 'NORMAL')) < 1e-6"
done_with_job
