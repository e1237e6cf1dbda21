// Bundles src/ into dist/: the command line, the library, what specimens import, and the worker that runs the scripts of pages and mounts specimens; one chunk for each lazily imported part.
// The parsers are bundled in: they come as hundreds of small files, which take longer to open than to run.
import { readFile, rm } from "node:fs/promises";
import { build } from "esbuild";

const bundledIn = new Set(["css-tree", "culori", "parse5"]);
const { dependencies } = JSON.parse(await readFile("package.json", "utf8"));

await rm("dist", { recursive: true, force: true });
await build({
  entryPoints: {
    cli: "src/cli/main.ts",
    api: "src/api.ts",
    specimen: "src/specimen.ts",
    "render-worker": "src/render/worker.ts",
    "vite-builder": "src/render/vite-builder.ts",
  },
  outdir: "dist",
  bundle: true,
  splitting: true,
  format: "esm",
  platform: "node",
  target: "node20.19",
  external: Object.keys(dependencies).filter((name) => !bundledIn.has(name)),
  chunkNames: "parts/[name]-[hash]",
  logLevel: "warning",
});
