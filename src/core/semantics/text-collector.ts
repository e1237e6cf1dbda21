import type { GeneratedText } from "./generated-content.ts";

/** A text alternative as far as it is known. */
export interface TextAlternative {
  /** White space folded, trimmed. Unknown parts are shown as `{source}`. */
  readonly text: string;
  /** False where some part of it hangs on a value that source does not give. */
  readonly certain: boolean;
}

/** White space as HTML folds it. */
export const foldSpaces = (text: string): string => text.replace(/[ \t\n\f\r]+/g, " ").trim();

/** Collects text on the way through a subtree; words meet only where no box parts them. */
export class TextCollector {
  readonly #parts: string[] = [];
  certain = true;
  /** How many parts so far say anything. */
  spoken = 0;

  text(text: string): void {
    this.#parts.push(text);
    if (/[^ \t\n\f\r]/.test(text)) this.spoken++;
  }

  space(): void {
    this.#parts.push(" ");
  }

  /** A whole alternative in place of an element: parted from what stands beside it. */
  alternative({ text, certain }: TextAlternative): void {
    if (text !== "") {
      this.space();
      this.text(text);
      this.space();
    }
    if (!certain) this.certain = false;
  }

  generated(generated: GeneratedText | null): void {
    if (generated === null) return;
    if (generated.block) this.space();
    this.text(generated.text);
    if (generated.block) this.space();
    if (!generated.certain) this.certain = false;
  }

  result(): TextAlternative {
    return { text: foldSpaces(this.#parts.join("")), certain: this.certain };
  }
}
