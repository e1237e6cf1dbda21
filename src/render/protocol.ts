import type { Device } from "../core/css/device.ts";
import type { Sheet } from "../core/css/sheet.ts";
import type { Span } from "../core/document/node.ts";
import type { WalkStep } from "../core/walk-script/parse.ts";

/** What the worker that renders a page is given: plain data. */
export interface RenderRequest {
  readonly file: string;
  readonly text: string;
  readonly kind: "document" | "fragment";
  readonly quirks: boolean;
  readonly sheets: readonly { readonly sheet: Sheet; readonly media: string | null }[];
  readonly stylesKnown: boolean;
  readonly device: Device;
  /** Scripts in files of their own, by the address that the page names them with. */
  readonly scripts: ReadonlyMap<string, string>;
  /** The lines to walk by; null to try every key. */
  readonly script: readonly WalkStep[] | null;
  /** How long keys are tried, in milliseconds of the clock on the wall. */
  readonly patience: number;
}

/** An element of a rendered page as it is told of. */
export interface RenderedElement {
  /** Its place in source; null for one that a script made. */
  readonly span: Span | null;
  readonly path: string;
  readonly tag: string;
  readonly role: string;
  readonly name: string;
  readonly heard: string;
}

/** One key, and what it did. */
export interface RenderedStep {
  readonly key: string;
  readonly from: RenderedElement | null;
  readonly to: RenderedElement | null;
  readonly changes: readonly string[];
}

/** A fault that pressing keys has shown. */
export interface RenderedFinding {
  readonly check: string;
  readonly outcome: "failed" | "cantTell";
  readonly element: RenderedElement;
  readonly message: string;
  readonly mend: string;
  /** The keys that show it, and what came of them. */
  readonly keys: string;
}

/** One line of a walk script, and what came of it. */
export interface ScriptLine {
  readonly line: number;
  readonly written: string;
  readonly outcome: "held" | "failed" | "not reached";
  /** Why it does not hold; null where it does. */
  readonly message: string | null;
  /** What was there instead, as it is heard. */
  readonly instead: readonly string[];
}

export interface RenderResult {
  readonly steps: readonly RenderedStep[];
  /** What came of a walk script; null where none was given. */
  readonly script: readonly ScriptLine[] | null;
  readonly findings: readonly RenderedFinding[];
  /** How many things each check was tried on, by its id. */
  readonly tried: ReadonlyMap<string, number>;
  /** What went wrong while scripts ran. */
  readonly problems: readonly string[];
  /** Whether time ran out before all keys were tried. */
  readonly isCutShort: boolean;
}
