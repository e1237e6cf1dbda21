import type { AngularBuild } from "./angular-build.ts";

/** What Angular needs before anything of it runs: zones, where changes are noticed by them, its compiler, its styles. */
export const beforeAngular = ({ hasZones, styles }: AngularBuild): string =>
  [...(hasZones ? ["zone.js"] : []), "@angular/compiler", ...styles]
    .map((name) => `import ${JSON.stringify(name)};\n`)
    .join("");

/** What most applications provide, by the package that it comes with: the module, and how it is provided. */
const commonlyProvided: Readonly<Record<string, readonly [module: string, provided: string]>> = {
  "@angular/common": ["@angular/common/http", "provideHttpClient()"],
  "@angular/router": ["@angular/router", 'provideRouter([{ path: "**", children: [] }])'],
  "@angular/animations": ["@angular/platform-browser/animations", "provideNoopAnimations()"],
};

/** How Angular shows what a specimen renders: `{ component, inputs, outputs, providers, content }`, or a class alone. */
export function angularMountCode(has: (name: string) => boolean): string {
  const provided = Object.entries(commonlyProvided).filter(([name]) => has(name));
  return String.raw`
import * as core from "@angular/core";
import { createApplication } from "@angular/platform-browser";
${provided.map(([, [module, call]]) => `import { ${call.replace(/\(.*/, "")} } from ${JSON.stringify(module)};`).join("\n")}

const isOfAngular = (content) => typeof (content?.component ?? content) === "function";

/** An element of the kind that a component is chosen by. */
function hostOf({ selector }) {
  const [, tag = "", rest = ""] = /^\s*([\w-]*)([^,]*)/.exec(selector) ?? [];
  const host = document.createElement(tag || "div");
  for (const [, name, value = ""] of rest.matchAll(/\[([\w-]+)(?:=["']?([^"'\]]*)["']?)?\]/g)) host.setAttribute(name, value);
  for (const [, name] of rest.matchAll(/\.([\w-]+)/g)) host.classList.add(name);
  return host;
}

/** Nodes in the places that a component has for them; what fits none goes where everything may go. */
function projected(nodes, selectors) {
  const places = selectors.map(() => []);
  const rest = selectors.indexOf("*");
  for (const node of nodes) {
    const fits = selectors.findIndex((one) => one !== "*" && node.nodeType === 1 && node.matches(one));
    places[fits < 0 ? rest : fits]?.push(node);
  }
  return places;
}

function nodesOf(app, content, container) {
  if (content === undefined || content === null) return [];
  if (typeof content === "string") return [...document.createRange().createContextualFragment(content).childNodes];
  if (isOfAngular(content)) return [shown(app, content, container)];
  return typeof content.nodeType === "number" ? [content] : [...content].flatMap((one) => nodesOf(app, one, container));
}

/** Shows a component in a container, and gives its element. */
function shown(app, content, container) {
  const { component, inputs = {}, outputs = {}, content: inside } = typeof content === "function" ? { component: content } : content;
  const mirror = core.reflectComponentType(component);
  if (mirror === null) throw new Error("this specimen's component is no component of Angular");
  const subscribed = Object.entries(outputs).map(([name, listener]) => {
    const output = mirror.outputs.find(({ templateName }) => templateName === name);
    if (output === undefined) throw new Error('the component has no output "' + name + '"');
    return [output.propName, listener];
  });
  for (const name of Object.keys(inputs))
    if (!mirror.inputs.some(({ templateName }) => name === templateName))
      throw new Error('the component has no input "' + name + '"; it has ' + (mirror.inputs.map(({ templateName }) => templateName).join(", ") || "none"));
  const hostElement = hostOf(mirror);
  container.append(hostElement);
  const reference = core.createComponent(component, {
    environmentInjector: app.injector,
    hostElement,
    projectableNodes: projected(nodesOf(app, inside, container), mirror.ngContentSelectors),
  });
  for (const [name, value] of Object.entries(inputs)) reference.setInput(name, value);
  for (const [name, listener] of subscribed) reference.instance[name].subscribe(listener);
  app.attachView(reference.hostView);
  return hostElement;
}

export async function mount(content, container, report) {
  const modules = globalThis.__evenKeel.modules.flatMap((load) => Object.values(load())).filter((one) => one?.\u0275mod !== undefined);
  const zoneless = core.provideZonelessChangeDetection ?? core.provideExperimentalZonelessChangeDetection;
  const zones = globalThis.Zone === undefined && zoneless !== undefined ? [zoneless()] : [];
  let failed = false;
  const handleError = (error) => {
    failed = true;
    report(error);
  };
  const app = await createApplication({
    providers: [
      ...zones,
      ${provided.map(([, [, call]]) => `${call},`).join("\n      ")}
      core.importProvidersFrom(...new Set(modules)),
      ...(content.providers ?? []),
      { provide: core.ErrorHandler, useValue: { handleError } },
    ],
  });
  try {
    app.injector.get(core.NgZone).run(() => shown(app, content, container));
    app.tick();
  } catch (error) {
    handleError(error);
  }
  // What is half drawn says nothing of the component.
  if (failed) container.replaceChildren();
}

export const inside = (content) => content;
`;
}
