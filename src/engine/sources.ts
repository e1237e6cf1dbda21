import type { Sheet } from "../core/css/sheet.ts";
import type { Problem } from "../core/findings/problems.ts";
import type { SourceModule } from "../readers/composition/source-module.ts";
import type { PageFile } from "./targets.ts";
import type { Unit } from "./unit.ts";

/** Component source as read: the files that were asked for, and all that they import. */
export interface LoadedSources {
  readonly entries: readonly PageFile[];
  readonly modules: ReadonlyMap<string, SourceModule>;
  /** Stylesheets of the configuration, which every component has. */
  readonly sheets: readonly Sheet[];
  readonly texts: ReadonlyMap<string, string>;
  /** Absolute paths of every file that had a part in it. */
  readonly files: ReadonlySet<string>;
  /** Absolute paths at which an import looked for a file and found none. */
  readonly missing: readonly string[];
  readonly problems: readonly Problem[];
  /** Whether some file could not be read, or does not parse. */
  readonly unread: boolean;
}

/** The component files among the targets. */
export interface SourceTargets {
  readonly entries: readonly PageFile[];
  /** Reads them with all that they import; once, however often it is asked. */
  load(): Promise<LoadedSources>;
  /** The components that nobody uses, each as it is when everything that is open falls as it stands first. */
  units(): Promise<readonly Unit[]>;
  /** Says that an earlier result is as good, and which files it is about; nothing is read then. */
  reuse(paths: ReadonlySet<string>): void;
}
