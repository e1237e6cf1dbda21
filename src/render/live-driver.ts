import type { Driver, DriverSource, Happenings, Moment } from "../engine/driver.ts";
import type { LiveElement } from "../engine/live-element.ts";
import { LivePage, type PageSource } from "./live-page.ts";

/** Windows that are opened in a simulated window, each anew. */
export const liveSource = (source: PageSource): DriverSource => ({
  open: async () => new LiveDriver(await LivePage.open(source)),
});

/** A simulated window as explorer and walk scripts know it. */
export class LiveDriver implements Driver {
  /** Nothing is drawn here. */
  readonly eyes = null;
  readonly isHeld = false;
  readonly #page: LivePage;

  constructor(page: LivePage) {
    this.#page = page;
  }

  get rests(): boolean {
    return this.#page.rests;
  }

  get isAlive(): boolean {
    return this.#page.isAlive;
  }

  get isScripted(): boolean {
    return this.#page.isSpecimen || this.#page.isAlive;
  }

  async moment(): Promise<Moment> {
    return this.#page.moment();
  }

  async happenings(): Promise<Happenings> {
    const { left, asked, problems } = this.#page;
    return { left: [...left], asked, unanswered: 0, held: [], problems: [...problems] };
  }

  async takeEvents(): Promise<readonly string[]> {
    return this.#page.takeEvents();
  }

  async focused(): Promise<string | null> {
    const element = this.#page.focused();
    const node = element === null ? null : this.#page.nodeOf(element);
    return node === null ? null : this.#page.moment().keyOf(node);
  }

  press(key: string): Promise<void> {
    return this.#page.press(key);
  }

  point(key: string): Promise<void> {
    return this.#on(key, (element) => this.#page.point(element));
  }

  click(key: string): Promise<void> {
    return this.#on(key, (element) => this.#page.click(element));
  }

  hover(key: string): Promise<void> {
    return this.#on(key, (element) => this.#page.hover(element));
  }

  scrollTo(key: string): Promise<void> {
    return this.#on(key, () => this.#page.scroll());
  }

  focus(key: string): Promise<void> {
    return this.#on(key, async (element) => {
      element.focus();
      await this.#page.settle();
    });
  }

  settle(): Promise<void> {
    return this.#page.pass();
  }

  wait(): Promise<void> {
    return this.#page.pass();
  }

  rest(): Promise<void> {
    return this.#page.rest();
  }

  async close(): Promise<void> {
    this.#page.close();
  }

  async #on(key: string, act: (element: LiveElement) => Promise<void>): Promise<void> {
    const node = this.#page.moment().element(key);
    const element = node === null ? null : this.#page.elementOf(node);
    if (element !== null) await act(element);
  }
}
