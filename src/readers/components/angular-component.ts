export const isAngularClass = (_: unknown): boolean => false;
export const angularComponent = (..._: unknown[]): never => { throw new Error("later"); };
