. "$(dirname "$0")/lib.sh"
job "15. A single binary file for a web view"
make "figure('hero.gltf', root='root', shape='smile', clips=[nod('nod')])"
job_file hero "['hero.gltf']" "[]" "{'container': 'glb', 'max_shapes': 0, 'max_influences': 4}"
ends 0 deliver hero.wembrix --json
holds "len(arrived()) == 2 and sorted(os.path.basename(f) for f in glob.glob('deliveries/*/*')) == ['delivery.json', 'hero_model.glb', 'hero_nod.glb']"
holds "'targets' not in gltf('deliveries/*/hero_model.glb')['meshes'][0]['primitives'][0]"
holds "any(e['what'] == 'shape' and e['by'] == 'destination' for x in d['deliveries'] for e in x['left'])"
# One file that holds it all.
job_file one "['hero.gltf']" "[]" "{'container': 'glb', 'max_shapes': 0, 'max_influences': 4, 'deliverables': ['whole']}"
ends 0 deliver one.wembrix --json
holds "arrived() == ['whole'] and [a['name'] for a in gltf('deliveries/*/one.glb')['animations']] == ['nod']"
holds "'targets' not in gltf('deliveries/*/one.glb')['meshes'][0]['primitives'][0]"
done_with_job
