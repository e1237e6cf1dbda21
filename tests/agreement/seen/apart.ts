/** Where reading and the browser decide otherwise, each with its reason. */
export const apart: Readonly<Record<string, string>> = {};
