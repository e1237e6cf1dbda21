import path from "node:path";
import { type Result, refusal } from "../core/findings/problems.ts";
import type { Host } from "../host/host.ts";

/** A browser that is installed, and the kind it is driven as. */
export interface Installed {
  readonly path: string;
  readonly name: string;
}

interface Known {
  /** As people name it in `--browser`. */
  readonly word: string;
  readonly name: string;
  /** What it is called where programs are found by name. */
  readonly programs: readonly string[];
  /** Where each system keeps it, by the names of `process.platform`. */
  readonly places: Readonly<Record<string, readonly string[]>>;
}

/** Browsers in the order in which they are taken. */
const known: readonly Known[] = [
  {
    word: "chromium",
    name: "Chromium",
    programs: ["chromium", "chromium-browser"],
    places: {
      linux: ["/usr/bin/chromium", "/usr/bin/chromium-browser", "/snap/bin/chromium"],
      darwin: ["/Applications/Chromium.app/Contents/MacOS/Chromium"],
      win32: ["Chromium\\Application\\chrome.exe"],
    },
  },
  {
    word: "chrome",
    name: "Chrome",
    programs: ["google-chrome", "google-chrome-stable"],
    places: {
      linux: ["/usr/bin/google-chrome", "/opt/google/chrome/chrome"],
      darwin: ["/Applications/Google Chrome.app/Contents/MacOS/Google Chrome"],
      win32: ["Google\\Chrome\\Application\\chrome.exe"],
    },
  },
  {
    word: "edge",
    name: "Edge",
    programs: ["microsoft-edge", "microsoft-edge-stable"],
    places: {
      linux: ["/usr/bin/microsoft-edge", "/opt/microsoft/msedge/msedge"],
      darwin: ["/Applications/Microsoft Edge.app/Contents/MacOS/Microsoft Edge"],
      win32: ["Microsoft\\Edge\\Application\\msedge.exe"],
    },
  },
];

/** What of the surroundings tells where programs are. */
export interface Surroundings {
  readonly platform: string;
  readonly env: Readonly<Record<string, string | undefined>>;
}

/** Folders that Windows keeps programs in. */
const windowsRoots = ["PROGRAMFILES", "PROGRAMFILES(X86)", "LOCALAPPDATA"];

function* candidates({ programs, places }: Known, { platform, env }: Surroundings): Iterable<string> {
  const own = places[platform] ?? [];
  if (platform === "win32") {
    for (const root of windowsRoots) for (const place of own) if (env[root]) yield `${env[root]}\\${place}`;
    return;
  }
  yield* own;
  for (const folder of (env.PATH ?? "").split(":"))
    for (const program of programs) if (path.isAbsolute(folder)) yield path.join(folder, program);
}

const HOW =
  "Install Chromium, Chrome or Edge, name one with --browser PATH, or audit the source with --engine read.";

/**
 * The browser to look with: the one that is named by a word or a path, else the first that is installed.
 * @param named `chromium`, `chrome`, `edge`, or the path of a program; null for any
 */
export async function installedBrowser(
  named: string | null,
  { files, workingDirectory }: Pick<Host, "files" | "workingDirectory">,
  surroundings: Surroundings,
): Promise<Result<Installed>> {
  const isThere = async (file: string) => (await files.info(file))?.kind === "file";
  const word = known.find((one) => one.word === named?.toLowerCase());
  if (named !== null && word === undefined) {
    const file = path.resolve(workingDirectory, named);
    if (await isThere(file)) return { ok: true, value: { path: file, name: path.basename(named) } };
    return refusal(
      `--browser ${named} is no program here; it takes ${known.map((one) => one.word).join(", ")} or the path of one.`,
    );
  }
  for (const one of word === undefined ? known : [word])
    for (const file of candidates(one, surroundings))
      if (await isThere(file)) return { ok: true, value: { path: file, name: one.name } };
  return refusal(word === undefined ? `No browser was found. ${HOW}` : `${word.name} was not found. ${HOW}`);
}
