import type { NamedColour } from "../core/scene/scene.ts";
import type { Theme } from "../core/scene/schemes.ts";

/** In which colours pages are judged. */
export interface AuditColours {
  /** Themes in which colours are judged too. */
  readonly themes: readonly Theme[];
  /** The colour schemes in which colours are judged; null for those the page is made for. */
  readonly colourSchemes: readonly ("light" | "dark")[] | null;
  readonly palette: readonly NamedColour[];
}
