import path from "node:path";
import { configText, lookAtProject } from "../answers/first-config.ts";
import { draftSpecimens } from "../answers/first-specimens.ts";
import { plannedReading } from "../answers/planned.ts";
import { nearestConfig } from "../config/load.ts";
import { printable } from "../report/terminal/printable.ts";
import type { InitArguments } from "./init.ts";
import { COULD_NOT, DONE, type Io, type Status } from "./io.ts";
import { RunContext } from "./run-context.ts";

export async function runInit(args: InitArguments, io: Io): Promise<Status> {
  const run = new RunContext(io, { output: undefined, colour: undefined });
  const { host } = run;
  if (args.specimens) return runSpecimens(args, run);
  if (args.targets.length > 0)
    return run.refuse(`init takes ${args.targets.join(", ")} only with --specimens; nothing was written`);
  const there = await nearestConfig(host.workingDirectory);
  if (there !== null)
    return run.refuse(`${path.relative(host.workingDirectory, there)} is there already; nothing was written`);
  const project = await lookAtProject(host);
  const name = args.json ? "keel.config.json" : "keel.config.ts";
  const reason = await host.files.writeWhole(
    path.join(host.workingDirectory, name),
    configText(project, args.json),
  );
  if (reason !== null) return run.refuse(`${name}: could not be written (${reason})`);
  const found = [
    project.framework === null ? "no framework" : project.framework,
    `${project.pages.length} ${project.pages.length === 1 ? "page" : "pages"}`,
    ...(project.components.length === 0
      ? []
      : [`${project.components.length} component ${project.components.length === 1 ? "file" : "files"}`]),
    project.palette === null ? "no palette" : `colours in ${project.palette}`,
  ];
  io.out.write(`Wrote ${name} (${found.join(", ")}).\nLook it over, then:  keel audit\n`);
  return DONE;
}

/** Drafts specimens; what is there already is left as it is. */
async function runSpecimens({ targets }: InitArguments, run: RunContext): Promise<Status> {
  const { host, io } = run;
  const planned = await plannedReading(targets, {}, host);
  if (!planned.ok) return run.refuse(planned.problem);
  const { drafts, there, problems } = await draftSpecimens(planned.value.plan, host);
  run.reportProblems(problems);
  for (const { path: file, name, text, specimens } of drafts) {
    const reason = await host.files.writeWhole(file, text);
    if (reason !== null) return run.refuse(`${name}: could not be written (${reason})`);
    io.out.write(`Wrote ${printable(name)} (${specimens} ${specimens === 1 ? "specimen" : "specimens"}).\n`);
  }
  const had = there === 0 ? "" : ` ${there} ${there === 1 ? "has" : "have"} specimens already.`;
  const [first] = drafts;
  io.out.write(
    first === undefined
      ? `No component here wants specimens.${had}\n`
      : `${had.trimStart()}${had === "" ? "" : "\n"}Look them over, then:  keel audit ${printable(first.name)}\n`,
  );
  return problems.length > 0 && drafts.length === 0 ? COULD_NOT : DONE;
}
