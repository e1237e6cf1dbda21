import { gunzipSync } from "node:zlib";
import { indexDocument } from "../core/document/document-index.ts";
import { textContent } from "../core/document/text-content.ts";
import { notASitemap, type Result } from "../core/findings/problems.ts";
import { readHtml } from "../readers/html/read-html.ts";

/** How many sitemaps one may name, at whatever remove, and how many pages are taken from all. */
const MOST_MAPS = 50;
const MOST_PAGES = 5000;

/**
 * The pages that a sitemap lists, those of the sitemaps it names too, in order. https://www.sitemaps.org/protocol.html
 * @param ask gives the bytes at an address; null for none
 */
export async function sitemapPages(
  address: string,
  ask: (address: string) => Promise<Uint8Array | null>,
): Promise<Result<readonly string[]>> {
  const pages = new Set<string>();
  const maps = [address];
  for (let i = 0; i < maps.length && i < MOST_MAPS; i++) {
    const at = maps[i] as string;
    const bytes = await ask(at);
    const text = bytes === null ? null : textIn(bytes);
    const places = text === null ? [] : placesIn(text, at);
    if (i === 0 && places.length === 0) return { ok: false, problem: notASitemap(address) };
    for (const { place, isMap } of places) {
      if (isMap && !maps.includes(place)) maps.push(place);
      else if (!isMap && pages.size < MOST_PAGES) pages.add(place);
    }
  }
  return { ok: true, value: [...pages] };
}

const textIn = (bytes: Uint8Array): string =>
  new TextDecoder().decode(bytes[0] === 0x1f && bytes[1] === 0x8b ? gunzipSync(bytes) : bytes);

/** What a sitemap lists; a plain list of addresses, one a line, is one too. */
function placesIn(text: string, at: string): readonly { readonly place: string; readonly isMap: boolean }[] {
  if (!/<loc\b/i.test(text))
    return text
      .split(/\r?\n/)
      .filter((line) => /^https?:\/\/\S+$/i.test(line.trim()))
      .map((line) => ({ place: line.trim(), isMap: false }));
  const isIndex = /<sitemapindex\b/i.test(text);
  return indexDocument(readHtml(text, at).document)
    .byTag("loc")
    .map((element) => ({ place: textContent(element).trim(), isMap: isIndex }))
    .filter(({ place }) => /^https?:\/\//i.test(place));
}
