// A cache as textures, put together by parse-exr and the description beside the images, against the same cache as a crate
// that tinyusdz wrote out as text.
// usage: node cache_textures.mjs DESCRIPTION.json MODEL.glb CRATE_AS_TEXT.usda
import fs from 'node:fs';
import path from 'node:path';
import parseExr from 'parse-exr';
import {numbers as accessorNumbers, readGlb} from './glb.mjs';

const FLOAT = 1015;
const [descriptionFile, modelFile, crateText] = process.argv.slice(2);
const said = JSON.parse(fs.readFileSync(descriptionFile, 'utf8'));
const image = (key) => {
  const bytes = fs.readFileSync(path.join(path.dirname(descriptionFile), said[key]));
  return parseExr(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length), FLOAT);
};
const positions = image('positions');
const normals = image('normals');
if (positions.width !== said.width || positions.height !== said.height) throw new Error('an image of another size');
// Rows come from the bottom there.
const at = (of, u, v) => {
  const column = Math.floor(u * of.width);
  const row = of.height - 1 - Math.floor(v * of.height);
  const first = 4 * (row * of.width + column);
  return [of.data[first], of.data[first + 1], of.data[first + 2]];
};

// The coordinates, as they lie in the model.
const model = readGlb(modelFile);
const mesh = model.json.meshes[model.json.nodes.find((node) => node.name === said.surface && node.mesh !== undefined).mesh];
const coordinates = [];
for (const primitive of mesh.primitives) {
  const flat = accessorNumbers(model, primitive.attributes[said.coordinates]);
  for (let i = 0; i < flat.length; i += 2) coordinates.push([flat[i], flat[i + 1]]);
}

// Points at rest and at each frame, as the other reader has them.
const text = fs.readFileSync(crateText, 'utf8');
const numbers = (list) => [...list.matchAll(/\(([^)]*)\)/g)].map((one) => one[1].split(',').map(Number));
const rest = numbers(text.match(/point3f\[\] points = \[(.*)\]/)[1]);
const samples = text.match(/point3f\[\] points\.timeSamples = \{([\s\S]*?)\n\s*\}/)[1];
const frames = [...samples.matchAll(/\d+: \[(.*)\]/g)].map((one) => numbers(one[1]));
if (frames.length !== said.frames || rest.length !== said.vertices || coordinates.length !== said.vertices) {
  throw new Error(`${frames.length} frames of ${rest.length}, ${coordinates.length} coordinates; ${said.frames} of ${said.vertices} are said`);
}
let farthest = 0;
let shortest = 2;
let size = 0;
for (let k = 0; k < 3; k++) {
  const all = rest.map((point) => point[k]);
  size = Math.max(size, Math.max(...all) - Math.min(...all));
}
let largest = 0;
frames.forEach((frame, f) => frame.forEach((point, v) => {
  const [u, down] = coordinates[v];
  const difference = at(positions, u, (f + down) / said.frames);
  largest = Math.max(largest, Math.hypot(...difference));
  farthest = Math.max(farthest, Math.hypot(...point.map((value, k) => rest[v][k] + difference[k] - value)));
  shortest = Math.min(shortest, Math.hypot(...at(normals, u, (f + down) / said.frames)));
}));
// What a pixel's number is good for: 24 or 11 bits of the longest way, beside the text's own digits.
const allowed = largest * (said.numbers === 'half' ? 2 ** -10 : 2 ** -22) + 3e-7 * (size + largest);
console.log(`textures: ${said.frames} frames of ${said.vertices} vertices put together, farthest ${farthest.toExponential(2)} ` +
  `(allowed ${allowed.toExponential(2)}), ${said.numbers}`);
if (!(farthest <= allowed) || !(shortest > 0.99)) process.exit(1);
