/** What a path leads to. Sizes in bytes. */
export type FileInfo = { readonly kind: "file" | "folder" | "other"; readonly size: number };

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
  writeWhole(path: string, text: string): Promise<string | null>;
}

export interface Clock {
  now(): Date;
  /** Milliseconds since some fixed point. */
  elapsed(): number;
}

export interface Host {
  readonly files: Files;
  readonly clock: Clock;
  /** Absolute. */
  readonly workingDirectory: string;
  standardInput(): Promise<Uint8Array>;
  hash(text: string): string;
}
