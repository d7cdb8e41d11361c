. "$(dirname "$0")/lib.sh"
job "7. Facing and travel for another engine"
make "figure('lying.gltf', holder={'rotation': turn('x', 90)}, clips=[walk('take', metres=2)])"
job_file hero "['lying.gltf']" "[{'step': 'bake_parent_transforms'}]" "{'forward': '-Z', 'file_forward': '-Z'}"
ends 0 inspect hero.wembrix --json
holds "any('lies' in f['message'] and f['step'] == 'rotate' for f in d['findings'])"
holds "d['up']['axis'] == '+Z' and 'head' in d['up']['reason']"
job_file hero "['lying.gltf']" "[{'step': 'bake_parent_transforms'}, {'step': 'rotate', 'degrees': -90, 'about': '+X'},
    {'step': 'make_root', 'name': 'root', 'position': 'ground'},
    {'step': 'rename_clips', 'rules': [{'find': '^take', 'replace': 'hero_walk'}]},
    {'step': 'extract_root_motion', 'from': 'hips', 'z': True},
    {'step': 'describe_clips', 'clips': [{'name': 'hero_walk', 'loop': True}]}]" "{'forward': '-Z', 'file_forward': '-Z'}"
ends 0 deliver hero.wembrix --json
holds "arrived() == ['model', 'clip:hero_walk']"
holds "[c['pass'] for x in d['deliveries'] for r in x['deliverables'][:1] for c in r['claims'] if c['claim'] == 'Faces'] == [True]"
holds "json.load(open(glob.glob('deliveries/*/delivery.json')[0]))['clips'][0]['loop']"
job_file turned "['lying.gltf']" "[{'step': 'bake_parent_transforms'}, {'step': 'rotate', 'degrees': -90, 'about': '+X'},
    {'step': 'make_root', 'name': 'root', 'position': 'ground'}]" "{'forward': '-Z'}"
ends 1 deliver turned.wembrix --json
holds "any('look along' in c['detail'] for x in d['deliveries'] for r in x['deliverables'] for c in r['claims'] if not c['pass'])"
done_with_job
