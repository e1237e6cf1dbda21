import type { LivePage } from "./live-page.ts";
import type { Change } from "./page-state.ts";
import { told } from "./rendered-element.ts";

/** What has focus, as a finding tells it. */
export const focusText = (page: LivePage): string => {
  const element = told(page, page.focused());
  return element === null ? "focus on nothing" : `focus on ${element.heard}`;
};

/** Keys one after the other, the same several times as a number, and what came of the last. */
export function keysText(keys: readonly string[], then: string): string {
  const runs: { key: string; times: number }[] = [];
  for (const key of keys) {
    const last = runs.at(-1);
    if (last?.key === key) last.times++;
    else runs.push({ key, times: 1 });
  }
  const told = runs.map(({ key, times }) =>
    times > 3 ? `${key} ×${times}` : Array(times).fill(key).join(" "),
  );
  return `${told.join(" ")} → ${then}`;
}

/** A change as a step tells it. */
export const changeText = ({ at, what, detail }: Change): string =>
  `${at.startsWith("@") ? "" : at} ${what}${detail === "" ? "" : ` ${detail}`}`.trim();
