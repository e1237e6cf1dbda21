import type { ArgumentsCamelCase, Options } from "yargs";
import { command, formatOption, type PrintArguments, printOptions } from "./command.ts";

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
  format: formatOption(["terminal", "json"]),
  ...printOptions,
} as const satisfies Record<string, Options>;

export interface ContrastArguments extends PrintArguments {
  readonly foreground?: string | undefined;
  readonly background?: string | undefined;
  readonly over?: string | undefined;
  readonly size?: string | undefined;
  readonly weight: number;
  readonly palette?: string | undefined;
  readonly format: string;
}

export const contrastCommand = command<ContrastArguments>("contrast", options, {
  command: "contrast [foreground] [background]",
  describe: "The ratio of two colours, what it is enough for, and the nearest colours that pass",
  builder: (yargs) =>
    yargs
      .positional("foreground", { type: "string", describe: "Colour of the text, as in CSS" })
      .positional("background", { type: "string", describe: "Colour of the ground" })
      .options(options)
      .example("keel contrast '#777' white", "a ratio, and the nearest shades that pass")
      .example("keel contrast '#fff' 'rgb(0 0 0 / 40%)' --over '#9cf'", "a veil over a colour")
      .example("keel contrast --palette tokens.css", "all pairs of a palette") as never,
  handler: async (args: ArgumentsCamelCase<ContrastArguments>) =>
    (await import("./contrast.run.ts")).runContrast(args),
});
