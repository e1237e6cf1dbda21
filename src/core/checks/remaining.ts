import type { CriterionNumber } from "../standards/criteria.ts";
import type { PageFacts } from "./page-facts.ts";

/** What a person must still look at for a criterion, on these very pages; null where nothing here is about it. */
export type Remaining = (facts: PageFacts) => string | null;

const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** Asks when a count is above zero. */
const when =
  (count: keyof PageFacts, ask: (facts: PageFacts) => string): Remaining =>
  (facts) =>
    facts[count] > 0 ? ask(facts) : null;

const nothing: Remaining = () => null;

/**
 * What no check decides of each criterion, as a question about what is on the page. `nothing` where our checks decide all
 * that source shows of it.
 */
export const remaining: Readonly<Record<CriterionNumber, Remaining>> = {
  "1.1.1": (f) =>
    f.describedImages + f.decorativeImages === 0
      ? null
      : [
          f.describedImages > 0
            ? `${counted(f.describedImages, "picture")} with an alternative: does it say what the picture is there for?`
            : "",
          f.decorativeImages > 0
            ? `${counted(f.decorativeImages, "picture")} marked as decoration: ${f.decorativeImages === 1 ? "is it" : "are they"}?`
            : "",
        ]
          .filter((part) => part !== "")
          .join(" "),
  "1.2.1": when("audios", (f) => `${counted(f.audios, "sound")}: is there a transcript?`),
  "1.2.2": when(
    "videos",
    (f) =>
      `${counted(f.videos, "video")}: ${f.videosWithoutCaptions === 0 ? "do the captions say all that is heard?" : `${f.videosWithoutCaptions} ${f.videosWithoutCaptions === 1 ? "has" : "have"} no captions track`}`,
  ),
  "1.2.3": when(
    "videos",
    (f) => `${counted(f.videos, "video")}: is what is only seen also told, in sound or text?`,
  ),
  "1.2.4": when("videos", (f) => `${counted(f.videos, "video")}: if one is live, has it captions?`),
  "1.2.5": when(
    "videos",
    (f) =>
      `${counted(f.videos, "video")}, ${f.videosWithDescriptions} with a track of descriptions: is what is only seen also told in sound?`,
  ),
  "1.2.6": when("videos", (f) => `${counted(f.videos, "video")}: is there sign language for what is said?`),
  "1.2.7": when(
    "videos",
    (f) => `${counted(f.videos, "video")}: do pauses leave room for all that must be described?`,
  ),
  "1.2.8": when("videos", (f) => `${counted(f.videos, "video")}: is there a text that tells all of it?`),
  "1.2.9": when("audios", (f) => `${counted(f.audios, "sound")}: if one is live, is it written along?`),
  "1.3.1": when(
    "texts",
    (f) =>
      `Is everything that layout shows also in the markup? ${counted(f.headings, "heading")}, ${counted(f.tables, "table")}, ${counted(f.fields, "field")}.`,
  ),
  "1.3.2": when("texts", () => "Does the page make sense when read in the order of the source? (keel hear)"),
  "1.3.3": when(
    "texts",
    () => 'Does any instruction rest on shape, place or sound alone ("the button on the right")?',
  ),
  "1.3.4": nothing,
  "1.3.5": when(
    "personalFields",
    (f) =>
      `${counted(f.personalFields, "field")} about the user without autocomplete: which purpose has each?`,
  ),
  "1.3.6": when("texts", () => "Is the purpose of regions, icons and controls marked for programs?"),
  "1.4.1": when("texts", () => "Does colour alone say anything (state, kind, error, chart)?"),
  "1.4.2": nothing,
  "1.4.3": (f) =>
    f.describedImages > 0 ? `${counted(f.describedImages, "picture")}: is text in pictures legible?` : null,
  "1.4.4": when("texts", () => "At 200 %, is all text there and usable?"),
  "1.4.5": when(
    "describedImages",
    (f) => `${counted(f.describedImages, "picture")}: is any a picture of text that could be text?`,
  ),
  "1.4.6": nothing,
  "1.4.7": when("audios", (f) => `${counted(f.audios, "sound")}: is speech clear of noise?`),
  "1.4.8": when("texts", () => "Can colours, width, spacing and alignment of longer text be chosen?"),
  "1.4.9": when(
    "describedImages",
    (f) => `${counted(f.describedImages, "picture")}: is any a picture of text?`,
  ),
  "1.4.10": when("texts", () => "In a window 320 pixels wide, does one scroll in one direction only?"),
  "1.4.11": when(
    "stops",
    (f) => `${counted(f.stops, "control")}: do icons, states and charts stand out by 3:1?`,
  ),
  "1.4.12": when("texts", () => "With wider spacing of lines, letters and words, is nothing cut off?"),
  "1.4.13": when(
    "scripted",
    () => "What appears under the pointer or on focus: can it be dismissed, pointed at, and does it stay?",
  ),
  "2.1.1": when(
    "scripted",
    (f) => `${counted(f.stops, "stop")}: can all that scripts do here be done with keys?`,
  ),
  "2.1.2": when("scripted", () => "Do scripts let focus out of every part they open?"),
  "2.1.3": when("scripted", () => "Can everything without exception be done with keys?"),
  "2.1.4": when(
    "scripted",
    () => "Do scripts answer single letters? Then they must be possible to turn off.",
  ),
  "2.2.1": when(
    "scripted",
    () => "Does anything time out (sessions, bookings held)? Can people turn that off or extend it?",
  ),
  "2.2.2": (f) =>
    f.scripted + f.animated + f.videos > 0
      ? "Does anything move, blink or update by itself for more than five seconds?"
      : null,
  "2.2.3": when("scripted", () => "Is there any limit of time at all?"),
  "2.2.4": when("scripted", () => "Can interruptions be put off?"),
  "2.2.5": when("forms", () => "After signing in again, is everything still there?"),
  "2.2.6": when("forms", () => "Are people told how long they may be idle before data is lost?"),
  "2.3.1": (f) => (f.videos + f.animated > 0 ? "Does anything flash more than three times a second?" : null),
  "2.3.2": (f) =>
    f.videos + f.animated > 0 ? "Does anything flash more than three times a second, however small?" : null,
  "2.3.3": (f) =>
    f.animated + f.scripted > 0 ? "Can movement that actions bring about be turned off?" : null,
  "2.4.1": nothing,
  "2.4.2": when("pages", (f) => `${counted(f.pages, "title")}: does it say what the page is about?`),
  "2.4.3": when(
    "stops",
    (f) =>
      `${counted(f.stops, "stop")}: does the order of Tab follow the meaning, also in what scripts open?`,
  ),
  "2.4.4": when("links", (f) => `${counted(f.links, "link")}: does each say where it leads?`),
  "2.4.5": when("pages", () => "Is there more than one way to this page (menu, search, site map)?"),
  "2.4.6": when(
    "headings",
    (f) =>
      `${counted(f.headings, "heading")}, ${counted(f.fields, "field")}: do headings and labels say what they are for?`,
  ),
  "2.4.7": nothing,
  "2.4.8": when("pages", () => "Do people see where on the site they are?"),
  "2.4.9": when("links", (f) => `${counted(f.links, "link")}: does each say where it leads by itself?`),
  "2.4.10": when("texts", () => "Are the parts of longer text headed?"),
  "2.4.11": when(
    "stickyParts",
    (f) =>
      `${counted(f.stickyParts, "part")} that stay${f.stickyParts === 1 ? "s" : ""} in place when one scrolls: does it ever cover what has focus?`,
  ),
  "2.4.12": when(
    "stickyParts",
    (f) =>
      `${counted(f.stickyParts, "part")} that stay${f.stickyParts === 1 ? "s" : ""} in place: does it ever cover a piece of what has focus?`,
  ),
  "2.4.13": when(
    "stops",
    (f) => `${counted(f.stops, "stop")}: is the mark of focus two pixels thick and 3:1?`,
  ),
  "2.5.1": when(
    "scripted",
    () => "Is anything done by a gesture with a path or two fingers? Can one finger do it?",
  ),
  "2.5.2": when("scripted", () => "Do scripts act when the pointer goes down, with no way to take it back?"),
  "2.5.3": nothing,
  "2.5.4": when("scripted", () => "Is anything done by moving the device? Is there another way?"),
  "2.5.5": when("stops", (f) => `${counted(f.stops, "target")}: is each 44 by 44 pixels?`),
  "2.5.6": when("scripted", () => "Can people change between mouse, finger and keys at any time?"),
  "2.5.7": when("scripted", () => "Is anything done by dragging? Is there another way?"),
  "2.5.8": when(
    "stops",
    (f) => `${counted(f.stops, "target")}: is each 24 by 24 pixels, or has room around it?`,
  ),
  "3.1.1": when("withLanguage", () => "Is the page written in the language it says?"),
  "3.1.2": when("texts", () => "Is any passage in another language, and marked with lang?"),
  "3.1.3": when("texts", () => "Are unusual words explained?"),
  "3.1.4": when("texts", () => "Are abbreviations explained?"),
  "3.1.5": when("texts", () => "Is there a simpler version of difficult text?"),
  "3.1.6": when("texts", () => "Is the pronunciation given where the meaning hangs on it?"),
  "3.2.1": when("scripted", () => "Do scripts change the page when something only takes focus?"),
  "3.2.2": when(
    "fields",
    (f) => `${counted(f.fields, "field")}: does changing one change the page without warning?`,
  ),
  "3.2.3": when("pages", () => "Does the navigation stand in the same order on every page?"),
  "3.2.4": when("pages", () => "Is what does the same called the same on every page?"),
  "3.2.5": when("scripted", () => "Does the page change only when people ask for it?"),
  "3.2.6": when(
    "pages",
    () => "If there is help (contact, chat), does it stand at the same place on every page?",
  ),
  "3.3.1": when(
    "forms",
    (f) => `${counted(f.forms, "form")}: is a mistake named in text, with the field it is in?`,
  ),
  "3.3.2": when(
    "fields",
    (f) => `${counted(f.fields, "field")}: do labels and instructions say all one must know?`,
  ),
  "3.3.3": when(
    "forms",
    (f) => `${counted(f.forms, "form")}: does a message of a mistake say how to mend it?`,
  ),
  "3.3.4": when(
    "forms",
    (f) => `${counted(f.forms, "form")}: if it orders, pays or binds, can one check, correct or undo it?`,
  ),
  "3.3.5": when("fields", () => "Is help at hand where it is needed?"),
  "3.3.6": when(
    "forms",
    (f) => `${counted(f.forms, "form")}: can everything sent be checked, corrected or undone?`,
  ),
  "3.3.7": when("forms", () => "In what takes several steps, is anything asked twice?"),
  "3.3.8": when(
    "passwords",
    (f) =>
      `${counted(f.passwords, "password")}: can it be pasted or filled in, and is there no puzzle to solve?`,
  ),
  "3.3.9": when("passwords", () => "Does signing in ask to recognise pictures or things?"),
  "4.1.1": nothing,
  "4.1.2": when(
    "scripted",
    (f) => `${counted(f.stops, "control")}: do states follow when scripts change what is shown?`,
  ),
  "4.1.3": when(
    "scripted",
    (f) =>
      `Messages that scripts show without moving focus: are they in a live region? ${counted(f.liveRegions, "region")} here.`,
  ),
};
