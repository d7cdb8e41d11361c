// Surface points and joints as three.js has them, against ours (wembrix-points dump), at sampled frames.
// usage: node three_points.mjs FILE.glb OURS.json [FILE OURS ...]
import fs from 'node:fs';
import path from 'node:path';
import {THREE, parse, parts, worldPoint, paletteOf} from './three_scene.mjs';

const at = new THREE.Vector3();

function compareFrame(ours, scene, surfaces, byName, label, limit, report) {
  scene.updateMatrixWorld(true);
  for (const surface of surfaces) {
    const mine = ours.surfaces[surface.name];
    if (!mine) throw new Error(`${label}: we have no surface ${surface.name}`);
    let index = 0;
    let row = 0;
    for (const piece of surface.pieces) {
      const palette = paletteOf(piece);
      const count = piece.object.geometry.attributes.position.count;
      for (let i = 0; i < count; ++i, ++index) {
        if (index % mine.step !== 0) continue;
        const p = worldPoint(piece, i, palette);
        const q = mine.points[row++];
        const apart = Math.hypot(p.x - q[0], p.y - q[1], p.z - q[2]);
        report.points++;
        if (!(apart <= report.worst)) { report.worst = apart; report.where = `${label} ${surface.name} point ${index}`; }
      }
    }
    if (index !== mine.count || row !== mine.points.length) throw new Error(`${label}: ${surface.name} has ${index} points there and ${mine.count} here`);
  }
  for (const [name, q] of Object.entries(ours.joints)) {
    const object = byName.get(name);
    if (!object) throw new Error(`${label}: three has no joint ${name}`);
    at.setFromMatrixPosition(object.matrixWorld);
    const apart = Math.hypot(at.x - q[0], at.y - q[1], at.z - q[2]);
    report.joints++;
    if (!(apart <= report.worst)) { report.worst = apart; report.where = `${label} joint ${name}`; }
    // Turn and scale: how far the ends of the joint's own axes are apart, each as long as its scale.
    const mine = ours.matrices[name];
    const size = Math.max(...mine.slice(0, 11).map(Math.abs), 1e-9);
    for (let e = 0; e < 12; ++e) {
      if (e % 4 === 3) continue;
      const off = Math.abs(object.matrixWorld.elements[e] - mine[e]) / size * limit / 1e-5 * 0.1;
      if (!(off <= report.worst)) { report.worst = off; report.where = `${label} axes of joint ${name}`; }
    }
  }
}

let failed = 0;
let totals = {points: 0, joints: 0, worst: 0};
const given = process.argv.slice(2);
for (let k = 0; k + 1 < given.length; k += 2) {
  const ours = JSON.parse(fs.readFileSync(given[k + 1]));
  const gltf = await parse(given[k]);
  const {surfaces, byNode, json} = await parts(gltf, given[k]);
  const byName = new Map([...byNode].map(([node, object]) => [json.nodes[node].name, object]));
  const limit = 1e-5 * ours.size;
  const report = {worst: 0, where: '', points: 0, joints: 0};
  try {
    compareFrame(ours.rest, gltf.scene, surfaces, byName, 'rest', limit, report);
    if (gltf.animations.length !== ours.clips.length) throw new Error(`${gltf.animations.length} clips there, ${ours.clips.length} here`);
    for (const [c, clip] of ours.clips.entries()) {
      const animation = gltf.animations[c];
      if (animation.name !== clip.name) throw new Error(`clip ${c} is ${animation.name} there, ${clip.name} here`);
      if (Math.abs(animation.duration - clip.seconds) > 1e-4) throw new Error(`${clip.name} lasts ${animation.duration} s there, ${clip.seconds} s here`);
      const keys = Math.max(...animation.tracks.map((track) => track.times.length));
      if (keys !== clip.keys) throw new Error(`${clip.name} has ${keys} frames there, ${clip.keys} here`);
      const mixer = new THREE.AnimationMixer(gltf.scene);
      const action = mixer.clipAction(animation);
      action.setLoop(THREE.LoopOnce);
      action.clampWhenFinished = true;
      action.play();
      for (const frame of clip.frames) {
        mixer.setTime(frame.seconds);
        compareFrame(frame, gltf.scene, surfaces, byName, `${clip.name} at ${frame.seconds.toFixed(3)} s`, limit, report);
      }
      mixer.stopAllAction();
    }
    if (!(report.worst <= limit)) throw new Error(`${report.worst} m apart at ${report.where}; allowed ${limit} m`);
    if (report.points + report.joints === 0) throw new Error('nothing to compare');
  } catch (error) {
    failed++;
    console.log(`${path.basename(given[k])}: ${error.message}`);
  }
  totals.points += report.points;
  totals.joints += report.joints;
  totals.worst = Math.max(totals.worst, report.worst / ours.size);
}
console.log(`three: ${given.length / 2 - failed} of ${given.length / 2} files agree · ${totals.points} points and ${totals.joints} joints · ` +
            `farthest ${totals.worst.toExponential(2)} of the size (allowed 1e-5)`);
process.exit(failed || given.length < 2 ? 1 : 0);
