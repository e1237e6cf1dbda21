import type { ElementNode } from "../../document/node.ts";
import { attributeToken } from "../../document/written.ts";
import { failed, passed, type Verdict } from "../../findings/verdict.ts";
import { removeAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";

function judge(element: ElementNode): Verdict {
  if (attributeToken(element, "aria-hidden") !== "true") return passed;
  return failed(
    `aria-hidden on <${element.tag}> hides the whole page from assistive technology, or as much of it as the browser lets it.`,
    withChanges("safe", "Take it away; hide what lies behind a dialog with inert.", [
      removeAttribute(element, "aria-hidden"),
    ]),
  );
}

export const documentNotHidden = {
  id: "roles.document-not-hidden",
  kind: "page",
  criteria: ["4.1.2", "1.3.1"],
  severity: "blocker",
  means: "The page as a whole is not hidden from assistive technology.",
  who: "Someone using a screen reader meets an empty page.",
  mend: "Take aria-hidden off the body and the root.",
  pageOnly: true,
  looksAt: (scene: Scene) => [
    ...scene.page.index.byTag("html").slice(0, 1),
    ...scene.page.index.byTag("body").slice(0, 1),
  ],
  judge,
  examples: [
    { html: `<!doctype html><title>t</title><body><p>x</p>`, finds: [], others: 1 },
    {
      html: `<!doctype html><title>t</title><body aria-hidden="true"><p>x</p>`,
      finds: [
        [
          "failed",
          `<body aria-hidden="true">`,
          "aria-hidden on <body> hides the whole page from assistive technology, or as much of it as the browser lets it.",
        ],
      ],
      others: 1,
    },
  ],
} as const satisfies PageCheck;
