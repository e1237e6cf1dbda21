import path from "node:path";
import picomatch from "picomatch";
import { audit } from "../../src/answers/audit.ts";
import { componentExtensions, pageExtensions } from "../../src/answers/targets.ts";
import { catalogue } from "../../src/core/checks/catalogue.ts";
import { usualSettings } from "../../src/core/checks/check.ts";
import { desktop } from "../../src/core/css/device.ts";
import type { Host } from "../../src/host/host.ts";

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
          .filter((file) => patterns.some((pattern) => picomatch(pattern)(path.relative(folder, file))))
          .sort(),
      writeWhole: async () => "this disk is read only",
      refusesWriting: async () => "this disk is read only",
      replaceWhole: async () => ({ written: [], failed: null }),
    },
    clock: { now: () => new Date(0), elapsed: () => time++ },
    workingDirectory: "/yard",
    standardInput: async () => new Uint8Array(),
    commitState: async () => "no repository",
    runApart: async () => ({ ok: false, reason: "nothing runs here" }),
    hash: (text) => String(text.length),
  };
}

/** Audits pages or component source given as files; all checks run unless some are named. */
export function auditFiles(
  files: Readonly<Record<string, string>>,
  entry: string | readonly string[] = Object.keys(files)[0] as string,
  options: {
    readonly checks?: readonly string[];
    readonly components?: Readonly<Record<string, string>>;
  } = {},
) {
  return audit(
    {
      targets: [entry].flat(),
      stdinName: "",
      extensions: [...pageExtensions, ...componentExtensions],
      isSkipped: () => false,
      roots: [],
      maxSize: 20,
      stylesheets: [],
      components: new Map(Object.entries(options.components ?? {})),
      checks: catalogue.filter(({ id }) => options.checks?.includes(id) ?? true),
      known: catalogue,
      siteChecks: [],
      settingsFor: () => () => ({ ...usualSettings, off: false }),
      conformance: { wcag: "2.2", level: "AA" },
      device: desktop,
      themes: [],
      colourSchemes: null,
      palette: [],
      outcomes: ["failed", "cantTell"],
      trials: "usual",
      engine: "read",
      pressedChecks: [],
      timeLimit: 30,
      cache: null,
    },
    memoryHost(files),
  );
}

/** What was found, as `outcome check file:line [chain]`. */
export async function found(...request: Parameters<typeof auditFiles>): Promise<readonly string[]> {
  const { findings } = await auditFiles(...request);
  return findings.map(
    ({ outcome, check, source, components }) =>
      `${outcome} ${check} ${source?.file}:${source?.line} [${components.map(({ name }) => name).join(" › ")}]`,
  );
}
