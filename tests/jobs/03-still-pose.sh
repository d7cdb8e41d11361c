. "$(dirname "$0")/lib.sh"
job "3. One still pose that replaces the default stance"
make "figure('guard.gltf', root='root', clips=[nod('bow', 'spine', 60)])"
job_file guard "['guard.gltf']" "[{'step': 'pose_to_clip', 'clip': 'bow', 'frame': 15, 'name': 'Stance_Idle', 'joints': 'all'},
    {'step': 'leave_behind', 'names': ['bow']}]"
ends 0 deliver guard.wembrix --json
holds "arrived() == ['model', 'clip:Stance_Idle']"
holds "gltf('deliveries/*/guard_Stance_Idle.glb')['animations'][0]['name'] == 'Stance_Idle'"
holds "len({c['target']['node'] for c in gltf('deliveries/*/guard_Stance_Idle.glb')['animations'][0]['channels']}) == 10"
# Poses in a folder of their own.
job_file apart "['guard.gltf']" "[{'step': 'pose_to_clip', 'clip': 'bow', 'frame': 15, 'name': 'Stance_Idle', 'joints': 'all'}]" \
    "{'deliverables': ['model', 'clip', 'pose'], 'pose_file': 'poses/{clip}'}"
ends 0 deliver apart.wembrix --json
holds "arrived() == ['model', 'clip:bow', 'pose:Stance_Idle'] and len(glob.glob('deliveries/*/poses/Stance_Idle.glb')) == 1"
# The pose made by hand: two frames, all joints, the name exactly as the game looks for it.
make "figure('still.gltf', root='root')"
keys="{'curves': [{'of': 'spine', 'what': 'rotation_x_deg', 'keys': [{'frame': 0, 'value': 12}]}, {'of': 'head', 'what': 'rotation_y_deg', 'keys': [{'frame': 0, 'value': -20}]}]}"
job_file still "['still.gltf']" "[{'step': 'hand_keys', 'new_clip': 'Stance_Idle', 'mode': 'instead', 'frames': 2, 'loop': True, 'keys': $keys}]"
ends 0 deliver still.wembrix --json
holds "arrived() == ['model', 'clip:Stance_Idle']"
holds "len({c['target']['node'] for c in gltf('deliveries/*/still_Stance_Idle.glb')['animations'][0]['channels']}) == 10"
:
done_with_job
