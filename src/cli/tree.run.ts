import { inspect } from "../answers/inspect.ts";
import { selectElements } from "../answers/select.ts";
import type { PageTree } from "../answers/tree.ts";
import { nearestWord } from "../core/document/nearest-word.ts";
import { onlyRole } from "../core/semantics/only-role.ts";
import { knownRole } from "../core/semantics/role.ts";
import { type Role, roles } from "../core/semantics/tables/roles.ts";
import { nodeHost } from "../host/node.ts";
import { inspectionJson } from "../report/json/inspection.ts";
import { treeJson } from "../report/json/tree.ts";
import { inspectionText, treeText } from "../report/terminal/tree.ts";
import { askedTrees } from "./asked-trees.ts";
import { complain, deliver, paintOf } from "./run-context.ts";
import type { TreeArguments } from "./tree.ts";

/** How many elements `--at` shows in full. */
const MOST_INSPECTED = 20;

export async function runTree(args: TreeArguments): Promise<void> {
  const host = nodeHost();
  const only = args.only === undefined ? null : knownRole(args.only.toLowerCase());
  if (args.only !== undefined && only === null) {
    const near = nearestWord(args.only, Object.keys(roles));
    return complain(`there is no role "${args.only}"${near === null ? "" : `; did you mean ${near}?`}`);
  }
  const pages = await askedTrees(args, host);
  if (pages === null) return;
  const json = args.format === "json";
  const paint = paintOf(args);
  if (args.at === undefined) {
    await deliver(
      json ? jsonTrees(pages, only) : textTrees(pages, { paint, names: args.names, only }),
      args,
      host,
    );
    return;
  }
  const pieces: string[] = [];
  for (const page of pages) {
    const text = inspected(page, args.at, json, paint);
    if (text === null) return;
    pieces.push(text);
  }
  await deliver(pieces, args, host);
}

function* jsonTrees(pages: readonly PageTree[], only: Role | null): Generator<string> {
  for (const page of pages) {
    yield* treeJson(only === null ? page : { ...page, root: onlyRole(page.root, only) });
    yield "\n";
  }
}

function* textTrees(pages: readonly PageTree[], view: Parameters<typeof treeText>[1]): Generator<string> {
  for (const page of pages) yield* treeText(page, view);
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
