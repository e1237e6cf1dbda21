import { existsSync } from "node:fs";
import { readFile, stat } from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import type { ParseError } from "jsonc-parser";
import { lilconfig } from "lilconfig";
import type { z } from "zod";
import { nearestWord } from "../core/document/nearest-word.ts";
import type { Evaluated } from "./evaluate.ts";
import type { Config } from "./schema.ts";

/** Names a configuration file may have, the first that is there wins. */
const names = ["ts", "mts", "js", "mjs", "json"].map((extension) => `keel.config.${extension}`);
const PACKAGE_KEY = "evenKeel";

/** A configuration that was found and holds. */
export interface LoadedConfig {
  /** Absolute. */
  readonly file: string;
  readonly config: Config;
  readonly text: string;
}

export type ConfigResult =
  /** `unused`: one that was found and is not in force, because it is code and none is to run; as it is shown. */
  | { readonly ok: true; readonly loaded: LoadedConfig | null; readonly unused?: string }
  /** One line: the file, the place, what is wrong and what to write. */
  | { readonly ok: false; readonly message: string };

/** Ids of checks and families that a configuration may name. */
export interface KnownChecks {
  readonly ids: readonly string[];
  readonly families: readonly string[];
  /** Those that go by words. */
  readonly takingWords: readonly string[];
}

/**
 * The configuration that holds in a folder: the file named, else the nearest upward; null where there is none.
 * @param options.runsCode whether one in a language may be run; JSON is read in any case
 */
export async function loadConfig(
  folder: string,
  named: string | null,
  known: KnownChecks,
  { runsCode = true }: { readonly runsCode?: boolean } = {},
): Promise<ConfigResult> {
  const found = named === null ? await nearestConfig(folder) : path.resolve(folder, named);
  if (found === null) return { ok: true, loaded: null };
  const shown = path.relative(folder, found).split(path.sep).join("/");
  if (!runsCode && !found.endsWith(".json"))
    return named === null
      ? { ok: true, loaded: null, unused: shown }
      : { ok: false, message: `${shown}: is code, and --engine read runs nothing; leave one of them out` };
  if (named === null && !(await isTrusted(found, folder)))
    return {
      ok: false,
      message: `${shown}: this configuration belongs to somebody else, or anybody may change it; name it with --config if it is to hold`,
    };
  let text: string;
  try {
    text = await readFile(found, "utf8");
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    return {
      ok: false,
      message: `${shown}: the configuration could not be read (${code === "ENOENT" ? "no such file" : code}); check --config`,
    };
  }
  // What only a configuration needs is loaded only where there is one.
  const { configSchema, keysAt } = await import("./schema.ts");
  const value = await exportedValue(found, text);
  if (!value.ok)
    return {
      ok: false,
      message: `${shown}${place(value.line, value.column)}: the configuration cannot be used: ${value.reason}.`,
    };
  const inPackage = path.basename(found) === "package.json";
  const parsed = configSchema.safeParse(value.value);
  const wrong = parsed.success ? unknownCheck(parsed.data, known) : firstIssue(parsed.error, keysAt);
  if (wrong !== null) {
    const { placeOf } = await import("./locate.ts");
    const where = placeOf(text, found, inPackage ? [PACKAGE_KEY, ...wrong.path] : wrong.path);
    return {
      ok: false,
      message: `${shown}${place(where?.line ?? null, where?.column ?? null)}: ${wrong.message}`,
    };
  }
  return { ok: true, loaded: { file: found, config: parsed.data as Config, text } };
}

const place = (line: number | null, column: number | null): string =>
  line === null ? "" : column === null ? `:${line}` : `:${line}:${column}`;

/**
 * Whether a configuration in a folder above is of whoever runs this, of the system, or of whoever has the folder: one that
 * somebody else put there is not run.
 */
async function isTrusted(file: string, folder: string): Promise<boolean> {
  if (path.dirname(file) === folder || process.getuid === undefined) return true;
  const [{ uid, mode }, here] = await Promise.all([stat(file), stat(folder)]);
  return [process.getuid(), 0, here.uid].includes(uid) && (mode & ANYBODY_WRITES) === 0;
}

const ANYBODY_WRITES = 0o002;

/** The last folder that is searched upward: that of the repository, or the home folder. */
function lastFolder(folder: string): string {
  for (let up = folder; ; up = path.dirname(up))
    if (existsSync(path.join(up, ".git")) || up === os.homedir() || path.dirname(up) === up) return up;
}

/** The nearest configuration upward, absolute; null where there is none. It is not read. */
export async function nearestConfig(folder: string): Promise<string | null> {
  const asFound = (file: string) => ({ file });
  const search = lilconfig("even-keel", {
    searchPlaces: [...names, "package.json"],
    packageProp: PACKAGE_KEY,
    stopDir: lastFolder(folder),
    ignoreEmptySearchPlaces: false,
    loaders: {
      ".ts": asFound,
      ".mts": asFound,
      ".js": asFound,
      ".mjs": asFound,
      ".cjs": asFound,
      ".json": jsonOrNothing,
    },
  });
  const found = await search.search(folder);
  return found === null ? null : found.filepath;
}

/** A package without a configuration is passed over; a broken file is found, to be complained of. */
function jsonOrNothing(file: string, text: string): unknown {
  if (path.basename(file) !== "package.json") return { file };
  try {
    return JSON.parse(text);
  } catch {
    return {};
  }
}

async function exportedValue(file: string, text: string): Promise<Evaluated> {
  if (!file.endsWith(".json")) return (await import("./evaluate.ts")).evaluateConfig(file);
  const { parse } = await import("jsonc-parser");
  const errors: ParseError[] = [];
  const value: unknown = parse(text, errors, { disallowComments: true, allowTrailingComma: false });
  const [first] = errors;
  if (first === undefined)
    return {
      ok: true,
      value: path.basename(file) === "package.json" ? (value as Record<string, unknown>)[PACKAGE_KEY] : value,
    };
  const before = text.slice(0, first.offset).split("\n");
  return {
    ok: false,
    reason: "it is no valid JSON",
    line: before.length,
    column: (before.at(-1)?.length ?? 0) + 1,
  };
}

interface Wrong {
  readonly path: readonly PropertyKey[];
  readonly message: string;
}

/** The first thing that is wrong, in words: what stands there, what was expected, the nearest key. */
function firstIssue(error: z.ZodError, keysAt: (path: readonly PropertyKey[]) => readonly string[]): Wrong {
  const [issue] = error.issues;
  if (issue === undefined) return { path: [], message: "the configuration cannot be used." };
  const path = issue.path;
  const key = path.length === 0 ? "the configuration" : `"${path.map(String).join(".")}"`;
  if (issue.code === "unrecognized_keys") {
    const [unknown = ""] = issue.keys;
    const near = nearestWord(unknown, keysAt(path));
    return {
      path: [...path, unknown],
      message: `there is no setting "${unknown}"${path.length === 0 ? "" : ` in ${key}`}; ${near === null ? `there are ${keysAt(path).join(", ")}` : `did you mean "${near}"?`}`,
    };
  }
  if (issue.code === "invalid_value") {
    return { path, message: `${key} must be ${listed(issue.values.map(String))}.` };
  }
  if (issue.code === "invalid_type") return { path, message: `${key} must be ${article(issue.expected)}.` };
  if (issue.code === "invalid_format") return { path, message: `${key} must be ${issue.message}.` };
  // Only a check may be set in several ways.
  if (issue.code === "invalid_union")
    return { path, message: `${key} must be "off", a severity, or { severity, words }.` };
  if (issue.code === "too_small") return { path, message: `${key} must not be empty or too small.` };
  return { path, message: `${key}: ${issue.message}.` };
}

const article = (type: string): string =>
  type === "array" ? "a list" : type === "object" || type === "record" ? "an object" : `a ${type}`;

const listed = (words: readonly string[]): string =>
  words.length < 2
    ? `"${words.join("")}"`
    : `${words
        .slice(0, -1)
        .map((w) => `"${w}"`)
        .join(", ")} or "${words.at(-1)}"`;

/** Ids are known only where the catalogue is: the first that names nothing, or is given words it does not go by. */
function unknownCheck(config: Config, { ids, families, takingWords }: KnownChecks): Wrong | null {
  const lists: readonly (readonly [readonly PropertyKey[], Config["checks"]])[] = [
    [["checks"], config.checks],
    ...(config.overrides ?? []).map(({ checks }, index) => [["overrides", index, "checks"], checks] as const),
  ];
  for (const [path, checks] of lists) {
    for (const [id, setting] of Object.entries(checks ?? {})) {
      if (!ids.includes(id) && !families.includes(id)) {
        const near = nearestWord(id, [...ids, ...families]);
        return {
          path: [...path, id],
          message: `there is no check or family "${id}"${near === null ? "; keel explain lists them all" : `; did you mean "${near}"?`}`,
        };
      }
      if (typeof setting === "object" && setting.words !== undefined && !takingWords.includes(id))
        return {
          path: [...path, id],
          message: `${id} does not go by words; those that do are ${takingWords.join(", ")}.`,
        };
    }
  }
  return null;
}
