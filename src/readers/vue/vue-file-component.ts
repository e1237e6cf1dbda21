import type { Composition } from "../composition/composition.ts";
import type { ScopeMaking } from "../composition/module-scopes.ts";
import type { SourceModule, TemplateParts } from "../composition/source-module.ts";
import type { TypeNames } from "../script/type-shape.ts";
import type { Component } from "../script/value.ts";
import { vueComponent } from "./vue-component.ts";
import { vueOptionsComponent } from "./vue-options-component.ts";

/** The component that a file is: set up by its script, or described by the options that this exports. */
export const vueFileComponent = (
  composition: Composition,
  making: ScopeMaking,
  module: SourceModule,
  parts: TemplateParts,
  types: TypeNames<SourceModule>,
): Component =>
  parts.isSetup || parts.script === null
    ? vueComponent(composition, making, module, parts, types)
    : vueOptionsComponent(composition, making, module, parts);
