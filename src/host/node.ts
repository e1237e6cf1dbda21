import { execFile } from "node:child_process";
import { createHash, randomBytes } from "node:crypto";
import type { Stats } from "node:fs";
import {
  access,
  chmod,
  chown,
  constants,
  link,
  mkdir,
  readFile,
  realpath,
  rename,
  rm,
  stat,
  writeFile,
} from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { promisify } from "node:util";
import { Worker } from "node:worker_threads";
import ignore, { type Ignore } from "ignore";
import { glob } from "tinyglobby";
import { programFile, Workers } from "./apart.ts";
import type { Files, Host, Thread } from "./host.ts";
import { reasonOf } from "./reason-of.ts";

const isMissing = (error: unknown): boolean =>
  error instanceof Error && "code" in error && (error.code === "ENOENT" || error.code === "ENOTDIR");

/** The rules of every `.gitignore` from the folder up to the root of its repository, and of those further down when met. */
class GitIgnore {
  readonly #rules = new Map<string, Ignore | null>();

  async #rulesOf(folder: string): Promise<Ignore | null> {
    let rules = this.#rules.get(folder);
    if (rules === undefined) {
      const text = await readFile(path.join(folder, ".gitignore"), "utf8").catch(() => null);
      rules = text === null ? null : ignore().add(text);
      this.#rules.set(folder, rules);
    }
    return rules;
  }

  async ignores(file: string, top: string): Promise<boolean> {
    for (let folder = path.dirname(file); ; folder = path.dirname(folder)) {
      const rules = await this.#rulesOf(folder);
      if (rules?.ignores(path.relative(folder, file).split(path.sep).join("/")) === true) return true;
      if (folder === top || folder === path.dirname(folder)) return false;
    }
  }
}

/** The folder that holds `.git`, else the folder itself. */
async function repositoryRoot(folder: string): Promise<string> {
  for (let current = folder; ; current = path.dirname(current)) {
    if (
      await stat(path.join(current, ".git")).then(
        () => true,
        () => false,
      )
    )
      return current;
    if (current === path.dirname(current)) return folder;
  }
}

const files: Files = {
  async info(file) {
    try {
      const found = await stat(file);
      return { kind: found.isFile() ? "file" : found.isDirectory() ? "folder" : "other", size: found.size };
    } catch {
      return null;
    }
  },
  async read(file) {
    try {
      return { ok: true, bytes: await readFile(file) };
    } catch (error) {
      return { ok: false, reason: reasonOf(error), missing: isMissing(error) };
    }
  },
  realPath: (file) => realpath(file).catch(() => null),
  async find(patterns, folder) {
    const found = await glob([...patterns], {
      cwd: folder,
      absolute: true,
      onlyFiles: true,
      dot: false,
      ignore: ["**/node_modules/**", "**/.git/**"],
      followSymbolicLinks: false,
    });
    const top = await repositoryRoot(folder);
    const rules = new GitIgnore();
    const kept: string[] = [];
    for (const file of found) if (!(await rules.ignores(file, top))) kept.push(file);
    return kept.sort((a, b) => (a < b ? -1 : a > b ? 1 : 0));
  },
  async writeWhole(named, content) {
    let draft: string | null = null;
    try {
      await folderThere(path.dirname(named));
      // What is linked to is written, and the link stays.
      const file = await realpath(named).catch(() => named);
      const there = await stat(file).catch(() => null);
      if (there !== null && (there.mode & ANYBODY_WRITES) === 0) return "it is read only";
      // A device or a pipe takes what it is given; other names of the same file are to show the same.
      if (there !== null && (!there.isFile() || there.nlink > 1)) {
        await writeFile(file, content);
        return null;
      }
      draft = draftOf(file);
      await writeFile(draft, content, { flag: "wx" });
      if (there !== null) await likeBefore(draft, there);
      await rename(draft, file);
      return null;
    } catch (error) {
      if (draft !== null) await rm(draft, { force: true }).catch(() => undefined);
      return reasonOf(error);
    }
  },
  async writeNew(file, content) {
    const draft = draftOf(file);
    try {
      await writeFile(draft, content, { flag: "wx", flush: true });
      await link(draft, file);
      return null;
    } catch (error) {
      return error instanceof Error && "code" in error && error.code === "EEXIST" ? "there" : reasonOf(error);
    } finally {
      await rm(draft, { force: true }).catch(() => undefined);
    }
  },
  async refusesWriting(file) {
    try {
      // Root may write what is marked read only, and should not.
      if (((await stat(file)).mode & ANYBODY_WRITES) === 0) return "it is read only";
      await access(file, constants.W_OK);
      return null;
    } catch (error) {
      return reasonOf(error);
    }
  },
  async replaceWhole(replacements) {
    const drafts = new Map<string, string>();
    const written: string[] = [];
    const writing = { path: "" };
    try {
      for (const { path: file, bytes } of replacements) {
        writing.path = file;
        const draft = draftOf(file);
        drafts.set(file, draft);
        await writeFile(draft, bytes, { flag: "wx", flush: true });
        await likeBefore(draft, await stat(file));
      }
      for (const { path: file, expected } of replacements) {
        writing.path = file;
        if (!(await readFile(file)).equals(expected)) throw new Error("it was changed meanwhile");
      }
      for (const { path: file } of replacements) {
        writing.path = file;
        await rename(drafts.get(file) ?? "", file);
        drafts.delete(file);
        written.push(file);
      }
      return { written, failed: null };
    } catch (error) {
      for (const draft of drafts.values()) await rm(draft, { force: true }).catch(() => undefined);
      return { written, failed: { path: writing.path, reason: reasonOf(error) } };
    }
  },
  drafts: (folder) => files.find([`**/*.keel-${"[0-9a-f]".repeat(8)}.part`], folder),
};

/**
 * Makes a folder, and those around it, where they are not there yet. Node.js's own way has no end where a folder that is
 * there can hold none, as in /proc.
 */
async function folderThere(folder: string): Promise<void> {
  if (await stat(folder).catch(() => null)) return;
  if (path.dirname(folder) !== folder) await folderThere(path.dirname(folder));
  await mkdir(folder).catch((error: NodeJS.ErrnoException) => {
    if (error.code !== "EEXIST") throw error;
  });
}

const ANYBODY_WRITES = 0o222;

/** Gives a draft the mode and the owner of the file that it takes the place of; only root may give a file away. */
async function likeBefore(draft: string, { mode, uid, gid }: Stats): Promise<void> {
  await chmod(draft, mode);
  await chown(draft, uid, gid).catch(() => undefined);
}

/** Beside the file, so that the last step is one rename on one disk. */
const draftOf = (file: string): string => `${file}.keel-${randomBytes(4).toString("hex")}.part`;

/**
 * Whether some files are tracked, and they and all else in a folder are committed, as git says; without it, or outside a
 * repository, nobody knows. Monitors and filters are programs that the repository names: nothing of a target is run.
 */
async function commitState(
  folder: string,
  files: readonly string[],
): Promise<"committed" | "uncommitted" | "no repository"> {
  const git = async (...words: readonly string[]): Promise<string> =>
    (
      await promisify(execFile)("git", ["-c", "core.fsmonitor=false", "--no-optional-locks", ...words], {
        cwd: folder,
      })
    ).stdout;
  try {
    const named = await git("config", "--name-only", "--get-regexp", "^filter\\.").catch(() => "");
    const filters = new Set(named.split("\n").flatMap((one) => /^filter\.(.+)\.[^.]+$/.exec(one)?.[1] ?? []));
    const off = [...filters].flatMap((filter) =>
      ["clean=", "process=", "required=false"].flatMap((setting) => ["-c", `filter.${filter}.${setting}`]),
    );
    const changed = await git(...off, "status", "--porcelain", "--untracked-files=normal");
    if (changed !== "") return "uncommitted";
    if (files.length > 0) await git("ls-files", "--error-unmatch", "--", ...files);
    return "committed";
  } catch (error) {
    // Of a file that is not tracked git says so by its status.
    return error instanceof Error && "code" in error && error.code === 1 ? "uncommitted" : "no repository";
  }
}

/** All of an input, read when it is first asked for. */
function wholeInput(input: AsyncIterable<Uint8Array | string>): () => Promise<Uint8Array> {
  let read: Promise<Uint8Array> | null = null;
  const readAll = async () => {
    const chunks: Buffer[] = [];
    for await (const chunk of input) chunks.push(Buffer.from(chunk));
    return Buffer.concat(chunks);
  };
  return () => {
    read ??= readAll();
    return read;
  };
}

/** One of our own programs in a thread; what it throws ends it. */
function startThread(program: string, data: unknown): Thread {
  const worker = new Worker(programFile(program), { workerData: data, env: {}, stdout: true, stderr: true });
  let waiting: unknown[] = [];
  let hasEnded = false;
  let wake = () => {};
  worker.on("message", (message: unknown) => {
    waiting.push(message);
    wake();
  });
  worker.on("error", () => {});
  worker.on("exit", () => {
    hasEnded = true;
    wake();
  });
  return {
    post: (message) => worker.postMessage(message),
    received: () => {
      const received = waiting;
      waiting = [];
      return received;
    },
    speaks: async () => {
      if (waiting.length === 0 && !hasEnded) await new Promise<void>((resolve) => (wake = resolve));
      return waiting.length > 0;
    },
    end: () => void worker.terminate(),
  };
}

/** Where a program is run; what is not given is as in this process. */
export interface Place {
  /** Absolute. */
  readonly workingDirectory?: string;
  readonly input?: AsyncIterable<Uint8Array | string>;
  readonly env?: Readonly<Record<string, string | undefined>>;
}

/** The user's own folder for what may be made anew at any time. XDG Base Directory; Apple's and Microsoft's like it. */
function cacheFolder({
  XDG_CACHE_HOME: named,
  LOCALAPPDATA: local,
  HOME: home,
}: Place["env"] & object): string | null {
  const folder =
    named ??
    (process.platform === "win32"
      ? local
      : home && path.join(home, process.platform === "darwin" ? "Library/Caches" : ".cache"));
  return folder === undefined || !path.isAbsolute(folder) ? null : path.join(folder, "even-keel");
}

/** The real world. */
export function nodeHost(
  { workingDirectory = process.cwd(), input = process.stdin, env = process.env }: Place = {},
  workers = new Workers(),
): Host {
  return {
    files,
    clock: {
      now: () => new Date(),
      elapsed: () => performance.now(),
      rest: () => new Promise((resolve) => setImmediate(resolve)),
    },
    workingDirectory,
    cacheFolder: cacheFolder(env),
    standardInput: wholeInput(input),
    packageText: (name) => readFile(fileURLToPath(import.meta.resolve(name)), "utf8"),
    programText: (name) => readFile(programFile(name), "utf8"),
    commitState: (files) => commitState(workingDirectory, files),
    runApart: (task) => workers.run(task),
    threads: { cores: os.availableParallelism(), start: startThread },
    hash: (text) => createHash("sha256").update(text).digest("hex").slice(0, 16),
  };
}
