import { createHash } from "node:crypto";
import { readFile } from "node:fs/promises";
import path from "node:path";
import { fileURLToPath } from "node:url";
import picomatch from "picomatch";
import { audit } from "../../src/answers/audit.ts";
import type { Asking } from "../../src/answers/collect.ts";
import type { LoadedConfig } from "../../src/config/load.ts";
import type { Host } from "../../src/host/host.ts";
import { auditPlan } from "../../src/settings/plan.ts";

/** A host whose files are in memory, below `/yard`. */
export function memoryHost(files: Readonly<Record<string, string>>): Host {
  const all = new Map(Object.entries(files).map(([name, text]) => [`/yard/${name}`, text]));
  const isFolder = (folder: string) => [...all.keys()].some((file) => file.startsWith(`${folder}/`));
  let time = 0;
  return {
    files: {
      info: async (file) =>
        all.has(file)
          ? { kind: "file", size: all.get(file)?.length ?? 0 }
          : isFolder(file)
            ? { kind: "folder", size: 0 }
            : null,
      read: async (file) => {
        const text = all.get(file);
        return text === undefined
          ? { ok: false, reason: "no such file", missing: true }
          : { ok: true, bytes: new TextEncoder().encode(text) };
      },
      realPath: async (file) => (all.has(file) || isFolder(file) ? file : null),
      find: async (patterns, folder) =>
        [...all.keys()]
          .filter((file) => !file.includes("/node_modules/"))
          .filter((file) => patterns.some((pattern) => picomatch(pattern)(path.relative(folder, file))))
          .sort(),
      writeWhole: async () => "this disk is read only",
      writeNew: async () => "this disk is read only",
      drafts: async () => [],
      refusesWriting: async () => "this disk is read only",
      replaceWhole: async () => ({ written: [], failed: null }),
    },
    clock: { now: () => new Date(0), elapsed: () => time++, rest: async () => {} },
    workingDirectory: "/yard",
    cacheFolder: null,
    standardInput: async () => new Uint8Array(),
    packageText: (name) => readFile(fileURLToPath(import.meta.resolve(name)), "utf8"),
    programText: async () => "",
    commitState: async () => "no repository",
    threads: null,
    runApart: async () => ({ ok: false, reason: "nothing runs here" }),
    hash: (text) => createHash("sha256").update(text).digest("hex").slice(0, 16),
  };
}

/** Audits pages or component source given as files; all checks run unless some are named. */
export async function auditFiles(
  files: Readonly<Record<string, string>>,
  entry: string | readonly string[] = Object.keys(files)[0] as string,
  options: {
    readonly checks?: readonly string[];
    readonly components?: Readonly<Record<string, string>>;
    readonly asking?: Asking;
    /** In seconds; looking at the clock takes a thousandth. */
    readonly timeLimit?: number;
  } = {},
) {
  const planned = auditPlan(
    [entry].flat(),
    { engine: "read", cache: false, only: options.checks, timeLimit: options.timeLimit },
    { loaded: configOf(options.components ?? {}), workingDirectory: "/yard", palette: [], build: "test" },
  );
  if (!planned.ok) throw new Error(planned.problem.message);
  return audit(planned.value.plan, memoryHost(files), options.asking);
}

const configOf = (components: Readonly<Record<string, string>>): LoadedConfig => ({
  file: "/yard/keel.config.json",
  text: "",
  config: {
    components: Object.fromEntries(Object.entries(components).map(([name, as]) => [name, { as }])),
  },
});

/** What was found, as `outcome check file:line [chain]`. */
export async function found(...request: Parameters<typeof auditFiles>): Promise<readonly string[]> {
  const { findings } = await auditFiles(...request);
  return findings.map(
    ({ outcome, check, source, components }) =>
      `${outcome} ${check} ${source?.file}:${source?.line} [${components.map(({ name }) => name).join(" › ")}]`,
  );
}
