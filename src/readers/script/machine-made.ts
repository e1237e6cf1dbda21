/** Scripts longer than this are taken to be made by a machine; so are those with a line this long. */
const LONGEST_SCRIPT = 1_000_000;
const LONGEST_LINE = 20_000;

/** Whether nobody writes a script so: bundles and minified code. */
export function isMachineMade(written: string): boolean {
  if (written.length > LONGEST_SCRIPT) return true;
  // A picture that is written into its address makes a long line of any file.
  const text = written.length > LONGEST_LINE ? written.replace(/\bdata:[^\s"'`)]+/g, "") : written;
  for (let offset = 0; offset < text.length; ) {
    const end = text.indexOf("\n", offset);
    if ((end < 0 ? text.length : end) - offset > LONGEST_LINE) return true;
    if (end < 0) break;
    offset = end + 1;
  }
  return false;
}
