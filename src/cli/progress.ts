import { printable } from "../report/terminal/printable.ts";

/** Work shorter than this is not announced. Milliseconds. */
const PATIENCE = 1000;

/** One line on standard error that says how far the work is: on a terminal only, and after a second only. */
export function progressLine(quiet: boolean): { show(text: string): void; clear(): void } {
  const started = performance.now();
  let shown = false;
  if (quiet || process.stderr.isTTY !== true) return { show: () => {}, clear: () => {} };
  return {
    show(text) {
      if (performance.now() - started < PATIENCE) return;
      shown = true;
      process.stderr.write(`\r\u001b[K${printable(text).slice(0, (process.stderr.columns ?? 80) - 1)}`);
    },
    clear() {
      if (shown) process.stderr.write("\r\u001b[K");
    },
  };
}
