import { wordlessControls } from "../core/checks/contrast/control-seen.ts";
import { textsToLookAt } from "../core/checks/contrast/judge-text.ts";
import { targetsToTry } from "../core/checks/touch/seen-targets.ts";
import { NO } from "../core/css/certainty.ts";
import { elementsBelow } from "../core/document/around.ts";
import {
  badStatus,
  browserNotStarted,
  emptyFile,
  neverRests,
  notHtml,
  nothingToWaitFor,
  notJudged,
  notOpened,
  type Problem,
  pageGone,
  partsUnserved,
  stylesheetsUnserved,
  takesTooLong,
} from "../core/findings/problems.ts";
import { thrownWords } from "../core/findings/thrown-words.ts";
import type { Engine, Workplace } from "../engine/engine.ts";
import { addressName, isComponentFile, type PageFile } from "../engine/targets.ts";
import type { Collected, Unit, UnitDocuments } from "../engine/unit.ts";
import type { Host } from "../host/host.ts";
import {
  deviceOf,
  type FoundSpecimen,
  findSpecimens,
  isSpecimens,
  placeOf,
} from "../render/collect/specimens.ts";
import type { ReadingPlan } from "../settings/plan.ts";
import { bytesAtAddress, textAtAddress } from "./ask-address.ts";
import { BrowserRun } from "./browser-run.ts";
import { BrowserWindow, NotOpened, WentElsewhere } from "./browser-window.ts";
import { Crawl } from "./crawl.ts";
import { tryPresses } from "./inside/presses.ts";
import { scrollThrough, stillAnimations, waitForRest } from "./inside/rest.ts";
import { installedBrowser } from "./installed.ts";
import { localPage } from "./local-page.ts";
import { type MountedSpecimen, SpecimenPages } from "./mounted-specimen.ts";
import { otherLayouts } from "./other-layouts.ts";
import { type ActedPage, pageDriver } from "./page-driver.ts";
import { PageServer, withoutSecret } from "./page-server.ts";
import { lookAtControls, lookAtTexts } from "./painted-texts.ts";
import { wholePicture } from "./pictures.ts";
import { plainReason } from "./plain-reason.ts";
import { NeverReady, shownWhenReady } from "./ready.ts";
import { calledIn, type Looking, numberOf, type SeenDocument, ServedPage } from "./seen-page.ts";
import { sitemapPages } from "./sitemap.ts";
import { startProgram } from "./started-program.ts";
import { Storage } from "./storage.ts";
import { Turns } from "./turns.ts";
import { walkBefore } from "./walk-before.ts";
import { within } from "./within.ts";

/** WCAG 2.2.2: what goes on for longer must be stoppable. Milliseconds. */
const GOES_ON = 5000;

/** How often a page may go to another by itself before it is given up. */
const MOST_MOVES = 3;

/** What a page takes beside its own time: pictures, and other sizes of the window. Milliseconds. */
const FOR_LOOKING = 20_000;

/** How long nothing may change before a page counts as at rest; the least time that scripts get; and the most. Milliseconds. */
const QUIET = 500;
const LEAST = 1500;
const MOST = 6000;

/** Addresses, and pages and specimens where the plan says so, as an installed browser shows them. */
export const browserEngine: Engine = {
  takes: (page, { browser }) =>
    page.address !== undefined ||
    (browser.isForPages && (page.path === null || isSpecimens(page) || !isComponentFile(page.path))),
  collect: collectSeen,
};

/** What is looked at: a page, or a specimen that a page is made for. */
interface Job {
  readonly page: PageFile;
  readonly specimen: FoundSpecimen | null;
}

async function* collectSeen(
  targets: readonly PageFile[],
  plan: ReadingPlan,
  workplace: Workplace,
): AsyncIterable<Collected> {
  const { host, onPage, signal } = workplace;
  const found = await installedBrowser(plan.browser.named, host, process);
  if (!found.ok) {
    yield { kind: "problem", problem: found.problem, isUnread: true };
    return;
  }
  const { start, trustsAll, language, crawl: crawlPlan } = plan.browser;
  const sitemaps = await listed(plan.browser.sitemaps, host.workingDirectory);
  for (const problem of sitemaps.problems) yield { kind: "problem", problem, isUnread: true };
  const pages = [...targets.filter((target) => !isSpecimens(target)), ...sitemaps.pages];
  const jobs: Job[] = pages.map((page) => ({ page, specimen: null }));
  for await (const one of findSpecimens(targets.filter(isSpecimens), plan, workplace, true)) {
    if (one.kind === "problem") yield one;
    else jobs.push({ page: one.specimen.page, specimen: one.specimen });
  }
  if (jobs.length === 0) return;
  const ready = start?.ready ?? pages.find(({ address }) => address !== undefined)?.address;
  if (start !== null && ready === undefined) {
    yield { kind: "problem", problem: nothingToWaitFor(start.command), isUnread: true };
    return;
  }
  const program =
    start === null ? null : await startProgram(start.command, ready ?? "", host.workingDirectory);
  if (program !== null && !program.ok) {
    yield { kind: "problem", problem: program.problem, isUnread: true };
    return;
  }
  const isRoot = process.getuid?.() === 0;
  if (isRoot) workplace.onNote(`runs ${found.value.name} without its sandbox, as it must for the user root.`);
  const run = new BrowserRun(found.value, { isRoot, trustsAll, language });
  const server = new PageServer(host, plan.roots);
  const specimens = new SpecimenPages(server, host);
  const storage = new Storage(plan.browser, host);
  const crawl = crawlPlan === null ? null : new Crawl(crawlPlan, pages, textAtAddress);
  const held = new HeldUnits();
  const turns = new Turns(plan.browser.windows);
  const look = async ({ page, specimen }: Job): Promise<readonly Collected[]> => {
    const called = specimen === null ? page.name : placeOf(specimen);
    try {
      const mounted = specimen === null ? null : await specimens.page(specimen);
      const looked = lookAt(page, mounted, {
        plan: specimen === null ? plan : { ...plan, device: deviceOf(specimen.listed, plan) },
        host,
        run,
        server,
        storage,
        turns,
        isOneOfSeveral: pages.length > 1 || crawl !== null,
      });
      const late = [unread(takesTooLong(called, plan.timeLimit))];
      return await within(looked, plan.timeLimit * 1000 + FOR_LOOKING, late);
    } catch (error) {
      const reason = error instanceof Error ? error.message : String(error);
      if (error instanceof NeverReady) return [unread(error.problem)];
      if (error instanceof NotOpened) return [unread(notOpened(called, plainReason(reason)))];
      const isGone =
        /Target closed|Session closed|Connection closed|Protocol error|detached|disconnected/i.test(reason);
      return [unread(isGone ? pageGone(called) : notJudged(called, reason))];
    }
  };
  try {
    const failure = await run.identity().then(
      () => null,
      (error: unknown) => (error instanceof Error ? error.message : String(error)),
    );
    if (failure !== null) {
      yield unread(browserNotStarted(found.value.name, plainReason(failure)));
      return;
    }
    const read = (await storage.read()) ?? (await walkBefore(pages, plan, { host, run, server, storage }));
    if (read !== null) yield unread(read);
    const ahead: Promise<readonly Collected[]>[] = [];
    let next = 0;
    for (let done = 0; done < jobs.length && read === null; done++) {
      signal?.throwIfAborted();
      while (next < jobs.length && ahead.length < plan.browser.windows) ahead.push(look(jobs[next++] as Job));
      const { page } = jobs[done] as Job;
      onPage(page, done, jobs.length);
      const collected = (await ahead.shift()) ?? [];
      for (const one of collected) {
        if (one.kind !== "unit" || crawl === null || page.address === undefined) continue;
        const [document] = (await one.unit.documents()).documents;
        const more = document === undefined ? [] : await crawl.from(page, document.scene);
        jobs.push(...more.map((found) => ({ page: found, specimen: null })));
      }
      for (const one of collected) yield one.kind === "unit" ? held.hold(one) : one;
    }
    const kept = await storage.keep();
    if (kept !== null) yield unread(kept);
  } finally {
    // What is under way in its windows comes to an end first.
    if (signal?.aborted !== true) await held.areLetGo();
    await Promise.all([run.close(), server.close(), program?.value.stop()]);
  }
}

/** Units whose windows are needed until nothing more is asked of them. */
class HeldUnits {
  readonly #ends: Promise<void>[] = [];

  hold(collected: Extract<Collected, { readonly kind: "unit" }>): Collected {
    let letGo = () => {};
    this.#ends.push(
      new Promise((done) => {
        letGo = done;
      }),
    );
    return { ...collected, unit: { ...collected.unit, letGo } };
  }

  async areLetGo(): Promise<void> {
    await Promise.all(this.#ends);
  }
}

/** The pages that sitemaps list, each as a target of its own. */
async function listed(
  sitemaps: readonly string[],
  tree: string,
): Promise<{ readonly pages: readonly PageFile[]; readonly problems: readonly Problem[] }> {
  const pages: PageFile[] = [];
  const problems: Problem[] = [];
  for (const sitemap of sitemaps) {
    const found = await sitemapPages(sitemap, bytesAtAddress);
    if (!found.ok) problems.push(found.problem);
    for (const address of found.ok ? found.value : []) {
      const name = addressName(address);
      if (name !== null && !pages.some((page) => page.name === name))
        pages.push({ target: sitemap, isNamed: false, path: null, address, name, tree });
    }
  }
  return { pages, problems };
}

/** Where and how pages are looked at. */
interface At {
  readonly plan: ReadingPlan;
  readonly host: Host;
  readonly run: BrowserRun;
  readonly server: PageServer;
  readonly storage: Storage;
  readonly turns: Turns;
  readonly isOneOfSeveral: boolean;
}

/** Opens one page, looks at it, and closes it again. */
async function lookAt(
  page: PageFile,
  mounted: MountedSpecimen | null,
  { plan, host, run, server, storage, turns, isOneOfSeveral }: At,
): Promise<readonly Collected[]> {
  const isLocal = page.address === undefined && mounted === null;
  const local = isLocal ? await localPage(page, plan, host, server) : null;
  if (local !== null && !local.ok)
    return [{ kind: "problem", problem: local.problem, isUnread: local.isUnread }];
  const limit = plan.timeLimit * 1000;
  const address = mounted?.address ?? local?.address ?? page.address ?? "";
  const { origin } = new URL(address);
  const browser = await run.identity();
  const newWindow = async () => {
    const context = await run.context();
    await storage.give(context);
    const opened = await BrowserWindow.open(
      context,
      plan.device,
      plan.browser,
      page.address === undefined ? null : origin,
    );
    await storage.fill(opened, origin);
    return opened;
  };
  const window = await newWindow();
  try {
    await window.goTo(address, limit);
    for (let moves = 0; ; moves++) {
      const { status, text } = window.opened();
      if (status >= 400 && !plan.browser.anyStatus) return [unread(badStatus(page.name, status))];
      if (!/html|^$/i.test(window.type)) return [unread(notHtml(page.name, window.type))];
      if (text.trim() === "") return [unread(emptyFile(page.name))];
      try {
        const { unit, problems } = await unitOf(
          { page, plan, host, server, window, browser, mounted },
          local?.text ?? text,
          { newWindow, inTurn: (work) => turns.take(work) },
        );
        if (unit === null) return problems.map(unread);
        return [
          ...problems.map((problem) => ({ kind: "problem", problem, isUnread: false }) as const),
          { kind: "unit", unit, isOneOfSeveral },
        ];
      } catch (error) {
        if (!(error instanceof WentElsewhere) || moves >= MOST_MOVES) throw error;
        await window.follow(limit);
      }
    }
  } finally {
    await storage.note(window);
    await window.close();
  }
}

/** Whether an address is that of a program on this machine, whose data is nobody else's. */
const isOfThisMachine = (address: string): boolean =>
  /^(?:localhost|.+\.localhost|127(?:\.\d+){3}|\[::1\])$/.test(new URL(address).hostname);

const unread = (problem: Problem): Collected => ({ kind: "problem", problem, isUnread: true });

/** Waits until a page is at rest, and makes a unit of what it shows then. */
async function unitOf(
  looking: Looking,
  text: string,
  acting: Pick<ActedPage, "newWindow" | "inTurn">,
): Promise<{ readonly unit: Unit | null; readonly problems: readonly Problem[] }> {
  const { page, plan, window, mounted } = looking;
  const called = calledIn(looking);
  const { visits } = window;
  const { id: main } = await window.frames();
  const hasScripts = /<script\b|\son[a-z]+\s*=/i.test(text);
  await window.ask(main, scrollThrough);
  const rests = await window.ask<boolean>(main, waitForRest, [
    { value: hasScripts ? QUIET : 0 },
    { value: hasScripts ? LEAST : 0 },
    { value: Math.min(MOST, plan.timeLimit * 1000) },
    { value: GOES_ON },
  ]);
  await window.ask(main, stillAnimations);
  const served = await ServedPage.of(looking, text);
  const seen = await shownWhenReady(served, looking);
  const [document] = seen.documents;
  const failure = seen.showing?.failure ?? null;
  if (failure !== null && document !== undefined && !showsAnything(document))
    return { unit: null, problems: [failure] };
  const { contrast } = plan.browser;
  if (window.visits !== visits) throw new WentElsewhere();
  if (document !== undefined) await tryTargets(window, document);
  if (document !== undefined && contrast !== null) {
    await lookAtTexts(window, document, textsToLookAt(document.unit.scene, contrast));
    await lookAtControls(window, document, wordlessControls(document.unit.scene));
  }
  const picture = plan.browser.takesPictures ? await wholePicture(window, main) : null;
  // Scripts may answer to another size of the window for good: all that is looked at as it was collected comes before.
  const hearsResize = document?.heardAround.has("resize") === true;
  const layouts = await otherLayouts(window, main, { device: plan.device, hearsResize });
  if (window.visits === visits) seen.laidOut(layouts);
  const documents: UnitDocuments = {
    documents: seen.documents.map(({ unit }) => unit),
    texts: new Map(),
    problems: [],
    isComplete: true,
  };
  const address = window.page.url();
  const unit: Unit = {
    subject: {
      id: mounted?.id ?? page.name,
      target: page.target,
      kind: mounted === null ? "page" : "component",
      engine: "browser",
      specimen: mounted?.found.listed.name ?? null,
      state: "as loaded",
    },
    page,
    browser: looking.browser,
    ...(picture === null ? {} : { picture }),
    isWritten: true,
    texts: seen.texts,
    documents: async () => documents,
    driver: pageDriver({
      name: called,
      off: mounted?.found.listed.off ?? [],
      beside: async () => {
        const { scripts, problems } = (await mounted?.found.beside()) ?? { scripts: [], problems: [] };
        return { scripts: scripts.filter(({ opens }) => opens === mounted?.found.listed.name), problems };
      },
      tellError: (error) => mounted?.tellError(error) ?? thrownWords(error),
      address,
      presses: plan.browser.presses,
      isOwn: page.address === undefined || isOfThisMachine(address),
      letsSend: plan.browser.letsSend,
      timeLimit: plan.timeLimit,
      served,
      documents,
      ...acting,
    }),
  };
  const problems = [
    ...(seen.showing?.problems ?? []),
    ...(rests ? [] : [neverRests(called)]),
    ...toldUnserved(called, window.unserved, stylesheetsUnserved),
    ...toldUnserved(called, window.missing, partsUnserved),
  ];
  return { unit, problems };
}

/** Whether a specimen shows anything in the element that it is mounted in, or beside it. */
function showsAnything({ unit: { scene } }: SeenDocument): boolean {
  const { page, presence } = scene;
  const body = page.index.elements.find(({ tag }) => tag === "body");
  const container = body?.children.find((node) => node.kind === "element");
  return [...(body === undefined ? [] : elementsBelow(page.index, body))].some(
    (element) =>
      element !== body &&
      element !== container &&
      !/^(?:script|style|link)$/.test(element.tag) &&
      presence.of(element).rendered !== NO,
  );
}

/** One problem for all that was not served of a kind. */
function toldUnserved(
  name: string,
  unserved: ReadonlySet<string>,
  tell: (target: string, first: string, count: number) => Problem,
): readonly Problem[] {
  const [first] = unserved;
  return first === undefined ? [] : [tell(name, withoutSecret(addressName(first) ?? first), unserved.size)];
}

/** Notes where presses reach the targets of a document. */
async function tryTargets(
  window: BrowserWindow,
  { unit, snapshot, frameId, pressed }: SeenDocument,
): Promise<void> {
  const byNumber = new Map(
    targetsToTry(unit.scene).flatMap((element) => {
      const number = numberOf(snapshot, element);
      return number === null ? [] : [[number, element] as const];
    }),
  );
  if (byNumber.size === 0) return;
  const found = await window.ask<[number, number, number, number, number][]>(frameId, tryPresses, [
    { value: [...byNumber.keys()] },
  ]);
  for (const [number, left, top, right, bottom] of found) {
    const element = byNumber.get(number);
    if (element !== undefined) pressed.set(element, { left, top, width: right - left, height: bottom - top });
  }
}
