import { type Inspection, inspect } from "../answers/inspect.ts";
import { selectElements } from "../answers/select.ts";
import type { PageTree } from "../answers/tree.ts";
import { nearestWord } from "../core/document/nearest-word.ts";
import { type Result, refusal } from "../core/findings/problems.ts";
import { onlyRole } from "../core/semantics/only-role.ts";
import { knownRole } from "../core/semantics/role.ts";
import { roles } from "../core/semantics/tables/roles.ts";
import { inspectionJson } from "../report/json/inspection.ts";
import { treeJson } from "../report/json/tree.ts";
import { inspectionText, treeText } from "../report/terminal/tree.ts";
import type { Io, Status } from "./io.ts";
import { jsonDocuments } from "./json-documents.ts";
import { RunContext } from "./run-context.ts";
import type { TreeArguments } from "./tree.ts";
import { askedTrees } from "./trees.ts";

/** How many elements `--at` shows in full. */
const MOST_INSPECTED = 20;

export async function runTree(args: TreeArguments, io: Io): Promise<Status> {
  const run = new RunContext(io, args);
  const only = args.only === undefined ? null : knownRole(args.only.toLowerCase());
  if (args.only !== undefined && only === null) {
    const near = nearestWord(args.only, Object.keys(roles));
    return run.refuse(`there is no role "${args.only}"${near === null ? "" : `; did you mean ${near}?`}`);
  }
  const { pages, status } = await askedTrees(args, run);
  if (pages === null) return status;
  const { paint } = run;
  if (args.at !== undefined) return runInspection(args.at, pages, args.format, run, status);
  const shown = pages.map((page) => (only === null ? page : { ...page, root: onlyRole(page.root, only) }));
  const writers = {
    json: () => jsonDocuments(shown.map(treeJson)),
    terminal: function* () {
      for (const page of pages) yield* treeText(page, { paint, names: args.names, only });
    },
  } satisfies Record<TreeArguments["format"], () => Iterable<string>>;
  return run.deliver(writers[args.format](), status);
}

/** The elements of one page that a selector picks. */
interface Inspected {
  readonly page: PageTree;
  readonly elements: readonly Inspection[];
  /** How many more there are. */
  readonly more: number;
}

async function runInspection(
  selector: string,
  pages: readonly PageTree[],
  format: TreeArguments["format"],
  run: RunContext,
  status: Status,
): Promise<Status> {
  const found: Inspected[] = [];
  for (const page of pages) {
    const one = inspected(page, selector);
    if (!one.ok) return run.refuse(one.problem);
    found.push(one.value);
  }
  const { paint } = run;
  const writers = {
    json: () => jsonDocuments(found.map(({ page, elements }) => [inspectionJson(page.target, elements)])),
    terminal: () =>
      found.map(({ page, elements, more }) => {
        const rest = more > 0 ? `\nand ${more} more that match "${selector}"\n` : "";
        return elements.map((element) => inspectionText(element, page, paint)).join("\n") + rest;
      }),
  } satisfies Record<typeof format, () => Iterable<string>>;
  return run.deliver(writers[format](), status);
}

function inspected(page: PageTree, selector: string): Result<Inspected> {
  const selection = selectElements(page.scene, selector);
  if (!selection.ok) return refusal(selection.message);
  if (selection.elements.length === 0)
    return refusal(
      `${page.target}: nothing matches "${selector}"; keel tree ${page.target} shows what is there`,
    );
  const chosen = selection.elements.slice(0, MOST_INSPECTED);
  return {
    ok: true,
    value: {
      page,
      elements: chosen.map((element) => inspect(page.scene, element, page.texts)),
      more: selection.elements.length - chosen.length,
    },
  };
}
