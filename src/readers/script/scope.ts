import type { Binding, Scope, ScopeModule, Value } from "./value.ts";

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
  for (let outer: Scope | null = scope; outer !== null; outer = outer.parent) {
    const found = outer.bindings.get(name);
    if (found !== undefined) return found;
  }
  return null;
}

export function selfOf(scope: Scope): Value | null {
  for (let outer: Scope | null = scope; outer !== null; outer = outer.parent)
    if (outer.self !== null) return outer.self;
  return null;
}
