import type { Styles } from "../css/styles.ts";
import type { DocumentIndex } from "../document/document-index.ts";

/** What every question about a page begins with: its tree, looked up and styled. */
export interface Page {
  readonly index: DocumentIndex;
  readonly styles: Styles;
}
