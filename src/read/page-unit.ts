import type { ElementNode } from "../core/document/node.ts";
import { once } from "../core/document/once.ts";
import { opened } from "../core/document/opened.ts";
import { type Scene, type SceneOptions, sceneFromSource } from "../core/scene/scene.ts";
import type { PageFile } from "../engine/targets.ts";
import type { OpenedScene, Unit, UnitDocument } from "../engine/unit.ts";
import type { ReadingPlan } from "../settings/plan.ts";
import type { LoadedPage } from "./load-page.ts";
import { sceneOptions } from "./scene-options.ts";

/** A page as a unit that can only be read. */
export function pageUnit(page: PageFile, loaded: LoadedPage, plan: ReadingPlan): Unit {
  let documents: readonly UnitDocument[] | null = null;
  return {
    subject: {
      id: page.name,
      target: page.target,
      kind: loaded.document.kind,
      engine: "read",
      specimen: null,
      state: "as loaded",
    },
    page,
    isWritten: true,
    texts: textsOf(loaded),
    documents: async () => {
      documents ??= documentsOf(loaded, sceneOptions(plan));
      return { documents, texts: new Map(), problems: [], isComplete: true };
    },
    driver: null,
  };
}

/** A page shown before it is known where: the pages in its frames hang on it. */
interface Shown {
  readonly scene: Scene;
  readonly loaded: LoadedPage;
  readonly frames: readonly (readonly [element: ElementNode, inner: Shown])[];
}

/** The page, then those of its frames, each with the frame that it is shown in. */
function documentsOf(loaded: LoadedPage, options: SceneOptions): readonly UnitDocument[] {
  const documents: UnitDocument[] = [];
  const place = ({ scene, loaded: page, frames }: Shown, frame: UnitDocument["frame"]) => {
    const around: UnitDocument = {
      scene,
      sheets: page.sheets,
      opened: once(() => openedScene(page, options)),
      frame,
    };
    documents.push(around);
    for (const [element, inner] of frames) place(inner, { around, element });
  };
  place(shown(loaded, options), null);
  return documents;
}

/** The page with its closed parts open: what stands in frames is judged where it is. */
export function openedScene(
  { document, sheets, stylesKnown }: Pick<LoadedPage, "document" | "sheets" | "stylesKnown">,
  options: SceneOptions,
): OpenedScene | null {
  const open = opened(document);
  if (open === null) return null;
  // The document itself is another object then: its own sheets go with it.
  const moved = sheets.map((sheet) => ("mode" in sheet.scope ? sheet : { ...sheet, scope: open.document }));
  return {
    scene: sceneFromSource(open.document, moved, { ...options, stylesKnown }),
    parts: open.parts,
  };
}

function shown(loaded: LoadedPage, options: SceneOptions): Shown {
  const frames = [...loaded.frames].map(([element, inner]) => [element, shown(inner, options)] as const);
  const scene = sceneFromSource(loaded.document, loaded.sheets, {
    ...options,
    stylesKnown: loaded.stylesKnown,
    frames: new Map(frames.map(([element, inner]) => [element, inner.scene])),
  });
  return { scene, loaded, frames };
}

function textsOf({ texts, frames }: LoadedPage): ReadonlyMap<string, string> {
  return frames.size === 0
    ? texts
    : new Map([...[...frames.values()].flatMap((inner) => [...textsOf(inner)]), ...texts]);
}
