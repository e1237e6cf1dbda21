import type { Files } from "../host/host.ts";
import { decodeText } from "../readers/html/decode.ts";

/** The text of a stylesheet, script or manifest; null where it cannot be read as such. */
export async function textAt(file: string, files: Pick<Files, "read">): Promise<string | null> {
  const read = await files.read(file);
  const decoded = read.ok ? decodeText(read.bytes, file, "css") : null;
  return decoded?.ok === true ? decoded.value.text : null;
}
