import { type Check, familyOf } from "../core/checks/check.ts";
import { nearestWord } from "../core/document/nearest-word.ts";
import { type Result, refusal } from "../core/findings/problems.ts";

/** The words of a list whose items may hold several, parted by commas. */
export const listedWords = (list: readonly string[] | undefined): readonly string[] =>
  (list ?? []).flatMap((word) => word.split(",")).filter((word) => word !== "");

/** The checks that `only` and `skip` leave; an unknown id is an error that names the nearest. */
export function chooseChecks<C extends Check>(
  checks: readonly C[],
  only: readonly string[] | undefined,
  skip: readonly string[] | undefined,
): Result<readonly C[]> {
  const ids = checks.map((check) => check.id as string);
  const families: readonly string[] = [...new Set(ids.map(familyOf))];
  const [wanted, unwanted] = [listedWords(only), listedWords(skip)];
  for (const word of [...wanted, ...unwanted]) {
    if (ids.includes(word) || families.includes(word)) continue;
    const near = nearestWord(word, [...ids, ...families]);
    return refusal(
      `there is no check or family "${word}"${near === null ? `; families are ${families.join(", ")}` : `; did you mean ${near}?`}`,
    );
  }
  const isNamed = (list: readonly string[], check: C) =>
    list.includes(check.id) || list.includes(familyOf(check.id));
  return {
    ok: true,
    value: checks.filter(
      (check) => (wanted.length === 0 || isNamed(wanted, check)) && !isNamed(unwanted, check),
    ),
  };
}
