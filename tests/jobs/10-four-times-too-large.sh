. "$(dirname "$0")/lib.sh"
job "10. Somebody else's model, four times too large"
make "figure('giant.gltf', root='root', size=4, extra=floor_and_camera)
figure('walk.gltf', root='root', clips=[walk('walk')])"
job_file hero "['giant.gltf', 'walk.gltf']" "[{'step': 'leave_behind', 'kinds': ['camera'], 'names': ['floor']}]"
ends 0 inspect hero.wembrix --json
holds "[(f['step'], f['parameters']['factor']) for f in d['findings'] if f['id'] == 'unlike_size'] == [('scale', 0.25)]"
ends 0 deliver hero.wembrix --json
job_file hero "['giant.gltf', 'walk.gltf']" "[{'step': 'leave_behind', 'kinds': ['camera'], 'names': ['floor']}, {'step': 'scale', 'factor': 0.25},
    {'step': 'bring_takes'}]"
ends 1 board hero.wembrix --json
holds "{c['state'] for x in d['board'] for c in x['cells']} == {'stale'}"
ends 0 deliver hero.wembrix --json
holds "len(arrived()) == 2"
holds "1.7 < json.load(open(glob.glob('deliveries/*/delivery.json')[0]))['height_m'] < 2.0"
# Images of materials and a slot that stands out: by hand, in the window's tests (looks_test, surface_station_test).
done_with_job
