import { contrastOf, readPalette } from "../answers/contrast.ts";
import { lengthInPixels } from "../core/css/lengths.ts";
import type { NamedColour } from "../core/scene/scene.ts";
import { contrastJson, paletteJson } from "../report/json/contrast.ts";
import { contrastPlane } from "../report/svg/contrast.ts";
import { contrastText, paletteText } from "../report/terminal/contrast.ts";
import type { ContrastArguments } from "./contrast.ts";
import { DONE, type Io, type Status } from "./io.ts";
import { RunContext } from "./run-context.ts";

/** Sizes given on the command line stand by themselves: an em is that of an unstyled page. */
const unstyled = {
  fontSize: 16,
  rootFontSize: 16,
  lineHeight: null,
  percentage: 16,
  width: 1280,
  height: 800,
};

export async function runContrast(args: ContrastArguments, io: Io): Promise<Status> {
  const run = new RunContext(io, args);
  let palette: readonly NamedColour[] = [];
  if (args.palette !== undefined) {
    const read = await readPalette(args.palette, run.host);
    if (!read.ok) return run.refuse(read.problem);
    palette = read.value;
  }
  const { foreground, background, format } = args;
  if (foreground === undefined || background === undefined) {
    if (args.palette === undefined || foreground !== undefined)
      return run.refuse(
        "give two colours, text then ground: keel contrast '#777' white. (Quote a # in the shell.)",
      );
    if (format === "svg" || format === "png")
      return run.refuse(`${format} draws two colours: give them, text then ground`);
    const text = format === "json" ? `${paletteJson(palette)}\n` : paletteText(palette, run.paint);
    return run.deliver([text], DONE);
  }
  const size =
    args.size === undefined
      ? null
      : lengthInPixels(/^[\d.]+$/.test(args.size) ? `${args.size}px` : args.size, unstyled);
  if (args.size !== undefined && (size === null || size <= 0))
    return run.refuse(`--size ${args.size} is no length; write it as in CSS: 18px, 14pt, 1.2rem`);
  if (!(args.weight >= 1 && args.weight <= 1000))
    return run.refuse("--weight must be a number from 1 to 1000");
  const answer = contrastOf({
    foreground,
    background,
    backdrop: args.over ?? null,
    size,
    weight: args.weight,
    palette,
  });
  if (!answer.ok) return run.refuse(answer.problem);
  if (format === "svg" || format === "png")
    return run.draw([contrastPlane(answer.value, palette)], format, args.browser ?? null, DONE);
  const text = format === "json" ? `${contrastJson(answer.value)}\n` : contrastText(answer.value, run.paint);
  return run.deliver([text], DONE);
}
