import { parentPort, workerData } from "node:worker_threads";
import type { ElementNode, Node } from "../core/document/node.ts";
import { readHtml } from "../readers/html/read-html.ts";
import { explore } from "./explore.ts";
import type { RenderRequest } from "./protocol.ts";

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

// What a page rejects and nobody catches is its own affair.
process.on("unhandledRejection", () => {});

const request = workerData as RenderRequest;
const result = await explore(
  { ...request, tags: tagsIn(request.text, request.file), parsed: new Map() },
  request.patience,
);
parentPort?.postMessage(result);
