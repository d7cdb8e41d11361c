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
later "shapes on the Surface station: sliders, order, from a mesh"
done_with_job
