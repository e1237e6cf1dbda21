import type { FollowedMoment } from "../browser/followed.ts";
import { NO } from "../core/css/certainty.ts";
import type { ElementNode } from "../core/document/node.ts";
import { textContent } from "../core/document/text-content.ts";
import { type Problem, type Result, refusal } from "../core/findings/problems.ts";
import type { Scene } from "../core/scene/scene.ts";
import { heardLineOf, heardPartsOf } from "../core/semantics/heard-line.ts";
import { isTold } from "../core/semantics/tree.ts";
import type { FollowedKind } from "../core/walk-script/followed-kinds.ts";
import { parseWalkScript, type WalkStep } from "../core/walk-script/parse.ts";
import {
  type CameOfLine,
  linesOfWhatCame,
  type RecordedAct,
  recordedLines,
} from "../core/walk-script/recorded.ts";
import { withSecrets } from "../core/walk-script/secrets.ts";
import { writtenHeard } from "../core/walk-script/written-line.ts";
import type { PageFile } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import { type WalkPlan, walk } from "./walk.ts";

export { follow } from "../browser/followed.ts";

/** One thing that happened in a window, as it is heard. */
export interface FollowedLine {
  readonly kind: FollowedKind;
  readonly text: string;
}

/** What somebody did in a window, told as it happens and kept to be done again. */
export class FollowedWalk {
  readonly #onLine: (line: FollowedLine) => void;
  readonly #acts: RecordedAct[] = [];
  #pointed = "";
  #changed = "";

  constructor(onLine: (line: FollowedLine) => void) {
    this.#onLine = onLine;
  }

  get acts(): readonly RecordedAct[] {
    return this.#acts;
  }

  /** Takes in what happened between two looks at the page. */
  readonly onMoment = ({ arrived, scene, acts, said }: FollowedMoment): void => {
    if (arrived !== null) this.#onLine({ kind: "page", text: `${titleOf(scene)}${arrived}` });
    for (const { kind, key, element, isText, isSecret } of acts) {
      const told = element === null ? null : toldAround(scene, element);
      const heard = told === null ? "" : heardLineOf(scene, told);
      switch (kind) {
        case "key":
          this.#acts.push({ kind, key, isText, isSecret });
          this.#onLine({ kind, text: isSecret && key.length === 1 ? "a letter of a secret" : key });
          break;
        case "click": {
          const what = told === null ? null : writtenHeard(heardPartsOf(scene, told));
          if (what !== null) this.#acts.push({ kind, what });
          if (heard !== "") this.#onLine({ kind, text: heard });
          break;
        }
        case "pointer":
          // A pointer crosses many parts of what is one thing to people.
          if (heard !== "" && heard !== this.#pointed) this.#onLine({ kind, text: heard });
          this.#pointed = heard;
          break;
        case "focus":
          if (heard !== "") this.#onLine({ kind, text: heard });
          break;
        case "change":
          // Letters that are typed quickly are told together.
          if (heard !== "" && heard !== this.#changed && !isSecret) this.#onLine({ kind, text: heard });
          this.#changed = heard;
          break;
      }
    }
    for (const text of said) this.#onLine({ kind: "said", text: `"${text}"` });
  };
}

const titleOf = ({ page }: Scene): string => {
  const [title] = page.index.byTag("title");
  return title === undefined ? "" : `"${textContent(title)}" `;
};

/** What a person means by a place: the nearest that assistive technology tells of. */
function toldAround(scene: Scene, element: ElementNode): ElementNode | null {
  const { index } = scene.page;
  for (let up: ElementNode | null = element; up !== null; up = index.flatParent(up))
    if (up.tag !== "html" && up.tag !== "body" && scene.presence.of(up).exposed !== NO && isTold(scene, up))
      return up;
  return null;
}

/** A walk script that does what was done, with what came of it; and why it ends before, where it could not be done again. */
export interface RecordedScript {
  readonly text: string;
  readonly lines: number;
  readonly broken: string | null;
  readonly problems: readonly Problem[];
}

/**
 * Writes what was done as a walk script. It is walked once by itself, and what came of each line then is what the script
 * expects: so it holds when it is walked again.
 */
export async function recordedScript(
  acts: readonly RecordedAct[],
  { name }: Pick<PageFile, "name">,
  plan: Omit<WalkPlan, "script">,
  host: Host,
): Promise<Result<RecordedScript>> {
  const { lines, secrets } = recordedLines(acts);
  const parsed = parseWalkScript(lines.join("\n"));
  if (!parsed.ok)
    return refusal(`what was done cannot be written: ${parsed.message} (${lines[parsed.line - 1]})`);
  const filled = withSecrets(parsed.steps, Object.fromEntries(secrets));
  const steps: readonly WalkStep[] = filled.ok ? filled.steps : parsed.steps;
  const answer = await walk({ ...plan, script: steps }, host);
  if (!answer.ok) return refusal(answer.message);
  const walked = answer.walks[0]?.script ?? [];
  const written: string[] = [`# Recorded on ${name}`];
  let before: CameOfLine | null = null;
  let broken: string | null = null;
  let count = 0;
  for (const { written: line, outcome, message, came } of walked) {
    if (outcome !== "held") {
      broken = `${line}: ${message ?? "was not reached"}`;
      written.push(`# It went another way from here when it was walked again: ${message ?? ""}`, `# ${line}`);
      break;
    }
    const expected = came === null ? [] : linesOfWhatCame(before, came);
    written.push(line, ...expected);
    count += 1 + expected.length;
    before = came ?? before;
  }
  return {
    ok: true,
    value: { text: `${written.join("\n")}\n`, lines: count, broken, problems: answer.problems },
  };
}
