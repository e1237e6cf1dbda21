import { type ArgumentsOf, defineCommand, type OptionTable } from "./define-command.ts";
import { formatOption, printOptions } from "./options.ts";

const words = {
  foreground: { type: "string", describe: "Colour of the text, as in CSS" },
  background: { type: "string", describe: "Colour of the ground" },
} as const satisfies OptionTable;

const options = {
  over: {
    type: "string",
    requiresArg: true,
    describe: "What lies behind a ground that is seen through (white when not given)",
  },
  size: { type: "string", requiresArg: true, describe: "Size of the text: 18px, 14pt, 1.2rem" },
  weight: { type: "number", default: 400, requiresArg: true, describe: "Weight of the text, 1 to 1000" },
  palette: {
    type: "string",
    requiresArg: true,
    describe:
      "A stylesheet with colours as custom properties, or a JSON object of colours: alone, all its pairs; with two colours, the nearest of its own",
  },
  solve: {
    type: "boolean",
    describe:
      "The smallest change of the palette with which every pair of --pairs passes, in every scheme it has",
  },
  pairs: {
    type: "string",
    array: true,
    requiresArg: true,
    describe:
      'What stands on what: "--ink on --paper, --muted on --paper 3" (4.5 where no ratio is given), a file of such lines, or the JSON of an audit',
  },
  keep: {
    type: "string",
    array: true,
    requiresArg: true,
    describe: "Colours of the palette that stay as they are",
  },
  ...formatOption(
    ["terminal", "json", "svg", "png", "patch"],
    "; svg and png draw two colours on the plane of lightness and chroma, with the limits of 3, 4.5 and 7 to 1, and a solved palette before and after; patch is for a solved palette",
  ),
  browser: {
    type: "string",
    requiresArg: true,
    describe: "The browser that paints a png (the first that is installed)",
  },
  ...printOptions,
} as const satisfies OptionTable;

export type ContrastArguments = ArgumentsOf<typeof words & typeof options>;

export const contrastCommand = defineCommand(
  {
    name: "contrast",
    usage: "[foreground] [background]",
    describe: "The ratio of two colours, what it is enough for, and the nearest colours that pass",
    words,
    options,
    examples: [
      ["keel contrast '#777' white", "a ratio, and the nearest shades that pass"],
      ["keel contrast '#fff' 'rgb(0 0 0 / 40%)' --over '#9cf'", "a veil over a colour"],
      ["keel contrast --palette tokens.css", "all pairs of a palette"],
      ["keel contrast --palette tokens.css --solve --pairs audit.json", "lets every pair in use pass"],
      ["keel contrast '#777' white --format svg -o plane.svg", "where it passes, drawn"],
    ],
  },
  async (args, io) => (await import("./contrast.run.ts")).runContrast(args, io),
);
