import { desktop } from "../../core/css/device.ts";
import { type Exploration, type Explored, nothingTried } from "../../engine/explored.ts";
import type { Specimen } from "../../specimen.ts";
import { LivePage, type PageSource } from "../live-page.ts";
import { Program } from "../mounted/program.ts";
import { STAGE, type Stage } from "../mounted/stage.ts";
import { toldError, unsetText } from "../mounted/told-error.ts";
import type { Bundle, ListedSpecimen, MountedResult, SpecimenList, SpecimenRequest } from "../protocol.ts";
import { specimenPage, specimensIn } from "./specimen-page.ts";

type ListRequest = Extract<SpecimenRequest, { readonly kind: "list" }>;
type MountRequest = Extract<SpecimenRequest, { readonly kind: "specimen" }>;

/** The specimens of one bundle after the other; the program of the last is kept ready. */
export class MountedSpecimens {
  #kept: { readonly id: string; readonly program: Program } | null = null;

  #program(bundle: Bundle): Program {
    if (this.#kept?.id !== bundle.id) this.#kept = { id: bundle.id, program: new Program(bundle) };
    return this.#kept.program;
  }

  /** The names of the specimens in a file, with what they say of themselves. */
  async list({ file }: ListRequest, bundle: Bundle): Promise<SpecimenList> {
    const program = this.#program(bundle);
    let specimens: readonly ListedSpecimen[] = [];
    let failure: string | null = null;
    const page = await LivePage.open({
      ...specimenPage(program, file, { name: file.name, index: -1, place: null }, desktop),
      start: async (opened) => {
        try {
          const shelf = await specimensIn(opened, program, file.path);
          specimens = shelf.map((specimen) => listed(specimen, program));
        } catch (error) {
          failure = `${toldError(error, program)}${unsetIn(opened)}`;
        }
      },
    });
    page.close();
    return { specimens, failure };
  }

  /** Mounts one specimen and explores it. Nothing is told of one that shows nothing because it failed. */
  async mount(
    { file, specimen, device, exploration }: MountRequest,
    bundle: Bundle,
    explored: (page: PageSource, exploration: Exploration, opened: LivePage) => Promise<Explored>,
  ): Promise<MountedResult> {
    const program = this.#program(bundle);
    const plan = exploration?.plan ?? null;
    const colours = plan === null ? {} : { colours: plan.colours };
    const source = { ...specimenPage(program, file, specimen, device), ...colours };
    let page: LivePage | null = null;
    try {
      page = await LivePage.open(source);
      const { unset } = page.window[STAGE] as Stage;
      const [problem] = page.problems;
      const about = { page: null, unset: [...unset], asked: page.asked };
      const { scene, sheets, shown } = page.moment();
      if (problem !== undefined && shown().length === 0)
        return { ...nothingTried, ...about, failure: `${problem}${unsetIn(page)}` };
      if (exploration === null) {
        const shows = { document: scene.document, sheets, stylesKnown: program.stylesKnown };
        return { ...nothingTried, ...about, page: shows, problems: page.problems, failure: null };
      }
      const opened = page;
      page = null;
      return { ...(await explored(source, exploration, opened)), ...about, failure: null };
    } catch (error) {
      const failure = `${toldError(error, program)}${page === null ? "" : unsetIn(page)}`;
      return { ...nothingTried, page: null, failure, unset: [], asked: 0 };
    } finally {
      page?.close();
    }
  }
}

const unsetIn = ({ window }: LivePage): string =>
  unsetText((window[STAGE] as Stage | undefined)?.unset ?? []);

function listed({ name, options, at }: Specimen, program: Program): ListedSpecimen {
  const { viewport, scheme, walk, checks } = options;
  return {
    name: String(name),
    place: program.framesOf(at.stack ?? "")[0]?.at ?? null,
    viewport:
      viewport === undefined ? null : { width: Number(viewport.width), height: Number(viewport.height) },
    scheme: scheme === "dark" || scheme === "light" ? scheme : null,
    walk: typeof walk === "string" ? walk : null,
    off: Object.keys(checks ?? {}),
  };
}
