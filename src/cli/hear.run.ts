import { trees } from "../answers/tree.ts";
import { type ListKind, listByKind } from "../core/semantics/lists-by-kind.ts";
import { readingOrder } from "../core/semantics/reading-order.ts";
import { nodeHost } from "../host/node.ts";
import { hearJson } from "../report/json/hear.ts";
import { speechText } from "../report/terminal/hear.ts";
import type { HearArguments } from "./hear.ts";
import {
  COULD_NOT,
  complain,
  deliver,
  deviceOf,
  loadOptions,
  paintOf,
  reportProblems,
  wrongWindow,
} from "./run-context.ts";

export async function runHear(args: HearArguments): Promise<void> {
  const host = nodeHost();
  const device = deviceOf(args);
  if (device === null) return complain(wrongWindow(args));
  const answer = await trees({ ...loadOptions(args, host), device }, host);
  reportProblems(answer.problems);
  if (answer.incomplete) process.exitCode = COULD_NOT;
  if (args.format === "json" && answer.pages.length > 1)
    return complain(`JSON holds one page, and the targets name ${answer.pages.length}; name one`);
  const by = (args.by ?? null) as ListKind | null;
  const paint = paintOf(args);
  const pieces = answer.pages.map((page) => {
    const lines = by === null ? readingOrder(page.scene, page.root) : listByKind(page.scene, page.root, by);
    return args.format === "json"
      ? `${hearJson(page, by, lines)}\n`
      : speechText(page, lines, by ?? "", by !== null, paint);
  });
  await deliver([pieces.join("\n")], args, host);
}
