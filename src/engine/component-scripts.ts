import path from "node:path";
import { endsIn } from "../core/document/component-formats.ts";
import type { Host } from "../host/host.ts";
import { isMachineMade } from "../readers/script/machine-made.ts";

/** How scripts that hold components are known whose ending does not say so. */
interface ComponentScripts {
  /** What the manifest of a project names that has such scripts. */
  readonly dependency: RegExp;
  readonly endings: readonly string[];
  /** What stands in the script. */
  readonly holds: RegExp;
}

const kinds: readonly ComponentScripts[] = [
  // Classes with a decorator, whatever they are called: `login.ts` beside `login.html`.
  { dependency: /"@angular\/core"\s*:/, endings: [".ts"], holds: /@Component\s*\(\s*\{/ },
  // Markup of JSX: an end tag, or a tag that ends itself.
  {
    dependency: /"(?:react|preact)"\s*:/,
    endings: [".js", ".mjs"],
    holds: /<\/[A-Za-z][\w.]*\s*>|<\/>|<[A-Za-z][\w.]*(?:\s[^<>]*)?\/>/,
  },
  // Scripts that put a component into the page, and bring styles and components for all of them.
  {
    dependency: /"vue"\s*:/,
    endings: [".js", ".mjs", ".ts"],
    holds: /\bcreateApp\s*\(|\bnew\s+Vue\s*\(|\.component\s*\(\s*["'`]/,
  },
  {
    dependency: /"svelte"\s*:/,
    endings: [".js", ".mjs", ".ts"],
    holds: /\bimport\s+\w+\s+from\s+["'][^"']+\.svelte["'][\s\S]*\b(?:new\s+\w+|mount)\s*\(/,
  },
];

/** Scripts that declare types alone, or try components. */
const shipsNothing = /\.(?:d|spec|test)\.ts$/i;

/** Comments show how things are used, and hold none of them. */
const comments = /\/\*[\s\S]*?\*\/|^\s*\/\/.*$/gm;

/** Whether a script says by what stands in it that it holds components. */
export async function holdsComponents(host: Host, file: string): Promise<boolean> {
  const text = shipsNothing.test(file) ? null : await textOf(host, file);
  return (
    text !== null &&
    kinds.some(({ endings, holds }) => endsIn(file, endings) && holds.test(text.replace(comments, ""))) &&
    !isMachineMade(text)
  );
}

/**
 * Scripts of a folder that hold components though their ending does not say so. Where the project depends on a framework
 * that has them, all its scripts are looked into, else those that stand beside a template.
 * @param found what was found in the folder so far
 */
export async function componentScripts(
  host: Host,
  folder: string,
  found: readonly string[],
): Promise<readonly string[]> {
  const manifest = await nearestManifest(host, folder);
  const endings = kinds.filter(({ dependency }) => dependency.test(manifest)).flatMap((kind) => kind.endings);
  const beside = found.flatMap((file) => (/\.html?$/i.test(file) ? [file.replace(/\.html?$/i, ".ts")] : []));
  const all = endings.map((ending) => `**/*${ending}`);
  const candidates = [...beside, ...(all.length === 0 ? [] : await host.files.find(all, folder))];
  const known = new Set(found);
  const holding = await Promise.all(
    [...new Set(candidates)]
      .filter((file) => !known.has(file))
      .map(async (file) => ((await holdsComponents(host, file)) ? [file] : [])),
  );
  return holding.flat();
}

/** The text of the nearest manifest upward; empty where there is none. */
async function nearestManifest(host: Host, folder: string): Promise<string> {
  for (let current = folder; ; current = path.dirname(current)) {
    const text = await textOf(host, path.join(current, "package.json"));
    if (text !== null) return text;
    if (current === path.dirname(current)) return "";
  }
}

async function textOf(host: Host, file: string): Promise<string | null> {
  const read = await host.files.read(file);
  return read.ok ? new TextDecoder().decode(read.bytes) : null;
}
