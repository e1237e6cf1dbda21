// Bundles src/ into dist/: the command line, the library, what specimens import, the processes that run the scripts of pages and the tools of projects, and the threads that read with it; one chunk for each lazily imported part.
// The parsers are bundled in: they come as hundreds of small files, which take longer to open than to run.
import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { readFile, rm } from "node:fs/promises";
import path from "node:path";
import { build } from "esbuild";

const bundledIn = new Set(["css-tree", "culori", "diff", "parse5", "string-width", "zod"]);
const { dependencies } = JSON.parse(await readFile("package.json", "utf8"));

/** A hash of all that the program is built from: what one build keeps is not taken for its own by another. */
function buildId() {
  const hash = createHash("sha256").update(readFileSync("package-lock.json"));
  const files = readdirSync("src", { recursive: true }).filter((file) => file.endsWith(".ts"));
  for (const file of files.sort()) hash.update(file).update(readFileSync(path.join("src", file)));
  return hash.digest("hex").slice(0, 16);
}

await rm("dist", { recursive: true, force: true });
const minified = { minifyWhitespace: true, minifySyntax: true, logLevel: "warning" };
await build({
  entryPoints: {
    cli: "src/cli/start.ts",
    main: "src/cli/main.ts",
    api: "src/api.ts",
    specimen: "src/specimen.ts",
    "window-process": "src/render/window-process.ts",
    "bundle-process": "src/render/bundle-process.ts",
    "sources-worker": "src/sources-worker.ts",
    "vite-builder": "src/render/vite-builder.ts",
  },
  outdir: "dist",
  bundle: true,
  splitting: true,
  format: "esm",
  platform: "node",
  target: "node20.19",
  external: Object.keys(dependencies).filter((name) => !bundledIn.has(name)),
  define: { BUILD_ID: JSON.stringify(buildId()) },
  chunkNames: "parts/[name]-[hash]",
  ...minified,
});
// What runs in pages of specimens, where nothing can be imported.
await build({
  entryPoints: { "specimen-stage": "src/render/mounted/in-browser.ts" },
  outdir: "dist",
  bundle: true,
  format: "iife",
  target: "es2022",
  ...minified,
});
