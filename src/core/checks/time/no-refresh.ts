import type { ElementNode } from "../../document/node.ts";
import { attributeText, attributeToken } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { removeElement } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";

/** Longer than this a time limit is no limit. WCAG 2.2.1, "20 Hour Exception". */
const TWENTY_HOURS = 72_000;

/** HTML §4.2.5.3, "shared declarative refresh steps": the seconds, then perhaps an address. */
function judge(meta: ElementNode): Verdict {
  const content = attributeText(meta, "content");
  const match =
    content === null
      ? null
      : /^[ \t\n\f\r]*(\d+)?(?:\.[\d.]*)?(?:[ \t\n\f\r]*$|[;,\s]\s*(?:url\s*=\s*)?["']?([^"']*))/i.exec(
          content,
        );
  if (content === null || match === null || (match[1] === undefined && !/^\s*\./.test(content)))
    return inapplicable;
  const seconds = Number(match[1] ?? 0);
  const address = match[2]?.trim() ?? "";
  if (seconds === 0 || seconds > TWENTY_HOURS) return passed;
  const after = seconds === 1 ? "1 second" : `${seconds} seconds`;
  return failed(
    address === ""
      ? `The page reloads itself after ${after}.`
      : `The page sends its reader to "${address}" after ${after}.`,
    withChanges(
      "likely",
      address === ""
        ? "Take the refresh out and offer a button that reloads, or bring new content in without moving the reader."
        : "Send people on at once from the server, or give them a link.",
      [removeElement(meta)],
    ),
    {
      facts: { seconds },
      ...pointingAt(meta, "content"),
    },
  );
}

export const noRefresh = {
  id: "time.no-refresh",
  kind: "page",
  criteria: ["2.2.1", "3.2.5"],
  severity: "barrier",
  means: "A page does not reload or leave by itself after a time.",
  who: "Someone who reads slowly, or with a screen reader or magnifier, is thrown back to the top or taken away in the middle of a line.",
  mend: "Let people decide when to reload or go on.",
  looksAt: (scene: Scene) =>
    scene.page.index.byTag("meta").filter((meta) => attributeToken(meta, "http-equiv") === "refresh"),
  judge,
  examples: [
    { html: `<meta http-equiv="refresh" content="0; url=slips.html">`, finds: [] },
    { html: `<meta name="refresh" content="5">`, finds: [] },
    { html: `<meta http-equiv="refresh" content="90000">`, finds: [] },
    {
      html: `<meta http-equiv="refresh" content="30">`,
      finds: [
        ["failed", `<meta http-equiv="refresh" content="30">`, "The page reloads itself after 30 seconds."],
      ],
    },
    {
      html: `<meta http-equiv="Refresh" content="5; URL='tides.html'">`,
      finds: [
        [
          "failed",
          `<meta http-equiv="Refresh" content="5; URL='tides.html'">`,
          `The page sends its reader to "tides.html" after 5 seconds.`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
