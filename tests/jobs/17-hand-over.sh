. "$(dirname "$0")/lib.sh"
job "17. Hand over without files in between"
# A bollard with a lid that turns, in centimetres; a point to hold a lamp at, and the folders of an open project.
make "def lamp(out, at):
    out.node('lamp_point', at['lid'], translation=[0, 20, 10])
figure('bollard.gltf', root='root', size=100, joints=[('post', None, (0, .5, 0)), ('lid', 'post', (0, .6, 0))],
    clips=[nod('open', 'lid', 60)], extra=lamp)"
mkdir -p quay/Models quay/Motion
touch quay/project.godot
job_file bollard "['bollard.gltf']" "[{'step': 'scale', 'factor': 0.01},
    {'step': 'make_hulls', 'from': 'joints', 'shape': 'convex'}]" \
    "{'container': 'glb', 'model_file': 'Models/{job}', 'clip_file': 'Motion/{job}_{clip}', 'hulls': 'below'}"
ends 0 deliver bollard.wembrix --destination "Quay engine" --out quay --json
holds "arrived() == ['model', 'clip:open'] and os.path.exists('quay/Models/bollard.glb') and os.path.exists('quay/Motion/bollard_open.glb')"
# Size right at once, the point where it was, times the same hundredth.
holds "0.75 < json.load(open('quay/delivery.json'))['height_m'] < 0.77"
holds "[[round(v, 6) for v in n['translation']] for n in gltf('quay/Models/bollard.glb')['nodes'] if n['name'] == 'lamp_point'] == [[0, 0.2, 0.1]]"
# A hull of its own for each joint that holds something.
holds "[n['name'] for n in gltf('quay/Models/bollard.glb')['nodes'] if 'hull' in n['name']] == ['post_hull_1', 'lid_hull_1']"
# Folders that are spelled in another way are refused by the ones that are there.
job_file other "['bollard.gltf']" "[{'step': 'scale', 'factor': 0.01}]" "{'container': 'glb', 'model_file': 'models/{job}'}"
ends 2 deliver other.wembrix --destination "Quay engine" --out quay
holds "'Models' in text"
# What a real importer makes of both: joints, bounds, clip lengths.
if command -v godot3-server > /dev/null; then
    ends 0 second-reader quay/Models/bollard.glb quay/Motion/bollard_open.glb --json
    holds "all(c['pass'] for f in (d if isinstance(d, list) else d['files']) for c in f['claims'])"
fi
done_with_job
