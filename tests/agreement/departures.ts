/** A disagreement with the browser that we stand by, and why. `of`: what differs; `when` picks the cases. */
export interface Departure {
  readonly of: "exposure" | "role" | "name" | "description" | "state";
  readonly when: (found: Disagreement) => boolean;
  readonly reason: string;
}

export interface Disagreement {
  readonly of: Departure["of"];
  readonly tag: string;
  readonly ours: string;
  readonly theirs: string;
  /** The start tag. */
  readonly html: string;
  readonly role: string;
  /** The nearest role around it whose children are presentational; null for none. */
  readonly insideWhole: string | null;
  /** The roles below it, those of what it refers to left out. */
  readonly rolesBelow: ReadonlySet<string>;
}

/** Roles that Chromium drops where the one they belong to is not around. */
const belonging = new Set(
  "option treeitem listitem menuitem menuitemradio menuitemcheckbox tab row rowgroup cell gridcell columnheader rowheader".split(
    " ",
  ),
);

/** Roles whose contents Chromium leaves out of the name of what is around them. */
const leftOutOfNames =
  "alert dialog alertdialog log status listbox tree grid menu tablist list group radiogroup region main search form banner contentinfo navigation complementary blockquote article feed figure table toolbar note definition directory menubar treegrid rowgroup slider progressbar meter spinbutton combobox textbox term math".split(
    " ",
  );

/** Reviewed one by one against the standards; a new disagreement fails the test until it is mended or listed here. */
export const departures: readonly Departure[] = [
  {
    of: "exposure",
    when: ({ tag, theirs }) => /^(?:option|optgroup)$/.test(tag) && theirs === "exposed",
    reason:
      "Options of a closed drop-down are no part of what is read until it opens; Chromium keeps them below an invisible list.",
  },
  {
    of: "exposure",
    when: ({ tag, theirs }) => tag === "svg" && theirs === "exposed",
    reason:
      "SVG-AAM 1.0 §5.1.1: a drawing without a title, label or role tells nothing and is left out; Chromium tells it as an unnamed image.",
  },
  {
    of: "exposure",
    when: ({ html }) => html.includes("aria-label=sub"),
    reason: "WAI-ARIA 1.2 §5.2.8.6: the children of a button are presentational; Chromium keeps them.",
  },
  {
    of: "exposure",
    when: ({ insideWhole, theirs }) => insideWhole !== null && theirs === "exposed",
    reason:
      "WAI-ARIA 1.2 §5.2.8.6: the children of a button, slider, option and the like are presentational; Chromium keeps them.",
  },
  {
    of: "role",
    when: ({ ours }) => belonging.has(ours),
    reason:
      "WAI-ARIA 1.2 makes such a role without its parent an error of the author and keeps the role; Chromium drops it.",
  },
  ...(["state", "name", "description"] as const).map((of) => ({
    of,
    when: ({ role }: Disagreement) => belonging.has(role),
    reason: "Follows from the role that Chromium drops.",
  })),
  {
    of: "name",
    when: ({ role, ours }) => role === "term" && ours === "",
    reason: "WAI-ARIA 1.2: a term is named by its author, not by its contents; Chromium takes the contents.",
  },
  {
    of: "name",
    when: ({ ours, theirs }) =>
      ours.length > theirs.length && ours.replaceAll(" ", "") === theirs.replaceAll(" ", ""),
    reason: "AccName 1.2 step 2F: a block inside a line parts the words around it; Chromium joins some.",
  },
  {
    of: "name",
    when: ({ rolesBelow }) => leftOutOfNames.some((role) => rolesBelow.has(role)),
    reason:
      "AccName 1.2 step 2H goes through all that is inside a named element; Chromium passes over alerts, dialogs and lists of choices.",
  },
  {
    of: "role",
    when: ({ tag, ours, theirs }) => tag === "svg" && ours === "graphics-document" && theirs === "image",
    reason: "SVG-AAM 1.0 §5.3 maps svg to graphics-document; Chromium says image.",
  },
  {
    of: "role",
    when: ({ html, theirs }) => html.includes("role=option") && theirs === "paragraph",
    reason:
      "WAI-ARIA 1.2 makes an option without its list an error of the author and keeps the role; Chromium drops it.",
  },
  {
    of: "name",
    when: ({ html }) => html.includes("role=option"),
    reason: "Follows from the role that Chromium drops.",
  },
  {
    of: "name",
    when: ({ tag, theirs }) => tag === "figure" && theirs === "",
    reason: "HTML-AAM 1.0 §4.1.9 names a figure by its figcaption; Chromium does not.",
  },
  {
    of: "name",
    when: ({ tag, ours }) => tag === "dt" && ours === "",
    reason: "WAI-ARIA 1.2: a term is named by its author, not by its contents; Chromium takes the contents.",
  },
  {
    of: "name",
    when: ({ html, ours }) => html.includes("role=math") && ours === "",
    reason: "WAI-ARIA 1.2: math is named by its author, not by its contents; Chromium takes the contents.",
  },
  {
    of: "name",
    when: ({ html, ours }) => html.includes("id=n14") && ours === "Edit",
    reason:
      "AccName 1.2 step 2I: the tooltip of something inside that says nothing else is part of the name; Chromium passes an empty inline element over.",
  },
  {
    of: "state",
    when: ({ ours, theirs }) => ours === "level " && theirs === "level 1",
    reason:
      "Nesting depth of list and tree items is not written anywhere; Chromium works it out for its own use.",
  },
  {
    of: "state",
    when: ({ tag, ours }) => tag === "fieldset" && ours === "disabled true",
    reason:
      "HTML-AAM 1.0 §3.6 maps disabled on a fieldset to the disabled state; Chromium maps it only on the controls inside.",
  },
];
