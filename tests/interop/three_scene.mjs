// What the three.js checks share: loading a file, and where its surface points are as three.js has them.
import fs from 'node:fs';
globalThis.self = globalThis;
globalThis.ProgressEvent ??= class { constructor(type, init) { Object.assign(this, {type}, init); } };
const THREE = await import('three');
const {GLTFLoader} = await import('three/addons/loaders/GLTFLoader.js');
export {THREE};

// Packed files: meshoptimizer's own decoder, and Draco's, which a browser would run beside the page.
const {MeshoptDecoder} = await import('three/addons/libs/meshopt_decoder.module.js');
const draco = await (await import('draco3d')).default.createDecoderModule({});
const unpackDraco = {
  preload() {},
  decodeDracoFile(bytes, done, ids, types) {
    const decoder = new draco.Decoder();
    const mesh = new draco.Mesh();
    const status = decoder.DecodeArrayToMesh(new Int8Array(bytes), bytes.byteLength, mesh);
    if (!status.ok()) throw new Error(`Draco: ${status.error_msg()}`);
    const geometry = new THREE.BufferGeometry();
    const kinds = {Int8Array: draco.DT_INT8, Uint8Array: draco.DT_UINT8, Int16Array: draco.DT_INT16,
                   Uint16Array: draco.DT_UINT16, Uint32Array: draco.DT_UINT32, Float32Array: draco.DT_FLOAT32};
    const heap = (size, get) => { const at = draco._malloc(size); get(at); const copy = draco.HEAPU8.slice(at, at + size); draco._free(at); return copy.buffer; };
    for (const [name, id] of Object.entries(ids)) {
      const Type = globalThis[types[name]];
      const attribute = decoder.GetAttributeByUniqueId(mesh, id);
      const width = attribute.num_components();
      const size = mesh.num_points() * width * Type.BYTES_PER_ELEMENT;
      const values = new Type(heap(size, (at) => decoder.GetAttributeDataArrayForAllPoints(mesh, attribute, kinds[types[name]], size, at)));
      geometry.setAttribute(name, new THREE.BufferAttribute(values, width));
    }
    const size = mesh.num_faces() * 12;
    geometry.setIndex(new THREE.BufferAttribute(new Uint32Array(heap(size, (at) => decoder.GetTrianglesUInt32Array(mesh, size, at))), 1));
    return Promise.resolve(geometry).then(done);
  },
};

export function parse(file) {
  const bytes = fs.readFileSync(file);
  const data = file.endsWith('.glb') ? bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) : bytes.toString();
  return new Promise((resolve, reject) => new GLTFLoader().setMeshoptDecoder(MeshoptDecoder).setDRACOLoader(unpackDraco).parse(data, '', resolve, reject));
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

async function holders(parser, primitive, file, object) {
  const sets = [];
  const weights = parser.json.accessors[primitive.attributes.WEIGHTS_0];
  const plain = weights?.componentType === 5126 && weights.bufferView !== undefined &&
    !parser.json.bufferViews[weights.bufferView].extensions;
  if (weights && !plain) { // rounded, so that they sum to 1, or packed: as the loader has them
    const {skinIndex, skinWeight} = object.geometry.attributes;
    return [[skinIndex, Float32Array.from({length: skinWeight.count * 4}, (_, i) => skinWeight.getComponent(i >> 2, i & 3))]];
  }
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
    surfaces.get(node).push({object, order: link.primitives ?? 0, sets: await holders(gltf.parser, primitive, file, object)});
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
