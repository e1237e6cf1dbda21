/** Set when the program is built: a hash of all that it is built from. */
declare const BUILD_ID: string | undefined;

/** Tells this program from every other, so that nothing that another one kept is taken for its own. */
export const buildId: string = typeof BUILD_ID === "undefined" ? "from source" : BUILD_ID;
