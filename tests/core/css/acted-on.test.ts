import { describe, expect, test } from "vitest";
import type { Interaction } from "../../../src/core/css/match.ts";
import type { Scene } from "../../../src/core/scene/scene.ts";
import { byId, sceneOf } from "../../page.ts";
import { randomFrom } from "../../readers/programs.ts";

/** Pseudo-classes of what the user does, each with the attribute that stands for it on a page where it is so already. */
const states = {
  hover: "data-h",
  active: "data-a",
  focus: "data-f",
  "focus-visible": "data-v",
  "focus-within": "data-w",
};

/** Rules of many forms that answer to what the user does, and some that do not. */
function ruleFrom(random: () => number, n: number): string {
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const state = () => `:${one(Object.keys(states))}`;
  const plain = () => one(["div", ".a", ".b", "#n3", "span", "*", ".a.b"]);
  const form = one([
    () => `${plain()}${state()}`,
    () => `${plain()}${state()} ${plain()}`,
    () => `${plain()} > ${plain()}${state()} + ${plain()}`,
    () => `${plain()}:not(${plain()}${state()})`,
    () => `${plain()}:is(${plain()}${state()}, .b ${plain()})`,
    () => `${plain()}:has(> ${plain()}${state()})`,
    () => `${plain()}:has(${plain()}${state()}) ${plain()}`,
    () => `${plain()}:nth-child(odd of ${plain()}${state()})`,
    () => `${plain()}:where(${state()})`,
    () => `${plain()} ${plain()}`,
  ])();
  const declarations = `{ --v: r${n}; z-index: ${n} }`;
  return random() < 0.15
    ? `@scope (${plain()}${state()}) { ${one([form, plain()])} ${declarations} }`
    : `${form} ${declarations}`;
}

const markup = (attributes: (id: number) => string): string => {
  const element = (id: number, tag: string, names: string, inside: string) =>
    `<${tag} id="n${id}" class="${names}" ${attributes(id)}>${inside}</${tag}>`;
  const leaf = (id: number, names: string) => element(id, "span", names, "x");
  const inner = element(3, "div", "a", leaf(4, "b") + leaf(5, "a b") + leaf(6, ""));
  return `<!doctype html><html ${attributes(0)}><body ${attributes(0)}>${element(1, "div", "b", element(2, "div", "a b", inner + leaf(7, "a")) + leaf(8, "b"))}`;
};

const ids = [1, 2, 3, 4, 5, 6, 7, 8];
const above: Readonly<Record<number, readonly number[]>> = {
  1: [1],
  2: [2, 1],
  3: [3, 2, 1],
  4: [4, 3, 2, 1],
  5: [5, 3, 2, 1],
  6: [6, 3, 2, 1],
  7: [7, 2, 1],
  8: [8, 1],
};

/** The attributes of an element on a page that is already in the state that an action brings; 0 is all that stands around. */
const stated =
  (kind: Interaction["kind"], acted: number) =>
  (id: number): string => {
    const isAround = id === 0 || above[acted]?.includes(id) === true;
    const given = [
      (kind === "hover" || kind === "active") && isAround && states.hover,
      kind === "active" && isAround && states.active,
      kind === "focus" && id === acted && `${states.focus} ${states["focus-visible"]}`,
      kind === "focus" && isAround && states["focus-within"],
    ];
    return given.filter((one) => one !== false).join(" ");
  };

const asWritten = (css: string): string =>
  css.replace(
    /:(focus-visible|focus-within|hover|active|focus)\b/g,
    (_, name: keyof typeof states) => `[${states[name]}]`,
  );

const valuesOf = (scene: Scene, interaction?: Interaction) =>
  ids.map((id) =>
    ["--v", "z-index"].map(
      (property) => scene.page.styles.value(byId(scene, `n${id}`), property, interaction)?.text,
    ),
  );

describe("what is acted on has the styles of a page that is in that state already", () => {
  test.each(Array.from({ length: 40 }, (_, seed) => seed))("rules from %i", (seed) => {
    const random = randomFrom(seed + 1);
    const css = Array.from({ length: 12 }, (_, n) => ruleFrom(random, n)).join("\n");
    const scene = sceneOf(
      markup(() => ""),
      { css },
    );
    const seen = new Set([JSON.stringify(valuesOf(scene))]);
    for (const kind of ["hover", "focus", "active"] as const)
      for (const acted of ids) {
        const found = valuesOf(scene, { kind, element: byId(scene, `n${acted}`) });
        expect([kind, acted, found]).toEqual([
          kind,
          acted,
          valuesOf(sceneOf(markup(stated(kind, acted)), { css: asWritten(css) })),
        ]);
        seen.add(JSON.stringify(found));
      }
    expect(seen.size).toBeGreaterThan(1);
  });
});
