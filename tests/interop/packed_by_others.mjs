// A plain .glb, packed by others' encoders: Draco's usual way, which gives vertices another order, and meshoptimizer with
// its filters. What we read of them is then held against what three.js reads of them.
// usage: node packed_by_others.mjs OUT_FOLDER FILE.glb [FILE ...]
import fs from 'node:fs';
import path from 'node:path';
import {MeshoptEncoder} from 'meshoptimizer';
import {readGlb, numbers} from './glb.mjs';
import {asGlb} from './random_gltf.mjs';

const draco = await (await import('draco3d')).default.createEncoderModule({});
await MeshoptEncoder.ready;
const kinds = {POSITION: [draco.POSITION, 14], NORMAL: [draco.NORMAL, 10], TEXCOORD_0: [draco.TEX_COORD, 12]};

function need(json, name) {
  for (const list of ['extensionsUsed', 'extensionsRequired']) json[list] = [...new Set([...(json[list] ?? []), name])];
}

/// Parts that are written one after another.
class Bytes {
  parts = [];
  length = 0;
  add(bytes) {
    const at = this.length;
    this.parts.push(Buffer.from(bytes), Buffer.alloc((4 - bytes.length % 4) % 4));
    this.length += Math.ceil(bytes.length / 4) * 4;
    return at;
  }
  whole() { return Buffer.concat(this.parts); }
}

function withDraco(file) {
  const {json} = file;
  const all = new Bytes();
  const views = [];
  const accessors = [];
  let packed = 0;
  for (const mesh of json.meshes) {
    for (const primitive of mesh.primitives) {
      if (primitive.targets || primitive.attributes.JOINTS_0 !== undefined) throw new Error('props only');
      const encoder = new draco.Encoder();
      encoder.SetTrackEncodedProperties(true);
      const builder = new draco.MeshBuilder();
      const surface = new draco.Mesh();
      const order = numbers(file, primitive.indices);
      builder.AddFacesToMesh(surface, order.length / 3, Uint32Array.from(order));
      const ids = {};
      for (const name of Object.keys(primitive.attributes)) {
        if (!kinds[name]) { delete primitive.attributes[name]; continue; }
        const [kind, bits] = kinds[name];
        const values = numbers(file, primitive.attributes[name]);
        const {count} = json.accessors[primitive.attributes[name]];
        ids[name] = builder.AddFloatAttributeToMesh(surface, kind, count, values.length / count, Float32Array.from(values));
        encoder.SetAttributeQuantization(kind, bits);
      }
      encoder.SetEncodingMethod(draco.MESH_EDGEBREAKER_ENCODING);
      const out = new draco.DracoInt8Array();
      const length = encoder.EncodeMeshToDracoBuffer(surface, out);
      if (length === 0) throw new Error('the encoder made nothing');
      const bytes = Buffer.from(Array.from({length}, (_, i) => out.GetValue(i) & 255));
      const points = encoder.GetNumberOfEncodedPoints();
      const add = (like, count) => {
        const {type, min, max} = json.accessors[like];
        accessors.push({type, componentType: type === 'SCALAR' ? 5125 : 5126, count, ...(type === 'VEC3' && min ? {min, max} : {})});
        return accessors.length - 1;
      };
      for (const name of Object.keys(primitive.attributes)) primitive.attributes[name] = add(primitive.attributes[name], points);
      primitive.indices = add(primitive.indices, encoder.GetNumberOfEncodedFaces() * 3);
      views.push({buffer: 0, byteOffset: all.add(bytes), byteLength: length});
      primitive.extensions = {KHR_draco_mesh_compression: {bufferView: views.length - 1, attributes: ids}};
      packed++;
    }
  }
  Object.assign(json, {accessors, bufferViews: views, buffers: [{byteLength: all.length}]});
  need(json, 'KHR_draco_mesh_compression');
  if (packed === 0) throw new Error('nothing was packed');
  return {json, binary: all.whole()};
}

function withMeshopt(file) {
  const {json} = file;
  const all = new Bytes();
  const views = [];
  let plain = 0;
  const put = (bytes, count, stride, mode, filter, target) => {
    const offset = all.add(bytes);
    views.push({buffer: 1, byteOffset: plain, byteLength: count * stride, target, ...(mode === 'ATTRIBUTES' ? {byteStride: stride} : {}),
                extensions: {EXT_meshopt_compression: {buffer: 0, byteOffset: offset, byteLength: bytes.length, byteStride: stride, count, mode, ...(filter ? {filter} : {})}}});
    plain += Math.ceil(count * stride / 4) * 4;
    return views.length - 1;
  };
  const accessors = [];
  for (const mesh of json.meshes) {
    for (const primitive of mesh.primitives) {
      for (const [name, index] of Object.entries(primitive.attributes)) {
        const {count, type, min, max} = json.accessors[index];
        const values = Float32Array.from(numbers(file, index));
        const width = values.length / count;
        let view;
        const accessor = {type, count, componentType: 5126, ...(min ? {min, max} : {})};
        if (name === 'NORMAL') {
          const four = Float32Array.from({length: count * 4}, (_, i) => i % 4 === 3 ? 0 : values[(i >> 2) * 3 + i % 4]);
          view = put(MeshoptEncoder.encodeGltfBuffer(MeshoptEncoder.encodeFilterOct(four, count, 4, 8), count, 4, 'ATTRIBUTES'), count, 4, 'ATTRIBUTES', 'OCTAHEDRAL', 34962);
          Object.assign(accessor, {componentType: 5120, normalized: true});
          need(json, 'KHR_mesh_quantization');
        } else if (name === 'POSITION') {
          view = put(MeshoptEncoder.encodeGltfBuffer(MeshoptEncoder.encodeFilterExp(values, count, 12, 15), count, 12, 'ATTRIBUTES'), count, 12, 'ATTRIBUTES', 'EXPONENTIAL', 34962);
        } else {
          view = put(MeshoptEncoder.encodeGltfBuffer(new Uint8Array(values.buffer), count, width * 4, 'ATTRIBUTES'), count, width * 4, 'ATTRIBUTES', '', 34962);
        }
        accessors.push({...accessor, bufferView: view});
        primitive.attributes[name] = accessors.length - 1;
      }
      const order = Uint32Array.from(numbers(file, primitive.indices));
      const view = put(MeshoptEncoder.encodeGltfBuffer(new Uint8Array(order.buffer), order.length, 4, 'TRIANGLES'), order.length, 4, 'TRIANGLES', '', 34963);
      accessors.push({type: 'SCALAR', componentType: 5125, count: order.length, bufferView: view});
      primitive.indices = accessors.length - 1;
    }
  }
  Object.assign(json, {accessors, bufferViews: views, buffers: [{byteLength: all.length},
    {byteLength: plain, extensions: {EXT_meshopt_compression: {fallback: true}}}]});
  need(json, 'EXT_meshopt_compression');
  return {json, binary: all.whole()};
}

const [folder, ...files] = process.argv.slice(2);
fs.mkdirSync(folder, {recursive: true});
for (const name of files) {
  for (const [way, pack] of [['draco', withDraco], ['meshopt', withMeshopt]]) {
    const file = readGlb(name);
    for (const list of ['images', 'textures', 'samplers']) delete file.json[list]; // nobody here looks at them
    for (const material of file.json.materials ?? []) {
      for (const key of Object.keys(material)) if (!['name'].includes(key)) delete material[key];
    }
    const {json, binary} = pack(file);
    fs.writeFileSync(path.join(folder, `${way}_${path.basename(name)}`), asGlb({json, binary}));
  }
}
console.log(`packed by others: ${files.length * 2} files`);
