// Every delivered file through the standard's own validator: no errors, no warnings.
import fs from 'node:fs';
import path from 'node:path';
import {validateBytes} from 'gltf-validator';

let failed = 0;
const files = process.argv.slice(2);
for (const file of files) {
  const beside = (uri) => Promise.resolve(new Uint8Array(fs.readFileSync(path.join(path.dirname(file), decodeURIComponent(uri)))));
  const report = await validateBytes(new Uint8Array(fs.readFileSync(file)), {uri: path.basename(file), externalResourceFunction: beside});
  const {numErrors, numWarnings, messages} = report.issues;
  if (numErrors + numWarnings > 0) {
    failed++;
    console.log(`${path.basename(file)}: ${numErrors} errors, ${numWarnings} warnings`);
    for (const m of messages.filter((m) => m.severity < 2).slice(0, 5)) console.log(`  ${m.code} ${m.pointer} ${m.message}`);
  }
}
console.log(`validator: ${files.length - failed} of ${files.length} files without errors and warnings`);
process.exit(failed || files.length === 0 ? 1 : 0);
