/**
 * The page that a specimen is mounted in.
 * @param head what stands in its head beside its title
 * @param end what comes after the element that it is mounted in
 */
export const specimenHtml = (title: string, head = "", end = ""): string =>
  `<!doctype html><html lang="en"><head>${head}<title>${escaped(title)}</title></head><body><div></div>${end}</body></html>`;

const escaped = (text: string): string => text.replace(/[&<]/g, (c) => (c === "&" ? "&amp;" : "&lt;"));
