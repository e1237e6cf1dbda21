import { lengthInPixels } from "./lengths.ts";

const degrees: Readonly<Record<string, number>> = {
  deg: 1,
  turn: 360,
  grad: 0.9,
  rad: 180 / Math.PI,
};

const mathCall = /\b(?:calc|min|max|clamp)\(/i;

/** A colour with its math functions put as the numbers, percentages and degrees that they come to. CSS Values 4 §10. */
export function withoutMath(text: string): string {
  const start = mathCall.exec(text);
  if (start === null) return text;
  let close = start.index + start[0].length;
  for (let nesting = 1; close < text.length; close++) {
    if (text[close] === "(") nesting++;
    else if (text[close] === ")" && --nesting === 0) break;
  }
  const value = worthOf(text.slice(start.index, close + 1));
  // What cannot be worked out is left as it stands, and with it the colour.
  return value === null ? text : `${text.slice(0, start.index)}${value}${withoutMath(text.slice(close + 1))}`;
}

function worthOf(call: string): string | null {
  const plain = call.replace(/([\d.]+)(deg|turn|grad|rad)\b/gi, (_, number: string, unit: string) =>
    String(Number(number) * (degrees[unit.toLowerCase()] ?? 1)),
  );
  const value = lengthInPixels(plain, {
    fontSize: null,
    rootFontSize: null,
    lineHeight: null,
    percentage: 100,
    width: 0,
    height: 0,
  });
  return value === null || /\d[a-z]/i.test(plain) ? null : `${value}${plain.includes("%") ? "%" : ""}`;
}
