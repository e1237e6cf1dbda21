import type { Device } from "../../core/css/device.ts";
import type { Specimen } from "../../specimen.ts";
import type { LivePage, PageSource } from "../live-page.ts";
import { mountedPlaces } from "../mounted/places.ts";
import type { Program } from "../mounted/program.ts";
import { specimenHtml } from "../mounted/specimen-html.ts";
import { mountSpecimen, originsIn, readyStage, STAGE, type Stage } from "../mounted/stage.ts";
import { toldError } from "../mounted/told-error.ts";
import type { SourceRemark } from "../protocol.ts";

/** The page in which one specimen is mounted. */
export function specimenPage(
  program: Program,
  file: { readonly path: string; readonly name: string },
  specimen: { readonly name: string; readonly index: number; readonly place: SourceRemark | null },
  device: Device,
): PageSource {
  return {
    file: file.name,
    kind: "component",
    quirks: false,
    html: specimenHtml(specimen.name),
    device,
    stylesKnown: program.stylesKnown,
    sheets: (window) =>
      (window[STAGE] as Stage).styles.flatMap((id) => {
        const sheet = program.sheet(id);
        return sheet === null ? [] : [{ sheet, media: null }];
      }),
    parsed: new Map(),
    writtenSheet: (text) => program.writtenSheet(text),
    places: ({ window }) => mountedPlaces(originsIn(window), program, specimen.place),
    start: async (page) => {
      const shelf = await specimensIn(page, program, file.path);
      const found = shelf[specimen.index];
      if (found !== undefined) await mountSpecimen(page.window, found, (error) => page.report(error));
    },
    tellError: (error) => toldError(error, program),
  };
}

/** Runs a file of specimens in a window, and gives those that it names. */
export async function specimensIn(
  page: LivePage,
  program: Program,
  file: string,
): Promise<readonly Specimen[]> {
  const shelf = readyStage(page.window, []);
  page.run(program.script);
  await (page.window[STAGE] as Stage).files[file]?.();
  return shelf;
}
