import type { CheckSettings } from "../core/checks/check.ts";
import type { CheckResult, Tally } from "../core/checks/run.ts";
import type { Device } from "../core/css/device.ts";
import type { AppliedSheet, Sheet } from "../core/css/sheet.ts";
import type { ComponentFrame, Document, Span } from "../core/document/node.ts";
import type { Facts, Origin } from "../core/findings/verdict.ts";
import type { NamedColour } from "../core/scene/scene.ts";
import type { Theme } from "../core/scene/schemes.ts";
import type { CriterionNumber } from "../core/standards/criteria.ts";
import type { WalkStep } from "../core/walk-script/parse.ts";

/** What the worker that renders a page is given: plain data. */
export interface RenderRequest {
  readonly kind: "page";
  readonly file: string;
  readonly text: string;
  readonly page: "document" | "fragment";
  readonly quirks: boolean;
  readonly sheets: readonly { readonly sheet: Sheet; readonly media: string | null }[];
  readonly stylesKnown: boolean;
  readonly device: Device;
  /** Scripts in files of their own by the address that the page names them with, and modules in it by their text. */
  readonly scripts: ReadonlyMap<string, string>;
  /** The lines to walk by; null to try every key. */
  readonly script: readonly WalkStep[] | null;
  /** How long keys are tried, in milliseconds of the clock on the wall. */
  readonly patience: number;
  /** The checks to make of every state that is reached; null for none. */
  readonly plan: StatePlan | null;
  /** Whether what is pressed in what keys open is told too. */
  readonly log: boolean;
}

/** An element of a rendered page as it is told of. */
export interface RenderedElement {
  /** Its place in source; null for one that a script made. */
  readonly span: Span | null;
  /** The nearest place in source that it comes from; null where none is known. */
  readonly nearest: Span | null;
  /** The components that it came by, the outermost first. */
  readonly components: readonly ComponentFrame[];
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
  /** Kinds of events that it brought about, in order. */
  readonly events: readonly string[];
  readonly changes: readonly string[];
  /** What live regions said. */
  readonly said: readonly string[];
}

/** The keys in what one key opened: where it was pressed, and what followed. */
export interface RenderedOpening {
  readonly at: RenderedElement;
  readonly key: string;
  readonly steps: readonly RenderedStep[];
}

/** What is found in a window: by pressing keys, or by the checks of some state that it came to. */
export interface RenderedFinding {
  readonly check: string;
  readonly outcome: "failed" | "cantTell";
  readonly element: RenderedElement;
  /** Where to point. */
  readonly source: Span | null;
  readonly message: string;
  /** How it is mended, in words; null where nothing is known. */
  readonly mend: string | null;
  /** The keys that show it, and what came of them; null for the window as it was opened. */
  readonly keys: string | null;
  readonly facts: Facts;
  readonly origins: readonly Origin[];
  /** The criteria that apply, where they are not all of the check's. */
  readonly criteria: readonly CriterionNumber[] | null;
}

/** What the checks of source are to make of the states of a window. */
export interface StatePlan {
  readonly settings: ReadonlyMap<string, CheckSettings>;
  readonly colours: {
    readonly themes: readonly Theme[];
    readonly colourSchemes: readonly ("light" | "dark")[] | null;
    readonly palette: readonly NamedColour[];
  };
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

/** How checks went in the states of a window. */
export interface StateResults {
  readonly elements: number;
  readonly checks: readonly CheckResult[];
  readonly criteria: ReadonlyMap<CriterionNumber, Tally>;
  /** How many findings comments in source allow. */
  readonly allowed: number;
}

export interface RenderResult {
  readonly steps: readonly RenderedStep[];
  /** What was pressed in what keys open; empty where no log is asked for. */
  readonly openings: readonly RenderedOpening[];
  /** What came of a walk script; null where none was given. */
  readonly script: readonly ScriptLine[] | null;
  readonly findings: readonly RenderedFinding[];
  /** How the checks of source went in all states, and what they say of each criterion; null where they were not made. */
  readonly states: StateResults | null;
  /** How many things each check was tried on, by its id. */
  readonly tried: ReadonlyMap<string, number>;
  /** What went wrong while scripts ran. */
  readonly problems: readonly string[];
  /** Whether time ran out before all keys were tried. */
  readonly isCutShort: boolean;
}

/** Specimens that are bundled together: those of one package. */
export interface BundleRequest {
  readonly kind: "bundle";
  /** The folder of the package, whose tools and settings are used. Absolute. */
  readonly root: string;
  /** Names of files are told from here. Absolute. */
  readonly workingDirectory: string;
  /** Files of specimens. Absolute. */
  readonly files: readonly string[];
}

/** A place in source that something is said of. */
export interface SourceRemark {
  readonly file: string | null;
  /** From 1; null where no place is known. */
  readonly line: number | null;
  readonly column: number | null;
  readonly message: string;
}

/** A stylesheet that modules import, in the form in which it is written. */
export interface BundledStyle {
  readonly file: string;
  readonly text: string;
  /** Where the text starts in its file. */
  readonly start: number;
  /** What its class names end with in the window; empty where they stay. */
  readonly suffix: string;
  /** The attribute or class that its rules are narrowed to; null where they hold everywhere. */
  readonly scope: { readonly kind: "attribute" | "class"; readonly name: string } | null;
}

/** All specimens of a package as one program; plain data that workers share. */
export interface Bundle {
  readonly id: string;
  readonly workingDirectory: string;
  /** UTF-8. */
  readonly code: Uint8Array;
  /** Its source map. UTF-8. */
  readonly map: Uint8Array;
  readonly styles: ReadonlyMap<string, BundledStyle>;
  /** Whether some stylesheet could not be read as it is. */
  readonly stylesKnown: boolean;
  /** The specimen files that are in it. Absolute. */
  readonly files: readonly string[];
}

export interface BundleResult {
  readonly bundle: Bundle | null;
  /** Why files are not in it, by file. */
  readonly broken: ReadonlyMap<string, SourceRemark>;
}

/** What a bundled file of specimens is asked for: the names of those in it, or one of them mounted. */
export type SpecimenRequest = {
  readonly bundle: Bundle;
  readonly file: { readonly path: string; readonly name: string };
} & (
  | { readonly kind: "list" }
  | {
      readonly kind: "specimen";
      readonly specimen: {
        readonly name: string;
        readonly index: number;
        readonly place: SourceRemark | null;
      };
      readonly device: Device;
      readonly script: readonly WalkStep[] | null;
      readonly patience: number;
      readonly plan: StatePlan | null;
      readonly log: boolean;
      /** Whether keys are pressed at all. */
      readonly presses: boolean;
    }
);

/** What a specimen shows before anything is pressed. */
export interface MountedPage {
  readonly document: Document;
  readonly sheets: readonly AppliedSheet[];
  readonly stylesKnown: boolean;
}

/** A specimen as its file names it. */
export interface ListedSpecimen {
  readonly name: string;
  /** Where it is named. */
  readonly place: SourceRemark | null;
  readonly viewport: { readonly width: number; readonly height: number } | null;
  readonly scheme: "light" | "dark" | null;
  readonly walk: string | null;
  /** Ids of checks that are not made of it. */
  readonly off: readonly string[];
}

export interface SpecimenList {
  readonly specimens: readonly ListedSpecimen[];
  /** Why the file could not be run; null where it was. */
  readonly failure: string | null;
}

export interface MountedResult extends RenderResult {
  readonly page: MountedPage | null;
  /** Why nothing could be shown; null where something was. */
  readonly failure: string | null;
  /** Names of environment variables that were asked for and are not set. */
  readonly unset: readonly string[];
  /** How often the network was asked, which is not there. */
  readonly asked: number;
}

/** A module of a page that imports others. */
export interface ModuleRequest {
  readonly kind: "module";
  readonly text: string;
  /** The folder that its imports start from. Absolute. */
  readonly folder: string;
}

/** `ready`: nothing but to load what windows are made with. */
export type WorkerRequest =
  | RenderRequest
  | ModuleRequest
  | BundleRequest
  | SpecimenRequest
  | { readonly kind: "ready" };
