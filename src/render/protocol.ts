import type { Device } from "../core/css/device.ts";
import type { AppliedSheet, Sheet } from "../core/css/sheet.ts";
import type { Document } from "../core/document/node.ts";
import type { Exploration, Explored } from "../engine/explored.ts";

/** A page to be opened in a window, as the worker is given it: plain data. */
export interface OpenedPage {
  readonly file: string;
  readonly text: string;
  readonly page: "document" | "fragment";
  readonly quirks: boolean;
  readonly sheets: readonly { readonly sheet: Sheet; readonly media: string | null }[];
  readonly stylesKnown: boolean;
  readonly device: Device;
  /** Scripts in files of their own by the address that the page names them with, and modules in it by their text. */
  readonly scripts: ReadonlyMap<string, string>;
}

/** A page that is explored. */
export interface RenderRequest extends OpenedPage, Exploration {
  readonly kind: "page";
}

/** A page that is opened, and nothing is done with it. */
export interface ShowRequest extends OpenedPage {
  readonly kind: "show";
}

/** What a page shows once its scripts have run. */
export interface ShownResult {
  readonly page: MountedPage;
  /** What its scripts threw. */
  readonly problems: readonly string[];
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
  /** Whether pictures and letters that they import are to be seen. */
  readonly isForBrowser: boolean;
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
  /** What a browser is given for it; null for the text itself. */
  readonly compiled: string | null;
}

/** All specimens of a package as one program; plain data. */
export interface Bundle {
  readonly id: string;
  /** The folder of the package. Absolute. */
  readonly root: string;
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
  /** The folders that its sources lie in. Absolute. */
  readonly folders: readonly string[];
}

export interface BundleResult {
  readonly bundle: Bundle | null;
  /** Why files are not in it, by file. */
  readonly broken: ReadonlyMap<string, SourceRemark>;
}

/** What a file of specimens is asked for, of the bundle that is kept: the names of those in it, or one of them mounted. */
export type SpecimenRequest = {
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
      /** How it is explored; null to show it alone. */
      readonly exploration: Exploration | null;
    }
);

/** What a specimen or page shows before anything is pressed. */
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

export interface MountedResult extends Explored {
  /** What it shows before anything is pressed, where it is shown alone. */
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

/** What windows are opened for; `ready`: nothing but to load what they are made with. */
export type WindowRequest = RenderRequest | ShowRequest | SpecimenRequest | { readonly kind: "ready" };
