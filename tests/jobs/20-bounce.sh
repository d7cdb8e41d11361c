. "$(dirname "$0")/lib.sh"
job "20. A bounce by hand"
make "figure('ball.gltf', root='root', clips=[bounce()])"
job_file ball "['ball.gltf']" "[{'step': 'describe_clips', 'clips': [{'name': 'bounce', 'loop': True}]}]" "{'clip_keys': 'as_prepared', 'still_channels': False}"
ends 0 deliver ball.wembrix --json
holds "[c['actual'] for x in d['deliveries'] for r in x['deliverables'][1:] for c in r['claims'] if c['claim'] == 'Keys'] == ['3 keys (1 cubic, 0 stepped, 0 linear)']"
holds "gltf('deliveries/*/ball_bounce.glb')['animations'][0]['samplers'][0]['interpolation'] == 'CUBICSPLINE'"
holds "[c['last_frame'] for c in json.load(open(glob.glob('deliveries/*/delivery.json')[0]))['clips']] == ['the first once more']"
job_file ball "['ball.gltf']" "[{'step': 'describe_clips', 'clips': [{'name': 'bounce', 'loop': True}]}]" "{'keep_last': False, 'rate': 30}"
ends 0 deliver ball.wembrix --json
holds "[c['frames'] for c in json.load(open(glob.glob('deliveries/*/delivery.json')[0]))['clips']] == [30]"
later "keys and tangents by hand; the preview past the end"
done_with_job
