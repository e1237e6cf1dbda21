import { readdirSync, readFileSync, statSync } from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";

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
/** Problems and verdicts name nothing but what stands below them. */
const mayImport: Readonly<Record<string, readonly string[]>> = {
  cli: ["answers", "report", "config", "host", "core"],
  "api.ts": ["answers", "report", "config", "host", "core"],
  config: ["core"],
  report: ["answers", "core"],
  // Of what runs in a worker, answers know the words alone.
  answers: ["readers", "host", "core", "render"],
  render: ["readers", "core", "specimen.ts"],
  "specimen.ts": [],
  readers: ["host", "core"],
  host: [],
  core: [],
};
const partOf = (file: string): string => (file.includes("/") ? file.slice(0, file.indexOf("/")) : file);
const corePart = (file: string): string => file.split("/")[1] ?? "";

/** The first line of the statement that ends at a line. */
function statementAt(lines: readonly string[], line: number): string {
  let at = line - 1;
  while (at > 0 && !/^(?:import|export) /.test(lines[at] ?? "")) at--;
  return lines[at] ?? "";
}

describe("who may import whom", () => {
  test("every part imports only parts it may", () => {
    const wrong = local.filter(
      ({ from, to }) => partOf(from) !== partOf(to) && !(mayImport[partOf(from)] ?? []).includes(partOf(to)),
    );
    expect(wrong.map(show)).toEqual([]);
  });

  test("reports know the shapes of answers, not how they are found", () => {
    const texts = new Map(files.map((file) => [relative(file), readFileSync(file, "utf8").split("\n")]));
    const wrong = local.filter(
      ({ from, to, line }) =>
        partOf(from) === "report" &&
        partOf(to) === "answers" &&
        !/^import type|\{ type [^,]+\}/.test(statementAt(texts.get(from) ?? [], line)) &&
        to !== "answers/element-answer.ts",
    );
    expect(wrong.map(show)).toEqual([]);
  });

  test("nothing outside it runs what renders: its worker does", () => {
    const wrong = local.filter(
      ({ from, to }) => partOf(from) !== "render" && partOf(to) === "render" && to !== "render/protocol.ts",
    );
    expect(wrong.map(show)).toEqual([]);
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
    const allowed = new Set(["host", "cli", "config", "render"]);
    const wrong = imports.filter(
      ({ from, to }) => to.startsWith("node:") && !allowed.has(partOf(from)) && to !== "node:path",
    );
    expect(wrong.map(show)).toEqual([]);
  });

  test("nothing imports itself in a circle, types aside", () => {
    const graph = new Map<string, string[]>();
    for (const file of files) {
      const text = readFileSync(file, "utf8").replace(/import type [\s\S]*?from "[^"]+";/g, "");
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

test("the core and the answers hold no state of their own", () => {
  const wrong = files
    .filter(
      (file) =>
        /^(?:core|answers|readers|report)\//.test(relative(file)) &&
        /^(?:export )?let /m.test(readFileSync(file, "utf8")),
    )
    .map(relative);
  expect(wrong).toEqual([]);
});
