import {
  notActedOn,
  nothingPressed,
  type Problem,
  renderCutShort,
  scriptFailed,
  takesTooLong,
  wasHeld,
} from "../core/findings/problems.ts";
import type { DriverSource } from "../engine/driver.ts";
import type { Explored } from "../engine/explored.ts";
import type {
  ExploreRequest,
  UnitDocuments,
  UnitDriver,
  UnitExplored,
  WalkedScript,
} from "../engine/unit.ts";
import { explore } from "../explore/explore.ts";
import type { SpecimenScript } from "../render/collect/specimen-scripts.ts";
import { ActedWindow } from "./acted-window.ts";
import { BrowserDriver } from "./browser-driver.ts";
import type { BrowserWindow } from "./browser-window.ts";
import type { ServedPage } from "./seen-page.ts";
import { within } from "./within.ts";

/** How many things that were held are told. */
const MOST_HELD = 5;

/** How long the last act may take beyond that, in milliseconds. */
const TO_END = 20_000;

/** A page that is opened once more to be acted on. */
export interface ActedPage {
  readonly name: string;
  /** Ids of checks that are not made of it. */
  readonly off: readonly string[];
  /** The walk scripts that lie beside it, and what is wrong with some. */
  beside(): Promise<{ readonly scripts: readonly SpecimenScript[]; readonly problems: readonly Problem[] }>;
  /** An error of its scripts in words. */
  tellError(error: unknown): string;
  /** Where it is in the end. */
  readonly address: string;
  /** On which pages keys are pressed that nobody asked for by name. */
  readonly presses: "none" | "own" | "all";
  /** Whether it is of this machine. */
  readonly isOwn: boolean;
  readonly letsSend: boolean;
  /** In seconds. */
  readonly timeLimit: number;
  readonly served: ServedPage;
  /** A window of its own, with what the page is to find stored. */
  newWindow(): Promise<BrowserWindow>;
  /** Waits until it may take a window. */
  inTurn<T>(work: () => Promise<T>): Promise<T>;
  readonly documents: UnitDocuments;
}

/** Presses the keys of a page in a browser, or walks it by a script. */
export const pageDriver = (page: ActedPage): UnitDriver => ({
  off: page.off,
  shown: async () => page.documents,
  async explore(request) {
    const isAudited = request.script === null && !request.log && page.presses !== "none";
    const { scripts, problems } = isAudited ? await page.beside() : { scripts: [], problems: [] };
    const pressed = await mayPress(page, request, () => actedOn(page, request));
    const walked: WalkedScript[] = [];
    const more = [...problems];
    for (const { steps, file, text } of scripts) {
      const run = await actedOn(page, { script: steps, plan: null, log: false });
      if (run.explored === null) more.push(...run.problems);
      else walked.push({ file, text, lines: run.explored.script ?? [] });
    }
    return {
      ...pressed,
      walked,
      // Places in files that were not looked at before may show by keys alone.
      texts: page.served.texts,
      problems: [...more, ...pressed.problems],
      isComplete: pressed.isComplete && more.length === 0,
    };
  },
});

/** Keys that nobody asked for by name are pressed where a plan lets them be. */
async function mayPress(
  { name, presses, isOwn }: ActedPage,
  { script }: ExploreRequest,
  act: () => Promise<UnitExplored>,
): Promise<UnitExplored> {
  if (script === null && presses === "none") return outcome(null, [], true);
  if (script === null && presses === "own" && !isOwn) return outcome(null, [nothingPressed(name)], true);
  return act();
}

const actedOn = (page: ActedPage, { script, plan, log }: ExploreRequest): Promise<UnitExplored> =>
  page.inTurn(async () => {
    // A script does what its writer wills.
    const windows = new Windows({ ...page, letsSend: page.letsSend || script !== null });
    const limit = page.timeLimit * 1000;
    try {
      const exploring = explore(windows, { script, patience: limit, plan, log });
      const explored = await within(exploring, limit + TO_END, null);
      if (explored === null) return outcome(null, [takesTooLong(page.name, page.timeLimit)], false);
      return outcome(
        explored,
        [
          ...explored.problems.map((message) => scriptFailed(page.name, message)),
          ...explored.held.slice(0, MOST_HELD).map((sentence) => wasHeld(page.name, sentence)),
          ...(explored.isCutShort ? [renderCutShort(page.name)] : []),
        ],
        !explored.isCutShort,
      );
    } catch (error) {
      const reason = error instanceof Error ? error.message : String(error);
      return outcome(null, [notActedOn(page.name, reason)], false);
    } finally {
      await windows.close();
    }
  });

const outcome = (
  explored: Explored | null,
  problems: readonly Problem[],
  isComplete: boolean,
): UnitExplored => ({ explored, walked: [], texts: new Map(), problems, isComplete });

/** Windows in which a page is opened anew again and again. */
class Windows implements DriverSource {
  readonly #page: ActedPage;
  readonly #free: ActedWindow[] = [];
  readonly #all: ActedWindow[] = [];

  constructor(page: ActedPage) {
    this.#page = page;
  }

  async open(): Promise<BrowserDriver> {
    const { address, letsSend, served, newWindow, tellError } = this.#page;
    let acted = this.#free.pop();
    if (acted === undefined) {
      acted = await ActedWindow.of(await newWindow(), { address, letsSend, tellError });
      this.#all.push(acted);
    }
    const taken = acted;
    return BrowserDriver.open(taken, served, async () => void this.#free.push(taken));
  }

  async close(): Promise<void> {
    await Promise.all(this.#all.map(({ window }) => window.close()));
  }
}
