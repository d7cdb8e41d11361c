. "$(dirname "$0")/lib.sh"
job "1. A set of props for the stall"
make "
def things(out, at=None):
    for name, x in (('lamp', 2), ('crate', 4)):
        corners, sides = box([x - .2, 0, -.2], [x + .2, .5, .2])
        out.node(name, mesh=out.mesh(name, corners, sides))
    out.json['cameras'] = [{'type': 'perspective', 'perspective': {'yfov': 0.7, 'znear': 0.1}}]
    out.node('camera', camera=0)
f = File(); things(f); f.save('stall.gltf')"
job_file stall "['stall.gltf']" "[{'step': 'leave_behind', 'kinds': ['camera']},
    {'step': 'place_origin', 'at': 'own', 'by': 'ground'},
    {'step': 'rename_surfaces', 'what': 'surfaces', 'rules': [{'find': '^', 'replace': 'stall_'}]}]"
ends 0 deliver stall.wembrix --json
holds "arrived() == ['model']"
holds "sorted(n['name'] for n in gltf('deliveries/*/stall_model.glb')['nodes']) == ['stall_crate', 'stall_lamp']"
holds "not any('translation' in n for n in gltf('deliveries/*/stall_model.glb')['nodes'])"
holds "[e['what'] for x in d['deliveries'] for e in x['left']].count('camera') == 1"
# Each by itself: a file a prop in a folder, and what changes in one leaves the other as it is.
job_file each "['stall.gltf']" "[{'step': 'leave_behind', 'kinds': ['camera']},
    {'step': 'rename_surfaces', 'what': 'surfaces', 'rules': [{'find': '^', 'replace': 'stall_'}]}]" \
    "{'deliverables': ['prop'], 'prop_file': 'props/{job}_{prop}'}"
ends 0 deliver each.wembrix --plan --json
holds "[r['file'] for r in d['deliveries'][0]['planned']] == ['props/each_stall_lamp.glb', 'props/each_stall_crate.glb']"
ends 0 deliver each.wembrix --json
holds "arrived() == ['prop:stall_lamp', 'prop:stall_crate']"
holds "[n['name'] for n in gltf('deliveries/*/props/each_stall_lamp.glb')['nodes']] == ['stall_lamp']"
# Each file has its id, the set its family's, however files are called.
ends 0 variant each.wembrix --family 'Stall goods' --name dry
ends 0 variant each.wembrix each_wet.wembrix --name wet
ends 0 deliver each.wembrix --out dry --json
ends 0 deliver each_wet.wembrix --out wet --json
holds "len({gltf(f)['asset']['extras']['wembrix']['family']['id'] for f in glob.glob('wet/*/props/*.glb') + glob.glob('dry/*/props/*.glb')}) == 1"
holds "sorted({gltf(f)['asset']['extras']['wembrix']['variant']['name'] for f in glob.glob('wet/*/props/*.glb') + glob.glob('dry/*/props/*.glb')}) == ['dry', 'wet']"
# Two sets packed into one folder: neither takes the place of the other, and each is whole where it is unpacked.
ends 0 deliver each.wembrix
ends 0 package each.wembrix --out packages --zip
ends 0 package each.wembrix --out packages --zip
holds "sorted(os.listdir('packages')) == ['Stall_goods.zip', 'Stall_goods_2.zip']"
python3 -m zipfile -e packages/Stall_goods_2.zip unpacked
ends 0 verify unpacked --json
holds "d['whole'] and d['files'] == 3"
# A thumbnail with each, or a picture of one's own.
job_file seen "['stall.gltf']" "[{'step': 'leave_behind', 'kinds': ['camera']},
    {'step': 'rename_surfaces', 'what': 'surfaces', 'rules': [{'find': '^', 'replace': 'stall_'}]}]" \
    "{'deliverables': ['prop'], 'prop_file': '{prop}', 'pictures': 128, 'report': True}"
ends 0 deliver seen.wembrix --json
holds "struct.unpack('>II', open(glob.glob('deliveries/*/pictures/stall_lamp.glb.png')[0], 'rb').read()[16:24]) == (128, 128)"
cp deliveries/*/pictures/stall_crate.glb.png own.png
ends 0 picture seen.wembrix prop:stall_lamp own.png
ends 0 deliver seen.wembrix --json
holds "open(glob.glob('deliveries/*/pictures/stall_lamp.glb.png')[0], 'rb').read() == open('own.png', 'rb').read()"
# The lid that swings: two joints after a plan, each holds its own pieces, keyed by hand, and it repeats.
"$build/demo/wembrix-demo-maker" demo > /dev/null
ends 0 deliver demo/stall_lid.wembrix --destination 'Lantern web view' --out lid --json
holds "arrived() == ['model', 'clip:swing']"
holds "[(c['name'], c['frames'], c['loop']) for c in json.load(open('lid/delivery.json'))['clips']] == [('swing', 61, True)]"
holds "[n['name'] for n in gltf('lid/stall_lid_model.glb')['nodes'] if 'mesh' not in n] == ['base', 'lid']"
ends 0 inspect demo/stall_lid.wembrix --json
holds "{f['id'] for f in d['findings']} == {'expected_size'}"
# Normals, coordinates and tangents arrive: those that came in value for value, those that the card makes of length one.
make "
f = File()
corners, sides = box([-.2, 0, -.2], [.2, .5, .2])
normals = [[0.6, 0.8, 0] for _ in corners]
f.node('crate', mesh=f.mesh('crate', corners, sides, {'NORMAL': f.accessor(normals, 'VEC3'),
    'TEXCOORD_0': f.accessor([[c[0], c[1]] for c in corners], 'VEC2')}))
f.save('crate.gltf')"
job_file kept "['crate.gltf']" "[]"
ends 0 deliver kept.wembrix --json
holds "all(max(abs(a - b) for a, b in zip(n, (0.6, 0.8, 0))) < 1e-6 for n in values(glob.glob('deliveries/*/kept_model.glb')[0], 'NORMAL'))"
job_file made "['crate.gltf']" "[{'step': 'recompute_normals', 'hard_degrees': 30}, {'step': 'recompute_tangents'}]"
ends 0 deliver made.wembrix --json
holds "all(abs(sum(x * x for x in t[:3]) - 1) < 1e-5 and abs(t[3]) == 1 for t in values(glob.glob('deliveries/*/made_model.glb')[0], 'TANGENT'))"
done_with_job
