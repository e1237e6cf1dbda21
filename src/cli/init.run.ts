import path from "node:path";
import { configText, lookAtProject } from "../answers/first-config.ts";
import { loadConfig } from "../config/load.ts";
import { nodeHost } from "../host/node.ts";
import type { InitArguments } from "./init.ts";
import { complain } from "./run-context.ts";

export async function runInit(args: InitArguments): Promise<void> {
  const host = nodeHost();
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
