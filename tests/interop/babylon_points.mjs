// Surface points and joints as Babylon.js has them, against ours (wembrix-points dump), at sampled frames.
// usage: node babylon_points.mjs FILE.glb OURS.json [FILE OURS ...]
import fs from 'node:fs';
import path from 'node:path';
import {LoadAssetContainerAsync, Logger, NullEngine, Scene, Vector3} from '@babylonjs/core';
import '@babylonjs/loaders/glTF/2.0/index.js';

Logger.LogLevels = Logger.ErrorLogLevel;
const engine = new NullEngine();
const at = new Vector3();
let files = 0, points = 0, joints = 0, worst = 0, where = '', failed = 0;

/// The meshes of each node that shows one, in the order of its primitives.
function pieces(box, ours) {
  const found = new Map();
  for (const mesh of box.meshes) {
    const name = mesh.name.replace(/_primitive\d+$/, '');
    const shown = ours.rest.surfaces[mesh.name] ? mesh.name : name;
    if (!found.has(shown)) found.set(shown, []);
    if (mesh.getTotalVertices() > 0) found.get(shown).push(mesh);
  }
  return found;
}

function compare(ours, box, surfaces, byName, label) {
  const apart = (x, y, z, q, what) => {
    const far = Math.hypot(x - q[0], y - q[1], z - q[2]) / size;
    if (!(far <= worst)) { worst = far; where = `${label}: ${what}`; }
  };
  for (const node of [...box.transformNodes, ...box.meshes]) node.computeWorldMatrix(true);
  for (const skeleton of box.skeletons) skeleton.prepare(true);
  for (const [name, mine] of Object.entries(ours.surfaces)) {
    let index = 0, row = 0;
    for (const mesh of surfaces.get(name) ?? []) {
      const positions = mesh.getPositionData(true, true);
      const world = mesh.getWorldMatrix();
      for (let i = 0; i < positions.length / 3; ++i, ++index) {
        if (index % mine.step !== 0) continue;
        Vector3.TransformCoordinatesFromFloatsToRef(positions[3 * i], positions[3 * i + 1], positions[3 * i + 2], world, at);
        apart(at.x, at.y, at.z, mine.points[row++], `${name} point ${index}`);
        points++;
      }
    }
    if (index !== mine.count) throw new Error(`${label}: ${name} has ${index} points there and ${mine.count} here`);
  }
  for (const [name, q] of Object.entries(ours.joints)) {
    const node = byName.get(name);
    if (!node) throw new Error(`${label}: there is no joint ${name}`);
    const p = node.getAbsolutePosition();
    apart(p.x, p.y, p.z, q, `joint ${name}`);
    joints++;
  }
}

let size = 1;
const given = process.argv.slice(2);
for (let k = 0; k + 1 < given.length; k += 2) {
  const label = path.basename(given[k]);
  const ours = JSON.parse(fs.readFileSync(given[k + 1]));
  size = ours.size;
  const data = 'data:model/gltf-binary;base64,' + fs.readFileSync(given[k]).toString('base64');
  // Anew for each clip: what one of them moves stays where it was left for those that do not.
  const load = async (use) => {
    const scene = new Scene(engine);
    scene.useRightHandedSystem = true;
    const box = await LoadAssetContainerAsync(data, scene, {pluginExtension: '.glb'});
    box.addAllToScene();
    use(box, pieces(box, ours), new Map([...box.transformNodes, ...box.meshes].map((node) => [node.name, node])));
    scene.dispose();
  };
  try {
    await load((box, surfaces, byName) => {
      compare(ours.rest, box, surfaces, byName, label);
      if (box.animationGroups.length !== ours.clips.length) throw new Error(`${label}: ${box.animationGroups.length} clips there, ${ours.clips.length} here`);
    });
    for (const [c, clip] of ours.clips.entries()) {
      await load((box, surfaces, byName) => {
        const group = box.animationGroups[c];
        if (group.name !== clip.name) throw new Error(`${label}: clip ${c} is ${group.name} there, ${clip.name} here`);
        group.start(false);
        group.pause();
        for (const frame of clip.frames) {
          // Its animations count sixty frames a second, whatever rate the keys were made at.
          group.goToFrame(frame.seconds * 60);
          compare(frame, box, surfaces, byName, `${label} ${clip.name} at ${frame.seconds.toFixed(3)} s`);
        }
      });
    }
    files++;
  } catch (error) {
    failed++;
    console.log(error.message);
  }
}
console.log(`Babylon.js: ${files} of ${given.length / 2} files · ${points} points and ${joints} joints · farthest ${worst.toExponential(2)} of the size (${where}; allowed 1e-5)`);
process.exit(failed || files === 0 || !(worst <= 1e-5) ? 1 : 0);
