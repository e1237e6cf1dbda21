import path from "node:path";
import type { ElementNode, Node } from "../../core/document/node.ts";
import { attributeText, attributeToken, writtenText } from "../../core/document/written.ts";
import type { PageFile } from "../../engine/targets.ts";
import type { Host } from "../../host/host.ts";
import type { LoadedPage } from "../../read/load-page.ts";
import { decodeText } from "../../readers/html/decode.ts";
import { MOST_MEMORY } from "./limits.ts";

/** How long a module may take to be joined with what it imports, in milliseconds. */
const MODULE_TIME = 30_000;

/** What a page runs: scripts in files beside it, and whether anything at all. */
export interface PageScripts {
  /** Scripts in files of their own by the address that the page names them with, and modules in it by their text. */
  readonly files: ReadonlyMap<string, string>;
  /** Addresses of scripts that are not here, or that import others. */
  readonly missing: readonly string[];
  readonly hasAny: boolean;
}

/** Reads the scripts that a page names, where they stand below its folder or the working directory. */
export async function pageScripts(
  { document }: LoadedPage,
  page: PageFile,
  host: Host,
): Promise<PageScripts> {
  const files = new Map<string, string>();
  const missing: string[] = [];
  let hasAny = false;
  const folder = page.path === null ? host.workingDirectory : path.dirname(page.path);
  for (const element of elementsIn(document.children)) {
    hasAny ||= [...element.attributes.keys()].some((name) => /^on|^popovertarget$|^commandfor$/.test(name));
    if (element.tag !== "script" || !isRun(attributeToken(element, "type") ?? "")) continue;
    hasAny = true;
    const src = attributeText(element, "src");
    const isModule = attributeToken(element, "type") === "module";
    const written = src === null ? textOf(element) : await scriptText(src, folder, page, host);
    const joins = isModule && written !== null && /^\s*(?:import|export)\b|\bimport\s*\(/m.test(written);
    const from = src === null ? folder : path.dirname(path.resolve(folder, src));
    const text = joins ? await joined(written, from, host) : written;
    if (text === null) missing.push(src ?? "a module");
    else if (src !== null || joins) files.set(src ?? written ?? "", text);
  }
  return { files, missing, hasAny };
}

/** A module with all that it imports, as one script; null where something of it is not here. */
async function joined(text: string, folder: string, host: Host): Promise<string | null> {
  const answer = await host.runApart({
    program: "bundle-process",
    data: { kind: "module", text, folder },
    reads: null,
    milliseconds: MODULE_TIME,
    megabytes: MOST_MEMORY,
  });
  return answer.ok ? (answer.value as string | null) : null;
}

const isRun = (type: string): boolean => /^(?:|module|(?:text|application)\/(?:java|ecma)script)$/.test(type);

const textOf = ({ children }: ElementNode): string =>
  children.map((child) => (child.kind === "text" ? writtenText(child.value) : "")).join("");

async function scriptText(src: string, folder: string, page: PageFile, host: Host): Promise<string | null> {
  if (/^(?:[a-z][a-z0-9+.-]*:)?\/\//i.test(src)) return null;
  const address = src.replace(/[?#].*$/, "");
  const file = address.startsWith("/") ? path.join(page.tree, address) : path.resolve(folder, address);
  const real = await host.files.realPath(file);
  const isNear = [page.tree, host.workingDirectory].some(
    (root) => real !== null && !path.relative(root, real).startsWith(".."),
  );
  if (real === null || !isNear) return null;
  const read = await host.files.read(real);
  const decoded = read.ok ? decodeText(read.bytes, src, "css") : null;
  return decoded?.ok === true ? decoded.value.text : null;
}

function* elementsIn(nodes: readonly Node[]): Iterable<ElementNode> {
  for (const node of nodes)
    if (node.kind === "element") {
      yield node;
      yield* elementsIn(node.children);
    }
}
