/** The kinds of source in which an example may be written. */
export type ExampleSource = "html" | "tsx" | "vue" | "svelte" | "angular";

/** One finding that an example must bring: the outcome, the start tag that it is about, and its whole message. */
export type ExpectedFinding = readonly [outcome: "failed" | "cantTell", element: string, message: string];

/**
 * Source as people write it, and all that its check must find in it: nothing where it is kept. Of components the markup is
 * given, which a component of its own is put around.
 */
export type Example = { readonly [Source in ExampleSource]?: string } & {
  readonly finds: readonly ExpectedFinding[];
  /** In how many places other checks fail in it; none where it is not given. */
  readonly others?: number;
  /** Whether only a page that was laid out and painted shows it, so that it must be opened in a browser. */
  readonly isSeen?: true;
};

/** Several pages, and all that must be found in them: the page by its number, from 1, before each finding. */
export interface SiteExample {
  readonly pages: readonly string[];
  readonly finds: readonly (readonly [page: number, ...finding: ExpectedFinding])[];
}

/** What an example shows: that the check is kept, that it is broken, or that it must stay a question. */
export function outcomeOf({ finds }: Example | SiteExample): "kept" | "broken" | "asked" {
  const outcomes = finds.map((finding) => (finding.length === 4 ? finding[1] : finding[0]));
  return outcomes.includes("failed") ? "broken" : outcomes.includes("cantTell") ? "asked" : "kept";
}
