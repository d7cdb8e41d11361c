// What is in a source is in what was delivered, or stands in the ledger: counted and compared by a walk over the files'
// own JSON and numbers and by loaders.gl; the motion by three.js, at frames and between them.
// usage: node conserved.mjs WEMBRIX_CLI DESTINATION WORK_FOLDER FIRST_SEED COUNT
import {execFileSync} from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import {parse as load} from '@loaders.gl/core';
import {GLTFLoader as LoadersGl} from '@loaders.gl/gltf';
import {randomGltf, asGlb} from './random_gltf.mjs';
import {readGlb, numbers, withoutInstances, withoutLooks} from './glb.mjs';
import {THREE, parse, parts, worldPoint, paletteOf} from './three_scene.mjs';

const [cli, destinationFile, work, first, count] = process.argv.slice(2);
fs.mkdirSync(work, {recursive: true});
const destination = {...JSON.parse(fs.readFileSync(destinationFile)), max_influences: 8, joint_names: '^.*$', container: 'glb'};
// These are no characters: what stops a character's delivery is accepted.
const accepts = ['size', 'roots', 'contract', 'illegal_name'].map((finding) => ({step: 'accept_finding', finding, note: 'made at random'}));
fs.writeFileSync(`${work}/accept.card.json`, JSON.stringify({steps: accepts}));
// Every other file is turned and resized on its way.
fs.writeFileSync(`${work}/moved.card.json`, JSON.stringify({steps: [{step: 'rotate', degrees: 90, about: '+Y'}, {step: 'scale', factor: 2}, ...accepts]}));
const moved = new THREE.Matrix4().makeScale(2, 2, 2).multiply(new THREE.Matrix4().makeRotationY(Math.PI / 2));

const close = (a, b, limit = 2e-6) => a.length === b.length && a.every((x, i) => Math.abs(x - b[i]) <= limit * Math.max(1, Math.abs(x)));
const same = (a, b) => JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));
function sorted(value) {
  if (Array.isArray(value)) return value.map(sorted);
  if (value && typeof value === 'object') return Object.fromEntries(Object.keys(value).sort().map((key) => [key, sorted(value[key])]));
  return typeof value === 'number' ? Number(value.toPrecision(6)) : value;
}

/// Every thing of a file by a key that names it, with what it is: numbers or JSON.
function things(file) {
  const {json} = file;
  const found = new Map();
  const put = (owner, what, value) => found.set(`${owner}|${what}`, {owner, what, value});
  const told = (owner, object, except = []) => {
    const {targetNames, ...extras} = object.extras ?? {};
    if (Object.keys(extras).length) put(owner, 'extras', extras);
    for (const [name, value] of Object.entries(object.extensions ?? {})) if (!except.includes(name)) put(owner, `extension ${name}`, value);
  };
  const textureUses = (owner, value, at = '') => {
    if (!value || typeof value !== 'object') return;
    for (const [key, inner] of Object.entries(value)) {
      if (key === 'extras') continue;
      if (key.endsWith('Texture') && inner?.index !== undefined) {
        const texture = json.textures[inner.index];
        put(owner, `texture ${at}${key}`, {image: json.images[texture.source]?.name, texture: texture.name, set: inner.texCoord ?? 0,
                                           transform: inner.extensions?.KHR_texture_transform ?? null, sampler: texture.sampler === undefined ? null : sorted(json.samplers[texture.sampler])});
      }
      textureUses(owner, inner, `${at}${key}.`);
    }
  };
  const plain = (value) => {  // a material without its textures' places
    if (!value || typeof value !== 'object' || Array.isArray(value)) return value;
    return Object.fromEntries(Object.entries(value).filter(([key, inner]) => key !== 'index' && inner !== undefined).map(([key, inner]) => [key, plain(inner)]));
  };
  const within = (list) => list.flatMap((n) => [n, ...within(json.nodes[n].children ?? [])]);
  const variants = json.extensions?.KHR_materials_variants?.variants ?? [];
  for (const node of json.nodes ?? []) {
    put(node.name, 'node', true);
    told(node.name, node, ['KHR_lights_punctual']);
    if (node.camera !== undefined) put(node.name, 'camera', json.cameras[node.camera]);
    const light = node.extensions?.KHR_lights_punctual?.light;
    if (light !== undefined) put(node.name, 'light', json.extensions.KHR_lights_punctual.lights[light]);
    if (node.skin !== undefined) put(node.name, 'skin', true);  // it lists all joints now
    if (node.mesh === undefined) continue;
    const mesh = json.meshes[node.mesh];
    told(node.name + ' mesh', mesh);
    const gather = new Map();
    mesh.primitives.forEach((primitive, p) => {
      for (const [semantic, accessor] of Object.entries(primitive.attributes)) {
        if (/^(POSITION|NORMAL|TANGENT|JOINTS_|WEIGHTS_)/.test(semantic)) continue;
        let values = numbers(file, accessor);
        // A colour without opacity is one with all of it.
        if (semantic.startsWith('COLOR_') && json.accessors[accessor].type === 'VEC3') values = values.flatMap((x, i) => i % 3 === 2 ? [x, 1] : [x]);
        gather.set(semantic, [...(gather.get(semantic) ?? []), ...values]);
      }
      if (primitive.attributes.NORMAL !== undefined) gather.set('NORMAL', [...(gather.get('NORMAL') ?? []), json.accessors[primitive.attributes.NORMAL].count]);
      if (primitive.attributes.TANGENT !== undefined) gather.set('TANGENT', [...(gather.get('TANGENT') ?? []), json.accessors[primitive.attributes.TANGENT].count]);
      gather.set('vertices', [...(gather.get('vertices') ?? []), json.accessors[primitive.attributes.POSITION].count]);
      gather.set('indices', [...(gather.get('indices') ?? []), primitive.mode ?? 4, ...(primitive.indices === undefined ? [...Array(json.accessors[primitive.attributes.POSITION].count).keys()] : numbers(file, primitive.indices))]);
      (primitive.targets ?? []).forEach((target, t) => {
        for (const [semantic, accessor] of Object.entries(target)) {
          const key = `shape ${mesh.extras.targetNames[t]} ${semantic}`;
          let values = [json.accessors[accessor].count];
          if (/^(TEXCOORD|COLOR)_/.test(semantic)) {
            values = numbers(file, accessor);
            // A colour's fourth number is not changed where three are said.
            if (semantic.startsWith('COLOR_') && json.accessors[accessor].type === 'VEC3') values = values.flatMap((x, i) => i % 3 === 2 ? [x, 0] : [x]);
          }
          gather.set(key, [...(gather.get(key) ?? []), ...values]);
        }
      });
      told(`${node.name} primitive ${p}`, primitive, ['KHR_materials_variants']);
      if (primitive.material !== undefined) put(node.name, `material of primitive ${p}`, json.materials[primitive.material].name);
      for (const mapping of primitive.extensions?.KHR_materials_variants?.mappings ?? []) {
        for (const variant of mapping.variants) put(node.name, `variant ${variants[variant].name} of primitive ${p}`, json.materials[mapping.material].name);
      }
      const shown = [primitive.material, ...(primitive.extensions?.KHR_materials_variants?.mappings ?? []).map((mapping) => mapping.material)];
      for (const material of shown.filter((m) => m !== undefined).map((m) => json.materials[m])) {
        textureUses(material.name, material);
        put(material.name, 'material', plain(material));
      }
    });
    for (const [what, value] of gather) put(node.name, what, value);
    if (mesh.primitives[0].targets) put(node.name, 'weights of shapes at rest', node.weights ?? mesh.weights ?? Array(mesh.primitives[0].targets.length).fill(0));
  }
  for (const skin of json.skins ?? []) told(skin.name, skin);
  for (const take of json.animations ?? []) {
    put(take.name, 'take', true);
    told(take.name, take);
    for (const {target} of take.channels) put(take.name, `${target.path} keys of ${json.nodes[target.node].name}`, true);
  }
  if (json.asset.copyright) put('the file', 'copyright', json.asset.copyright);
  told('the file', json, ['KHR_lights_punctual', 'KHR_materials_variants']);
  // What a delivered file says of itself is not of its source.
  const {wembrix, ...extras} = json.asset.extras ?? {};
  told('the asset', {...json.asset, extras: json.asset.extras && Object.keys(extras).length ? extras : undefined});
  for (const scene of (json.scenes ?? []).slice(1)) put(scene.name, 'scene', within(scene.nodes ?? []).map((n) => json.nodes[n].name).sort());
  for (const scene of json.scenes ?? []) told(`scene ${scene.name}`, scene);
  return found;
}

/// The lengths that a file says in words of its own, as they are when all of it is twice as large.
function twiceAsLarge(file) {
  const twice = (object, keys) => { for (const key of keys) if (object?.[key] !== undefined) object[key] *= 2; };
  for (const camera of file.json.cameras ?? []) {
    twice(camera.perspective, ['znear', 'zfar']);
    twice(camera.orthographic, ['znear', 'zfar', 'xmag', 'ymag']);
  }
  for (const light of file.json.extensions?.KHR_lights_punctual?.lights ?? []) twice(light, ['range']);
  for (const material of file.json.materials ?? []) twice(material.extensions?.KHR_materials_volume, ['thicknessFactor', 'attenuationDistance']);
  return file;
}

const value_holds = (what, source, arrived) => Array.isArray(source) && source.every((x) => typeof x === 'number') ? close(source, arrived ?? []) : same(source, arrived);

/// Words by which a note of the reader is about a thing.
const noteWords = (thing) => [...(thing.what.startsWith('extension ') ? [thing.what.slice(10)] : []), thing.owner];

function unexplained(source, arrived, left) {
  const wrong = [];
  const notes = left.filter((row) => row.what === 'note');
  const rows = left.filter((row) => row.what !== 'note');
  for (const [key, thing] of source) {
    const there = arrived.get(key);
    // Of a scene what is not left behind itself, which is asked of it by its own name.
    const value = thing.what === 'scene' ? thing.value.filter((name) => arrived.has(`${name}|node`)) : thing.value;
    if (there && value_holds(thing.what, value, there.value)) continue;
    const named = thing.what.match(/keys of (.*)$/)?.[1];
    const byRow = rows.some((row) => row.name.includes(thing.owner) || (named && row.name.includes(named)) || (row.what === 'copyright' && thing.what === 'copyright'));
    const byNote = notes.some((note) => noteWords(thing).some((word) => (note.name + ' ' + note.why).includes(word)));
    if (!byRow && !byNote) wrong.push(`${key} ${there ? `is ${JSON.stringify(there.value).slice(0, 160)} and was ${JSON.stringify(thing.value).slice(0, 160)}` : 'is gone'}`);
  }
  // Nothing that is there is called left.
  for (const row of rows) {
    const kind = {surface: 'node', joint: 'node', camera: 'camera', light: 'light', empty: 'node', point: 'node', take: 'take', extras: 'extras'}[row.what];
    if (kind && arrived.has(`${row.name}|${kind}`)) wrong.push(`the ledger says that ${row.what} ${row.name} was left, and it is there`);
  }
  return wrong;
}

async function play(bytes, file) {
  fs.writeFileSync(file, bytes);
  const gltf = await parse(file);
  return {gltf, ...(await parts(gltf, file))};
}

function mixerOf(gltf, animation) {
  const tracks = animation.tracks.filter((track) => gltf.scene.getObjectByName(track.name.slice(0, track.name.lastIndexOf('.'))));
  const spread = [];
  for (const track of tracks) {
    const name = track.name.slice(0, track.name.lastIndexOf('.'));
    const property = track.name.slice(name.length + 1);
    const object = gltf.scene.getObjectByName(name);
    if (property !== 'morphTargetInfluences') { spread.push(track); continue; }
    object.traverse((child) => {
      if (!child.morphTargetInfluences || (child !== object && child.parent !== object)) return;
      if (child !== object && gltf.parser.associations.get(child)?.nodes !== undefined) return;
      const copy = track.clone();
      copy.createInterpolant = track.createInterpolant;
      copy.name = `${child.uuid}.${property}`;
      spread.push(copy);
    });
  }
  const mixer = new THREE.AnimationMixer(gltf.scene);
  const action = mixer.clipAction(new THREE.AnimationClip(animation.name, animation.duration, spread));
  action.setLoop(THREE.LoopOnce);
  action.clampWhenFinished = true;
  // An action that has come to its end stays there: it begins anew for every moment.
  return {setTime: (time) => { action.reset().play(); mixer.setTime(time); }};
}

async function motion(matrix, sourceFile, modelFile, clips) {
  const wrong = [];
  let compared = 0;
  const source = withoutInstances(readGlb(sourceFile));
  // Of a mesh with shapes that several nodes show, three.js moves the first one's, whichever node is meant.
  const shows = (source.json.nodes ?? []).map((node) => node.mesh);
  const ambiguous = new Set(source.json.nodes.filter((node) => node.mesh !== undefined && source.json.meshes[node.mesh].primitives[0].targets && shows.filter((mesh) => mesh === node.mesh).length > 1).map((node) => node.name));
  // And with a surface's shapes it moves those of the surfaces below it.
  const below = (node, seen) => (node.children ?? []).forEach((child) => {
    const it = source.json.nodes[child];
    const has = (one) => one.mesh !== undefined && source.json.meshes[one.mesh].primitives[0].targets;
    if (seen && has(it)) ambiguous.add(it.name);
    below(it, seen || has(it));
  });
  for (const node of source.json.nodes) below(node, node.mesh !== undefined && source.json.meshes[node.mesh].primitives[0].targets);
  for (const {name, file, between} of [{name: 'at rest'}, ...clips]) {
    const from = await play(withoutLooks(source), `${work}/from.glb`);
    const to = await play(withoutLooks(readGlb(modelFile)), `${work}/to.glb`);
    const still = {setTime: () => {}};
    const take = file ? from.gltf.animations.find((animation) => animation.name === name) : {duration: 0};
    const clip = file ? (await parse(file)).animations[0] : {duration: 0};
    const [there, here] = file ? [mixerOf(from.gltf, take), mixerOf(to.gltf, clip)] : [still, still];
    const frames = Math.round(take.duration * destination.rate);
    for (let quarter = 0; quarter <= frames * 4; ++quarter) {
      // A hair past the moment, so that stepped keys fall on the same side in both.
      const time = quarter / 4 / destination.rate + 2e-7;
      there.setTime(Math.min(time, take.duration));
      here.setTime(Math.min(time, clip.duration));
      from.gltf.scene.updateMatrixWorld(true);
      to.gltf.scene.updateMatrixWorld(true);
      const limit = 2e-4 + ((between ?? 0) / 1000 * (quarter % 4 === 0 ? 1e-4 : 1.02));
      for (const node of file ? [] : source.json.nodes) {  // where nothing is seen, too: cameras, lights, points
        const [a, b] = [from, to].map((side) => side.gltf.scene.getObjectByName(node.name));
        if (!a || !b || node.skin !== undefined) continue;
        ++compared;
        const apart = new THREE.Vector3().setFromMatrixPosition(a.matrixWorld).applyMatrix4(matrix).distanceTo(new THREE.Vector3().setFromMatrixPosition(b.matrixWorld));
        if (!(apart <= limit + 1e-5 * Math.hypot(...b.matrixWorld.elements.slice(12, 15)))) wrong.push(`${node.name} is ${(apart * 1000).toFixed(2)} mm off at rest`);
      }
      for (const surface of to.surfaces) {
        const was = from.surfaces.find((candidate) => candidate.name === surface.name);
        if (!was || ambiguous.has(surface.name)) continue;
        surface.pieces.forEach((piece, k) => {
          if (!was.pieces[k]) return;
          const [a, b] = [paletteOf(was.pieces[k]), paletteOf(piece)];
          for (let i = 0; i < piece.object.geometry.attributes.position.count; ++i, ++compared) {
            const was_at = worldPoint(was.pieces[k], i, a).clone().applyMatrix4(matrix);
            const here_at = worldPoint(piece, i, b).clone();
            const apart = was_at.distanceTo(here_at);
            if (!(apart <= limit + 1e-5 * here_at.length())) wrong.push(`${name} at ${time.toFixed(4)} s: ${surface.name} point ${i} is ${(apart * 1000).toFixed(2)} mm off (allowed ${(limit * 1000).toFixed(2)})`);
          }
        });
      }
    }
  }
  return {wrong: wrong.slice(0, 2), compared};
}

/// What another reader makes of the delivered file: as much of everything as our own walk finds.
async function byLoadersGl(file) {
  const bytes = fs.readFileSync(file);
  const read = await load(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength), LoadersGl, {gltf: {loadImages: false, decompressMeshes: false, excludeExtensions: ['KHR_texture_transform']}});
  const json = read.json ?? read;
  const counts = (of) => ({nodes: of.nodes?.length ?? 0, meshes: of.meshes?.length ?? 0, skins: of.skins?.length ?? 0, materials: of.materials?.length ?? 0,
                           primitives: (of.meshes ?? []).flatMap((mesh) => mesh.primitives).length, targets: (of.meshes ?? []).flatMap((mesh) => mesh.primitives.flatMap((primitive) => primitive.targets ?? [])).length,
                           channels: (of.animations ?? []).flatMap((take) => take.channels).length});
  return same(counts(json), counts(readGlb(file).json)) ? [] : [`loaders.gl reads ${path.basename(file)} as ${JSON.stringify(counts(json))}, and it holds ${JSON.stringify(counts(readGlb(file).json))}`];
}

let failed = 0, held = 0, compared = 0, counted = 0, left = 0;
for (let seed = Number(first); seed < Number(first) + Number(count); ++seed) {
  const sourceFile = `${work}/seed.glb`;
  const out = `${work}/out`;
  fs.rmSync(out, {recursive: true, force: true});
  fs.writeFileSync(sourceFile, asGlb(randomGltf(seed)));
  let report, wrong = [];
  const deliver = (root) => {
    // Some of these are hundreds of metres large: what floats round off there is more than half a millimetre.
    fs.writeFileSync(`${work}/any.destination.json`, JSON.stringify({...destination, root, drift_limit_mm: 2}));
    return JSON.parse(execFileSync(cli, ['deliver', '--json', '--card', `${work}/${seed % 2 ? 'moved' : 'accept'}.card.json`, '--destination', `${work}/any.destination.json`, '--out', out, sourceFile], {stdio: ['ignore', 'pipe', 'pipe'], maxBuffer: 1 << 28}));
  };
  try {
    try {
      report = deliver('root');
    } catch (error) {
      // The destination's word for the root is not the source's: it gets it.
      const root = `${error.stdout}`.match(/without a parent is called ([^"]*)\."/)?.[1];
      if (!root) throw error;
      report = deliver(root);
    }
  } catch (error) {
    try { report = JSON.parse(error.stdout); } catch {
      if (`${error.stderr}`.includes('there is nothing to deliver')) continue;  // cameras and lights alone: said so
 wrong.push(`ended with ${error.status}: ${error.stderr}${error.stdout}`.slice(0, 300)); }
  }
  if (report) {
    const {deliverables, left: ledger} = report.deliveries[0];
    for (const row of deliverables) if (row.state !== 'arrived') { ++held; wrong.push(`${row.deliverable} is held: ${row.reason}`); }
    const arrived = new Map();
    for (const row of deliverables.filter((one) => one.state === 'arrived')) {
      for (const file of row.files) {
        wrong.push(...await byLoadersGl(`${out}/${file}`));
        const its = things(readGlb(`${out}/${file}`));
        for (const [key, value] of its) if (!arrived.has(key) || row.deliverable === 'model') arrived.set(key, value);
      }
    }
    const source = things(seed % 2 ? twiceAsLarge(withoutInstances(readGlb(sourceFile))) : withoutInstances(readGlb(sourceFile)));
    counted += source.size;
    left += ledger.length;
    if (deliverables.every((row) => row.state === 'arrived')) {
      wrong.push(...unexplained(source, arrived, ledger));
      const model = deliverables.find((row) => row.deliverable === 'model');
      const clips = deliverables.filter((row) => row !== model).map((row) => ({name: row.deliverable.replace(/^clip[: ]*/, ''), file: `${out}/${row.files[0]}`, between: row.between_frames?.drift_mm ?? 0}));
      if (model) {
        try {
          const played = await motion(seed % 2 ? moved : new THREE.Matrix4(), sourceFile, `${out}/${model.files[0]}`, clips);
          wrong.push(...played.wrong);
          compared += played.compared;
        } catch (error) { wrong.push(`three.js: ${error.stack}`.slice(0, 400)); }
      }
    }
  }
  if (wrong.length) {
    ++failed;
    for (const line of wrong.slice(0, 4)) console.log(`seed ${seed}: ${line}`);
  }
}
console.log(`${count} random files: ${failed} not as they should be (${held} deliverables held) · ${counted} things found again or in the ledger (${left} entries) · three.js: ${compared} places at frames and between`);
process.exit(failed ? 1 : 0);
