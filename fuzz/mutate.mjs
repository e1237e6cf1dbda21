const LONGEST = 200_000;

/** Bytes that differ from where they start in a few places. */
export function mutated({ starts, words }, { below, of, chance }) {
  let bytes = Buffer.from(of(starts));
  const place = () => below(bytes.length + 1);
  const span = () => {
    const from = place();
    return [from, Math.min(bytes.length, from + 1 + below(chance(0.2) ? 400 : 30))];
  };
  const spliced = (from, to, put) => Buffer.concat([bytes.subarray(0, from), put, bytes.subarray(to)]);
  const changes = [
    () => spliced(...span(), Buffer.alloc(0)),
    () => {
      const at = place();
      return spliced(at, at, Buffer.from(of(words)));
    },
    () => {
      const at = place();
      return spliced(at, at, bytes.subarray(...span()));
    },
    () => spliced(...span(), bytes.subarray(...span())),
    () => {
      const other = of(starts);
      const from = below(other.length);
      const at = place();
      return spliced(at, at, other.subarray(from, from + 1 + below(300)));
    },
    () => {
      const [from, to] = span();
      return spliced(
        to,
        to,
        Buffer.concat(
          Array.from({ length: 2 + below(chance(0.1) ? 400 : 20) }, () => bytes.subarray(from, to)),
        ),
      );
    },
    () => {
      const at = place();
      return spliced(at, at, Buffer.from(of(words).repeat(2 + below(chance(0.1) ? 3000 : 60))));
    },
    () => bytes.subarray(0, place()),
    () => {
      const flipped = Buffer.from(bytes);
      if (flipped.length > 0) flipped[below(flipped.length)] = below(256);
      return flipped;
    },
  ];
  for (let count = 1 + below(6); count > 0; count--) bytes = of(changes)().subarray(0, LONGEST);
  return bytes;
}
