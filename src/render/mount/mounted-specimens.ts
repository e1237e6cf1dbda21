import { desktop } from "../../core/css/device.ts";
import type { Specimen } from "../../specimen.ts";
import { LivePage, type PageSource } from "../live-page.ts";
import { nothingTried } from "../nothing-tried.ts";
import type {
  Bundle,
  ListedSpecimen,
  MountedResult,
  RenderResult,
  SpecimenList,
  SpecimenRequest,
} from "../protocol.ts";
import { Program } from "./program.ts";
import { type Stage, specimenPage, specimensIn, toldError } from "./specimen-page.ts";
import { STAGE } from "./window-code.ts";

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
  async list({ bundle, file }: ListRequest): Promise<SpecimenList> {
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
          failure = `${toldError(error, program)}${unsetText(opened)}`;
        }
      },
    });
    page.close();
    return { specimens, failure };
  }

  /** Mounts one specimen and tries it. Nothing is told of one that shows nothing because it failed. */
  async mount(
    { bundle, file, specimen, device, plan, presses, log }: MountRequest,
    attempt: (page: PageSource, opened: LivePage) => Promise<RenderResult>,
  ): Promise<MountedResult> {
    const program = this.#program(bundle);
    const colours = plan === null ? {} : { colours: plan.colours };
    const source = { ...specimenPage(program, file, specimen, device), ...colours };
    let page: LivePage | null = null;
    try {
      page = await LivePage.open(source);
      const { unset } = page.window[STAGE] as Stage;
      const [problem] = page.problems;
      const shows = { document: page.scene.document, sheets: page.sheets, stylesKnown: program.stylesKnown };
      const about = { page: log || !presses ? shows : null, unset: [...unset], asked: page.asked };
      if (problem !== undefined && page.shown().length === 0)
        return { ...nothingTried, ...about, failure: `${problem}${unsetText(page)}` };
      if (!presses) return { ...nothingTried, ...about, problems: page.problems, failure: null };
      const opened = page;
      page = null;
      return { ...(await attempt(source, opened)), ...about, failure: null };
    } catch (error) {
      const failure = `${toldError(error, program)}${page === null ? "" : unsetText(page)}`;
      return { ...nothingTried, page: null, failure, unset: [], asked: 0 };
    } finally {
      page?.close();
    }
  }
}

const unsetText = ({ window }: LivePage): string => {
  const unset = [...((window[STAGE] as Stage | undefined)?.unset ?? [])];
  return unset.length === 0 ? "" : `; not set here: ${unset.join(", ")}`;
};

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
