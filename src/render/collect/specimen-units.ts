import path from "node:path";
import type { Span } from "../../core/document/node.ts";
import {
  networkAsked,
  notMounted,
  type Problem,
  renderCutShort,
  scriptFailed,
} from "../../core/findings/problems.ts";
import { sceneFromSource } from "../../core/scene/scene.ts";
import type { Exploration, Explored, SeenElement } from "../../engine/explored.ts";
import type {
  ExploreRequest,
  Unit,
  UnitDocuments,
  UnitDriver,
  UnitExplored,
  WalkedScript,
} from "../../engine/unit.ts";
import type { Host } from "../../host/host.ts";
import { sceneOptions } from "../../read/scene-options.ts";
import { decodeText } from "../../readers/html/decode.ts";
import type { ReadingPlan } from "../../settings/plan.ts";
import type { MountedPage, MountedResult } from "../protocol.ts";
import { FOR_KEYS } from "./limits.ts";
import { askWindow, deviceOf, type FoundSpecimen, idOf, placeOf } from "./specimens.ts";

/** One specimen: it is mounted anew each time that it is looked at. */
export class SimulatedSpecimen implements UnitDriver {
  readonly unit: Unit;
  readonly #specimen: FoundSpecimen;
  readonly #plan: ReadingPlan;
  readonly #host: Host;

  constructor(specimen: FoundSpecimen, plan: ReadingPlan, host: Host) {
    this.#specimen = specimen;
    this.#plan = plan;
    this.#host = host;
    const { page, listed } = specimen;
    this.unit = {
      subject: {
        id: idOf(page, listed.name),
        target: page.target,
        kind: "component",
        engine: "render",
        specimen: listed.name,
        state: "as loaded",
      },
      page,
      isWritten: false,
      texts: new Map(),
      documents: () => this.shown(),
      driver: this,
    };
  }

  get off(): readonly string[] {
    return this.#specimen.listed.off;
  }

  get #place(): string {
    return placeOf(this.#specimen);
  }

  /** What came of mounting it; a word where it could not be. */
  async #mounted(exploration: Exploration | null): Promise<MountedResult | string> {
    const { timeLimit } = this.#plan;
    const { page, listed, index, bundle } = this.#specimen;
    const answer = await askWindow(
      {
        kind: "specimen",
        file: { path: page.path ?? "", name: page.name },
        specimen: { name: listed.name, index, place: listed.place },
        device: deviceOf(listed, this.#plan),
        exploration,
      },
      bundle,
      timeLimit * 1000,
      this.#host,
    );
    if (!answer.ok) return answer.reason;
    const value = answer.value as MountedResult;
    return value.failure ?? value;
  }

  async shown(): Promise<UnitDocuments> {
    const result = await this.#mounted(null);
    if (typeof result === "string")
      return {
        documents: [],
        texts: new Map(),
        problems: [notMounted(this.#place, result)],
        isComplete: false,
      };
    const { page } = result;
    const problems = this.#notesOf(result);
    if (page === null) return { documents: [], texts: new Map(), problems, isComplete: true };
    const scene = sceneFromSource(page.document, page.sheets, {
      ...sceneOptions(this.#plan),
      device: deviceOf(this.#specimen.listed, this.#plan),
      stylesKnown: page.stylesKnown,
    });
    return {
      documents: [{ scene, sheets: page.sheets, frame: null }],
      texts: await textsAt(placesIn(page), this.#host),
      problems,
      isComplete: true,
    };
  }

  async explore({ script, plan, log }: ExploreRequest): Promise<UnitExplored> {
    const patience = this.#plan.timeLimit * 1000 * FOR_KEYS;
    const result = await this.#mounted({ script, plan, log, patience });
    const beside =
      script === null && !log
        ? await this.#specimen.beside()
        : { scripts: [], problems: [] as readonly Problem[] };
    const problems = [...beside.problems];
    if (typeof result === "string")
      return {
        explored: null,
        walked: [],
        texts: new Map(),
        problems: [...problems, notMounted(this.#place, result)],
        isComplete: false,
      };
    if (result.isCutShort) problems.push(renderCutShort(this.#place));
    const walked: WalkedScript[] = [];
    for (const script of beside.scripts.filter(({ opens }) => opens === this.#specimen.listed.name)) {
      const run = await this.#mounted({ script: script.steps, plan: null, log: false, patience });
      if (typeof run === "string") problems.push(notMounted(script.file, run));
      else walked.push({ file: script.file, text: script.text, lines: run.script ?? [] });
    }
    return {
      explored: result,
      walked,
      texts: await textsAt(placesOf(result), this.#host),
      problems: [...problems, ...this.#notesOf(result)],
      isComplete: problems.length === 0,
    };
  }

  /** What went wrong in a specimen that was mounted all the same. */
  #notesOf({ problems, asked }: MountedResult): readonly Problem[] {
    return [
      ...problems.map((message) => scriptFailed(this.#place, message)),
      ...(asked > 0 ? [networkAsked(this.#place)] : []),
    ];
  }
}

/** Every place in source that a result points at. */
function* placesOf({ findings, steps, openings }: Explored): Iterable<Span | null> {
  const ofElement = function* (element: SeenElement | null): Iterable<Span | null> {
    yield element?.nearest ?? null;
    for (const { source } of element?.components ?? []) yield source;
  };
  for (const { element, source, origins } of findings) {
    yield* ofElement(element);
    yield source;
    for (const origin of origins) yield origin.source;
  }
  for (const { from, to } of [...steps, ...openings.flatMap((opening) => opening.steps)]) {
    yield* ofElement(from);
    yield* ofElement(to);
  }
}

/** Every place in source that the elements of a page come from. */
function* placesIn({ document }: MountedPage): Iterable<Span | null> {
  const nodes = [...document.children];
  for (let node = nodes.pop(); node !== undefined; node = nodes.pop())
    if (node.kind === "element") {
      yield node.source;
      for (const { source } of node.components) yield source;
      nodes.push(...node.children, ...(node.shadow?.children ?? []));
    }
}

/** The texts of the files that places are in, by the names they are shown with. */
async function textsAt(places: Iterable<Span | null>, host: Host): Promise<ReadonlyMap<string, string>> {
  const names = new Set<string>();
  for (const place of places) if (place !== null) names.add(place.file);
  const texts = new Map<string, string>();
  for (const name of names) {
    const read = await host.files.read(path.resolve(host.workingDirectory, name));
    const decoded = read.ok ? decodeText(read.bytes, name, "css") : null;
    if (decoded?.ok === true) texts.set(name, decoded.value.text);
  }
  return texts;
}
