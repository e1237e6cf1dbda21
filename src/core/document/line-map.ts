/** A place in a file as people and editors count it: 1-based, columns in UTF-16 units. */
export interface Position {
  readonly line: number;
  readonly column: number;
}

export interface LineMap {
  /** The place of an offset; offsets past the end give the end. */
  position(offset: number): Position;
  /** The text of a line without its line end; null when there is no such line. */
  line(number: number): string | null;
  /** The offset of a place; null when there is no such line. */
  offset(line: number, column: number): number | null;
  readonly count: number;
}

const LINE_FEED = 10;
const CARRIAGE_RETURN = 13;

/** Lines end at LF, CRLF or a lone CR, as editors count them and as HTML normalises newlines. */
export function lineMap(text: string): LineMap {
  const starts = [0];
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    if (unit === LINE_FEED) starts.push(i + 1);
    else if (unit === CARRIAGE_RETURN && text.charCodeAt(i + 1) !== LINE_FEED) starts.push(i + 1);
  }
  return {
    count: starts.length,
    position(offset) {
      const position = Math.max(0, Math.min(offset, text.length));
      let low = 0;
      let high = starts.length - 1;
      while (low < high) {
        const middle = (low + high + 1) >> 1;
        if ((starts[middle] ?? 0) <= position) low = middle;
        else high = middle - 1;
      }
      return { line: low + 1, column: position - (starts[low] ?? 0) + 1 };
    },
    offset(line, column) {
      const start = starts[line - 1];
      return start === undefined ? null : start + column - 1;
    },
    line(number) {
      const start = starts[number - 1];
      if (start === undefined) return null;
      const end = starts[number] ?? text.length + 1;
      return text.slice(start, end).replace(/[\r\n]+$/, "");
    },
  };
}
