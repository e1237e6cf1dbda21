export const readSvelte = (..._: unknown[]): never => { throw new Error("later"); };
