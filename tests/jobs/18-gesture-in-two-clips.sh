. "$(dirname "$0")/lib.sh"
job "18. A gesture in two clips"
make "figure('guard.gltf', root='root', clips=[nod('salute_begin', 'spine', 40, (0, .31, 1.0)), nod('salute_end', 'spine', 20)])"
job_file guard "['guard.gltf']" "[]" "{'clip_keys': 'as_prepared', 'still_channels': False}"
ends 0 deliver guard.wembrix --json
holds "arrived() == ['model', 'clip:salute_begin', 'clip:salute_end']"
holds "[c['actual'] for x in d['deliveries'] for r in x['deliverables'][1:2] for c in r['claims'] if c['claim'] == 'Keys'] == ['3 keys (0 cubic, 0 stepped, 1 linear)']"
mkdir -p Game/Anims
ends 2 deliver guard.wembrix --all --destination "Quay engine" --out game/anims
holds "'“Game”' in text"
ends 0 deliver guard.wembrix --all --destination "Quay engine" --out Game/Anims
done_with_job
