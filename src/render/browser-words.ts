import type { LiveElement } from "../engine/live-element.ts";
import type { AnyWindow } from "./clock.ts";
import { getter } from "./define.ts";

/** Who the browser says it is: components ask, and do otherwise in browsers with faults of their own. HTML §8.9. */
const NAVIGATOR = {
  userAgent:
    "Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Safari/537.36",
  appVersion: "5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Safari/537.36",
  platform: "Linux x86_64",
  vendor: "Google Inc.",
};

/** What Chromium says of a field that does not hold what it must. HTML §4.10.20.3, `validationMessage`. */
const messages: readonly (readonly [keyof ValidityState, (field: LiveElement) => string])[] = [
  [
    "valueMissing",
    ({ localName, type }) =>
      type === "checkbox"
        ? "Please check this box if you want to proceed."
        : type === "radio"
          ? "Please select one of these options."
          : localName === "select"
            ? "Please select an item in the list."
            : "Please fill out this field.",
  ],
  ["typeMismatch", ({ type }) => (type === "url" ? "Please enter a URL." : "Please enter an email address.")],
  ["patternMismatch", () => "Please match the requested format."],
  ["badInput", () => "Please enter a number."],
];

/** What a browser says of itself and of fields, in the words of Chromium. */
export function installBrowserWords(window: AnyWindow): void {
  for (const [name, value] of Object.entries(NAVIGATOR)) getter(window.navigator, name, () => value);
  for (const { prototype } of [
    window.HTMLInputElement,
    window.HTMLSelectElement,
    window.HTMLTextAreaElement,
  ]) {
    const native = Object.getOwnPropertyDescriptor(prototype, "validationMessage");
    getter(prototype, "validationMessage", function () {
      const own: string = native?.get?.call(this) ?? "";
      if (own === "" || this.validity.customError) return own;
      const [, message] = messages.find(([flaw]) => this.validity[flaw] === true) ?? [];
      return message?.(this) ?? own;
    });
  }
}
