import type * as Ast from "@babel/types";
import type { Span } from "../../core/document/node.ts";
import { styleText } from "../react/style-object.ts";
import { concat } from "../script/concat.ts";
import { lift, type Machine, unknownAt } from "../script/machine.ts";
import type { Scope } from "../script/value.ts";
import {
  absent,
  type CallPlace,
  isNullish,
  keyOf,
  known,
  truthOf,
  type Unknown,
  type Value,
} from "../script/value.ts";
import { classNames } from "./class-names.ts";
import type { WrittenAttribute } from "./host-element.ts";
import { isIdleCall } from "./idle-handlers.ts";
import type { TemplateAttribute } from "./source-module.ts";

/** The attributes and handlers of an element, worked out. */
export interface HostParts {
  readonly attributes: readonly WrittenAttribute[];
  readonly listeners: ReadonlyMap<string, { readonly value: Value; readonly source: Span | null }>;
  readonly spread: Unknown | null;
  readonly mayListen: boolean;
  readonly overwrites: boolean;
}

export const spanIn = (
  scope: Scope,
  { start, end }: { readonly start: number; readonly end: number },
): Span => ({
  file: scope.module.file,
  start,
  end,
});

/** What an expression of a template comes to; one that is no script stands for a text that nobody knows. */
export function expressionValue(
  machine: Machine,
  expression: Ast.Node | null,
  scope: Scope,
  span: { readonly start: number; readonly end: number },
): Value {
  if (expression !== null) return machine.evaluate(expression, scope);
  const source = spanIn(scope, span);
  return unknownAt(
    source,
    scope.module.text.slice(span.start, span.end),
    `${source.file}:${span.start}@${machine.state.instance}`,
    "string",
  );
}

/** Works out the attributes of a template's elements. */
/** What two-way binding keeps as its variable is: whether something is on or open shows from the start. */
const follows = new Set(["checked", "open", "selected"]);

export class AttributeReader {
  readonly #machine: Machine;
  /** Whether handlers may be told among spread props by their name alone: `onclick`. */
  readonly #contentIsProp: boolean;

  constructor(machine: Machine, contentIsProp: boolean) {
    this.#machine = machine;
    this.#contentIsProp = contentIsProp;
  }

  /** Attributes in the order they are written: what comes later wins, classes and styles add up. */
  read(written: readonly TemplateAttribute[], scope: Scope): HostParts {
    const machine = this.#machine;
    const attributes = new Map<string, WrittenAttribute>();
    const listeners = new Map<string, { value: Value; source: Span | null }>();
    const spreadNames = new Set<string>();
    const classes: { readonly value: Value; readonly source: Span }[] = [];
    const styles: { readonly value: Value; readonly source: Span }[] = [];
    let spread: Unknown | null = null;
    let mayListen = false;
    let overwrites = false;
    const set = (name: string, value: Value, source: Span | null, bySpread = false) => {
      const before = attributes.get(name)?.value;
      if (!bySpread && spreadNames.has(name) && before !== undefined && !isEmpty(before)) overwrites = true;
      if (bySpread) spreadNames.add(name);
      attributes.set(name, { name, value, source });
    };
    for (const attribute of written) {
      const source = spanIn(scope, attribute);
      const place: CallPlace = {
        source,
        text: scope.module.text.slice(source.start, source.end),
        self: null,
      };
      switch (attribute.kind) {
        case "text":
          if (attribute.name === "class") classes.push({ value: known(attribute.value), source });
          else if (attribute.name === "style") styles.push({ value: known(`${attribute.value};`), source });
          else set(attribute.name, known(attribute.value), source);
          break;
        case "value": {
          const value = expressionValue(machine, attribute.expression, scope, attribute);
          if (attribute.name === "class") classes.push({ value, source });
          else if (attribute.name === "style")
            styles.push({ value: styleText(machine, firstOfList(value), place), source });
          else set(attribute.name, value, source);
          break;
        }
        case "parts": {
          const value = concat(
            machine,
            attribute.parts.map((part) =>
              typeof part === "string" ? known(part) : machine.evaluate(part, scope),
            ),
            () =>
              unknownAt(
                source,
                place.text,
                `${source.file}:${source.start}@${machine.state.instance}`,
                "string",
              ),
          );
          if (attribute.name === "class") classes.push({ value, source });
          else if (attribute.name === "style") styles.push({ value, source });
          else set(attribute.name, value, source);
          break;
        }
        case "spread": {
          const value = expressionValue(machine, attribute.expression, scope, attribute);
          const given = value.kind === "either" ? (value.arms[0] ?? absent) : value;
          if (given.kind === "object") {
            for (const [name, one] of given.properties) {
              const event =
                /^on(?::|(?=[A-Z]))(\w+)/.exec(name) ??
                (this.#contentIsProp ? /^on([a-z]+)$/.exec(name) : null);
              if (event !== null) listeners.set((event[1] ?? "").toLowerCase(), { value: one, source });
              else if (name === "class") classes.push({ value: one, source });
              else if (name !== "children") set(name, one, source, true);
            }
            if (given.rest !== null) spread = given.rest;
          } else if (!isNullish(given))
            spread =
              given.kind === "unknown" ? given : unknownAt(source, place.text, `spread ${source.start}`);
          break;
        }
        case "listener":
          listeners.set(attribute.event, { value: this.#handler(attribute, scope), source });
          break;
        case "toggle":
          this.#toggle(attribute, scope, source, classes, styles);
          break;
        case "model":
          set(
            attribute.name,
            attribute.expression !== null && follows.has(attribute.name)
              ? expressionValue(machine, attribute.expression, scope, attribute)
              : unknownAt(
                  source,
                  place.text,
                  `model ${source.file}:${source.start}@${machine.state.instance}`,
                ),
            source,
          );
          listeners.set("input", { value: known(undefined), source });
          break;
        case "opaque":
          mayListen = true;
          break;
      }
    }
    const placeOf = (source: Span): CallPlace => ({ source, text: "class", self: null });
    const [firstClass] = classes;
    if (firstClass !== undefined)
      attributes.set("class", {
        name: "class",
        value: classNames(
          machine,
          classes.map(({ value }) => value),
          placeOf(firstClass.source),
        ),
        source: firstClass.source,
      });
    const [firstStyle] = styles;
    if (firstStyle !== undefined)
      attributes.set("style", {
        name: "style",
        value: concat(
          machine,
          styles.map(({ value }) => value),
          () => unknownAt(firstStyle.source, "style", `style ${firstStyle.source.start}`, "string"),
        ),
        source: firstStyle.source,
      });
    return { attributes: [...attributes.values()], listeners, spread, mayListen, overwrites };
  }

  #handler(attribute: Extract<TemplateAttribute, { kind: "listener" }>, scope: Scope): Value {
    const { expression, code } = attribute;
    const source = spanIn(scope, attribute);
    const inline = unknownAt(source, code, `handler ${source.file}:${source.start}`);
    if (expression !== null && isIdleCall(this.#machine, expression, scope)) return absent;
    if (expression === null || !/Function|Identifier/.test(expression.type)) return inline;
    const value = this.#machine.evaluate(expression, scope);
    return value.kind === "object" ? inline : value;
  }

  #toggle(
    attribute: Extract<TemplateAttribute, { kind: "toggle" }>,
    scope: Scope,
    source: Span,
    classes: { readonly value: Value; readonly source: Span }[],
    styles: { readonly value: Value; readonly source: Span }[],
  ): void {
    const machine = this.#machine;
    const test = expressionValue(machine, attribute.test, scope, attribute);
    const chosen = (when: boolean, text: string) =>
      lift(machine, test, (one) => {
        const truth = truthOf(one);
        return truth === null
          ? unknownAt(source, attribute.token, `toggle ${attribute.token} ${keyOf(one)}`, "string")
          : known(truth === when ? text : "");
      });
    if (attribute.name === "class") classes.push({ value: chosen(true, attribute.token), source });
    else styles.push({ value: chosen(false, "display: none;"), source });
  }
}

const isEmpty = (value: Value): boolean =>
  value.kind === "known" && (value.value === "" || value.value == null);

const firstOfList = (value: Value): Value => (value.kind === "list" ? (value.items[0] ?? absent) : value);
