import { parentPort } from "node:worker_threads";
import type { ElementNode, Node } from "../core/document/node.ts";
import type { WalkStep } from "../core/walk-script/parse.ts";
import { readHtml } from "../readers/html/read-html.ts";
import { explore } from "./explore.ts";
import type { PageSource } from "./live-page.ts";
import type { RenderRequest, RenderResult } from "./protocol.ts";
import { runScript } from "./run-script.ts";

/** Where the parser finds each start tag, by its offset. */
function tagsIn(text: string, file: string): ReadonlyMap<number, string> {
  const tags = new Map<number, string>();
  const stack: Node[] = [...readHtml(text, file).document.children];
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (node.kind !== "element") continue;
    const { source, tag, children, shadow }: ElementNode = node;
    if (source !== null) tags.set(source.start, tag);
    stack.push(...children, ...(shadow?.children ?? []));
  }
  return tags;
}

async function walked(page: PageSource, script: readonly WalkStep[]): Promise<RenderResult> {
  const { lines, steps, problems } = await runScript(page, script);
  return { steps, script: lines, findings: [], tried: new Map(), problems, isCutShort: false };
}

// What a page rejects and nobody catches is its own affair.
process.on("unhandledRejection", () => {});

parentPort?.on("message", async (request: RenderRequest) => {
  const page = { ...request, tags: tagsIn(request.text, request.file), parsed: new Map() };
  parentPort?.postMessage(
    request.script === null ? await explore(page, request.patience) : await walked(page, request.script),
  );
});
