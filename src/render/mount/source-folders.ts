import path from "node:path";

/**
 * The folders that the sources of a bundle lie in, that of its package first. Packages that are installed are taken
 * together.
 * @param map its source map. UTF-8
 */
export function sourceFolders(map: Uint8Array, root: string, workingDirectory: string): readonly string[] {
  const { sources = [] } = JSON.parse(new TextDecoder().decode(map)) as {
    readonly sources?: readonly string[];
  };
  const folders = new Set([root]);
  for (const source of sources) {
    const file = path.resolve(workingDirectory, source.replace(/^file:\/\//, ""));
    const [installed] = /^.*?[\\/]node_modules(?=[\\/])/.exec(file) ?? [];
    folders.add(installed ?? path.dirname(file));
  }
  return [...folders];
}
