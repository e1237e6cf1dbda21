/** What a specimen may say of how it is shown and judged. */
export interface SpecimenOptions {
  /** What the component needs around it, such as a provider: given what it renders, it returns what is shown. */
  readonly wrapper?: (inside: never) => unknown;
  /** Size of the window in CSS pixels, for media queries. */
  readonly viewport?: { readonly width: number; readonly height: number };
  readonly scheme?: "light" | "dark";
  /** A walk script: its lines, or the path of a `.walk` file from the folder of the specimen. */
  readonly walk?: string;
  /** Checks that are not made of this specimen. */
  readonly checks?: Readonly<Record<string, "off">>;
  /** Readies a Vue application before it is mounted: `(app) => app.use(router)`. */
  readonly app?: (app: never) => unknown;
}

/** A named example of a component in one state. */
export interface Specimen {
  readonly name: string;
  /** A React element, a Vue component or virtual node, a Svelte or Angular component, an element, or HTML. */
  readonly render: () => unknown;
  readonly options: SpecimenOptions;
  /** An error made where it stands, for its place. */
  readonly at: Error;
}

/** Where the window that shows specimens keeps those that its files name. */
const SHELF = Symbol.for("even-keel.specimens");

/**
 * Names an example of a component in one state, for `keel audit` and `keel walk` to mount.
 *
 *     specimen("slot card, taken", () => <SlotCard taken />);
 *
 * Svelte components are given with their props: `() => ({ component: SlotCard, props: { taken: true } })`; those of Angular
 * with their `inputs`, and with `outputs`, `providers` and `content` where they have any.
 * @param name tells it from the others of its file
 */
export function specimen(name: string, render: () => unknown, options: SpecimenOptions = {}): void {
  const shelf = (globalThis as { [SHELF]?: Specimen[] })[SHELF];
  shelf?.push({ name, render, options, at: new Error(name) });
}
