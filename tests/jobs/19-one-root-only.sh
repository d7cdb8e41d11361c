. "$(dirname "$0")/lib.sh"
job "19. One root only"
make "figure('body.gltf', root='root', body='body')
figure('head.gltf', prefix='head:', root='root', body='hood', only=['head'], size=100)
figure('walk.gltf', root='root', clips=[walk('walk', 'root', 6, start=(0, 0, 0))])"
job_file hero "['body.gltf', 'head.gltf', 'walk.gltf']" "[]"
ends 0 inspect hero.wembrix --json
holds "d['roots'] == ['root'] and len(d['joints']) == 10 and len(d['meshes']) == 2"
ends 0 deliver hero.wembrix --json
holds "joints('deliveries/*/hero_model.glb')[0] == 'root' and len(joints('deliveries/*/hero_walk.glb')) == 10"
# The root comes from the card: what the take's root does is not lost.
make "figure('rootless.gltf')"
job_file made "['rootless.gltf', 'walk.gltf']" "[{'step': 'make_root', 'name': 'root', 'position': 'origin'}]"
ends 0 inspect made.wembrix --json
holds "any(f['id'] == 'lost_motion' and '6 m' in f['message'] and f['step'] == 'bring_takes' for f in d['findings'])"
job_file made "['rootless.gltf', 'walk.gltf']" "[{'step': 'make_root', 'name': 'root', 'position': 'origin'}, {'step': 'bring_takes'}]"
ends 0 deliver made.wembrix --json
holds "not any(e['by'] == 'reader' and '6.000 m' in e['why'] for x in d['deliveries'] for e in x['left'])"
job_file other "['body.gltf']" "[]" "{'root': 'Skeleton'}"
ends 1 deliver other.wembrix
holds "'Skeleton' in text"
done_with_job
