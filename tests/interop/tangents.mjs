// Our tangents against the reference implementation of the standard tangent space. Usage: tangents.mjs CLI DESTINATION DIR
import fs from 'node:fs';
import path from 'node:path';
import {execFileSync} from 'node:child_process';
import {generateTangents} from 'mikktspace';
import {asGlb} from './random_gltf.mjs';
import {numbers, readGlb} from './glb.mjs';

const [cli, destination, folder] = process.argv.slice(2);
fs.mkdirSync(folder, {recursive: true});

function random(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/// A bent sheet, its coordinates cut, mirrored or both, each vertex once where nothing differs.
function sheet(seed, kind) {
  const real = random(seed);
  const wide = 5 + Math.floor(real() * 12), tall = 5 + Math.floor(real() * 12);
  const place = (x, y) => [x / wide * 2 - 1, y / tall * 2 - 1, 0.3 * Math.sin(3 * x / wide + seed) * Math.cos(2 * y / tall)];
  const bumps = [...Array((wide + 1) * (tall + 1))].map(() => [real() - 0.5, real() - 0.5, real() - 0.5].map((v) => v * 0.04));
  const positions = [], normals = [], coordinates = [], indices = [], of = new Map();
  const vertex = (x, y, cell) => {
    const p = place(x, y).map((v, i) => v + bumps[y * (wide + 1) + x][i]);
    let u = x / wide * 2, v = y / tall;
    if (kind === 'mirrored' || kind === 'both') u = Math.abs(u - 1);
    if ((kind === 'cut' || kind === 'both') && cell >= Math.floor(tall / 2)) { [u, v] = [v + 2, u]; }
    const n = [p[0] * 0.2 + 0.1, p[1] * 0.2, 1];
    const length = Math.hypot(...n);
    const key = [x, y, u, v].join();
    if (!of.has(key)) {
      of.set(key, positions.length / 3);
      positions.push(...p); normals.push(...n.map((c) => c / length)); coordinates.push(u, v);
    }
    return of.get(key);
  };
  for (let y = 0; y < tall; ++y) {
    for (let x = 0; x < wide; ++x) {
      const at = (dx, dy) => vertex(x + dx, y + dy, y);
      if (real() < 0.5) indices.push(at(0, 0), at(1, 0), at(1, 1), at(0, 0), at(1, 1), at(0, 1));
      else indices.push(at(0, 0), at(1, 0), at(0, 1), at(1, 0), at(1, 1), at(0, 1));
    }
  }
  return {positions, normals, coordinates, indices};
}

function glb({positions, normals, coordinates, indices}) {
  const parts = [Float32Array.from(positions), Float32Array.from(normals), Float32Array.from(coordinates), Uint32Array.from(indices)];
  const buffers = parts.map((part) => Buffer.from(part.buffer));
  let offset = 0;
  const bufferViews = buffers.map((buffer) => { const view = {buffer: 0, byteOffset: offset, byteLength: buffer.length}; offset += buffer.length; return view; });
  const count = positions.length / 3;
  const axis = (k) => positions.filter((_, i) => i % 3 === k).map(Math.fround);
  return asGlb({json: {
    asset: {version: '2.0'}, scene: 0, scenes: [{nodes: [0]}], nodes: [{name: 'sheet', mesh: 0}],
    meshes: [{name: 'sheet', primitives: [{attributes: {POSITION: 0, NORMAL: 1, TEXCOORD_0: 2}, indices: 3}]}],
    accessors: [
      {bufferView: 0, componentType: 5126, count, type: 'VEC3', min: [0, 1, 2].map((k) => Math.min(...axis(k))), max: [0, 1, 2].map((k) => Math.max(...axis(k)))},
      {bufferView: 1, componentType: 5126, count, type: 'VEC3'}, {bufferView: 2, componentType: 5126, count, type: 'VEC2'},
      {bufferView: 3, componentType: 5125, count: indices.length, type: 'SCALAR'}],
    bufferViews, buffers: [{byteLength: offset}]}, binary: Buffer.concat(buffers)});
}

const card = path.join(folder, 'card.json');
fs.writeFileSync(card, JSON.stringify({steps: [{step: 'recompute_tangents'}]}));
let compared = 0, worst = 0, wrong = 0;
let cases = 0;
for (const kind of ['plain', 'mirrored', 'cut', 'both']) {
  for (let seed = 1; seed <= 5; ++seed) {
    ++cases;
    const name = `${kind}_${seed}`;
    const source = path.join(folder, `${name}.glb`);
    fs.writeFileSync(source, glb(sheet(seed * 7 + kind.length, kind)));
    const out = path.join(folder, `out_${name}`);
    execFileSync(cli, ['deliver', '--card', card, '--destination', destination, '--out', out, source], {stdio: 'ignore'});
    const file = readGlb(path.join(out, fs.readdirSync(out).find((one) => one.endsWith('_model.glb'))));
    const primitive = file.json.meshes[0].primitives[0];
    const get = (what) => numbers(file, primitive.attributes[what]);
    const [positions, normals, coordinates, tangents] = ['POSITION', 'NORMAL', 'TEXCOORD_0', 'TANGENT'].map(get);
    const indices = numbers(file, primitive.indices);
    const corners = (values, width) => Float32Array.from(indices.flatMap((v) => values.slice(v * width, v * width + width)));
    const theirs = generateTangents(corners(positions, 3), corners(normals, 3), corners(coordinates, 2));
    indices.forEach((v, corner) => {
      const own = tangents.slice(v * 4, v * 4 + 4);
      const other = [...theirs.slice(corner * 4, corner * 4 + 4)];
      other[3] = -other[3]; // files count v downwards
      const apart = Math.max(...own.map((x, i) => Math.abs(x - other[i])));
      worst = Math.max(worst, apart);
      wrong += apart > 1e-4 ? 1 : 0;
      ++compared;
    });
  }
}
console.log(`${cases} meshes, ${compared} corners with tangents, ${worst.toExponential(1)} apart at most, ${wrong} above 1e-4`);
process.exit(cases === 20 && compared > 1000 && wrong === 0 ? 0 : 1);
