// Skinned and moving surfaces of COLLADA files as three.js poses them, against ours, corner for corner at several
// moments. usage: node collada_frames.mjs FOLDER
import fs from 'node:fs';
import path from 'node:path';
import {DOMParser} from '@xmldom/xmldom';
globalThis.self = globalThis;
globalThis.DOMParser = DOMParser;
const THREE = await import('three');
const {ColladaLoader} = await import('three/addons/loaders/ColladaLoader.js');

const folder = process.argv[2];
let corners = 0, worst = 0, where = '', files = 0;
for (const name of fs.readdirSync(folder).filter((file) => file.endsWith('.dae')).sort()) {
  const ours = JSON.parse(fs.readFileSync(path.join(folder, name + '.json')));
  const say = console.log;
  console.log = () => {}; // it says the version of each file
  const {scene} = new ColladaLoader().parse(fs.readFileSync(path.join(folder, name), 'utf8'), folder);
  console.log = say;
  const mixer = new THREE.AnimationMixer(scene);
  const clips = scene.animations ?? [];
  for (const clip of clips) {
    const action = mixer.clipAction(clip);
    action.setLoop(THREE.LoopOnce);
    action.clampWhenFinished = true; // its last frame is looked at, too, and last of all
    action.play();
  }
  if (ours.times.length > 1 && clips.length !== 1) throw new Error(`${name}: ${clips.length} clips there`);
  // A surface whose mesh has several materials is one object there, with groups.
  const meshes = new Map();
  scene.traverse((node) => {
    if (!node.isMesh) return;
    const shown = node.name || node.parent.name;
    if (!meshes.has(shown)) meshes.set(shown, []);
    meshes.get(shown).push(node);
  });
  for (const [frame, seconds] of ours.times.entries()) {
    mixer.setTime(Math.fround(seconds));
    scene.updateMatrixWorld(true);
    for (const [surface, mine] of Object.entries(ours.surfaces)) {
      const pieces = meshes.get(surface);
      if (!pieces) throw new Error(`${name}: three has no mesh ${surface}; it has ${[...meshes.keys()]}`);
      let c = 0;
      for (const mesh of pieces) {
        const geometry = mesh.geometry.index ? mesh.geometry.toNonIndexed() : mesh.geometry;
        const count = geometry.attributes.position.count;
        if (mesh.isSkinnedMesh) mesh.skeleton.update();
        const at = new THREE.Vector3();
        for (let k = 0; k < count; ++k, ++c) {
          if (k % 3 !== 0) continue;
          mesh.getVertexPosition(k, at);
          at.applyMatrix4(mesh.matrixWorld);
          const v = mine.corners[c] * 3;
          const q = mine.frames[frame];
          const apart = Math.hypot(at.x - q[v], at.y - q[v + 1], at.z - q[v + 2]) / ours.size;
          corners++;
          if (!(apart <= worst)) { worst = apart; where = `${name} ${surface} corner ${c} at ${seconds} s`; }
        }
      }
      if (c !== mine.corners.length) throw new Error(`${name}: ${surface} has ${c} corners there and ${mine.corners.length} here`);
    }
  }
  files++;
}
console.log(`${files} COLLADA files, ${corners} corners: at most ${worst.toExponential(2)} of the size apart (${where})`);
process.exit(files > 0 && worst <= 1e-5 ? 0 : 1);
