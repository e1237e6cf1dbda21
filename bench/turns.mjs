export const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];

/** How many measures were over their bounds. */
let over = 0;

/** Tells a measure, and whether it keeps to its bound. */
export function hold(what, value, bound, unit = "×") {
  const ok = value <= bound;
  if (!ok) over++;
  console.log(
    `${ok ? "  ok  " : " OVER "} ${what.padEnd(66)} ${value.toFixed(2)}${unit}  (at most ${bound}${unit})`,
  );
}

/** Says how it went; the exit status tells too. */
export function tellAll() {
  console.log(over === 0 ? "every ratio holds" : `${over} over their bounds`);
  process.exitCode = over === 0 ? 0 : 1;
}
