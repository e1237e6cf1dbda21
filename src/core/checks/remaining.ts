import { countOf } from "../document/count-of.ts";
import type { CriterionNumber } from "../standards/criteria.ts";
import { type FactName, oneOfEach, type PageFacts } from "./page-facts.ts";

/** What a person must still look at for a criterion. */
interface Question {
  /** Asked where there is any of these. */
  readonly when: readonly FactName[];
  /** How much of what it is about is there; null where it is about the page. */
  readonly about: ((facts: PageFacts) => string) | null;
  readonly question: string | ((facts: PageFacts) => string);
}

/** One question, asked where there is any of some things. */
const asks = (
  when: FactName | readonly FactName[],
  question: Question["question"],
  about: Question["about"] = null,
): readonly Question[] => [{ when: typeof when === "string" ? [when] : when, about, question }];

const wordsOf = ({ question }: Question, facts: PageFacts): string =>
  typeof question === "string" ? question : question(facts);

/** What a person must still look at for a criterion, on these very pages; null where nothing here is about it. */
export function remaining(criterion: CriterionNumber, facts: PageFacts): string | null {
  const asked = questions[criterion]
    .filter(({ when }) => when.some((fact) => facts[fact] > 0))
    .map((one) => `${one.about === null ? "" : `${one.about(facts)}: `}${wordsOf(one, facts)}`);
  return asked.length === 0 ? null : asked.join(" ");
}

/** The same of no page in particular; null where nothing that source shows is left. */
export function remainingInGeneral(criterion: CriterionNumber): string | null {
  const asked = questions[criterion].map((one) => {
    const words = wordsOf(one, oneOfEach);
    return `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
  });
  return asked.length === 0 ? null : asked.join(" ");
}

/**
 * What no check decides of each criterion, as questions about what is on the page; none where our checks decide all that
 * source shows of it.
 */
const questions: Readonly<Record<CriterionNumber, readonly Question[]>> = {
  "1.1.1": [
    ...asks(
      "describedImages",
      "does it say what the picture is there for?",
      (f) => `${countOf(f.describedImages, "picture")} with an alternative`,
    ),
    ...asks(
      "decorativeImages",
      (f) => (f.decorativeImages === 1 ? "is it?" : "are they?"),
      (f) => `${countOf(f.decorativeImages, "picture")} marked as decoration`,
    ),
  ],
  "1.2.1": asks("audios", "is there a transcript?", (f) => countOf(f.audios, "sound")),
  "1.2.2": asks(
    "videos",
    (f) =>
      f.videosWithoutCaptions === 0
        ? "do the captions say all that is heard?"
        : `${f.videosWithoutCaptions} ${f.videosWithoutCaptions === 1 ? "has" : "have"} no captions track`,
    (f) => countOf(f.videos, "video"),
  ),
  "1.2.3": asks("videos", "is what is only seen also told, in sound or text?", (f) =>
    countOf(f.videos, "video"),
  ),
  "1.2.4": asks("videos", "if one is live, has it captions?", (f) => countOf(f.videos, "video")),
  "1.2.5": asks(
    "videos",
    "is what is only seen also told in sound?",
    (f) => `${countOf(f.videos, "video")}, ${f.videosWithDescriptions} with a track of descriptions`,
  ),
  "1.2.6": asks("videos", "is there sign language for what is said?", (f) => countOf(f.videos, "video")),
  "1.2.7": asks("videos", "do pauses leave room for all that must be described?", (f) =>
    countOf(f.videos, "video"),
  ),
  "1.2.8": asks("videos", "is there a text that tells all of it?", (f) => countOf(f.videos, "video")),
  "1.2.9": asks("audios", "if one is live, is it written along?", (f) => countOf(f.audios, "sound")),
  "1.3.1": asks(
    "texts",
    (f) =>
      `Is everything that layout shows also in the markup? ${countOf(f.headings, "heading")}, ${countOf(f.tables, "table")}, ${countOf(f.fields, "field")}.`,
  ),
  "1.3.2": asks("texts", "Does the page make sense when read in the order of the source? (keel hear)"),
  "1.3.3": asks(
    "texts",
    'Does any instruction rest on shape, place or sound alone ("the button on the right")?',
  ),
  "1.3.4": [],
  "1.3.5": asks(
    "personalFields",
    "which purpose has each?",
    (f) => `${countOf(f.personalFields, "field")} about the user without autocomplete`,
  ),
  "1.3.6": asks("texts", "Is the purpose of regions, icons and controls marked for programs?"),
  "1.4.1": asks("texts", "Does colour alone say anything (state, kind, error, chart)?"),
  "1.4.2": [],
  "1.4.3": asks("describedImages", "is text in pictures legible?", (f) =>
    countOf(f.describedImages, "picture"),
  ),
  "1.4.4": asks("texts", "At 200 %, is all text there and usable?"),
  "1.4.5": asks("describedImages", "is any a picture of text that could be text?", (f) =>
    countOf(f.describedImages, "picture"),
  ),
  "1.4.6": [],
  "1.4.7": asks("audios", "is speech clear of noise?", (f) => countOf(f.audios, "sound")),
  "1.4.8": asks("texts", "Can colours, width, spacing and alignment of longer text be chosen?"),
  "1.4.9": asks("describedImages", "is any a picture of text?", (f) => countOf(f.describedImages, "picture")),
  "1.4.10": asks("texts", "In a window 320 pixels wide, does one scroll in one direction only?"),
  "1.4.11": asks("stops", "do icons, states and charts stand out by 3:1?", (f) =>
    countOf(f.stops, "control"),
  ),
  "1.4.12": asks("texts", "With wider spacing of lines, letters and words, is nothing cut off?"),
  "1.4.13": asks(
    "scripted",
    "What appears under the pointer or on focus: can it be dismissed, pointed at, and does it stay?",
  ),
  "2.1.1": asks("scripted", "can all that scripts do here be done with keys?", (f) =>
    countOf(f.stops, "stop"),
  ),
  "2.1.2": asks("scripted", "Do scripts let focus out of every part they open?"),
  "2.1.3": asks("scripted", "Can everything without exception be done with keys?"),
  "2.1.4": asks("scripted", "Do scripts answer single letters? Then they must be possible to turn off."),
  "2.2.1": asks(
    "scripted",
    "Does anything time out (sessions, bookings held)? Can people turn that off or extend it?",
  ),
  "2.2.2": asks(
    ["scripted", "animated", "videos"],
    "Does anything move, blink or update by itself for more than five seconds?",
  ),
  "2.2.3": asks("scripted", "Is there any limit of time at all?"),
  "2.2.4": asks("scripted", "Can interruptions be put off?"),
  "2.2.5": asks("forms", "After signing in again, is everything still there?"),
  "2.2.6": asks("forms", "Are people told how long they may be idle before data is lost?"),
  "2.3.1": asks(["videos", "animated"], "Does anything flash more than three times a second?"),
  "2.3.2": asks(["videos", "animated"], "Does anything flash more than three times a second, however small?"),
  "2.3.3": asks(["animated", "scripted"], "Can movement that actions bring about be turned off?"),
  "2.4.1": [],
  "2.4.2": asks("pages", "does it say what the page is about?", (f) => countOf(f.pages, "title")),
  "2.4.3": asks("stops", "does the order of Tab follow the meaning, also in what scripts open?", (f) =>
    countOf(f.stops, "stop"),
  ),
  "2.4.4": asks("links", "does each say where it leads?", (f) => countOf(f.links, "link")),
  "2.4.5": asks("pages", "Is there more than one way to this page (menu, search, site map)?"),
  "2.4.6": asks(
    "headings",
    "do headings and labels say what they are for?",
    (f) => `${countOf(f.headings, "heading")}, ${countOf(f.fields, "field")}`,
  ),
  "2.4.7": [],
  "2.4.8": asks("pages", "Do people see where on the site they are?"),
  "2.4.9": asks("links", "does each say where it leads by itself?", (f) => countOf(f.links, "link")),
  "2.4.10": asks("texts", "Are the parts of longer text headed?"),
  "2.4.11": asks(
    "stickyParts",
    "does it ever cover what has focus?",
    (f) =>
      `${countOf(f.stickyParts, "part")} that stay${f.stickyParts === 1 ? "s" : ""} in place when one scrolls`,
  ),
  "2.4.12": asks(
    "stickyParts",
    "does it ever cover a piece of what has focus?",
    (f) => `${countOf(f.stickyParts, "part")} that stay${f.stickyParts === 1 ? "s" : ""} in place`,
  ),
  "2.4.13": asks("stops", "is the mark of focus two pixels thick and 3:1?", (f) => countOf(f.stops, "stop")),
  "2.5.1": asks(
    "scripted",
    "Is anything done by a gesture with a path or two fingers? Can one finger do it?",
  ),
  "2.5.2": asks("scripted", "Do scripts act when the pointer goes down, with no way to take it back?"),
  "2.5.3": [],
  "2.5.4": asks("scripted", "Is anything done by moving the device? Is there another way?"),
  "2.5.5": asks("stops", "is each 44 by 44 pixels?", (f) => countOf(f.stops, "target")),
  "2.5.6": asks("scripted", "Can people change between mouse, finger and keys at any time?"),
  "2.5.7": asks("scripted", "Is anything done by dragging? Is there another way?"),
  "2.5.8": asks("stops", "is each 24 by 24 pixels, or has room around it?", (f) =>
    countOf(f.stops, "target"),
  ),
  "3.1.1": asks("withLanguage", "Is the page written in the language it says?"),
  "3.1.2": asks("texts", "Is any passage in another language, and marked with lang?"),
  "3.1.3": asks("texts", "Are unusual words explained?"),
  "3.1.4": asks("texts", "Are abbreviations explained?"),
  "3.1.5": asks("texts", "Is there a simpler version of difficult text?"),
  "3.1.6": asks("texts", "Is the pronunciation given where the meaning hangs on it?"),
  "3.2.1": asks("scripted", "Do scripts change the page when something only takes focus?"),
  "3.2.2": asks("fields", "does changing one change the page without warning?", (f) =>
    countOf(f.fields, "field"),
  ),
  "3.2.3": asks("pages", "Does the navigation stand in the same order on every page?"),
  "3.2.4": asks("pages", "Is what does the same called the same on every page?"),
  "3.2.5": asks("scripted", "Does the page change only when people ask for it?"),
  "3.2.6": asks("pages", "If there is help (contact, chat), does it stand at the same place on every page?"),
  "3.3.1": asks("forms", "is a mistake named in text, with the field it is in?", (f) =>
    countOf(f.forms, "form"),
  ),
  "3.3.2": asks("fields", "do labels and instructions say all one must know?", (f) =>
    countOf(f.fields, "field"),
  ),
  "3.3.3": asks("forms", "does a message of a mistake say how to mend it?", (f) => countOf(f.forms, "form")),
  "3.3.4": asks("forms", "if it orders, pays or binds, can one check, correct or undo it?", (f) =>
    countOf(f.forms, "form"),
  ),
  "3.3.5": asks("fields", "Is help at hand where it is needed?"),
  "3.3.6": asks("forms", "can everything sent be checked, corrected or undone?", (f) =>
    countOf(f.forms, "form"),
  ),
  "3.3.7": asks("forms", "In what takes several steps, is anything asked twice?"),
  "3.3.8": asks("passwords", "can it be pasted or filled in, and is there no puzzle to solve?", (f) =>
    countOf(f.passwords, "password"),
  ),
  "3.3.9": asks("passwords", "Does signing in ask to recognise pictures or things?"),
  "4.1.1": [],
  "4.1.2": asks("scripted", "do states follow when scripts change what is shown?", (f) =>
    countOf(f.stops, "control"),
  ),
  "4.1.3": asks(
    "scripted",
    (f) =>
      `Messages that scripts show without moving focus: are they in a live region? ${countOf(f.liveRegions, "region")} here.`,
  ),
};
