/**
 * Characters that could colour or move a terminal, turn its text around or hide some of it: C0 and C1 controls,
 * bidirectional overrides, line and paragraph separators, soft hyphens, spaces without width and tags.
 */
export const unprintable =
  /[\u0000-\u0008\u000a-\u001f\u007f-\u009f\u00ad\u061c\u200b\u200e\u200f\u2028-\u202e\u2060\u2066-\u2069\ufeff\u{e0000}-\u{e007f}]/gu;

/** Text from a target, safe to print on one line: controls taken out, tabs as two spaces. */
export const printable = (text: string): string => text.replace(unprintable, "").replace(/\t/g, "  ");
