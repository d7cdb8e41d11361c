// BVH files as three.js reads them against our own evaluation: joints in every sampled frame.
// usage: node three_bvh.mjs FILE OURS.json [FILE OURS.json ...]
import { readFileSync } from "node:fs";
import { AnimationMixer, Vector3 } from "three";
import { BVHLoader } from "three/examples/jsm/loaders/BVHLoader.js";

const allowed = 1e-4; // metres
let farthest = 0;
let where = "";
let joints = 0;
const files = process.argv.slice(2);
for (let i = 0; i < files.length; i += 2) {
  const { skeleton, clip } = new BVHLoader().parse(readFileSync(files[i], "utf8"));
  const ours = JSON.parse(readFileSync(files[i + 1], "utf8"));
  const root = skeleton.bones[0];
  const mixer = new AnimationMixer(root);
  mixer.clipAction(clip).play();
  const named = new Map(skeleton.bones.map((bone) => [bone.name, bone]));
  const is = new Vector3();
  for (const frame of ours.clips[0].frames) {
    mixer.setTime(frame.seconds);
    root.updateMatrixWorld(true);
    for (const [name, place] of Object.entries(frame.joints)) {
      const bone = named.get(name);
      if (!bone) {
        console.error(`${files[i]}: three.js has no joint ${name}`);
        process.exit(1);
      }
      const apart = is.setFromMatrixPosition(bone.matrixWorld).distanceTo(new Vector3(...place));
      joints += 1;
      if (!(apart <= farthest)) {
        farthest = apart;
        where = `${name} at ${frame.seconds.toFixed(3)} s of ${files[i].split("/").pop()}`;
      }
    }
  }
}
console.log(`three: ${files.length / 2} BVH files, ${joints} joints, farthest ${(farthest * 1000).toFixed(4)} mm (${where})`);
if (files.length === 0 || joints === 0 || !(farthest <= allowed)) {
  console.error(`more than ${allowed * 1000} mm apart`);
  process.exit(1);
}
