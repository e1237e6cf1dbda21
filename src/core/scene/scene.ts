import { cascadeFor } from "../css/cascade.ts";
import { type Device, desktop } from "../css/device.ts";
import type { AppliedSheet } from "../css/sheet.ts";
import { stylesFromCascade } from "../css/styles.ts";
import { indexDocument } from "../document/document-index.ts";
import type { Document } from "../document/node.ts";
import { presenceOf } from "../rendering/presence.ts";
import { type Semantics, semanticsOf } from "../semantics/semantics.ts";
import { asksForScheme, type SchemeView, schemeView } from "./schemes.ts";

/** The one thing a check may question. */
export interface Scene extends Semantics {
  readonly document: Document;
  /** Whether every stylesheet the page names was read: else colours are not known. */
  readonly stylesKnown: boolean;
  /** The page in each colour scheme it is made for; the first is that of the device. Worked out when first asked for. */
  schemes(): readonly SchemeView[];
}

/** A scene read from source: markup and our own cascade, nothing executed. */
export function sceneFromSource(
  document: Document,
  sheets: readonly AppliedSheet[],
  device: Device = desktop,
  stylesKnown = true,
): Scene {
  const index = indexDocument(document);
  const semantics = semanticsOf({ index, styles: stylesFromCascade(cascadeFor(index, sheets, device)) });
  let views: readonly SchemeView[] | null = null;
  return {
    ...semantics,
    document,
    stylesKnown,
    schemes() {
      if (views === null) {
        const other = device.colourScheme === "light" ? "dark" : "light";
        const first = schemeView(device.colourScheme, semantics.page, semantics.presence);
        if (asksForScheme(index, sheets)) {
          const page = {
            index,
            styles: stylesFromCascade(cascadeFor(index, sheets, { ...device, colourScheme: other })),
          };
          views = [first, schemeView(other, page, presenceOf(page))];
        } else views = [first];
      }
      return views;
    },
  };
}
