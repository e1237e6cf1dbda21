import path from "node:path";
import { emptyFile, type Problem, templateAlone } from "../core/findings/problems.ts";
import type { PageFile } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import { pageBytes } from "../read/load-page.ts";
import { isTemplate } from "../read/read-engine.ts";
import { decodeText } from "../readers/html/decode.ts";
import type { ReadingPlan } from "../settings/plan.ts";
import type { PageServer } from "./page-server.ts";

/** A page that lies here: its text as we read it, and the address that it is served at. */
export async function localPage(
  page: PageFile,
  plan: ReadingPlan,
  host: Host,
  server: PageServer,
): Promise<
  | { readonly ok: true; readonly text: string; readonly address: string }
  | { readonly ok: false; readonly problem: Problem; readonly isUnread: boolean }
> {
  const file = page.path ?? path.resolve(host.workingDirectory, page.name);
  const bytes = await pageBytes(page, { host, options: plan });
  if (!bytes.ok) return { ...bytes, isUnread: true };
  const decoded = decodeText(bytes.value, page.name, "html");
  if (!decoded.ok) return { ...decoded, isUnread: true };
  const { text } = decoded.value;
  if (text.trim() === "") return { ok: false, problem: emptyFile(page.name), isUnread: true };
  if (isTemplate(text)) return { ok: false, problem: templateAlone(page.name), isUnread: false };
  if (page.path === null) server.put(file, bytes.value);
  return { ok: true, text, address: await server.address({ file, tree: page.tree }) };
}
