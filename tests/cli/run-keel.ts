import { spawn } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { Readable } from "node:stream";
import { Workers } from "../../src/host/apart.ts";

const dist = path.resolve(import.meta.dirname, "../../dist");

export interface Ran {
  readonly status: number;
  readonly out: string;
  readonly err: string;
}

/** The built command line, without the process around it; loaded once. */
const built: Promise<typeof import("../../src/cli/main.ts")> = import(path.join(dist, "main.js"));

/** What runs apart is kept from one run to the next, as are its windows. */
const workers = new Workers(2);

/** A stream that remembers what was written to it. */
function memory() {
  const pieces: Buffer[] = [];
  return {
    write: (piece: string | Uint8Array) => pieces.push(Buffer.from(piece)) > 0,
    once: () => undefined,
    get text(): string {
      return Buffer.concat(pieces).toString("utf8");
    },
  };
}

/** Runs the built command line in a folder, as a user would; colour off unless the environment says so. */
export async function keel(
  cwd: string,
  args: readonly string[],
  input: string | Uint8Array = "",
  env: Readonly<Record<string, string>> = {},
): Promise<Ran> {
  const { main } = await built;
  const [out, err] = [memory(), memory()];
  const status = await main(args, {
    out,
    err,
    input: Readable.from(input.length === 0 ? [] : [Buffer.from(input)]),
    env,
    workingDirectory: cwd,
    workers,
  });
  return { status, out: out.text, err: err.text };
}

/** Starts the program itself: for what hangs on its process, such as pipes, signals and the environment. */
export function startKeel(
  cwd: string,
  args: readonly string[],
  input = "",
  env: Readonly<Record<string, string>> = {},
): Promise<Ran> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [path.join(dist, "cli.js"), ...args], {
      cwd,
      env: { PATH: process.env.PATH ?? "", ...env },
    });
    let out = "";
    let err = "";
    child.stdout.setEncoding("utf8").on("data", (text) => {
      out += text;
    });
    child.stderr.setEncoding("utf8").on("data", (text) => {
      err += text;
    });
    child.on("error", reject);
    child.on("close", (status) => resolve({ status: status ?? -1, out, err }));
    child.stdin.on("error", () => {}).end(input);
  });
}

const folders: string[] = [];

/** Takes away what the tests of a file have put on the disk; called once they are over. */
export function removeFolders(): void {
  for (const folder of folders.splice(0)) rmSync(folder, { recursive: true, force: true });
}

/** A folder with files in it, gone when the tests of its file are over. */
export function folderWith(files: Readonly<Record<string, string | Uint8Array>>): string {
  const folder = mkdtempSync(path.join(tmpdir(), "keel-test-"));
  folders.push(folder);
  for (const [name, content] of Object.entries(files)) {
    mkdirSync(path.dirname(path.join(folder, name)), { recursive: true });
    writeFileSync(path.join(folder, name), content);
  }
  return folder;
}

/** A page of the boatyard without faults, with something put into its body. */
export const page = (body: string, head = ""): string =>
  `<!doctype html>\n<html lang="en">\n<head><title>Slips – Brackwater Boatyard</title>${head}</head>\n<body>\n<main>\n<h1>Slips</h1>\n${body}\n</main>\n</body>\n</html>\n`;
