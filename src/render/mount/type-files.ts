import { readFileSync, statSync } from "node:fs";
import path from "node:path";
import { createPathsMatcher, getTsconfig } from "get-tsconfig";
import { candidates, entryOf, packageName } from "../../readers/composition/package-files.ts";

/** Conditions of a manifest by which declarations of types go first. */
const typesFirst = ["types", "import", "default", "require"];

/** The file in which the types stand that an import names, by the paths of the project or in a package; null where none is. */
export function typeFile(specifier: string, from: string): string | null {
  if (/^\.{1,2}(?:\/|$)/.test(specifier)) return declared(path.resolve(path.dirname(from), specifier));
  const config = getTsconfig(from);
  const mapped = config === null ? null : createPathsMatcher(config);
  for (const place of mapped?.(specifier) ?? []) {
    const found = declared(place);
    if (found !== null) return found;
  }
  const name = packageName(specifier);
  const inner = specifier.slice(name.length + 1);
  const untyped = `@types/${name.replace(/^@/, "").replace("/", "__")}`;
  for (const one of [name, untyped]) {
    const found = inPackage(one, inner, path.dirname(from));
    if (found !== null) return found;
  }
  return null;
}

function inPackage(name: string, inner: string, from: string): string | null {
  for (let folder = from; ; folder = path.dirname(folder)) {
    const home = path.join(folder, "node_modules", name);
    if (isFile(path.join(home, "package.json"))) {
      const manifest = JSON.parse(readFileSync(path.join(home, "package.json"), "utf8"));
      const named = inner === "" ? [manifest.types, manifest.typings] : [];
      for (const entry of [...named, ...entryOf(manifest, inner, typesFirst), inner || "index"]) {
        const found = typeof entry === "string" ? declared(path.join(home, entry)) : null;
        if (found !== null) return found;
      }
    }
    if (path.dirname(folder) === folder) return null;
  }
}

/** The file of types that a path stands for: itself, the declarations beside a script, or what it leaves unsaid. */
function declared(file: string): string | null {
  const beside = file.replace(/\.([cm]?)jsx?$/, ".d.$1ts");
  return (
    [beside, ...candidates(file), `${file}.d.ts`, path.join(file, "index.d.ts")].find(
      (one) => /\.(?:[cm]?tsx?|vue)$/.test(one) && isFile(one),
    ) ?? null
  );
}

const isFile = (file: string): boolean => statSync(file, { throwIfNoEntry: false })?.isFile() === true;
