import path from "node:path";
import { type Result, refusal } from "../core/findings/problems.ts";
import { parseWalkScript, type WalkScript } from "../core/walk-script/parse.ts";
import { withSecrets } from "../core/walk-script/secrets.ts";
import type { Host } from "../host/host.ts";

/**
 * The walk script in a file, with what the environment gives for its secrets; in one line what is wrong with it.
 * @param file from the working directory
 */
export async function walkScriptIn(
  file: string,
  host: Host,
  environment: Readonly<Record<string, string | undefined>>,
): Promise<Result<WalkScript>> {
  const read = await host.files.read(path.resolve(host.workingDirectory, file));
  if (!read.ok) return refusal(`${file}: could not be read (${read.reason})`);
  const parsed = parseWalkScript(new TextDecoder().decode(read.bytes));
  if (!parsed.ok) return refusal(`${file}:${parsed.line}:${parsed.column}: ${parsed.message}`);
  if (parsed.steps.length === 0) return refusal(`${file}: has no lines to walk by`);
  const filled = withSecrets(parsed.steps, environment);
  return filled.ok
    ? { ok: true, value: { ...parsed, steps: filled.steps } }
    : refusal(
        `${file}:${filled.step.line}: the environment has no ${filled.name}; set it before you run this`,
      );
}
