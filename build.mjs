// Bundles src/ into dist/: two entry points, one chunk for each lazily imported part, packages left outside.
import { rm } from "node:fs/promises";
import { build } from "esbuild";

await rm("dist", { recursive: true, force: true });
await build({
  entryPoints: { cli: "src/cli/main.ts", api: "src/api.ts" },
  outdir: "dist",
  bundle: true,
  splitting: true,
  format: "esm",
  platform: "node",
  target: "node20.19",
  packages: "external",
  chunkNames: "parts/[name]-[hash]",
  logLevel: "warning",
});
