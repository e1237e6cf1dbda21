import { contrastOf } from "../answers/contrast.ts";
import { readPalette, readPaletteText, schemesOf } from "../answers/palette-file.ts";
import { nameIn, namesOf, readPairs } from "../answers/palette-pairs.ts";
import { type PaletteAnswer, solvedPalette } from "../answers/solved-palette.ts";
import { lengthInPixels } from "../core/css/lengths.ts";
import { countOf } from "../core/document/count-of.ts";
import { noColours, problemText } from "../core/findings/problems.ts";
import type { NamedColour } from "../core/scene/scene.ts";
import { contrastJson, paletteJson } from "../report/json/contrast.ts";
import { solvedPaletteJson } from "../report/json/solved-palette.ts";
import { unifiedPatch } from "../report/patch/patch.ts";
import { contrastPlane } from "../report/svg/contrast.ts";
import { solvedPaletteSheet } from "../report/svg/solved-palette.ts";
import { contrastText, paletteText } from "../report/terminal/contrast.ts";
import { patchInColour } from "../report/terminal/mend.ts";
import { solvedPaletteText } from "../report/terminal/solved-palette.ts";
import type { ContrastArguments } from "./contrast.ts";
import { COULD_NOT, DONE, FOUND, type Io, type Status } from "./io.ts";
import { listOf } from "./options.ts";
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
  const { foreground, background, format } = args;
  if (args.solve === true) return runSolve(args, run);
  for (const name of ["pairs", "keep"] as const)
    if (args[name] !== undefined) return run.refuse(`--${name} goes with --solve`);
  if (format === "patch") return run.refuse("--format patch is for a palette that is solved: --solve");
  let palette: readonly NamedColour[] = [];
  if (args.palette !== undefined) {
    const read = await readPalette(args.palette, run.host);
    if (!read.ok) return run.refuse(read.problem);
    palette = read.value;
  }
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

/** The smallest change of a palette with which all that stands on it can be read. */
async function runSolve(args: ContrastArguments, run: RunContext): Promise<Status> {
  const { palette: file, foreground } = args;
  if (file === undefined) return run.refuse("--solve needs the palette: --palette tokens.css");
  if (foreground !== undefined) return run.refuse("--solve takes its colours from --pairs, not as words");
  const asked = args.pairs ?? [];
  if (asked.length === 0)
    return run.refuse(
      'say what stands on what: --pairs "--ink on --paper", or an audit: keel audit pages --format json --outcomes failed,passed -o audit.json, then --pairs audit.json',
    );
  const read = await readPaletteText(file, run.host);
  if (!read.ok) return run.refuse(read.problem);
  const schemes = schemesOf(read.value);
  const names = namesOf(schemes);
  if (names.length === 0) return run.refuse(noColours(file));
  const pairs = await readPairs(asked, schemes, run.host);
  if (!pairs.ok) return run.refuse(pairs.problem);
  if (pairs.value.pairs.length === 0)
    return run.refuse(`no pair of ${asked.join(", ")} has a colour that ${file} declares`);
  const kept = new Set<string>();
  for (const word of (args.keep ?? []).flatMap((words) => listOf(words) ?? [])) {
    const name = nameIn(word, names);
    if (!name.ok) return run.refuse(`--keep ${problemText(name.problem)}`);
    kept.add(name.value);
  }
  if (pairs.value.elsewhere > 0)
    run.remark(
      `${countOf(pairs.value.elsewhere, "pair of the audit has", "pairs of the audit have")} no colour of ${file}, and ${pairs.value.elsewhere === 1 ? "was" : "were"} left out`,
    );
  if (pairs.value.listsFailuresAlone)
    run.remark(
      "the audit lists no pair that passes, so one may be spoilt: write it with --outcomes failed,passed",
    );
  const answer = solvedPalette(read.value, schemes, pairs.value.pairs, kept);
  const status = answer.outcome === "solved" ? DONE : answer.outcome === "impossible" ? FOUND : COULD_NOT;
  return deliverSolved(answer, status, args, run);
}

async function deliverSolved(
  answer: PaletteAnswer,
  status: Status,
  { format, browser }: ContrastArguments,
  run: RunContext,
): Promise<Status> {
  if (answer.changes.length > 0 && answer.patched === null)
    return run.refuse(`${answer.file}: holds bytes that are no text of its encoding, and cannot be changed`);
  if (format === "svg" || format === "png")
    return run.draw([solvedPaletteSheet(answer)], format, browser ?? null, status);
  if (format === "json") return run.deliver([`${solvedPaletteJson(answer)}\n`], status);
  if (format === "terminal") return run.deliver([solvedPaletteText(answer, run.paint)], status);
  const files = answer.patched === null ? [] : [{ name: answer.file, ...answer.patched, reasons: [] }];
  const patch = unifiedPatch(files);
  const shown = run.isOnTerminal ? patchInColour(new TextDecoder().decode(patch), run.paint) : patch;
  if (status !== DONE) run.remark("not all pairs can pass: --format terminal tells which");
  return run.deliver([shown], status);
}
