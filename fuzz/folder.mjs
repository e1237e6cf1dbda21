import { spawn } from "node:child_process";
import { mkdirSync, readdirSync, readFileSync, rmSync, watch, writeFileSync } from "node:fs";
import path from "node:path";

const program = path.join(import.meta.dirname, "../dist/cli.js");

/** A page with edits to be made in it. */
const page = (number) =>
  `<!doctype html>\n<html lang="en"><head><title>Slip ${number}</title></head><body><main><h1>Slip ${number}</h1>\n${`<p style="color: #999; background: #fff">Free from May, by the tide table.</p>\n<p tabindex="3">Ask the yard</p>\n`.repeat(20)}</main></body></html>\n`;

/** Fills a folder anew with pages, and gives their texts by name. */
export function pagesIn(folder, count) {
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const pages = new Map(Array.from({ length: count }, (_, number) => [`slip-${number}.html`, page(number)]));
  for (const [name, text] of pages) writeFileSync(path.join(folder, name), text);
  return pages;
}

export const textIn = (folder, name) => readFileSync(path.join(folder, name), "utf8");
export const drafts = (folder) =>
  readdirSync(folder).filter((name) => /\.keel-[0-9a-f]{8}\.part$/.test(name));

/**
 * Runs the built program in a folder.
 * @param killAt how many files it may come to write, drafts among them, before it is ended by force; null for all
 */
export function keel(folder, words, killAt = null) {
  return new Promise((resolve) => {
    let events = 0;
    const watcher = killAt === null ? null : watch(folder, () => ++events >= killAt && child.kill("SIGKILL"));
    const child = spawn(process.execPath, [program, ...words], { cwd: folder });
    let [out, err] = ["", ""];
    child.stdout.on("data", (piece) => (out += piece));
    child.stderr.on("data", (piece) => (err += piece));
    child.on("close", (status) => {
      watcher?.close();
      resolve({ status, out, err });
    });
  });
}
