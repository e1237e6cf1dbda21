import { STAGE } from "../mounted/stage.ts";
import { angularMountCode } from "./angular-code.ts";

/** Code that is bundled with the specimens and runs in their window, by the name it is imported by there. */

/** Specimens are named on a shelf that stands only in windows of ours. */
export const specimenCode = `
const shelf = () => globalThis[Symbol.for("even-keel.specimens")];
export function specimen(name, render, options = {}) {
  shelf()?.push({ name, render, options, at: new Error(name) });
}`;

/** Every file is run when it is asked for, so that a window holds one of them and what it imports. */
export const entryCode = (
  files: readonly string[],
  frameworks: readonly string[],
  take: "require" | "import" = "require",
): string => `
globalThis.process ??= { env: new Proxy({ NODE_ENV: "development" }, {
  get: (env, name) => (name in env || typeof name !== "string" ? env[name] : void ${STAGE}.unset.add(name)),
}) };
Object.assign(globalThis.${STAGE}, {
  files: { ${files.map((file) => `${JSON.stringify(file)}: () => ${take}(${JSON.stringify(file)})`).join(", ")} },
  modules: [],
  mounts: { ${frameworks.map((name) => `${name}: () => ${take}("keel:mount-${name}")`).join(", ")} },
});`;

/** The real runtime of JSX, told of where each element was written. */
export const jsxCode = (real: string): string => `
import * as namespace from ${JSON.stringify(real)};
// Some tools see through a namespace, and take what a module gives at run time for what is not there.
const own = { ...namespace };
const real = own.jsxDEV || own.jsx ? own : own.default;
export const Fragment = real.Fragment;
export const jsx = real.jsx;
export const jsxs = real.jsxs;
export function jsxDEV(type, props, key, isStatic, source, self) {
  const at = source && source.fileName + ":" + source.lineNumber + ":" + source.columnNumber;
  if (at && typeof type === "string") props = { ...props, "data-keel-at": at };
  const element = real.jsxDEV(type, props, key, isStatic, source, self);
  if (at && element?.props)
    for (const held of [element.props, element._debugStack, element._source])
      if (held) globalThis.${STAGE}.sites.set(held, at);
  return element;
}`;

/** A stylesheet that a module imports: it holds from the moment the module runs. */
export const styleCode = (id: string, exports = "export {};"): string => `
globalThis.${STAGE}.styles.push(${JSON.stringify(id)});
${exports}`;

/** How each framework shows what a specimen renders. Angular's is in a file of its own. */
const mountCode: Readonly<Record<string, string>> = {
  react: `
import { createRoot } from "react-dom/client";
export function mount(content, container, report) {
  createRoot(container, { onUncaughtError: report, onCaughtError: () => {}, onRecoverableError: () => {} }).render(content);
}`,
  vue: `
import { createApp, h, isVNode } from "vue";
export function mount(content, container, report, options) {
  const app = createApp({ render: () => (isVNode(content) ? content : h(content)) });
  app.config.errorHandler = (error) => report(error);
  app.config.warnHandler = () => {};
  options.app?.(app);
  app.mount(container);
}`,
  svelte: `
import { createRawSnippet, mount as start } from "svelte";
export function mount(content, container) {
  const { component, props } = typeof content === "function" ? { component: content, props: {} } : content;
  // Content fills the slots of components that are written in the older way, too.
  start(component, { target: container, props: props?.children === undefined ? props : { $$slots: { default: true }, ...props } });
}
export const inside = (content) =>
  createRawSnippet(() => ({
    render: () => '<div style="display: contents"></div>',
    setup: (element) => mount(content, element),
  }));`,
};

/** How a framework shows what a specimen renders, with what of it the package has. */
export const mountCodeFor = (framework: string, has: (name: string) => boolean): string =>
  framework === "angular" ? angularMountCode(has) : (mountCode[framework] ?? "");

/** The package that each framework is mounted with. */
export const mountedWith: Readonly<Record<string, string>> = {
  react: "react-dom/client",
  vue: "vue",
  svelte: "svelte",
  angular: "@angular/platform-browser",
};
