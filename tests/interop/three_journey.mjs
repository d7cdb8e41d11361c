// Received against delivered, both as three.js has them; none of our own code takes part.
// usage: node three_journey.mjs DEMO_FOLDER DELIVERED_FOLDER FACTOR JOB
import fs from 'node:fs';
import {THREE, parse, parts, worldPoint, paletteOf} from './three_scene.mjs';

const [demo, delivered, factorText, jobFile] = process.argv.slice(2);
const factor = Number(factorText);
const clips = JSON.parse(fs.readFileSync(jobFile)).steps.find((step) => step.step === 'split_take').clips;

// A clip's own file has one point a surface; in the model a surface of several materials is a group of meshes.
function spread(gltf, animation) {
  const tracks = [];
  for (const track of animation.tracks) {
    const [name, property] = [track.name.slice(0, track.name.lastIndexOf('.')), track.name.slice(track.name.lastIndexOf('.') + 1)];
    const object = gltf.scene.getObjectByName(name);
    if (!object) throw new Error(`nothing is called ${name}`);
    if (property !== 'morphTargetInfluences' || object.morphTargetInfluences) {
      tracks.push(track);
      continue;
    }
    object.traverse((child) => {
      if (child.morphTargetInfluences) {
        const copy = track.clone();
        copy.createInterpolant = track.createInterpolant;
        copy.name = `${child.name}.${property}`;
        tracks.push(copy);
      }
    });
  }
  return new THREE.AnimationClip(animation.name, animation.duration, tracks);
}

function player(gltf, shared) {
  const animation = spread(gltf, shared);
  const mixer = new THREE.AnimationMixer(gltf.scene);
  const action = mixer.clipAction(animation);
  action.setLoop(THREE.LoopOnce);
  action.clampWhenFinished = true;
  action.play();
  return mixer;
}

// The take names joints as the received model does; its text form is given its buffer from beside it.
const text = JSON.parse(fs.readFileSync(`${demo}/tansy_market.gltf`));
for (const buffer of text.buffers) {
  buffer.uri = 'data:application/octet-stream;base64,' + fs.readFileSync(`${demo}/${buffer.uri}`).toString('base64');
}
fs.writeFileSync('market.gltf', JSON.stringify(text));
const take = (await parse('market.gltf')).animations[0];
const received = await parse(`${demo}/tansy_model.glb`);
const arrived = await parse(`${delivered}/tansy_model_model.glb`);
const from = (await parts(received, `${demo}/tansy_model.glb`)).surfaces;
const to = (await parts(arrived, `${delivered}/tansy_model_model.glb`)).surfaces;
const height = 1.62;
const p = new THREE.Vector3();
let worst = 0, where = '', points = 0, frames = 0;
const receivedMixer = player(received, take);
for (const clip of clips) {
  const animation = (await parse(`${delivered}/tansy_model_${clip.name}.glb`)).animations[0];
  const mixer = player(arrived, animation);
  for (let frame = clip.start; frame < clip.end; frame += 19, ++frames) {
    // A hair past the frame, so that stepped keys fall on the same side in both.
    receivedMixer.setTime(frame / 30 + 1e-5);
    mixer.setTime((frame - clip.start) / 30 + 1e-5);
    received.scene.updateMatrixWorld(true);
    arrived.scene.updateMatrixWorld(true);
    for (const surface of to) {
      const same = from.find((candidate) => candidate.name.endsWith(':' + surface.name));
      if (!same) throw new Error(`${surface.name} was never received`);
      surface.pieces.forEach((piece, k) => {
        const here = paletteOf(piece);
        const there = paletteOf(same.pieces[k]);
        for (let i = 0; i < piece.object.geometry.attributes.position.count; i += 3, ++points) {
          p.copy(worldPoint(same.pieces[k], i, there)).multiplyScalar(factor);
          const apart = p.distanceTo(worldPoint(piece, i, here));
          if (!(apart <= worst)) { worst = apart; where = `${clip.name} frame ${frame}, ${surface.name}`; }
        }
      });
    }
  }
  mixer.stopAllAction();
}
console.log(`three: received to delivered over ${frames} frames of ${clips.length} clips, ${points} points: farthest ${(worst * 1000).toFixed(4)} mm ` +
            `at ${where} (allowed ${(height * 1e-2).toFixed(4)} mm)`);
process.exit(worst <= height * 1e-5 && points > 100000 ? 0 : 1);
