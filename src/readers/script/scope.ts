import type { Value } from "./value.ts";

/** One variable: worked out when first asked for, so that order and circles of modules do not matter. */
export interface Binding {
  value: Value | null;
  make: (() => Value) | null;
  /** Set while it is being worked out: a value that needs itself is not known. */
  busy: boolean;
}

/** Names and what they stand for, the nearest scope first. */
export interface Scope {
  readonly parent: Scope | null;
  readonly bindings: Map<string, Binding>;
  /** The value of `this`; null to ask the scope around. */
  readonly self: Value | null;
  /** The module it stands in. */
  readonly module: ScopeModule;
}

/** What a scope knows of its file. */
export interface ScopeModule {
  readonly file: string;
  readonly text: string;
  /** Variables that are given another value somewhere. */
  readonly reassigned: ReadonlySet<string>;
}

export const innerScope = (parent: Scope, self: Value | null = null): Scope => ({
  parent,
  bindings: new Map(),
  self,
  module: parent.module,
});

export const moduleScope = (module: ScopeModule): Scope => ({
  parent: null,
  bindings: new Map(),
  self: null,
  module,
});

export const bind = (scope: Scope, name: string, value: Value): void => {
  scope.bindings.set(name, { value, make: null, busy: false });
};

export const bindLater = (scope: Scope, name: string, make: () => Value): void => {
  scope.bindings.set(name, { value: null, make, busy: false });
};

export function bindingOf(scope: Scope, name: string): Binding | null {
  for (let at: Scope | null = scope; at !== null; at = at.parent) {
    const found = at.bindings.get(name);
    if (found !== undefined) return found;
  }
  return null;
}

export function selfOf(scope: Scope): Value | null {
  for (let at: Scope | null = scope; at !== null; at = at.parent) if (at.self !== null) return at.self;
  return null;
}
