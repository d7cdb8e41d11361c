// The bake of clip_bench.cpp in three.js under Node: 200 joints with a key of turn on each of 36 000 frames, sampled half
// a frame beside the keys. usage: node three_bake.mjs   (beside node_modules with three)
const THREE = await import('three');
const joints = 200, frames = 36000, rate = 30;
const root = new THREE.Group();
const bones = [];
const times = new Float32Array(frames);
for (let f = 0; f < frames; ++f) times[f] = f / rate;
const tracks = [];
const turn = new THREE.Quaternion();
const axis = new THREE.Vector3(0, 0, 1);
for (let j = 0; j < joints; ++j) {
  const bone = new THREE.Bone();
  bone.name = `joint_${j}`;
  (j === 0 ? root : bones[j - 1 - (j % 3)] ?? root).add(bone);
  bones.push(bone);
  const values = new Float32Array(frames * 4);
  for (let f = 0; f < frames; ++f) {
    turn.setFromAxisAngle(axis, 0.3 * Math.sin(f * 0.2 + j));
    turn.toArray(values, f * 4);
  }
  tracks.push(new THREE.QuaternionKeyframeTrack(`${bone.name}.quaternion`, times, values));
}
const mixer = new THREE.AnimationMixer(root);
mixer.clipAction(new THREE.AnimationClip('take', -1, tracks)).play();
const out = bones.map(() => new Float32Array(frames * 4));
const runs = [];
for (let run = 0; run < 3; ++run) {
  mixer.setTime(0);
  const start = performance.now();
  mixer.update(0.5 / rate);
  for (let f = 0; f < frames; ++f) {
    for (let j = 0; j < joints; ++j) bones[j].quaternion.toArray(out[j], f * 4);
    mixer.update(1 / rate);
  }
  runs.push(performance.now() - start);
}
const sum = out.reduce((all, one) => all + one[4 * 777], 0);
console.log(JSON.stringify({bake_ms: runs.sort((a, b) => a - b)[1], joints, frames, sum}));
