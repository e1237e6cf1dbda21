import path from "node:path";
import type { Host } from "../host/host.ts";

const decorates = /@Component\s*\(\s*\{/;

/** Scripts that declare types alone, or try components. */
const shipsNothing = /\.(?:d|spec|test)\.ts$/i;

/**
 * Scripts that make components by a decorator, whatever they are called: `login.ts` beside `login.html`. Where the project
 * depends on the framework all scripts of the folder are looked into, else those that stand beside a template.
 * @param found what was found in the folder so far
 */
export async function decoratedScripts(
  host: Host,
  folder: string,
  found: readonly string[],
): Promise<readonly string[]> {
  const candidates = (await dependsOnFramework(host, folder))
    ? await host.files.find(["**/*.ts"], folder)
    : found.flatMap((file) => (/\.html?$/i.test(file) ? [file.replace(/\.html?$/i, ".ts")] : []));
  const known = new Set(found);
  const decorated = await Promise.all(
    [...new Set(candidates)]
      .filter((file) => !known.has(file) && !shipsNothing.test(file))
      .map(async (file) => ((await holds(host, file, decorates)) ? [file] : [])),
  );
  return decorated.flat();
}

/** Whether the nearest manifest upward names the framework. */
async function dependsOnFramework(host: Host, folder: string): Promise<boolean> {
  for (let current = folder; ; current = path.dirname(current)) {
    const manifest = path.join(current, "package.json");
    if ((await host.files.info(manifest)) !== null) return holds(host, manifest, /"@angular\/core"\s*:/);
    if (current === path.dirname(current)) return false;
  }
}

async function holds(host: Host, file: string, pattern: RegExp): Promise<boolean> {
  const read = await host.files.read(file);
  return read.ok && pattern.test(new TextDecoder().decode(read.bytes));
}
