// Cameras and lights made at random over a triangle, delivered as COLLADA and read by three.js: by the nodes they stand at, with what
// its reader takes of them. usage: node collada_optics.mjs WEMBRIX_CLI DESTINATION WORK_FOLDER FIRST_SEED COUNT
import {execFileSync} from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import {DOMParser} from '@xmldom/xmldom';
import {asGlb} from './random_gltf.mjs';
import {readGlb} from './glb.mjs';
globalThis.self = globalThis;
globalThis.DOMParser = DOMParser;
const {ColladaLoader} = await import('three/addons/loaders/ColladaLoader.js');

const [cli, destinationFile, work, first, count] = process.argv.slice(2);
fs.mkdirSync(work, {recursive: true});
const accepts = ['size', 'roots', 'contract', 'illegal_name'].map((finding) => ({step: 'accept_finding', finding, note: 'made at random'}));
fs.writeFileSync(`${work}/accept.card.json`, JSON.stringify({steps: accepts}));
const plain = {...JSON.parse(fs.readFileSync(destinationFile)), max_influences: 8, joint_names: '^.*$'};

/// A file with a triangle and up to six cameras and lights, some of them below others.
function made(seed) {
  let state = seed * 2654435761 + 1;
  const random = () => (state = (Math.imul(state ^ (state >>> 15), 1597334677) + 12345) >>> 0) / 2 ** 32;
  const between = (a, b) => a + (b - a) * random();
  const points = new Float32Array([0, 0, 0, 1, 0, 0, 0, 1, 0]);
  const json = {asset: {version: '2.0'}, scene: 0, scenes: [{nodes: [0]}], nodes: [{name: 'shown', mesh: 0, children: []}],
                meshes: [{name: 'triangle', primitives: [{attributes: {POSITION: 0}}]}], cameras: [],
                accessors: [{bufferView: 0, componentType: 5126, count: 3, type: 'VEC3', min: [0, 0, 0], max: [1, 1, 0]}],
                bufferViews: [{buffer: 0, byteLength: 36}], buffers: [{byteLength: 36}],
                extensionsUsed: ['KHR_lights_punctual'], extensions: {KHR_lights_punctual: {lights: []}}};
  for (let i = 0; i < 6; ++i) {
    const node = {name: `at_${i}`, translation: [between(-1, 1), between(-1, 1), between(-1, 1)]};
    if (random() < 0.5) {
      const reach = {znear: between(0.01, 1), zfar: between(2, 100)};
      const lens = random() < 0.5 ? {type: 'perspective', perspective: {yfov: between(0.2, 2), ...(random() < 0.5 ? {aspectRatio: between(0.5, 2)} : {}), ...reach}}
                                  : {type: 'orthographic', orthographic: {xmag: between(0.5, 3), ymag: between(0.5, 3), ...reach}};
      node.camera = json.cameras.push({name: `eye_${i}`, ...lens}) - 1;
    } else {
      const type = ['directional', 'point', 'spot'][Math.floor(random() * 3)];
      const lights = json.extensions.KHR_lights_punctual.lights;
      const light = lights.push({name: `lamp_${i}`, type, color: [random(), random(), random()], intensity: between(1, 50),
                                 ...(type === 'spot' ? {spot: {outerConeAngle: between(0.3, 1.4)}} : {})}) - 1;
      node.extensions = {KHR_lights_punctual: {light}};
    }
    json.nodes[0].children.push(json.nodes.push(node) - 1);
  }
  if (!json.cameras.length) delete json.cameras;
  return {json, binary: Buffer.from(points.buffer)};
}

let cameras = 0, lights = 0;
const wrong = [];
for (let seed = Number(first); seed < Number(first) + Number(count); ++seed) {
  const source = path.join(work, `made_${seed}.glb`);
  fs.writeFileSync(source, asGlb(made(seed)));
  const out = {};
  for (const container of ['glb', 'dae']) {
    fs.writeFileSync(`${work}/${container}.destination.json`, JSON.stringify({...plain, container}));
    out[container] = path.join(work, `${container}_${seed}`);
    execFileSync(cli, ['deliver', '--card', `${work}/accept.card.json`, '--destination', `${work}/${container}.destination.json`,
                       '--out', out[container], source], {stdio: 'ignore'});
  }
  const fileIn = (folder, suffix) => fs.readdirSync(folder, {recursive: true}).filter((name) => name.endsWith(suffix)).map((name) => path.join(folder, name))[0];
  const {json} = readGlb(fileIn(out.glb, '.glb'));
  const say = [console.log, console.warn];
  console.log = console.warn = () => {}; // it says the version of each file
  const {scene} = new ColladaLoader().parse(fs.readFileSync(fileIn(out.dae, '.dae'), 'utf8'), out.dae);
  [console.log, console.warn] = say;
  const there = (name, kind) => {
    let found;
    // A node with one thing is that thing there; with several it is a group that holds them.
    scene.traverse((node) => { if (node[kind] && (node.name === name || node.parent?.name === name)) found ??= node; });
    return found;
  };
  const check = (what, a, b) => {
    if (!(Math.abs(a - b) <= 1e-5 * Math.max(1, Math.abs(a)))) wrong.push(`seed ${seed} ${what}: ${a} here, ${b} there`);
  };
  for (const node of json.nodes) {
    if (node.camera !== undefined) {
      const mine = json.cameras[node.camera];
      const other = there(node.name, 'isCamera');
      cameras++;
      if (!other) { wrong.push(`seed ${seed}: no camera at ${node.name}`); continue; }
      const lens = mine[mine.type];
      check(`${node.name} near`, lens.znear, other.near);
      if (lens.zfar !== undefined) check(`${node.name} far`, lens.zfar, other.far);
      if (mine.type === 'perspective') {
        check(`${node.name} angle`, lens.yfov * 180 / Math.PI, other.fov);
        if (lens.aspectRatio !== undefined) check(`${node.name} aspect`, lens.aspectRatio, other.aspect);
      } else {
        check(`${node.name} width`, lens.xmag, other.right * 2);  // what we take for the half is the whole there
        check(`${node.name} height`, lens.ymag, other.top * 2);
      }
    }
    const light = node.extensions?.KHR_lights_punctual?.light;
    if (light !== undefined) {
      const mine = json.extensions.KHR_lights_punctual.lights[light];
      const other = there(node.name, 'isLight');
      lights++;
      if (!other) { wrong.push(`seed ${seed}: no light at ${node.name}`); continue; }
      const kind = {directional: 'isDirectionalLight', point: 'isPointLight', spot: 'isSpotLight'}[mine.type];
      if (!other[kind]) wrong.push(`seed ${seed}: ${node.name} is no ${mine.type} light there`);
    }
  }
}
for (const one of wrong.slice(0, 10)) console.log(one);
console.log(`${count} files as COLLADA, ${cameras} cameras and ${lights} lights in three.js: ${wrong.length} wrong`);
process.exit(wrong.length === 0 && cameras > 0 && lights > 0 ? 0 : 1);
