/// <reference lib="dom" />
// The program that a page of a browser's gets before those of its specimens: the stage, and what we ask it for.
import type { Specimen } from "../../specimen.ts";
import { SHOWING, type ToldError, type ToldShowing } from "./showing.ts";
import { mountSpecimen, originsIn, readyStage, STAGE, type Stage } from "./stage.ts";

/** Stylesheets that come into the page as the modules run that bring them. */
class PageStyles extends Array<string> {
  override push(...ids: readonly string[]): number {
    for (const id of ids) {
      const style = document.createElement("style");
      style.textContent = styles[id] ?? "";
      document.head.append(style);
    }
    return super.push(...ids);
  }
}

const page = globalThis as unknown as Window & typeof globalThis & { [name: string]: unknown };
const { styles } = page[SHOWING] as { readonly styles: Readonly<Record<string, string>> };
const shelf: readonly Specimen[] = readyStage(page, new PageStyles());
const errors: ToldError[] = [];

const note = (error: unknown): void => {
  const { name, message, stack, componentStack } = (error ?? {}) as Partial<ToldError>;
  errors.push(
    typeof message === "string"
      ? { name: name ?? "Error", message, stack, componentStack }
      : { name: "Error", message: String(error) },
  );
};
page.addEventListener("error", ({ error }) => error !== null && note(error));
page.addEventListener("unhandledrejection", ({ reason }) => note(reason));

async function show(file: string, index: number): Promise<void> {
  await (page[STAGE] as Stage).files[file]?.();
  const found = shelf[index];
  if (found !== undefined) await mountSpecimen(page, found, reportError);
}

/** JSON of `ToldShowing`. */
function told(): string {
  const { originOf, makingOf } = originsIn(page);
  const elements: ToldShowing["elements"][number][] = [];
  let count = -1;
  const visit = (parent: Node): void => {
    for (let child = parent.firstChild; child !== null; child = child.nextSibling) {
      if (!(child instanceof Element)) continue;
      count++;
      const [origin, making] = [originOf(child), makingOf(child)];
      if (origin !== null || making !== null) elements.push([count, origin, making]);
      if (child.shadowRoot !== null) visit(child.shadowRoot);
      visit(child);
    }
  };
  visit(document);
  return JSON.stringify({ errors, unset: [...(page[STAGE] as Stage).unset], elements } satisfies ToldShowing);
}

Object.assign(page[SHOWING] as object, {
  show: (file: string, index: number) => show(file, index).catch(reportError),
  told,
});
