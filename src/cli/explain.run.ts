import { catalogueOf, explained } from "../answers/explain.ts";
import { families } from "../core/checks/check.ts";
import { nearestWord } from "../core/document/nearest-word.ts";
import { criteria } from "../core/standards/criteria.ts";
import { nodeHost } from "../host/node.ts";
import { catalogueMarkdown } from "../report/markdown/catalogue.ts";
import { catalogueText, explanationText } from "../report/terminal/explain.ts";
import type { ExplainArguments } from "./explain.ts";
import { complain, deliver, paintOf } from "./run-context.ts";
import { everyCheck } from "./settings.ts";

export async function runExplain(args: ExplainArguments): Promise<void> {
  const host = nodeHost();
  const paint = paintOf(args);
  if (args.format === "markdown") {
    if (args.topic !== undefined)
      return complain("--format markdown writes the whole catalogue; leave the topic out");
    await deliver([catalogueMarkdown(catalogueOf())], args, host);
    return;
  }
  if (args.topic === undefined) {
    await deliver([catalogueText(catalogueOf(), paint)], args, host);
    return;
  }
  const topic = args.topic
    .trim()
    .replace(/^(?:WCAG|SC)\s*/i, "")
    .toLowerCase();
  const explanation = explained(topic);
  if (explanation === null) {
    const near = nearestWord(topic, [
      ...everyCheck.map((check) => check.id),
      ...Object.keys(families),
      ...Object.keys(criteria),
    ]);
    return complain(
      `there is no check, criterion or family "${args.topic}"; ${near === null ? "keel explain lists them all" : `did you mean ${near}?`}`,
    );
  }
  await deliver([explanationText(explanation, paint)], args, host);
}
