/** What hangs on the ending of a file that holds components. Everything else that a format needs has a row by its name. */
interface ComponentFormat {
  /** Endings of files that hold components by their name alone: taken from folders and globs. */
  readonly endings: readonly string[];
  /** Endings of further files of this format, which may hold components and are read when they are named. */
  readonly alsoEndings: readonly string[];
  /** The ending of a template in a file of its own, which is part of a component and no page. */
  readonly templateEnding: string | null;
  /** How markup is written in it: props for attributes, or as HTML with braces that begin an expression. */
  readonly syntax: "jsx" | "template";
}

/** The formats of component source, a row each. */
export const componentFormats = {
  jsx: {
    endings: [".tsx", ".jsx"],
    alsoEndings: [".js", ".mjs", ".cjs", ".ts", ".mts", ".cts"],
    templateEnding: null,
    syntax: "jsx",
  },
  vue: { endings: [".vue"], alsoEndings: [], templateEnding: null, syntax: "template" },
  svelte: { endings: [".svelte"], alsoEndings: [], templateEnding: null, syntax: "template" },
  angular: {
    endings: [".component.ts"],
    alsoEndings: [],
    templateEnding: ".component.html",
    syntax: "template",
  },
} as const satisfies Readonly<Record<string, ComponentFormat>>;

export type ComponentFormatName = keyof typeof componentFormats;

const rows: readonly (readonly [ComponentFormatName, ComponentFormat])[] = Object.entries(
  componentFormats,
) as [ComponentFormatName, ComponentFormat][];

/** Endings of files that hold components by their name alone. */
export const componentEndings: readonly string[] = rows.flatMap(([, { endings }]) => endings);

/** Whether a file ends in one of some endings, in any case. */
export const endsIn = (file: string, endings: readonly string[]): boolean => {
  const name = file.toLowerCase();
  return endings.some((ending) => name.endsWith(ending));
};

/** The format of a file by its ending, the longest that fits; null for none. */
export function componentFormatOf(file: string): ComponentFormatName | null {
  // A component of Angular is a script by its ending too.
  const row = rows.filter(([, { endings }]) => endsIn(file, endings)).at(-1);
  return (row ?? rows.find(([, { alsoEndings }]) => endsIn(file, alsoEndings)))?.[0] ?? null;
}

/** Whether a file is the template of a component. */
export const isComponentTemplate = (file: string): boolean =>
  rows.some(([, { templateEnding }]) => templateEnding !== null && endsIn(file, [templateEnding]));
