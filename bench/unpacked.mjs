import { execFileSync } from "node:child_process";
import { mkdirSync } from "node:fs";
import path from "node:path";

/**
 * Where the files of a published package lie, unpacked below a folder; the nearest version of it that there is, where the
 * named one is gone.
 */
export function unpacked(named, folder) {
  const into = path.join(folder, named.replace(/[^\w.-]+/g, "-"));
  mkdirSync(into);
  const pack = (spec) =>
    execFileSync("npm", ["pack", spec, "--pack-destination", folder, "--silent"], {
      stdio: ["ignore", "pipe", "ignore"],
    })
      .toString()
      .trim();
  let file;
  try {
    file = pack(named);
  } catch {
    file = pack(named.replace(/(.)@[^@]*$/, "$1"));
  }
  execFileSync("tar", ["-xzf", path.join(folder, file), "-C", into, "--strip-components=1"]);
  return into;
}
