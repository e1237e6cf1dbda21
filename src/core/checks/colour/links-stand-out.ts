import { contrastRatio, shownRatio } from "../../colour/contrast.ts";
import { onScreen, type Rgba, toHex } from "../../colour/rgba.ts";
import { NO } from "../../css/certainty.ts";
import { noInteraction } from "../../css/match.ts";
import type { ElementNode } from "../../document/node.ts";
import { hasAttribute, writtenText } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { paintedText } from "../../rendering/painted.ts";
import { whyUnseen } from "../../rendering/unseen.ts";
import { setDeclaration } from "../../repair/change.ts";
import { ask, type Repair, withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { SchemeView } from "../../scene/schemes.ts";
import type { PageCheck } from "../check.ts";
import { originsOf } from "../contrast/suggest-colour.ts";

/** Link and text must differ by this where nothing else tells them apart. WCAG technique G183. */
const NEEDED = 3;

/** So many letters beside a link make it part of a sentence. */
const A_SENTENCE = 12;

/** Links that stand inside a line of text. */
const linksInText = (scene: Scene): readonly ElementNode[] =>
  scene.page.index
    .byTag("a")
    .filter(
      (link) =>
        link.namespace === "html" &&
        hasAttribute(link, "href") &&
        scene.presence.of(link).visible !== NO &&
        scene.name(link).text !== "" &&
        textAround(scene, link) !== null,
    );

/** The element whose own text the link stands in; null for a link that stands alone. */
function textAround(scene: Scene, link: ElementNode): ElementNode | null {
  const parent = scene.page.index.parent(link);
  if (parent === null || scene.page.styles.keyword(link, "display") !== "inline") return null;
  const known = ownLetters(scene);
  const letters = known.get(parent) ?? lettersIn(parent);
  known.set(parent, letters);
  return letters >= A_SENTENCE ? parent : null;
}

/** Letters right inside an element, by element: a paragraph may hold thousands of links. */
const ownLetters = keptForScene((): Map<ElementNode, number> => new Map());

const lettersIn = (element: ElementNode): number =>
  element.children.reduce(
    (sum, child) =>
      sum + (child.kind === "text" ? (writtenText(child.value).match(/[\p{L}\p{N}]/gu)?.length ?? 0) : 0),
    0,
  );

/** Properties that tell a link from the text around it without colour, where the two differ. */
const cues = [
  "font-weight",
  "font-style",
  "font-family",
  "font-size",
  "text-transform",
  "font-variant-caps",
  "background-color",
  "background-image",
  "text-shadow",
  "box-shadow",
  "letter-spacing",
  "outline-style",
];

function judge(link: ElementNode, scene: Scene): Verdict {
  const around = textAround(scene, link);
  if (around === null || !scene.stylesKnown) return inapplicable;
  let seen = false;
  for (const view of scene.schemes()) {
    if (view.presence.of(link).visible === NO || whyUnseen(view.page, link) !== null) continue;
    const verdict = judgeIn(view, link, around);
    if (verdict.outcome === "failed" || verdict.outcome === "cantTell") return verdict;
    seen ||= verdict.outcome === "passed";
  }
  return seen ? passed : inapplicable;
}

/** Whether something beside colour tells a link from the text around it; null where what is in it may. */
function hasOtherCue(view: SchemeView, link: ElementNode, around: ElementNode): boolean | null {
  const { styles, index } = view.page;
  if (isDecorated(view, link)) return true;
  if (
    cues.some((property) =>
      property === "font-size"
        ? styles.fontSize({ element: link }) !== styles.fontSize({ element: around })
        : property === "font-weight"
          ? styles.fontWeight({ element: link }) !== styles.fontWeight({ element: around })
          : styles.keyword(link, property) !== styles.keyword(around, property),
    )
  )
    return true;
  if (index.childElements(link).length > 0) return null;
  return ["before", "after"].some(
    (pseudo) => !/^(?:none|normal|)$/.test(styles.pseudoValue(link, pseudo, "content")?.text ?? ""),
  );
}

/** The colours of a link that is told by nothing else from the text around it; null for every other. */
export function linkAgainstText(
  link: ElementNode,
  scene: Scene,
): { readonly link: Rgba; readonly text: Rgba } | null {
  const around = hasAttribute(link, "href") ? textAround(scene, link) : null;
  const [view] = scene.schemes();
  if (around === null || view === undefined || hasOtherCue(view, link, around) !== false) return null;
  const [mine] = paintedText(view.page, view.painted, link, noInteraction).spots;
  const [theirs] = paintedText(view.page, view.painted, around, noInteraction).spots;
  return mine === undefined || theirs === undefined ? null : { link: mine.text, text: theirs.text };
}

function judgeIn(view: SchemeView, link: ElementNode, around: ElementNode): Verdict {
  const { styles } = view.page;
  const isCued = hasOtherCue(view, link, around);
  if (isCued !== false) return isCued === null ? inapplicable : passed;
  const linkText = paintedText(view.page, view.painted, link, noInteraction);
  const beside = paintedText(view.page, view.painted, around, noInteraction);
  const [mine, theirs] = [linkText.spots[0], beside.spots[0]];
  if (
    linkText.unknown !== null ||
    beside.unknown !== null ||
    mine === undefined ||
    theirs === undefined ||
    linkText.spots.length > 1
  )
    return inapplicable;
  const ratio = contrastRatio(onScreen(mine.text), onScreen(theirs.text));
  // A link that looks like the text in every way gives no meaning by colour; that is another question.
  if (toHex(mine.text) === toHex(theirs.text)) return inapplicable;
  const facts = {
    ratio,
    needed: NEEDED,
    foreground: toHex(mine.text),
    background: toHex(theirs.text),
    scheme: view.scheme,
  };
  if (ratio < NEEDED) {
    return failed(
      `Only its colour tells this link from the text around it, and the two differ by ${shownRatio(ratio)}, ${toHex(mine.text)} beside ${toHex(theirs.text)}.`,
      underlined(view, link),
      {
        facts,
        origins: originsOf("foreground", linkText.foreground),
        cause: { kind: "link colour", of: [toHex(mine.text), toHex(theirs.text)] },
      },
    );
  }
  if (!isDecorated(view, link, "hover") || !isDecorated(view, link, "focus")) {
    const changes = (["hover", "focus"] as const).every(
      (kind) =>
        styles.likeness({ element: link, interaction: { kind, element: link } }) !==
        styles.likeness({ element: link }),
    );
    if (!changes)
      return cantTell(
        "Only its colour tells this link from the text around it. Does something beside colour change when it is hovered and focused?",
        ask("Underline it at least under the pointer and while focused."),
        { facts, cause: { kind: "links without another cue", of: [] } },
      );
  }
  return { outcome: "passed", facts };
}

/** The declaration that took the line away gives it back. */
function underlined({ page }: SchemeView, link: ElementNode): Repair {
  const summary = "Underline links in running text: a { text-decoration: underline }.";
  const line = page.styles.value(link, "text-decoration-line");
  return line?.declared != null && line.block?.origin === "author" && line.declared.replaceable
    ? withChanges("likely", summary, [setDeclaration(line.declared, "underline")])
    : ask(summary);
}

function isDecorated(
  view: SchemeView,
  link: ElementNode,
  kind: "none" | "hover" | "focus" = "none",
): boolean {
  const interaction = kind === "none" ? noInteraction : { kind, element: link };
  const line =
    view.page.styles.value(link, "text-decoration-line", interaction)?.text?.toLowerCase() ?? "underline";
  const isSeen = (property: string): boolean =>
    view.page.styles.colour({ element: link, interaction }, property)?.colour?.alpha !== 0;
  if (/underline|overline|line-through/.test(line) && isSeen("text-decoration-color")) return true;
  return ["top", "right", "bottom", "left"].some((side) => {
    const value = (what: string) =>
      view.page.styles.value(link, `border-${side}-${what}`, interaction)?.text?.toLowerCase() ?? "none";
    return (
      !/^(?:none|hidden)$/.test(value("style")) &&
      !/^0[a-z]*$/.test(value("width")) &&
      isSeen(`border-${side}-color`)
    );
  });
}

export const linksStandOut = {
  id: "colour.links-stand-out",
  kind: "page",
  isHeard: false,
  surroundings: "colours",
  criteria: ["1.4.1"],
  severity: "barrier",
  means:
    "Links in running text differ from it by more than colour, or by 3:1 and a change on hover and focus.",
  who: "Someone who sees few or no colours does not find the links in the text.",
  mend: "Underline links in running text.",
  looksAt: linksInText,
  judge,
  examples: [
    { html: `<p>Ask the <a href="x">yard office</a> before you launch.</p>`, finds: [] },
    {
      html: `<style>a { text-decoration: none; font-weight: bold; color: #06c }</style><p>Ask the <a href="x">yard office</a> before you launch.</p>`,
      finds: [],
    },
    {
      html: `<style>p { color: #000 } a { text-decoration: none; color: #c00 } a:hover, a:focus { text-decoration: underline }</style><p>Ask the <a href="x">yard office</a> before you launch.</p>`,
      finds: [],
    },
    {
      html: `<style>a { text-decoration: none; color: #036 }</style><ul><li><a href="x">Slips</a></li></ul>`,
      finds: [],
    },
    {
      html: `<style>p { color: #333 } a { text-decoration: none; color: #036; border: 1px solid }</style><p>Ask the <a href="x">yard office</a> before you launch.</p>`,
      finds: [],
    },
    {
      html: `<style>p { color: #333 } a { text-decoration: none; color: #036; font-variant: small-caps }</style><p>Ask the <a href="x">yard office</a> before you launch.</p>`,
      finds: [],
    },
    {
      html: `<style>p { color: #333 } a { text-decoration-color: transparent; color: #036 }</style><p>Ask the <a href="x">yard office</a> before you launch.</p>`,
      finds: [
        [
          "failed",
          `<a href="x">`,
          "Only its colour tells this link from the text around it, and the two differ by 1.00:1, #003366 beside #333333.",
        ],
      ],
    },
    {
      html: `<style>p { color: #333 } a { text-decoration: none; color: #036 }</style><p>Ask the <a href="x">yard office</a> before you launch.</p>`,
      finds: [
        [
          "failed",
          `<a href="x">`,
          "Only its colour tells this link from the text around it, and the two differ by 1.00:1, #003366 beside #333333.",
        ],
      ],
    },
    {
      html: `<style>p { color: #000 } a { text-decoration: none; color: #c00 }</style><p>Ask the <a href="x">yard office</a> before you launch.</p>`,
      finds: [
        [
          "cantTell",
          `<a href="x">`,
          "Only its colour tells this link from the text around it. Does something beside colour change when it is hovered and focused?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
