import { readFileSync } from "node:fs";

/** The version of the package, wherever the bundled file that asks stands below its root. */
export function packageVersion(): string {
  for (const up of ["../package.json", "../../package.json"]) {
    try {
      const found: { name: string; version: string } = JSON.parse(
        readFileSync(new URL(up, import.meta.url), "utf8"),
      );
      if (found.name === "even-keel") return found.version;
    } catch {
      // Not there: one level up.
    }
  }
  return "0.0.0";
}
