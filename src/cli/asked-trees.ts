import { type PageTree, trees } from "../answers/tree.ts";
import type { Host } from "../host/host.ts";
import type { PageArguments, PrintArguments } from "./command.ts";
import { COULD_NOT, complain, deviceOf, loadOptions, reportProblems, wrongWindow } from "./run-context.ts";

/** The trees of the pages asked for; null when the request cannot be answered, which has then been said. */
export async function askedTrees(
  args: PageArguments & PrintArguments & { readonly format: string },
  host: Host,
): Promise<readonly PageTree[] | null> {
  const device = deviceOf(args);
  if (device === null) {
    complain(wrongWindow(args));
    return null;
  }
  const { pages, problems, incomplete } = await trees({ ...loadOptions(args, host), device }, host);
  reportProblems(problems);
  if (incomplete) process.exitCode = COULD_NOT;
  if (args.format === "json" && pages.length > 1) {
    complain(`JSON holds one page, and the targets name ${pages.length}; name one`);
    return null;
  }
  return pages;
}
