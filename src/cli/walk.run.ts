import path from "node:path";
import { isSpecimenFile } from "../answers/targets.ts";
import { countKeys, walk } from "../answers/walk.ts";
import { pressedCatalogue } from "../core/checks/pressed/catalogue.ts";
import { parseWalkScript, type WalkScript } from "../core/walk-script/parse.ts";
import type { Host } from "../host/host.ts";
import { nodeHost } from "../host/node.ts";
import { walkJson } from "../report/json/walk.ts";
import { walkSvg } from "../report/svg/walk.ts";
import { countText, scriptText, walkText } from "../report/terminal/walk.ts";
import { engineOf } from "./command.ts";
import { keyChecks } from "./key-checks.ts";
import { COULD_NOT, complain, deliver, FOUND, paintOf, reportProblems } from "./run-context.ts";
import { checkPlan, pageSettings, settingsFor } from "./settings.ts";
import type { WalkArguments } from "./walk.ts";

export async function runWalk(args: WalkArguments): Promise<void> {
  const host = nodeHost();
  const found = await settingsFor(args, host);
  if (!found.ok) return complain(found.message);
  const pages = pageSettings(args, found.settings, host);
  if (!pages.ok) return complain(pages.message);
  const engine = engineOf(args);
  if (typeof engine === "string") return complain(engine);
  const script = args.script === undefined ? null : await scriptAt(args.script, host);
  if (typeof script === "string") return complain(script);
  const answer = await walk(
    {
      ...pages.value,
      targets: pages.value.targets.map((target) => opening(target, script)),
      direction: args.back ? "backwards" : "forwards",
      from: args.from ?? null,
      ...engine,
      engine: script === null ? engine.engine : "render",
      script: script?.steps ?? null,
      pressedChecks: pressedCatalogue,
      ...checkPlan({}, found.settings, host, keyChecks),
    },
    host,
  );
  if (!answer.ok) return complain(answer.message);
  const { walks, problems, incomplete } = answer;
  reportProblems(problems);
  if (incomplete) process.exitCode = COULD_NOT;
  if (args.format !== "terminal" && walks.length > 1)
    return complain(`${args.format} holds one page, and the targets name ${walks.length}; name one`);
  const paint = paintOf(args);
  const pieces: string[] = [];
  for (const page of walks) {
    if (args.format === "json") pieces.push(`${walkJson(page)}\n`);
    else if (args.format === "svg") pieces.push(walkSvg(page));
    else if (args.count !== undefined) {
      const count = countKeys(page, args.count);
      if (typeof count === "string") return complain(count);
      pieces.push(countText(page.target, count, paint));
    } else if (page.script !== null) pieces.push(scriptText(page, page.script, paint));
    else pieces.push(walkText(page, { paint, all: args.all, keys: args.keys, events: args.events }));
  }
  if (!(await deliver([pieces.join("\n")], args, host))) return;
  if (
    process.exitCode !== COULD_NOT &&
    walks.some((page) => page.script?.some(({ outcome }) => outcome === "failed"))
  )
    process.exitCode = FOUND;
}

/** The specimen that a script opens, where a target names all those of a file. */
const opening = (target: string, script: WalkScript | null): string =>
  script?.opens == null || !isSpecimenFile(target) ? target : `${target}#${script.opens}`;

/** The lines of a walk script; a message where it cannot be read. */
async function scriptAt(file: string, host: Host): Promise<WalkScript | string> {
  const read = await host.files.read(path.resolve(host.workingDirectory, file));
  if (!read.ok) return `${file}: could not be read (${read.reason})`;
  const parsed = parseWalkScript(new TextDecoder().decode(read.bytes));
  if (!parsed.ok) return `${file}:${parsed.line}:${parsed.column}: ${parsed.message}`;
  return parsed.steps.length === 0 ? `${file}: has no lines to walk by` : parsed;
}
