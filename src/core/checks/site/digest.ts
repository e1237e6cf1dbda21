import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText } from "../../document/written.ts";
import type { Scene } from "../../scene/scene.ts";
import { elementsInside, exposedByRole } from "../exposed.ts";
import { isFilledByScripts } from "../scripts.ts";
import { speakable } from "../shown-name.ts";

/** A link of a navigation, and where it leads as far as source tells. */
export interface NavigationLink {
  readonly element: ElementNode;
  readonly name: string;
  /** The address, resolved against that of the page: one and the same for one place. */
  readonly place: string;
}

/** What checks across pages need of one page: little, so that the rest may be forgotten. */
export interface PageDigest {
  /** How the page is shown, a path with forward slashes. */
  readonly page: string;
  readonly title: { readonly element: ElementNode; readonly text: string } | null;
  readonly navigations: readonly {
    readonly element: ElementNode;
    readonly name: string;
    readonly links: readonly NavigationLink[];
  }[];
}

export function digestOf(page: string, scene: Scene): PageDigest {
  const hasOwnTitle = scene.document.kind === "document" && !isFilledByScripts(scene);
  const title = hasOwnTitle ? scene.page.index.byTag("title")[0] : undefined;
  return {
    page,
    title:
      title === undefined || title.namespace !== "html" ? null : { element: title, text: textContent(title) },
    navigations: exposedByRole(scene, "navigation").map((element) => ({
      element,
      name: speakable(scene.name(element).text),
      links: [...elementsInside(scene, element)].flatMap((inside) => linkOf(scene, page, inside)),
    })),
  };
}

function linkOf(scene: Scene, page: string, element: ElementNode): readonly NavigationLink[] {
  const href = attributeText(element, "href")?.trim() ?? "";
  const name = scene.name(element);
  if (element.tag !== "a" || href === "" || href.startsWith("#") || !name.certain || name.text === "")
    return [];
  if (/^(?:javascript|mailto|tel):/i.test(href)) return [];
  return [{ element, name: speakable(name.text), place: resolved(page, href) }];
}

/** An address as seen from the folder of the page; one with a scheme, a host or from the root stays as it is. */
function resolved(page: string, href: string): string {
  if (/^(?:[a-z][a-z0-9+.-]*:|\/)/i.test(href)) return href;
  const steps = page.split("/").slice(0, -1);
  for (const step of href.split("/")) {
    if (step === ".." && steps.length > 0 && steps.at(-1) !== "..") steps.pop();
    else if (step !== ".") steps.push(step);
  }
  return steps.join("/");
}
