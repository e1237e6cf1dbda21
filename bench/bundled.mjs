import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import path from "node:path";
import { build } from "esbuild";

const { dependencies } = JSON.parse(readFileSync("package.json", "utf8"));

// Below the project, so that packages left out of the bundle are found.
const folder = mkdtempSync(path.resolve("node_modules", ".keel-bench-"));
process.on("exit", () => rmSync(folder, { recursive: true, force: true }));

/**
 * A module of this folder, bundled as the command line is, so that what is measured is what is shipped: our own parsers
 * are bundled in, the frameworks' compilers are not.
 */
export async function bundled(name, inside = ["parse5", "culori"]) {
  const outfile = path.join(folder, `${name}.mjs`);
  await build({
    entryPoints: [path.resolve(`bench/${name}.ts`)],
    outfile,
    bundle: true,
    format: "esm",
    platform: "node",
    target: "node20.19",
    external: Object.keys(dependencies).filter((dependency) => !inside.includes(dependency)),
    logLevel: "error",
  });
  return import(outfile);
}
