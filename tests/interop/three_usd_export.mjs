// Files that three.js's own USD writer makes, read by us: every point where three.js has it, at rest and while it moves.
// usage: three_usd_export.mjs WEMBRIX_POINTS DIR
import {execFileSync} from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import {THREE} from './three_scene.mjs';
import {unzipSync} from 'three/addons/libs/fflate.module.js';
import {USDZExporter} from 'three/addons/exporters/USDZExporter.js';

const [tool, folder] = process.argv.slice(2);
fs.mkdirSync(folder, {recursive: true});

// Numbers that are the same each time.
let state = 7;
const drawn = (low, high) => {
  state = (state * 1103515245 + 12345) % 2147483648;
  return low + (high - low) * state / 2147483648;
};

function made(number) {
  const scene = new THREE.Scene();
  const kinds = [() => new THREE.BoxGeometry(0.4, 0.6, 0.2, 2, 1, 3), () => new THREE.SphereGeometry(0.3, 9, 7),
                 () => new THREE.TorusGeometry(0.4, 0.1, 6, 11), () => new THREE.ConeGeometry(0.2, 0.7, 8).toNonIndexed()];
  const tracks = [];
  let parent = scene;
  for (let i = 0; i < 5; ++i) {
    const mesh = new THREE.Mesh(kinds[(number + i) % kinds.length](),
                                new THREE.MeshStandardMaterial({color: new THREE.Color(drawn(0, 1), drawn(0, 1), 0.5), roughness: 0.4}));
    mesh.name = `piece_${i}`;
    mesh.position.set(drawn(-1, 1), drawn(-1, 1), drawn(-1, 1));
    mesh.quaternion.setFromEuler(new THREE.Euler(drawn(-2, 2), drawn(-2, 2), drawn(-2, 2)));
    if (i % 2 === 0) mesh.scale.set(drawn(0.5, 2), drawn(0.5, 2), drawn(0.5, 2));
    parent.add(mesh);
    if (i < 2) parent = mesh;
    if (number % 2 === 1 && i > 0) {
      tracks.push(new THREE.VectorKeyframeTrack(`piece_${i}.position`, [0, 1], [0, 0, 0, drawn(-1, 1), 1, 0]));
    }
  }
  return {scene, clip: tracks.length > 0 ? new THREE.AnimationClip('move', 1, tracks) : null};
}

function pointsOf(scene) {
  scene.updateMatrixWorld(true);
  const all = {};
  scene.traverse((object) => {
    if (!object.isMesh) return;
    const {position} = object.geometry.attributes;
    all[object.name] = Array.from({length: position.count}, (_, i) =>
      new THREE.Vector3().fromBufferAttribute(position, i).applyMatrix4(object.matrixWorld));
  });
  return all;
}

let worst = 0, compared = 0;
// Surfaces are called as the meshes of its files of geometry, all alike: what is where counts.
function hold(ours, theirs, label) {
  const points = Object.values(theirs).flat();
  const places = new Set(points.map((p) => p.toArray().map((x) => x.toFixed(5)).join()));
  const counts = Object.values(ours.surfaces).reduce((sum, surface) => sum + surface.count, 0);
  if (Object.keys(ours.surfaces).length !== Object.keys(theirs).length) throw new Error(`${label}: other surfaces`);
  if (counts < places.size) throw new Error(`${label}: ${counts} points here, ${places.size} places there`);
  for (const mine of Object.values(ours.surfaces)) {
    for (const [x, y, z] of mine.points) {
      let least = Infinity;
      for (const p of points) least = Math.min(least, Math.hypot(p.x - x, p.y - y, p.z - z));
      worst = Math.max(worst, least);
      ++compared;
    }
  }
}

const files = 6;
for (let number = 0; number < files; ++number) {
  const {scene, clip} = made(number);
  scene.updateMatrixWorld(true);
  const bytes = await new USDZExporter().parseAsync(scene, {animations: clip ? [clip] : [], animationFrameRate: 30});
  const own = path.join(folder, `exported_${number}`);
  for (const [name, part] of Object.entries(unzipSync(bytes))) {
    fs.mkdirSync(path.dirname(path.join(own, name)), {recursive: true});
    fs.writeFileSync(path.join(own, name), part);
  }
  execFileSync(tool, ['dump', path.join(own, 'model.usda'), path.join(own, 'ours.json')]);
  const ours = JSON.parse(fs.readFileSync(path.join(own, 'ours.json')));
  if (!clip) {
    hold(ours.rest, pointsOf(scene), `file ${number}`);
    continue;
  }
  if (ours.clips.length !== 1) throw new Error(`file ${number}: ${ours.clips.length} clips here`);
  const mixer = new THREE.AnimationMixer(scene);
  mixer.clipAction(clip).play();
  for (const frame of ours.clips[0].frames) {
    mixer.setTime(frame.seconds);
    hold(frame, pointsOf(scene), `file ${number} at ${frame.seconds.toFixed(3)} s`);
  }
}
console.log(`three: ${files} files of its USD writer, ${compared} points read where it has them, farthest ${worst.toExponential(2)}`);
process.exit(compared > 1000 && worst < 2e-5 ? 0 : 1);
