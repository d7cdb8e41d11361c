. "$(dirname "$0")/lib.sh"
job "8. Prefixes, and motion apart from the model"
make "figure('model.gltf', prefix='set:hero:', holder={'scale': [1, 1, 1]}, root='root')
figure('motion.gltf', prefix='anim:hero_rig:', root='root', clips=[walk('capture_01', rate=24)], size=100)"
job_file hero "['model.gltf', 'motion.gltf']" "[{'step': 'strip_prefix'}, {'step': 'bake_parent_transforms'},
    {'step': 'bring_takes'}, {'step': 'rename_clips', 'names': {'capture_01': 'walk'}}, {'step': 'bake', 'rate': 30}]"
ends 0 deliver hero.wembrix --json
holds "arrived() == ['model', 'clip:walk']"
holds "'animations' not in gltf('deliveries/*/hero_model.glb') and 'images' not in gltf('deliveries/*/hero_walk.glb')"
holds "not any(':' in n for n in joints('deliveries/*/hero_model.glb'))"
holds "joints('deliveries/*/hero_model.glb') == joints('deliveries/*/hero_walk.glb')"
ends 0 deliver hero.wembrix --json
holds "all(r['up_to_date'] for x in d['deliveries'] for r in x['deliverables'])"
make "figure('model.gltf', prefix='set:hero:', holder={'scale': [1, 1, 1]}, root='root', body='body', shape='smile')"
ends 0 deliver hero.wembrix --json
holds "len(arrived()) == 2 and not any(r['up_to_date'] for x in d['deliveries'] for r in x['deliverables'])"
done_with_job
