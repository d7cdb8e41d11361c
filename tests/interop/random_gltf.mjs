// Valid glTF files made at random from a seed: every feature of the standard and of the extensions that are known, in
// combination. All names are different, so that each thing can be found again.

/// The same numbers for the same seed, on every machine.
class Dice {
  constructor(seed) { this.state = (seed * 2654435761 + 12345) >>> 0; }
  next() {  // in [0, 1)
    this.state = (this.state + 0x6d2b79f5) >>> 0;
    let t = this.state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  }
  below(n) { return Math.floor(this.next() * n); }
  in(a, b) { return a + (b - a) * this.next(); }
  chance(p) { return this.next() < p; }
  of(list) { return list[this.below(list.length)]; }
}

const WIDTH = {SCALAR: 1, VEC2: 2, VEC3: 3, VEC4: 4, MAT4: 16};
const COMPONENT = {
  5120: {bytes: 1, put: 'writeInt8', most: 127}, 5121: {bytes: 1, put: 'writeUInt8', most: 255},
  5122: {bytes: 2, put: 'writeInt16LE', most: 32767}, 5123: {bytes: 2, put: 'writeUInt16LE', most: 65535},
  5125: {bytes: 4, put: 'writeUInt32LE', most: 4294967295}, 5126: {bytes: 4, put: 'writeFloatLE'},
};
const png = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==', 'base64');

class Builder {
  constructor(seed) {
    this.dice = new Dice(seed);
    this.chunks = [];
    this.length = 0;
    this.json = {asset: {version: '2.0', generator: 'random'}, buffers: [], bufferViews: [], accessors: []};
    this.used = new Set();
    this.required = new Set();
    this.names = 0;
  }

  name(word) { return `${word}_${++this.names}`; }
  uses(extension) { this.used.add(extension); return extension; }
  maybe(p, make) { return this.dice.chance(p) ? make() : undefined; }
  extras(p = 0.2) { return this.maybe(p, () => ({note: this.name('words'), level: this.dice.below(9), shares: [0.5, 0.25]})); }

  bytes(data) {
    const pad = (4 - this.length % 4) % 4;
    this.chunks.push(Buffer.alloc(pad), data);
    this.length += pad;
    const at = this.length;
    this.length += data.length;
    return at;
  }
  view(data, more = {}) {
    this.json.bufferViews.push({buffer: 0, byteOffset: this.bytes(data), byteLength: data.length, ...more});
    return this.json.bufferViews.length - 1;
  }

  /// `values` are plain numbers; `normalized` ones lie in [-1, 1]. `stride` puts empty bytes between the elements, and
  /// `sparse` writes some of them in a list of their own.
  accessor(type, component, values, {normalized = false, bounds = false, plain = false, vertex = false} = {}) {
    const {bytes, put, most} = COMPONENT[component];
    const width = WIDTH[type];
    const count = values.length / width;
    const stored = values.map((value) => normalized ? Math.round(value * most) : value);
    const tight = width * bytes;
    // three.js takes the elements of a sparse accessor for tightly packed, whatever its view says.
    const sparse = !plain && count > 2 && (!vertex || tight % 4 === 0) && this.dice.chance(0.15);
    const stride = vertex && !sparse ? Math.ceil(tight / 4) * 4 + (!plain && this.dice.chance(0.2) ? 4 : 0) : tight;
    const pack = (numbers, step) => {
      const data = Buffer.alloc(numbers.length / width * step);
      numbers.forEach((value, i) => data[put](value, Math.floor(i / width) * step + i % width * bytes));
      return data;
    };
    const row = {componentType: component, count, type};
    if (normalized) row.normalized = true;
    if (sparse) {
      // The base is there or all zeros; some elements come from the sparse list.
      const chosen = [...Array(count).keys()].filter(() => this.dice.chance(0.4));
      if (chosen.length === 0) chosen.push(count - 1);
      const zeros = this.dice.chance(0.4);
      const kept = zeros ? [...Array(count).keys()] : chosen;
      if (!zeros) {
        const base = stored.map((value, i) => chosen.includes(Math.floor(i / width)) ? 0 : value);
        row.bufferView = this.view(pack(base, stride), vertex ? {target: 34962, ...(stride > tight || vertex ? {byteStride: stride} : {})} : {});
      }
      const indices = Buffer.alloc(kept.length * 2);
      kept.forEach((element, i) => indices.writeUInt16LE(element, i * 2));
      row.sparse = {count: kept.length, indices: {bufferView: this.view(indices), componentType: 5123},
                    values: {bufferView: this.view(pack(kept.flatMap((e) => stored.slice(e * width, e * width + width)), tight))}};
    } else {
      row.bufferView = this.view(pack(stored, stride), vertex ? {target: 34962, byteStride: stride} : {});
    }
    if (bounds) {
      const single = component === 5126 ? Math.fround : (value) => value;
      row.min = [...Array(width).keys()].map((k) => Math.min(...[...Array(count).keys()].map((e) => single(stored[e * width + k]))));
      row.max = [...Array(width).keys()].map((k) => Math.max(...[...Array(count).keys()].map((e) => single(stored[e * width + k]))));
    }
    this.json.accessors.push(row);
    return this.json.accessors.length - 1;
  }

  unit(width) {
    const v = [...Array(width)].map(() => this.dice.in(-1, 1));
    const length = Math.hypot(...v) || 1;
    return v.map((x) => x / length);
  }
  each(count, make) { return [...Array(count)].flatMap(() => make()); }

  materials() {
    const {dice, json} = this;
    json.images = [...Array(1 + dice.below(3))].map(() => dice.chance(0.5)
      ? {name: this.name('image'), bufferView: this.view(png), mimeType: 'image/png'}
      : {name: this.name('image'), uri: 'data:image/png;base64,' + png.toString('base64')});
    json.samplers = [...Array(1 + dice.below(2))].map(() => ({wrapS: dice.of([33071, 33648, 10497]), magFilter: dice.of([9728, 9729]), extras: this.extras()}));
    json.textures = [...Array(1 + dice.below(4))].map(() => ({name: this.name('texture'), source: dice.below(json.images.length), sampler: this.maybe(0.6, () => dice.below(json.samplers.length)), extras: this.extras()}));
    let sets = 0;  // of coordinates that the material at hand needs
    const use = () => ({index: dice.below(json.textures.length), texCoord: ((set) => { sets = Math.max(sets, set + 1); return set; })(dice.below(2)),
                        extensions: this.maybe(0.3, () => ({[this.uses('KHR_texture_transform')]: {offset: [dice.next(), dice.next()], rotation: dice.next(), scale: [0.5, 2]}}))});
    const more = {
      KHR_materials_clearcoat: () => ({clearcoatFactor: dice.next(), clearcoatTexture: use()}),
      KHR_materials_emissive_strength: () => ({emissiveStrength: 2.5}),
      KHR_materials_ior: () => ({ior: 1.4}),
      KHR_materials_sheen: () => ({sheenColorFactor: [dice.next(), 0.5, 0.25], sheenColorTexture: use()}),
      KHR_materials_specular: () => ({specularFactor: dice.next(), specularTexture: use()}),
      KHR_materials_transmission: () => ({transmissionFactor: dice.next()}),
      KHR_materials_volume: () => ({thicknessFactor: dice.next(), thicknessTexture: use(), attenuationDistance: 2.5}),
      KHR_materials_iridescence: () => ({iridescenceFactor: dice.next()}),
      KHR_materials_anisotropy: () => ({anisotropyStrength: dice.next()}),
      KHR_materials_dispersion: () => ({dispersion: dice.next()}),
    };
    this.needs = [];
    json.materials = [...Array(2 + dice.below(4))].map((_, m) => {
      sets = 0;
      const extensions = {};
      for (const name of Object.keys(more)) if (dice.chance(0.12)) extensions[this.uses(name)] = more[name]();
      if (extensions.KHR_materials_volume) extensions[this.uses('KHR_materials_transmission')] ??= more.KHR_materials_transmission();
      if (extensions.KHR_materials_dispersion) extensions[this.uses('KHR_materials_volume')] ??= more.KHR_materials_volume();
      if (extensions.KHR_materials_volume) extensions[this.uses('KHR_materials_transmission')] ??= more.KHR_materials_transmission();
      if (m === 0) return {name: this.name('plain'), pbrMetallicRoughness: {metallicFactor: this.needs.push(0) && dice.next()}};
      const mask = dice.chance(0.3);
      const made = {name: this.name('material'), doubleSided: this.maybe(0.3, () => true),
              alphaMode: mask ? 'MASK' : this.maybe(0.3, () => 'BLEND'), alphaCutoff: mask ? dice.next() : undefined,
              pbrMetallicRoughness: {baseColorFactor: [dice.next(), dice.next(), dice.next(), 1], metallicFactor: dice.next(), roughnessFactor: dice.next(),
                                     baseColorTexture: this.maybe(0.5, use), metallicRoughnessTexture: this.maybe(0.3, use)},
              normalTexture: this.maybe(0.3, () => ({...use(), scale: dice.in(0.5, 2)})), occlusionTexture: this.maybe(0.2, () => ({...use(), strength: dice.next()})),
              emissiveTexture: this.maybe(0.2, use), emissiveFactor: [dice.next(), dice.next(), dice.next()], extras: this.extras(),
              extensions: Object.keys(extensions).length ? extensions : undefined};
      this.needs.push(sets);
      return made;
    });
  }

  mesh(skinned, joints) {
    const {dice} = this;
    const targets = dice.chance(0.4) ? 1 + dice.below(3) : 0;
    const custom = ['_WETNESS', '_ZONE', '_FLOW', '_TINT'].filter(() => dice.chance(0.15));
    const sets = dice.below(3), colours = dice.below(2);
    const tangents = dice.chance(0.4), normals = tangents || dice.chance(0.8);
    const targetAttributes = ['POSITION', ...(normals && dice.chance(0.5) ? ['NORMAL'] : []), ...(tangents && dice.chance(0.4) ? ['TANGENT'] : [])];
    const changed = new Set(['TEXCOORD_0', 'TEXCOORD_1', 'COLOR_0'].filter(() => targets && dice.chance(0.25)));
    const fitting = this.json.materials.map((_, m) => m).filter((m) => this.needs[m] <= sets);
    const two = skinned && dice.chance(0.25);
    const primitives = [...Array(1 + dice.below(3))].map(() => {
      const mode = dice.chance(0.75) ? 4 : dice.of([0, 1, 2, 3, 5, 6]);
      const points = mode === 4 ? 3 * (1 + dice.below(5)) : mode === 1 ? 2 * (1 + dice.below(5)) : 3 + dice.below(8);
      const attributes = {POSITION: 0};
      if (dice.chance(0.1)) {
        this.uses('KHR_mesh_quantization');
        this.required.add('KHR_mesh_quantization');
        attributes.POSITION = this.accessor('VEC3', 5122, this.each(points, () => [dice.below(200) - 100, dice.below(200) - 100, dice.below(200) - 100]), {bounds: true, vertex: true});
      } else {
        attributes.POSITION = this.accessor('VEC3', 5126, this.each(points, () => [dice.in(-1, 1), dice.in(-1, 1), dice.in(-1, 1)]), {bounds: true, vertex: true});
      }
      if (normals) attributes.NORMAL = this.accessor('VEC3', 5126, this.each(points, () => this.unit(3)), {vertex: true, plain: true});
      if (tangents) attributes.TANGENT = this.accessor('VEC4', 5126, this.each(points, () => [...this.unit(3), dice.of([-1, 1])]), {vertex: true, plain: true});
      for (let s = 0; s < sets; ++s) {
        const component = dice.of([5126, 5121, 5123]);
        attributes[`TEXCOORD_${s}`] = this.accessor('VEC2', component, this.each(points, () => [dice.next(), dice.next()]), {normalized: component !== 5126, vertex: true});
      }
      for (let s = 0; s < colours; ++s) {
        const component = dice.of([5126, 5121, 5123]);
        const type = dice.of(['VEC3', 'VEC4']);
        attributes[`COLOR_${s}`] = this.accessor(type, component, this.each(points, () => [...Array(WIDTH[type])].map(() => dice.next())), {normalized: component !== 5126, vertex: true});
      }
      for (const name of custom) {
        const type = {_WETNESS: 'SCALAR', _ZONE: 'VEC2', _FLOW: 'VEC3', _TINT: 'VEC4'}[name];
        const component = name === '_TINT' ? 5121 : 5126;
        attributes[name] = this.accessor(type, component, this.each(points, () => [...Array(WIDTH[type])].map(() => component === 5126 ? dice.in(-5, 5) : dice.below(200))), {vertex: true});
      }
      if (skinned) {
        for (let s = 0; s <= (two ? 1 : 0); ++s) {
          const component = dice.of([5121, 5123]);
          attributes[`JOINTS_${s}`] = this.accessor('VEC4', component, this.each(points, () => [0, 1, 2, 3].map((k) => (k + s * 4) % joints)), {vertex: true, plain: true});
        }
        // Quarters and eighths: they sum to 1 in every type; a joint twice in one vertex has no second weight.
        const rows = [...Array(points)].map(() => {
          const parts = Array(two ? 8 : 4).fill(0);
          const most = Math.min(joints, parts.length);
          for (let k = 0; k < 4; ++k) parts[dice.below(most)] += 0.25;
          return parts;
        });
        for (let s = 0; s <= (two ? 1 : 0); ++s) attributes[`WEIGHTS_${s}`] = this.accessor('VEC4', 5126, rows.flatMap((row) => row.slice(s * 4, s * 4 + 4)), {vertex: true, plain: true});
      }
      const primitive = {attributes, mode: mode === 4 ? this.maybe(0.3, () => 4) : mode, extras: this.extras(0.1)};
      if (dice.chance(0.7)) {
        const count = mode === 4 ? 3 * (1 + dice.below(6)) : mode === 1 ? 2 * (1 + dice.below(5)) : 3 + dice.below(8);
        const component = dice.of([5121, 5123, 5125]);
        const corners = [];  // no two of one triangle or line are the same
        for (let i = 0; i < count; ++i) corners.push((dice.below(2) + i) % points);
        primitive.indices = this.accessor('SCALAR', component, corners, {plain: true});
        this.json.bufferViews[this.json.accessors[primitive.indices].bufferView].target = 34963;
      }
      if (targets) {
        const others = Object.keys(attributes).filter((name) => /^(TEXCOORD|COLOR)_/.test(name) && changed.has(name));
        primitive.targets = [...Array(targets)].map(() => Object.fromEntries([...targetAttributes, ...others].map((name) => {
          const type = targetAttributes.includes(name) ? 'VEC3' : this.json.accessors[attributes[name]].type;
          return [name, this.accessor(type, 5126, this.each(points, () => [...Array(WIDTH[type])].map(() => dice.in(-0.2, 0.2))), {bounds: name === 'POSITION', vertex: true})];
        })));
      }
      if (dice.chance(0.8)) {
        primitive.material = dice.of(fitting);
        if (this.variants) {
          primitive.extensions = {[this.uses('KHR_materials_variants')]: {mappings: [{material: dice.of(fitting), variants: [dice.below(this.variants)]}]}};
        }
      }
      return primitive;
    });
    const mesh = {name: this.name('mesh'), primitives, extras: this.extras()};
    if (targets) {
      mesh.weights = this.maybe(0.5, () => [...Array(targets)].map(() => dice.next()));
      mesh.extras = {...mesh.extras, targetNames: [...Array(targets)].map(() => this.name('shape'))};
    }
    return mesh;
  }

  rest(node) {
    const {dice} = this;
    if (dice.chance(0.75)) node.translation = [dice.in(-1, 1), dice.in(-1, 1), dice.in(-1, 1)];
    if (dice.chance(0.6)) node.rotation = this.unit(4);
    if (dice.chance(0.15)) node.scale = dice.chance(0.7) ? Array(3).fill(dice.in(0.5, 2)) : [dice.in(0.5, 2), dice.in(0.5, 2), dice.in(0.5, 2)];
    return node;
  }

  nodes() {
    const {dice, json} = this;
    json.nodes = [];
    const add = (node, parent) => {
      json.nodes.push(node);
      const place = json.nodes.length - 1;
      if (parent >= 0) (json.nodes[parent].children ??= []).push(place);
      return place;
    };
    // A skeleton or two, each below a node that may rotate or not, and then all else anywhere.
    this.skeletons = [];
    const count = dice.chance(0.7) ? 1 : dice.below(3);
    for (let s = 0; s < count; ++s) {
      const above = dice.chance(0.3) ? add(this.rest({name: this.name('holder')}), -1) : -1;
      const chain = [];
      const joints = 2 + dice.below(6);
      for (let j = 0; j < joints; ++j) {
        const node = {name: s === 0 && j === 0 ? 'root' : this.name('joint'), translation: [dice.in(-0.2, 0.2), dice.in(0.1, 0.5), dice.in(-0.2, 0.2)], rotation: this.unit(4)};
        chain.push(add(node, j === 0 ? above : dice.chance(0.8) ? chain[j - 1] : dice.of(chain)));
      }
      this.skeletons.push(chain);
    }
    json.skins = this.skeletons.map((chain) => ({name: this.name('skin'), joints: chain, skeleton: this.maybe(0.3, () => chain[0]), extras: this.extras(0.1),
      inverseBindMatrices: this.maybe(0.8, () => this.accessor('MAT4', 5126, chain.flatMap(() => [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, dice.in(-0.5, 0.5), dice.in(-1, 0), dice.in(-0.5, 0.5), 1]), {plain: true}))}));
    const shared = [];
    for (let n = 2 + dice.below(8); n > 0; --n) {
      const parent = dice.chance(0.5) && json.nodes.length ? dice.below(json.nodes.length) : -1;
      const kind = dice.of(['mesh', 'mesh', 'mesh', 'skinned', 'skinned', 'camera', 'light', 'empty']);
      const node = {name: this.name(kind), extras: this.extras()};
      if (kind === 'mesh') {
        this.rest(node);
        if (shared.length && dice.chance(0.2)) {
          node.mesh = dice.of(shared);
        } else {
          json.meshes.push(this.mesh(false, 0));
          node.mesh = json.meshes.length - 1;
          shared.push(node.mesh);
        }
        const shapes = json.meshes[node.mesh].primitives[0].targets?.length;
        if (shapes && dice.chance(0.3)) node.weights = [...Array(shapes)].map(() => dice.next());
        if (dice.chance(0.08)) {
          const places = 1 + dice.below(4), each = (make) => this.each(places, make);
          const turn = () => { const half = dice.in(-1.5, 1.5); return [0, Math.sin(half), 0, Math.cos(half)]; };
          const attributes = {TRANSLATION: this.accessor('VEC3', 5126, each(() => [dice.in(-3, 3), 0, dice.in(-1, 1)]), {plain: true})};
          if (dice.chance(0.5)) attributes.ROTATION = this.accessor('VEC4', 5126, each(turn), {plain: true});
          if (dice.chance(0.5)) attributes.SCALE = this.accessor('VEC3', 5126, each(() => [0.5, 0.5, 0.5]), {plain: true});
          node.extensions = {[this.uses('EXT_mesh_gpu_instancing')]: {attributes}};
        }
      } else if (kind === 'skinned') {
        if (this.skeletons.length === 0) continue;
        node.skin = dice.below(this.skeletons.length);
        json.meshes.push(this.mesh(true, this.skeletons[node.skin].length));
        node.mesh = json.meshes.length - 1;
        if (dice.chance(0.3)) this.rest(node);  // places what hangs below it, and not the surface
      } else {
        this.rest(node);
        if (kind === 'camera') node.camera = dice.below(json.cameras.length);
        if (kind === 'light') node.extensions = {[this.uses('KHR_lights_punctual')]: {light: dice.below(this.lights.length)}};
        if (kind === 'empty' && dice.chance(0.3)) node.extensions = {[this.uses('EXT_unheard_of')]: dice.chance(0.5) ? {target: dice.below(4)} : {strength: 0.5, word: 'kept'}};
      }
      add(node, kind === 'skinned' && dice.chance(0.7) ? -1 : parent);
    }
    if (json.nodes.length === 0) add(this.rest({name: this.name('empty')}), -1);
    const roots = json.nodes.map((_, n) => n).filter((n) => !json.nodes.some((other) => other.children?.includes(n)));
    json.scenes = [{name: this.name('scene'), nodes: roots, extras: this.extras()}];
    if (dice.chance(0.2)) json.scenes.push({name: this.name('scene'), nodes: roots.filter((n) => json.nodes[n].children || json.nodes[n].skin === undefined && dice.chance(0.6))});
    if (json.scenes[1]?.nodes.length === 0) json.scenes.pop();
    json.scene = 0;
  }

  animations() {
    const {dice, json} = this;
    json.animations = [];
    for (let a = dice.below(3); a > 0; --a) {
      const samplers = [], channels = [], seen = new Set();
      for (let c = 1 + dice.below(6); c > 0; --c) {
        const node = dice.below(json.nodes.length);
        const shapes = json.nodes[node].mesh === undefined ? 0 : json.meshes[json.nodes[node].mesh].primitives[0].targets?.length ?? 0;
        const path = dice.of(['translation', 'rotation', 'scale', ...(shapes ? ['weights', 'weights'] : [])]);
        if (seen.has(`${node} ${path}`)) continue;
        seen.add(`${node} ${path}`);
        const interpolation = dice.of(['LINEAR', 'LINEAR', 'STEP', 'CUBICSPLINE']);
        const keys = (interpolation === 'CUBICSPLINE' ? 2 : 1) + dice.below(5);
        // On frames of 30, and now and then between them.
        const times = [];
        for (let k = 0, t = 0; k < keys; ++k, t += 1 + dice.below(8)) times.push(Math.fround((t + (dice.chance(0.1) ? 0.5 : 0)) / 30));
        const width = {translation: 3, rotation: 4, scale: 3, weights: shapes}[path];
        const value = () => path === 'rotation' ? this.unit(4) : path === 'scale' ? Array(3).fill(dice.in(0.5, 1.5)) : [...Array(width)].map(() => dice.in(0, 1));
        const slope = () => [...Array(width)].map(() => dice.in(-0.5, 0.5));
        const values = this.each(keys, () => interpolation === 'CUBICSPLINE' ? [...slope(), ...value(), ...slope()] : value());
        const type = {translation: 'VEC3', rotation: 'VEC4', scale: 'VEC3', weights: 'SCALAR'}[path];
        samplers.push({input: this.accessor('SCALAR', 5126, times, {plain: true, bounds: true}), output: this.accessor(type, 5126, values, {plain: true}), interpolation});
        channels.push({sampler: samplers.length - 1, target: {node, path}});
      }
      json.animations.push({name: this.name('take'), samplers, channels, extras: this.extras(0.1)});
    }
    if (json.animations.length === 0) delete json.animations;
  }

  build() {
    const {dice, json} = this;
    this.materials();
    this.variants = dice.chance(0.2) ? 1 + dice.below(3) : 0;
    json.cameras = [{name: this.name('lens'), type: 'perspective', perspective: {yfov: 0.8, znear: 0.1, zfar: this.maybe(0.5, () => 100)}}, {name: this.name('lens'), type: 'orthographic', orthographic: {xmag: 1, ymag: 2, znear: 0.1, zfar: 10}, extras: this.extras()}];
    this.lights = [{name: this.name('lamp'), type: 'point', intensity: 3, range: 5}, {name: this.name('lamp'), type: 'spot', color: [1, 0.5, 0.25], spot: {outerConeAngle: 0.5, innerConeAngle: 0.25}}, {name: this.name('lamp'), type: 'directional'}];
    json.meshes = [];
    this.nodes();
    this.animations();
    for (const list of ['meshes', 'accessors', 'bufferViews']) if (json[list].length === 0) delete json[list];
    if (json.skins.length === 0) delete json.skins;
    json.extras = this.extras();
    json.asset.copyright = this.maybe(0.3, () => this.name('workshop'));
    json.asset.extras = this.extras(0.1);
    if (this.used.has('KHR_lights_punctual')) json.extensions = {KHR_lights_punctual: {lights: this.lights}};
    if (this.used.has('KHR_materials_variants')) {
      json.extensions = {...json.extensions, KHR_materials_variants: {variants: [...Array(this.variants)].map(() => ({name: this.name('variant')}))}};
    }
    if (this.used.size) json.extensionsUsed = [...this.used];
    if (this.required.size) json.extensionsRequired = [...this.required];
    if (this.length === 0) this.bytes(Buffer.alloc(4));
    json.buffers = [{byteLength: this.length}];
    return {json: JSON.parse(JSON.stringify(json)), binary: Buffer.concat(this.chunks)};
  }
}

export function randomGltf(seed) { return new Builder(seed).build(); }

export function asGlb({json, binary}) {
  let text = Buffer.from(JSON.stringify(json));
  text = Buffer.concat([text, Buffer.alloc((4 - text.length % 4) % 4, ' ')]);
  const data = Buffer.concat([binary, Buffer.alloc((4 - binary.length % 4) % 4)]);
  const head = Buffer.alloc(20);
  [0x46546c67, 2, 28 + text.length + data.length, text.length, 0x4e4f534a].forEach((word, i) => head.writeUInt32LE(word, i * 4));
  const chunk = Buffer.alloc(8);
  chunk.writeUInt32LE(data.length, 0);
  chunk.writeUInt32LE(0x004e4942, 4);
  return Buffer.concat([head, text, chunk, data]);
}
