import type { ElementNode } from "../../document/node.ts";
import { attributeText, attributeToken } from "../../document/written.ts";
import { failed, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { setAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";

interface Property {
  readonly name: string;
  readonly value: string;
  readonly written: string;
}

/** The properties of a viewport meta element. CSS Viewport 1 §4, "parsing algorithm": separators are commas and semicolons. */
function properties(content: string): readonly Property[] {
  return content
    .split(/[,;]/)
    .map((part) => part.trim())
    .filter((part) => part !== "")
    .map((written) => {
      const [name = "", value = ""] = written.split("=");
      return { name: name.trim().toLowerCase(), value: value.trim().toLowerCase(), written };
    });
}

/** Zoom to at least this must stay possible. WCAG 1.4.4. */
const NEEDED_ZOOM = 2;

/** Whether a property keeps people from zooming to 200%. */
function blocks({ name, value }: Property): boolean {
  if (name === "user-scalable")
    return (
      value === "no" ||
      (value !== "" && Math.abs(Number.parseFloat(value)) < 1) ||
      (value !== "yes" &&
        value !== "device-width" &&
        value !== "device-height" &&
        Number.isNaN(Number.parseFloat(value)) &&
        value !== "")
    );
  if (name !== "maximum-scale" || value === "yes") return false;
  const scale = value === "no" ? 0 : Number.parseFloat(value);
  return scale >= 0 && scale < NEEDED_ZOOM;
}

function judge(meta: ElementNode): Verdict {
  const content = attributeText(meta, "content");
  if (content === null) return passed;
  const all = properties(content);
  const blocking = all.filter(blocks);
  if (blocking.length === 0) return passed;
  const rest = all
    .filter((property) => !blocking.includes(property))
    .map((property) => property.written)
    .join(", ");
  return failed(
    `The page keeps people from zooming in: ${blocking.map((p) => p.written).join(", ")}.`,
    withChanges("safe", `Leave it out: content="${rest}".`, [setAttribute(meta, "content", rest)]),
    {
      facts: { content },
      ...pointingAt(meta, "content"),
    },
  );
}

export const zoomNotBlocked = {
  id: "zoom.not-blocked",
  kind: "page",
  criteria: ["1.4.4"],
  severity: "barrier",
  means: "The page lets people zoom to at least 200%.",
  who: "Someone with low vision cannot enlarge the text on a phone or tablet.",
  mend: "Leave user-scalable and maximum-scale out of the viewport meta element.",
  looksAt: (scene: Scene) =>
    scene.page.index.byTag("meta").filter((meta) => attributeToken(meta, "name") === "viewport"),
  judge,
  examples: [
    { html: `<meta name="viewport" content="width=device-width, initial-scale=1">`, finds: [] },
    {
      html: `<meta name="viewport" content="width=device-width, maximum-scale=5, user-scalable=yes">`,
      finds: [],
    },
    {
      html: `<meta name="viewport" content="width=device-width, user-scalable=no">`,
      finds: [
        [
          "failed",
          `<meta name="viewport" content="width=device-width, user-scalable=no">`,
          "The page keeps people from zooming in: user-scalable=no.",
        ],
      ],
    },
    {
      html: `<meta name="viewport" content="width=device-width; maximum-scale=1.0">`,
      finds: [
        [
          "failed",
          `<meta name="viewport" content="width=device-width; maximum-scale=1.0">`,
          "The page keeps people from zooming in: maximum-scale=1.0.",
        ],
      ],
    },
    {
      html: `<meta name="viewport" content="user-scalable=0">`,
      finds: [
        [
          "failed",
          `<meta name="viewport" content="user-scalable=0">`,
          "The page keeps people from zooming in: user-scalable=0.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
