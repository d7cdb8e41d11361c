. "$(dirname "$0")/lib.sh"
job "9. A crest of hair"
make "def nod(out, at):
    times = [f / 30 for f in range(31)]
    out.clip('nod', [(at['head'], 'rotation', times, [turn('x', 40 * math.sin(math.pi * f / 30)) for f in range(31)])])
figure('bird.gltf', root='root', clips=[nod])"
# The scalp is the top of the head's box, 1.78 m up; guides stand in front, at the back, and one between them.
crest="{'step': 'strand_region', 'name': 'crest', 'surface': 'body', 'vertices': ['18-19', '22-23']},
    {'step': 'strand_guides', 'strands': 'crest', 'guides': [
        {'root_mm': [0, 1780, 60], 'points_mm': [[0, 50, -10], [0, 90, -40]]},
        {'root_mm': [0, 1780, 0], 'points_mm': [[0, 60, -20], [0, 100, -70]]},
        {'root_mm': [0, 1780, -60], 'points_mm': [[0, 70, -30], [0, 110, -100]]}]},
    {'step': 'grow_strands', 'strands': 'crest', 'count': 300, 'points': 12, 'length': 1.2, 'length_varies': 0.1,
     'width_root_mm': 0.8, 'width_tip_mm': 0.1, 'width_profile': ['1', '0.9', '0'], 'clumps': 12, 'clump': 0.5,
     'noise_mm': 2, 'seed': 3}"
follow="{'step': 'bind_strands', 'strands': 'crest', 'follow': 'stiff'},
    {'step': 'cache_strands', 'strands': 'crest', 'clips': ['nod']}"
engine="{'up': '+Z', 'forward': '-Y', 'unit_m': 0.01, 'points_container': 'usdc'}"
job_file crest "['bird.gltf']" "[$crest, $follow]" "$engine"
ends 0 strands crest.wembrix --json
holds "d['strands'][0]['count'] == 300 and d['strands'][0]['guides'] == 3 and [round(w, 3) for w in d['strands'][0]['widths_mm']] == [0.1, 0.8]"
holds "max(c['root_drift_mm'] for c in d['strands'][0]['clips']) < 0.001 and d['strands'][0]['clips'][0]['length_change'] < 1e-4"
ends 0 deliver crest.wembrix --json
holds "set(arrived()) == {'model', 'clip:nod', 'strands:crest', 'cache:crest/nod'}"
# It stands where the model's head is, as large as it should be, in the engine's own unit; and its roots are on it.
holds "[c['actual'] for x in d['deliveries'] for r in x['deliverables'] if r['deliverable'] == 'strands:crest' for c in r['claims'] if c['claim'] == 'On the model'][0].startswith('0.000')"
holds "[c['expected'] for x in d['deliveries'] for r in x['deliverables'] if r['deliverable'] == 'cache:crest/nod' for c in r['claims'] if c['claim'] == 'Frames'] == ['31 f at 30/s']"
ends 0 inspect "$(ls deliveries/*/crest_crest.usdc)" --json
holds "d['curves'][0]['curves'] == 300 and d['curves'][0]['has_widths'] and d['curves'][0]['roots'] == 300"
# The engine reads its models as centimetres though they say metres: what then does not stand on the head is held.
job_file crest "['bird.gltf']" "[$crest, $follow]" "{'up': '+Y', 'unit_m': 1, 'points_container': 'usdc', 'reads': {'up': '+Y', 'forward': '+Z', 'unit_m': 0.01}}"
ends 1 deliver crest.wembrix --out wrong --json
holds "[r['reason'] for x in d['deliveries'] for r in x['deliverables'] if r['deliverable'] == 'strands:crest'][0].startswith('On the model')"
# Without widths it is not let out, and the step that gives some is offered.
job_file crest "['bird.gltf']" "[$crest, {'step': 'set_strand_widths', 'strands': 'crest', 'root_mm': 0, 'tip_mm': 0}]" "$engine"
ends 1 deliver crest.wembrix --out none --json
ends 0 inspect crest.wembrix --json
holds "[f['step'] for f in d['findings'] if f['id'] == 'strand_widths'] == ['set_strand_widths']"
# An engine that takes no strands is told of as such.
job_file crest "['bird.gltf']" "[$crest, $follow]"
ends 0 deliver crest.wembrix --out plain --json
holds "any(l['what'] == 'curves' and l['by'] == 'container' for x in d['deliveries'] for l in x['left'])"
done_with_job
