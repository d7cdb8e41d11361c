. "$(dirname "$0")/lib.sh"
job "3. One still pose that replaces the default stance"
make "figure('guard.gltf', root='root', clips=[nod('bow', 'spine', 60)])"
job_file guard "['guard.gltf']" "[{'step': 'pose_to_clip', 'clip': 'bow', 'frame': 15, 'name': 'Stance_Idle', 'joints': 'all'},
    {'step': 'leave_behind', 'names': ['bow']}]"
ends 0 deliver guard.wembrix --json
holds "arrived() == ['model', 'clip:Stance_Idle']"
holds "gltf('deliveries/*/guard_Stance_Idle.glb')['animations'][0]['name'] == 'Stance_Idle'"
holds "len({c['target']['node'] for c in gltf('deliveries/*/guard_Stance_Idle.glb')['animations'][0]['channels']}) == 10"
later "a pose made by hand"
done_with_job
