import type { Span } from "../../core/document/node.ts";
import type { SourceModule, TemplateNode, TemplateParts } from "./source-module.ts";

/** Whether callers may put something into the template. */
export const hasOutlet = ({ template }: TemplateParts): boolean => template.some(isOrHoldsOutlet);

function isOrHoldsOutlet(node: TemplateNode): boolean {
  switch (node.kind) {
    case "outlet":
      return true;
    case "element":
      return [node, ...node.slots].some(({ children }) => children.some(isOrHoldsOutlet));
    case "if":
      return node.branches.some(({ children }) => children.some(isOrHoldsOutlet));
    case "each":
      return [...node.children, ...node.empty].some(isOrHoldsOutlet);
    case "let":
    case "snippet":
    case "group":
      return node.children.some(isOrHoldsOutlet);
    default:
      return false;
  }
}

export const wholeOf = ({ file, text }: SourceModule): Span => ({
  file,
  start: 0,
  end: Math.min(text.length, 1),
});
