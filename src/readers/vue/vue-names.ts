export const camelCase = (name: string): string => name.replace(/-(\w)/g, (_, c: string) => c.toUpperCase());
export const pascalCase = (name: string): string => camelCase(`-${name}`);
