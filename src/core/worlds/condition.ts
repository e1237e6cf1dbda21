/** What holds in one arm of a decision, about something as source writes it. */
export type Condition =
  | {
      readonly of: string;
      readonly is:
        | "given"
        | "not given"
        | "provided"
        | "not provided"
        | "there"
        | "not there"
        | "so"
        | "not so"
        | "none of these";
    }
  /** It has a value, as source writes that. */
  | { readonly of: string; readonly is: "value"; readonly value: string }
  /** What is looked at is one of its items, from 1. */
  | { readonly of: string; readonly is: "item"; readonly number: number }
  /** HTML that is put in as text. */
  | { readonly is: "words" | "no words" };

/** A condition as the clause of a sentence: `` `label` is not given``. */
export function conditionText(condition: Condition): string {
  switch (condition.is) {
    case "words":
      return "the HTML put in here holds words";
    case "no words":
      return "the HTML put in here holds no words";
    case "item":
      return `it is item ${condition.number} of \`${condition.of}\``;
    case "value":
      return `\`${condition.of}\` is ${condition.value}`;
    default:
      return `\`${condition.of}\` is ${condition.is}`;
  }
}
