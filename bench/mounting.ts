import path from "node:path";
import { JSDOM } from "jsdom";
import { audit } from "../src/answers/audit.ts";
import { catalogue } from "../src/core/checks/catalogue.ts";
import { usualSettings } from "../src/core/checks/check.ts";
import { desktop } from "../src/core/css/device.ts";
import type { StatePlan } from "../src/engine/explored.ts";
import { StateAudit } from "../src/explore/state-audit.ts";
import { Workers } from "../src/host/apart.ts";
import { nodeHost } from "../src/host/node.ts";
import { LiveDriver } from "../src/render/live-driver.ts";
import { LivePage } from "../src/render/live-page.ts";
import { bundleSpecimens } from "../src/render/mount/bundle.ts";
import { Program } from "../src/render/mount/program.ts";
import { specimenPage } from "../src/render/mount/specimen-page.ts";
import { STAGE } from "../src/render/mount/window-code.ts";
import type { Bundle } from "../src/render/protocol.ts";
import { checksFor } from "../src/settings/check-plan.ts";
import { auditPlan } from "../src/settings/plan.ts";

const plan: StatePlan = {
  settings: new Map(checksFor(catalogue, { wcag: "2.2", level: "AA" }).map(({ id }) => [id, usualSettings])),
  colours: { themes: [], colourSchemes: null, palette: [] },
};

export async function bundleOf(folder: string, files: readonly string[]): Promise<Bundle> {
  const { bundle } = await bundleSpecimens({
    kind: "bundle",
    root: folder,
    workingDirectory: folder,
    files,
  });
  if (bundle === null) throw new Error("the specimens do not build");
  return bundle;
}

/** Mounts specimens of one bundle, with all that an audit does, or bare. */
export class Mounting {
  readonly #program: Program;
  readonly #folder: string;

  constructor(bundle: Bundle, folder: string) {
    this.#program = new Program(bundle);
    this.#folder = folder;
  }

  #open(file: string): Promise<LivePage> {
    const named = { path: file, name: path.relative(this.#folder, file) };
    return LivePage.open(specimenPage(this.#program, named, { name: "", index: 0, place: null }, desktop));
  }

  /** Our window, the component mounted in it, and every check made of it. */
  async audited(file: string): Promise<void> {
    const page = await this.#open(file);
    await new StateAudit(plan).look(new LiveDriver(page), [], null);
    page.close();
  }

  /** An empty window, and the framework's own mounting in it. */
  async bare(file: string): Promise<void> {
    const dom = new JSDOM("<!doctype html><body><div></div></body>", { runScripts: "outside-only" });
    const { window } = dom;
    const shelf: { render(): unknown }[] = [];
    // biome-ignore lint/suspicious/noExplicitAny: what the bundle puts on its stage
    const stage: any = { sites: new WeakMap(), styles: [], unset: new Set() };
    Object.assign(window, { [STAGE]: stage, [Symbol.for("even-keel.specimens")]: shelf });
    this.#program.script.runInContext(dom.getInternalVMContext());
    stage.files[file]?.();
    const container = window.document.body.firstElementChild;
    stage.mounts.react().mount(shelf[0]?.render(), container, () => {}, {});
    while (container?.firstElementChild == null) await new Promise((resolve) => setTimeout(resolve, 0));
    window.close();
  }

  /** Milliseconds that each key press takes, with every check made anew. */
  async presses(file: string, keys: readonly string[]): Promise<readonly number[]> {
    const page = await this.#open(file);
    const times: number[] = [];
    for (const key of keys) {
      const start = performance.now();
      await page.press(key);
      await new StateAudit(plan).look(new LiveDriver(page), [], null);
      times.push(performance.now() - start);
    }
    page.close();
    return times;
  }
}

/** Milliseconds in which some workers mount all specimens and press their keys. */
export async function mountAll(folder: string, files: readonly string[], workers: number): Promise<number> {
  const host = {
    ...nodeHost({ workingDirectory: folder }, new Workers(workers)),
    workingDirectory: folder,
  };
  const planned = auditPlan(
    files,
    { timeLimit: 60, engine: "render" },
    { loaded: null, workingDirectory: folder, palette: [], build: "bench" },
  );
  if (!planned.ok) throw new Error(planned.problem.message);
  // Windows and bundler are loaded before: what is measured is the mounting.
  await audit({ ...planned.value.plan, targets: files.slice(0, workers * 2) }, host);
  const start = performance.now();
  const { subjects, problems } = await audit(planned.value.plan, host);
  if (subjects.length !== files.length)
    throw new Error(problems[0]?.message ?? "not every specimen was mounted");
  return performance.now() - start;
}
