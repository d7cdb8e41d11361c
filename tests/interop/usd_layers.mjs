// The text of USD layers as tinyusdz understood them, for ours to be held against.
// usage: node usd_layers.mjs OUT_FOLDER FILE...
// tinyusdz is built for browsers: the lines below make it believe that it runs in a worker.
import fs from 'node:fs';
import path from 'node:path';

process.type = 'renderer';
globalThis.WorkerGlobalScope = class {};
globalThis.self = globalThis;
globalThis.location = {href: 'file:///'};
const [out, ...files] = process.argv.slice(2);
fs.mkdirSync(out, {recursive: true});
const wasmBinary = fs.readFileSync(new URL(import.meta.resolve('tinyusdz/tinyusdz.wasm')));
const {default: start} = await import('tinyusdz/tinyusdz.js');
const said = [];
const usd = await start({wasmBinary, print: () => {}, printErr: (line) => said.push(line)});
let refused = 0;
for (const file of files) {
  const loader = new usd.TinyUSDZLoaderNative();
  said.length = 0;
  if (!loader.loadAsLayerFromBinary(fs.readFileSync(file), path.basename(file)) || said.length > 0) {
    refused++;
    console.log(`${file}: ${loader.error()} ${said.join(' ')}`);
  } else {
    fs.writeFileSync(path.join(out, path.basename(file) + '.usda'), loader.layerToString());
  }
  loader.delete();
}
console.log(`${files.length - refused} of ${files.length} USD files taken without a word by tinyusdz`);
process.exit(refused ? 1 : 0);
