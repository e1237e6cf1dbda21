import { randomFrom } from "../readers/programs.ts";

/** A letter that makes it text, and blocks that fill their boxes: what is painted there is the colour of the text. */
export const WORDS = "A██████";

/** Pages on which something beside the background of what is around may lie under a text, or over it; the same for the same seed. */
export function paintedPage(seed: number): string {
  const random = randomFrom(seed);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)] as T;
  const maybe = (share: number, text: () => string): string => (random() < share ? text() : "");
  const colour = () =>
    pick([
      "#fff",
      "#000",
      "#eee",
      "#333",
      "#777",
      "#036",
      "#fc3",
      "rgb(255 255 255 / .5)",
      "rgb(0 0 0 / .6)",
    ]);
  const rules: string[] = [];
  let count = 0;
  const styled = (declarations: string): string => {
    const name = `c${count++}`;
    rules.push(`.${name} { ${declarations} }`);
    return name;
  };
  const offsets = () =>
    pick([
      "inset: 0",
      "top: 0; left: 0; width: 100%; height: 100%",
      "left: 0; bottom: 0; width: 100%; height: 3px",
    ]);
  const level = () => pick(["", "z-index: -1", "z-index: 0", "z-index: 1"]);
  const box = (): string =>
    [
      maybe(0.35, () => `background: ${colour()}`),
      maybe(0.08, () => `background: linear-gradient(${colour()}, ${colour()})`),
      maybe(0.4, () => `position: relative; ${level()}`),
      maybe(0.1, () => "isolation: isolate"),
      maybe(0.08, () => `opacity: ${pick([".5", ".9"])}`),
      maybe(0.06, () => `filter: ${pick(["opacity(.6)", "none", "drop-shadow(0 0 2px #000)"])}`),
      maybe(0.08, () => "display: contents"),
      maybe(0.08, () => "display: grid"),
      maybe(0.1, () => `box-shadow: inset 0 0 0 ${pick(["999px", "2px"])} ${colour()}`),
      maybe(0.08, () => `margin-top: ${pick(["-4px", "12px"])}`),
      maybe(0.04, () => "transform: translateX(4px)"),
    ]
      .filter((declaration) => declaration !== "")
      .join("; ");
  const layer = (name: string): void => {
    rules.push(
      `.${name}::${pick(["before", "after"])} { content: ""; position: absolute; ${offsets()}; ${level()}; background: ${colour()} }`,
    );
  };
  const element = (depth: number): string => {
    const name = styled(box());
    if (random() < 0.2) layer(name);
    const inner = Array.from({ length: depth <= 0 ? 0 : 1 + Math.floor(random() * 2) }, () =>
      element(depth - 1),
    );
    const empty = maybe(
      0.15,
      () =>
        `<i class="${styled(`position: absolute; ${offsets()}; ${level()}; background: ${colour()}`)}"></i>`,
    );
    const text = `<p class="${styled(`color: ${colour()}; ${maybe(0.2, () => `background: ${colour()}`)}; ${maybe(0.15, () => "position: relative")}`)}">${WORDS}</p>`;
    const cell = maybe(0.15, () => styled("grid-area: 1 / 1"));
    const pulled = maybe(0.1, () => {
      const band = styled(`height: 40px; min-height: 0; background: ${colour()}`);
      return `<div class="${band}"></div><div class="${styled("margin-top: -50px")}"><p class="${styled(`color: ${colour()}`)}">${WORDS}</p></div>`;
    });
    return `${pulled}<div class="${name} ${cell}">${empty}${text}${inner.join("")}</div>`;
  };
  const parts = Array.from({ length: 2 }, () => element(2)).join("");
  const page = `${maybe(0.3, () => `html { background: ${colour()} }`)} ${maybe(0.4, () => `body { background: ${colour()} }`)}`;
  return `<!doctype html><html lang="en"><title>t</title><style>body { margin: 0 } div { padding: 6px; min-height: 30px } p { margin: 4px; font: 20px/1.2 monospace; width: 120px } ${page} ${rules.join(" ")}</style><body>${parts}</body></html>`;
}
