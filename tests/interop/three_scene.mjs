// What the three.js checks share: loading a file, and where its surface points are as three.js has them.
import fs from 'node:fs';
globalThis.self = globalThis;
globalThis.ProgressEvent ??= class { constructor(type, init) { Object.assign(this, {type}, init); } };
const THREE = await import('three');
const {GLTFLoader} = await import('three/addons/loaders/GLTFLoader.js');
export {THREE};

export function parse(file) {
  const bytes = fs.readFileSync(file);
  const data = file.endsWith('.glb') ? bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) : bytes.toString();
  return new Promise((resolve, reject) => new GLTFLoader().parse(data, '', resolve, reject));
}

// The loader keeps the first four influences and divides them by their sum in place, so all sets of weights are
// taken from the file's own bytes: floats, one after another, as we write them.
function rawFloats(file, json, accessor) {
  const {bufferView, count, byteOffset = 0} = json.accessors[accessor];
  const view = json.bufferViews[bufferView];
  const bytes = fs.readFileSync(file);
  const start = 20 + bytes.readUInt32LE(12) + 8 + (view.byteOffset ?? 0) + byteOffset;
  return new Float32Array(bytes.buffer.slice(bytes.byteOffset + start, bytes.byteOffset + start + count * 16));
}

async function holders(parser, primitive, file) {
  const sets = [];
  for (let n = 0; primitive.attributes[`JOINTS_${n}`] !== undefined; ++n) {
    sets.push([await parser.getDependency('accessor', primitive.attributes[`JOINTS_${n}`]),
               rawFloats(file, parser.json, primitive.attributes[`WEIGHTS_${n}`])]);
  }
  return sets;
}

export async function parts(gltf, file) {
  const found = [];  // {name, node, pieces: [{object, sets, mesh, primitive}]}
  const byNode = new Map();
  const json = gltf.parser.json;
  const place = [];
  gltf.scene.traverse((object) => {
    const link = gltf.parser.associations.get(object);
    if (!link) return;
    if (link.nodes !== undefined && !byNode.has(link.nodes)) byNode.set(link.nodes, object);
    if (object.isMesh && link.meshes !== undefined) place.push([object, link]);
  });
  const owner = (object) => {
    for (let at = object; at; at = at.parent) {
      const link = gltf.parser.associations.get(at);
      if (link && link.nodes !== undefined) return link.nodes;
    }
    return -1;
  };
  const surfaces = new Map();
  for (const [object, link] of place) {
    const node = owner(object);
    if (!surfaces.has(node)) surfaces.set(node, []);
    const primitive = json.meshes[link.meshes].primitives[link.primitives ?? 0];
    surfaces.get(node).push({object, order: link.primitives ?? 0, sets: await holders(gltf.parser, primitive, file)});
  }
  for (const [node, pieces] of surfaces) found.push({name: json.nodes[node].name, pieces: pieces.sort((a, b) => a.order - b.order)});
  return {surfaces: found, byNode, json};
}

const at = new THREE.Vector3();
const sum = new THREE.Vector3();
const one = new THREE.Vector3();
const matrix = new THREE.Matrix4();

/// One matrix a bone, or null for a surface that is not skinned.
export function paletteOf(piece) {
  const skeleton = piece.object.skeleton;
  return skeleton ? skeleton.bones.map((bone, b) => matrix.clone().multiplyMatrices(bone.matrixWorld, skeleton.boneInverses[b])) : null;
}

export function worldPoint(piece, i, palette) {
  const {object, sets} = piece;
  const geometry = object.geometry;
  at.fromBufferAttribute(geometry.attributes.position, i);
  const morphs = geometry.morphAttributes.position;
  if (morphs) {
    for (let k = 0; k < morphs.length; ++k) {
      const influence = object.morphTargetInfluences[k];
      if (influence !== 0) at.addScaledVector(one.fromBufferAttribute(morphs[k], i), influence);
    }
  }
  if (!object.isSkinnedMesh) return at.applyMatrix4(object.matrixWorld);
  sum.set(0, 0, 0);
  let total = 0;
  for (const [joints, weights] of sets) {
    for (let c = 0; c < 4; ++c) {
      const weight = weights[i * 4 + c];
      if (weight === 0) continue;
      total += weight;
      sum.addScaledVector(one.copy(at).applyMatrix4(palette[joints.getComponent(i, c)]), weight);
    }
  }
  return sum.divideScalar(total);
}
