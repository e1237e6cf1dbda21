export const readVue = (..._: unknown[]): never => { throw new Error("later"); };
