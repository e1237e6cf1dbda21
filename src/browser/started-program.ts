import { type ChildProcess, spawn } from "node:child_process";
import { notStarted, type Problem } from "../core/findings/problems.ts";

/** How long a program may take until its address answers, in milliseconds, and how often that is asked. */
const START_TIME = 60_000;
const ASKED_EVERY = 250;

/** How many of its last lines are shown when it does not. */
const LAST_LINES = 8;

/** A program that serves what is looked at, for as long as it is. */
export interface StartedProgram {
  stop(): Promise<void>;
}

/**
 * Starts a program and waits until an address answers. It and all that it starts end with `stop`.
 * @param command as it is typed in a shell
 */
export async function startProgram(
  command: string,
  address: string,
  workingDirectory: string,
): Promise<
  { readonly ok: true; readonly value: StartedProgram } | { readonly ok: false; readonly problem: Problem }
> {
  const isWindows = process.platform === "win32";
  const program = spawn(command, {
    cwd: workingDirectory,
    shell: true,
    // A group of its own: all that it starts ends with it.
    detached: !isWindows,
    stdio: ["ignore", "pipe", "pipe"],
  });
  let lines: string[] = [];
  for (const stream of [program.stdout, program.stderr])
    stream?.setEncoding("utf8").on("data", (text: string) => {
      lines = [...lines, ...text.split(/\r?\n/).filter((line) => line.trim() !== "")].slice(-LAST_LINES);
    });
  const onExit = () => end(program, "SIGKILL");
  process.once("exit", onExit);
  const stop = async () => {
    process.removeListener("exit", onExit);
    end(program, "SIGTERM");
    if (program.exitCode !== null || program.signalCode !== null) return;
    const over = new Promise<void>((done) => program.once("close", () => done()));
    const late = setTimeout(() => end(program, "SIGKILL"), 3000);
    await over;
    clearTimeout(late);
  };
  let ended: string | null = null;
  program.once("error", (error) => {
    ended = error.message;
  });
  program.once("exit", (code) => {
    ended ??= `it ended with status ${code}`;
  });
  for (let waited = 0; waited < START_TIME; waited += ASKED_EVERY) {
    if (await answers(address)) return { ok: true, value: { stop } };
    if (ended !== null) break;
    await new Promise((done) => setTimeout(done, ASKED_EVERY));
  }
  const reason = ended ?? `${address} did not answer within ${START_TIME / 1000} seconds`;
  await stop();
  return { ok: false, problem: notStarted(command, reason, lines) };
}

async function answers(address: string): Promise<boolean> {
  try {
    const response = await fetch(address, {
      method: "HEAD",
      signal: AbortSignal.timeout(2000),
      redirect: "manual",
    });
    await response.body?.cancel();
    return true;
  } catch {
    return false;
  }
}

/** Ends a program with all that it started. */
function end(program: ChildProcess, signal: "SIGTERM" | "SIGKILL"): void {
  if (program.pid === undefined) return;
  try {
    if (process.platform === "win32") spawn("taskkill", ["/pid", String(program.pid), "/T", "/F"]);
    else process.kill(-program.pid, signal);
  } catch {
    // It has ended by itself.
  }
}
