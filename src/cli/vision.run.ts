import { readPalette } from "../answers/palette-file.ts";
import { plannedReading } from "../answers/planned.ts";
import { eyesNamed, paletteVision, vision } from "../answers/vision.ts";
import { blurOf, type Eye } from "../core/colour/other-eyes.ts";
import { pageVisionJson, paletteVisionJson } from "../report/json/vision.ts";
import { paletteSheet, visionSheet } from "../report/svg/vision.ts";
import { pageVisionText, paletteVisionText } from "../report/terminal/vision.ts";
import { COULD_NOT, DONE, type Io, type Status } from "./io.ts";
import { jsonDocuments } from "./json-documents.ts";
import { listOf, readingOf, targetsOf } from "./options.ts";
import { RunContext } from "./run-context.ts";
import type { VisionArguments } from "./vision.ts";

export async function runVision(args: VisionArguments, io: Io): Promise<Status> {
  const run = new RunContext(io, args);
  const { acuity, distance, palette } = args;
  if (!(acuity >= 0.01 && acuity <= 2))
    return run.refuse(`--acuity ${acuity}: give a number from 0.01 to 2; 1 is usual`);
  if (!(distance >= 10 && distance <= 1000))
    return run.refuse(`--distance ${distance}: give centimetres, from 10 to 1000`);
  const named = eyesNamed(listOf(args.as) ?? []);
  if (!named.ok) return run.refuse(named.problem);
  if (palette === undefined) return runPages(args, named.value, run);
  if (args.targets.length > 0) return run.refuse("give pages or --palette, one of them");
  const read = await readPalette(palette, run.host);
  if (!read.ok) return run.refuse(read.problem);
  const seen = paletteVision(read.value, named.value);
  if (args.format === "svg" || args.format === "png")
    return run.draw([paletteSheet(seen, palette)], args.format, args.browser ?? null, DONE);
  const text = args.format === "json" ? `${paletteVisionJson(seen)}\n` : paletteVisionText(seen, run.paint);
  return run.deliver([text], DONE);
}

/** Pages as other eyes see them; always in a browser, which alone paints them. */
async function runPages(args: VisionArguments, eyes: readonly Eye[], run: RunContext): Promise<Status> {
  if (args.engine !== undefined && args.engine !== "browser")
    return run.refuse(`only a browser paints pages: leave --engine ${args.engine} away`);
  const pictures = args.format === "svg" || args.format === "png";
  const asked = { ...readingOf(args), engine: "browser" as const, pictures };
  const planned = await plannedReading(targetsOf(args.targets), asked, run.host);
  if (!planned.ok) return run.refuse(planned.problem);
  const { pages, problems, incomplete } = await vision(planned.value.plan, eyes, run.host, {
    onPage: run.onPage,
    onRuns: run.onRuns,
    onNote: run.onNote,
  });
  run.clearProgress();
  run.reportProblems(problems);
  const status = incomplete ? COULD_NOT : DONE;
  if (args.format === "svg" || args.format === "png") {
    const [page, another] = pages;
    if (another !== undefined)
      return run.refuse(`${args.format} draws one page, and the targets name ${pages.length}; name one`);
    if (page === undefined) return status;
    if (page.picture === null) return run.refuse(`${page.target}: is no page, and only pages are painted`);
    const drawing = visionSheet(page, page.picture, blurOf(args.acuity, args.distance));
    return run.draw([drawing], args.format, planned.value.plan.browser.named, status);
  }
  const written =
    args.format === "json"
      ? jsonDocuments(pages.map(pageVisionJson))
      : [pages.map((page) => pageVisionText(page, run.paint)).join("\n")];
  return run.deliver(written, status);
}
