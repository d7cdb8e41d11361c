// A .glb file taken apart by a few lines of its own: its JSON, and its numbers as the standard says.
import fs from 'node:fs';
import {asGlb} from './random_gltf.mjs';

export function readGlb(file) {
  const bytes = fs.readFileSync(file);
  const length = bytes.readUInt32LE(12);
  const json = JSON.parse(bytes.subarray(20, 20 + length).toString());
  const binary = bytes.length > 28 + length ? bytes.subarray(28 + length) : Buffer.alloc(0);
  return {json, binary};
}

const WIDTH = {SCALAR: 1, VEC2: 2, VEC3: 3, VEC4: 4, MAT4: 16};
const TYPES = {5120: [1, 'readInt8', 127], 5121: [1, 'readUInt8', 255], 5122: [2, 'readInt16LE', 32767],
               5123: [2, 'readUInt16LE', 65535], 5125: [4, 'readUInt32LE', 4294967295], 5126: [4, 'readFloatLE', 1]};

/// All numbers of an accessor, one after another.
export function numbers({json, binary}, index) {
  const accessor = json.accessors[index];
  const width = WIDTH[accessor.type];
  const [size, read, most] = TYPES[accessor.componentType];
  const value = (raw) => accessor.normalized ? Math.max(raw / most, -1) : raw;
  const elements = (view, offset, count, bytes, get, wide, stride) => [...Array(count * wide).keys()].map((i) =>
    binary[get]((view.byteOffset ?? 0) + offset + Math.floor(i / wide) * stride + i % wide * bytes));
  let out = Array(accessor.count * width).fill(0);
  if (accessor.bufferView !== undefined) {
    const view = json.bufferViews[accessor.bufferView];
    out = elements(view, accessor.byteOffset ?? 0, accessor.count, size, read, width, view.byteStride ?? size * width).map(value);
  }
  if (accessor.sparse) {
    const {count, indices, values} = accessor.sparse;
    const [bytes, get] = TYPES[indices.componentType];
    const places = elements(json.bufferViews[indices.bufferView], indices.byteOffset ?? 0, count, bytes, get, 1, bytes);
    const its = elements(json.bufferViews[values.bufferView], values.byteOffset ?? 0, count, size, read, width, size * width).map(value);
    places.forEach((place, i) => its.slice(i * width, (i + 1) * width).forEach((x, k) => { out[place * width + k] = x; }));
  }
  return out;
}

/// The file with a node for each place of an instanced surface, as the extension says that it is seen.
export function withoutInstances(file) {
  const json = structuredClone(file.json);
  for (const [n, node] of [...(json.nodes ?? []).entries()]) {
    const attributes = node.extensions?.EXT_mesh_gpu_instancing?.attributes;
    if (!attributes) continue;
    const values = Object.fromEntries(Object.entries(attributes).map(([name, accessor]) => [name, numbers(file, accessor)]));
    const count = json.accessors[attributes.TRANSLATION].count;
    const first = json.nodes.length;
    for (let i = 0; i < count; ++i) {
      json.nodes.push({name: `${node.name}_${i + 1}`, mesh: node.mesh, ...(node.weights ? {weights: node.weights} : {}),
        translation: values.TRANSLATION.slice(i * 3, i * 3 + 3), ...(values.ROTATION ? {rotation: values.ROTATION.slice(i * 4, i * 4 + 4)} : {}),
        ...(values.SCALE ? {scale: values.SCALE.slice(i * 3, i * 3 + 3)} : {})});
    }
    node.children = [...(node.children ?? []), ...[...Array(count).keys()].map((i) => first + i)];
    for (const take of json.animations ?? []) {
      take.channels = take.channels.flatMap((channel) => channel.target.node !== n || channel.target.path !== 'weights' ? [channel]
        : [...Array(count).keys()].map((i) => ({...channel, target: {...channel.target, node: first + i}})));
    }
    delete node.mesh;
    delete node.weights;
    delete node.extensions.EXT_mesh_gpu_instancing;
    if (Object.keys(node.extensions).length === 0) delete node.extensions;
  }
  return {json, binary: file.binary};
}

/// The file without what a reader of motion does not need: pictures want a browser.
export function withoutLooks({json, binary}) {
  const bare = structuredClone(json);
  for (const list of ['materials', 'textures', 'images', 'samplers', 'extensions', 'extensionsUsed']) delete bare[list];
  delete bare.extensionsRequired;
  for (const mesh of bare.meshes ?? []) {
    for (const primitive of mesh.primitives) { delete primitive.material; delete primitive.extensions; }
  }
  for (const node of bare.nodes ?? []) delete node.extensions;
  return asGlb({json: bare, binary});
}
