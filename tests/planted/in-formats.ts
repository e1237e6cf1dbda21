/** A page in its parts: what the body holds without its scripts, what those declare, and its styles. */
const partsOf = (html: string) => {
  const inside = /<body[^>]*>([\s\S]*)<\/body>/.exec(html)?.[1] ?? "";
  return {
    markup: inside.replace(/<script>[\s\S]*?<\/script>/g, ""),
    script: /<script>([\s\S]*?)<\/script>/.exec(inside)?.[1] ?? "",
    css: /<style>([\s\S]*?)<\/style>/.exec(html)?.[1] ?? "",
  };
};

const startTag = /<([a-z][\w-]*)((?:\s+[^\s=>/"']+(?:="[^"]*")?)*)\s*(\/?)>/g;
const attribute = /\s+([^\s=>/"']+)(?:="([^"]*)")?/g;
const voids = /^(?:img|input|br|hr|area|track|source|col|embed|wbr)$/;

type InFormat = (name: string, value: string | undefined) => string;

const rewritten = (markup: string, inFormat: InFormat, closesVoids = false): string =>
  markup.replace(startTag, (_, tag: string, attributes: string, slash: string) => {
    const all = attributes.replace(
      attribute,
      (__, name: string, value?: string) => ` ${inFormat(name, value)}`,
    );
    return `<${tag}${all}${slash !== "" || (closesVoids && voids.test(tag)) ? " />" : ">"}`;
  });

const asWritten: InFormat = (name, value) => (value === undefined ? name : `${name}="${value}"`);

/** Handlers as a format has them, and everything else as it was. */
const withHandlers =
  (handler: (event: string, code: string) => string): InFormat =>
  (name, value) => {
    const event = /^on([a-z]+)$/.exec(name)?.[1];
    return event === undefined ? asWritten(name, value) : handler(event, value ?? "");
  };

const inReact: Readonly<Record<string, string>> = {
  class: "className",
  for: "htmlFor",
  tabindex: "tabIndex",
  autocomplete: "autoComplete",
  accesskey: "accessKey",
  srclang: "srcLang",
  usemap: "useMap",
  autofocus: "autoFocus",
  contenteditable: "contentEditable",
  onclick: "onClick",
  onkeydown: "onKeyDown",
  onpaste: "onPaste",
};

const camelCase = (property: string): string =>
  property.trim().replace(/-([a-z])/g, (_, letter: string) => letter.toUpperCase());

const styleObject = (text: string): string =>
  text
    .split(";")
    .filter((pair) => pair.includes(":"))
    .map((pair) => {
      const [property = "", ...value] = pair.split(":");
      return `${camelCase(property)}: ${JSON.stringify(value.join(":").trim())}`;
    })
    .join(", ");

const jsxAttribute: InFormat = (name, value) => {
  const renamed = inReact[name] ?? name;
  if (name.startsWith("on")) return `${renamed}={(event) => { ${value} }}`;
  return name === "style" ? `style={{ ${styleObject(value ?? "")} }}` : asWritten(renamed, value);
};

const isGlobal = (css: string): string =>
  css.replace(/(^|[{}])\s*([^{}@\s][^{}@]*?)\s*\{/g, "$1\n:global($2) {");

/** The body of a page as a component of each format: the files of one, by name. */
export const formats: Readonly<
  Record<string, (html: string, name: string) => Readonly<Record<string, string>>>
> = {
  React: (html, name) => {
    const { markup, script, css } = partsOf(html);
    const jsx = rewritten(markup, jsxAttribute, true);
    return {
      [`${name}.jsx`]: `import "./${name}.css";\n${script}\nexport default function Page() {\n  return <>\n${jsx}\n  </>;\n}\n`,
      [`${name}.css`]: css,
    };
  },
  Vue: (html, name) => {
    const { markup, script, css } = partsOf(html);
    const template = rewritten(
      markup,
      withHandlers((event, code) => `@${event}="(event) => { ${code} }"`),
    );
    return {
      [`${name}.vue`]: `<script setup>\n${script}\n</script>\n<template>\n${template}\n</template>\n<style>\n${css}\n</style>\n`,
    };
  },
  Svelte: (html, name) => {
    const { markup, script, css } = partsOf(html);
    const template = rewritten(
      markup,
      withHandlers((event, code) => `on${event}={(event) => { ${code} }}`),
    );
    return {
      [`${name}.svelte`]: `<script>\n${script}\n</script>\n${template}\n<style>\n${isGlobal(css)}\n</style>\n`,
    };
  },
  Angular: (html, name) => {
    const { markup, script, css } = partsOf(html);
    const template = rewritten(
      markup,
      withHandlers((event, code) => `(${event})="${code.replace("return ", "")}"`),
    );
    const methods = script
      .replace(/^.*addEventListener.*$/gm, "")
      .replace(/function (\w+)\(\)/g, "$1(event?: any)");
    return {
      [`${name}.component.ts`]: `import { Component } from "@angular/core";\n@Component({ selector: "yard-${name.toLowerCase()}", template: \`${template}\`, styles: [\`${css}\`] })\nexport class ${name}Component {\n${methods}\n}\n`,
    };
  },
};
