import type { ElementNode } from "../../document/node.ts";
import { attributeText, attributeToken } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { removeAttribute, renameElement } from "../../repair/change.ts";
import { ask, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { Role } from "../../semantics/tables/roles.ts";
import { asButton } from "../as-button.ts";
import type { PageCheck } from "../check.ts";
import { exposedWithRole } from "../exposed.ts";
import { asCheckbox } from "./as-checkbox.ts";

/** Roles for which HTML has an element that brings focus and keys along, and what it is. */
const elementFor = {
  button: '<button type="button">',
  link: "<a href>",
  checkbox: '<input type="checkbox">',
  radio: '<input type="radio">',
  textbox: "<input> or <textarea>",
  heading: "<h2>",
  banner: "<header>",
  navigation: "<nav>",
  main: "<main>",
  contentinfo: "<footer>",
} as const satisfies Partial<Record<Role, string>>;

const landmarkTag = { banner: "header", navigation: "nav", main: "main", contentinfo: "footer" } as const;

/** Elements without a meaning of their own, which imitate. */
const plain = new Set(["div", "span", "p", "i", "b", "em", "strong", "a"]);

function judge(element: ElementNode, scene: Scene): Verdict {
  const { role, from } = scene.role(element);
  if (from !== "role attribute" || role === null || !Object.hasOwn(elementFor, role)) return inapplicable;
  if (!plain.has(element.tag) || element.attributes.has("href")) return passed;
  // HTML has no link that is out of use, and no field for text with formats.
  if (role === "link" && element.tag === "a" && attributeToken(element, "aria-disabled") === "true")
    return passed;
  if (role === "textbox" && element.attributes.has("contenteditable")) return passed;
  const imitated = elementFor[role as keyof typeof elementFor];
  const details = { facts: { role }, ...pointingAt(element, "role") };
  if (role === "heading") {
    const level = attributeText(element, "aria-level")?.trim() ?? "2";
    if (!/^[1-6]$/.test(level)) return passed;
    return failed(
      `This imitates a heading of level ${level}: HTML has one.`,
      withChanges("likely", `Write <h${level}> for it, without role and aria-level.`, [
        renameElement(element, `h${level}`),
        removeAttribute(element, "role"),
        ...(element.attributes.has("aria-level") ? [removeAttribute(element, "aria-level")] : []),
      ]),
      details,
    );
  }
  if (Object.hasOwn(landmarkTag, role) && element.tag === "div") {
    const tag = landmarkTag[role as keyof typeof landmarkTag];
    return failed(
      `This imitates ${imitated}: HTML has it.`,
      withChanges("likely", `Write <${tag}> for <div role="${role}">.`, [
        renameElement(element, tag),
        removeAttribute(element, "role"),
      ]),
      details,
    );
  }
  return failed(
    `This <${element.tag}> imitates a ${role}: HTML has one, with its focus and its keys.`,
    nativeInstead(
      scene,
      element,
      role,
      `Use ${imitated}; it needs no role, no tabindex and no key handlers.`,
    ),
    details,
  );
}

function nativeInstead(scene: Scene, element: ElementNode, role: Role, summary: string): Repair {
  const changes =
    role === "button" ? asButton(scene, element) : role === "checkbox" ? asCheckbox(scene, element) : null;
  return changes === null ? ask(summary) : withChanges("likely", summary, changes);
}

export const nativeFirst = {
  id: "roles.native-first",
  kind: "page",
  isForItsAuthor: true,
  criteria: [],
  severity: "friction",
  means: "What HTML has an element for is made of that element.",
  who: "Whoever meets what the imitation forgot: a key, a state, forced colours, speech input.",
  mend: "Use the native element and style it.",
  looksAt: exposedWithRole,
  judge,
  examples: [
    { html: `<button>Book</button>`, finds: [] },
    { html: `<a href="x" role="button">Book</a>`, finds: [] },
    { html: `<div role="tab" aria-selected="true">Fees</div>`, finds: [] },
    { html: `<section role="banner"></section>`, finds: [] },
    { html: `<a role="link" aria-disabled="true">Slips</a>`, finds: [] },
    { html: `<div role="textbox" contenteditable="true" aria-label="Remarks"></div>`, finds: [] },
    {
      html: `<div role="button" tabindex="0">Book</div>`,
      finds: [
        [
          "failed",
          `<div role="button" tabindex="0">`,
          "This <div> imitates a button: HTML has one, with its focus and its keys.",
        ],
      ],
    },
    {
      html: `<p role="heading" aria-level="3">Fees</p>`,
      finds: [
        ["failed", `<p role="heading" aria-level="3">`, "This imitates a heading of level 3: HTML has one."],
      ],
    },
    {
      html: `<div role="navigation"><a href="x">Slips</a></div>`,
      finds: [["failed", `<div role="navigation">`, "This imitates <nav>: HTML has it."]],
    },
  ],
} as const satisfies PageCheck;
