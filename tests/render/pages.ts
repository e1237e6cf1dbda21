import { catalogue } from "../../src/core/checks/catalogue.ts";
import { usualSettings } from "../../src/core/checks/check.ts";
import { desktop } from "../../src/core/css/device.ts";
import type { Exploration, StatePlan } from "../../src/engine/explored.ts";
import { htmlPage } from "../../src/render/html-page.ts";
import type { PageSource } from "../../src/render/live-page.ts";
import { checksFor } from "../../src/settings/check-plan.ts";

/** A page to be opened in a simulated window. */
export const pageSource = (text: string): PageSource =>
  htmlPage(
    {
      file: "page.html",
      text,
      quirks: false,
      sheets: [],
      stylesKnown: true,
      device: desktop,
      scripts: new Map(),
      page: "document",
    },
    null,
  );

/** How pages are explored: with every key, and no check of source beside. */
export const everyKey: Exploration = { script: null, patience: 20_000, plan: null, log: false };

/** Every check of source that an audit makes, but one of taste, to be made of every state. */
export const everyCheck: StatePlan = {
  settings: new Map(
    checksFor(catalogue, { wcag: "2.2", level: "AA" }).flatMap(({ id }) =>
      id === "roles.native-first" ? [] : [[id, usualSettings] as const],
    ),
  ),
  colours: { themes: [], colourSchemes: null, palette: [] },
};
