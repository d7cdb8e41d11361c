. "$(dirname "$0")/lib.sh"
job "11. A world with its own facing"
make "figure('alien.gltf', root='root', yaw=90, clips=[nod('wave', 'spine')])"
mkdir "Straße & Söhne"
cp alien.gltf "Straße & Söhne/Größe ö.gltf"
job_file hero "['Straße & Söhne/Größe ö.gltf']" "[{'step': 'face_forward', 'looks_along': 'guess'}]" "{'forward': '+X', 'file_forward': '+X'}"
ends 0 inspect "Straße & Söhne/Größe ö.gltf" --json
holds "d['facing'] == '+X' and d['facing_certainty'] == 1"
ends 0 deliver hero.wembrix --json
holds "len(arrived()) == 2"
job_file not_turned "['alien.gltf']" "[]" "{'forward': '+X', 'file_forward': '+Z', 'reads': {'up': '+Y', 'forward': '-Z', 'unit_m': 1}}"
ends 1 deliver not_turned.wembrix --json
holds "any(c['claim'] == 'Faces' and not c['pass'] for x in d['deliveries'] for r in x['deliverables'] for c in r['claims'])"
job_file clash "['alien.gltf']" "[]" "{'forward': '+X', 'reads': {'up': '+Y', 'forward': '+Z', 'unit_m': 1}, 'file_names': '[a-z]+', 'model_file': 'Model_{job}'}"
ends 2 deliver clash.wembrix
holds "'Model_clash' in text"
done_with_job
