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
# The same by hand, a clip from nothing: flat above, sharp at the ground, first and last the same.
make "figure('cube.gltf', root='root')"
keys="{'curves': [{'of': 'hips', 'what': 'translation_y_mm', 'after': 'repeated', 'keys': [
    {'frame': 0, 'value': 0, 'tangent': 'free', 'in': -60, 'out': 60}, {'frame': 15, 'value': 400, 'tangent': 'flat'},
    {'frame': 30, 'value': 0, 'tangent': 'free', 'in': -60, 'out': 60}]}]}"
job_file cube "['cube.gltf']" "[{'step': 'hand_keys', 'new_clip': 'bounce', 'mode': 'instead', 'frames': 31, 'rate': 30, 'loop': True, 'keys': $keys}]" "{'clip_keys': 'as_prepared', 'still_channels': False}"
ends 0 deliver cube.wembrix --json
holds "[c['actual'] for x in d['deliveries'] for r in x['deliverables'][1:] for c in r['claims'] if c['claim'] == 'Keys'] == ['3 keys (1 cubic, 0 stepped, 0 linear)']"
holds "gltf('deliveries/*/cube_bounce.glb')['animations'][0]['samplers'][0]['interpolation'] == 'CUBICSPLINE'"
# Eased on top of it, switched off again: nothing is left.
soft="{'curves': [{'of': 'head', 'what': 'rotation_x_deg', 'keys': [{'frame': 0, 'value': 0}, {'frame': 10, 'value': 15}, {'frame': 30, 'value': 0}]}]}"
job_file cube "['cube.gltf']" "[{'step': 'hand_keys', 'new_clip': 'bounce', 'mode': 'instead', 'frames': 31, 'rate': 30, 'loop': True, 'keys': $keys}, {'step': 'hand_keys', 'layer': 'nod', 'clip': 'bounce', 'keys': $soft, 'off': True}]" "{'clip_keys': 'as_prepared', 'still_channels': False}"
ends 0 board cube.wembrix --json
holds "{c['state'] for x in d['board'] for c in x['cells']} == {'arrived'}"
done_with_job
