import { bundleSpecimens } from "../src/render/mount/bundle.ts";
import { MountedSpecimens } from "../src/render/mount/mounted-specimens.ts";
import { explore } from "../src/render/explore.ts";
import { LivePage } from "../src/render/live-page.ts";
import { desktop } from "../src/core/css/device.ts";
const cwd = process.argv[2], file = cwd + "/" + process.argv[3];
let t = performance.now();
const lap = (n) => { console.log(n, Math.round(performance.now() - t)); t = performance.now(); };
const { bundle, broken } = await bundleSpecimens({ kind: "bundle", root: cwd, workingDirectory: cwd, files: [file], edited: new Map() });
lap("bundle"); if (!bundle) { console.log(broken); process.exit(); }
const m = new MountedSpecimens();
const f = { path: file, name: process.argv[3] };
const { specimens, failure } = await m.list({ kind: "list", bundle, file: f });
lap("list"); console.log(failure);
let opens = 0, openMs = 0;
const open = LivePage.open;
LivePage.open = async (s) => { const a = performance.now(); const p = await open.call(LivePage, s); openMs += performance.now() - a; opens++; return p; };
for (let r = 0; r < 2; r++)
for (const [index, s] of specimens.entries()) {
  opens = 0; openMs = 0;
  const res = await m.mount({ kind: "specimen", bundle, file: f, specimen: { name: s.name, index }, device: desktop, script: null, patience: 20000, plan: null }, (page, opened) => explore(page, 20000, null, opened));
  lap(`mount ${s.name}: opens ${opens} in ${Math.round(openMs)} · ${res.failure ?? res.findings.length}`);
}
process.exit();
