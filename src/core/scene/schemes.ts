import type { AppliedSheet } from "../css/sheet.ts";
import type { DocumentIndex } from "../document/document-index.ts";
import type { Attribute, Document } from "../document/node.ts";
import { attributeText } from "../document/written.ts";
import type { Page } from "../rendering/page.ts";
import { type PaintedPage, paintedPageOf } from "../rendering/painted.ts";
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

/** The media conditions of a sheet: its own, and those of its rules and imports. */
function* mediaConditions({ media, sheet }: AppliedSheet): Iterable<string> {
  if (media !== null) yield media;
  for (const item of sheet.items) {
    if (item.kind === "import" && item.import.media !== null) yield item.import.media;
    if (item.kind !== "rule") continue;
    for (let guard = item.rule.conditions; guard !== null; guard = guard.outer)
      if (guard.condition.kind === "media") yield guard.condition.text;
  }
}

/** Whether anything in the page asks which way the window stands. */
export function asksForOrientation(sheets: readonly AppliedSheet[]): boolean {
  for (const applied of allSheets(sheets))
    for (const text of mediaConditions(applied)) if (/\borientation\b/i.test(text)) return true;
  return false;
}

/** Whether anything in the page asks which colour scheme is wanted, so that it must be judged in both. */
export function asksForScheme(index: DocumentIndex, sheets: readonly AppliedSheet[]): boolean {
  const meta = index
    .byTag("meta")
    .some((element) => attributeText(element, "name")?.toLowerCase() === "color-scheme");
  if (meta) return true;
  for (const applied of allSheets(sheets)) {
    for (const text of mediaConditions(applied)) if (/prefers-color-scheme/i.test(text)) return true;
    for (const item of applied.sheet.items) {
      if (item.kind !== "rule") continue;
      for (const block of [item.rule.normal, item.rule.important ?? new Map()]) {
        for (const [property, { text }] of block)
          if (/light-dark\(/i.test(text) || (property === "color-scheme" && /dark/i.test(text))) return true;
      }
    }
  }
  return index.elements.some((element) =>
    /light-dark\(|color-scheme/i.test(attributeText(element, "style") ?? ""),
  );
}
