import { findPages, isComponentFile } from "../src/engine/targets.ts";
import { nodeHost } from "../src/host/node.ts";
import { Workspace } from "../src/host/workspace.ts";
import { loadSources } from "../src/read/load-sources.ts";

export { audit } from "../src/api.ts";
export { nodeHost } from "../src/host/node.ts";

/** What we are measured against: every component of a folder with all that it imports, read and parsed and no more. */
export async function readAndParse(folder: string): Promise<number> {
  const host = nodeHost({ workingDirectory: folder });
  const { pages } = await findPages({ targets: ["."], stdinName: "", isSkipped: () => false }, host);
  const entries = pages.filter(({ path }) => path !== null && isComponentFile(path));
  const { modules } = await loadSources(entries, { maxSize: 20, stylesheets: [] }, host, new Workspace());
  return modules.size;
}
