/** What a path leads to. Sizes in bytes. */
export type FileInfo = { readonly kind: "file" | "folder" | "other"; readonly size: number };

/** A file that is to have other bytes, provided it still has those it was read with. */
export interface Replacement {
  readonly path: string;
  readonly expected: Uint8Array;
  readonly bytes: Uint8Array;
}

/** What came of replacing files: those that were, and the first that could not be, with a word why. */
export interface Replaced {
  readonly written: readonly string[];
  readonly failed: { readonly path: string; readonly reason: string } | null;
}

/** The outside world as the answers need it; nothing else of it is reachable. */
export interface Files {
  /** Null when nothing is there. */
  info(path: string): Promise<FileInfo | null>;
  /** The bytes, or in a word why they cannot be had. */
  read(
    path: string,
  ): Promise<
    | { readonly ok: true; readonly bytes: Uint8Array }
    | { readonly ok: false; readonly reason: string; readonly missing: boolean }
  >;
  /** The path with every symbolic link followed; null when nothing is there. */
  realPath(path: string): Promise<string | null>;
  /** Files below a folder that match patterns, without `node_modules`, `.git` and what `.gitignore` names; sorted. */
  find(patterns: readonly string[], folder: string): Promise<readonly string[]>;
  /** Writes a file whole or not at all; null, or in a word why it could not. */
  writeWhole(path: string, content: string | Uint8Array): Promise<string | null>;
  /** Writes a file that is not there yet, whole or not at all; `"there"` where it is, another word why it could not. */
  writeNew(path: string, content: Uint8Array): Promise<string | null>;
  /** In a word why a file may not be written; null when it may. */
  refusesWriting(path: string): Promise<string | null>;
  /**
   * Replaces files, each whole, with the permissions they have. All new content is on the disk before the first file is
   * replaced: where it cannot be, none is.
   */
  replaceWhole(replacements: readonly Replacement[]): Promise<Replaced>;
  /** Drafts below a folder that a run which was killed has left. */
  drafts(folder: string): Promise<readonly string[]>;
}

export interface Clock {
  now(): Date;
  /** Milliseconds since some fixed point. */
  elapsed(): number;
  /** Lets all else that waits in this process have its turn: what a user asks for, what is to be shown. */
  rest(): Promise<void>;
}

export interface Host {
  readonly files: Files;
  readonly clock: Clock;
  /** Absolute. */
  readonly workingDirectory: string;
  /** Where results may be kept from one run to the next, which no project brings along. Absolute; null for nowhere. */
  readonly cacheFolder: string | null;
  standardInput(): Promise<Uint8Array>;
  /** The text of a file of a package that this program depends on: `package/file`. */
  packageText(name: string): Promise<string>;
  /** The text of one of our own programs, which is run in a page. */
  programText(name: "specimen-stage"): Promise<string>;
  /** Whether some files are under version control, and they and all else in the working directory are committed. */
  commitState(files: readonly string[]): Promise<"committed" | "uncommitted" | "no repository">;
  hash(text: string): string;
  /** Has one of our own programs do a task in a process of its own, with limits on its time and memory. */
  runApart(task: ApartTask): Promise<ApartAnswer>;
  /** Threads that share our own computing; null where there are none. */
  readonly threads: Threads | null;
}

export interface Threads {
  /** How many may compute at once, this one among them. */
  readonly cores: number;
  /** Starts one of our own programs in a thread of its own. */
  start(program: "sources-worker", data: unknown): Thread;
}

/** A program in a thread of its own. What goes between is copied. */
export interface Thread {
  post(message: unknown): void;
  /** What it has posted since this was last asked. */
  received(): readonly unknown[];
  /** Waits until it posts something, or has ended: false. */
  speaks(): Promise<boolean>;
  end(): void;
}

/** What is done in a process of its own, because it runs what is not ours. */
export interface ApartTask {
  /** `window-process` runs scripts of pages and specimens, `bundle-process` the tools of a project. */
  readonly program: "window-process" | "bundle-process";
  readonly data: unknown;
  /** What several tasks need: a process is given it once, and has it until it is given another. */
  readonly kept?: { readonly id: string; readonly value: unknown };
  /** Folders it may read beside our own, and nothing may be written or started; null where it is not confined. Absolute. */
  readonly reads: readonly string[] | null;
  /** How long it may take from when it begins, by the clock on the wall. */
  readonly milliseconds: number;
  /** How much memory the values of its scripts may take. */
  readonly megabytes: number;
}

/** What came of a task, or in a word why nothing did. */
export type ApartAnswer =
  | { readonly ok: true; readonly value: unknown }
  | { readonly ok: false; readonly reason: string };
