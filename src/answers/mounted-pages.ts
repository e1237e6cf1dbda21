import type { Device } from "../core/css/device.ts";
import { type Problem, specimensNeedRunning } from "../core/findings/problems.ts";
import type { WalkStep } from "../core/walk-script/parse.ts";
import type { Host } from "../host/host.ts";
import type { LoadedPage } from "./load-page.ts";
import type { ReadOutcome } from "./read-pages.ts";
import { type MountedSpecimen, mountSpecimens, textsOf } from "./specimens.ts";
import type { Engine, PageFile } from "./targets.ts";

/** A specimen that is looked at like a page, as it is before anything is pressed. */
export interface PageOfSpecimen {
  readonly page: PageFile;
  readonly loaded: LoadedPage;
  readonly mounted: MountedSpecimen;
}

export interface PagesOfSpecimens {
  readonly pages: readonly PageOfSpecimen[];
  readonly problems: readonly Problem[];
  readonly incomplete: boolean;
}

export interface PagesRequest {
  readonly device: Device;
  readonly engine: Engine;
  /** Seconds for each. */
  readonly timeLimit: number;
  /** Whether keys are pressed, and all of it told; a script to walk by takes the place of every key. */
  readonly presses: boolean;
  readonly script: readonly WalkStep[] | null;
}

/** Mounts specimens to be looked at one by one, each like a page. */
export async function pagesOfSpecimens(
  files: readonly PageFile[],
  request: PagesRequest,
  host: Host,
): Promise<PagesOfSpecimens> {
  if (request.engine === "read" && files.length > 0) {
    const problems = files.map(({ name }) => specimensNeedRunning(name));
    return { pages: [], problems, incomplete: true };
  }
  const { mounted, problems, incomplete } = await mountSpecimens(
    files,
    { ...request, log: request.presses, planFor: () => null },
    host,
  );
  const pages: PageOfSpecimen[] = [];
  for (const one of mounted) {
    const { page: shown } = one.result;
    if (shown === null) continue;
    const texts = await textsOf([one.result], host);
    pages.push({
      page: { ...one.page, name: one.id },
      loaded: { ...shown, texts, problems: [], frames: new Map() },
      mounted: one,
    });
  }
  return { pages, problems, incomplete };
}

/** What came of reading and of mounting together. */
export const withMounted = (read: ReadOutcome, { problems, incomplete }: PagesOfSpecimens): ReadOutcome => ({
  ...read,
  problems: [...read.problems, ...problems],
  incomplete: read.incomplete || incomplete,
});
