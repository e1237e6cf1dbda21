import path from "node:path";
import type { Edit } from "../core/repair/edit.ts";
import { byFile } from "../core/repair/edit.ts";
import type { Host } from "../host/host.ts";
import { editedBytes } from "../readers/html/encode.ts";

/** How the text of a file was read: pages say their encoding in another way than stylesheets and scripts. */
export const languageOf = (file: string): "html" | "css" =>
  /\.(?:[cm]?[jt]sx?|vue|svelte|css|scss|sass|less)$/i.test(file) ? "css" : "html";

/**
 * The world as it is once edits are made; nothing is written. Null where a file cannot take them: it is not there, or
 * its encoding lacks a character.
 * @param stdinName what standard input is called
 */
export async function editedHost(
  edits: readonly Edit[],
  host: Host,
  stdinName: string | null,
): Promise<Host | null> {
  const changed = new Map<string, Uint8Array>();
  let input: Uint8Array | null = null;
  for (const [file, fileEdits] of byFile(edits)) {
    const isInput = file === stdinName;
    const full = path.resolve(host.workingDirectory, file);
    const read = isInput
      ? { ok: true as const, bytes: await host.standardInput() }
      : await host.files.read(full);
    const bytes = read.ok ? editedBytes(read.bytes, languageOf(file), fileEdits) : null;
    if (bytes === null) return null;
    if (isInput) input = bytes;
    else changed.set(full, bytes);
  }
  return {
    ...host,
    // Another thread would read what lies on the disk.
    threads: null,
    standardInput: async () => input ?? host.standardInput(),
    files: {
      ...host.files,
      async info(file) {
        const bytes = changed.get(file);
        return bytes === undefined ? host.files.info(file) : { kind: "file", size: bytes.length };
      },
      async read(file) {
        const bytes = changed.get(file);
        return bytes === undefined ? host.files.read(file) : { ok: true, bytes };
      },
      writeWhole: async () => "nothing is written on trial",
      replaceWhole: async () => ({ written: [], failed: null }),
    },
  };
}
