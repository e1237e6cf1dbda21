import type * as Ast from "@babel/types";
import { onceFor } from "../../core/document/once.ts";
import type { TreeElement, TreeNode } from "../../core/worlds/tree.ts";
import { attributeValue, holeOf } from "../composition/host-element.ts";
import type { SourceModule } from "../composition/source-module.ts";
import { everyNode } from "../script/parse-script.ts";
import type { ComponentCall, ObjectValue } from "../script/value.ts";

/** Puts what is left of the attributes on the only root element. */
export function fallThrough(
  nodes: readonly TreeNode[],
  attrs: ObjectValue,
  call: ComponentCall,
): readonly TreeNode[] {
  const roots = nodes.filter(
    (node) => node.kind === "element" || node.kind === "either" || node.kind === "hole",
  );
  if (roots.length !== 1 || (attrs.properties.size === 0 && attrs.rest === null)) return nodes;
  const put = (node: TreeNode): TreeNode => {
    if (node.kind === "either")
      return { ...node, arms: node.arms.map((arm) => fallThrough(arm, attrs, call)) };
    if (node.kind !== "element") return node;
    const attributes = new Map(node.attributes.map((attribute) => [attribute.name, attribute]));
    const listeners = new Map(node.listeners === "unknown" ? [] : node.listeners);
    for (const [prop, value] of attrs.properties) {
      const source = call.places.get(prop) ?? null;
      const event = /^on([A-Z].*)$/.exec(prop)?.[1];
      if (event !== undefined) {
        if (value.kind !== "known")
          listeners.set(event.toLowerCase(), {
            code: "text" in value ? String(value.text) : event,
            source,
            present: true,
          });
        continue;
      }
      const name = hyphenated(prop);
      const written = attributeValue(name, value);
      if (written === null) continue;
      const before = attributes.get(name);
      // Classes add up.
      const joined =
        name === "class" && typeof before?.value === "string" && typeof written === "string"
          ? `${before.value} ${written}`
          : written;
      attributes.set(name, { name, value: joined, source });
    }
    return {
      ...node,
      attributes: [...attributes.values()],
      listeners:
        node.listeners === "unknown" || (attrs.rest !== null && !(call.isAlone && isComplete(node)))
          ? "unknown"
          : listeners,
      // A box gets classes and no more, and what names itself is not named by its callers: nothing hangs on those.
      spread: attrs.rest === null || (call.isAlone && isComplete(node)) ? node.spread : holeOf(attrs.rest),
    };
  };
  return nodes.map((node) => (node === roots[0] ? put(node) : node));
}

/** Elements that hold others and mean little by themselves. */
const boxes = new Set(
  "div section main form header footer nav article aside ul ol dl fieldset table figure".split(" "),
);

const naming = new Set(["aria-label", "aria-labelledby", "alt", "title"]);

/** Whether nothing that callers may add would matter: it names itself, or is a box. */
const isComplete = ({ tag, attributes, children }: TreeElement): boolean =>
  attributes.some(({ name }) => naming.has(name)) ||
  hasWords(children) ||
  (boxes.has(tag) && !attributes.some(({ name }) => name === "role"));

/** Whether words stand inside in some arm. */
const hasWords = (nodes: readonly TreeNode[]): boolean =>
  nodes.some((node) =>
    node.kind === "either"
      ? node.arms.some(hasWords)
      : node.kind === "element"
        ? hasWords(node.children)
        : node.kind === "text" && !(typeof node.value === "string" && node.value.trim() === ""),
  );

const hyphenated = (name: string): string => name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`);

/** Whether what callers give beside the props reaches an element: the root takes it, or the template puts it somewhere. */
export const takesAttributes = ({ text }: SourceModule, inherits: boolean): boolean =>
  inherits || /\$attrs\b|\buseAttrs\s*\(/.test(text);

export const hasInheritOff = onceFor((script: Ast.Program): boolean => {
  let off = false;
  everyNode(script, (node) => {
    if (
      node.type === "ObjectProperty" &&
      node.key.type === "Identifier" &&
      node.key.name === "inheritAttrs" &&
      node.value.type === "BooleanLiteral" &&
      !node.value.value
    )
      off = true;
    return !off;
  });
  return off;
});
