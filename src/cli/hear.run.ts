import { type ListKind, listByKind } from "../core/semantics/lists-by-kind.ts";
import { readingOrder } from "../core/semantics/reading-order.ts";
import { nodeHost } from "../host/node.ts";
import { hearJson } from "../report/json/hear.ts";
import { speechText } from "../report/terminal/hear.ts";
import { askedTrees } from "./asked-trees.ts";
import type { HearArguments } from "./hear.ts";
import { deliver, paintOf } from "./run-context.ts";

export async function runHear(args: HearArguments): Promise<void> {
  const host = nodeHost();
  const pages = await askedTrees(args, host);
  if (pages === null) return;
  const by = (args.by ?? null) as ListKind | null;
  const paint = paintOf(args);
  const pieces = pages.map((page) => {
    const lines = by === null ? readingOrder(page.scene, page.root) : listByKind(page.scene, page.root, by);
    return args.format === "json"
      ? `${hearJson(page, by, lines)}\n`
      : speechText(page, lines, by ?? "", by !== null, paint);
  });
  await deliver([pieces.join("\n")], args, host);
}
