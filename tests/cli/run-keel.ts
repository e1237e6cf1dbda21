import { spawn } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";

const cli = path.resolve(import.meta.dirname, "../../dist/cli.js");

export interface Ran {
  readonly status: number;
  readonly out: string;
  readonly err: string;
}

/** Runs the built program in a folder, as a user would; colour off unless the environment says so. */
export function keel(
  cwd: string,
  args: readonly string[],
  input = "",
  env: Readonly<Record<string, string>> = {},
): Promise<Ran> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [cli, ...args], {
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
