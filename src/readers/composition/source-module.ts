import type * as Ast from "@babel/types";
import type { CompiledStyle } from "../../core/css/compiled-sheet.ts";
import type { ScriptError } from "../script/parse-script.ts";

/** A file of component source as read, with what it imports. */
export interface SourceModule {
  /** Absolute. */
  readonly path: string;
  /** As spans and reports call it. */
  readonly file: string;
  readonly text: string;
  readonly content: ModuleContent;
  readonly errors: readonly ScriptError[];
  /** Absolute paths by what the source writes; null for what is not part of the project. */
  readonly imports: ReadonlyMap<string, string | null>;
  /** What it takes from installed packages, by `specifier#name`. */
  readonly installed?: ReadonlyMap<string, InstalledName>;
  /** Whether it belongs to an installed package. */
  readonly isInstalled?: true;
  /** What its styles in other languages are compiled to, by where each starts; one that is not there is not known. */
  readonly compiled?: ReadonlyMap<number, CompiledStyle>;
}

/** A name where a package defines it. */
export interface InstalledName {
  /** Path of the module. */
  readonly path: string;
  /** What it is exported as there. */
  readonly name: string;
}

export type ModuleContent =
  | {
      readonly kind: "script";
      readonly program: Ast.Program;
      /** Markup that stands in literals of the script, by where each starts. */
      readonly templates: ReadonlyMap<number, readonly TemplateNode[]>;
    }
  | { readonly kind: "template"; readonly language: TemplateLanguageName; readonly parts: TemplateParts }
  /** Markup of a component that stands in a file of its own. */
  | { readonly kind: "markup"; readonly template: readonly TemplateNode[] }
  | { readonly kind: "style" }
  | { readonly kind: "data"; readonly value: unknown }
  | { readonly kind: "asset" };

/** Languages in which a file is one component. */
export type TemplateLanguageName = "vue" | "svelte";

/** A component in one file: its scripts, its markup and its styles. */
export interface TemplateParts {
  /** The script that runs once for each use, and the one that runs once for the module. */
  readonly script: Ast.Program | null;
  readonly moduleScript: Ast.Program | null;
  readonly isSetup: boolean;
  readonly template: readonly TemplateNode[];
  readonly styles: readonly StylePart[];
}

export interface StylePart {
  readonly text: string;
  /** Where the text starts in the file. */
  readonly start: number;
  /** Whether it styles the elements of this component alone. */
  readonly scoped: boolean;
  /** The name under which templates know its classes; null where it is no module of classes. */
  readonly module: string | null;
  /** What it is written in: `css`, or what is compiled to it. */
  readonly language: string;
}

/** Markup of any framework, with its expressions parsed. */
export type TemplateNode =
  | { readonly kind: "text"; readonly value: string; readonly start: number; readonly end: number }
  | { readonly kind: "comment"; readonly value: string; readonly start: number; readonly end: number }
  | {
      readonly kind: "value";
      readonly expression: Ast.Node | null;
      readonly start: number;
      readonly end: number;
    }
  | {
      readonly kind: "html";
      readonly expression: Ast.Node | null;
      readonly start: number;
      readonly end: number;
    }
  | TemplateElement
  | { readonly kind: "if"; readonly branches: readonly TemplateBranch[] }
  | TemplateEach
  | {
      readonly kind: "let";
      readonly name: Ast.Node;
      readonly expression: Ast.Node;
      readonly children: readonly TemplateNode[];
    }
  | {
      readonly kind: "outlet";
      readonly name: string | null;
      readonly attributes: readonly TemplateAttribute[];
      readonly fallback: readonly TemplateNode[];
      readonly start: number;
      readonly end: number;
      readonly select?: string;
    }
  | { readonly kind: "render"; readonly expression: Ast.Node; readonly start: number; readonly end: number }
  | {
      readonly kind: "snippet";
      readonly name: string;
      readonly parameters: readonly Ast.Node[];
      readonly children: readonly TemplateNode[];
    }
  /** Something nobody can read: a promise, a directive of one's own. */
  | { readonly kind: "group"; readonly children: readonly TemplateNode[] };

export interface TemplateBranch {
  /** Null for `else`. */
  readonly test: Ast.Node | null;
  readonly children: readonly TemplateNode[];
}

export interface TemplateEach {
  readonly kind: "each";
  readonly list: Ast.Node | null;
  readonly item: Ast.Node | null;
  readonly index: Ast.Node | null;
  /** What goes by names of its own beside item and index: `$index`, `$last`. */
  readonly extra: readonly string[];
  readonly children: readonly TemplateNode[];
  readonly empty: readonly TemplateNode[];
  readonly start: number;
  readonly end: number;
}

export interface TemplateElement {
  readonly kind: "element";
  /** As written. */
  readonly tag: string;
  /** An expression that gives the element or component; null where the tag does. */
  readonly dynamic: Ast.Node | null;
  readonly attributes: readonly TemplateAttribute[];
  readonly children: readonly TemplateNode[];
  /** Content for named slots, and what each is handed. */
  readonly slots: readonly TemplateSlot[];
  readonly start: number;
  /** End of the start tag. */
  readonly startEnd: number;
  readonly end: number;
}

export interface TemplateSlot {
  readonly name: string;
  readonly given: Ast.Node | null;
  readonly children: readonly TemplateNode[];
}

export type TemplateAttribute =
  | {
      readonly kind: "text";
      readonly name: string;
      readonly value: string;
      readonly start: number;
      readonly end: number;
    }
  | {
      readonly kind: "value";
      readonly name: string;
      readonly expression: Ast.Node | null;
      readonly start: number;
      readonly end: number;
    }
  | {
      readonly kind: "parts";
      readonly name: string;
      readonly parts: readonly (string | Ast.Node)[];
      readonly start: number;
      readonly end: number;
    }
  | {
      readonly kind: "spread";
      readonly expression: Ast.Node | null;
      readonly start: number;
      readonly end: number;
    }
  | {
      readonly kind: "listener";
      readonly event: string;
      readonly expression: Ast.Node | null;
      readonly code: string;
      readonly start: number;
      readonly end: number;
    }
  /** `class:name={test}`, `v-show`. */
  | {
      readonly kind: "toggle";
      readonly name: string;
      readonly token: string;
      readonly test: Ast.Node | null;
      readonly start: number;
      readonly end: number;
    }
  /** Two ways at once: `v-model`, `bind:value`. */
  | {
      readonly kind: "model";
      readonly name: string;
      readonly expression: Ast.Node | null;
      readonly start: number;
      readonly end: number;
    }
  /** What runs code on the element that nobody sees here: `use:action`, `ref`. */
  | { readonly kind: "opaque"; readonly name: string; readonly start: number; readonly end: number };
