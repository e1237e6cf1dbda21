import type { RenderResult } from "./protocol.ts";

/** What comes of a page on which nothing was pressed. */
export const nothingTried: RenderResult = {
  steps: [],
  openings: [],
  script: null,
  findings: [],
  states: null,
  tried: new Map(),
  problems: [],
  isCutShort: false,
};
