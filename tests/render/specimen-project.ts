import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { afterAll } from "vitest";
import { desktop } from "../../src/core/css/device.ts";
import type { WalkStep } from "../../src/core/walk-script/parse.ts";
import { explore } from "../../src/explore/explore.ts";
import { LiveDriver, liveSource } from "../../src/render/live-driver.ts";
import { bundleSpecimens } from "../../src/render/mount/bundle.ts";
import { MountedSpecimens } from "../../src/render/mount/mounted-specimens.ts";
import type { Bundle, BundleResult, MountedResult } from "../../src/render/protocol.ts";
import { everyCheck } from "./pages.ts";

const root = path.resolve(import.meta.dirname, "../..");
const folders: string[] = [];

afterAll(() => {
  for (const folder of folders.splice(0)) rmSync(folder, { recursive: true, force: true });
});

/** A project in a folder of its own, with the packages of this one. */
export function project(files: Readonly<Record<string, string>>, packages: readonly string[] = []): string {
  const folder = newFolder(os.tmpdir());
  if (packages.length === 0) symlinkSync(path.join(root, "node_modules"), path.join(folder, "node_modules"));
  for (const from of packages)
    cpSync(from, path.join(folder, "node_modules", path.basename(from)), { recursive: true });
  return filled(folder, { "package.json": `{"name":"yard"}`, ...files });
}

/** A project in a folder below another, whose packages it finds there. */
export const projectIn = (within: string, files: Readonly<Record<string, string>>): string =>
  filled(newFolder(within), files);

function newFolder(within: string): string {
  const folder = mkdtempSync(path.join(within, "keel-test-"));
  folders.push(folder);
  return folder;
}

function filled(folder: string, files: Readonly<Record<string, string>>): string {
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(path.dirname(path.join(folder, name)), { recursive: true });
    writeFileSync(path.join(folder, name), text);
  }
  return folder;
}

export const bundled = (folder: string, files: readonly string[]): Promise<BundleResult> =>
  bundleSpecimens({
    kind: "bundle",
    root: folder,
    workingDirectory: folder,
    files: files.map((file) => path.join(folder, file)),
    isForBrowser: false,
  });

/** What comes of every specimen of a file, by its name; of those that are only shown, what they show. */
export async function mounted(
  folder: string,
  file: string,
  bundle: Bundle,
  { script = null, shown = [] }: { script?: readonly WalkStep[] | null; shown?: readonly string[] } = {},
): Promise<ReadonlyMap<string, MountedResult>> {
  const specimens = new MountedSpecimens();
  const at = { path: path.join(folder, file), name: file };
  const { specimens: listed } = await specimens.list({ kind: "list", file: at }, bundle);
  const results = new Map<string, MountedResult>();
  for (const [index, { name, place }] of listed.entries()) {
    const exploration = shown.includes(name)
      ? null
      : { script, patience: 120_000, plan: everyCheck, log: false };
    results.set(
      name,
      await specimens.mount(
        {
          kind: "specimen",
          file: at,
          specimen: { name, index, place },
          device: desktop,
          exploration,
        },
        bundle,
        (page, exploring, opened) => explore(liveSource(page), exploring, new LiveDriver(opened)),
      ),
    );
  }
  return results;
}

/** Everything that one file of specimens comes to: `check file:offset-of-tag way keys`. */
export function told({ findings }: MountedResult): readonly string[] {
  return findings
    .map(({ check, source, element }) => {
      const way = element.components.map(({ name }) => name).join(" › ");
      return `${check} ${source?.file ?? "nowhere"} <${element.tag}>${way === "" ? "" : ` by ${way}`}`;
    })
    .sort();
}
