import { expect, test } from "vitest";
import { byId, sceneOf } from "../../page.ts";

test("the steps of an animation are known by the name an element gives", () => {
  const scene = sceneOf(
    `<style>@keyframes "tide" { from { top: 0 } 25%, 75% { background: #000 } to { top: 9px } }</style><p id="a">x</p>`,
  );
  const steps = scene.page.styles.keyframes(byId(scene, "a"), "tide");
  expect(steps.map(({ offsets: at }) => at)).toEqual([[0], [0.25, 0.75], [1]]);
  expect(steps[1]?.declarations.get("background-color")?.text).toBe("#000");
  expect(scene.page.styles.keyframes(byId(scene, "a"), "ebb")).toEqual([]);
});

test("the page with the window turned is made only where a style asks how it stands", () => {
  expect(sceneOf("<p>x</p>").turned()).toBeNull();
  const scene = sceneOf(`<style>@media (orientation: portrait) { p { color: red } }</style><p id="a">x</p>`);
  const turned = scene.turned();
  expect(scene.page.styles.keyword(byId(scene, "a"), "color")).not.toBe("red");
  expect(turned?.page.styles.keyword(byId(scene, "a"), "color")).toBe("red");
});

test("what the page declares anywhere is told at once", () => {
  const { styles } = sceneOf(`<style>a { order: 2 }</style><p style="float: left">x</p>`).page;
  expect(["order", "float", "gap", "clip"].map(styles.declares)).toEqual([true, true, false, false]);
});
