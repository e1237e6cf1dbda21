import { applyPatch, parsePatch, reversePatch, type StructuredPatch } from "diff";
import { asCharacters, fromCharacters } from "./patch.ts";

/** What a patch for undoing has to say of one file. */
export interface Undoing {
  /** As the patch names it, forward slashes. */
  readonly name: string;
  /** What the file is to hold, given what it holds; null where it is neither as the patch expects it nor as it leaves it. */
  readonly before: (now: Uint8Array) => Uint8Array | null;
}

/** The files of a patch that was written to undo edits; null where it is none. */
export function undoings(patch: Uint8Array): readonly Undoing[] | null {
  try {
    const parsed = parsePatch(asCharacters(patch)).filter(({ hunks }) => hunks.length > 0);
    return parsed.length === 0 ? null : parsed.map(undoing);
  } catch {
    return null;
  }
}

const exactly = { fuzzFactor: 0, autoConvertLineEndings: false } as const;

function undoing(file: StructuredPatch): Undoing {
  return {
    name: nameIn(file.newFileName ?? ""),
    before: (now) => {
      const text = asCharacters(now);
      const undone = applyPatch(text, file, exactly);
      if (undone !== false) return fromCharacters(undone);
      return applyPatch(text, reversePatch(file), exactly) === false ? null : now;
    },
  };
}

/** A name as `patch.ts` writes it: below `b/`, characters that would end it in octal. */
function nameIn(written: string): string {
  const whole = written.replace(/\\(?:([0-7]{3})|(["\\]))/g, (_, octal, plain) =>
    octal === undefined ? plain : String.fromCharCode(Number.parseInt(octal, 8)),
  );
  return new TextDecoder().decode(fromCharacters(whole.replace(/^b\//, "")));
}
