import { cpSync } from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { audit, nodeHost } from "../../../src/api.ts";
import { project } from "../../render/specimen-project.ts";
import { isOfToday } from "../of-today.ts";

const demo = path.resolve(import.meta.dirname, "../../../demo");

/** What fails in the specimens of a file, each with its place and what people press to get there. */
async function failuresIn(folder: string, file: string, engine: "render" | "browser") {
  const { findings, problems, subjects } = await audit(
    [file],
    { engine, outcomes: ["failed"], all: true, config: false, timeLimit: 60 },
    { host: nodeHost({ workingDirectory: folder }) },
  );
  return {
    failures: findings
      .map(
        ({ check, source, facts }) =>
          `${check} ${source?.file}:${source?.line} ${typeof facts.keys === "string" ? facts.keys : ""}`,
      )
      .sort(),
    problems: problems.map(({ target, message }) => `${target}: ${message}`),
    subjects: subjects.map(({ id, engine: by }) => `${id} ${by}`),
  };
}

const ofDemo = (part: string): string => {
  const folder = project({});
  cpSync(path.join(demo, part), folder, { recursive: true });
  return folder;
};

describe("specimens in a browser", () => {
  const dialogs = [
    ["dialog", "booking-dialog.specimen.tsx"],
    ["dialog-mended", "booking-dialog.specimen.tsx"],
    ["dialog-angular", "slip-booking.specimen.ts"],
  ] as const;
  test.each(dialogs.filter((_, turn) => isOfToday(turn, dialogs.length)))(
    "%s fails as it does in a simulated window, at the same places by the same keys",
    async (part, file) => {
      const folder = ofDemo(part);
      const simulated = await failuresIn(folder, file, "render");
      const seen = await failuresIn(folder, file, "browser");
      expect(seen.problems.filter((one) => !/sandbox/.test(one))).toEqual([]);
      expect(seen.failures).toEqual(simulated.failures);
      expect(seen.subjects).toEqual(simulated.subjects.map((one) => one.replace(/render$/, "browser")));
    },
  );

  /** Pale text that only its own component's style makes pale, on a ground that a picture of a module makes. */
  const styled = {
    "yard.svg":
      '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><rect width="40" height="40" fill="#123"/></svg>',
    "Slip.vue": `<script setup>
import photo from "./yard.svg";
defineProps({ name: String });
</script>
<template>
  <p class="pale">{{ name }}</p>
  <p :class="$style.pale">Free from Tuesday</p>
  <div class="night"><p>Tide at noon</p></div>
  <img :src="photo" alt="The yard" width="40" height="40" />
</template>
<style scoped>
.pale { color: #999; background: #fff }
.night { color: #667; background: url(yard.svg) }
</style>
<style module>
.pale { color: #767676; background: #fff }
</style>`,
    "slip.specimen.js": `import { specimen } from "even-keel/specimen";
import Slip from "./Slip.vue";
import { h } from "vue";
specimen("slip", () => h(Slip, { name: "Slip 4" }));`,
    "Berth.svelte": `<script>
let { name } = $props();
let taken = $state(false);
</script>
<p class="pale">{name}</p>
<button onclick={() => (taken = !taken)}>Take</button>
{#if taken}<p class="pale">Taken</p>{/if}
<style>
.pale { color: #999; background: #fff }
</style>`,
    "berth.specimen.js": `import { specimen } from "even-keel/specimen";
import Berth from "./Berth.svelte";
specimen("berth", () => ({ component: Berth, props: { name: "Berth 2" } }));`,
    "Card.jsx": `import names from "./card.module.css";
import "./base.css";
export const Card = () => <section><p className={names.pale}>Slip 7</p><p className="pale">Slip 8</p></section>;`,
    "card.module.css": ".pale { color: #999; background: #fff }\n:global(.pale) { color: #888 }",
    "base.css": "@import './ground.css';\n.pale { font-size: 14px }",
    "ground.css": "body { background: #fff }",
    "card.specimen.jsx": `import { specimen } from "even-keel/specimen";
import { Card } from "./Card.jsx";
specimen("card", () => <Card />);`,
  };

  const expectations: readonly (readonly [string, readonly string[]])[] = [
    ["slip.specimen.js", ["contrast.text Slip.vue:6", "contrast.text Slip.vue:8"]],
    ["berth.specimen.js", ["contrast.text Berth.svelte:5", "contrast.text Berth.svelte:7"]],
    ["card.specimen.jsx", ["contrast.text Card.jsx:3", "contrast.text Card.jsx:3"]],
  ];
  test.each(expectations.filter((_, turn) => isOfToday(turn, expectations.length)))(
    "%s shows its own styles, and what pictures lie under",
    async (file, expected) => {
      const { failures, problems } = await failuresIn(project(styled), file, "browser");
      expect({ failures: failures.map((one) => one.split(" ").slice(0, 2).join(" ")), problems }).toEqual({
        failures: expected,
        problems: [],
      });
    },
  );

  test("one that throws is told of with its place, and the other is looked at", async () => {
    const folder = project({
      "yard.specimen.jsx": `import { specimen } from "even-keel/specimen";
const Torn = () => { throw new Error("no slip"); };
specimen("torn", () => <Torn />);
specimen("narrow", () => <img src="hull.png" />, { viewport: { width: 320, height: 400 } });`,
    });
    const { failures, problems, subjects } = await failuresIn(folder, "yard.specimen.jsx", "browser");
    expect(subjects).toEqual(["yard.specimen.jsx#narrow browser"]);
    expect(failures).toEqual(["names.image-described yard.specimen.jsx:4 "]);
    expect(problems).toEqual([
      expect.stringMatching(
        /^yard\.specimen\.jsx:3 "torn": Could not be mounted: no slip \(.*yard\.specimen\.jsx:2:/,
      ),
    ]);
  });
});
