import type { Rgba } from "../colour/rgba.ts";
import { cascadeFor } from "../css/cascade.ts";
import { type Device, desktop } from "../css/device.ts";
import type { AppliedSheet } from "../css/sheet.ts";
import { stylesFromCascade } from "../css/styles.ts";
import { indexDocument } from "../document/document-index.ts";
import type { Document, ElementNode } from "../document/node.ts";
import { presenceOf } from "../rendering/presence.ts";
import type { Semantics } from "../semantics/semantics.ts";
import { semanticsOf } from "../semantics/semantics-of.ts";
import {
  asksForOrientation,
  asksForScheme,
  type SchemeView,
  schemeView,
  type Theme,
  themeName,
  withTheme,
} from "./schemes.ts";
import type { Seen } from "./seen.ts";

/** A colour with the name it has in the project. */
export interface NamedColour {
  readonly name: string;
  readonly colour: Rgba;
}

/** The one thing a check may question. */
export interface Scene extends Semantics {
  readonly document: Document;
  /** What a browser has seen of it; null where nothing has laid it out. */
  readonly seen: Seen | null;
  /** Whether every stylesheet the page names was read: else colours are not known. */
  readonly stylesKnown: boolean;
  /** The page in a frame, where its source was read. */
  frame(element: ElementNode): Scene | null;
  /** Colours of the project's own that the page itself does not name. */
  readonly palette: readonly NamedColour[];
  /** The page in each colour scheme it is made for; the first is that of the device. Worked out when first asked for. */
  schemes(): readonly SchemeView[];
  /** The page with the window turned by a quarter; null where no style asks how it stands. Worked out when first asked for. */
  turned(): SchemeView | null;
}

export interface SceneOptions {
  readonly device?: Device;
  readonly stylesKnown?: boolean;
  /** Themes in which colours are judged too. */
  readonly themes?: readonly Theme[];
  /** The colour schemes in which colours are judged; those the page is made for when not given. */
  readonly colourSchemes?: readonly ("light" | "dark")[] | null;
  /** Colours of the project's own, beside the custom properties of the page. */
  readonly palette?: readonly NamedColour[];
  /** The pages in frames. */
  readonly frames?: ReadonlyMap<ElementNode, Scene>;
  readonly seen?: Seen | null;
}

/** A scene read from source: markup and our own cascade, nothing executed. */
export function sceneFromSource(
  document: Document,
  sheets: readonly AppliedSheet[],
  {
    device = desktop,
    stylesKnown = true,
    themes = [],
    colourSchemes = null,
    palette = [],
    frames = new Map(),
    seen = null,
  }: SceneOptions = {},
): Scene {
  const index = indexDocument(document);
  const semantics = semanticsOf({ index, styles: stylesFromCascade(cascadeFor(index, sheets, device)) });
  const other = device.colourScheme === "light" ? "dark" : "light";
  let views: readonly SchemeView[] | null = null;
  let turned: SchemeView | null | undefined;
  return {
    ...semantics,
    document,
    seen,
    stylesKnown,
    palette,
    frame: (element) => frames.get(element) ?? null,
    schemes() {
      views ??= [
        schemeView(device.colourScheme, semantics.page, semantics.presence),
        ...((colourSchemes?.includes(other) ?? asksForScheme(index, sheets))
          ? [viewOf(document, sheets, { ...device, colourScheme: other }, null)]
          : []),
        ...themes.map((theme) => viewOf(withTheme(document, theme), sheets, device, theme)),
      ];
      return views;
    },
    turned() {
      turned ??= asksForOrientation(sheets)
        ? viewOf(document, sheets, { ...device, width: device.height, height: device.width }, null)
        : null;
      return turned;
    },
  };
}

/** The page styled once more, for another scheme or theme. Its elements are the same, but for the root of a theme. */
function viewOf(
  document: Document,
  sheets: readonly AppliedSheet[],
  device: Device,
  theme: Theme | null,
): SchemeView {
  const index = indexDocument(document);
  // The document itself is another object then: its own sheets go with it.
  const moved = sheets.map((sheet) => ("mode" in sheet.scope ? sheet : { ...sheet, scope: document }));
  const page = { index, styles: stylesFromCascade(cascadeFor(index, moved, device)) };
  return schemeView(theme === null ? device.colourScheme : themeName(theme), page, presenceOf(page));
}
