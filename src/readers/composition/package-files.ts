/** Endings that may be left off an import, in the order they are tried. */
const endings = [".tsx", ".ts", ".jsx", ".js", ".mts", ".mjs", ".vue", ".svelte", ".json"] as const;

/** What a compiled name may stand for in source. */
const sourceOf: Readonly<Record<string, readonly string[]>> = {
  ".js": [".ts", ".tsx", ".jsx"],
  ".mjs": [".mts"],
  ".jsx": [".tsx"],
};

/** The files that a path may mean, the likeliest first. */
export function candidates(path: string): readonly string[] {
  const ending = /\.[a-z]+$/.exec(path)?.[0] ?? "";
  const bare = path.slice(0, path.length - ending.length);
  return [
    path,
    ...(sourceOf[ending] ?? []).map((other) => bare + other),
    ...endings.map((added) => path + added),
    ...endings.map((added) => `${path}/index${added}`),
  ];
}

/** The package that an import names. */
export function packageName(specifier: string): string {
  const [first = "", second = ""] = specifier.split("/");
  return first.startsWith("@") ? `${first}/${second}` : first;
}

/** Conditions of a manifest by which source goes before what was built from it. */
export const sourceFirst = ["source", "development", "svelte", "import", "default", "require"];

/** Conditions by which what bundlers take goes first. */
export const bundledFirst = ["svelte", "import", "module", "browser", "default"];

/** What a package gives for a path in it, the likeliest first. Node.js, "Package entry points". */
export function entryOf(
  manifest: Record<string, unknown> | null,
  inner: string,
  conditions: readonly string[],
): readonly string[] {
  if (manifest === null) return [];
  const found: string[] = [];
  const take = (value: unknown, matched = ""): void => {
    if (typeof value === "string") found.push(value.replaceAll("*", matched));
    else if (Array.isArray(value)) for (const one of value) take(one, matched);
    else if (typeof value === "object" && value !== null) {
      const given = value as Record<string, unknown>;
      for (const key of conditions) if (key in given) take(given[key], matched);
    }
  };
  const exported = manifest.exports;
  if (typeof exported === "object" && exported !== null && !Array.isArray(exported)) {
    const key = inner === "" ? "." : `./${inner}`;
    const table = exported as Record<string, unknown>;
    if (key in table) take(table[key]);
    else if (!Object.keys(table).some((name) => name.startsWith("."))) {
      if (inner === "") take(table);
    } else
      for (const [pattern, value] of Object.entries(table)) {
        const matched = pattern.includes("*") ? starred(pattern, key) : null;
        if (matched !== null) take(value, matched);
      }
  } else if (inner === "") take(exported);
  if (inner === "") for (const key of ["source", "svelte", "module", "main"]) take(manifest[key]);
  return found;
}

/** What stands for the star of a pattern in a text that fits it; null where it does not. */
export function starred(pattern: string, text: string): string | null {
  const star = pattern.indexOf("*");
  if (star < 0) return pattern === text ? "" : null;
  const [before, after] = [pattern.slice(0, star), pattern.slice(star + 1)];
  return text.length >= before.length + after.length && text.startsWith(before) && text.endsWith(after)
    ? text.slice(before.length, text.length - after.length)
    : null;
}

/** The folder that a path is in. */
export const parent = (path: string): string => path.slice(0, Math.max(1, path.lastIndexOf("/"))) || "/";

/** A relative path from a folder, without dots. */
export function join(folder: string, relative: string): string {
  const parts = relative.startsWith("/") ? [] : folder.split("/");
  for (const part of relative.split("/")) {
    if (part === "..") parts.pop();
    else if (part !== "." && part !== "") parts.push(part);
  }
  return parts.join("/").startsWith("/") ? parts.join("/") : `/${parts.join("/")}`;
}
