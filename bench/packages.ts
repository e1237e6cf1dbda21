import path from "node:path";
import { parse as parseCss } from "css-tree";
import { parse } from "parse5";
import { findPages, isComponentFile } from "../src/engine/targets.ts";
import { nodeHost } from "../src/host/node.ts";
import { Workspace } from "../src/host/workspace.ts";
import { loadPage } from "../src/read/load-page.ts";
import { loadSources } from "../src/read/load-sources.ts";

export { audit } from "../src/api.ts";
export { nodeHost } from "../src/host/node.ts";

/** What we are measured against: every component of a folder with all that it imports, read and parsed and no more. */
export async function readAndParse(folder: string): Promise<number> {
  const host = nodeHost({ workingDirectory: folder });
  const { pages } = await findPages({ targets: ["."], stdinName: "", isSkipped: () => false }, host);
  const entries = pages.filter(({ path }) => path !== null && isComponentFile(path));
  const { modules } = await loadSources(entries, { maxSize: 20, stylesheets: [] }, host, new Workspace());
  return modules.size;
}

/** The markup of a page and its stylesheets, as they lie on the disk. */
export async function textsOfPage(
  page: string,
  host: ReturnType<typeof nodeHost>,
): Promise<readonly { readonly name: string; readonly text: string }[]> {
  const file = path.join(host.workingDirectory, page);
  const entry = { target: page, isNamed: true, path: file, name: page, tree: host.workingDirectory };
  const options = { maxSize: 20, stylesheets: [], components: new Map<string, string>(), roots: [] };
  const loaded = await loadPage(entry, { host, options, workspace: new Workspace() });
  return loaded.ok ? [...loaded.value.texts].map(([name, text]) => ({ name, text })) : [];
}

/** What the audit of a page is measured against: its markup and stylesheets parsed with places, and no more. */
export function parseTexts(texts: readonly { readonly name: string; readonly text: string }[]): void {
  for (const { name, text } of texts)
    if (name.endsWith(".css")) parseCss(text, { positions: true });
    else {
      parse(text, { sourceCodeLocationInfo: true });
      for (const [, style = ""] of text.matchAll(/<style[^>]*>([\s\S]*?)<\/style>/g))
        parseCss(style, { positions: true });
    }
}
