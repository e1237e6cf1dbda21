/** Numbers that fall the same for the same seed: mulberry32. */
export function dice(seed) {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
  const below = (limit) => Math.floor(next() * limit);
  return { below, of: (list) => list[below(list.length)], chance: (share) => next() < share };
}
