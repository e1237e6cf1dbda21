import { cp, readFile, stat } from "node:fs/promises";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { audit } from "../answers/audit.ts";
import { inspect } from "../answers/inspect.ts";
import { chosenMendings, Mender, waitingAfter } from "../answers/mend.ts";
import { selectElements } from "../answers/select.ts";
import { componentExtensions, pageExtensions } from "../answers/targets.ts";
import { trees } from "../answers/tree.ts";
import { walk } from "../answers/walk.ts";
import { catalogue } from "../core/checks/catalogue.ts";
import { usualSettings } from "../core/checks/check.ts";
import { pressedCatalogue } from "../core/checks/pressed/catalogue.ts";
import { scriptCheck } from "../core/checks/pressed/script-check.ts";
import { siteCatalogue } from "../core/checks/site/catalogue.ts";
import { desktop } from "../core/css/device.ts";
import { listByKind } from "../core/semantics/lists-by-kind.ts";
import { parseWalkScript } from "../core/walk-script/parse.ts";
import type { Host } from "../host/host.ts";
import { nodeHost } from "../host/node.ts";
import { unifiedPatch } from "../report/patch/patch.ts";
import { auditText } from "../report/terminal/audit.ts";
import { speechText } from "../report/terminal/hear.ts";
import { patchInColour, patchSummary, reasonsFor } from "../report/terminal/mend.ts";
import { inspectionText } from "../report/terminal/tree.ts";
import { scriptText, walkText } from "../report/terminal/walk.ts";
import type { DemoArguments } from "./demo.ts";
import { keyChecks } from "./key-checks.ts";
import { complain, paintOf } from "./run-context.ts";
import { everyCheck } from "./settings.ts";

const limits = {
  roots: [],
  maxSize: 20,
  stdinName: "",
  device: desktop,
  stylesheets: [],
  components: new Map<string, string>(),
  extensions: pageExtensions,
  isSkipped: () => false,
};

/** The demo folder of the package, wherever the bundled file stands below its root. */
async function demoFolder(): Promise<string | null> {
  for (const up of ["../demo/", "../../demo/"]) {
    const folder = fileURLToPath(new URL(up, import.meta.url));
    if (
      await stat(path.join(folder, "mistakes")).then(
        () => true,
        () => false,
      )
    )
      return folder;
  }
  return null;
}

export async function runDemo(args: DemoArguments): Promise<void> {
  const folder = await demoFolder();
  if (folder === null)
    return complain("the demo pages are missing from this installation; install even-keel again");
  if (args.copy !== undefined) return copyTo(folder, args.copy);
  const host: Host = { ...nodeHost(), workingDirectory: folder };
  const paint = paintOf(args);
  const say = (text: string) => process.stdout.write(text);
  const step = (text: string, command: string) =>
    say(`\n${paint.colours.inverse(` ${text} `)}  ${paint.colours.dim(`$ ${command}`)}\n\n`);

  say(
    "The Brackwater Boatyard books slips, hauls boats out and posts the tides. Its pages work for\nsome people and shut others out.\n",
  );
  step("What is wrong, where, and how to mend it", "keel audit mistakes");
  const request = {
    ...limits,
    checks: catalogue,
    siteChecks: siteCatalogue,
    known: everyCheck,
    settingsFor: () => () => ({ ...usualSettings, off: false }),
    themes: [],
    colourSchemes: null,
    palette: [],
    conformance: { wcag: "2.2", level: "AA" },
    outcomes: ["failed", "cantTell"],
    trials: "usual",
    engine: "read",
    pressedChecks: [],
    timeLimit: 30,
    cache: null,
  } as const;
  const source = { ...request, extensions: [...pageExtensions, ...componentExtensions] };
  const view = { paint, checks: everyCheck, all: false, quiet: false, families: null, coverage: true };
  const broken = await audit({ ...request, targets: ["mistakes"] }, host);
  say(auditText(broken, view));

  const heard = await trees({ ...limits, targets: ["mistakes/slipway.html"] }, host);
  const [page] = heard.pages;
  if (page !== undefined) {
    step("What someone hears who moves by links", "keel hear mistakes/slipway.html --by links");
    say(speechText(page, listByKind(page.scene, page.root, "links"), "links", true, paint));
    step("Why an element is called what it is called", "keel tree mistakes/slipway.html --at '#find'");
    const found = selectElements(page.scene, "#find");
    const [element] = found.ok ? found.elements : [];
    if (element !== undefined) say(inspectionText(inspect(page.scene, element, page.texts), page, paint));
  }

  const walked = await walk(
    {
      ...request,
      checks: keyChecks,
      targets: ["mistakes/slipway.html"],
      direction: "forwards",
      from: null,
      engine: "read",
      pressedChecks: [],
      script: null,
    },
    host,
  );
  const [way] = walked.ok ? walked.walks : [];
  if (way !== undefined) {
    step("Where the keyboard goes", "keel walk mistakes/slipway.html");
    say(walkText(way, { paint, all: false, keys: false, events: false }));
  }

  step("The edits, tried beforehand, as a patch", "keel mend mistakes/tides.html --also likely");
  const thorough = { ...request, trials: "thorough", targets: ["mistakes/tides.html"] } as const;
  const tides = await audit(thorough, host);
  const plan = await new Mender(tides, thorough, host).plan(
    chosenMendings(tides, new Set(["safe", "likely"]), new Set(everyCheck.map(({ id }) => id))),
    false,
  );
  const patch = unifiedPatch(plan.files.map((file) => ({ ...file, reasons: reasonsFor(file) })));
  say(patchInColour(new TextDecoder().decode(patch), paint));
  say(`${patchSummary(tides, plan, waitingAfter(tides, plan))}\n`);

  step("The same pages, mended", "keel audit mended");
  const mended = await audit({ ...request, targets: ["mended"] }, host);
  say(auditText(mended, view));
  step("A React page, with all that its components render", "keel audit booking/src");
  const components = await audit({ ...source, targets: ["booking/src"] }, host);
  say(auditText(components, view));

  step("What the keys of a script come to", "keel walk keys/booking.html --script keys/booking.walk");
  const script = parseWalkScript(await readFile(path.join(folder, "keys/booking.walk"), "utf8"));
  const scripted = await walk(
    {
      ...request,
      checks: keyChecks,
      targets: ["keys/booking.html"],
      direction: "forwards",
      from: null,
      engine: "render",
      script: script.ok ? script.steps : null,
    },
    host,
  );
  for (const one of scripted.ok ? scripted.walks : [])
    if (one.script !== null) say(scriptText(one, one.script, paint));

  const alive = { ...source, engine: "mixed", pressedChecks: [...pressedCatalogue, scriptCheck] } as const;
  step("A booking dialog in React: its specimen is mounted, and its keys are pressed", "keel audit dialog");
  const dialog = await audit({ ...alive, targets: ["dialog"] }, host);
  if (dialog.problems.length > 0)
    say(`Left out: ${dialog.problems[0]?.message} This needs react and react-dom beside even-keel.\n`);
  else {
    say(auditText(dialog, { ...view, coverage: false }));
    step("Every key, and what it does", "keel walk dialog/booking-dialog.specimen.tsx");
    const specimen = "dialog/booking-dialog.specimen.tsx";
    const pressed = await walk(
      { ...alive, checks: keyChecks, targets: [specimen], direction: "forwards", from: null, script: null },
      host,
    );
    for (const one of pressed.ok ? pressed.walks : [])
      say(walkText(one, { paint, all: false, keys: false, events: false }));
    step("The same dialog, mended", "keel audit dialog-mended");
    say(auditText(await audit({ ...alive, targets: ["dialog-mended"] }, host), view));
  }

  step("The slot card in Vue, Svelte and Angular", "keel audit slot-card --quiet");
  const cards = await audit({ ...source, targets: ["slot-card"] }, host);
  say(auditText(cards, { ...view, quiet: true }));

  step("The React page, mended", "keel audit booking-mended/src");
  const whole = await audit({ ...source, targets: ["booking-mended/src"] }, host);
  say(auditText(whole, view));
  say(
    `\nTake the pages with you and mend them yourself:  ${paint.colours.bold("keel demo --copy boatyard")}\n`,
  );
}

async function copyTo(folder: string, target: string): Promise<void> {
  const full = path.resolve(target);
  if (
    await stat(full).then(
      () => true,
      () => false,
    )
  )
    return complain(`${target} is there already; name a folder that is not, nothing was copied`);
  try {
    await cp(folder, full, { recursive: true, errorOnExist: true, force: false });
  } catch (error) {
    return complain(
      `${target}: could not be copied (${error instanceof Error ? error.message : String(error)})`,
    );
  }
  process.stdout.write(
    `The demo pages are in ${target}. Try:\n  keel audit ${path.join(target, "mistakes")}\n  keel audit ${path.join(target, "mended")}\n  keel audit ${path.join(target, "booking/src")}\n`,
  );
}
