import picomatch from "picomatch";
import * as robotsModule from "robots-parser";
import type { ElementNode } from "../core/document/node.ts";
import { attributeText, attributeTokens } from "../core/document/written.ts";
import type { Scene } from "../core/scene/scene.ts";
import { addressName, type PageFile } from "../engine/targets.ts";
import type { CrawlPlan } from "../settings/plan.ts";
import { addressFrom } from "./served-sheets.ts";

/** What a robots.txt allows. RFC 9309. */
interface Robots {
  isAllowed(address: string, agent: string): boolean | undefined;
}

// Its types speak of another way to import it than the one it has.
const robotsParser = robotsModule.default as unknown as (address: string, text: string) => Robots;

/** Parameters that tell where a visitor came from, and nothing of the page. */
const tracking = /^(?:utm_\w+|gclid|fbclid|msclkid|mc_[ce]id|ref|_ga|yclid|igshid)$/i;

/** What programs are called that robots.txt may keep away. */
const AGENT = "even-keel";

/** An address as one page goes by it: without the place on it, and without what tells where a visitor came from. */
export function pageAddress(address: string): string | null {
  const name = addressName(address);
  if (name === null) return null;
  const url = new URL(name);
  for (const key of [...url.searchParams.keys()]) if (tracking.test(key)) url.searchParams.delete(key);
  return url.href;
}

/** The pages that are met from some pages on: of the same origin, breadth first, each once, as far as robots.txt lets. */
export class Crawl {
  readonly #plan: CrawlPlan;
  readonly #origins: ReadonlySet<string>;
  readonly #met = new Set<string>();
  readonly #isWithin: (path: string) => boolean;
  readonly #isOut: (path: string) => boolean;
  readonly #robots = new Map<string, Promise<Robots | null>>();
  readonly #ask: (address: string) => Promise<string | null>;

  /** @param ask gives the text at an address; null for none */
  constructor(plan: CrawlPlan, from: readonly PageFile[], ask: (address: string) => Promise<string | null>) {
    this.#plan = plan;
    this.#ask = ask;
    const addresses = from.flatMap(({ address }) => address ?? []);
    this.#origins = new Set(addresses.map((address) => new URL(address).origin));
    for (const address of addresses) this.#met.add(pageAddress(address) ?? address);
    this.#isWithin = plan.within === null ? () => true : picomatch(plan.within, { dot: true });
    this.#isOut = plan.not === null ? () => false : picomatch(plan.not, { dot: true });
  }

  /** The pages that a page leads to and that were not met before, in the order of its links. */
  async from(page: PageFile, scene: Scene): Promise<readonly PageFile[]> {
    const found: PageFile[] = [];
    for (const link of linksIn(scene)) {
      if (this.#met.size >= this.#plan.most) break;
      const full = addressFrom(link, page.address ?? "");
      const address = full === null ? null : pageAddress(full);
      if (address === null || this.#met.has(address) || !this.#origins.has(new URL(address).origin)) continue;
      const { pathname } = new URL(address);
      if (notPages.test(pathname) || !this.#isWithin(pathname) || this.#isOut(pathname)) continue;
      if (!(await this.#mayVisit(address))) continue;
      this.#met.add(address);
      found.push({ ...page, isNamed: false, address, name: address });
    }
    return found;
  }

  async #mayVisit(address: string): Promise<boolean> {
    const { origin } = new URL(address);
    let robots = this.#robots.get(origin);
    if (robots === undefined) {
      const at = `${origin}/robots.txt`;
      robots = this.#ask(at).then((text) => (text === null ? null : robotsParser(at, text)));
      this.#robots.set(origin, robots);
    }
    return (await robots)?.isAllowed(address, AGENT) !== false;
  }
}

/** Files that are no pages, as far as their names tell. */
const notPages =
  /\.(?:png|jpe?g|gif|svg|webp|avif|ico|pdf|zip|gz|tgz|mp[34]|webm|ogg|wav|css|m?js|json|xml|txt|csv|docx?|xlsx?|pptx?|dmg|exe|woff2?)$/i;

/** Where links lead that a robot may follow. */
function* linksIn({ page: { index } }: Scene): Iterable<string> {
  const isFollowed = (link: ElementNode) => !attributeTokens(link, "rel").includes("nofollow");
  for (const tag of ["a", "area"])
    for (const link of index.byTag(tag)) {
      const href = attributeText(link, "href");
      if (href !== null && isFollowed(link) && !link.attributes.has("download")) yield href;
    }
}
