import { type CompiledStyle, compiledSheet } from "../core/css/compiled-sheet.ts";
import { parseSheet } from "../core/css/parse-sheet.ts";
import type { Sheet } from "../core/css/sheet.ts";
import type { LiveElement } from "../engine/live-element.ts";
import { shownName } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import { textAt } from "../read/text-at.ts";
import { textAtAddress } from "./ask-address.ts";
import type { ServedText } from "./browser-window.ts";
import { below } from "./live-nodes.ts";
import { compiledFrom, localFile, mapNamedIn } from "./source-maps.ts";

/** The stylesheets that come with a source map, as what they were compiled from. */
export async function compiledSheets(
  served: readonly ServedText[],
  host: Host,
): Promise<ReadonlyMap<string, CompiledStyle>> {
  const found = new Map<string, CompiledStyle>();
  for (const { address, text } of served) {
    if (!text.includes("sourceMappingURL=") || !/^https?:/.test(address)) continue;
    const map = await mapNamedIn(text, address, textAtAddress);
    const style = map === null ? null : await compiledFrom(text, map, host);
    if (style !== null) found.set(address, style);
  }
  return found;
}

/**
 * Style elements that a development build has put there, as the files they come from: their text is that of a file that they
 * name, or brings a source map.
 */
export async function writtenStyles(
  live: LiveElement,
  address: string,
  host: Host,
  texts: Map<string, string>,
): Promise<ReadonlyMap<string, Sheet>> {
  const found = new Map<string, Sheet>();
  for (const node of below(live)) {
    if (node.localName !== "style" || typeof node.textContent !== "string") continue;
    const css: string = node.textContent;
    const map = css.includes("sourceMappingURL=") ? await mapNamedIn(css, address, textAtAddress) : null;
    const style = map === null ? null : await compiledFrom(css, map, host);
    if (style !== null) {
      for (const { file, text } of style.sources) texts.set(file, text);
      found.set(css, compiledSheet(style, style.sources[0]?.file ?? ""));
      continue;
    }
    for (const { name, value } of node.attributes) {
      const file = name.startsWith("data-") ? await localFile(value, address, host) : null;
      const text = file === null ? null : await textAt(file, host.files);
      if (file === null || text !== css) continue;
      const shown = shownName(host, file);
      texts.set(shown, text);
      found.set(css, parseSheet({ file: shown, text, start: 0 }));
    }
  }
  return found;
}
