// A listener of the live hand-over in a browser: it takes model and clips, shows them, says what it made of them, and
// follows the pose. The protocol is docs/live.md.
import * as THREE from 'three';
import { GLTFLoader } from '/three/GLTFLoader.js';
import { OrbitControls } from '/three/OrbitControls.js';

const at = (id) => document.getElementById(id);
const say = (id, text) => { at(id).textContent = text; };

const scene = new THREE.Scene();
const camera = new THREE.PerspectiveCamera(35, 1, 0.001, 10000);
const renderer = new THREE.WebGLRenderer({ antialias: true, alpha: true, preserveDrawingBuffer: true });
at('view').appendChild(renderer.domElement);
const orbit = new OrbitControls(camera, renderer.domElement);
scene.add(new THREE.HemisphereLight(0xffffff, 0x9a9f98, 2.2));
const sun = new THREE.DirectionalLight(0xffffff, 1.6);
sun.position.set(2, 4, 3);
scene.add(sun);

const held = {}; // by deliverable: {root, bones, surfaces, height}
let model = null;
let coming = null; // the file that is on its way
let names = { joints: [], shapes: [] };
let targets = { joints: [], shapes: [] };
let poses = 0;

function size() {
  const box = at('view').getBoundingClientRect();
  renderer.setSize(box.width, box.height - 3);
  camera.aspect = box.width / Math.max(1, box.height - 3);
  camera.updateProjectionMatrix();
}
new ResizeObserver(size).observe(at('view'));

function draw() {
  requestAnimationFrame(draw);
  orbit.update();
  renderer.render(scene, camera);
}
draw();

// Names as they stand in the file: the loader changes some.
function named(gltf) {
  const found = { bones: new Map(), surfaces: new Map(), joints: new Set() };
  const nodes = gltf.parser.json.nodes || [];
  for (const skin of gltf.parser.json.skins || []) skin.joints.forEach((joint) => found.joints.add(joint));
  gltf.scene.traverse((object) => {
    const own = gltf.parser.associations.get(object);
    if (own && own.nodes !== undefined) {
      const name = nodes[own.nodes].name;
      if (!found.bones.has(name)) found.bones.set(name, { object, node: own.nodes });
      if (object.morphTargetInfluences) found.surfaces.set(name, [...(found.surfaces.get(name) || []), object]);
    }
    if (object.morphTargetInfluences && object.parent) {
      const above = gltf.parser.associations.get(object.parent);
      if (above && above.nodes !== undefined && !(own && own.nodes !== undefined)) {
        const name = nodes[above.nodes].name;
        found.surfaces.set(name, [...(found.surfaces.get(name) || []), object]);
      }
    }
  });
  return found;
}

function describe(gltf, found) {
  gltf.scene.updateMatrixWorld(true);
  const nodes = gltf.parser.json.nodes || [];
  const bones = [];
  for (const { object, node } of found.bones.values()) {
    // A skeleton without a surface has no list of its joints: all that a clip's file holds but surfaces is one.
    const isJoint = found.joints.size ? found.joints.has(node)
      : gltf.animations.length > 0 && nodes[node].mesh === undefined && nodes[node].camera === undefined;
    if (isJoint) bones.push(new THREE.Vector3().setFromMatrixPosition(object.matrixWorld).toArray());
  }
  const bounds = new THREE.Box3();
  const point = new THREE.Vector3();
  let shapes = 0;
  let vertices = 0;
  const counted = new Set();
  gltf.scene.traverse((object) => {
    if (!object.isMesh) return;
    const places = object.geometry.getAttribute('position');
    vertices += places.count;
    for (let i = 0; i < places.count; ++i) {
      point.fromBufferAttribute(places, i);
      if (!object.isSkinnedMesh) point.applyMatrix4(object.matrixWorld);
      bounds.expandByPoint(point);
    }
    const mesh = gltf.parser.associations.get(object)?.meshes;
    if (!counted.has(mesh)) shapes += object.morphTargetInfluences ? object.morphTargetInfluences.length : 0;
    counted.add(mesh);
  });
  const clips = gltf.animations.map((clip) => ({ name: clip.name, seconds: clip.duration }));
  return { bones, bounds: vertices ? [bounds.min.toArray(), bounds.max.toArray()] : null, vertices, shapes, clips };
}

function frame(box) {
  const middle = box.getCenter(new THREE.Vector3());
  const reach = box.getSize(new THREE.Vector3()).length() / 2;
  const away = reach / Math.sin((camera.fov / 2) * Math.PI / 180);
  camera.position.copy(middle).add(new THREE.Vector3(0.75, 0.25, 0.75).normalize().multiplyScalar(away));
  camera.near = reach / 100;
  camera.far = reach * 100;
  camera.updateProjectionMatrix();
  orbit.target.copy(middle);
}

function show(gltf, found) {
  if (model) scene.remove(model.root);
  const first = model === null;
  model = { root: gltf.scene, bones: found.bones, surfaces: found.surfaces };
  scene.add(model.root);
  at('empty').hidden = true;
  const box = new THREE.Box3().setFromObject(model.root);
  const grid = scene.getObjectByName('ground') || scene.add(new THREE.GridHelper(1, 10, 0xb8bdb4, 0xcfd3ca)).children.at(-1);
  grid.name = 'ground';
  grid.scale.setScalar(Math.max(1e-3, 2.5 * box.getSize(new THREE.Vector3()).length()));
  if (first) frame(box);
  aim();
}

// The camera goes along with whoever walks away.
function follow() {
  const joints = targets.joints.filter((joint) => joint);
  if (!joints.length) return;
  model.root.updateMatrixWorld(true);
  const middle = new THREE.Vector3();
  const point = new THREE.Vector3();
  for (const joint of joints) middle.add(point.setFromMatrixPosition(joint.matrixWorld));
  middle.divideScalar(joints.length);
  if (model.middle) {
    const moved = middle.clone().sub(model.middle).setY(0);
    camera.position.add(moved);
    orbit.target.add(moved);
  }
  model.middle = middle;
}

// What poses are of, looked up once.
function aim() {
  if (!model) return;
  targets.joints = names.joints.map((name) => model.bones.get(name)?.object || null);
  targets.shapes = names.shapes.map((one) => ({ count: one.names.length, objects: model.surfaces.get(one.node) || [] }));
}

function row(file, made) {
  const id = 'file ' + file.deliverable;
  let line = document.getElementById(id);
  if (!line) {
    line = at('files').tBodies[0].insertRow();
    line.id = id;
  }
  line.replaceChildren();
  const box = made.bounds ? made.bounds[1].map((high, k) => (high - made.bounds[0][k]).toFixed(3)).join(' × ') + ' m' : '';
  const clip = made.clips.map((one) => one.seconds.toFixed(3) + ' s').join(', ');
  for (const [text, kind] of [[file.name || file.kind, ''], [made.bones.length, 'number'], [file.kind === 'clip' ? clip : box, 'number']]) {
    const cell = line.insertCell();
    cell.textContent = text;
    cell.className = kind;
  }
}

const token = location.hash.slice(1);
let socket = null;
const contents = new Map(); // what each content made, for when the connection was lost

async function take(file, bytes) {
  try {
    const gltf = await new GLTFLoader().parseAsync(bytes, '');
    const found = named(gltf);
    const made = describe(gltf, found);
    held[file.deliverable] = made;
    contents.set(file.content, made);
    if (file.kind === 'model') show(gltf, found);
    row(file, made);
    tell({ message: 'made', file: file.file, made });
  } catch (error) {
    say('wrong', `${file.file_name}: ${error.message}`);
    tell({ message: 'made', file: file.file, problem: String(error.message).slice(0, 200) });
  }
}

function tell(message) {
  if (socket.readyState === WebSocket.OPEN) socket.send(JSON.stringify(message));
}

function pose(said) {
  if (!model) return;
  said.joints.forEach((v, i) => {
    const joint = targets.joints[i];
    if (!joint) return;
    joint.position.set(v[0], v[1], v[2]);
    joint.quaternion.set(v[3], v[4], v[5], v[6]);
    joint.scale.set(v[7], v[8], v[9]);
  });
  let first = 0;
  for (const one of targets.shapes) {
    for (const object of one.objects) {
      for (let i = 0; i < Math.min(one.count, object.morphTargetInfluences.length); ++i) {
        object.morphTargetInfluences[i] = said.weights[first + i];
      }
    }
    first += one.count;
  }
  follow();
  ++poses;
  say('pose', said.clip ? `${said.clip}, ${said.seconds.toFixed(3)} s` : 'rest pose');
  document.body.dataset.poses = poses;
  if (said.ask !== undefined) {
    const places = said.about.map((i) => targets.joints[i]
      ? new THREE.Vector3().setFromMatrixPosition(targets.joints[i].matrixWorld).toArray() : null);
    tell({ message: 'posed', ask: said.ask, places });
  }
}

function part(bytes) {
  if (!coming) return;
  coming.parts.push(bytes);
  coming.there += bytes.byteLength;
  if (coming.there < coming.file.bytes) {
    tell({ message: 'more', file: coming.file.file, from: coming.there });
    return;
  }
  const { file, parts } = coming;
  coming = null;
  new Blob(parts).arrayBuffer().then((whole) => take(file, whole));
}

function hear(text) {
  const said = JSON.parse(text);
  if (said.message === 'welcome') {
    say('job', said.job);
    say('to', '→ ' + said.destination);
    say('state', 'listening');
  } else if (said.message === 'refused') {
    say('wrong', 'Wembrix says: ' + said.why);
  } else if (said.message === 'file') {
    coming = { file: said, parts: [], there: 0 };
  } else if (said.message === 'kept') {
    tell({ message: 'made', file: said.file, made: contents.get(said.content) });
  } else if (said.message === 'joints') {
    names = { joints: said.names, shapes: said.shapes };
    aim();
  } else if (said.message === 'pose') {
    pose(said);
  }
}

function join() {
  socket = new WebSocket(`ws://${location.host}/live`);
  socket.binaryType = 'arraybuffer';
  socket.onopen = () => {
    say('wrong', '');
    tell({ message: 'hello', version: 1, token, name: 'web page', project: navigator.userAgent.includes('Headless') ? 'headless' : 'browser',
      takes: ['model', 'clip'], has: [...contents.keys()] });
  };
  socket.onmessage = (event) => (typeof event.data === 'string' ? hear(event.data) : part(event.data));
  socket.onclose = () => {
    coming = null;
    say('state', 'not connected: Wembrix may have stopped listening');
    setTimeout(join, 2000);
  };
}
join();
