import { catalogueOf, explained } from "../answers/explain.ts";
import { everyCheck } from "../core/checks/catalogue.ts";
import { families } from "../core/checks/check.ts";
import { nearestWord } from "../core/document/nearest-word.ts";
import { criteria } from "../core/standards/criteria.ts";
import { catalogueMarkdown } from "../report/markdown/catalogue.ts";
import { catalogueText, explanationText } from "../report/terminal/explain.ts";
import type { ExplainArguments } from "./explain.ts";
import { DONE, type Io, type Status } from "./io.ts";
import { RunContext } from "./run-context.ts";

export async function runExplain(args: ExplainArguments, io: Io): Promise<Status> {
  const run = new RunContext(io, args);
  if (args.format === "markdown")
    return args.topic === undefined
      ? run.deliver([catalogueMarkdown(catalogueOf())], DONE)
      : run.refuse("--format markdown writes the whole catalogue; leave the topic out");
  if (args.topic === undefined) return run.deliver([catalogueText(catalogueOf(), run.paint)], DONE);
  const topic = args.topic
    .trim()
    .replace(/^(?:WCAG|SC)\s*/i, "")
    .toLowerCase();
  const explanation = explained(topic);
  if (explanation !== null) return run.deliver([explanationText(explanation, run.paint)], DONE);
  const near = nearestWord(topic, [
    ...everyCheck.map((check) => check.id),
    ...Object.keys(families),
    ...Object.keys(criteria),
  ]);
  return run.refuse(
    `there is no check, criterion or family "${args.topic}"; ${near === null ? "keel explain lists them all" : `did you mean ${near}?`}`,
  );
}
