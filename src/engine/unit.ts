import type { AppliedSheet } from "../core/css/sheet.ts";
import type { ElementNode } from "../core/document/node.ts";
import type { Opened } from "../core/document/opened.ts";
import type { Problem } from "../core/findings/problems.ts";
import type { PagePicture } from "../core/scene/page-picture.ts";
import type { Scene } from "../core/scene/scene.ts";
import type { WalkStep } from "../core/walk-script/parse.ts";
import type { Explored, ScriptLine, StatePlan } from "./explored.ts";
import type { LoadedSources } from "./sources.ts";
import type { PageFile } from "./targets.ts";

/** The component files among the targets. */
export interface SourceTargets {
  readonly entries: readonly PageFile[];
  /** Reads them with all that they import; once, however often it is asked. */
  load(): Promise<LoadedSources>;
  /** The components that nobody uses, each as it is when everything that is open falls as it stands first. */
  units(): Promise<readonly Unit[]>;
  /** Says that an earlier result is as good, and which files it is about; nothing is read then. */
  reuse(paths: ReadonlySet<string>): void;
}

/** A browser, as it calls itself. */
export interface BrowserIdentity {
  readonly name: string;
  readonly version: string;
}

/** What a unit is, as it is told. */
export interface UnitSubject {
  /** A page by its name, a root component by its file, a specimen as `file#name`. */
  readonly id: string;
  readonly target: string;
  readonly kind: "document" | "fragment" | "component" | "page";
  readonly engine: "read" | "render" | "browser";
  /** The name of the specimen that it is; null for what is none. */
  readonly specimen: string | null;
  readonly state: string;
}

/** One document of a unit: its own, or that of a frame in it. */
export interface UnitDocument {
  readonly scene: Scene;
  /** Its stylesheets, whose comments may allow something. */
  readonly sheets: readonly AppliedSheet[];
  /** Whether a server has put it together: nothing here is edited by what is found in it. */
  readonly isServed?: true;
  /** The same with everything open that anyone can open without a script; null where there is nothing of the kind. */
  readonly opened?: () => OpenedScene | null;
  /** Where it is shown; null for the unit's own document. */
  readonly frame: { readonly around: UnitDocument; readonly element: ElementNode } | null;
}

export interface OpenedScene {
  readonly scene: Scene;
  /** What was opened, each with when it shows. */
  readonly parts: Opened["parts"];
}

/** What is looked at by itself, whatever engine found it. Its scene is one and the same in every command. */
export interface Unit {
  readonly subject: UnitSubject;
  readonly page: PageFile;
  /** What it was opened in; absent where that is no browser. */
  readonly browser?: BrowserIdentity;
  /** What it looks like before anything is done with it; absent where nobody has painted it, or asked for that. */
  readonly picture?: PagePicture;
  /** Whether its documents stand in source as they are: else what it shows is known in its windows alone. */
  readonly isWritten: boolean;
  /** The texts of the files that it comes from, by the names they are shown with. */
  readonly texts: ReadonlyMap<string, string>;
  /** What it is before anything is done with it, no script run where it stands in source: its own document first, then those of frames. */
  documents(): Promise<UnitDocuments>;
  /** What acts on it; null where it can only be read. */
  readonly driver: UnitDriver | null;
  /** Called once nothing more is asked of it; absent where nothing is kept open for it. */
  readonly letGo?: () => void;
}

export interface UnitDocuments {
  /** Empty where it could not be shown. */
  readonly documents: readonly UnitDocument[];
  /** The texts of further files that they come from. */
  readonly texts: ReadonlyMap<string, string>;
  readonly problems: readonly Problem[];
  readonly isComplete: boolean;
}

/** Opens the windows of a unit, wherever they are, and lets explorer and walk scripts at them. */
export interface UnitDriver {
  /** Ids of checks that it leaves out. */
  readonly off: readonly string[];
  /** What its window shows once its scripts have run, before anything is done with it. */
  shown(): Promise<UnitDocuments>;
  explore(request: ExploreRequest): Promise<UnitExplored>;
}

export interface ExploreRequest {
  /** The lines to walk by; null to try every key. */
  readonly script: readonly WalkStep[] | null;
  /** The checks to make of every state that is reached; null for none. */
  readonly plan: StatePlan | null;
  /** Whether what is pressed in what keys open is told too. */
  readonly log: boolean;
}

/** A walk script that lies beside a unit, and what came of it. */
export interface WalkedScript {
  readonly file: string;
  readonly text: string;
  readonly lines: readonly ScriptLine[];
}

export interface UnitExplored {
  /** Null where nothing was run: the unit has no scripts, or could not be opened. */
  readonly explored: Explored | null;
  readonly walked: readonly WalkedScript[];
  /** The texts of further files that it points at. */
  readonly texts: ReadonlyMap<string, string>;
  readonly problems: readonly Problem[];
  /** Whether all was tried. */
  readonly isComplete: boolean;
}

/** What an engine comes to on its way through the targets. */
export type Collected =
  | {
      readonly kind: "unit";
      readonly unit: Unit;
      /** Whether it is one of several pages, which are compared. */
      readonly isOneOfSeveral: boolean;
    }
  /** Component source, which is judged together. */
  | { readonly kind: "sources"; readonly targets: SourceTargets }
  | {
      readonly kind: "problem";
      readonly problem: Problem;
      /** Whether something could not be looked at because of it. */
      readonly isUnread: boolean;
    };

/** Tells how far the work is. */
export type OnPage = (what: { readonly name: string }, done: number, total: number) => void;
