import { type ChildProcess, execFile, fork, type Serializable, spawn } from "node:child_process";
import { existsSync, realpathSync } from "node:fs";
import { readFile } from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { promisify } from "node:util";
import type { ApartAnswer, ApartTask } from "./host.ts";

/** Our own programs stand beside the command line, which may be in a folder of parts; run from source, where they are built. */
export function programFile(name: string): URL {
  const places = ["./", "../", "../../dist/"].map(
    (folder) => new URL(`${folder}${name}.js`, import.meta.url),
  );
  return places.find((place) => existsSync(place)) ?? (places[0] as URL);
}

/** How long a program may take to load before it says that it begins, in milliseconds. */
const MOST_LOADING = 60_000;

/** How much a process may have in memory beside the values of scripts, in megabytes: its own code, bytes, buffers. */
const BESIDE_VALUES = 512;

/** How often the memory of a process is looked at, in milliseconds. */
const LOOKS_AT_MEMORY = 250;

/** Node.js calls its permission model so once it is no experiment any more. */
const permission = process.allowedNodeEnvironmentFlags.has("--permission")
  ? "--permission"
  : "--experimental-permission";

/** What a process answers with: that it begins, what it found, or why it found nothing. */
type Message = "begins" | { readonly value: unknown } | { readonly failed: string };

/** Where our own code lies, with that of the packages it needs. */
function ownFolders(program: string): readonly string[] {
  const home = path.dirname(path.dirname(program));
  const above: string[] = [];
  for (let folder = home; ; folder = path.dirname(folder)) {
    // Packages may be linked to where a package manager keeps them, inside the outermost of these.
    if (path.basename(folder) === "node_modules") above.push(folder);
    const packages = path.join(folder, "node_modules");
    // What is linked is read where it is.
    if (existsSync(packages)) above.push(packages, realpathSync(packages));
    if (path.dirname(folder) === folder) break;
  }
  return [home, ...above];
}

const isIn = (folder: string, other: string): boolean =>
  `${folder}${path.sep}`.startsWith(other.endsWith(path.sep) ? other : `${other}${path.sep}`);

/** Folders without those that lie in another of them: Node.js 20 ends where it is told of both. */
const topmost = (folders: readonly string[]): readonly string[] =>
  [...new Set(folders)].filter((folder, _, all) => all.every((one) => one === folder || !isIn(folder, one)));

/**
 * How Node.js is started for code of others: it reads what it is made of and what it is to show, writes nothing, starts
 * nothing, and makes no code of text outside windows, so that no constructor of ours leads out of one.
 */
const confined = (reads: readonly string[]): readonly string[] => [
  permission,
  ...reads.map((folder) => `--allow-fs-read=${path.join(folder, "*")}`),
  "--disallow-code-generation-from-strings",
];

/** Ends a process and all that it started: they are one group. */
function end(child: ChildProcess): void {
  try {
    process.kill(-(child.pid as number), "SIGKILL");
  } catch {
    child.kill("SIGKILL");
  }
}

/**
 * Has a process and all that it started end with this one, however this one ends and whatever they are busy with: a shell
 * waits for a word from us, and the end of the pipe is one.
 */
function endWithUs(child: ChildProcess): void {
  if (process.platform === "win32" || child.pid === undefined) return;
  const guard = spawn("/bin/sh", ["-c", 'read -r word; kill -s KILL -- "-$0"', String(child.pid)], {
    stdio: ["pipe", "ignore", "ignore"],
    env: {},
    detached: true,
  });
  guard.on("error", () => {});
  guard.stdin?.on("error", () => {});
  guard.unref();
  (guard.stdin as unknown as { unref?(): void } | null)?.unref?.();
  child.once("exit", () => guard.kill("SIGKILL"));
}

/** How much of a process is in memory, in megabytes; null where the system does not say. */
async function residentMegabytes(pid: number): Promise<number | null> {
  try {
    if (process.platform === "linux") {
      const [, kilobytes] = /^VmRSS:\s*(\d+)/m.exec(await readFile(`/proc/${pid}/status`, "utf8")) ?? [];
      return kilobytes === undefined ? null : Number(kilobytes) / 1024;
    }
    if (process.platform === "win32") return null;
    const { stdout } = await promisify(execFile)("ps", ["-o", "rss=", "-p", String(pid)]);
    return Number(stdout) / 1024;
  } catch {
    return null;
  }
}

/** A process that is kept from one task to the next: what it imports takes longer to load than most pages to run. */
class Apart {
  #child: ChildProcess | null = null;
  /** The folders that the process may read; null where it may read all. */
  #reads: readonly string[] | null = null;
  /** What it was given to keep. */
  #kept: string | null = null;
  /** Whether it came so far as to do what it was asked. */
  #hasBegun = false;
  /** Whether our own packages lie elsewhere than where we look: then the process may read whatever it comes to. */
  #readsAll = false;

  #started({ program, megabytes, reads }: ApartTask): ChildProcess {
    if (this.#child !== null && this.#covers(reads)) return this.#child;
    if (this.#child !== null) end(this.#child);
    const file = fileURLToPath(programFile(program));
    this.#reads =
      reads === null
        ? null
        : topmost(this.#readsAll ? [path.parse(file).root] : [...ownFolders(file), ...reads]);
    const child = fork(file, {
      execArgv: [
        `--max-old-space-size=${megabytes}`,
        "--no-warnings",
        ...(this.#reads === null ? [] : confined(this.#reads)),
      ],
      // Its own way to write is of no use to it: what it says, it says to us.
      stdio: ["ignore", "ignore", "ignore", "ipc"],
      env: {},
      serialization: "advanced",
      detached: process.platform !== "win32",
    });
    child.on("error", () => {});
    // What a page has left may end it while nothing is asked of it.
    child.once("exit", () => {
      if (this.#child === child) this.#child = null;
    });
    endWithUs(child);
    this.#child = child;
    this.#kept = null;
    return child;
  }

  /** Whether the process may read the folders that a task needs, all of which are named when it is started. */
  #covers(reads: ApartTask["reads"]): boolean {
    const held = this.#reads;
    if (held === null || reads === null) return held === reads;
    return reads.every((folder) => held.some((one) => isIn(folder, one)));
  }

  async run(task: ApartTask): Promise<ApartAnswer> {
    const answer = await this.#once(task);
    // One that ended before it began was ended by what came before, or could not be loaded.
    return answer.ok || this.#hasBegun ? answer : this.#once(task);
  }

  #once(task: ApartTask): Promise<ApartAnswer> {
    const { milliseconds, megabytes, kept = null } = task;
    return new Promise((resolve) => {
      const child = this.#started(task);
      this.#hasBegun = false;
      child.ref();
      child.channel?.ref();
      const answer = (given: ApartAnswer) => {
        clearTimeout(timer);
        clearInterval(looking);
        child.removeListener("message", hear);
        child.removeListener("exit", ended);
        // What has answered may be asked again, and does not keep the program from ending; what has not is done with.
        if (!given.ok) {
          this.#child = null;
          end(child);
        }
        child.unref();
        child.channel?.unref();
        resolve(given);
      };
      const refuse = (reason: string) => answer({ ok: false, reason });
      const tooMuch = `it wants more than ${megabytes} MB of memory`;
      const refuseAfter = (time: number) =>
        setTimeout(() => refuse(`it did not come to an end within ${time / 1000} seconds`), time);
      let timer = refuseAfter(milliseconds + MOST_LOADING);
      const looking = setInterval(async () => {
        const resident = child.pid === undefined ? null : await residentMegabytes(child.pid);
        if (resident !== null && resident > megabytes + BESIDE_VALUES && this.#child === child)
          refuse(tooMuch);
      }, LOOKS_AT_MEMORY);
      const hear = (message: Message) => {
        if (message === "begins") {
          this.#hasBegun = true;
          clearTimeout(timer);
          timer = refuseAfter(milliseconds);
        } else if ("failed" in message) {
          this.#readsAll ||= !this.#hasBegun;
          refuse(message.failed);
        } else answer({ ok: true, value: message.value });
      };
      // V8 aborts where its values take more memory than it may have.
      const ended = (_: number | null, signal: NodeJS.Signals | null) =>
        refuse(signal === "SIGABRT" || signal === "SIGTRAP" ? tooMuch : "it ended without an answer");
      child.on("message", hear);
      child.on("exit", ended);
      const isNew = kept !== null && kept.id !== this.#kept;
      if (isNew) this.#kept = kept.id;
      child.send({ data: task.data, kept: isNew ? kept.value : null } as Serializable);
    });
  }
}

/** As many windows at once as there is use for. */
const MOST_WINDOWS = 2;

/** Processes of one kind: each does one task, and what comes meanwhile waits. */
class Crew {
  readonly #free: Apart[];
  readonly #waiting: ((member: Apart) => void)[] = [];

  constructor(size: number) {
    this.#free = Array.from({ length: size }, () => new Apart());
  }

  async run(task: ApartTask): Promise<ApartAnswer> {
    const member = this.#free.shift() ?? (await new Promise<Apart>((resolve) => this.#waiting.push(resolve)));
    try {
      return await member.run(task);
    } finally {
      const next = this.#waiting.shift();
      // The one that ran last is asked again first: it has everything loaded.
      if (next === undefined) this.#free.unshift(member);
      else next(member);
    }
  }
}

/** The processes that run what is not ours. */
export class Workers {
  readonly #crews: Readonly<Record<ApartTask["program"], Crew>>;

  /** @param windows how many may be open at once */
  constructor(windows: number = Math.min(MOST_WINDOWS, os.availableParallelism())) {
    this.#crews = { "window-process": new Crew(windows), "bundle-process": new Crew(1) };
  }

  run(task: ApartTask): Promise<ApartAnswer> {
    return this.#crews[task.program].run(task);
  }
}
