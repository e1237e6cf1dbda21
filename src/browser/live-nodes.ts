import type { LiveElement } from "../engine/live-element.ts";

/** What stands in a collected node, shadow trees too, in document order. */
export function* below(node: LiveElement): Iterable<LiveElement> {
  for (const child of [...(node.childNodes ?? []), ...(node.shadowRoot?.childNodes ?? [])]) {
    yield child;
    yield* below(child);
  }
}
