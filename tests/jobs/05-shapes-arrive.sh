. "$(dirname "$0")/lib.sh"
job "5. Shapes that never arrive"
make "figure('box.gltf', root='root', shape='smile')
figure('more.gltf', root='root', shape='frown', size=100)"
job_file box "['box.gltf', 'more.gltf']" "[]"
ends 0 deliver box.wembrix --json
holds "gltf('deliveries/*/box_model.glb')['meshes'][0]['extras']['targetNames'] == ['smile', 'frown']"
ends 0 inspect "$(ls deliveries/*/box_model.glb)" --json
holds "d['meshes'][0]['shapes'] == ['smile', 'frown'] and d['meshes'][0]['skinned']"
ends 0 sources box.wembrix --json
holds "[s['taken_as'] for s in d['sources']] == ['model', 'shapes']"
# A second artist's sculpt, as a mesh of the same vertices: seen for what it is, put in by the step that is offered.
make "sculpt('box.gltf', 'grin.obj', 8)"
job_file box "['box.gltf', 'more.gltf', 'grin.obj']" "[]"
ends 0 inspect box.wembrix --json
holds "[(f['step'], f['parameters']['name']) for f in d['findings'] if f['id'] == 'loose_sculpt'] == [('add_shape', 'grin')]"
job_file box "['box.gltf', 'more.gltf', 'grin.obj']" "[{'step': 'add_shape', 'name': 'grin', 'source': 'grin.obj'},
    {'step': 'order_shapes', 'shapes': ['grin', 'frown']}]"
ends 0 shapes box.wembrix --json
holds "[(s['shape'], round(s['reach_mm']), s['vertices']) for s in d['shapes']][0] == ('grin', 200, 8)"
ends 0 deliver box.wembrix --json
holds "gltf('deliveries/*/box_model.glb')['meshes'][0]['extras']['targetNames'] == ['grin', 'frown', 'smile']"
ends 0 inspect "$(ls deliveries/*/box_model.glb)" --json
holds "d['meshes'][0]['shapes'] == ['grin', 'frown', 'smile'] and d['meshes'][0]['skinned']"
done_with_job
