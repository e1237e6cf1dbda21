/** A number with its noun: `1 stop`, `2 stops`. */
export const countOf = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
