const isWhole = process.env.AGREEMENT_WHOLE !== undefined;
const today = Math.floor(Date.now() / 86_400_000);

/** What takes long is tried in parts, another one each day; all of it with `npm run agreement -- --whole`. */
export const isOfToday = (turn: number, parts: number): boolean => isWhole || turn % parts === today % parts;
