import path from "node:path";
import { type Problem, scriptUnreadable, scriptWithoutSpecimen } from "../../core/findings/problems.ts";
import { parseWalkScript, type WalkStep } from "../../core/walk-script/parse.ts";
import { type PageFile, shownName } from "../../engine/targets.ts";
import type { Host } from "../../host/host.ts";
import type { ListedSpecimen } from "../protocol.ts";

/** A walk script that lies beside specimens. */
export interface SpecimenScript {
  /** As it is shown. */
  readonly file: string;
  readonly text: string;
  /** The name of its specimen. */
  readonly opens: string;
  readonly steps: readonly WalkStep[];
}

export interface ScriptsBeside {
  readonly scripts: readonly SpecimenScript[];
  readonly problems: readonly Problem[];
}

/**
 * The walk scripts of a file of specimens: those that specimens name or hold themselves, and those beside `slot-card.specimen.tsx`
 * that are called `slot-card.walk` or `slot-card.….walk`.
 */
export async function scriptsBeside(
  page: PageFile,
  specimens: readonly ListedSpecimen[],
  host: Host,
): Promise<ScriptsBeside> {
  const scripts: SpecimenScript[] = [];
  const problems: Problem[] = [];
  const names = specimens.map(({ name }) => name);
  const file = page.path ?? "";
  const folder = path.dirname(file);
  const add = (shown: string, text: string, owner: string | null): void => {
    const parsed = parseWalkScript(text);
    if (!parsed.ok)
      problems.push(scriptUnreadable(`${shown}:${parsed.line}:${parsed.column}`, parsed.message));
    else {
      const opens = parsed.opens ?? owner ?? (names.length === 1 ? (names[0] ?? null) : null);
      if (opens === null || !names.includes(opens)) problems.push(scriptWithoutSpecimen(shown, opens, names));
      else scripts.push({ file: shown, text, opens, steps: parsed.steps });
    }
  };
  const addFile = async (full: string, owner: string | null): Promise<void> => {
    const read = await host.files.read(full);
    const shown = shownName(host, full);
    if (read.ok) add(shown, new TextDecoder().decode(read.bytes), owner);
    else problems.push(scriptUnreadable(shown, `could not be read (${read.reason})`));
  };
  const named = new Set<string>();
  for (const { name, walk, place } of specimens) {
    if (walk === null) continue;
    if (/\.walk$/.test(walk) && !walk.includes("\n")) {
      const full = path.resolve(folder, walk);
      named.add(full);
      await addFile(full, name);
    } else add(`${page.name}:${place?.line ?? 1}`, walk, name);
  }
  const base = path.basename(file).replace(/\.specimen\.[jt]sx?$/i, "");
  for (const full of await host.files.find(["*.walk"], folder)) {
    const other = path.basename(full);
    if (!named.has(full) && (other === `${base}.walk` || other.startsWith(`${base}.`)))
      await addFile(full, null);
  }
  return { scripts, problems };
}
