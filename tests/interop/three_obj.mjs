// Our reading and writing of OBJ against three.js's reader: the same triangles, corner for corner. Usage: three_obj.mjs DIR
import fs from 'node:fs';
import path from 'node:path';
import {OBJLoader} from 'three/addons/loaders/OBJLoader.js';

const folder = process.argv[2];
const near = (x) => (Math.round(x * 1e3) / 1e3 + 0).toFixed(3);
// A triangle begins with the corner that stands first by its place: where it begins in the file says nothing.
function turned(corners) {
  const keys = corners.map((corner) => corner.slice(0, 3).map(near).join(','));
  const least = keys.indexOf([...keys].sort()[0]);
  return [...corners.slice(least), ...corners.slice(0, least)];
}
const alike = (a, b) => a.length === b.length && a.every((corner, c) => corner.length === b[c].length &&
  corner.every((x, i) => Math.abs(x - b[c][i]) <= 1e-5 * Math.max(1, Math.abs(x))));

let files = 0, triangles = 0;
const wrong = [];
for (const file of fs.readdirSync(folder).filter((name) => name.endsWith('.obj'))) {
  const ours = JSON.parse(fs.readFileSync(path.join(folder, file.replace('.obj', '.json'))));
  const group = new OBJLoader().parse(fs.readFileSync(path.join(folder, file), 'utf8'));
  for (const [name, list] of Object.entries(ours)) {
    const meshes = group.children.filter((mesh) => mesh.isMesh && mesh.name === name);
    const theirs = [];
    for (const {geometry} of meshes) {
      const {position, normal, uv} = geometry.attributes;
      for (let i = 0; i < position.count; ++i) {
        theirs.push({place: [position.getX(i), position.getY(i), position.getZ(i)],
                     uv: uv ? [uv.getX(i), uv.getY(i)] : [0, 0],
                     normal: normal ? [normal.getX(i), normal.getY(i), normal.getZ(i)] : [0, 0, 0]});
      }
    }
    // What stands beside the place is compared where both have it for the whole surface.
    const coordinates = list.every((one) => one.coordinates);
    const normals = list.every((one) => one.normals);
    const unit = (n) => { const l = Math.hypot(...n) || 1; return n.map((x) => x / l); };
    const mine = list.map(({corners, coordinates: has}) => turned(corners.map((corner) => [
      ...corner.slice(0, 3), ...(coordinates ? corner.slice(3, 5) : []), ...(normals ? unit(corner.slice(has ? 5 : 3)) : [])])));
    const left = [];
    for (let i = 0; i + 2 < theirs.length; i += 3) {
      left.push(turned(theirs.slice(i, i + 3).map((corner) => [
        ...corner.place, ...(coordinates ? corner.uv : []), ...(normals ? unit(corner.normal) : [])])));
    }
    triangles += mine.length;
    const count = left.length;
    const alone = mine.filter((triangle) => {
      const at = left.findIndex((other) => alike(triangle, other));
      if (at >= 0) left.splice(at, 1);
      return at < 0;
    });
    if (alone.length > 0 || left.length > 0) {
      wrong.push(`${file} ${name}: ${mine.length} triangles here, ${count} there\n  ${JSON.stringify(alone[0])}\n  ${JSON.stringify(left[0])}`);
    }
  }
  ++files;
}
console.log(`${files} OBJ files, ${triangles} triangles, ${wrong.length} surfaces differ`);
console.log(wrong.slice(0, 5).join('\n'));
process.exit(files > 0 && triangles > 0 && wrong.length === 0 ? 0 : 1);
