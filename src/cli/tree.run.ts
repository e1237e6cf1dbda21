import { inspect } from "../answers/inspect.ts";
import { selectElements } from "../answers/select.ts";
import { type PageTree, trees } from "../answers/tree.ts";
import { nearestWord } from "../core/document/nearest-word.ts";
import { onlyRole } from "../core/semantics/only-role.ts";
import { knownRole } from "../core/semantics/role.ts";
import { roles } from "../core/semantics/tables/roles.ts";
import { nodeHost } from "../host/node.ts";
import { inspectionJson } from "../report/json/inspection.ts";
import { treeJson } from "../report/json/tree.ts";
import { inspectionText, treeText } from "../report/terminal/tree.ts";
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
import type { TreeArguments } from "./tree.ts";

/** How many elements `--at` shows in full. */
const MOST_INSPECTED = 20;

export async function runTree(args: TreeArguments): Promise<void> {
  const host = nodeHost();
  const device = deviceOf(args);
  if (device === null) return complain(wrongWindow(args));
  const only = args.only === undefined ? null : knownRole(args.only.toLowerCase());
  if (args.only !== undefined && only === null) {
    const near = nearestWord(args.only, Object.keys(roles));
    return complain(`there is no role "${args.only}"${near === null ? "" : `; did you mean ${near}?`}`);
  }
  const answer = await trees({ ...loadOptions(args, host), device }, host);
  reportProblems(answer.problems);
  if (answer.incomplete) process.exitCode = COULD_NOT;
  if (args.format === "json" && answer.pages.length > 1)
    return complain(`JSON holds one page, and the targets name ${answer.pages.length}; name one`);
  const view = { paint: paintOf(args), names: args.names, only };
  const pieces: string[] = [];
  for (const page of answer.pages) {
    if (args.at !== undefined) {
      const text = inspected(page, args.at, args.format === "json", view.paint);
      if (text === null) return;
      pieces.push(text);
      continue;
    }
    const shown = only === null ? page : { ...page, root: onlyRole(page.root, only) };
    if (
      !(await deliver(
        args.format === "json" ? treeJson(shown) : treeText(page, view),
        args.output === undefined ? args : { ...args },
        host,
      ))
    )
      return;
    if (args.format === "json" && args.output === undefined) process.stdout.write("\n");
  }
  if (pieces.length > 0) await deliver(pieces, args, host);
}

function inspected(
  page: PageTree,
  selector: string,
  json: boolean,
  paint: Parameters<typeof inspectionText>[2],
): string | null {
  const selection = selectElements(page.scene, selector);
  if (!selection.ok) {
    complain(selection.message);
    return null;
  }
  if (selection.elements.length === 0) {
    complain(`${page.target}: nothing matches "${selector}"; keel tree ${page.target} shows what is there`);
    return null;
  }
  const chosen = selection.elements
    .slice(0, MOST_INSPECTED)
    .map((element) => inspect(page.scene, element, page.texts));
  if (json) return `${inspectionJson(page.target, chosen)}\n`;
  const more = selection.elements.length - chosen.length;
  const rest = more > 0 ? `\nand ${more} more that match "${selector}"\n` : "";
  return chosen.map((inspection) => inspectionText(inspection, page, paint)).join("\n") + rest;
}
