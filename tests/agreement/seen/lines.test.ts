import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { afterAll, beforeAll, expect, test } from "vitest";
import { audit, nodeHost } from "../../../src/api.ts";
import { served } from "./served.ts";

const folder = mkdtempSync(path.join(os.tmpdir(), "keel-lines-"));
const packages = path.resolve(import.meta.dirname, "../../../node_modules");
let port = "";

beforeAll(async () => {
  symlinkSync(packages, path.join(folder, "node_modules"));
  const probe = await served({});
  port = new URL(probe.base).port;
  probe.close();
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** A project that a development server serves. */
async function auditProject(name: string, files: Readonly<Record<string, string>>) {
  const root = path.join(folder, name);
  for (const [file, text] of Object.entries(files)) {
    mkdirSync(path.dirname(path.join(root, file)), { recursive: true });
    writeFileSync(path.join(root, file), text);
  }
  const start = `"${process.execPath}" ../node_modules/vite/bin/vite.js --port ${port} --strictPort`;
  const { findings, problems } = await audit(
    `http://localhost:${port}/`,
    { start, press: false, outcomes: ["failed"], config: false, only: ["names", "contrast", "keys"] },
    { host: nodeHost({ workingDirectory: root }) },
  );
  expect(problems).toEqual([]);
  return findings
    .map(({ check, source, origins }) => [
      check,
      `${source?.file}:${source?.line}`,
      ...origins.map((origin) => `${origin.source?.file}:${origin.source?.line}`),
    ])
    .sort();
}

const page = (script: string) =>
  `<!DOCTYPE html>\n<html lang="en"><head><title>Slips – Brackwater Boatyard</title></head>\n<body><div id="root"></div><script type="module" src="${script}"></script></body></html>`;
const css = `:root {\n  --muted: #9aa8b0;\n}\n.claim {\n  color: var(--muted);\n}\n`;

test("a page of React is told at the lines of its components and stylesheets", async () => {
  const found = await auditProject("react", {
    "index.html": page("/src/main.tsx"),
    "vite.config.js": `export default { esbuild: { jsx: "automatic", jsxDev: true }, oxc: { jsx: { runtime: "automatic", development: true } }, cacheDir: ".cache" };`,
    "src/main.tsx": `import { createRoot } from "react-dom/client";\nimport { App } from "./App.tsx";\nimport "./yard.css";\ncreateRoot(document.getElementById("root")).render(<App />);\n`,
    "src/App.tsx": `export function App() {\n  return (\n    <main>\n      <h1>Slips</h1>\n      <img src="/boat.png" />\n      <p className="claim">Slip 4 is free.</p>\n      <div onClick={() => console.log("more")}>More</div>\n    </main>\n  );\n}\n`,
    "src/yard.css": css,
  });
  expect(found).toEqual([
    ["contrast.text", "src/App.tsx:6", "src/yard.css:5", "src/yard.css:2"],
    ["keys.reachable", "src/App.tsx:7"],
    ["names.image-described", "src/App.tsx:5"],
  ]);
});

test("a page of Vue is told at the lines of its components and stylesheets", async () => {
  const found = await auditProject("vue", {
    "index.html": page("/src/main.js"),
    "vite.config.js": `import vue from "@vitejs/plugin-vue";\nexport default { plugins: [vue()], cacheDir: ".cache" };`,
    "src/main.js": `import { createApp } from "vue";\nimport App from "./App.vue";\nimport "./yard.css";\ncreateApp(App).mount("#root");\n`,
    "src/App.vue": `<script setup>\nconst name = "Slip 4";\n</script>\n<template>\n  <main>\n    <h1>Slips</h1>\n    <img src="data:image/gif;base64,R0lGODlhAQABAAAAACw=">\n    <p class="claim">{{ name }} is free.</p>\n  </main>\n</template>\n`,
    "src/yard.css": css,
  });
  expect(found).toEqual([
    ["contrast.text", "src/App.vue:8", "src/yard.css:5", "src/yard.css:2"],
    ["names.image-described", "src/App.vue:7"],
  ]);
});
