import { NO } from "../core/css/certainty.ts";
import type { ElementNode } from "../core/document/node.ts";
import { focusCause, isFocusable, isTabbable, tabindexOf } from "../core/rendering/focusable.ts";
import type { Scene } from "../core/scene/scene.ts";
import { heardLineOf } from "../core/semantics/heard-line.ts";
import { type NameCandidate, nameCandidates } from "../core/semantics/name.ts";
import type { NameFrom, States } from "../core/semantics/semantics.ts";
import { spokenValue } from "../core/semantics/states.ts";
import { contentsText } from "../core/semantics/text-alternative.ts";
import { isTold } from "../core/semantics/tree.ts";
import { type ElementAnswer, elementAnswer, type SourceAnswer, type SourceTexts } from "./element-answer.ts";

/** A possible source of the name, with the places that hold it. */
export interface CandidateAnswer {
  readonly from: NameFrom;
  readonly text: string;
  readonly certain: boolean;
  readonly wins: boolean;
  readonly at: readonly SourceAnswer[];
}

/** Everything known of one element, and why. */
export interface Inspection {
  readonly element: ElementAnswer;
  readonly source: SourceAnswer | null;
  readonly heard: string;
  readonly role: { readonly role: string | null; readonly because: string; readonly certain: boolean };
  readonly name: {
    readonly text: string;
    readonly certain: boolean;
    readonly candidates: readonly CandidateAnswer[];
    readonly hides: string | null;
  };
  readonly description: { readonly text: string; readonly from: string | null };
  readonly states: States;
  readonly value: string | null;
  readonly focus: {
    readonly focusable: boolean | null;
    readonly tabStop: boolean | null;
    readonly because: string;
  };
  readonly hidden: {
    readonly exposed: boolean;
    readonly reason: string | null;
    readonly because: ElementAnswer | null;
    readonly at: SourceAnswer | null;
  };
}

export function inspect(scene: Scene, element: ElementNode, texts: SourceTexts): Inspection {
  const { index } = scene.page;
  const role = scene.role(element);
  const name = scene.name(element);
  const description = scene.description(element);
  const presence = scene.presence.of(element);
  const exposed = presence.exposed !== NO;
  return {
    element: elementAnswer(index, scene, element, texts),
    source: texts.place(element.source),
    heard: heardLineOf(scene, element),
    role: { role: role.role, because: role.because, certain: role.certain },
    name: {
      text: name.text,
      certain: name.certain,
      candidates: nameCandidates(scene, element).map((candidate) => candidateAnswer(candidate, texts)),
      hides: hiddenText(scene, element),
    },
    description: { text: description.text, from: description.from },
    states: scene.states(element),
    value: spokenValue(scene, element),
    focus: focusOf(scene, element),
    hidden: {
      exposed: exposed && isTold(scene, element),
      reason: exposed
        ? isTold(scene, element)
          ? null
          : role.role === "none"
            ? "its role is none: its children take its place"
            : "it says nothing: its children take its place"
        : presence.reason,
      because: presence.because === null ? null : elementAnswer(index, scene, presence.because, texts),
      at: presence.because === null ? null : texts.place(presence.because.source),
    },
  };
}

function candidateAnswer(candidate: NameCandidate, texts: SourceTexts): CandidateAnswer {
  const places = candidate.elements
    .map((element) => texts.place(element.source))
    .filter((place) => place !== null);
  const written = texts.place(candidate.source);
  const elsewhere = candidate.from === "aria-labelledby" || candidate.from === "label element";
  return {
    from: candidate.from,
    text: candidate.text,
    certain: candidate.certain,
    wins: candidate.wins,
    at: elsewhere || written === null ? places : [written],
  };
}

/** Text that people see in the element and that its name does not hold: what an aria-label covers up. */
function hiddenText(scene: Scene, element: ElementNode): string | null {
  const { from, text } = scene.name(element);
  if (from !== "aria-label" && from !== "aria-labelledby") return null;
  const { role } = scene.role(element);
  if (
    role === null ||
    !/^(?:link|button|heading|tab|menuitem|option|checkbox|radio|switch|treeitem|cell|gridcell|columnheader|rowheader)$/.test(
      role,
    )
  )
    return null;
  const seen = contentsText(scene, element).text;
  return seen === "" || text.toLowerCase().includes(seen.toLowerCase()) ? null : seen;
}

function focusOf(scene: Scene, element: ElementNode): Inspection["focus"] {
  const focusable = isFocusable(scene.page, scene.presence, element);
  const tabStop = isTabbable(scene.page, scene.presence, element);
  const cause = focusCause(scene.page.index, element);
  const tabindex = tabindexOf(element);
  const known = (value: boolean | "unknown") => (value === "unknown" ? null : value);
  const because =
    cause === null
      ? "nothing makes it focusable"
      : focusable === false
        ? "it is hidden, inert or disabled"
        : cause === "tabindex"
          ? `tabindex="${tabindex}"`
          : tabindex === null
            ? `it is a ${cause}`
            : `it is a ${cause}, with tabindex="${tabindex}"`;
  return { focusable: known(focusable), tabStop: known(tabStop), because };
}
