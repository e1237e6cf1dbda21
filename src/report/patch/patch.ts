import { FILE_HEADERS_ONLY, formatPatch, structuredPatch } from "diff";

/** A file before and after; bytes, so that a patch keeps every encoding. */
export interface PatchedFile {
  readonly name: string;
  readonly before: Uint8Array;
  readonly after: Uint8Array;
  /** One line for each reason why it changes; shown before the patch of the file. */
  readonly reasons: readonly string[];
}

const CONTEXT = 3;

/** Bytes as a text of one character each, which diffs like any other and loses nothing. */
export const asCharacters = (bytes: Uint8Array): string => Buffer.from(bytes).toString("latin1");
export const fromCharacters = (text: string): Uint8Array => Uint8Array.from(Buffer.from(text, "latin1"));

/** A name as patches write it: quoted where it holds what would end it. */
function patchName(prefix: string, name: string): string {
  const whole = asCharacters(new TextEncoder().encode(`${prefix}/${name}`));
  if (/["\\\u0000-\u001f\u007f]/.test(whole))
    return `"${whole.replace(/["\\\u0000-\u001f\u007f]/g, (c) => (c === '"' || c === "\\" ? `\\${c}` : `\\${c.charCodeAt(0).toString(8).padStart(3, "0")}`))}"`;
  // A tab ends a name that has spaces in it.
  return whole.includes(" ") ? `${whole}\t` : whole;
}

/**
 * A unified diff that any patch tool takes, with a line of reason before each file. Bytes, as the files have them.
 * @param backwards whether it leads from after to before: for undoing
 */
export function unifiedPatch(files: readonly PatchedFile[], backwards = false): Uint8Array {
  const parts = files.map(({ name, before, after, reasons }) => {
    const [from, to] = backwards ? [after, before] : [before, after];
    const patch = structuredPatch(
      patchName("a", name),
      patchName("b", name),
      asCharacters(from),
      asCharacters(to),
      undefined,
      undefined,
      { context: CONTEXT },
    );
    const comments = reasons.map((reason) => `# ${asCharacters(new TextEncoder().encode(reason))}\n`);
    return comments.join("") + formatPatch(patch, FILE_HEADERS_ONLY);
  });
  return fromCharacters(parts.join(""));
}
