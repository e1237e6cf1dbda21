import { contrastRatio, shownRatio } from "../../colour/contrast.ts";
import { deltaEOK, nearestInPalette, nearestPassing } from "../../colour/nearest-passing.ts";
import { type Rgba, toHex } from "../../colour/rgba.ts";
import type { Declared } from "../../css/declared.ts";
import type { CascadedValue } from "../../css/style.ts";
import type { ElementNode, Span } from "../../document/node.ts";
import { attributeTokens } from "../../document/written.ts";
import type { Origin } from "../../findings/verdict.ts";
import { renameClass, replaceText, setDeclaration } from "../../repair/change.ts";
import { ask, type Repair, withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { NamedColour, Scene } from "../../scene/scene.ts";

interface DeclaredColour extends NamedColour {
  /** Whether a compiler declares it, and only where the name of a class asks for it. */
  readonly isMade: boolean;
}

/** The colours that the page's root declares as custom properties. */
const declaredColours = keptForScene((scene: Scene): readonly DeclaredColour[] => {
  const root = scene.page.index.byTag("html")[0];
  if (root === undefined) return [];
  const { styles } = scene.page;
  return styles.customProperties(root).flatMap((name) => {
    const value = styles.value(root, name);
    const text = value?.text ?? "";
    const colour = text === "" ? null : styles.colourWithin({ element: root }, text);
    return colour === null || colour.alpha < 1
      ? []
      : [{ name, colour, isMade: value?.declared?.isMade === true }];
  });
});

/** The colours that a stylesheet may refer to: custom properties of the root, and those of the project beside. */
export const paletteOf = keptForScene((scene: Scene): readonly NamedColour[] => {
  const declared = declaredColours(scene).filter(({ isMade }) => !isMade);
  const named = new Set(declared.map(({ name }) => name));
  return [...declared, ...scene.palette.filter(({ name }) => !named.has(name))];
});

/**
 * The declaration whose change mends the colour: the custom property or variable it came through, whose name is
 * `property`, else the declaration itself.
 */
export const declarationToMend = (
  value: CascadedValue,
): { readonly declared: Declared; readonly property: string | null } | null => {
  const last = value.through.at(-1);
  const declared = last?.declared ?? value.declared;
  return declared === null ? null : { declared, property: declared.variable ?? last?.name ?? null };
};

/** A text that a declaration colours too, and what it needs where it stands. */
export interface ColourUse {
  readonly element: ElementNode;
  readonly ground: Rgba;
  readonly needed: number;
}

/** What else changes with a custom property, and whether it stays readable. */
function effectOn(uses: readonly ColourUse[], property: string, colour: Rgba): string {
  if (uses.length === 0) return ` It is set by ${property}, which colours no other text here.`;
  const failing = uses.filter((use) => contrastRatio(colour, use.ground) < use.needed).length;
  const others = uses.length === 1 ? "1 other text" : `${uses.length} other texts`;
  return ` It is set by ${property}, which colours ${others} here: ${failing === 0 ? "all pass with it" : `${failing} of them would still not pass`}.`;
}

/** How to mend a text that is too pale: the nearest colour that passes, and the nearest of the project's own palette. */
export function suggestColour(
  scene: Scene,
  value: CascadedValue | null,
  text: Rgba,
  ground: Rgba,
  needed: number,
  { element, uses = [] }: { readonly element: ElementNode; readonly uses?: readonly ColourUse[] },
): Repair {
  const { nearest, own } = shadesFor(scene, text, ground, needed);
  const ownWords =
    own === null
      ? ""
      : `; of your own palette var(${own.name}), ${toHex(own.colour)}, passes with ${shownRatio(contrastRatio(own.colour, ground))}`;
  if (nearest === null)
    return ask(
      `No shade of this colour reaches ${needed}:1 on ${toHex(ground)}: change the ground too${ownWords}.`,
    );
  const reached = shownRatio(contrastRatio(nearest, ground));
  const words = `The nearest shade that passes is ${toHex(nearest)}, with ${reached}${ownWords}.`;
  const place = value === null ? null : declarationToMend(value);
  const byClass = value === null ? null : classOfColour(scene, element, value);
  if (byClass !== null) {
    const all = declaredColours(scene);
    const scale = all.filter(({ name }) => name.startsWith(`--color-${byClass.scale}-`));
    const step = nearestInPalette(text, ground, needed, scale) ?? nearestInPalette(text, ground, needed, all);
    const colour = /^--color-(.+)$/.exec(step?.name ?? "")?.[1];
    if (step !== null && colour !== undefined)
      return withChanges(
        "likely",
        `Use ${byClass.before}${colour}, ${toHex(step.colour)}, of your own scale, with ${shownRatio(contrastRatio(step.colour, ground))}.`,
        [renameClass(byClass.element, byClass.before + byClass.colour, byClass.before + colour)],
      );
  }
  // A colour that was mixed or faded on its way is not mended by writing another at its source.
  const isPlain =
    place !== null &&
    /^(?:#[0-9a-f]{3,8}|[a-z]+|rgba?\([^()]*\)|hsla?\([^()]*\))$/i.test(place.declared.text) &&
    place.declared.replaceable;
  const fallback = place === null || isPlain ? null : fallbackColour(scene, place.declared, text);
  const isWritten =
    place !== null &&
    value?.block?.origin === "author" &&
    isPlain &&
    sameColour(scene, place.declared.text, text);
  if (place !== null && fallback !== null && value?.block?.origin === "author")
    return withChanges("likely", words, [replaceText(fallback, toHex(nearest))]);
  if (!isWritten || place === null) return ask(words);
  // A colour of the project's own that looks much the same is better than one more shade.
  if (place.property === null && own !== null && deltaEOK(text, own.colour) <= NEAR_ENOUGH)
    return withChanges(
      "likely",
      `Use var(${own.name}), ${toHex(own.colour)}, of your own palette. ${words}`,
      [setDeclaration(place.declared, `var(${own.name})`)],
    );
  const what = place.property === null ? "" : effectOn(uses, place.property, nearest);
  return withChanges("likely", `${words}${what}`, [setDeclaration(place.declared, toHex(nearest))]);
}

/** A class that a compiler made a colour of: `before` it and its variants, then the `colour` with its `scale`. */
interface ColourClass {
  readonly element: ElementNode;
  readonly before: string;
  readonly colour: string;
  readonly scale: string;
}

/** The class that gives a text or a line its colour, and which element has it; null where it comes from elsewhere. */
function classOfColour(
  scene: Scene,
  element: ElementNode,
  { declared, block, through }: CascadedValue,
): ColourClass | null {
  if (declared?.isMade !== true || through.some((step) => step.declared?.isMade !== true)) return null;
  const written = /^\.((?:\\.|[\w-])+)(?::[\w-]+)*$/.exec(block?.selectorText ?? "")?.[1];
  const name = written?.replace(/\\(.)/g, "$1") ?? "";
  const [, before, colour, scale] = /^((?:.*:)?(?:text|border|outline)-)(([a-z]+)[\w-]*)$/.exec(name) ?? [];
  if (before === undefined || colour === undefined || scale === undefined) return null;
  for (let up: ElementNode | null = element; up !== null; up = scene.page.index.flatParent(up))
    if (attributeTokens(up, "class").includes(name)) return { element: up, before, colour, scale };
  return null;
}

/** ΔEOK up to which a colour of the palette takes the place of another without anybody missing it. */
const NEAR_ENOUGH = 0.2;

/** Where the colour stands that `var()` falls back to, if that is the one that shows. */
function fallbackColour(scene: Scene, declared: Declared, shown: Rgba): Span | null {
  const match = /^var\(\s*--[\w-]+\s*,\s*(#[0-9a-f]{3,8}|[a-z]+|rgb\([^()]*\))\s*\)$/i.exec(declared.text);
  const { file, start, end } = declared.valueSource;
  if (match?.[1] === undefined || declared.inAttribute !== undefined || end - start !== declared.text.length)
    return null;
  const index = start + declared.text.lastIndexOf(match[1]);
  return sameColour(scene, match[1], shown) ? { file, start: index, end: index + match[1].length } : null;
}

interface Shades {
  readonly nearest: Rgba | null;
  readonly own: NamedColour | null;
}

const knownShades = keptForScene(() => new Map<string, Shades>());

/** The shades to offer; one pair of colours often comes back hundreds of times. */
function shadesFor(scene: Scene, text: Rgba, ground: Rgba, needed: number): Shades {
  const key = `${toHex(text)} ${toHex(ground)} ${needed}`;
  const known = knownShades(scene).get(key);
  if (known !== undefined) return known;
  const shades = {
    nearest: nearestPassing(text, ground, needed),
    own: nearestInPalette(text, ground, needed, paletteOf(scene)),
  };
  knownShades(scene).set(key, shades);
  return shades;
}

function sameColour(scene: Scene, written: string, shown: Rgba): boolean {
  const root = scene.page.index.byTag("html")[0];
  const colour = root === undefined ? null : scene.page.styles.colourWithin({ element: root }, written);
  return colour !== null && toHex(colour) === toHex(shown);
}

/** The declarations a colour came from: the winner first, then the custom properties it went through. */
export function originsOf(of: string, value: CascadedValue | null): readonly Origin[] {
  if (value === null || value.declared === null || value.block?.origin === "user-agent") return [];
  const selector = value.block?.selectorText ?? "";
  const originsOfOne = (declared: Declared, text: string): readonly Origin[] => [
    { of, source: declared.source, text: declared.isMade === true ? `${selector} ${text}` : text },
    ...(declared.variable == null
      ? []
      : [{ of, source: declared.valueSource, text: `${declared.variable}: ${declared.text}` }]),
  ];
  return [
    ...originsOfOne(value.declared, value.declared.text),
    ...value.through.flatMap((step) =>
      step.declared === null || step.declared.isMade === true
        ? []
        : originsOfOne(step.declared, `${step.name}: ${step.declared.text}`),
    ),
  ];
}
