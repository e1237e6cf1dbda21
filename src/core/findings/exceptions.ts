import type { Remark } from "../css/sheet.ts";
import type { Document, ElementNode, Node, Span } from "../document/node.ts";
import type { Finding } from "./verdict.ts";

/** What a comment in the source allows: `keel: allow names.link-purpose because the card heading names it`. */
export interface Exception {
  /** The comment. */
  readonly source: Span;
  /** Ids of checks, as written. */
  readonly checks: readonly string[];
  /** Why; null where the comment gives no reason, and so allows nothing. */
  readonly reason: string | null;
  /** The element the comment stands before, or the stretch of a stylesheet; null where nothing follows. */
  readonly covers: ElementNode | Span | null;
}

const addressed = /^\s*keel\s*:\s*/i;
const form = /^allow\s+([\w.,\s-]+?)(?:\s+because\s+(\S[\s\S]*))?$/i;

/** Reads one comment; null when it does not speak to the audit. What it says wrong shows as no checks or no reason. */
function readComment(text: string, source: Span, covers: Exception["covers"]): Exception | null {
  if (!addressed.test(text)) return null;
  const match = form.exec(text.replace(addressed, "").trim());
  return {
    source,
    checks: (match?.[1] ?? "").split(/[\s,]+/).filter((id) => id !== ""),
    reason: match?.[2]?.trim() ?? null,
    covers,
  };
}

/** The exceptions that comments in the markup make, each for the element after it. */
export function markupExceptions(document: Document): readonly Exception[] {
  const found: Exception[] = [];
  const stack: (readonly Node[])[] = [document.children];
  for (let nodes = stack.pop(); nodes !== undefined; nodes = stack.pop()) {
    for (const [index, node] of nodes.entries()) {
      if (node.kind === "element") {
        if (node.children.length > 0) stack.push(node.children);
        if (node.shadow !== null) stack.push(node.shadow.children);
      }
      if (node.kind !== "comment" || node.source === null) continue;
      const exception = readComment(node.value, node.source, firstWritten(nodes.slice(index + 1)));
      if (exception !== null) found.push(exception);
    }
  }
  return found;
}

/** The first element that stands in the source: those that the parser implied are looked into. */
function firstWritten(nodes: readonly Node[]): ElementNode | null {
  for (const node of nodes) {
    if (node.kind !== "element") continue;
    const found = node.source === null ? firstWritten(node.children) : node;
    if (found !== null) return found;
  }
  return null;
}

/** The exceptions that comments in a stylesheet make, each for the declaration or rule after it. */
export const sheetExceptions = (remarks: readonly Remark[]): readonly Exception[] =>
  remarks.flatMap(({ text, source, covers }) => {
    const isEmpty = covers.start >= covers.end;
    const exception = readComment(text, source, isEmpty ? null : covers);
    return exception === null ? [] : [exception];
  });

/** Whether an exception holds for a finding: same check, with a reason, at its element or at a declaration it rests on. */
export function allows({ checks, reason, covers }: Exception, finding: Finding): boolean {
  if (reason === null || covers === null || !checks.includes(finding.check)) return false;
  if ("kind" in covers) return covers === finding.element;
  const places = [finding.source, ...finding.origins.map(({ source }) => source)];
  return places.some(
    (place) =>
      place !== null && place.file === covers.file && place.start >= covers.start && place.start < covers.end,
  );
}
