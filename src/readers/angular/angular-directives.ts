import { onceFor } from "../../core/document/once.ts";
import type { Composition } from "../composition/composition.ts";
import type { WrittenAttribute } from "../composition/host-element.ts";
import { isHtmlAttribute } from "../composition/html-attributes.ts";
import { htmlTags } from "../composition/html-tags.ts";
import type { ScopeMaking } from "../composition/module-scopes.ts";
import type { SourceModule, TemplateAttribute, TemplateElement } from "../composition/source-module.ts";
import type { HostParts } from "../composition/template-attributes.ts";
import { declaredNames } from "../react/react-source.ts";
import { unknownAt } from "../script/machine.ts";
import { nameNode } from "../script/places.ts";
import { type ClassValue, type Component, known, type Unknown, type Value } from "../script/value.ts";
import {
  classesIn,
  type Hosted,
  hostedBy,
  importsOfClass,
  isDirective,
  matchesSelector,
} from "./angular-metadata.ts";

/** Attributes of the framework's own directives that put nothing on the element which assistive technology is given. */
const silentAttributes: ReadonlySet<string> = new Set(
  (
    "ngModel ngModelOptions ngModelGroup ngForm ngNoForm ngNativeValidate ngClass ngStyle ngSwitch ngSwitchCase ngSwitchDefault ngPlural ngPluralCase " +
    "formControl formControlName formGroup formGroupName formArrayName ngNonBindable ngProjectAs ngSrc ngSrcset ngSkipHydration priority fill " +
    "routerLink routerLinkActive routerLinkActiveOptions ariaCurrentWhenActive queryParams queryParamsHandling fragment state relativeTo skipLocationChange replaceUrl " +
    "preserveFragment i18n"
  ).split(" "),
);

/** Every class of the project that is decorated as a directive. */
const everyDirective = onceFor((making: ScopeMaking): readonly ClassValue[] =>
  [...making.allModules()].flatMap((module) =>
    module.content.kind === "script" && /@Directive\b/.test(module.text)
      ? declaredNames([module.content.program])
          .map((name) => making.machine.evaluate(nameNode(name), making.scopeOf(module)))
          .flatMap(classesIn)
          .filter(({ node }) => isDirective(node))
      : [],
  ),
);

/**
 * What elements of one template are given beside what is written on them: by directives whose selector they fit, by those
 * that these and components bring along, and by what nobody here knows, where an attribute is none of HTML's. Angular,
 * "Attribute directives", "Directive composition".
 */
export class Directives {
  readonly #composition: Composition;
  readonly #making: ScopeMaking;
  readonly #usable: readonly ClassValue[];
  readonly #file: string;

  /** @param file the file in which the template stands */
  constructor(
    composition: Composition,
    making: ScopeMaking,
    module: SourceModule,
    type: ClassValue,
    file: string,
  ) {
    this.#file = file;
    this.#composition = composition;
    this.#making = making;
    const { classes, bringsMore } = importsOfClass(composition, making, module, type);
    this.#usable = bringsMore
      ? [...new Set([...classes.filter(({ node }) => isDirective(node)), ...everyDirective(making)])]
      : classes.filter(({ node }) => isDirective(node));
  }

  /** @param component what the element stands for; null for an element of HTML */
  on(element: TemplateElement, written: HostParts, component: Component | null): HostParts {
    const fitting = this.#usable.filter(({ node }) =>
      matchesSelector(hostedBy(node)?.selector ?? "", element),
    );
    const all = new Set(fitting);
    const own = component === null ? null : this.#classAt(component);
    if (own !== null) all.add(own);
    let isWhole = true;
    for (const one of all) {
      const brought = this.#broughtBy(one);
      for (const other of brought ?? []) all.add(other);
      isWhole &&= brought !== null;
    }
    const parts = this.#withHosted(all, written);
    const strange =
      component === null ? element.attributes.find((one) => isStrange(one, fitting)) : undefined;
    const opener = strange ?? (isWhole ? undefined : { start: element.start, end: element.startEnd });
    const linked = this.#linked(element, parts);
    if (opener === undefined || parts.spread !== null || !htmlTags.has(element.tag)) return linked;
    const source = { file: this.#file, start: opener.start, end: opener.end };
    const text = strange !== undefined && "name" in strange ? strange.name : "hostDirectives";
    return { ...linked, spread: unknownAt(source, text, `directive ${this.#file}:${opener.start}`) };
  }

  /** What classes put on their element, under what is written there. */
  #withHosted(classes: Iterable<ClassValue>, written: HostParts): HostParts {
    const attributes = new Map<string, WrittenAttribute>();
    const listeners = new Map<string, { readonly value: Value; readonly source: Unknown["source"] }>();
    for (const { node, scope } of classes)
      for (const { name, value, start, end } of hostedBy(node)?.host ?? []) {
        const source = { file: scope.module.file, start, end };
        const event = /^\((\w+)/.exec(name)?.[1];
        const bound = /^\[(?:attr\.)?([\w-]+)\]$/.exec(name)?.[1];
        const open = unknownAt(source, value, `host ${start}`);
        if (event !== undefined) listeners.set(event, { value: open, source });
        else if (bound !== undefined) attributes.set(bound, { name: bound, value: open, source });
        else if (!name.startsWith("[")) attributes.set(name, { name, value: known(value), source });
      }
    for (const attribute of written.attributes) attributes.set(attribute.name, attribute);
    return {
      ...written,
      attributes: [...attributes.values()],
      listeners: new Map([...listeners, ...written.listeners]),
    };
  }

  /** `routerLink` makes a link of an `<a>`, and something to click of anything else. */
  #linked(element: TemplateElement, parts: HostParts): HostParts {
    const link = element.attributes.find((one) => "name" in one && one.name === "routerLink");
    if (link === undefined) return parts;
    const file = this.#file;
    const source = { file, start: link.start, end: link.end };
    const way = unknownAt(source, "routerLink", `link ${file}:${link.start}`, "string");
    const has = (name: string) => parts.attributes.some((one) => one.name === name);
    if (/^(?:a|area)$/.test(element.tag))
      return has("href")
        ? parts
        : { ...parts, attributes: [...parts.attributes, { name: "href", value: way, source }] };
    return {
      ...parts,
      attributes: has("tabindex")
        ? parts.attributes
        : [...parts.attributes, { name: "tabindex", value: known("0"), source }],
      listeners: new Map([["click", { value: way, source }], ...parts.listeners]),
    };
  }

  /** The directives that a class brings along; null where some are not in source. */
  #broughtBy({ node, scope }: ClassValue): readonly ClassValue[] | null {
    const written = hostedBy(node)?.hostDirectives ?? null;
    if (written === null) return [];
    const { machine } = this.#composition;
    const list = machine.evaluate(written, scope);
    if (list.kind !== "list") return null;
    const classes = list.items.flatMap((item) =>
      classesIn(item.kind === "object" ? (item.properties.get("directive") ?? item) : item),
    );
    return classes.length === list.items.length ? classes : null;
  }

  #classAt({ source }: Component): ClassValue | null {
    const module = [...this.#making.allModules()].find(({ file }) => file === source.file);
    if (module?.content.kind !== "script") return null;
    const { machine } = this.#composition;
    const found = declaredNames([module.content.program])
      .map((name) => machine.evaluate(nameNode(name), this.#making.scopeOf(module)))
      .flatMap(classesIn);
    return found.find(({ node }) => node.start === source.start) ?? null;
  }
}

/** Whether an attribute is none of HTML's, nor an input of a directive that is in source: then a package's directive takes it. */
function isStrange(attribute: TemplateAttribute, fitting: readonly ClassValue[]): boolean {
  if (attribute.kind !== "text" && attribute.kind !== "value" && attribute.kind !== "parts") return false;
  const { name } = attribute;
  return (
    !isHtmlAttribute(name) &&
    !silentAttributes.has(name) &&
    !fitting.some(({ node }) => selectsBy(hostedBy(node), name) || takes(node, name))
  );
}

const selectsBy = (hosted: Hosted | null, name: string): boolean =>
  hosted?.selector.includes(`[${name}`) === true;

/** Whether a class has a member of that name, as inputs are. */
const takes = (node: ClassValue["node"], name: string): boolean =>
  node.body.body.some(
    (member) => "key" in member && member.key.type === "Identifier" && member.key.name === name,
  );
