import { countOf } from "../document/count-of.ts";

/** Something the outside world got wrong: what happened, where, and what to do next, in one line. */
export interface Problem {
  readonly target: string;
  readonly message: string;
}

export type Result<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problem: Problem };

/** Why something that was asked for cannot be done; of nothing in particular. */
export const refusal = (message: string): { readonly ok: false; readonly problem: Problem } => ({
  ok: false,
  problem: { target: "", message },
});

/** A problem in one line. */
export const problemText = ({ target, message }: Problem): string =>
  target === "" ? message : `${target}: ${message}`;

const problem = (target: string, message: string): Problem => ({ target, message });

export const notFound = (target: string): Problem =>
  problem(target, "No such file or folder. Check the path, or quote the glob.");
export const noPages = (target: string, extensions: readonly string[]): Problem =>
  problem(
    target,
    `Nothing to audit here: no file ending in ${extensions.join(" or ")}, and no script with components, that .gitignore does not exclude.`,
  );
export const onlyTried = (files: number): Problem =>
  problem(
    "",
    `${countOf(files, "file that tries components (a test, a story) was", "files that try components (tests, stories) were")} passed over. Name one to audit it.`,
  );
export const listsNothing = (target: string): Problem =>
  problem(target, "Lists no page. Write one a line: a file, or an address.");
export const notAnAddress = (target: string): Problem =>
  problem(target, "Is no address. Write it as http://localhost:5173/.");
export const notOpened = (target: string, reason: string): Problem =>
  problem(target, `Could not be opened in the browser: ${reason.replace(/\.$/, "")}.`);
export const badStatus = (target: string, status: number): Problem =>
  problem(
    target,
    `Answered with status ${status}: that page was not judged. Check the address, or judge it all the same with --any-status.`,
  );
export const notHtml = (target: string, type: string): Problem =>
  problem(target, `Was served as ${type === "" ? "nothing that is named" : type}, which is no page in HTML.`);
export const notASitemap = (target: string): Problem =>
  problem(
    target,
    "No sitemap was found there: it lists no page. Check the address, or list pages in a file with --pages.",
  );
export const notStarted = (command: string, reason: string, lines: readonly string[]): Problem =>
  problem(
    command,
    `Could not be started: ${reason}.${lines.length === 0 ? " It printed nothing." : ` Its last lines: ${lines.join(" / ")}`}`,
  );
export const nothingToWaitFor = (command: string): Problem =>
  problem(command, "Was not started: nothing says when it is ready. Name an address with --ready.");
export const storageUnreadable = (file: string, reason: string): Problem =>
  problem(file, `Holds no storage of a browser (${reason}). Write one with --keep-storage.`);
export const notKept = (file: string, reason: string): Problem =>
  problem(file, `Could not be written (${reason}).`);
export const neverRests = (target: string): Problem =>
  problem(target, "Goes on changing by itself: it was judged as it stood.");
export const stylesheetsUnserved = (target: string, first: string, count: number): Problem =>
  problem(
    target,
    `${countOf(count, "stylesheet was", "stylesheets were")} not served, first ${first}: the page was judged as it looks without.`,
  );
export const partsUnserved = (target: string, first: string, count: number): Problem =>
  problem(
    target,
    `${countOf(count, "script or font was", "scripts and fonts were")} not served, first ${first}: what it makes and draws was not there.`,
  );
export const browserNotStarted = (name: string, reason: string): Problem =>
  problem(name, `Could not be started: ${reason.replace(/\.$/, "")}. Name another browser with --browser.`);
export const pageGone = (target: string): Problem =>
  problem(target, "The page or its browser broke down while it was looked at. Try it again by itself.");
export const noMatch = (target: string, extensions: readonly string[]): Problem =>
  problem(
    target,
    `The pattern matches no file ending in ${extensions.join(" or ")}, and no script with components.`,
  );
export const notAPage = (target: string, extensions: readonly string[]): Problem =>
  problem(target, `Not a page: expected a file ending in ${extensions.join(" or ")}.`);
export const notText = (target: string): Problem =>
  problem(target, "Not a text file: it holds NUL bytes. Give a page in HTML.");
export const emptyFile = (target: string): Problem =>
  problem(target, "The file is empty: there is nothing to audit.");
export const unreadable = (target: string, reason: string): Problem =>
  problem(
    target,
    `Could not be read (${reason}). Check ${reason === "no such file" ? "the path" : "the permissions of the file"}.`,
  );
export const sourceBroken = (place: string, reason: string): Problem =>
  problem(place, `Does not parse: ${reason.replace(/\.$/, "")}. What could be read of the file is audited.`);
export const tooDeep = (target: string): Problem =>
  problem(target, "Is nested too deeply to be read. Part it into components.");
export const takesTooLong = (target: string, seconds: number): Problem =>
  problem(
    target,
    `Took more than ${seconds} seconds and was left out. Split it, or allow more time with --time-limit.`,
  );
export const neverReady = (target: string, sign: string, seconds: number): Problem =>
  problem(
    target,
    `Did not show ${sign} within ${seconds} seconds, and was left out. Look whether it comes at all, or allow more time with --time-limit.`,
  );
export const notJudged = (target: string, reason: string): Problem =>
  problem(
    target,
    `Could not be judged, which is a fault of Even Keel: ${reason.replace(/\.$/, "")}. Please report it.`,
  );
export const notCombined = (names: readonly string[]): Problem =>
  problem(
    "",
    `Not every combination was looked at in ${names.slice(0, 3).join(", ")}${names.length > 3 ? ` and ${names.length - 3} more` : ""}: too much is open there. What shows only in others is not judged.`,
  );
export const brokenOff = (done: number, total: number): Problem =>
  problem("", `Stopped after ${done} of ${total} components; what was found in them is told.`);
export const brokenOffPages = (done: number): Problem =>
  problem("", `Stopped after ${countOf(done, "page")}; what was found is told.`);
export const templateAlone = (target: string): Problem =>
  problem(
    target,
    "Is the template of a component that is not among the targets: nothing in it was judged. Name the folder of its component too.",
  );
export const noComponents = (target: string): Problem =>
  problem(target, "No component was found in it: nothing here is exported that renders markup.");
export const generated = (target: string): Problem =>
  problem(target, "Looks made by a machine (very long, or one endless line) and was passed over.");
export const notRendered = (target: string, reason: string): Problem =>
  problem(target, `Its scripts could not be run: ${reason}. What source alone tells is audited.`);
export const scriptFailed = (target: string, reason: string): Problem =>
  problem(target, `Something in it failed: ${reason}`);
export const scriptMissing = (target: string, src: string): Problem =>
  problem(
    target,
    `The script "${src}", or something that it imports, is not here: no key was pressed, as it may answer them.`,
  );
export const renderCutShort = (target: string): Problem =>
  problem(target, "There was not enough time to press every key; what was pressed is told.");
export const walkBroken = (place: string, message: string, instead: string | undefined): Problem =>
  problem(
    place,
    `${message}${instead === undefined ? "" : ` There is ${instead}.`} Nothing was looked at, as all of it comes after this.`,
  );
export const nothingToWalk = (script: string): Problem =>
  problem(script, "Is walked on the first address that is named, and none is. Name one.");
export const wasHeld = (target: string, sentence: string): Problem =>
  problem(target, `${sentence}. It was held, and what would come of it is not known; --let-send lets it go.`);
export const nothingPressed = (target: string): Problem =>
  problem(target, "Is not on this machine: no key was pressed. --press presses them all the same.");
export const notActedOn = (target: string, reason: string): Problem =>
  problem(target, `Keys could not be pressed in the browser: ${reason.replace(/\.$/, "")}.`);
export const notBundled = (place: string, reason: string): Problem =>
  problem(place, `The specimens could not be built: ${reason.replace(/\.$/, "")}.`);
export const notMounted = (place: string, reason: string): Problem =>
  problem(place, `Could not be mounted: ${reason.replace(/\.$/, "")}.`);
export const networkAsked = (place: string): Problem =>
  problem(place, "Asks the network, which is not there: what it shows without an answer was looked at.");
export const noSpecimens = (target: string): Problem =>
  problem(target, 'Names no specimen. Write: specimen("a name", () => <Component />).');
export const noSuchSpecimen = (
  target: string,
  name: string,
  near: string | null,
  names: readonly string[],
): Problem =>
  problem(
    target,
    `Has no specimen "${name}"; ${near === null ? `those it has are ${names.map((one) => `"${one}"`).join(", ")}` : `did you mean "${near}"?`}`,
  );
export const scriptUnreadable = (place: string, reason: string): Problem => problem(place, reason);
export const scriptWithoutSpecimen = (
  target: string,
  opens: string | null,
  names: readonly string[],
): Problem =>
  problem(
    target,
    opens === null
      ? `Says not which specimen it begins with. Begin it with: open "${names[0] ?? "a name"}"`
      : `Opens "${opens}", and there is no such specimen beside it; there is ${names.map((one) => `"${one}"`).join(", ")}.`,
  );
export const specimensNeedRunning = (target: string): Problem =>
  problem(target, "Specimens are shown by running them, and --engine read runs nothing. Leave it out.");
export const specimensElsewhere = (target: string): Problem =>
  problem(
    target,
    "Not run: it lies outside this project. To run its code all the same, name it or say --run-specimens.",
  );
export const specimensNotRun = (files: number): Problem =>
  problem(
    "",
    `${countOf(files, "file of specimens was", "files of specimens were")} not run. --run-specimens runs specimens with the code they import, as does specimens: "run" in the configuration.`,
  );
export const configNotRun = (file: string): Problem =>
  problem(file, "Not in force: it is code, and --engine read runs nothing. A keel.config.json is read.");
export const tooLarge = (target: string, megabytes: number, limit: number): Problem =>
  problem(
    target,
    `${megabytes.toFixed(1)} MB is over the limit of ${limit} MB. Raise it with --max-size ${Math.ceil(megabytes)}.`,
  );
export const stylesheetMissing = (target: string, href: string): Problem =>
  problem(target, `The stylesheet "${href}" was not found: its colours and hidden parts are unknown.`);
export const stylesheetTooDeep = (target: string, file: string): Problem =>
  problem(
    target,
    `The styles in ${file} stand more than 64 blocks deep: what is deeper was passed over, and colours and hidden parts are unknown.`,
  );
export const stylesheetsTooMany = (target: string, most: number): Problem =>
  problem(
    target,
    `Its stylesheets import more than ${most} others: the rest were not read, and colours and hidden parts are unknown.`,
  );
export const stylesheetOutside = (target: string, href: string): Problem =>
  problem(
    target,
    `The stylesheet "${href}" lies outside the working directory and was not read. Allow its folder with --root.`,
  );
export const stylesheetRemote = (target: string, href: string): Problem =>
  problem(
    target,
    `The stylesheet "${href}" is on the network and was not fetched: its colours and hidden parts are unknown.`,
  );
export const stylesheetUnreadable = (target: string, href: string, reason: string): Problem =>
  problem(target, `The stylesheet "${href}" could not be read (${reason}).`);
export const styleNotCompiled = (target: string, reason: string): Problem =>
  problem(target, `Does not compile to CSS (${reason.replace(/\.$/, "")}): colours in it are not judged.`);
export const styleLacks = (target: string, what: string): Problem =>
  problem(target, `Colours that classes give are not judged: ${what}.`);
export const styleLanguageUnread = (target: string, language: string): Problem =>
  problem(target, `Is written in "${language}", which is not read: colours in it are not judged.`);
export const noColours = (target: string): Problem =>
  problem(
    target,
    "No colours here: expected custom properties on :root in a stylesheet, or a JSON object of names and colours.",
  );
export const exceptionWithoutForm = (place: string): Problem =>
  problem(
    place,
    "This comment is addressed to keel and says nothing it knows. Write: keel: allow CHECK because REASON.",
  );
export const exceptionWithoutReason = (place: string, checks: string): Problem =>
  problem(place, `The exception for ${checks} gives no reason and is not kept. Add: because ….`);
export const exceptionForUnknown = (place: string, check: string, near: string | null): Problem =>
  problem(
    place,
    `The exception names "${check}", and there is no such check${near === null ? ". keel explain lists them all." : `; did you mean ${near}?`}`,
  );
export const exceptionUnused = (place: string, checks: string): Problem =>
  problem(place, `The exception for ${checks} covers nothing any more. Take the comment away.`);
