import { type CheckText, familyOf } from "../core/checks/check.ts";
import { nearestWord } from "../core/document/nearest-word.ts";

type Chosen<C> =
  | { readonly ok: true; readonly checks: readonly C[] }
  | { readonly ok: false; readonly message: string };

/** The checks that `--only` and `--skip-check` leave; an unknown id is an error that names the nearest. */
export function chooseChecks<C extends CheckText>(
  checks: readonly C[],
  only: readonly string[] | undefined,
  skip: readonly string[] | undefined,
): Chosen<C> {
  const ids = checks.map((check) => check.id as string);
  const families: readonly string[] = [...new Set(ids.map(familyOf))];
  const split = (list: readonly string[] | undefined) =>
    (list ?? []).flatMap((word) => word.split(",")).filter((word) => word !== "");
  for (const word of [...split(only), ...split(skip)]) {
    if (ids.includes(word) || families.includes(word)) continue;
    const near = nearestWord(word, [...ids, ...families]);
    return {
      ok: false,
      message: `there is no check or family "${word}"${near === null ? `; families are ${families.join(", ")}` : `; did you mean ${near}?`}`,
    };
  }
  const names = (list: readonly string[], check: C) =>
    list.includes(check.id) || list.includes(familyOf(check.id));
  const wanted = split(only);
  const unwanted = split(skip);
  return {
    ok: true,
    checks: checks.filter(
      (check) => (wanted.length === 0 || names(wanted, check)) && !names(unwanted, check),
    ),
  };
}
