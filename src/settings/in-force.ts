import path from "node:path";
import type { LoadedConfig } from "../config/load.ts";
import type { Config } from "../config/schema.ts";

/** One thing that is in force, and where it comes from: an option, the configuration, or nothing but what is usual. */
export interface InForce {
  readonly name: string;
  readonly value: string;
  readonly from: string;
}

/** Settles what is in force, the option first, then the configuration, then what is usual; and remembers which it was. */
export class Settlement {
  readonly config: Config;
  readonly inForce: InForce[] = [];
  /** The folder that the paths of the configuration start from. Absolute. */
  readonly base: string;
  readonly #file: string;

  constructor(loaded: LoadedConfig | null, workingDirectory: string) {
    this.config = loaded?.config ?? {};
    this.base = loaded === null ? workingDirectory : path.dirname(loaded.file);
    this.#file =
      loaded === null ? "" : path.relative(workingDirectory, loaded.file).split(path.sep).join("/");
  }

  /** @param option as people write it, for where the value comes from: `--max-size` */
  settle<T>(name: string, option: string, asked: T | undefined, configured: T | undefined, usual: T): T {
    const value = asked ?? configured ?? usual;
    const from = asked !== undefined ? option : configured !== undefined ? this.#file : "usual";
    this.inForce.push({ name, value: shownValue(value), from });
    return value;
  }

  /** What only a configuration can say. */
  note(name: string, configured: unknown): void {
    if (configured !== undefined)
      this.inForce.push({ name, value: shownValue(configured), from: this.#file });
  }
}

function shownValue(value: unknown): string {
  if (value === null) return "all";
  if (Array.isArray(value)) return value.length === 0 ? "none" : value.map(shownValue).join(", ");
  return typeof value === "object" ? JSON.stringify(value) : String(value);
}
