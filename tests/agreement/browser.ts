import { existsSync } from "node:fs";
import puppeteer, { type Browser, type Page } from "puppeteer-core";

const paths = [
  process.env.CHROMIUM,
  "/usr/bin/chromium",
  "/usr/bin/chromium-browser",
  "/usr/bin/google-chrome",
].filter((path) => path !== undefined);

/** Starts Chromium with no network of its own. Fails with what to install when there is none. */
export function launch(): Promise<Browser> {
  const executablePath = paths.find((path) => existsSync(path));
  if (executablePath === undefined)
    throw new Error("Chromium is not installed: apt-get install chromium, or name it in CHROMIUM");
  return puppeteer.launch({
    executablePath,
    headless: true,
    args: [
      "--no-sandbox",
      "--disable-gpu",
      "--disable-quic",
      "--no-first-run",
      "--disable-background-networking",
      "--disable-component-update",
      "--disable-sync",
    ],
    defaultViewport: { width: 1280, height: 800 },
  });
}

/** What the browser tells assistive technology of one element. */
export interface BrowserNode {
  readonly ignored: boolean;
  readonly role: string;
  readonly name: string;
  readonly description: string;
  readonly states: Readonly<Record<string, string>>;
}

interface ProtocolNode {
  readonly backendDOMNodeId?: number;
  readonly ignored: boolean;
  readonly role?: { readonly value: string };
  readonly chromeRole?: { readonly value: string };
  readonly name?: { readonly value: string };
  readonly description?: { readonly value: string };
  readonly properties?: readonly { readonly name: string; readonly value: { readonly value: unknown } }[];
}

interface DomNode {
  readonly nodeType: number;
  readonly nodeName: string;
  readonly localName: string;
  readonly backendNodeId: number;
  readonly children?: readonly DomNode[];
  readonly shadowRoots?: readonly DomNode[];
}

/** The browser's accessibility tree, keyed by the same structural path that we use. */
export async function browserTree(page: Page, html: string): Promise<ReadonlyMap<string, BrowserNode>> {
  await page.setContent(html, { waitUntil: "load" });
  const session = await page.createCDPSession();
  await session.send("Accessibility.enable");
  const { root } = (await session.send("DOM.getDocument", { depth: -1, pierce: true })) as unknown as {
    root: DomNode;
  };
  const { nodes } = (await session.send("Accessibility.getFullAXTree")) as unknown as {
    nodes: readonly ProtocolNode[];
  };
  const byId = new Map(
    nodes.flatMap((node) =>
      node.backendDOMNodeId === undefined ? [] : [[node.backendDOMNodeId, node] as const],
    ),
  );
  const found = new Map<string, BrowserNode>();
  const visit = (parent: DomNode, prefix: string) => {
    const elements = (parent.children ?? []).filter((child) => child.nodeType === 1);
    for (const [i, element] of elements.entries()) {
      const own = parent.nodeType === 9 ? element.localName : `${element.localName}:nth-child(${i + 1})`;
      const path = prefix === "" ? own : prefix.endsWith(">>> ") ? `${prefix}${own}` : `${prefix} > ${own}`;
      const node = byId.get(element.backendNodeId);
      found.set(path, {
        ignored: node === undefined || node.ignored,
        role: String(node?.role?.value ?? ""),
        name: String(node?.name?.value ?? ""),
        description: String(node?.description?.value ?? ""),
        states: Object.fromEntries(
          (node?.properties ?? []).map(({ name, value }) => [name, String(value.value)]),
        ),
      });
      visit(element, path);
      for (const shadow of element.shadowRoots ?? []) visit(shadow, `${path} >>> `);
    }
  };
  visit(root, "");
  await session.detach();
  return found;
}
