import type { Result } from "../../core/findings/problems.ts";
import { notText } from "../../core/findings/problems.ts";

export interface DecodedText {
  /** Without its byte-order mark; offsets count from here. */
  readonly text: string;
  readonly encoding: string;
  /** Length of the byte-order mark, in bytes; 0 without one. */
  readonly markLength: number;
}

const byteOrderMarks = [
  { bytes: [0xef, 0xbb, 0xbf], encoding: "utf-8" },
  { bytes: [0xfe, 0xff], encoding: "utf-16be" },
  { bytes: [0xff, 0xfe], encoding: "utf-16le" },
] as const;

/** How far a declaration is looked for. HTML §13.2.3.2, "prescan a byte stream to determine its encoding". */
const PRESCAN_BYTES = 1024;

/**
 * The text of a page or stylesheet: byte-order mark, else the declared encoding, else UTF-8, else windows-1252
 * when the bytes are not UTF-8. HTML §13.2.3; for stylesheets CSS Syntax 3 §3.2.
 */
export function decodeText(bytes: Uint8Array, file: string, language: "html" | "css"): Result<DecodedText> {
  for (const { bytes: mark, encoding } of byteOrderMarks) {
    if (mark.every((byte, i) => bytes[i] === byte)) {
      return textIn(bytes.subarray(mark.length), encoding, file, mark.length);
    }
  }
  const head = String.fromCharCode(...bytes.subarray(0, PRESCAN_BYTES));
  if (bytes.subarray(0, PRESCAN_BYTES).includes(0)) return { ok: false, problem: notText(file) };
  const declared = language === "html" ? declaredInHtml(head) : declaredInCss(head);
  if (declared !== null && isKnown(declared)) {
    // A declaration that can be read byte by byte cannot be UTF-16: the standard reads it as UTF-8.
    return textIn(bytes, /^utf-?16/i.test(declared) ? "utf-8" : declared, file, 0);
  }
  try {
    return {
      ok: true,
      value: {
        text: new TextDecoder("utf-8", { fatal: true }).decode(bytes),
        encoding: "utf-8",
        markLength: 0,
      },
    };
  } catch {
    return textIn(bytes, "windows-1252", file, 0);
  }
}

/** What windows-1252 has at 0x80–0x9F. Encoding Standard §9. */
const windows1252 = "€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ";

/** Node.js 20 decodes windows-1252 as if it were ISO 8859-1: control characters stand where quotes should. */
const withoutControls = (text: string): string =>
  text.replace(/[\u0080-\u009f]/g, (c) => windows1252[c.charCodeAt(0) - 0x80] ?? c);

/** Bytes as the characters they are in an encoding, byte-order marks kept. Encoding Standard §4.2. */
export function charactersIn(bytes: Uint8Array, encoding: string): string {
  const decoder = new TextDecoder(encoding, { ignoreBOM: true });
  const decoded = decoder.decode(bytes);
  return decoder.encoding === "windows-1252" ? withoutControls(decoded) : decoded;
}

function textIn(bytes: Uint8Array, encoding: string, file: string, markLength: number): Result<DecodedText> {
  const text = charactersIn(bytes, encoding);
  if (text.slice(0, PRESCAN_BYTES).includes("\0")) return { ok: false, problem: notText(file) };
  return { ok: true, value: { text, encoding, markLength } };
}

function isKnown(label: string): boolean {
  try {
    new TextDecoder(label);
    return true;
  } catch {
    return false;
  }
}

function declaredInHtml(head: string): string | null {
  const withoutComments = head.replace(/<!--[\s\S]*?(?:-->|$)/g, "");
  for (const [tag] of withoutComments.matchAll(/<meta\b[^>]*>/gi)) {
    const found = /\bcharset\s*=\s*["']?\s*([^\s"'/>;]+)/i.exec(tag);
    if (found?.[1] !== undefined) return found[1];
  }
  const xml = /^\s*<\?xml[^>]*\bencoding\s*=\s*["']([^"']+)["']/i.exec(head);
  return xml?.[1] ?? null;
}

const declaredInCss = (head: string): string | null => /^@charset "([^"]+)";/.exec(head)?.[1] ?? null;
