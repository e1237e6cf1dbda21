/** Characters that could colour or move a terminal, or turn its text around: C0 and C1 controls, bidirectional overrides. */
const unprintable = /[\u0000-\u0008\u000a-\u001f\u007f-\u009f\u202a-\u202e\u2066-\u2069\u200e\u200f\u061c]/g;

/** Text from a target, safe to print on one line: controls taken out, tabs as two spaces. */
export const printable = (text: string): string => text.replace(unprintable, "").replace(/\t/g, "  ");
