// The same file in three.js under Node: opening, posing, and all surface points of one frame.
// usage: node three_bench.mjs FILE.glb   (beside node_modules with three)
import fs from 'node:fs';
globalThis.self = globalThis;
globalThis.ProgressEvent ??= class { constructor(type, init) { Object.assign(this, {type}, init); } };
const THREE = await import('three');
const {GLTFLoader} = await import('three/addons/loaders/GLTFLoader.js');

const median = (list) => list.sort((a, b) => a - b)[Math.floor(list.length / 2)];
async function time(runs, work) {
  const times = [];
  for (let k = 0; k < runs; ++k) {
    const start = performance.now();
    await work(k);
    times.push(performance.now() - start);
  }
  return median(times);
}
const open = () => new Promise((resolve, reject) => {
  const bytes = fs.readFileSync(process.argv[2]);
  new GLTFLoader().parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength), '', resolve, reject);
});
let gltf;
const opened = await time(9, async () => { gltf = await open(); });
const mixer = new THREE.AnimationMixer(gltf.scene);
mixer.clipAction(gltf.animations[0]).play();
const posed = await time(60, (k) => { mixer.setTime(k / 30); gltf.scene.updateMatrixWorld(true); });
let mesh;
gltf.scene.traverse((object) => { mesh = object.isSkinnedMesh ? object : mesh; });
const at = new THREE.Vector3();
let sum = 0;
const skinned = await time(9, () => {
  const count = mesh.geometry.attributes.position.count;
  for (let i = 0; i < count; ++i) {
    mesh.getVertexPosition(i, at);
    sum += at.x;
  }
});
console.log(JSON.stringify({open_ms: opened, pose_ms: posed, skin_ms: skinned, points: mesh.geometry.attributes.position.count, sum}));
