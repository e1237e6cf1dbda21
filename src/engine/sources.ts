import type { Sheet } from "../core/css/sheet.ts";
import type { Problem } from "../core/findings/problems.ts";
import type { SourceModule } from "../readers/composition/source-module.ts";
import type { PageFile } from "./targets.ts";

/** Component source as read: the files that were asked for, and all that they import. */
export interface LoadedSources {
  readonly entries: readonly PageFile[];
  readonly modules: ReadonlyMap<string, SourceModule>;
  /** Stylesheets of the configuration, which every component has. */
  readonly sheets: readonly Sheet[];
  /** A module whose styles hold for every component, whether it imports them or not; null for none. */
  readonly everywhere: SourceModule | null;
  readonly texts: ReadonlyMap<string, string>;
  /** Absolute paths of every file that had a part in it. */
  readonly files: ReadonlySet<string>;
  /** Absolute paths at which an import looked for a file and found none. */
  readonly missing: readonly string[];
  readonly problems: readonly Problem[];
  /** Whether some file could not be read, or does not parse. */
  readonly unread: boolean;
}
