import path from "node:path";
import { packed, unpacked } from "../browser/pictures.ts";
import type { ElementNode } from "../core/document/node.ts";
import type { Problem } from "../core/findings/problems.ts";
import { markedPart, partAround } from "../core/scene/marked-part.ts";
import { placedBox } from "../core/scene/placed-box.ts";
import type { Unit, UnitDocument } from "../engine/unit.ts";
import type { Host } from "../host/host.ts";
import { pathIn } from "./document-elements.ts";
import type { FindingAnswer } from "./finding-answer.ts";

/** Findings with the pictures that were written of them, and why one could not be. */
export interface ShotFindings {
  readonly findings: readonly FindingAnswer[];
  readonly problem: Problem | null;
}

/**
 * Writes a picture of the element of each finding in its surroundings, marked, and names it in the facts as `shot`. A finding has
 * none whose element was not seen when the page was loaded.
 * @param folder as it was asked for; made where it is not there
 */
export async function withShots(
  findings: readonly FindingAnswer[],
  unit: Unit,
  documents: readonly UnitDocument[],
  { folder, host }: { readonly folder: string; readonly host: Host },
): Promise<ShotFindings> {
  const { picture } = unit;
  const [page] = documents;
  if (picture === undefined || page === undefined) return { findings, problem: null };
  const elements = elementsByPath(documents);
  const pieces = picture.pieces.map(({ top, png }) => ({ top, picture: unpacked(png) }));
  const told: FindingAnswer[] = [];
  for (const [at, finding] of findings.entries()) {
    // What is said of the page as a whole is nowhere in particular.
    const isSomewhere = finding.outcome !== "passed" && !/^(?:html|body)$/.test(finding.element.tag);
    const found = isSomewhere ? elements.get(finding.element.path) : undefined;
    const box = found === undefined ? null : placedBox(page.scene, found.document.scene, found.element);
    const part = box === null ? null : partAround(box, picture);
    if (box === null || part === null) {
      told.push(finding);
      continue;
    }
    const shot = path.posix.join(
      folder.split(path.sep).join("/"),
      `${finding.check}-${finding.fingerprint}.png`,
    );
    const reason = await host.files.writeWhole(
      path.resolve(host.workingDirectory, shot),
      packed(markedPart(pieces, part, box)),
    );
    if (reason !== null)
      return {
        findings: [...told, ...findings.slice(at)],
        problem: {
          target: shot,
          message: `The picture could not be written (${reason}). Name another --shots.`,
        },
      };
    told.push({ ...finding, facts: { ...finding.facts, shot } });
  }
  return { findings: told, problem: null };
}

interface Found {
  readonly document: UnitDocument;
  readonly element: ElementNode;
}

const elementsByPath = (documents: readonly UnitDocument[]): ReadonlyMap<string, Found> =>
  new Map(
    documents.flatMap((document) =>
      document.scene.page.index.elements.map(
        (element) => [pathIn(document, element), { document, element }] as const,
      ),
    ),
  );
