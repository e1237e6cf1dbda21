import type { Edit } from "../../core/repair/edit.ts";
import { withEdits } from "../../core/repair/edit.ts";
import { charactersIn, decodeText } from "./decode.ts";

/** The bytes of a text in an encoding; null where one of its characters has none there. */
function encoded(text: string, encoding: string): Uint8Array | null {
  const { encoding: name } = new TextDecoder(encoding);
  if (name === "utf-8") return new TextEncoder().encode(text);
  if (name === "utf-16le" || name === "utf-16be") return utf16(text, name === "utf-16be");
  return singleByte(text, encoding);
}

function utf16(text: string, bigEndian: boolean): Uint8Array {
  const bytes = new Uint8Array(text.length * 2);
  const view = new DataView(bytes.buffer);
  for (let offset = 0; offset < text.length; offset++)
    view.setUint16(offset * 2, text.charCodeAt(offset), !bigEndian);
  return bytes;
}

/** Encodings of one byte a character, turned round. */
function singleByte(text: string, encoding: string): Uint8Array | null {
  const byteOf = new Map<string, number>();
  for (let byte = 255; byte >= 0; byte--) {
    const character = charactersIn(new Uint8Array([byte]), encoding);
    if (character !== "\ufffd") byteOf.set(character, byte);
  }
  const bytes: number[] = [];
  for (const character of text) {
    const byte = byteOf.get(character);
    if (byte === undefined) return null;
    bytes.push(byte);
  }
  return new Uint8Array(bytes);
}

/**
 * A file with edits made, in its own encoding and with its byte-order mark. Null where that cannot be done without
 * changing anything else: a character that the encoding lacks, or bytes that are no text of it.
 */
export function editedBytes(
  bytes: Uint8Array,
  language: "html" | "css",
  edits: readonly Edit[],
): Uint8Array | null {
  const decoded = decodeText(bytes, "", language);
  if (!decoded.ok) return null;
  const { text, encoding, markLength } = decoded.value;
  const same = encoded(text, encoding);
  const mark = bytes.subarray(0, markLength);
  if (same === null || !isSame(same, bytes.subarray(markLength))) return null;
  const edited = encoded(withEdits(text, edits), encoding);
  if (edited === null) return null;
  const whole = new Uint8Array(mark.length + edited.length);
  whole.set(mark);
  whole.set(edited, mark.length);
  return whole;
}

const isSame = (a: Uint8Array, b: Uint8Array): boolean =>
  a.length === b.length && a.every((byte, index) => byte === b[index]);
