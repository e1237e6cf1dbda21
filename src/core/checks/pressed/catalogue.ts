import type { CheckText } from "../check.ts";

/** Checks that source alone never decides: keys must be pressed for them, in a window where scripts run. */
export const pressedCatalogue = [
  {
    id: "keys.dialog-keeps-focus",
    criteria: ["2.4.3", "2.1.2"],
    severity: "blocker",
    means: "A modal dialog keeps focus inside while it is open, both ways round.",
    who: "Someone using a screen reader or the keyboard wanders off behind the dialog, through a page that does not answer.",
    mend: "Open it with showModal(), or make what is behind it inert.",
  },
  {
    id: "keys.dialog-closes",
    criteria: ["2.1.2"],
    severity: "barrier",
    means: "Escape closes a modal dialog.",
    who: "Someone who uses the keyboard must go through the whole dialog to find the way out, if there is one.",
    mend: "Close it on Escape; a <dialog> opened with showModal() does so by itself.",
  },
  {
    id: "keys.dialog-gives-back",
    criteria: ["2.4.3"],
    severity: "barrier",
    means: "Closing a dialog gives focus back to what opened it.",
    who: "Someone using a screen reader or the keyboard is put back to the top of the page, and must find the place again.",
    mend: "Move focus to the opener when the dialog closes.",
  },
  {
    id: "keys.focus-not-lost",
    criteria: ["2.4.3"],
    severity: "barrier",
    means: "Removing or hiding what has focus leaves focus somewhere sensible.",
    who: "Someone who uses the keyboard starts again at the top of the page after every row they delete.",
    mend: "Move focus to what comes next, or to the list it was in.",
  },
  {
    id: "roles.state-follows",
    criteria: ["4.1.2"],
    severity: "barrier",
    means: "What is told as expanded or collapsed changes when the interface does.",
    who: 'Someone using a screen reader presses, hears "collapsed" again, and believes that nothing happened.',
    mend: "Set aria-expanded whenever the part is opened or closed.",
  },
] as const satisfies readonly CheckText[];
