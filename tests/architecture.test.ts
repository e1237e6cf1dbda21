import { readdirSync, readFileSync, statSync } from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { everyCheck } from "../src/core/checks/catalogue.ts";

const root = path.resolve(import.meta.dirname, "..");
const src = path.join(root, "src");

function filesIn(folder: string): string[] {
  return readdirSync(folder).flatMap((name) => {
    const full = path.join(folder, name);
    return statSync(full).isDirectory() ? filesIn(full) : name.endsWith(".ts") ? [full] : [];
  });
}

interface Import {
  readonly from: string;
  readonly to: string;
  readonly line: number;
}

const files = filesIn(src);
const relative = (file: string) => path.relative(src, file).split(path.sep).join("/");
const imports: Import[] = files.flatMap((file) =>
  readFileSync(file, "utf8")
    .split("\n")
    .flatMap((text, i) =>
      [...text.matchAll(/(?:from|import)\s*\(?\s*"([^"]+)"/g)].map((m) => ({
        from: relative(file),
        to: m[1] ?? "",
        line: i + 1,
      })),
    )
    .map((found) =>
      found.to.startsWith(".")
        ? { ...found, to: relative(path.resolve(path.dirname(file), found.to)) }
        : found,
    ),
);
const local = imports.filter((found) => files.some((file) => relative(file) === found.to));
const show = ({ from, line, to }: Import) => `${from}:${line} imports ${to}`;

/** Within the core each part may import those that stand after it. */
const coreOrder = [
  "walk-script",
  "checks",
  "worlds",
  "findings",
  "repair",
  "scene",
  "keyboard",
  "focus",
  "semantics",
  "rendering",
  "css",
  "colour",
  "document",
  "standards",
];
/**
 * The rooms outside the core, and which others each may import. What reads, judges and tells stand apart: an engine turns
 * targets into units, answers judge them, reports tell.
 */
const mayImport: Readonly<Record<string, readonly string[]>> = {
  cli: ["answers", "report", "settings", "engine", "config", "host", "core"],
  "api.ts": ["answers", "report", "settings", "config", "host", "core"],
  report: ["answers", "settings", "core"],
  answers: ["browser", "read", "render", "readers", "engine", "settings", "config", "host", "core"],
  // Explorer and walk scripts know what a driver does, and no window behind it.
  explore: ["engine", "core"],
  render: ["explore", "read", "readers", "engine", "settings", "host", "core", "specimen.ts"],
  // A browser is one more window for specimens.
  browser: ["render", "explore", "read", "readers", "engine", "settings", "host", "core"],
  read: ["readers", "engine", "settings", "host", "core"],
  engine: ["readers", "settings", "host", "core"],
  settings: ["config", "core"],
  config: ["core"],
  readers: ["host", "core"],
  "specimen.ts": [],
  // The program of a thread.
  "sources-worker.ts": ["answers", "host"],
  host: [],
  core: [],
};
const partOf = (file: string): string => (file.includes("/") ? file.slice(0, file.indexOf("/")) : file);
const corePart = (file: string): string => file.split("/")[1] ?? "";

/** What the statement that ends at a line imports. */
function namesImported(file: string, line: number): string {
  const lines = readFileSync(path.join(src, file), "utf8").split("\n");
  let first = line - 1;
  while (first > 0 && !/^(?:import|export) /.test(lines[first] ?? "")) first--;
  return lines.slice(first, line).join(" ");
}

describe("who may import whom", () => {
  test("every part imports only parts it may", () => {
    const wrong = local.filter(
      ({ from, to }) => partOf(from) !== partOf(to) && !(mayImport[partOf(from)] ?? []).includes(partOf(to)),
    );
    expect(wrong.map(show)).toEqual([]);
  });

  test("reports know the shapes of answers, not how they are found", () => {
    const wrong = local.filter(
      ({ from, to, line }) =>
        partOf(from) === "report" &&
        partOf(to) === "answers" &&
        !/^import type|\{ type [^,]+\}/.test(namesImported(from, line)) &&
        to !== "answers/element-answer.ts",
    );
    expect(wrong.map(show)).toEqual([]);
  });

  test("only workers open simulated windows: everything else asks them", () => {
    const outside = (file: string) => partOf(file) !== "render" || file.startsWith("render/collect/");
    const wrong = local.filter(
      ({ from, to }) =>
        outside(from) &&
        partOf(to) === "render" &&
        !to.startsWith("render/collect/") &&
        !to.startsWith("render/mounted/") &&
        to !== "render/protocol.ts",
    );
    expect(wrong.map(show)).toEqual([]);
  });

  test("scenes are made by units, and by what judges the worlds of a component", () => {
    const makers = local.filter(
      ({ from, to, line }) =>
        to === "core/scene/scene.ts" &&
        /\bsceneFromSource\b/.test(namesImported(from, line)) &&
        !/^(?:browser|read|render)\//.test(from),
    );
    // A palette is read off a stylesheet, which is no page.
    expect(makers.map(({ from }) => from).sort()).toEqual([
      "answers/component-audit.ts",
      "answers/palette-file.ts",
    ]);
  });

  test("the parts of the core import downwards", () => {
    const wrong = local.filter(({ from, to }) => {
      if (partOf(from) !== "core" || partOf(to) !== "core") return false;
      const [above, below] = [coreOrder.indexOf(corePart(from)), coreOrder.indexOf(corePart(to))];
      return above < 0 || below < 0 || below < above;
    });
    expect(wrong.map(show)).toEqual([]);
  });

  test("the core and the readers use nothing of the platform", () => {
    const wrong = imports.filter(
      ({ from, to }) =>
        (partOf(from) === "core" || partOf(from) === "readers") &&
        (to.startsWith("node:") ||
          /^(?:yargs|zod|picocolors|tinyglobby|ignore|wrap-ansi|string-width)$/.test(to)),
    );
    expect(wrong.map(show)).toEqual([]);
  });

  test("only the host, the configuration, the command line and what runs scripts touch the platform at all", () => {
    const allowed = new Set(["host", "cli", "config", "render", "browser", "sources-worker.ts"]);
    const wrong = imports.filter(
      ({ from, to }) => to.startsWith("node:") && !allowed.has(partOf(from)) && to !== "node:path",
    );
    expect(wrong.map(show)).toEqual([]);
  });

  test("nothing imports itself in a circle, not even for types; what a command does is loaded when it is called", () => {
    const graph = new Map<string, string[]>();
    for (const file of files) {
      const text = readFileSync(file, "utf8");
      const targets = [...text.matchAll(/from "(\.[^"]+)"/g)].map((m) =>
        relative(path.resolve(path.dirname(file), m[1] ?? "")),
      );
      graph.set(relative(file), targets);
    }
    const circles: string[] = [];
    const state = new Map<string, "open" | "done">();
    const visit = (file: string, trail: readonly string[]) => {
      if (state.get(file) === "done") return;
      if (state.get(file) === "open") {
        circles.push([...trail.slice(trail.indexOf(file)), file].join(" → "));
        return;
      }
      state.set(file, "open");
      for (const next of graph.get(file) ?? []) visit(next, [...trail, file]);
      state.set(file, "done");
    };
    for (const file of graph.keys()) visit(file, []);
    expect(circles).toEqual([]);
  });
});

test("no file is a grab-bag", () => {
  const wrong = files
    .map(relative)
    .filter((file) => /(?:^|\/)(?:utils?|helpers?|common|misc|shared|index)(?:\.ts|\/)/.test(file));
  expect(wrong).toEqual([]);
});

test("what computes holds no state of its own", () => {
  const wrong = files
    .filter(
      (file) =>
        /^(?:core|answers|readers|read|explore|engine|settings|report)\//.test(relative(file)) &&
        /^(?:export )?let /m.test(readFileSync(file, "utf8")),
    )
    .map(relative);
  expect(wrong).toEqual([]);
});

test("no check is named by its id outside its own file: it says of itself what it wants", () => {
  const ids = everyCheck.map(({ id }) => id);
  const wrong = files.flatMap((file) => {
    const text = readFileSync(file, "utf8");
    return ids.flatMap((id) =>
      new RegExp(`["'\`]${id.replace(".", "\\.")}["'\`]`).test(text) && !isFileOf(relative(file), id)
        ? [`${relative(file)} names ${id}`]
        : [],
    );
  });
  expect(wrong).toEqual([]);
});

const isFileOf = (file: string, id: string): boolean => {
  const text = readFileSync(path.join(src, file), "utf8");
  return file.startsWith("core/checks/") && new RegExp(`\n  id: "${id.replace(".", "\\.")}",\n`).test(text);
};
