export const vueComponent = (..._: unknown[]): never => { throw new Error("later"); };
export const vueOptionsComponent = (..._: unknown[]): never => { throw new Error("later"); };
