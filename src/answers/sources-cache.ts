import path from "node:path";
import * as z from "zod";
import type { LoadedSources } from "../engine/sources.ts";
import { type PageFile, shownName } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import { textAt } from "../read/text-at.ts";
import type { SourcesResult } from "./audit-sources.ts";

/** A result of an earlier run on the very same files. */
export interface ReusedSources {
  readonly result: SourcesResult;
  readonly entries: readonly PageFile[];
  readonly texts: ReadonlyMap<string, string>;
  /** Absolute paths of all files that it is about. */
  readonly paths: ReadonlySet<string>;
}

interface Kept {
  /** Every file that was read, with the hash of its text. */
  readonly files: readonly (readonly [path: string, hash: string])[];
  /** Files that imports looked for and did not find. */
  readonly missing: readonly string[];
  readonly result: SourcesResult;
}

/**
 * Keeps what came of component source from one run to the next. It holds for the same targets, settings and texts alone,
 * and may be deleted at any time.
 */
export class SourcesCache {
  readonly #key: string;
  readonly #folder: string | null;
  readonly #host: Host;

  /**
   * @param key everything that results hang on beside the files: another text is another result
   * @param folder where results are kept, absolute; null for nowhere
   */
  constructor(key: string, folder: string | null, host: Host) {
    this.#key = key;
    this.#folder = folder;
    this.#host = host;
  }

  /** What an earlier run came to, where nothing that it read has changed. */
  async find(entries: readonly PageFile[]): Promise<ReusedSources | null> {
    const file = this.#file(entries);
    const read = file === null ? null : await this.#host.files.read(file);
    const kept = read?.ok === true ? keptIn(new TextDecoder().decode(read.bytes)) : null;
    if (kept === null) return null;
    const texts = new Map<string, string>();
    const unchanged = await Promise.all(
      kept.files.map(async ([name, hash]) => {
        const text = await textAt(name, this.#host.files);
        if (text === null || this.#host.hash(text) !== hash) return false;
        texts.set(shownName(this.#host, name), text);
        return true;
      }),
    );
    if (unchanged.includes(false)) return null;
    const appeared = await Promise.all(kept.missing.map((name) => this.#host.files.info(name)));
    if (appeared.some((info) => info !== null)) return null;
    return { result: kept.result, entries, texts, paths: new Set(kept.files.map(([name]) => name)) };
  }

  /** Keeps a result; that it cannot be kept is nobody's concern. */
  async keep(sources: LoadedSources, result: SourcesResult): Promise<void> {
    // What could not be read is told anew on every run.
    if (sources.problems.length > 0 || result.unread.length > 0) return;
    const file = this.#file(sources.entries);
    if (file === null) return;
    const files = await Promise.all(
      [...sources.files].map(
        async (name) => [name, this.#host.hash((await textAt(name, this.#host.files)) ?? "")] as const,
      ),
    );
    // What was tried holds: it is not tried again.
    const kept: Kept = { files, missing: sources.missing, result: { ...result, given: [] } };
    await this.#host.files.writeWhole(file, JSON.stringify(kept));
  }

  /** In the user's own folder: what lies in a project may have come with it, and is not believed. */
  #file(entries: readonly PageFile[]): string | null {
    const { workingDirectory, hash } = this.#host;
    const name = hash(JSON.stringify([this.#key, workingDirectory, entries]));
    return this.#folder === null ? null : path.join(this.#folder, `${name}.json`);
  }
}

/** What a file of the cache holds, as far as it is told from something else. */
const keptSchema = z.object({
  files: z.array(z.tuple([z.string(), z.string()])),
  missing: z.array(z.string()),
  result: z.looseObject({
    subjects: z.array(z.looseObject({ id: z.string() })),
    findings: z.array(z.looseObject({ check: z.string(), outcome: z.string() })),
    tallies: z.array(z.tuple([z.string(), z.looseObject({})])),
    accepted: z.number(),
    unknownComponents: z.array(z.looseObject({})),
    problems: z.array(z.looseObject({ message: z.string() })),
    unread: z.array(z.looseObject({ message: z.string() })),
    given: z.array(z.unknown()),
  }),
});

/** What a file of the cache holds; null where it holds something else, or is cut off. */
function keptIn(text: string): Kept | null {
  try {
    const parsed = keptSchema.safeParse(JSON.parse(text));
    return parsed.success ? (parsed.data as unknown as Kept) : null;
  } catch {
    return null;
  }
}
