// src/render/mount/bundle.ts
import { existsSync as existsSync2 } from "node:fs";
import { createRequire as createRequire2 } from "node:module";
import path7 from "node:path";
import { build } from "esbuild";

// src/render/mount/jsx-config.ts
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
var JsxConfig = class {
  option;
  #folder = null;
  /** @param file the project's `tsconfig.json`; null without one */
  constructor(file2) {
    if (file2 === null || !/"jsx"\s*:\s*"react"/.test(readFileSync(file2, "utf8"))) {
      this.option = file2 === null ? {} : { tsconfig: file2 };
      return;
    }
    this.#folder = mkdtempSync(path.join(os.tmpdir(), "keel-"));
    const own = path.join(this.#folder, "tsconfig.json");
    writeFileSync(own, JSON.stringify({ extends: file2, compilerOptions: { jsx: "react-jsxdev" } }));
    this.option = { tsconfig: own };
  }
  remove() {
    if (this.#folder !== null) rmSync(this.#folder, { recursive: true, force: true });
  }
};

// src/render/mount/specimen-plugin.ts
import { readFile } from "node:fs/promises";
import path6 from "node:path";

// src/render/mount/class-exports.ts
import parse from "css-tree/parser";
import walk from "css-tree/walker";
function classExports(text, suffix, isModule) {
  const imports = [];
  const classes = /* @__PURE__ */ new Map();
  const from = [];
  const tree = parse(text, { parseValue: false, parseAtrulePrelude: false });
  walk(tree, (node) => {
    if (node.type === "Atrule" && node.name === "import") {
      const target = /^(?:url\(\s*)?["']?([^"')\s]+)/.exec(
        node.prelude?.type === "Raw" ? node.prelude.value : ""
      )?.[1];
      if (target !== void 0 && !/^(?:[a-z]+:)?\/\//i.test(target)) imports.push(target);
    }
  });
  if (isModule) {
    walk(tree, (node) => {
      if (node.type === "ClassSelector" && !classes.has(node.name)) classes.set(node.name, []);
    });
    walk(tree, (node) => {
      if (node.type !== "Rule" || node.prelude.type !== "SelectorList") return;
      const own = [];
      walk(node.prelude, (part) => {
        if (part.type === "ClassSelector") own.push(part.name);
      });
      walk(node.block, (part) => {
        if (part.type !== "Declaration" || part.property !== "composes" || part.value.type !== "Raw") return;
        const match = /^([\w\s-]+?)(?:\s+from\s+["']([^"']+)["'])?$/.exec(part.value.value.trim());
        const names = (match?.[1] ?? "").split(/\s+/).filter((name) => name !== "");
        let source = null;
        if (match?.[2] !== void 0) {
          from.push(match[2]);
          source = `from${from.length}`;
        }
        const last = own.at(-1);
        if (last !== void 0)
          classes.get(last)?.push(
            ...names.map(
              (name) => source === null ? JSON.stringify(`${name}${suffix}`) : `${source}[${JSON.stringify(name)}]`
            )
          );
      });
    });
  }
  const lines = [
    ...imports.map(
      (target) => `import ${JSON.stringify(/^[./@]|^[^.]+$/.test(target) ? target : `./${target}`)};`
    ),
    ...from.map((target, at2) => `import from${at2 + 1} from ${JSON.stringify(target)};`)
  ];
  if (!isModule) return `${lines.join("\n")}
export {};`;
  const entries = [...classes].map(
    ([name, more]) => `${JSON.stringify(name)}: [${[JSON.stringify(`${name}${suffix}`), ...more].join(", ")}].join(" ")`
  );
  const named = [...classes.keys()].filter((name) => /^[A-Za-z_$][\w$]*$/.test(name) && !reserved.has(name));
  return [
    ...lines,
    `const names = { ${entries.join(", ")} };`,
    "export default names;",
    ...named.map((name) => `export const ${name} = names[${JSON.stringify(name)}];`)
  ].join("\n");
}
var reserved = new Set(
  "names default class function var let const new delete in if else for while do return switch case break continue this super null true false import export extends static enum try catch finally throw typeof void with yield await debugger instanceof".split(
    " "
  )
);

// src/render/mount/style-source.ts
import path3 from "node:path";
import { pathToFileURL as pathToFileURL2 } from "node:url";

// src/render/mount/project-tools.ts
import { existsSync } from "node:fs";
import { createRequire } from "node:module";
import path2 from "node:path";
import { pathToFileURL } from "node:url";
async function projectTool(root, name) {
  try {
    const file2 = createRequire(path2.join(root, "package.json")).resolve(name);
    const module = await import(pathToFileURL(file2).href);
    return module.default !== void 0 && Object.keys(module).every((key2) => key2 === "default" || key2 === "module.exports") ? module.default : module;
  } catch {
    return null;
  }
}
var firstThere = (folder, names) => {
  const name = names.find((one2) => existsSync(path2.join(folder, one2)));
  return name === void 0 ? null : path2.join(folder, name);
};

// src/render/mount/style-source.ts
async function compileStyle(root, source) {
  const { path: file2, text } = source;
  try {
    if (/\.s[ac]ss$/.test(file2)) {
      const sass = await projectTool(root, "sass");
      const syntax = file2.endsWith(".sass") ? "indented" : "scss";
      const url = pathToFileURL2(file2);
      return sass === null ? null : {
        text: sass.compileString(text, { syntax, url, loadPaths: [path3.dirname(file2), root] }).css,
        isAsWritten: false
      };
    }
    if (/\.less$/.test(file2)) {
      const less = await projectTool(root, "less");
      return less === null ? null : { text: (await less.render(text, { filename: file2 })).css, isAsWritten: false };
    }
    const plugins = await postCssPlugins(root);
    if (plugins === null) return /\.css$/.test(file2) ? { text, isAsWritten: true } : null;
    const postcss = await projectTool(root, "postcss");
    if (postcss === null) return null;
    const { css } = await postcss(plugins).process(text, { from: file2, map: false });
    return { text: css, isAsWritten: css === text };
  } catch {
    return null;
  }
}
var configs = ["js", "mjs", "cjs"].map((ending) => `postcss.config.${ending}`);
async function postCssPlugins(root) {
  const file2 = firstThere(root, configs);
  if (file2 === null) return null;
  const module = await import(pathToFileURL2(file2).href);
  const { plugins = [] } = module.default;
  if (Array.isArray(plugins)) return plugins;
  const made = [];
  for (const [name, options] of Object.entries(plugins)) {
    if (options === false) continue;
    const plugin = await projectTool(root, name);
    if (plugin === null) throw new Error(`there is no ${name}`);
    made.push(plugin(options));
  }
  return made;
}

// src/render/mount/svelte-source.ts
import path4 from "node:path";

// src/render/mount/window-code.ts
var STAGE = "__evenKeel";
var specimenCode = `
const shelf = () => globalThis[Symbol.for("even-keel.specimens")];
export function specimen(name, render, options = {}) {
  shelf()?.push({ name, render, options, at: new Error(name) });
}`;
var entryCode = (files, frameworks) => `
globalThis.process ??= { env: new Proxy({ NODE_ENV: "development" }, {
  get: (env, name) => (name in env || typeof name !== "string" ? env[name] : void ${STAGE}.unset.add(name)),
}) };
Object.assign(globalThis.${STAGE}, {
  files: { ${files.map((file2) => `${JSON.stringify(file2)}: () => require(${JSON.stringify(file2)})`).join(", ")} },
  mounts: { ${frameworks.map((name) => `${name}: () => require("keel:mount-${name}")`).join(", ")} },
});`;
var jsxCode = (real) => `
import * as real from ${JSON.stringify(real)};
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
var styleCode = (id, exports = "export {};") => `
globalThis.${STAGE}.styles.push(${JSON.stringify(id)});
${exports}`;
var mountCode = {
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
  start(component, { target: container, props });
}
export const inside = (content) =>
  createRawSnippet(() => ({
    render: () => '<div style="display: contents"></div>',
    setup: (element) => mount(content, element),
  }));`
};
var mountedWith = {
  react: "react-dom/client",
  vue: "vue",
  svelte: "svelte"
};

// src/render/mount/svelte-source.ts
async function compileSvelte(root, rootDir, source, gathered) {
  const { path: file2, name, text } = source;
  return compiled(root, source, async (compiler) => {
    const scope = `svelte-${name.replace(/[^A-Za-z0-9]/g, "-").toLowerCase()}`;
    const { js } = compiler.compile(text, {
      filename: file2,
      rootDir,
      dev: true,
      generate: "client",
      css: "external",
      cssHash: () => scope
    });
    const style = /<style[^>]*>([\s\S]*?)<\/style>/.exec(text);
    if (style === null) return js.code;
    const start = style.index + style[0].indexOf(">") + 1;
    gathered.styles.set(name, {
      file: name,
      text: style[1] ?? "",
      start,
      suffix: "",
      scope: { kind: "class", name: scope }
    });
    return `${styleCode(name, "")}
${js.code}`;
  });
}
var compileSvelteModule = (root, source) => compiled(
  root,
  source,
  async (compiler) => compiler.compileModule(source.text, {
    filename: source.path,
    dev: true,
    generate: "client"
  }).js.code
);
async function compiled(root, { path: file2, name, text }, compile) {
  const compiler = await projectTool(root, "svelte/compiler");
  if (compiler === null) return { errors: [{ text: "the project has no svelte to compile it with" }] };
  try {
    return { contents: await compile(compiler), loader: "js", resolveDir: path4.dirname(file2) };
  } catch (error) {
    const { message, start } = error;
    const lineText = text.split("\n")[(start?.line ?? 1) - 1] ?? "";
    return {
      errors: [
        {
          text: message.split("\n")[0] ?? message,
          location: { file: name, line: start?.line ?? 1, column: start?.column ?? 0, lineText }
        }
      ]
    };
  }
}

// src/render/mount/vue-source.ts
import path5 from "node:path";
var ELEMENT = 1;
var HOST = 0;
var COMPONENT = 1;
var ATTRIBUTE = 6;
var DIRECTIVE = 7;
var SIMPLE_EXPRESSION = 4;
var TEXT = 2;
async function compileVue(root, source, gathered) {
  const compiler = await projectTool(root, "vue/compiler-sfc") ?? await projectTool(root, "@vue/compiler-sfc");
  if (compiler === null) return { errors: [{ text: "the project has no vue to compile it with" }] };
  const { path: file2, name, text } = source;
  const { descriptor, errors } = compiler.parse(text, { filename: file2, sourceMap: false });
  const failed2 = [...errors].map((error) => messageOf(error, source));
  if (failed2.length > 0) return { errors: failed2 };
  const id = name.replace(/[^A-Za-z0-9]/g, "-").toLowerCase();
  const scopeId = descriptor.styles.some((style) => style.scoped) ? `data-v-${id}` : void 0;
  try {
    const lines = [];
    const hasScript = descriptor.script !== null || descriptor.scriptSetup !== null;
    const script = hasScript ? compiler.compileScript(descriptor, { id, genDefaultAs: "component", inlineTemplate: false }) : null;
    lines.push(script === null ? "const component = {};" : script.content);
    if (descriptor.template !== null) {
      const template = compiler.compileTemplate({
        source: descriptor.template.content,
        ast: descriptor.template.lang === void 0 ? descriptor.template.ast : void 0,
        filename: file2,
        id,
        scoped: scopeId !== void 0,
        slotted: descriptor.slotted,
        preprocessLang: descriptor.template.lang,
        compilerOptions: {
          nodeTransforms: [stamping(name)],
          bindingMetadata: script?.bindings,
          expressionPlugins: ["typescript"],
          scopeId
        }
      });
      if (template.errors.length > 0)
        return { errors: template.errors.map((error) => messageOf(error, source)) };
      lines.push(
        template.code.replace(/\nexport (function|const) (render)/, "\n$1 $2"),
        "component.render = render;"
      );
    }
    lines.push(...stylesOf(descriptor, name, scopeId, gathered));
    if (scopeId !== void 0) lines.push(`component.__scopeId = ${JSON.stringify(scopeId)};`);
    lines.push(`component.__file = ${JSON.stringify(name)};`, "export default component;");
    const lang = descriptor.scriptSetup?.lang ?? descriptor.script?.lang ?? "js";
    return {
      contents: lines.join("\n"),
      loader: /^[jt]sx?$/.test(lang) ? lang : "js",
      resolveDir: path5.dirname(file2)
    };
  } catch (error) {
    return { errors: [messageOf(error, source)] };
  }
}
function stylesOf(descriptor, name, scopeId, gathered) {
  const modules = [];
  const lines = descriptor.styles.map((style, at2) => {
    const key2 = `${name} ${at2}`;
    if (style.src !== void 0) return `import ${JSON.stringify(style.src)};`;
    const isKnown = style.lang === void 0 || style.lang === "css";
    if (!isKnown) gathered.stylesKnown = false;
    const suffix = style.module ? `_${at2}_${name.replace(/[^A-Za-z0-9]/g, "-")}` : "";
    gathered.styles.set(key2, {
      file: name,
      text: isKnown ? style.content : "",
      start: style.loc.start.offset,
      suffix,
      scope: style.scoped && scopeId !== void 0 ? { kind: "attribute", name: scopeId } : null
    });
    if (style.module)
      modules.push(
        `${JSON.stringify(style.module === true ? "$style" : style.module)}: new Proxy({}, { get: (_, name) => String(name) + ${JSON.stringify(suffix)} })`
      );
    return styleCode(key2, "");
  });
  return modules.length === 0 ? lines : [...lines, `component.__cssModules = { ${modules.join(", ")} };`];
}
var stamping = (file2) => (node) => {
  if (node.type !== ELEMENT || node.tagType !== HOST && node.tagType !== COMPONENT) return;
  const at2 = `${file2}:${node.loc.start.line}:${node.loc.start.column}`;
  const { loc } = node;
  const text = (content) => ({ type: TEXT, content, loc });
  if (node.tagType === HOST)
    node.props.push({ type: ATTRIBUTE, name: "data-keel-at", nameLoc: loc, value: text(at2), loc });
  else
    node.props.push({
      type: DIRECTIVE,
      name: "bind",
      rawName: ":onVnodeBeforeMount",
      arg: { type: SIMPLE_EXPRESSION, content: "onVnodeBeforeMount", isStatic: true, constType: 3, loc },
      exp: {
        type: SIMPLE_EXPRESSION,
        content: `Object.assign(() => {}, { at: ${JSON.stringify(at2)} })`,
        isStatic: false,
        constType: 0,
        loc
      },
      modifiers: [],
      loc
    });
};
function messageOf(error, { name, text }) {
  const { message, loc } = error;
  const first = (message ?? String(error)).split("\n")[0] ?? "";
  const start = loc?.start;
  if (start === void 0)
    return { text: first, location: { file: name, line: 1, column: 0, lineText: text.split("\n")[0] ?? "" } };
  return {
    text: first,
    location: {
      file: name,
      line: start.line,
      column: start.column - 1,
      lineText: text.split("\n")[start.line - 1] ?? ""
    }
  };
}

// src/render/mount/specimen-plugin.ts
var scripts = {
  ".tsx": "tsx",
  ".ts": "ts",
  ".mts": "ts",
  ".cts": "ts",
  ".jsx": "jsx",
  ".js": "jsx",
  ".mjs": "jsx",
  ".cjs": "jsx"
};
function specimenPlugin(request, gathered) {
  const { root, workingDirectory, edited } = request;
  const sourceAt = async (file2) => ({
    path: file2,
    name: path6.relative(workingDirectory, file2).split(path6.sep).join("/"),
    text: edited.get(file2) ?? await readFile(file2, "utf8")
  });
  const style = (id, sheet, exports) => {
    gathered.styles.set(id, sheet);
    return {
      contents: styleCode(id, exports),
      loader: "js",
      resolveDir: path6.dirname(path6.resolve(workingDirectory, sheet.file))
    };
  };
  return {
    name: "even-keel",
    setup(build2) {
      build2.onResolve({ filter: /^keel:/ }, ({ path: name }) => ({ path: name.slice(5), namespace: "keel" }));
      build2.onResolve({ filter: /^even-keel\/specimen$/ }, () => ({ path: "specimen", namespace: "keel" }));
      build2.onLoad({ filter: /^mount-|^specimen$/, namespace: "keel" }, ({ path: name }) => ({
        contents: name === "specimen" ? specimenCode : mountCode[name.slice(6)] ?? "",
        loader: "js",
        resolveDir: root
      }));
      stampJsx(build2);
      build2.onLoad({ filter: /\.(?:[cm]?[jt]sx?)$/ }, ({ path: file2 }) => {
        const text = edited.get(file2);
        return text === void 0 ? null : { contents: text, loader: scripts[path6.extname(file2)] ?? "js" };
      });
      build2.onLoad(
        { filter: /\.svelte\.[jt]s$/ },
        async ({ path: file2 }) => compileSvelteModule(root, await sourceAt(file2))
      );
      build2.onLoad({ filter: /\.(?:css|scss|sass|less|styl|pcss|postcss)$/ }, async ({ path: file2 }) => {
        const source = await sourceAt(file2);
        const compiled2 = await compileStyle(root, source);
        if (compiled2 === null) gathered.stylesKnown = false;
        const { text, isAsWritten } = compiled2 ?? { text: "", isAsWritten: true };
        const isModule = /\.module\.[a-z]+$/.test(file2);
        const suffix = isModule ? `_${Math.abs(hashOf(source.name)).toString(36)}` : "";
        const shown = isAsWritten ? source.name : `${source.name} as compiled`;
        return style(
          source.name,
          { file: shown, text, start: 0, suffix, scope: null },
          classExports(text, suffix, isModule)
        );
      });
      build2.onLoad(
        { filter: /\.vue$/ },
        async ({ path: file2 }) => compileVue(root, await sourceAt(file2), gathered)
      );
      build2.onLoad(
        { filter: /\.svelte$/ },
        async ({ path: file2 }) => compileSvelte(root, workingDirectory, await sourceAt(file2), gathered)
      );
    }
  };
}
function stampJsx(build2) {
  build2.onResolve(
    { filter: /\/jsx-(?:dev-)?runtime$/ },
    async ({ path: name, importer, resolveDir, pluginData }) => {
      if (pluginData?.isReal === true || /[\\/]node_modules[\\/]/.test(importer)) return null;
      const real = await build2.resolve(name, {
        kind: "import-statement",
        importer,
        resolveDir,
        pluginData: { isReal: true }
      });
      return real.errors.length > 0 ? null : { path: real.path, namespace: "keel-jsx" };
    }
  );
  build2.onLoad({ filter: /.*/, namespace: "keel-jsx" }, ({ path: real }) => ({
    contents: jsxCode(real),
    loader: "js",
    resolveDir: path6.dirname(real)
  }));
}
function hashOf(text) {
  let hash = 2166136261;
  for (let at2 = 0; at2 < text.length; at2++) hash = Math.imul(hash ^ text.charCodeAt(at2), 16777619);
  return hash;
}

// src/render/mount/bundle.ts
var assets = [
  ...["png", "jpg", "jpeg", "gif", "webp", "avif", "svg", "ico", "woff", "woff2", "ttf", "otf", "eot"],
  ...["mp3", "mp4", "webm", "ogg", "wav", "pdf", "wasm"]
].map((ending) => `.${ending}`);
async function bundleSpecimens(request) {
  const broken2 = /* @__PURE__ */ new Map();
  let files = request.files;
  while (files.length > 0) {
    const built = await bundled(request, files);
    if ("bundle" in built) return { bundle: built.bundle, broken: broken2 };
    const at2 = (file2) => built.remarks.find((remark) => remark.file === nameOf(request, file2));
    const named = files.filter((file2) => at2(file2) !== void 0);
    if (named.length > 0 && named.length < files.length) {
      for (const file2 of named) broken2.set(file2, at2(file2));
      files = files.filter((file2) => !named.includes(file2));
      continue;
    }
    const good = [];
    for (const file2 of files) {
      const alone2 = files.length === 1 ? built : await bundled(request, [file2]);
      if ("bundle" in alone2) good.push(file2);
      else
        broken2.set(
          file2,
          alone2.remarks[0] ?? { file: null, line: null, column: null, message: "no reason was given" }
        );
    }
    if (good.length === files.length) break;
    files = good;
  }
  return { bundle: null, broken: broken2 };
}
var nameOf = ({ workingDirectory }, file2) => path7.relative(workingDirectory, file2).split(path7.sep).join("/");
async function bundled(request, files) {
  const { root, workingDirectory, edited } = request;
  const styles = /* @__PURE__ */ new Map();
  const gathered = { styles, stylesKnown: true };
  const frameworks = Object.keys(mountedWith).filter((name) => isThere(root, mountedWith[name]));
  const tsconfig = path7.join(root, "tsconfig.json");
  const config = new JsxConfig(existsSync2(tsconfig) ? tsconfig : null);
  try {
    const result = await build({
      stdin: {
        contents: entryCode(files, frameworks),
        resolveDir: root,
        sourcefile: "keel:entry",
        loader: "js"
      },
      absWorkingDir: workingDirectory,
      bundle: true,
      write: false,
      format: "iife",
      platform: "browser",
      target: "node20",
      outfile: "specimens.js",
      sourcemap: "external",
      sourcesContent: false,
      metafile: true,
      keepNames: true,
      logLevel: "silent",
      jsx: "automatic",
      jsxDev: true,
      conditions: ["svelte", "development", "module"],
      ...config.option,
      define: {
        "process.env.NODE_ENV": '"development"',
        global: "globalThis",
        "import.meta.env": '{"MODE":"development","DEV":true,"PROD":false,"SSR":false,"BASE_URL":"/"}',
        __VUE_OPTIONS_API__: "true",
        __VUE_PROD_DEVTOOLS__: "false",
        __VUE_PROD_HYDRATION_MISMATCH_DETAILS__: "false"
      },
      loader: { ".js": "jsx", ...Object.fromEntries(assets.map((ending) => [ending, "file"])) },
      plugins: [specimenPlugin(request, gathered)]
    });
    const text = (ending) => shared(result.outputFiles.find((file2) => file2.path.endsWith(ending))?.contents ?? new Uint8Array());
    const code = text("specimens.js");
    return {
      bundle: {
        id: `${root} ${files.length} ${result.outputFiles.map(({ hash }) => hash).join(" ")}`,
        workingDirectory,
        code,
        map: text("specimens.js.map"),
        styles,
        stylesKnown: gathered.stylesKnown,
        files,
        inputs: Object.keys(result.metafile.inputs).flatMap(
          (name) => /^keel:|^<|:/.test(name) ? [] : [path7.resolve(workingDirectory, name)]
        ),
        edited
      }
    };
  } catch (error) {
    const { errors } = error;
    if (!Array.isArray(errors)) throw error;
    return { remarks: errors.map(remarkOf) };
  } finally {
    config.remove();
  }
}
function shared(bytes) {
  const memory = new Uint8Array(new SharedArrayBuffer(bytes.byteLength));
  memory.set(bytes);
  return memory;
}
var remarkOf = ({ text, location }) => ({
  file: location?.file.replace(/^[\w-]+:/, "") ?? null,
  line: location?.line ?? null,
  column: location == null ? null : location.column + 1,
  message: text
});
function isThere(root, name) {
  try {
    createRequire2(path7.join(root, "package.json")).resolve(name);
    return true;
  } catch {
    return false;
  }
}

// src/core/css/device.ts
var desktop = {
  width: 1280,
  height: 800,
  colourScheme: "light",
  reducedMotion: false,
  finePointer: true
};

// src/render/live-page.ts
import { JSDOM, VirtualConsole } from "jsdom";

// src/core/css/certainty.ts
var NO = 0;
var MAYBE = 1;
var YES = 2;
var not = (value) => 2 - value;
var and = (a, b) => a < b ? a : b;
var or = (a, b) => a > b ? a : b;

// src/core/css/split-value.ts
var splitAtSpaces = (text) => split(text, null);
var splitAtCommas = (text) => split(text, ",");
var splitAtSlashes = (text) => split(text, "/");
function split(text, separator) {
  const parts = [];
  let depth = 0;
  let quote = "";
  let start = 0;
  const take = (end) => {
    const part = text.slice(start, end).trim();
    if (part !== "") parts.push(part);
  };
  for (let i = 0; i < text.length; i++) {
    const c = text.charAt(i);
    if (quote !== "") {
      if (c === "\\") i++;
      else if (c === quote) quote = "";
    } else if (c === '"' || c === "'") quote = c;
    else if (c === "(" || c === "[" || c === "{") depth++;
    else if (c === ")" || c === "]" || c === "}") depth--;
    else if (depth === 0 && (separator === null ? c === " " || c === "\n" || c === "	" || c === "\r" || c === "\f" : c === separator)) {
      take(i);
      start = i + 1;
    }
  }
  take(text.length);
  return parts;
}
function functionCall(text) {
  const match = /^([a-z-][\w-]*)\(([\s\S]*)\)$/i.exec(text);
  return match === null ? null : { name: (match[1] ?? "").toLowerCase(), argument: match[2] ?? "" };
}

// src/core/css/media.ts
var features = {
  width: (d) => d.width,
  height: (d) => d.height,
  "device-width": (d) => d.width,
  "device-height": (d) => d.height,
  "aspect-ratio": (d) => d.width / d.height,
  "device-aspect-ratio": (d) => d.width / d.height,
  orientation: (d) => d.height >= d.width ? "portrait" : "landscape",
  resolution: () => 1,
  "-webkit-device-pixel-ratio": () => 1,
  scan: () => "progressive",
  grid: () => 0,
  update: () => "fast",
  "overflow-block": () => "scroll",
  "overflow-inline": () => "scroll",
  color: () => 8,
  "color-index": () => 0,
  monochrome: () => 0,
  "color-gamut": () => "srgb",
  "dynamic-range": () => "standard",
  "video-dynamic-range": () => "standard",
  "inverted-colors": () => "none",
  pointer: (d) => d.finePointer ? "fine" : "coarse",
  "any-pointer": (d) => d.finePointer ? "fine" : "coarse",
  hover: (d) => d.finePointer ? "hover" : "none",
  "any-hover": (d) => d.finePointer ? "hover" : "none",
  "prefers-color-scheme": (d) => d.colourScheme,
  "prefers-reduced-motion": (d) => d.reducedMotion ? "reduce" : "no-preference",
  "prefers-reduced-transparency": () => "no-preference",
  "prefers-reduced-data": () => "no-preference",
  "prefers-contrast": () => "no-preference",
  "forced-colors": () => "none",
  "display-mode": () => "browser",
  "environment-blending": () => "opaque",
  scripting: () => "enabled",
  transform: () => 1,
  "-webkit-transform-3d": () => 1
};
var falseWords = /* @__PURE__ */ new Set(["none", "no-preference"]);
var lengthInPixels = {
  px: 1,
  em: 16,
  rem: 16,
  pt: 4 / 3,
  pc: 16,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  ch: 8,
  ex: 8
};
var dotsPerPixel = { dppx: 1, x: 1, dpi: 1 / 96, dpcm: 2.54 / 96 };
function evaluateMedia(text, device) {
  const queries = splitAtCommas(text);
  if (queries.length === 0) return YES;
  return queries.map((query) => evaluateQuery(query.toLowerCase(), device)).reduce(or, NO);
}
function evaluateQuery(query, device) {
  const match = /^(?:(not|only)\s+)?([a-z-]+)(?:\s+and\s+([\s\S]+))?$/.exec(query);
  if (match !== null && match[2] !== "not" && !query.startsWith("(")) {
    const [, modifier, type2 = "", rest] = match;
    const ofType = type2 === "all" || type2 === "screen" ? YES : NO;
    const holds2 = and(
      ofType,
      rest === void 0 ? YES : evaluateCondition(rest, (c) => evaluateMediaFeature(c, device))
    );
    return modifier === "not" ? not(holds2) : holds2;
  }
  return evaluateCondition(query, (c) => evaluateMediaFeature(c, device));
}
function evaluateCondition(text, leaf, depth = 0) {
  if (depth > 32) return MAYBE;
  const trimmed = text.trim();
  const negated = /^not\b\s*/i.exec(trimmed);
  if (negated !== null) return not(evaluateCondition(trimmed.slice(negated[0].length), leaf, depth + 1));
  for (const [word2, combine] of [
    ["or", or],
    ["and", and]
  ]) {
    const parts = splitAtWord(trimmed, word2);
    if (parts.length > 1)
      return parts.map((part) => evaluateCondition(part, leaf, depth + 1)).reduce(combine);
  }
  if (!trimmed.startsWith("(")) return leaf(trimmed);
  const inside = trimmed.slice(1, trimmed.endsWith(")") ? -1 : void 0).trim();
  return inside.startsWith("(") || /^not\b/i.test(inside) || splitAtWord(inside, "and").length > 1 || splitAtWord(inside, "or").length > 1 ? evaluateCondition(inside, leaf, depth + 1) : leaf(inside);
}
function splitAtWord(text, word2) {
  const parts = [];
  let depth = 0;
  let start = 0;
  for (let i = 0; i < text.length; i++) {
    const c = text[i];
    if (c === "(") depth++;
    else if (c === ")") depth--;
    else if (depth === 0 && text.slice(i, i + word2.length).toLowerCase() === word2 && /[\s)]/.test(text[i - 1] ?? "") && /[\s(]/.test(text[i + word2.length] ?? "")) {
      parts.push(text.slice(start, i));
      start = i + word2.length;
    }
  }
  parts.push(text.slice(start));
  return parts;
}
function evaluateMediaFeature(text, device) {
  const plain3 = /^(min-|max-)?([a-z-]+?)\s*:\s*([\s\S]+)$/.exec(
    text.replace(/^-webkit-(min|max)-/, "$1--webkit-")
  );
  if (plain3 !== null) {
    const [, bound, name = "", value2 = ""] = plain3;
    return compare(name, bound === "min-" ? ">=" : bound === "max-" ? "<=" : "=", value2, device);
  }
  const range = /^([^<>=]+?)\s*(<=?|>=?|=)\s*([^<>=]+?)(?:\s*(<=?|>=?)\s*([^<>=]+))?$/.exec(text);
  if (range !== null) {
    const [, left = "", first = "=", middle = "", second, right] = range;
    if (second !== void 0)
      return and(compare(middle, turned(first), left, device), compare(middle, second, right ?? "", device));
    return Object.hasOwn(features, left.trim()) ? compare(left.trim(), first, middle, device) : compare(middle.trim(), turned(first), left, device);
  }
  const feature = features[text.trim()];
  if (feature === void 0) return /^[a-z-]+$/.test(text.trim()) ? NO : MAYBE;
  const value = feature(device);
  if (typeof value === "string") return falseWords.has(value) ? NO : YES;
  return value === null ? MAYBE : value ? YES : NO;
}
var turned = (operator) => operator.replace(/[<>]/, (c) => c === "<" ? ">" : "<");
function compare(name, operator, written, device) {
  const feature = features[name.trim()];
  if (feature === void 0) return NO;
  const actual = feature(device);
  if (actual === null) return MAYBE;
  const text = written.trim();
  if (typeof actual === "string") return operator === "=" && actual === text ? YES : NO;
  const wanted = numberOf(text, device);
  if (wanted === null) return /calc|var|env|min\(|max\(/.test(text) ? MAYBE : NO;
  const value = Number(actual);
  const holds2 = operator === "=" ? value === wanted : operator === "<" ? value < wanted : operator === ">" ? value > wanted : operator === "<=" ? value <= wanted : value >= wanted;
  return holds2 ? YES : NO;
}
function numberOf(text, device) {
  const ratio = /^([\d.]+)\s*\/\s*([\d.]+)$/.exec(text);
  if (ratio !== null) return Number(ratio[1]) / Number(ratio[2]);
  const match = /^([+-]?[\d.]+(?:e[+-]?\d+)?)([a-z%]*)$/.exec(text);
  if (match === null) return null;
  const value = Number(match[1]);
  const unit = match[2] ?? "";
  if (unit === "") return value;
  if (unit === "vw") return value * device.width / 100;
  if (unit === "vh") return value * device.height / 100;
  const factor = lengthInPixels[unit] ?? dotsPerPixel[unit];
  return factor === void 0 ? null : value * factor;
}

// src/core/document/node.ts
var writtenTag = (element) => element.writtenTag ?? element.tag;

// src/core/document/element-path.ts
var escapeTag = (tag) => tag.replace(/[^a-zA-Z0-9_\u0080-\uffff-]/g, (c) => `\\${c}`).replace(/^\d/, (d) => `\\3${d} `);
function elementPath(index, element) {
  const trees = [];
  let steps = [];
  for (let at2 = element; at2 !== null; ) {
    const { parent, root, place } = index.record(at2);
    const isRoot = parent === null && root === index.document;
    steps.push(isRoot ? escapeTag(writtenTag(at2)) : `${escapeTag(writtenTag(at2))}:nth-child(${place})`);
    if (parent === null) {
      trees.push(steps.reverse().join(" > "));
      steps = [];
    }
    at2 = parent ?? ("mode" in root ? index.host(root) : null);
  }
  return trees.reverse().join(" >>> ");
}

// src/core/document/written.ts
function attributeText(element, name) {
  const attribute = element.attributes.get(name);
  return attribute !== void 0 && typeof attribute.value === "string" ? attribute.value : null;
}
function attributeToken(element, name) {
  return attributeText(element, name)?.trim().toLowerCase() ?? null;
}
function attributeTokens(element, name) {
  const text = attributeText(element, name);
  return text === null ? [] : text.split(/[ \t\n\f\r]+/).filter((token) => token !== "");
}
var hasAttribute = (element, name) => element.attributes.has(name);
function attributeUnknown(element, name) {
  const attribute = element.attributes.get(name);
  return attribute === void 0 ? element.spread !== null : typeof attribute.value !== "string";
}
function writtenText(value) {
  if (typeof value === "string") return value;
  if (Array.isArray(value)) return value.map(writtenText).join("");
  return `{${value.hole}}`;
}
var hasHole = (value) => typeof value !== "string";

// src/core/document/form-controls.ts
var inputTypes = new Set(
  "hidden text search tel url email password date month week time datetime-local number range color checkbox radio file submit image reset button".split(
    " "
  )
);
function inputType(input) {
  const type2 = attributeText(input, "type")?.toLowerCase() ?? "text";
  return inputTypes.has(type2) ? type2 : "text";
}
var textTypes = /* @__PURE__ */ new Set(["text", "search", "tel", "url", "email", "password"]);
function displaySize(select) {
  const size = Number.parseInt(attributeText(select, "size") ?? "", 10);
  return size > 0 ? size : hasAttribute(select, "multiple") ? 4 : 1;
}
function optionsOf(index, select) {
  const options = [];
  const stack = [...index.childElements(select)].reverse();
  for (let at2 = stack.pop(); at2 !== void 0; at2 = stack.pop()) {
    if (at2.tag === "option") options.push(at2);
    else for (const child of [...index.childElements(at2)].reverse()) stack.push(child);
  }
  return options;
}
function selectedOptions(index, select) {
  const options = optionsOf(index, select);
  const selected = options.filter((option) => hasAttribute(option, "selected"));
  if (hasAttribute(select, "multiple")) return selected;
  const last = selected.at(-1);
  if (last !== void 0) return [last];
  if (displaySize(select) > 1) return [];
  const first = options.find((option) => !hasAttribute(option, "disabled")) ?? options[0];
  return first === void 0 ? [] : [first];
}

// src/core/document/around.ts
function* elementsBelow(index, container) {
  const stack = [...index.childElements(container)].reverse();
  for (let at2 = stack.pop(); at2 !== void 0; at2 = stack.pop()) {
    yield at2;
    const children = index.childElements(at2);
    for (let i = children.length - 1; i >= 0; i--) stack.push(children[i]);
  }
}
function* elementsAbove(index, element) {
  for (let up = index.flatParent(element); up !== null; up = index.flatParent(up)) yield up;
}
function firstOf(elements, holds2) {
  for (const element of elements) if (holds2(element)) return element;
  return null;
}

// src/core/document/disabled.ts
var disableable = /* @__PURE__ */ new Set(["button", "input", "select", "textarea", "fieldset", "optgroup", "option"]);
var formControls = /* @__PURE__ */ new Set(["button", "input", "select", "textarea"]);
function isDisabled(index, element) {
  if (element.namespace !== "html") return false;
  const own = disableable.has(element.tag);
  if (own && hasAttribute(element, "disabled"))
    return attributeUnknown(element, "disabled") ? "unknown" : true;
  let unknown2 = own && attributeUnknown(element, "disabled");
  if (element.tag === "option") {
    const parent = index.parent(element);
    if (parent?.tag === "optgroup" && hasAttribute(parent, "disabled")) return true;
  }
  if (formControls.has(element.tag) || element.tag === "fieldset" || element.tag.includes("-")) {
    let below = element;
    for (let up = index.parent(element); up !== null; below = up, up = index.parent(up)) {
      if (up.tag !== "fieldset" || !hasAttribute(up, "disabled")) continue;
      const firstLegend = index.childElements(up).find((child) => child.tag === "legend");
      if (firstLegend !== void 0 && firstLegend === below) continue;
      if (!attributeUnknown(up, "disabled")) return true;
      unknown2 = true;
    }
  }
  return unknown2 ? "unknown" : false;
}

// src/core/rendering/details-summary.ts
function isDetailsSummary(index, element) {
  if (element.tag !== "summary" || element.namespace !== "html") return false;
  const parent = index.parent(element);
  return parent?.tag === "details" && index.childElements(parent).find((child) => child.tag === "summary") === element;
}

// src/core/rendering/image-map.ts
function areaIsUsed({ index }, presence, area, to = "eyes") {
  let map = index.parent(area);
  while (map !== null && map.tag !== "map") map = index.parent(map);
  const name = map === null ? null : attributeText(map, "name") ?? attributeText(map, "id");
  if (name === null || name === "") return false;
  return index.byTag("img").some((image2) => {
    if (attributeText(image2, "usemap") !== `#${name}`) return false;
    const { rendered, exposed } = presence.of(image2);
    return (to === "eyes" ? rendered : exposed) !== NO;
  });
}

// src/core/rendering/focusable.ts
function tabindexOf(element) {
  const text = attributeText(element, "tabindex");
  const match = text === null ? null : /^[ \t\n\f\r]*([+-]?\d+)/.exec(text);
  if (match === null) return null;
  const value = Number(match[1]);
  return Math.abs(value) > 2147483647 ? null : value;
}
function focusCause(index, element) {
  const kind = focusableKind(index, element);
  if (kind !== null) return kind;
  if (element.tag === "input" && inputType(element) === "hidden") return null;
  return tabindexOf(element) === null ? null : "tabindex";
}
function focusableKind(index, element) {
  if (element.namespace === "svg" && element.tag === "use") return usesLink(index, element) ? "link" : null;
  if (element.namespace === "svg")
    return element.tag === "a" && (hasAttribute(element, "href") || hasAttribute(element, "xlink:href")) ? "link" : null;
  if (element.namespace !== "html") return null;
  switch (element.tag) {
    case "a":
    case "area":
      return hasAttribute(element, "href") ? "link" : editingHost(index, element);
    case "button":
    case "select":
    case "textarea":
      return "control";
    case "input":
      return inputType(element) === "hidden" ? null : "control";
    case "summary":
      return isDetailsSummary(index, element) ? "summary" : editingHost(index, element);
    case "iframe":
      return "frame";
    case "audio":
    case "video":
      return hasAttribute(element, "controls") ? "media controls" : null;
    case "dialog":
      return hasAttribute(element, "open") ? "dialog" : null;
    default:
      return editingHost(index, element);
  }
}
function usesLink(index, use) {
  const href = attributeText(use, "href") ?? attributeText(use, "xlink:href") ?? "";
  const target = href.startsWith("#") ? index.byId(use, href.slice(1)) : null;
  const isLink = (element) => element.tag === "a" && (hasAttribute(element, "href") || hasAttribute(element, "xlink:href"));
  return target !== null && (isLink(target) || firstOf(elementsBelow(index, target), isLink) !== null);
}
function editingHost(index, element) {
  if (!element.attributes.has("contenteditable") || editableWord(element) !== true) return null;
  const parent = index.parent(element);
  return parent !== null && isEditable(index, parent) ? null : "editable";
}
function editableWord(element) {
  const value = attributeText(element, "contenteditable")?.toLowerCase();
  if (value === "false") return false;
  return value === "" || value === "true" || value === "plaintext-only" ? true : null;
}
function isEditable(index, element) {
  for (let up = element; up !== null; up = index.parent(up)) {
    const word2 = up.attributes.has("contenteditable") ? editableWord(up) : null;
    if (word2 !== null) return word2;
  }
  return false;
}
function isFocusable(page, presence, element) {
  const cause = focusCause(page.index, element);
  const mayHaveCause = cause === null && (attributeUnknown(element, "tabindex") || attributeUnknown(element, "href") || attributeUnknown(element, "contenteditable"));
  if (cause === null && !mayHaveCause) return false;
  const { rendered, visible: visible2, inert } = presence.of(element);
  if (inert || rendered === NO || visible2 === NO) return false;
  if (page.styles.keyword(element, "display") === "contents") return false;
  if (element.tag === "area" && !areaIsUsed(page, presence, element)) return false;
  const disabled = isDisabled(page.index, element);
  if (disabled === true && element.tag !== "fieldset") return false;
  return mayHaveCause || disabled === "unknown" ? "unknown" : true;
}
function isTabbable(page, presence, element) {
  const focusable = isFocusable(page, presence, element);
  if (focusable === false) return false;
  const tabindex = tabindexOf(element);
  if (tabindex !== null) return tabindex >= 0 ? focusable : false;
  const cause = focusCause(page.index, element);
  if (cause === "dialog") return false;
  if (cause === "link" && isEditable(page.index, element)) return false;
  return attributeUnknown(element, "tabindex") ? "unknown" : focusable;
}

// src/core/focus/reading-flow.ts
var sorted = /^(?:flex-visual|flex-flow|grid-order|grid-rows|grid-columns|source-order)$/;
function readingOrderOf(styles, container, children) {
  const flow = styles.keyword(container, "reading-flow") ?? "normal";
  if (!sorted.test(flow)) return null;
  const display = styles.keyword(container, "display") ?? "";
  const elements = children.filter((node) => node.kind === "element");
  const numberOf2 = (element, property) => Number(styles.keyword(element, property) ?? 0) || 0;
  const by = flow === "source-order" ? "reading-order" : "order";
  const inOrder = elements.toSorted((a, b) => numberOf2(a, by) - numberOf2(b, by));
  if (flow.startsWith("flex")) {
    if (!/flex/.test(display)) return null;
    const isReversed = styles.keyword(container, "flex-direction")?.endsWith("reverse") === true;
    return flow === "flex-visual" && isReversed ? inOrder.reverse() : inOrder;
  }
  return flow.startsWith("grid") && !/grid/.test(display) ? null : inOrder;
}

// src/core/focus/tab-sequence.ts
function tabSequence(document, direction = "forwards") {
  const all = stopsOfScope(document, document.page.index.document.children);
  return withoutRadios(direction === "forwards" ? all : all.toReversed());
}
function stopsOfScope(document, nodes) {
  const units = [];
  const stack = [{ nodes, at: 0 }];
  for (let frame = stack.at(-1); frame !== void 0; frame = stack.at(-1)) {
    const node = frame.nodes[frame.at++];
    if (node === void 0) stack.pop();
    else if (node.kind === "element") {
      const below = addUnits(document, node, units);
      if (below.length > 0) stack.push({ nodes: below, at: 0 });
    }
  }
  if (units.every(({ rank: rank2 }) => rank2 === 0)) return units.flatMap(({ stops }) => stops);
  const rankOf = ({ rank: rank2 }) => rank2 === 0 ? Number.POSITIVE_INFINITY : rank2;
  return units.toSorted((a, b) => rankOf(a) === rankOf(b) ? 0 : rankOf(a) < rankOf(b) ? -1 : 1).flatMap(({ stops }) => stops);
}
function addUnits(document, element, units) {
  const { index, styles } = document.page;
  const tabindex = tabindexOf(element);
  const rank2 = tabindex !== null && tabindex > 0 ? tabindex : 0;
  if (element.tag === "iframe" && element.namespace === "html") {
    const stops2 = frameStops(document, element);
    if (stops2.length > 0) units.push({ rank: rank2, stops: stops2 });
    return [];
  }
  const own = ownStop(document, element);
  if (element.shadow !== null) {
    if (tabindex !== null && tabindex < 0) return [];
    const inside = stopsOfScope(document, element.shadow.children);
    const host = own === null || element.shadow.delegatesFocus ? [] : [own];
    if (host.length + inside.length > 0) units.push({ rank: rank2, stops: [...host, ...inside] });
    return [];
  }
  if (own !== null) units.push({ rank: rank2, stops: [own] });
  const below = index.flatChildren(element);
  if (below.length === 0) return below;
  const isScope = element.tag === "slot" && below !== element.children;
  const flow = styles.declares("reading-flow") ? readingOrderOf(styles, element, below) : null;
  if (!isScope && flow === null && !isFocusGroup(element)) return below;
  const stops = stopsOfScope(document, flow ?? below);
  if (stops.length > 0) units.push({ rank: 0, stops: isFocusGroup(element) ? stops.slice(0, 1) : stops });
  return [];
}
function ownStop(document, element) {
  const { page, presence } = document;
  if (element.tag === "details" && element.namespace === "html" && !hasSummary(page, element)) {
    const { visible: visible2, inert } = presence.of(element);
    return visible2 === NO || inert ? null : {
      element,
      document,
      cause: "built-in summary",
      tabindex: tabindexOf(element),
      certain: visible2 === YES
    };
  }
  const tabbable = isTabbable(page, presence, element);
  if (tabbable === false) return null;
  const cause = focusCause(page.index, element) ?? "tabindex";
  return { element, document, cause, tabindex: tabindexOf(element), certain: tabbable === true };
}
var hasSummary = (page, details) => page.index.childElements(details).some((child) => child.tag === "summary");
function frameStops(document, element) {
  const own = ownStop(document, element);
  if (own === null) return [];
  const inner = document.frame(element);
  const inside = inner === null ? [] : stopsOfScope(inner, inner.page.index.document.children);
  return inside.length > 0 ? inside : [{ ...own, certain: own.certain && inner !== null }];
}
var isFocusGroup = (element) => /^(?:toolbar|tablist)\b/.test(attributeToken(element, "focusgroup") ?? "");
function withoutRadios(stops) {
  const groups2 = /* @__PURE__ */ new Map();
  const keys = /* @__PURE__ */ new Map();
  const trees = /* @__PURE__ */ new Map();
  for (const stop of stops) {
    const key2 = radioGroup(stop, trees);
    if (key2 === null) continue;
    keys.set(stop, key2);
    const known = groups2.get(key2);
    if (known === void 0 || isChecked(stop) && (!isChecked(known) || isAfter(stop, known)))
      groups2.set(key2, stop);
  }
  if (keys.size === 0) return stops;
  return stops.filter((stop) => {
    const key2 = keys.get(stop);
    return key2 === void 0 || groups2.get(key2) === stop;
  });
}
var isChecked = ({ element }) => hasAttribute(element, "checked");
var isAfter = (a, b) => a.document.page.index.record(a.element).order > b.document.page.index.record(b.element).order;
function radioGroup({ element, document }, trees) {
  if (element.tag !== "input" || inputType(element) !== "radio") return null;
  const name = attributeText(element, "name") ?? "";
  if (name === "") return null;
  const { index } = document.page;
  const { root } = index.record(element);
  const tree = trees.get(root) ?? trees.size;
  trees.set(root, tree);
  const owner = formOwner(document, element);
  return `${tree} ${owner === null ? "" : index.record(owner).order} ${name}`;
}
function formOwner({ page }, control) {
  const { index } = page;
  const named = attributeText(control, "form");
  if (named !== null) {
    const form2 = index.byId(control, named);
    return form2?.tag === "form" ? form2 : null;
  }
  for (let up = index.parent(control); up !== null; up = index.parent(up)) if (up.tag === "form") return up;
  return null;
}

// src/core/colour/parse-colour.ts
import { parse as parse2 } from "culori";
var systemColours = new Set(
  "accentcolor accentcolortext activetext buttonborder buttonface buttontext canvas canvastext field fieldtext graytext highlight highlighttext linktext mark marktext selecteditem selecteditemtext visitedtext activeborder activecaption appworkspace background buttonhighlight buttonshadow captiontext inactiveborder inactivecaption inactivecaptiontext infobackground infotext menu menutext scrollbar threeddarkshadow threedface threedhighlight threedlightshadow threedshadow window windowframe windowtext -webkit-link -webkit-activelink -webkit-focus-ring-color -internal-light-dark".split(
    " "
  )
);
var dependentFunction = /^(?:light-dark|color-mix|contrast-color|device-cmyk|color|rgba?|hsla?|hwb|lab|lch|oklab|oklch)\(/i;
function isColour(text) {
  const lower = text.toLowerCase();
  if (lower === "currentcolor" || lower === "transparent" || systemColours.has(lower)) return true;
  if (dependentFunction.test(lower)) {
    return /\b(?:from|calc|var|none|in)\b|^(?:light-dark|color-mix|contrast-color|device-cmyk)/.test(lower) || parse2(lower) !== void 0;
  }
  return !/^[0-9a-f]+$/.test(lower) && parse2(lower) !== void 0;
}

// src/core/css/tables/properties.ts
var words = (list, initial2, inherited2 = false) => ({
  inherited: inherited2,
  initial: initial2,
  syntax: { kind: "words", words: list.split(" ") }
});
var length = (initial2, list = "", negative = false, inherited2 = false) => ({
  inherited: inherited2,
  initial: initial2,
  syntax: { kind: "length", negative, words: list === "" ? [] : list.split(" ") }
});
var colour = (initial2, inherited2 = false) => ({
  inherited: inherited2,
  initial: initial2,
  syntax: { kind: "colour" }
});
var any = (initial2, inherited2 = false) => ({
  inherited: inherited2,
  initial: initial2,
  syntax: { kind: "any" }
});
var number = (initial2, inherited2 = false) => ({
  inherited: inherited2,
  initial: initial2,
  syntax: { kind: "number" }
});
var lineStyles = "none hidden dotted dashed solid double groove ridge inset outset";
var overflows = "visible hidden clip scroll auto overlay";
var sizes = "auto min-content max-content fit-content stretch -webkit-fill-available";
var properties = {
  display: any("inline"),
  visibility: words("visible hidden collapse", "visible", true),
  "content-visibility": words("visible auto hidden", "visible"),
  content: any("normal"),
  position: words("static relative absolute fixed sticky -webkit-sticky", "static"),
  float: words("none left right inline-start inline-end", "none"),
  "white-space-collapse": words(
    "collapse preserve preserve-breaks preserve-spaces break-spaces",
    "collapse",
    true
  ),
  "text-transform": any("none", true),
  "list-style-type": any("disc", true),
  "list-style-image": any("none", true),
  direction: words("ltr rtl", "ltr", true),
  "writing-mode": words(
    "horizontal-tb vertical-rl vertical-lr sideways-rl sideways-lr",
    "horizontal-tb",
    true
  ),
  quotes: any("auto", true),
  appearance: any("none"),
  "pointer-events": any("auto", true),
  interactivity: words("auto inert", "auto", true),
  color: colour("canvastext", true),
  "background-color": colour("transparent"),
  "background-image": any("none"),
  "background-clip": any("border-box"),
  "background-position": any("0% 0%"),
  "background-size": any("auto"),
  "background-repeat": any("repeat"),
  "background-attachment": any("scroll"),
  "background-origin": any("padding-box"),
  "-webkit-text-fill-color": colour("currentcolor", true),
  "-webkit-text-stroke-width": length("0", "thin medium thick", false, true),
  opacity: number("1"),
  filter: any("none"),
  "backdrop-filter": any("none"),
  "mix-blend-mode": any("normal"),
  isolation: words("auto isolate", "auto"),
  "mask-image": any("none"),
  "text-shadow": any("none", true),
  "box-shadow": any("none"),
  "color-scheme": any("normal", true),
  "forced-color-adjust": any("auto", true),
  "font-size": any("medium", true),
  "font-weight": any("normal", true),
  "font-style": any("normal", true),
  "font-family": any("serif", true),
  "line-height": any("normal", true),
  "letter-spacing": length("normal", "normal", true, true),
  "word-spacing": length("normal", "normal", true, true),
  "text-indent": any("0", true),
  "text-align": any("start", true),
  "text-decoration-line": any("none"),
  "text-decoration-style": words("solid double dotted dashed wavy", "solid"),
  "text-decoration-color": colour("currentcolor"),
  "text-decoration-thickness": any("auto"),
  "-webkit-line-clamp": any("none"),
  "text-overflow": any("clip"),
  "border-top-width": length("medium", "thin medium thick"),
  "border-right-width": length("medium", "thin medium thick"),
  "border-bottom-width": length("medium", "thin medium thick"),
  "border-left-width": length("medium", "thin medium thick"),
  "border-top-style": words(lineStyles, "none"),
  "border-right-style": words(lineStyles, "none"),
  "border-bottom-style": words(lineStyles, "none"),
  "border-left-style": words(lineStyles, "none"),
  "border-top-color": colour("currentcolor"),
  "border-right-color": colour("currentcolor"),
  "border-bottom-color": colour("currentcolor"),
  "border-left-color": colour("currentcolor"),
  "outline-width": length("medium", "thin medium thick"),
  "outline-style": words(`auto ${lineStyles}`, "none"),
  "outline-color": any("auto"),
  "outline-offset": length("0", "", true),
  "padding-top": length("0"),
  "padding-right": length("0"),
  "padding-bottom": length("0"),
  "padding-left": length("0"),
  "margin-top": length("0", "auto", true),
  "margin-right": length("0", "auto", true),
  "margin-bottom": length("0", "auto", true),
  "margin-left": length("0", "auto", true),
  top: length("auto", "auto", true),
  right: length("auto", "auto", true),
  bottom: length("auto", "auto", true),
  left: length("auto", "auto", true),
  width: length("auto", sizes),
  height: length("auto", sizes),
  "min-width": length("auto", sizes),
  "min-height": length("auto", sizes),
  "max-width": length("none", `none ${sizes}`),
  "max-height": length("none", `none ${sizes}`),
  "box-sizing": words("content-box border-box", "content-box"),
  "overflow-x": words(overflows, "visible"),
  "overflow-y": words(overflows, "visible"),
  clip: any("auto"),
  "clip-path": any("none"),
  transform: any("none"),
  translate: any("none"),
  scale: any("none"),
  rotate: any("none"),
  "z-index": any("auto"),
  order: number("0"),
  "flex-direction": words("row row-reverse column column-reverse", "row"),
  "flex-wrap": words("nowrap wrap wrap-reverse", "nowrap"),
  "flex-grow": number("0"),
  "justify-content": any("normal"),
  "container-type": any("normal"),
  "container-name": any("none"),
  "reading-flow": any("normal"),
  "reading-order": number("0"),
  "row-gap": length("normal", "normal"),
  "column-gap": length("normal", "normal"),
  "grid-row-start": any("auto"),
  "grid-column-start": any("auto"),
  "grid-area": any("auto"),
  "animation-name": any("none"),
  "animation-duration": any("0s"),
  "animation-iteration-count": any("1"),
  "animation-play-state": any("running"),
  "transition-property": any("all"),
  "will-change": any("auto")
};
var sameProperty = {
  "-webkit-box-shadow": "box-shadow",
  "-webkit-filter": "filter",
  "-webkit-backdrop-filter": "backdrop-filter",
  "-webkit-transform": "transform",
  "-webkit-appearance": "appearance",
  "-webkit-mask-image": "mask-image",
  "-webkit-clip-path": "clip-path",
  "-webkit-background-clip": "background-clip",
  "-webkit-background-size": "background-size",
  "-webkit-opacity": "opacity",
  "-webkit-box-sizing": "box-sizing",
  "-webkit-animation-name": "animation-name",
  "-webkit-animation-duration": "animation-duration",
  "-webkit-animation-iteration-count": "animation-iteration-count",
  "-webkit-flex-direction": "flex-direction",
  "-webkit-order": "order",
  "grid-row-gap": "row-gap",
  "grid-column-gap": "column-gap",
  "line-clamp": "-webkit-line-clamp",
  "word-wrap": "overflow-wrap",
  "inline-size": "width",
  "block-size": "height",
  "min-inline-size": "min-width",
  "min-block-size": "min-height",
  "max-inline-size": "max-width",
  "max-block-size": "max-height",
  "margin-block-start": "margin-top",
  "margin-block-end": "margin-bottom",
  "margin-inline-start": "margin-left",
  "margin-inline-end": "margin-right",
  "padding-block-start": "padding-top",
  "padding-block-end": "padding-bottom",
  "padding-inline-start": "padding-left",
  "padding-inline-end": "padding-right",
  "inset-block-start": "top",
  "inset-block-end": "bottom",
  "inset-inline-start": "left",
  "inset-inline-end": "right",
  "border-block-start-width": "border-top-width",
  "border-block-end-width": "border-bottom-width",
  "border-inline-start-width": "border-left-width",
  "border-inline-end-width": "border-right-width",
  "border-block-start-style": "border-top-style",
  "border-block-end-style": "border-bottom-style",
  "border-inline-start-style": "border-left-style",
  "border-inline-end-style": "border-right-style",
  "border-block-start-color": "border-top-color",
  "border-block-end-color": "border-bottom-color",
  "border-inline-start-color": "border-left-color",
  "border-inline-end-color": "border-right-color",
  "border-block-start": "border-top",
  "border-block-end": "border-bottom",
  "border-inline-start": "border-left",
  "border-inline-end": "border-right"
};

// src/core/css/value-syntax.ts
var holdsSubstitution = (text) => /\b(?:var|env|attr|if|--[\w-]+)\(/i.test(text);
var lengthUnit = /^[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?(?:px|r?em|r?ex|r?ch|r?lh|r?ic|r?cap|[sld]?v(?:w|h|i|b|min|max)|cm|mm|q|in|pt|pc|cq(?:w|h|i|b|min|max)|%)$/i;
var zero = /^[+-]?0*\.?0+$/;
var mathFunction = /^(?:calc|min|max|clamp|round|mod|rem|abs|sign|fit-content|anchor|anchor-size|calc-size|-webkit-calc)\(/i;
var isLength = (text) => lengthUnit.test(text) || zero.test(text) || mathFunction.test(text);
function acceptsValue(property, text) {
  const row = properties[property];
  if (row === void 0) return false;
  if (text === "") return false;
  if (holdsSubstitution(text)) return true;
  const { syntax } = row;
  switch (syntax.kind) {
    case "words":
      return syntax.words.includes(text.toLowerCase());
    case "colour":
      return isColour(text);
    case "length":
      return syntax.words.includes(text.toLowerCase()) || isLength(text) && (syntax.negative || !text.startsWith("-") || mathFunction.test(text));
    case "number":
      return /^[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?%?$/i.test(text) || mathFunction.test(text);
    case "any":
      return acceptsWord(property, text);
    default:
      return syntax;
  }
}
var displayWords = new Set(
  "none contents block inline inline-block flow flow-root table inline-table table-row table-cell table-caption table-row-group table-header-group table-footer-group table-column table-column-group flex inline-flex grid inline-grid list-item ruby ruby-base ruby-text ruby-base-container ruby-text-container math run-in -webkit-box -webkit-inline-box -webkit-flex -webkit-inline-flex grid-lanes inline-grid-lanes".split(
    " "
  )
);
function acceptsWord(property, text) {
  if (property === "display")
    return text.toLowerCase().split(/\s+/).every((word2) => displayWords.has(word2));
  if (property === "font-size") {
    return /^(?:xx-small|x-small|small|medium|large|x-large|xx-large|xxx-large|smaller|larger|math)$/i.test(
      text
    ) || isLength(text) && !text.startsWith("-");
  }
  if (property === "font-weight")
    return /^(?:normal|bold|bolder|lighter|\d{1,4}(?:\.\d+)?)$/i.test(text) || mathFunction.test(text);
  if (property === "background-image") return /^(?:none|[\w-]+\()/i.test(text);
  if (property === "outline-color")
    return text.toLowerCase() === "auto" || text.toLowerCase() === "invert" || isColour(text);
  return true;
}

// src/core/css/shorthands.ts
var sides = ["top", "right", "bottom", "left"];
var backgroundLonghands = [
  "color",
  "image",
  "position",
  "size",
  "repeat",
  "attachment",
  "origin",
  "clip"
].map((p) => `background-${p}`);
var fontLonghands = ["font-style", "font-weight", "font-size", "line-height", "font-family"];
var longhandsOf = {
  all: Object.keys(properties).filter((p) => p !== "direction"),
  margin: sides.map((s) => `margin-${s}`),
  padding: sides.map((s) => `padding-${s}`),
  inset: sides,
  "margin-block": ["margin-top", "margin-bottom"],
  "margin-inline": ["margin-left", "margin-right"],
  "padding-block": ["padding-top", "padding-bottom"],
  "padding-inline": ["padding-left", "padding-right"],
  "inset-block": ["top", "bottom"],
  "inset-inline": ["left", "right"],
  overflow: ["overflow-x", "overflow-y"],
  "border-width": sides.map((s) => `border-${s}-width`),
  "border-style": sides.map((s) => `border-${s}-style`),
  "border-color": sides.map((s) => `border-${s}-color`),
  "border-top": ["border-top-width", "border-top-style", "border-top-color"],
  "border-right": ["border-right-width", "border-right-style", "border-right-color"],
  "border-bottom": ["border-bottom-width", "border-bottom-style", "border-bottom-color"],
  "border-left": ["border-left-width", "border-left-style", "border-left-color"],
  border: sides.flatMap((s) => [`border-${s}-width`, `border-${s}-style`, `border-${s}-color`]),
  outline: ["outline-width", "outline-style", "outline-color"],
  background: backgroundLonghands,
  font: fontLonghands,
  "text-decoration": [
    "text-decoration-line",
    "text-decoration-style",
    "text-decoration-color",
    "text-decoration-thickness"
  ],
  "list-style": ["list-style-type", "list-style-image"],
  container: ["container-name", "container-type"],
  gap: ["row-gap", "column-gap"],
  "grid-gap": ["row-gap", "column-gap"],
  flex: ["flex-grow"],
  "flex-flow": ["flex-direction", "flex-wrap"],
  "white-space": ["white-space-collapse"],
  animation: ["animation-name", "animation-duration", "animation-iteration-count"],
  "-webkit-animation": ["animation-name", "animation-duration", "animation-iteration-count"]
};
var isShorthand = (property) => Object.hasOwn(longhandsOf, property);
function expandShorthand(property, text) {
  const longhands = longhandsOf[property] ?? [];
  if (/^(?:inherit|initial|unset|revert|revert-layer)$/i.test(text))
    return longhands.map((l) => [l, text.toLowerCase()]);
  if (holdsSubstitution(text)) return longhands.map((l) => [l, text]);
  switch (property) {
    case "all":
      return [];
    case "background":
      return expandBackground(text);
    case "font":
      return expandFont(text);
    case "border":
      return oneOfEach(text, longhandsOf["border-top"] ?? []).flatMap(
        ([l, part]) => sides.map((s) => [l.replace("top", s), part])
      );
    case "border-top":
    case "border-right":
    case "border-bottom":
    case "border-left":
    case "outline":
      return oneOfEach(text, longhands);
    case "text-decoration":
      return expandTextDecoration(text);
    case "list-style":
      return expandListStyle(text);
    case "flex-flow":
      return oneOfEach(text, longhands);
    case "white-space":
      return expandWhiteSpace(text);
    case "container": {
      const [name = "none", type2 = "normal"] = splitAtSlashes(text);
      return [
        ["container-name", name.trim()],
        ["container-type", type2.trim()]
      ];
    }
    case "flex":
      return [["flex-grow", flexGrow(text)]];
    case "animation":
    case "-webkit-animation":
      return expandAnimation(text);
    default:
      return toSides(text, longhands);
  }
}
function toSides(text, longhands) {
  const parts = splitAtSpaces(text);
  if (parts.length === 0 || parts.length > longhands.length) return [];
  const at2 = longhands.length === 2 ? [0, parts.length - 1] : [
    0,
    parts.length > 1 ? 1 : 0,
    parts.length > 2 ? 2 : 0,
    parts.length > 3 ? 3 : parts.length > 1 ? 1 : 0
  ];
  const expanded = longhands.map((l, i) => [l, parts[at2[i] ?? 0] ?? ""]);
  return expanded.every(([l, part]) => acceptsValue(l, part)) ? expanded : [];
}
function oneOfEach(text, longhands) {
  const left = new Set(longhands);
  const found = /* @__PURE__ */ new Map();
  for (const part of splitAtSpaces(text)) {
    const longhand = [...left].find((l) => acceptsValue(l, part));
    if (longhand === void 0) return [];
    left.delete(longhand);
    found.set(longhand, part);
  }
  return longhands.map((l) => [l, found.get(l) ?? properties[l]?.initial ?? ""]);
}
var imageFunction = /^(?:url|(?:-webkit-|-moz-|-o-)?(?:repeating-)?(?:linear|radial|conic)-gradient|image-set|-webkit-image-set|-webkit-gradient|cross-fade|element|image|paint)\(/i;
var boxes = /^(?:border-box|padding-box|content-box|text|border-area)$/i;
var repeats = /^(?:repeat|repeat-x|repeat-y|no-repeat|space|round)$/i;
var attachments = /^(?:scroll|fixed|local)$/i;
var positions = /^(?:left|right|top|bottom|center)$/i;
function expandBackground(text) {
  const layers = splitAtCommas(text);
  const rows = {
    image: [],
    position: [],
    size: [],
    repeat: [],
    attachment: [],
    origin: [],
    clip: []
  };
  let colour2 = "transparent";
  for (const [i, layer] of layers.entries()) {
    const [beforeSlash = "", ...afterSlash] = splitAtSlashes(layer);
    const found = {
      image: [],
      position: [],
      size: [],
      repeat: [],
      attachment: [],
      box: []
    };
    const sizeAndRest = splitAtSpaces(afterSlash.join(" / "));
    let sizes2 = 0;
    for (const part of sizeAndRest) {
      if (sizes2 < 2 && (isLength(part) || /^(?:auto|cover|contain)$/i.test(part))) {
        sizes2++;
        found.size?.push(part);
      } else break;
    }
    for (const part of [...splitAtSpaces(beforeSlash), ...sizeAndRest.slice(sizes2)]) {
      if (imageFunction.test(part) || part.toLowerCase() === "none") found.image?.push(part);
      else if (boxes.test(part)) found.box?.push(part.toLowerCase());
      else if (repeats.test(part)) found.repeat?.push(part);
      else if (attachments.test(part)) found.attachment?.push(part);
      else if (positions.test(part) || isLength(part)) found.position?.push(part);
      else if (isColour(part) && i === layers.length - 1) colour2 = part;
      else return [];
    }
    if ((found.image?.length ?? 0) > 1) return [];
    rows.image?.push(found.image?.[0] ?? "none");
    rows.position?.push(found.position?.join(" ") || "0% 0%");
    rows.size?.push(found.size?.join(" ") || "auto");
    rows.repeat?.push(found.repeat?.join(" ") || "repeat");
    rows.attachment?.push(found.attachment?.[0] ?? "scroll");
    rows.origin?.push(found.box?.[0] ?? "padding-box");
    rows.clip?.push(found.box?.[1] ?? found.box?.[0] ?? "border-box");
  }
  if (layers.length === 0) return [];
  return [
    ["background-color", colour2],
    ...Object.entries(rows).map(([name, parts]) => [`background-${name}`, parts.join(", ")])
  ];
}
function expandFont(text) {
  if (/^(?:caption|icon|menu|message-box|small-caption|status-bar)$/i.test(text)) {
    return [
      ["font-style", "normal"],
      ["font-weight", "normal"],
      ["font-size", "system-font"],
      ["line-height", "normal"],
      ["font-family", "system-ui"]
    ];
  }
  const [beforeSlash = "", afterSlash] = splitAtSlashes(text);
  const parts = splitAtSpaces(beforeSlash);
  const sizeAt = parts.findIndex((p) => !/^\d+$/.test(p) && acceptsValue("font-size", p));
  if (sizeAt < 0) return [];
  const rest = afterSlash === void 0 ? parts.slice(sizeAt + 1) : splitAtSpaces(afterSlash);
  const lineHeight2 = afterSlash === void 0 ? "normal" : rest[0] ?? "normal";
  const family = (afterSlash === void 0 ? rest : rest.slice(1)).join(" ");
  if (family === "") return [];
  const before3 = parts.slice(0, sizeAt);
  const weight = before3.find((p) => p.toLowerCase() !== "normal" && acceptsValue("font-weight", p));
  const style = before3.find((p) => /^(?:italic|oblique)$/i.test(p));
  return [
    ["font-style", style ?? "normal"],
    ["font-weight", weight ?? "normal"],
    ["font-size", parts[sizeAt] ?? ""],
    ["line-height", lineHeight2],
    ["font-family", family]
  ];
}
var decorationLines = /^(?:none|underline|overline|line-through|blink|spelling-error|grammar-error)$/i;
function expandTextDecoration(text) {
  const lines = [];
  let style = "solid";
  let colour2 = "currentcolor";
  let thickness = "auto";
  for (const part of splitAtSpaces(text)) {
    if (decorationLines.test(part)) lines.push(part.toLowerCase());
    else if (acceptsValue("text-decoration-style", part)) style = part.toLowerCase();
    else if (isColour(part)) colour2 = part;
    else if (isLength(part) || /^(?:auto|from-font)$/i.test(part)) thickness = part;
    else return [];
  }
  return [
    ["text-decoration-line", lines.join(" ") || "none"],
    ["text-decoration-style", style],
    ["text-decoration-color", colour2],
    ["text-decoration-thickness", thickness]
  ];
}
function expandListStyle(text) {
  let type2 = "disc";
  let image2 = "none";
  let nones = 0;
  for (const part of splitAtSpaces(text)) {
    if (part.toLowerCase() === "none") nones++;
    else if (imageFunction.test(part)) image2 = part;
    else if (!/^(?:inside|outside)$/i.test(part)) type2 = part;
  }
  if (nones > 0 && type2 === "disc") type2 = "none";
  return [
    ["list-style-type", type2],
    ["list-style-image", image2]
  ];
}
var whiteSpaceCollapse = {
  normal: "collapse",
  nowrap: "collapse",
  pre: "preserve",
  "pre-wrap": "preserve",
  "pre-line": "preserve-breaks",
  "break-spaces": "break-spaces"
};
function expandWhiteSpace(text) {
  for (const part of splitAtSpaces(text)) {
    const collapse = whiteSpaceCollapse[part.toLowerCase()] ?? (acceptsValue("white-space-collapse", part) ? part.toLowerCase() : null);
    if (collapse !== null) return [["white-space-collapse", collapse]];
  }
  return [["white-space-collapse", "collapse"]];
}
function flexGrow(text) {
  if (/^none$/i.test(text)) return "0";
  return splitAtSpaces(text).find((part) => /^[\d.]+$/.test(part)) ?? "1";
}
var animationWords = /^(?:infinite|linear|ease|ease-in|ease-out|ease-in-out|step-start|step-end|normal|reverse|alternate|alternate-reverse|forwards|backwards|both|running|paused)$/i;
function expandAnimation(text) {
  const names = [];
  const durations = [];
  const counts = [];
  for (const layer of splitAtCommas(text)) {
    const parts = splitAtSpaces(layer);
    durations.push(parts.find((p) => /^[\d.]+m?s$/i.test(p)) ?? "0s");
    counts.push(parts.find((p) => /^(?:infinite|[\d.]+)$/i.test(p)) ?? "1");
    names.push(
      parts.find((p) => /^[a-z_-]/i.test(p) && !animationWords.test(p) && functionCall(p) === null) ?? "none"
    );
  }
  return [
    ["animation-name", names.join(", ")],
    ["animation-duration", durations.join(", ")],
    ["animation-iteration-count", counts.join(", ")]
  ];
}

// src/core/css/declared.ts
var wideKeywords = /* @__PURE__ */ new Set(["inherit", "initial", "unset", "revert", "revert-layer"]);
var isWideKeyword = (text) => wideKeywords.has(text.toLowerCase());
var DeclarationCollector = class {
  #normal = /* @__PURE__ */ new Map();
  #important = null;
  get isEmpty() {
    return this.#normal.size === 0 && this.#important === null;
  }
  /** Adds a declaration as a browser would: an unknown property or invalid value leaves no trace. */
  add(written, text, important, source, valueSource) {
    if (written.startsWith("--")) {
      this.#set(written, { text, shorthand: null, source, valueSource, replaceable: true }, important);
      return;
    }
    const name = written.toLowerCase();
    const property = sameProperty[name] ?? name;
    if (isShorthand(property)) {
      for (const [longhand, part] of expandShorthand(property, text)) {
        const place = holdsSubstitution(text) ? null : placeOfPart(text, part, valueSource);
        const declared = {
          text: part,
          shorthand: holdsSubstitution(text) ? property : null,
          source,
          valueSource: place ?? valueSource,
          replaceable: place !== null
        };
        this.#set(longhand, declared, important);
      }
      return;
    }
    if (!Object.hasOwn(properties, property)) return;
    if (!isWideKeyword(text) && !acceptsValue(property, text)) return;
    this.#set(property, { text, shorthand: null, source, valueSource, replaceable: true }, important);
  }
  #set(property, declared, important) {
    if (important) {
      this.#important ??= /* @__PURE__ */ new Map();
      this.#important.set(property, declared);
    } else {
      this.#normal.delete(property);
      this.#normal.set(property, declared);
    }
  }
  take() {
    const block = { normal: this.#normal, important: this.#important };
    this.#normal = /* @__PURE__ */ new Map();
    this.#important = null;
    return block;
  }
};
function placeOfPart(text, part, whole) {
  const at2 = text.indexOf(part);
  const isWritten2 = whole.end - whole.start === text.length;
  if (!isWritten2 || at2 < 0 || text.indexOf(part, at2 + 1) >= 0) return null;
  return { file: whole.file, start: whole.start + at2, end: whole.start + at2 + part.length };
}

// src/core/css/computed.ts
var unknown = { text: null, declared: null, block: null, through: [], own: false };
function cascadedValue(cascade, style, property) {
  const known = style.computed.get(property);
  if (known !== void 0) return known;
  const chain = [];
  const inherits = inheritsByDefault(cascade, property);
  for (let at2 = style; at2 !== null && !at2.computed.has(property); at2 = at2.parent) {
    chain.push(at2);
    if (!inherits && !mayInherit(at2, property)) break;
    if (inherits && declaresPlainly(at2, property)) break;
  }
  for (let i = chain.length - 1; i >= 0; i--) {
    const at2 = chain[i];
    if (at2 !== void 0) at2.computed.set(property, resolve(cascade, at2, property, /* @__PURE__ */ new Set()));
  }
  return style.computed.get(property) ?? unknown;
}
var inheritsByDefault = (cascade, property) => property.startsWith("--") ? cascade.registered.get(property)?.inherits ?? true : properties[property]?.inherited ?? false;
var mayInherit = (style, property) => style.blocks.some(
  (b) => [b.normal.get(property), b.important?.get(property)].some(
    (d) => d !== void 0 && (isWideKeyword(d.text) || holdsSubstitution(d.text))
  )
);
var declaresPlainly = (style, property) => style.blocks.some((b) => b.certain && (b.normal.has(property) || b.important?.has(property) === true)) && !mayInherit(style, property);
function candidates(style, property) {
  const important = [];
  const normal = [];
  for (const block of style.blocks) {
    const strong = block.important?.get(property);
    if (strong !== void 0) important.push({ declared: strong, block });
    const weak = block.normal.get(property);
    if (weak !== void 0) normal.push({ declared: weak, block });
  }
  normal.reverse();
  if (important.length === 0) return normal;
  important.reverse();
  important.sort(
    (a, b) => Number(b.block.origin === "user-agent") - Number(a.block.origin === "user-agent") || (a.block.layer === b.block.layer ? 0 : a.block.layer < b.block.layer ? -1 : 1)
  );
  const attached = important.filter((c) => c.block.selectorText === "style attribute");
  const rest = important.filter(
    (c) => c.block.selectorText !== "style attribute" || c.block.origin === "user-agent"
  );
  return [...attached, ...rest, ...normal];
}
function resolve(cascade, style, property, visiting) {
  let list = candidates(style, property);
  let result = null;
  for (let guard = 0; guard < 32; guard++) {
    const first = list[0];
    if (first === void 0) return result ?? defaulted(cascade, style, property);
    if (!first.block.certain) {
      const without = resolveFrom(cascade, style, property, list.slice(1), visiting);
      const withIt = resolveFrom(
        cascade,
        style,
        property,
        [{ ...first, block: { ...first.block, certain: true } }, ...list.slice(1)],
        visiting
      );
      return without.text !== null && without.text === withIt.text ? withIt : unknown;
    }
    const keyword = first.declared.text.toLowerCase();
    if (keyword === "revert") {
      list = list.filter((c) => c.block.origin === "user-agent");
      if (first.block.origin === "user-agent") list = [];
      result = null;
      continue;
    }
    if (keyword === "revert-layer") {
      list = list.slice(1).filter((c) => c.block.layer !== first.block.layer || c.block.origin !== first.block.origin);
      continue;
    }
    return valueFrom(cascade, style, property, first, visiting);
  }
  return unknown;
}
function resolveFrom(cascade, style, property, list, visiting) {
  if (list.filter((c) => !c.block.certain).length > 6) return unknown;
  const first = list[0];
  if (first === void 0) return defaulted(cascade, style, property);
  if (!first.block.certain) {
    const without = resolveFrom(cascade, style, property, list.slice(1), visiting);
    const withIt = resolveFrom(
      cascade,
      style,
      property,
      [{ ...first, block: { ...first.block, certain: true } }, ...list.slice(1)],
      visiting
    );
    return without.text !== null && without.text === withIt.text ? withIt : unknown;
  }
  if (/^revert/i.test(first.declared.text)) return unknown;
  return valueFrom(cascade, style, property, first, visiting);
}
function defaulted(cascade, style, property) {
  return inheritsByDefault(cascade, property) ? inherited(cascade, style, property) : initial(cascade, property);
}
function inherited(cascade, style, property) {
  if (style.parent === null) return initial(cascade, property);
  const value = cascadedValue(cascade, style.parent, property);
  return value.own ? { ...value, own: false } : value;
}
function initial(cascade, property) {
  const text = property.startsWith("--") ? cascade.registered.get(property)?.initial ?? "" : properties[property]?.initial ?? "";
  return {
    text: property.startsWith("--") && !cascade.registered.has(property) ? "initial" : text,
    declared: null,
    block: null,
    through: [],
    own: false
  };
}
function valueFrom(cascade, style, property, { declared, block }, visiting) {
  const keyword = declared.text.toLowerCase();
  const own = { declared, block, own: true };
  if (keyword === "inherit") return { ...inherited(cascade, style, property), own: true };
  if (keyword === "initial") return { ...initial(cascade, property), ...own };
  if (keyword === "unset") return { ...defaulted(cascade, style, property), own: true };
  if (!holdsSubstitution(property === "content" ? declared.text.replace(/\battr\(/gi, "(") : declared.text))
    return { text: declared.text, through: [], ...own };
  const through = [];
  const substituted = substitute(cascade, style, declared.text, /* @__PURE__ */ new Set([...visiting, property]), through, 0);
  if (substituted === null) return { ...unknown, declared, block, own: true };
  if (substituted === "invalid") return { ...defaulted(cascade, style, property), own: true };
  if (property.startsWith("--")) return { text: substituted.text, through, ...own };
  const text = declared.shorthand === null ? substituted.text.trim() : expandShorthand(declared.shorthand, substituted.text.trim()).find(([l]) => l === property)?.[1] ?? null;
  if (text === null) return { ...defaulted(cascade, style, property), own: true };
  if (property !== "content" && /\battr\(/i.test(text)) return { ...unknown, declared, block, own: true };
  if (isWideKeyword(text))
    return {
      ...valueFrom(
        cascade,
        style,
        property,
        { declared: { ...declared, text, shorthand: null }, block },
        visiting
      ),
      through
    };
  if (!acceptsValue(property, text)) return { ...defaulted(cascade, style, property), own: true };
  return { text, through, ...own };
}
var LONGEST_CHAIN = 64;
var LONGEST_VALUE = 1e5;
function substitute(cascade, style, text, visiting, through, depth) {
  if (depth > LONGEST_CHAIN || text.length > LONGEST_VALUE) return null;
  const start = /\bvar\(/i.exec(text);
  if (start === null) return /\b(?:env|if|--[\w-]+)\(/i.test(text) ? null : { text };
  const open2 = start.index + start[0].length;
  let close = open2;
  for (let nesting2 = 1; close < text.length; close++) {
    if (text[close] === "(") nesting2++;
    else if (text[close] === ")" && --nesting2 === 0) break;
  }
  const inside = text.slice(open2, close);
  const comma = inside.indexOf(",");
  const name = (comma < 0 ? inside : inside.slice(0, comma)).trim();
  const fallback = comma < 0 ? null : inside.slice(comma + 1).trim();
  const value = customProperty(cascade, style, name, visiting);
  let replacement;
  if (value === null) return null;
  if (value === "invalid") {
    if (fallback === null) return "invalid";
    const filled = substitute(cascade, style, fallback, visiting, through, depth + 1);
    if (filled === null || filled === "invalid") return filled;
    replacement = filled.text;
  } else {
    replacement = value.text ?? "";
    through.push({ name, declared: value.declared }, ...value.through);
  }
  return substitute(
    cascade,
    style,
    `${text.slice(0, start.index)}${replacement}${text.slice(close + 1)}`,
    visiting,
    through,
    depth + 1
  );
}
function customProperty(cascade, style, name, visiting) {
  if (!name.startsWith("--")) return "invalid";
  if (visiting.has(name)) return "invalid";
  if (visiting.size > LONGEST_CHAIN) return null;
  const known = style.computed.get(name);
  let at2 = style;
  if (known === void 0 && inheritsByDefault(cascade, name)) {
    while (at2 !== null && !at2.blocks.some((b) => b.normal.has(name) || b.important?.has(name) === true))
      at2 = at2.parent;
  }
  if (at2 === null) {
    const registered = cascade.registered.get(name);
    if (registered?.initial != null) return { ...initial(cascade, name) };
    return cascade.isOpenAround ? null : "invalid";
  }
  const value = known ?? (at2 === style ? resolve(cascade, style, name, /* @__PURE__ */ new Set([...visiting, name])) : cascadedValue(cascade, at2, name));
  if (value.text === null) return null;
  return value.text.toLowerCase() === "initial" ? "invalid" : value;
}

// src/core/css/lengths.ts
var fontSizeWords = {
  "xx-small": 9,
  "x-small": 10,
  small: 13,
  medium: 16,
  large: 18,
  "x-large": 24,
  "xx-large": 32,
  "xxx-large": 48
};
var monospaceSize = 13;
var defaultSize = 16;
var absoluteUnits = {
  px: 1,
  pt: 4 / 3,
  pc: 16,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6
};
function lengthInPixels2(text, basis, depth = 0) {
  const trimmed = text.trim().toLowerCase();
  const plain3 = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)([a-z%]*)$/.exec(trimmed);
  if (plain3 !== null) return inPixels(Number(plain3[1]), plain3[2] ?? "", basis);
  if (depth > 32) return null;
  const call = functionCall(trimmed);
  if (call === null) return null;
  const each = () => splitAtCommas(call.argument).map((part) => sum(part, basis, depth + 1));
  switch (call.name) {
    case "calc":
    case "-webkit-calc":
    case "":
      return sum(call.argument, basis, depth + 1);
    case "min":
    case "max": {
      const values = each();
      return values.some((v) => v === null) || values.length === 0 ? null : Math[call.name](...values);
    }
    case "clamp": {
      const [low, value, high] = each();
      return low == null || value == null || high == null ? null : Math.max(low, Math.min(value, high));
    }
    default:
      return null;
  }
}
function inPixels(value, unit, basis) {
  const of = (base, factor = 1) => base === null ? null : value * base * factor;
  switch (unit) {
    case "":
      return value;
    case "em":
      return of(basis.fontSize);
    case "rem":
      return of(basis.rootFontSize);
    case "%":
      return of(basis.percentage, 0.01);
    case "lh":
      return of(basis.lineHeight);
    case "vw":
    case "svw":
    case "lvw":
    case "dvw":
    case "vi":
      return value * basis.width / 100;
    case "vh":
    case "svh":
    case "lvh":
    case "dvh":
    case "vb":
      return value * basis.height / 100;
    case "vmin":
      return value * Math.min(basis.width, basis.height) / 100;
    case "vmax":
      return value * Math.max(basis.width, basis.height) / 100;
    default: {
      const factor = absoluteUnits[unit];
      return factor === void 0 ? null : value * factor;
    }
  }
}
function sum(text, basis, depth) {
  if (depth > 32) return null;
  const parts = [];
  let level = 0;
  let start = 0;
  let sign = 1;
  for (let i = 0; i < text.length; i++) {
    const c = text[i];
    if (c === "(") level++;
    else if (c === ")") level--;
    else if (level === 0 && (c === "+" || c === "-") && /\s/.test(text[i - 1] ?? "") && /\s/.test(text[i + 1] ?? "")) {
      parts.push({ sign, text: text.slice(start, i) });
      sign = c === "+" ? 1 : -1;
      start = i + 1;
    }
  }
  parts.push({ sign, text: text.slice(start) });
  if (parts.some((part) => isNumber(part.text) !== isNumber(text))) return null;
  let total = 0;
  for (const part of parts) {
    const value = product(part.text, basis, depth);
    if (value === null) return null;
    total += part.sign * value;
  }
  return total;
}
var isNumber = (calculation) => !/[\d.][a-z%]/i.test(calculation.replaceAll(/e[+-]?\d+/gi, ""));
function product(text, basis, depth) {
  let result = null;
  let operator = "*";
  let level = 0;
  let start = 0;
  const apply = (end) => {
    const factor = text.slice(start, end).trim();
    const value = factor.startsWith("(") ? sum(factor.slice(1, -1), basis, depth + 1) : lengthInPixels2(factor, basis, depth + 1);
    if (value === null) return false;
    result = result === null ? value : operator === "*" ? result * value : result / value;
    return true;
  };
  for (let i = 0; i < text.length; i++) {
    const c = text.charAt(i);
    if (c === "(") level++;
    else if (c === ")") level--;
    else if (level === 0 && (c === "*" || c === "/")) {
      if (!apply(i)) return null;
      operator = c;
      start = i + 1;
    }
  }
  return apply(text.length) && Number.isFinite(result) ? result : null;
}
function fontSize(cascade, style) {
  const key2 = " font-size in px";
  const chain = [];
  for (let at2 = style; at2 !== null && !at2.computed.has(key2); at2 = at2.parent) chain.push(at2);
  for (let i = chain.length - 1; i >= 0; i--) {
    const at2 = chain[i];
    if (at2 !== void 0) at2.computed.set(key2, ownFontSize(cascade, at2, key2));
  }
  return style.computed.get(key2) ?? null;
}
function ownFontSize(cascade, style, key2) {
  const parent = style.parent === null ? defaultSize : style.parent.computed.get(key2) ?? null;
  const value = cascadedValue(cascade, style, "font-size");
  const monospace = isMonospace(cascade, style);
  if (!value.own) {
    const parentMonospace = style.parent !== null && isMonospace(cascade, style.parent);
    if (monospace !== parentMonospace && isMedium(cascade, style))
      return monospace ? monospaceSize : defaultSize;
    return parent;
  }
  if (value.text === null) return null;
  const word2 = value.text.toLowerCase();
  if (word2 === "inherit") return parent;
  if (word2 === "smaller") return parent === null ? null : parent / 1.2;
  if (word2 === "larger") return parent === null ? null : parent * 1.2;
  const absolute = fontSizeWords[word2];
  if (absolute !== void 0) return monospace ? absolute * (monospaceSize / defaultSize) : absolute;
  return lengthInPixels2(value.text, {
    fontSize: parent,
    rootFontSize: style.parent === null ? defaultSize : rootFontSize(style, key2),
    lineHeight: null,
    percentage: parent,
    width: cascade.device.width,
    height: cascade.device.height
  });
}
function rootFontSize(style, key2) {
  let root = style;
  while (root.parent !== null) root = root.parent;
  return root.computed.get(key2) ?? null;
}
var isMonospace = (cascade, style) => cascadedValue(cascade, style, "font-family").text?.trim().toLowerCase() === "monospace";
var isMedium = (cascade, style) => {
  const { text } = cascadedValue(cascade, style, "font-size");
  return text === null || text.toLowerCase() === "medium";
};
function lengthBasis(cascade, style, percentage) {
  return {
    get fontSize() {
      return fontSize(cascade, style);
    },
    get rootFontSize() {
      let root = style;
      while (root.parent !== null) root = root.parent;
      return fontSize(cascade, root);
    },
    get lineHeight() {
      return lineHeight(cascade, style, fontSize(cascade, style));
    },
    percentage,
    width: cascade.device.width,
    height: cascade.device.height
  };
}
function lineHeight(cascade, style, size) {
  const { text } = cascadedValue(cascade, style, "line-height");
  if (text === null || size === null || text === "normal") return null;
  if (/^[\d.]+$/.test(text)) return Number(text) * size;
  return lengthInPixels2(text, {
    fontSize: size,
    rootFontSize: null,
    lineHeight: null,
    percentage: size,
    width: cascade.device.width,
    height: cascade.device.height
  });
}

// src/core/css/container.ts
function containerHolds(cascade, conditions, element, around) {
  let result = YES;
  for (let at2 = conditions; at2 !== null && result !== NO; at2 = at2.outer)
    if (at2.condition.kind === "container")
      result = and(result, queryHolds(cascade, at2.condition.text, element, around));
  return result;
}
function queryHolds(cascade, text, element, around) {
  const match = /^(?:(?!not\b|style\b|scroll-state\b)([a-z_-][\w-]*)\s+)?([\s\S]+)$/i.exec(text.trim());
  const name = match?.[1] ?? null;
  const query = match?.[2] ?? text;
  const isNamed = (style) => name === null || (textOf(cascade, style, "container-name") ?? "").split(/\s+/).includes(name);
  return evaluateCondition(query, (leaf) => {
    const style = /^style\(\s*(--[\w-]+)\s*(?::\s*([\s\S]*?))?\s*\)$/i.exec(leaf);
    if (style !== null)
      return styleHolds(cascade, style[1] ?? "", style[2] ?? null, element, around, isNamed);
    if (/^[a-z-]+\(/i.test(leaf)) return MAYBE;
    return sizeHolds(cascade, leaf, element, around, isNamed);
  });
}
function styleHolds(cascade, property, wanted, element, around, isNamed) {
  for (const style of around(element)) {
    if (!isNamed(style)) continue;
    const value = textOf(cascade, style, property);
    if (value === null) return MAYBE;
    if (wanted === null) return value === "initial" ? NO : YES;
    return value.trim() === wanted.trim() ? YES : NO;
  }
  return NO;
}
function sizeHolds(cascade, feature, element, around, isNamed) {
  for (const style of around(element)) {
    const type2 = textOf(cascade, style, "container-type");
    if (type2 === null) return MAYBE;
    if (!/\b(?:size|inline-size)\b/.test(type2) || !isNamed(style)) continue;
    const asked = feature.toLowerCase().replace(/inline-size/g, "width").replace(/block-size/g, "height");
    if (/height|aspect-ratio|orientation/.test(asked)) return MAYBE;
    const width = contentWidth(cascade, style);
    return width === null ? MAYBE : evaluateMediaFeature(asked, { ...cascade.device, width });
  }
  return NO;
}
function contentWidth(cascade, style) {
  const text = textOf(cascade, style, "width");
  const isFixed = textOf(cascade, style, "box-sizing") === "content-box";
  const limits = ["min-width", "max-width"].map((property) => textOf(cascade, style, property));
  if (text === null || !isFixed || limits[0] !== "auto" || limits[1] !== "none") return null;
  return lengthInPixels2(text, lengthBasis(cascade, style, null));
}
var textOf = (cascade, style, property) => cascadedValue(cascade, style, property).text;

// src/core/css/attribute-test.ts
function matchesAttribute(element, test) {
  const attribute = element.attributes.get(test.name) ?? (element.namespace === "html" ? void 0 : [...element.attributes.values()].find((a) => a.name.toLowerCase() === test.name));
  if (attribute === void 0) return element.spread === null ? NO : MAYBE;
  if (test.operator === null) return YES;
  if (typeof attribute.value !== "string") return MAYBE;
  const actual = test.ignoreCase ? attribute.value.toLowerCase() : attribute.value;
  const wanted = test.ignoreCase ? test.value.toLowerCase() : test.value;
  switch (test.operator) {
    case "=":
      return actual === wanted ? YES : NO;
    case "~=":
      return wanted !== "" && actual.split(/[ \t\n\f\r]+/).includes(wanted) ? YES : NO;
    case "|=":
      return actual === wanted || actual.startsWith(`${wanted}-`) ? YES : NO;
    case "^=":
      return wanted !== "" && actual.startsWith(wanted) ? YES : NO;
    case "$=":
      return wanted !== "" && actual.endsWith(wanted) ? YES : NO;
    case "*=":
      return wanted !== "" && actual.includes(wanted) ? YES : NO;
    default:
      return test.operator;
  }
}

// src/core/css/element-state.ts
var sure = (holds2) => holds2 ? YES : NO;
var threeValued = (holds2) => holds2 === "unknown" ? MAYBE : sure(holds2);
var canBeDisabled = /* @__PURE__ */ new Set(["button", "input", "select", "textarea", "fieldset", "optgroup", "option"]);
var takesRequired = /* @__PURE__ */ new Set(["input", "select", "textarea"]);
var neverAsLoaded = new Set(
  "visited target target-within target-current target-before target-after playing paused seeking buffering stalled muted volume-locked fullscreen picture-in-picture user-valid user-invalid autofill -webkit-autofill -webkit-full-screen active-view-transition popover-open modal current past future local-link blank interest-source interest-target".split(
    " "
  )
);
function elementState(index, element, name) {
  if (neverAsLoaded.has(name)) return NO;
  const { tag } = element;
  const html = element.namespace === "html";
  const isInput = html && tag === "input";
  switch (name) {
    case "link":
    case "any-link":
    case "-webkit-any-link":
      if (tag !== "a" && tag !== "area") return NO;
      if (hasAttribute(element, "href") || hasAttribute(element, "xlink:href")) return YES;
      return attributeUnknown(element, "href") ? MAYBE : NO;
    case "disabled":
      return threeValued(isDisabled(index, element));
    case "enabled":
      return html && canBeDisabled.has(tag) ? not(threeValued(isDisabled(index, element))) : NO;
    case "checked":
      if (isInput && /^(?:checkbox|radio)$/.test(inputType(element)))
        return hasAttribute(element, "checked") ? YES : attributeUnknown(element, "checked") ? MAYBE : NO;
      if (html && tag === "option") {
        let select = index.parent(element);
        while (select !== null && select.tag !== "select") select = index.parent(select);
        return sure(
          select === null ? hasAttribute(element, "selected") : selectedOptions(index, select).includes(element)
        );
      }
      return NO;
    case "default":
      if (isInput || tag === "option")
        return hasAttribute(element, tag === "option" ? "selected" : "checked") ? YES : inputType(element) === "submit" ? MAYBE : NO;
      return tag === "button" ? MAYBE : NO;
    case "indeterminate":
      if (tag === "progress") return sure(!hasAttribute(element, "value"));
      return isInput && inputType(element) === "radio" && !hasAttribute(element, "checked") ? MAYBE : NO;
    case "required":
      return html && takesRequired.has(tag) ? hasAttribute(element, "required") ? YES : attributeUnknown(element, "required") ? MAYBE : NO : NO;
    case "optional":
      return html && takesRequired.has(tag) ? not(elementState(index, element, "required")) : NO;
    case "read-write":
      return readWrite(index, element);
    case "read-only":
      return not(readWrite(index, element));
    case "placeholder-shown": {
      const takes = isInput && (textTypes.has(inputType(element)) || inputType(element) === "number") || html && tag === "textarea";
      if (!takes || !hasAttribute(element, "placeholder")) return NO;
      const value = tag === "textarea" ? element.children.length > 0 ? "text" : "" : attributeText(element, "value") ?? "";
      return sure(value === "");
    }
    case "open":
      return tag === "details" || tag === "dialog" ? sure(hasAttribute(element, "open")) : NO;
    case "defined":
      return sure(!tag.includes("-") || element.shadow !== null || !html);
    case "valid":
    case "invalid":
    case "in-range":
    case "out-of-range":
      return takesRequired.has(tag) || tag === "form" || tag === "fieldset" ? MAYBE : NO;
    case "heading":
      return sure(/^h[1-6]$/.test(tag));
    default:
      return MAYBE;
  }
}
function readWrite(index, element) {
  const typed2 = element.tag === "textarea" || element.tag === "input" && (textTypes.has(inputType(element)) || /^(?:date|month|week|time|datetime-local|number)$/.test(inputType(element)));
  if (typed2) return hasAttribute(element, "readonly") ? NO : not(threeValued(isDisabled(index, element)));
  for (let up = element; up !== null; up = index.parent(up)) {
    const editable = attributeText(up, "contenteditable")?.toLowerCase();
    if (editable !== void 0) return sure(editable !== "false");
  }
  return NO;
}

// src/core/css/match.ts
var noInteraction = { kind: "none", element: null };
function matcherFor(index) {
  const classSets = /* @__PURE__ */ new WeakMap();
  const typePlaces = /* @__PURE__ */ new WeakMap();
  const firstSibling = /* @__PURE__ */ new WeakMap();
  const hasResults = /* @__PURE__ */ new WeakMap();
  const lastSibling = /* @__PURE__ */ new WeakMap();
  let allClasses = null;
  const { quirks } = index.document;
  const fold = (text) => quirks ? text.toLowerCase() : text;
  const classesOf = (element) => {
    let set = classSets.get(element);
    if (set === void 0) {
      const text = attributeText(element, "class");
      set = new Set(text === null ? [] : fold(text).split(/[ \t\n\f\r]+/));
      classSets.set(element, set);
    }
    return set;
  };
  const siblingsOf = (element) => {
    const { parent, root } = index.record(element);
    return index.childElements(parent ?? root);
  };
  const siblingsOfType = (element) => {
    const { parent, root } = index.record(element);
    const key2 = parent ?? root;
    let byTag = typePlaces.get(key2);
    if (byTag === void 0) {
      const groups2 = /* @__PURE__ */ new Map();
      for (const sibling of index.childElements(key2)) {
        const group = groups2.get(writtenTag(sibling));
        if (group === void 0) groups2.set(writtenTag(sibling), [sibling]);
        else group.push(sibling);
      }
      byTag = groups2;
      typePlaces.set(key2, byTag);
    }
    return byTag.get(writtenTag(element)) ?? [];
  };
  const parentIn = (element, around) => {
    const { parent, root } = index.record(element);
    return parent ?? ("mode" in root && root === around.root ? index.host(root) : null);
  };
  function matches(element, selector, around) {
    return matchesFrom(element, selector.steps, 0, around);
  }
  function matchesList(element, list, around) {
    let best = NO;
    for (const selector of list) {
      if (selector.pseudoElement !== null) continue;
      best = or(best, matches(element, selector, around));
      if (best === YES) return best;
    }
    return best;
  }
  function matchesFrom(element, steps, at2, around) {
    const step = steps[at2];
    if (step === void 0) return YES;
    const here = matchesCompound(element, step.compound, around);
    if (here === NO || step.combinator === null) return here;
    return and(here, matchesLeft(element, step, steps, at2 + 1, around));
  }
  function matchesLeft(element, step, steps, next, around) {
    switch (step.combinator) {
      case ">": {
        const parent = parentIn(element, around);
        return parent === null ? NO : matchesFrom(parent, steps, next, around);
      }
      case "+": {
        const { previous } = index.record(element);
        return previous === null ? NO : matchesFrom(previous, steps, next, around);
      }
      case "~": {
        const first = firstSiblingThatMatches(element, step, steps, next, around);
        const place = index.record(element).place;
        return first.sure >= 0 && first.sure < place ? YES : first.perhaps >= 0 && first.perhaps < place ? MAYBE : NO;
      }
      default: {
        let best = NO;
        for (let up = parentIn(element, around); up !== null; up = parentIn(up, around)) {
          best = or(best, matchesFrom(up, steps, next, around));
          if (best === YES) return best;
        }
        return best;
      }
    }
  }
  function firstSiblingThatMatches(element, step, steps, next, around) {
    const { parent, root } = index.record(element);
    const key2 = parent ?? root;
    const cacheable = around.interaction.kind === "none" && around.scope === null;
    const known = cacheable ? firstSibling.get(step)?.get(key2) : void 0;
    if (known !== void 0) return known;
    const found = { sure: -1, perhaps: -1 };
    for (const sibling of index.childElements(key2)) {
      const result = matchesFrom(sibling, steps, next, around);
      if (result === NO) continue;
      const { place } = index.record(sibling);
      if (found.perhaps < 0) found.perhaps = place;
      if (result === YES) {
        found.sure = place;
        break;
      }
    }
    if (cacheable) {
      const byParent = firstSibling.get(step) ?? /* @__PURE__ */ new WeakMap();
      firstSibling.set(step, byParent);
      byParent.set(key2, found);
    }
    return found;
  }
  function matchesCompound(element, compound, around) {
    const inShadowOf = "mode" in around.root ? index.host(around.root) : null;
    if (element === inShadowOf && !compound.pseudoClasses.some(
      (p) => p.kind === "host" || p.kind === "host-context" || p.kind === "is" || p.kind === "not"
    ))
      return NO;
    let result = YES;
    if (compound.tag !== null && compound.tag !== writtenTag(element) && (element.namespace !== "html" || compound.tag.toLowerCase() !== writtenTag(element)))
      return NO;
    if (compound.id !== null) {
      const id = attributeText(element, "id");
      if (id === null) {
        if (!attributeUnknown(element, "id")) return NO;
        result = MAYBE;
      } else if (fold(id) !== fold(compound.id)) return NO;
    }
    if (compound.classes.length > 0) {
      if (attributeUnknown(element, "class")) result = MAYBE;
      else {
        const classes = classesOf(element);
        for (const name of compound.classes) if (!classes.has(fold(name))) return NO;
      }
    }
    for (const test of compound.attributes) {
      result = and(result, matchesAttribute(element, test));
      if (result === NO) return NO;
    }
    for (const pseudoClass of compound.pseudoClasses) {
      result = and(result, matchesPseudoClass(element, pseudoClass, around));
      if (result === NO) return NO;
    }
    return result;
  }
  function matchesPseudoClass(element, pseudo, around) {
    switch (pseudo.kind) {
      case "is":
        return matchesList(element, pseudo.list, around);
      case "not":
        return not(matchesList(element, pseudo.list, around));
      case "has":
        return pseudo.list.map((relative) => hasRelative(element, relative, around)).reduce(or, NO);
      case "nth":
        return nth(element, pseudo, around);
      case "lang":
        return matchesLanguage(element, pseudo.ranges);
      case "dir":
        return MAYBE;
      case "host":
        if (!("mode" in around.root) || index.host(around.root) !== element) return NO;
        return pseudo.list === null ? YES : matchesList(element, pseudo.list, { ...around, root: index.record(element).root });
      case "host-context": {
        if (!("mode" in around.root) || index.host(around.root) !== element) return NO;
        let best = NO;
        for (let up = element; up !== null; up = index.flatParent(up)) {
          best = or(best, matchesList(up, pseudo.list, { ...around, root: index.record(up).root }));
        }
        return best;
      }
      case "state":
        return MAYBE;
      case "plain":
        return plain3(element, pseudo.name, around);
      default:
        return pseudo;
    }
  }
  function plain3(element, name, around) {
    switch (name) {
      case "root":
        return index.parent(element) === null && index.record(element).root === index.document ? YES : NO;
      case "scope":
        return around.scope === null ? plain3(element, "root", around) : around.scope === element ? YES : NO;
      case "first-child":
        return index.record(element).place === 1 ? YES : NO;
      case "last-child":
        return siblingsOf(element).at(-1) === element ? YES : NO;
      case "only-child":
        return siblingsOf(element).length === 1 ? YES : NO;
      case "first-of-type":
        return siblingsOfType(element)[0] === element ? YES : NO;
      case "last-of-type":
        return siblingsOfType(element).at(-1) === element ? YES : NO;
      case "only-of-type":
        return siblingsOfType(element).length === 1 ? YES : NO;
      case "empty":
        return emptiness(element);
      case "hover":
        return around.interaction.kind === "hover" || around.interaction.kind === "active" ? within(element, around.interaction.element) : NO;
      case "active":
        return around.interaction.kind === "active" ? within(element, around.interaction.element) : NO;
      case "focus":
      case "focus-visible":
        return around.interaction.kind === "focus" && around.interaction.element === element ? YES : NO;
      case "focus-within":
        return around.interaction.kind === "focus" ? within(element, around.interaction.element) : NO;
      default:
        return elementState(index, element, name);
    }
  }
  function within(element, acted) {
    for (let up = acted; up !== null; up = index.flatParent(up)) if (up === element) return YES;
    return NO;
  }
  function nth(element, pseudo, around) {
    let place;
    if (pseudo.of !== null) {
      const list = pseudo.of;
      const self = matchesList(element, list, around);
      if (self === NO) return NO;
      const all = siblingsOf(element).map((s) => ({ s, m: matchesList(s, list, around) }));
      if (all.some((e) => e.m === MAYBE)) return MAYBE;
      const matching = all.filter((e) => e.m === YES).map((e) => e.s);
      place = pseudo.last ? matching.length - matching.indexOf(element) : matching.indexOf(element) + 1;
    } else if (pseudo.ofType) {
      const same = siblingsOfType(element);
      const at2 = same.indexOf(element);
      place = pseudo.last ? same.length - at2 : at2 + 1;
    } else {
      const at2 = index.record(element).place;
      place = pseudo.last ? siblingsOf(element).length - at2 + 1 : at2;
    }
    const difference2 = place - pseudo.b;
    return (pseudo.a === 0 ? difference2 === 0 : difference2 / pseudo.a >= 0 && difference2 % pseudo.a === 0) ? YES : NO;
  }
  function hasRelative(element, relative, around) {
    const cacheable = around.interaction.kind === "none";
    const known = cacheable ? hasResults.get(relative)?.get(element) : void 0;
    if (known !== void 0) return known;
    if (!mayBeAnywhere(relative.selector)) return NO;
    if (relative.combinator === "~" && relative.selector.steps.length === 1 && cacheable)
      return hasLater(element, relative, around);
    let best = NO;
    const inner = { ...around, scope: element };
    const consider = (candidate) => {
      best = or(best, matches(candidate, relative.selector, inner));
      return best === YES;
    };
    if (relative.combinator === "+" || relative.combinator === "~") {
      const siblings = siblingsOf(element);
      const from = siblings.indexOf(element) + 1;
      for (const sibling of siblings.slice(from, relative.combinator === "+" ? from + 1 : void 0))
        if (consider(sibling)) break;
    } else {
      const direct = relative.combinator === ">" && relative.selector.steps.length === 1;
      const stack = [...index.childElements(element)].reverse();
      for (let at2 = stack.pop(); at2 !== void 0; at2 = stack.pop()) {
        if (consider(at2)) break;
        if (!direct) for (const child of [...index.childElements(at2)].reverse()) stack.push(child);
      }
    }
    if (cacheable) {
      const byElement = hasResults.get(relative) ?? /* @__PURE__ */ new WeakMap();
      hasResults.set(relative, byElement);
      byElement.set(element, best);
    }
    return best;
  }
  function mayBeAnywhere(selector) {
    const compound = selector.steps[0]?.compound;
    if (compound === void 0 || quirks) return true;
    allClasses ??= classesInDocument(index);
    if (allClasses === "unknown") return true;
    const known = allClasses;
    if (compound.classes.some((name) => !known.has(name))) return false;
    return compound.tag === null || compound.tag !== compound.tag.toLowerCase() || index.byTag(compound.tag).length > 0;
  }
  function hasLater(element, relative, around) {
    const { parent, root, place } = index.record(element);
    const byParent = lastSibling.get(relative) ?? /* @__PURE__ */ new WeakMap();
    lastSibling.set(relative, byParent);
    let last = byParent.get(parent ?? root);
    if (last === void 0) {
      last = { sure: -1, perhaps: -1 };
      for (const sibling of siblingsOf(element)) {
        const result = matches(sibling, relative.selector, around);
        const at2 = index.record(sibling).place;
        if (result !== NO) last.perhaps = at2;
        if (result === YES) last.sure = at2;
      }
      byParent.set(parent ?? root, last);
    }
    return last.sure > place ? YES : last.perhaps > place ? MAYBE : NO;
  }
  function matchesLanguage(element, ranges) {
    for (let up = element; up !== null; up = index.parent(up)) {
      const lang = attributeToken(up, "lang") ?? attributeToken(up, "xml:lang");
      if (lang === null) {
        if (attributeUnknown(up, "lang")) return MAYBE;
        continue;
      }
      return ranges.some(
        (r) => lang === r.toLowerCase() || lang.startsWith(`${r.toLowerCase()}-`) || r === "*"
      ) ? YES : NO;
    }
    return NO;
  }
  return { matches, matchesList };
}
function classesInDocument(index) {
  const found = /* @__PURE__ */ new Set();
  for (const element of index.elements) {
    if (attributeUnknown(element, "class")) return "unknown";
    for (const name of attributeTokens(element, "class")) found.add(name);
  }
  return found;
}
function emptiness(element) {
  let result = YES;
  for (const child of element.children) {
    if (child.kind === "element" && child.presence === "always") return NO;
    if (child.kind === "text" && child.value !== "") return NO;
    if (child.kind === "element" || child.kind === "hole") result = MAYBE;
  }
  return result;
}

// src/core/css/parse-sheet.ts
import { tokenTypes as tokenTypes2 } from "css-tree/tokenizer";

// src/core/css/selector.ts
var A = 1 << 20;
var B = 1 << 10;
var C = 1;
var oneColonPseudoElements = /* @__PURE__ */ new Set(["before", "after", "first-line", "first-letter"]);
var pseudoElements = new Set(
  "after backdrop before cue details-content file-selector-button first-letter first-line grammar-error highlight marker part picker picker-icon placeholder scroll-marker scroll-marker-group search-text selection slotted spelling-error target-text view-transition checkmark column".split(
    " "
  )
);
var InvalidSelector = class extends Error {
};
function compileSelectorList(list, parent) {
  return list.children.toArray().map((node) => {
    if (node.type !== "Selector") throw new InvalidSelector(node.type);
    return compileSelector(node, parent, parent !== null);
  });
}
var nestingCompound = (parent) => parent === null ? { kind: "plain", name: "scope" } : { kind: "is", list: parent };
var largestSpecificity = (list) => list.reduce((most, s) => Math.max(most, s.specificity), 0);
var draft = () => ({
  tag: null,
  id: null,
  classes: [],
  attributes: [],
  pseudoClasses: [],
  empty: true
});
function compileSelector(node, parent, nested) {
  const parts = node.children.toArray();
  let specificity = 0;
  let pseudoElement = null;
  let slotted = null;
  let partNames = null;
  let subjectIsHost = false;
  const compounds = [];
  let current = draft();
  let combinator = null;
  const mentionsParent = parts.some((p) => p.type === "NestingSelector") || nested && containsNesting(node);
  if (nested && !mentionsParent) {
    compounds.push({
      compound: { ...draft(), pseudoClasses: [nestingCompound(parent)] },
      combinatorAtLeft: null
    });
    specificity += parent === null ? 0 : largestSpecificity(parent);
    if (parts[0]?.type !== "Combinator") combinator = " ";
  }
  const close = () => {
    if (current.empty) throw new InvalidSelector("an empty compound");
    compounds.push({ compound: current, combinatorAtLeft: combinator });
    current = draft();
  };
  for (const [at2, part] of parts.entries()) {
    if (part.type === "Combinator") {
      if (at2 > 0) close();
      else if (!nested || compounds.length === 0) throw new InvalidSelector("a leading combinator");
      const name = part.name.trim();
      if (name !== "" && name !== ">" && name !== "+" && name !== "~") throw new InvalidSelector(name);
      combinator = name === "" ? " " : name;
      continue;
    }
    current.empty = false;
    if (pseudoElement !== null && part.type !== "PseudoClassSelector" && part.type !== "PseudoElementSelector") {
      throw new InvalidSelector("a selector after a pseudo-element");
    }
    switch (part.type) {
      case "TypeSelector": {
        const name = part.name.slice(part.name.indexOf("|") + 1);
        if (name !== "*") {
          current.tag = name;
          specificity += C;
        }
        break;
      }
      case "IdSelector":
        if (current.id === null) current.id = unescapeIdentifier(part.name);
        else
          current.attributes.push({
            name: "id",
            operator: "=",
            value: unescapeIdentifier(part.name),
            ignoreCase: false
          });
        specificity += A;
        break;
      case "ClassSelector":
        current.classes.push(unescapeIdentifier(part.name));
        specificity += B;
        break;
      case "AttributeSelector":
        current.attributes.push(attributeTest(part));
        specificity += B;
        break;
      case "NestingSelector":
        current.pseudoClasses.push(nestingCompound(parent));
        specificity += parent === null ? 0 : largestSpecificity(parent);
        break;
      case "PseudoClassSelector": {
        const name = part.name.toLowerCase();
        if (oneColonPseudoElements.has(name) && part.children === null) {
          pseudoElement = name;
          specificity += C;
          break;
        }
        if (pseudoElement !== null) {
          current.pseudoClasses.push({ kind: "state", name: "after-pseudo-element" });
          break;
        }
        const compiled2 = compilePseudoClass(name, part.children?.toArray() ?? null, parent);
        current.pseudoClasses.push(compiled2.pseudoClass);
        if (compiled2.pseudoClass.kind === "host" || compiled2.pseudoClass.kind === "host-context")
          subjectIsHost = true;
        specificity += compiled2.specificity;
        break;
      }
      case "PseudoElementSelector": {
        const name = part.name.toLowerCase();
        if (!pseudoElements.has(name) && !name.startsWith("-webkit-")) throw new InvalidSelector(`::${name}`);
        specificity += C;
        const inner = part.children?.toArray() ?? null;
        if (name === "slotted") {
          slotted = innerList(inner, parent);
          specificity += largestSpecificity(slotted);
        } else if (name === "part") {
          partNames = (inner ?? []).flatMap(
            (n) => n.type === "Raw" ? n.value.trim().split(/\s+/) : n.type === "Identifier" ? [n.name] : []
          );
        }
        pseudoElement = pseudoElement === "slotted" || pseudoElement === "part" ? `${pseudoElement}::${name}` : name;
        break;
      }
      default:
        throw new InvalidSelector(part.type);
    }
  }
  close();
  const steps = compounds.map((entry) => ({ compound: entry.compound, combinator: entry.combinatorAtLeft })).reverse();
  const isHost = subjectIsHost && (steps[0]?.compound.pseudoClasses.some((p) => p.kind === "host" || p.kind === "host-context") ?? false);
  return { steps, specificity, pseudoElement, slotted, parts: partNames, subjectIsHost: isHost };
}
function containsNesting(node) {
  if (node.type === "NestingSelector") return true;
  const inner = "children" in node && node.children != null ? node.children.toArray() : [];
  return inner.some(containsNesting);
}
function attributeTest(node) {
  const name = node.name.name.slice(node.name.name.indexOf("|") + 1).toLowerCase();
  const value = node.value === null ? "" : node.value.type === "String" ? node.value.value : unescapeIdentifier(node.value.name);
  const flag = node.flags?.toLowerCase() ?? null;
  return {
    name,
    operator: node.matcher ?? null,
    value,
    ignoreCase: flag === "i" || flag !== "s" && caseInsensitiveAttributes.has(name)
  };
}
var caseInsensitiveAttributes = new Set(
  "accept align alink axis bgcolor charset checked clear color compact defer dir direction disabled enctype face frame hreflang lang language link media method multiple nohref noresize noshade nowrap readonly rel rev rules scope scrolling selected shape target text type valign valuetype vlink".split(
    " "
  )
);
function innerList(children, parent) {
  const list = children?.[0];
  if (list?.type === "SelectorList") return compileSelectorListInside(list, parent);
  if (list?.type === "Selector") return [compileSelector(list, parent, false)];
  throw new InvalidSelector("nothing to match");
}
var compileSelectorListInside = (list, parent) => list.children.toArray().map((s) => {
  if (s.type !== "Selector") throw new InvalidSelector(s.type);
  return compileSelector(s, parent, false);
});
function forgivingList(children, parent) {
  const list = children?.[0];
  if (list?.type !== "SelectorList") return [];
  return list.children.toArray().flatMap((s) => {
    if (s.type !== "Selector") return [];
    try {
      return [compileSelector(s, parent, false)];
    } catch (error) {
      if (error instanceof InvalidSelector) return [];
      throw error;
    }
  });
}
function compilePseudoClass(name, children, parent) {
  switch (name) {
    case "is":
    case "matches":
    case "-webkit-any": {
      const list = forgivingList(children, parent);
      return { pseudoClass: { kind: "is", list }, specificity: largestSpecificity(list) };
    }
    case "where":
      return { pseudoClass: { kind: "is", list: forgivingList(children, parent) }, specificity: 0 };
    case "not": {
      const list = innerList(children, parent);
      return { pseudoClass: { kind: "not", list }, specificity: largestSpecificity(list) };
    }
    case "has": {
      const list = relativeList(children, parent);
      return {
        pseudoClass: { kind: "has", list },
        specificity: largestSpecificity(list.map((r) => r.selector))
      };
    }
    case "host": {
      const list = children === null ? null : innerList(children, parent);
      return {
        pseudoClass: { kind: "host", list },
        specificity: B + (list === null ? 0 : largestSpecificity(list))
      };
    }
    case "host-context": {
      const list = innerList(children, parent);
      return { pseudoClass: { kind: "host-context", list }, specificity: B + largestSpecificity(list) };
    }
    case "nth-child":
    case "nth-last-child":
    case "nth-of-type":
    case "nth-last-of-type": {
      const nth = children?.find((n) => n.type === "Nth");
      if (nth === void 0) throw new InvalidSelector(name);
      const of = nth.selector === null ? null : compileSelectorListInside(nth.selector, parent);
      const { a, b } = stepAndOffset(nth);
      return {
        pseudoClass: { kind: "nth", a, b, last: name.includes("last"), ofType: name.endsWith("type"), of },
        specificity: B + (of === null ? 0 : largestSpecificity(of))
      };
    }
    case "lang": {
      const ranges = (children ?? []).flatMap(
        (n) => n.type === "Identifier" ? [n.name] : n.type === "String" ? [n.value] : n.type === "Raw" ? n.value.split(",").map((v) => v.trim().replace(/^["']|["']$/g, "")) : []
      );
      return { pseudoClass: { kind: "lang", ranges }, specificity: B };
    }
    case "dir": {
      const first = children?.[0];
      const direction = first?.type === "Identifier" ? first.name : first?.type === "Raw" ? first.value.trim() : "";
      return { pseudoClass: { kind: "dir", direction: direction.toLowerCase() }, specificity: B };
    }
    default:
      if (/^-(?:moz|ms|o)-/.test(name)) throw new InvalidSelector(`:${name}`);
      return { pseudoClass: { kind: "plain", name }, specificity: B };
  }
}
function relativeList(children, parent) {
  const list = children?.[0];
  if (list?.type !== "SelectorList") throw new InvalidSelector(":has()");
  return list.children.toArray().map((node) => {
    if (node.type !== "Selector") throw new InvalidSelector(node.type);
    const parts = node.children.toArray();
    const first = parts[0];
    if (first?.type !== "Combinator")
      return { combinator: " ", selector: compileSelector(node, parent, false) };
    const name = first.name.trim();
    if (name !== ">" && name !== "+" && name !== "~" && name !== "") throw new InvalidSelector(name);
    const rest = { ...node, children: node.children.copy() };
    rest.children.shift();
    return { combinator: name === "" ? " " : name, selector: compileSelector(rest, parent, false) };
  });
}
function stepAndOffset(nth) {
  if (nth.nth.type === "Identifier")
    return nth.nth.name.toLowerCase() === "odd" ? { a: 2, b: 1 } : { a: 2, b: 0 };
  const { a, b } = nth.nth;
  return {
    a: a === null ? 0 : a === "-" ? -1 : a === "+" || a === "" ? 1 : Number(a),
    b: b === null ? 0 : Number(b)
  };
}
function unescapeIdentifier(name) {
  if (!name.includes("\\")) return name;
  return name.replace(
    /\\(?:([0-9a-fA-F]{1,6})\s?|(.))/gsu,
    (_, hex, character) => hex === void 0 ? character ?? "" : String.fromCodePoint(Number.parseInt(hex, 16) || 65533)
  );
}

// src/core/css/selector-text.ts
import parseCss from "css-tree/selector-parser";
var DEEPEST_SELECTOR = 64;
function parsedSelectors(text, relative) {
  if (text === "" || nesting(text) > DEEPEST_SELECTOR) return null;
  let failed2 = false;
  try {
    const node = parseCss(relative ? `:has(${text})` : text, {
      context: "selectorList",
      onParseError: () => {
        failed2 = true;
      }
    });
    if (failed2 || node.type !== "SelectorList") return null;
    if (!relative) return node;
    const has = node.children.first;
    const pseudo = has?.type === "Selector" ? has.children.first : null;
    const inner = pseudo?.type === "PseudoClassSelector" ? pseudo.children?.first : null;
    return inner?.type === "SelectorList" ? inner : null;
  } catch {
    return null;
  }
}
function nesting(text) {
  let depth = 0;
  let deepest = 0;
  for (const c of text) {
    if (c === "(") deepest = Math.max(deepest, ++depth);
    else if (c === ")") depth--;
  }
  return deepest;
}

// src/core/css/tokens.ts
import { tokenize, tokenTypes } from "css-tree/tokenizer";
var opening = /* @__PURE__ */ new Set([
  tokenTypes.LeftCurlyBracket,
  tokenTypes.LeftParenthesis,
  tokenTypes.LeftSquareBracket,
  tokenTypes.Function
]);
var closing = /* @__PURE__ */ new Set([
  tokenTypes.RightCurlyBracket,
  tokenTypes.RightParenthesis,
  tokenTypes.RightSquareBracket
]);
function tokensOf(text) {
  const types = [];
  const starts = [];
  tokenize(text, (type2, start) => {
    types.push(type2);
    starts.push(start);
  });
  starts.push(text.length);
  const closes = /* @__PURE__ */ new Map();
  const open2 = [];
  for (const [i, type2] of types.entries()) {
    if (opening.has(type2)) open2.push({ at: i, closedBy: closerOf(type2) });
    else if (closing.has(type2) && open2.at(-1)?.closedBy === type2) closes.set(open2.pop()?.at ?? 0, i);
  }
  for (const { at: at2 } of open2) closes.set(at2, types.length);
  return { text, types, starts, closes };
}
function closerOf(opener) {
  if (opener === tokenTypes.LeftCurlyBracket) return tokenTypes.RightCurlyBracket;
  if (opener === tokenTypes.LeftSquareBracket) return tokenTypes.RightSquareBracket;
  return tokenTypes.RightParenthesis;
}

// src/core/css/parse-sheet.ts
var {
  AtKeyword,
  Comment,
  WhiteSpace,
  Semicolon,
  Colon,
  Ident,
  CDO,
  CDC,
  String: StringToken,
  Url,
  BadString
} = tokenTypes2;
var { LeftCurlyBracket } = tokenTypes2;
function parseSheet(style) {
  const tokens = tokensOf(style.text);
  const items2 = [];
  let anonymousLayers = 0;
  let mayImport = true;
  const selectorCache = /* @__PURE__ */ new Map();
  const textBetween = (from, to) => withoutComments(style.text.slice(tokens.starts[from], tokens.starts[to]));
  const span = (from, to) => ({
    file: style.file,
    start: style.start + (tokens.starts[from] ?? style.text.length),
    end: style.start + (tokens.starts[to] ?? style.text.length)
  });
  const flush = (block) => {
    if (block.collector === null || block.collector.isEmpty || block.selectors === null) return;
    const { normal, important } = block.collector.take();
    items2.push({
      kind: "rule",
      rule: {
        selectors: block.selectors,
        selectorText: block.selectorText,
        normal,
        important,
        conditions: block.conditions,
        layer: block.layer,
        source: span(block.start, block.end)
      }
    });
  };
  const scan = (from, end, stopAtSemicolon) => {
    for (let i = from; i < end; i++) {
      const type2 = tokens.types[i];
      if (type2 === LeftCurlyBracket || stopAtSemicolon && type2 === Semicolon) return i;
      const close = tokens.closes.get(i);
      if (close !== void 0) i = close;
    }
    return end;
  };
  const skipSpace = (from, end) => {
    let i = from;
    while (i < end && (tokens.types[i] === WhiteSpace || tokens.types[i] === Comment)) i++;
    return i;
  };
  const stack = [
    {
      at: 0,
      end: tokens.types.length,
      selectors: null,
      selectorText: "",
      conditions: null,
      layer: null,
      start: 0,
      collector: null
    }
  ];
  for (let block = stack.at(-1); block !== void 0; block = stack.at(-1)) {
    block.at = skipSpace(block.at, block.end);
    if (block.at >= block.end) {
      flush(block);
      stack.pop();
      continue;
    }
    const at2 = block.at;
    const type2 = tokens.types[at2];
    if (type2 === Semicolon || type2 === CDO || type2 === CDC || type2 !== void 0 && closing.has(type2)) {
      block.at++;
      continue;
    }
    if (type2 === AtKeyword) {
      atRule(block, at2);
      continue;
    }
    mayImport = mayImport && block.selectors !== null;
    if (block.collector !== null && type2 === Ident && declaration(block, at2)) continue;
    qualifiedRule(block, at2);
  }
  return { file: style.file, items: items2, remarks: style.text.includes("keel:") ? remarks() : [] };
  function remarks() {
    return tokens.types.flatMap((type2, i) => {
      const written = type2 === Comment ? style.text.slice(tokens.starts[i], tokens.starts[i + 1]) : "";
      const text = written.replace(/^\/\*|\*\/$/g, "").trim();
      if (!/^keel\s*:/i.test(text)) return [];
      const first = skipSpace(i + 1, tokens.types.length);
      return [{ text, source: span(i, i + 1), covers: span(first, endOfNext(first)) }];
    });
  }
  function endOfNext(first) {
    for (let i = first; i < tokens.types.length; i++) {
      const type2 = tokens.types[i];
      if (type2 === Semicolon || type2 !== void 0 && closing.has(type2)) return i;
      const close = tokens.closes.get(i);
      if (close !== void 0) {
        if (type2 === LeftCurlyBracket) return close;
        i = close;
      }
    }
    return tokens.types.length;
  }
  function declaration(block, at2) {
    const colon = skipSpace(at2 + 1, block.end);
    if (tokens.types[colon] !== Colon) return false;
    const name = unescapeName(style.text.slice(tokens.starts[at2], tokens.starts[at2 + 1]));
    let end = block.end;
    for (let i = colon + 1; i < block.end; i++) {
      const type2 = tokens.types[i];
      if (type2 === Semicolon) {
        end = i;
        break;
      }
      if (type2 === LeftCurlyBracket && !name.startsWith("--")) return false;
      const close = tokens.closes.get(i);
      if (close !== void 0) i = close;
    }
    let last = end;
    while (last > colon + 1 && isSpace(tokens.types[last - 1])) last--;
    const first = skipSpace(colon + 1, last);
    const written = textBetween(first, last).trim();
    const important = /!\s*important$/i.exec(written);
    const text = important === null ? written : written.slice(0, important.index).trim();
    const bad = tokens.types.slice(first, last).some((t2) => t2 === BadString || t2 === tokenTypes2.BadUrl);
    if (!bad && (text !== "" || name.startsWith("--")) && (important !== null || !/^[^"']*!/.test(text))) {
      const valueSource = span(first, last);
      block.collector?.add(name, text, important !== null, span(at2, last), {
        ...valueSource,
        end: important === null ? valueSource.end : valueSource.start + trimmedLength(style.text.slice(tokens.starts[first], tokens.starts[last]))
      });
    }
    block.at = end + 1;
    return true;
  }
  function qualifiedRule(block, at2) {
    const brace = scan(at2, block.end, block.collector !== null || stack.length > 1);
    if (brace >= block.end || tokens.types[brace] !== LeftCurlyBracket) {
      block.at = brace + 1;
      return;
    }
    const close = tokens.closes.get(brace) ?? block.end;
    block.at = close + 1;
    const selectorText = textBetween(at2, brace).trim();
    const selectors = compiledSelectors(selectorText, block.selectors);
    if (selectors === null) return;
    flush(block);
    stack.push({
      at: brace + 1,
      end: Math.min(close, block.end),
      selectors,
      selectorText: selectorText.replace(/\s+/g, " "),
      conditions: block.conditions,
      layer: block.layer,
      start: at2,
      collector: new DeclarationCollector()
    });
  }
  function compiledSelectors(text, parent) {
    const relative = parent !== null;
    const key2 = relative ? `&${text}` : text;
    let node = selectorCache.get(key2);
    if (node === void 0) {
      node = parsedSelectors(text, relative);
      selectorCache.set(key2, node);
    }
    if (node === null) return null;
    try {
      return compileSelectorList(node, parent);
    } catch (error) {
      if (error instanceof InvalidSelector) return null;
      throw error;
    }
  }
  function atRule(block, at2) {
    const name = style.text.slice((tokens.starts[at2] ?? 0) + 1, tokens.starts[at2 + 1]).toLowerCase();
    const end = scan(at2 + 1, block.end, true);
    const opens2 = tokens.types[end] === LeftCurlyBracket;
    const close = opens2 ? Math.min(tokens.closes.get(end) ?? block.end, block.end) : end;
    block.at = close + 1;
    const prelude = textBetween(at2 + 1, end).trim();
    const enter2 = (conditions, layer) => {
      flush(block);
      stack.push({
        at: end + 1,
        end: close,
        selectors: block.selectors,
        selectorText: block.selectorText,
        conditions,
        layer,
        start: at2,
        collector: block.selectors === null ? null : new DeclarationCollector()
      });
    };
    if (name !== "import" && name !== "charset" && name !== "layer") mayImport = false;
    switch (name) {
      case "media":
      case "supports":
      case "container":
        if (opens2) enter2({ condition: { kind: name, text: prelude }, outer: block.conditions }, block.layer);
        return;
      case "scope": {
        if (!opens2) return;
        const limits = scopeLimits(prelude);
        if (limits !== null)
          enter2({ condition: { kind: "scope", ...limits }, outer: block.conditions }, block.layer);
        return;
      }
      case "layer": {
        const full = (given) => block.layer === null ? given : `${block.layer}.${given}`;
        if (!opens2) {
          for (const given of prelude.split(",")) {
            items2.push({ kind: "layer", name: full(given.trim()), conditions: block.conditions });
          }
          return;
        }
        const layer = full(prelude === "" ? `<${style.file}:${style.start}:${++anonymousLayers}>` : prelude);
        items2.push({ kind: "layer", name: layer, conditions: block.conditions });
        enter2(block.conditions, layer);
        return;
      }
      case "import":
        if (!opens2 && mayImport && block.selectors === null && stack.length === 1) {
          const found = importRule(at2, end);
          if (found !== null) items2.push({ kind: "import", import: found });
        }
        return;
      case "keyframes":
      case "-webkit-keyframes":
        if (opens2)
          items2.push({
            kind: "keyframes",
            name: prelude.replace(/^(["'])(.*)\1$/, "$2"),
            frames: keyframes({ ...span(end + 1, close), text: textBetween(end + 1, close) })
          });
        return;
      case "property":
        if (opens2) propertyRule(prelude, textBetween(end + 1, close));
        return;
      default:
    }
  }
  function propertyRule(name, body) {
    const inherits = /(?:^|;)\s*inherits\s*:\s*(true|false)\s*(?:;|$)/i.exec(body)?.[1]?.toLowerCase();
    if (!name.startsWith("--") || inherits === void 0 || !/(?:^|;)\s*syntax\s*:/i.test(body)) return;
    const initial2 = /(?:^|;)\s*initial-value\s*:\s*([^;]*)/i.exec(body)?.[1]?.trim() ?? null;
    items2.push({ kind: "property", name, inherits: inherits === "true", initial: initial2 });
  }
  function importRule(at2, end) {
    const first = skipSpace(at2 + 1, end);
    const type2 = tokens.types[first];
    const raw = style.text.slice(tokens.starts[first], tokens.starts[first + 1]);
    let href;
    let next = first + 1;
    if (type2 === StringToken) href = raw.slice(1, -1);
    else if (type2 === Url) href = raw.slice(4, -1).trim();
    else if (type2 === tokenTypes2.Function && raw.toLowerCase() === "url(") {
      next = (tokens.closes.get(first) ?? end) + 1;
      href = textBetween(first + 1, next - 1).trim().replace(/^["']|["']$/g, "");
    } else return null;
    let rest = textBetween(next, end).trim();
    let layer = null;
    let supports2 = null;
    const layerMatch = /^layer(?:\(\s*([\w.-]+)\s*\))?(?=\s|$)/i.exec(rest);
    if (layerMatch !== null) {
      layer = layerMatch[1] ?? `<${style.file}:${style.start}:import ${tokens.starts[at2]}>`;
      rest = rest.slice(layerMatch[0].length).trim();
    }
    if (/^supports\(/i.test(rest)) {
      const close = closingParenthesis(rest, "supports".length);
      supports2 = rest.slice("supports(".length, close);
      rest = rest.slice(close + 1).trim();
    }
    return { href, layer, supports: supports2, media: rest === "" ? null : rest, source: span(at2, end) };
  }
  function scopeLimits(prelude) {
    const match = /^(?:\(([\s\S]*?)\))?\s*(?:to\s*\(([\s\S]*)\))?$/i.exec(prelude);
    if (match === null) return null;
    const compile = (text) => text === void 0 ? null : compiledSelectors(text.trim(), null);
    const start = compile(match[1]);
    const end = compile(match[2]);
    if (match[1] !== void 0 && start === null || match[2] !== void 0 && end === null) return null;
    return { start, end };
  }
}
function keyframes(body) {
  return [...body.text.matchAll(/([^{}]+)\{([^{}]*)\}/g)].flatMap(([, places = "", text = ""]) => {
    const at2 = places.split(",").map((place) => {
      const word2 = place.trim().toLowerCase();
      return word2 === "from" ? 0 : word2 === "to" ? 1 : Number.parseFloat(word2) / 100;
    });
    if (at2.some(Number.isNaN)) return [];
    return [{ at: at2, declarations: parseStyleAttribute({ ...body, text }).normal }];
  });
}
function parseStyleAttribute(style) {
  const sheet = parseSheet({ ...style, text: `*{${style.text}
}`, start: style.start - 2 });
  const item = sheet.items.find((i) => i.kind === "rule");
  return item === void 0 ? { normal: /* @__PURE__ */ new Map(), important: null } : item.rule;
}
function closingParenthesis(text, open2) {
  let depth = 0;
  for (let i = open2; i < text.length; i++) {
    if (text[i] === "(") depth++;
    else if (text[i] === ")" && --depth === 0) return i;
  }
  return text.length;
}
var isSpace = (type2) => type2 === WhiteSpace || type2 === Comment;
var withoutComments = (text) => text.includes("/*") ? text.replace(/\/\*[\s\S]*?(?:\*\/|$)/g, " ") : text;
var trimmedLength = (text) => text.replace(/\s*!\s*important\s*$/i, "").length;
var unescapeName = (name) => name.includes("\\") ? name.replace(/\\(.)/gs, "$1") : name;

// src/core/css/presentational-hints.ts
var length2 = (text) => {
  const match = /^\s*\+?(\d+(?:\.\d+)?)(%?)/.exec(text);
  return match === null ? null : `${match[1]}${match[2] === "%" ? "%" : "px"}`;
};
var legacyColour = (text) => {
  const trimmed = text.trim();
  if (trimmed === "" || trimmed.toLowerCase() === "transparent") return null;
  if (/^#[0-9a-f]{3}$/i.test(trimmed)) return trimmed;
  if (/^[a-z]+$/i.test(trimmed) && !/^[0-9a-f]+$/i.test(trimmed)) return trimmed;
  let digits = trimmed.replace(/^#/, "").replace(/[^0-9a-f]/gi, "0");
  while (digits.length === 0 || digits.length % 3 !== 0) digits += "0";
  let third = digits.length / 3;
  let parts = [digits.slice(0, third), digits.slice(third, 2 * third), digits.slice(2 * third)];
  if (third > 8) parts = parts.map((p) => p.slice(third - 8));
  third = Math.min(third, 8);
  while (third > 2 && parts.every((p) => p.startsWith("0"))) {
    parts = parts.map((p) => p.slice(1));
    third--;
  }
  return `#${parts.map((p) => p.slice(0, 2).padStart(2, "0")).join("")}`;
};
var fontSizes = ["x-small", "small", "medium", "large", "x-large", "xx-large", "xxx-large"];
var fontSize2 = (text) => {
  const match = /^\s*([+-]?)(\d+)/.exec(text);
  if (match === null) return null;
  const number2 = Number(match[2]);
  const size = match[1] === "+" ? 3 + number2 : match[1] === "-" ? 3 - number2 : number2;
  return fontSizes[Math.max(1, Math.min(7, size)) - 1] ?? null;
};
var alignment = (text) => /^(?:left|right|center|justify)$/i.test(text) ? text.toLowerCase() : text.toLowerCase() === "middle" ? "center" : null;
var image = (text) => text.trim() === "" ? null : `url("${text.replace(/"/g, "%22")}")`;
var cell = [
  { attribute: "bgcolor", property: "background-color", value: legacyColour },
  { attribute: "background", property: "background-image", value: image },
  { attribute: "width", property: "width", value: length2 },
  { attribute: "height", property: "height", value: length2 },
  { attribute: "align", property: "text-align", value: alignment }
];
var sized = [
  { attribute: "width", property: "width", value: length2 },
  { attribute: "height", property: "height", value: length2 }
];
var hints = {
  body: [
    { attribute: "bgcolor", property: "background-color", value: legacyColour },
    { attribute: "background", property: "background-image", value: image },
    { attribute: "text", property: "color", value: legacyColour }
  ],
  table: [...cell.slice(0, 4)],
  thead: cell,
  tbody: cell,
  tfoot: cell,
  tr: cell,
  td: cell,
  th: cell,
  font: [
    { attribute: "color", property: "color", value: legacyColour },
    { attribute: "size", property: "font-size", value: fontSize2 },
    { attribute: "face", property: "font-family", value: (text) => text }
  ],
  img: sized,
  iframe: sized,
  video: sized,
  canvas: [],
  embed: sized,
  object: sized,
  hr: [{ attribute: "color", property: "color", value: legacyColour }],
  marquee: [{ attribute: "bgcolor", property: "background-color", value: legacyColour }],
  p: [{ attribute: "align", property: "text-align", value: alignment }],
  div: [{ attribute: "align", property: "text-align", value: alignment }]
};
function presentationalHints(index, element) {
  if (element.namespace !== "html") return element.namespace === "svg" ? svgHints(element) : null;
  const bodyColour = element.tag === "a" && hasAttribute(element, "href") ? bodyLinkColour(index) : null;
  const rows = hints[element.tag];
  if (rows === void 0 && bodyColour === null || element.attributes.size === 0 && bodyColour === null)
    return null;
  const collector = new DeclarationCollector();
  let key2 = "";
  const add = (property, value, source) => {
    const place = source ?? { file: index.document.file, start: 0, end: 0 };
    collector.add(property, value, false, place, place);
    key2 += `${property}:${value};`;
  };
  for (const { attribute, property, value } of rows ?? []) {
    const text = attributeText(element, attribute);
    const hinted = text === null ? null : value(text);
    if (hinted !== null) add(property, hinted, element.attributes.get(attribute)?.source ?? null);
  }
  if (bodyColour !== null) add("color", bodyColour.value, bodyColour.source);
  return collector.isEmpty ? null : { block: collector.take(), key: key2 };
}
function bodyLinkColour(index) {
  const body = index.byTag("body")[0];
  const text = body === void 0 ? null : attributeText(body, "link");
  const value = text === null ? null : legacyColour(text);
  return value === null ? null : { value, source: body?.attributes.get("link")?.source ?? null };
}
var svgAttributes = ["display", "visibility", "opacity", "font-size", "font-weight", "color"];
function svgHints(element) {
  const collector = new DeclarationCollector();
  let key2 = "";
  for (const name of svgAttributes) {
    const attribute = element.attributes.get(name);
    if (attribute === void 0 || typeof attribute.value !== "string" || attribute.source === null) continue;
    const text = /^font-size$/.test(name) && /^[\d.]+$/.test(attribute.value) ? `${attribute.value}px` : attribute.value;
    collector.add(name, text.trim(), false, attribute.source, attribute.source);
    key2 += `${name}:${text};`;
  }
  return collector.isEmpty ? null : { block: collector.take(), key: key2 };
}

// src/core/css/supports.ts
function evaluateSupports(text) {
  return evaluateCondition(text, (leaf) => {
    const selector = /^selector\(([\s\S]*)\)$/i.exec(leaf);
    if (selector !== null) return /::?-(?:moz|ms|o)-/i.test(selector[1] ?? "") ? NO : MAYBE;
    if (/^font-(?:tech|format)\(/i.test(leaf)) return MAYBE;
    const declaration = /^(--[\w-]+|[\w-]+)\s*:\s*([\s\S]+)$/.exec(leaf);
    if (declaration === null) return NO;
    const name = (declaration[1] ?? "").toLowerCase();
    const value = (declaration[2] ?? "").trim();
    if (name.startsWith("--") || holdsSubstitution(value)) return YES;
    if (/^-(?:moz|ms|o)-/.test(name) || /(?:^|\s)-(?:moz|ms|o)-/.test(value)) return NO;
    const known = sameProperty[name] ?? name;
    const row = properties[known];
    if (row !== void 0 && row.syntax.kind !== "any") return acceptsValue(known, value) ? YES : NO;
    if (known === "display") return acceptsValue(known, value) ? YES : NO;
    return isShorthand(known) || supportedEverywhere.has(known) ? YES : MAYBE;
  });
}
var supportedEverywhere = new Set(
  "gap grid-template-columns grid-template-areas grid aspect-ratio object-fit backdrop-filter position scroll-snap-type scroll-behavior accent-color inset transform-style transform filter mask clip-path mix-blend-mode overscroll-behavior font-variation-settings".split(
    " "
  )
);

// src/core/css/rule-index.ts
function treeRules(sheets, origin, device, { registered, places, fold }) {
  const rules2 = [];
  const layers = new LayerOrder();
  const keyframes2 = /* @__PURE__ */ new Map();
  const mediaResults = /* @__PURE__ */ new Map();
  const media3 = (text) => {
    let known = mediaResults.get(text);
    if (known === void 0) {
      known = evaluateMedia(text, device);
      mediaResults.set(text, known);
    }
    return known;
  };
  const certaintyOf = (conditions) => {
    let result = YES;
    for (let at2 = conditions; at2 !== null && result !== NO; at2 = at2.outer) {
      const { condition } = at2;
      if (condition.kind === "media") result = and(result, media3(condition.text));
      else if (condition.kind === "supports") result = and(result, evaluateSupports(condition.text));
    }
    return result;
  };
  const prefixed = (prefix, name) => name === null ? prefix : prefix === null ? name : `${prefix}.${name}`;
  const addSheet = (applied, outer, prefix) => {
    const whole = and(outer, applied.media === null ? YES : media3(applied.media));
    if (whole === NO) return;
    for (const item of applied.sheet.items) {
      if (item.kind === "layer") {
        if (certaintyOf(item.conditions) !== NO) layers.add(prefixed(prefix, item.name) ?? item.name);
      } else if (item.kind === "property") registered.set(item.name, item);
      else if (item.kind === "keyframes") keyframes2.set(item.name, item.frames);
      else if (item.kind === "import") {
        const layer = prefixed(prefix, item.import.layer);
        if (item.import.layer !== null && layer !== null) layers.add(layer);
        const imported = applied.imports.get(item.import);
        const supported = item.import.supports === null ? YES : evaluateSupports(`(${item.import.supports})`);
        const certainty = and(
          whole,
          and(supported, item.import.media === null ? YES : media3(item.import.media))
        );
        if (imported !== void 0 && certainty !== NO) addSheet(imported, certainty, layer);
      } else {
        const certainty = and(whole, certaintyOf(item.rule.conditions));
        if (certainty !== NO)
          rules2.push({ rule: item.rule, certainty, layer: prefixed(prefix, item.rule.layer) });
      }
    }
  };
  for (const sheet of sheets) addSheet(sheet, YES, null);
  const layerRank = layers.ranks();
  const drafts = rules2.flatMap(({ rule, certainty, layer }, order) => {
    const rank2 = layer === null ? Number.POSITIVE_INFINITY : layerRank.get(layer) ?? 0;
    const block = {
      normal: rule.normal,
      important: rule.important,
      origin,
      certain: true,
      layer: rank2,
      selectorText: rule.selectorText
    };
    const uncertainBlock = { ...block, certain: false };
    return rule.selectors.map((selector) => ({
      selector,
      rule,
      block,
      uncertainBlock,
      certainty,
      layer: rank2,
      order
    }));
  });
  drafts.sort(
    (a, b) => (a.layer === b.layer ? 0 : a.layer < b.layer ? -1 : 1) || a.selector.specificity - b.selector.specificity || a.order - b.order
  );
  const entries = drafts.map((d, rank2) => ({
    selector: d.selector,
    rule: d.rule,
    block: d.block,
    uncertainBlock: d.uncertainBlock,
    certainty: d.certainty,
    hasContainer: asksContainer(d.rule.conditions),
    rank: rank2,
    ancestors: places === null ? [] : requiredAncestors(d.selector, places, fold)
  }));
  const groups2 = /* @__PURE__ */ new Map();
  for (const entry of entries) {
    const { pseudoElement } = entry.selector;
    const group = groups2.get(pseudoElement);
    if (group === void 0) groups2.set(pseudoElement, [entry]);
    else group.push(entry);
  }
  return {
    elements: ruleIndex(groups2.get(null) ?? [], fold),
    pseudos: new Map(
      [...groups2].flatMap(
        ([name, group]) => name === null ? [] : [[name, ruleIndex(group, fold)]]
      )
    ),
    blocks: [...new Set(entries.map((entry) => entry.block))],
    keyframes: keyframes2,
    reacting: reactingKeys(entries, fold)
  };
}
function asksContainer(conditions) {
  for (let at2 = conditions; at2 !== null; at2 = at2.outer) if (at2.condition.kind === "container") return true;
  return false;
}
var actionsOf = {
  hover: ["hover", "active"],
  active: ["active"],
  focus: ["focus"],
  "focus-visible": ["focus"],
  "focus-within": ["focus"]
};
function reactingKeys(entries, fold) {
  const found = { hover: /* @__PURE__ */ new Set(), focus: /* @__PURE__ */ new Set(), active: /* @__PURE__ */ new Set() };
  const keyOf4 = ({ id, classes, tag }) => id !== null ? `#${fold(id)}` : classes[0] !== void 0 ? `.${fold(classes[0])}` : tag !== null ? tag.toLowerCase() : "*";
  const visit = (selector, within) => {
    for (const { compound } of selector.steps) {
      const key2 = within ?? keyOf4(compound);
      for (const pseudo of compound.pseudoClasses) {
        if (pseudo.kind === "plain")
          for (const action of actionsOf[pseudo.name] ?? []) found[action].add(key2);
        else if (pseudo.kind === "is" || pseudo.kind === "host-context")
          for (const inner of pseudo.list) visit(inner, inner.steps.length === 1 && key2 !== "*" ? key2 : null);
        else if (pseudo.kind === "not") for (const inner of pseudo.list) visit(inner, key2);
        else if (pseudo.kind === "has") for (const inner of pseudo.list) visit(inner.selector, null);
        else if (pseudo.kind === "host" && pseudo.list !== null)
          for (const inner of pseudo.list) visit(inner, "*");
      }
    }
  };
  for (const { selector } of entries) {
    visit(selector, null);
    for (const inner of selector.slotted ?? []) visit(inner, "*");
  }
  return found;
}
var LayerOrder = class {
  #children = /* @__PURE__ */ new Map();
  add(name) {
    const parts = name.startsWith("<") ? [name] : name.split(".");
    let path9 = "";
    for (const part of parts) {
      const parent = path9;
      path9 = path9 === "" ? part : `${path9}.${part}`;
      const siblings = this.#children.get(parent) ?? [];
      this.#children.set(parent, siblings);
      if (!siblings.includes(path9)) siblings.push(path9);
    }
  }
  ranks() {
    const ranks = /* @__PURE__ */ new Map();
    const stack = [{ name: "", done: false }];
    for (let at2 = stack.pop(); at2 !== void 0; at2 = stack.pop()) {
      if (at2.done) {
        ranks.set(at2.name, ranks.size);
        continue;
      }
      stack.push({ name: at2.name, done: true });
      for (const child of [...this.#children.get(at2.name) ?? []].reverse())
        stack.push({ name: child, done: false });
    }
    return ranks;
  }
};
function ruleIndex(entries, fold) {
  const byId = /* @__PURE__ */ new Map();
  const byClass = /* @__PURE__ */ new Map();
  const byTag = /* @__PURE__ */ new Map();
  const others = [];
  const put = (map, key2, entry) => {
    const list = map.get(key2);
    if (list === void 0) map.set(key2, [entry]);
    else list.push(entry);
  };
  for (const entry of entries) {
    const compound = (entry.selector.slotted?.[0] ?? entry.selector).steps[0]?.compound;
    const usable = entry.selector.slotted === null && entry.selector.parts === null ? compound : void 0;
    if (usable?.id != null) put(byId, fold(usable.id), entry);
    else if (usable?.classes[0] !== void 0) put(byClass, fold(usable.classes[0]), entry);
    else if (usable?.tag != null) {
      put(byTag, usable.tag, entry);
      if (usable.tag !== usable.tag.toLowerCase()) put(byTag, usable.tag.toLowerCase(), entry);
    } else others.push(entry);
  }
  return { byId, byClass, byTag, others };
}
function requiredAncestors(selector, places, fold) {
  const bits = [];
  const place = (key2) => {
    const known = places.get(key2) ?? places.size;
    places.set(key2, known);
    return known;
  };
  const add = (compound) => {
    if (compound.id !== null) bits.push(place(`#${fold(compound.id)}`));
    else if (compound.classes[0] !== void 0) bits.push(place(`.${fold(compound.classes[0])}`));
    else if (compound.tag !== null && compound.tag === compound.tag.toLowerCase())
      bits.push(place(`t${compound.tag}`));
  };
  let ancestor = false;
  for (const [at2, step] of selector.steps.entries()) {
    if (at2 > 0 && ancestor && bits.length < 4) add(step.compound);
    ancestor = step.combinator === " " || step.combinator === ">";
  }
  return bits;
}

// src/core/css/rule-match.ts
function ruleMatching(index, matcher, containerHolds2) {
  const byProximity = (element, asked) => {
    const distances = /* @__PURE__ */ new Map();
    const distance3 = (entry) => {
      const known = distances.get(entry) ?? scopeDistance(entry, element, asked);
      distances.set(entry, known);
      return known;
    };
    return (a, b) => {
      const alike = a.block.layer === b.block.layer && a.selector.specificity === b.selector.specificity;
      const [from, to] = alike ? [distance3(a), distance3(b)] : [0, 0];
      return from === to ? a.rank - b.rank : to - from;
    };
  };
  const scopeDistance = (entry, element, asked) => {
    const limits = scopeOf(entry.rule.conditions);
    if (limits === null || limits.start === null) return Number.MAX_SAFE_INTEGER;
    let distance3 = 0;
    for (let up = element; up !== null; up = index.parent(up), distance3++) {
      if (matcher.matchesList(up, limits.start, asked) !== NO) return distance3;
    }
    return Number.MAX_SAFE_INTEGER;
  };
  const selectorMatches = (entry, element, around) => {
    const { slotted, parts } = entry.selector;
    if (slotted !== null) {
      const slot = index.flatParent(element);
      if (slot === null) return NO;
      const chosen = matcher.matchesList(element, slotted, { ...around, root: index.record(element).root });
      return and(chosen, matcher.matches(slot, entry.selector, around));
    }
    if (parts !== null) {
      const { root } = index.record(element);
      const names = attributeTokens(element, "part");
      if (!("mode" in root) || !parts.every((part) => names.includes(part))) return NO;
      return matcher.matches(index.host(root), entry.selector, around);
    }
    const limits = scopeOf(entry.rule.conditions);
    if (limits === null) return matcher.matches(element, entry.selector, around);
    let best = NO;
    for (let up = element; up !== null; up = index.parent(up)) {
      const starts = limits.start === null ? index.parent(up) === null ? YES : NO : matcher.matchesList(up, limits.start, around);
      if (starts !== NO) {
        const result = and(starts, matcher.matches(element, entry.selector, { ...around, scope: up }));
        if (result > best) best = result;
      }
      if (limits.end !== null && matcher.matchesList(up, limits.end, around) !== NO) break;
    }
    return best;
  };
  return {
    matches(entry, element, asked) {
      const holds2 = selectorMatches(entry, element, asked);
      return holds2 !== NO && entry.hasContainer ? and(holds2, containerHolds2(entry, element)) : holds2;
    },
    order: (entries, element, asked) => entries.some((entry) => scopeOf(entry.rule.conditions) !== null) ? byProximity(element, asked) : (a, b) => a.rank - b.rank
  };
}
function scopeOf(conditions) {
  for (let at2 = conditions; at2 !== null; at2 = at2.outer)
    if (at2.condition.kind === "scope") return at2.condition;
  return null;
}

// src/core/css/user-agent.ts
var rules = `
html, body, address, blockquote, center, dialog, div, figure, figcaption, footer, form, header, hr, legend, listing,
main, p, plaintext, pre, search, xmp, article, aside, h1, h2, h3, h4, h5, h6, hgroup, nav, section, dir, dd, dl, dt,
menu, ol, ul, optgroup, option, details, summary, fieldset, frameset, frame, optgroup { display: block }
area, base, basefont, datalist, head, link, meta, noembed, noframes, param, rp, script, style, template, title,
noscript, source, track, col[hidden] { display: none }
input[type=hidden i] { display: none !important }
slot { display: contents }
li, summary:first-of-type { display: list-item }
ruby { display: ruby } rt { display: ruby-text; font-size: 50% }
table { display: table } caption { display: table-caption } colgroup, colgroup[hidden] { display: table-column-group }
col { display: table-column } thead { display: table-header-group } tbody { display: table-row-group }
tfoot { display: table-footer-group } tr { display: table-row } td, th { display: table-cell }
input, select, button, textarea, meter, progress, marquee { display: inline-block }
img, video, canvas, iframe, embed, object { display: inline }
audio:not([controls]) { display: none !important }
[hidden], area, base { display: none }
[hidden=until-found i] { display: block; content-visibility: hidden }
embed[hidden] { display: inline }
dialog:not([open]) { display: none }
dialog { position: absolute; background-color: Canvas; color: CanvasText; border: solid; padding: 1em }
[popover] { display: none }
video { object-fit: contain }

html { color: CanvasText }
body { margin: 8px }
a:any-link, area:any-link { color: -webkit-link; text-decoration: underline }
h1 { font-size: 2em; font-weight: bold } h2 { font-size: 1.5em; font-weight: bold } h3 { font-size: 1.17em; font-weight: bold }
h4 { font-weight: bold } h5 { font-size: .83em; font-weight: bold } h6 { font-size: .67em; font-weight: bold }
b, strong { font-weight: bolder } th { font-weight: bold; text-align: center }
i, cite, em, var, dfn, address { font-style: italic }
small { font-size: smaller } big { font-size: larger } sub, sup { font-size: smaller }
tt, code, kbd, samp, pre, listing, plaintext, xmp { font-family: monospace }
pre, listing, plaintext, xmp { white-space: pre }
textarea { white-space: pre-wrap }
nobr { white-space: nowrap }
mark { background-color: Mark; color: MarkText }
u, ins { text-decoration: underline } s, strike, del { text-decoration: line-through }
abbr[title], acronym[title] { text-decoration: underline dotted }
ul, menu, dir { list-style-type: disc } ol { list-style-type: decimal }
ul ul, ol ul { list-style-type: circle }
center { text-align: center }
table { text-indent: 0; border-color: gray }
fieldset { border: 2px groove ThreeDFace; padding: 0.35em 0.75em 0.625em }
legend { padding: 0 2px }
hr { color: gray; border: 1px inset }
iframe { border: 2px inset }
input, select, button, textarea {
  font-size: 13.3333px; font-weight: normal; font-style: normal; font-family: system-ui; letter-spacing: normal;
  word-spacing: normal; line-height: normal; text-indent: 0; text-transform: none; color: FieldText; background-color: Field;
  border: 2px inset light-dark(rgb(118, 118, 118), rgb(133, 133, 133));
}
textarea { font-family: monospace; border-width: 1px }
select { border: 1px solid light-dark(rgb(118, 118, 118), rgb(133, 133, 133)); color: FieldText; background-color: ButtonFace }
select[multiple], select[size]:not([size='0'], [size='1']) { background-color: Field }
select[multiple] option, select[size] option { display: block }
input[type=button i], input[type=submit i], input[type=reset i], button {
  color: ButtonText; background-color: ButtonFace; border: 2px outset ButtonBorder; text-align: center;
}
input[type=checkbox i], input[type=radio i], input[type=range i], input[type=image i], input[type=color i], input[type=file i] { background-color: transparent; border: none }
input[type=checkbox i], input[type=radio i], input[type=range i], input[type=color i] { appearance: auto }
input[type=image i] { color: inherit }
input[type=file i] { color: inherit }
input:disabled, textarea:disabled, select:disabled { color: light-dark(rgb(84, 84, 84), rgb(170, 170, 170)) }
button:disabled, input[type=button i]:disabled, input[type=submit i]:disabled, input[type=reset i]:disabled {
  color: light-dark(rgb(16 16 16 / 0.3), rgb(255 255 255 / 0.3)); background-color: light-dark(rgb(239 239 239 / 0.3), rgb(19 1 1 / 0.3));
}
option:disabled { color: GrayText }
::placeholder { color: light-dark(rgb(117, 117, 117), rgb(169, 169, 169)) }
:focus-visible { outline: auto 1px -webkit-focus-ring-color }
q::before { content: open-quote } q::after { content: close-quote }
`;
var quirksRules = "table { font-size: medium; font-weight: normal; font-style: normal; text-align: start; white-space: normal; line-height: normal }";
var standardSheet = parseSheet({ file: "browser defaults", text: rules, start: 0 });
var quirksSheet = parseSheet({ file: "browser defaults", text: `${rules}${quirksRules}`, start: 0 });

// src/core/css/cascade.ts
function styleSharing() {
  const roots = /* @__PURE__ */ new Map();
  return (parent, blocks2) => {
    let branch = roots.get(parent);
    if (branch === void 0) {
      branch = { next: /* @__PURE__ */ new Map(), style: null };
      roots.set(parent, branch);
    }
    for (const block of blocks2) {
      let next = branch.next.get(block);
      if (next === void 0) {
        next = { next: /* @__PURE__ */ new Map(), style: null };
        branch.next.set(block, next);
      }
      branch = next;
    }
    branch.style ??= { parent, blocks: blocks2, computed: /* @__PURE__ */ new Map() };
    return branch.style;
  };
}
var asWritten = (text) => text;
var lowerCased = (text) => text.toLowerCase();
var browserRules = (sheet, fold) => treeRules([{ sheet, media: null, imports: /* @__PURE__ */ new Map() }], "user-agent", desktop, {
  registered: /* @__PURE__ */ new Map(),
  places: null,
  fold
});
var standardRules = browserRules(standardSheet, asWritten);
var quirksRules2 = browserRules(quirksSheet, lowerCased);
function cascadeFor(index, sheets, device) {
  const matcher = matcherFor(index);
  const registered = /* @__PURE__ */ new Map();
  const fold = index.document.quirks ? lowerCased : asWritten;
  const places = /* @__PURE__ */ new Map();
  const userAgent = index.document.quirks ? quirksRules2 : standardRules;
  const byTree = /* @__PURE__ */ new Map();
  for (const scope of new Set(sheets.map((s) => s.scope))) {
    const own = sheets.filter((s) => s.scope === scope);
    const context = { registered, places: "mode" in scope ? null : places, fold };
    byTree.set(scope, treeRules(own, "author", device, context));
  }
  const ownBlocks = /* @__PURE__ */ new Map();
  const styles = /* @__PURE__ */ new Map();
  const filter = new Uint32Array(places.size);
  let unknownAncestors = 0;
  const candidates2 = (rules2, element) => {
    const found = [...rules2.others];
    const add = (entries) => {
      if (entries !== void 0) for (const entry of entries) found.push(entry);
    };
    if (rules2.byId.size > 0) {
      const id = attributeText(element, "id");
      if (id !== null) add(rules2.byId.get(fold(id)));
      else if (attributeUnknown(element, "id")) for (const entries of rules2.byId.values()) add(entries);
    }
    if (rules2.byClass.size > 0) {
      if (attributeUnknown(element, "class")) for (const entries of rules2.byClass.values()) add(entries);
      else for (const name of new Set(attributeTokens(element, "class"))) add(rules2.byClass.get(fold(name)));
    }
    add(rules2.byTag.get(writtenTag(element)));
    return found;
  };
  const around = (root, interaction) => ({
    root,
    scope: null,
    interaction
  });
  const addMatching = (blocks2, rules2, element, asked, useFilter) => {
    if (rules2 === void 0) return;
    const sure2 = [];
    let unsure = null;
    for (const entry of candidates2(rules2, element)) {
      if (useFilter && unknownAncestors === 0 && entry.ancestors.some((place) => filter[place] === 0))
        continue;
      const certainty = and(entry.certainty, matching.matches(entry, element, asked));
      if (certainty === NO) continue;
      if (certainty !== YES) {
        unsure ??= /* @__PURE__ */ new Set();
        unsure.add(entry);
      }
      sure2.push(entry);
    }
    if (sure2.length > 1) sure2.sort(matching.order(sure2, element, asked));
    for (const entry of sure2) blocks2.push(unsure?.has(entry) === true ? entry.uncertainBlock : entry.block);
  };
  const cascadedAround = (element) => stylesAbove(index, styles, element);
  const matching = ruleMatching(
    index,
    matcher,
    (entry, element) => containerHolds(cascade, entry.rule.conditions, element, cascadedAround)
  );
  const blocksFor = (element, interaction, useFilter) => {
    const { root, parent } = index.record(element);
    const blocks2 = [];
    addMatching(blocks2, userAgent.elements, element, around(root, interaction), false);
    const hints2 = presentationalHints(index, element);
    if (hints2 !== null)
      blocks2.push(
        kept(ownBlocks, hints2.key, () => ({
          ...hints2.block,
          origin: "hint",
          certain: true,
          layer: -1,
          selectorText: ""
        }))
      );
    if (element.shadow !== null)
      addMatching(
        blocks2,
        byTree.get(element.shadow)?.elements,
        element,
        around(element.shadow, interaction),
        false
      );
    if (parent !== null && parent.shadow !== null) {
      addMatching(
        blocks2,
        byTree.get(parent.shadow)?.pseudos.get("slotted"),
        element,
        around(parent.shadow, interaction),
        false
      );
    }
    addMatching(blocks2, byTree.get(root)?.elements, element, around(root, interaction), useFilter);
    if ("mode" in root && element.attributes.has("part")) {
      const outer = index.record(index.host(root)).root;
      addMatching(blocks2, byTree.get(outer)?.pseudos.get("part"), element, around(outer, interaction), false);
    }
    const attribute = element.attributes.get("style");
    if (attribute !== void 0 && typeof attribute.value === "string")
      blocks2.push(styleAttribute(attribute.value, attribute.source));
    return blocks2;
  };
  const styleAttribute = (text, source) => kept(ownBlocks, `style ${source?.file} ${source?.start} ${text}`, () => {
    const start = source === null ? 0 : source.end - text.length - 1;
    const block = parseStyleAttribute({ file: source?.file ?? "", text, start });
    return {
      ...block,
      origin: "author",
      certain: true,
      layer: Number.POSITIVE_INFINITY,
      selectorText: "style attribute"
    };
  });
  const share = styleSharing();
  const interactiveStyles = /* @__PURE__ */ new Map();
  const orders = (interaction) => `${interaction.kind}@${interaction.element === null ? "" : index.record(interaction.element).order}`;
  const reacting = (action) => new Set([...byTree.values()].flatMap((tree) => [...tree.reacting[action]]));
  const reactingTo = { hover: reacting("hover"), focus: reacting("focus"), active: reacting("active") };
  const mayReact = (element, action) => {
    const keys = reactingTo[action];
    if (keys.size === 0) return false;
    if (keys.has("*")) return true;
    for (let up = element; up !== null; up = index.flatParent(up)) {
      if (keys.has(writtenTag(up)) || attributeUnknown(up, "class") || attributeUnknown(up, "id"))
        return true;
      if (up.attributes.size === 0) continue;
      const id = attributeText(up, "id");
      if (id !== null && keys.has(`#${fold(id)}`)) return true;
      if (attributeTokens(up, "class").some((name) => keys.has(`.${fold(name)}`))) return true;
    }
    return false;
  };
  const style = (element, interaction = noInteraction) => {
    if (interaction.kind === "none") return styles.get(element) ?? null;
    const key2 = orders(interaction);
    const known = interactiveStyles.get(key2) ?? /* @__PURE__ */ new Map();
    interactiveStyles.set(key2, known);
    const chain = [];
    for (let up = element; up !== null && !known.has(up); up = index.flatParent(up))
      chain.push(up);
    for (const at2 of chain.reverse()) {
      if (!styles.has(at2)) {
        known.set(at2, null);
        continue;
      }
      const above = index.flatParent(at2);
      const parent = above === null ? null : known.get(above) ?? null;
      known.set(at2, share(parent, blocksFor(at2, interaction, false)));
    }
    return known.get(element) ?? null;
  };
  const pseudoStyles = /* @__PURE__ */ new Map();
  const authorPseudos = new Set([...byTree.values()].flatMap((tree) => [...tree.pseudos.keys()]));
  let declared = null;
  const declares = (property) => {
    declared ??= declaredIn([...[...byTree.values()].flatMap((tree) => tree.blocks), ...ownBlocks.values()]);
    return declared.has(property);
  };
  const cascade = {
    device,
    isOpenAround: index.document.kind === "component",
    declares,
    keyframes: (element, name) => byTree.get(index.record(element).root)?.keyframes.get(name) ?? [],
    mayReact,
    pageScheme: pageScheme(index, device),
    registered,
    matcher,
    style,
    pseudoStyle(element, pseudo, interaction = noInteraction) {
      const browserMakesIt = userAgent.pseudos.get(pseudo);
      if (!authorPseudos.has(pseudo) && (browserMakesIt === void 0 || candidates2(browserMakesIt, element).length === 0))
        return null;
      const own = style(element, interaction);
      if (own === null) return null;
      const cacheKey = interaction.kind === "none" ? pseudo : `${pseudo} ${orders(interaction)}`;
      const known = pseudoStyles.get(cacheKey) ?? /* @__PURE__ */ new Map();
      pseudoStyles.set(cacheKey, known);
      const kept3 = known.get(element);
      if (kept3 !== void 0) return kept3;
      const { root } = index.record(element);
      const blocks2 = [];
      const inTree = (rules2, tree) => {
        addMatching(blocks2, rules2?.pseudos.get(pseudo), element, around(tree, interaction), false);
      };
      inTree(userAgent, root);
      if (element.shadow !== null) inTree(byTree.get(element.shadow), element.shadow);
      inTree(byTree.get(root), root);
      const made = blocks2.length === 0 ? null : { parent: own, blocks: blocks2, computed: /* @__PURE__ */ new Map() };
      known.set(element, made);
      return made;
    }
  };
  const mark = (element, by) => {
    for (const place of filterPlaces(element, places, fold)) filter[place] = (filter[place] ?? 0) + by;
    if (attributeUnknown(element, "class") || attributeUnknown(element, "id")) unknownAncestors += by;
  };
  const stack = [{ element: null, style: null, nodes: index.document.children, at: 0 }];
  for (let frame = stack.at(-1); frame !== void 0; frame = stack.at(-1)) {
    const node = frame.nodes[frame.at++];
    if (node === void 0) {
      if (frame.element !== null) mark(frame.element, -1);
      stack.pop();
      continue;
    }
    if (node.kind !== "element") continue;
    const style2 = share(frame.style, blocksFor(node, noInteraction, true));
    styles.set(node, style2);
    const children = index.flatChildren(node);
    if (children.length > 0) {
      mark(node, 1);
      stack.push({ element: node, style: style2, nodes: children, at: 0 });
    }
  }
  return cascade;
}
function declaredIn(blocks2) {
  const found = /* @__PURE__ */ new Set();
  for (const { normal, important } of blocks2) {
    for (const property of normal.keys()) found.add(property);
    if (important !== null) for (const property of important.keys()) found.add(property);
  }
  return found;
}
function pageScheme(index, device) {
  const meta = index.byTag("meta").find((element) => attributeText(element, "name")?.toLowerCase() === "color-scheme");
  const supported = (meta === void 0 ? "" : attributeText(meta, "content") ?? "").toLowerCase().split(/[\s,]+/);
  if (device.colourScheme === "dark") return supported.includes("dark") ? "dark" : "light";
  return supported.includes("dark") && !supported.includes("light") ? "dark" : "light";
}
function* stylesAbove(index, styles, element) {
  for (const up of elementsAbove(index, element)) {
    const style = styles.get(up);
    if (style !== void 0) yield style;
  }
}
function filterPlaces(element, needed, fold) {
  if (needed.size === 0) return noPlaces;
  const found = [];
  const add = (key2) => {
    const place = needed.get(key2);
    if (place !== void 0) found.push(place);
  };
  add(`t${writtenTag(element)}`);
  if (element.attributes.size > 0) {
    const id = attributeText(element, "id");
    if (id !== null) add(`#${fold(id)}`);
    for (const name of attributeTokens(element, "class")) add(`.${fold(name)}`);
  }
  return found;
}
var noPlaces = [];
function kept(map, key2, make2) {
  let value = map.get(key2);
  if (value === void 0) {
    value = make2();
    map.set(key2, value);
  }
  return value;
}

// src/core/colour/resolve-colour.ts
import { converter as converter2, displayable, interpolate, parse as parse3 } from "culori";

// src/core/colour/relative-colour.ts
import { converter } from "culori";
var rgb = {
  mode: "rgb",
  channels: [
    ["r", 255, 255],
    ["g", 255, 255],
    ["b", 255, 255]
  ]
};
var hsl = {
  mode: "hsl",
  channels: [
    ["h", 1, null],
    ["s", 100, 100],
    ["l", 100, 100]
  ]
};
var spaces = {
  rgb,
  rgba: rgb,
  hsl,
  hsla: hsl,
  hwb: {
    mode: "hwb",
    channels: [
      ["h", 1, null],
      ["w", 100, 100],
      ["b", 100, 100]
    ]
  },
  lab: {
    mode: "lab",
    channels: [
      ["l", 1, 100],
      ["a", 1, 125],
      ["b", 1, 125]
    ]
  },
  lch: {
    mode: "lch",
    channels: [
      ["l", 1, 100],
      ["c", 1, 150],
      ["h", 1, null]
    ]
  },
  oklab: {
    mode: "oklab",
    channels: [
      ["l", 1, 1],
      ["a", 1, 0.4],
      ["b", 1, 0.4]
    ]
  },
  oklch: {
    mode: "oklch",
    channels: [
      ["l", 1, 1],
      ["c", 1, 0.4],
      ["h", 1, null]
    ]
  }
};
var toRgb = converter("rgb");
function words2(text) {
  const found = [];
  let depth = 0;
  let word2 = "";
  for (const c of text) {
    if (c === "(") depth++;
    if (c === ")") depth--;
    if (depth === 0 && (/\s/.test(c) || c === "/")) {
      if (word2 !== "") found.push(word2);
      if (c === "/") found.push("/");
      word2 = "";
    } else word2 += c;
  }
  return word2 === "" ? found : [...found, word2];
}
function relativeColour(name, argument, resolve2) {
  const space = spaces[name];
  const [from, origin, ...rest] = words2(argument);
  if (space === void 0 || from !== "from" || origin === void 0) return null;
  const colour2 = resolve2(origin);
  if (colour2 === null) return null;
  const converted = converter(space.mode)({
    mode: "rgb",
    r: colour2.r,
    g: colour2.g,
    b: colour2.b
  });
  const known = new Map([
    ["alpha", colour2.alpha],
    ...space.channels.map(([channel, factor]) => [channel, (converted[channel] ?? 0) * factor])
  ]);
  const slash = rest.indexOf("/");
  const written = slash < 0 ? rest : rest.slice(0, slash);
  const alpha = slash < 0 ? colour2.alpha : channelValue(rest[slash + 1] ?? "", known, 1);
  if (written.length !== 3 || alpha === null) return null;
  const made = { mode: space.mode, alpha: Math.max(0, Math.min(1, alpha)) };
  for (const [i, [channel, factor, whole]] of space.channels.entries()) {
    const value = channelValue(written[i] ?? "", known, whole);
    if (value === null) return null;
    made[channel] = value / factor;
  }
  return toRgb(made);
}
function channelValue(text, known, whole) {
  if (text === "none") return 0;
  const named = known.get(text);
  if (named !== void 0) return named;
  const number2 = /^([+-]?(?:\d+\.?\d*|\.\d+))(%|deg)?$/.exec(text);
  if (number2 !== null) {
    if (number2[2] !== "%") return Number(number2[1]);
    return whole === null ? null : Number(number2[1]) / 100 * whole;
  }
  const sum2 = /^calc\(\s*(\S+)\s*([*/+-])\s*(\S+)\s*\)$/.exec(text);
  if (sum2 === null) return null;
  const left = channelValue(sum2[1] ?? "", known, whole);
  const right = channelValue(sum2[3] ?? "", known, whole);
  if (left === null || right === null) return null;
  return sum2[2] === "*" ? left * right : sum2[2] === "/" ? left / right : sum2[2] === "+" ? left + right : left - right;
}

// src/core/colour/rgba.ts
var rgba = (r, g, b, alpha = 1) => ({ r, g, b, alpha });
var white = rgba(1, 1, 1);
var transparent = rgba(0, 0, 0, 0);
function over(top, below) {
  const alpha = top.alpha + below.alpha * (1 - top.alpha);
  if (alpha === 0) return transparent;
  const channel = (a, b) => (a * top.alpha + b * below.alpha * (1 - top.alpha)) / alpha;
  return rgba(channel(top.r, below.r), channel(top.g, below.g), channel(top.b, below.b), alpha);
}
var faded = (colour2, opacity) => ({ ...colour2, alpha: colour2.alpha * opacity });
var toHex = (colour2) => `#${[colour2.r, colour2.g, colour2.b].map(
  (c) => Math.round(Math.max(0, Math.min(1, c)) * 255).toString(16).padStart(2, "0")
).join("")}`;
var onScreen = (colour2) => ({
  r: Math.round(colour2.r * 255) / 255,
  g: Math.round(colour2.g * 255) / 255,
  b: Math.round(colour2.b * 255) / 255,
  alpha: colour2.alpha
});

// src/core/colour/system-colours.ts
var systemColourValues = {
  accentcolor: ["#0075ff", "#99c8ff"],
  accentcolortext: ["#ffffff", "#000000"],
  activetext: ["#ff0000", "#ff9e9e"],
  buttonborder: ["#000000", "#ffffff"],
  buttonface: ["#efefef", "#6b6b6b"],
  buttontext: ["#000000", "#ffffff"],
  canvas: ["#ffffff", "#121212"],
  canvastext: ["#000000", "#ffffff"],
  field: ["#ffffff", "#3b3b3b"],
  fieldtext: ["#000000", "#ffffff"],
  graytext: ["#808080", "#808080"],
  highlight: ["#b5d5ff", "#3367d1"],
  highlighttext: ["#000000", "#ffffff"],
  linktext: ["#0000ee", "#9e9eff"],
  mark: ["#ffff00", "#ffff00"],
  marktext: ["#000000", "#000000"],
  selecteditem: ["#0075ff", "#99c8ff"],
  selecteditemtext: ["#ffffff", "#000000"],
  visitedtext: ["#551a8b", "#d0adf0"],
  "-webkit-link": ["#0000ee", "#9e9eff"],
  "-webkit-activelink": ["#ff0000", "#ff9e9e"],
  "-webkit-focus-ring-color": ["#101010", "#ffffff"],
  threedface: ["#f0f0f0", "#f0f0f0"],
  activeborder: ["#000000", "#ffffff"],
  activecaption: ["#ffffff", "#121212"],
  appworkspace: ["#ffffff", "#121212"],
  background: ["#ffffff", "#121212"],
  buttonhighlight: ["#efefef", "#6b6b6b"],
  buttonshadow: ["#efefef", "#6b6b6b"],
  captiontext: ["#000000", "#ffffff"],
  inactiveborder: ["#000000", "#ffffff"],
  inactivecaption: ["#ffffff", "#121212"],
  inactivecaptiontext: ["#808080", "#808080"],
  infobackground: ["#ffffff", "#121212"],
  infotext: ["#000000", "#ffffff"],
  menu: ["#ffffff", "#121212"],
  menutext: ["#000000", "#ffffff"],
  scrollbar: ["#ffffff", "#121212"],
  threeddarkshadow: ["#000000", "#ffffff"],
  threedhighlight: ["#000000", "#ffffff"],
  threedlightshadow: ["#000000", "#ffffff"],
  threedshadow: ["#000000", "#ffffff"],
  window: ["#ffffff", "#121212"],
  windowframe: ["#000000", "#ffffff"],
  windowtext: ["#000000", "#ffffff"]
};

// src/core/colour/resolve-colour.ts
var toRgb2 = converter2("rgb");
var DEEPEST = 8;
function resolveColour(text, around, depth = 0) {
  const lower = text.trim().toLowerCase();
  if (lower === "currentcolor") return around.current;
  if (lower === "transparent") return transparent;
  const system = systemColourValues[lower];
  if (system !== void 0)
    return resolveColour(around.scheme === "dark" ? system[1] : system[0], around, depth + 1);
  if (depth > DEEPEST) return null;
  const call = /^([a-z-]+)\(([\s\S]*)\)$/.exec(lower);
  if (call?.[1] === "light-dark") {
    const [light, dark] = splitArguments(call[2] ?? "");
    const chosen = around.scheme === "dark" ? dark : light;
    return chosen === void 0 ? null : resolveColour(chosen, around, depth + 1);
  }
  if (call?.[1] === "color-mix") return mixed(splitArguments(call[2] ?? ""), around, depth);
  if (call !== null && /^\s*from\s/.test(call[2] ?? "")) {
    const made = relativeColour(
      call[1] ?? "",
      call[2] ?? "",
      (inner) => resolveColour(inner, around, depth + 1)
    );
    return made === null ? null : shownColour(made);
  }
  if (/\bcalc\(|\bmin\(|\bmax\(|\bclamp\(/.test(lower)) return null;
  const parsed = /^[0-9a-f]+$/.test(lower) ? void 0 : parse3(lower);
  if (parsed === void 0) return null;
  return shownColour(toRgb2(parsed));
}
function shownColour(colour2) {
  if (!displayable(colour2)) {
    const edge = 1 / 512;
    if ([colour2.r, colour2.g, colour2.b].some((c) => c < -edge || c > 1 + edge)) return null;
  }
  const channel = (c) => Math.max(0, Math.min(1, c ?? 0));
  return rgba(channel(colour2.r), channel(colour2.g), channel(colour2.b), channel(colour2.alpha ?? 1));
}
function splitArguments(text) {
  const parts = [];
  let depth = 0;
  let start = 0;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === "(") depth++;
    else if (text[i] === ")") depth--;
    else if (text[i] === "," && depth === 0) {
      parts.push(text.slice(start, i).trim());
      start = i + 1;
    }
  }
  parts.push(text.slice(start).trim());
  return parts;
}
var mixSpaces = {
  srgb: "rgb",
  "srgb-linear": "lrgb",
  oklab: "oklab",
  lab: "lab",
  oklch: "oklch",
  lch: "lch",
  hsl: "hsl",
  hwb: "hwb",
  xyz: "xyz65",
  "xyz-d65": "xyz65"
};
function mixed(parts, around, depth) {
  const [method = "", first = "", second = ""] = parts;
  const space = mixSpaces[/^in\s+([\w-]+)$/.exec(method)?.[1] ?? ""];
  if (space === void 0 || parts.length !== 3) return null;
  const read = (text) => {
    const share = /(?:^|\s)([\d.]+)%(?:\s|$)/.exec(text);
    return {
      share: share === null ? null : Number(share[1]) / 100,
      colour: resolveColour(text.replace(/(?:^|\s)[\d.]+%(?=\s|$)/, " ").trim(), around, depth + 1)
    };
  };
  const one2 = read(first);
  const other = read(second);
  if (one2.colour === null || other.colour === null) return null;
  let a = one2.share ?? (other.share === null ? 0.5 : 1 - other.share);
  let b = other.share ?? 1 - a;
  const total = a + b;
  if (total === 0) return null;
  const alphaFactor = Math.min(1, total);
  a /= total;
  b /= total;
  const alpha = one2.colour.alpha * a + other.colour.alpha * b;
  if (alpha === 0) return transparent;
  const weight = other.colour.alpha * b / alpha;
  if (one2.colour.alpha !== other.colour.alpha && (space === "oklch" || space === "lch" || space === "hsl" || space === "hwb"))
    return null;
  const at2 = toRgb2(
    interpolate(
      [
        { mode: "rgb", ...one2.colour, alpha: 1 },
        { mode: "rgb", ...other.colour, alpha: 1 }
      ],
      space
    )(weight)
  );
  const clamp2 = (c) => Math.max(0, Math.min(1, c));
  return rgba(clamp2(at2.r), clamp2(at2.g), clamp2(at2.b), alpha * alphaFactor);
}

// src/core/css/colours.ts
function usedScheme(cascade, style) {
  const { text } = cascadedValue(cascade, style, "color-scheme");
  const words4 = splitAtSpaces((text ?? "normal").toLowerCase());
  const supported = words4.filter((word2) => word2 === "light" || word2 === "dark");
  if (supported.length === 0) return cascade.pageScheme;
  if (supported.includes(cascade.device.colourScheme)) return cascade.device.colourScheme;
  return supported[0] === "dark" ? "dark" : "light";
}
var ownColourKey = " color";
function textColour(cascade, style) {
  const chain = [];
  for (let at2 = style; at2 !== null && !at2.computed.has(ownColourKey); at2 = at2.parent)
    chain.push(at2);
  for (let i = chain.length - 1; i >= 0; i--) {
    const at2 = chain[i];
    if (at2 !== void 0) at2.computed.set(ownColourKey, ownTextColour(cascade, at2));
  }
  return style.computed.get(ownColourKey);
}
function ownTextColour(cascade, style) {
  const value = cascadedValue(cascade, style, "color");
  const parent = style.parent === null ? null : style.parent.computed.get(ownColourKey);
  const inherits = !value.own || value.declared !== null && /^(?:inherit|unset)$/i.test(value.declared.text);
  if (parent !== null && (inherits || value.text?.toLowerCase() === "currentcolor")) return parent;
  if (value.text === null) return { colour: null, value };
  return {
    colour: resolveColour(value.text, {
      current: parent?.colour ?? null,
      scheme: usedScheme(cascade, style)
    }),
    value
  };
}
function colourOf(cascade, style, property) {
  if (property === "color") return textColour(cascade, style);
  const key2 = ` ${property}`;
  const known = style.computed.get(key2);
  if (known !== void 0) return known;
  const value = cascadedValue(cascade, style, property);
  const found = { colour: value.text === null ? null : colourIn(cascade, style, value.text), value };
  style.computed.set(key2, found);
  return found;
}
var colourIn = (cascade, style, text) => resolveColour(text, { current: textColour(cascade, style).colour, scheme: usedScheme(cascade, style) });

// src/core/css/font-weight.ts
var key = " font-weight";
function resolvedWeight(cascade, style) {
  const chain = [];
  for (let at2 = style; at2 !== null && !at2.computed.has(key); at2 = at2.parent) chain.push(at2);
  for (let i = chain.length - 1; i >= 0; i--) {
    const at2 = chain[i];
    if (at2 === void 0) continue;
    const parent = at2.parent === null ? 400 : at2.parent.computed.get(key) ?? null;
    at2.computed.set(key, ownWeight(cascade, at2, parent));
  }
  return style.computed.get(key) ?? null;
}
function ownWeight(cascade, style, parent) {
  const { text, own } = cascadedValue(cascade, style, "font-weight");
  if (!own) return parent;
  switch (text?.toLowerCase()) {
    case void 0:
      return null;
    case "normal":
      return 400;
    case "bold":
      return 700;
    case "inherit":
      return parent;
    // CSS Fonts 4 §2.2.1, "relative weights".
    case "bolder":
      return parent === null ? null : parent < 350 ? 400 : parent < 550 ? 700 : parent < 900 ? 900 : parent;
    case "lighter":
      return parent === null ? null : parent < 100 ? parent : parent < 550 ? 100 : parent < 750 ? 400 : 700;
    default: {
      const number2 = Number(text);
      return Number.isNaN(number2) ? null : number2;
    }
  }
}

// src/core/css/styles.ts
function stylesFromCascade(cascade) {
  const of = (style, property) => style === null ? null : cascadedValue(cascade, style, property);
  const styleOf2 = ({ element, pseudo, interaction = noInteraction }) => pseudo === void 0 ? cascade.style(element, interaction) : cascade.pseudoStyle(element, pseudo, interaction);
  const from = (styled, ask2) => {
    const style = styleOf2(styled);
    return style === null ? null : ask2(style);
  };
  return {
    value: (element, property, interaction = noInteraction) => of(cascade.style(element, interaction), property),
    pseudoValue: (element, pseudo, property, interaction = noInteraction) => of(cascade.pseudoStyle(element, pseudo, interaction), property),
    keyword: (element, property) => of(cascade.style(element), property)?.text?.toLowerCase() ?? null,
    colour: (styled, property) => from(styled, (style) => colourOf(cascade, style, property)),
    colourWithin: (styled, text) => from(styled, (style) => colourIn(cascade, style, text)),
    fontSize: (styled) => from(styled, (style) => fontSize(cascade, style)),
    fontWeight: (styled) => from(styled, (style) => resolvedWeight(cascade, style)),
    pixels: (styled, property, percentage) => from(styled, (style) => {
      const { text } = cascadedValue(cascade, style, property);
      return text === null ? null : lengthInPixels2(text, lengthBasis(cascade, style, percentage ?? null));
    }),
    scheme: (element) => from({ element }, (style) => usedScheme(cascade, style)) ?? "light",
    likeness: styleOf2,
    customProperties: (element) => from({ element }, (style) => [
      ...new Set(
        style.blocks.flatMap((block) => [...block.normal.keys()].filter((name) => name.startsWith("--")))
      )
    ]) ?? [],
    keyframes: cascade.keyframes,
    declares: cascade.declares,
    mayReact: cascade.mayReact
  };
}

// src/core/document/flat-tree.ts
function assignSlots(hosts, slotElements, rootOf) {
  const assigned = /* @__PURE__ */ new Map();
  const slotOf = /* @__PURE__ */ new Map();
  if (hosts.size === 0) return { assigned, slotOf };
  const slotsByRoot = /* @__PURE__ */ new Map();
  for (const slot of slotElements) {
    const root = rootOf(slot);
    const name = attributeText(slot, "name") ?? "";
    const named = slotsByRoot.get(root) ?? /* @__PURE__ */ new Map();
    slotsByRoot.set(root, named);
    if (!named.has(name)) named.set(name, slot);
  }
  for (const [root, host] of hosts) {
    const named = slotsByRoot.get(root);
    if (named === void 0) continue;
    for (const child of host.children) {
      if (child.kind === "comment") continue;
      const name = child.kind === "element" ? attributeText(child, "slot") ?? "" : "";
      const slot = named.get(name);
      if (slot === void 0) continue;
      slotOf.set(child, slot);
      const nodes = assigned.get(slot);
      if (nodes === void 0) assigned.set(slot, [child]);
      else nodes.push(child);
    }
  }
  return { assigned, slotOf };
}

// src/core/document/document-index.ts
var labelable = /* @__PURE__ */ new Set(["button", "input", "meter", "output", "progress", "select", "textarea"]);
var isLabelable = (element) => element.namespace === "html" && (element.tag === "input" ? attributeText(element, "type")?.toLowerCase() !== "hidden" : labelable.has(element.tag) || element.tag.includes("-"));
function indexDocument(document) {
  const records = /* @__PURE__ */ new Map();
  const elements = [];
  const hosts = /* @__PURE__ */ new Map();
  const children = /* @__PURE__ */ new Map();
  const ids = /* @__PURE__ */ new Map();
  const tags = /* @__PURE__ */ new Map();
  const noElements = [];
  const stack = [
    { nodes: document.children, parent: null, root: document, at: 0, place: 0, previous: null }
  ];
  const push = (nodes, parent, root) => {
    if (nodes.length > 0) stack.push({ nodes, parent, root, at: 0, place: 0, previous: null });
  };
  for (let frame = stack.at(-1); frame !== void 0; frame = stack.at(-1)) {
    const node = frame.nodes[frame.at++];
    if (node === void 0) {
      stack.pop();
      continue;
    }
    if (node.kind !== "element") continue;
    frame.place++;
    records.set(node, {
      parent: frame.parent,
      root: frame.root,
      order: elements.length,
      place: frame.place,
      previous: frame.previous
    });
    frame.previous = node;
    elements.push(node);
    const siblings = children.get(frame.parent ?? frame.root);
    if (siblings === void 0) children.set(frame.parent ?? frame.root, [node]);
    else siblings.push(node);
    const sameTag = tags.get(node.tag);
    if (sameTag === void 0) tags.set(node.tag, [node]);
    else sameTag.push(node);
    const id = attributeText(node, "id");
    if (id !== null && id !== "") {
      let inTree = ids.get(frame.root);
      if (inTree === void 0) {
        inTree = /* @__PURE__ */ new Map();
        ids.set(frame.root, inTree);
      }
      const same = inTree.get(id);
      if (same === void 0) inTree.set(id, [node]);
      else same.push(node);
    }
    push(node.children, node, frame.root);
    if (node.shadow !== null) {
      hosts.set(node.shadow, node);
      push(node.shadow.children, null, node.shadow);
    }
  }
  const record = (element) => {
    const found = records.get(element);
    if (found === void 0) throw new Error(`<${element.tag}> is not in this document`);
    return found;
  };
  const allWithId = (root, id) => ids.get(root)?.get(id) ?? noElements;
  const repeatedIds = [...ids].flatMap(
    ([root, inTree]) => [...inTree].filter(([, same]) => same.length > 1).map(([id, same]) => ({ root, id, elements: same }))
  );
  const labeledControls = /* @__PURE__ */ new Map();
  const labelsOf = /* @__PURE__ */ new Map();
  for (const label of tags.get("label") ?? noElements) {
    if (label.namespace !== "html") continue;
    const control = labeledControlOf(label, (id) => allWithId(record(label).root, id)[0] ?? null);
    labeledControls.set(label, control);
    if (control === null) continue;
    const known = labelsOf.get(control);
    if (known === void 0) labelsOf.set(control, [label]);
    else known.push(label);
  }
  const slots = assignSlots(hosts, tags.get("slot") ?? [], (slot) => record(slot).root);
  return {
    document,
    elements,
    record,
    parent: (element) => record(element).parent,
    host(root) {
      const host = hosts.get(root);
      if (host === void 0) throw new Error("a shadow root without a host");
      return host;
    },
    childElements: (parent) => children.get(parent) ?? noElements,
    byId: (from, id) => allWithId(record(from).root, id)[0] ?? null,
    allWithId,
    repeatedIds,
    byTag: (tag) => tags.get(tag) ?? noElements,
    labels: (control) => labelsOf.get(control) ?? noElements,
    labeledControl: (label) => labeledControls.get(label) ?? null,
    flatParent(node) {
      const { parent, root } = record(node);
      if (parent === null) return "mode" in root ? hosts.get(root) ?? null : null;
      return parent.shadow === null ? parent : slots.slotOf.get(node) ?? null;
    },
    flatChildren(element) {
      if (element.shadow !== null) return element.shadow.children;
      return slots.assigned.get(element) ?? element.children;
    }
  };
}
function labeledControlOf(label, byId) {
  if (label.attributes.has("for")) {
    const id = attributeText(label, "for");
    const target = id === null || id === "" ? null : byId(id);
    return target !== null && isLabelable(target) ? target : null;
  }
  const stack = [...label.children].reverse();
  for (let node = stack.pop(); node !== void 0; node = stack.pop()) {
    if (node.kind !== "element") continue;
    if (isLabelable(node)) return node;
    for (let i = node.children.length - 1; i >= 0; i--) {
      const child = node.children[i];
      if (child !== void 0) stack.push(child);
    }
  }
  return null;
}
function referencedElements(index, element, attribute) {
  const found = /* @__PURE__ */ new Set();
  for (const id of attributeTokens(element, attribute)) {
    const target = index.byId(element, id);
    if (target !== null) found.add(target);
  }
  return [...found];
}

// src/core/rendering/presence.ts
var present = {
  rendered: YES,
  visible: YES,
  exposed: YES,
  inert: false,
  reason: null,
  because: null,
  ownTextHidden: false,
  childrenHidden: null
};
var absent = {
  ...present,
  rendered: NO,
  visible: NO,
  exposed: NO,
  reason: "not in a slot",
  ownTextHidden: true
};
var fallbackOnly = /* @__PURE__ */ new Set(["video", "audio", "iframe", "object", "progress", "meter"]);
var neverDrawn = new Set(
  "defs symbol clipPath mask pattern marker linearGradient radialGradient filter title desc metadata script style".split(
    " "
  )
);
function presenceOf(page) {
  const { index } = page;
  const known = /* @__PURE__ */ new Map();
  const stack = [
    { nodes: index.document.children, above: present, at: 0 }
  ];
  for (let frame = stack.at(-1); frame !== void 0; frame = stack.at(-1)) {
    const node = frame.nodes[frame.at++];
    if (node === void 0) {
      stack.pop();
      continue;
    }
    if (node.kind !== "element") continue;
    const presence = presenceUnder(page, node, frame.above);
    known.set(node, presence);
    const children = index.flatChildren(node);
    if (children.length > 0) stack.push({ nodes: children, above: presence, at: 0 });
  }
  return { of: (element) => known.get(element) ?? absent };
}
var isClosedDetails = (element) => element.tag === "details" && element.namespace === "html" && !hasAttribute(element, "open");
var isFallbackParent = (element) => element.namespace === "html" && fallbackOnly.has(element.tag) && (element.tag !== "object" || hasAttribute(element, "data"));
function presenceUnder(page, element, above) {
  if (above.rendered === NO)
    return above.childrenHidden === null ? above : { ...above, childrenHidden: null };
  if (above.childrenHidden !== null)
    return gone(above.childrenHidden, page.index.flatParent(element) ?? element);
  const parent = page.index.flatParent(element);
  if (parent !== null && isClosedDetails(parent) && !isDetailsSummary(page.index, element))
    return gone("closed details", parent);
  if (parent !== null && isFallbackParent(parent)) {
    return gone("fallback content", parent);
  }
  if (element.namespace === "svg" && neverDrawn.has(element.tag)) return gone("never rendered", element);
  const display = page.styles.keyword(element, "display");
  if (display === "none" && !(element.tag === "area" && element.namespace === "html"))
    return gone(displayReason(element), element);
  let { rendered, exposed, inert, reason, because } = above;
  if (display === null) {
    rendered = MAYBE;
    exposed = exposed === NO ? NO : MAYBE;
  }
  const visibility = page.styles.keyword(element, "visibility");
  const visible2 = visibility === null ? MAYBE : visibility === "visible" ? rendered : NO;
  const ariaHidden = ariaHiddenOf(element);
  if (hasAttribute(element, "inert") && element.namespace === "html") inert = true;
  const hiddenAbove = reason === "aria-hidden" || reason === "inert";
  if (!hiddenAbove) {
    if (ariaHidden === YES) [reason, because] = ["aria-hidden", element];
    else if (inert) [reason, because] = ["inert", element];
    else if (visible2 === NO)
      [reason, because] = reason === "visibility: hidden" ? [reason, because] : ["visibility: hidden", element];
    else [reason, because] = [null, null];
  }
  const blocked = reason === "aria-hidden" || reason === "inert";
  exposed = blocked ? NO : visible2;
  if (exposed === YES && (ariaHidden === MAYBE || above.exposed === MAYBE)) exposed = MAYBE;
  const childrenHidden = page.styles.keyword(element, "content-visibility") === "hidden" ? "content-visibility: hidden" : null;
  const ownTextHidden = isClosedDetails(element) || childrenHidden !== null || isFallbackParent(element);
  if (rendered === above.rendered && visible2 === above.visible && exposed === above.exposed && inert === above.inert && ownTextHidden === above.ownTextHidden && reason === above.reason && because === above.because && childrenHidden === null) {
    return above;
  }
  return { rendered, visible: visible2, exposed, inert, reason, because, ownTextHidden, childrenHidden };
}
var gone = (reason, because) => ({
  rendered: NO,
  visible: NO,
  exposed: NO,
  inert: false,
  reason,
  because,
  ownTextHidden: true,
  childrenHidden: null
});
function ariaHiddenOf(element) {
  if (element.tag === "html" || element.tag === "body") return NO;
  const token = attributeToken(element, "aria-hidden");
  if (token === "true") return YES;
  return token === null && attributeUnknown(element, "aria-hidden") ? MAYBE : NO;
}
var neverRendered = new Set(
  "head title meta link style script base template noscript datalist param source track rp noembed noframes area".split(
    " "
  )
);
function displayReason(element) {
  if (element.namespace === "html") {
    if (neverRendered.has(element.tag)) return "never rendered";
    if (element.tag === "dialog" && !hasAttribute(element, "open")) return "closed dialog";
    if (hasAttribute(element, "popover")) return "closed popover";
    if (element.tag === "input" && attributeText(element, "type")?.toLowerCase() === "hidden")
      return "never rendered";
  }
  return hasAttribute(element, "hidden") ? "hidden attribute" : "display: none";
}

// src/core/semantics/generated-content.ts
function generatedText(styles, element, pseudo) {
  const content = styles.pseudoValue(element, pseudo, "content");
  if (content === null) return null;
  if (content.text === null) return { text: "", certain: false, block: false };
  const lower = content.text.toLowerCase();
  if (lower === "none" || lower === "normal") return null;
  const value = (property) => styles.pseudoValue(element, pseudo, property)?.text?.toLowerCase() ?? "";
  if (value("display") === "none" || value("visibility") === "hidden") return null;
  const [shown = "", alternative] = splitAtSlashes(content.text);
  let text = "";
  let certain = true;
  for (const part of splitAtSpaces(alternative ?? shown)) {
    const string = /^(["'])([\s\S]*)\1$/.exec(part);
    if (string !== null) {
      text += unescapeString(string[2] ?? "");
      continue;
    }
    const call = functionCall(part);
    if (call?.name === "attr")
      text += attributeText(element, call.argument.split(",")[0]?.trim() ?? "") ?? "";
    else if (call?.name === "counter" || call?.name === "counters" || call?.name === "string")
      certain = false;
    else if (/^open-quote$/i.test(part)) text += "\u201C";
    else if (/^close-quote$/i.test(part)) text += "\u201D";
  }
  const display = value("display");
  const block = display !== "" && !/^(?:inline|contents|inline flow)$/.test(display) || /^(?:absolute|fixed)$/.test(value("position")) || /^(?:left|right)$/.test(value("float"));
  return { text, certain, block };
}
var unescapeString = (text) => text.replace(
  /\\(?:([0-9a-fA-F]{1,6})[ \t\n\f\r]?|(\r\n|[\n\f\r])|([\s\S]))/gu,
  (_, hex, newline, character) => hex !== void 0 ? fromCodePoint(Number.parseInt(hex, 16)) : newline !== void 0 ? "" : character ?? ""
);
var fromCodePoint = (code) => code === 0 || code > 1114111 || code >= 55296 && code <= 57343 ? "\uFFFD" : String.fromCodePoint(code);

// src/core/semantics/tables/native-names.ts
var labelled = ["label element", "title attribute"];
var typed = ["label element", "title attribute", "placeholder"];
var nativeNames = {
  html: ["title element"],
  area: ["alt", "title attribute"],
  img: ["alt", "title attribute", "lone figcaption"],
  button: ["label element", "contents", "title attribute"],
  select: labelled,
  textarea: typed,
  output: labelled,
  meter: labelled,
  progress: labelled,
  fieldset: ["legend", "title attribute"],
  figure: ["figcaption", "title attribute"],
  table: ["caption", "summary attribute", "title attribute"],
  optgroup: ["label attribute", "title attribute"],
  option: ["label attribute", "contents", "title attribute"],
  summary: ["contents", "title attribute"],
  "svg:svg": ["svg title", "title attribute"],
  "svg:a": ["svg title", "contents", "xlink title", "title attribute"],
  "svg:*": ["svg title"],
  "input:button": ["label element", "value", "title attribute"],
  "input:submit": ["label element", "value", "default text", "title attribute"],
  "input:reset": ["label element", "value", "default text", "title attribute"],
  "input:image": ["label element", "alt", "value", "title attribute", "default text"],
  "input:checkbox": labelled,
  "input:radio": labelled,
  "input:color": labelled,
  "input:date": labelled,
  "input:datetime-local": labelled,
  "input:month": labelled,
  "input:time": labelled,
  "input:week": labelled,
  "input:file": labelled,
  "input:range": labelled,
  "input:number": typed,
  "input:password": typed,
  "input:text": typed,
  "input:email": typed,
  "input:tel": typed,
  "input:url": typed,
  "input:search": typed
};
var defaultButtonText = {
  submit: "Submit",
  reset: "Reset",
  image: "Submit"
};

// src/core/semantics/text-collector.ts
var foldSpaces = (text) => text.replace(/[ \t\n\f\r]+/g, " ").trim();
var TextCollector = class {
  #parts = [];
  certain = true;
  /** How many parts so far say anything. */
  spoken = 0;
  text(text) {
    this.#parts.push(text);
    if (/[^ \t\n\f\r]/.test(text)) this.spoken++;
  }
  space() {
    this.#parts.push(" ");
  }
  /** A whole alternative in place of an element: parted from what stands beside it. */
  alternative({ text, certain }) {
    if (text !== "") {
      this.space();
      this.text(text);
      this.space();
    }
    if (!certain) this.certain = false;
  }
  generated(generated) {
    if (generated === null) return;
    if (generated.block) this.space();
    this.text(generated.text);
    if (generated.block) this.space();
    if (!generated.certain) this.certain = false;
  }
  result() {
    return { text: foldSpaces(this.#parts.join("")), certain: this.certain };
  }
};

// src/core/semantics/text-alternative.ts
var DEEPEST_LABEL = 24;
var nothing = { text: "", certain: true };
function referencedText(semantics, element, attribute, visited) {
  const targets = referencedElements(semantics.page.index, element, attribute);
  if (targets.length === 0)
    return attributeTokens(element, attribute).length === 0 && attributeUnknown(element, attribute) && hasAttribute(element, attribute) ? unknownAttribute(element, attribute) : null;
  const texts = targets.map(
    (target) => textOfRoot(
      {
        semantics,
        // Every reference starts afresh: naming oneself among others is allowed and usual.
        visited: new Set(visited ?? []),
        referenced: true,
        hiddenAllowed: isHidden(semantics, target),
        depth: 0
      },
      target
    )
  );
  return joined(texts);
}
var unknownAttribute = (element, attribute) => ({
  text: writtenText(element.attributes.get(attribute)?.value ?? ""),
  certain: false
});
function contentsText(semantics, element) {
  return gather(
    { semantics, visited: /* @__PURE__ */ new Set([element]), referenced: false, hiddenAllowed: false, depth: 0 },
    element
  );
}
function nativeSourceText(semantics, element, source) {
  return sourceText(
    { semantics, visited: /* @__PURE__ */ new Set([element]), referenced: false, hiddenAllowed: false, depth: 0 },
    element,
    source
  );
}
function attributeAlternative(element, name) {
  const attribute = element.attributes.get(name);
  if (attribute === void 0) return null;
  const text = foldSpaces(writtenText(attribute.value));
  if (text === "") return null;
  return { text, certain: !hasHole(attribute.value) };
}
var attributeAlternativeText = (element, name) => attributeAlternative(element, name)?.text ?? "";
function isHidden(semantics, element) {
  return semantics.presence.of(element).exposed === NO;
}
function joined(texts) {
  return { text: foldSpaces(texts.map((t2) => t2.text).join(" ")), certain: texts.every((t2) => t2.certain) };
}
function textOfRoot(traversal, element) {
  if (traversal.visited.has(element)) return nothing;
  traversal.visited.add(element);
  const own = ownAlternative(traversal, element);
  if (own !== null) return own;
  const contents = gather(traversal, element);
  return contents.text !== "" || !contents.certain ? contents : attributeAlternative(element, "title") ?? contents;
}
function ownAlternative(traversal, element) {
  if (!traversal.referenced) {
    const named = referencedText(traversal.semantics, element, "aria-labelledby", traversal.visited);
    if (named !== null && named.text !== "") return named;
  }
  const label = attributeAlternative(element, "aria-label");
  const isReferred = traversal.referenced && traversal.visited.size === 1;
  if (isReferred && label !== null) return label;
  const value = isReferred || traversal.visited.size > 1 ? embeddedValue(traversal, element) : null;
  if (value !== null) return value;
  if (label !== null) return label;
  const { role } = traversal.semantics.role(element);
  if (role === "none") return null;
  for (const source of sourcesOf(element)) {
    if (source === "contents" || source === "title attribute" || gatheredAnyway.has(source)) continue;
    const text = sourceText(traversal, element, source);
    if (text !== null && text.text !== "") return text;
    if (source === "alt" && text !== null) return nothing;
  }
  return null;
}
var gatheredAnyway = /* @__PURE__ */ new Set(["caption", "legend", "figcaption", "title element"]);
function sourcesOf(element) {
  if (element.namespace === "html")
    return nativeNames[element.tag === "input" ? `input:${inputType(element)}` : element.tag] ?? [];
  if (element.namespace === "svg") return nativeNames[`svg:${element.tag}`] ?? nativeNames["svg:*"] ?? [];
  return [];
}
var typedRoles = /* @__PURE__ */ new Set(["textbox", "searchbox"]);
var rangeRoles = /* @__PURE__ */ new Set(["slider", "spinbutton", "progressbar", "meter", "scrollbar"]);
function embeddedValue(traversal, element) {
  const { semantics } = traversal;
  const { role } = semantics.role(element);
  if (role === null) return null;
  if (typedRoles.has(role)) {
    if (element.tag === "input")
      return textTypes.has(inputType(element)) ? attributeAlternative(element, "value") : null;
    return gather(traversal, element);
  }
  if (role === "combobox" || role === "listbox") {
    if (element.tag === "select")
      return joined(
        selectedOptions(semantics.page.index, element).map(
          (option) => gather({ ...traversal, visited: new Set(traversal.visited) }, option)
        )
      );
    if (element.tag === "input") return attributeAlternative(element, "value") ?? nothing;
    const chosen = selectedDescendants(semantics, element);
    if (chosen.length > 0)
      return joined(
        chosen.map((option) => textOfRoot({ ...traversal, visited: new Set(traversal.visited) }, option))
      );
    return role === "combobox" ? gather(traversal, element) : nothing;
  }
  if (rangeRoles.has(role)) {
    const spoken = attributeAlternative(element, "aria-valuetext") ?? attributeAlternative(element, "aria-valuenow");
    if (spoken !== null) return spoken;
    if (element.namespace === "html" && /^(?:input|meter|progress)$/.test(element.tag))
      return attributeAlternative(element, "value") ?? nothing;
    return null;
  }
  return null;
}
function selectedDescendants(semantics, listbox) {
  const { index } = semantics.page;
  const found = [];
  const stack = [...index.childElements(listbox)].reverse();
  for (let at2 = stack.pop(); at2 !== void 0; at2 = stack.pop()) {
    if (attributeText(at2, "aria-selected") === "true") found.push(at2);
    for (const child of [...index.childElements(at2)].reverse()) stack.push(child);
  }
  return found;
}
function sourceText(traversal, element, source) {
  const { index } = traversal.semantics.page;
  const childText = (tag) => {
    const child = index.childElements(element).find((c) => c.tag === tag);
    return child === void 0 ? null : labelText(traversal, child);
  };
  switch (source) {
    case "label element": {
      const labels = index.labels(element);
      const shown = labels.filter(
        (label) => traversal.hiddenAllowed || !isHidden(traversal.semantics, label)
      );
      if (shown.length === 0) return null;
      if (traversal.depth >= DEEPEST_LABEL) return { text: "", certain: false };
      return joined(shown.map((label) => labelText(traversal, label)));
    }
    case "alt": {
      const attribute = element.attributes.get("alt");
      if (attribute === void 0) return null;
      return { text: foldSpaces(writtenText(attribute.value)), certain: !hasHole(attribute.value) };
    }
    case "value":
      return attributeAlternative(element, "value");
    case "default text":
      return element.attributes.has("value") && inputType(element) !== "image" ? null : { text: defaultButtonText[inputType(element)] ?? "", certain: true };
    case "caption":
    case "legend":
    case "figcaption":
      return childText(source);
    case "lone figcaption":
      return loneFigcaption(traversal, element);
    case "label attribute":
      return attributeAlternative(element, "label");
    case "summary attribute":
      return attributeAlternative(element, "summary");
    case "svg title":
      return childText("title");
    case "xlink title":
      return attributeAlternative(element, "xlink:title");
    case "title element": {
      const title2 = index.byTag("title").find((t2) => t2.namespace === "html");
      return title2 === void 0 ? null : gather({ ...traversal, hiddenAllowed: true }, title2);
    }
    case "contents":
      return gather(traversal, element);
    case "title attribute":
      return attributeAlternative(element, "title");
    case "placeholder":
      return attributeAlternative(element, "placeholder") ?? attributeAlternative(element, "aria-placeholder");
    default:
      return source;
  }
}
var labelText = (traversal, label) => textOfRoot(
  {
    ...traversal,
    visited: new Set(traversal.visited),
    hiddenAllowed: traversal.hiddenAllowed || isHidden(traversal.semantics, label),
    depth: traversal.depth + 1
  },
  label
);
function loneFigcaption(traversal, image2) {
  const { index } = traversal.semantics.page;
  if (image2.attributes.has("alt") || traversal.visited.size > 1) return null;
  let figure = index.parent(image2);
  while (figure !== null && figure.tag !== "figure") figure = index.parent(figure);
  if (figure === null) return null;
  const caption = index.childElements(figure).find((child) => child.tag === "figcaption");
  if (caption === void 0) return null;
  const stack = [...figure.children];
  for (let at2 = stack.pop(); at2 !== void 0; at2 = stack.pop()) {
    if (at2 === caption || at2 === image2) continue;
    if (at2.kind === "text" && writtenText(at2.value).trim() !== "") return null;
    if (at2.kind === "element") {
      if (at2.tag === "img" || at2.tag === "svg" || at2.tag === "video" || at2.tag === "table") return null;
      stack.push(...at2.children);
    }
  }
  return labelText(traversal, caption);
}
var inlineDisplays = /* @__PURE__ */ new Set(["inline", "contents", "ruby", "ruby-text", "inline flow"]);
function isApart(traversal, element) {
  const { styles } = traversal.semantics.page;
  const display = styles.keyword(element, "display") ?? "inline";
  if (display === "contents") return false;
  if (!inlineDisplays.has(display)) return true;
  const float = styles.keyword(element, "float");
  const position = styles.keyword(element, "position");
  return float !== null && float !== "none" || position === "absolute" || position === "fixed";
}
function gather(traversal, root) {
  const { semantics } = traversal;
  const { index, styles } = semantics.page;
  const collector = new TextCollector();
  const stack = [];
  const enter2 = (element, muted) => {
    stack.push({ node: null, closes: element, spokenBefore: collector.spoken, muted });
    const owned = semantics.role(element).role === null ? [] : ownedElements(semantics, element);
    for (let i = owned.length - 1; i >= 0; i--) {
      const node = owned[i];
      if (node !== void 0) stack.push({ node, closes: null, spokenBefore: 0, muted });
    }
    const children = index.flatChildren(element);
    for (let i = children.length - 1; i >= 0; i--) {
      const node = children[i];
      if (node !== void 0) stack.push({ node, closes: null, spokenBefore: 0, muted });
    }
    if (!muted) collector.generated(generatedText(styles, element, "before"));
  };
  enter2(root, !traversal.hiddenAllowed && semantics.presence.of(root).reason === "visibility: hidden");
  for (let step = stack.pop(); step !== void 0; step = stack.pop()) {
    if (step.closes !== null) {
      if (!step.muted) collector.generated(generatedText(styles, step.closes, "after"));
      const title2 = step.muted || step.closes === root || collector.spoken > step.spokenBefore ? null : attributeAlternative(step.closes, "title");
      if (title2 !== null) collector.alternative(title2);
      if (step.closes !== root && isApart(traversal, step.closes)) collector.space();
      continue;
    }
    const { node } = step;
    if (node === null || node.kind === "comment") continue;
    if (node.kind === "hole") {
      collector.text(`{${node.hole.hole}}`);
      collector.certain = false;
      continue;
    }
    if (node.kind === "text") {
      if (step.muted) continue;
      collector.text(writtenText(node.value));
      if (hasHole(node.value)) collector.certain = false;
      continue;
    }
    if (node.tag === "br" && node.namespace === "html") {
      collector.space();
      continue;
    }
    if (traversal.visited.has(node) || silent.has(node.tag)) continue;
    if (!traversal.hiddenAllowed) {
      const { exposed } = semantics.presence.of(node);
      if (exposed === NO) {
        if (semantics.presence.of(node).reason === "visibility: hidden") enter2(node, true);
        continue;
      }
      if (exposed === MAYBE) collector.certain = false;
    } else if (semantics.presence.of(node).reason === "never rendered" && node.tag !== "title") continue;
    if (node.presence === "sometimes" || node.repeats) collector.certain = false;
    traversal.visited.add(node);
    const own = ownAlternative(traversal, node);
    if (own !== null) {
      collector.alternative(own);
      continue;
    }
    if (isApart(traversal, node)) collector.space();
    enter2(node, !traversal.hiddenAllowed && semantics.presence.of(node).ownTextHidden);
  }
  return collector.result();
}
var silent = /* @__PURE__ */ new Set(["script", "style", "template", "noscript", "head", "iframe", "video", "audio"]);
function ownedElements(semantics, element) {
  return element.attributes.has("aria-owns") ? referencedElements(semantics.page.index, element, "aria-owns") : [];
}

// src/core/semantics/description.ts
var none = { text: "", certain: true, from: null };
function computeDescription(semantics, element) {
  if (element.attributes.size === 0 && element.tag !== "table") return none;
  const { role } = semantics.role(element);
  if (role === "none") return none;
  const described = referencedText(semantics, element, "aria-describedby");
  if (described !== null && described.text !== "") return { ...described, from: "aria-describedby" };
  const written = attributeAlternative(element, "aria-description");
  if (written !== null) return { ...written, from: "aria-description" };
  const name = semantics.name(element);
  if (element.tag === "table" && element.namespace === "html" && name.from !== "caption") {
    const caption = nativeSourceText(semantics, element, "caption");
    if (caption !== null && caption.text !== "") return { ...caption, from: "caption" };
  }
  if (element.tag === "input" && name.from !== "value" && /^(?:button|submit|reset)$/i.test(String(element.attributes.get("type")?.value ?? ""))) {
    const value = attributeAlternative(element, "value");
    if (value !== null && value.text !== name.text) return { ...value, from: "value" };
  }
  const title2 = attributeAlternative(element, "title");
  if (title2 !== null && name.from !== "title attribute") return { ...title2, from: "title attribute" };
  return none;
}

// src/core/semantics/author-name.ts
function hasAuthorName(index, element) {
  if (referencedElements(index, element, "aria-labelledby").length > 0) return true;
  for (const name of ["aria-label", "title"]) {
    if (!element.attributes.has(name)) continue;
    if (attributeUnknown(element, name) || attributeText(element, name)?.trim() !== "") return true;
  }
  return element.attributes.has("aria-labelledby") && attributeUnknown(element, "aria-labelledby");
}

// src/core/semantics/table-headers.ts
var grids = /* @__PURE__ */ new WeakMap();
var LARGEST_COLSPAN = 1e3;
var LARGEST_ROWSPAN = 65534;
var positive = (text, initial2, largest) => {
  const value = Number.parseInt(text ?? "", 10);
  return Number.isNaN(value) || value < 0 ? initial2 : Math.min(value, largest);
};
function tableGrid(index, table) {
  const known = grids.get(index) ?? /* @__PURE__ */ new Map();
  grids.set(index, known);
  let grid = known.get(table);
  if (grid === void 0) {
    grid = formTable(index, table);
    known.set(table, grid);
  }
  return grid;
}
function formTable(index, table) {
  const rows = [];
  const groupEnds = [];
  for (const child of index.childElements(table)) {
    if (child.tag === "tr") rows.push(child);
    else if (/^t(?:head|body|foot)$/.test(child.tag)) {
      rows.push(...index.childElements(child).filter((row) => row.tag === "tr"));
      for (let i = groupEnds.length; i < rows.length; i++) groupEnds[i] = rows.length;
    }
    for (let i = groupEnds.length; i < rows.length; i++) groupEnds[i] = Number.MAX_SAFE_INTEGER;
  }
  const cells = [];
  const slots = rows.map(() => []);
  let columns = 0;
  for (const [y, row] of rows.entries()) {
    let x = 0;
    for (const element of index.childElements(row)) {
      if (element.tag !== "td" && element.tag !== "th") continue;
      while (slots[y]?.[x] !== void 0) x++;
      const width = Math.max(1, positive(attributeText(element, "colspan"), 1, LARGEST_COLSPAN));
      const span = positive(attributeText(element, "rowspan"), 1, LARGEST_ROWSPAN);
      const end = Math.min(groupEnds[y] ?? rows.length, rows.length);
      const height = Math.max(1, span === 0 ? end - y : Math.min(span, end - y));
      const cell2 = { element, row: y, column: x, width, height };
      cells.push(cell2);
      for (let dy = 0; dy < height; dy++) {
        const line = slots[y + dy];
        if (line !== void 0) for (let dx = 0; dx < width; dx++) line[x + dx] ??= cell2;
      }
      x += width;
      columns = Math.max(columns, x);
    }
  }
  const byElement = new Map(cells.map((cell2) => [cell2.element, cell2]));
  return {
    table,
    rows,
    cells,
    columns,
    cell: (element) => byElement.get(element) ?? null,
    at: (row, column) => slots[row]?.[column] ?? null
  };
}
function tableOf(index, part) {
  for (let up = index.parent(part); up !== null; up = index.parent(up)) if (up.tag === "table") return up;
  return null;
}
function automaticScope(index, header) {
  const table = tableOf(index, header);
  const grid = table === null ? null : tableGrid(index, table);
  const cell2 = grid?.cell(header);
  if (grid === null || cell2 == null) return null;
  const rows = dataRows(grid);
  for (let y = cell2.row; y < cell2.row + cell2.height; y++) {
    if (rows.rows.has(y)) {
      for (let x = cell2.column; x < cell2.column + cell2.width; x++) if (rows.columns.has(x)) return null;
      return "rowheader";
    }
  }
  return "columnheader";
}
var dataPlaces = /* @__PURE__ */ new WeakMap();
function dataRows(grid) {
  let places = dataPlaces.get(grid);
  if (places === void 0) {
    places = { rows: /* @__PURE__ */ new Set(), columns: /* @__PURE__ */ new Set() };
    for (const cell2 of grid.cells) {
      if (cell2.element.tag !== "td" || isEmptyCell(cell2.element)) continue;
      for (let y = 0; y < cell2.height; y++) places.rows.add(cell2.row + y);
      for (let x = 0; x < cell2.width; x++) places.columns.add(cell2.column + x);
    }
    dataPlaces.set(grid, places);
  }
  return places;
}
var isEmptyCell = (cell2) => cell2.children.every(
  (child) => child.kind === "comment" || child.kind === "text" && writtenText(child.value).trim() === ""
);
function headersOf(index, grid, cell2) {
  const named = attributeTokens(cell2.element, "headers");
  if (named.length > 0) {
    return named.flatMap((id) => {
      const target = index.byId(cell2.element, id);
      return target !== null && grid.cell(target) !== null && target !== cell2.element ? [target] : [];
    });
  }
  const found = /* @__PURE__ */ new Set();
  const isHeader = (candidate, wanted) => {
    if (candidate.element.tag !== "th" || candidate.element === cell2.element) return false;
    const scope = attributeToken(candidate.element, "scope");
    const kind = scope === "row" || scope === "rowgroup" ? "rowheader" : scope === "col" || scope === "colgroup" ? "columnheader" : automaticScope(index, candidate.element);
    return kind === wanted;
  };
  for (let y = cell2.row; y < cell2.row + cell2.height; y++) {
    for (let x = cell2.column - 1; x >= 0; x--) {
      const left = grid.at(y, x);
      if (left !== null && isHeader(left, "rowheader")) found.add(left.element);
    }
  }
  for (let x = cell2.column; x < cell2.column + cell2.width; x++) {
    for (let y = cell2.row - 1; y >= 0; y--) {
      const above = grid.at(y, x);
      if (above !== null && isHeader(above, "columnheader")) found.add(above.element);
    }
  }
  return [...found].sort((a, b) => index.record(a).order - index.record(b).order);
}

// src/core/semantics/tables/native-roles.ts
var always = (role) => [{ role }];
var heading = always("heading");
var generic = always("generic");
var nativeRoles = {
  a: [{ when: ["has href"], role: "link" }, { role: "generic" }],
  abbr: always(null),
  address: always("group"),
  area: [{ when: ["has href"], role: "link" }, { role: "generic" }],
  article: always("article"),
  aside: [
    { when: ["outside sectioning"], role: "complementary" },
    { when: ["named by author"], role: "complementary" },
    { role: "generic" }
  ],
  audio: always(null),
  blockquote: always("blockquote"),
  br: always(null),
  button: always("button"),
  canvas: always(null),
  caption: always("caption"),
  cite: always(null),
  code: always("code"),
  datalist: always("listbox"),
  dd: always("definition"),
  del: always("deletion"),
  details: always("group"),
  dfn: always("term"),
  dialog: always("dialog"),
  dir: always("list"),
  dl: always(null),
  dt: always("term"),
  em: always("emphasis"),
  embed: always(null),
  fieldset: always("group"),
  figcaption: always(null),
  figure: always("figure"),
  footer: [{ when: ["in body scope"], role: "contentinfo" }, { role: "generic" }],
  form: always("form"),
  h1: heading,
  h2: heading,
  h3: heading,
  h4: heading,
  h5: heading,
  h6: heading,
  header: [{ when: ["in body scope"], role: "banner" }, { role: "generic" }],
  hgroup: always("group"),
  hr: always("separator"),
  html: always("document"),
  iframe: always(null),
  // Deviates from html-aam-1.0 (2026-11): a title alone names an image with an empty alt nowhere; browsers keep it out.
  img: [{ when: ["alt empty"], role: "none" }, { role: "image" }],
  ins: always("insertion"),
  kbd: always(null),
  label: always(null),
  legend: always(null),
  li: [
    { when: ["parent list removed"], role: "none" },
    { when: ["in list"], role: "listitem" },
    { role: "generic" }
  ],
  main: always("main"),
  mark: always(null),
  math: always("math"),
  menu: always("list"),
  meter: always("meter"),
  nav: always("navigation"),
  object: always(null),
  ol: always("list"),
  optgroup: always("group"),
  option: always("option"),
  output: always("status"),
  p: always("paragraph"),
  picture: always(null),
  progress: always("progressbar"),
  ruby: always(null),
  rp: always(null),
  rt: always(null),
  s: always("deletion"),
  search: always("search"),
  section: [{ when: ["named by author"], role: "region" }, { role: "generic" }],
  select: [{ when: ["drop-down"], role: "combobox" }, { role: "listbox" }],
  strong: always("strong"),
  sub: always("subscript"),
  // A summary has no role of WAI-ARIA; browsers tell it as a button that opens.
  summary: [{ when: ["details summary"], role: "button" }, { role: "generic" }],
  sup: always("superscript"),
  svg: always("graphics-document"),
  table: always("table"),
  tbody: [{ when: ["table removed"], role: "none" }, { role: "rowgroup" }],
  td: [
    { when: ["table removed"], role: "none" },
    { when: ["grid"], role: "gridcell" },
    { when: ["table"], role: "cell" },
    { role: "generic" }
  ],
  textarea: always("textbox"),
  tfoot: [{ when: ["table removed"], role: "none" }, { role: "rowgroup" }],
  th: [
    { when: ["table removed"], role: "none" },
    { when: ["row header"], role: "rowheader" },
    { when: ["column header"], role: "columnheader" },
    { when: ["grid"], role: "gridcell" },
    { when: ["table"], role: "cell" },
    { role: "generic" }
  ],
  thead: [{ when: ["table removed"], role: "none" }, { role: "rowgroup" }],
  time: always("time"),
  tr: [
    { when: ["table removed"], role: "none" },
    { when: ["grid"], role: "row" },
    { when: ["table"], role: "row" },
    { role: "generic" }
  ],
  ul: always("list"),
  var: always(null),
  video: always(null),
  wbr: always(null),
  ...Object.fromEntries(
    "b bdi bdo big body center data div font i nobr pre q samp small span strike tt u".split(" ").map((tag) => [tag, generic])
  )
};
var inputRoles = {
  button: { role: "button" },
  checkbox: { role: "checkbox" },
  color: { role: null },
  date: { role: null },
  "datetime-local": { role: null },
  email: { role: "textbox", withList: "combobox" },
  // Deviates from html-aam-1.0 (no role): browsers tell the control as the button that it is worked by.
  file: { role: "button" },
  hidden: { role: null },
  image: { role: "button" },
  month: { role: null },
  number: { role: "spinbutton" },
  // Deviates from html-aam-1.0 (no role): browsers tell a text field, with its text hidden.
  password: { role: "textbox" },
  radio: { role: "radio" },
  range: { role: "slider" },
  reset: { role: "button" },
  search: { role: "searchbox", withList: "combobox" },
  submit: { role: "button" },
  tel: { role: "textbox", withList: "combobox" },
  text: { role: "textbox", withList: "combobox" },
  time: { role: null },
  url: { role: "textbox", withList: "combobox" },
  week: { role: null }
};
var roleless = {
  audio: "audio",
  canvas: "canvas",
  embed: "embedded object",
  iframe: "frame",
  object: "embedded object",
  video: "video",
  "input:color": "colour well",
  "input:date": "date field",
  "input:datetime-local": "date and time field",
  "input:month": "month field",
  "input:time": "time field",
  "input:week": "week field"
};

// src/core/semantics/native-role.ts
var sectioningTags = /* @__PURE__ */ new Set(["article", "aside", "main", "nav", "section"]);
var sectioningRoles = /* @__PURE__ */ new Set(["article", "complementary", "main", "navigation", "region"]);
var native = (role, because) => ({
  role,
  native: role,
  from: "element",
  because,
  certain: true
});
var readyRows = new Map(
  Object.entries(nativeRoles).map(([tag, rows]) => [
    tag,
    rows.map(({ when = [], role }) => ({
      when,
      computed: native(role, `<${tag}>${when.length === 0 ? "" : ` (${when.join(", ")})`}`)
    }))
  ])
);
var readyInputs = new Map(
  Object.entries(inputRoles).map(([type2, { role }]) => [type2, native(role, `<input type="${type2}">`)])
);
function nativeRole(semantics, element) {
  const { index } = semantics.page;
  if (element.namespace === "svg") return svgRole(index, element);
  if (element.namespace === "math") return native(element.tag === "math" ? "math" : null, `<${element.tag}>`);
  if (element.tag === "input") {
    const type2 = inputType(element);
    const withList = inputRoles[type2]?.withList;
    const list = withList === void 0 ? null : attributeText(element, "list");
    const isListed = list !== null && index.byId(element, list)?.tag === "datalist";
    if (withList !== void 0 && isListed) return native(withList, `<input type="${type2}"> with a list`);
    return readyInputs.get(type2) ?? native(null, "<input>");
  }
  const row = readyRows.get(element.tag)?.find(({ when }) => when.every((condition) => holds(semantics, element, condition)));
  return row?.computed ?? native("generic", `<${element.tag}>`);
}
function holds(semantics, element, condition) {
  const { index } = semantics.page;
  switch (condition) {
    case "has href":
      return hasAttribute(element, "href") || element.spread !== null;
    case "outside sectioning":
      return !insideSectioning(semantics, element, false);
    case "in body scope":
      return !insideSectioning(semantics, element, true);
    case "named by author":
      return hasAuthorName(index, element);
    case "alt not empty":
      return (attributeText(element, "alt") ?? "") !== "";
    case "alt empty":
      return attributeText(element, "alt")?.trim() === "" && !hasNamingAttribute(index, element) && !hasAttribute(element, "tabindex");
    case "in list":
      return listAround(semantics, element) === "list";
    case "parent list removed":
      return listAround(semantics, element) === "removed";
    case "table":
      return tableAround(semantics, element) === "table";
    case "grid":
      return tableAround(semantics, element) === "grid";
    case "table removed":
      return tableAround(semantics, element) === "removed";
    case "column header":
      return tableAround(semantics, element) !== null && headerKind(index, element) === "columnheader";
    case "row header":
      return tableAround(semantics, element) !== null && headerKind(index, element) === "rowheader";
    case "drop-down":
      return !hasAttribute(element, "multiple") && displaySize(element) <= 1;
    case "details summary":
      return isDetailsSummary(index, element);
    case "form-associated":
      return false;
    default:
      return condition;
  }
}
function hasNamingAttribute(index, element) {
  return (attributeText(element, "aria-label")?.trim() ?? "") !== "" || hasAttribute(element, "aria-labelledby") && hasAuthorName(index, element);
}
function insideSectioning(semantics, element, mainCounts) {
  const { index } = semantics.page;
  for (let up = index.flatParent(element); up !== null; up = index.flatParent(up)) {
    if (!mainCounts && (up.tag === "main" || attributeToken(up, "role") === "main")) continue;
    const explicit = attributeToken(up, "role");
    if (explicit === null || explicit === "") {
      if (up.namespace === "html" && sectioningTags.has(up.tag)) return true;
      continue;
    }
    if (sectioningRoles.has(explicit)) return true;
    if (up.namespace === "html" && sectioningTags.has(up.tag) && semantics.role(up).role !== "none")
      return true;
  }
  return false;
}
function listAround(semantics, item) {
  const parent = semantics.page.index.flatParent(item);
  if (parent === null || parent.namespace !== "html") return null;
  const { role } = semantics.role(parent);
  if (role === "list" || role === "directory") return "list";
  const isListElement = parent.tag === "ul" || parent.tag === "ol" || parent.tag === "menu" || parent.tag === "dir";
  return isListElement && role === "none" ? "removed" : null;
}
function tableAround(semantics, part) {
  const { index } = semantics.page;
  for (let up = index.parent(part); up !== null; up = index.parent(up)) {
    if (up.tag !== "table" || up.namespace !== "html") continue;
    const { role } = semantics.role(up);
    if (role === "table") return "table";
    if (role === "grid" || role === "treegrid") return "grid";
    return role === "none" ? "removed" : null;
  }
  return null;
}
function headerKind(index, header) {
  const scope = attributeToken(header, "scope");
  if (scope === "row" || scope === "rowgroup") return "rowheader";
  if (scope === "col" || scope === "colgroup") return "columnheader";
  return automaticScope(index, header);
}
function svgRole(index, element) {
  const because = `<${element.tag}>`;
  if (element.tag === "svg") return native("graphics-document", because);
  if (element.tag === "a")
    return native(
      hasAttribute(element, "href") || hasAttribute(element, "xlink:href") ? "link" : "group",
      because
    );
  if (element.tag === "image") return native("image", because);
  if (element.tag === "foreignObject" || element.tag === "text") return native("group", because);
  const titled2 = hasNamingAttribute(index, element) || index.childElements(element).some((child) => child.tag === "title");
  return native(titled2 ? "graphics-symbol" : null, because);
}

// src/core/semantics/tables/roles.ts
var roles = {
  alert: {
    kind: ["live"],
    is: ["section"],
    nameFrom: ["author"],
    defaults: { live: "assertive", atomic: "true" }
  },
  alertdialog: {
    kind: ["window"],
    is: ["alert", "dialog"],
    supports: ["modal"],
    nameFrom: ["author"],
    nameRequired: true
  },
  application: {
    kind: ["structure"],
    is: ["structure"],
    supports: ["activedescendant", "disabled", "errormessage", "expanded", "haspopup", "invalid"],
    nameFrom: ["author"],
    nameRequired: true
  },
  article: { kind: ["structure"], is: ["document"], supports: ["posinset", "setsize"], nameFrom: ["author"] },
  banner: { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  blockquote: { kind: ["structure"], is: ["section"], nameFrom: ["author"] },
  button: {
    kind: ["widget"],
    is: ["command"],
    supports: ["disabled", "expanded", "haspopup", "pressed"],
    nameFrom: ["contents", "author"],
    nameRequired: true,
    childrenPresentational: true
  },
  caption: {
    kind: ["structure"],
    is: ["section"],
    prohibits: ["label", "labelledby"],
    nameFrom: ["prohibited"],
    parents: ["figure", "grid", "table", "treegrid"]
  },
  cell: {
    kind: ["structure"],
    is: ["section"],
    supports: ["colindex", "colspan", "rowindex", "rowspan"],
    nameFrom: ["contents", "author"],
    parents: ["row"]
  },
  checkbox: {
    kind: ["widget"],
    is: ["input"],
    required: ["checked"],
    supports: ["disabled", "errormessage", "expanded", "invalid", "readonly", "required"],
    nameFrom: ["contents", "author"],
    nameRequired: true,
    childrenPresentational: true,
    fallbacks: { checked: "false" }
  },
  code: {
    kind: ["structure"],
    is: ["section"],
    prohibits: ["label", "labelledby"],
    nameFrom: ["prohibited"]
  },
  columnheader: {
    kind: ["structure", "widget"],
    is: ["cell", "gridcell", "sectionhead"],
    supports: [
      "colindex",
      "colspan",
      "disabled",
      "errormessage",
      "expanded",
      "haspopup",
      "invalid",
      "readonly",
      "required",
      "rowindex",
      "rowspan",
      "selected",
      "sort"
    ],
    nameFrom: ["contents", "author"],
    nameRequired: true,
    parents: ["row"]
  },
  combobox: {
    kind: ["widget", "composite"],
    is: ["input"],
    required: ["expanded"],
    supports: [
      "activedescendant",
      "autocomplete",
      "disabled",
      "errormessage",
      "haspopup",
      "invalid",
      "readonly",
      "required"
    ],
    maySupport: ["placeholder", "orientation"],
    nameFrom: ["author"],
    nameRequired: true,
    defaults: { haspopup: "listbox" },
    fallbacks: { expanded: "false" },
    doubtful: ["requiredWhenExpanded"]
  },
  command: {
    kind: ["abstract"],
    is: ["widget"],
    abstract: true,
    supports: ["disabled"],
    nameFrom: ["author"],
    doubtful: ["is", "supports"]
  },
  comment: {
    kind: ["structure"],
    is: ["article"],
    supports: ["level", "posinset", "setsize"],
    nameFrom: ["contents", "author"],
    draft: true,
    doubtful: ["supports", "nameFrom"]
  },
  complementary: { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  composite: {
    kind: ["abstract"],
    is: ["widget"],
    abstract: true,
    supports: ["activedescendant", "disabled"],
    nameFrom: ["author"]
  },
  contentinfo: { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  definition: { kind: ["structure"], is: ["section"], nameFrom: ["author"], draftNameFrom: ["prohibited"] },
  deletion: {
    kind: ["structure"],
    is: ["section"],
    prohibits: ["label", "labelledby"],
    nameFrom: ["prohibited"]
  },
  dialog: { kind: ["window"], is: ["window"], supports: ["modal"], nameFrom: ["author"], nameRequired: true },
  directory: {
    kind: ["structure"],
    is: ["list"],
    nameFrom: ["author"],
    owns: ["listitem"],
    deprecated: true,
    useInstead: "list"
  },
  document: { kind: ["structure"], is: ["structure"], nameFrom: ["author"] },
  emphasis: {
    kind: ["structure"],
    is: ["section"],
    prohibits: ["label", "labelledby"],
    nameFrom: ["prohibited"]
  },
  feed: { kind: ["structure"], is: ["list"], nameFrom: ["author"], owns: ["article"] },
  figure: {
    kind: ["structure"],
    is: ["section"],
    nameFrom: ["author"],
    mayOwn: ["caption"],
    doubtful: ["nameRequired"]
  },
  form: {
    kind: ["landmark"],
    is: ["landmark"],
    nameFrom: ["author"],
    nameRequired: true,
    doubtful: ["nameRequired"]
  },
  generic: {
    kind: ["structure"],
    is: ["structure"],
    prohibits: ["label", "labelledby", "roledescription", "braillelabel", "brailleroledescription"],
    nameFrom: ["prohibited"]
  },
  grid: {
    kind: ["composite"],
    is: ["composite", "table"],
    supports: ["activedescendant", "colcount", "disabled", "multiselectable", "readonly", "rowcount"],
    maySupport: ["level"],
    nameFrom: ["author"],
    nameRequired: true,
    owns: ["row", "rowgroup/row"],
    mayOwn: ["caption"]
  },
  gridcell: {
    kind: ["widget"],
    is: ["cell", "widget"],
    supports: [
      "colindex",
      "colspan",
      "disabled",
      "errormessage",
      "expanded",
      "haspopup",
      "invalid",
      "readonly",
      "required",
      "rowindex",
      "rowspan",
      "selected"
    ],
    nameFrom: ["contents", "author"],
    parents: ["row"],
    doubtful: ["nameRequired"]
  },
  group: {
    kind: ["structure"],
    is: ["section"],
    supports: ["activedescendant", "disabled"],
    nameFrom: ["author"]
  },
  heading: {
    kind: ["structure"],
    is: ["sectionhead"],
    required: ["level"],
    nameFrom: ["contents", "author"],
    nameRequired: true,
    defaults: { level: "2" },
    fallbacks: { level: "2" }
  },
  image: {
    kind: ["structure"],
    is: ["section"],
    nameFrom: ["author"],
    nameRequired: true,
    childrenPresentational: true
  },
  input: {
    kind: ["abstract"],
    is: ["widget"],
    abstract: true,
    supports: ["disabled"],
    nameFrom: ["author"],
    doubtful: ["is", "supports"]
  },
  insertion: {
    kind: ["structure"],
    is: ["section"],
    prohibits: ["label", "labelledby"],
    nameFrom: ["prohibited"]
  },
  landmark: { kind: ["abstract"], is: ["section"], abstract: true, nameFrom: ["author"] },
  link: {
    kind: ["widget"],
    is: ["command"],
    supports: ["disabled", "expanded", "haspopup"],
    nameFrom: ["contents", "author"],
    nameRequired: true
  },
  list: { kind: ["structure"], is: ["section"], nameFrom: ["author"], owns: ["listitem"] },
  listbox: {
    kind: ["composite"],
    is: ["select"],
    supports: [
      "activedescendant",
      "disabled",
      "errormessage",
      "expanded",
      "invalid",
      "multiselectable",
      "orientation",
      "readonly",
      "required"
    ],
    nameFrom: ["author"],
    nameRequired: true,
    owns: ["option", "group/option"],
    defaults: { orientation: "vertical" }
  },
  listitem: {
    kind: ["structure"],
    is: ["section"],
    supports: ["level", "posinset", "setsize"],
    nameFrom: ["author"],
    parents: ["list", "directory"]
  },
  log: { kind: ["live"], is: ["section"], nameFrom: ["author"], defaults: { live: "polite" } },
  main: { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  mark: {
    kind: ["structure"],
    is: ["section"],
    prohibits: ["label", "labelledby"],
    nameFrom: ["prohibited"],
    draft: true
  },
  marquee: {
    kind: ["live"],
    is: ["section"],
    nameFrom: ["author"],
    defaults: { live: "off" },
    doubtful: ["nameRequired"]
  },
  math: { kind: ["structure"], is: ["section"], nameFrom: ["author"] },
  menu: {
    kind: ["composite"],
    is: ["select"],
    supports: ["activedescendant", "disabled", "orientation"],
    nameFrom: ["author"],
    owns: [
      "menuitem",
      "menuitemcheckbox",
      "menuitemradio",
      "group/menuitem",
      "group/menuitemcheckbox",
      "group/menuitemradio"
    ],
    mayOwn: ["separator"],
    defaults: { orientation: "vertical" }
  },
  menubar: {
    kind: ["composite"],
    is: ["menu"],
    supports: ["activedescendant", "disabled", "orientation"],
    nameFrom: ["author"],
    owns: [
      "menuitem",
      "menuitemcheckbox",
      "menuitemradio",
      "group/menuitem",
      "group/menuitemcheckbox",
      "group/menuitemradio"
    ],
    mayOwn: ["separator"],
    defaults: { orientation: "horizontal" }
  },
  menuitem: {
    kind: ["widget"],
    is: ["command"],
    supports: ["disabled", "expanded", "haspopup", "posinset", "setsize"],
    nameFrom: ["contents", "author"],
    nameRequired: true,
    parents: ["menu", "menubar", "menu/group", "menubar/group"]
  },
  menuitemcheckbox: {
    kind: ["widget"],
    is: ["menuitem"],
    required: ["checked"],
    supports: ["disabled", "expanded", "haspopup", "posinset", "setsize"],
    maySupport: ["readonly"],
    nameFrom: ["contents", "author"],
    nameRequired: true,
    parents: ["menu", "menubar", "menu/group", "menubar/group"],
    childrenPresentational: true,
    fallbacks: { checked: "false" },
    doubtful: ["is"]
  },
  menuitemradio: {
    kind: ["widget"],
    is: ["menuitem"],
    required: ["checked"],
    supports: ["disabled", "expanded", "haspopup", "posinset", "setsize"],
    maySupport: ["readonly"],
    nameFrom: ["contents", "author"],
    nameRequired: true,
    parents: ["menu", "menubar", "menu/group", "menubar/group"],
    childrenPresentational: true,
    fallbacks: { checked: "false" },
    doubtful: ["is"]
  },
  meter: {
    kind: ["structure"],
    is: ["range"],
    required: ["valuenow"],
    supports: ["valuemax", "valuemin", "valuetext"],
    nameFrom: ["author"],
    nameRequired: true,
    childrenPresentational: true,
    defaults: { valuemin: "0", valuemax: "100" },
    fallbacks: { valuenow: "=aria-valuemin" }
  },
  navigation: { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  none: {
    kind: ["structure"],
    is: ["structure"],
    prohibits: ["label", "labelledby"],
    nameFrom: ["prohibited"]
  },
  note: { kind: ["structure"], is: ["section"], nameFrom: ["author"] },
  option: {
    kind: ["widget"],
    is: ["input"],
    required: ["selected"],
    supports: ["checked", "disabled", "posinset", "setsize"],
    nameFrom: ["contents", "author"],
    nameRequired: true,
    parents: ["listbox", "listbox/group"],
    childrenPresentational: true,
    fallbacks: { selected: "false" },
    doubtful: ["required"]
  },
  paragraph: {
    kind: ["structure"],
    is: ["section"],
    prohibits: ["label", "labelledby"],
    nameFrom: ["prohibited"]
  },
  progressbar: {
    kind: ["widget"],
    is: ["range", "widget"],
    supports: ["valuemax", "valuemin", "valuenow", "valuetext"],
    nameFrom: ["author"],
    nameRequired: true,
    childrenPresentational: true,
    defaults: { valuemin: "0", valuemax: "100" }
  },
  radio: {
    kind: ["widget"],
    is: ["input"],
    required: ["checked"],
    supports: ["disabled", "posinset", "setsize"],
    nameFrom: ["contents", "author"],
    nameRequired: true,
    childrenPresentational: true,
    fallbacks: { checked: "false" }
  },
  radiogroup: {
    kind: ["composite"],
    is: ["select"],
    supports: [
      "activedescendant",
      "disabled",
      "errormessage",
      "invalid",
      "orientation",
      "readonly",
      "required"
    ],
    nameFrom: ["author"],
    nameRequired: true,
    owns: ["radio"],
    doubtful: ["owns"]
  },
  range: {
    kind: ["abstract"],
    is: ["structure"],
    abstract: true,
    supports: ["valuemax", "valuemin", "valuenow", "valuetext"],
    nameFrom: ["author"],
    doubtful: ["is", "supports"]
  },
  region: { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"], nameRequired: true },
  roletype: { kind: ["abstract"], abstract: true, nameFrom: [] },
  row: {
    kind: ["structure"],
    is: ["group", "widget"],
    supports: [
      "activedescendant",
      "colindex",
      "disabled",
      "expanded",
      "level",
      "posinset",
      "rowindex",
      "selected",
      "setsize"
    ],
    nameFrom: ["contents", "author"],
    parents: ["grid", "table", "treegrid", "grid/rowgroup", "table/rowgroup", "treegrid/rowgroup"],
    owns: ["cell", "columnheader", "gridcell", "rowheader"]
  },
  rowgroup: {
    kind: ["structure"],
    is: ["structure"],
    nameFrom: ["author"],
    parents: ["grid", "table", "treegrid"],
    owns: ["row"],
    doubtful: ["nameFrom"]
  },
  rowheader: {
    kind: ["structure", "widget"],
    is: ["cell", "gridcell", "sectionhead"],
    supports: [
      "colindex",
      "colspan",
      "disabled",
      "errormessage",
      "expanded",
      "haspopup",
      "invalid",
      "readonly",
      "required",
      "rowindex",
      "rowspan",
      "selected",
      "sort"
    ],
    nameFrom: ["contents", "author"],
    nameRequired: true,
    parents: ["row"]
  },
  scrollbar: {
    kind: ["widget"],
    is: ["range", "widget"],
    required: ["controls", "valuenow"],
    supports: ["disabled", "orientation", "valuemax", "valuemin", "valuetext"],
    nameFrom: ["author"],
    childrenPresentational: true,
    defaults: { orientation: "vertical", valuemin: "0", valuemax: "100" },
    fallbacks: { valuenow: "=middle" }
  },
  search: { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  searchbox: {
    kind: ["widget"],
    is: ["textbox"],
    supports: [
      "activedescendant",
      "autocomplete",
      "disabled",
      "errormessage",
      "haspopup",
      "invalid",
      "multiline",
      "placeholder",
      "readonly",
      "required"
    ],
    nameFrom: ["author"],
    nameRequired: true
  },
  section: { kind: ["abstract"], is: ["structure"], abstract: true, nameFrom: ["author"] },
  sectionfooter: {
    kind: ["structure"],
    is: ["section"],
    nameFrom: ["author"],
    draft: true,
    doubtful: ["nameFrom", "is"]
  },
  sectionhead: { kind: ["abstract"], is: ["structure"], abstract: true, nameFrom: ["contents", "author"] },
  sectionheader: {
    kind: ["structure"],
    is: ["section"],
    nameFrom: ["author"],
    draft: true,
    doubtful: ["nameFrom", "is"]
  },
  select: {
    kind: ["abstract"],
    is: ["composite", "group"],
    abstract: true,
    supports: ["activedescendant", "disabled", "orientation"],
    nameFrom: ["author"],
    defaults: { orientation: "vertical" },
    doubtful: ["defaults"]
  },
  separator: {
    kind: ["structure", "widget"],
    is: ["structure", "widget"],
    requiredWhenFocusable: ["valuenow"],
    supports: ["orientation"],
    supportsWhenFocusable: ["disabled", "valuemax", "valuemin", "valuetext"],
    nameFrom: ["author"],
    childrenPresentational: true,
    defaults: { orientation: "horizontal" },
    defaultsWhenFocusable: { valuemin: "0", valuemax: "100" },
    fallbacks: { valuenow: "50" }
  },
  slider: {
    kind: ["widget"],
    is: ["input", "range"],
    required: ["valuenow"],
    supports: [
      "disabled",
      "errormessage",
      "haspopup",
      "invalid",
      "orientation",
      "readonly",
      "valuemax",
      "valuemin",
      "valuetext"
    ],
    nameFrom: ["author"],
    nameRequired: true,
    childrenPresentational: true,
    defaults: { orientation: "horizontal", valuemin: "0", valuemax: "100" },
    fallbacks: { valuenow: "=middle" }
  },
  spinbutton: {
    kind: ["widget"],
    is: ["composite", "input", "range"],
    supports: [
      "activedescendant",
      "disabled",
      "errormessage",
      "invalid",
      "readonly",
      "required",
      "valuemax",
      "valuemin",
      "valuenow",
      "valuetext"
    ],
    nameFrom: ["author"],
    nameRequired: true,
    defaults: { valuenow: "0" },
    doubtful: ["defaults"]
  },
  status: {
    kind: ["live"],
    is: ["section"],
    nameFrom: ["author"],
    defaults: { live: "polite", atomic: "true" }
  },
  strong: {
    kind: ["structure"],
    is: ["section"],
    prohibits: ["label", "labelledby"],
    nameFrom: ["prohibited"]
  },
  structure: { kind: ["abstract"], is: ["roletype"], abstract: true, nameFrom: [] },
  subscript: {
    kind: ["structure"],
    is: ["section"],
    prohibits: ["label", "labelledby"],
    nameFrom: ["prohibited"]
  },
  suggestion: {
    kind: ["structure"],
    is: ["section"],
    prohibits: ["label", "labelledby"],
    nameFrom: ["prohibited"],
    owns: ["deletion", "insertion"],
    draft: true
  },
  superscript: {
    kind: ["structure"],
    is: ["section"],
    prohibits: ["label", "labelledby"],
    nameFrom: ["prohibited"]
  },
  switch: {
    kind: ["widget"],
    is: ["checkbox"],
    required: ["checked"],
    supports: ["disabled", "errormessage", "expanded", "invalid", "readonly", "required"],
    nameFrom: ["contents", "author"],
    nameRequired: true,
    childrenPresentational: true,
    fallbacks: { checked: "false" }
  },
  tab: {
    kind: ["widget"],
    is: ["sectionhead", "widget"],
    supports: ["disabled", "expanded", "haspopup", "posinset", "selected", "setsize"],
    nameFrom: ["contents", "author"],
    parents: ["tablist"],
    childrenPresentational: true,
    defaults: { selected: "false" },
    doubtful: ["nameRequired"]
  },
  table: {
    kind: ["structure"],
    is: ["section"],
    supports: ["colcount", "rowcount"],
    nameFrom: ["author"],
    nameRequired: true,
    owns: ["row", "rowgroup/row"],
    mayOwn: ["caption"],
    doubtful: ["nameRequired"]
  },
  tablist: {
    kind: ["composite"],
    is: ["composite"],
    supports: ["activedescendant", "disabled", "multiselectable", "orientation"],
    maySupport: ["level"],
    nameFrom: ["author"],
    owns: ["tab"],
    defaults: { orientation: "horizontal" }
  },
  tabpanel: { kind: ["widget"], is: ["section"], nameFrom: ["author"], nameRequired: true },
  term: { kind: ["structure"], is: ["section"], nameFrom: ["author"], draftNameFrom: ["prohibited"] },
  textbox: {
    kind: ["widget"],
    is: ["input"],
    supports: [
      "activedescendant",
      "autocomplete",
      "disabled",
      "errormessage",
      "haspopup",
      "invalid",
      "multiline",
      "placeholder",
      "readonly",
      "required"
    ],
    nameFrom: ["author"],
    nameRequired: true
  },
  time: { kind: ["structure"], is: ["section"], nameFrom: ["author"], draftNameFrom: ["prohibited"] },
  timer: { kind: ["live"], is: ["status"], nameFrom: ["author"], defaults: { live: "off" } },
  toolbar: {
    kind: ["structure"],
    is: ["group"],
    supports: ["activedescendant", "disabled", "orientation"],
    nameFrom: ["author"],
    defaults: { orientation: "horizontal" }
  },
  tooltip: { kind: ["structure"], is: ["section"], nameFrom: ["contents", "author"], nameRequired: true },
  tree: {
    kind: ["composite"],
    is: ["select"],
    supports: [
      "activedescendant",
      "disabled",
      "errormessage",
      "invalid",
      "multiselectable",
      "orientation",
      "required"
    ],
    nameFrom: ["author"],
    nameRequired: true,
    owns: ["treeitem", "group/treeitem"],
    defaults: { orientation: "vertical" }
  },
  treegrid: {
    kind: ["composite"],
    is: ["grid", "tree"],
    supports: [
      "activedescendant",
      "colcount",
      "disabled",
      "errormessage",
      "invalid",
      "multiselectable",
      "orientation",
      "readonly",
      "required",
      "rowcount"
    ],
    nameFrom: ["author"],
    nameRequired: true,
    owns: ["row", "rowgroup/row"],
    mayOwn: ["caption"],
    doubtful: ["defaults"]
  },
  treeitem: {
    kind: ["widget"],
    is: ["listitem", "option"],
    supports: ["checked", "disabled", "expanded", "haspopup", "level", "posinset", "selected", "setsize"],
    nameFrom: ["contents", "author"],
    nameRequired: true,
    parents: ["tree", "tree/group", "treeitem/group"],
    mayOwn: ["group/treeitem"]
  },
  widget: { kind: ["abstract"], is: ["roletype"], abstract: true, nameFrom: [] },
  window: { kind: ["abstract"], is: ["roletype"], abstract: true, supports: ["modal"], nameFrom: ["author"] },
  "doc-abstract": { kind: ["structure"], is: ["section"], nameFrom: ["author"] },
  "doc-acknowledgments": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-afterword": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-appendix": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-backlink": {
    kind: ["widget"],
    is: ["link"],
    supports: ["disabled", "expanded", "haspopup"],
    nameFrom: ["contents", "author"],
    nameRequired: true
  },
  "doc-biblioentry": {
    kind: ["structure"],
    is: ["listitem"],
    supports: ["level", "posinset", "setsize"],
    nameFrom: ["author"],
    parents: ["doc-bibliography", "list"],
    deprecated: true,
    doubtful: ["parents"]
  },
  "doc-bibliography": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-biblioref": {
    kind: ["widget"],
    is: ["link"],
    supports: ["disabled", "expanded", "haspopup"],
    nameFrom: ["contents", "author"],
    nameRequired: true
  },
  "doc-chapter": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-colophon": { kind: ["structure"], is: ["section"], nameFrom: ["author"] },
  "doc-conclusion": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-cover": {
    kind: ["structure"],
    is: ["image"],
    nameFrom: ["author"],
    childrenPresentational: true,
    doubtful: ["childrenPresentational"]
  },
  "doc-credit": { kind: ["structure"], is: ["section"], nameFrom: ["author"] },
  "doc-credits": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-dedication": { kind: ["structure"], is: ["section"], nameFrom: ["author"] },
  "doc-endnote": {
    kind: ["structure"],
    is: ["listitem"],
    supports: ["level", "posinset", "setsize"],
    nameFrom: ["author"],
    parents: ["doc-endnotes", "list"],
    deprecated: true,
    doubtful: ["parents"]
  },
  "doc-endnotes": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-epigraph": { kind: ["structure"], is: ["section"], nameFrom: ["author"] },
  "doc-epilogue": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-errata": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-example": { kind: ["structure"], is: ["section"], nameFrom: ["author"] },
  "doc-footnote": { kind: ["structure"], is: ["section"], nameFrom: ["author"] },
  "doc-foreword": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-glossary": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-glossref": {
    kind: ["widget"],
    is: ["link"],
    supports: ["disabled", "expanded", "haspopup"],
    nameFrom: ["contents", "author"],
    nameRequired: true
  },
  "doc-index": { kind: ["landmark"], is: ["navigation"], nameFrom: ["author"] },
  "doc-introduction": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-noteref": {
    kind: ["widget"],
    is: ["link"],
    supports: ["disabled", "expanded", "haspopup"],
    nameFrom: ["contents", "author"],
    nameRequired: true
  },
  "doc-notice": { kind: ["structure"], is: ["note"], nameFrom: ["author"] },
  "doc-pagebreak": {
    kind: ["structure"],
    is: ["separator"],
    supports: ["orientation"],
    nameFrom: ["author"],
    nameRequired: true,
    childrenPresentational: true,
    defaults: { orientation: "horizontal" },
    doubtful: ["childrenPresentational", "nameRequired"]
  },
  "doc-pagefooter": {
    kind: ["structure"],
    is: ["section"],
    nameFrom: ["author"],
    doubtful: ["nameFrom", "is"]
  },
  "doc-pageheader": {
    kind: ["structure"],
    is: ["section"],
    nameFrom: ["author"],
    doubtful: ["nameFrom", "is"]
  },
  "doc-pagelist": { kind: ["landmark"], is: ["navigation"], nameFrom: ["author"] },
  "doc-part": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-preface": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-prologue": { kind: ["landmark"], is: ["landmark"], nameFrom: ["author"] },
  "doc-pullquote": { kind: ["structure"], is: ["section"], nameFrom: ["author"] },
  "doc-qna": { kind: ["structure"], is: ["section"], nameFrom: ["author"] },
  "doc-subtitle": {
    kind: ["structure"],
    is: ["sectionhead"],
    nameFrom: ["contents", "author"],
    doubtful: ["nameFrom", "is"]
  },
  "doc-tip": { kind: ["structure"], is: ["note"], nameFrom: ["author"] },
  "doc-toc": { kind: ["landmark"], is: ["navigation"], nameFrom: ["author"] },
  "graphics-document": { kind: ["structure"], is: ["document"], nameFrom: ["author"], nameRequired: true },
  "graphics-object": {
    kind: ["structure"],
    is: ["group"],
    supports: ["activedescendant", "disabled"],
    nameFrom: ["author"],
    doubtful: ["nameFrom"]
  },
  "graphics-symbol": {
    kind: ["structure"],
    is: ["image"],
    nameFrom: ["author"],
    nameRequired: true,
    childrenPresentational: true
  }
};
var roleSynonyms = { img: "image", presentation: "none" };
var roleRow = (role) => roles[role];

// src/core/semantics/tables/states.ts
var states = {
  actions: { type: "id-reference-list", global: true, draft: true },
  activedescendant: { type: "id-reference" },
  atomic: { type: "true/false", tokens: ["true", "false"], initial: "false", global: true },
  autocomplete: { type: "token", tokens: ["inline", "list", "both", "none"], initial: "none" },
  braillelabel: { type: "string", global: true, draft: true },
  brailleroledescription: { type: "string", global: true, draft: true },
  busy: { type: "true/false", tokens: ["true", "false"], initial: "false", global: true },
  checked: { type: "tristate", tokens: ["true", "false", "mixed", "undefined"] },
  colcount: { type: "integer", min: -1 },
  colindex: { type: "integer", min: 1 },
  colindextext: { type: "string", draft: true },
  colspan: { type: "integer", min: 1 },
  controls: { type: "id-reference-list", global: true },
  current: {
    type: "token",
    tokens: ["page", "step", "location", "date", "time", "true", "false"],
    initial: "false",
    global: true
  },
  describedby: { type: "id-reference-list", global: true },
  description: { type: "string", global: true, draft: true },
  details: { type: "id-reference", global: true, draftList: true },
  disabled: {
    type: "true/false",
    tokens: ["true", "false"],
    initial: "false",
    global: true,
    globalDeprecated: true
  },
  dropeffect: {
    type: "token-list",
    tokens: ["copy", "execute", "link", "move", "none", "popup"],
    initial: "none",
    global: true,
    deprecated: true
  },
  errormessage: { type: "id-reference", global: true, globalDeprecated: true, draftList: true },
  expanded: { type: "true/false/undefined", tokens: ["true", "false", "undefined"] },
  flowto: { type: "id-reference-list", global: true },
  grabbed: {
    type: "true/false/undefined",
    tokens: ["true", "false", "undefined"],
    global: true,
    deprecated: true
  },
  haspopup: {
    type: "token",
    tokens: ["false", "true", "menu", "listbox", "tree", "grid", "dialog"],
    initial: "false",
    global: true,
    globalDeprecated: true
  },
  hidden: { type: "true/false/undefined", tokens: ["true", "false", "undefined"], global: true },
  invalid: {
    type: "token",
    tokens: ["grammar", "false", "spelling", "true"],
    initial: "false",
    global: true,
    globalDeprecated: true
  },
  keyshortcuts: { type: "string", global: true },
  label: { type: "string", global: true },
  labelledby: { type: "id-reference-list", global: true },
  level: { type: "integer", min: 1 },
  live: { type: "token", tokens: ["assertive", "off", "polite"], initial: "off", global: true },
  modal: { type: "true/false", tokens: ["true", "false"], initial: "false" },
  multiline: { type: "true/false", tokens: ["true", "false"], initial: "false" },
  multiselectable: { type: "true/false", tokens: ["true", "false"], initial: "false" },
  orientation: { type: "token", tokens: ["horizontal", "undefined", "vertical"] },
  owns: { type: "id-reference-list", global: true },
  placeholder: { type: "string" },
  posinset: { type: "integer", min: 1 },
  pressed: { type: "tristate", tokens: ["true", "false", "mixed", "undefined"] },
  readonly: { type: "true/false", tokens: ["true", "false"], initial: "false" },
  relevant: {
    type: "token-list",
    tokens: ["additions", "all", "removals", "text"],
    initial: "additions text",
    global: true
  },
  required: { type: "true/false", tokens: ["true", "false"], initial: "false" },
  roledescription: { type: "string", global: true },
  rowcount: { type: "integer", min: -1 },
  rowindex: { type: "integer", min: 1 },
  rowindextext: { type: "string", draft: true },
  rowspan: { type: "integer", min: 0 },
  selected: { type: "true/false/undefined", tokens: ["true", "false", "undefined"] },
  setsize: { type: "integer", min: -1 },
  sort: { type: "token", tokens: ["ascending", "descending", "none", "other"], initial: "none" },
  valuemax: { type: "number" },
  valuemin: { type: "number" },
  valuenow: { type: "number" },
  valuetext: { type: "string" }
};
var stateRow = (name) => Object.hasOwn(states, name) ? states[name] : null;

// src/core/semantics/role.ts
function knownRole(token) {
  const name = roleSynonyms[token] ?? token;
  if (!Object.hasOwn(roles, name)) return null;
  return roleRow(name).abstract === true ? null : name;
}
var roleTokens = (element) => (attributeText(element, "role") ?? "").toLowerCase().split(/\s+/).filter((token) => token !== "");
var needNameToCount = /* @__PURE__ */ new Set(["form", "region"]);
function computeRole(semantics, element) {
  const fromElement = nativeRole(semantics, element);
  const { native: native2, because } = fromElement;
  const attribute = element.attributes.get("role");
  if (attribute === void 0)
    return attributeUnknown(element, "role") ? { ...fromElement, certain: false } : fromElement;
  if (typeof attribute.value !== "string")
    return {
      ...fromElement,
      certain: false,
      because: "the role attribute holds a value that source does not give"
    };
  const passed2 = [];
  for (const token of roleTokens(element)) {
    const role = knownRole(token);
    if (role === null) {
      passed2.push(`"${token}" is no role`);
      continue;
    }
    if (role === "none") {
      const conflict = presentationalConflict(semantics, element, native2);
      if (conflict !== null)
        return { ...fromElement, because: `${because}; role="${token}" is ignored because ${conflict}` };
    }
    if (needNameToCount.has(role) && !hasAuthorName(semantics.page.index, element)) {
      passed2.push(`role="${token}" counts only with a name`);
      continue;
    }
    const why = passed2.length === 0 ? `role="${token}"` : `role="${token}", the first that counts: ${passed2.join(", ")}`;
    return { role, native: native2, from: "role attribute", because: why, certain: true };
  }
  return passed2.length === 0 ? fromElement : { ...fromElement, because: `${because}; ${passed2.join(", ")}` };
}
function presentationalConflict(semantics, element, native2) {
  if (isFocusable(semantics.page, semantics.presence, element) === true) return "it takes focus";
  for (const name of element.attributes.keys()) {
    if (!name.startsWith("aria-") || name === "aria-hidden") continue;
    const state = name.slice("aria-".length);
    if (stateRow(state)?.global !== true || attributeText(element, name) === "") continue;
    if ((state === "label" || state === "labelledby") && native2 !== null && isNamingProhibited(native2))
      continue;
    return `it carries ${name}`;
  }
  return null;
}
var isNamingProhibited = (role) => roleRow(role).nameFrom.includes("prohibited");

// src/core/semantics/name.ts
var noName = { text: "", certain: true, from: null };
var fromNative = {
  "label element": "label element",
  alt: "alt",
  value: "value",
  "default text": "value",
  caption: "caption",
  legend: "legend",
  figcaption: "figcaption",
  "lone figcaption": "figcaption",
  "label attribute": "contents",
  "summary attribute": "summary",
  "svg title": "svg title",
  "xlink title": "title attribute",
  "title element": "title element",
  contents: "contents",
  "title attribute": "title attribute",
  placeholder: "placeholder"
};
function computeName(semantics, element) {
  if (element.attributes.size === 0 && element.spread === null && isNeverNamed(semantics, element))
    return noName;
  for (const step of nameSteps(semantics, element)) {
    const found = step.text();
    if (found !== null && (found.text !== "" || !found.certain)) return { ...found, from: step.from };
    if (step.stops && found !== null) break;
  }
  return element.spread === null ? noName : { ...noName, certain: false };
}
function isNeverNamed(semantics, element) {
  const { role } = semantics.role(element);
  return sourcesOf(element).length === 0 && (role === null || !roleRow(role).nameFrom.includes("contents"));
}
function nameSteps(semantics, element) {
  const { index } = semantics.page;
  const computed = semantics.role(element);
  const role = computed.role;
  if (role === "none") return [];
  const steps = [];
  const self = () => [element];
  const attributeStep = (from, attribute) => ({
    from,
    text: () => attributeAlternative(element, attribute),
    elements: self,
    source: element.attributes.get(attribute)?.source ?? null,
    stops: false
  });
  if (hasAttribute(element, "aria-labelledby")) {
    steps.push({
      from: "aria-labelledby",
      text: () => referencedText(semantics, element, "aria-labelledby"),
      elements: () => referencedElements(index, element, "aria-labelledby"),
      source: element.attributes.get("aria-labelledby")?.source ?? null,
      stops: false
    });
  }
  if (hasAttribute(element, "aria-label")) steps.push(attributeStep("aria-label", "aria-label"));
  const sources = computed.from === "element" || computed.native !== "generic" ? sourcesOf(element) : [];
  const takesContents = role !== null && namedByContents(semantics, element, role);
  const native2 = sources.filter((s) => s !== "contents" || takesContents || role === null);
  for (const source of native2) {
    if (source === "title attribute" || source === "placeholder") continue;
    steps.push(nativeStep(semantics, element, source));
  }
  if (takesContents && !native2.includes("contents")) steps.push(nativeStep(semantics, element, "contents"));
  if (mayBeTitled(role) && element.attributes.has("title"))
    steps.push(attributeStep("title attribute", "title"));
  if (native2.includes("placeholder") || role !== null && placeholderRoles.has(role)) {
    if (element.attributes.has("placeholder") && element.namespace === "html")
      steps.push(attributeStep("placeholder", "placeholder"));
    if (element.attributes.has("aria-placeholder"))
      steps.push(attributeStep("placeholder", "aria-placeholder"));
  }
  return steps;
}
var placeholderRoles = /* @__PURE__ */ new Set(["textbox", "searchbox", "combobox", "spinbutton"]);
function nativeStep(semantics, element, source) {
  const { index } = semantics.page;
  const child = (tag) => index.childElements(element).filter((c) => c.tag === tag).slice(0, 1);
  const elements = () => {
    switch (source) {
      case "label element":
        return index.labels(element);
      case "caption":
      case "legend":
      case "figcaption":
        return child(source);
      case "svg title":
        return child("title");
      case "title element":
        return index.byTag("title").slice(0, 1);
      default:
        return [element];
    }
  };
  const isSummary = element.tag === "summary" && source === "contents";
  const attribute = source === "alt" ? "alt" : source === "value" ? "value" : source === "label attribute" ? "label" : source === "summary attribute" ? "summary" : null;
  return {
    from: isSummary ? "summary" : fromNative[source],
    text: () => source === "contents" ? contentsText(semantics, element) : nativeSourceText(semantics, element, source),
    elements,
    source: attribute === null ? elements()[0]?.source ?? null : element.attributes.get(attribute)?.source ?? null,
    stops: source === "alt" && element.tag === "img"
  };
}
function namedByContents(semantics, element, role) {
  if (!roleRow(role).nameFrom.includes("contents")) return false;
  return role !== "row" || inGrid(semantics, element);
}
function inGrid(semantics, row) {
  const { index } = semantics.page;
  for (let up = index.flatParent(row); up !== null; up = index.flatParent(up)) {
    const { role } = semantics.role(up);
    if (role === "grid" || role === "treegrid") return true;
    if (role === "table") return false;
  }
  return false;
}
var mayBeTitled = (role) => role === null || !isNamingProhibited(role) && !unnamedByTitle.has(role);
var unnamedByTitle = /* @__PURE__ */ new Set(["time", "term", "definition"]);

// src/core/semantics/states.ts
var notStates = /* @__PURE__ */ new Set([
  "label",
  "labelledby",
  "describedby",
  "description",
  "details",
  "controls",
  "owns",
  "flowto",
  "errormessage",
  "activedescendant",
  "hidden",
  "actions",
  "braillelabel",
  "brailleroledescription",
  "dropeffect",
  "grabbed"
]);
var toldWhenFalse = /* @__PURE__ */ new Set(["checked", "expanded", "pressed", "selected"]);
function computeStates(semantics, element) {
  const { role } = semantics.role(element);
  const result = {};
  for (const name of element.attributes.keys())
    if (name.startsWith("aria-")) addAria(semantics, element, role, name.slice("aria-".length), result);
  addFallbacks(role, result);
  if (element.namespace === "html" && mayHaveStates.test(element.tag)) addNative(semantics, element, result);
  return ordered(result);
}
var noStates = {};
var ordered = (draft2) => {
  const names = Object.keys(draft2);
  if (names.length === 0) return noStates;
  if (names.length === 1) return draft2;
  return Object.fromEntries(names.sort().map((name) => [name, draft2[name]]));
};
function addAria(semantics, element, role, name, result) {
  const row = stateRow(name);
  if (notStates.has(name) || row === null) return;
  const text = attributeText(element, `aria-${name}`)?.trim() ?? "";
  if (text === "") return;
  if (row.global !== true && role !== null && !supports(role, name)) return;
  const value = stateValue(semantics, element, role, name, row, text);
  if (value === null || value === false && !toldWhenFalse.has(name)) return;
  if (value === row.initial && !toldWhenFalse.has(name) && row.type === "token") return;
  result[name] = value;
}
function supports(role, state) {
  const row = roleRow(role);
  return [
    row.required,
    row.supports,
    row.supportsWhenFocusable,
    row.requiredWhenFocusable,
    row.maySupport
  ].some((list) => list?.includes(state) === true);
}
function stateValue(semantics, element, role, name, row, text) {
  const token = text.toLowerCase();
  switch (row.type) {
    case "true/false":
      return token !== "false";
    case "true/false/undefined":
      return token === "undefined" ? null : token !== "false";
    case "tristate":
      if (token === "undefined") return null;
      if (token === "mixed")
        return name === "checked" && (role === "switch" || role === "radio" || role === "menuitemradio") ? false : "mixed";
      return token !== "false";
    case "integer": {
      const value = Number.parseInt(text, 10);
      if (Number.isNaN(value)) return null;
      return name === "level" && value < 1 ? null : value;
    }
    case "number": {
      const value = Number.parseFloat(text);
      return Number.isNaN(value) ? null : value;
    }
    case "token":
      if (name === "invalid" || name === "current")
        return row.tokens?.includes(token) === true ? word(token) : true;
      if (name === "haspopup")
        return token === "true" ? "menu" : row.tokens?.includes(token) === true ? word(token) : false;
      return row.tokens?.includes(token) === true ? word(token) : null;
    case "token-list":
    case "string":
      return text;
    case "id-reference":
    case "id-reference-list":
      return semantics.page.index.byId(element, text) === null ? null : text;
    default:
      return row.type;
  }
}
var word = (token) => token === "true" ? true : token === "false" ? false : token;
function addFallbacks(role, result) {
  if (role === null) return;
  const { fallbacks } = roleRow(role);
  if (fallbacks === void 0) return;
  for (const [name, value] of Object.entries(fallbacks)) {
    if (result[name] !== void 0) continue;
    if (value === "=middle") {
      const low = typeof result.valuemin === "number" ? result.valuemin : 0;
      const high = typeof result.valuemax === "number" ? result.valuemax : 100;
      result[name] = (low + high) / 2;
    } else if (name === "expanded") continue;
    else result[name] = /^\d+$/.test(value) ? Number(value) : word(value);
  }
}
var headingLevels = { h1: 1, h2: 2, h3: 3, h4: 4, h5: 5, h6: 6 };
var mayHaveStates = /^(?:h[1-6]|input|button|select|textarea|fieldset|optgroup|option|summary|progress|meter|td|th)$|-/;
function addNative(semantics, element, result) {
  const { index } = semantics.page;
  const { tag } = element;
  const { role } = semantics.role(element);
  const type2 = tag === "input" ? inputType(element) : null;
  const level = headingLevels[tag];
  if (level !== void 0 && role === "heading" && !validLevel(element)) result.level = level;
  if (isDisabled(index, element) === true) result.disabled = true;
  if ((tag === "input" || tag === "select" || tag === "textarea") && hasAttribute(element, "required") && type2 !== "range" && type2 !== "color")
    result.required = true;
  if ((tag === "textarea" || type2 !== null && (textTypes.has(type2) || /^(?:number|date|month|week|time|datetime-local)$/.test(type2))) && hasAttribute(element, "readonly"))
    result.readonly = true;
  switch (tag) {
    case "input":
      if (type2 === "checkbox" || type2 === "radio") {
        if (!(role === "button" && result.pressed !== void 0))
          result.checked = hasAttribute(element, "checked");
        if (role === "button") delete result.checked;
      }
      if (type2 === "range" || type2 === "number")
        addRange(element, type2 === "range" ? { low: 0, high: 100 } : null, result);
      break;
    case "textarea":
      result.multiline = true;
      break;
    case "select":
      if (hasAttribute(element, "multiple")) result.multiselectable = true;
      else if (role === "combobox") {
        result.haspopup = "listbox";
        result.expanded = false;
      }
      break;
    case "option":
      result.selected = isSelected(semantics, element);
      break;
    case "details":
      break;
    case "summary":
      if (isDetailsSummary(index, element)) {
        const parent = index.parent(element);
        result.expanded = parent !== null && hasAttribute(parent, "open");
      }
      break;
    case "progress":
    case "meter":
      addRange(element, { low: 0, high: 1 }, result);
      break;
    case "td":
    case "th":
      for (const span of ["colspan", "rowspan"]) {
        const value = Number.parseInt(attributeText(element, span) ?? "", 10);
        if (value > 1) result[span] = value;
      }
      break;
    default:
  }
  const popover = tag === "button" || type2 !== null && /^(?:button|submit|reset|image)$/.test(type2) ? attributeText(element, "popovertarget") : null;
  if (popover !== null && index.byId(element, popover)?.attributes.has("popover") === true)
    result.expanded = false;
}
var validLevel = (element) => Number.parseInt(attributeText(element, "aria-level") ?? "", 10) >= 1;
function isSelected(semantics, option) {
  const { index } = semantics.page;
  let select = index.parent(option);
  while (select !== null && select.tag !== "select") select = index.parent(select);
  return select === null ? hasAttribute(option, "selected") : selectedOptions(index, select).includes(option);
}
function addRange(element, limits, result) {
  const number2 = (name) => {
    const value2 = Number.parseFloat(attributeText(element, name) ?? "");
    return Number.isNaN(value2) ? null : value2;
  };
  const low = number2("min") ?? limits?.low ?? null;
  const high = number2("max") ?? limits?.high ?? null;
  if (low !== null) result.valuemin = low;
  if (high !== null) result.valuemax = high;
  const value = number2("value");
  if (value !== null)
    result.valuenow = low !== null && high !== null ? Math.min(Math.max(value, low), Math.max(low, high)) : value;
  else if (element.tag === "input" && limits !== null && low !== null && high !== null)
    result.valuenow = low + (high - low) / 2;
}
function spokenValue(semantics, element) {
  const { index } = semantics.page;
  if (element.namespace === "html") {
    if (element.tag === "input") {
      const type2 = inputType(element);
      if (textTypes.has(type2) || /^(?:number|date|month|week|time|datetime-local|color)$/.test(type2)) {
        const value = attributeText(element, "value");
        return value === null || value === "" ? null : type2 === "password" ? "\u2022".repeat(value.length) : value;
      }
    }
    if (element.tag === "textarea") {
      const text = element.children.map((child) => child.kind === "text" && typeof child.value === "string" ? child.value : "").join("");
      return text === "" ? null : text;
    }
    if (element.tag === "select" && semantics.role(element).role === "combobox") {
      const [chosen] = selectedOptions(index, element);
      return chosen === void 0 ? null : semantics.name(chosen).text;
    }
  }
  const spoken = attributeText(element, "aria-valuetext")?.trim();
  if (spoken !== void 0 && spoken !== "") return spoken;
  const { valuenow } = semantics.states(element);
  return valuenow === void 0 ? null : String(valuenow);
}

// src/core/semantics/semantics.ts
function semanticsOf(page) {
  const known = /* @__PURE__ */ new Map();
  const of = (element) => {
    let facts = known.get(element);
    if (facts === void 0) {
      facts = { role: null, name: null, description: null, states: null };
      known.set(element, facts);
    }
    return facts;
  };
  const semantics = {
    page,
    presence: presenceOf(page),
    role(element) {
      const facts = of(element);
      facts.role ??= computeRole(semantics, element);
      return facts.role;
    },
    name(element) {
      const facts = of(element);
      facts.name ??= computeName(semantics, element);
      return facts.name;
    },
    description(element) {
      const facts = of(element);
      facts.description ??= computeDescription(semantics, element);
      return facts.description;
    },
    states(element) {
      const facts = of(element);
      facts.states ??= computeStates(semantics, element);
      return facts.states;
    }
  };
  return semantics;
}

// src/core/document/text-content.ts
function textContent(element) {
  let text = "";
  const stack = [...element.children].reverse();
  for (let at2 = stack.pop(); at2 !== void 0; at2 = stack.pop()) {
    if (at2.kind === "text") text += writtenText(at2.value);
    else if (at2.kind === "hole") text += writtenText(at2.hole);
    else if (at2.kind === "element")
      for (let i = at2.children.length - 1; i >= 0; i--) stack.push(at2.children[i]);
  }
  return text.replace(/[ \t\n\f\r]+/g, " ").trim();
}

// src/core/rendering/painted.ts
var MOST_SPOTS = 96;
var GRADIENT_STEPS = 12;
function paintedText(page, paintedPage, element, interaction, foregroundOf = {}) {
  const { styles, index } = page;
  const styled = { element, interaction };
  const fill = styles.colour({ ...styled, ...foregroundOf }, "-webkit-text-fill-color");
  const own = styles.colour({ ...styled, ...foregroundOf }, "color");
  const usesFill = fill?.value.own === true || (fill?.value.text ?? "currentcolor").toLowerCase() !== "currentcolor";
  const foreground = usesFill ? fill : own;
  const layers = [];
  const open2 = (unknown2) => ({
    spots: [],
    unknown: unknown2,
    foreground: foreground?.value ?? null,
    placeDependent: false,
    layers
  });
  if (foreground?.colour == null)
    return open2("the colour of the text hangs on something that source does not give");
  const opacity = foregroundOf.pseudo === void 0 ? 1 : opacityOf(styles.pseudoValue(element, foregroundOf.pseudo, "opacity", interaction)?.text ?? "1") ?? 1;
  let laid = [{ text: faded(foreground.colour, opacity), ground: transparent }];
  let moved = null;
  let isPositioned = false;
  let overPlaced = false;
  let shifted = false;
  for (let at2 = element; at2 !== null; at2 = index.flatParent(at2)) {
    const here = { element: at2, interaction };
    const value = (property) => styles.value(at2, property, interaction);
    if (styles.likeness(here) === null) return open2("it is not in the page as source shows it");
    if (!isOpaque(laid)) {
      if (moved !== null)
        return overAnything(
          laid,
          outside(page, paintedPage, moved.element),
          moved.why,
          foreground.value,
          layers,
          rootCanvas(page, interaction)
        );
      if (!overPlaced && (paintedPage.aroundPositioned.get(at2) === "behind" || isPositioned && paintedPage.aroundPositioned.has(at2))) {
        overPlaced = true;
        if (paintedPage.placed.pictures) return open2("a picture placed on the page may lie behind it");
        laid = [
          ...laid,
          ...paintedPage.placed.colours.flatMap((colour3) => laid.map((pair) => layOver(pair, colour3)))
        ];
        if (laid.length > MOST_SPOTS)
          return open2("many coloured boxes are placed on the page, and one may lie behind it");
      }
      const beside = shifted ? laid : [];
      shifted = false;
      const colour2 = styles.colour(here, "background-color");
      if (colour2 === null || colour2.colour === null)
        return open2(`the background of <${at2.tag}> hangs on something that source does not give`);
      const image2 = value("background-image")?.text ?? null;
      if (image2 === null)
        return open2(`the background picture of <${at2.tag}> hangs on something that source does not give`);
      const clip = value("background-clip")?.text?.toLowerCase() ?? "border-box";
      if (image2.toLowerCase() !== "none" || colour2.colour.alpha > 0)
        layers.push({
          element: at2,
          value: colour2.colour.alpha > 0 ? colour2.value : value("background-image") ?? colour2.value
        });
      if (clip.split(/\s*,\s*/).includes("text") && at2 === element)
        return open2("its background is cut to the shape of the letters");
      for (const layer of splitAtCommas(image2)) {
        if (layer.toLowerCase() === "none") continue;
        const stops = gradientColours(page, at2, interaction, layer);
        if (stops === null)
          return open2(
            /^url|image-set|image\(/i.test(layer) ? "a picture lies behind it" : "a gradient that source does not give lies behind it"
          );
        const covers = gradientCovers(
          value("background-repeat")?.text ?? "",
          value("background-size")?.text ?? ""
        );
        const next = [
          ...laid.flatMap((pair) => stops.map((stop) => layOver(pair, stop))),
          ...covers ? [] : laid
        ];
        if (next.length > MOST_SPOTS) return open2("several gradients lie behind it");
        laid = next;
      }
      const ground = colour2.colour;
      laid = laid.map((pair) => layOver(pair, ground));
      const bare = image2.toLowerCase() === "none" && ground.alpha === 0;
      if (!bare) laid = [...laid, ...beside];
    }
    const effect = effectOf(page, at2, interaction);
    if (effect.unknown !== null) return open2(`${effect.unknown} on <${at2.tag}> changes its colours`);
    const { opacity: elementOpacity } = effect;
    if (elementOpacity < 1)
      laid = laid.map(({ text, ground }) => ({
        text: faded(text, elementOpacity),
        ground: faded(ground, elementOpacity)
      }));
    if (isOpaque(laid)) continue;
    if (effect.touchesBackdrop) return open2(`backdrop-filter on <${at2.tag}> changes what lies behind it`);
    const position = value("position")?.text?.toLowerCase() ?? null;
    if (position !== "static") isPositioned = true;
    if (moved === null) {
      const why = whyMoved(page, at2, interaction, position);
      if (why === "shifted") shifted = true;
      else if (why !== null) moved = { element: at2, why };
    }
  }
  const canvas = rootCanvas(page, interaction);
  return {
    spots: laid.map(({ text, ground }) => ({ text: over(text, canvas), ground: over(ground, canvas) })),
    unknown: null,
    foreground: foreground.value,
    placeDependent: false,
    layers
  };
}
var layOver = ({ text, ground }, below) => ({
  text: over(text, below),
  ground: over(ground, below)
});
var isOpaque = (laid) => laid.every(({ ground }) => ground.alpha >= 0.999);
var knownEffects = /* @__PURE__ */ new WeakMap();
function effectOf(page, element, interaction) {
  const likeness = page.styles.likeness({ element, interaction });
  const known = likeness === null ? void 0 : knownEffects.get(likeness);
  if (known !== void 0) return known;
  const value = (property) => page.styles.value(element, property, interaction)?.text ?? null;
  const opacityText = value("opacity");
  const opacity = opacityText === null ? null : opacityOf(opacityText);
  const unfollowed = effects.find(([property, idle]) => !idle.test(value(property) ?? "unknown"));
  const effect = {
    opacity: opacity ?? 1,
    unknown: opacity === null ? "opacity" : unfollowed?.[0] ?? null,
    touchesBackdrop: value("backdrop-filter")?.toLowerCase() !== "none"
  };
  if (likeness !== null) knownEffects.set(likeness, effect);
  return effect;
}
var effects = [
  ["filter", /^(?:none|drop-shadow\((?:[^()]|\([^()]*\))*\)|opacity\(1(?:00%)?\))$/i],
  ["mix-blend-mode", /^normal$/i],
  ["mask-image", /^none$/i]
];
function opacityOf(text) {
  const match = /^([+-]?[\d.]+(?:e[+-]?\d+)?)(%?)$/i.exec(text.trim());
  return match === null ? null : Math.max(0, Math.min(1, Number(match[1]) / (match[2] === "%" ? 100 : 1)));
}
function whyMoved(page, element, interaction, position) {
  if (position === null) return "its place hangs on something that source does not give";
  if (position === "absolute" || position === "fixed")
    return `<${element.tag}> is placed by itself (position: ${position})`;
  for (const side of ["margin-top", "margin-right", "margin-bottom", "margin-left"]) {
    if (page.styles.value(element, side, interaction)?.text?.includes("-") !== true) continue;
    const pixels = page.styles.pixels({ element, interaction }, side);
    if (pixels !== null && pixels < -LITTLE) return "shifted";
  }
  const transform = page.styles.value(element, "transform", interaction)?.text?.toLowerCase() ?? "none";
  return /translate|matrix/.test(transform) ? `<${element.tag}> is moved by a transform` : null;
}
var LITTLE = 8;
function overAnything(laid, elsewhere, reason, foreground, layers, canvas) {
  const grounds = [canvas, ...elsewhere.colours];
  const spots = laid.flatMap(
    (pair) => grounds.map((ground) => ({
      text: over(pair.text, over(ground, canvas)),
      ground: over(pair.ground, over(ground, canvas))
    }))
  );
  const unknown2 = elsewhere.hasPictures || spots.length > MOST_SPOTS ? `${reason}, and what it lies on is not plain from source` : null;
  return { spots: spots.slice(0, MOST_SPOTS), unknown: unknown2, foreground, placeDependent: true, layers };
}
function outside(page, paintedPage, element) {
  const { index } = page;
  const start = index.record(element).order;
  let inner = element;
  for (let last = index.childElements(inner).at(-1); last !== void 0; last = index.childElements(inner).at(-1))
    inner = last;
  const end = index.record(inner).order;
  const isOutside = ({ first, last }) => first < start || last > end;
  return {
    colours: paintedPage.colours.filter(isOutside).map(({ colour: colour2 }) => colour2),
    hasPictures: paintedPage.pictures !== null && isOutside(paintedPage.pictures)
  };
}
function rootCanvas(page, interaction) {
  const root = page.index.document.children.find((node) => node.kind === "element");
  const scheme = root?.kind === "element" ? page.styles.scheme(root) : "light";
  void interaction;
  return resolveColour("canvas", { current: null, scheme }) ?? rgba(1, 1, 1);
}
var gradientCovers = (repeat, size) => !/no-repeat|repeat-[xy]|space|round/i.test(repeat) || /^(?:auto|cover|100%|auto auto|100% 100%)$/i.test(size.trim());
function gradientColours(page, element, interaction, image2) {
  const call = functionCall(image2);
  if (call === null || !/^(?:-webkit-)?(?:repeating-)?(?:linear|radial|conic)-gradient$/.test(call.name))
    return null;
  const stops = [];
  for (const [i, part] of splitAtCommas(call.argument).entries()) {
    const words4 = splitAtSpaces(part);
    const found = words4.map((word2) => page.styles.colourWithin({ element, interaction }, word2)).find((colour2) => colour2 !== null);
    if (found !== void 0) stops.push(found);
    else if (i > 0 && !/^[+-]?[\d.]+(?:%|px|em|rem|deg|turn)$/i.test(part.trim())) return null;
    else if (i === 0 && looksLikeColour.test(words4[0] ?? "")) return null;
    else if (/\bin\s+(?!srgb\b)/i.test(part)) return null;
  }
  if (stops.length === 0) return null;
  const samples = [];
  for (const [i, stop] of stops.entries()) {
    const next = stops[i + 1];
    samples.push(stop);
    if (next === void 0 || sameColour(stop, next)) continue;
    for (let step = 1; step < GRADIENT_STEPS; step++)
      samples.push(between(stop, next, step / GRADIENT_STEPS));
  }
  return samples;
}
var looksLikeColour = /^(?:#|rgb|hsl|hwb|lab|lch|oklab|oklch|color|var)/i;
var sameColour = (a, b) => a.r === b.r && a.g === b.g && a.b === b.b && a.alpha === b.alpha;
function between(a, b, at2) {
  const alpha = a.alpha * (1 - at2) + b.alpha * at2;
  if (alpha === 0) return transparent;
  const channel = (x, y) => (x * a.alpha * (1 - at2) + y * b.alpha * at2) / alpha;
  return rgba(channel(a.r, b.r), channel(a.g, b.g), channel(a.b, b.b), alpha);
}
var replaced = /* @__PURE__ */ new Set(["img", "video", "canvas", "iframe", "object", "embed", "picture"]);
function paintedPageOf(page, presence) {
  const { index, styles } = page;
  const colours2 = /* @__PURE__ */ new Map();
  const aroundPositioned = /* @__PURE__ */ new Map();
  const pictures = [];
  const placedColours = /* @__PURE__ */ new Map();
  let placedPictures = false;
  for (const [order, element] of index.elements.entries()) {
    if (element.tag === "html" || element.tag === "body" || presence.of(element).visible === NO) continue;
    const isReplaced = replaced.has(element.tag) || element.tag === "svg";
    const image2 = styles.keyword(element, "background-image");
    const colour2 = styles.colour({ element }, "background-color")?.colour ?? null;
    const isPicture = isReplaced && element.tag !== "svg" || image2 !== "none" || colour2 === null;
    if (isPicture) pictures.push(order);
    else if (colour2.alpha > 0) {
      const key2 = `${colour2.r},${colour2.g},${colour2.b},${colour2.alpha}`;
      colours2.set(key2, { colour: colour2, first: colours2.get(key2)?.first ?? order, last: order });
    } else if (!isReplaced) continue;
    const position = styles.keyword(element, "position");
    if (position !== "absolute" && position !== "fixed" || isTiny(page, element)) continue;
    if (textContent(element) !== "") continue;
    if (isPicture) placedPictures = true;
    else if (colour2.alpha > 0)
      placedColours.set(`${colour2.r},${colour2.g},${colour2.b},${colour2.alpha}`, colour2);
    const kind = Number(styles.keyword(element, "z-index")) < 0 ? "behind" : "before";
    for (let up = index.flatParent(element); up !== null; up = index.flatParent(up)) {
      if (aroundPositioned.get(up) === "behind" || aroundPositioned.get(up) === kind) break;
      aroundPositioned.set(up, kind);
    }
  }
  const [firstPicture] = pictures;
  return {
    colours: [...colours2.values()],
    pictures: firstPicture === void 0 ? null : { first: firstPicture, last: pictures.at(-1) ?? firstPicture },
    aroundPositioned,
    placed: { colours: [...placedColours.values()], pictures: placedPictures }
  };
}
function isTiny(page, element) {
  const width = page.styles.pixels({ element }, "width");
  const height = page.styles.pixels({ element }, "height");
  return width !== null && width <= LITTLE || height !== null && height <= LITTLE;
}

// src/core/scene/schemes.ts
function schemeView(scheme, page, presence) {
  return { scheme, page, presence, painted: paintedPageOf(page, presence) };
}
var themeName = ({ attribute, value }) => `${attribute}=${value}`;
function withTheme(document, { attribute, value }) {
  const children = document.children.map((node) => {
    if (node.kind !== "element") return node;
    const known = node.attributes.get(attribute);
    const before3 = attribute === "class" && typeof known?.value === "string" ? `${known.value} ` : "";
    const themed = { name: attribute, value: `${before3}${value}`, source: known?.source ?? null };
    return { ...node, attributes: new Map([...node.attributes, [attribute, themed]]) };
  });
  return { ...document, children };
}
function* allSheets(sheets) {
  const seen = /* @__PURE__ */ new Set();
  const pending = [...sheets];
  for (let applied = pending.pop(); applied !== void 0; applied = pending.pop()) {
    if (seen.has(applied)) continue;
    seen.add(applied);
    yield applied;
    pending.push(...applied.imports.values());
  }
}
function* mediaConditions({ media: media3, sheet }) {
  if (media3 !== null) yield media3;
  for (const item of sheet.items) {
    if (item.kind === "import" && item.import.media !== null) yield item.import.media;
    if (item.kind !== "rule") continue;
    for (let at2 = item.rule.conditions; at2 !== null; at2 = at2.outer)
      if (at2.condition.kind === "media") yield at2.condition.text;
  }
}
function asksForOrientation(sheets) {
  for (const applied of allSheets(sheets))
    for (const text of mediaConditions(applied)) if (/\borientation\b/i.test(text)) return true;
  return false;
}
function asksForScheme(index, sheets) {
  const meta = index.byTag("meta").some((element) => attributeText(element, "name")?.toLowerCase() === "color-scheme");
  if (meta) return true;
  for (const applied of allSheets(sheets)) {
    for (const text of mediaConditions(applied)) if (/prefers-color-scheme/i.test(text)) return true;
    for (const item of applied.sheet.items) {
      if (item.kind !== "rule") continue;
      for (const block of [item.rule.normal, item.rule.important ?? /* @__PURE__ */ new Map()]) {
        for (const [property, { text }] of block)
          if (/light-dark\(/i.test(text) || property === "color-scheme" && /dark/i.test(text)) return true;
      }
    }
  }
  return index.elements.some(
    (element) => /light-dark\(|color-scheme/i.test(attributeText(element, "style") ?? "")
  );
}

// src/core/scene/scene.ts
function sceneFromSource(document, sheets, {
  device = desktop,
  stylesKnown = true,
  themes = [],
  colourSchemes = null,
  palette = [],
  frames = /* @__PURE__ */ new Map()
} = {}) {
  const index = indexDocument(document);
  const semantics = semanticsOf({ index, styles: stylesFromCascade(cascadeFor(index, sheets, device)) });
  const other = device.colourScheme === "light" ? "dark" : "light";
  let views = null;
  let turned2;
  return {
    ...semantics,
    document,
    stylesKnown,
    palette,
    frame: (element) => frames.get(element) ?? null,
    schemes() {
      views ??= [
        schemeView(device.colourScheme, semantics.page, semantics.presence),
        ...colourSchemes?.includes(other) ?? asksForScheme(index, sheets) ? [viewOf(document, sheets, { ...device, colourScheme: other }, null)] : [],
        ...themes.map((theme) => viewOf(withTheme(document, theme), sheets, device, theme))
      ];
      return views;
    },
    turned() {
      turned2 ??= asksForOrientation(sheets) ? viewOf(document, sheets, { ...device, width: device.height, height: device.width }, null) : null;
      return turned2;
    }
  };
}
function viewOf(document, sheets, device, theme) {
  const index = indexDocument(document);
  const moved = sheets.map((sheet) => "mode" in sheet.scope ? sheet : { ...sheet, scope: document });
  const page = { index, styles: stylesFromCascade(cascadeFor(index, moved, device)) };
  return schemeView(theme === null ? device.colourScheme : themeName(theme), page, presenceOf(page));
}

// src/render/clock.ts
var TODAY = Date.UTC(2026, 10, 23, 9, 0, 0);
var FRAME = 16;
var VirtualClock = class {
  #now = 0;
  #next = 1;
  #tasks = /* @__PURE__ */ new Map();
  #onError;
  constructor(onError) {
    this.#onError = onError;
  }
  install(window) {
    const clock = this;
    const add = (run, after2, every, args) => {
      const id = this.#next++;
      const wait = Math.max(every ? 1 : 0, Number(after2) || 0);
      const call = typeof run === "function" ? () => run.apply(window, args) : () => window.eval(String(run));
      this.#tasks.set(id, { at: this.#now + wait, order: id, run: call, every: every ? wait : null });
      return id;
    };
    const remove = (id) => void this.#tasks.delete(Number(id));
    window.setTimeout = (run, after2, ...args) => add(run, after2, false, args);
    window.setInterval = (run, after2, ...args) => add(run, after2, true, args);
    window.requestAnimationFrame = (run) => add(() => run(this.#now), FRAME, false, []);
    window.requestIdleCallback = (run) => add(() => run({ didTimeout: false, timeRemaining: () => FRAME }), 1, false, []);
    for (const name of ["clearTimeout", "clearInterval", "cancelAnimationFrame", "cancelIdleCallback"])
      window[name] = remove;
    const RealDate = window.Date;
    window.Date = class extends RealDate {
      constructor(...args) {
        super(...args.length === 0 ? [TODAY + clock.#now] : args);
      }
      static now() {
        return TODAY + clock.#now;
      }
    };
    Object.defineProperty(window.performance, "now", { value: () => this.#now, configurable: true });
  }
  /**
   * Lets time go by until nothing is due any more.
   * @param goesElsewhere whether the window may go to other places of its page: it does so in a turn of the real clock
   * @param milliseconds how far, in the window's own time
   * @param most how many tasks at most: a page may go on for ever
   */
  async settle(goesElsewhere, milliseconds = 1e3, most = 2e3) {
    const end = this.#now + milliseconds;
    for (let turn = 0; goesElsewhere && turn < 2; turn++)
      await new Promise((resolve2) => setTimeout(resolve2, 0));
    for (let done = 0; done < most; done++) {
      await new Promise((resolve2) => setImmediate(resolve2));
      const due = this.#due(end);
      if (due === null) break;
      const [id, task] = due;
      this.#now = Math.max(this.#now, task.at);
      if (task.every === null) this.#tasks.delete(id);
      else this.#tasks.set(id, { ...task, at: this.#now + task.every });
      try {
        task.run();
      } catch (error) {
        this.#onError(error);
      }
    }
  }
  #due(end) {
    let first = null;
    for (const entry of this.#tasks)
      if (entry[1].at <= end && (first === null || entry[1].at < first[1].at || entry[1].at === first[1].at && entry[1].order < first[1].order))
        first = entry;
    return first;
  }
};

// src/render/keys.ts
var codes = {
  Tab: 9,
  Enter: 13,
  Escape: 27,
  " ": 32,
  PageUp: 33,
  PageDown: 34,
  End: 35,
  Home: 36,
  ArrowLeft: 37,
  ArrowUp: 38,
  ArrowRight: 39,
  ArrowDown: 40,
  Delete: 46,
  Backspace: 8
};
function keyPressOf(written) {
  const parts = written === "+" ? ["+"] : written.split("+");
  const name = parts.at(-1) ?? written;
  const key2 = name === "Space" ? " " : name;
  const isLetter = /^[a-z]$/i.test(key2);
  return {
    key: key2,
    code: key2 === " " ? "Space" : isLetter ? `Key${key2.toUpperCase()}` : key2,
    keyCode: codes[key2] ?? (key2.length === 1 ? key2.toUpperCase().charCodeAt(0) : 0),
    shiftKey: parts.includes("Shift"),
    altKey: parts.includes("Alt"),
    ctrlKey: parts.includes("Ctrl"),
    metaKey: parts.includes("Meta")
  };
}
var textTypes2 = /^(?:text|search|url|tel|email|password|number|date|time|month|week|datetime-local)?$/;
var isTextField = (element) => element.localName === "textarea" || element.localName === "input" && textTypes2.test(element.type);
var isButton = (element) => element.localName === "button" || element.localName === "summary" || element.localName === "input" && /^(?:button|submit|reset|image|color|file)$/.test(element.type);
var isMark = (element) => element.localName === "input" && /^(?:checkbox|radio)$/.test(element.type);
function press(host, written) {
  const { window } = host;
  const pressed = keyPressOf(written);
  const target = host.focused() ?? window.document.body ?? window.document.documentElement;
  const send = (type2, to) => to.dispatchEvent(
    new window.KeyboardEvent(type2, {
      ...pressed,
      which: pressed.keyCode,
      bubbles: true,
      cancelable: true,
      composed: true,
      view: window
    })
  );
  const goesOn = send("keydown", target);
  const at2 = host.focused() ?? target;
  const hasPress = pressed.key === "Enter" || pressed.key.length === 1 && !pressed.ctrlKey && !pressed.altKey;
  const isTyped = goesOn && (!hasPress || send("keypress", at2));
  if (isTyped) act(host, at2, pressed);
  const up = host.focused() ?? window.document.body;
  const isUp = send("keyup", up);
  if (pressed.key === " " && goesOn && isTyped && isUp && up === at2 && (isButton(at2) || isMark(at2)))
    clickBy(host, at2);
}
function clickBy({ window }, element) {
  if (element.disabled === true) return;
  element.dispatchEvent(
    new (window.PointerEvent ?? window.MouseEvent)("click", {
      bubbles: true,
      cancelable: true,
      composed: true,
      detail: 0,
      view: window
    })
  );
}
function act(host, element, { key: key2, shiftKey, altKey, ctrlKey }) {
  if (ctrlKey) return;
  switch (key2) {
    case "Tab":
      host.moveBy(shiftKey ? "backwards" : "forwards");
      return;
    case "Enter":
      enter(host, element);
      return;
    case "Escape":
      dismiss(host);
      return;
    case "ArrowDown":
    case "ArrowUp":
    case "ArrowLeft":
    case "ArrowRight":
    case "Home":
    case "End":
      if (!altKey) arrow(host, element, key2);
      return;
    case "Backspace":
      if (isTextField(element)) type(host, element, element.value.slice(0, -1), "deleteContentBackward");
      return;
    default:
      if (key2.length === 1 && isTextField(element) && !altKey)
        type(host, element, element.value + key2, "insertText", key2);
  }
}
function enter(host, element) {
  const { window } = host;
  if (element.localName === "textarea") type(host, element, `${element.value}
`, "insertLineBreak");
  else if (isButton(element) || element.localName === "a" && element.hasAttribute("href"))
    clickBy(host, element);
  else if (isTextField(element) && element.form != null) {
    const button = [...element.form.elements].find(
      (one2) => one2.type === "submit" || one2.type === "image"
    );
    if (button !== void 0) clickBy(host, button);
    else if (element.form.dispatchEvent(new window.Event("submit", { bubbles: true, cancelable: true })))
      element.form.submit();
  }
}
function dismiss({ top }) {
  const popover = top.popovers.findLast((one2) => one2.getAttribute("popover") !== "manual");
  if (popover !== void 0) popover.hidePopover();
  else top.modals.at(-1)?.requestClose();
}
function arrow(host, element, key2) {
  const { window } = host;
  const forwards = key2 === "ArrowDown" || key2 === "ArrowRight";
  const changed = () => {
    element.dispatchEvent(new window.Event("input", { bubbles: true }));
    element.dispatchEvent(new window.Event("change", { bubbles: true }));
  };
  if (element.localName === "input" && element.type === "radio") {
    const group = [...element.ownerDocument.querySelectorAll("input[type=radio]")].filter(
      (one2) => one2.name === element.name && one2.form === element.form && !one2.disabled
    );
    const next = group.at((group.indexOf(element) + (forwards ? 1 : -1)) % group.length);
    if (next === void 0 || next === element || /Home|End/.test(key2)) return;
    next.focus();
    clickBy(host, next);
  } else if (element.localName === "select") {
    const last = element.options.length - 1;
    const to = key2 === "Home" ? 0 : key2 === "End" ? last : element.selectedIndex + (forwards ? 1 : -1);
    const index = Math.max(0, Math.min(last, to));
    if (index === element.selectedIndex) return;
    element.selectedIndex = index;
    changed();
  } else if (element.localName === "input" && /^(?:number|range)$/.test(element.type)) {
    const before3 = element.value;
    try {
      if (key2 === "ArrowUp" || key2 === "ArrowRight") element.stepUp();
      else if (key2 === "ArrowDown" || key2 === "ArrowLeft") element.stepDown();
    } catch {
      return;
    }
    if (element.value !== before3) changed();
  }
}
function type({ window }, element, value, inputType2, data = null) {
  if (element.readOnly === true || element.disabled === true) return;
  const event = (name, cancelable) => new window.InputEvent(name, { bubbles: true, cancelable, composed: true, inputType: inputType2, data });
  if (!element.dispatchEvent(event("beforeinput", true))) return;
  const proto = element.localName === "textarea" ? window.HTMLTextAreaElement : window.HTMLInputElement;
  Object.getOwnPropertyDescriptor(proto.prototype, "value")?.set?.call(element, value);
  element.dispatchEvent(event("input", false));
}

// src/render/shims.ts
var BOX = { width: 100, height: 20 };
function installShims(window, host) {
  const { HTMLElement, Element, Event } = window;
  const define = (target, name, value) => Object.defineProperty(target, name, { value, configurable: true, writable: true });
  const getter = (target, name, get, set) => Object.defineProperty(target, name, { get, ...set === void 0 ? {} : { set }, configurable: true });
  const rectOf = (element) => {
    const there = host.isRendered(element);
    return new window.DOMRect(0, 0, there ? BOX.width : 0, there ? BOX.height : 0);
  };
  class Observer {
    #run;
    constructor(run) {
      this.#run = run;
    }
    observe(target) {
      const entry = {
        target,
        isIntersecting: host.isRendered(target),
        intersectionRatio: 1,
        contentRect: rectOf(target),
        boundingClientRect: rectOf(target),
        borderBoxSize: [],
        contentBoxSize: []
      };
      host.later(() => this.#run([entry], this));
    }
    unobserve() {
    }
    disconnect() {
    }
    takeRecords() {
      return [];
    }
  }
  define(window, "ResizeObserver", Observer);
  define(window, "IntersectionObserver", Observer);
  define(window, "matchMedia", (query) => ({
    matches: host.matchesMedia(query),
    media: query,
    onchange: null,
    addEventListener() {
    },
    removeEventListener() {
    },
    addListener() {
    },
    removeListener() {
    },
    dispatchEvent: () => false
  }));
  define(window, "CSS", {
    escape: (text) => text.replace(/[^\w\u0080-\uffff-]|^(?=\d)/g, (c) => c === "" ? "\\3" : `\\${c}`),
    supports: () => true
  });
  define(
    window,
    "ToggleEvent",
    class extends Event {
      oldState;
      newState;
      constructor(type2, init = {}) {
        super(type2, init);
        this.oldState = init.oldState ?? "";
        this.newState = init.newState ?? "";
      }
    }
  );
  define(window, "structuredClone", structuredClone);
  define(window, "fetch", () => {
    host.asksNetwork();
    return Promise.reject(new TypeError("There is no network here."));
  });
  define(window.XMLHttpRequest.prototype, "send", function() {
    host.asksNetwork();
    host.later(() => {
      for (const type2 of ["error", "loadend"]) this.dispatchEvent(new window.ProgressEvent(type2));
    });
  });
  define(
    window,
    "WebSocket",
    class {
      close() {
      }
      send() {
      }
      addEventListener() {
      }
    }
  );
  define(
    window,
    "EventSource",
    class {
      close() {
      }
      addEventListener() {
      }
    }
  );
  for (const name of ["scrollTo", "scrollBy", "scroll", "print", "focus", "blur", "alert"])
    define(window, name, () => void 0);
  define(window, "confirm", () => true);
  define(window, "prompt", () => "");
  define(window, "open", () => {
    host.leaves("opens a window");
    return null;
  });
  define(window, "getComputedStyle", (element) => {
    const read = (name) => host.styleValue(element, name);
    const target = {
      getPropertyValue: read,
      getPropertyPriority: () => "",
      length: 0
    };
    return new Proxy(target, {
      get: (own, name) => typeof name !== "string" || name in own ? own[name] : read(name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`).replace(/^(webkit|moz)-/, "-$1-"))
    });
  });
  const proto = Element.prototype;
  for (const name of ["scrollIntoView", "scrollTo", "scrollBy", "setPointerCapture", "releasePointerCapture"])
    define(proto, name, () => void 0);
  define(proto, "hasPointerCapture", () => false);
  define(proto, "getAnimations", () => []);
  define(proto, "animate", () => ({
    finished: Promise.resolve(),
    cancel() {
    },
    finish() {
    },
    play() {
    },
    pause() {
    },
    addEventListener() {
    },
    onfinish: null
  }));
  define(proto, "checkVisibility", function() {
    return host.isRendered(this);
  });
  define(proto, "getBoundingClientRect", function() {
    return rectOf(this);
  });
  define(proto, "getClientRects", function() {
    return host.isRendered(this) ? [rectOf(this)] : [];
  });
  for (const [name, side] of [
    ["offsetWidth", "width"],
    ["clientWidth", "width"],
    ["scrollWidth", "width"],
    ["offsetHeight", "height"],
    ["clientHeight", "height"],
    ["scrollHeight", "height"]
  ])
    getter(HTMLElement.prototype, name, function() {
      return host.isRendered(this) ? BOX[side] : 0;
    });
  getter(HTMLElement.prototype, "offsetParent", function() {
    return host.isRendered(this) ? this.ownerDocument.body : null;
  });
  getter(
    HTMLElement.prototype,
    "innerText",
    function() {
      return this.textContent;
    },
    function(text) {
      this.textContent = text;
    }
  );
  getter(HTMLElement.prototype, "isContentEditable", function() {
    return this.closest("[contenteditable]:not([contenteditable=false])") !== null;
  });
  for (const name of ["inert", "popover"])
    getter(
      HTMLElement.prototype,
      name,
      function() {
        return name === "inert" ? this.hasAttribute(name) : this.getAttribute(name);
      },
      function(value) {
        if (value === false || value === null) this.removeAttribute(name);
        else this.setAttribute(name, value === true ? "" : value);
      }
    );
  const focus2 = HTMLElement.prototype.focus;
  define(HTMLElement.prototype, "focus", function() {
    if (host.canTakeFocus(this)) focus2.call(this);
  });
  for (const name of ["submit", "requestSubmit"]) {
    const own = window.HTMLFormElement.prototype[name];
    define(window.HTMLFormElement.prototype, name, function(submitter) {
      if (name === "submit") host.leaves("sends the form");
      else own.call(this, submitter);
    });
  }
  installDialogs(window, host, define);
  installPopovers(window, host, define);
}
function installDialogs(window, { top, canTakeFocus, later }, define) {
  const proto = window.HTMLDialogElement.prototype;
  const open2 = (dialog, isModal) => {
    if (dialog.hasAttribute("open")) return;
    top.before.set(dialog, window.document.activeElement);
    dialog.setAttribute("open", "");
    if (isModal) top.modals.push(dialog);
    const first = [...dialog.querySelectorAll("[autofocus]")].find(canTakeFocus) ?? [...dialog.querySelectorAll("*")].find((inside) => canTakeFocus(inside));
    if (first !== void 0) first.focus();
    else if (isModal) {
      dialog.setAttribute("tabindex", "-1");
      dialog.focus();
      dialog.removeAttribute("tabindex");
    }
  };
  define(proto, "show", function() {
    open2(this, false);
  });
  define(proto, "showModal", function() {
    open2(this, true);
  });
  define(proto, "close", function(result) {
    if (!this.hasAttribute("open")) return;
    this.removeAttribute("open");
    if (result !== void 0) this.returnValue = result;
    const at2 = top.modals.indexOf(this);
    if (at2 >= 0) top.modals.splice(at2, 1);
    const before3 = top.before.get(this);
    top.before.delete(this);
    if (before3?.isConnected === true && (at2 >= 0 || this.contains(window.document.activeElement)))
      before3.focus();
    later(() => this.dispatchEvent(new window.Event("close")));
  });
  define(proto, "requestClose", function(result) {
    if (this.dispatchEvent(new window.Event("cancel", { cancelable: true }))) this.close(result);
  });
  proto.returnValue ??= "";
}
function installPopovers(window, { top }, define) {
  const proto = window.HTMLElement.prototype;
  const tell = (popover, type2, newState) => popover.dispatchEvent(
    new window.ToggleEvent(type2, {
      oldState: newState === "open" ? "closed" : "open",
      newState,
      cancelable: type2 === "beforetoggle"
    })
  );
  define(proto, "showPopover", function() {
    if (!this.hasAttribute("popover") || top.popovers.includes(this)) return;
    if (!tell(this, "beforetoggle", "open")) return;
    if (this.getAttribute("popover") !== "manual") {
      for (const other of [...top.popovers])
        if (!other.contains(this) && other.getAttribute("popover") !== "manual") other.hidePopover();
    }
    top.before.set(this, window.document.activeElement);
    top.popovers.push(this);
    tell(this, "toggle", "open");
    this.querySelector("[autofocus]")?.focus();
  });
  define(proto, "hidePopover", function() {
    const at2 = top.popovers.indexOf(this);
    if (at2 < 0) return;
    tell(this, "beforetoggle", "closed");
    top.popovers.splice(at2, 1);
    const before3 = top.before.get(this);
    if (before3?.isConnected === true && this.contains(window.document.activeElement)) before3.focus();
    tell(this, "toggle", "closed");
  });
  define(proto, "togglePopover", function(force) {
    if (force ?? !top.popovers.includes(this)) this.showPopover();
    else this.hidePopover();
  });
}

// src/render/snapshot.ts
var STAMP = "data-keel-at";
var SCRIPTED = "a style that a script made";
var namespaces = {
  "http://www.w3.org/1999/xhtml": "html",
  "http://www.w3.org/2000/svg": "svg",
  "http://www.w3.org/1998/Math/MathML": "math"
};
var ELEMENT2 = 1;
var TEXT2 = 3;
var COMMENT = 8;
function snapshotOf(window, source) {
  const elementOf = /* @__PURE__ */ new Map();
  const nodeOf = /* @__PURE__ */ new Map();
  const children = [];
  const document = { kind: source.kind, file: source.file, children, quirks: source.quirks };
  const own = [];
  function nodesOf(parent, scope) {
    const nodes = [];
    for (const child of parent.childNodes) {
      if (child.nodeType === TEXT2) nodes.push({ kind: "text", value: child.data, source: null });
      else if (child.nodeType === ELEMENT2) nodes.push(...source.places.remarks(child), nodeFor(child, scope));
      else if (child.nodeType === COMMENT)
        nodes.push({ kind: "comment", value: child.data, source: source.places.comment(child) });
    }
    return nodes;
  }
  function nodeFor(element, scope) {
    const tag = element.localName;
    const attributes2 = attributesOf(element, source);
    const inner = [];
    const shadow = element.shadowRoot == null ? null : {
      mode: "open",
      delegatesFocus: element.shadowRoot.delegatesFocus === true,
      children: []
    };
    const node = {
      kind: "element",
      tag,
      namespace: namespaces[element.namespaceURI] ?? "html",
      attributes: attributes2,
      spread: null,
      presence: "always",
      repeats: false,
      listeners: listenersIn(attributes2),
      children: inner,
      shadow,
      source: source.places.tag(element),
      endTag: source.places.endTag(element),
      components: source.places.components(element)
    };
    elementOf.set(node, element);
    nodeOf.set(element, node);
    if (shadow !== null) shadow.children.push(...nodesOf(element.shadowRoot, shadow));
    if (tag === "textarea") inner.push({ kind: "text", value: element.value, source: null });
    else if (tag !== "template") inner.push(...nodesOf(element, scope));
    if (tag === "style" && !element.disabled) own.push(styleOf(element, scope, source));
    return node;
  }
  children.push(...nodesOf(window.document, document));
  const linked = source.sheets.map(({ sheet, media: media3 }) => ({
    sheet,
    media: media3,
    scope: document,
    imports: /* @__PURE__ */ new Map()
  }));
  return { document, sheets: [...linked, ...own], elementOf, nodeOf };
}
function attributesOf(element, source) {
  const attributes2 = /* @__PURE__ */ new Map();
  const set = (name, value) => attributes2.set(name, { name, value, source: source.places.attribute(element, name) });
  for (const { name, value } of element.attributes) if (name !== STAMP) set(name, value);
  const put = (name, isThere2) => {
    if (isThere2 && !attributes2.has(name)) set(name, "");
    if (!isThere2) attributes2.delete(name);
  };
  switch (element.localName) {
    case "input":
      if (/^(?:checkbox|radio)$/.test(element.type)) put("checked", element.checked);
      else if (element.type !== "file") set("value", element.value);
      break;
    case "option":
      put("selected", element.selected);
      break;
  }
  if (source.isOpenPopover(element)) attributes2.delete("popover");
  if (source.isBehind(element)) set("inert", "");
  return attributes2;
}
function listenersIn(attributes2) {
  return new Set([...attributes2.keys()].filter((name) => /^on./.test(name)).map((name) => name.slice(2)));
}
function styleOf(element, scope, source) {
  const place = source.places.tag(element);
  const end = source.places.endTag(element);
  const written = place !== null && end !== null ? source.html.slice(place.end, end.start) : null;
  const rules2 = [...element.sheet?.cssRules ?? []].map((rule) => rule.cssText).join("\n");
  const isWritten2 = written !== null && element.textContent === written;
  const text = element.textContent.trim() === "" && rules2 !== "" ? rules2 : element.textContent;
  const start = isWritten2 ? place?.end ?? 0 : 0;
  const file2 = isWritten2 ? source.file : SCRIPTED;
  const key2 = `${file2} ${start} ${text}`;
  let sheet = source.parsed.get(key2);
  if (sheet === void 0) {
    sheet = parseSheet({ file: file2, text, start });
    source.parsed.set(key2, sheet);
  }
  return { sheet, media: element.getAttribute("media"), scope, imports: /* @__PURE__ */ new Map() };
}

// src/render/live-page.ts
var pressing = ["pointerdown", "mousedown", "pointerup", "mouseup", "click"];
var LivePage = class _LivePage {
  window;
  problems = [];
  /** What left the page, sent a form or opened a window, in order. */
  left = [];
  /** How often a script asked the network, which is not there: what would have come of it nobody knows. */
  asked = 0;
  /** Kinds of events that scripts listen for, by element. */
  #listeners = /* @__PURE__ */ new Map();
  #source;
  #dom;
  #clock;
  #top = { modals: [], popovers: [], before: /* @__PURE__ */ new Map() };
  #changes = null;
  #kept = null;
  /** Where focus was last, and the order of the page then: Tab goes on from there. */
  #last = null;
  #isReady = false;
  constructor(source) {
    this.#source = source;
    this.#clock = new VirtualClock((error) => this.report(error));
    const console2 = new VirtualConsole();
    console2.on("jsdomError", (error) => {
      if (/not implemented/i.test(error.message)) {
        if (/navigation|submit/i.test(error.message)) this.left.push("goes to another page");
      } else this.report(error.cause ?? error);
    });
    this.#dom = new JSDOM(source.html, {
      includeNodeLocations: true,
      runScripts: "dangerously",
      pretendToBeVisual: false,
      url: "http://page.invalid/page.html",
      virtualConsole: console2,
      beforeParse: (window) => this.#prepare(window)
    });
    this.window = this.#dom.window;
  }
  /** Opens a page, runs its scripts and lets them settle. */
  static async open(source) {
    const page = new _LivePage(source);
    await source.start(page);
    await page.settle();
    page.#isReady = true;
    return page;
  }
  /** Runs a program in the window. */
  run(program) {
    return program.runInContext(this.#dom.getInternalVMContext());
  }
  /** Notes what went wrong in the page itself. */
  report(error) {
    this.problems.push(this.#source.tellError?.(error) ?? String(error));
  }
  close() {
    this.window.close();
  }
  #prepare(window) {
    this.#clock.install(window);
    window.document.addEventListener("click", (event) => this.#followInvoker(window, event));
    window.document.addEventListener("submit", (event) => this.#closeDialogOf(event));
    this.#recordListeners(window);
    installShims(window, {
      isRendered: (element) => this.#presence(element)?.rendered !== NO,
      isVisible: (element) => this.#presence(element)?.visible !== NO,
      canTakeFocus: (element) => this.#canTakeFocus(element),
      styleValue: (element, property) => this.#styleValue(element, property),
      matchesMedia: (query) => evaluateMedia(query, this.#source.device) === YES,
      leaves: (what) => void this.left.push(what),
      asksNetwork: () => void this.asked++,
      top: this.#top,
      later: (run) => window.setTimeout(run, 0)
    });
    this.#changes = new window.MutationObserver(() => {
      this.#kept = null;
    });
    this.#changes.observe(window.document, {
      attributes: true,
      childList: true,
      characterData: true,
      subtree: true
    });
  }
  #recordListeners(window) {
    const { addEventListener, removeEventListener } = window.EventTarget.prototype;
    const counts = this.#listeners;
    const note = (target, type2, by) => {
      const own = counts.get(target) ?? /* @__PURE__ */ new Map();
      own.set(type2, (own.get(type2) ?? 0) + by);
      counts.set(target, own);
    };
    window.EventTarget.prototype.addEventListener = function(type2, ...rest) {
      if (rest[0] != null) note(this, type2, 1);
      return addEventListener.call(this, type2, ...rest);
    };
    window.EventTarget.prototype.removeEventListener = function(type2, ...rest) {
      note(this, type2, -1);
      return removeEventListener.call(this, type2, ...rest);
    };
  }
  /** Events that a script or an attribute listens for on an element. */
  listens(element) {
    const found = /* @__PURE__ */ new Set();
    for (const [type2, n] of this.#listeners.get(element) ?? []) if (n > 0) found.add(type2);
    for (const { name } of element.attributes ?? []) if (/^on/.test(name)) found.add(name.slice(2));
    for (const type2 of [
      "click",
      "dblclick",
      "mousedown",
      "mouseup",
      "keydown",
      "keyup",
      "focus",
      "blur",
      "change",
      "input"
    ])
      if (typeof element[`on${type2}`] === "function") found.add(type2);
    return found;
  }
  /** Whether an element, or one around it, listens for keys. */
  answersKeys(element) {
    for (let up = element; up !== null; up = up.parentElement)
      if ([...this.listens(up)].some((type2) => type2.startsWith("key"))) return true;
    const document = this.listens(this.window.document);
    return [...document].some((type2) => type2.startsWith("key"));
  }
  isVisible(element) {
    return this.#presence(element)?.visible !== NO && element.isConnected;
  }
  /** Whether it was opened as a modal dialog. */
  isModal(element) {
    return this.#top.modals.includes(element);
  }
  /** Whether any script listens for what people do. */
  get isAlive() {
    for (const [target, types] of this.#listeners) {
      if (target === this.window) continue;
      for (const [type2, n] of types)
        if (n > 0 && /^(?:click|dblclick|mouse|pointer|touch|key|focus|blur|input|change)/.test(type2))
          return true;
    }
    return [...this.window.document.querySelectorAll("*")].some((element) => this.listens(element).size > 0);
  }
  /** A button that opens a popover or a dialog by its attributes. HTML §6.12 and §4.10.6. */
  #followInvoker(window, event) {
    if (event.defaultPrevented) return;
    const button = event.target?.closest?.("[popovertarget], [commandfor]");
    if (button == null || button.disabled) return;
    const id = button.getAttribute("popovertarget") ?? button.getAttribute("commandfor");
    const target = window.document.getElementById(id);
    if (target === null) return;
    const command = button.getAttribute("command") ?? `${button.getAttribute("popovertargetaction") ?? "toggle"}-popover`;
    if (command === "toggle-popover") target.togglePopover();
    else if (command === "show-popover") target.showPopover();
    else if (command === "hide-popover") target.hidePopover();
    else if (command === "show-modal") target.showModal();
    else if (command === "close" || command === "request-close") target.close(button.value);
  }
  /** HTML §4.10.22.3: a form with method=dialog closes its dialog and sends nothing; another one leaves the page. */
  #closeDialogOf(event) {
    const form2 = event.target;
    if (event.defaultPrevented || form2?.localName !== "form") return;
    const method = event.submitter?.getAttribute("formmethod") ?? form2.getAttribute("method");
    if (method?.toLowerCase() !== "dialog") return;
    event.preventDefault();
    form2.closest("dialog")?.close(event.submitter?.value ?? "");
  }
  #presence(element) {
    const { snapshot, scene } = this.#current();
    const node = snapshot.nodeOf.get(element);
    return node === void 0 ? null : scene.presence.of(node);
  }
  #canTakeFocus(element) {
    const { snapshot, scene } = this.#current();
    const node = snapshot.nodeOf.get(element);
    return node !== void 0 && isFocusable(scene.page, scene.presence, node) !== false;
  }
  #styleValue(element, property) {
    const { snapshot, scene } = this.#current();
    const node = snapshot.nodeOf.get(element);
    if (node === void 0) return "";
    return scene.page.styles.value(node, property)?.text ?? "";
  }
  /** What changes without the tree changing: marks, values, what lies on top. */
  #formState() {
    const fields4 = [...this.window.document.querySelectorAll("input, textarea, option")];
    return fields4.map(
      (field) => `${field.checked === true}${field.selected === true}${field.localName === "option" ? "" : field.value}`
    ).join("\0").concat(`|${this.#top.modals.length} ${this.#top.popovers.length}`);
  }
  #current() {
    if ((this.#changes?.takeRecords().length ?? 0) > 0) this.#kept = null;
    const state = this.#formState();
    if (this.#kept !== null && this.#kept.state === state) return this.#kept;
    const modal = this.#top.modals.at(-1);
    const places = this.#source.places(this.#dom);
    const snapshot = snapshotOf(this.window, {
      ...this.#source,
      sheets: this.#source.sheets(this.window),
      places,
      isBehind: (element) => modal !== void 0 && !element.contains(modal) && !modal.contains(element) && element.localName !== "head",
      isOpenPopover: (element) => this.#top.popovers.includes(element)
    });
    const scene = sceneFromSource(snapshot.document, snapshot.sheets, {
      device: this.#source.device,
      stylesKnown: this.#source.stylesKnown
    });
    const keys = keysOf(scene, (node) => places.identity(snapshot.elementOf.get(node)));
    this.#kept = { snapshot, scene, state, keys, places };
    return this.#kept;
  }
  /** What an element is called in every window that shows the same. */
  keyOf(node) {
    return this.#current().keys.of.get(node) ?? "";
  }
  /** The nearest place in source that an element comes from; null where none is known. */
  nearestOf(node) {
    const { places, snapshot } = this.#current();
    return places.nearest(snapshot.elementOf.get(node));
  }
  /** The page as checks look at it, who may want more of its colours than keys do. */
  sceneWith(options) {
    const { snapshot } = this.#current();
    const { device, stylesKnown } = this.#source;
    return sceneFromSource(snapshot.document, snapshot.sheets, { ...options, device, stylesKnown });
  }
  /** The stylesheets that hold now. */
  get sheets() {
    return this.#current().snapshot.sheets;
  }
  /** Whether it shows a specimen, which is one piece of a page that nobody knows. */
  get isSpecimen() {
    return this.#source.kind === "component";
  }
  /** What a specimen shows, wherever in the window it was put; on a page all there is. */
  shown() {
    const { elements } = this.#current().scene.page.index;
    if (!this.isSpecimen) return elements;
    const { body } = this.window.document;
    return elements.filter((node) => {
      const element = this.elementOf(node);
      return element !== body && element !== body.firstElementChild && body.contains(element);
    });
  }
  /** Whether nothing of a specimen is around an element. */
  isAtTop(node) {
    const { body } = this.window.document;
    const above = this.elementOf(node)?.parentElement;
    return above === body || above === body?.firstElementChild;
  }
  /** The element that goes by a key; null where it is not there. */
  elementWith(key2) {
    const node = this.#current().keys.nodes.get(key2);
    return node === void 0 ? null : this.elementOf(node);
  }
  get scene() {
    return this.#current().scene;
  }
  nodeOf(element) {
    return this.#current().snapshot.nodeOf.get(element) ?? null;
  }
  elementOf(node) {
    return this.#current().snapshot.elementOf.get(node) ?? null;
  }
  /** What has focus, through open shadow trees; null where only the page has it. */
  focused() {
    let at2 = this.window.document.activeElement;
    while (at2?.shadowRoot?.activeElement != null) at2 = at2.shadowRoot.activeElement;
    return at2 === null || at2 === this.window.document.body || at2 === this.window.document.documentElement ? null : at2;
  }
  /** The places Tab stops at now, in order. */
  stops() {
    const { snapshot, scene } = this.#current();
    return tabSequence(scene).flatMap(({ element }) => snapshot.elementOf.get(element) ?? []);
  }
  #order() {
    const { snapshot, scene } = this.#current();
    return scene.page.index.elements.flatMap((node) => snapshot.elementOf.get(node) ?? []);
  }
  #remember() {
    const element = this.focused();
    if (element !== null) this.#last = { element, order: this.#order() };
  }
  #moveBy(direction) {
    const stops = direction === "forwards" ? this.stops() : this.stops().toReversed();
    const active = this.focused();
    const from = active ?? this.#last?.element ?? null;
    const at2 = active === null ? -1 : stops.indexOf(active);
    const next = at2 >= 0 ? stops[at2 + 1] : this.#nextAfter(from, stops, direction);
    if (next !== void 0) next.focus();
    else {
      active?.blur();
      this.#last = null;
    }
  }
  /** The stop after something that is none, or is gone: by its place in the page. */
  #nextAfter(from, stops, direction) {
    if (from === null) return stops[0];
    const order = from.isConnected ? this.#order() : this.#last?.order ?? [];
    const place = order.indexOf(from);
    if (place < 0) return stops[0];
    return stops.find((stop) => {
      const other = order.indexOf(stop);
      return direction === "forwards" ? other > place : other >= 0 && other < place;
    });
  }
  get #keyHost() {
    return {
      window: this.window,
      top: this.#top,
      focused: () => this.focused(),
      moveBy: (direction) => this.#moveBy(direction)
    };
  }
  /** Presses a key and lets the page settle. */
  async press(key2) {
    this.#remember();
    press(this.#keyHost, key2);
    await this.settle();
  }
  /** Presses on an element with a pointer; twice where it listens for that. */
  async point(element) {
    const { window } = this;
    this.#remember();
    const send = (type2, detail = 1) => element.dispatchEvent(
      new (/^pointer|click$/.test(type2) && window.PointerEvent !== void 0 ? window.PointerEvent : window.MouseEvent)(type2, {
        bubbles: true,
        cancelable: true,
        composed: true,
        detail,
        view: window
      })
    );
    for (const type2 of pressing) {
      const goesOn = send(type2);
      if (type2 === "mousedown" && goesOn) this.#focusAround(element);
    }
    if (this.listens(element).has("dblclick")) {
      for (const type2 of pressing) send(type2, 2);
      send("dblclick", 2);
    }
    await this.settle();
  }
  /** Moves a pointer over an element. */
  async hover(element) {
    for (const type2 of ["pointerenter", "mouseenter", "pointerover", "mouseover", "mousemove"])
      element.dispatchEvent(
        new this.window.MouseEvent(type2, {
          bubbles: !/enter$/.test(type2),
          cancelable: true,
          composed: true,
          view: this.window
        })
      );
    await this.settle();
  }
  /** A press gives focus to the nearest element that takes it. */
  #focusAround(element) {
    for (let up = element; up !== null; up = up.parentElement)
      if (this.#canTakeFocus(up)) {
        up.focus();
        return;
      }
    this.focused()?.blur();
  }
  /** Takes focus away from whatever has it, as if nobody had been here. */
  async rest() {
    this.focused()?.blur();
    this.#last = null;
    await this.settle();
  }
  async settle() {
    await this.#clock.settle(!this.isSpecimen);
    const active = this.focused();
    if (active !== null && this.#isReady && !this.#canTakeFocus(active)) active.blur();
  }
};
function keysOf({ page }, identity) {
  const of = /* @__PURE__ */ new Map();
  const nodes = /* @__PURE__ */ new Map();
  const turns = /* @__PURE__ */ new Map();
  for (const node of page.index.elements) {
    const base = identity(node) ?? elementPath(page.index, node);
    const turn = (turns.get(base) ?? 0) + 1;
    turns.set(base, turn);
    const key2 = turn === 1 ? base : `${base} ${turn}`;
    of.set(node, key2);
    nodes.set(key2, node);
  }
  return { of, nodes };
}

// src/render/mount/program.ts
import { readFileSync as readFileSync2 } from "node:fs";
import { SourceMap } from "node:module";
import path8 from "node:path";
import { Script } from "node:vm";

// src/core/css/narrowed-sheet.ts
var scopedSheet = (sheet, attribute) => narrowed(sheet, (compound) => withAttribute(compound, attribute));
var classScopedSheet = (sheet, name) => narrowed(sheet, (compound) => ({ ...compound, classes: [...compound.classes, name] }));
var narrowed = (sheet, change) => withSelectors(sheet, (selector) => ({
  ...selector,
  steps: selector.steps.map((step, i) => i === 0 ? { ...step, compound: change(step.compound) } : step)
}));
var withAttribute = (compound, name) => ({
  ...compound,
  attributes: [...compound.attributes, { name, operator: null, value: "", ignoreCase: false }]
});
var renamedClasses = (sheet, suffix) => withSelectors(sheet, (selector) => renamed(selector, suffix));
var renamed = (selector, suffix) => ({
  ...selector,
  steps: selector.steps.map((step) => ({ ...step, compound: renamedCompound(step.compound, suffix) }))
});
var renamedCompound = (compound, suffix) => ({
  ...compound,
  classes: compound.classes.map((name) => `${name}${suffix}`),
  pseudoClasses: compound.pseudoClasses.map(
    (pseudo) => pseudo.kind === "is" || pseudo.kind === "not" ? { ...pseudo, list: pseudo.list.map((inner) => renamed(inner, suffix)) } : pseudo
  )
});
var withSelectors = (sheet, change) => ({
  ...sheet,
  items: sheet.items.map((item) => {
    if (item.kind !== "rule") return item;
    const selectors = item.rule.selectors.map(change);
    return { ...item, rule: { ...item.rule, selectors } };
  })
});

// src/core/document/line-map.ts
var LINE_FEED = 10;
var CARRIAGE_RETURN = 13;
function lineMap(text) {
  const starts = [0];
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    if (unit === LINE_FEED) starts.push(i + 1);
    else if (unit === CARRIAGE_RETURN && text.charCodeAt(i + 1) !== LINE_FEED) starts.push(i + 1);
  }
  return {
    count: starts.length,
    position(offset) {
      const at2 = Math.max(0, Math.min(offset, text.length));
      let low = 0;
      let high = starts.length - 1;
      while (low < high) {
        const middle = low + high + 1 >> 1;
        if ((starts[middle] ?? 0) <= at2) low = middle;
        else high = middle - 1;
      }
      return { line: low + 1, column: at2 - (starts[low] ?? 0) + 1 };
    },
    offset(line, column) {
      const start = starts[line - 1];
      return start === void 0 ? null : start + column - 1;
    },
    line(number2) {
      const start = starts[number2 - 1];
      if (start === void 0) return null;
      const end = starts[number2] ?? text.length + 1;
      return text.slice(start, end).replace(/[\r\n]+$/, "");
    }
  };
}

// src/readers/components/start-tag-end.ts
function startTagEnd(text, start) {
  let depth = 0;
  let quote = "";
  for (let at2 = start + 1; at2 < text.length; at2++) {
    const c = text[at2];
    if (quote !== "") {
      if (c === "\\" && depth > 0) at2++;
      else if (c === quote) quote = "";
    } else if (c === '"' || c === "'" || c === "`" && depth > 0) quote = c;
    else if (c === "{") depth++;
    else if (c === "}") depth--;
    else if (c === ">" && depth <= 0) return at2 + 1;
  }
  const first = text.indexOf(">", start);
  return first < 0 ? text.length : first + 1;
}

// src/render/mount/program.ts
var PROGRAM = "keel-specimens";
var LONGEST_REMARK = 600;
var Program = class {
  script;
  #bundle;
  #sheets = /* @__PURE__ */ new Map();
  #texts = /* @__PURE__ */ new Map();
  #spans = /* @__PURE__ */ new Map();
  #map = null;
  constructor(bundle2) {
    this.#bundle = bundle2;
    this.script = new Script(textOf2(bundle2.code), { filename: PROGRAM });
  }
  get stylesKnown() {
    return this.#bundle.stylesKnown;
  }
  /** A stylesheet that a module brings along. */
  sheet(id) {
    const known = this.#sheets.get(id);
    if (known !== void 0) return known;
    const style = this.#bundle.styles.get(id);
    if (style === void 0) return null;
    let sheet = parseSheet({ file: style.file, text: style.text, start: style.start });
    if (style.suffix !== "") sheet = renamedClasses(sheet, style.suffix);
    if (style.scope !== null)
      sheet = style.scope.kind === "class" ? classScopedSheet(sheet, style.scope.name) : scopedSheet(sheet, style.scope.name);
    this.#sheets.set(id, sheet);
    return sheet;
  }
  #text(file2) {
    const known = this.#texts.get(file2);
    if (known !== void 0) return known;
    const full = path8.resolve(this.#bundle.workingDirectory, file2);
    let read = null;
    try {
      const text = this.#bundle.edited.get(full) ?? readFileSync2(full, "utf8");
      read = { text, lines: lineMap(text) };
    } catch {
    }
    this.#texts.set(file2, read);
    return read;
  }
  /** The start tag that stands at a place, written `file:line:column`; null where none does. */
  tagAt(place) {
    const known = this.#spans.get(place);
    if (known !== void 0) return known;
    const [, file2 = "", line = "1", column = "1"] = /^(.*):(\d+):(\d+)$/.exec(place) ?? [];
    const source = this.#text(file2);
    const start = source?.lines.offset(Number(line), Number(column)) ?? null;
    const span = source === null || start === null || source.text[start] !== "<" ? null : { file: file2, start, end: startTagEnd(source.text, start) };
    this.#spans.set(place, span);
    return span;
  }
  /** The name that a start tag has in source. */
  tagName({ file: file2, start }) {
    return /^<([^\s/>]*)/.exec(this.#text(file2)?.text.slice(start, start + 80) ?? "")?.[1] ?? "";
  }
  /** A comment that stands before a start tag, if it speaks to the audit. */
  remarksBefore({ file: file2, start }) {
    const before3 = this.#text(file2)?.text.slice(Math.max(0, start - LONGEST_REMARK), start) ?? "";
    const match = /(?:\{\s*)?(?:\/\*((?:(?!\*\/)[\s\S])*)\*\/|<!--((?:(?!-->)[\s\S])*)-->)(?:\s*\})?[\s(]*$/.exec(before3);
    const value = match?.[1] ?? match?.[2] ?? "";
    if (match === null || !/^\s*keel\s*:/i.test(value)) return [];
    const at2 = start - before3.length + match.index;
    return [{ kind: "comment", value, source: { file: file2, start: at2, end: at2 + match[0].trimEnd().length } }];
  }
  /** Where the frames of an error stand in the project's own source, the innermost first. */
  framesOf(stack) {
    this.#map ??= new SourceMap(JSON.parse(textOf2(this.#bundle.map)));
    const frames = [];
    for (const [, name, line, column] of stack.matchAll(
      new RegExp(`^\\s*(?:at |in )?(?:(.*?) \\(?)?${PROGRAM}:(\\d+):(\\d+)\\)?$`, "gm")
    )) {
      const entry = this.#map.findEntry(Number(line) - 1, Number(column) - 1);
      if (!("originalSource" in entry) || entry.originalSource === void 0) continue;
      const file2 = entry.originalSource;
      if (/^keel|(?:^|\/)node_modules\//.test(file2)) continue;
      frames.push({
        name: name === void 0 || name === "" ? null : name.replace(/^(?:new|async|Object\.) ?/, ""),
        at: { file: file2, line: entry.originalLine + 1, column: entry.originalColumn + 1, message: "" }
      });
    }
    return frames;
  }
};
var textOf2 = (bytes) => Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).toString("utf8");

// src/render/mount/origins.ts
var MOST_FRAMES = 60;
var reactOrigin = (stamp, sites) => (element) => {
  const name = Object.keys(element).find((key2) => key2.startsWith("__reactFiber$"));
  if (name === void 0) return null;
  const fiber = element[name];
  const siteOf = (one2) => {
    for (const held of [one2.memoizedProps, one2._debugStack, one2._debugSource])
      if (held !== null && typeof held === "object") {
        const at3 = sites.get(held);
        if (at3 !== void 0) return at3;
      }
    return null;
  };
  const keys = [];
  let nearest = null;
  for (let up = fiber; up != null; up = up.return) {
    if (up.key != null) keys.push(String(up.key));
    if (nearest === null && up !== fiber && siteOf(up) !== null) nearest = up;
  }
  const own = stamp(element) ?? siteOf(fiber);
  const frames = [];
  const start = own === null ? nearest : fiber._debugOwner;
  for (let owner = start, n = 0; owner != null && n < MOST_FRAMES; owner = owner._debugOwner, n++) {
    const at3 = siteOf(owner);
    if (at3 !== null) frames.unshift({ name: reactName(owner.type), at: at3 });
  }
  const at2 = own ?? (nearest === null ? null : siteOf(nearest));
  return { at: at2, isOwn: own !== null, frames, keys: keys.join(" ") };
};
var reactName = (type2) => {
  for (const one2 of [type2, type2?.render, type2?.type, type2?.type?.render]) {
    const name = one2?.displayName ?? one2?.name;
    if (typeof name === "string" && name !== "") return name;
  }
  return "component";
};
var vueOrigin = (stamp) => (element) => {
  const vnode = element.__vnode;
  if (vnode == null) return null;
  const siteOf = (instance) => {
    const hooks = [instance?.vnode?.props?.onVnodeBeforeMount].flat();
    return hooks.find((hook) => typeof hook?.at === "string")?.at ?? null;
  };
  const frames = [];
  for (let one2 = vnode.ctx, n = 0; one2 != null && n < MOST_FRAMES; one2 = one2.vnode?.ctx, n++) {
    const at3 = siteOf(one2);
    if (at3 !== null) frames.unshift({ name: one2.type?.name ?? one2.type?.__name ?? "component", at: at3 });
  }
  const keys = [];
  if (vnode.key != null) keys.push(String(vnode.key));
  for (let one2 = element.__vueParentComponent; one2 != null; one2 = one2.parent)
    if (one2.vnode?.key != null) keys.push(String(one2.vnode.key));
  const own = stamp(element) ?? vnode.props?.onVnodeBeforeMount?.at ?? null;
  const at2 = own ?? frames.at(-1)?.at ?? null;
  return {
    at: at2,
    isOwn: own !== null,
    frames: own === null ? frames.slice(0, -1) : frames,
    keys: keys.join(" ")
  };
};
var svelteOrigin = (element) => {
  const meta = element.__svelte_meta;
  if (meta?.loc == null) return null;
  const frames = [];
  for (let up = meta.parent, n = 0; up != null && n < MOST_FRAMES; up = up.parent, n++)
    if (up.type === "component" && up.file !== void 0)
      frames.unshift({ name: up.componentTag ?? "component", at: `${up.file}:${up.line}:${up.column + 1}` });
  const { file: file2, line, column } = meta.loc;
  return { at: `${file2}:${line}:${column + 1}`, isOwn: true, frames, keys: "" };
};

// src/render/mount/specimen-page.ts
var SHELF = /* @__PURE__ */ Symbol.for("even-keel.specimens");
function specimenPage(program, file2, specimen, device) {
  return {
    file: file2.name,
    kind: "component",
    quirks: false,
    html: `<!doctype html><html lang="en"><head><title>${escaped(specimen.name)}</title></head><body><div></div></body></html>`,
    device,
    stylesKnown: program.stylesKnown,
    sheets: (window) => window[STAGE].styles.flatMap((id) => {
      const sheet = program.sheet(id);
      return sheet === null ? [] : [{ sheet, media: null }];
    }),
    parsed: /* @__PURE__ */ new Map(),
    places: ({ window }) => placesOf(window, program),
    start: async (page) => {
      const shelf = await specimensIn(page, program, file2.path);
      const found = shelf[specimen.index];
      if (found !== void 0) await mountSpecimen(page, found);
    },
    tellError: (error) => toldError(error, program)
  };
}
var escaped = (text) => text.replace(/[&<]/g, (c) => c === "&" ? "&amp;" : "&lt;");
async function specimensIn(page, program, file2) {
  const { window } = page;
  const shelf = [];
  const stage = { sites: /* @__PURE__ */ new WeakMap(), styles: [], unset: /* @__PURE__ */ new Set() };
  window[STAGE] = stage;
  window[SHELF] = shelf;
  page.run(program.script);
  stage.files[file2]?.();
  return shelf;
}
async function mountSpecimen(page, { render, options }) {
  const { window } = page;
  const { mounts } = window[STAGE];
  const container = window.document.body.firstElementChild;
  const content = await render();
  const kind = frameworkOf(content, mounts);
  const mount = kind === null ? null : mounts[kind]?.() ?? null;
  if (kind !== null && mount === null) throw new Error(`the project has no ${kind} to mount this with`);
  const { wrapper } = options;
  const shown = wrapper === void 0 ? content : await wrapper(mount?.inside?.(content) ?? content);
  if (mount !== null)
    mount.mount(shown, container, (error, info) => page.report(withStack(error, info)), options);
  else if (typeof shown === "string") container.innerHTML = shown;
  else container.append(...isNode(shown) ? [shown] : [...shown]);
}
var isNode = (content) => typeof content?.nodeType === "number";
function frameworkOf(content, mounts) {
  if (typeof content === "string" || isNode(content)) return null;
  if (typeof content === "function") return "svelte" in mounts ? "svelte" : "vue";
  const parts = content ?? {};
  if ("$$typeof" in parts) return "react";
  if (typeof parts.component === "function") return "svelte";
  if (parts.__v_isVNode === true || "setup" in parts || "render" in parts || "template" in parts)
    return "vue";
  if (Array.isArray(content)) return isNode(content[0]) ? null : "react";
  throw new Error(
    "this specimen renders nothing that can be shown: return a React element, a Vue component or virtual node, a Svelte component with its props, an element or HTML"
  );
}
var withStack = (error, info) => {
  const stack = info?.componentStack;
  if (typeof stack === "string" && typeof error === "object" && error !== null)
    Object.defineProperty(error, "componentStack", { value: stack, configurable: true });
  return error;
};
var MOST_PLACES = 3;
function toldError(error, program) {
  const { name, message, stack, componentStack } = error ?? {};
  const words4 = typeof message === "string" ? `${name === void 0 || name === "Error" ? "" : `${name}: `}${message}` : String(error);
  const [first = ""] = words4.split("\n");
  const frames = [...program.framesOf(stack ?? ""), ...program.framesOf(componentStack ?? "")];
  const places = [
    ...new Set(
      frames.map(
        ({ name: caller, at: at2 }) => `${caller === null ? "" : `${caller}, `}${at2.file}:${at2.line}:${at2.column}`
      )
    )
  ].slice(0, MOST_PLACES);
  return places.length === 0 ? first : `${first} (${places.join(" \u2190 ")})`;
}
function placesOf(window, program) {
  const stage = window[STAGE];
  const stamp = (element) => element.getAttribute(STAMP);
  const ways = [reactOrigin(stamp, stage.sites), vueOrigin(stamp), svelteOrigin];
  const known = /* @__PURE__ */ new Map();
  const originOf = (element) => {
    let origin = known.get(element);
    if (origin !== void 0) return origin;
    origin = null;
    for (const way of ways) origin ??= way(element);
    if (origin === null && element.parentElement !== null) {
      const around = originOf(element.parentElement);
      origin = around === null ? null : { ...around, isOwn: false };
    }
    known.set(element, origin);
    return origin;
  };
  const tag = (element) => {
    const origin = originOf(element);
    const span = origin?.at == null || !origin.isOwn ? null : program.tagAt(origin.at);
    return span;
  };
  const frame = ({ name, at: at2 }) => {
    const source = program.tagAt(at2);
    return source === null ? [] : [{ name, source, definition: source }];
  };
  return {
    tag,
    endTag: () => null,
    attribute: () => null,
    components: (element) => originOf(element)?.frames.flatMap(frame) ?? [],
    nearest: (element) => {
      const at2 = originOf(element)?.at;
      return at2 == null ? null : program.tagAt(at2);
    },
    comment: () => null,
    remarks: (element) => {
      const span = tag(element);
      return span === null ? [] : program.remarksBefore(span);
    },
    identity: (element) => {
      const origin = originOf(element);
      return origin === null || !origin.isOwn ? null : `@${origin.at} ${origin.keys}`.trim();
    }
  };
}

// src/render/mount/mounted-specimens.ts
var MountedSpecimens = class {
  #kept = null;
  #program(bundle2) {
    if (this.#kept?.id !== bundle2.id) this.#kept = { id: bundle2.id, program: new Program(bundle2) };
    return this.#kept.program;
  }
  /** The names of the specimens in a file, with what they say of themselves. */
  async list({ bundle: bundle2, file: file2 }) {
    const program = this.#program(bundle2);
    let specimens2 = [];
    let failure2 = null;
    const page = await LivePage.open({
      ...specimenPage(program, file2, { name: file2.name, index: -1 }, desktop),
      start: async (opened) => {
        try {
          const shelf = await specimensIn(opened, program, file2.path);
          specimens2 = shelf.map((specimen) => listed(specimen, program));
        } catch (error) {
          failure2 = `${toldError(error, program)}${unsetText(opened)}`;
        }
      }
    });
    page.close();
    return { specimens: specimens2, failure: failure2 };
  }
  /** Mounts one specimen and tries it. Nothing is told of one that shows nothing because it failed. */
  async mount({ bundle: bundle2, file: file2, specimen, device }, attempt) {
    const program = this.#program(bundle2);
    const source = specimenPage(program, file2, specimen, device);
    const none2 = {
      steps: [],
      script: null,
      findings: [],
      states: null,
      tried: /* @__PURE__ */ new Map(),
      problems: [],
      isCutShort: false
    };
    let page = null;
    try {
      page = await LivePage.open(source);
      const { unset } = page.window[STAGE];
      const [problem] = page.problems;
      const about = { unset: [...unset], asked: page.asked };
      if (problem !== void 0 && page.shown().length === 0)
        return { ...none2, ...about, failure: `${problem}${unsetText(page)}` };
      const opened = page;
      page = null;
      return { ...await attempt(source, opened), ...about, failure: null };
    } catch (error) {
      const failure2 = `${toldError(error, program)}${page === null ? "" : unsetText(page)}`;
      return { ...none2, failure: failure2, unset: [], asked: 0 };
    } finally {
      page?.close();
    }
  }
};
var unsetText = ({ window }) => {
  const unset = [...window[STAGE]?.unset ?? []];
  return unset.length === 0 ? "" : `; not set here: ${unset.join(", ")}`;
};
function listed({ name, options, at: at2 }, program) {
  const { viewport, scheme, walk: walk2, checks } = options;
  return {
    name: String(name),
    place: program.framesOf(at2.stack ?? "")[0]?.at ?? null,
    viewport: viewport === void 0 ? null : { width: Number(viewport.width), height: Number(viewport.height) },
    scheme: scheme === "dark" || scheme === "light" ? scheme : null,
    walk: typeof walk2 === "string" ? walk2 : null,
    off: Object.keys(checks ?? {})
  };
}

// src/core/document/pointer-handler.ts
var pointerEvents = [
  "click",
  "dblclick",
  "mousedown",
  "mouseup",
  "pointerdown",
  "pointerup",
  "touchstart",
  "touchend"
];
var idleHandler = /^(?:\s*(?:return\s+(?:false|true)|(?:window\.)?event\.(?:stopPropagation|preventDefault|stopImmediatePropagation)\(\)|void\s*\(?0\)?|;)\s*;?)*$/;
function pointerHandlerOf(element) {
  if (element.listeners === "unknown" || element.listeners.size === 0) return null;
  for (const event of pointerEvents) {
    const code = element.listeners.has(event) ? attributeText(element, `on${event}`) : null;
    if (code !== null && !idleHandler.test(code)) return { event, code: code.trim() };
  }
  return null;
}

// src/core/semantics/tables/role-words.ts
var roleWords = {
  alertdialog: "alert dialog",
  application: "application",
  banner: "banner landmark",
  blockquote: "quotation",
  cell: "cell",
  columnheader: "column header",
  combobox: "combo box",
  complementary: "complementary landmark",
  contentinfo: "content information landmark",
  deletion: "deletion",
  feed: "feed",
  form: "form",
  generic: "group",
  "graphics-document": "graphic",
  "graphics-object": "graphic",
  "graphics-symbol": "graphic",
  gridcell: "cell",
  insertion: "insertion",
  listbox: "list box",
  listitem: "list item",
  main: "main landmark",
  menubar: "menu bar",
  menuitem: "menu item",
  menuitemcheckbox: "checkable menu item",
  menuitemradio: "menu item of a choice",
  navigation: "navigation landmark",
  none: "",
  progressbar: "progress bar",
  radio: "radio button",
  radiogroup: "radio group",
  region: "region landmark",
  rowgroup: "row group",
  rowheader: "row header",
  search: "search landmark",
  searchbox: "search box",
  spinbutton: "number box",
  switch: "switch",
  tablist: "tab list",
  tabpanel: "tab panel",
  textbox: "text box",
  treegrid: "tree grid",
  treeitem: "tree item"
};

// src/core/semantics/tree.ts
function isTold(semantics, element) {
  const { role } = semantics.role(element);
  if (role === "none") return false;
  if (role === "graphics-document" && element.tag === "svg")
    return saysSomething(semantics, element) || hasAttribute(element, "role");
  if (role !== null && role !== "generic") return true;
  if (element.namespace === "html" && rolelessWord(element) !== null) return true;
  if (element.tag === "body" || element.tag === "html") return false;
  return saysSomething(semantics, element) || tabindexOf(element) !== null && focusCause(semantics.page.index, element) !== null;
}
var rolelessWord = (element) => roleless[element.tag === "input" ? `input:${attributeText(element, "type")?.toLowerCase() ?? "text"}` : element.tag] ?? null;
function saysSomething(semantics, element) {
  for (const name of element.attributes.keys()) {
    if (!name.startsWith("aria-") || name === "aria-hidden") continue;
    if (stateRow(name.slice("aria-".length))?.global === true && attributeText(element, name)?.trim() !== "")
      return true;
  }
  if (!element.attributes.has("title") && element.namespace === "html") return false;
  return semantics.name(element).text !== "" || semantics.description(element).text !== "";
}

// src/core/semantics/heard-line.ts
var stateWords = [
  ["roledescription", () => null],
  ["checked", (v) => v === "mixed" ? "partly checked" : v ? "checked" : "not checked"],
  ["pressed", (v) => v === "mixed" ? "partly pressed" : v ? "pressed" : "not pressed"],
  ["selected", (v) => v ? "selected" : null],
  ["expanded", (v) => v ? "expanded" : "collapsed"],
  ["haspopup", (v) => v === false ? null : v === "listbox" ? null : `opens a ${v}`],
  ["current", (v) => v === true ? "current" : v === false ? null : `current ${v}`],
  ["sort", (v) => v === "none" ? null : `sorted ${v}`],
  ["multiselectable", (v) => v ? "several can be chosen" : null],
  ["modal", (v) => v ? "modal" : null],
  ["required", (v) => v ? "required" : null],
  ["invalid", (v) => v === false ? null : "invalid"],
  ["readonly", (v) => v ? "read only" : null],
  ["busy", (v) => v ? "busy" : null],
  ["disabled", (v) => v ? "unavailable" : null]
];
var valued = /* @__PURE__ */ new Set([
  "textbox",
  "searchbox",
  "combobox",
  "spinbutton",
  "slider",
  "meter",
  "progressbar",
  "scrollbar",
  "separator"
]);
function spokenRole(role, states2, fallback) {
  if (role === "heading") return states2.level === void 0 ? "heading" : `heading level ${states2.level}`;
  if (typeof states2.roledescription === "string") return states2.roledescription;
  if (role === "generic" && fallback !== null) return fallback;
  return roleWords[role] ?? role;
}
var spokenStates = (states2) => stateWords.flatMap(([state, say]) => {
  const value = states2[state];
  const spoken = value === void 0 ? null : say(value);
  return spoken === null ? [] : [spoken];
});
function heardLine({ role, name, states: states2, value, element }) {
  const parts = [spokenRole(role, states2, rolelessWord(element))];
  if (value !== null && valued.has(role)) parts.push(`"${value}"`);
  parts.push(...spokenStates(states2));
  const said = parts.filter((part) => part !== "").join(", ");
  return name === "" ? said : `"${name}" ${said}`;
}
function heardLineOf(semantics, element) {
  return heardLine({
    role: semantics.role(element).role ?? "generic",
    name: semantics.name(element).text,
    states: semantics.states(element),
    value: spokenValue(semantics, element),
    element
  });
}

// src/render/rendered-element.ts
function told(page, element) {
  const node = element === null ? null : page.nodeOf(element);
  return node === null ? null : toldNode(page, node);
}
function toldNode(page, node) {
  const { scene } = page;
  return {
    span: node.source,
    nearest: node.source ?? page.nearestOf(node),
    components: node.components,
    path: elementPath(scene.page.index, node),
    tag: node.tag,
    role: scene.role(node).role ?? "generic",
    name: scene.name(node).text,
    heard: heardLineOf(scene, node)
  };
}

// src/render/keys-text.ts
var focusText = (page) => {
  const element = told(page, page.focused());
  return element === null ? "focus on nothing" : `focus on ${element.heard}`;
};
function keysText(keys, then) {
  const runs2 = [];
  for (const key2 of keys) {
    const last = runs2.at(-1);
    if (last?.key === key2) last.times++;
    else runs2.push({ key: key2, times: 1 });
  }
  const told2 = runs2.map(
    ({ key: key2, times }) => times > 3 ? `${key2} \xD7${times}` : Array(times).fill(key2).join(" ")
  );
  return `${told2.join(" ")} \u2192 ${then}`;
}
var changeText = ({ at: at2, what, detail }) => `${at2.startsWith("@") ? "" : at2} ${what}${detail === "" ? "" : ` ${detail}`}`.trim();

// src/render/page-state.ts
var silent2 = /* @__PURE__ */ new Set(["class", "style", "tabindex", "id"]);
function keyOf(page, element) {
  const node = page.nodeOf(element);
  return node === null ? "" : page.keyOf(node);
}
var ADDRESS = "address";
function stateOf(page) {
  const { scene } = page;
  const state = /* @__PURE__ */ new Map();
  state.set(ADDRESS, { visible: true, attributes: /* @__PURE__ */ new Map(), text: String(page.window.location.href) });
  for (const node of scene.page.index.elements) {
    if (/^(?:head|script|style|link|meta|title|base|template)$/.test(node.tag)) continue;
    const attributes2 = /* @__PURE__ */ new Map();
    for (const [name, { value }] of node.attributes)
      if (!silent2.has(name)) attributes2.set(name, writtenText(value));
    state.set(page.keyOf(node), {
      visible: scene.presence.of(node).visible !== NO,
      attributes: attributes2,
      text: node.children.map((child) => child.kind === "text" ? writtenText(child.value) : "").join("").trim()
    });
  }
  return state;
}
function changesBetween(before3, after2) {
  const changes = [];
  for (const [at2, is] of after2) {
    const was = before3.get(at2);
    if (was === void 0 || !was.visible) {
      if (is.visible) changes.push({ at: at2, what: "shown", detail: "" });
    } else if (!is.visible) changes.push({ at: at2, what: "hidden", detail: "" });
    if (was === void 0) continue;
    if (was.text !== is.text) changes.push({ at: at2, what: "text", detail: is.text });
    for (const name of /* @__PURE__ */ new Set([...was.attributes.keys(), ...is.attributes.keys()])) {
      const value = is.attributes.get(name);
      if (was.attributes.get(name) !== value)
        changes.push({
          at: at2,
          what: "attribute",
          detail: value === void 0 ? `${name} gone` : `${name}="${value}"`
        });
    }
  }
  for (const [at2, was] of before3)
    if (!after2.has(at2) && was.visible) changes.push({ at: at2, what: "hidden", detail: "" });
  return changes;
}
var includesAll = (all, some) => some.every(
  (one2) => all.some((other) => other.at === one2.at && other.what === one2.what && other.detail === one2.detail)
);

// src/render/trial.ts
var press2 = (key2) => ({ kind: "press", key: key2 });
var focus = (at2) => ({ kind: "focus", at: at2 });
var point = (at2) => ({ kind: "point", at: at2 });
var IDLE_TURNS = 8;
var OutOfTime = class extends Error {
};
var Trials = class {
  #source;
  #end;
  problems = /* @__PURE__ */ new Set();
  #restless = /* @__PURE__ */ new Set();
  /** Whether the page leaves, or sends a form, though nothing is pressed. */
  leavesByItself = false;
  #untouched = null;
  /** Called in every state that some moves lead to. */
  #onState;
  /** @param opened the page, where it was opened before and nobody has touched it */
  constructor(source, patience, onState = () => {
  }, opened = null) {
    this.#source = source;
    this.#end = performance.now() + patience;
    this.#onState = onState;
    this.#untouched = opened;
  }
  /** The page as nobody has touched it. */
  async #fresh() {
    if (performance.now() > this.#end) throw new OutOfTime();
    const kept3 = this.#untouched;
    this.#untouched = null;
    if (kept3 !== null) return kept3;
    const page = await LivePage.open(this.#source);
    for (const problem of page.problems) this.problems.add(problem);
    return page;
  }
  /** Keeps a page on which nothing came of anything for the next trial: opening one anew is most of the work. */
  async #keep(page, start) {
    await page.rest();
    if (this.#untouched === null && changesBetween(start, stateOf(page)).length === 0) this.#untouched = page;
    else page.close();
  }
  /** Looks at the page as nobody has touched it, and leaves it so. */
  async peek(look2) {
    const page = await this.#fresh();
    try {
      return look2(page);
    } finally {
      this.#untouched = page;
    }
  }
  /** Lets go of what was kept. */
  close() {
    this.#untouched?.close();
    this.#untouched = null;
  }
  /** Finds out what changes by itself, and whether the page leaves by itself; neither is the doing of a key. */
  async lookIdle() {
    await this.after([], async (page) => {
      for (let turn = 0; turn < IDLE_TURNS; turn++) {
        const before3 = stateOf(page);
        await page.settle();
        for (const { at: at2 } of changesBetween(before3, stateOf(page))) this.#restless.add(at2);
      }
      this.leavesByItself = page.left.length > 0;
    });
  }
  /** What differs between two states, apart from what never rests. */
  changes(before3, after2) {
    return changesBetween(before3, after2).filter(({ at: at2 }) => !this.#restless.has(at2));
  }
  /** The page after some moves; what is done with it must not outlive the call. */
  async after(moves, look2) {
    const page = await this.#fresh();
    try {
      for (const move of moves) await make(page, move);
      return await look2(page);
    } finally {
      page.close();
    }
  }
  /** What the last of some moves does. */
  async effect(moves) {
    const last = moves.at(-1);
    const page = await this.#fresh();
    let untouched = null;
    try {
      const start = stateOf(page);
      for (const move of moves.slice(0, -1)) await make(page, move);
      const before3 = stateOf(page);
      const active = page.focused();
      const from = active === null ? null : keyOf(page, active);
      const [leftBefore, askedBefore, problemsBefore] = [page.left.length, page.asked, page.problems.length];
      if (last !== void 0) await make(page, last);
      const now = page.focused();
      const after2 = stateOf(page);
      const changes = this.changes(before3, after2);
      if (changes.length > 0) this.#onState(page, moves);
      const total = this.changes(start, after2);
      const isSame = page.left.length + page.asked === 0 && page.problems.length === problemsBefore;
      if (total.length === 0 && isSame && now === active) untouched = start;
      return {
        moves,
        changes,
        total,
        asks: page.asked > askedBefore,
        from,
        to: now === null ? null : keyOf(page, now),
        isGone: active !== null && now === null && (!active.isConnected || !page.isVisible(active)),
        left: page.left.slice(leftBefore)
      };
    } finally {
      if (untouched === null) page.close();
      else await this.#keep(page, untouched);
    }
  }
};
async function make(page, move) {
  if (move.kind === "press") {
    await page.press(move.key);
    return;
  }
  const element = page.elementWith(move.at);
  if (element === null) return;
  if (move.kind === "focus") {
    element.focus();
    await page.settle();
  } else if (move.kind === "point") await page.point(element);
  else await page.hover(element);
}
var didSomething = ({ changes, left }) => changes.length > 0 || left.length > 0;

// src/render/composites.ts
var itemsOf = {
  tablist: ["tab"],
  listbox: ["option"],
  menu: ["menuitem", "menuitemcheckbox", "menuitemradio"],
  menubar: ["menuitem", "menuitemcheckbox", "menuitemradio"],
  radiogroup: ["radio"],
  tree: ["treeitem"],
  toolbar: ["button", "checkbox", "link", "radio"],
  grid: ["gridcell"]
};
var arrows = ["ArrowRight", "ArrowDown", "ArrowLeft", "ArrowUp", "Home", "End"];
async function tryComposites(notes, moves) {
  const look2 = (page) => {
    const stops = new Set(page.stops());
    return page.scene.page.index.elements.flatMap((node) => {
      const role = page.scene.role(node).role;
      const kinds = role === null ? void 0 : itemsOf[role];
      const container = page.elementOf(node);
      if (kinds === void 0 || container === null || !page.isVisible(container)) return [];
      if (page.scene.role(node).from !== "role attribute") return [];
      const items2 = page.scene.page.index.elements.filter((other) => kinds.includes(page.scene.role(other).role)).map((other) => page.elementOf(other)).filter(
        (item) => item !== null && item !== container && container.contains(item) && page.isVisible(item)
      );
      const isReached = (item) => stops.has(item) || [...stops].some((stop) => item.contains(stop));
      const missed = items2.filter(
        (item) => (
          // A cell may be there to be read alone.
          (role !== "grid" || item.hasAttribute("tabindex")) && !isReached(item) && item.getAttribute("aria-disabled") !== "true" && item.disabled !== true
        )
      );
      const focused = page.focused();
      const entry = [container, ...items2].find((one2) => stops.has(one2) || one2 === focused) ?? null;
      if (items2.length < 2 || missed.length === 0 || entry === null) return [];
      return [
        {
          at: keyOf(page, container),
          entry: keyOf(page, entry),
          isFocused: entry === focused,
          role,
          element: toldNode(page, node),
          missed: missed.length
        }
      ];
    });
  };
  const found = moves.length === 0 ? await notes.trials.peek(look2) : await notes.trials.after(moves, look2);
  for (const { entry, isFocused, role, element, missed } of found) {
    notes.try("keys.pattern-kept");
    const there = isFocused ? moves : [...moves, focus(entry)];
    if (await notes.movesAnything(there, arrows)) continue;
    notes.fail(
      "keys.pattern-kept",
      element,
      `The arrow keys do nothing in this ${role}, and Tab passes ${missed} of its items by.`,
      'Let the arrow keys move focus among the items, with tabindex="0" on the one that has it.',
      keysText(arrows, "nothing")
    );
  }
}

// src/render/dialogs.ts
async function tryDialog(notes, stop, key2, moves, { at: at2, element }) {
  notes.try("keys.dialog-takes-focus");
  await notes.trials.after(moves, async (page) => {
    const dialog = page.elementWith(at2);
    const isIn2 = () => dialog?.contains(page.focused()) === true;
    if (dialog === null) return;
    if (!isIn2())
      return notes.fail(
        "keys.dialog-takes-focus",
        element,
        "This dialog opens, and focus stays outside.",
        "Move focus into it when it opens: to its first field, or to its heading.",
        notes.keysAt(stop, [key2], focusText(page))
      );
    notes.try("keys.dialog-keeps-focus");
    const most = page.stops().length + 3;
    for (const way of ["Tab", "Shift+Tab"])
      for (let n = 1; n <= most; n++) {
        await page.press(way);
        const now = page.focused();
        if (now === null || isIn2()) continue;
        return notes.fail(
          "keys.dialog-keeps-focus",
          element,
          `${way} leaves this dialog while it is open, for "${told(page, now)?.name ?? ""}" behind it.`,
          "Open it with showModal(), or make what is behind it inert.",
          notes.keysAt(stop, [key2, ...Array(n).fill(way)], focusText(page))
        );
      }
  });
  notes.try("keys.dialog-closes");
  const closed = await notes.trials.after(moves, async (page) => {
    await page.press("Escape");
    const dialog = page.elementWith(at2);
    return {
      isOpen: dialog !== null && page.isVisible(dialog),
      focus: focusText(page),
      isLost: page.focused() === null
    };
  });
  if (!closed.isOpen) notes.try("keys.dialog-gives-back");
  if (closed.isOpen)
    notes.fail(
      "keys.dialog-closes",
      element,
      "Escape does not close this dialog.",
      "Close it on Escape: <dialog> with showModal() does so by itself.",
      notes.keysAt(stop, [key2, "Escape"], closed.focus)
    );
  else if (closed.isLost)
    notes.fail(
      "keys.dialog-gives-back",
      stop.element,
      "Escape closes the dialog that this opens, and focus falls to the page.",
      "Give focus back to what opened it.",
      notes.keysAt(stop, [key2, "Escape"], "focus on nothing")
    );
}

// src/render/fields.ts
async function tryField(notes, stop, byArrow) {
  if (stop.role !== "combobox" || stop.tag === "select") return;
  const optionsShown = (page) => page.scene.page.index.elements.filter(
    (node) => page.scene.role(node).role === "option" && node.tag !== "option" && page.isVisible(page.elementOf(node))
  ).length;
  const typed2 = await notes.trials.peek((page) => firstLetters(page));
  const ways = [
    [press2("ArrowDown")],
    [press2("Alt+ArrowDown")],
    [point(stop.at)],
    ...typed2.map((one2) => [press2(one2)])
  ];
  for (const way of ways) {
    const moves = [focus(stop.at), ...way];
    const shown = await notes.trials.after(moves, optionsShown);
    if (shown === 0) continue;
    if (way.length === 1 && byArrow?.changes.some(({ detail }) => /^aria-(?:activedescendant|selected)/.test(detail)))
      return;
    notes.try("keys.pattern-kept");
    const keys = ["ArrowDown", "ArrowDown", "ArrowUp", "Enter"];
    const moved = await notes.movesAnything(moves, keys);
    if (!moved)
      notes.fail(
        "keys.pattern-kept",
        stop.element,
        `A list of ${shown} options is shown for this field, and no arrow key reaches or takes one.`,
        "Let the arrow keys move aria-activedescendant through the options, and Enter take one.",
        notes.keysAt(
          stop,
          [...way.map((move) => move.kind === "press" ? move.key : "click"), ...keys],
          "nothing"
        )
      );
    return;
  }
}
var firstLetters = (page) => {
  const texts = [...page.window.document.querySelectorAll("[role=option]")].map(
    (one2) => one2.textContent.trim()
  );
  const letters2 = texts.flatMap((text) => /\p{L}/u.exec(text)?.[0].toLowerCase() ?? []);
  return [.../* @__PURE__ */ new Set([...letters2.slice(0, 2), "a", "e"])];
};

// src/render/notes.ts
var Notes = class {
  trials;
  findings = [];
  /** How many things each check was tried on. */
  tried = /* @__PURE__ */ new Map();
  /** The stops of the walk, in order. */
  stops = [];
  #told = /* @__PURE__ */ new Set();
  constructor(trials) {
    this.trials = trials;
  }
  /** Notes that a check was tried on something. */
  try(check) {
    this.tried.set(check, (this.tried.get(check) ?? 0) + 1);
  }
  fail(check, element, message, mend, keys) {
    if (element === null) return;
    const key2 = `${check} ${element.path}`;
    if (this.#told.has(key2)) return;
    this.#told.add(key2);
    this.findings.push({
      check,
      outcome: "failed",
      element,
      source: element.nearest,
      message,
      mend,
      keys,
      facts: {},
      origins: [],
      criteria: null
    });
  }
  /** The keys from the top of the page to a stop and on, and what came of the last. */
  keysAt({ at: at2 }, keys, then) {
    const tabs = this.stops.findIndex((stop) => stop.at === at2) + 1;
    return keysText([...Array(tabs).fill("Tab"), ...keys], then);
  }
  /** The keys and presses of some moves from the top of the page, and where they lead. */
  keysOf(moves, page) {
    const keys = moves.flatMap((move) => {
      if (move.kind === "press") return [move.key];
      if (move.kind !== "focus") return [move.kind === "point" ? "click" : "hover"];
      const at2 = this.stops.findIndex((stop) => stop.at === move.at);
      return Array(at2 + 1).fill("Tab");
    });
    return keysText(keys, focusText(page));
  }
  /** Whether any of some keys changes or moves something. */
  async movesAnything(moves, keys) {
    return this.trials.after(moves, async (page) => {
      for (const key2 of keys) {
        const before3 = stateOf(page);
        const from = page.focused();
        await page.press(key2);
        if (page.focused() !== from || this.trials.changes(before3, stateOf(page)).length > 0) return true;
      }
      return false;
    });
  }
};

// src/core/colour/contrast.ts
function relativeLuminance({ r, g, b }) {
  const linear = (c) => c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  return 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);
}
function contrastRatio(one2, other) {
  const a = relativeLuminance(one2);
  const b = relativeLuminance(other);
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
}
var shownRatio = (ratio) => `${(Math.floor(ratio * 100) / 100).toFixed(2)}:1`;
var LARGE_SIZE = 24;
var LARGE_BOLD_SIZE = 14 * (4 / 3);
var BOLD = 700;
var ROUNDED = 0.01;
var isLargeText = (size, weight) => size >= LARGE_SIZE || size >= LARGE_BOLD_SIZE - ROUNDED && weight >= BOLD;

// src/core/findings/verdict.ts
function at(element, attribute) {
  const source = attribute === void 0 ? element.source : element.attributes.get(attribute)?.source;
  return source == null ? {} : { source };
}
var passed = { outcome: "passed" };
var inapplicable = { outcome: "inapplicable" };
var failed = (message, repair, details = {}) => ({
  outcome: "failed",
  message,
  repair,
  ...details
});
var cantTell = (question, repair = null, details = {}) => ({
  outcome: "cantTell",
  message: question,
  repair,
  ...details
});

// src/core/rendering/unseen.ts
var ownReasons = /* @__PURE__ */ new WeakMap();
var wholeReasons = /* @__PURE__ */ new WeakMap();
function whyUnseen(page, element) {
  const likeness = page.styles.likeness({ element });
  const known = likeness === null ? void 0 : wholeReasons.get(likeness);
  if (known !== void 0) return known.why;
  const why = whyUnseenAround(page, element);
  if (likeness !== null) wholeReasons.set(likeness, { why });
  return why;
}
function whyUnseenAround(page, element) {
  const size = page.styles.fontSize({ element });
  if (size !== null && size < 1) return "its size is zero";
  for (let at2 = element; at2 !== null; at2 = page.index.flatParent(at2)) {
    const likeness = page.styles.likeness({ element: at2 });
    let known = likeness === null ? void 0 : ownReasons.get(likeness);
    if (known === void 0) {
      known = { why: whyUnseenInside(page, at2) };
      if (likeness !== null) ownReasons.set(likeness, known);
    }
    if (known.why !== null) return known.why;
  }
  return null;
}
var cutAway = /^inset\((?:50%|100%)|^circle\(0|^polygon\(0(?:px|%)? 0(?:px|%)?,\s*0(?:px|%)? 0/;
var cutToNothing = /^rect\(\s*(?:0|1px|0px)[\s,]+(?:0|1px|0px)[\s,]+(?:0|1px|0px)[\s,]+(?:0|1px|0px)\s*\)$/;
var FAR_OUT = -500;
function whyUnseenInside(page, element) {
  const { styles } = page;
  const value = (property) => styles.keyword(element, property) ?? "";
  const pixels = (property) => styles.pixels({ element }, property);
  if (opacityOf(value("opacity")) === 0) return "it is fully transparent";
  if (cutAway.test(value("clip-path"))) return "it is cut away";
  if (/^(?:absolute|fixed)$/.test(value("position"))) {
    if (cutToNothing.test(value("clip"))) return "it is cut away";
    if (["top", "left", "right", "bottom"].some((side) => (pixels(side) ?? 0) <= FAR_OUT))
      return "it stands outside the window";
  }
  const clips = value("overflow-x") !== "visible" || value("overflow-y") !== "visible";
  if (clips && ["width", "height"].some((side) => (pixels(side) ?? 2) <= 1))
    return "its box has no room for it";
  const indent = value("text-indent");
  if (/^-\d{3,}(?:px|em|rem|%)/.test(indent) || clips && /^(?:100%|1\d\d%)$/.test(indent))
    return "it is pushed out of its box";
  if (/^scale\(0\)|scale3d\(0|scalex\(0\)|scaley\(0\)/.test(value("transform")) || value("scale") === "0")
    return "it is shrunk to nothing";
  return null;
}

// src/core/repair/change.ts
var setAttribute = (element, name, value) => ({
  kind: "set attribute",
  element,
  name,
  value
});
var removeAttribute = (element, name) => ({
  kind: "remove attribute",
  element,
  name
});
var renameAttribute = (element, name, to) => ({
  kind: "rename attribute",
  element,
  name,
  to
});
var copyAttribute = (element, name, to) => ({
  kind: "copy attribute",
  element,
  name,
  to
});
var renameElement = (element, to) => ({
  kind: "rename element",
  element,
  to
});
var replaceText = (source, text) => ({ kind: "replace text", source, text });
var removeDeclaration = (source) => ({ kind: "remove declaration", source });
var insert = (where, element, markup) => ({
  kind: "insert",
  where,
  element,
  markup
});
var wrap = (first, last, around) => ({ kind: "wrap", first, last, around });
var setWords = (element, text) => ({
  kind: "set words",
  element,
  text
});
var removeElement = (element) => ({ kind: "remove element", element });
var addDeclarations = (element, declarations) => ({ kind: "add declarations", element, declarations });

// src/core/repair/repair.ts
var BLANK = "\uE000";
var ask = (summary) => ({ confidence: "ask", summary, changes: [], words: null });
var askWords = (summary, what, start, changes, sample = "Words given here") => ({ confidence: "ask", summary, changes: [], words: { what, start, sample, changes } });
var withChanges = (confidence, summary, changes, words4 = null) => ({ confidence, summary, changes, words: words4 });
function together(repairs) {
  const [only] = repairs;
  if (only !== void 0 && repairs.length === 1) return only;
  const summary = repairs.map((one2) => one2.summary).join(" ");
  return repairs.some(({ changes }) => changes.length === 0) ? ask(summary) : withChanges(
    repairs.every(({ confidence }) => confidence === "safe") ? "safe" : "likely",
    summary,
    repairs.flatMap(({ changes }) => changes)
  );
}

// src/core/scene/kept.ts
function keptForScene(compute) {
  const values = /* @__PURE__ */ new WeakMap();
  return (scene) => {
    let kept3 = values.get(scene);
    if (kept3 === void 0) {
      kept3 = { value: compute(scene) };
      values.set(scene, kept3);
    }
    return kept3.value;
  };
}

// src/core/colour/nearest-passing.ts
import { converter as converter3, differenceEuclidean, toGamut } from "culori";
var toOklch = converter3("oklch");
var intoGamut = toGamut("rgb", "oklch");
var difference = differenceEuclidean("oklab");
var culoriOf = ({ r, g, b }) => ({ mode: "rgb", r, g, b });
var deltaEOK = (one2, other) => difference(culoriOf(one2), culoriOf(other));
function nearestPassing(colour2, against, needed) {
  const start = toOklch(culoriOf(colour2));
  const at2 = (l) => {
    const { r, g, b } = intoGamut({ ...start, l });
    return onScreen(rgba(clamp(r), clamp(g), clamp(b)));
  };
  const candidates2 = [searchTowards(start.l, 1), searchTowards(start.l, 0)].filter((c) => c !== null);
  return candidates2.sort((a, b) => deltaEOK(colour2, a) - deltaEOK(colour2, b))[0] ?? null;
  function searchTowards(from, end) {
    if (contrastRatio(at2(end), against) < needed) return null;
    let fails = from;
    let passes = end;
    for (let i = 0; i < 24; i++) {
      const middle = (fails + passes) / 2;
      if (contrastRatio(at2(middle), against) >= needed) passes = middle;
      else fails = middle;
    }
    return at2(passes);
  }
}
var clamp = (c) => Math.max(0, Math.min(1, c));
function nearestInPalette(colour2, against, needed, palette) {
  const passing = palette.filter(
    (entry) => entry.colour.alpha === 1 && contrastRatio(entry.colour, against) >= needed
  );
  return passing.sort((a, b) => deltaEOK(colour2, a.colour) - deltaEOK(colour2, b.colour))[0] ?? null;
}

// src/core/checks/contrast/suggest-colour.ts
var paletteOf = keptForScene((scene) => {
  const root = scene.page.index.byTag("html")[0];
  if (root === void 0) return scene.palette;
  const { styles } = scene.page;
  const own = styles.customProperties(root).flatMap((name) => {
    const text = styles.value(root, name)?.text ?? null;
    const colour2 = text === null || text === "" ? null : styles.colourWithin({ element: root }, text);
    return colour2 === null || colour2.alpha < 1 ? [] : [{ name, colour: colour2 }];
  });
  const named = new Set(own.map(({ name }) => name));
  return [...own, ...scene.palette.filter(({ name }) => !named.has(name))];
});
var declarationToMend = (value) => {
  const last = value.through.at(-1);
  if (last?.declared != null) return { declared: last.declared, property: last.name };
  return value.declared === null ? null : { declared: value.declared, property: null };
};
function effectOn(uses, property, colour2) {
  if (uses.length === 0) return ` It is set by ${property}, which colours no other text here.`;
  const failing = uses.filter((use) => contrastRatio(colour2, use.ground) < use.needed).length;
  const others = uses.length === 1 ? "1 other text" : `${uses.length} other texts`;
  return ` It is set by ${property}, which colours ${others} here: ${failing === 0 ? "all pass with it" : `${failing} of them would still not pass`}.`;
}
function suggestColour(scene, value, text, ground, needed, uses = []) {
  const { nearest, own } = shadesFor(scene, text, ground, needed);
  const ownWords = own === null ? "" : `; of your own palette var(${own.name}), ${toHex(own.colour)}, passes with ${shownRatio(contrastRatio(own.colour, ground))}`;
  if (nearest === null)
    return ask(
      `No shade of this colour reaches ${needed}:1 on ${toHex(ground)}: change the ground too${ownWords}.`
    );
  const reached = shownRatio(contrastRatio(nearest, ground));
  const words4 = `The nearest shade that passes is ${toHex(nearest)}, with ${reached}${ownWords}.`;
  const place = value === null ? null : declarationToMend(value);
  const isPlain2 = place !== null && /^(?:#[0-9a-f]{3,8}|[a-z]+|rgba?\([^()]*\)|hsla?\([^()]*\))$/i.test(place.declared.text) && place.declared.replaceable;
  const fallback = place === null || isPlain2 ? null : fallbackColour(scene, place.declared, text);
  const isWritten2 = place !== null && value?.block?.origin === "author" && isPlain2 && sameColour2(scene, place.declared.text, text);
  if (place !== null && fallback !== null && value?.block?.origin === "author")
    return withChanges("likely", words4, [replaceText(fallback, toHex(nearest))]);
  if (!isWritten2 || place === null) return ask(words4);
  if (place.property === null && own !== null && deltaEOK(text, own.colour) <= NEAR_ENOUGH)
    return withChanges(
      "likely",
      `Use var(${own.name}), ${toHex(own.colour)}, of your own palette. ${words4}`,
      [replaceText(place.declared.valueSource, `var(${own.name})`)]
    );
  const what = place.property === null ? "" : effectOn(uses, place.property, nearest);
  return withChanges("likely", `${words4}${what}`, [replaceText(place.declared.valueSource, toHex(nearest))]);
}
var NEAR_ENOUGH = 0.2;
function fallbackColour(scene, declared, shown) {
  const match = /^var\(\s*--[\w-]+\s*,\s*(#[0-9a-f]{3,8}|[a-z]+|rgb\([^()]*\))\s*\)$/i.exec(declared.text);
  const { file: file2, start, end } = declared.valueSource;
  if (match?.[1] === void 0 || end - start !== declared.text.length) return null;
  const at2 = start + declared.text.lastIndexOf(match[1]);
  return sameColour2(scene, match[1], shown) ? { file: file2, start: at2, end: at2 + match[1].length } : null;
}
var knownShades = keptForScene(() => /* @__PURE__ */ new Map());
function shadesFor(scene, text, ground, needed) {
  const key2 = `${toHex(text)} ${toHex(ground)} ${needed}`;
  const known = knownShades(scene).get(key2);
  if (known !== void 0) return known;
  const shades = {
    nearest: nearestPassing(text, ground, needed),
    own: nearestInPalette(text, ground, needed, paletteOf(scene))
  };
  knownShades(scene).set(key2, shades);
  return shades;
}
function sameColour2(scene, written, shown) {
  const root = scene.page.index.byTag("html")[0];
  const colour2 = root === void 0 ? null : scene.page.styles.colourWithin({ element: root }, written);
  return colour2 !== null && toHex(colour2) === toHex(shown);
}
function originsOf(of, value) {
  if (value === null || value.declared === null || value.block?.origin === "user-agent") return [];
  const at2 = (declared, text) => ({ of, source: declared.source, text });
  return [
    at2(value.declared, value.declared.text),
    ...value.through.flatMap(
      (step) => step.declared === null ? [] : [at2(step.declared, `${step.name}: ${step.declared.text}`)]
    )
  ];
}

// src/core/checks/colour/links-stand-out.ts
var NEEDED = 3;
var A_SENTENCE = 12;
var linksInText = (scene) => scene.page.index.byTag("a").filter(
  (link) => link.namespace === "html" && hasAttribute(link, "href") && scene.presence.of(link).visible !== NO && scene.name(link).text !== "" && textAround(scene, link) !== null
);
function textAround(scene, link) {
  const parent = scene.page.index.parent(link);
  if (parent === null || scene.page.styles.keyword(link, "display") !== "inline") return null;
  const known = ownLetters(scene);
  const letters2 = known.get(parent) ?? lettersIn(parent);
  known.set(parent, letters2);
  return letters2 >= A_SENTENCE ? parent : null;
}
var ownLetters = keptForScene(() => /* @__PURE__ */ new Map());
var lettersIn = (element) => element.children.reduce(
  (sum2, child) => sum2 + (child.kind === "text" ? writtenText(child.value).match(/[\p{L}\p{N}]/gu)?.length ?? 0 : 0),
  0
);
var cues = [
  "font-weight",
  "font-style",
  "font-family",
  "font-size",
  "text-transform",
  "background-color",
  "background-image",
  "text-shadow",
  "box-shadow",
  "letter-spacing",
  "border-bottom-style",
  "outline-style"
];
function judge(link, scene) {
  const around = textAround(scene, link);
  if (around === null || !scene.stylesKnown) return inapplicable;
  let seen = false;
  for (const view of scene.schemes()) {
    if (view.presence.of(link).visible === NO || whyUnseen(view.page, link) !== null) continue;
    const verdict = judgeIn(view, link, around);
    if (verdict.outcome === "failed" || verdict.outcome === "cantTell") return verdict;
    seen ||= verdict.outcome === "passed";
  }
  return seen ? passed : inapplicable;
}
function judgeIn(view, link, around) {
  const { styles, index } = view.page;
  if (isDecorated(view, link)) return passed;
  if (cues.some(
    (property) => property === "font-size" ? styles.fontSize({ element: link }) !== styles.fontSize({ element: around }) : property === "font-weight" ? styles.fontWeight({ element: link }) !== styles.fontWeight({ element: around }) : styles.keyword(link, property) !== styles.keyword(around, property)
  ))
    return passed;
  if (index.childElements(link).length > 0) return inapplicable;
  if (["before", "after"].some(
    (pseudo) => !/^(?:none|normal|)$/.test(styles.pseudoValue(link, pseudo, "content")?.text ?? "")
  ))
    return passed;
  const own = paintedText(view.page, view.painted, link, noInteraction);
  const beside = paintedText(view.page, view.painted, around, noInteraction);
  const [mine, theirs] = [own.spots[0], beside.spots[0]];
  if (own.unknown !== null || beside.unknown !== null || mine === void 0 || theirs === void 0 || own.spots.length > 1)
    return inapplicable;
  const ratio = contrastRatio(onScreen(mine.text), onScreen(theirs.text));
  if (toHex(mine.text) === toHex(theirs.text)) return inapplicable;
  const facts = {
    ratio,
    needed: NEEDED,
    foreground: toHex(mine.text),
    background: toHex(theirs.text),
    scheme: view.scheme
  };
  if (ratio < NEEDED) {
    return failed(
      `Only its colour tells this link from the text around it, and the two differ by ${shownRatio(ratio)}, ${toHex(mine.text)} beside ${toHex(theirs.text)}.`,
      underlined(view, link),
      {
        facts,
        origins: originsOf("foreground", own.foreground),
        cause: `link ${toHex(mine.text)} ${toHex(theirs.text)}`
      }
    );
  }
  if (!isDecorated(view, link, "hover") || !isDecorated(view, link, "focus")) {
    const changes = ["hover", "focus"].every(
      (kind) => styles.likeness({ element: link, interaction: { kind, element: link } }) !== styles.likeness({ element: link })
    );
    if (!changes)
      return cantTell(
        "Only its colour tells this link from the text around it. Does something beside colour change when it is hovered and focused?",
        ask("Underline it at least under the pointer and while focused."),
        { facts, cause: "links without another cue" }
      );
  }
  return { outcome: "passed", facts };
}
function underlined({ page }, link) {
  const summary = "Underline links in running text: a { text-decoration: underline }.";
  const line = page.styles.value(link, "text-decoration-line");
  return line?.declared != null && line.block?.origin === "author" && line.declared.replaceable ? withChanges("likely", summary, [replaceText(line.declared.valueSource, "underline")]) : ask(summary);
}
function isDecorated(view, link, kind = "none") {
  const interaction = kind === "none" ? noInteraction : { kind, element: link };
  const line = view.page.styles.value(link, "text-decoration-line", interaction)?.text?.toLowerCase() ?? "underline";
  if (/underline|overline|line-through/.test(line)) return true;
  const border = view.page.styles.value(link, "border-bottom-style", interaction)?.text?.toLowerCase() ?? "none";
  const width = view.page.styles.value(link, "border-bottom-width", interaction)?.text ?? "0";
  return border !== "none" && border !== "hidden" && !/^0[a-z]*$/i.test(width);
}
var linksStandOut = {
  id: "colour.links-stand-out",
  criteria: ["1.4.1"],
  severity: "barrier",
  means: "Links in running text differ from it by more than colour, or by 3:1 and a change on hover and focus.",
  who: "Someone who sees few or no colours does not find the links in the text.",
  mend: "Underline links in running text.",
  looksAt: linksInText,
  judge,
  examples: {
    kept: [
      `<p>Ask the <a href="x">yard office</a> before you launch.</p>`,
      `<style>a { text-decoration: none; font-weight: bold; color: #06c }</style><p>Ask the <a href="x">yard office</a> before you launch.</p>`,
      `<style>p { color: #000 } a { text-decoration: none; color: #c00 } a:hover, a:focus { text-decoration: underline }</style><p>Ask the <a href="x">yard office</a> before you launch.</p>`,
      `<style>a { text-decoration: none; color: #036 }</style><ul><li><a href="x">Slips</a></li></ul>`
    ],
    broken: [
      `<style>p { color: #333 } a { text-decoration: none; color: #036 }</style><p>Ask the <a href="x">yard office</a> before you launch.</p>`
    ],
    asked: [
      `<style>p { color: #000 } a { text-decoration: none; color: #c00 }</style><p>Ask the <a href="x">yard office</a> before you launch.</p>`
    ]
  }
};

// src/core/document/shortened.ts
function shortened(text, most) {
  if (text.length <= most) return text;
  const kept3 = text.slice(0, most - 1);
  return `${/[\ud800-\udbff]$/.test(kept3) ? kept3.slice(0, -1) : kept3}\u2026`;
}

// src/core/checks/exposed.ts
var isExposed = (scene, element) => scene.presence.of(element).exposed !== NO;
var isShown = (scene, element) => scene.presence.of(element).visible !== NO;
function* exposedByTag(scene, ...tags) {
  for (const tag of tags)
    for (const element of scene.page.index.byTag(tag)) if (isExposed(scene, element)) yield element;
}
var exposedWithRole = keptForScene(
  (scene) => scene.page.index.elements.filter((element) => element.attributes.has("role") && isExposed(scene, element))
);
var exposedWithAria = keptForScene(
  (scene) => scene.page.index.elements.filter((element) => {
    if (element.attributes.size === 0) return false;
    for (const name of element.attributes.keys())
      if (name.startsWith("aria-")) return isExposed(scene, element);
    return false;
  })
);
var byRole = keptForScene((scene) => {
  const found = /* @__PURE__ */ new Map();
  for (const element of scene.page.index.elements) {
    const { role } = scene.role(element);
    if (role === null || role === "generic" || !isExposed(scene, element)) continue;
    const same = found.get(role);
    if (same === void 0) found.set(role, [element]);
    else same.push(element);
  }
  return found;
});
var exposedByRole = (scene, ...roles2) => {
  const [only] = roles2;
  return roles2.length === 1 && only !== void 0 ? byRole(scene).get(only) ?? [] : roles2.flatMap((role) => byRole(scene).get(role) ?? []);
};
var sureStops = keptForScene(
  (scene) => scene.page.index.elements.filter((element) => isTabbable(scene.page, scene.presence, element) === true)
);
var elementsInside = (scene, container) => elementsBelow(scene.page.index, container);
var elementsAround = (scene, element) => elementsAbove(scene.page.index, element);

// src/core/checks/colour/not-alone.ts
var colours = "red|green|blue|yellow|orange|grey|gray|purple|pink|amber";
var explains = new RegExp(
  `\\b(?:(?:marked|shown|highlighted|displayed|printed|listed|appear|are|is)\\s+in\\s+(?:${colours})|in\\s+(?:${colours})\\s+(?:are|is|must|have|mean)|(?:${colours})\\s+(?:means?|indicates?|shows?|fields?|items?|rows?|entries|labels?|slips?|berths?|dots?|cells?))\\b`,
  "i"
);
function* explanations(scene) {
  const { index } = scene.page;
  for (const tag of ["p", "li", "legend", "label", "caption", "figcaption", "small", "div", "span", "td"]) {
    for (const element of index.byTag(tag)) {
      if ((tag === "div" || tag === "span") && index.childElements(element).length > 3) continue;
      const text = textContent(element);
      if (text.length > 200 || !explains.test(text) || !isExposed(scene, element)) continue;
      if (index.childElements(element).some((child) => explains.test(textContent(child)))) continue;
      yield element;
    }
  }
}
function judge2(element) {
  const text = textContent(element);
  return cantTell(
    `"${shortened(text, 80)}": is what the colour means told another way too, by a word or a sign?`,
    ask("Write a word or a sign beside the colour, and name that in the explanation."),
    { facts: { text } }
  );
}
var colourNotAlone = {
  id: "colour.not-alone",
  criteria: ["1.4.1"],
  severity: "barrier",
  means: "What a colour means is told by a word, a sign or a shape too.",
  who: "Someone who does not see the colour, or does not tell it from another, misses what it says.",
  mend: "Add a word or a sign.",
  looksAt: explanations,
  judge: judge2,
  examples: {
    kept: [`<p>Free slips carry a star.</p>`, `<p>The red buoy marks the channel.</p>`],
    broken: [],
    asked: [`<p>Required fields are marked in red.</p>`, `<p>Green means free.</p>`]
  }
};

// src/core/rendering/ground.ts
function groundAround(page, painted, element, interaction = noInteraction) {
  const parent = page.index.flatParent(element);
  if (parent === null) return null;
  const found = paintedText(page, painted, parent, interaction);
  return found.unknown === null && found.spots.length > 0 ? found.spots.map((spot) => spot.ground) : null;
}

// src/core/checks/contrast/worst-case.ts
var mayChange = (scene, element) => scene.schemes().some(
  (view) => ["hover", "focus", "active"].some((kind) => {
    const acted = actedElement(view, element, kind);
    return acted !== null && view.page.styles.mayReact(acted, kind);
  })
);
var rank = { failed: 0, cantTell: 1, passed: 2 };
function worstCase(scene, element, needed, states2, pseudo) {
  let worst = null;
  for (const view of scene.schemes()) {
    if (view.presence.of(element).visible === NO || whyUnseen(view.page, element) !== null) continue;
    for (const interaction of states2 === "still" ? [noInteraction] : statesOf(scene, view, element)) {
      const found = rememberedCase(scene, view, element, interaction, needed, pseudo);
      if (worst === null || rank[found.outcome] < rank[worst.outcome]) worst = found;
    }
  }
  return worst;
}
function rememberedCase(scene, view, element, interaction, needed, pseudo) {
  const likeness = view.page.styles.likeness({ element });
  const kind = `${view.scheme} ${interaction.kind} ${needed.small} ${pseudo ?? ""} ${placedAround(view, element)}`;
  const known = likeness === null ? void 0 : casesByLikeness(scene).get(likeness)?.get(kind);
  if (known !== void 0) return known;
  const found = textCase(view, element, interaction, needed, pseudo);
  if (likeness !== null && !found.painted.placeDependent) {
    const cases = casesByLikeness(scene).get(likeness) ?? /* @__PURE__ */ new Map();
    casesByLikeness(scene).set(likeness, cases.set(kind, found));
  }
  return found;
}
var casesByLikeness = keptForScene(() => /* @__PURE__ */ new WeakMap());
function placedAround(view, element) {
  const { aroundPositioned } = view.painted;
  if (aroundPositioned.size === 0) return -1;
  for (let up = element; up !== null; up = view.page.index.flatParent(up)) {
    if (aroundPositioned.has(up)) return view.page.index.record(up).order;
  }
  return -1;
}
function statesOf(scene, view, element) {
  const { styles } = view.page;
  const likeness = styles.likeness({ element });
  if (likeness === null) return [];
  const known = statesByLikeness(scene);
  let kinds = known.get(likeness);
  if (kinds === void 0) {
    kinds = ["hover", "focus", "active"].filter((kind) => {
      const acted = actedElement(view, element, kind);
      return acted !== null && styles.mayReact(acted, kind) && styles.likeness({ element, interaction: { kind, element: acted } }) !== likeness;
    });
    known.set(likeness, kinds);
  }
  return kinds.flatMap((kind) => {
    const acted = actedElement(view, element, kind);
    return acted === null ? [] : [{ kind, element: acted }];
  });
}
var statesByLikeness = keptForScene(
  () => /* @__PURE__ */ new Map()
);
function actedElement(view, element, kind) {
  if (kind === "hover") return element;
  for (let up = element; up !== null; up = view.page.index.flatParent(up)) {
    if (focusCause(view.page.index, up) !== null) return up;
  }
  return null;
}
function textCase(view, element, interaction, needed, pseudo) {
  const { styles } = view.page;
  const styled = { element, interaction, ...pseudo === void 0 ? {} : { pseudo } };
  const painted = paintedText(
    view.page,
    view.painted,
    element,
    interaction,
    pseudo === void 0 ? {} : { pseudo }
  );
  const fontSize3 = styles.fontSize(styled);
  const fontWeight = styles.fontWeight(styled);
  const large = fontSize3 === null || fontWeight === null ? null : isLargeText(fontSize3, fontWeight);
  const pairs2 = painted.spots.map(({ text, ground }) => ({ text: onScreen(text), ground: onScreen(ground) })).map((pair) => ({ ...pair, ratio: contrastRatio(pair.text, pair.ground) }));
  const lowest = pairs2.reduce(
    (least, pair) => least === null || pair.ratio < least.ratio ? pair : least,
    null
  );
  const bound = large === null ? needed.small : large ? needed.large : needed.small;
  const base = {
    ratio: lowest?.ratio ?? null,
    needed: bound,
    text: lowest?.text ?? null,
    ground: lowest?.ground ?? null,
    fontSize: fontSize3,
    fontWeight,
    scheme: view.scheme,
    interaction: interaction.kind,
    painted
  };
  const open2 = (reason) => ({
    ...base,
    ratio: null,
    text: null,
    ground: null,
    outcome: "cantTell",
    reason
  });
  if (painted.unknown !== null || lowest === null)
    return open2(painted.unknown ?? "its colours are not known");
  if (painted.spots.every(({ text, ground }) => sameOnScreen(text, ground)) && isSeeThrough(view, styled))
    return { ...base, outcome: "passed", reason: null };
  if (pairs2.every((pair) => pair.ratio >= bound)) return { ...base, outcome: "passed", reason: null };
  if (large === null && lowest.ratio >= needed.large)
    return open2("whether it counts as large text hangs on a size that source does not give");
  if (!pairs2.every((pair) => pair.ratio < bound))
    return open2("it lies on several colours, and is too pale on some of them");
  const shadow = styles.value(element, "text-shadow", interaction)?.text?.toLowerCase() ?? "none";
  if (shadow !== "none") return open2("a shadow around the letters may help or harm");
  return { ...base, outcome: "failed", reason: null };
}
var sameOnScreen = (a, b) => {
  const [one2, other] = [onScreen(a), onScreen(b)];
  return one2.r === other.r && one2.g === other.g && one2.b === other.b;
};
function isSeeThrough(view, styled) {
  const colour2 = view.page.styles.colour(styled, "color")?.colour ?? null;
  const fill = view.page.styles.colour(styled, "-webkit-text-fill-color")?.colour ?? null;
  return colour2?.alpha === 0 || fill?.alpha === 0;
}

// src/core/checks/contrast/judge-text.ts
var textElements = keptForScene(
  (scene) => scene.page.index.elements.filter(
    (element) => element.namespace === "html" && scene.presence.of(element).visible !== NO && showsWords(scene, element)
  )
);
var hasLetters = (text) => /[\p{L}\p{N}]/u.test(text);
function showsWords(scene, element) {
  if (element.tag === "option" || element.tag === "optgroup" || element.tag === "script" || element.tag === "style")
    return false;
  if (element.tag === "input") {
    const type2 = inputType(element);
    if (/^(?:submit|reset|button)$/.test(type2)) return hasLetters(scene.name(element).text);
    return (textTypes.has(type2) || type2 === "number") && hasLetters(attributeText(element, "value") ?? "");
  }
  if (scene.presence.of(element).ownTextHidden) return false;
  return element.children.some((child) => child.kind === "text" && hasLetters(writtenText(child.value)));
}
function isInactive(scene, element) {
  const { index } = scene.page;
  for (let up = element; up !== null; up = index.flatParent(up)) {
    if (attributeToken(up, "aria-disabled") === "true" || scene.presence.of(up).inert) return true;
    if (isDisabled(index, up) === true && up.tag !== "fieldset") return true;
    if (up.tag === "label") {
      const control = index.labeledControl(up);
      if (control !== null && (isDisabled(index, control) === true || attributeToken(control, "aria-disabled") === "true"))
        return true;
    }
    if (up.tag === "fieldset" && up.attributes.has("disabled")) return true;
  }
  return false;
}
function judgeText(scene, element, needed, { what = "this text", states: states2 = "still", pseudo } = {}) {
  if (states2 === "acted on" && !mayChange(scene, element)) return inapplicable;
  if (states2 === "acted on" && worstCase(scene, element, needed, "still", pseudo)?.outcome !== "passed")
    return inapplicable;
  const worst = worstCase(scene, element, needed, states2, pseudo);
  if (worst === null) return inapplicable;
  if (worst.outcome === "passed") {
    return {
      outcome: "passed",
      get facts() {
        return factsOf(worst);
      }
    };
  }
  const facts = factsOf(worst);
  if (isInactive(scene, element)) return inapplicable;
  if (!scene.stylesKnown)
    return cantTell(
      `A stylesheet of this page could not be read. Does ${what} reach ${worst.needed}:1?`,
      null,
      { facts, cause: "unread stylesheet" }
    );
  if (worst.outcome === "cantTell")
    return cantTell(
      `Does ${what} reach ${worst.needed}:1${circumstances(worst)}? Source cannot tell: ${worst.reason}.`,
      null,
      { facts, cause: `ground ${worst.reason}` }
    );
  const { text, ground, ratio, painted } = worst;
  if (text === null || ground === null || ratio === null) return inapplicable;
  if (isMarkedAsLogo(scene, element)) {
    return cantTell(
      `Is this text part of a logotype? If not, its contrast of ${shownRatio(ratio)} is too low: it needs ${worst.needed}:1.`,
      null,
      { facts, cause: "logotype" }
    );
  }
  const [layer] = painted.layers;
  return failed(
    `${what.charAt(0).toUpperCase()}${what.slice(1)} has a contrast of ${shownRatio(ratio)}${circumstances(worst)}, ${toHex(text)} on ${toHex(ground)}; it needs ${worst.needed}:1.`,
    suggestColour(
      scene,
      painted.foreground,
      text,
      ground,
      worst.needed,
      usesOf(scene, painted.foreground, element)
    ),
    {
      facts,
      origins: [
        ...originsOf("foreground", painted.foreground),
        ...originsOf("background", layer?.value ?? null)
      ],
      cause: `colours ${toHex(text)} ${toHex(ground)} ${painted.foreground?.declared?.source.file ?? ""} ${painted.foreground?.declared?.source.start ?? ""}`
    }
  );
}
function isMarkedAsLogo(scene, element) {
  for (let up = element; up !== null; up = scene.page.index.flatParent(up)) {
    if (attributeTokens(up, "class").some((name) => /^(?:logo|logotype|wordmark)$/i.test(name))) return true;
  }
  return false;
}
var schemeWords = (scheme) => scheme === "light" ? "" : scheme === "dark" ? " in the dark scheme" : ` with ${scheme}`;
var circumstances = ({ scheme, interaction }) => `${schemeWords(scheme)}${interaction === "none" ? "" : interaction === "hover" ? " under the pointer" : interaction === "focus" ? " while focused" : " while pressed"}`;
function usesOf(scene, value, element) {
  const property = value?.through.at(-1)?.declared?.source;
  if (property === void 0) return [];
  return (textsByProperty(scene).get(`${property.file} ${property.start}`) ?? []).filter(
    (use) => use.element !== element
  );
}
var textsByProperty = keptForScene((scene) => {
  const found = /* @__PURE__ */ new Map();
  for (const element of textElements(scene)) {
    const still = worstCase(scene, element, { large: 3, small: 4.5 }, "still");
    const property = still?.painted.foreground?.through.at(-1)?.declared?.source;
    if (still === null || property === void 0 || still.ground === null) continue;
    const key2 = `${property.file} ${property.start}`;
    const use = { element, ground: still.ground, needed: still.needed };
    const uses = found.get(key2);
    if (uses === void 0) found.set(key2, [use]);
    else uses.push(use);
  }
  return found;
});
var factsOf = (found) => ({
  ratio: found.ratio,
  needed: found.needed,
  foreground: found.text === null ? null : toHex(found.text),
  background: found.ground === null ? null : toHex(found.ground),
  fontSize: found.fontSize,
  fontWeight: found.fontWeight,
  scheme: found.scheme,
  interaction: found.interaction
});

// src/core/checks/contrast/control-edge.ts
var NEEDED2 = 3;
var sides2 = ["top", "right", "bottom", "left"];
var boxless = /^(?:checkbox|radio|range|image|file|color|hidden|submit|reset|button)$/;
var fields = (scene) => scene.page.index.elements.filter(
  (element) => element.namespace === "html" && (element.tag === "input" && !boxless.test(inputType(element)) || element.tag === "select" || element.tag === "textarea") && scene.presence.of(element).visible !== NO
);
function edgesOf(view, field) {
  const edges = [];
  for (const side of sides2) {
    const style = view.page.styles.keyword(field, `border-${side}-style`);
    const width = view.page.styles.value(field, `border-${side}-width`)?.text ?? null;
    if (style === null || width === null) return null;
    if (style === "none" || style === "hidden" || /^0[a-z%]*$/i.test(width)) continue;
    const found = view.page.styles.colour({ element: field }, `border-${side}-color`);
    if (found === null || found.colour === null) return null;
    edges.push({ colour: found.colour, value: found.value });
  }
  return edges;
}
function judge3(field, scene) {
  if (isInactive(scene, field)) return inapplicable;
  let known = false;
  for (const view of scene.schemes()) {
    if (view.presence.of(field).visible === NO || whyUnseen(view.page, field) !== null) continue;
    const verdict = judgeIn2(view, field, scene);
    if (verdict.outcome === "failed" || verdict.outcome === "cantTell") return verdict;
    known ||= verdict.outcome === "passed";
  }
  return known ? passed : inapplicable;
}
function judgeIn2(view, field, scene) {
  const { styles } = view.page;
  const edges = edgesOf(view, field);
  const fill = styles.colour({ element: field }, "background-color");
  if (edges === null || fill === null || fill.colour === null || !scene.stylesKnown) return inapplicable;
  const isOwn = [...edges.map((edge) => edge.value), fill.value].some(
    (value) => value.block !== null && value.block.origin !== "user-agent"
  );
  const hasBorderRule = edges.length === 0 || edges.some((edge) => edge.value.block?.origin !== "user-agent");
  if (!isOwn || !hasBorderRule) return inapplicable;
  const others = ["box-shadow", "background-image", "filter"].some(
    (property) => (styles.keyword(field, property) ?? "none") !== "none"
  );
  const outline = styles.keyword(field, "outline-style");
  if (others || outline !== null && outline !== "none") return inapplicable;
  const grounds = groundAround(view.page, view.painted, field);
  if (grounds === null) return inapplicable;
  const [firstEdge] = edges;
  const fillColour = fill.colour;
  const best = grounds.map((ground2) => {
    const inside = over(fillColour, ground2);
    return Math.max(
      contrastRatio(inside, ground2),
      ...edges.map(
        (edge) => Math.max(
          contrastRatio(over(edge.colour, ground2), ground2),
          contrastRatio(over(edge.colour, ground2), inside)
        )
      )
    );
  });
  const lowest = Math.min(...best);
  if (lowest >= NEEDED2) return passed;
  const [ground] = grounds;
  if (firstEdge === void 0 || ground === void 0 || !best.every((ratio) => ratio < NEEDED2)) {
    return cantTell(
      "This field has no edge that stands out by 3:1. Does something around it show where it is?"
    );
  }
  const shown = over(firstEdge.colour, ground);
  return failed(
    `The edge of this field stands out by ${shownRatio(lowest)}, ${toHex(shown)} on ${toHex(ground)}; it needs 3:1.`,
    suggestColour(scene, firstEdge.value, shown, ground, NEEDED2),
    {
      facts: {
        ratio: lowest,
        needed: NEEDED2,
        foreground: toHex(shown),
        background: toHex(ground),
        scheme: view.scheme
      },
      origins: originsOf("foreground", firstEdge.value),
      cause: `edge ${toHex(shown)} ${toHex(ground)} ${firstEdge.value.declared?.source.start ?? ""}`
    }
  );
}
var contrastControlEdge = {
  id: "contrast.control-edge",
  criteria: ["1.4.11"],
  severity: "barrier",
  means: "The edge or ground of a field stands out from what is around it by at least 3:1.",
  who: "Someone with low vision does not see that there is a field, or where it ends.",
  mend: "Give the field a darker border.",
  looksAt: fields,
  judge: judge3,
  examples: {
    kept: [
      `<input aria-label="Beam">`,
      `<input aria-label="Beam" style="border: 1px solid #767676">`,
      `<input aria-label="Beam" style="border: 1px solid #eee; background: #555">`,
      `<input aria-label="Beam" style="border: 0; border-bottom: 2px solid #333">`,
      `<input aria-label="Beam" disabled style="border: 1px solid #eee">`
    ],
    broken: [
      `<input aria-label="Beam" style="border: 1px solid #ddd">`,
      `<style>select { border: 1px solid #ccc; background: #fff }</style><select aria-label="Kind"><option>a</select>`
    ],
    asked: [`<input aria-label="Beam" style="border: none; background: #fff">`]
  }
};

// src/core/checks/keys/focus-mark-of.ts
var markedStops = (scene) => sureStops(scene).filter((element) => {
  if (element.namespace !== "html") return false;
  const hasCaret = element.tag === "textarea" || element.attributes.has("contenteditable") || element.tag === "input" && (textTypes.has(inputType(element)) || inputType(element) === "number");
  if (hasCaret || /^(?:html|body|iframe|audio|video|area)$/.test(element.tag)) return false;
  return whyUnseen(scene.page, element) === null;
});
var visible = [
  "background-color",
  "background-image",
  "color",
  "text-decoration-line",
  "text-decoration-color",
  "text-decoration-thickness",
  "box-shadow",
  "text-shadow",
  "border-top-color",
  "border-right-color",
  "border-bottom-color",
  "border-left-color",
  "border-top-style",
  "border-bottom-style",
  "border-left-style",
  "border-right-style",
  "border-top-width",
  "border-bottom-width",
  "border-left-width",
  "border-right-width",
  "font-weight",
  "font-size",
  "font-style",
  "transform",
  "scale",
  "translate",
  "filter",
  "opacity",
  "clip-path",
  "width",
  "height",
  "padding-left",
  "padding-top",
  "display",
  "visibility",
  "content",
  "top",
  "left",
  "animation-name"
];
function focusMarkOf(scene, element) {
  const { styles, index } = scene.page;
  const interaction = { kind: "focus", element };
  const value = (property) => styles.value(element, property, interaction)?.text?.toLowerCase() ?? null;
  const style = value("outline-style");
  const width = value("outline-width");
  if (style === null || width === null) return { kind: "other" };
  if (style === "auto") return { kind: "browser" };
  const colour2 = styles.value(element, "outline-color", interaction)?.text ?? "auto";
  const shown = /^(?:auto|invert)$/i.test(colour2) ? null : styles.colourWithin({ element, interaction }, colour2);
  const isDrawn = style !== "none" && style !== "hidden" && !/^0[a-z]*$/.test(width) && shown?.alpha !== 0;
  if (isDrawn && changesAnything(scene, element, interaction) === false)
    return { kind: "outline", colour: shown };
  if (isDrawn || changesAnything(scene, element, interaction)) return { kind: "other" };
  const near = [
    index.flatParent(element),
    index.flatParent(index.flatParent(element) ?? element),
    ...index.labels(element)
  ];
  const { parent, root } = index.record(element);
  const siblings = index.childElements(parent ?? root);
  const at2 = siblings.indexOf(element);
  const all = [...near, ...siblings.slice(at2 + 1, at2 + 4), ...index.childElements(element)];
  const changed = all.some(
    (other) => other !== null && other !== void 0 && styles.likeness({ element: other, interaction }) !== styles.likeness({ element: other }) && changesAnything(scene, other, interaction)
  );
  return changed ? { kind: "other" } : { kind: "none" };
}
function changesAnything(scene, element, interaction) {
  const { styles } = scene.page;
  if (styles.likeness({ element, interaction }) !== styles.likeness({ element })) {
    for (const property of visible) {
      if ((styles.value(element, property, interaction)?.text ?? null) !== (styles.value(element, property)?.text ?? null))
        return true;
    }
  }
  for (const pseudo of ["before", "after"]) {
    if (styles.likeness({ element, pseudo }) === null && styles.likeness({ element, pseudo, interaction }) === null)
      continue;
    for (const property of visible) {
      if ((styles.pseudoValue(element, pseudo, property, interaction)?.text ?? null) !== (styles.pseudoValue(element, pseudo, property)?.text ?? null))
        return true;
    }
  }
  return false;
}

// src/core/checks/contrast/focus-mark.ts
var NEEDED3 = 3;
function judge4(stop, scene) {
  if (!scene.stylesKnown) return inapplicable;
  const mark = focusMarkOf(scene, stop);
  if (mark.kind !== "outline" || mark.colour === null) return inapplicable;
  const [view] = scene.schemes();
  const interaction = { kind: "focus", element: stop };
  const grounds = view === void 0 ? null : groundAround(view.page, view.painted, stop, interaction);
  const offset = scene.page.styles.pixels({ element: stop, interaction }, "outline-offset");
  if (grounds === null || offset === null || offset < 0) return inapplicable;
  const { colour: colour2 } = mark;
  const pairs2 = grounds.map((ground) => ({ ground: onScreen(ground), shown: onScreen(over(colour2, ground)) })).map((pair) => ({ ...pair, ratio: contrastRatio(pair.shown, pair.ground) }));
  const lowest = pairs2.toSorted((a, b) => a.ratio - b.ratio)[0];
  if (lowest === void 0 || lowest.ratio >= NEEDED3) return passed;
  if (!pairs2.every(({ ratio }) => ratio < NEEDED3))
    return cantTell(
      "The focus mark is too pale on some of the colours it may lie on. Is it seen where it appears?"
    );
  const value = scene.page.styles.value(stop, "outline-color", interaction);
  return failed(
    `The mark of focus stands out by ${shownRatio(lowest.ratio)}, ${toHex(lowest.shown)} on ${toHex(lowest.ground)}; it needs 3:1.`,
    suggestColour(scene, value, lowest.shown, lowest.ground, NEEDED3),
    {
      facts: {
        ratio: lowest.ratio,
        needed: NEEDED3,
        foreground: toHex(lowest.shown),
        background: toHex(lowest.ground),
        interaction: "focus"
      },
      origins: originsOf("foreground", value),
      cause: `mark ${toHex(lowest.shown)} ${toHex(lowest.ground)} ${value?.declared?.source.start ?? ""}`
    }
  );
}
var contrastFocusMark = {
  id: "contrast.focus-mark",
  criteria: ["1.4.11", "2.4.7"],
  severity: "barrier",
  means: "The mark of focus stands out from what is beside it by at least 3:1.",
  who: "Someone with low vision who uses the keyboard loses sight of where they are.",
  mend: "Give the outline a stronger colour.",
  looksAt: markedStops,
  judge: judge4,
  examples: {
    kept: [
      `<button>Haul out</button>`,
      `<style>:focus { outline: 2px solid #06c }</style><a href="x">Slips</a>`,
      `<style>a:focus { outline: 2px solid #eee; background: #000; color: #fff }</style><a href="x">Slips</a>`
    ],
    broken: [`<style>:focus { outline: 2px solid #ddd }</style><a href="x">Slips</a>`]
  }
};

// src/core/checks/contrast/placeholder.ts
var contrastPlaceholder = {
  id: "contrast.placeholder",
  criteria: ["1.4.3"],
  severity: "barrier",
  means: "Placeholder text stands out from its field by at least 4.5:1.",
  who: "Someone with low vision cannot read the hint in the field.",
  mend: "Give ::placeholder a darker colour.",
  looksAt: (scene) => [...scene.page.index.byTag("input"), ...scene.page.index.byTag("textarea")].filter(
    (field) => (field.tag === "textarea" || textTypes.has(inputType(field)) || inputType(field) === "number") && /[\p{L}\p{N}]/u.test(attributeText(field, "placeholder") ?? "") && (attributeText(field, "value") ?? "") === "" && scene.presence.of(field).visible !== NO
  ),
  judge: (element, scene) => judgeText(scene, element, { large: 3, small: 4.5 }, { what: "this placeholder", pseudo: "placeholder" }),
  examples: {
    kept: [
      `<input aria-label="Boat" placeholder="Petrel">`,
      `<input aria-label="Boat" value="Petrel" placeholder="Petrel"><style>::placeholder { color: #ccc }</style>`
    ],
    broken: [`<input aria-label="Boat" placeholder="Petrel"><style>::placeholder { color: #bbb }</style>`]
  }
};

// src/core/checks/contrast/text.ts
var contrastText = {
  id: "contrast.text",
  criteria: ["1.4.3"],
  severity: "barrier",
  means: "Text stands out from its ground by at least 4.5:1, large text by 3:1, in every colour scheme.",
  who: "Someone with low vision, or reading in sunlight or on a poor screen, cannot make out the words.",
  mend: "Darken the text or lighten its ground; the nearest colour that passes is named with each finding.",
  looksAt: textElements,
  judge: (element, scene) => judgeText(scene, element, { large: 3, small: 4.5 }),
  examples: {
    kept: [
      `<p>Slip 4</p>`,
      `<p style="color: #767676">Slip 4</p>`,
      `<h1 style="color: #949494; font-size: 24px">Slip 4</h1>`,
      `<button disabled style="color: #ccc; background: #fff">Slip 4</button>`,
      `<p style="color: #eee; background: #333">Slip 4</p>`,
      `<style>.x { color: #ccc } .x { color: #333 }</style><p class="x">Slip 4</p>`,
      `<div style="background: linear-gradient(#000, #333)"><p style="color: #fff">Slip 4</p></div>`,
      `<p style="color: #ddd; position: absolute; clip-path: inset(50%)">Slip 4</p>`
    ],
    broken: [
      `<p style="color: #999">Slip 4</p>`,
      `<p style="opacity: .5">Slip 4</p><style>p { color: #333 }</style>`,
      `<style>:root { --m: #aaa } p { color: var(--m) }</style><p>Slip 4</p>`,
      `<div style="background: linear-gradient(#888, #999)"><p style="color: #fff">Slip 4</p></div>`,
      `<style>:root { color-scheme: light dark } p { color: light-dark(#333, #444) }</style><p>Slip 4</p>`
    ],
    asked: [
      `<div style="background: url(yard.jpg)"><p style="color: #999">Slip 4</p></div>`,
      `<div style="background: linear-gradient(#000, #fff)"><p style="color: #000">Slip 4</p></div>`,
      `<p style="color: #999; text-shadow: 0 0 3px #000">Slip 4</p>`
    ]
  }
};

// src/core/checks/contrast/text-acted-on.ts
var contrastTextActedOn = {
  id: "contrast.text-acted-on",
  criteria: ["1.4.3"],
  severity: "barrier",
  means: "Text still stands out by 4.5:1, large text by 3:1, while it is under the pointer, focused or pressed.",
  who: "Someone with low vision loses the words at the moment they reach them.",
  mend: "Give the :hover, :focus or :active rule a colour with enough contrast.",
  looksAt: textElements,
  judge: (element, scene) => judgeText(scene, element, { large: 3, small: 4.5 }, { states: "acted on" }),
  examples: {
    kept: [
      `<style>a { color: #036 } a:hover { color: #a00 }</style><a href="x">Slip 4</a>`,
      `<a href="x" style="color: #999">Slip 4</a>`
    ],
    broken: [
      `<style>a { color: #036 } a:hover { color: #9cf }</style><a href="x">Slip 4</a>`,
      `<style>button:focus { background: #ccc; color: #aaa }</style><button>Haul out</button>`,
      `<style>tr:hover { background: #333 }</style><table><tr><td>Slip 4</td></tr></table>`
    ],
    asked: [`<style>a:hover { background: url(x.png) }</style><a href="x">Slip 4</a>`]
  }
};

// src/core/checks/contrast/text-enhanced.ts
var contrastTextEnhanced = {
  id: "contrast.text-enhanced",
  criteria: ["1.4.6"],
  severity: "friction",
  means: "Text stands out from its ground by at least 7:1, large text by 4.5:1.",
  who: "Someone with much reduced sight, who uses no magnifier, tires quickly or gives up.",
  mend: "Darken the text or lighten its ground; the nearest colour that passes is named with each finding.",
  looksAt: textElements,
  judge: (element, scene) => judgeText(scene, element, { large: 4.5, small: 7 }),
  examples: {
    kept: [`<p style="color: #595959">Slip 4</p>`],
    broken: [`<p style="color: #767676">Slip 4</p>`],
    asked: [`<div style="background: url(yard.jpg)"><p>Slip 4</p></div>`]
  }
};

// src/core/checks/fresh-id.ts
function freshId(scene, element, words4) {
  const base = words4.toLowerCase().replace(/[^\p{L}\p{N}_]+/gu, "-").replace(/^-+|-+$/g, "").slice(0, LONGEST) || element.tag;
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (scene.page.index.byId(element, id) === null) return id;
  }
}
var LONGEST = 40;

// src/core/checks/names/label-edits.ts
function idOf(scene, field, words4) {
  const own = attributeText(field, "id");
  if (own !== null && own !== "" && scene.page.index.byId(field, own) === field)
    return { id: own, changes: [] };
  const id = freshId(scene, field, words4);
  return { id, changes: [setAttribute(field, "id", id)] };
}
var idWords = (field, otherwise) => {
  const name = attributeText(field, "name") ?? "";
  return name === "" ? otherwise : name;
};
function labelFrom(scene, field, { text, node }) {
  const summary = `Make the text beside it its label: <label for="\u2026">${text}</label>.`;
  const { id, changes } = idOf(scene, field, idWords(field, text));
  const [first, last] = node.kind === "text" ? [node, node] : [node.children[0], node.children.at(-1)];
  return isWritten(first) && isWritten(last) ? withChanges("likely", summary, [
    wrap(first, last, { tag: "label", attributes: { for: id } }),
    ...changes
  ]) : labelWithWords(scene, field, summary, text);
}
var isWritten = (node) => node?.kind === "text" || node?.kind === "element";
function labelWithWords(scene, field, summary, start) {
  const { id, changes } = idOf(scene, field, idWords(field, start));
  return askWords(summary, "Label", start, [
    insert("before", field, { tag: "label", attributes: { for: id }, text: BLANK }),
    ...changes
  ]);
}

// src/core/checks/forms/error-connected.ts
var invalid = (scene) => exposedWithAria(scene).filter((element) => {
  const value = attributeToken(element, "aria-invalid");
  return value !== null && value !== "" && value !== "false";
});
var calledError = /(?:^|[\s_-])(?:error|errors|invalid|invalid-feedback|help-error|field-error|validation|warning)(?:$|[\s_-])/i;
function judge5(field, scene) {
  const { index } = scene.page;
  const said = ["aria-errormessage", "aria-describedby"].flatMap((attribute) => referencedElements(index, field, attribute)).some((element) => textContent(element) !== "");
  if (said) return passed;
  const message = messageNear(scene, field);
  const name = scene.name(field).text;
  if (message === null)
    return cantTell(
      `"${name}" is marked invalid. Is it said in text, with the field or above the form, what is wrong?`,
      ask("Write what is wrong beside the field, give that an id, and name it in aria-describedby.")
    );
  const text = textContent(message);
  const { id, changes } = idOf(
    scene,
    message,
    `${attributeText(field, "id") ?? attributeText(field, "name") ?? "field"} error`
  );
  return failed(
    `The message "${shortened(text, 60)}" is not connected to its field.`,
    withChanges(
      "likely",
      changes.length > 0 ? "Give the message an id, and name it in aria-describedby of the field." : `Connect them: aria-describedby="${id}".`,
      [
        ...changes,
        setAttribute(
          field,
          "aria-describedby",
          [attributeText(field, "aria-describedby"), id].filter((x) => x !== null && x !== "").join(" ")
        )
      ]
    ),
    { facts: { message: text } }
  );
}
function messageNear(scene, field) {
  const { index } = scene.page;
  const { parent, root } = index.record(field);
  const siblings = index.childElements(parent ?? root);
  const after2 = siblings.slice(siblings.indexOf(field) + 1);
  for (const element of after2.flatMap((sibling) => [sibling, ...elementsInside(scene, sibling)])) {
    if (/^(?:input|select|textarea)$/.test(element.tag)) return null;
    const called = `${attributeText(element, "class") ?? ""} ${attributeText(element, "id") ?? ""}`;
    const isMessage = calledError.test(called) || scene.role(element).role === "alert";
    if (isMessage && isShown(scene, element) && textContent(element) !== "") return element;
  }
  return null;
}
var errorConnected = {
  id: "forms.error-connected",
  criteria: ["3.3.1", "1.3.1"],
  severity: "barrier",
  means: "A field that is invalid points to the message that says why.",
  who: 'Someone using a screen reader hears "invalid" and must look for the reason somewhere on the page.',
  mend: "Give the message an id and name it in aria-describedby of the field.",
  looksAt: invalid,
  judge: judge5,
  examples: {
    kept: [
      `<input aria-label="Beam" aria-invalid="true" aria-describedby="e"><p id="e" class="error">Write a number.</p>`,
      `<input aria-label="Beam" aria-invalid="false">`
    ],
    broken: [
      `<div><input aria-label="Beam" aria-invalid="true"><p id="e" class="error">Write a number.</p></div>`
    ],
    asked: [`<div><input aria-label="Beam" aria-invalid="true"></div>`]
  }
};

// src/core/checks/forms/options-grouped.ts
var headsOthers = /^(?:[-–—=*_ ]{2,}\s*\p{L}.*|\p{L}.*[-–—=*_]{2,})$/u;
function judge6(select, scene) {
  const { index } = scene.page;
  if (index.childElements(select).some((child) => child.tag === "optgroup")) return passed;
  const headings = optionsOf(index, select).slice(1).filter((option) => hasAttribute(option, "disabled") && headsOthers.test(textContent(option)));
  const [first] = headings;
  if (first === void 0) return inapplicable;
  const label = textContent(first).replace(/^[-–—=*_\s]+|[-–—=*_\s]+$/g, "");
  return failed(
    `The option "${textContent(first)}" is drawn as the heading of others, and told as one of them.`,
    ask(`Use <optgroup label="${label}"> around the options it heads.`),
    at(first)
  );
}
var optionsGrouped = {
  id: "forms.options-grouped",
  criteria: [],
  severity: "friction",
  means: "Options that belong together are in a group with a name.",
  who: "Someone using a screen reader hears dashes, and a choice that cannot be chosen.",
  mend: "Use <optgroup> with a label.",
  looksAt: (scene) => exposedByTag(scene, "select"),
  judge: judge6,
  examples: {
    kept: [
      `<select aria-label="Berth"><optgroup label="North"><option>1</option></optgroup></select>`,
      `<select aria-label="Berth"><option disabled>-- choose --</option><option>1</option></select>`
    ],
    broken: [
      `<select aria-label="Berth"><option>Any</option><option disabled>--- North ---</option><option>1</option></select>`
    ]
  }
};

// src/core/document/nearest-word.ts
import { closest, distance } from "fastest-levenshtein";
function nearestWord(written, known) {
  if (known.length === 0 || written === "") return null;
  const near = closest(written.toLowerCase(), [...known]);
  return distance(written.toLowerCase(), near) <= Math.ceil(near.length / 3) ? near : null;
}

// src/core/standards/autofill.ts
var fieldNames = new Set(
  "name honorific-prefix given-name additional-name family-name honorific-suffix nickname username new-password current-password one-time-code organization-title organization street-address address-line1 address-line2 address-line3 address-level4 address-level3 address-level2 address-level1 country country-name postal-code cc-name cc-given-name cc-additional-name cc-family-name cc-number cc-exp cc-exp-month cc-exp-year cc-csc cc-type transaction-currency transaction-amount language bday bday-day bday-month bday-year sex url photo webauthn".split(" ")
);
var contactNames = new Set(
  "tel tel-country-code tel-national tel-area-code tel-local tel-local-prefix tel-local-suffix tel-extension email impp".split(
    " "
  )
);
var contactWays = /* @__PURE__ */ new Set(["home", "work", "mobile", "fax", "pager"]);
var autofillNames = [...fieldNames, ...contactNames];
function wrongAutofillToken(value) {
  const tokens = value.trim().toLowerCase().split(/\s+/).filter((token) => token !== "");
  if (tokens.length === 0 || tokens.length === 1 && (tokens[0] === "on" || tokens[0] === "off"))
    return null;
  const left = [...tokens];
  if (left[0]?.startsWith("section-") === true) left.shift();
  if (left[0] === "shipping" || left[0] === "billing") left.shift();
  const way = contactWays.has(left[0] ?? "") ? left.shift() : null;
  const field = left.shift();
  if (field === void 0) return tokens.at(-1) ?? null;
  const isKnown = contactNames.has(field) || way == null && fieldNames.has(field);
  if (!isKnown) return field;
  if (left[0] === "webauthn") left.shift();
  return left[0] ?? null;
}

// src/core/checks/forms/purpose-told.ts
var fields2 = (scene) => ["input", "select", "textarea"].flatMap((tag) => scene.page.index.byTag(tag)).filter(
  (field) => field.attributes.has("autocomplete") && scene.presence.of(field).visible !== NO && !(field.tag === "input" && /^(?:hidden|button|submit|reset|checkbox|radio|image|file)$/.test(inputType(field)))
);
function judge7(field, scene) {
  const value = attributeText(field, "autocomplete");
  if (value === null || isInactive(scene, field)) return inapplicable;
  const wrong = wrongAutofillToken(value);
  if (wrong === null) return passed;
  if (/^(?:none|nope|no|false|true|disabled|new|random|chrome-off|nofill|do-not-autofill)$/.test(wrong))
    return inapplicable;
  const tokens = value.trim().split(/\s+/);
  const cleaned = tokens.map((token) => token.replace(/[^a-z0-9-]/gi, "").toLowerCase()).join(" ");
  const near = nearestWord(wrong, autofillNames);
  const meant2 = wrongAutofillToken(cleaned) === null ? cleaned : near === null ? null : tokens.map((token) => token.toLowerCase() === wrong ? near : token).join(" ");
  const isFixed = meant2 !== null && wrongAutofillToken(meant2) === null;
  return failed(
    `"${wrong}" says nothing in autocomplete here: no browser can tell what belongs in the field.`,
    isFixed && meant2 !== null ? withChanges("likely", `Write autocomplete="${meant2}".`, [setAttribute(field, "autocomplete", meant2)]) : ask("Use the words of the HTML standard: name, email, tel, street-address, postal-code \u2026"),
    {
      facts: { autocomplete: value },
      ...at(field, "autocomplete")
    }
  );
}
var purposeTold = {
  id: "forms.purpose-told",
  criteria: ["1.3.5"],
  severity: "barrier",
  means: "What autocomplete says of a field is a purpose that browsers know.",
  who: "Someone who types with difficulty, or forgets, does not get the field filled in; tools that show symbols for fields show none.",
  mend: "Write one of the purposes of the HTML standard.",
  looksAt: fields2,
  judge: judge7,
  examples: {
    kept: [
      `<input aria-label="Name" autocomplete="name">`,
      `<input aria-label="Phone" autocomplete="section-a billing home tel">`,
      `<input aria-label="x" autocomplete="off">`,
      `<input aria-label="x" autocomplete="">`
    ],
    broken: [
      `<input aria-label="Name" autocomplete="billing, name">`,
      `<input aria-label="Mail" autocomplete="e-mail">`,
      `<input aria-label="Name" autocomplete="home name">`
    ]
  }
};

// src/core/checks/shown-name.ts
var privateUse = /[\ue000-\uf8ff]|[\u{f0000}-\u{ffffd}]|[\u{100000}-\u{10fffd}]/gu;
var formatting = /[\u00ad\u200b-\u200f\u2060\ufeff]/g;
var speakable = (name) => name.replace(privateUse, "").replace(formatting, "").replace(/\u00a0/g, " ").trim();
function isUnnamed(scene, element) {
  const name = scene.name(element);
  return name.certain && speakable(name.text) === "";
}
var holdsUnknownContent = (scene, element) => firstOf(
  elementsBelow(scene.page.index, element),
  ({ tag, shadow, namespace }) => tag.includes("-") && shadow === null && namespace === "html"
);

// src/core/checks/forms/required-told.ts
var marked = /\*|\b(?:required|mandatory|compulsory|must be filled)\b/i;
var optional = /\boptional\b/i;
var fields3 = keptForScene(
  (scene) => ["input", "select", "textarea"].flatMap((tag) => scene.page.index.byTag(tag)).filter(
    (field) => isExposed(scene, field) && !(field.tag === "input" && /^(?:hidden|button|submit|reset|image|range|color)$/.test(inputType(field)))
  )
);
var isRequired = (field) => hasAttribute(field, "required") || attributeToken(field, "aria-required") === "true";
function judge8(field, scene) {
  const name = speakable(scene.name(field).text);
  const words4 = `${name} ${scene.description(field).text} ${scene.page.index.labels(field).map(textContent).join(" ")}`;
  const required = isRequired(field);
  const source = at(field);
  if (!required) {
    if (!marked.test(words4) || optional.test(words4)) return inapplicable;
    return /\b(?:required|mandatory)\b/i.test(words4) ? passed : cantTell(
      `The label "${name}" carries a star. If that means required, does anything but the star say so?`,
      withChanges("likely", "Add required.", [setAttribute(field, "required", "")]),
      source
    );
  }
  if (marked.test(words4) || /^(?:radio|checkbox)$/.test(inputType(field))) return passed;
  const form2 = [...elementsAround(scene, field)].find((up) => up.tag === "form");
  if (form2 !== void 0 && /\ball\b[^.]{0,40}\b(?:required|mandatory)\b|\boptional\b|\bmust be filled\b/i.test(textContent(form2)))
    return passed;
  if (form2 !== void 0 && fields3(scene).filter((other) => [...elementsAround(scene, other)].includes(form2)).length < 3)
    return passed;
  return cantTell(
    `${name === "" ? "This field" : `"${name}"`} must be filled in. Does one see that before sending the form?`,
    ask('Say so in the label: "(required)", or a star that is explained above the form.'),
    { ...source, cause: "required fields that do not say so" }
  );
}
var requiredTold = {
  id: "forms.required-told",
  criteria: ["3.3.2"],
  severity: "barrier",
  means: "Fields that must be filled in say so, in words and in their state.",
  who: "Someone fills in the form, is sent back, and must look for what was missing.",
  mend: 'Write "(required)" into the label and required on the field.',
  looksAt: fields3,
  judge: judge8,
  examples: {
    kept: [
      `<label>Boat (required) <input required></label>`,
      `<label>Boat <input></label>`,
      `<form><p>All fields are required.</p><label>A <input required></label><label>B <input required></label><label>C <input required></label></form>`,
      `<form><input type="search" aria-label="Search" required></form>`
    ],
    broken: [],
    asked: [
      `<label>Boat * <input></label>`,
      `<form><label>A <input required></label><label>B <input></label><label>C <input></label></form>`
    ]
  }
};

// src/core/checks/keys/access-keys.ts
var holders = keptForScene((scene) => {
  const found = /* @__PURE__ */ new Map();
  for (const element of scene.page.index.elements) {
    const key2 = attributeText(element, "accesskey")?.trim().toLowerCase() ?? "";
    if (key2 === "" || !isExposed(scene, element)) continue;
    const same = found.get(key2);
    if (same === void 0) found.set(key2, [element]);
    else same.push(element);
  }
  return found;
});
function judge9(element, scene) {
  const key2 = attributeText(element, "accesskey")?.trim().toLowerCase() ?? "";
  const same = holders(scene).get(key2) ?? [];
  const [first] = same;
  if (first === void 0) return inapplicable;
  if (first === element) return passed;
  const href = attributeText(element, "href");
  if (href !== null && href === attributeText(first, "href")) return passed;
  return failed(
    `The access key "${key2}" belongs to "${scene.name(first).text}" already: which of them it reaches is chance.`,
    withChanges(
      "likely",
      "Give each its own key; or none, as access keys collide with those of browsers and assistive technology.",
      [removeAttribute(element, "accesskey")]
    ),
    { facts: { key: key2 }, ...at(element, "accesskey") }
  );
}
var accessKeys = {
  id: "keys.access-keys",
  criteria: [],
  severity: "friction",
  means: "No two elements share an access key.",
  who: "Someone who uses the keyboard lands somewhere else than the key promised.",
  mend: "Give each its own key, or none.",
  looksAt: (scene) => [...holders(scene).values()].flat(),
  judge: judge9,
  examples: {
    kept: [`<a href="x" accesskey="s">Slips</a> <a href="y" accesskey="t">Tides</a>`],
    broken: [`<a href="x" accesskey="s">Slips</a> <a href="y" accesskey="S">Search</a>`]
  }
};

// src/core/checks/as-button.ts
var plain = /* @__PURE__ */ new Set(["div", "span", "p", "a", "b", "i", "em", "strong"]);
var phrasing = new Set(
  "abbr b bdi bdo br cite code data em i img kbd mark path circle rect line polyline polygon g use title desc q s samp small span strong sub sup svg time u var wbr".split(
    " "
  )
);
var keyEvents = ["keydown", "keyup", "keypress"];
var undressed = {
  padding: "0",
  border: "0",
  background: "none",
  font: "inherit",
  color: "inherit",
  "text-align": "inherit"
};
var longhandOf = {
  padding: ["padding-top", "padding-left"],
  border: ["border-top-style", "border-bottom-style", "border-left-style", "border-top-width"],
  background: ["background-color", "background-image"],
  font: ["font-size", "font-family", "font-weight"],
  color: ["color"],
  "text-align": ["text-align"]
};
function asButton(scene, element) {
  const { index } = scene.page;
  if (element.namespace !== "html" || !plain.has(element.tag) || element.attributes.has("href")) return null;
  if (element.spread !== null || element.listeners === "unknown") return null;
  for (const inside of elementsBelow(index, element))
    if (!phrasing.has(inside.tag) || focusCause(index, inside) !== null) return null;
  const keys = keyEvents.filter((event) => element.listeners.has(event));
  const click = pointerHandlerOf(element)?.code.replace(/;\s*$/, "").trim() ?? "";
  const isRepeated = (event) => {
    const code = attributeText(element, `on${event}`) ?? "";
    return click !== "" && code.includes(click) && /Enter|Space|["'`] ["'`]|\b(?:13|32)\b/.test(code);
  };
  if (!keys.every(isRepeated)) return null;
  const dropped = ["role", "tabindex", ...keys.map((event) => `on${event}`)];
  return [
    renameElement(element, "button"),
    ...dropped.filter((name) => element.attributes.has(name)).map((name) => removeAttribute(element, name)),
    setAttribute(element, "type", "button"),
    addDeclarations(element, () => look(scene, element))
  ];
}
function look(scene, element) {
  const { styles } = scene.page;
  const isSet = (property) => ["none", "hover", "focus", "active"].some((kind) => {
    const value = kind === "none" ? styles.value(element, property) : styles.value(element, property, { kind, element });
    return value?.own === true && value.block?.origin === "author";
  });
  const kept3 = Object.entries(undressed).filter(([property]) => !(longhandOf[property] ?? []).some(isSet));
  const fillsLine = element.tag === "div" || element.tag === "p";
  return {
    ...fillsLine && !isSet("display") ? { display: "block" } : {},
    ...fillsLine && !isSet("width") && !isSet("display") ? { width: "100%" } : {},
    ...Object.fromEntries(kept3)
  };
}

// src/core/checks/scripts.ts
var runs = /^(?:|module|(?:text|application)\/(?:x-)?(?:java|ecma)script.*)$/i;
var scriptsOf = keptForScene((scene) => {
  const scripts2 = scene.page.index.byTag("script").filter((script) => runs.test(attributeText(script, "type")?.trim() ?? ""));
  return {
    elsewhere: scripts2.some((script) => script.attributes.has("src") || script.attributes.has("href")) || scene.document.kind === "fragment",
    text: scripts2.map(textContent).join("\n")
  };
});
var isAlive = keptForScene(
  (scene) => scriptsOf(scene).text.trim() !== "" || scene.page.index.elements.some(({ listeners }) => listeners === "unknown" || listeners.size > 0)
);
var scriptsMay = (scene, words4) => {
  const { elsewhere, text } = scriptsOf(scene);
  return elsewhere || words4.test(text);
};

// src/core/checks/keys/handlers.ts
var handlerText = (element, event) => attributeText(element, `on${event}`)?.trim() ?? null;
var withHandlers = keptForScene(
  (scene) => scene.page.index.elements.filter(
    (element) => element.listeners !== "unknown" && element.listeners.size > 0 && isShown(scene, element)
  )
);
var changesContext = /\b(?:this\.form|form|this|document\.forms\S*)\.(?:submit|requestSubmit)\s*\(|\b(?:window\.|document\.|self\.|top\.)?location(?:\.href)?\s*=(?!=)|\blocation\.(?:assign|replace)\s*\(|\bwindow\.open\s*\(/;
var isConditional = (code) => /\bif\s*\(|\?|&&|\|\||\bconfirm\s*\(/.test(code);

// src/core/checks/keys/activates.ts
var keyEvents2 = ["keydown", "keyup", "keypress"];
var listensForKeys = (element) => element.listeners === "unknown" || keyEvents2.some((event) => element.listeners.has(event));
var looksAtKeys = /Enter|Space|["'`] ["'`]|\b(?:13|32)\b|\bclick\b|\(\s*(?:event|e|ev|evt|\$event)\s*[,)]|^\s*[\w.$]+\s*$|\barguments\b|\.\.\./;
function deafToKeys(element) {
  if (element.listeners === "unknown") return null;
  const events = keyEvents2.filter((event) => element.listeners.has(event));
  const codes2 = events.map((event) => attributeText(element, `on${event}`) ?? "");
  if (codes2.length === 0 || !codes2.every((code) => /\bkey(?:Code)?\b|\bcode\b|\bwhich\b/.test(code)))
    return null;
  return codes2.some((code) => looksAtKeys.test(code)) ? null : codes2.join("; ");
}
function judge10(element, scene) {
  const handler = pointerHandlerOf(element)?.code ?? null;
  if (handler === null || isTabbable(scene.page, scene.presence, element) !== true) return inapplicable;
  const cause = focusCause(scene.page.index, element);
  if (cause !== "tabindex") return passed;
  if (element.tag === "label") return passed;
  const deaf = deafToKeys(element);
  if (deaf !== null && ![...elementsAround(scene, element)].some(listensForKeys))
    return scriptsMay(scene, /key(?:down|up|press)/) ? passed : failed(
      "A click does something here, and a key handler is there, but it never looks at Enter or Space.",
      ask('Make it a <button type="button">, or call the same code on Enter and Space.'),
      { facts: { handler, keys: deaf } }
    );
  if (listensForKeys(element)) return passed;
  for (const up of elementsAround(scene, element)) if (listensForKeys(up)) return passed;
  const changes = asButton(scene, element);
  const summary = 'Make it a <button type="button">, or call the same code on Enter and Space.';
  const repair = changes === null ? ask(summary) : withChanges("likely", summary, changes);
  const details = { facts: { handler } };
  return scriptsMay(scene, /key(?:down|up|press)/) ? cantTell("A click does something here. Do Enter and Space do the same?", repair, details) : failed("Tab stops here and a click does something, but no key does.", repair, details);
}
var activates = {
  id: "keys.activates",
  criteria: ["2.1.1"],
  severity: "blocker",
  means: "Enter and Space do what a click does.",
  who: "Someone who uses the keyboard comes to it and presses in vain.",
  mend: "Use a <button>; it answers both keys by itself.",
  looksAt: withHandlers,
  judge: judge10,
  examples: {
    kept: [
      `<!doctype html><title>t</title><button onclick="go()">Go</button>`,
      `<!doctype html><title>t</title><div tabindex="0" role="button" onclick="go()" onkeydown="keys(event)">Go</div>`,
      `<!doctype html><title>t</title><a href="x" onclick="go()">Go</a>`
    ],
    broken: [
      `<!doctype html><title>t</title><div tabindex="0" role="button" onclick="go()">Go</div>`,
      `<!doctype html><title>t</title><div tabindex="0" role="button" onclick="go()" onkeydown="if (event.key === 'Escape') shut()">Go</div>`
    ],
    asked: [
      `<!doctype html><title>t</title><script src="yard.js"></script><div tabindex="0" role="button" onclick="go()">Go</div>`
    ]
  }
};

// src/core/checks/keys/active-item-told.ts
function judge11(element, scene) {
  if (attributeTokens(element, "aria-activedescendant").length === 0) return inapplicable;
  if (element.tag.includes("-") || isFocusable(scene.page, scene.presence, element) !== false) return passed;
  return failed(
    "This says which of its items is the active one, but takes no focus itself: nobody is told.",
    withChanges("likely", 'Add tabindex="0": the element that has focus says which item is active.', [
      setAttribute(element, "tabindex", "0")
    ]),
    at(element, "aria-activedescendant")
  );
}
var activeItemTold = {
  id: "keys.active-item-told",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "What names its active item with aria-activedescendant takes focus itself.",
  who: "Someone using a screen reader moves through the items and hears nothing.",
  mend: 'Put aria-activedescendant on the element that has focus, or give that element tabindex="0".',
  looksAt: exposedWithAria,
  judge: judge11,
  examples: {
    kept: [
      `<ul role="listbox" aria-label="Boats" tabindex="0" aria-activedescendant="a"><li role="option" id="a" aria-selected="true">Petrel</li></ul>`,
      `<input role="combobox" aria-label="Boat" aria-expanded="false" aria-activedescendant="">`
    ],
    broken: [
      `<ul role="listbox" aria-label="Boats" aria-activedescendant="a"><li role="option" id="a" aria-selected="true">Petrel</li></ul>`
    ]
  }
};

// src/core/checks/keys/autofocus-sensible.ts
var asking = keptForScene(
  (scene) => scene.page.index.elements.filter(
    (element) => hasAttribute(element, "autofocus") && isShown(scene, element) && ![...elementsAround(scene, element)].some(
      (up) => up.tag === "dialog" || hasAttribute(up, "popover") || scene.role(up).role === "dialog"
    )
  )
);
function judge12(element, scene) {
  const details = at(element, "autofocus");
  const takeAway = withChanges("likely", "Take autofocus away here.", [
    removeAttribute(element, "autofocus")
  ]);
  const focusable = isFocusable(scene.page, scene.presence, element);
  if (focusable === "unknown") return inapplicable;
  if (!focusable)
    return failed("This asks for focus as the page loads, and cannot take it.", takeAway, details);
  const first = asking(scene).find((other) => isFocusable(scene.page, scene.presence, other) === true);
  if (first !== element)
    return failed("Another element asks for focus first: this one is never asked.", takeAway, details);
  const { index } = scene.page;
  const passedBy = exposedByRole(scene, "heading").filter(
    (heading2) => index.record(heading2).order < index.record(element).order
  );
  return passedBy.length === 0 ? passed : cantTell(
    `The page begins here, past ${passedBy.length === 1 ? "a heading" : `${passedBy.length} headings`}: is nothing before it that one should hear first?`,
    ask("Take autofocus away, unless this is what everybody comes for."),
    details
  );
}
var autofocusSensible = {
  id: "keys.autofocus-sensible",
  criteria: [],
  severity: "friction",
  means: "A page puts focus at its start, or where everybody wants to go first.",
  who: "Someone using a screen reader begins in the middle of the page and does not hear what it is about.",
  mend: "Leave autofocus out; use it in dialogs, where focus must go somewhere.",
  looksAt: asking,
  judge: judge12,
  examples: {
    kept: [
      `<input type="search" aria-label="Search" autofocus><h1>Parts</h1>`,
      `<h1>Parts</h1><dialog open><button autofocus>Close</button></dialog>`
    ],
    broken: [`<p autofocus>Parts</p>`, `<input aria-label="a" autofocus><input aria-label="b" autofocus>`],
    asked: [`<h1>Parts</h1><p>Read this.</p><input aria-label="Part" autofocus>`]
  }
};

// src/core/checks/keys/dialog-takes-focus.ts
var isDialog = (element) => {
  const role = roleTokens(element).map(knownRole).find((known) => known !== null);
  return role === "dialog" || role === "alertdialog";
};
var dialogs = (scene) => scene.page.index.elements.filter(
  (element) => element.tag !== "dialog" && element.attributes.has("role") && isDialog(element)
);
function judge13(dialog, scene) {
  if (textContent(dialog) === "" || holdsUnknownContent(scene, dialog) !== null) return inapplicable;
  const canTake = [dialog, ...elementsInside(scene, dialog)].some(
    (element) => focusCause(scene.page.index, element) !== null
  );
  if (canTake) return passed;
  const repair = withChanges(
    "likely",
    'Give the dialog tabindex="-1" and a button that closes it, and move focus into it when it opens.',
    [setAttribute(dialog, "tabindex", "-1")]
  );
  return isExposed(scene, dialog) && isAlive(scene) && !scriptsMay(scene, /focus|tabindex/i) ? failed("Nothing in this dialog can take focus, and neither can the dialog itself.", repair) : cantTell(
    "Nothing in this dialog can take focus, and neither can the dialog itself. Does a script see to that before it opens?",
    repair
  );
}
var dialogTakesFocus = {
  id: "keys.dialog-takes-focus",
  criteria: ["2.4.3"],
  severity: "blocker",
  means: "A dialog can take focus, as a whole or in something it holds.",
  who: "Someone using a screen reader or the keyboard is left behind the dialog, and does not learn that it is open.",
  mend: 'Use <dialog>, or give it tabindex="-1" and a button; and move focus into it when it opens.',
  looksAt: dialogs,
  judge: judge13,
  examples: {
    kept: [
      `<div role="dialog" aria-label="Book"><button>Close</button></div>`,
      `<div role="dialog" aria-label="Book" tabindex="-1">Really?</div>`,
      `<dialog open>Really?</dialog>`
    ],
    broken: [
      `<!doctype html><title>t</title><button onclick="book()">Book</button><div role="dialog" aria-label="Book"><p>Slip 4 is booked.</p></div>`
    ],
    asked: [
      `<div role="dialog" aria-label="Book"><p>Slip 4 is booked.</p></div>`,
      `<div role="dialog" aria-label="Book" hidden><p>Slip 4 is booked.</p></div>`
    ]
  }
};

// src/core/checks/keys/drag-has-equal.ts
var draggable = (scene) => scene.page.index.elements.filter(
  (element) => (attributeToken(element, "draggable") === "true" || element.attributes.has("ondragstart") || element.attributes.has("ondrag")) && isShown(scene, element)
);
var judge14 = (_, __) => cantTell(
  "This can be dragged. Can the same be done without dragging, with single clicks and with keys?",
  ask('Add buttons that do it, such as "Move up" and "Move down".'),
  { cause: "dragging" }
);
var dragHasEqual = {
  id: "keys.drag-has-equal",
  criteria: ["2.5.7"],
  severity: "barrier",
  means: "What is done by dragging can be done another way.",
  who: "Someone whose hand trembles, or who uses a switch, speech or the keyboard, cannot hold and move at once.",
  mend: "Add buttons, or a menu, that do the same.",
  looksAt: draggable,
  judge: judge14,
  examples: {
    kept: [`<li>Petrel</li>`, `<img src="a.jpg" alt="Petrel" draggable="false">`],
    broken: [],
    asked: [`<li draggable="true">Petrel</li>`]
  }
};

// src/core/checks/keys/focus-shows.ts
function judge15(stop, scene) {
  if (!scene.stylesKnown) return inapplicable;
  if (focusMarkOf(scene, stop).kind !== "none") return passed;
  const outline = scene.page.styles.value(stop, "outline-style", { kind: "focus", element: stop });
  const summary = "Leave the outline, or draw another mark: :focus-visible { outline: 2px solid; outline-offset: 2px }.";
  return failed(
    "Nothing shows when this has focus: its outline is taken away and nothing takes its place.",
    outline?.declared == null || outline.block?.origin !== "author" ? ask(summary) : withChanges("likely", summary, [removeDeclaration(outline.declared.source)]),
    {
      origins: originsOf("outline", outline),
      cause: `outline ${outline?.declared?.source.file ?? ""} ${outline?.declared?.source.start ?? ""}`
    }
  );
}
var focusShows = {
  id: "keys.focus-shows",
  criteria: ["2.4.7"],
  severity: "barrier",
  means: "What has focus looks different from what has not.",
  who: "Someone who sees and uses the keyboard does not know where they are, and what Enter will do.",
  mend: "Do not take the outline away without giving another mark.",
  looksAt: markedStops,
  judge: judge15,
  examples: {
    kept: [
      `<button>Haul out</button>`,
      `<style>a { outline: none } a:focus { background: #036; color: #fff }</style><a href="x">Slips</a>`,
      `<style>a:focus { outline: none; box-shadow: 0 0 0 2px #036 }</style><a href="x">Slips</a>`,
      `<style>a:focus:not(:focus-visible) { outline: none }</style><a href="x">Slips</a>`,
      `<style>* { outline: none } .w:focus-within { border: 2px solid #036 }</style><div class="w"><a href="x">Slips</a></div>`,
      `<style>input { outline: none; appearance: none } input:focus + i { border: 1px solid }</style><input type="checkbox" aria-label="x"><i>x</i>`,
      `<p style="outline: none">Slip 4</p>`
    ],
    broken: [
      `<a href="x" style="outline: none">Slips</a>`,
      `<style>:focus { outline: 0 }</style><button>Haul out</button>`,
      `<style>a { outline: 2px solid transparent }</style><a href="x">Slips</a>`
    ]
  }
};

// src/core/checks/keys/hover-has-equal.ts
var hiding = [
  ["display", "none"],
  ["visibility", "hidden"]
];
var revealed = keptForScene((scene) => {
  const { index, styles } = scene.page;
  const found = /* @__PURE__ */ new Map();
  for (const element of index.elements) {
    const { reason, because } = scene.presence.of(element);
    if (because !== element || reason !== "display: none" && reason !== "visibility: hidden") continue;
    if (!styles.mayReact(element, "hover")) {
      const { previous } = index.record(element);
      if (previous === null || !styles.mayReact(previous, "hover")) continue;
    }
    const property = hiding.find(([name, value]) => styles.keyword(element, name) === value);
    if (property === void 0 || !/[\p{L}\p{N}]/u.test(textContent(element))) continue;
    const over2 = hoverSource(scene, element, property);
    if (over2 !== null) found.set(element, { over: over2, property });
  }
  return found;
});
function hoverSource(scene, element, property) {
  const { index } = scene.page;
  const candidates2 = [];
  for (let before3 = index.record(element).previous; before3 !== null; before3 = index.record(before3).previous)
    candidates2.push(before3);
  for (const up of elementsAround(scene, element)) {
    if (up.tag === "body" || up.tag === "html") break;
    candidates2.push(up);
  }
  return candidates2.find(
    (over2) => scene.presence.of(over2).visible !== NO && isShownBy(scene, element, property, { kind: "hover", element: over2 })
  ) ?? null;
}
var isShownBy = (scene, element, [name, hidden], interaction) => {
  const value = scene.page.styles.value(element, name, interaction);
  return value?.text != null && value.text.toLowerCase() !== hidden;
};
function judge16(element, scene) {
  const shown = revealed(scene).get(element);
  if (shown === void 0) return passed;
  const { over: over2, property } = shown;
  const inOver = /* @__PURE__ */ new Set([over2, ...elementsInside(scene, over2)]);
  const near = sureStops(scene).filter((stop) => inOver.has(stop));
  if (near.some((stop) => isShownBy(scene, element, property, { kind: "focus", element: stop })))
    return passed;
  const actions3 = [...elementsInside(scene, element)].filter(
    (inside) => focusCause(scene.page.index, inside) !== null && (tabindexOf(inside) ?? 0) >= 0
  );
  const what = actions3.length === 0 ? `"${shortened(textContent(element), 40)}"` : `${actions3.length} ${actions3.length === 1 ? "link or control" : "links and controls"} ("${shortened(textContent(element), 40)}")`;
  const repair = ask(
    near.length === 0 ? "Put a button there that opens it, and show it while that is expanded; a hover rule alone needs a mouse." : "Add :focus-within (or :focus) to the rule that says :hover."
  );
  const declared = scene.page.styles.value(element, property[0], { kind: "hover", element: over2 })?.declared;
  const details = {
    facts: { over: over2.tag },
    ...declared == null ? {} : { origins: [{ of: "hover", source: declared.source, text: `${property[0]}: ${declared.text}` }] },
    cause: `hover ${declared?.source.file ?? ""} ${declared?.source.start ?? scene.page.index.record(element).order}`
  };
  const isElsewhere = actions3.length === 0 && occursTwice(scene, textContent(element));
  return isElsewhere || scriptsMay(scene, /hover|mouse|focus|key|click/i) ? cantTell(`Only the pointer shows ${what}. Is there another way to it by keyboard?`, repair, details) : failed(`Only the pointer shows ${what}: no key does.`, repair, details);
}
function occursTwice(scene, text) {
  const body = scene.page.index.byTag("body")[0];
  const all = body === void 0 ? "" : textContent(body);
  return all.indexOf(text) !== all.lastIndexOf(text);
}
var hoverHasEqual = {
  id: "keys.hover-has-equal",
  criteria: ["2.1.1", "1.4.13"],
  severity: "barrier",
  means: "What the pointer shows, focus shows too.",
  who: "Someone who uses the keyboard or a finger never gets to see the menu or the hint.",
  mend: "Add :focus-within to the rule for :hover, or let a button open it.",
  looksAt: (scene) => revealed(scene).keys(),
  judge: judge16,
  examples: {
    kept: [
      `<!doctype html><title>t</title><style>.m ul { display: none } .m:hover ul, .m:focus-within ul { display: block }</style><div class="m"><a href="y">Yard</a><ul><li><a href="x">Slips</a></li></ul></div>`,
      `<!doctype html><title>t</title><style>.m { display: none }</style><div><div class="m"><a href="x">Slips</a></div></div>`
    ],
    broken: [
      `<!doctype html><title>t</title><style>.m ul { display: none } .m:hover ul { display: block }</style><div class="m">Yard<ul><li><a href="x">Slips</a></li></ul></div>`,
      `<!doctype html><title>t</title><style>.h + div { visibility: hidden } .h:hover + div { visibility: visible }</style><p class="h">Yard</p><div><button>Book</button></div>`
    ],
    asked: [
      `<!doctype html><title>t</title><script src="yard.js"></script><style>.m span { display: none } .m:hover span { display: inline }</style><div class="m">Draught <span>in metres</span></div>`
    ]
  }
};

// src/core/checks/keys/no-surprise-on-focus.ts
function judge17(element, scene) {
  const event = ["focus", "focusin"].find((e) => handlerText(element, e) !== null);
  if (event === void 0 || isFocusable(scene.page, scene.presence, element) === false) return inapplicable;
  const code = handlerText(element, event) ?? "";
  const details = { facts: { handler: code }, ...at(element, `on${event}`) };
  if (/\bthis\.blur\s*\(/.test(code) && !isConditional(code))
    return failed(
      "This gives focus away as soon as it has it: no key can use it.",
      withChanges("likely", "Take this.blur() away; style :focus if the mark is unwanted.", [
        removeAttribute(element, `on${event}`)
      ]),
      { ...details, criteria: ["3.2.1"] }
    );
  if (!changesContext.test(code)) return passed;
  const repair = ask("Do it when the element is activated, not when it is reached.");
  return isConditional(code) ? cantTell(
    "Coming here may leave the page or send the form. Does it, before anything is pressed?",
    repair,
    details
  ) : failed(
    "Only coming here leaves the page or sends the form, before anything is pressed.",
    repair,
    details
  );
}
var noSurpriseOnFocus = {
  id: "keys.no-surprise-on-focus",
  criteria: ["3.2.1"],
  severity: "barrier",
  means: "Focus alone changes no context.",
  who: "Someone who goes through the page by keyboard is thrown out of it on the way to somewhere else.",
  mend: "Wait until the element is activated.",
  looksAt: withHandlers,
  judge: judge17,
  examples: {
    kept: [`<a href="x" onfocus="show('hint')">Fees</a>`, `<a href="x" onclick="location = 'y'">Fees</a>`],
    broken: [
      `<a href="x" onfocus="location.href = 'fees.html'">Fees</a>`,
      `<button onfocus="this.blur()">Fees</button>`,
      `<input aria-label="Boat" onfocus="window.open('boats.html')">`
    ],
    asked: [`<a href="x" onfocus="if (ready) location.href = 'fees.html'">Fees</a>`]
  }
};

// src/core/checks/keys/no-surprise-on-input.ts
var warning = /\b(?:page|list|form|table|view|site|results?|prices?)\b[^.]{0,60}\b(?:change|update|reload|refresh|load|open|sen[dt]|submit|switch)|\b(?:choosing|selecting|picking|changing)\b|\b(?:when|if|once|after) (?:you|one) (?:choose|select|pick|change|tick|check)|\bas soon as\b|\bautomatically\b|\bimmediately\b|\bat once\b|\bstraight ?away\b/i;
var isSetting = (element) => element.tag === "select" || element.tag === "textarea" || element.tag === "input";
function judge18(element, scene) {
  if (!isSetting(element)) return inapplicable;
  const events = /^(?:checkbox|radio)$/.test(element.tag === "input" ? inputType(element) : "") ? ["change", "input", "click"] : ["change", "input"];
  if (element.tag === "input" && /^(?:submit|button|reset|image)$/.test(inputType(element)))
    return inapplicable;
  for (const event of events) {
    const code = handlerText(element, event);
    if (code === null || !changesContext.test(code)) continue;
    const details = {
      facts: { handler: code },
      cause: `on${event} ${code}`,
      ...at(element, `on${event}`)
    };
    const repair = ask("Add a button that does it, or say before the field what changing it does.");
    if (isTold2(scene, element)) return passed;
    return isConditional(code) ? cantTell(
      "Changing this may leave the page or send the form. Are people told before?",
      repair,
      details
    ) : failed(
      "Changing this leaves the page or sends the form at once, and nothing says so before.",
      repair,
      details
    );
  }
  return passed;
}
function isTold2(scene, control) {
  const words4 = [speakable(scene.name(control).text), scene.description(control).text];
  const { index } = scene.page;
  for (const up of elementsAround(scene, control)) {
    if (up.tag === "fieldset") words4.push(scene.name(up).text);
    for (const child of index.childElements(up)) {
      if (index.record(child).order >= index.record(control).order) break;
      if (/^(?:p|div|span|label|legend|small)$/.test(child.tag)) words4.push(textContent(child));
    }
    if (up.tag === "form" || up.tag === "main" || up.tag === "body") break;
  }
  return words4.some((text) => warning.test(text));
}
var noSurpriseOnInput = {
  id: "keys.no-surprise-on-input",
  criteria: ["3.2.2"],
  severity: "barrier",
  means: "Changing a setting alone changes no context, unless people are told before.",
  who: "Someone who uses the arrow keys to read the choices is sent away by the first of them.",
  mend: "Add a button, or say beforehand what happens.",
  looksAt: withHandlers,
  judge: judge18,
  examples: {
    kept: [
      `<select aria-label="Berth" onchange="show(this.value)"><option>A</option></select>`,
      `<form><p>Choosing a berth opens its page.</p><select aria-label="Berth" onchange="location = this.value"><option>A</option></select></form>`,
      `<input type="submit" value="Go" onclick="location = 'x'">`
    ],
    broken: [
      `<select aria-label="Berth" onchange="this.form.submit()"><option>A</option></select>`,
      `<input type="radio" aria-label="Euro" onclick="location.href = 'eur.html'">`
    ],
    asked: [
      `<select aria-label="Berth" onchange="if (this.value) location = this.value"><option>A</option></select>`
    ]
  }
};

// src/core/checks/keys/no-trap.ts
var takesFocusBack = /\bthis\.(?:focus|select)\s*\(|\.focus\s*\(/;
var dropsEveryKey = /^(?:return\s+false|(?:window\.)?event\.preventDefault\(\)|event\.returnValue\s*=\s*false)\s*;?$/;
function judge19(element, scene) {
  if (isTabbable(scene.page, scene.presence, element) === false) return inapplicable;
  for (const event of ["blur", "focusout"]) {
    const code2 = handlerText(element, event);
    if (code2 === null || !takesFocusBack.test(code2)) continue;
    const details2 = { facts: { handler: code2 }, ...at(element, `on${event}`) };
    const isSelf = /\bthis\.(?:focus|select)\s*\(/.test(code2);
    const summary = "Say beside the field what is wrong with it, and let people leave it.";
    const isAll = /^this\.(?:focus|select)\(\)\s*;?$/.test(code2);
    const repair = isAll ? withChanges("likely", summary, [removeAttribute(element, `on${event}`)]) : ask(summary);
    return isSelf && !isConditional(code2) ? failed(
      "Leaving this brings focus straight back to it: there is no way out by keyboard.",
      repair,
      details2
    ) : cantTell(
      "Leaving this may move focus back. Can people get out by keyboard in every case?",
      repair,
      details2
    );
  }
  const code = handlerText(element, "keydown");
  if (code === null) return passed;
  const details = { facts: { handler: code }, ...at(element, "onkeydown") };
  if (dropsEveryKey.test(code))
    return failed(
      "Every key is swallowed here, Tab too: there is no way out by keyboard.",
      withChanges("likely", "Let Tab and Escape pass; stop only the keys that are used.", [
        removeAttribute(element, "onkeydown")
      ]),
      details
    );
  return passed;
}
var noTrap = {
  id: "keys.no-trap",
  criteria: ["2.1.2"],
  severity: "blocker",
  means: "Focus can leave again by keyboard.",
  who: "Someone who uses the keyboard is caught: everything after this cannot be reached, and the page must be closed.",
  mend: "Do not move focus back when it leaves, and let Tab pass.",
  looksAt: withHandlers,
  judge: judge19,
  examples: {
    kept: [
      `<input aria-label="Berth" onblur="check(this)">`,
      `<input aria-label="Berth" onkeydown="if (event.key === 'Enter') return false">`,
      `<p onblur="this.focus()">Slip 4</p>`
    ],
    broken: [
      `<input aria-label="Berth" onblur="this.focus()">`,
      `<button onkeydown="return false">Book</button>`
    ],
    asked: [`<input aria-label="Berth" onblur="if (!valid(this)) this.focus()">`]
  }
};

// src/core/checks/keys/one-stop-per-widget.ts
var itemsOf2 = {
  tablist: ["tab"],
  radiogroup: ["radio"],
  listbox: ["option"],
  menu: ["menuitem", "menuitemcheckbox", "menuitemradio"],
  menubar: ["menuitem", "menuitemcheckbox", "menuitemradio"],
  tree: ["treeitem"]
};
function judge20(widget, scene) {
  const role = scene.role(widget).role;
  const items2 = itemsOf2[role];
  const stops = [...elementsInside(scene, widget)].filter(
    (e) => items2.includes(scene.role(e).role) && e.tag !== "input" && e.tag !== "option" && isTabbable(scene.page, scene.presence, e) === true
  );
  if (stops.length === 0) return inapplicable;
  if (stops.length === 1) return passed;
  const word2 = spokenRole(role, {}, null);
  return failed(
    `This ${word2} is ${stops.length} stops: Tab should reach it once, and the arrow keys move inside.`,
    ask(
      `Give one item tabindex="0" (the chosen one, or the first) and the others tabindex="-1"; let the arrow keys move both.`
    ),
    { facts: { role, stops: stops.length } }
  );
}
var oneStopPerWidget = {
  id: "keys.one-stop-per-widget",
  criteria: [],
  severity: "friction",
  means: "A widget with items is one stop; the arrow keys move inside.",
  who: "Someone who uses the keyboard presses Tab once for every tab or menu item to get past.",
  mend: 'Keep tabindex="0" on one item only, and move it with the arrow keys.',
  looksAt: (scene) => exposedByRole(scene, ...Object.keys(itemsOf2)),
  judge: judge20,
  examples: {
    kept: [
      `<div role="tablist"><button role="tab" aria-selected="true">Fees</button><button role="tab" aria-selected="false" tabindex="-1">Slips</button></div>`,
      `<fieldset role="radiogroup" aria-label="Side"><input type="radio" name="s" aria-label="Port"><input type="radio" name="s" aria-label="Starboard"></fieldset>`
    ],
    broken: [
      `<div role="tablist"><button role="tab" aria-selected="true">Fees</button><button role="tab" aria-selected="false">Slips</button></div>`
    ]
  }
};

// src/core/focus/walk-notes.ts
function jumpsIn(stops) {
  const places = stops.map(({ element, document }) => document.page.index.record(element).order);
  const later = new CountBelow(stops, places);
  return stops.map((stop, at2) => {
    const before3 = stops[at2 - 1];
    const back = before3 !== void 0 && before3.document === stop.document && (places[at2] ?? 0) < (places[at2 - 1] ?? 0);
    return { ahead: later.after(at2), back };
  });
}
var CountBelow = class {
  #counts;
  constructor(stops, places) {
    this.#counts = new Array(stops.length).fill(0);
    const byDocument = /* @__PURE__ */ new Map();
    for (const [at2, { document }] of stops.entries()) {
      const list = byDocument.get(document);
      if (list === void 0) byDocument.set(document, [at2]);
      else list.push(at2);
    }
    for (const own of byDocument.values()) {
      const ranks = new Map(
        own.map((at2) => places[at2] ?? 0).toSorted((a, b) => a - b).map((place, rank2) => [place, rank2 + 1])
      );
      const tree = new Array(own.length + 1).fill(0);
      for (const at2 of own.toReversed()) {
        const rank2 = ranks.get(places[at2] ?? 0) ?? 0;
        let sum2 = 0;
        for (let i = rank2; i > 0; i -= i & -i) sum2 += tree[i] ?? 0;
        this.#counts[at2] = sum2;
        for (let i = rank2; i <= own.length; i += i & -i) tree[i] = (tree[i] ?? 0) + 1;
      }
    }
  }
  after(at2) {
    return this.#counts[at2] ?? 0;
  }
};

// src/core/checks/keys/order-makes-sense.ts
var isPositive = (element) => (tabindexOf(element) ?? 0) > 0;
var positiveStops = keptForScene((scene) => sureStops(scene).filter(isPositive));
var tabOrderOf = keptForScene((scene) => {
  const { index } = scene.page;
  const stops = tabSequence(scene).filter(({ document }) => document === scene);
  const jumps = jumpsIn(stops);
  const inPage = stops.map(({ element }) => element).sort((a, b) => index.record(a).order - index.record(b).order);
  return {
    places: new Map(stops.map(({ element }, at2) => [element, at2])),
    ahead: new Map(stops.map(({ element }, at2) => [element, jumps[at2]?.ahead ?? 0])),
    inPage,
    placesInPage: new Map(inPage.map((element, at2) => [element, at2])),
    forms: new Map(inPage.map((element) => [element, formOwner(scene, element)]))
  };
});
var NEAR = 60;
function fieldsPassedOver(scene, stop) {
  const { places, inPage, placesInPage, forms } = tabOrderOf(scene);
  const form2 = forms.get(stop) ?? null;
  const at2 = placesInPage.get(stop) ?? 0;
  if (form2 === null) return [];
  return inPage.slice(Math.max(0, at2 - NEAR), at2).filter(
    (other) => forms.get(other) === form2 && (places.get(other) ?? 0) > (places.get(stop) ?? 0) && !isButton2(scene, other)
  );
}
function judge21(stop, scene) {
  const passedOver = tabOrderOf(scene).ahead.get(stop) ?? 0;
  if (passedOver === 0) return passed;
  const details = {
    facts: { tabindex: tabindexOf(stop) },
    ...at(stop, "tabindex")
  };
  const repair = withChanges(
    "likely",
    "Take tabindex away, and put things in the source in the order they are used.",
    [removeAttribute(stop, "tabindex")]
  );
  const ofForm = fieldsPassedOver(scene, stop);
  const [before3] = ofForm;
  if (before3 !== void 0 && isButton2(scene, stop))
    return failed(
      `Tab comes to "${scene.name(stop).text}" before ${ofForm.length === 1 ? `the field "${scene.name(before3).text}"` : `the ${ofForm.length} fields`} of its form that stand${ofForm.length === 1 ? "s" : ""} before it.`,
      repair,
      details
    );
  if (before3 !== void 0)
    return failed(
      `Tab comes here before "${scene.name(before3).text}", which stands before it in the same form.`,
      repair,
      details
    );
  return cantTell(
    `Tab comes here before ${passedOver === 1 ? "a stop that stands" : `${passedOver} stops that stand`} before it. Does that order make sense?`,
    repair,
    details
  );
}
var isButton2 = (scene, element) => scene.role(element).role === "button";
var orderMakesSense = {
  id: "keys.order-makes-sense",
  criteria: ["2.4.3"],
  severity: "barrier",
  means: "Tab goes through the page in the order in which it is read and used.",
  who: "Someone who uses the keyboard or a screen reader is thrown about the page, and meets the button before the fields it sends.",
  mend: "Leave positive tabindex out; the order of the source is the order of Tab.",
  looksAt: positiveStops,
  judge: judge21,
  examples: {
    kept: [
      `<form><input aria-label="Boat" tabindex="1"><button tabindex="2">Book</button></form>`,
      `<form><input aria-label="Boat"><button tabindex="0">Book</button></form>`
    ],
    broken: [
      `<form><input aria-label="Boat"><button tabindex="1">Book</button></form>`,
      `<form><input aria-label="Boat" tabindex="2"><input aria-label="Berth" tabindex="1"></form>`
    ],
    asked: [`<a href="x">Home</a><form><input aria-label="Boat" tabindex="1"></form>`]
  }
};

// src/core/checks/keys/pattern-kept.ts
var composites = [
  "toolbar",
  "tablist",
  "menubar",
  "menu",
  "radiogroup",
  "listbox",
  "tree",
  "grid"
];
function judge22(widget, scene) {
  const { index } = scene.page;
  const inside = [...elementsInside(scene, widget)];
  const out = inside.filter(
    (element) => (tabindexOf(element) ?? 0) < 0 && element.tag !== "option" && isFocusable(scene.page, scene.presence, element) === true
  );
  const [first] = out;
  if (first === void 0 || widget.tag === "select") return inapplicable;
  if (!isAlive(scene)) return inapplicable;
  const answers = [widget, ...inside, ...elementsAround(scene, widget)].some(listensForKeys);
  if (scene.document.kind === "component" && scene.page.index.elements.some(listensForKeys)) return passed;
  if (answers || scriptsMay(scene, /key(?:down|up|press)/)) return passed;
  const word2 = spokenRole(scene.role(widget).role, {}, null);
  const names = out.map((element) => scene.name(element).text).filter((name) => name !== "");
  return failed(
    `${names.length === 0 ? `${out.length} items` : names.slice(0, 4).join(", ")} of this ${word2} ${out.length === 1 ? "is" : "are"} out of the order of Tab, and no arrow key leads there: nothing here listens for keys.`,
    ask(
      'Let the arrow keys move focus among the items; until they do, take tabindex="-1" away so that Tab reaches them.'
    ),
    { facts: { items: out.length }, cause: `keys of ${index.record(widget).order}` }
  );
}
var patternKept = {
  id: "keys.pattern-kept",
  criteria: ["2.1.1"],
  severity: "blocker",
  means: "What a widget takes out of the order of Tab, its arrow keys reach.",
  who: "Someone who uses the keyboard gets to the first item and to no other.",
  mend: "Answer the keys of the widget's pattern, or leave every item in the order of Tab.",
  looksAt: (scene) => exposedByRole(scene, ...composites),
  judge: judge22,
  examples: {
    kept: [
      `<!doctype html><title>t</title><div role="toolbar" aria-label="Text" onkeydown="move(event)"><button>B</button><button tabindex="-1">I</button></div>`,
      `<!doctype html><title>t</title><div role="toolbar" aria-label="Text"><button>B</button><button>I</button></div>`,
      `<!doctype html><title>t</title><div role="toolbar" aria-label="Text"><button>B</button><button tabindex="-1">I</button></div>`,
      `<!doctype html><title>t</title><script src="yard.js"></script><div role="toolbar" aria-label="Text"><button>B</button><button tabindex="-1">I</button></div>`
    ],
    broken: [
      `<!doctype html><title>t</title><div role="toolbar" aria-label="Text"><button onclick="bold()">B</button><button onclick="slant()" tabindex="-1">I</button></div>`
    ]
  }
};

// src/core/checks/keys/reachable.ts
var composites2 = /* @__PURE__ */ new Set([
  "toolbar",
  "radiogroup",
  "listbox",
  "tree",
  "treegrid",
  "grid",
  "menu",
  "menubar",
  "tablist",
  "combobox"
]);
var withPointerHandlers = (scene) => withHandlers(scene).filter((element) => {
  const { inert, reason } = scene.presence.of(element);
  return !inert && reason !== "aria-hidden" && pointerHandlerOf(element) !== null;
});
function judge23(element, scene) {
  const { index } = scene.page;
  if (isTabbable(scene.page, scene.presence, element) !== false) return passed;
  if (element.tag === "label" || element.tag === "option" || element.tag === "html" || element.tag === "body")
    return passed;
  if (focusCause(index, element) === "control" && isFocusable(scene.page, scene.presence, element) === false)
    return passed;
  const handler = pointerHandlerOf(element)?.code ?? "";
  if (reachableHandlers(scene).has(handler)) return passed;
  if (composites2.has(scene.role(element).role ?? "generic")) return passed;
  for (let up = index.flatParent(element); up !== null; up = index.flatParent(up)) {
    const { role } = scene.role(up);
    if (role !== null && composites2.has(role)) return passed;
    if (up.tag !== "body" && isTabbable(scene.page, scene.presence, up) === true) return passed;
  }
  const inside = stopInside(scene, element);
  if (inside !== null) {
    return cantTell(
      `A click anywhere on this <${element.tag}> does something. Does ${describe(inside)} inside it do the same from the keyboard?`
    );
  }
  if (pointerHandlerOf(element)?.event.endsWith("click") !== true)
    return cantTell(
      `Pressing this <${element.tag}> does something. Can the same be done with a key?`,
      ask("Give people a control that does the same, or let keys do it.")
    );
  if (element.children.length === 0 && element.tag !== "input" && element.tag !== "button" && element.tag !== "a")
    return cantTell(
      `A click on this empty <${element.tag}> does something. Can the same be done with a key?`,
      ask("Give people a button that does the same.")
    );
  const own = scene.name(element).text;
  if (tabindexOf(element) !== null) {
    return failed(
      "This can be clicked, but Tab never stops at it: tabindex takes it out of the order.",
      withChanges("likely", 'Take tabindex="-1" away, unless a script moves focus here.', [
        removeAttribute(element, "tabindex")
      ]),
      { facts: { handler } }
    );
  }
  if (element.tag === "a")
    return failed(
      "This link has no address: it can be clicked, but Tab passes it by.",
      orButton(
        scene,
        element,
        "Give it href where it leads, or make it a <button> if it does something here."
      ),
      { facts: { handler } }
    );
  const called = own === "" ? "" : ` "${own}"`;
  return failed(
    `This <${element.tag}>${called} can be clicked, but takes no focus.`,
    orButton(
      scene,
      element,
      'Make it a <button type="button">: it takes focus and answers Enter and Space by itself.'
    ),
    { facts: { handler }, cause: `no focus ${index.record(element).order}` }
  );
}
function orButton(scene, element, summary) {
  const changes = asButton(scene, element);
  return changes === null ? ask(summary) : withChanges("likely", summary, changes);
}
var reachableHandlers = keptForScene(
  (scene) => new Set(
    withHandlers(scene).filter((element) => isTabbable(scene.page, scene.presence, element) === true).flatMap((element) => pointerHandlerOf(element)?.code ?? [])
  )
);
var stopInside = (scene, element) => firstOf(
  elementsBelow(scene.page.index, element),
  (inside) => isTabbable(scene.page, scene.presence, inside) !== false
);
var describe = (element) => `the <${element.tag}>`;
var reachable = {
  id: "keys.reachable",
  criteria: ["2.1.1"],
  severity: "blocker",
  means: "Everything that a pointer can use takes focus.",
  who: "Someone who uses the keyboard, a switch or speech cannot get there at all.",
  mend: "Use a <button> or a link with an address; they take focus and answer the keys by themselves.",
  looksAt: withPointerHandlers,
  judge: judge23,
  examples: {
    kept: [
      `<button type="button" onclick="openGate()">Open</button>`,
      `<div role="button" tabindex="0" onclick="openGate()" onkeydown="keys(event)">Open</div>`,
      `<a href="hire.html" onclick="log()">Hire</a>`,
      `<div onclick="event.stopPropagation()">Slip 4</div>`,
      `<button onclick="shut()">Close</button><div class="veil" onclick="shut()"></div>`,
      `<button onclick="go()"><span onclick="go2()">Go</span></button>`,
      `<div role="tablist"><button role="tab" tabindex="-1" onclick="show(2)">Rates</button></div>`,
      `<button disabled tabindex="-1" onclick="go()">Go</button>`
    ],
    broken: [
      `<div onclick="openGate()">Open the gate</div>`,
      `<a onclick="hire('pump')">Hire this pump</a>`,
      `<button tabindex="-1" onclick="send()">Send</button>`
    ],
    asked: [`<li onclick="openSlip(4)"><a href="slip-4.html">Slip 4</a> free until noon</li>`]
  }
};

// src/core/checks/keys/scrolls.ts
function* scrollAreas(scene) {
  const { index, styles } = scene.page;
  if (!styles.declares("overflow-y") && !styles.declares("overflow-x")) return;
  for (const element of index.elements) {
    const overflow = styles.keyword(element, "overflow-y");
    if (overflow !== "auto" && overflow !== "scroll") continue;
    if (/^(?:html|body|textarea|select|iframe)$/.test(element.tag) || !isExposed(scene, element)) continue;
    if (heightOf(scene, element) !== null) yield element;
  }
}
var heightOf = (scene, element) => scene.page.styles.pixels({ element }, "height") ?? scene.page.styles.pixels({ element }, "max-height");
var LETTERS_PER_SQUARE = 110;
function judge24(area, scene) {
  if (isTabbable(scene.page, scene.presence, area) !== false) return passed;
  for (const inside of elementsInside(scene, area))
    if (isTabbable(scene.page, scene.presence, inside) !== false) return passed;
  const height = heightOf(scene, area) ?? 0;
  const width = scene.page.styles.pixels({ element: area }, "width") ?? 1280;
  const room = height / 100 * (width / 100) * LETTERS_PER_SQUARE;
  const text = textContent(area);
  if (text.length <= room) return inapplicable;
  return cantTell(
    `This area scrolls (${Math.round(height)}px high, ${text.length} letters), and nothing in it takes focus. Can it be scrolled by keyboard in every browser you support?`,
    withChanges("likely", 'Add tabindex="0", a role and a name: role="region" aria-label="\u2026".', [
      setAttribute(area, "tabindex", "0")
    ]),
    { facts: { height } }
  );
}
var scrolls = {
  id: "keys.scrolls",
  criteria: ["2.1.1"],
  severity: "barrier",
  means: "An area that scrolls can be scrolled by keyboard.",
  who: "Someone who uses the keyboard sees the first lines and cannot get to the others.",
  mend: 'Let it take focus: tabindex="0" with role="region" and a name.',
  looksAt: scrollAreas,
  judge: judge24,
  examples: {
    kept: [
      `<div style="height: 100px; overflow: auto" tabindex="0" role="region" aria-label="Terms">${"Haul out. ".repeat(300)}</div>`,
      `<div style="height: 100px; overflow: auto"><a href="x">Terms</a>${"Haul out. ".repeat(300)}</div>`,
      `<div style="height: 100px; overflow: auto">Terms</div>`
    ],
    broken: [],
    asked: [`<div style="height: 100px; overflow: auto">${"Haul out. ".repeat(300)}</div>`]
  }
};

// src/core/checks/keys/skip-link.ts
var AMONG_FIRST = 6;
var says = /^(?:skip|jump|go|move|straight|direct(?:ly)?)\b.*\b(?:to|past|over|content|main|navigation|menu)\b|^skip\b|^(?:main )?content$|^to (?:the )?(?:main )?content$/i;
var skipLinks = keptForScene(
  (scene) => sureStops(scene).slice(0, AMONG_FIRST).filter(
    (stop) => stop.tag === "a" && (attributeText(stop, "href") ?? "").startsWith("#") && says.test(speakable(scene.name(stop).text))
  )
);
function fragmentTarget(scene, link) {
  const { index } = scene.page;
  const href = attributeText(link, "href")?.trim() ?? "";
  const fragment = href.slice(href.indexOf("#") + 1);
  if (fragment === "") return "top";
  const named = (id) => index.allWithId(index.document, id)[0] ?? index.byTag("a").find((anchor) => attributeText(anchor, "name") === id) ?? null;
  return named(fragment) ?? named(decoded(fragment)) ?? (/^top$/i.test(fragment) ? "top" : null);
}
function decoded(fragment) {
  try {
    return decodeURIComponent(fragment);
  } catch {
    return fragment;
  }
}

// src/core/checks/structure/main-part.ts
var calledMain = /^(?:main|content|page|maincontent|main-content|primary|wrapper|container)$/i;
var calledMainIn = (scene, body) => [...elementsInside(scene, body)].find(
  (e) => calledMain.test(attributeText(e, "id") ?? attributeText(e, "class")?.split(/\s+/)[0] ?? "")
) ?? null;
var before = /* @__PURE__ */ new Set(["banner", "navigation", "search", "complementary"]);
var after = /* @__PURE__ */ new Set(["contentinfo", "navigation", "complementary", "dialog", "alertdialog"]);
var unseen = /* @__PURE__ */ new Set(["script", "style", "template", "noscript", "link"]);
function mainMarked(scene, id) {
  const body = scene.page.index.byTag("body")[0];
  if (body === void 0) return null;
  const holdsFrame = (element) => [...elementsInside(scene, element)].some(
    (inside) => /^(?:banner|contentinfo|navigation)$/.test(scene.role(inside).role ?? "")
  );
  const meant2 = calledMainIn(scene, body);
  if (meant2?.tag === "div" && !meant2.attributes.has("role") && !holdsFrame(meant2)) {
    const isNamed = id === null || attributeText(meant2, "id") === id;
    if (isNamed || attributeText(meant2, "id") === null)
      return [
        renameElement(meant2, "main"),
        ...isNamed || id === null ? [] : [setAttribute(meant2, "id", id)]
      ];
  }
  const skips = new Set(skipLinks(scene));
  const nodes = body.children.filter(
    (node) => node.kind === "element" || node.kind === "text" && writtenText(node.value).trim() !== ""
  );
  const isRole = (node, roles2) => node.kind === "element" && (unseen.has(node.tag) || roles2.has(scene.role(node).role ?? ""));
  const isOutside = (node) => skips.has(node) || [...skips].some((skip) => isIn(scene, skip, node));
  let from = 0;
  let to = nodes.length - 1;
  while (from <= to && (isRole(nodes[from], before) || isOutside(nodes[from]) || isMenu(nodes[from])))
    from++;
  while (to >= from && isRole(nodes[to], after)) to--;
  const middle = nodes.slice(from, to + 1);
  const [first, last] = [middle[0], middle.at(-1)];
  const isPlain2 = middle.every(
    (node) => node.kind === "element" ? !/^(?:banner|contentinfo)$/.test(scene.role(node).role ?? "") && !isOutside(node) : true
  );
  if (first === void 0 || last === void 0 || !isPlain2) return null;
  if (first.kind !== "element" && first.kind !== "text" || last.kind !== "element" && last.kind !== "text")
    return null;
  const menus = nodes.slice(0, from).filter((node) => node.kind === "element" && node.tag === "div" && isMenu(node));
  return [
    wrap(first, last, { tag: "main", attributes: id === null ? {} : { id } }),
    ...menus.filter((menu) => !menu.attributes.has("role")).map((menu) => renameElement(menu, "nav"))
  ];
}
var isIn = (scene, inside, around) => {
  if (inside.kind !== "element") return false;
  for (let up = scene.page.index.parent(inside); up !== null; up = scene.page.index.parent(up))
    if (up === around) return true;
  return false;
};
var calledMenu = /\b(?:nav|navi|navbar|navigation|menu|topnav|sidebar|header|masthead|breadcrumbs?)\b/i;
var isMenu = (node) => node.kind === "element" && calledMenu.test(`${attributeText(node, "class") ?? ""} ${attributeText(node, "id") ?? ""}`);

// src/core/checks/keys/skip-arrives.ts
function judge25(link, scene) {
  const href = attributeText(link, "href")?.trim() ?? "";
  const otherWay = exposedByRole(scene, "main").length > 0 || exposedByRole(scene, "heading").length > 0;
  const details = {
    facts: { href },
    criteria: otherWay ? [] : ["2.4.1"],
    ...at(link, "href")
  };
  const target = fragmentTarget(scene, link);
  if (target === "top" && href === "#")
    return scriptsMay(scene, /\.focus\s*\(/) ? cantTell(
      "This skip link has no address of its own. Does a script move focus when it is used?",
      ask('Point it at the content: href="#content".'),
      details
    ) : failed(
      "This skip link leads to the top of the page, where one is already.",
      pointedAtMain(scene, link),
      details
    );
  if (target !== null && target !== "top") {
    const { visible: visible2 } = scene.presence.of(target);
    return visible2 === 0 && target.tag !== "a" ? cantTell(
      `The skip link leads to "${href.slice(1)}", which is hidden. Is it shown when one gets there?`,
      ask("Point it at content that is shown."),
      details
    ) : passed;
  }
  if (target === "top") return passed;
  const main = exposedByRole(scene, "main")[0];
  const mainId = main === void 0 ? null : attributeText(main, "id");
  const ids = scene.page.index.elements.flatMap((element) => attributeText(element, "id") ?? []);
  const meant2 = mainId ?? nearestWord(href.slice(1), ids);
  return failed(
    `The skip link leads to "${href.slice(1)}", and nothing here has that id: it does nothing.`,
    meant2 !== null ? withChanges("likely", `Point it at "${meant2}".`, [setAttribute(link, "href", `#${meant2}`)]) : main !== void 0 ? withChanges("likely", `Give the main content id="${href.slice(1)}".`, [
      setAttribute(main, "id", href.slice(1))
    ]) : orMain(scene, href.slice(1)),
    details
  );
}
function orMain(scene, id) {
  const summary = `Give the start of the content id="${id}".`;
  const changes = mainMarked(scene, id);
  return changes === null ? ask(summary) : withChanges("likely", summary, changes);
}
function pointedAtMain(scene, link) {
  const summary = 'Point it at the content: href="#content", and give the content that id.';
  const [main] = exposedByRole(scene, "main");
  if (main === void 0) {
    const id2 = freshId(scene, link, "content");
    const changes2 = mainMarked(scene, id2);
    return changes2 === null ? ask(summary) : withChanges("likely", summary, [setAttribute(link, "href", `#${id2}`), ...changes2]);
  }
  const { id, changes } = idOf(scene, main, "content");
  return withChanges("likely", summary, [setAttribute(link, "href", `#${id}`), ...changes]);
}
var skipArrives = {
  id: "keys.skip-arrives",
  criteria: ["2.4.1"],
  severity: "barrier",
  means: "A skip link leads to content that is there.",
  who: "Someone who uses the keyboard presses it, stays where they are, and goes through every link of the menu after all.",
  mend: "Give the content the id that the link names.",
  looksAt: skipLinks,
  judge: judge25,
  examples: {
    kept: [
      `<a href="#content">Skip to content</a><main id="content">x</main>`,
      `<a href="#top">Skip to top</a>`,
      `<a href="#here"></a>`
    ],
    broken: [
      `<a href="#content">Skip to content</a><main id="main">x</main>`,
      `<!doctype html><title>t</title><a href="#">Skip navigation</a>`,
      `<a href="#content">Skip to content</a><main>x</main>`
    ],
    asked: [`<a href="#m">Skip to content</a><main id="m" hidden>x</main>`]
  }
};

// src/core/checks/keys/way-past-repeats.ts
var MENU = 5;
var calledMenu2 = /\b(?:nav|navi|navbar|navigation|menu|topnav|sidebar|header|masthead|breadcrumbs?)\b/i;
var judgedAt = (scene) => scene.page.index.byTag("body").slice(0, 1);
function judge26(_, scene) {
  if (exposedByRole(scene, "heading").length > 0) return passed;
  const landmarks = exposedByRole(scene, "main", "navigation", "complementary", "region", "search");
  if (landmarks.length > 0) return passed;
  const skips = skipLinks(scene);
  if (skips.some((link) => arrives(scene, link))) return passed;
  const stops = sureStops(scene);
  const menu = menuAtTop(
    scene,
    stops.filter((stop) => !skips.includes(stop))
  );
  if (menu === null) return inapplicable;
  const links = [...elementsInside(scene, menu)].filter((e) => e.tag === "a").length;
  const summary = "Put the content into <main>, and give it headings; a skip link at the top helps those who see and use the keyboard.";
  const lost = skips.map((link) => attributeText(link, "href")?.trim().slice(1) ?? "").find((id) => id !== "");
  const changes = mainMarked(scene, lost ?? null);
  const repair = changes === null ? ask(summary) : withChanges("likely", summary, changes);
  const details = { facts: { links } };
  const isNamedMenu = calledMenu2.test(
    `${attributeText(menu, "class") ?? ""} ${attributeText(menu, "id") ?? ""}`
  );
  return isNamedMenu || skips.length > 0 ? failed(
    `Nothing leads past the ${links} links at the top: no skip link that arrives, no heading, no landmark.`,
    repair,
    details
  ) : cantTell(
    `Do the ${links} links at the top stand on other pages too? Nothing leads past them: no skip link, no heading, no landmark.`,
    repair,
    details
  );
}
var arrives = (scene, link) => {
  const target = fragmentTarget(scene, link);
  return target !== null && target !== "top";
};
function menuAtTop(scene, stops) {
  const first = stops.slice(0, MENU);
  if (first.length < MENU || first.some((stop) => stop.tag !== "a")) return null;
  const [start] = first;
  if (start === void 0) return null;
  for (const up of elementsAround(scene, start)) {
    if (up.tag === "body") return null;
    const around = new Set(elementsInside(scene, up));
    if (first.every((stop) => around.has(stop))) return hasMoreAfter(scene, up) ? up : null;
  }
  return null;
}
function hasMoreAfter(scene, element) {
  const { parent, root } = scene.page.index.record(element);
  return scene.page.index.childElements(parent ?? root).at(-1) !== element;
}
var wayPastRepeats = {
  id: "keys.way-past-repeats",
  criteria: ["2.4.1"],
  severity: "barrier",
  means: "A skip link, a landmark or a heading leads past what stands on every page.",
  who: "Someone who uses the keyboard or a screen reader goes through the whole menu again on every page.",
  mend: "Mark the content with <main> and headings, and begin the page with a link to it.",
  pageOnly: true,
  looksAt: judgedAt,
  judge: judge26,
  examples: {
    kept: [
      `<!doctype html><title>t</title><div class="menu"><a href="a">A</a><a href="b">B</a><a href="c">C</a><a href="d">D</a><a href="e">E</a></div><main>x</main>`,
      `<!doctype html><title>t</title><div class="menu"><a href="a">A</a><a href="b">B</a></div><p>x</p>`,
      `<!doctype html><title>t</title><a href="#c">Skip</a><div class="menu"><a href="a">A</a><a href="b">B</a><a href="c">C</a><a href="d">D</a><a href="e">E</a></div><p id="c">x</p>`
    ],
    broken: [
      `<!doctype html><title>t</title><div class="menu"><a href="a">A</a><a href="b">B</a><a href="c">C</a><a href="d">D</a><a href="e">E</a></div><p>x</p>`
    ],
    asked: [
      `<!doctype html><title>t</title><p><a href="a">A</a><a href="b">B</a><a href="c">C</a><a href="d">D</a><a href="e">E</a></p><p>x</p>`
    ]
  }
};

// src/core/checks/media/captions.ts
var media = (scene) => ["video", "audio"].flatMap(
  (tag) => scene.page.index.byTag(tag).filter((element) => isShown(scene, element) || tag === "audio" && hasAttribute(element, "autoplay"))
);
function judge27(element, scene) {
  if (element.tag === "audio")
    return cantTell(
      "Is what this sound says to be read somewhere too?",
      ask("Put a transcript beside it, or a link to one."),
      { criteria: ["1.2.1"] }
    );
  const hasCaptions = scene.page.index.childElements(element).some(
    (child) => child.tag === "track" && /^(?:captions|subtitles)$/.test(attributeToken(child, "kind") ?? "subtitles") && hasAttribute(child, "src")
  );
  if (hasCaptions) return passed;
  const isSilent = hasAttribute(element, "muted") && !hasAttribute(element, "controls");
  return cantTell(
    isSilent ? "Does this silent film tell anything that the text does not?" : "Does this film have captions, in the picture or in its player? It has no captions track.",
    ask(
      isSilent ? "Say in text what it shows." : 'Add <track kind="captions" src="\u2026.vtt" srclang="\u2026" label="\u2026">.'
    ),
    { criteria: isSilent ? ["1.2.1"] : ["1.2.2"] }
  );
}
var captions = {
  id: "media.captions",
  criteria: ["1.2.1", "1.2.2"],
  severity: "blocker",
  means: "Films have captions, and what is only heard can be read.",
  who: "Someone who is deaf, or sits where sound is unwelcome, does not learn what is said.",
  mend: "Add a captions track to films, and a transcript beside sounds.",
  looksAt: media,
  judge: judge27,
  examples: {
    kept: [`<video src="slip.mp4" controls><track kind="captions" src="slip.vtt"></video>`],
    broken: [],
    asked: [
      `<video src="slip.mp4" controls></video>`,
      `<audio src="horn.mp3" controls></audio>`,
      `<video src="slip.mp4" muted autoplay></video>`
    ]
  }
};

// src/core/checks/media/no-autoplay.ts
var media2 = (scene) => ["audio", "video"].flatMap((tag) => scene.page.index.byTag(tag)).filter(
  (element) => hasAttribute(element, "autoplay") && (element.tag === "audio" || scene.presence.of(element).rendered !== NO)
);
function judge28(element) {
  if (hasAttribute(element, "muted")) return passed;
  const repair = withChanges(
    "likely",
    "Take autoplay away, or add muted and let people turn the sound on.",
    // Without autoplay there must be a way to start it.
    hasAttribute(element, "controls") ? [removeAttribute(element, "autoplay")] : [removeAttribute(element, "autoplay"), setAttribute(element, "controls", null)]
  );
  if (hasAttribute(element, "controls"))
    return cantTell(
      "This plays by itself. Is its sound over within three seconds, or is the way to stop it the first thing on the page?",
      repair
    );
  if (element.tag === "audio" && hasAttribute(element, "loop"))
    return failed("This sound plays by itself, over and over, and nothing stops it.", repair);
  return cantTell(
    "This plays by itself and has no controls. Does it sound for more than three seconds?",
    repair
  );
}
var noAutoplay = {
  id: "media.no-autoplay",
  criteria: ["1.4.2"],
  severity: "barrier",
  means: "Nothing sounds by itself for more than three seconds unless it can be stopped.",
  who: "Someone using a screen reader cannot hear it over the sound.",
  mend: "Let people start it.",
  looksAt: media2,
  judge: judge28,
  examples: {
    kept: [`<video autoplay muted loop src="slip.mp4"></video>`, `<audio controls src="horn.mp3"></audio>`],
    broken: [`<audio autoplay loop src="horn.mp3"></audio>`],
    asked: [`<audio autoplay controls src="horn.mp3"></audio>`, `<video autoplay src="slip.mp4"></video>`]
  }
};

// src/core/checks/motion/animations.ts
var endlessAnimations = keptForScene(
  (scene) => {
    const { index, styles } = scene.page;
    const found = /* @__PURE__ */ new Map();
    if (!styles.declares("animation-iteration-count")) return found;
    for (const element of index.elements) {
      const counts = splitAtCommas(styles.keyword(element, "animation-iteration-count") ?? "1");
      if (!counts.includes("infinite") || !isShown(scene, element)) continue;
      const names = splitAtCommas(styles.value(element, "animation-name")?.text ?? "none");
      const durations = splitAtCommas(styles.keyword(element, "animation-duration") ?? "0s");
      const endless = names.flatMap((name, at2) => {
        const duration = seconds(durations[at2 % durations.length] ?? "0s");
        const isEndless = counts[at2 % counts.length] === "infinite";
        return name.toLowerCase() === "none" || !isEndless || duration === 0 ? [] : [{ element, name, duration }];
      });
      if (endless.length > 0) found.set(element, endless);
    }
    return found;
  }
);
var seconds = (text) => Number.parseFloat(text) * (/ms$/i.test(text) ? 1e-3 : 1) || 0;

// src/core/checks/motion/can-stop.ts
function* moving(scene) {
  yield* exposedByTag(scene, "marquee");
  for (const video of scene.page.index.byTag("video")) if (isShown(scene, video)) yield video;
  yield* endlessAnimations(scene).keys();
}
var waiting = /^(?:progressbar|status|alert|log|timer)$/;
function judge29(element, scene) {
  if (element.tag === "marquee") return judgeMarquee(element);
  if (element.tag === "video") return judgeVideo(element);
  const animation = endlessAnimations(scene).get(element)?.[0];
  if (animation === void 0) return inapplicable;
  for (const up of [element, ...elementsAround(scene, element)])
    if (waiting.test(scene.role(up).role ?? "") || attributeText(up, "aria-busy") === "true")
      return inapplicable;
  return cantTell(
    `The animation "${animation.name}" runs here without end. Does something beside it move for more than five seconds, and can people stop it?`,
    ask(
      "Let it run once, or add a button that stops it; and stop it under @media (prefers-reduced-motion: reduce)."
    ),
    { facts: { animation: animation.name }, cause: `animation ${animation.name}` }
  );
}
function judgeMarquee(marquee) {
  const rounds = Number.parseInt(attributeText(marquee, "loop") ?? "-1", 10);
  const repair = withChanges("likely", "Write the text as it is, without moving it.", [
    renameElement(marquee, "div")
  ]);
  return rounds > 0 || hasAttribute(marquee, "onmouseover") || hasAttribute(marquee, "onfocus") ? cantTell(
    "This text runs across the page. Is it over within five seconds, or can people stop it?",
    repair
  ) : failed("This text runs across the page without end, and nothing stops it.", repair);
}
function judgeVideo(video) {
  if (!hasAttribute(video, "autoplay")) return passed;
  if (hasAttribute(video, "controls")) return passed;
  return cantTell(
    "This film plays by itself and has no controls. Is it over within five seconds, or can people stop it?",
    ask("Add controls, or a button that stops it.")
  );
}
var canStop = {
  id: "motion.can-stop",
  criteria: ["2.2.2"],
  severity: "barrier",
  means: "What moves by itself for more than five seconds can be stopped.",
  who: "Someone who is easily distracted, or becomes sick from movement, cannot read what stands beside it.",
  mend: "Let it run once, or give people a way to stop it.",
  looksAt: moving,
  judge: judge29,
  examples: {
    kept: [
      `<video src="slip.mp4" controls></video>`,
      `<style>p { animation: glide 1s }</style><p>High water</p>`,
      `<style>p { animation: spin 1s infinite }</style><p role="status">Loading</p>`
    ],
    broken: [`<marquee>Closed on Sunday</marquee>`],
    asked: [
      `<style>@keyframes glide { to { left: 9px } } p { animation: glide 1s infinite }</style><p>High water</p>`,
      `<video src="slip.mp4" autoplay muted loop></video>`
    ]
  }
};

// src/core/checks/motion/no-flash.ts
var FLASHES_A_SECOND = 3;
var LUMINANCE_STEP = 0.1;
var DARKER_BELOW = 0.8;
var SAFE_AREA = 341 * 256 / 4;
function flashesPerSecond(scene, { element, name, duration }) {
  const { styles } = scene.page;
  const steps = styles.keyframes(element, name).flatMap(({ at: at2, declarations }) => {
    const text = declarations.get("background-color")?.text;
    const colour2 = text === void 0 ? null : styles.colourWithin({ element }, text);
    return colour2 === null || colour2.alpha < 0.9 ? [] : at2.map((place) => ({ place, luminance: relativeLuminance(colour2) }));
  }).sort((a, b) => a.place - b.place);
  let turns = 0;
  let direction = 0;
  for (const [i, step] of steps.entries()) {
    const next = steps[(i + 1) % steps.length];
    if (next === void 0) continue;
    const change = next.luminance - step.luminance;
    if (Math.abs(change) < LUMINANCE_STEP || Math.min(next.luminance, step.luminance) >= DARKER_BELOW)
      continue;
    if (Math.sign(change) !== direction) turns++;
    direction = Math.sign(change);
  }
  return turns / 2 / duration;
}
function judge30(element, scene) {
  const animation = endlessAnimations(scene).get(element)?.find((a) => flashesPerSecond(scene, a) > 0);
  if (animation === void 0) return inapplicable;
  const rate = flashesPerSecond(scene, animation);
  if (rate <= FLASHES_A_SECOND) return passed;
  const area = areaOf(scene, element);
  const often = `${Math.round(rate * 10) / 10} times a second`;
  const repair = ask("Let it change slowly, less than three times a second, or not at all.");
  const details = { facts: { flashes: rate, animation: animation.name } };
  if (area !== null && area <= SAFE_AREA) return passed;
  return area === null ? cantTell(`This flashes ${often}. Is it larger than about 150 by 150 pixels?`, repair, details) : failed(`This flashes ${often} over a large area: that can bring on a seizure.`, repair, details);
}
function areaOf(scene, element) {
  const { styles } = scene.page;
  if (element.tag === "body" || element.tag === "html") return Infinity;
  const pixels = (property) => styles.pixels({ element }, property);
  const isPinned = /^(?:fixed|absolute)$/.test(styles.keyword(element, "position") ?? "");
  if (isPinned && ["top", "right", "bottom", "left"].every((side) => pixels(side) === 0)) return Infinity;
  const [width, height] = [pixels("width"), pixels("height")];
  return width === null || height === null ? null : width * height;
}
var noFlash = {
  id: "motion.no-flash",
  criteria: ["2.3.1"],
  severity: "blocker",
  means: "Nothing flashes more than three times a second.",
  who: "Someone with photosensitive epilepsy may have a seizure.",
  mend: "Let it change slowly, or not at all.",
  looksAt: (scene) => endlessAnimations(scene).keys(),
  judge: judge30,
  examples: {
    kept: [
      `<style>@keyframes glow { from { background: #000 } to { background: #fff } } body { animation: glow 2s infinite }</style>x`,
      `<style>@keyframes b { from { background: #000 } to { background: #fff } } i { display: block; width: 20px; height: 20px; animation: b .2s infinite }</style><i>x</i>`
    ],
    broken: [
      `<style>@keyframes bolt { 0%, 49% { background: #000 } 50%, 100% { background: #fff } } body { animation: bolt .2s steps(1) infinite }</style>x`
    ],
    asked: [
      `<style>@keyframes b { from { background: #000 } to { background: #fff } } p { animation: b .2s infinite }</style><p>x</p>`
    ]
  }
};

// src/core/checks/words-from.ts
var empty = new Set(
  "icon icons img image images pic picture pictures btn button link svg png jpg the logo html htm php index fa fas far mdi bi is js".split(
    " "
  )
);
function wordsFrom(written) {
  const last = (written ?? "").replace(/[?#].*$/, "").replace(/\/+$/, "").split("/").at(-1) ?? "";
  const words4 = last.replace(/\.[a-z0-9]{2,5}$/i, "").replace(/([a-z])([A-Z])/g, "$1 $2").split(/[^\p{L}\p{N}]+/u).filter((word2) => /\p{L}{2}/u.test(word2) && !empty.has(word2.toLowerCase())).map((word2) => word2.toLowerCase());
  const text = words4.join(" ");
  return text.length < 3 || text.length > LONGEST2 ? "" : text[0]?.toUpperCase() + text.slice(1);
}
var LONGEST2 = 40;

// src/core/checks/names/picture-cause.ts
var pictureCause = (scene, image2) => `picture ${scene.page.index.record(image2).order}`;

// src/core/checks/names/action-named.ts
var actions = /* @__PURE__ */ new Set([
  "link",
  "button",
  "tab",
  "menuitem",
  "menuitemcheckbox",
  "menuitemradio",
  "option",
  "treeitem",
  "doc-backlink",
  "doc-biblioref",
  "doc-glossref",
  "doc-noteref"
]);
function* namedActions(scene) {
  for (const element of scene.page.index.elements) {
    if (element.tag === "area" || element.tag === "option" || element.tag === "input" && inputType(element) === "image")
      continue;
    const { role } = scene.role(element);
    if (role !== null && actions.has(role) && isExposed(scene, element)) yield element;
  }
}
function repairFor(scene, action, word2) {
  const { index } = scene.page;
  const what = word2 === "link" ? "Where the link leads" : `What the ${word2} does`;
  const whatInside = what[0]?.toLowerCase() + what.slice(1);
  const wanted = (summary, start, change) => askWords(summary, what, start, [change]);
  const image2 = firstInside(scene, action, (e) => e.tag === "img");
  if (image2 !== null)
    return wanted(
      `Its picture ${image2.attributes.has("alt") ? "is marked as decoration" : "has no alternative"}: say in the picture's alt ${whatInside}.`,
      startFor(scene, action) || wordsFrom(attributeText(image2, "src")),
      setAttribute(image2, "alt", BLANK)
    );
  const label = setAttribute(action, "aria-label", BLANK);
  const svg = firstInside(scene, action, (e) => e.tag === "svg");
  if (svg !== null)
    return wanted(
      `Its drawing says nothing: add aria-label="\u2026" to the ${word2}, or a <title> to the drawing.`,
      startFor(scene, action),
      label
    );
  if (action.tag === "input")
    return wanted(
      "Write in value what the button does.",
      startFor(scene, action),
      setAttribute(action, "value", BLANK)
    );
  if (index.childElements(action).length > 0)
    return wanted(
      `Nothing in it is text that is read: add aria-label="\u2026", or text that is hidden only from view.`,
      textContent(action) || startFor(scene, action),
      label
    );
  return wanted(`Write inside it what the ${word2} does.`, startFor(scene, action), setWords(action, BLANK));
}
function startFor(scene, action) {
  const uses = [...elementsBelow(scene.page.index, action)].map(
    (inside) => attributeText(inside, "href") ?? attributeText(inside, "class")
  );
  const written = [attributeText(action, "href"), attributeText(action, "id"), attributeText(action, "name")];
  return [...written, ...uses].map(wordsFrom).find((words4) => words4 !== "") ?? "";
}
var naming = ["aria-label", "aria-labelledby", "alt", "title", "value"];
var saysNothing = (scene, action) => {
  const isMute = (element) => !naming.some((name) => element.attributes.has(name) && attributeText(element, name)?.trim() !== "");
  return textContent(action) === "" && isMute(action) && firstInside(scene, action, (inside) => !isMute(inside)) === null;
};
var firstInside = (scene, element, fits) => firstOf(elementsBelow(scene.page.index, element), fits);
function judge31(action, scene) {
  const isLeftToUses = action.spread !== null && scene.name(action).text === "" && saysNothing(scene, action);
  if (!isLeftToUses && !isUnnamed(scene, action)) return passed;
  const role = scene.role(action).role ?? "button";
  const word2 = spokenRole(role, {}, null);
  const criteria = role === "link" ? ["4.1.2", "2.4.4"] : ["4.1.2"];
  if (isLeftToUses)
    return cantTell(
      `Nothing in this ${word2} names it. Does every use of it give it a name?`,
      repairFor(scene, action, word2),
      { criteria }
    );
  const unknown2 = action.tag.includes("-") && action.shadow === null ? action : holdsUnknownContent(scene, action);
  if (unknown2 !== null) {
    return cantTell(
      `Does <${unknown2.tag}> bring text of its own? Without it this ${word2} has no name.`,
      repairFor(scene, action, word2),
      { criteria }
    );
  }
  const titled2 = firstInside(scene, action, (e) => (attributeText(e, "title")?.trim() ?? "") !== "");
  if (titled2 !== null) {
    return cantTell(
      `Only a tooltip inside this ${word2} says what it does, and browsers differ on whether that names it. Is there a name elsewhere?`,
      withChanges("likely", `Write the words of the tooltip in aria-label on the ${word2}.`, [
        setAttribute(action, "aria-label", attributeText(titled2, "title")?.trim() ?? "")
      ]),
      { criteria }
    );
  }
  const picture = firstInside(scene, action, (e) => e.tag === "img" && !e.attributes.has("alt"));
  return failed(`This ${word2} has no name.`, repairFor(scene, action, word2), {
    criteria,
    ...picture === null ? {} : { cause: pictureCause(scene, picture) }
  });
}
var actionNamed = {
  id: "names.action-named",
  criteria: ["4.1.2", "2.4.4"],
  severity: "blocker",
  means: "Everything that can be activated has a name.",
  who: 'Someone using a screen reader hears "button" or "link" and must press it to find out what it does; speech input cannot address it.',
  mend: "Give it text, or an aria-label where there is only an icon.",
  looksAt: namedActions,
  judge: judge31,
  examples: {
    kept: [
      `<button>Haul out</button>`,
      `<a href="slips.html"><img src="boat.png" alt="Slips"></a>`,
      `<button aria-label="Close"><svg></svg></button>`,
      `<a id="top"></a>`,
      `<input type="submit">`,
      `<details><summary>Fees</summary>By the metre.</details>`,
      `<select><option></option></select>`
    ],
    broken: [
      `<button></button>`,
      `<a href="slips.html"><img src="boat.png" alt=""></a>`,
      `<button><svg viewBox="0 0 9 9"><path d="M0 0h9"/></svg></button>`,
      `<a href="tel:1"><span style="display: none">Call</span></a>`,
      `<input type="button">`,
      `<a href="x.html"><i class="f"></i></a><style>.f::before { content: "\\f015" }</style>`
    ],
    asked: [`<button><yard-icon></yard-icon></button>`]
  }
};

// src/core/checks/names/area-named.ts
var areas = [
  "dialog",
  "alertdialog",
  "tabpanel",
  "tree",
  "treegrid",
  "grid",
  "meter",
  "progressbar",
  "listbox"
].filter((role) => {
  const row = roleRow(role);
  return row.nameRequired === true && row.doubtful?.includes("nameRequired") !== true;
});
function* namedAreas(scene) {
  for (const element of exposedByRole(scene, ...areas)) if (element.tag !== "select") yield element;
  for (const frame of scene.page.index.byTag("iframe")) if (isExposed(scene, frame)) yield frame;
}
function judge32(area, scene) {
  if (area.tag === "iframe") return judgeFrame(area, scene);
  if (!isUnnamed(scene, area)) return passed;
  if (area.spread !== null) return passed;
  const role = scene.role(area).role;
  const word2 = spokenRole(role, {}, null);
  return failed(`This ${word2} has no name.`, repairFor2(scene, area, role, word2), { facts: { role } });
}
function repairFor2(scene, area, role, word2) {
  const { index } = scene.page;
  if (role === "tabpanel") {
    const id = attributeText(area, "id");
    const tab = id === null ? void 0 : exposedByRole(scene, "tab").find((t2) => attributeText(t2, "aria-controls") === id);
    const tabId = tab === void 0 ? null : attributeText(tab, "id");
    if (tab !== void 0 && tabId !== null)
      return withChanges(
        "likely",
        `Name it by its tab "${scene.name(tab).text}": aria-labelledby="${tabId}".`,
        [setAttribute(area, "aria-labelledby", tabId)]
      );
    const fresh = tab === void 0 ? null : freshId(scene, tab, scene.name(tab).text);
    return tab === void 0 || fresh === null ? ask("Name it by its tab: aria-labelledby with the id of the tab.") : withChanges("likely", "Name it by its tab: aria-labelledby with the id of the tab.", [
      setAttribute(tab, "id", fresh),
      setAttribute(area, "aria-labelledby", fresh)
    ]);
  }
  for (const inside of elementsInside(scene, area)) {
    if (scene.role(inside).role !== "heading" || scene.name(inside).text === "") continue;
    const text = scene.name(inside).text;
    const id = attributeText(inside, "id");
    if (id !== null && index.byId(area, id) === inside)
      return withChanges("likely", `Name it by its heading "${text}": aria-labelledby="${id}".`, [
        setAttribute(area, "aria-labelledby", id)
      ]);
    const fresh = freshId(scene, inside, text);
    return withChanges(
      "likely",
      `Name it by its heading "${text}": give the heading an id, and the ${word2} aria-labelledby.`,
      [setAttribute(inside, "id", fresh), setAttribute(area, "aria-labelledby", fresh)]
    );
  }
  return askWords(`Say in aria-label what this ${word2} is about.`, `Name of the ${word2}`, "", [
    setAttribute(area, "aria-label", BLANK)
  ]);
}
function judgeFrame(frame, scene) {
  if (!isUnnamed(scene, frame)) return passed;
  const { styles } = scene.page;
  const size = (side) => styles.pixels({ element: frame }, side) ?? Number.parseFloat(attributeText(frame, side) ?? "150");
  if (size("width") <= 2 || size("height") <= 2) return inapplicable;
  const repair = askWords(
    'Say in title what the frame shows: <iframe title="\u2026">.',
    "What the frame shows",
    wordsFrom(attributeText(frame, "src")),
    [setAttribute(frame, "title", BLANK)]
  );
  const outOfTab = attributeText(frame, "tabindex")?.trim().startsWith("-") === true;
  const isEmpty = !frame.attributes.has("src") && !frame.attributes.has("srcdoc");
  if (outOfTab || isEmpty)
    return cantTell("Will this frame hold anything for people? Then it needs a title.", repair);
  return failed("This frame has no name.", repair);
}
var areaNamed = {
  id: "names.area-named",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "Dialogs, frames, tab panels, trees, grids and gauges have the name their role needs.",
  who: 'Someone using a screen reader hears "dialog" or "frame" and must explore it to learn what it is about.',
  mend: "Name it by its heading with aria-labelledby, or with aria-label; a frame with title.",
  looksAt: namedAreas,
  judge: judge32,
  examples: {
    kept: [
      `<dialog open aria-labelledby="h"><h2 id="h">Book slip 4</h2></dialog>`,
      `<iframe src="map.html" title="Tide map"></iframe>`,
      `<iframe src="count.html" width="1" height="1"></iframe>`,
      `<div role="progressbar" aria-label="Haul-out" aria-valuenow="3"></div>`,
      `<label>Fuel <meter value="0.4"></meter></label>`
    ],
    broken: [
      `<dialog open><h2 id="h">Book slip 4</h2></dialog>`,
      `<div role="dialog"><p>Really?</p></div>`,
      `<iframe src="map.html"></iframe>`,
      `<div role="progressbar" aria-valuenow="3"></div>`,
      `<div role="tablist"><button role="tab" id="t" aria-controls="p" aria-selected="true">Fees</button></div><div role="tabpanel" id="p">By the metre.</div>`
    ],
    asked: [`<iframe></iframe>`]
  }
};

// src/core/checks/names/meant-label.ts
var NEAR2 = 12;
function fieldMeantBy(scene, label) {
  const { index } = scene.page;
  const id = attributeText(label, "for") ?? "";
  const nameless = namelessFields(scene);
  const near = index.byId(label, id) === null ? nearestWord(id, [...nameless.keys()]) : null;
  if (near !== null) return nameless.get(near) ?? null;
  const from = index.record(label).order;
  for (const element of index.elements.slice(from + 1, from + NEAR2)) {
    if (element.tag === "label") return null;
    if (isLabelable(element) && element.tag !== "button") return isUnnamed(scene, element) ? element : null;
  }
  return null;
}
var namelessFields = keptForScene((scene) => {
  const found = /* @__PURE__ */ new Map();
  for (const element of scene.page.index.elements) {
    const id = isLabelable(element) && element.tag !== "button" ? attributeText(element, "id") : null;
    if (id !== null && id !== "" && isUnnamed(scene, element)) found.set(id, element);
  }
  return found;
});
var labelsThatMiss = keptForScene((scene) => {
  const { index } = scene.page;
  const found = /* @__PURE__ */ new Map();
  for (const label of index.byTag("label")) {
    const id = attributeText(label, "for");
    if (id === null) continue;
    const target = index.byId(label, id);
    const isRight = target !== null && isLabelable(target) && index.labels(target)[0] === label;
    const field = isRight ? null : fieldMeantBy(scene, label);
    if (field !== null && !found.has(field)) found.set(field, label);
  }
  return found;
});
var missedLabelCause = (scene, label) => `label ${scene.page.index.record(label).order}`;

// src/core/checks/names/text-beside.ts
var LONGEST_LABEL = 60;
function textBeside(scene, control) {
  const { index } = scene.page;
  const { parent, root } = index.record(control);
  const own = textBefore(scene, (parent ?? root).children, control);
  if (own !== null || parent === null) return own;
  const { previous } = index.record(parent);
  if (previous === null || !isShown(scene, previous) || holdsControl(scene, previous)) return null;
  return /^(?:td|th|dt|div|span|p)$/.test(previous.tag) ? shortText({ text: textContent(previous), node: previous }) : null;
}
function textBefore(scene, nodes, control) {
  let found = null;
  for (const node of nodes) {
    if (node === control) break;
    if (node.kind === "text") {
      const text = foldSpaces(writtenText(node.value));
      if (text !== "") found = { text, node };
    } else if (node.kind === "element" && isShown(scene, node)) {
      const text = node.children.length < 4 ? textContent(node) : "";
      if (holdsControl(scene, node)) found = null;
      else if (text !== "") found = { text, node };
    }
  }
  return found === null ? null : shortText(found);
}
var shortText = (beside) => beside.text !== "" && beside.text.length <= LONGEST_LABEL && !/[<>]/.test(beside.text) && /\p{L}/u.test(beside.text) ? beside : null;
var controls = /* @__PURE__ */ new Set(["input", "select", "textarea", "button"]);
var holdsControl = (scene, element) => controls.has(element.tag) || scene.page.index.childElements(element).some((e) => controls.has(e.tag));

// src/core/checks/names/control-labelled.ts
var buttonTypes = /* @__PURE__ */ new Set(["submit", "reset", "button", "image", "hidden"]);
var controlRoles = /* @__PURE__ */ new Set([
  "textbox",
  "searchbox",
  "combobox",
  "spinbutton",
  "slider",
  "checkbox",
  "radio",
  "switch"
]);
function* controls2(scene) {
  for (const element of scene.page.index.elements) {
    if (!isControl(scene, element) || !isExposed(scene, element)) continue;
    yield element;
  }
}
function isControl(scene, element) {
  if (element.namespace !== "html") return false;
  if (element.tag === "input") return !buttonTypes.has(inputType(element));
  if (element.tag === "select" || element.tag === "textarea") return true;
  if (!element.attributes.has("role") || element.tag === "button") return false;
  const { role, from } = scene.role(element);
  return from === "role attribute" && role !== null && controlRoles.has(role);
}
function kindOf(scene, control) {
  const { role } = scene.role(control);
  if (role === "checkbox" || role === "switch") return "This checkbox";
  if (role === "radio") return "This radio button";
  if (role === "slider") return "This slider";
  if (control.tag === "select" || role === "combobox" || role === "listbox") return "This choice";
  return "This field";
}
var namingAttributes = ["aria-label", "aria-labelledby", "title", "placeholder"];
function judge33(control, scene) {
  const name = scene.name(control);
  if (!isUnnamed(scene, control)) {
    if (name.certain && !/[\p{L}\p{N}]/u.test(speakable(name.text))) {
      return failed(
        `${kindOf(scene, control)} is called only "${name.text}".`,
        wordsInLabel(scene, control),
        { facts: { name: name.text } }
      );
    }
    return passed;
  }
  if (control.spread !== null) return passed;
  const misspelt = misspeltNaming(control);
  const message = `${kindOf(scene, control)} has no name.`;
  if (misspelt !== null) {
    return failed(
      `${message} "${misspelt.written}" is no attribute.`,
      withChanges("likely", `Write ${misspelt.meant} for ${misspelt.written}.`, [
        renameAttribute(control, misspelt.written, misspelt.meant)
      ])
    );
  }
  const hiddenLabel = scene.page.index.labels(control).find((label) => textContent(label) !== "");
  if (hiddenLabel !== void 0) {
    return cantTell(
      `The label "${textContent(hiddenLabel)}" is hidden, and browsers differ on whether it still names this field. Is the field shown together with it?`,
      ask("Show the label, or write its words in aria-label.")
    );
  }
  if (scene.document.kind === "fragment" && attributeText(control, "id") !== null) {
    return cantTell(
      `${message} Does the page this piece goes into have a label for "${attributeText(control, "id")}"?`,
      repairFor3(scene, control)
    );
  }
  const open2 = openLabel(scene);
  if (open2 !== null && control.attributes.has("id"))
    return cantTell(
      `${message} Is the label "${textContent(open2)}" for it? Source does not tell.`,
      repairFor3(scene, control)
    );
  const missing = labelsThatMiss(scene).get(control);
  return failed(
    message,
    repairFor3(scene, control),
    missing === void 0 ? {} : { cause: missedLabelCause(scene, missing) }
  );
}
var openLabel = keptForScene(
  (scene) => scene.page.index.byTag("label").find((label) => label.attributes.has("for") && attributeText(label, "for") === null) ?? null
);
function misspeltNaming(control) {
  for (const attribute of control.attributes.keys()) {
    if (!/^aria-?l/.test(attribute) || namingAttributes.includes(attribute)) continue;
    const near = /^aria-?label+(?:ed|led)[-_]?by$|^aria-?labelle?d$/.test(attribute) ? isIdOfReference(control, attribute) ? "aria-labelledby" : "aria-label" : nearestWord(attribute, ["aria-label", "aria-labelledby"]);
    if (near !== null) return { written: attribute, meant: near };
  }
  return null;
}
var isIdOfReference = (control, attribute) => {
  const text = attributeText(control, attribute) ?? "";
  return /by$/.test(attribute) || /^[A-Za-z][\w-]*(?:[-_]\w+)+$/.test(text.trim());
};
function repairFor3(scene, control) {
  const missing = labelsThatMiss(scene).get(control);
  const ownId = attributeText(control, "id");
  if (missing !== void 0 && ownId !== null && ownId !== "") {
    return withChanges("likely", `Its label points elsewhere: write for="${ownId}" there.`, [
      setAttribute(missing, "for", ownId)
    ]);
  }
  const label = looseLabelBeside(scene, control);
  if (label !== null) {
    const id = attributeText(control, "id");
    const text = scene.page.index.labeledControl(label) === null ? textContent(label) : "";
    if (text !== "") {
      if (id !== null && id !== "")
        return withChanges("likely", `Connect the label "${text}" with for="${id}".`, [
          setAttribute(label, "for", id)
        ]);
      const fresh = freshId(scene, control, attributeText(control, "name") ?? control.tag);
      return withChanges("likely", `Connect the label "${text}": give the field an id and the label a for.`, [
        setAttribute(label, "for", fresh),
        setAttribute(control, "id", fresh)
      ]);
    }
  }
  if (attributeText(control, "role") !== null)
    return askWords("Say in aria-label what it is for, or write the words inside it.", "Label", "", [
      setAttribute(control, "aria-label", BLANK)
    ]);
  const beside = textBeside(scene, control);
  return beside === null ? labelWithWords(
    scene,
    control,
    'Put a label beside the field and connect it: <label for="\u2026">.',
    wordsFrom(attributeText(control, "name") ?? ownId)
  ) : labelFrom(scene, control, beside);
}
function wordsInLabel(scene, control) {
  const summary = "Put the words that say what belongs in the field into its label.";
  const [label] = scene.page.index.labels(control);
  return label === void 0 ? ask(summary) : askWords(summary, "Label", wordsFrom(attributeText(control, "name")), [
    insert("first", label, { tag: "span", text: BLANK })
  ]);
}
function looseLabelBeside(scene, control) {
  const { index } = scene.page;
  const siblings = index.childElements(index.record(control).parent ?? index.record(control).root);
  const at2 = siblings.indexOf(control);
  const after2 = /^(?:checkbox|radio)$/.test(control.tag === "input" ? inputType(control) : "");
  for (const candidate of after2 ? [siblings[at2 + 1], siblings[at2 - 1]] : [siblings[at2 - 1]]) {
    if (candidate?.tag === "label" && index.labeledControl(candidate) === null && !candidate.attributes.has("for"))
      return candidate;
  }
  return null;
}
var controlLabelled = {
  id: "names.control-labelled",
  criteria: ["4.1.2", "1.3.1"],
  severity: "blocker",
  means: "Every form control has a name that says what belongs in it.",
  who: 'Someone using a screen reader hears "text box" and must guess what to type; someone using speech input cannot name the field.',
  mend: 'Connect a visible label: <label for="length">Length in metres</label> <input id="length">.',
  looksAt: controls2,
  judge: judge33,
  examples: {
    kept: [
      `<!doctype html><title>t</title><label for="len">Length</label> <input id="len">`,
      `<label>Beam <input></label>`,
      `<input aria-label="Search the parts store" type="search">`,
      `<input type="submit">`,
      `<input type="hidden" name="token">`,
      `<span role="checkbox" aria-checked="false" tabindex="0">Winch needed</span>`,
      `<div style="display: none"><input></div>`
    ],
    broken: [
      `<!doctype html><title>t</title><p>Length <input name="length"></p>`,
      `<p>Berths</p><select multiple><option>A1</option></select>`,
      `<input aria-labeled="len-label"><span id="len-label">Length</span>`,
      `<label for="b">*</label><input id="b">`,
      `<div role="textbox" tabindex="0" contenteditable></div>`
    ],
    asked: [
      `<input id="draught">`,
      `<!doctype html><title>t</title><label for="b" hidden>Beam</label><input id="b">`
    ]
  }
};

// src/core/checks/names/from-tooltip-only.ts
function judge34(action, scene) {
  const name = scene.name(action);
  if (name.from !== "title attribute" || name.text === "") return passed;
  return failed(
    `"${name.text}" is said only by a tooltip, which needs a mouse to be seen.`,
    withChanges("likely", "Say it in aria-label, or better in text that everybody sees.", [
      renameAttribute(action, "title", "aria-label")
    ]),
    { facts: { name: name.text }, ...at(action, "title") }
  );
}
var fromTooltipOnly = {
  id: "names.from-tooltip-only",
  criteria: [],
  severity: "friction",
  means: "The name of something to press does not rest on its title attribute alone.",
  who: "Someone who uses the keyboard or a finger never sees the tooltip; some assistive technology leaves it out.",
  mend: "Use text, or aria-label where there is only an icon.",
  looksAt: (scene) => exposedByRole(scene, "link", "button", "tab", "menuitem"),
  judge: judge34,
  examples: {
    kept: [
      `<button aria-label="Close" title="Close this">\xD7</button>`,
      `<button title="Shuts the gate">Close</button>`,
      `<iframe title="Tide map" src="map.html"></iframe>`
    ],
    broken: [`<button title="Close"><svg></svg></button>`, `<a href="x" title="Tides"><i></i></a>`]
  }
};

// src/core/checks/names/group-named.ts
var answerSets = keptForScene((scene) => {
  const sets = /* @__PURE__ */ new Map();
  for (const input of scene.page.index.byTag("input")) {
    const type2 = inputType(input);
    const name = attributeText(input, "name") ?? "";
    if (type2 !== "radio" && type2 !== "checkbox" || name === "" || !isExposed(scene, input)) continue;
    const form2 = [...elementsAround(scene, input)].find((up) => up.tag === "form");
    const key2 = `${type2} ${form2 === void 0 ? "" : scene.page.index.record(form2).order} ${name}`;
    const set = sets.get(key2);
    if (set === void 0) sets.set(key2, [input]);
    else set.push(input);
  }
  const found = /* @__PURE__ */ new Map();
  for (const set of sets.values()) if (set.length > 1 && set[0] !== void 0) found.set(set[0], set);
  return found;
});
var groups = (scene) => [
  ...answerSets(scene).keys(),
  ...exposedByRole(scene, "radiogroup")
];
function judge35(element, scene) {
  const set = answerSets(scene).get(element);
  if (set === void 0)
    return isUnnamed(scene, element) ? failed(
      "This group of choices has no name.",
      askWords("Say in aria-label what is chosen here.", "What is chosen", "", [
        setAttribute(element, "aria-label", BLANK)
      ])
    ) : passed;
  const isTied = set.every(
    (answer) => attributeTokens(answer, "aria-describedby").length > 0 || [...elementsAround(scene, answer)].some(
      (up) => /^(?:group|radiogroup)$/.test(scene.role(up).role ?? "") && speakable(scene.name(up).text) !== ""
    )
  );
  if (isTied) return passed;
  const answers = set.map((answer) => speakable(scene.name(answer).text));
  const facts = { answers: answers.slice(0, 6).join(", ") };
  const question = questionBefore(scene, set);
  const kind = inputType(element) === "radio" ? "radio buttons" : "checkboxes";
  if (question === null) {
    const bare = set.some((answer) => [...elementsAround(scene, answer)].some((up) => up.tag === "fieldset"));
    return bare || inputType(element) === "radio" ? cantTell(
      `Is there a question that these ${kind} answer (${facts.answers})? Nothing ties one to them.`,
      ask("Put them into a <fieldset> whose <legend> is the question."),
      { facts }
    ) : inapplicable;
  }
  return failed(
    `"${question.text}" is not tied to its ${set.length} ${kind}: they are heard without the question.`,
    grouped(scene, set, question),
    { facts: { ...facts, question: question.text } }
  );
}
function grouped(scene, set, question) {
  const { text, node, holder, start } = question;
  const summary = `Put them into a <fieldset> with <legend>${text}</legend>.`;
  const role = inputType(set[0]) === "radio" ? "radiogroup" : "group";
  if (node.kind === "text")
    return withChanges("likely", summary, [
      wrap(start, lastOf(scene, set, holder, start), {
        tag: "div",
        attributes: { role, "aria-label": text }
      })
    ]);
  if (scene.document.kind === "component" && holder.tag === "div" && scene.page.index.childElements(holder)[0] === node)
    return withChanges("likely", summary, [renameElement(holder, "fieldset"), renameElement(node, "legend")]);
  const { id, changes } = idOf(scene, node, text);
  const named = [setAttribute(holder, "role", role), setAttribute(holder, "aria-labelledby", id)];
  const inSet = new Set(set);
  const isOwn = /^(?:div|p)$/.test(holder.tag) && !holder.attributes.has("role") && [...elementsInside(scene, holder)].every(
    (inside) => !/^(?:input|select|textarea|button)$/.test(inside.tag) || inSet.has(inside)
  );
  return withChanges("likely", summary, [
    ...changes,
    ...isOwn ? named : [
      wrap(start, lastOf(scene, set, holder, start), {
        tag: "div",
        attributes: { role, "aria-labelledby": id }
      })
    ]
  ]);
}
function lastOf(scene, set, holder, start) {
  const last = set.at(-1) ?? start;
  const child = [last, ...elementsAround(scene, last)].find((up) => scene.page.index.parent(up) === holder) ?? start;
  const siblings = scene.page.index.childElements(holder);
  const next = siblings[siblings.indexOf(child) + 1];
  return next?.tag === "label" && scene.page.index.labels(last).includes(next) ? next : child;
}
var LONGEST_QUESTION = 120;
function questionBefore(scene, set) {
  const { index } = scene.page;
  const [first] = set;
  if (first === void 0) return null;
  let holder = index.parent(first);
  const path9 = [first];
  while (holder !== null) {
    const texts = [];
    if (holder === index.parent(first) && index.labels(first).length === 0) {
      path9.push(holder);
      holder = index.parent(holder);
      continue;
    }
    for (const child of holder.children) {
      if (child === path9.at(-1)) break;
      if (child.kind === "text" && typeof child.value === "string" && child.value.trim() !== "")
        texts.push({
          text: child.value.replace(/\s+/g, " ").trim(),
          node: child,
          holder,
          start: path9.at(-1) ?? first
        });
      else if (child.kind === "element" && isShown(scene, child) && textContent(child) !== "")
        texts.push({ text: textContent(child), node: child, holder, start: path9.at(-1) ?? first });
    }
    const last = texts.at(-1);
    if (last !== void 0) {
      const isQuestion = last.text.length <= LONGEST_QUESTION && /\p{L}[^.!]*[?:]\s*\*?$/u.test(last.text);
      return isQuestion ? last : null;
    }
    if (holder.tag === "form" || holder.tag === "body" || path9.length > 5) return null;
    path9.push(holder);
    holder = index.parent(holder);
  }
  return null;
}
var groupNamed = {
  id: "names.group-named",
  criteria: ["1.3.1"],
  severity: "barrier",
  means: "Radio buttons and checkboxes that answer one question are in a group that is called by it.",
  who: 'Someone using a screen reader hears "yes, radio button, 1 of 2" and not what the yes is for.',
  mend: 'Put them into a <fieldset> with the question in its <legend>, or a role="radiogroup" that is named by it.',
  looksAt: groups,
  judge: judge35,
  examples: {
    kept: [
      `<fieldset><legend>Shore power?</legend><label><input type="radio" name="p"> Yes</label> <label><input type="radio" name="p"> No</label></fieldset>`,
      `<div role="radiogroup" aria-label="Shore power"><label><input type="radio" name="p"> Yes</label> <label><input type="radio" name="p"> No</label></div>`,
      `<p>Shore power?</p><label><input type="checkbox" name="a"> Yes</label>`
    ],
    broken: [
      `<p>Shore power?</p><div><label><input type="radio" name="p"> Yes</label> <label><input type="radio" name="p"> No</label></div>`,
      `<div role="radiogroup"><div role="radio" aria-checked="true" tabindex="0">Yes</div></div>`
    ],
    asked: [
      `<h2>Shore power</h2><label><input type="radio" name="p"> Yes</label> <label><input type="radio" name="p"> No</label>`
    ]
  }
};

// src/core/checks/names/image-described.ts
function* images(scene) {
  for (const element of scene.page.index.elements) {
    const isArea = element.tag === "area" && hasAttribute(element, "href");
    if (!isArea && !isExposed(scene, element)) continue;
    if (element.tag === "img" || element.tag === "input" && inputType(element) === "image") yield element;
    else if (isArea && isUsed(scene, element)) yield element;
    else if (element.attributes.has("role") && element.tag !== "img" && isPictureRole(scene, element))
      yield element;
  }
}
var isUsed = (scene, area) => {
  const map = scene.page.index.parent(area);
  const name = map === null ? void 0 : map.attributes.get("name")?.value;
  return scene.page.index.byTag("img").some((image2) => isExposed(scene, image2) && image2.attributes.get("usemap")?.value === `#${name}`);
};
var isPictureRole = (scene, element) => {
  const { role } = scene.role(element);
  return role === "image" || role === "graphics-symbol";
};
function unnamedActionAround(scene, image2) {
  for (let up = scene.page.index.parent(image2); up !== null; up = scene.page.index.parent(up)) {
    const { role } = scene.role(up);
    if ((role === "link" || role === "button") && isUnnamed(scene, up)) return up;
  }
  return null;
}
function repairFor4(scene, image2) {
  for (let up = scene.page.index.parent(image2); up !== null; up = scene.page.index.parent(up)) {
    const { role } = scene.role(up);
    if (role === "link" && isUnnamed(scene, up))
      return altWords(image2, "Say in alt where the link leads: the picture is all the link has.");
    if (role === "button" && isUnnamed(scene, up))
      return altWords(image2, "Say in alt what the button does: the picture is all the button has.");
    if ((role === "link" || role === "button") && isTold(scene, up)) {
      return withChanges(
        "likely",
        `The ${role} is already called "${scene.name(up).text}": if the picture only decorates it, write alt="".`,
        [setAttribute(image2, "alt", "")]
      );
    }
  }
  return altWords(image2, 'Describe what the picture tells the reader, or mark it decorative with alt="".');
}
var altWords = (image2, summary) => askWords(summary, 'Text alternative, or "" for decoration', wordsFrom(attributeText(image2, "src")), [
  setAttribute(image2, "alt", BLANK)
]);
function judge36(image2, scene) {
  if (image2.tag === "input") return judgeInput(image2);
  if (scene.role(image2).role === "none") return passed;
  if (!isUnnamed(scene, image2)) return passed;
  if (image2.tag === "area")
    return failed(
      "This part of an image map has no text alternative.",
      askWords(
        "Say in alt where this part leads.",
        "Where it leads",
        wordsFrom(attributeText(image2, "href")),
        [setAttribute(image2, "alt", BLANK)]
      )
    );
  if (image2.tag !== "img")
    return failed(
      "This element is told as an image but has no text alternative.",
      askWords(
        "Say in aria-label what the picture tells the reader, or take the role away and hide it with aria-hidden.",
        "Text alternative",
        "",
        [setAttribute(image2, "aria-label", BLANK)]
      )
    );
  if (hasAttribute(image2, "alt") || attributeUnknown(image2, "alt")) return passed;
  if (!hasAttribute(image2, "src") && !hasAttribute(image2, "srcset") && !attributeUnknown(image2, "src")) {
    return cantTell(
      "This image has neither an address nor a text alternative yet. When a script shows a picture here, does it set alt too?",
      repairFor4(scene, image2)
    );
  }
  const cause = unnamedActionAround(scene, image2);
  return failed(
    "This image has no text alternative.",
    repairFor4(scene, image2),
    cause === null ? {} : { cause: pictureCause(scene, image2) }
  );
}
function judgeInput(input) {
  const named = ["aria-label", "aria-labelledby", "alt", "title", "value"].some(
    (name) => hasAttribute(input, name) && (attributeUnknown(input, name) || attributeAlternativeText(input, name) !== "")
  );
  return named ? passed : failed(
    "This image button has no text alternative.",
    altWords(input, "Say in alt what the button does.")
  );
}
var imageDescribed = {
  id: "names.image-described",
  criteria: ["1.1.1"],
  severity: "blocker",
  means: "Every image has a text alternative, or is marked as decoration.",
  who: 'Someone using a screen reader hears "image", or a file name, and nothing of what it shows.',
  mend: 'Write in alt what the picture tells the reader where it stands. If it tells nothing that the text beside it does not, write alt="".',
  looksAt: images,
  judge: judge36,
  examples: {
    kept: [
      `<img src="hull-07.jpg" alt="Hull 07 on slip 4, port side scraped">`,
      `<img src="wave.svg" alt="">`,
      `<img src="rope.png" aria-label="Coiled mooring rope">`,
      `<img src="dot.gif" role="presentation">`,
      `<div hidden><img src="later.jpg"></div>`,
      `<svg role="img"><title>Slip open</title><path d="M0 0h9v6z"/></svg>`,
      `<input type="image" src="go.png" alt="Book the slip">`
    ],
    broken: [
      `<img src="hull-07.jpg">`,
      `<img src="hull-07.jpg" aria-label="">`,
      `<div role="img" style="background: url(yard.jpg)"></div>`,
      `<svg role="img"><path d="M0 0h9v6z"/></svg>`,
      `<input type="image" src="go.png">`,
      `<img src="plan.png" alt="Plan of the yard" usemap="#plan"><map name="plan"><area href="slips.html" coords="0,0,9,9"></map>`
    ],
    asked: [`<img id="preview">`]
  }
};

// src/core/checks/names/label-connected.ts
function connect(scene, label, otherwise) {
  const field = fieldMeantBy(scene, label);
  const id = field === null ? null : attributeText(field, "id");
  if (field !== null && (id === null || id === "")) {
    const wanted = attributeText(label, "for") ?? "";
    if (wanted !== "" && /^\S+$/.test(wanted) && scene.page.index.byId(label, wanted) === null)
      return withChanges("likely", `Give the field after it id="${wanted}".`, [
        setAttribute(field, "id", wanted)
      ]);
    const fresh = freshId(scene, field, attributeText(field, "name") ?? wanted);
    return withChanges("likely", `Give the field after it id="${fresh}", and write that in for.`, [
      setAttribute(field, "id", fresh),
      setAttribute(label, "for", fresh)
    ]);
  }
  if (id === null || id === "") return ask(otherwise);
  return withChanges("likely", `The label stands before the field "${id}": write for="${id}".`, [
    setAttribute(label, "for", id)
  ]);
}
function judge37(label, scene) {
  const { index } = scene.page;
  const id = attributeText(label, "for");
  if (id === null) return inapplicable;
  const details = { facts: { for: id }, ...at(label, "for") };
  const target = id === "" ? null : index.byId(label, id);
  const cause = fieldMeantBy(scene, label) === null ? {} : { cause: missedLabelCause(scene, label) };
  if (target === null) {
    const repair = connect(scene, label, `Give the field this label belongs to id="${id}".`);
    if (scene.document.kind === "fragment")
      return cantTell(
        `This label is for "${id}". Is there such a field where this piece is used?`,
        repair,
        details
      );
    return failed(`This label is for "${id}", but nothing here has that id.`, repair, {
      ...details,
      ...cause
    });
  }
  if (!isLabelable(target)) {
    if (target.tag.includes("-")) return passed;
    if (target.attributes.get("type")?.value === "hidden") return inapplicable;
    return failed(
      `This label is for "${id}", which is a <${target.tag}> and cannot take a label.`,
      connect(scene, label, "Point for at the field itself, or name the element with aria-labelledby."),
      { ...details, ...cause }
    );
  }
  const labels = index.labels(target);
  if (labels.length > 1 && labels[0] !== label) {
    const next = fieldMeantBy(scene, label);
    if (next !== null) {
      const first = labels[0] === void 0 ? "" : scene.name(target).text;
      return failed(
        `This label belongs to "${id}", which has a label already, while the field after it has none.`,
        connect(
          scene,
          label,
          `Give the field after it an id and write it in for. ("${id}" is heard as "${first}".)`
        ),
        { ...details, ...cause }
      );
    }
  }
  return passed;
}
var labelConnected = {
  id: "names.label-connected",
  criteria: ["1.3.1", "4.1.2"],
  severity: "barrier",
  means: "Every label with `for` points at a field, and at the field it stands beside.",
  who: "Someone using a screen reader does not hear the label; someone who clicks the words to reach the field lands in another, or nowhere.",
  mend: "Write the id of the field in `for`, and give every field an id of its own.",
  looksAt: (scene) => scene.page.index.byTag("label").filter((label) => scene.presence.of(label).rendered !== 0),
  judge: judge37,
  examples: {
    kept: [
      `<!doctype html><title>t</title><label for="beam">Beam</label><input id="beam">`,
      `<!doctype html><title>t</title><label for="a">Berth</label> <label for="a">in metres</label> <input id="a">`,
      `<label>Draught <input></label>`
    ],
    broken: [
      `<!doctype html><title>t</title><label for="baem">Beam</label><input id="beam">`,
      `<!doctype html><title>t</title><label for="box">Beam</label><div id="box"><input></div>`,
      `<!doctype html><title>t</title><label for="len">Length</label><input id="len"><label for="len">Beam</label><input id="beam">`
    ],
    asked: [`<label for="elsewhere">Beam</label>`]
  }
};

// src/core/checks/names/label-stays-visible.ts
var isField = (element) => element.tag === "textarea" || element.tag === "select" || element.tag === "input" && (textTypes.has(inputType(element)) || inputType(element) === "number");
function judge38(field, scene) {
  const name = scene.name(field);
  if (name.from !== "placeholder" && name.from !== "title attribute") return passed;
  if (textBeside(scene, field) !== null || isSearchWithButton(scene, field)) return passed;
  const details = {
    facts: { name: name.text },
    ...at(field, name.from === "placeholder" ? "placeholder" : "title")
  };
  const { id, changes } = idOf(scene, field, attributeText(field, "name") ?? name.text);
  const repair = withChanges(
    "likely",
    `Put "${name.text}" into a label that is always to be seen: <label for="\u2026">.`,
    [insert("before", field, { tag: "label", attributes: { for: id }, text: name.text }), ...changes]
  );
  if (name.from === "title attribute" || !standsAlone(scene, field))
    return cantTell(
      `Does anything beside this field say "${name.text}" to those who see it? Its only name is ${name.from === "placeholder" ? "its placeholder" : "a tooltip"}.`,
      repair,
      details
    );
  return failed(
    `"${name.text}" is written only inside the field, and is gone as soon as one types.`,
    repair,
    details
  );
}
function isSearchWithButton(scene, field) {
  const { index } = scene.page;
  const isSearch = scene.role(field).role === "searchbox" || /search|find/i.test(
    ["name", "placeholder", "id", "title"].map((a) => attributeText(field, a) ?? "").join(" ")
  );
  if (!isSearch) return false;
  let up = index.parent(field);
  for (let steps = 0; up !== null && steps < 3; steps++, up = index.parent(up)) {
    const inside = [up, ...index.childElements(up), ...index.childElements(up).flatMap(index.childElements)];
    if (inside.some((e) => e !== field && scene.role(e).role === "button" && isShown(scene, e))) return true;
  }
  return false;
}
function standsAlone(scene, field) {
  const { parent } = scene.page.index.record(field);
  return parent !== null && textContent(parent) === "" && parent.tag !== "body";
}
var labelStaysVisible = {
  id: "names.label-stays-visible",
  criteria: ["3.3.2"],
  severity: "barrier",
  means: "What belongs in a field can be read beside it, also once something is typed.",
  who: "Someone who forgets easily, or checks a form before sending it, can no longer see what the field was for.",
  mend: "Give the field a label that stays; a placeholder may show an example.",
  looksAt: (scene) => exposedByRole(scene, "textbox", "searchbox", "combobox", "spinbutton", "listbox").filter(isField),
  judge: judge38,
  examples: {
    kept: [
      `<label>Beam <input placeholder="3.2"></label>`,
      `<form><input type="search" placeholder="Search the parts store"><button>Search</button></form>`,
      `<p>Beam: <input title="Beam in metres"></p>`
    ],
    broken: [`<div><input placeholder="Beam in metres"></div>`],
    asked: [`<div><input title="Beam in metres"></div>`]
  }
};

// src/core/checks/names/landmarks-told-apart.ts
var severalOf = [
  "navigation",
  "complementary",
  "region",
  "search",
  "form"
];
function* severalOfARole(scene) {
  for (const role of severalOf) {
    const same = exposedByRole(scene, role).filter(
      (element) => role !== "form" || scene.name(element).text !== ""
    );
    if (same.length > 1) yield* same;
  }
}
var firstOfName = keptForScene((scene) => {
  const found = /* @__PURE__ */ new Map();
  for (const landmark of severalOfARole(scene)) {
    const key2 = keyOf2(scene, landmark);
    if (key2 !== null && !found.has(key2)) found.set(key2, landmark);
  }
  return found;
});
function keyOf2(scene, landmark) {
  const name = scene.name(landmark);
  return name.certain ? `${scene.role(landmark).role} ${name.text.toLowerCase()}` : null;
}
function judge39(landmark, scene) {
  const role = scene.role(landmark).role;
  const own = scene.name(landmark);
  const key2 = keyOf2(scene, landmark);
  const earlier = key2 === null ? void 0 : firstOfName(scene).get(key2);
  if (earlier === void 0 || earlier === landmark || sameContent(scene, earlier, landmark)) return passed;
  const word2 = spokenRole(role, {}, null);
  const heading2 = [...elementsInside(scene, landmark)].find((e) => scene.role(e).role === "heading");
  const hint = heading2 === void 0 ? "" : `: its heading says "${scene.name(heading2).text}"`;
  return failed(
    own.text === "" ? `There are several ${word2} landmarks, and this one has no name.` : `Another ${word2} landmark is called "${own.text}" too.`,
    heading2 === void 0 ? askWords("Say in aria-label what sets this one apart.", `Name of this ${word2}`, "", [
      setAttribute(landmark, "aria-label", BLANK)
    ]) : withChanges(
      "likely",
      `Say in aria-label what sets this one apart${hint}.`,
      namedBy(scene, landmark, heading2)
    ),
    { facts: { role, name: own.text } }
  );
}
function namedBy(scene, landmark, heading2) {
  const { id, changes } = idOf(scene, heading2, scene.name(heading2).text);
  return [...changes, setAttribute(landmark, "aria-labelledby", id)];
}
var sameContent = (scene, a, b) => textContent(a) === textContent(b) && [...elementsInside(scene, a)].filter((e) => e.tag === "a").length === [...elementsInside(scene, b)].filter((e) => e.tag === "a").length;
var landmarksToldApart = {
  id: "names.landmarks-told-apart",
  criteria: [],
  severity: "friction",
  means: "Landmarks of one role have different names, unless they hold the same.",
  who: 'Someone who moves by landmarks hears "navigation, navigation" and must enter each to find the one they want.',
  mend: "Name each with aria-label, or by its heading with aria-labelledby.",
  looksAt: severalOfARole,
  judge: judge39,
  examples: {
    kept: [
      `<nav aria-label="Yard"><a href="a">Slips</a></nav><nav aria-label="Page"><a href="b">Fees</a></nav>`,
      `<nav><a href="a">Slips</a></nav><nav><a href="a">Slips</a></nav>`,
      `<nav><a href="a">Slips</a></nav>`
    ],
    broken: [
      `<nav><a href="a">Slips</a></nav><nav><a href="b">Fees</a></nav>`,
      `<section aria-label="Tides">1</section><section aria-label="Tides">2</section>`
    ]
  }
};

// src/core/checks/visible-text.ts
function visibleText(scene, root) {
  let text = "";
  const stack = [...scene.page.index.flatChildren(root)].reverse();
  for (let at2 = stack.pop(); at2 !== void 0; at2 = stack.pop()) {
    if (at2.kind === "hole") return null;
    if (at2.kind === "text") {
      if (hasHole(at2.value)) return null;
      text += writtenText(at2.value);
    } else if (at2.kind === "element") {
      if (at2.tag === "input" || at2.tag === "select" || at2.tag === "textarea" || at2.tag === "svg" || at2.tag === "script" || at2.tag === "style")
        continue;
      if (scene.presence.of(at2).visible === NO || whyUnseen(scene.page, at2) !== null) continue;
      text += " ";
      stack.push({ kind: "text", value: " ", source: null });
      for (const child of [...scene.page.index.flatChildren(at2)].reverse()) stack.push(child);
    }
  }
  return foldSpaces(text);
}

// src/core/checks/names/link-context.ts
var holders2 = /* @__PURE__ */ new Set([
  "p",
  "li",
  "td",
  "th",
  "dd",
  "dt",
  "figure",
  "blockquote",
  "caption",
  "label",
  "legend"
]);
function linkContext(scene, link) {
  const { index } = scene.page;
  const found = [];
  const description = scene.description(link);
  if (description.text !== "") found.push(description.text);
  const name = speakable(scene.name(link).text);
  for (const up of elementsAround(scene, link)) {
    const { role } = scene.role(up);
    if (role === "heading" && speakable(scene.name(up).text) !== name) found.push(scene.name(up).text);
    if (!holders2.has(up.tag) && role !== "listitem" && role !== "cell" && role !== "row") continue;
    const text = visibleText(scene, up);
    if (text === null) return null;
    if (text !== "" && text !== name) found.push(text);
    if (up.tag === "td" || up.tag === "th") {
      const table = tableOf(index, up);
      const grid = table === null ? null : tableGrid(index, table);
      const cell2 = grid?.cell(up) ?? null;
      if (grid !== null && cell2 !== null)
        for (const header of headersOf(index, grid, cell2)) found.push(scene.name(header).text);
      const row = index.parent(up);
      const rowText = row === null ? "" : visibleText(scene, row);
      if (rowText === null) return null;
      if (rowText !== "" && rowText !== name) found.push(rowText);
      break;
    }
    if (up.tag !== "li") break;
  }
  return found.filter((text) => text.trim() !== "").join(" | ");
}

// src/core/checks/names/link-purpose.ts
var saysNothing2 = /* @__PURE__ */ new Set([
  "click",
  "click here",
  "click this",
  "click for more",
  "here",
  "see here",
  "go here",
  "this",
  "this link",
  "this page",
  "link",
  "more",
  "more here",
  "more info",
  "more information",
  "more details",
  "read more",
  "learn more",
  "see more",
  "find out more",
  "show more",
  "view more",
  "details",
  "view details",
  "continue",
  "continue reading"
]);
var address = /^(?:https?:\/\/|www\.)\S{12,}$/i;
var QUOTED = 80;
function judge40(link, scene, { words: words4 }) {
  const name = scene.name(link);
  const text = speakable(name.text).toLowerCase().replace(/[\s.…»›>:!→]+$/u, "").trim();
  const isVague = saysNothing2.has(text) || words4.some((word2) => word2.toLowerCase() === text);
  if (!name.certain || !isVague && !address.test(text)) return passed;
  const context = linkContext(scene, link);
  const repair = askWords(
    `Let the link say where it leads${attributeText(link, "href") === null ? "" : ` (${attributeText(link, "href")})`}, in words that make sense in a list of links.`,
    "Where the link leads",
    wordsFrom(attributeText(link, "href")),
    [setWords(link, BLANK)]
  );
  const details = { facts: { name: name.text } };
  if (address.test(text))
    return cantTell(`Is the address "${name.text}" what people should hear here?`, repair, details);
  return context === null || context === "" ? cantTell(`Do people know where "${name.text}" leads? Nothing around it says so.`, repair, details) : cantTell(
    `Is it plain where "${name.text}" leads? Around it stands only: "${shortened(context, QUOTED)}".`,
    repair,
    details
  );
}
var linkPurpose = {
  id: "names.link-purpose",
  criteria: ["2.4.4"],
  severity: "barrier",
  means: 'A link says where it leads, in more than "click here", "more" or an address.',
  who: "Someone who goes from link to link, or has them listed, hears the same word ten times.",
  mend: "Put the words that tell them apart into the link.",
  takesWords: "further names that say nothing, such as those of other languages",
  looksAt: (scene) => exposedByRole(scene, "link"),
  judge: judge40,
  examples: {
    kept: [
      `<a href="tides.html">Tide table for May</a>`,
      `<a href="tides.html" aria-label="More about tides">More</a>`,
      `<a href="x">boat.example</a>`
    ],
    broken: [],
    asked: [
      `<p>Tides for May are out. <a href="tides.html">Read more\u2026</a></p>`,
      `<div><a href="tides.html">Click here</a></div>`,
      `<a href="x">https://boatyard.example/tides/may</a>`
    ]
  }
};

// src/core/checks/names/links-told-apart.ts
var sameNames = keptForScene((scene) => {
  const byName = /* @__PURE__ */ new Map();
  for (const link of exposedByRole(scene, "link")) {
    const name = scene.name(link);
    const text = speakable(name.text).toLowerCase();
    const href = attributeText(link, "href")?.trim() ?? "";
    if (!name.certain || (text.match(/\p{L}/gu)?.length ?? 0) < 3) continue;
    if (href === "" || href === "#" || /^(?:javascript|mailto|tel):/i.test(href)) continue;
    const places = byName.get(text) ?? /* @__PURE__ */ new Map();
    byName.set(text, places);
    if (!places.has(href)) places.set(href, link);
  }
  const found = /* @__PURE__ */ new Map();
  for (const places of byName.values()) {
    const links = [...places.values()];
    if (links.length > 1) for (const link of links) found.set(link, links);
  }
  return found;
});
var partOf = keptForScene((scene) => {
  const { index } = scene.page;
  const headings = exposedByRole(scene, "heading");
  const found = /* @__PURE__ */ new Map();
  let at2 = 0;
  for (const link of exposedByRole(scene, "link")) {
    const { order } = index.record(link);
    while (at2 < headings.length && index.record(headings[at2]).order < order) at2++;
    const heading2 = headings[at2 - 1];
    if (heading2 !== void 0) found.set(link, heading2);
  }
  return found;
});
var lookedAt = keptForScene(() => /* @__PURE__ */ new WeakMap());
function namesakesOf(scene, links) {
  const known = lookedAt(scene).get(links);
  if (known !== void 0) return known;
  const contexts = links.map((link) => linkContext(scene, link));
  const keys = links.map((link, at2) => {
    const part = partOf(scene).get(link);
    return `${part === void 0 ? "" : scene.page.index.record(part).order} ${contexts[at2]}`;
  });
  const counts = /* @__PURE__ */ new Map();
  for (const key2 of keys) counts.set(key2, (counts.get(key2) ?? 0) + 1);
  const namesakes = {
    links,
    alike: contexts.includes(null) ? null : new Map(links.map((link, at2) => [link, counts.get(keys[at2] ?? "") ?? 1])),
    areBare: contexts.every((context) => context === "") && standBare(scene, links)
  };
  lookedAt(scene).set(links, namesakes);
  return namesakes;
}
function judge41(link, scene) {
  const { links, alike, areBare } = namesakesOf(scene, sameNames(scene).get(link) ?? []);
  if (alike === null) return inapplicable;
  if (alike.get(link) === 1) return passed;
  const name = speakable(scene.name(link).text);
  const repair = askWords(
    `Add what sets it apart: "${name}: \u2026", or aria-label="${name}, \u2026" that begins with the words one sees.`,
    "Name of the link, beginning with the words one sees",
    [name, wordsFrom(attributeText(link, "href"))].filter((words4) => words4 !== "").join(", "),
    [setAttribute(link, "aria-label", BLANK)],
    `${name}, words given here`
  );
  const href = (of) => attributeText(of, "href") ?? "";
  const details = {
    facts: { name, places: links.slice(0, 4).map(href).join(" ") },
    cause: `links called ${name.toLowerCase()}`
  };
  if (areBare)
    return failed(
      `${links.length} links are called "${name}", lead to different places, and nothing beside them tells which is which.`,
      repair,
      details
    );
  const other = links.find((one2) => one2 !== link);
  return cantTell(
    `Can people tell this "${name}" from the other ${links.length === 2 ? "one" : links.length - 1}, which leads elsewhere (${other === void 0 ? "" : href(other)})?`,
    repair,
    details
  );
}
function standBare(scene, links) {
  const inLinks = links.reduce((sum2, link) => sum2 + textContent(link).split(/\s+/).length, 0);
  const holders3 = /* @__PURE__ */ new Map();
  const wordCounts = /* @__PURE__ */ new Map();
  const wordsIn = (holder) => {
    const known = wordCounts.get(holder) ?? textContent(holder).split(/\s+/).length;
    wordCounts.set(holder, known);
    return known;
  };
  for (const link of links)
    for (const up of elementsAround(scene, link)) holders3.set(up, (holders3.get(up) ?? 0) + 1);
  return links.every((link) => {
    for (const up of elementsAround(scene, link)) {
      if (holders3.get(up) === 1) {
        if (textContent(up) !== textContent(link)) return false;
        continue;
      }
      return /^(?:main|body)$/.test(up.tag) || wordsIn(up) <= inLinks;
    }
    return true;
  });
}
var linksToldApart = {
  id: "names.links-told-apart",
  criteria: ["2.4.4"],
  severity: "friction",
  means: "Links of one name lead to one place, or what stands beside them tells them apart.",
  who: "Someone who has the links listed, or hears them one by one, cannot tell which is which.",
  mend: "Say in each what sets it apart.",
  looksAt: (scene) => sameNames(scene).keys(),
  judge: judge41,
  examples: {
    kept: [
      `<a href="a.pdf">Plan</a> <a href="a.pdf">Plan</a>`,
      `<ul><li>Crane: <a href="a.pdf">Plan</a></li><li>Fire: <a href="b.pdf">Plan</a></li></ul>`,
      `<table><tr><th>Crane</th><td><a href="a">Plan</a></td></tr><tr><th>Fire</th><td><a href="b">Plan</a></td></tr></table>`,
      `<h2>Crane</h2><h2>Fire <a href="b">Plan</a></h2><h2>Ice <a href="c">Plan</a></h2>`,
      `<div><h3>Crane</h3><a href="a.pdf">Plan</a></div><div><h3>Fire</h3><a href="b.pdf">Plan</a></div>`
    ],
    broken: [`<div><div><a href="a.pdf">Plan</a></div><div><a href="b.pdf">Plan</a></div></div>`],
    asked: [
      `<p>There is a <a href="a.pdf">plan</a> of the crane, and a <a href="b.pdf">plan</a> for fires.</p>`
    ]
  }
};

// src/core/checks/names/no-file-name.ts
var saysNothing3 = new Set(
  "image images img picture pic photo photograph photos graphic icon figure spacer placeholder alt alttext untitled blank null undefined todo tbd thumbnail banner".split(" ").concat([
    "alt text",
    "image description",
    "description of image",
    "insert alt text",
    "add alt text",
    "alternative text"
  ])
);
var fileName = /^[^\s]*\.(?:jpe?g|png|gif|svg|webp|avif|bmp|tiff?|ico|heic)$/i;
var spacedFileName = /^[\w ()-]+\.(?:jpe?g|png|gif|svg|webp|avif|bmp|tiff?|ico|heic)$/i;
var cameraName = /^(?:dsc[fn]?|img|dcim|pict|p|screenshot|screen shot|scan|image)[-_ ]?\d{3,}(?:[-_ ]\d+)*$/i;
function judge42(image2, scene, { words: words4 }) {
  const name = scene.name(image2);
  if (name.text === "" || !name.certain || name.from !== "alt" && name.from !== "aria-label" && name.from !== "title attribute")
    return inapplicable;
  const details = {
    facts: { name: name.text },
    ...at(image2, name.from === "title attribute" ? "title" : name.from)
  };
  const repair = askWords(
    "Say what the picture shows or does here, in the words you would use on the telephone.",
    "Text alternative",
    "",
    [setAttribute(image2, name.from === "title attribute" ? "title" : name.from, BLANK)]
  );
  if (fileName.test(name.text) || spacedFileName.test(name.text) || cameraName.test(name.text)) {
    return failed(`The text alternative is a file name: "${name.text}".`, repair, details);
  }
  const said = name.text.toLowerCase().replace(/[.:!]+$/, "");
  if (saysNothing3.has(said) || words4.some((word2) => word2.toLowerCase() === said)) {
    return failed(`The text alternative says only "${name.text}".`, repair, details);
  }
  return passed;
}
var noFileName = {
  id: "names.no-file-name",
  criteria: ["1.1.1"],
  severity: "barrier",
  means: 'A text alternative is not a file name, a bare "image" or left-over placeholder text.',
  who: "Someone using a screen reader hears letters and numbers that mean nothing, in place of the picture.",
  mend: "Replace it with what the picture tells the reader.",
  takesWords: "further alternatives that say nothing, such as those your tools fill in",
  looksAt: (scene) => [...exposedByTag(scene, "img", "area")].filter(
    (image2) => attributeText(image2, "alt") !== "" && scene.role(image2).role !== "none"
  ),
  judge: judge42,
  examples: {
    kept: [
      `<img src="hull-07.jpg" alt="Hull 07">`,
      `<img src="petrel.jpg" alt="petrel">`,
      `<img src="logo.svg" alt="Brackwater Boatyard">`,
      `<img src="icon.svg" alt="">`,
      `<img src="plan.png" alt="Picture of the yard from the air, 1931">`
    ],
    broken: [
      `<img src="hull-07.jpg" alt="hull-07.jpg">`,
      `<img src="a.jpg" alt="image">`,
      `<img src="a.jpg" alt="IMG_2041">`,
      `<img src="a.jpg" alt="Alt text">`
    ]
  }
};

// src/core/checks/names/not-heard-twice.ts
var inOneBreath = /* @__PURE__ */ new Set(["link", "button", "heading", "figure"]);
var folded = (text) => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, " ").trim();
function judge43(element, scene) {
  const { role } = scene.role(element);
  return role === "image" ? judgePicture(element, scene) : judgeTooltip(element, scene);
}
function judgePicture(image2, scene) {
  const name = scene.name(image2);
  if (image2.tag !== "img" || name.from !== "alt" || folded(name.text) === "") return passed;
  for (const up of elementsAround(scene, image2)) {
    const { role } = scene.role(up);
    if (role === null || !inOneBreath.has(role)) continue;
    if (folded(textContent(up)) !== folded(name.text)) return passed;
    return failed(
      `"${name.text}" is heard twice: as the picture, and as the text beside it.`,
      withChanges("likely", 'Mark the picture as decoration: the text beside it says the same (alt="").', [
        setAttribute(image2, "alt", "")
      ]),
      { facts: { name: name.text }, ...at(image2, "alt") }
    );
  }
  return passed;
}
function judgeTooltip(element, scene) {
  const tooltip = attributeText(element, "title");
  const name = scene.name(element);
  if (tooltip === null || folded(tooltip) === "" || name.from !== "contents" || !name.certain) return passed;
  if (folded(tooltip) !== folded(name.text)) return passed;
  return failed(
    `The tooltip repeats the text "${name.text}": some hear it twice.`,
    withChanges("safe", "Take the title away: it says nothing that the text does not say.", [
      removeAttribute(element, "title")
    ]),
    { facts: { name: name.text }, ...at(element, "title") }
  );
}
function* picturesAndTooltips(scene) {
  yield* exposedByRole(scene, "image");
  for (const element of exposedByRole(scene, "link", "button", "heading"))
    if (element.attributes.has("title")) yield element;
}
var notHeardTwice = {
  id: "names.not-heard-twice",
  criteria: [],
  severity: "friction",
  means: "A picture or a tooltip does not repeat the text beside it.",
  who: "Someone using a screen reader hears the same words twice in a row, on every such link.",
  mend: 'Give the picture alt="" where the text beside it says the same; leave out a title that adds nothing.',
  looksAt: picturesAndTooltips,
  judge: judge43,
  examples: {
    kept: [
      `<a href="x"><img src="a.jpg" alt="Petrel"> Book a haul-out</a>`,
      `<a href="x"><img src="a.jpg" alt="Petrel"></a> Petrel`,
      `<a href="x" title="Opens the tide table">Tides</a>`,
      `<a href="x" title="Tides"><svg></svg></a>`
    ],
    broken: [
      `<a href="x"><img src="a.jpg" alt="Tide table"> Tide table</a>`,
      `<a href="x" title="Tides">Tides</a>`,
      `<figure><img src="a.jpg" alt="Petrel, 2031"><figcaption>Petrel, 2031</figcaption></figure>`
    ]
  }
};

// src/core/checks/names/references-found.ts
var references = {
  "aria-labelledby": "its name",
  "aria-describedby": "its description",
  "aria-owns": "what belongs to it",
  "aria-activedescendant": "which item is the current one",
  "aria-details": "where more is said about it",
  "aria-errormessage": "what is wrong with it",
  list: "its suggestions",
  form: "the form it belongs to"
};
var madeLater = /* @__PURE__ */ new Set([
  "aria-describedby",
  "aria-owns",
  "aria-activedescendant",
  "aria-details",
  "aria-errormessage"
]);
var referring = keptForScene(
  (scene) => scene.page.index.elements.filter((element) => {
    if (element.attributes.size < 1) return false;
    for (const name of element.attributes.keys())
      if (Object.hasOwn(references, name)) return isExposed(scene, element);
    return false;
  })
);
var idsByDigits = keptForScene((scene) => {
  const found = /* @__PURE__ */ new Map();
  for (const element of scene.page.index.elements) {
    const id = attributeText(element, "id");
    if (id === null) continue;
    const same = found.get(digitsOf(id));
    if (same === void 0) found.set(digitsOf(id), [id]);
    else same.push(id);
  }
  return found;
});
var digitsOf = (id) => id.replace(/\D/g, "");
var meantBy = (scene, missing) => (idsByDigits(scene).get(digitsOf(missing)) ?? []).find((id) => id.length > 3 && isSlip(missing, id)) ?? null;
function judge44(element, scene) {
  const { index } = scene.page;
  let seen = false;
  for (const attribute of Object.keys(references)) {
    if (!element.attributes.has(attribute) || attributeUnknown(element, attribute)) continue;
    const ids = attributeTokens(element, attribute);
    if (ids.length === 0) continue;
    seen = true;
    const missing = ids.filter((id) => index.byId(element, id) === null);
    const [first] = missing;
    if (first === void 0) continue;
    if (attribute === "aria-errormessage" && attributeText(element, "aria-invalid") !== "true") continue;
    return verdictOf(element, scene, attribute, ids, first);
  }
  return seen ? passed : inapplicable;
}
function verdictOf(element, scene, attribute, ids, missing) {
  const meant2 = meantBy(scene, missing);
  const details = { facts: { attribute, missing }, ...at(element, attribute) };
  const repair = meant2 !== null ? withChanges("likely", `Write ${attribute}="${swapped(ids, missing, meant2)}".`, [
    setAttribute(element, attribute, swapped(ids, missing, meant2))
  ]) : ask(`Give the element that is meant id="${missing}", or take the reference away.`);
  const lost = references[attribute] ?? "";
  if (scene.document.kind === "fragment" || madeLater.has(attribute) && meant2 === null)
    return cantTell(
      `${attribute} names "${missing}", which is not here. Is it there when ${lost} is needed?`,
      repair,
      details
    );
  return failed(
    `${attribute} names "${missing}", and nothing here has that id: ${lost} is lost.`,
    repair,
    details
  );
}
var swapped = (ids, from, to) => ids.map((id) => id === from ? to : id).join(" ");
function isSlip(a, b) {
  if (Math.abs(a.length - b.length) > 1) return false;
  const letters2 = (text) => [...text.toLowerCase()].sort().join("");
  if (a.toLowerCase() === b.toLowerCase() || letters2(a) === letters2(b)) return true;
  let at2 = 0;
  while (at2 < a.length && at2 < b.length && a[at2] === b[at2]) at2++;
  const [restA, restB] = [a.slice(at2), b.slice(at2)];
  return restA.slice(1) === restB || restA === restB.slice(1) || restA.slice(1) === restB.slice(1);
}
var referencesFound = {
  id: "names.references-found",
  criteria: ["1.3.1", "4.1.2"],
  severity: "barrier",
  means: "What an attribute names by id is there.",
  who: "Someone using a screen reader does not hear the name or the hint that was meant for them.",
  mend: "Write the id of the element that is meant, and keep both when one of them changes.",
  looksAt: referring,
  judge: judge44,
  examples: {
    kept: [
      `<!doctype html><title>t</title><h2 id="h">Fees</h2><section aria-labelledby="h">x</section>`,
      `<!doctype html><title>t</title><button aria-controls="later" aria-expanded="false">Fees</button>`,
      `<!doctype html><title>t</title><input aria-label="Beam" aria-errormessage="later">`,
      `<!doctype html><title>t</title><p hidden id="hint">In metres</p><input aria-label="Beam" aria-describedby="hint">`
    ],
    broken: [
      `<!doctype html><title>t</title><h2 id="fees">Fees</h2><section aria-labelledby="feess">x</section>`,
      `<!doctype html><title>t</title><p id="beam-hint">In metres</p><input aria-label="Beam" aria-describedby="baem-hint">`,
      `<!doctype html><title>t</title><button aria-labelledby="gone">Haul</button>`
    ],
    asked: [`<!doctype html><title>t</title><input aria-label="Beam" aria-describedby="beam-error">`]
  }
};

// src/core/checks/names/says-it-once.ts
var repeats2 = [
  [["button"], /(?<!\b(?:radio|push|menu|toggle|panic|start|stop|power))[\s-]+button$/i, "button"],
  [["link"], /^link\s*(?:to\b|:)\s*|\s+link$/i, "link"],
  [["image"], /^(?:an?\s+)?(?:image|picture|graphic)\s+of\s+/i, "image"],
  [["navigation"], /\s+navigation(?:\s+(?:menu|bar))?$/i, "navigation"],
  [["heading"], /\s+heading$/i, "heading"]
];
var attributes = ["aria-label", "alt", "value", "title"];
function judge45(element, scene) {
  const { role } = scene.role(element);
  const name = scene.name(element);
  const row = repeats2.find(([roles2]) => role !== null && roles2.includes(role));
  const attribute = attributes.find(
    (a) => attributeText(element, a)?.trim() === name.text && name.text !== ""
  );
  if (row === void 0 || attribute === void 0 || attribute === "value" || !name.certain) return passed;
  const [, word2, said] = row;
  const shorter = name.text.replace(word2, "").trim();
  if (shorter === name.text || shorter === "") return passed;
  const written = shorter.charAt(0).toUpperCase() + shorter.slice(1);
  return failed(
    `The name says "${said}", and so does the role: both are heard.`,
    attribute === "title" ? ask(`Call it "${written}".`) : withChanges("likely", `Call it "${written}".`, [setAttribute(element, attribute, written)]),
    { facts: { name: name.text }, ...at(element, attribute) }
  );
}
var saysItOnce = {
  id: "names.says-it-once",
  criteria: [],
  severity: "friction",
  means: "A name does not repeat the role that is heard with it.",
  who: 'Someone using a screen reader hears "close button button" all day long.',
  mend: "Leave the word for the role out of the name.",
  looksAt: (scene) => exposedByRole(scene, "button", "link", "image", "navigation", "heading"),
  judge: judge45,
  examples: {
    kept: [
      `<button aria-label="Close">\xD7</button>`,
      `<button>Close button</button>`,
      `<button aria-label="Radio button">Kinds</button>`,
      `<img src="a.jpg" alt="Petrel on the cradle">`,
      `<nav aria-label="Yard"></nav>`
    ],
    broken: [
      `<button aria-label="Close button">\xD7</button>`,
      `<img src="a.jpg" alt="Image of the slipway">`,
      `<nav aria-label="Main navigation"></nav>`
    ]
  }
};

// src/core/checks/names/takes-a-name.ts
function judge46(element, scene) {
  const label = attributeText(element, "aria-label")?.trim() ?? "";
  const refers = attributeTokens(element, "aria-labelledby").length > 0;
  if (label === "" && !refers) return inapplicable;
  const { role, certain } = scene.role(element);
  if (!certain || element.tag.includes("-") || element.namespace !== "html") return inapplicable;
  if (role === null || !isNamingProhibited(role) || role === "none") return passed;
  if (roleRow(role).doubtful?.includes("nameFrom") === true) return passed;
  if (isFocusable(scene.page, scene.presence, element) !== false) return inapplicable;
  const seen = visibleText(scene, element);
  if (seen === null) return inapplicable;
  if (label !== "" && seen.toLowerCase().includes(label.toLowerCase())) return passed;
  if (refers) return inapplicable;
  const attribute = "aria-label";
  const what = role === "generic" ? `<${element.tag}> without a role` : `role ${role}`;
  return failed(
    `"${label}" is told to hardly anyone: a ${what} takes no name.`,
    ask(
      seen === "" ? `Give it a role that takes a name (role="img" for an icon, role="group" for controls), or write the words as text.` : `Write the words as text (hidden only from view if need be), or give it a role that takes a name, such as role="group".`
    ),
    { facts: { role, name: label }, ...at(element, attribute) }
  );
}
var takesAName = {
  id: "names.takes-a-name",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "A name is given only to an element whose role takes one.",
  who: "Someone using a screen reader does not hear the name, or hears it in one program and not in the other.",
  mend: "Give the element a role that takes a name, or write the name as text.",
  looksAt: exposedWithAria,
  judge: judge46,
  examples: {
    kept: [
      `<nav aria-label="Yard"></nav>`,
      `<div role="group" aria-label="Sizes"><button>S</button></div>`,
      `<section aria-label="Fees">By the metre.</section>`,
      `<p aria-label="Fees">Fees by the metre</p>`,
      `<div role="img" aria-label="Low tide"></div>`,
      `<yard-map aria-label="The yard"></yard-map>`
    ],
    broken: [
      `<div aria-label="3 of 5 stars">\u2605\u2605\u2605\u2606\u2606</div>`,
      `<span aria-label="Low tide" class="icon"></span>`
    ]
  }
};

// src/core/checks/names/visible-words-in-name.ts
var byContents = /* @__PURE__ */ new Set([
  "button",
  "link",
  "tab",
  "menuitem",
  "menuitemcheckbox",
  "menuitemradio",
  "option",
  "switch",
  "checkbox",
  "radio",
  "treeitem"
]);
var byLabel = /* @__PURE__ */ new Set(["input", "select", "textarea", "meter", "progress", "output"]);
var namedByAttribute = (scene) => exposedWithAria(scene).filter(
  (element) => element.attributes.has("aria-label") || element.attributes.has("aria-labelledby")
);
var words3 = (text) => ` ${text.toLowerCase().normalize("NFKC").replace(/[^\p{L}\p{N}]+/gu, " ").trim()} `;
var isCaptioned = (element) => element.tag === "input" && /^(?:submit|reset|button)$/.test(inputType(element));
function judge47(element, scene) {
  const name = scene.name(element);
  if (!name.certain || name.from !== "aria-label" && name.from !== "aria-labelledby") return inapplicable;
  const { role } = scene.role(element);
  const isLabelled = element.namespace === "html" && byLabel.has(element.tag) && !isCaptioned(element);
  if (!isLabelled && (role === null || !byContents.has(role))) return inapplicable;
  const labels = isLabelled ? scene.page.index.labels(element).filter((label) => scene.presence.of(label).visible !== NO && whyUnseen(scene.page, label) === null) : [element];
  const seen = isCaptioned(element) ? [attributeText(element, "value")] : labels.map((label) => visibleText(scene, label));
  if (seen.length === 0 || seen.some((text2) => text2 === null)) return inapplicable;
  const text = foldSpaces(seen.join(" "));
  if ((text.match(/\p{L}/gu)?.length ?? 0) < 2) return inapplicable;
  if (words3(name.text).includes(words3(text))) return passed;
  const attribute = element.attributes.get(name.from)?.source;
  return failed(
    `One reads "${text}" here, but it is called "${name.text}": the words one sees are not in the name.`,
    withChanges("likely", `Begin the name with the words one sees, or take ${name.from} away.`, [
      ...["aria-labelledby", "aria-label"].filter((attribute2) => element.attributes.has(attribute2)).map((attribute2) => removeAttribute(element, attribute2))
    ]),
    {
      facts: { visible: text, name: name.text },
      ...attribute == null ? {} : { source: attribute }
    }
  );
}
var visibleWordsInName = {
  id: "names.visible-words-in-name",
  criteria: ["2.5.3"],
  severity: "barrier",
  means: "The words one sees on a control are part of its name.",
  who: "Someone using speech input says the words they see, and nothing happens; someone who sees and listens hears something else than they read.",
  mend: "Start the name with the visible words, in their order.",
  looksAt: namedByAttribute,
  judge: judge47,
  examples: {
    kept: [
      `<button aria-label="Book slip 4, free from Tuesday">Book slip 4</button>`,
      `<button aria-label="Close">\xD7</button>`,
      `<a href="x" aria-label="Slip 4: more\u2026">More</a>`,
      `<button aria-label="Search"><svg></svg></button>`,
      `<label for="b">Beam</label><input id="b" aria-label="Beam in metres">`,
      `<button aria-label="Delete rates"><span style="display: none">Remove</span></button>`
    ],
    broken: [
      `<button aria-label="Reserve a berth">Book slip 4</button>`,
      `<label for="b">Beam</label><input id="b" aria-label="Width">`,
      `<input type="submit" value="Save boat" aria-label="Continue">`,
      `<h2 id="h">Slips</h2><a href="x" aria-labelledby="h">Read more</a>`
    ]
  }
};

// src/core/semantics/required-context.ts
var seenThrough = (role) => role === null || role === "generic" || role === "none";
function parentOf(semantics, element, owners2) {
  return owners2.get(element) ?? semantics.page.index.flatParent(element);
}
function ownersOf(semantics) {
  const { index } = semantics.page;
  const owners2 = /* @__PURE__ */ new Map();
  for (const element of index.elements) {
    if (!element.attributes.has("aria-owns")) continue;
    for (const target of referencedElements(index, element, "aria-owns"))
      if (!owners2.has(target)) owners2.set(target, element);
  }
  return owners2;
}
function containerOf(semantics, element, owners2) {
  const seen = /* @__PURE__ */ new Set([element]);
  for (let up = parentOf(semantics, element, owners2); up !== null && !seen.has(up); up = parentOf(semantics, up, owners2)) {
    seen.add(up);
    if (!seenThrough(semantics.role(up).role)) return up;
  }
  return null;
}
function isInRequiredContext(semantics, element, role, owners2) {
  const { parents } = roleRow(role);
  if (parents === void 0) return true;
  const container = containerOf(semantics, element, owners2);
  if (container === null) return false;
  const own = semantics.role(container).role;
  return parents.some((path9) => {
    const [outer, inner] = path9.includes("/") ? path9.split("/") : [null, path9];
    if (own !== inner) return false;
    if (outer === null) return true;
    const around = containerOf(semantics, container, owners2);
    return around !== null && semantics.role(around).role === outer;
  });
}
function contentRoles(semantics, container) {
  const { index } = semantics.page;
  const found = [];
  const seen = /* @__PURE__ */ new Set([container]);
  const below = (element) => [
    ...index.flatChildren(element).filter((node) => node.kind === "element"),
    ...element.attributes.has("aria-owns") ? referencedElements(index, element, "aria-owns") : []
  ];
  const stack = [...below(container)].reverse();
  for (let at2 = stack.pop(); at2 !== void 0; at2 = stack.pop()) {
    if (seen.has(at2)) continue;
    seen.add(at2);
    if (seenThrough(semantics.role(at2).role)) stack.push(...[...below(at2)].reverse());
    else found.push(at2);
  }
  return found;
}

// src/core/checks/run-of-siblings.ts
var isNothing = (node) => node.kind === "comment" || node.kind === "text" && writtenText(node.value).trim() === "";
function runOf(scene, element, fits) {
  const { parent, root } = scene.page.index.record(element);
  const nodes = (parent ?? root).children;
  const reach = (step) => {
    let end = element;
    for (let at2 = nodes.indexOf(element) + step; at2 >= 0 && at2 < nodes.length; at2 += step) {
      const node = nodes[at2];
      if (isNothing(node)) continue;
      if (node.kind !== "element" || !fits(node)) break;
      end = node;
    }
    return end;
  };
  return { first: reach(-1), last: reach(1) };
}
var wrapRun = ({ first, last }, around) => wrap(first, last, around);
function isWholeContent(parent, { first, last }) {
  const content = parent.children.filter((node) => !isNothing(node));
  return content[0] === first && content.at(-1) === last;
}

// src/core/checks/roles/children-present.ts
function judge48(container, scene) {
  const { role, from } = scene.role(container);
  if (role === null || from !== "role attribute") return inapplicable;
  const { owns, mayOwn, doubtful } = roleRow(role);
  if (owns === void 0 || doubtful?.includes("owns") === true || attributeToken(container, "aria-busy") === "true")
    return inapplicable;
  const inside = contentRoles(scene, container).filter((element) => isExposed(scene, element));
  if (inside.length === 0 || holdsUnknownContent(scene, container) !== null) return inapplicable;
  const allowed = new Set([...owns, ...mayOwn ?? []].map((path9) => path9.split("/")[0]));
  if (inside.some((element) => allowed.has(scene.role(element).role ?? ""))) return passed;
  const needed = [...new Set(owns.map((path9) => path9.split("/").at(-1) ?? path9))].join(" or ");
  const found = [...new Set(inside.map((element) => scene.role(element).role))].slice(0, 3).join(", ");
  return failed(
    `role="${role}" promises ${needed}, but holds only ${found}.`,
    withoutRole(
      scene,
      container,
      role,
      found,
      `Give its items role="${needed.split(" or ")[0]}" and the keys that go with it, or take role="${role}" away: a list of links needs no ${role}.`
    ),
    { facts: { role, needed, found } }
  );
}
function withoutRole(scene, container, role, found, summary) {
  const [first] = scene.page.index.childElements(container);
  if (/^(?:table|grid|treegrid)$/.test(role) && first !== void 0 && /^(?:cell|gridcell)$/.test(found))
    return withChanges("likely", summary, [
      wrapRun(
        runOf(scene, first, (other) => scene.role(other).role === scene.role(first).role),
        { tag: "div", attributes: { role: "row" } }
      )
    ]);
  if (!/^(?:(?:link|button|listitem)(?:, |$))+$/.test(found)) return ask(summary);
  const isNamedBox = /^(?:div|span)$/.test(container.tag) && scene.name(container).text !== "";
  return withChanges("likely", summary, [
    isNamedBox ? setAttribute(container, "role", "group") : removeAttribute(container, "role")
  ]);
}
var childrenPresent = {
  id: "roles.children-present",
  criteria: ["1.3.1", "4.1.2"],
  severity: "barrier",
  means: "A container holds the items that its role promises.",
  who: "Someone using a screen reader is told of a menu or a list of tabs that has nothing in it, and switched to keys that do nothing.",
  mend: "Give the items their role, or take the container's away.",
  looksAt: exposedWithRole,
  judge: judge48,
  examples: {
    kept: [
      `<ul role="menu"><li role="none"><a role="menuitem" href="x">Slips</a></li></ul>`,
      `<div role="listbox" aria-label="Slips"></div>`,
      `<div role="grid" aria-label="Tides"><div role="rowgroup"><div role="row"><div role="gridcell">1</div></div></div></div>`,
      `<div role="list" aria-busy="true"><p>Loading</p></div>`
    ],
    broken: [
      `<ul role="menu"><li><a href="x">Slips</a></li></ul>`,
      `<div role="tablist"><a href="x">Slips</a> <a href="y">Tides</a></div>`
    ]
  }
};

// src/core/checks/roles/document-not-hidden.ts
function judge49(element) {
  if (attributeToken(element, "aria-hidden") !== "true") return passed;
  return failed(
    `aria-hidden on <${element.tag}> hides the whole page from assistive technology, or as much of it as the browser lets it.`,
    withChanges("safe", "Take it away; hide what lies behind a dialog with inert.", [
      removeAttribute(element, "aria-hidden")
    ])
  );
}
var documentNotHidden = {
  id: "roles.document-not-hidden",
  criteria: ["4.1.2", "1.3.1"],
  severity: "blocker",
  means: "The page as a whole is not hidden from assistive technology.",
  who: "Someone using a screen reader meets an empty page.",
  mend: "Take aria-hidden off the body and the root.",
  pageOnly: true,
  looksAt: (scene) => [
    ...scene.page.index.byTag("html").slice(0, 1),
    ...scene.page.index.byTag("body").slice(0, 1)
  ],
  judge: judge49,
  examples: {
    kept: [`<!doctype html><title>t</title><body><p>x</p>`],
    broken: [`<!doctype html><title>t</title><body aria-hidden="true"><p>x</p>`]
  }
};

// src/core/checks/roles/exists.ts
var concrete = Object.keys(roles).filter((name) => roleRow(name).abstract !== true).concat(Object.keys(roleSynonyms));
function judge50(element, scene) {
  const tokens = roleTokens(element);
  if (tokens.length === 0) return inapplicable;
  if (tokens.some((token) => knownRole(token) !== null)) return passed;
  const details = { facts: { role: tokens.join(" ") }, ...at(element, "role") };
  const [first = ""] = tokens;
  const heard = scene.role(element).role ?? "no role";
  if (Object.hasOwn(roles, first)) {
    return failed(
      `"${first}" is an abstract role: it orders the other roles and may not be used. Browsers tell this as ${heard}.`,
      withChanges("likely", "Take the role away, or use the role that says what it is.", [
        removeAttribute(element, "role")
      ]),
      details
    );
  }
  const near = nearestWord(first, concrete);
  return failed(
    `There is no role "${first}". Browsers tell this as ${heard}.`,
    near === null ? withChanges("likely", "Take the role away, or use one that exists.", [
      removeAttribute(element, "role")
    ]) : withChanges("likely", `Probably "${near}" is meant.`, [setAttribute(element, "role", near)]),
    details
  );
}
var rolesExist = {
  id: "roles.exists",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "Role values are roles of WAI-ARIA, and not abstract ones.",
  who: "Someone using assistive technology is told nothing of what the element is meant to be: the browser drops the role.",
  mend: "Use a role that exists, or the native element that already has it.",
  looksAt: (scene) => scene.page.index.elements.filter(
    (element) => attributeText(element, "role") !== null && isExposed(scene, element)
  ),
  judge: judge50,
  examples: {
    kept: [
      `<div role="button" tabindex="0">Haul</div>`,
      `<div role="meteor meter" aria-valuenow="3">3</div>`,
      `<section role="doc-chapter">One</section>`,
      `<p role="">x</p>`,
      `<span role="img" aria-label="flag">\u2691</span>`
    ],
    broken: [
      `<div role="buton" tabindex="0">Haul</div>`,
      `<div role="widget">x</div>`,
      `<ul role="lists"><li>a</li></ul>`
    ]
  }
};

// src/core/semantics/tables/allowed-roles.ts
var allowedRoles = {
  article: "application document feed main none region",
  aside: "doc-dedication doc-example doc-footnote doc-glossary doc-pullquote doc-tip feed none note region search",
  nav: "doc-index doc-pagelist doc-toc menu menubar none tablist",
  section: "alert alertdialog application banner complementary contentinfo dialog document feed group log main marquee navigation none note region search status tabpanel doc-abstract doc-acknowledgments doc-afterword doc-appendix doc-bibliography doc-chapter doc-colophon doc-conclusion doc-credit doc-credits doc-dedication doc-endnotes doc-epigraph doc-epilogue doc-errata doc-example doc-foreword doc-glossary doc-index doc-introduction doc-notice doc-pagelist doc-part doc-preface doc-prologue doc-pullquote doc-qna doc-toc",
  h1: "doc-subtitle none tab",
  h2: "doc-subtitle none tab",
  h3: "doc-subtitle none tab",
  h4: "doc-subtitle none tab",
  h5: "doc-subtitle none tab",
  h6: "doc-subtitle none tab",
  header: "group none",
  footer: "doc-footnote group none",
  body: "",
  main: "",
  search: "form group none region",
  hr: "doc-pagebreak none",
  ul: "directory group listbox menu menubar none radiogroup tablist toolbar tree",
  ol: "directory group listbox menu menubar none radiogroup tablist toolbar tree",
  menu: "directory group listbox menu menubar none radiogroup tablist toolbar tree",
  dl: "group list none",
  dt: "listitem",
  dd: "",
  figcaption: "group none",
  "a[href]": "button checkbox doc-backlink doc-biblioref doc-glossref doc-noteref menuitem menuitemcheckbox menuitemradio option radio switch tab treeitem",
  br: "none",
  wbr: "none",
  iframe: "application document image none",
  embed: "application document image none",
  object: "application document image",
  video: "application",
  audio: "application",
  caption: "",
  form: "none search",
  label: "",
  legend: "",
  button: "checkbox combobox gridcell link menuitem menuitemcheckbox menuitemradio option radio separator slider switch tab treeitem",
  textarea: "",
  select: "menu",
  "select[multiple]": "",
  optgroup: "",
  option: "",
  progress: "",
  meter: "",
  fieldset: "none radiogroup",
  details: "",
  dialog: "alertdialog",
  "input[button]": "checkbox combobox gridcell link menuitem menuitemcheckbox menuitemradio option radio separator slider switch tab treeitem",
  "input[submit]": "checkbox combobox gridcell link menuitem menuitemcheckbox menuitemradio option radio separator slider switch tab treeitem",
  "input[reset]": "checkbox combobox gridcell link menuitem menuitemcheckbox menuitemradio option radio separator slider switch tab treeitem",
  "input[image]": "checkbox gridcell link menuitem menuitemcheckbox menuitemradio option radio separator slider switch tab treeitem",
  "input[checkbox]": "menuitemcheckbox option switch",
  "input[radio]": "menuitemradio",
  "input[color]": "",
  "input[date]": "",
  "input[datetime-local]": "",
  "input[month]": "",
  "input[time]": "",
  "input[week]": "",
  "input[file]": "",
  "input[number]": "",
  "input[range]": "",
  "input[password]": "",
  "input[text]": "combobox searchbox spinbutton",
  "input[email]": "",
  "input[tel]": "",
  "input[url]": "",
  "input[search]": "",
  "img[alt]": "button checkbox doc-cover image link math menuitem menuitemcheckbox menuitemradio meter option progressbar radio scrollbar separator slider switch tab treeitem none",
  "tr[table]": "",
  "td[table]": "",
  "th[table]": ""
};

// src/core/checks/roles/fits-element.ts
function allowedFor(scene, element) {
  const key2 = keyOf3(scene, element);
  const row = key2 === null ? void 0 : allowedRoles[key2];
  return row === void 0 ? null : row.split(" ").filter((role) => role !== "");
}
function keyOf3(scene, element) {
  switch (element.tag) {
    case "input":
      return `input[${inputType(element)}]`;
    case "a":
      return hasAttribute(element, "href") ? "a[href]" : null;
    case "select":
      return hasAttribute(element, "multiple") || hasAttribute(element, "size") ? "select[multiple]" : "select";
    case "img":
      return (attributeText(element, "alt") ?? "") === "" ? null : "img[alt]";
    case "tr":
    case "td":
    case "th":
      return partOfTable(scene, element) ? `${element.tag}[table]` : null;
    default:
      return Object.hasOwn(allowedRoles, element.tag) ? element.tag : null;
  }
}
function partOfTable(scene, part) {
  for (const up of elementsAround(scene, part))
    if (up.tag === "table") return !up.attributes.has("role") && scene.role(up).role === "table";
  return false;
}
function judge51(element, scene) {
  const { role, native: native2, from } = scene.role(element);
  if (element.namespace !== "html" || from !== "role attribute" || role === null || role === native2)
    return inapplicable;
  const allowed = allowedFor(scene, element);
  if (allowed === null || allowed.includes(role)) return passed;
  if (role === "button" && attributeToken(element, "aria-pressed") !== null) return passed;
  const instead = role === "button" || role === "link" ? `Use a <${role === "button" ? "button" : "a href"}> for it` : `Put the role on a <div>`;
  return failed(
    `${/^[aeio]|^h[1-6]$/.test(element.tag) ? "An" : "A"} <${element.tag}> is not meant to be ${/^[aeiou]/.test(role) ? "an" : "a"} ${role}: what it does by itself gets in the way.`,
    ask(
      `${instead}, or take role="${role}" away.${allowed.length === 0 ? "" : ` This element may be: ${allowed.slice(0, 8).join(", ")}${allowed.length > 8 ? " \u2026" : ""}.`}`
    ),
    { facts: { role, element: element.tag }, ...at(element, "role") }
  );
}
var fitsElement = {
  id: "roles.fits-element",
  criteria: [],
  severity: "friction",
  means: "A role is given to an element that may take it.",
  who: "Someone using assistive technology may be told one thing while the browser does another.",
  mend: "Use the native element for the role, or an element without a meaning of its own.",
  looksAt: exposedWithRole,
  judge: judge51,
  examples: {
    kept: [
      `<a href="x" role="button">Book</a>`,
      `<ul role="tablist"><li role="none"><button role="tab" aria-selected="true">x</button></li></ul>`,
      `<div role="navigation"></div>`,
      `<table role="grid" aria-label="Tides"><tr role="row"><td role="gridcell">1</td></tr></table>`
    ],
    broken: [
      `<h2 role="button" tabindex="0">Fees</h2>`,
      `<main role="navigation"></main>`,
      `<label role="button">Beam</label>`,
      `<button role="heading" aria-level="2">Fees</button>`
    ]
  }
};

// src/core/checks/roles/no-nested-actions.ts
var actions2 = /* @__PURE__ */ new Set([
  "button",
  "link",
  "checkbox",
  "radio",
  "switch",
  "tab",
  "option",
  "menuitem",
  "menuitemcheckbox",
  "menuitemradio"
]);
function isAction(scene, element) {
  const { role } = scene.role(element);
  return role !== null && actions2.has(role);
}
function judge52(stop, scene) {
  const { index } = scene.page;
  const { role } = scene.role(stop);
  if (role === null || !actions2.has(role) || !isExposed(scene, stop)) return inapplicable;
  for (let up = index.flatParent(stop); up !== null; up = index.flatParent(up)) {
    const outer = scene.role(up).role;
    if (outer === null || !actions2.has(outer)) continue;
    if (isTabbable(scene.page, scene.presence, up) !== true || up.tag === "summary") continue;
    return failed(
      `This ${spokenRole(role, {}, null)} is inside a ${spokenRole(outer, {}, null)}${scene.name(up).text === "" ? "" : ` ("${scene.name(up).text}")`}: two things to press in one.`,
      ask("Put them side by side, or leave one of them out."),
      { facts: { inside: outer } }
    );
  }
  return passed;
}
var noNestedActions = {
  id: "roles.no-nested-actions",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "Nothing that can be pressed is inside something else that can be pressed.",
  who: "Someone using a screen reader is told of the outer one alone, or of a name run together; which of the two answers a key is chance.",
  mend: "Put the two side by side.",
  looksAt: sureStops,
  judge: judge52,
  examples: {
    kept: [
      `<button>Haul <b>out</b></button>`,
      `<label>Winch <input type="checkbox"></label>`,
      `<li><a href="x">Slip 4</a> <button>Book</button></li>`,
      `<details><summary>Fees <a href="x">2031</a></summary></details>`
    ],
    broken: [
      `<button>Book <a href="x">slip 4</a></button>`,
      `<a href="x">Slip 4 <button>Book</button></a>`,
      `<div role="button" tabindex="0">Slip 4 <a href="x">more</a></div>`
    ]
  }
};

// src/core/checks/roles/flattened-holds-no-focus.ts
function judge53(stop, scene) {
  if (!isExposed(scene, stop)) return inapplicable;
  for (const up of elementsAround(scene, stop)) {
    const { role } = scene.role(up);
    if (role === null) continue;
    const row = roleRow(role);
    if (row.childrenPresentational !== true || row.doubtful?.includes("childrenPresentational") === true)
      continue;
    if (isAction(scene, stop) && isAction(scene, up) && isTabbable(scene.page, scene.presence, up) === true)
      return inapplicable;
    if (stop.tag === "input" && isFocusable(scene.page, scene.presence, up) === false) return inapplicable;
    return failed(
      `Tab stops here, but what is in a ${spokenRole(role, {}, null)} is told as plain text: nobody hears that this is here.`,
      ask(`Take it out of the element with role ${role}, or take that role away.`),
      { facts: { inside: role } }
    );
  }
  return passed;
}
var flattenedHoldsNoFocus = {
  id: "roles.flattened-holds-no-focus",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "Roles that are told as one piece hold nothing that takes focus.",
  who: "Someone using a screen reader comes to a place of which they are told nothing.",
  mend: "Put what can be reached beside the picture, tab or gauge, not inside.",
  looksAt: sureStops,
  judge: judge53,
  examples: {
    kept: [
      `<div role="img" aria-label="The yard"><span>x</span></div>`,
      `<div role="group" aria-label="The yard"><a href="x">Slips</a></div>`
    ],
    broken: [
      `<div role="img" aria-label="The yard"><a href="x">Slips</a></div>`,
      `<div role="tablist"><div role="tab" tabindex="-1" aria-selected="true">Fees <a href="x">close</a></div></div>`
    ]
  }
};

// src/core/checks/roles/hidden-holds-no-focus.ts
function judge54(element, scene) {
  const { reason, because } = scene.presence.of(element);
  if (reason !== "aria-hidden" || because === null) return inapplicable;
  if (isTabbable(scene.page, scene.presence, element) !== true) return passed;
  if (element.children.length === 0 && (element.listeners === "unknown" || element.listeners.has("focus") || element.listeners.has("focusin")))
    return passed;
  const where = because === element ? "It is hidden" : `The <${because.tag}> around it is hidden`;
  const summary = "Take aria-hidden away, or take this out of the Tab order too: the inert attribute does both.";
  return failed(
    `Tab stops here, but nothing is said. ${where} from assistive technology with aria-hidden="true".`,
    because === element ? withChanges("likely", summary, [removeAttribute(element, "aria-hidden")]) : ask(summary)
  );
}
var hiddenHoldsNoFocus = {
  id: "roles.hidden-holds-no-focus",
  criteria: ["4.1.2"],
  severity: "blocker",
  means: "Nothing that takes focus is hidden from assistive technology.",
  who: "Someone using a screen reader comes to a place that does not exist for them: silence, and no way to know what Enter will do.",
  mend: "Hide a part for everyone (hidden, inert) or for nobody.",
  looksAt: (scene) => scene.page.index.elements.filter((element) => scene.presence.of(element).reason === "aria-hidden"),
  judge: judge54,
  examples: {
    kept: [
      `<div aria-hidden="true"><svg></svg></div>`,
      `<div aria-hidden="true"><a href="x" tabindex="-1">x</a></div>`,
      `<div aria-hidden="true" inert><button>x</button></div>`,
      `<div aria-hidden="true" style="display: none"><button>x</button></div>`,
      `<span aria-hidden="true" tabindex="0" onfocus="first.focus()"></span>`
    ],
    broken: [
      `<div aria-hidden="true"><a href="x">Slips</a></div>`,
      `<button aria-hidden="true">Haul</button>`
    ]
  }
};

// src/core/checks/roles/as-checkbox.ts
var imitating = ["role", "tabindex", "aria-checked", "onclick", "onkeydown", "onkeyup", "onkeypress"];
var togglesItself = /^\s*(?:return\s+)?\w*(?:toggle|check|tick)\w*\s*\((?:this|event)?\)\s*;?\s*$/i;
function asCheckbox(scene, element) {
  const isWords = element.children.length > 0 && element.children.every((child) => child.kind === "text");
  const code = pointerHandlerOf(element)?.code ?? "";
  if (!/^(?:span|div)$/.test(element.tag) || !isWords || element.spread !== null || !togglesItself.test(code))
    return null;
  if (![...elementsAround(scene, element)].some((up) => up.tag === "form")) return null;
  if (element.attributes.has("aria-label") || element.attributes.has("aria-labelledby")) return null;
  return [
    renameElement(element, "label"),
    ...imitating.filter((name) => element.attributes.has(name)).map((name) => removeAttribute(element, name)),
    insert("first", element, { tag: "input", attributes: { type: "checkbox" } })
  ];
}

// src/core/checks/roles/native-first.ts
var elementFor = {
  button: '<button type="button">',
  link: "<a href>",
  checkbox: '<input type="checkbox">',
  radio: '<input type="radio">',
  textbox: "<input> or <textarea>",
  heading: "<h2>",
  banner: "<header>",
  navigation: "<nav>",
  main: "<main>",
  contentinfo: "<footer>"
};
var landmarkTag = { banner: "header", navigation: "nav", main: "main", contentinfo: "footer" };
var plain2 = /* @__PURE__ */ new Set(["div", "span", "p", "i", "b", "em", "strong", "a"]);
function judge55(element, scene) {
  const { role, from } = scene.role(element);
  if (from !== "role attribute" || role === null || !Object.hasOwn(elementFor, role)) return inapplicable;
  if (!plain2.has(element.tag) || element.attributes.has("href")) return passed;
  if (role === "link" && element.tag === "a" && attributeToken(element, "aria-disabled") === "true")
    return passed;
  if (role === "textbox" && element.attributes.has("contenteditable")) return passed;
  const imitated = elementFor[role];
  const details = { facts: { role }, ...at(element, "role") };
  if (role === "heading") {
    const level = attributeText(element, "aria-level")?.trim() ?? "2";
    if (!/^[1-6]$/.test(level)) return passed;
    return failed(
      `This imitates a heading of level ${level}: HTML has one.`,
      withChanges("likely", `Write <h${level}> for it, without role and aria-level.`, [
        renameElement(element, `h${level}`),
        removeAttribute(element, "role"),
        ...element.attributes.has("aria-level") ? [removeAttribute(element, "aria-level")] : []
      ]),
      details
    );
  }
  if (Object.hasOwn(landmarkTag, role) && element.tag === "div") {
    const tag = landmarkTag[role];
    return failed(
      `This imitates ${imitated}: HTML has it.`,
      withChanges("likely", `Write <${tag}> for <div role="${role}">.`, [
        renameElement(element, tag),
        removeAttribute(element, "role")
      ]),
      details
    );
  }
  return failed(
    `This <${element.tag}> imitates a ${role}: HTML has one, with its focus and its keys.`,
    nativeInstead(
      scene,
      element,
      role,
      `Use ${imitated}; it needs no role, no tabindex and no key handlers.`
    ),
    details
  );
}
function nativeInstead(scene, element, role, summary) {
  const changes = role === "button" ? asButton(scene, element) : role === "checkbox" ? asCheckbox(scene, element) : null;
  return changes === null ? ask(summary) : withChanges("likely", summary, changes);
}
var nativeFirst = {
  id: "roles.native-first",
  criteria: [],
  severity: "friction",
  means: "What HTML has an element for is made of that element.",
  who: "Whoever meets what the imitation forgot: a key, a state, forced colours, speech input.",
  mend: "Use the native element and style it.",
  looksAt: exposedWithRole,
  judge: judge55,
  examples: {
    kept: [
      `<button>Book</button>`,
      `<a href="x" role="button">Book</a>`,
      `<div role="tab" aria-selected="true">Fees</div>`,
      `<section role="banner"></section>`,
      `<a role="link" aria-disabled="true">Slips</a>`,
      `<div role="textbox" contenteditable="true" aria-label="Remarks"></div>`
    ],
    broken: [
      `<div role="button" tabindex="0">Book</div>`,
      `<p role="heading" aria-level="3">Fees</p>`,
      `<div role="navigation"><a href="x">Slips</a></div>`
    ]
  }
};

// src/core/checks/roles/not-repeated.ts
var mayBeLost = /^(?:ul|ol|table|tr|td|th|thead|tbody|tfoot|caption|dl)$/;
function judge56(element, scene) {
  const { role, native: native2, from } = scene.role(element);
  if (element.namespace !== "html" || from !== "role attribute" || role === null) return inapplicable;
  if (element.tag === "a" && !element.attributes.has("href")) return passed;
  if (role !== native2 || role === "generic" || mayBeLost.test(element.tag) || roleTokens(element).length > 1)
    return passed;
  return failed(
    `A <${element.tag}> has the role ${role} by itself.`,
    withChanges("safe", `Take role="${role}" away.`, [removeAttribute(element, "role")]),
    { facts: { role }, ...at(element, "role") }
  );
}
var notRepeated = {
  id: "roles.not-repeated",
  criteria: [],
  severity: "friction",
  means: "No role is given that the element has by itself.",
  who: "Nobody is shut out; the next person to read the code wonders what the role is for, and keeps it when the element changes.",
  mend: "Take the role away.",
  looksAt: exposedWithRole,
  judge: judge56,
  examples: {
    kept: [
      `<div role="navigation"></div>`,
      `<ul role="list"><li>One</li></ul>`,
      `<button role="switch" aria-checked="true">Light</button>`
    ],
    broken: [`<nav role="navigation"></nav>`, `<button role="button">Book</button>`]
  }
};

// src/core/checks/roles/parent-present.ts
var owners = keptForScene(ownersOf);
function judge57(item, scene) {
  const { role, from } = scene.role(item);
  if (role === null || from !== "role attribute") return inapplicable;
  const { parents, doubtful } = roleRow(role);
  if (parents === void 0 || doubtful?.includes("parents") === true) return inapplicable;
  if (isInRequiredContext(scene, item, role, owners(scene))) return passed;
  const needed = [...new Set(parents.map((path9) => path9.split("/").at(-1) ?? path9))].join(" or ");
  const container = containerOf(scene, item, owners(scene));
  if (container !== null && (attributeUnknown(container, "role") || container.tag.includes("-") && container.shadow === null))
    return inapplicable;
  if (scene.document.kind === "fragment" && (container === null || container.tag === "html" || container.tag === "body")) {
    return cantTell(
      `role="${role}" must be in a ${needed}. Is it, where this piece is used?`,
      ask(`Put it in an element with role="${needed.split(" or ")[0]}".`)
    );
  }
  const where = container === null || container.tag === "html" ? "in none" : `in a ${scene.role(container).role}`;
  return failed(
    `role="${role}" must be in a ${needed}, but is ${where}.`,
    contained(scene, item, role, needed.split(" or ")[0] ?? needed),
    { facts: { role, needed } }
  );
}
function contained(scene, item, role, container) {
  const summary = `Put it in an element with role="${container}", or use the native element.`;
  const run = runOf(scene, item, (other) => scene.role(other).role === role);
  const parent = scene.page.index.parent(item);
  if (parent !== null && /^(?:div|span)$/.test(parent.tag) && !parent.attributes.has("role") && isWholeContent(parent, run))
    return withChanges("likely", summary, [setAttribute(parent, "role", container)]);
  return withChanges("likely", summary, [wrapRun(run, { tag: "div", attributes: { role: container } })]);
}
var parentPresent = {
  id: "roles.parent-present",
  criteria: ["1.3.1", "4.1.2"],
  severity: "barrier",
  means: "An item stands in the container that its role belongs to.",
  who: "Someone using a screen reader is not told how many items there are or which this is, and the keys of the container do not work.",
  mend: "Give the container its role, or use native lists, tables and buttons.",
  looksAt: exposedWithRole,
  judge: judge57,
  examples: {
    kept: [
      `<div role="list"><div><div role="listitem">One</div></div></div>`,
      `<div role="tablist"><button role="tab" aria-selected="true">Slips</button></div>`,
      `<div role="listbox" aria-label="Slips"><div role="group" aria-label="North"><div role="option" aria-selected="false">1</div></div></div>`,
      `<div role="list" aria-owns="x"></div><div id="x" role="listitem">One</div>`,
      `<table><tr role="row"><td role="cell">One</td></tr></table>`
    ],
    broken: [
      `<!doctype html><title>t</title><div role="listitem">One</div>`,
      `<!doctype html><title>t</title><main><button role="tab" aria-selected="true">Slips</button></main>`,
      `<!doctype html><title>t</title><nav><a href="x" role="menuitem">Slips</a></nav>`
    ],
    asked: [`<div role="option" aria-selected="false">One</div>`]
  }
};

// src/core/checks/roles/promise-kept.ts
var alone = [
  "button",
  "link",
  "checkbox",
  "switch",
  "textbox",
  "searchbox",
  "slider",
  "spinbutton"
];
var composites3 = ["tablist", "radiogroup", "listbox", "menubar", "tree"];
var items = {
  tablist: ["tab"],
  radiogroup: ["radio"],
  listbox: ["option"],
  menubar: ["menuitem", "menuitemcheckbox", "menuitemradio"],
  tree: ["treeitem"]
};
var manages = /* @__PURE__ */ new Set(["toolbar", "grid", "treegrid", "menu", "combobox", ...composites3]);
var widgets = (scene) => exposedByRole(scene, ...alone, ...composites3).filter(
  (element) => scene.role(element).from === "role attribute"
);
function judge58(widget, scene) {
  const role = scene.role(widget).role;
  if (widget.tag.includes("-") || attributeToken(widget, "aria-disabled") === "true") return inapplicable;
  const kind = focusCause(scene.page.index, widget);
  if (kind !== null && kind !== "tabindex") return passed;
  if (composites3.includes(role))
    return judgeComposite(widget, scene, role);
  if (isFocusable(scene.page, scene.presence, widget) !== false) return passed;
  for (const up of elementsAround(scene, widget)) {
    const around = scene.role(up).role;
    if (around !== null && manages.has(around)) return inapplicable;
    if (up.tag !== "body" && isTabbable(scene.page, scene.presence, up) !== false) return inapplicable;
  }
  for (const inside of elementsInside(scene, widget))
    if (isFocusable(scene.page, scene.presence, inside) !== false) return inapplicable;
  const word2 = spokenRole(role, {}, null);
  return failed(
    `This is called a ${word2}, but takes no focus: no key gets there.`,
    kept2(
      scene,
      widget,
      role,
      role === "button" ? 'Make it a <button type="button">; or add tabindex="0" and answer Enter and Space.' : role === "link" ? "Make it an <a> with an href." : `Use the native control, or add tabindex="0" and answer the keys of a ${word2}.`
    ),
    { facts: { role }, cause: `no focus ${scene.page.index.record(widget).order}` }
  );
}
function kept2(scene, widget, role, summary) {
  const changes = role === "button" ? asButton(scene, widget) : role === "checkbox" ? asCheckbox(scene, widget) : null;
  return changes === null ? ask(summary) : withChanges("likely", summary, changes);
}
function judgeComposite(widget, scene, role) {
  if (isFocusable(scene.page, scene.presence, widget) !== false) return passed;
  const own = [...elementsInside(scene, widget)].filter(
    (e) => items[role].includes(scene.role(e).role)
  );
  if (own.length === 0) return inapplicable;
  if ([...elementsInside(scene, widget)].some((e) => isTabbable(scene.page, scene.presence, e) !== false))
    return passed;
  const id = widget.attributes.get("id")?.value;
  if (typeof id === "string" && scene.page.index.elements.some(
    (e) => attributeToken(e, "aria-controls")?.split(/\s+/).includes(id.toLowerCase()) === true
  ))
    return inapplicable;
  const word2 = spokenRole(role, {}, null);
  const [first] = own;
  const repair = first === void 0 ? ask('Give one of its items tabindex="0".') : withChanges("likely", `Give its first item tabindex="0", and move that with the arrow keys.`, [
    setAttribute(first, "tabindex", "0")
  ]);
  const details = { facts: { role } };
  return !isAlive(scene) || scriptsMay(scene, /tabindex|\.focus\s*\(/i) ? cantTell(
    `None of the ${own.length} items of this ${word2} can be reached with Tab. Does a script change that?`,
    repair,
    details
  ) : failed(`None of the ${own.length} items of this ${word2} can be reached with Tab.`, repair, details);
}
var promiseKept = {
  id: "roles.promise-kept",
  criteria: ["2.1.1", "4.1.2"],
  severity: "blocker",
  means: "What is called a widget takes focus, as a whole or in one of its items.",
  who: "Someone who uses the keyboard is told of a button or of tabs, and cannot get to them.",
  mend: "Use the native control; it takes focus and answers its keys by itself.",
  looksAt: widgets,
  judge: judge58,
  examples: {
    kept: [
      `<!doctype html><title>t</title><div role="button" tabindex="0">Book</div>`,
      `<!doctype html><title>t</title><div role="toolbar" aria-label="Text"><span role="button">B</span></div>`,
      `<!doctype html><title>t</title><div role="tablist"><div role="tab" aria-selected="true" tabindex="0">Fees</div></div>`,
      `<!doctype html><title>t</title><div role="button" aria-disabled="true">Book</div>`,
      `<!doctype html><title>t</title><ul role="listbox" id="l" aria-label="Boats"><li role="option" aria-selected="false">Petrel</li></ul><input role="combobox" aria-expanded="true" aria-controls="l" aria-label="Boat">`
    ],
    broken: [
      `<!doctype html><title>t</title><span role="button">Book</span>`,
      `<!doctype html><title>t</title><div role="tablist"><div role="tab" aria-selected="true" tabindex="-1" onclick="show(1)">Fees</div><div role="tab" aria-selected="false" tabindex="-1">Slips</div></div>`
    ],
    asked: [
      `<!doctype html><title>t</title><script src="yard.js"></script><div role="tablist"><div role="tab" aria-selected="true">Fees</div></div>`
    ]
  }
};

// src/core/checks/roles/state-agrees.ts
var inputs = /* @__PURE__ */ new Set(["input", "select", "textarea"]);
var isCheckable = (element) => element.tag === "input" && /^(?:checkbox|radio)$/.test(inputType(element));
var pairs = [
  { state: "aria-checked", native: "checked", on: isCheckable },
  { state: "aria-required", native: "required", on: (e) => inputs.has(e.tag) },
  {
    state: "aria-disabled",
    native: "disabled",
    on: (e) => inputs.has(e.tag) || e.tag === "button" || e.tag === "fieldset"
  },
  { state: "aria-readonly", native: "readonly", on: (e) => e.tag === "input" || e.tag === "textarea" },
  { state: "aria-selected", native: "selected", on: (e) => e.tag === "option" }
];
var mayStandAlone = /* @__PURE__ */ new Set(["aria-required", "aria-disabled", "aria-readonly"]);
function judge59(element) {
  if (element.namespace !== "html") return inapplicable;
  const pair = pairs.find(({ state, on }) => attributeToken(element, state) !== null && on(element));
  if (pair === void 0) return inapplicable;
  const said = attributeToken(element, pair.state);
  const is = hasAttribute(element, pair.native);
  if (said !== "true" && said !== "false") return passed;
  if (said === "true" === is) return passed;
  if (mayStandAlone.has(pair.state) && !is) return passed;
  return failed(
    `${pair.state}="${said}" says the opposite of what the element itself ${is ? `says with ${pair.native}` : "says: it is not"}${is ? "" : ` ${pair.native}`}.`,
    withChanges("likely", `Take ${pair.state} away: the browser tells the state by itself.`, [
      removeAttribute(element, pair.state)
    ]),
    { facts: { state: pair.state }, ...at(element, pair.state) }
  );
}
var stateAgrees = {
  id: "roles.state-agrees",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "What an aria- attribute says of a control is what the control says of itself.",
  who: 'Someone using a screen reader hears "not required" of a field that must be filled in, or "checked" of a box that is not.',
  mend: "Leave the aria- attribute out: native elements tell their state by themselves.",
  looksAt: exposedWithAria,
  judge: judge59,
  examples: {
    kept: [
      `<input required aria-required="true" aria-label="Beam">`,
      `<input aria-required="true" aria-label="Beam">`,
      `<button aria-disabled="true">Book</button>`,
      `<input type="checkbox" checked aria-checked="true" aria-label="Winch">`
    ],
    broken: [
      `<input required aria-required="false" aria-label="Beam">`,
      `<input type="checkbox" aria-checked="true" aria-label="Winch">`,
      `<button disabled aria-disabled="false">Book</button>`
    ]
  }
};

// src/core/checks/roles/state-values.ts
var anyWordIsTrue = /* @__PURE__ */ new Set(["invalid", "current"]);
var emptyMeansNo = /* @__PURE__ */ new Set([
  "invalid",
  "current",
  "haspopup",
  "hidden",
  "live",
  "relevant",
  "dropeffect",
  "autocomplete",
  "sort",
  "orientation"
]);
function fault(name, row, text) {
  const value = text.trim();
  switch (row.type) {
    case "true/false":
    case "true/false/undefined":
    case "tristate":
    case "token": {
      const tokens = row.tokens ?? [];
      if (value === "")
        return emptyMeansNo.has(name) ? null : `empty, which counts as absent; it must be ${listed2(tokens)}`;
      if (tokens.includes(value.toLowerCase()) || anyWordIsTrue.has(name)) return null;
      return `"${value}"; it must be ${listed2(tokens)}`;
    }
    case "token-list": {
      const wrong = value.toLowerCase().split(/\s+/).find((token) => token !== "" && row.tokens?.includes(token) !== true);
      return wrong === void 0 ? null : `"${wrong}"; it may hold ${listed2(row.tokens ?? [])}`;
    }
    case "integer": {
      if (!/^[+-]?\d+$/.test(value))
        return value === "" ? "empty; it must be a whole number" : `"${value}", which is no whole number`;
      return row.min !== void 0 && Number(value) < row.min ? `${value}; the least that makes sense is ${row.min}` : null;
    }
    case "number":
      if (value === "") return "empty; it must be a number";
      return Number.isNaN(Number.parseFloat(value)) ? `"${value}", which is no number` : null;
    case "string":
    case "id-reference":
    case "id-reference-list":
      return null;
    default:
      return row.type;
  }
}
var listed2 = (tokens) => {
  const words4 = tokens.filter((token) => token !== "undefined");
  return words4.length < 2 ? words4.join("") : `${words4.slice(0, -1).join(", ")} or ${words4.at(-1)}`;
};
var meant = {
  yes: "true",
  on: "true",
  "1": "true",
  checked: "true",
  selected: "true",
  expanded: "true",
  open: "true",
  opened: "true",
  no: "false",
  closed: "false",
  collapsed: "false",
  unchecked: "false",
  off: "false",
  "0": "false",
  partial: "mixed",
  indeterminate: "mixed"
};
function repairFor5(element, name, row, text) {
  const attribute = `aria-${name}`;
  const value = text.trim().toLowerCase();
  const tokens = row.tokens ?? [];
  const guess = meant[value] !== void 0 && tokens.includes(meant[value]) ? meant[value] : nearestWord(
    value,
    tokens.filter((t2) => t2 !== "undefined")
  );
  if (guess != null)
    return withChanges("likely", `Write ${attribute}="${guess}".`, [setAttribute(element, attribute, guess)]);
  if (row.type === "number" || row.type === "integer") {
    return row.type === "number" ? askWords(
      `Write a number, and what it means in aria-valuetext: aria-valuetext="${text.trim()}".`,
      "The value as a number",
      "",
      [setAttribute(element, attribute, BLANK)],
      "1"
    ) : withChanges("likely", "Write a whole number, or leave the attribute out.", [
      removeAttribute(element, attribute)
    ]);
  }
  return ask(`Write ${listed2(tokens)}, or leave ${attribute} out.`);
}
function judge60(element) {
  let seen = false;
  const faults = [];
  for (const attribute of element.attributes.keys()) {
    const row = attribute.startsWith("aria-") ? stateRow(attribute.slice("aria-".length)) : null;
    const text = row === null ? null : attributeText(element, attribute);
    if (row === null || text === null) continue;
    seen = true;
    const what = fault(attribute.slice("aria-".length), row, text);
    if (what !== null)
      faults.push({
        attribute,
        what,
        repair: repairFor5(element, attribute.slice("aria-".length), row, text)
      });
  }
  const [first] = faults;
  if (first === void 0) return seen ? passed : inapplicable;
  const message = faults.map(({ attribute, what }) => `${attribute} is ${what}.`).join(" ");
  return failed(message, together(faults.map((fault2) => fault2.repair)), {
    facts: { attribute: faults.map((f2) => f2.attribute).join(" ") },
    ...at(element, first.attribute)
  });
}
var stateValues = {
  id: "roles.state-values",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "The value of every aria- attribute is of its type.",
  who: "Someone using assistive technology is told the opposite, or nothing: the browser drops a value it does not know.",
  mend: "Write one of the values the attribute takes.",
  looksAt: exposedWithAria,
  judge: judge60,
  examples: {
    kept: [
      `<button aria-expanded="false">Fees</button>`,
      `<a href="x" aria-current="active">Slips</a>`,
      `<div role="meter" aria-label="Fuel" aria-valuenow="3.5">3.5</div>`,
      `<button aria-label="">Haul</button>`,
      `<input aria-invalid="" aria-label="Beam">`,
      `<table><tr aria-rowindex="2"><td>a</td></tr></table>`
    ],
    broken: [
      `<div role="tablist"><button role="tab" aria-selected="">Slips</button></div>`,
      `<div role="slider" tabindex="0" aria-label="Tilt" aria-valuenow="steep"></div>`,
      `<button aria-expanded="yes">Fees</button>`,
      `<div role="heading" aria-level="0">Fees</div>`,
      `<div aria-live="loud">Saved</div>`
    ]
  }
};

// src/core/checks/roles/states-required.ts
var examples = {
  checked: "false",
  expanded: "false",
  selected: "false",
  level: "2",
  valuenow: "0",
  controls: "\u2026"
};
function judge61(element, scene) {
  const { role, from } = scene.role(element);
  if (role === null || from !== "role attribute") return inapplicable;
  const row = roleRow(role);
  const focusable = isFocusable(scene.page, scene.presence, element) === true;
  const required = [...row.required ?? [], ...focusable ? row.requiredWhenFocusable ?? [] : []];
  if (required.length === 0) return inapplicable;
  const given = scene.states(element);
  const missing = required.filter((state) => {
    if (attributeUnknown(element, `aria-${state}`)) return false;
    const written = attributeText(element, `aria-${state}`);
    if (written !== null) return false;
    return !(state in given) || isFallback(element, state, row.fallbacks);
  });
  if (missing.length === 0) return passed;
  const names = missing.map((state) => `aria-${state}`).join(" and ");
  const suggestion = missing.map((state) => `aria-${state}="${examples[state] ?? "\u2026"}"`).join(" ");
  return failed(
    `role="${role}" needs ${names}.`,
    stated(scene, element, role, missing, `Add ${suggestion} and keep it true as the interface changes.`),
    { facts: { role, missing: missing.join(" ") } }
  );
}
var shownState = /^data-(?:on|checked|active|selected|open|expanded|pressed)$/;
function stated(scene, element, role, missing, summary) {
  const native2 = role === "checkbox" ? asCheckbox(scene, element) : null;
  if (native2 !== null) return withChanges("likely", summary, native2);
  const [state] = missing;
  if (scene.document.kind === "component") {
    const bound = [...element.attributes.keys()].find((name) => shownState.test(name));
    return bound === void 0 || state === void 0 || missing.length > 1 ? ask(summary) : withChanges("likely", `Bind aria-${state} to what ${bound} is bound to.`, [
      copyAttribute(element, bound, `aria-${state}`)
    ]);
  }
  const begun = /^(?:checked|expanded|selected|level)$/;
  return missing.every((state2) => begun.test(state2)) ? withChanges(
    "likely",
    summary,
    missing.map((state2) => setAttribute(element, `aria-${state2}`, examples[state2] ?? ""))
  ) : ask(summary);
}
function isFallback(element, state, fallbacks) {
  if (fallbacks?.[state] === void 0) return false;
  if (state === "checked") return element.tag !== "input";
  if (state === "level") return !/^h[1-6]$/.test(element.tag);
  if (state === "valuenow") return !/^(?:input|meter|progress)$/.test(element.tag);
  return true;
}
var statesRequired = {
  id: "roles.states-required",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "An element with a role carries the states its role cannot do without.",
  who: "Someone using a screen reader is told a checkbox but not whether it is checked, or a slider but not where it stands.",
  mend: "Add the missing state and change it whenever the interface changes; a native element keeps it by itself.",
  looksAt: exposedWithRole,
  judge: judge61,
  examples: {
    kept: [
      `<span role="checkbox" aria-checked="false" tabindex="0">Winch</span>`,
      `<input type="checkbox" role="switch" aria-label="Deck light">`,
      `<h2 role="heading">Slips</h2>`,
      `<div role="separator"></div>`,
      `<input role="combobox" aria-expanded="false" aria-label="Boat">`
    ],
    broken: [
      `<span role="checkbox" tabindex="0">Winch</span>`,
      `<div role="slider" tabindex="0" aria-label="Tilt"></div>`,
      `<input role="combobox" aria-label="Boat">`,
      `<div role="separator" tabindex="0"></div>`
    ]
  }
};

// src/core/checks/roles/states-supported.ts
var stateNames = Object.keys(states);
var oftenMeant = {
  labeledby: "labelledby",
  labeled: "label",
  labelled: "label",
  described: "describedby",
  describeby: "describedby",
  "described-by": "describedby",
  "labelled-by": "labelledby",
  "labeled-by": "labelledby",
  collapsed: "expanded",
  visible: "hidden",
  role: "roledescription"
};
function faultOf(element, scene, attribute) {
  const name = attribute.slice("aria-".length);
  const row = stateRow(name);
  if (row === null) {
    const meant2 = oftenMeant[name] ?? nearestWord(name, stateNames);
    const isFree = meant2 !== null && !element.attributes.has(`aria-${meant2}`);
    return {
      attribute,
      message: `There is no attribute ${attribute}: nothing is told.`,
      repair: isFree && name !== "collapsed" && name !== "visible" && name !== "role" ? withChanges("likely", `Write aria-${meant2}.`, [
        renameAttribute(element, attribute, `aria-${meant2}`)
      ]) : ask(
        meant2 === null ? `Take ${attribute} away, or write the attribute that is meant.` : `Perhaps aria-${meant2} is meant.`
      )
    };
  }
  if (row.global === true || (attributeText(element, attribute)?.trim() ?? "") === "") return null;
  const { role, certain } = scene.role(element);
  if (!certain || role === null || element.tag.includes("-") || element.namespace !== "html") return null;
  if (supports(role, name) || roleRow(role).doubtful?.includes("supports") === true) return null;
  if (role === "none") return null;
  const value = attributeToken(element, attribute);
  if (value === "false" || value === "undefined" || value === row.initial) return null;
  return {
    attribute,
    message: `${attribute} means nothing on ${role === "generic" ? `a <${element.tag}> without a role` : `the role ${role}`}: it is not told.`,
    repair: role === "generic" ? ask(
      `Give the element the role that ${attribute} belongs to, or move it to the control it is about.`
    ) : withChanges("likely", `Take ${attribute} away, or move it to the element it is about.`, [
      removeAttribute(element, attribute)
    ])
  };
}
function judge62(element, scene) {
  const attributes2 = [...element.attributes.keys()].filter((name) => name.startsWith("aria-"));
  if (attributes2.length === 0) return inapplicable;
  const faults = attributes2.flatMap((attribute) => faultOf(element, scene, attribute) ?? []);
  const [first] = faults;
  if (first === void 0) return passed;
  return failed(
    faults.map(({ message }) => message).join(" "),
    together(faults.map(({ repair }) => repair)),
    {
      facts: { attribute: faults.map(({ attribute }) => attribute).join(" ") },
      ...at(element, first.attribute)
    }
  );
}
var statesSupported = {
  id: "roles.states-supported",
  criteria: ["4.1.2"],
  severity: "barrier",
  means: "Every aria- attribute exists, is spelled right, and means something on the role it is given to.",
  who: "Someone using assistive technology is not told the state, though it looks as if they were.",
  mend: "Write the attribute that is meant, on the element whose role takes it.",
  looksAt: exposedWithAria,
  judge: judge62,
  examples: {
    kept: [
      `<button aria-expanded="true" aria-controls="x">Fees</button>`,
      `<div aria-live="polite" aria-busy="true"></div>`,
      `<a href="x" aria-current="page">Fees</a>`,
      `<div role="treegrid" aria-label="x" aria-multiselectable="true"></div>`,
      `<p aria-expanded="false">Fees</p>`
    ],
    broken: [
      `<button aria-expended="true">Fees</button>`,
      `<div aria-expanded="true">Fees</div>`,
      `<button aria-checked="true">Fees</button>`,
      `<input aria-describe-by="x" aria-label="Beam">`
    ]
  }
};

// src/core/checks/structure/headings.ts
var headingsOf = keptForScene(
  (scene) => exposedByRole(scene, "heading").map((element) => {
    const { level } = scene.states(element);
    return { element, level: typeof level === "number" ? level : 2 };
  })
);

// src/core/checks/structure/headings-exist.ts
var WORTH_HEADINGS = 400;
function judge63(body, scene) {
  const headings = headingsOf(scene);
  const [first] = headings;
  if (first === void 0) {
    if (textContent(body).length < WORTH_HEADINGS) return inapplicable;
    const title2 = scene.page.index.byTag("title")[0];
    const words4 = title2 === void 0 ? "" : textContent(title2);
    return failed(
      "This page has no headings.",
      ask(
        words4 === "" ? "Begin the content with an <h1> that says what the page is about, and its parts with <h2>." : `Begin the content with an <h1>: perhaps "${words4}".`
      )
    );
  }
  if (headings.some(({ level }) => level === 1)) return passed;
  const name = scene.name(first.element).text;
  return failed(
    "No heading of this page is at level 1.",
    headed(
      first.element,
      `Make the heading that says what the page is about an <h1>${name === "" ? "" : `: "${name}"?`}`.replace(
        /([^.?])$/,
        "$1."
      )
    ),
    at(first.element)
  );
}
var headed = (heading2, summary) => /^h[2-6]$/.test(heading2.tag) && !heading2.attributes.has("aria-level") ? withChanges("likely", summary, [renameElement(heading2, "h1")]) : ask(summary);
var headingsExist = {
  id: "structure.headings-exist",
  criteria: [],
  severity: "friction",
  means: "A page has headings, one of them at level 1.",
  who: "Someone who moves from heading to heading finds none, or cannot tell where the content begins.",
  mend: "Head the page with <h1> and its parts with <h2>.",
  pageOnly: true,
  looksAt: (scene) => scene.page.index.byTag("body").slice(0, 1),
  judge: judge63,
  examples: {
    kept: [
      `<!doctype html><title>t</title><h1>Slips</h1><p>x</p>`,
      `<!doctype html><title>t</title><p>Closed.</p>`
    ],
    broken: [
      `<!doctype html><title>t</title><h2>Slips</h2><p>x</p>`,
      `<!doctype html><title>t</title><p>${"High water. ".repeat(50)}</p>`
    ]
  }
};

// src/core/checks/structure/headings-marked.ts
var LONGEST_HEADING = 80;
var SHORTEST_PARAGRAPH = 60;
var LARGER = 1.15;
var notHere = /^(?:table|li|dl|a|button|label|fieldset|figure|figcaption|blockquote|address|footer|header|nav|h[1-6]|aside|form|summary|dialog)$/;
var imitations = keptForScene((scene) => {
  const { index, styles } = scene.page;
  if (!scene.stylesKnown) return /* @__PURE__ */ new Map();
  const found = [];
  for (const tag of ["p", "div"]) {
    for (const element of index.byTag(tag)) {
      const text = oneLine(element);
      if (text === null || !isExposed(scene, element) || scene.role(element).from === "role attribute")
        continue;
      const { parent, root } = index.record(element);
      const siblings = index.childElements(parent ?? root);
      const next = siblings[siblings.indexOf(element) + 1];
      if (next === void 0 || next.tag !== "p" || !isExposed(scene, next)) continue;
      if (textContent(next).length < SHORTEST_PARAGRAPH || oneLine(next) !== null) continue;
      if ([...elementsAround(scene, element)].some((up) => notHere.test(up.tag))) continue;
      const inner = innermost(element);
      const size = styles.fontSize({ element: inner });
      const nextSize = styles.fontSize({ element: next });
      const bold = (styles.fontWeight({ element: inner }) ?? 400) >= 600;
      const nextBold = (styles.fontWeight({ element: next }) ?? 400) >= 600;
      const larger = size !== null && nextSize !== null && size >= nextSize * LARGER;
      if (nextBold || !(bold || larger)) continue;
      found.push({ element, bold, larger });
    }
  }
  found.sort((a, b) => index.record(a.element).order - index.record(b.element).order);
  return new Map(found.map((imitation) => [imitation.element, imitation]));
});
function oneLine(element) {
  const text = textContent(element);
  if (text === "" || text.length > LONGEST_HEADING || /[.,;:!?…»”")]$/.test(text) || !/^[\p{Lu}\p{N}]/u.test(text))
    return null;
  if (!/\p{L}{3}/u.test(text)) return null;
  const content = element.children.filter(
    (node) => !(node.kind === "text" && writtenText(node.value).trim() === "") && node.kind !== "comment"
  );
  return content.length === 1 && isPlain(content[0]) ? text : null;
}
var emphasis = /* @__PURE__ */ new Set(["b", "strong", "span", "font", "big", "u"]);
var isPlain = (node) => node.kind === "text" || node.kind === "element" && emphasis.has(node.tag) && node.children.every(isPlain);
function innermost(element) {
  const only = element.children.filter((node) => node.kind === "element");
  return only.length === 1 && only[0]?.kind === "element" ? innermost(only[0]) : element;
}
function judge64(element, scene) {
  const own = imitations(scene).get(element);
  if (own === void 0) return inapplicable;
  const text = textContent(element);
  const levelBefore = headingsOf(scene).findLast(
    (heading2) => scene.page.index.record(heading2.element).order < scene.page.index.record(element).order
  )?.level;
  const level = Math.min(6, (levelBefore ?? 1) + 1);
  const repair = withChanges(
    "likely",
    `Make it a heading: <h${level}>${text}</h${level}>, and set its look in the stylesheet.`,
    [renameElement(element, `h${level}`)]
  );
  const details = { facts: { text }, cause: `imitated headings ${own.bold} ${own.larger}` };
  const isHabit = [...imitations(scene).values()].filter((other) => other.bold && other.larger).length > 1;
  if (own.bold && own.larger && isHabit)
    return failed(
      `"${text}" looks like a heading and heads what follows, but is told as plain text.`,
      repair,
      details
    );
  return cantTell(`Is "${text}" the heading of what follows? Then it must be one.`, repair, details);
}
var headingsMarked = {
  id: "structure.headings-marked",
  criteria: ["1.3.1"],
  severity: "barrier",
  means: "What looks and works like a heading is one.",
  who: "Someone who cannot see the bold line does not know that a new part begins, and cannot jump to it.",
  mend: "Use <h1> to <h6> and set the look in the stylesheet.",
  looksAt: (scene) => imitations(scene).keys(),
  judge: judge64,
  examples: {
    kept: [
      `<h2>Before the cradle moves</h2><p>Look behind the cradle and call out. The winch hand answers before the brake comes off.</p>`,
      `<p><strong>Careful.</strong></p><p>Look behind the cradle and call out. The winch hand answers before the brake comes off.</p>`,
      `<p>Look behind the <b>cradle</b></p><p>Look behind the cradle and call out. The winch hand answers before the brake comes off.</p>`
    ],
    broken: [
      `<style>.t { font-size: 1.5em }</style><p class="t"><b>Before it moves</b></p><p>Look behind the cradle and call out. The winch hand answers before the brake comes off.</p><p class="t"><b>While it moves</b></p><p>Stay where the winch hand can see you. If you lose sight of each other the lift stops.</p>`
    ],
    asked: [
      `<p><b>Before it moves</b></p><p>Look behind the cradle and call out. The winch hand answers before the brake comes off.</p>`
    ]
  }
};

// src/core/checks/structure/headings-say.ts
function judge65(heading2, scene) {
  const repair = ask("Write what the part below is about, or take the heading away.");
  if (isUnnamed(scene, heading2)) {
    if (heading2.spread !== null) return passed;
    const unknown2 = holdsUnknownContent(scene, heading2);
    return unknown2 === null ? failed("This heading says nothing.", repair) : cantTell(
      `Does <${unknown2.tag}> bring text of its own? Without it this heading says nothing.`,
      repair
    );
  }
  const name = scene.name(heading2);
  return !name.certain || /[\p{L}\p{N}]/u.test(speakable(name.text)) ? passed : failed(`This heading says only "${name.text}".`, repair, { facts: { name: name.text } });
}
var headingsSay = {
  id: "structure.headings-say",
  criteria: ["1.3.1", "2.4.6"],
  severity: "barrier",
  means: "Every heading has words.",
  who: 'Someone who moves by headings hears "heading level 2" and nothing more.',
  mend: "Give it words, or use something else to make room.",
  looksAt: (scene) => headingsOf(scene).map(({ element }) => element),
  judge: judge65,
  examples: {
    kept: [`<h2>Slips</h2>`, `<h2><img src="a.png" alt="Slips"></h2>`, `<h2 hidden></h2>`],
    broken: [`<h2></h2>`, `<h2><img src="a.png" alt=""></h2>`, `<h2>\u2013 \u2013</h2>`],
    asked: [`<h2><yard-name></yard-name></h2>`]
  }
};

// src/core/checks/structure/headings-step.ts
var before2 = keptForScene((scene) => {
  const headings = headingsOf(scene);
  return new Map(headings.map((own, at2) => [own.element, { own, previous: headings[at2 - 1] ?? null }]));
});
function judge66(heading2, scene) {
  const place = before2(scene).get(heading2);
  if (place === void 0 || place.previous === null) return passed;
  const { own, previous } = place;
  if (own.level <= previous.level + 1) return passed;
  const level = previous.level + 1;
  return failed(
    `This heading of level ${own.level} comes after one of level ${previous.level} ("${scene.name(previous.element).text}"): a level is passed over.`,
    /^h[1-6]$/.test(heading2.tag) && !heading2.attributes.has("aria-level") ? withChanges("likely", `Make it <h${level}>, and set its size in the stylesheet.`, [
      renameElement(heading2, `h${level}`)
    ]) : withChanges("likely", `Give it level ${level}.`, [
      setAttribute(heading2, "aria-level", String(level))
    ]),
    { facts: { level: own.level, before: previous.level } }
  );
}
var headingsStep = {
  id: "structure.headings-step",
  criteria: [],
  severity: "friction",
  means: "Heading levels go down one step at a time.",
  who: "Someone who moves by headings wonders whether they missed a part of the page.",
  mend: "Choose the level by what the heading is a part of, and its size in the stylesheet.",
  looksAt: (scene) => headingsOf(scene).map(({ element }) => element),
  judge: judge66,
  examples: {
    kept: [`<h1>Yard</h1><h2>Slips</h2><h3>North</h3><h2>Tides</h2>`, `<h3>Slips</h3>`],
    broken: [`<h1>Yard</h1><h3>Slips</h3>`]
  }
};

// src/core/checks/structure/ids-unique.ts
var references2 = [
  "for",
  "headers",
  "list",
  "form",
  "popovertarget",
  "aria-labelledby",
  "aria-describedby",
  "aria-controls",
  "aria-owns",
  "aria-activedescendant",
  "aria-details",
  "aria-errormessage",
  "aria-flowto"
];
var referredIds = keptForScene((scene) => {
  const found = /* @__PURE__ */ new Map();
  for (const element of scene.page.index.elements) {
    if (element.attributes.size === 0) continue;
    for (const attribute of references2) {
      if (!element.attributes.has(attribute) || !isExposed(scene, element) && element.tag !== "label")
        continue;
      for (const id of attributeTokens(element, attribute)) if (!found.has(id)) found.set(id, attribute);
    }
  }
  return found;
});
function* repeated(scene) {
  const { repeatedIds } = scene.page.index;
  if (repeatedIds.length === 0) return;
  const referred = referredIds(scene);
  for (const { id, elements } of repeatedIds)
    if (referred.has(id))
      yield* elements.slice(1).filter((element) => scene.presence.of(element).rendered !== 0);
}
function judge67(element, scene) {
  const id = attributeText(element, "id") ?? "";
  const { index } = scene.page;
  const [first] = index.allWithId(index.record(element).root, id);
  const attribute = referredIds(scene).get(id);
  if (first === void 0 || attribute === void 0) return passed;
  return failed(
    `The id "${id}" is taken already by a <${first.tag}> before it: ${attribute}="${id}" never reaches this one.`,
    renamed2(scene, element, id, first),
    { facts: { id, attribute }, cause: `id ${id}`, ...at(element, "id") }
  );
}
function renamed2(scene, element, id, first) {
  const { index } = scene.page;
  const own = freshId(scene, element, id);
  const parents = (of) => /* @__PURE__ */ new Set([of, ...elementsAround(scene, of)]);
  const [mine, theirs] = [parents(element), parents(first)];
  const isMeant = (other) => {
    const shared2 = [...elementsAround(scene, other)].find((up) => mine.has(up) || theirs.has(up));
    return shared2 !== void 0 && mine.has(shared2) && !theirs.has(shared2);
  };
  const references_ = index.elements.filter((other) => other !== element && isMeant(other)).flatMap(
    (other) => references2.flatMap((attribute) => {
      const tokens = attributeTokens(other, attribute);
      return tokens.includes(id) ? [setAttribute(other, attribute, tokens.map((token) => token === id ? own : token).join(" "))] : [];
    })
  );
  return withChanges(
    "likely",
    "Give this element an id of its own, and use it where this element is meant.",
    [setAttribute(element, "id", own), ...references_]
  );
}
var idsUnique = {
  id: "structure.ids-unique",
  criteria: ["4.1.2", "1.3.1"],
  severity: "barrier",
  means: "An id that something refers to occurs once.",
  who: "Someone using assistive technology is told the name or description of another element, because a reference reaches only the first of its id.",
  mend: "Give every element an id of its own.",
  looksAt: repeated,
  judge: judge67,
  examples: {
    kept: [
      `<p id="a">x</p><p id="a">y</p>`,
      `<label for="a">Beam</label><input id="a"><label for="b">Draught</label><input id="b">`
    ],
    broken: [
      `<label for="a">Beam</label><input id="a"><label for="a">Draught</label><input id="a">`,
      `<button aria-describedby="n">Haul</button><p id="n">one</p><p id="n">two</p>`
    ]
  }
};

// src/core/semantics/lists-by-kind.ts
var isLandmarkRole = (role) => roleRow(role).kind.includes("landmark") && !role.startsWith("doc-");

// src/core/checks/structure/in-landmarks.ts
var standsAlone2 = /^(?:dialog|alertdialog|alert|status|log|tooltip)$/;
var outside2 = keptForScene((scene) => {
  const { index } = scene.page;
  const body = index.byTag("body")[0];
  if (body === void 0 || exposedByRole(scene, "main").length === 0) return [];
  const found = [];
  const skips = new Set(skipLinks(scene));
  const visit = (element) => {
    if (!isExposed(scene, element) || skips.has(element)) return true;
    const { role } = scene.role(element);
    if (role !== null && (isLandmarkRole(role) || standsAlone2.test(role))) return true;
    if ((visibleText(scene, element) ?? "") === "") return true;
    return false;
  };
  const stack = [...index.childElements(body)].reverse();
  for (let at2 = stack.pop(); at2 !== void 0; at2 = stack.pop()) {
    if (visit(at2)) continue;
    const children = index.childElements(at2);
    const holdsLandmark = landmarkHolders(scene).has(at2) || children.some((child) => skips.has(child));
    if (holdsLandmark) for (const child of [...children].reverse()) stack.push(child);
    else found.push(at2);
  }
  return found;
});
var landmarkHolders = keptForScene((scene) => {
  const holders3 = /* @__PURE__ */ new Set();
  for (const landmark of exposedByRole(
    scene,
    "main",
    "banner",
    "contentinfo",
    "navigation",
    "complementary",
    "region",
    "search",
    "form"
  )) {
    for (let up = scene.page.index.flatParent(landmark); up !== null && !holders3.has(up); ) {
      holders3.add(up);
      up = scene.page.index.flatParent(up);
    }
  }
  return holders3;
});
function judge68(body, scene) {
  if (exposedByRole(scene, "main").length === 0) return inapplicable;
  const parts = outside2(scene);
  const [first] = parts;
  if (first === void 0 || body.tag !== "body") return passed;
  const text = visibleText(scene, first) ?? "";
  return failed(
    `${parts.length === 1 ? "One part" : `${parts.length} parts`} of this page ${parts.length === 1 ? "is" : "are"} in no landmark, first "${shortened(text, 50)}".`,
    ask("Put it into <main>, <header>, <nav>, <aside> or <footer>, whichever it belongs to."),
    { facts: { parts: parts.length }, ...at(first) }
  );
}
var inLandmarks = {
  id: "structure.in-landmarks",
  criteria: [],
  severity: "friction",
  means: "Where a page has landmarks, all of its content is in one.",
  who: "Someone who moves by landmarks passes the rest by without knowing.",
  mend: "Put it into the landmark it belongs to.",
  pageOnly: true,
  looksAt: (scene) => scene.page.index.byTag("body").slice(0, 1),
  judge: judge68,
  examples: {
    kept: [
      `<!doctype html><title>t</title><a href="#m">Skip to content</a><header>Yard</header><main id="m">x</main>`,
      `<!doctype html><title>t</title><div><header>Yard</header><main>x</main></div><div></div>`,
      `<!doctype html><title>t</title><p>x</p>`
    ],
    broken: [`<!doctype html><title>t</title><main>x</main><p>Open from six.</p>`]
  }
};

// src/core/checks/structure/landmark-place.ts
var outermost = ["banner", "contentinfo", "main"];
function judge69(landmark, scene) {
  const role = scene.role(landmark).role;
  const word2 = spokenRole(role, {}, null);
  for (const up of elementsAround(scene, landmark)) {
    const around = scene.role(up).role;
    if (around === null || !isLandmarkRole(around)) continue;
    return failed(
      `This ${word2} landmark is inside another: ${spokenRole(around, {}, null)}.`,
      ask(`Put it beside the ${spokenRole(around, {}, null)}, not inside.`),
      { facts: { inside: around } }
    );
  }
  const same = exposedByRole(scene, role);
  return role !== "main" && same.length > 1 && same[0] !== landmark ? failed(
    `There is a ${word2} landmark already: a page has one.`,
    ask("Put both into one, or put this one into the part that it is the head or foot of."),
    { facts: { count: same.length } }
  ) : passed;
}
var landmarkPlace = {
  id: "structure.landmark-place",
  criteria: [],
  severity: "friction",
  means: "The head, the foot and the main part of a page stand beside one another, each once.",
  who: "Someone who moves by landmarks finds the head of the page somewhere in the middle.",
  mend: "Move it out of the other landmark.",
  pageOnly: true,
  looksAt: (scene) => exposedByRole(scene, ...outermost),
  judge: judge69,
  examples: {
    kept: [
      `<!doctype html><title>t</title><header>Yard</header><main><article><header>Tides</header></article></main><footer>x</footer>`
    ],
    broken: [
      `<!doctype html><title>t</title><div role="complementary"><main>x</main></div>`,
      `<!doctype html><title>t</title><header>Yard</header><header>Tides</header>`
    ]
  }
};

// src/core/standards/language-subtags.ts
var twoLetterLanguages = new Set(
  "aa ab ae af ak am an ar as av ay az ba be bg bh bi bm bn bo br bs ca ce ch co cr cs cu cv cy da de dv dz ee el en eo es et eu fa ff fi fj fo fr fy ga gd gl gn gu gv ha he hi ho hr ht hu hy hz ia id ie ig ii ik in io is it iu iw ja ji jv jw ka kg ki kj kk kl km kn ko kr ks ku kv kw ky la lb lg li ln lo lt lu lv mg mh mi mk ml mn mo mr ms mt my na nb nd ne ng nl nn no nr nv ny oc oj om or os pa pi pl ps pt qu rm rn ro ru rw sa sc sd se sg sh si sk sl sm sn so sq sr ss st su sv sw ta te tg th ti tk tl tn to tr ts tt tw ty ug uk ur uz ve vi vo wa wo xh yi yo za zh zu".split(" ")
);
var meantLanguages = {
  english: "en",
  eng: "en",
  german: "de",
  deutsch: "de",
  french: "fr",
  francais: "fr",
  spanish: "es",
  espanol: "es",
  italian: "it",
  dutch: "nl",
  portuguese: "pt",
  polish: "pl",
  russian: "ru",
  chinese: "zh",
  cn: "zh",
  jp: "ja",
  japanese: "ja",
  korean: "ko",
  cz: "cs",
  dk: "da",
  gr: "el"
};
function isLanguageTag(tag) {
  const primary = tag.split("-")[0]?.toLowerCase() ?? "";
  if (!/^[a-z0-9]{1,8}(?:-[a-z0-9]{1,8})*$/i.test(tag)) return false;
  if (primary.length === 2) return twoLetterLanguages.has(primary);
  if (primary.length === 3) return "unknown";
  return primary === "x" || primary === "i";
}

// src/core/checks/structure/language.ts
var askForLanguage = (root) => askWords(
  'Say on <html> in which language the page is written, as in lang="en".',
  "Language of the page, as in en, de or pt-BR",
  "",
  [setAttribute(root, "lang", BLANK)],
  "en"
);
function judge70(root) {
  if (attributeUnknown(root, "lang")) return passed;
  const written = attributeText(root, "lang");
  const tag = written?.trim() ?? "";
  const details = at(root, "lang");
  if (tag === "") {
    const xml = attributeText(root, "xml:lang")?.trim() ?? "";
    if (xml !== "" && isLanguageTag(xml) !== false) {
      return failed(
        `This page names its language in xml:lang only, which counts for nothing in HTML.`,
        withChanges("safe", `Write lang="${xml}" too.`, [setAttribute(root, "lang", xml)]),
        details
      );
    }
    return failed(
      written === null ? "This page does not say in which language it is written." : "The lang of this page is empty.",
      askForLanguage(root),
      details
    );
  }
  if (isLanguageTag(tag) !== false) return passed;
  const underscored = tag.replace(/_/g, "-");
  const meant2 = isLanguageTag(underscored) === true ? underscored : meantLanguages[tag.toLowerCase()];
  return failed(
    `"${tag}" is no language tag.`,
    meant2 === void 0 ? askForLanguage(root) : withChanges("likely", `Write lang="${meant2}".`, [setAttribute(root, "lang", meant2)]),
    details
  );
}
var language = {
  id: "structure.language",
  criteria: ["3.1.1"],
  severity: "barrier",
  means: "A page says in which language it is written, with a tag that exists.",
  who: "Someone using a screen reader hears the page in the voice of another language, which can make it impossible to follow.",
  mend: 'Write the language on the root: <html lang="en">.',
  pageOnly: true,
  looksAt: (scene) => scene.page.index.byTag("html").slice(0, 1),
  judge: judge70,
  examples: {
    kept: [
      `<!doctype html><html lang="en"><title>t</title>`,
      `<!doctype html><html lang="pt-BR"><title>t</title>`,
      `<!doctype html><html lang="gsw-CH"><title>t</title>`
    ],
    broken: [
      `<!doctype html><html><title>t</title>`,
      `<!doctype html><html lang=""><title>t</title>`,
      `<!doctype html><html lang="english"><title>t</title>`,
      `<!doctype html><html xml:lang="en"><title>t</title>`,
      `<!doctype html><html lang="qq"><title>t</title>`
    ]
  }
};

// src/core/checks/structure/language-of-parts.ts
function judge71(part) {
  const tag = attributeText(part, "lang")?.trim() ?? "";
  if (tag === "") return inapplicable;
  if (isLanguageTag(tag) !== false) return passed;
  const underscored = tag.replace(/_/g, "-");
  const meant2 = isLanguageTag(underscored) === true ? underscored : meantLanguages[tag.toLowerCase()];
  return failed(
    `"${tag}" is no language tag: this part is read in the voice of the rest.`,
    meant2 === void 0 ? ask('Name the language of this part, as in lang="fr".') : withChanges("likely", `Write lang="${meant2}".`, [setAttribute(part, "lang", meant2)]),
    at(part, "lang")
  );
}
var languageOfParts = {
  id: "structure.language-of-parts",
  criteria: ["3.1.2"],
  severity: "barrier",
  means: "Where a part names its language, the tag exists.",
  who: "Someone using a screen reader hears foreign words in the wrong voice.",
  mend: "Write a language tag that exists.",
  looksAt: (scene) => scene.page.index.elements.filter(
    (element) => element.tag !== "html" && element.attributes.has("lang") && isExposed(scene, element) && textContent(element) !== ""
  ),
  judge: judge71,
  examples: {
    kept: [`<p lang="fr">Bonjour</p>`, `<p lang="">x</p>`, `<p lang="gsw">Gr\xFCezi</p>`],
    broken: [`<p lang="french">Bonjour</p>`, `<p lang="de_CH">Guten Tag</p>`]
  }
};

// src/core/checks/structure/layout-tables.ts
var layoutTables = (scene) => scene.page.index.byTag("table").filter((table) => scene.role(table).role === "none" && isExposed(scene, table));
function judge72(table, scene) {
  const { index } = scene.page;
  const grid = tableGrid(index, table);
  const marks = [
    ...grid.cells.some(({ element }) => element.tag === "th") ? ["<th>"] : [],
    ...index.childElements(table).some((child) => child.tag === "caption") ? ["<caption>"] : [],
    ...(attributeText(table, "summary")?.trim() ?? "") === "" ? [] : ["summary"],
    ...grid.cells.some(({ element }) => hasAttribute(element, "scope")) ? ["scope"] : [],
    ...grid.cells.some(({ element }) => attributeTokens(element, "headers").length > 0) ? ["headers"] : []
  ];
  if (marks.length === 0) return passed;
  return failed(
    `This table says that it is only there for its looks, and yet has ${marks.join(", ")}.`,
    ask('If it is data, take role="none" away; if not, use <td> only and leave the rest out.'),
    { facts: { marks: marks.join(" ") } }
  );
}
var layoutTablesPlain = {
  id: "structure.layout-tables",
  criteria: ["1.3.1"],
  severity: "friction",
  means: "A table that only lays out a page carries nothing that belongs to data.",
  who: "Someone using a screen reader hears headers in one program and none in the other.",
  mend: "Decide which it is: data with headers, or layout without.",
  looksAt: layoutTables,
  judge: judge72,
  examples: {
    kept: [`<table role="none"><tr><td>a</td></tr></table>`, `<table><tr><th>a</th></tr></table>`],
    broken: [`<table role="presentation"><tr><th>Tides</th></tr><tr><td>06:10</td></tr></table>`]
  }
};

// src/core/checks/structure/lists.ts
var anywhere = /* @__PURE__ */ new Set(["script", "template", "style", "noscript", "link", "meta"]);
function* listParts(scene) {
  yield* exposedByTag(scene, "ul", "ol", "menu", "dl", "li", "dt", "dd");
}
function judge73(element, scene) {
  switch (element.tag) {
    case "li":
      return judgeItem(element, scene);
    case "dl":
      return judgeDescriptions(element, scene);
    case "dt":
    case "dd":
      return judgeTerm(element, scene);
    default:
      return judgeList(element, scene);
  }
}
var isList = (scene, element) => {
  const { role } = scene.role(element);
  return role === "list" || role === "directory";
};
var shownText = (node) => {
  if (node.kind !== "text" || typeof node.value !== "string") return null;
  const text = writtenText(node.value).replace(/\s+/g, " ").trim();
  return text === "" ? null : text;
};
function judgeList(list, scene) {
  if (!isList(scene, list)) return inapplicable;
  const strays = scene.page.index.childElements(list).filter(
    (child) => child.tag !== "li" && !anywhere.has(child.tag) && !child.tag.includes("-") && attributeToken(child, "role") !== "listitem" && isExposed(scene, child)
  );
  const [first] = strays;
  if (first !== void 0) {
    const isNested = first.tag === "ul" || first.tag === "ol";
    const details = {
      facts: { child: first.tag },
      ...at(first)
    };
    return failed(
      isNested ? `A <${first.tag}> stands in this <${list.tag}> beside its items, and belongs to none of them.` : `A <${first.tag}> stands in this <${list.tag}> where only <li> may.`,
      isNested ? ask("Put the inner list into the <li> it belongs to, before its </li>.") : /^(?:div|p|span)$/.test(first.tag) && strays.length === 1 ? withChanges("likely", `Make it an <li>.`, [renameElement(first, "li")]) : withChanges(
        "likely",
        `Put it into an <li>, or out of the list.`,
        strays.map((stray) => wrap(stray, stray, { tag: "li" }))
      ),
      details
    );
  }
  const text = list.children.map(shownText).find((t2) => t2 !== null) ?? null;
  return text !== null ? failed(
    `"${shortened(text, 40)}" stands in this <${list.tag}> outside every <li>.`,
    withChanges(
      "likely",
      "Put the text into an <li>, or before the list.",
      list.children.flatMap(
        (child) => child.kind === "text" && shownText(child) !== null ? [wrap(child, child, { tag: "li" })] : []
      )
    )
  ) : passed;
}
function judgeItem(item, scene) {
  const { index } = scene.page;
  if (item.attributes.has("role")) return inapplicable;
  const parent = index.flatParent(item);
  if (parent === null || parent.namespace !== "html" || parent.tag.includes("-")) return inapplicable;
  if (/^(?:ul|ol|menu|dir|slot)$/.test(parent.tag) || isList(scene, parent)) return passed;
  if (scene.document.kind === "fragment" && index.record(item).parent === null) return inapplicable;
  if (scene.document.kind === "fragment" && parent.tag === "body") return inapplicable;
  return failed(
    `This <li> stands in a <${parent.tag}>, not in a list.`,
    withChanges("likely", "Put it and its neighbours into a <ul> or <ol>.", [
      wrapRun(
        runOf(scene, item, (other) => other.tag === "li" && !other.attributes.has("role")),
        { tag: "ul" }
      )
    ]),
    { cause: `items in ${index.record(parent).order}` }
  );
}
function judgeDescriptions(list, scene) {
  if (list.attributes.has("role")) return inapplicable;
  const { index } = scene.page;
  const stray = index.childElements(list).find(
    (child) => !/^(?:dt|dd|div)$/.test(child.tag) && !anywhere.has(child.tag) && !child.tag.includes("-") && isExposed(scene, child)
  );
  if (stray !== void 0)
    return failed(
      `A <${stray.tag}> stands in this <dl> where only <dt>, <dd> and a <div> around them may.`,
      withChanges("likely", "Put it into a <dd>, or out of the list.", [wrap(stray, stray, { tag: "dd" })]),
      {
        facts: { child: stray.tag },
        ...at(stray)
      }
    );
  const parts = index.childElements(list).flatMap((child) => child.tag === "div" ? index.childElements(child) : [child]).filter((child) => child.tag === "dt" || child.tag === "dd");
  const [first] = parts;
  if (first === void 0) return inapplicable;
  if (first.tag === "dd")
    return failed(
      "This <dl> begins with a description that has no term.",
      askWords("Write its term in a <dt> before it.", "Term", "", [
        insert("before", first, { tag: "dt", text: BLANK })
      ]),
      {
        ...at(first)
      }
    );
  return passed;
}
function judgeTerm(term, scene) {
  const { index } = scene.page;
  if (term.attributes.has("role")) return inapplicable;
  const parent = index.flatParent(term);
  const holder = parent?.tag === "div" ? index.flatParent(parent) : parent;
  if (parent === null || parent.tag === "dl" || holder?.tag === "dl") return passed;
  if (parent.tag.includes("-") || parent.tag === "slot") return inapplicable;
  if (scene.document.kind === "fragment" && parent.tag === "body") return inapplicable;
  return failed(
    `This <${term.tag}> stands in a <${parent.tag}>, not in a <dl>.`,
    withChanges("likely", "Put it and its neighbours into a <dl>.", [
      wrapRun(
        runOf(scene, term, (other) => other.tag === "dt" || other.tag === "dd"),
        { tag: "dl" }
      )
    ]),
    {
      cause: `terms in ${index.record(parent).order}`
    }
  );
}
var lists = {
  id: "structure.lists",
  criteria: ["1.3.1"],
  severity: "barrier",
  means: "Lists hold items and items are in lists; terms and descriptions are in a <dl>.",
  who: "Someone using a screen reader is told a wrong number of items, or of no list at all.",
  mend: "Put everything in a <ul> or <ol> into <li>, and everything in a <dl> into <dt> and <dd>.",
  looksAt: listParts,
  judge: judge73,
  examples: {
    kept: [
      `<ul><li>One<ul><li>Two</li></ul></li></ul>`,
      `<ul role="tablist"><div role="tab" aria-selected="true">One</div></ul>`,
      `<dl><div><dt>Beam</dt><dd>3.2 m</dd></div></dl>`,
      `<div role="list"><li>One</li></div>`,
      `<ul><template><li>x</li></template></ul>`
    ],
    broken: [
      `<!doctype html><title>t</title><ul><div>One</div></ul>`,
      `<!doctype html><title>t</title><ul><li>One</li><ul><li>Two</li></ul></ul>`,
      `<!doctype html><title>t</title><ul>Slips<li>One</li></ul>`,
      `<!doctype html><title>t</title><div><li>One</li></div>`,
      `<!doctype html><title>t</title><dl><dd>3.2 m</dd></dl>`,
      `<!doctype html><title>t</title><div><dt>Beam</dt></div>`
    ]
  }
};

// src/core/checks/structure/main.ts
var judgedAt2 = (scene) => {
  const mains = exposedByRole(scene, "main");
  return mains.length > 1 ? mains.slice(1) : scene.page.index.byTag("body").slice(0, 1);
};
function judge74(element, scene) {
  const mains = exposedByRole(scene, "main");
  if (mains.length === 1) return passed;
  const [first] = mains;
  if (first === void 0) {
    if (exposedByRole(scene, "heading", "link", "button").length === 0) return inapplicable;
    const meant2 = calledMainIn(scene, element);
    const summary = meant2 === null ? "Put what the page is for into <main>." : `Make it a <main>: perhaps <${meant2.tag}${attributeText(meant2, "id") === null ? "" : ` id="${attributeText(meant2, "id")}"`}>.`;
    const lost = skipLinks(scene).find((link) => fragmentTarget(scene, link) === null);
    const changes = mainMarked(
      scene,
      lost === void 0 ? null : attributeText(lost, "href")?.trim().slice(1) ?? null
    );
    return failed(
      "Nothing on this page is marked as its main content.",
      changes === null ? ask(summary) : withChanges("likely", summary, changes)
    );
  }
  return failed(
    "This page has a main part already: a page has one.",
    ask("Put what belongs to the main content into one <main>; hide the ones that are not shown."),
    { facts: { mains: mains.length } }
  );
}
var oneMain = {
  id: "structure.main",
  criteria: [],
  severity: "friction",
  means: "A page marks one part as its main content.",
  who: "Someone using a screen reader presses the key for the main part, and nothing happens.",
  mend: "Put what the page is for into <main>.",
  pageOnly: true,
  looksAt: judgedAt2,
  judge: judge74,
  examples: {
    kept: [
      `<!doctype html><title>t</title><main><h1>Slips</h1></main>`,
      `<!doctype html><title>t</title><main><h1>Slips</h1></main><main hidden>x</main>`
    ],
    broken: [
      `<!doctype html><title>t</title><div id="content"><h1>Slips</h1></div>`,
      `<!doctype html><title>t</title><main><h1>Slips</h1></main><main>x</main>`
    ]
  }
};

// src/core/checks/structure/reading-order.ts
function* reordered(scene) {
  const { index, styles } = scene.page;
  if (!styles.declares("order") && !styles.declares("flex-direction")) return;
  for (const element of index.elements) {
    const display = styles.keyword(element, "display");
    if (display === null || !/flex|grid/.test(display) || !isExposed(scene, element)) continue;
    const items2 = index.childElements(element).filter((item) => textContent(item) !== "");
    if (items2.length < 2) continue;
    const isReversed = /flex/.test(display) && styles.keyword(element, "flex-direction")?.endsWith("reverse") === true;
    const orders = items2.map((item) => Number(styles.keyword(item, "order") ?? 0));
    const isSorted = orders.every((order, at2) => at2 === 0 || order >= (orders[at2 - 1] ?? 0));
    if (isReversed || !isSorted) yield element;
  }
}
var judge75 = (element, scene) => {
  const reversed = scene.page.styles.keyword(element, "flex-direction")?.endsWith("reverse") === true;
  return cantTell(
    `Styles show what is in here ${reversed ? "backwards" : "in another order"} (${reversed ? "flex-direction" : "order"}). Does it make sense in the order of the source too, as it is read aloud and reached with Tab?`,
    ask("Write it in the source in the order in which it is meant to be read."),
    { facts: { by: reversed ? "flex-direction" : "order" } }
  );
};
var readingOrderKept = {
  id: "structure.reading-order",
  criteria: ["1.3.2"],
  severity: "barrier",
  means: "The order of the source makes sense, whatever the styles show.",
  who: "Someone using a screen reader or the keyboard meets things in another order than everybody else sees them.",
  mend: "Put things in order in the source.",
  looksAt: reordered,
  judge: judge75,
  examples: {
    kept: [`<div style="display: flex"><p>One</p><p>Two</p></div>`, `<p style="order: 2">One</p>`],
    broken: [],
    asked: [
      `<div style="display: flex"><p style="order: 2">One</p><p>Two</p></div>`,
      `<div style="display: flex; flex-direction: row-reverse"><p>One</p><p>Two</p></div>`
    ]
  }
};

// src/core/checks/structure/table-headers.ts
function* tablesAndReferringCells(scene) {
  for (const table of exposedByTag(scene, "table")) if (scene.role(table).role === "table") yield table;
  for (const cell2 of exposedByTag(scene, "td", "th"))
    if (attributeTokens(cell2, "headers").length > 0) yield cell2;
  for (const header of exposedByTag(scene, "th"))
    if (/^(?:columnheader|rowheader|cell|gridcell)$/.test(scene.role(header).role ?? "")) yield header;
}
function judge76(element, scene) {
  if (element.tag === "table") return judgeTable(element, scene);
  const references3 = attributeTokens(element, "headers").length > 0 ? judgeReferences(element, scene) : passed;
  return element.tag !== "th" || references3.outcome === "failed" ? references3 : judgeScope(element, scene);
}
var scopes = ["row", "col", "rowgroup", "colgroup", "auto"];
function judgeScope(header, scene) {
  const written = attributeToken(header, "scope");
  const automatic = automaticScope(scene.page.index, header);
  if (written !== null && scopes.includes(written)) return passed;
  const table = tableOf(scene.page.index, header);
  const grid = table === null ? null : tableGrid(scene.page.index, table);
  const cell2 = grid?.cell(header) ?? null;
  if (cell2 === null || textContent(header) === "") return inapplicable;
  const details = { facts: { scope: written }, ...at(header, "scope") };
  const meant2 = written === null || written === "" ? null : nearestWord(written, scopes);
  if (meant2 !== null) {
    const isSame = meant2.startsWith("row") === (automatic === "rowheader");
    const repair = withChanges("likely", `Write scope="${meant2}".`, [setAttribute(header, "scope", meant2)]);
    return isSame && automatic !== null ? passed : failed(
      `scope="${written}" is no scope: this header is told as heading something else.`,
      repair,
      details
    );
  }
  if (automatic !== null) return passed;
  const place = cell2.row === 0 ? "col" : cell2.column === 0 ? "row" : null;
  return cantTell(
    `Does "${textContent(header)}" head its column or its row? By its place browsers take it for neither.`,
    place === null ? ask('Say it: scope="col" or scope="row".') : withChanges("likely", `Probably scope="${place}".`, [setAttribute(header, "scope", place)]),
    details
  );
}
function judgeReferences(cell2, scene) {
  const { index } = scene.page;
  const table = tableOf(index, cell2);
  if (table === null) return inapplicable;
  const grid = tableGrid(index, table);
  const missing = attributeTokens(cell2, "headers").filter((id) => {
    const target = index.byId(cell2, id);
    return target === null || grid.cell(target) === null;
  });
  if (missing.length === 0) return passed;
  const ids = grid.cells.filter((c) => c.element.tag === "th").flatMap((c) => attributeText(c.element, "id") ?? []);
  const written = attributeTokens(cell2, "headers");
  const fixed = written.map(
    (id) => missing.includes(id) ? nearestWord(id, ids) ?? (missing.length === 1 ? headerByPlace(grid, cell2, written) : null) : id
  );
  const repair = fixed.every((id) => id !== null) ? withChanges("likely", `Write headers="${fixed.join(" ")}".`, [
    setAttribute(cell2, "headers", fixed.join(" "))
  ]) : ask(`Name the ids of its header cells: ${ids.slice(0, 6).join(", ") || "they have none yet"}.`);
  return failed(`headers names "${missing.join(" ")}", which is no cell of this table.`, repair, {
    facts: { missing: missing.join(" ") },
    ...at(cell2, "headers")
  });
}
function headerByPlace(grid, cell2, named) {
  const own = grid.cell(cell2);
  const ids = grid.cells.flatMap(({ element, row, column }) => {
    const id = element.tag === "th" ? attributeText(element, "id") : null;
    return id !== null && !named.includes(id) && (row === own?.row || column === own?.column) ? [id] : [];
  });
  return ids.length === 1 ? ids[0] ?? null : null;
}
function judgeTable(table, scene) {
  const grid = tableGrid(scene.page.index, table);
  if (grid.columns < 2 || grid.rows.length < 2) return inapplicable;
  const cells = grid.cells.map((cell2) => cell2.element);
  const hasHeader = cells.some((cell2) => {
    const { role } = scene.role(cell2);
    return cell2.tag === "th" || role === "columnheader" || role === "rowheader" || attributeTokens(cell2, "headers").length > 0 || hasAttribute(cell2, "scope");
  });
  if (hasHeader) return passed;
  if (cells.some((cell2) => scene.page.index.childElements(cell2).some((child) => child.tag === "table")))
    return inapplicable;
  const evidence = dataEvidence(table, scene);
  const summary = `Make the cells that head a column or row <th>${firstRowText(grid)}.`;
  const firstRow = grid.cells.filter(
    ({ row, element }) => row === 0 && element.tag === "td" && textContent(element) !== ""
  );
  const repair = firstRow.length === 0 ? ask(summary) : withChanges(
    "likely",
    summary,
    firstRow.flatMap(({ element }) => [
      renameElement(element, "th"),
      setAttribute(element, "scope", "col")
    ])
  );
  if (evidence !== null) return failed(`This table ${evidence}, but no cell of it is a header.`, repair);
  return looksHeaded(grid) || (attributeText(table, "summary")?.trim() ?? "") !== "" ? cantTell(
    looksHeaded(grid) ? "The first row of this table looks like headings. Is it a table of data? Then its headings must be <th>." : "This table has a summary. Is it a table of data? Then its headings must be <th>.",
    repair
  ) : inapplicable;
}
function dataEvidence(table, scene) {
  const children = scene.page.index.childElements(table);
  const caption = children.find((child) => child.tag === "caption");
  if (caption !== void 0 && textContent(caption) !== "") return "has a caption";
  if (children.some((child) => child.tag === "thead" && scene.page.index.childElements(child).length > 0))
    return "has a head";
  return null;
}
var looksHeaded = (grid) => {
  const first = grid.cells.filter((cell2) => cell2.row === 0);
  return grid.rows.length > 2 && first.length === grid.columns && first.every((cell2) => isEmphasised(cell2.element));
};
function isEmphasised(cell2) {
  const content = cell2.children.filter(
    (child) => child.kind !== "comment" && !(child.kind === "text" && writtenText(child.value).trim() === "")
  );
  return content.length > 0 && content.every((child) => child.kind === "element" && (child.tag === "b" || child.tag === "strong"));
}
function firstRowText(grid) {
  const words4 = grid.cells.filter((cell2) => cell2.row === 0).map((cell2) => textContent(cell2.element)).filter((text) => text !== "");
  return words4.length === 0 || words4.join(", ").length > 60 ? "" : `: ${words4.join(", ")}`;
}
var tableHeaders = {
  id: "structure.table-headers",
  criteria: ["1.3.1"],
  severity: "barrier",
  means: "A table of data has header cells, and what `headers` names is there.",
  who: "Someone using a screen reader hears a number without the row and column it belongs to.",
  mend: 'Make the heading cells <th>, with scope="col" or scope="row" where it is not plain.',
  looksAt: tablesAndReferringCells,
  judge: judge76,
  examples: {
    kept: [
      `<table><caption>Tides</caption><tr><th>High</th><th>Low</th></tr><tr><td>06:10</td><td>12:20</td></tr></table>`,
      `<table role="presentation"><tr><td>a</td><td>b</td></tr><tr><td>c</td><td>d</td></tr></table>`,
      `<table><tr><td>a</td><td>b</td></tr><tr><td>c</td><td>d</td></tr></table>`,
      `<table><tr><th id="am">Morning</th></tr><tr><td headers="am">Finch</td></tr></table>`,
      `<table><tr><th scope="colum">High</th><th>Low</th></tr><tr><td>06:10</td><td>12:20</td></tr></table>`
    ],
    broken: [
      `<table><caption>Tides</caption><tr><td>High</td><td>Low</td></tr><tr><td>06:10</td><td>12:20</td></tr></table>`,
      `<table><thead><tr><td>High</td><td>Low</td></tr></thead><tr><td>06:10</td><td>12:20</td></tr></table>`,
      `<table><tr><th id="am">Morning</th><td headers="morning">Finch</td></tr></table>`,
      `<table><tr><th>High</th><th>Low</th></tr><tr><th scope="rows">06:10</th><th>12:20</th></tr></table>`
    ],
    asked: [
      `<table><tr><th>High</th><td>Low</td></tr><tr><td>06:10</td><td>12:20</td></tr><tr><td>1</td><th>Sum</th></tr></table>`,
      `<table><tr><td><b>High</b></td><td><b>Low</b></td></tr><tr><td>06:10</td><td>12:20</td></tr><tr><td>07:01</td><td>13:11</td></tr></table>`
    ]
  }
};

// src/core/checks/structure/title.ts
var leftOver = /* @__PURE__ */ new Set([
  "untitled",
  "untitled document",
  "document",
  "new page",
  "page title",
  "title",
  "insert title here",
  "enter title here"
]);
function judge77(_root, scene) {
  const title2 = scene.page.index.byTag("title").find((element) => element.namespace === "html");
  const repair = titled(scene, title2 ?? null);
  if (title2 === void 0) return failed("This page has no title.", repair);
  const details = at(title2);
  const text = foldSpaces(
    title2.children.map((child) => child.kind === "text" ? writtenText(child.value) : "").join("")
  );
  if (text === "") return failed("The title of this page is empty.", repair, details);
  if (leftOver.has(text.toLowerCase()) || /\.html?$/i.test(text))
    return failed(`The title of this page is "${text}", which says nothing of it.`, repair, details);
  return passed;
}
function titled(scene, title2) {
  const summary = "Name the page in <title>: first what is particular to it, then the site.";
  const [head] = scene.page.index.byTag("head");
  const changeTo = (words4) => title2 !== null ? [setWords(title2, words4)] : head === void 0 ? [] : [insert("last", head, { tag: "title", text: words4 })];
  const heading2 = exposedByRole(scene, "heading").map((one2) => speakable(scene.name(one2).text))[0] ?? "";
  return heading2 === "" ? askWords(summary, "Title of the page", "", changeTo(BLANK)) : withChanges("likely", summary, changeTo(heading2), {
    what: "Title of the page",
    start: heading2,
    sample: heading2,
    changes: changeTo(BLANK)
  });
}
var title = {
  id: "structure.title",
  criteria: ["2.4.2"],
  severity: "barrier",
  means: "A page has a title that says what it is.",
  who: "Someone using a screen reader hears the title first and whenever they change windows; without it they must read the page to know where they are.",
  mend: "Write a <title> that tells this page from the others.",
  pageOnly: true,
  looksAt: (scene) => scene.page.index.byTag("html").slice(0, 1),
  judge: judge77,
  examples: {
    kept: [
      `<!doctype html><html lang="en"><title>Slipway bookings \u2013 Brackwater Boatyard</title><h1>Slips</h1>`
    ],
    broken: [
      `<!doctype html><html lang="en"><h1>Slips</h1>`,
      `<!doctype html><html lang="en"><title> </title><h1>Slips</h1>`,
      `<!doctype html><html lang="en"><title>Untitled Document</title>`,
      `<!doctype html><html lang="en"><body><svg><title>Flag</title></svg>`
    ]
  }
};

// src/core/checks/time/no-refresh.ts
var TWENTY_HOURS = 72e3;
function judge78(meta) {
  const content = attributeText(meta, "content");
  const match = content === null ? null : /^[ \t\n\f\r]*(\d+)?(?:\.[\d.]*)?(?:[ \t\n\f\r]*$|[;,\s]\s*(?:url\s*=\s*)?["']?([^"']*))/i.exec(
    content
  );
  if (content === null || match === null || match[1] === void 0 && !/^\s*\./.test(content))
    return inapplicable;
  const seconds2 = Number(match[1] ?? 0);
  const address2 = match[2]?.trim() ?? "";
  if (seconds2 === 0 || seconds2 > TWENTY_HOURS) return passed;
  const after2 = seconds2 === 1 ? "1 second" : `${seconds2} seconds`;
  return failed(
    address2 === "" ? `The page reloads itself after ${after2}.` : `The page sends its reader to "${address2}" after ${after2}.`,
    withChanges(
      "likely",
      address2 === "" ? "Take the refresh out and offer a button that reloads, or bring new content in without moving the reader." : "Send people on at once from the server, or give them a link.",
      [removeElement(meta)]
    ),
    {
      facts: { seconds: seconds2 },
      ...at(meta, "content")
    }
  );
}
var noRefresh = {
  id: "time.no-refresh",
  criteria: ["2.2.1", "3.2.5"],
  severity: "barrier",
  means: "A page does not reload or leave by itself after a time.",
  who: "Someone who reads slowly, or with a screen reader or magnifier, is thrown back to the top or taken away in the middle of a line.",
  mend: "Let people decide when to reload or go on.",
  looksAt: (scene) => scene.page.index.byTag("meta").filter((meta) => attributeToken(meta, "http-equiv") === "refresh"),
  judge: judge78,
  examples: {
    kept: [
      `<meta http-equiv="refresh" content="0; url=slips.html">`,
      `<meta name="refresh" content="5">`,
      `<meta http-equiv="refresh" content="90000">`
    ],
    broken: [
      `<meta http-equiv="refresh" content="30">`,
      `<meta http-equiv="Refresh" content="5; URL='tides.html'">`
    ]
  }
};

// src/core/checks/touch/fixed-size.ts
var fixedTargets = keptForScene((scene) => {
  const { styles } = scene.page;
  const found = /* @__PURE__ */ new Map();
  if (!scene.stylesKnown || !styles.declares("height") && !styles.declares("width")) return found;
  for (const element of sureStops(scene)) {
    if (element.namespace !== "html" || /^(?:area|iframe|audio|video|html|body)$/.test(element.tag)) continue;
    const display = styles.keyword(element, "display");
    if (display === null || display === "inline" || display === "contents") continue;
    if (element.tag === "input" && /^(?:hidden|file|range)$/.test(inputType(element))) continue;
    const width = sideOf(scene, element, "width");
    const height = sideOf(scene, element, "height");
    if (width === null && height === null) continue;
    if (/scale|matrix/.test(styles.keyword(element, "transform") ?? "")) continue;
    if (whyUnseen(scene.page, element) === null) found.set(element, { element, width, height });
  }
  return found;
});
function sideOf(scene, element, side) {
  const { styles } = scene.page;
  const written = styles.keyword(element, side);
  if (written === null || !/^[\d.]+(?:px|r?em|pt)$|^0$/.test(written)) return null;
  const size = styles.pixels({ element }, side);
  if (size === null || isStretched(scene, element, side)) return null;
  const least = styles.pixels({ element }, side === "width" ? "min-width" : "min-height") ?? 0;
  const inner = Math.max(size, least);
  if (styles.keyword(element, "box-sizing") === "border-box") return inner;
  const ends = side === "width" ? ["left", "right"] : ["top", "bottom"];
  let outer = inner;
  for (const end of ends) {
    outer += styles.pixels({ element }, `padding-${end}`) ?? 0;
    if (styles.keyword(element, `border-${end}-style`) !== "none")
      outer += styles.pixels({ element }, `border-${end}-width`) ?? 0;
  }
  return outer;
}
function isStretched(scene, element, side) {
  const { styles, index } = scene.page;
  const parent = index.flatParent(element);
  const around = parent === null ? "" : styles.keyword(parent, "display") ?? "";
  if (!/flex/.test(around) || parent === null) return false;
  const isRow = styles.keyword(parent, "flex-direction")?.startsWith("column") !== true;
  return side === "width" === isRow && styles.keyword(element, "flex-grow") !== "0";
}

// src/core/checks/touch/target-size.ts
var NEEDED4 = 24;
var SPACE = 0.4;
function judge79(element, scene) {
  const target = fixedTargets(scene).get(element);
  if (target === void 0) return passed;
  const { width, height } = target;
  const isSmall = width !== null && width < NEEDED4 || height !== null && height < NEEDED4;
  if (!isSmall) return passed;
  const { index } = scene.page;
  const siblings = index.childElements(index.record(element).parent ?? index.record(element).root);
  const at2 = siblings.indexOf(element);
  for (const other of [siblings[at2 - 1], siblings[at2 + 1]]) {
    const neighbour = other === void 0 ? void 0 : fixedTargets(scene).get(other);
    if (neighbour === void 0) continue;
    const [first, second] = siblings.indexOf(neighbour.element) < at2 ? [neighbour, target] : [target, neighbour];
    const between2 = distance2(scene, first, second);
    if (between2 === null || between2 >= NEEDED4) continue;
    const size = width !== null && height !== null ? `${round(width)} by ${round(height)}` : `${round(Math.min(width ?? Infinity, height ?? Infinity))}`;
    return failed(
      `This target is ${size} pixels, and the next one begins ${between2 <= Math.min(width ?? Infinity, height ?? Infinity) + 0.5 ? "right beside it" : "close by"}: ${round(between2)} pixels from middle to middle, of ${NEEDED4} needed.`,
      enlarged(scene, target),
      {
        facts: { width, height, distance: round(between2) },
        cause: `size ${scene.page.styles.value(element, "height")?.declared?.source.start ?? ""} ${scene.page.styles.value(element, "width")?.declared?.source.start ?? ""}`
      }
    );
  }
  return passed;
}
function enlarged(scene, { element, width, height }) {
  const summary = `Make it ${NEEDED4} pixels high and wide (padding counts), or put room between.`;
  const small = [
    ["width", width],
    ["height", height]
  ].filter(([, size]) => size !== null && size < NEEDED4);
  const declared = small.flatMap(([side]) => {
    const value = scene.page.styles.value(element, side);
    return value?.declared != null && value.block?.origin === "author" && value.declared.replaceable ? [value.declared.valueSource] : [];
  });
  return declared.length === small.length && declared.length > 0 ? withChanges(
    "likely",
    summary,
    declared.map((source) => replaceText(source, `${NEEDED4}px`))
  ) : ask(summary);
}
var round = (pixels) => Math.round(pixels * 10) / 10;
function distance2(scene, first, second) {
  const { styles, index } = scene.page;
  const parent = index.flatParent(first.element);
  if (parent === null || index.flatParent(second.element) !== parent) return null;
  if (isMoved(scene, first.element) || isMoved(scene, second.element)) return null;
  const layout = styles.keyword(parent, "display") ?? "";
  const ways = [first, second].map(({ element }) => styles.keyword(element, "display"));
  const margin = (element, side) => styles.pixels({ element }, `margin-${side}`);
  const textBetween = hasTextBetween(parent, first.element, second.element);
  const along = (axis, extra) => {
    const [a, b] = [first[axis], second[axis]];
    const [end, start] = axis === "height" ? ["bottom", "top"] : ["right", "left"];
    const gaps = [margin(first.element, end), margin(second.element, start)];
    if (a === null || b === null || extra === null || gaps[0] == null || gaps[1] == null) return null;
    return a / 2 + b / 2 + gaps[0] + gaps[1] + extra;
  };
  if (/flex/.test(layout)) {
    if (!/^(?:normal|(?:flex-)?(?:start|end)|left|right|center)$/.test(
      styles.keyword(parent, "justify-content") ?? ""
    ))
      return null;
    const isColumn = styles.keyword(parent, "flex-direction")?.startsWith("column") === true;
    const gapName = isColumn ? "row-gap" : "column-gap";
    const gap = styles.keyword(parent, gapName) === "normal" ? 0 : styles.pixels({ element: parent }, gapName);
    return along(isColumn ? "height" : "width", gap);
  }
  if (/grid/.test(layout) || textBetween) return null;
  if (ways.every((display) => display === "block" || display === "flex")) return along("height", 0);
  if (ways.every((display) => display?.startsWith("inline-") === true || display === "inline-block")) {
    const size = styles.fontSize({ element: parent });
    return size === null ? null : along("width", size * SPACE);
  }
  return null;
}
var isMoved = (scene, element) => {
  const { styles } = scene.page;
  return styles.keyword(element, "position") !== "static" || styles.keyword(element, "float") !== "none" || (styles.keyword(element, "transform") ?? "none") !== "none";
};
function hasTextBetween(parent, first, second) {
  const from = parent.children.indexOf(first);
  const to = parent.children.indexOf(second);
  return parent.children.slice(from + 1, to).some((node) => node.kind === "text" && writtenText(node.value).trim() !== "");
}
var targetSize = {
  id: "touch.target-size",
  criteria: ["2.5.8"],
  severity: "barrier",
  means: "What is pressed is 24 by 24 CSS pixels, or has that much room around it.",
  who: "Someone with a trembling hand, or a thick finger, presses the one beside it.",
  mend: "Make it larger with padding, or put room between.",
  looksAt: (scene) => fixedTargets(scene).keys(),
  judge: judge79,
  examples: {
    kept: [
      `<style>a { display: block; height: 12px; margin: 12px 0 }</style><nav><a href="a">A</a><a href="b">B</a></nav>`,
      `<style>a { display: block; height: 12px; padding: 6px 0 }</style><nav><a href="a">A</a><a href="b">B</a></nav>`,
      `<style>button { width: 12px; height: 12px }</style><p><button>x</button> and then <button>y</button></p>`
    ],
    broken: [
      `<style>a { display: block; height: 12px }</style><nav><a href="a">A</a><a href="b">B</a></nav>`,
      `<style>div { display: flex; gap: 2px } button { width: 16px; height: 16px; padding: 0; border: 0 }</style><div><button>a</button><button>b</button></div>`
    ]
  }
};

// src/core/checks/touch/target-size-enhanced.ts
var NEEDED5 = 44;
function judge80(element, scene) {
  const target = fixedTargets(scene).get(element);
  if (target === void 0) return passed;
  const { width, height } = target;
  const short = [
    ...height !== null && height < NEEDED5 ? [`${Math.round(height)} pixels high`] : [],
    ...width !== null && width < NEEDED5 ? [`${Math.round(width)} pixels wide`] : []
  ];
  return short.length === 0 ? passed : failed(
    `This target is ${short.join(" and ")}, of ${NEEDED5} asked for.`,
    ask(`Make it ${NEEDED5} pixels high and wide; padding counts.`),
    { facts: { width, height } }
  );
}
var targetSizeEnhanced = {
  id: "touch.target-size-enhanced",
  criteria: ["2.5.5"],
  severity: "friction",
  means: "What is pressed is 44 by 44 CSS pixels.",
  who: "Someone who presses with a knuckle, a stick or a trembling finger misses it.",
  mend: "Make it larger with padding.",
  looksAt: (scene) => fixedTargets(scene).keys(),
  judge: judge80,
  examples: {
    kept: [`<style>button { height: 48px; width: 48px }</style><button>x</button>`, `<button>Book</button>`],
    broken: [`<style>button { height: 30px }</style><button>Book</button>`]
  }
};

// src/core/checks/zoom/any-orientation.ts
function* turnedElements(scene) {
  if (scene.turned() === null) {
    yield* scene.page.index.byTag("body").slice(0, 1);
    return;
  }
  const locked = scene.page.index.elements.filter(
    (element) => quarterTurn(scene, element) !== null || vanishes(scene, element)
  );
  yield* locked.length > 0 ? locked : scene.page.index.byTag("body").slice(0, 1);
}
function quarterTurn(scene, element) {
  const turned2 = scene.turned();
  if (turned2 === null) return null;
  const [here, there] = [scene.page, turned2.page].map(({ styles }) => {
    const transform = degreesOf(styles.keyword(element, "transform") ?? "");
    return transform === 0 ? degreesOf(`rotate(${styles.keyword(element, "rotate") ?? ""})`) : transform;
  });
  if (here === void 0 || there === void 0) return null;
  const quarter = (degrees) => Math.abs(Math.abs(degrees) % 180) === 90;
  return quarter(here) !== quarter(there) && (here === 0 || there === 0) ? here + there : null;
}
function turningDeclarations(scene, element) {
  const pages = [scene.page, ...[scene.turned()?.page ?? []].flat()];
  return pages.flatMap(
    ({ styles }) => ["transform", "rotate"].flatMap((property) => {
      const value = styles.value(element, property);
      const isTurn = value?.own === true && value.block?.origin === "author" && !/^none$/i.test(value.text ?? "none");
      return isTurn && value?.declared != null ? [value.declared.source] : [];
    })
  );
}
function degreesOf(transform) {
  const match = /rotatez?\(\s*([+-]?[\d.]+)(deg|turn|grad|rad)?\s*\)/i.exec(transform);
  if (match === null) return 0;
  const value = Number(match[1]);
  const unit = match[2]?.toLowerCase() ?? "deg";
  return Math.round(
    value * (unit === "turn" ? 360 : unit === "grad" ? 0.9 : unit === "rad" ? 180 / Math.PI : 1)
  );
}
function vanishes(scene, element) {
  const turned2 = scene.turned();
  if (turned2 === null || element.tag !== "main" && element.tag !== "body") return false;
  const [here, there] = [scene.presence.of(element), turned2.presence.of(element)];
  return here.rendered === NO !== (there.rendered === NO);
}
function judge81(element, scene) {
  const degrees = quarterTurn(scene, element);
  if (degrees !== null) {
    if (textContent(element) === "" && !/^(?:img|svg|video|canvas|iframe)$/.test(element.tag))
      return inapplicable;
    const isWhole = /^(?:html|body|main)$/.test(element.tag) || textContent(element).length > 20;
    const summary = "Take the rotation away, and lay the content out for both positions of the window.";
    const turning = turningDeclarations(scene, element);
    const repair = turning.length === 0 ? ask(summary) : withChanges("likely", summary, turning.map(removeDeclaration));
    const details = { facts: { degrees } };
    return isWhole ? failed(
      `Styles turn this by ${Math.abs(degrees)}\xB0 when the window is turned: it can be read in one position only.`,
      repair,
      details
    ) : cantTell(
      `Styles turn this by ${Math.abs(degrees)}\xB0 when the window is turned. Can it be read in both positions?`,
      repair,
      details
    );
  }
  return vanishes(scene, element) ? failed(
    "Styles hide the content of this page in one of the two positions of the window.",
    ask("Show the content in both, and lay it out for each.")
  ) : passed;
}
var anyOrientation = {
  id: "zoom.any-orientation",
  criteria: ["1.3.4"],
  severity: "barrier",
  means: "The page can be used with the window upright and lying.",
  who: "Someone whose tablet is fixed to a wheelchair cannot turn it.",
  mend: "Lay the content out for both; do not turn or hide it.",
  looksAt: turnedElements,
  judge: judge81,
  examples: {
    kept: [
      `<style>@media (orientation: portrait) { main { padding: 1em } }</style><main>High water at six.</main>`,
      `<style>.a { transform: rotate(90deg) }</style><p class="a">High water at six in the morning.</p>`
    ],
    broken: [
      `<style>@media (orientation: portrait) { main { transform: rotate(90deg) } }</style><main>High water at six.</main>`,
      `<style>@media (orientation: landscape) { main { rotate: -90deg } }</style><main>High water at six.</main>`,
      `<style>@media (orientation: portrait) { main { display: none } }</style><main>High water at six.</main>`
    ],
    asked: [
      `<style>@media (orientation: portrait) { i { transform: rotate(90deg) } }</style><p><i>More</i></p>`
    ]
  }
};

// src/core/checks/zoom/not-blocked.ts
function properties2(content) {
  return content.split(/[,;]/).map((part) => part.trim()).filter((part) => part !== "").map((written) => {
    const [name = "", value = ""] = written.split("=");
    return { name: name.trim().toLowerCase(), value: value.trim().toLowerCase(), written };
  });
}
var NEEDED_ZOOM = 2;
function blocks({ name, value }) {
  if (name === "user-scalable")
    return value === "no" || value !== "" && Math.abs(Number.parseFloat(value)) < 1 || value !== "yes" && value !== "device-width" && value !== "device-height" && Number.isNaN(Number.parseFloat(value)) && value !== "";
  if (name !== "maximum-scale" || value === "yes") return false;
  const scale = value === "no" ? 0 : Number.parseFloat(value);
  return scale >= 0 && scale < NEEDED_ZOOM;
}
function judge82(meta) {
  const content = attributeText(meta, "content");
  if (content === null) return passed;
  const all = properties2(content);
  const blocking = all.filter(blocks);
  if (blocking.length === 0) return passed;
  const rest = all.filter((property) => !blocking.includes(property)).map((property) => property.written).join(", ");
  return failed(
    `The page keeps people from zooming in: ${blocking.map((p) => p.written).join(", ")}.`,
    withChanges("safe", `Leave it out: content="${rest}".`, [setAttribute(meta, "content", rest)]),
    {
      facts: { content },
      ...at(meta, "content")
    }
  );
}
var zoomNotBlocked = {
  id: "zoom.not-blocked",
  criteria: ["1.4.4"],
  severity: "barrier",
  means: "The page lets people zoom to at least 200%.",
  who: "Someone with low vision cannot enlarge the text on a phone or tablet.",
  mend: "Leave user-scalable and maximum-scale out of the viewport meta element.",
  looksAt: (scene) => scene.page.index.byTag("meta").filter((meta) => attributeToken(meta, "name") === "viewport"),
  judge: judge82,
  examples: {
    kept: [
      `<meta name="viewport" content="width=device-width, initial-scale=1">`,
      `<meta name="viewport" content="width=device-width, maximum-scale=5, user-scalable=yes">`
    ],
    broken: [
      `<meta name="viewport" content="width=device-width, user-scalable=no">`,
      `<meta name="viewport" content="width=device-width; maximum-scale=1.0">`,
      `<meta name="viewport" content="user-scalable=0">`
    ]
  }
};

// src/core/checks/zoom/spacing.ts
var spacings = [
  { property: "letter-spacing", needed: 0.12 },
  { property: "word-spacing", needed: 0.16 }
];
var pinned = (scene) => scene.page.index.elements.filter(
  (element) => /(?:letter|word)-spacing[^;]*!\s*important/i.test(attributeText(element, "style") ?? "") && textContent(element) !== "" && scene.presence.of(element).visible !== NO && whyUnseen(scene.page, element) === null
);
function judge83(element, scene) {
  const { styles } = scene.page;
  const size = styles.fontSize({ element });
  for (const { property, needed } of spacings) {
    if (!new RegExp(`(?:^|;)\\s*${property}\\s*:[^;]*!\\s*important`, "i").test(
      attributeText(element, "style") ?? ""
    ))
      continue;
    const pixels = styles.pixels({ element }, property) ?? (styles.keyword(element, property) === "normal" ? 0 : null);
    if (pixels === null || size === null || pixels >= size * needed) continue;
    return failed(
      `${property} is pinned with !important in the style attribute: nobody can widen it.`,
      withChanges("likely", `Leave !important out, or set ${property} in a stylesheet.`, [
        setAttribute(
          element,
          "style",
          (attributeText(element, "style") ?? "").replace(
            new RegExp(`((?:^|;)\\s*${property}\\s*:[^;!]*?)\\s*!\\s*important`, "i"),
            "$1"
          )
        )
      ]),
      { facts: { property } }
    );
  }
  return passed;
}
var spacing = {
  id: "zoom.spacing",
  criteria: ["1.4.12"],
  severity: "barrier",
  means: "Nothing keeps people from widening the space between letters and words.",
  who: "Someone with dyslexia or low vision, who needs the letters apart, cannot set them so.",
  mend: "Leave !important out of style attributes.",
  looksAt: pinned,
  judge: judge83,
  examples: {
    kept: [
      `<p style="letter-spacing: 0">x</p>`,
      `<p style="letter-spacing: .2em !important">x</p>`,
      `<p hidden style="letter-spacing: 0 !important">x</p>`
    ],
    broken: [
      `<p style="letter-spacing: 0 !important">Slip 4</p>`,
      `<p style="color: #333; word-spacing: 1px !important">Slip 4</p>`
    ]
  }
};

// src/core/checks/catalogue.ts
var catalogue = [
  imageDescribed,
  noFileName,
  saysItOnce,
  notHeardTwice,
  controlLabelled,
  labelConnected,
  labelStaysVisible,
  actionNamed,
  areaNamed,
  groupNamed,
  referencesFound,
  visibleWordsInName,
  takesAName,
  linkPurpose,
  linksToldApart,
  landmarksToldApart,
  fromTooltipOnly,
  rolesExist,
  fitsElement,
  notRepeated,
  nativeFirst,
  statesRequired,
  statesSupported,
  stateValues,
  stateAgrees,
  parentPresent,
  childrenPresent,
  noNestedActions,
  hiddenHoldsNoFocus,
  flattenedHoldsNoFocus,
  documentNotHidden,
  promiseKept,
  contrastText,
  contrastTextActedOn,
  contrastTextEnhanced,
  contrastPlaceholder,
  contrastControlEdge,
  contrastFocusMark,
  linksStandOut,
  colourNotAlone,
  reachable,
  activates,
  noTrap,
  orderMakesSense,
  focusShows,
  wayPastRepeats,
  skipArrives,
  noSurpriseOnFocus,
  noSurpriseOnInput,
  patternKept,
  oneStopPerWidget,
  activeItemTold,
  dialogTakesFocus,
  autofocusSensible,
  hoverHasEqual,
  accessKeys,
  scrolls,
  dragHasEqual,
  title,
  language,
  languageOfParts,
  headingsExist,
  headingsStep,
  headingsSay,
  headingsMarked,
  oneMain,
  inLandmarks,
  landmarkPlace,
  lists,
  tableHeaders,
  layoutTablesPlain,
  idsUnique,
  readingOrderKept,
  zoomNotBlocked,
  spacing,
  anyOrientation,
  targetSize,
  targetSizeEnhanced,
  canStop,
  noFlash,
  noRefresh,
  captions,
  noAutoplay,
  purposeTold,
  requiredTold,
  errorConnected,
  optionsGrouped
];

// src/core/checks/check.ts
var usualSettings = { words: [], severity: null };
var familyOf = (id) => id.slice(0, id.indexOf("."));

// src/core/checks/run.ts
var addTallies = (a, b) => a === void 0 ? b : { passed: a.passed + b.passed, failed: a.failed + b.failed, cantTell: a.cantTell + b.cantTell };
var everyOutcome = ["failed", "cantTell", "passed"];
function checkResult(id, counts) {
  const targets = counts.passed + counts.failed + counts.cantTell;
  const outcome = counts.failed > 0 ? "failed" : counts.cantTell > 0 ? "cantTell" : targets > 0 ? "passed" : "inapplicable";
  return { id, outcome, targets, ...counts };
}
var one = {
  passed: { passed: 1, failed: 0, cantTell: 0 },
  failed: { passed: 0, failed: 1, cantTell: 0 },
  cantTell: { passed: 0, failed: 0, cantTell: 1 }
};
function runChecks(scene, checks, outcomes = everyOutcome, settingsOf = () => usualSettings, isAllowed = () => false) {
  const findings = [];
  const results = [];
  const criteria = /* @__PURE__ */ new Map();
  let allowed = 0;
  for (const check of checks) {
    const counts = { passed: 0, failed: 0, cantTell: 0 };
    const settings = settingsOf(check);
    if (check.pageOnly !== true || scene.document.kind === "document") {
      for (const element of check.looksAt(scene)) {
        const verdict = check.judge(element, scene, settings);
        if (verdict.outcome === "inapplicable") continue;
        const judged = verdict.outcome === "passed" ? null : verdict;
        const finding = {
          check: check.id,
          outcome: verdict.outcome,
          severity: settings.severity ?? check.severity,
          criteria: judged?.criteria ?? check.criteria,
          element,
          source: judged?.source ?? element.source,
          message: judged?.message ?? "",
          repair: judged?.repair ?? null,
          facts: verdict.facts ?? {},
          cause: judged?.cause ?? null,
          origins: judged?.origins ?? []
        };
        if (judged !== null && isAllowed(finding)) {
          allowed++;
          continue;
        }
        counts[verdict.outcome]++;
        for (const number2 of finding.criteria)
          criteria.set(number2, addTallies(criteria.get(number2), one[verdict.outcome]));
        if (outcomes.includes(verdict.outcome)) findings.push(finding);
      }
    }
    results.push(checkResult(check.id, counts));
  }
  return { findings, checks: results, criteria, allowed };
}

// src/core/checks/surroundings.ts
var askAround = /* @__PURE__ */ new Set([
  "roles.parent-present",
  "structure.lists",
  "names.control-labelled",
  "names.label-connected",
  "names.references-found",
  "keys.skip-arrives",
  "structure.in-landmarks",
  "structure.headings-step",
  "structure.headings-exist",
  "structure.landmark-place"
]);
var askPage = /* @__PURE__ */ new Set([
  "structure.in-landmarks",
  "structure.headings-step",
  "structure.headings-exist",
  "structure.landmark-place",
  "structure.title",
  "keys.skip-arrives"
]);
function restsOnOuterColours({ check, facts, origins }) {
  const family = familyOf(check);
  if (family !== "contrast" && family !== "colour") return false;
  const given = new Set(origins.map((origin) => origin.of));
  return "background" in facts && !(given.has("background") && given.has("foreground"));
}
function isLeftToSpecimen(scene, finding, isAtTop) {
  const { check, element } = finding;
  if (restsOnOuterColours(finding) || askPage.has(check)) return true;
  if (!askAround.has(check)) return false;
  return check === "roles.parent-present" ? !hasContainer(scene, element) : isAtTop;
}
var noContainers = /* @__PURE__ */ new Set([null, "generic", "none", "rowgroup", "group", "row"]);
var hasContainer = (scene, element) => firstOf(
  elementsAbove(scene.page.index, element),
  (up) => up.tag !== "body" && up.tag !== "html" && !noContainers.has(scene.role(up).role)
) !== null;

// src/core/findings/exceptions.ts
var addressed = /^\s*keel\s*:\s*/i;
var form = /^allow\s+([\w.,\s-]+?)(?:\s+because\s+(\S[\s\S]*))?$/i;
function readComment(text, source, covers) {
  if (!addressed.test(text)) return null;
  const match = form.exec(text.replace(addressed, "").trim());
  return {
    source,
    checks: (match?.[1] ?? "").split(/[\s,]+/).filter((id) => id !== ""),
    reason: match?.[2]?.trim() ?? null,
    covers
  };
}
function markupExceptions(document) {
  const found = [];
  const stack = [document.children];
  for (let nodes = stack.pop(); nodes !== void 0; nodes = stack.pop()) {
    for (const [at2, node] of nodes.entries()) {
      if (node.kind === "element") {
        if (node.children.length > 0) stack.push(node.children);
        if (node.shadow !== null) stack.push(node.shadow.children);
      }
      if (node.kind !== "comment" || node.source === null) continue;
      const exception = readComment(node.value, node.source, firstWritten(nodes.slice(at2 + 1)));
      if (exception !== null) found.push(exception);
    }
  }
  return found;
}
function firstWritten(nodes) {
  for (const node of nodes) {
    if (node.kind !== "element") continue;
    const found = node.source === null ? firstWritten(node.children) : node;
    if (found !== null) return found;
  }
  return null;
}
var sheetExceptions = (remarks) => remarks.flatMap(({ text, source, covers }) => {
  const isEmpty = covers.start >= covers.end;
  const exception = readComment(text, source, isEmpty ? null : covers);
  return exception === null ? [] : [exception];
});
function allows({ checks, reason, covers }, finding) {
  if (reason === null || covers === null || !checks.includes(finding.check)) return false;
  if ("kind" in covers) return covers === finding.element;
  const places = [finding.source, ...finding.origins.map(({ source }) => source)];
  return places.some(
    (place) => place !== null && place.file === covers.file && place.start >= covers.start && place.start < covers.end
  );
}

// src/render/state-audit.ts
var MOST_STATES = 24;
var StateAudit = class {
  findings = [];
  #plan;
  #seen = /* @__PURE__ */ new Set();
  #told = /* @__PURE__ */ new Set();
  #results = null;
  constructor(plan) {
    this.#plan = plan;
  }
  /** @param keys how the window came to its state, and what came of it; null for the window as it was opened */
  look(page, keys) {
    if (this.#seen.size >= MOST_STATES) return;
    const state = [...stateOf(page)].map(
      ([at2, { visible: visible2, attributes: attributes2, text }]) => visible2 ? `${at2} ${[...attributes2].join(" ")} ${text}` : ""
    );
    const signature = state.join("\n");
    if (this.#seen.has(signature)) return;
    this.#seen.add(signature);
    const { settings, ...colours2 } = this.#plan;
    const scene = page.sceneWith(colours2);
    const checks = catalogue.filter(({ id }) => settings.has(id));
    const exceptions = [
      ...markupExceptions(scene.document),
      ...page.sheets.flatMap(({ sheet }) => sheetExceptions(sheet.remarks))
    ];
    const run = runChecks(
      scene,
      checks,
      ["failed", "cantTell"],
      ({ id }) => settings.get(id) ?? { words: [], severity: null },
      (finding) => exceptions.some((exception) => allows(exception, finding))
    );
    const shown = new Set(page.shown());
    const isFirst = this.#results === null;
    for (const finding of run.findings) {
      if (!shown.has(finding.element)) continue;
      const isAtTop = page.isAtTop(finding.element);
      if (scene.document.kind === "component" && isLeftToSpecimen(scene, finding, isAtTop)) continue;
      this.#tell(page, finding, keys);
    }
    if (isFirst)
      this.#results = {
        elements: shown.size,
        checks: run.checks.map((result) => counted(result, this.findings)),
        criteria: run.criteria,
        allowed: run.allowed
      };
  }
  #tell(page, finding, keys) {
    const element = toldNode(page, finding.element);
    const source = finding.source ?? element.nearest;
    const { check, outcome, message, repair, facts, origins, criteria } = finding;
    const place = source === null ? element.path : `${source.file} ${source.start}`;
    const key2 = `${check} ${outcome} ${place} ${element.span === null ? element.tag : ""}`;
    if (this.#told.has(key2)) return;
    this.#told.add(key2);
    const mend = repair?.summary ?? null;
    this.findings.push({
      check,
      outcome,
      element,
      source,
      message,
      mend,
      keys,
      facts,
      origins,
      criteria
    });
  }
  get results() {
    return this.#results;
  }
};
function counted({ id, targets, failed: failed2, cantTell: cantTell2 }, told2) {
  const of = (outcome) => told2.filter((one2) => one2.check === id && one2.outcome === outcome).length;
  return checkResult(id, {
    failed: of("failed"),
    cantTell: of("cantTell"),
    passed: Math.max(0, targets - failed2 - cantTell2)
  });
}

// src/render/traps.ts
async function tryTrap(notes, moves, key2) {
  notes.try("keys.no-trap");
  const ring = await notes.trials.after(moves, async (page) => {
    const most = page.stops().length + 4;
    const seen = [];
    for (let n = 0; n < most; n++) {
      await page.press("Tab");
      const now = page.focused();
      if (now === null) return null;
      const at2 = seen.indexOf(now);
      if (at2 >= 0) return ringOf(page, seen.slice(at2));
      seen.push(now);
    }
    return null;
  });
  if (ring === null || ring.missed === 0 || ring.isModal || ring.isText) return;
  const enter2 = [...moves, focus(ring.stops[0] ?? "")];
  const tries = [[press2("Escape")], ...ring.stops.map((at2) => [focus(at2), press2("Enter")])];
  for (const way of tries) {
    const isOut = await notes.trials.after([...enter2, ...way], async (page) => {
      for (let n = 0; n < ring.stops.length + 2; n++) {
        const now = page.focused();
        if (now === null || !ring.stops.includes(keyOf(page, now))) return true;
        await page.press(n % 2 === 0 ? "Tab" : "Shift+Tab");
      }
      return false;
    });
    if (isOut) return;
  }
  notes.fail(
    "keys.no-trap",
    ring.element,
    `Tab goes round in here (${ring.stops.length} stops) and passes ${ring.missed} others by; Escape and Enter lead out of it in no place.`,
    "Let Tab go on to what follows, and Escape close it.",
    keysText(
      [...key2 === "" ? [] : [key2], ...Array(ring.stops.length + 1).fill("Tab"), "Escape"],
      "still inside"
    )
  );
}
function ringOf(page, ring) {
  const missed = page.stops().filter((stop) => !ring.includes(stop)).length;
  let box = ring[0];
  while (box?.parentElement != null && !ring.every((stop) => box.contains(stop))) box = box.parentElement;
  const isModal = box?.closest("dialog[open], [aria-modal=true]") != null;
  const isPage = /^(?:html|body|main)$/.test(box?.localName ?? "");
  return {
    stops: ring.map((stop) => keyOf(page, stop)),
    missed,
    isModal,
    isText: ring.length === 1 && (/^(?:textarea|input)$/.test(box?.localName) || box?.isContentEditable === true),
    element: told(page, isPage ? ring[0] : box)
  };
}

// src/render/explore.ts
var MOST_STOPS = 30;
var MOST_POINTED = 30;
var MOST_ITEMS = 8;
var takesSpace = /* @__PURE__ */ new Set(["checkbox", "switch", "radio", "menuitemcheckbox", "menuitemradio"]);
var letters = [..."abcdefghijklmnopqrstuvwxyz/?"];
async function explore(source, patience, plan, opened = null) {
  const exploration = new Exploration(source, patience, plan, opened);
  const isCutShort = await exploration.run();
  return {
    states: exploration.states,
    steps: exploration.steps,
    script: null,
    findings: exploration.findings,
    tried: exploration.tried,
    problems: [...exploration.trials.problems],
    isCutShort
  };
}
var Exploration = class {
  trials;
  steps = [];
  #notes;
  /** What aria-expanded says on each stop before anything is pressed. */
  #expanded = /* @__PURE__ */ new Map();
  /** What keys do, on every stop. */
  #effects = [];
  #audit;
  constructor(source, patience, plan, opened) {
    this.#audit = plan === null ? null : new StateAudit(plan);
    const lookAgain = (page, moves) => this.#audit?.look(page, this.#notes.keysOf(moves, page));
    this.trials = new Trials(source, patience, lookAgain, opened);
    this.#notes = new Notes(this.trials);
  }
  /** What pressing shows, and what the checks of source find in the states it came to. */
  get findings() {
    const pressed = new Set(this.#notes.findings.map((one2) => `${one2.check} ${one2.element.path}`));
    const states2 = this.#audit?.findings.filter((one2) => !pressed.has(`${one2.check} ${one2.element.path}`));
    return [...this.#notes.findings, ...states2 ?? []];
  }
  get states() {
    return this.#audit?.results ?? null;
  }
  get tried() {
    return this.#notes.tried;
  }
  async run() {
    try {
      const isAlive2 = await this.trials.peek((page) => {
        this.#audit?.look(page, null);
        return page.isAlive;
      });
      await this.trials.lookIdle();
      await this.#walk();
      if (!isAlive2) return false;
      await this.#noteExpanded();
      await tryTrap(this.#notes, [], "");
      await tryComposites(this.#notes, []);
      for (const stop of this.#notes.stops.slice(0, MOST_STOPS)) await this.#tryStop(stop);
      for (const stop of this.#notes.stops.slice(0, MOST_STOPS)) await this.#tryArrows(stop);
      await this.#pointed();
      return false;
    } catch (error) {
      if (error instanceof OutOfTime) return true;
      throw error;
    } finally {
      this.trials.close();
    }
  }
  /** Tab, once around, and what happens on the way. */
  async #walk() {
    await this.trials.after([], async (page) => {
      const stops = [];
      const most = page.stops().length * 2 + 10;
      for (let n = 0; n < most; n++) {
        const before3 = stateOf(page);
        const from = told(page, page.focused());
        const leftBefore = page.left.length;
        await page.press("Tab");
        const now = page.focused();
        const to = told(page, now);
        this.steps.push({
          key: "Tab",
          from,
          to,
          changes: this.trials.changes(before3, stateOf(page)).map(changeText)
        });
        this.#notes.try("keys.no-surprise-on-focus");
        if (page.left.length > leftBefore && !this.trials.leavesByItself)
          this.#notes.fail(
            "keys.no-surprise-on-focus",
            to,
            `Coming here with Tab alone ${page.left[leftBefore]}, before anything is pressed.`,
            "Do it when the element is activated, not when it is reached.",
            keysText([...Array(n + 1).fill("Tab")], page.left[leftBefore] ?? "")
          );
        if (now === null || to === null) break;
        const at2 = keyOf(page, now);
        if (stops.some((stop) => stop.at === at2)) break;
        stops.push({ at: at2, element: to, role: to.role ?? null, tag: to.tag });
      }
      this.#notes.stops = stops;
    });
  }
  /** Keys and a pointer on one stop, and what opens by them. */
  async #tryStop(stop) {
    const { at: at2, role, tag } = stop;
    const isText = /^(?:textbox|searchbox|combobox|spinbutton)$/.test(role ?? "") && tag !== "button";
    const tried = isText ? ["ArrowDown"] : ["Enter", "Space"];
    const byKey = /* @__PURE__ */ new Map();
    for (const key2 of tried) byKey.set(key2, await this.#effect([focus(at2), press2(key2)]));
    const byPointer = await this.trials.effect([focus(at2), point(at2)]);
    if (!isText) this.#notes.try("keys.activates");
    const acts = [...byKey.values()].some((effect) => didSomething(effect) || effect.asks);
    const isPressed = didSomething(byPointer) && !byPointer.asks && !acts && !hasOwnKeys(stop);
    if (isText) await tryField(this.#notes, stop, byKey.get("ArrowDown") ?? null);
    else if (isPressed && !await this.#notes.movesAnything([focus(at2)], arrows))
      this.#notes.fail(
        "keys.activates",
        stop.element,
        "A pointer does something here, and neither Enter nor Space does.",
        'Make it a <button type="button">, or do the same on Enter and Space.',
        this.#notes.keysAt(stop, ["Enter", "Space"], "nothing")
      );
    else if (role !== null && takesSpace.has(role) && tag !== "input" && byPointer.changes.some(isOwnState(at2)) && byKey.get("Space")?.asks === false && byKey.get("Space")?.changes.length === 0)
      this.#notes.fail(
        "keys.activates",
        stop.element,
        `A click changes this ${role}, and the space bar, its own key, does not.`,
        "Change it on Space too, or use the native control.",
        this.#notes.keysAt(stop, ["Space"], "nothing")
      );
    for (const [key2, effect] of byKey) {
      if (effect.asks) continue;
      this.#lost(stop, key2, effect);
      if (didSomething(effect)) this.#follows(stop, key2, effect);
    }
    const opening2 = [...byKey.entries()].find(
      ([, effect]) => effect.changes.some(({ what }) => what === "shown")
    );
    if (opening2 !== void 0) await this.#opened(stop, opening2[0], opening2[1]);
  }
  /** What arrow keys lead to from a stop, and what Enter and Space do there. */
  async #tryArrows(stop) {
    if (/^(?:textbox|searchbox|spinbutton)$/.test(stop.role ?? "")) return;
    const mayMove = await this.trials.peek((page) => {
      const element = page.elementWith(stop.at);
      return element !== null && (stop.tag === "input" || page.answersKeys(element));
    });
    if (!mayMove) return;
    for (const key2 of ["ArrowRight", "ArrowDown"]) {
      const moves = [focus(stop.at)];
      let at2 = stop.at;
      for (let n = 0; n < MOST_ITEMS; n++) {
        moves.push(press2(key2));
        const effect = await this.#effect([...moves]);
        if (effect.to === null || effect.to === at2 || effect.to === stop.at) break;
        at2 = effect.to;
        for (const last of ["Enter", "Space"]) await this.#effect([...moves, press2(last)]);
      }
    }
  }
  async #effect(moves) {
    const effect = await this.trials.effect(moves);
    this.#effects.push(effect);
    return effect;
  }
  #lost(stop, key2, effect) {
    if (didSomething(effect)) this.#notes.try("keys.focus-not-lost");
    if (!effect.isGone || effect.left.length > 0) return;
    this.#notes.fail(
      "keys.focus-not-lost",
      stop.element,
      `${key2} here takes away what has focus, and focus falls to the page.`,
      "Move focus to what comes next, or to the list it was in.",
      this.#notes.keysAt(stop, [key2], "focus on nothing")
    );
  }
  /** A state that is told must change with what it is about. */
  #follows(stop, key2, effect) {
    if (this.#expanded.get(stop.at) != null) this.#notes.try("roles.state-follows");
    const own = effect.changes.filter((change) => change.at === stop.at);
    const toggles = effect.changes.some(
      ({ what, at: at2 }) => (what === "shown" || what === "hidden") && at2 !== stop.at
    );
    if (!toggles || own.some(({ detail }) => detail.startsWith("aria-expanded")) || effect.isGone) return;
    const isTold3 = this.#expanded.get(stop.at) ?? null;
    if (isTold3 === null) return;
    this.#notes.fail(
      "roles.state-follows",
      stop.element,
      `What this opens and closes changes, and aria-expanded stays "${isTold3}".`,
      "Set aria-expanded whenever the part is opened or closed.",
      this.#notes.keysAt(stop, [key2], `aria-expanded="${isTold3}"`)
    );
  }
  /** What opens a dialog, a list or a menu. */
  async #opened(stop, key2, effect) {
    const moves = effect.moves;
    const shown = new Set(effect.changes.filter(({ what }) => what === "shown").map((change) => change.at));
    const dialogs2 = await this.trials.after(
      moves,
      (page) => page.scene.page.index.elements.flatMap((node) => {
        const role = page.scene.role(node).role;
        const element = page.elementOf(node);
        const isDialog2 = (role === "dialog" || role === "alertdialog") && shown.has(keyOf(page, element));
        if (!isDialog2) return [];
        const isModal = node.attributes.get("aria-modal")?.value === "true" || page.isModal(element);
        return [{ at: keyOf(page, element), isModal, element: toldNode(page, node) }];
      })
    );
    for (const dialog of dialogs2) if (dialog.isModal) await tryDialog(this.#notes, stop, key2, moves, dialog);
    if (dialogs2.length === 0) await tryTrap(this.#notes, moves, key2);
    await tryComposites(this.#notes, moves);
  }
  /** What a pointer does where no key does the same, anywhere. */
  async #pointed() {
    const stops = new Set(this.#notes.stops.map(({ at: at2 }) => at2));
    const candidates2 = await this.trials.peek(
      (page) => page.scene.page.index.elements.flatMap((node) => {
        const element = page.elementOf(node);
        if (element === null || /^(?:html|body|label|option|input|select|textarea)$/.test(node.tag))
          return [];
        const at2 = keyOf(page, element);
        if (stops.has(at2) || !page.isVisible(element) || page.scene.presence.of(node).inert) return [];
        const own = pointerEvents.some((type2) => page.listens(element).has(type2));
        const parent = element.parentElement;
        const isRow = /^(?:li|tr|td|div|span|p|article|img)$/.test(node.tag);
        const around = isRow && parent !== null && [parent, parent.parentElement].some(
          (up) => up !== null && !/^(?:html|body)$/.test(up.localName) && pointerEvents.some((type2) => page.listens(up).has(type2))
        );
        return own || around ? [
          {
            at: at2,
            element: toldNode(page, node),
            isOwn: own,
            holds: page.stops().some((stop) => element.contains(stop))
          }
        ] : [];
      })
    );
    if (this.#notes.stops.length > MOST_STOPS || this.#effects.some(({ asks }) => asks)) return;
    if (await this.#notes.movesAnything([], letters)) return;
    const reported = [];
    for (const { at: at2, element, isOwn, holds: holds2 } of candidates2.slice(0, MOST_POINTED)) {
      const effect = await this.trials.effect([point(at2)]);
      if (!didSomething(effect) || effect.asks) continue;
      this.#notes.try("keys.reachable");
      if (this.#effects.some((known) => includesAll(known.total, effect.total) && includesLeft(known, effect)))
        continue;
      if (reported.some((known) => includesAll(known.total, effect.total) && includesLeft(known, effect)))
        continue;
      if (holds2 && !isOwn) continue;
      reported.push(effect);
      this.#notes.fail(
        "keys.reachable",
        element,
        `A pointer does something on this <${element.tag}>, and no key anywhere does the same.`,
        'Make it a <button type="button">: it takes focus and answers Enter and Space by itself.',
        `click \u2192 ${effect.changes.slice(0, 2).map(changeText).join(", ") || effect.left.join(", ")}`
      );
    }
  }
  /** Notes what each stop says of itself before anything is pressed. */
  async #noteExpanded() {
    await this.trials.peek((page) => {
      for (const { at: at2 } of this.#notes.stops)
        this.#expanded.set(at2, page.elementWith(at2)?.getAttribute("aria-expanded") ?? null);
    });
  }
};
var hasOwnKeys = ({ tag, role }) => /^(?:select|textarea|video|audio|iframe)$/.test(tag) || tag === "input" && !/^(?:button|checkbox|radio|switch)$/.test(role ?? "");
var includesLeft = (known, effect) => effect.left.every((what) => known.left.includes(what));
var isOwnState = (at2) => (change) => change.at === at2 && change.what === "attribute" && /^aria-(?:checked|pressed|selected)/.test(change.detail);

// bench/prof.tmp.ts
var cwd = process.argv[2];
var file = cwd + "/" + process.argv[3];
var t = performance.now();
var lap = (n) => {
  console.log(n, Math.round(performance.now() - t));
  t = performance.now();
};
var { bundle, broken } = await bundleSpecimens({ kind: "bundle", root: cwd, workingDirectory: cwd, files: [file], edited: /* @__PURE__ */ new Map() });
lap("bundle");
if (!bundle) {
  console.log(broken);
  process.exit();
}
var m = new MountedSpecimens();
var f = { path: file, name: process.argv[3] };
var { specimens, failure } = await m.list({ kind: "list", bundle, file: f });
lap("list");
console.log(failure);
var opens = 0;
var openMs = 0;
var open = LivePage.open;
LivePage.open = async (s) => {
  const a = performance.now();
  const p = await open.call(LivePage, s);
  openMs += performance.now() - a;
  opens++;
  return p;
};
for (let r = 0; r < 2; r++)
  for (const [index, s] of specimens.entries()) {
    opens = 0;
    openMs = 0;
    const res = await m.mount({ kind: "specimen", bundle, file: f, specimen: { name: s.name, index }, device: desktop, script: null, patience: 2e4, plan: null }, (page, opened) => explore(page, 2e4, null, opened));
    lap(`mount ${s.name}: opens ${opens} in ${Math.round(openMs)} \xB7 ${res.failure ?? res.findings.length}`);
  }
process.exit();
