import { listByKind } from "../core/semantics/lists-by-kind.ts";
import { readingOrder } from "../core/semantics/reading-order.ts";
import { hearJson } from "../report/json/hear.ts";
import { speechText } from "../report/terminal/hear.ts";
import type { HearArguments } from "./hear.ts";
import type { Io, Status } from "./io.ts";
import { jsonDocuments } from "./json-documents.ts";
import { RunContext } from "./run-context.ts";
import { askedTrees } from "./trees.ts";

export async function runHear(args: HearArguments, io: Io): Promise<Status> {
  const run = new RunContext(io, args);
  const { pages, status } = await askedTrees(args, run);
  if (pages === null) return status;
  const { by = null } = args;
  const heard = pages.map((page) => ({
    page,
    lines: by === null ? readingOrder(page.scene, page.root) : listByKind(page.scene, page.root, by),
  }));
  const { paint } = run;
  const writers = {
    json: () => jsonDocuments(heard.map(({ page, lines }) => [hearJson(page, by, lines)])),
    terminal: () => [
      heard.map(({ page, lines }) => speechText(page, lines, by ?? "", by !== null, paint)).join("\n"),
    ],
  } satisfies Record<HearArguments["format"], () => Iterable<string>>;
  return run.deliver(writers[args.format](), status);
}
