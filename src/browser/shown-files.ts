import path from "node:path";
import { addressName, shownName } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import { decodeText } from "../readers/html/decode.ts";
import type { ServedText } from "./browser-window.ts";
import type { PageServer } from "./page-server.ts";

/** A text that was served, and the file that it is shown as. */
export interface ServedFile extends ServedText {
  readonly file: string;
}

/** What each text that was served is shown as: the file here that it is, else its address. */
export async function shownFiles(
  served: readonly ServedText[],
  server: PageServer,
  host: Host,
): Promise<ReadonlyMap<string, ServedFile>> {
  const files = new Map<string, ServedFile>();
  for (const one of served) {
    const own = await server.fileOf(one.address);
    const here = own ?? (await sameHere(one, host));
    const text = own === null ? null : await textOf(own, host);
    files.set(one.address, {
      ...one,
      text: text ?? one.text,
      file: here === null ? (addressName(one.address) ?? one.address) : shownName(host, here),
    });
  }
  return files;
}

/** Folders that a site is often served from. */
const siteFolders = ["", "public", "src", "dist", "build", "static"];

/** The file of the working directory that was served: at its path, with the same text. */
async function sameHere({ address, text }: ServedText, host: Host): Promise<string | null> {
  const parts = decodeURIComponent(new URL(address).pathname).split("/");
  if (parts.includes("..")) return null;
  for (const folder of siteFolders) {
    const file = path.join(host.workingDirectory, folder, ...parts);
    if ((await host.files.info(file))?.kind === "file" && (await textOf(file, host)) === text) return file;
  }
  return null;
}

async function textOf(file: string, host: Host): Promise<string | null> {
  const read = await host.files.read(file);
  const decoded = read.ok ? decodeText(read.bytes, file, /\.css$/i.test(file) ? "css" : "html") : null;
  return decoded?.ok === true ? decoded.value.text : null;
}
