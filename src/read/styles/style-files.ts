import path from "node:path";
import type { Files } from "../../host/host.ts";
import { isBelow, liesWithin } from "../../host/project-root.ts";
import { textAt } from "../text-at.ts";

/** What is asked where an import of a style may lead besides the file that holds it. */
export type Aliases = (specifier: string, folder: string) => Promise<readonly string[]>;

/**
 * Finds and reads the files that styles import, for compilers: within the project alone. Remembers what was read, so
 * that what is made of it can be made anew when one of them changes.
 */
export class StyleFiles {
  /** Texts by absolute path. */
  readonly read = new Map<string, string>();
  /** Where files were looked for that are not there. */
  readonly missing: string[] = [];
  readonly #files: Files;
  readonly #root: string;
  readonly #aliases: Aliases;

  /** @param root the folder of the project, absolute: nothing outside is read */
  constructor(files: Files, root: string, aliases: Aliases) {
    this.#files = files;
    this.#root = root;
    this.#aliases = aliases;
  }

  /**
   * The file that an import means; null for none.
   * @param names what a path may stand for, the likeliest first
   */
  async find(
    specifier: string,
    from: string,
    names: (path: string) => readonly string[],
  ): Promise<string | null> {
    const tried: string[] = [];
    for (const place of await this.#places(specifier, path.dirname(from)))
      for (const candidate of names(place)) {
        if (await this.#isOurs(candidate)) return candidate;
        tried.push(candidate);
      }
    this.missing.push(...tried);
    return null;
  }

  async text(file: string): Promise<string | null> {
    const known = this.read.get(file);
    if (known !== undefined) return known;
    const text = await textAt(file, this.#files);
    if (text !== null) this.read.set(file, text);
    return text;
  }

  /** Beside the file first, then where the project maps names to, then packages, then from the project's own folders. */
  async #places(specifier: string, folder: string): Promise<readonly string[]> {
    const bare = specifier.replace(/^(?:~|pkg:)/, "");
    if (path.isAbsolute(bare)) return [bare, path.join(this.#root, bare)];
    const beside = path.resolve(folder, bare);
    if (bare.startsWith(".")) return [beside];
    const places = specifier === bare ? [beside] : [];
    places.push(...(await this.#aliases(bare, folder)));
    const above = foldersUp(folder, this.#root);
    places.push(...above.map((one) => path.join(one, "node_modules", bare)));
    // Builds look for names from the folders of the project, too.
    return [
      ...places,
      ...above.flatMap((one) => [path.join(one, bare), path.join(one, "src", bare.replace(/^[@~]\//, ""))]),
    ];
  }

  async #isOurs(file: string): Promise<boolean> {
    return (
      (await this.#files.info(file))?.kind === "file" && (await liesWithin(file, [this.#root], this.#files))
    );
  }
}

/** A folder and those around it, up to the one of the project. */
function foldersUp(folder: string, root: string): readonly string[] {
  const folders: string[] = [];
  for (let one = folder; isBelow(one, root) && one !== folders.at(-1); one = path.dirname(one))
    folders.push(one);
  return folders;
}
