import { cascadeFor } from "../css/cascade.ts";
import { type Device, desktop } from "../css/device.ts";
import type { AppliedSheet } from "../css/sheet.ts";
import { stylesFromCascade } from "../css/styles.ts";
import { indexDocument } from "../document/document-index.ts";
import type { Document } from "../document/node.ts";
import { type Semantics, semanticsOf } from "../semantics/semantics.ts";

/** The one thing a check may question. */
export interface Scene extends Semantics {
  readonly document: Document;
}

/** A scene read from source: markup and our own cascade, nothing executed. */
export function sceneFromSource(
  document: Document,
  sheets: readonly AppliedSheet[],
  device: Device = desktop,
): Scene {
  const index = indexDocument(document);
  const semantics = semanticsOf({ index, styles: stylesFromCascade(cascadeFor(index, sheets, device)) });
  return { ...semantics, document };
}
