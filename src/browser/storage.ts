import type { BrowserContext, CookieData } from "puppeteer-core";
import * as z from "zod";
import { notKept, type Problem, storageUnreadable } from "../core/findings/problems.ts";
import { shownName } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import type { BrowserPlan } from "../settings/plan.ts";
import type { BrowserWindow } from "./browser-window.ts";
import { storedHere } from "./inside/collect.ts";

/** What is kept of a browser: its cookies, and what each origin has stored. */
const storageSchema = z.object({
  format: z.literal("even-keel/storage"),
  version: z.literal(1),
  cookies: z.array(z.looseObject({ name: z.string(), value: z.string(), domain: z.string() })),
  origins: z.record(z.string(), z.record(z.string(), z.string())),
});

type Stored = z.infer<typeof storageSchema>;

/** Cookies and storage that every page of a run begins with, and those that are kept afterwards. */
export class Storage {
  readonly #plan: Pick<BrowserPlan, "storage" | "keepsStorage">;
  readonly #host: Host;
  #stored: Stored | null = null;
  #kept: Stored | null = null;

  constructor(plan: Pick<BrowserPlan, "storage" | "keepsStorage">, host: Host) {
    this.#plan = plan;
    this.#host = host;
  }

  /** Reads the file that is named; what is wrong with it, or null. */
  async read(): Promise<Problem | null> {
    const { storage } = this.#plan;
    if (storage === null) return null;
    const name = shownName(this.#host, storage);
    const read = await this.#host.files.read(storage);
    if (!read.ok) return storageUnreadable(name, read.reason);
    try {
      this.#stored = storageSchema.parse(JSON.parse(new TextDecoder().decode(read.bytes)));
      return null;
    } catch {
      return storageUnreadable(name, "it is not of our format");
    }
  }

  /** Gives a new context its cookies. */
  async give(context: BrowserContext): Promise<void> {
    const cookies = (this.#stored?.cookies ?? []) as unknown as readonly CookieData[];
    if (cookies.length > 0) await context.setCookie(...cookies);
  }

  /** Has what an origin has stored be there before its first script runs. */
  async fill(window: BrowserWindow, origin: string): Promise<void> {
    const stored = this.#stored?.origins[origin];
    if (stored === undefined) return;
    await window.session.send("Page.addScriptToEvaluateOnNewDocument", {
      source: `if (location.origin === ${JSON.stringify(origin)} && self === top && sessionStorage.getItem("keel") === null) { sessionStorage.setItem("keel", "filled"); for (const [key, value] of Object.entries(${JSON.stringify(stored)})) localStorage.setItem(key, value); }`,
      worldName: "keel",
    });
  }

  /** Has every page begin with what a window has now. */
  async adopt(window: BrowserWindow): Promise<void> {
    this.#stored = await this.#of(window, this.#stored);
  }

  async #of(window: BrowserWindow, before: Stored | null): Promise<Stored> {
    const { id } = await window.frames();
    const { origin, items } = await window.ask<{ origin: string; items: Record<string, string> }>(
      id,
      storedHere,
    );
    return {
      format: "even-keel/storage",
      version: 1,
      cookies: [...(await window.cookies())] as unknown as Stored["cookies"],
      origins: { ...before?.origins, [origin]: items },
    };
  }

  /** Notes what a page leaves behind, where that is to be kept. */
  async note(window: BrowserWindow): Promise<void> {
    if (this.#plan.keepsStorage === null) return;
    try {
      this.#kept = await this.#of(window, this.#kept ?? this.#stored);
    } catch {
      // A page that could not be opened leaves nothing.
    }
  }

  /** Writes what is to be kept; what went wrong, or null. */
  async keep(): Promise<Problem | null> {
    const { keepsStorage } = this.#plan;
    if (keepsStorage === null || this.#kept === null) return null;
    const text = `${JSON.stringify(this.#kept, null, 2)}\n`;
    const reason = await this.#host.files.writeWhole(keepsStorage, text);
    return reason === null ? null : notKept(shownName(this.#host, keepsStorage), reason);
  }
}
