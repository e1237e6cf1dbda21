import type { AppliedSheet, Sheet } from "../css/sheet.ts";
import type { DocumentIndex } from "../document/document-index.ts";
import type { Attribute, Document } from "../document/node.ts";
import { onceFor } from "../document/once.ts";
import { attributeText } from "../document/written.ts";
import type { Page } from "../rendering/page.ts";
import { type PaintedPage, paintedPageOf } from "../rendering/painted-page.ts";
import type { PresenceMap } from "../rendering/presence.ts";

/** The page as it looks in one colour scheme. */
export interface SchemeView {
  /** `light`, `dark`, or the theme as it was named: `data-theme=dark`. */
  readonly scheme: string;
  readonly page: Page;
  readonly presence: PresenceMap;
  readonly painted: PaintedPage;
}

export function schemeView(scheme: string, page: Page, presence: PresenceMap): SchemeView {
  return { scheme, page, presence, painted: paintedPageOf(page, presence) };
}

/** A theme that the page switches to by an attribute of its root: `data-theme=dark`, `class=night`. */
export interface Theme {
  readonly attribute: string;
  readonly value: string;
}

/** The theme as it is named on the command line and in findings. */
export const themeName = ({ attribute, value }: Theme): string => `${attribute}=${value}`;

/** The page with a theme switched on: only its root is another. A class is added to those that are there. */
export function withTheme(document: Document, { attribute, value }: Theme): Document {
  const children = document.children.map((node) => {
    if (node.kind !== "element") return node;
    const known = node.attributes.get(attribute);
    const before = attribute === "class" && typeof known?.value === "string" ? `${known.value} ` : "";
    const themed: Attribute = { name: attribute, value: `${before}${value}`, source: known?.source ?? null };
    return { ...node, attributes: new Map([...node.attributes, [attribute, themed]]) };
  });
  return { ...document, children };
}

/** Every sheet that applies, imported ones included, each once. */
function* allSheets(sheets: readonly AppliedSheet[]): Iterable<AppliedSheet> {
  const seen = new Set<AppliedSheet>();
  const pending = [...sheets];
  for (let applied = pending.pop(); applied !== undefined; applied = pending.pop()) {
    if (seen.has(applied)) continue;
    seen.add(applied);
    yield applied;
    pending.push(...applied.imports.values());
  }
}

/** What a sheet asks for, whatever it is applied to. */
const askedBy = onceFor((sheet: Sheet): { readonly orientation: boolean; readonly scheme: boolean } => {
  const media = [...mediaConditions(sheet)];
  return {
    orientation: media.some(namesOrientation),
    scheme: media.some(namesScheme) || setsScheme(sheet),
  };
});

const namesOrientation = (text: string | null): boolean => text !== null && /\borientation\b/i.test(text);
const namesScheme = (text: string | null): boolean => text !== null && /prefers-color-scheme/i.test(text);

/** The media conditions of the rules and imports of a sheet. */
function* mediaConditions({ items }: Sheet): Iterable<string> {
  for (const item of items) {
    if (item.kind === "import" && item.import.media !== null) yield item.import.media;
    if (item.kind !== "rule") continue;
    for (let guard = item.rule.conditions; guard !== null; guard = guard.outer)
      if (guard.condition.kind === "media") yield guard.condition.text;
  }
}

const setsScheme = ({ items }: Sheet): boolean =>
  items.some(
    (item) =>
      item.kind === "rule" &&
      [...item.rule.normal, ...(item.rule.important ?? [])].some(
        ([property, { text }]) =>
          /light-dark\(/i.test(text) || (property === "color-scheme" && /dark/i.test(text)),
      ),
  );

/** Whether anything in the page asks which way the window stands. */
export const asksForOrientation = (sheets: readonly AppliedSheet[]): boolean =>
  [...allSheets(sheets)].some(({ media, sheet }) => namesOrientation(media) || askedBy(sheet).orientation);

/** Whether anything in the page asks which colour scheme is wanted, so that it must be judged in both. */
export function asksForScheme(index: DocumentIndex, sheets: readonly AppliedSheet[]): boolean {
  const meta = index
    .byTag("meta")
    .some((element) => attributeText(element, "name")?.toLowerCase() === "color-scheme");
  if (meta || [...allSheets(sheets)].some(({ media, sheet }) => namesScheme(media) || askedBy(sheet).scheme))
    return true;
  return index.elements.some((element) =>
    /light-dark\(|color-scheme/i.test(attributeText(element, "style") ?? ""),
  );
}
