import type { ComponentFrame, Span } from "../../core/document/node.ts";
import type { LiveElement } from "../../engine/live-element.ts";
import type { Places } from "../../engine/places.ts";
import type { SourceRemark } from "../protocol.ts";
import type { Program } from "./program.ts";
import type { OriginsInWindow } from "./stage.ts";

/**
 * Where the elements of a mounted specimen were written.
 * @param place where the specimen is named, for what nothing else tells of
 */
export function mountedPlaces(
  { originOf, makingOf }: OriginsInWindow,
  program: Program,
  place: SourceRemark | null,
): Places {
  const tag = (element: LiveElement): Span | null => {
    const origin = originOf(element);
    return origin?.at == null || !origin.isOwn ? null : program.tagAt(origin.at);
  };
  const frame = ({ name, at }: { readonly name: string; readonly at: string }): readonly ComponentFrame[] => {
    const source = program.tagAt(at) ?? program.lineAt(at);
    return source === null ? [] : [{ name, source, definition: source }];
  };
  return {
    tag,
    isPlainTag: (element) => {
      const span = tag(element);
      return span !== null && !/role|aria-/i.test(program.textOf(span));
    },
    endTag: () => null,
    attribute: () => null,
    components: (element) => originOf(element)?.frames.flatMap(frame) ?? [],
    nearest: (element) => {
      const site = originOf(element)?.at;
      if (site != null) return program.tagAt(site) ?? program.lineAt(site);
      const making = program.framesOf(makingOf(element) ?? "")[0]?.at ?? place;
      return making === null ? null : program.spanAt(making);
    },
    comment: () => null,
    remarks: (element) => {
      const span = tag(element);
      return span === null ? [] : program.remarksBefore(span);
    },
    // Never by the way down: what a kit puts beside something else would give that another.
    identity: (element) => {
      const { at = null, isOwn = false, keys = "" } = originOf(element) ?? {};
      return `${isOwn ? "" : element.localName}@${at ?? idOf(element)} ${keys}`.trim();
    },
  };
}

const idOf = (element: LiveElement): string =>
  [...element.attributes].find(({ name }: { readonly name: string }) => name === "id")?.value ?? "";
