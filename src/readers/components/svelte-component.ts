export const svelteComponent = (..._: unknown[]): never => { throw new Error("later"); };
