import { type ArgumentsOf, defineCommand, type OptionTable } from "./define-command.ts";
import { engineOptions, formatOption, printOptions, readingOptions, targets } from "./options.ts";

const options = {
  as: {
    type: "string",
    requiresArg: true,
    describe:
      "Which eyes, with commas: protanopia, protanomaly, deuteranopia, deuteranomaly, tritanopia, tritanomaly, no-colour, low-acuity, low-contrast, glare (all)",
  },
  palette: {
    type: "string",
    requiresArg: true,
    describe:
      "Look at the colours of a stylesheet (custom properties) or of a JSON object instead of pages; needs no browser",
  },
  acuity: {
    type: "number",
    default: 0.1,
    requiresArg: true,
    describe: "With low-acuity: how sharp it sees; 1 is usual, 0.1 is severe low vision",
  },
  distance: {
    type: "number",
    default: 60,
    requiresArg: true,
    describe: "With low-acuity: how far the eye is from the screen, in centimetres",
  },
  ...formatOption(
    ["terminal", "json", "svg", "png"],
    "; svg and png draw one page, or the palette, as each eye sees it",
  ),
  ...printOptions,
  ...readingOptions,
  ...engineOptions,
} as const satisfies OptionTable;

export type VisionArguments = ArgumentsOf<typeof targets & typeof options>;

export const visionCommand = defineCommand(
  {
    name: "vision",
    usage: "[targets..]",
    describe: "A page or a palette as other eyes see it, and the colours that they do not tell apart",
    words: targets,
    options,
    examples: [
      ["keel vision slips.html --format png -o eyes.png", "one sheet: the page as each eye sees it"],
      ["keel vision slips.html --as glare --format png -o glare.png", "one eye alone, in full size"],
      ["keel vision http://localhost:5173", "links and drawings whose colours fall together"],
      ["keel vision --palette tokens.css", "the pairs of a palette that fall together"],
    ],
  },
  async (args, io) => (await import("./vision.run.ts")).runVision(args, io),
);
