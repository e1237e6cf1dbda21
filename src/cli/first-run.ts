import path from "node:path";
import type { PageFile } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";

/**
 * What is said when code of a project is run for the first time; null where it was said before. What is remembered lies
 * in the user's own cache; where there is none it is said each time.
 */
export async function firstRunNotice(files: readonly PageFile[], host: Host): Promise<string | null> {
  const [first] = files;
  if (first === undefined) return null;
  const mark = markFile(host);
  if (mark !== null && (await host.files.info(mark)) !== null) return null;
  if (mark !== null)
    await host.files.writeWhole(mark, "Code of this project is run by keel, and that was said.\n");
  const others = files.length - 1;
  const more = others === 0 ? "" : others === 1 ? " and one more file" : ` and ${others} more files`;
  return `${first.name}${more} of specimens will be run, with the code that they import, in a simulated window without a network. --engine read runs nothing.${mark === null ? "" : " (Said once.)"}`;
}

const markFile = ({ cacheFolder, workingDirectory, hash }: Host): string | null =>
  cacheFolder === null ? null : path.join(cacheFolder, `runs-code-${hash(workingDirectory)}`);
