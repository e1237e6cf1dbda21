import path from "node:path";
import { configText, lookAtProject } from "../answers/first-config.ts";
import { draftSpecimens } from "../answers/first-specimens.ts";
import { componentExtensions } from "../answers/targets.ts";
import { loadConfig } from "../config/load.ts";
import type { Host } from "../host/host.ts";
import { nodeHost } from "../host/node.ts";
import { printable } from "../report/terminal/printable.ts";
import type { InitArguments } from "./init.ts";
import { COULD_NOT, complain, reportProblems } from "./run-context.ts";
import { pageSettings, settingsFor } from "./settings.ts";

export async function runInit(args: InitArguments): Promise<void> {
  const host = nodeHost();
  if (args.specimens) return runSpecimens(args, host);
  if (args.targets.length > 0)
    return complain(`init takes ${args.targets.join(", ")} only with --specimens; nothing was written`);
  const known = await loadConfig(host.workingDirectory, null, { ids: [], families: [], takingWords: [] });
  const there = known.ok
    ? known.loaded?.file
    : path.join(host.workingDirectory, known.message.split(":")[0] ?? "");
  if (there !== undefined)
    return complain(`${path.relative(host.workingDirectory, there)} is there already; nothing was written`);
  const project = await lookAtProject(host);
  const name = args.json ? "keel.config.json" : "keel.config.ts";
  const reason = await host.files.writeWhole(
    path.join(host.workingDirectory, name),
    configText(project, args.json),
  );
  if (reason !== null) return complain(`${name}: could not be written (${reason})`);
  const found = [
    project.framework === null ? "no framework" : project.framework,
    `${project.pages.length} ${project.pages.length === 1 ? "page" : "pages"}`,
    ...(project.components.length === 0
      ? []
      : [`${project.components.length} component ${project.components.length === 1 ? "file" : "files"}`]),
    project.palette === null ? "no palette" : `colours in ${project.palette}`,
  ];
  process.stdout.write(`Wrote ${name} (${found.join(", ")}).\nLook it over, then:  keel audit\n`);
}

/** Drafts specimens; what is there already is left as it is. */
async function runSpecimens({ targets }: InitArguments, host: Host): Promise<void> {
  const found = await settingsFor({ targets, "stdin-name": "" }, host);
  if (!found.ok) return complain(found.message);
  const pages = pageSettings({ targets, "stdin-name": "" }, found.settings, host);
  if (!pages.ok) return complain(pages.message);
  const { drafts, there, problems } = await draftSpecimens(
    { ...pages.value, extensions: componentExtensions },
    host,
  );
  reportProblems(problems);
  for (const { path: file, name, text, specimens } of drafts) {
    const reason = await host.files.writeWhole(file, text);
    if (reason !== null) return complain(`${name}: could not be written (${reason})`);
    process.stdout.write(
      `Wrote ${printable(name)} (${specimens} ${specimens === 1 ? "specimen" : "specimens"}).\n`,
    );
  }
  const had = there === 0 ? "" : ` ${there} ${there === 1 ? "has" : "have"} specimens already.`;
  const [first] = drafts;
  process.stdout.write(
    first === undefined
      ? `No component here wants specimens.${had}\n`
      : `${had.trimStart()}${had === "" ? "" : "\n"}Look them over, then:  keel audit ${printable(first.name)}\n`,
  );
  if (problems.length > 0 && drafts.length === 0) process.exitCode = COULD_NOT;
}
