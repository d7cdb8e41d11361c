// Skinned and moving surfaces of USD files as three.js poses them, against ours, corner for corner at several moments.
// usage: node usd_frames.mjs FOLDER
import fs from 'node:fs';
import path from 'node:path';
globalThis.self = globalThis;
const THREE = await import('three');
const {USDLoader} = await import('three/addons/loaders/USDLoader.js');

const folder = process.argv[2];
let corners = 0, worst = 0, where = '', files = 0;
for (const name of fs.readdirSync(folder).filter((file) => /\.usd[ac]$/.test(file)).sort()) {
  const bytes = fs.readFileSync(path.join(folder, name));
  const ours = JSON.parse(fs.readFileSync(path.join(folder, name + '.json')));
  const isCrate = bytes.subarray(0, 8).toString('latin1') === 'PXR-USDC';
  const scene = new USDLoader().parse(isCrate ? bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length) : bytes.toString());
  const mixer = new THREE.AnimationMixer(scene);
  for (const clip of scene.animations ?? []) {
    const action = mixer.clipAction(clip);
    action.setLoop(THREE.LoopOnce);
    action.clampWhenFinished = true; // its last frame is looked at, too, and last of all
    action.play();
  }
  const meshes = new Map();
  scene.traverse((node) => { if (node.isMesh) meshes.set(node.name, node); });
  for (const [frame, seconds] of ours.times.entries()) {
    mixer.setTime(Math.fround(seconds)); // keys stand at moments of single precision there
    scene.updateMatrixWorld(true);
    for (const [surface, mine] of Object.entries(ours.surfaces)) {
      const mesh = meshes.get(surface);
      if (!mesh) throw new Error(`${name}: three has no mesh ${surface}; it has ${[...meshes.keys()]}`);
      const count = mesh.geometry.attributes.position.count;
      if (count !== mine.corners.length) throw new Error(`${name}: ${surface} has ${count} corners there and ${mine.corners.length} here`);
      if (mesh.isSkinnedMesh) mesh.skeleton.update();
      const at = new THREE.Vector3();
      for (let c = 0; c < count; c += 3) {
        mesh.getVertexPosition(c, at);
        at.applyMatrix4(mesh.matrixWorld);
        const v = mine.corners[c] * 3;
        const q = mine.frames[frame];
        const apart = Math.hypot(at.x - q[v], at.y - q[v + 1], at.z - q[v + 2]) / ours.size;
        corners++;
        if (!(apart <= worst)) { worst = apart; where = `${name} ${surface} corner ${c} at ${seconds} s`; }
      }
    }
  }
  files++;
}
console.log(`${files} USD files, ${corners} corners: at most ${worst.toExponential(2)} of the size apart (${where})`);
process.exit(files > 0 && worst <= 1e-5 ? 0 : 1);
