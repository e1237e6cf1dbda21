import { desktop } from "../../src/core/css/device.ts";
import { htmlPage } from "../../src/render/html-page.ts";
import type { PageSource } from "../../src/render/live-page.ts";

/** A page to be opened in a simulated window. */
export const pageSource = (text: string): PageSource =>
  htmlPage({
    file: "page.html",
    text,
    kind: "document",
    quirks: false,
    sheets: [],
    stylesKnown: true,
    device: desktop,
    scripts: new Map(),
    script: null,
    patience: 0,
  });
