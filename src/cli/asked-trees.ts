import { type PageTree, trees } from "../answers/tree.ts";
import type { Host } from "../host/host.ts";
import type { PageArguments, PrintArguments } from "./command.ts";
import { COULD_NOT, complain, reportProblems } from "./run-context.ts";
import { pageSettings, settingsFor } from "./settings.ts";

/** The trees of the pages asked for; null when the request cannot be answered, which has then been said. */
export async function askedTrees(
  args: PageArguments & PrintArguments & { readonly format: string },
  host: Host,
): Promise<readonly PageTree[] | null> {
  const refuse = (message: string) => {
    complain(message);
    return null;
  };
  const found = await settingsFor(args, host);
  if (!found.ok) return refuse(found.message);
  const request = pageSettings(args, found.settings, host);
  if (!request.ok) return refuse(request.message);
  const { pages, problems, incomplete } = await trees(request.value, host);
  reportProblems(problems);
  if (incomplete) process.exitCode = COULD_NOT;
  if (args.format === "json" && pages.length > 1)
    return refuse(`JSON holds one page, and the targets name ${pages.length}; name one`);
  return pages;
}
