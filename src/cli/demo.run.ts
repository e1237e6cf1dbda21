import { cp, stat } from "node:fs/promises";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { thrownWords } from "../core/findings/thrown-words.ts";
import { Workers } from "../host/apart.ts";
import type { DemoArguments } from "./demo.ts";
import { COULD_NOT, DONE, type Io, type Status } from "./io.ts";
import { main } from "./main.ts";
import { RunContext } from "./run-context.ts";

/** One thing that the demo shows: a command as anybody would give it, in the demo folder. */
interface Step {
  readonly shows: string;
  readonly words: readonly string[];
  /** Whether it needs packages that may not be installed, as do the steps after it up to the next that does not. */
  readonly needs?: string;
}

const steps: readonly Step[] = [
  { shows: "What is wrong, where, and how to mend it", words: ["audit", "mistakes"] },
  {
    shows: "What someone hears who moves by links",
    words: ["hear", "mistakes/slipway.html", "--by", "links"],
  },
  {
    shows: "Why an element is called what it is called",
    words: ["tree", "mistakes/slipway.html", "--at", "#find"],
  },
  { shows: "Where the keyboard goes", words: ["walk", "mistakes/slipway.html"] },
  {
    shows: "The edits, tried beforehand, as a patch",
    words: ["mend", "mistakes/tides.html", "--also", "likely"],
  },
  { shows: "The same pages, mended", words: ["audit", "mended", "--coverage"] },
  { shows: "A React page, with all that its components render", words: ["audit", "booking/src"] },
  {
    shows: "Colours where they are written: Sass, utility classes, a style in script",
    words: ["audit", "styles"],
  },
  {
    shows: "What the keys of a script come to",
    words: ["walk", "keys/booking.html", "--script", "keys/booking.walk"],
  },
  {
    shows: "A booking dialog in React: its specimen is mounted, and its keys are pressed",
    words: ["audit", "dialog", "--run-specimens"],
    needs: "react and react-dom",
  },
  {
    shows: "Every key, and what it does",
    words: ["walk", "dialog/booking-dialog.specimen.tsx"],
    needs: "react and react-dom",
  },
  {
    shows: "The same dialog, mended",
    words: ["audit", "dialog-mended", "--run-specimens"],
    needs: "react and react-dom",
  },
  {
    shows: "The dialog in Angular, with what its template opens",
    words: ["audit", "dialog-angular", "--run-specimens"],
    needs: "@angular/core and @angular/platform-browser",
  },
  {
    shows: "The same dialog in Angular, mended",
    words: ["audit", "dialog-angular-mended", "--run-specimens"],
    needs: "@angular/core and @angular/platform-browser",
  },
  { shows: "The slot card in Vue, Svelte and Angular", words: ["audit", "slot-card", "--quiet"] },
  { shows: "The React page, mended", words: ["audit", "booking-mended/src"] },
];

export async function runDemo(args: DemoArguments, io: Io): Promise<Status> {
  const run = new RunContext(io, { output: undefined, colour: args.colour });
  const folder = await demoFolder();
  if (folder === null)
    return run.refuse("the demo pages are missing from this installation; install even-keel again");
  if (args.copy !== undefined) return copyTo(folder, args.copy, run);
  const { colours } = run.paint;
  const say = (text: string) => io.out.write(text);
  const colour = args.colour === undefined ? [] : [args.colour ? "--colour" : "--no-colour"];
  // What a command says beside its answer belongs to what is shown.
  const workers = io.workers ?? new Workers();
  const inDemo: Io = { ...io, err: io.out, workingDirectory: folder, workers };
  say(
    "The Brackwater Boatyard books slips, hauls boats out and posts the tides. Its pages work for\nsome people and shut others out.\n",
  );
  let missing: string | null = null;
  for (const { shows, words, needs = null } of steps) {
    if (needs !== null && needs === missing) continue;
    say(`\n${colours.inverse(` ${shows} `)}  ${colours.dim(`$ keel ${words.map(shellWord).join(" ")}`)}\n\n`);
    const kept = words[0] === "audit" ? ["--no-cache"] : [];
    const status = await main([...words, ...kept, ...colour], inDemo);
    if (status !== COULD_NOT || needs === null) continue;
    missing = needs;
    say(`Left out: this needs ${needs} beside even-keel.\n`);
  }
  say(`\nTake the pages with you and mend them yourself:  ${colours.bold("keel demo --copy boatyard")}\n`);
  return DONE;
}

const shellWord = (word: string): string => (/^[\w./-]+$/.test(word) ? word : `'${word}'`);

/** The demo folder of the package, wherever the bundled file stands below its root. */
async function demoFolder(): Promise<string | null> {
  for (const up of ["../demo/", "../../demo/"]) {
    const folder = fileURLToPath(new URL(up, import.meta.url));
    if (await isThere(path.join(folder, "mistakes"))) return folder;
  }
  return null;
}

const isThere = (file: string): Promise<boolean> =>
  stat(file).then(
    () => true,
    () => false,
  );

async function copyTo(folder: string, target: string, run: RunContext): Promise<Status> {
  const full = path.resolve(run.host.workingDirectory, target);
  if (await isThere(full))
    return run.refuse(`${target} is there already; name a folder that is not, nothing was copied`);
  try {
    await cp(folder, full, { recursive: true, errorOnExist: true, force: false });
  } catch (error) {
    return run.refuse(`${target}: could not be copied (${thrownWords(error)})`);
  }
  run.io.out.write(
    `The demo pages are in ${target}. Try:\n  keel audit ${path.join(target, "mistakes")}\n  keel audit ${path.join(target, "mended")}\n  keel audit ${path.join(target, "booking/src")}\n`,
  );
  return DONE;
}
