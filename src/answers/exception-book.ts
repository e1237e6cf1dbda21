import type { AppliedSheet } from "../core/css/sheet.ts";
import { nearestWord } from "../core/document/nearest-word.ts";
import type { Document } from "../core/document/node.ts";
import { allows, type Exception, markupExceptions, sheetExceptions } from "../core/findings/exceptions.ts";
import {
  exceptionForUnknown,
  exceptionUnused,
  exceptionWithoutForm,
  exceptionWithoutReason,
  type Problem,
} from "../core/findings/problems.ts";
import type { Finding } from "../core/findings/verdict.ts";
import type { SourceTexts } from "./element-answer.ts";

/** An exception that was met, and whether it covers something: plain data. */
export interface MetException extends Omit<Exception, "covers"> {
  readonly isUsed: boolean;
}

/** The exceptions that comments make in all the pages of an audit, and whether each still covers something. */
export class ExceptionBook {
  readonly #ids: readonly string[];
  /** By place: a stylesheet that many pages share has each of its comments once. */
  readonly #met = new Map<string, { readonly exception: Omit<Exception, "covers">; used: boolean }>();

  constructor(ids: readonly string[]) {
    this.#ids = ids;
  }

  /** What the comments of one page and its stylesheets allow. */
  ofPage(
    document: Document,
    sheets: readonly AppliedSheet[],
  ): { readonly allows: (finding: Finding) => boolean } {
    const entries = [...markupExceptions(document), ...sheets.flatMap(exceptionsIn)].map((exception) => {
      const key = `${exception.source.file} ${exception.source.start}`;
      const known = this.#met.get(key) ?? { exception, used: false };
      this.#met.set(key, known);
      return { exception, known };
    });
    return {
      allows: (finding) => {
        let allowed = false;
        for (const { exception, known } of entries) {
          if (!allows(exception, finding)) continue;
          known.used = true;
          allowed = true;
        }
        return allowed;
      },
    };
  }

  /** Every exception that was met. */
  get met(): readonly MetException[] {
    return [...this.#met.values()].map(({ exception: { source, checks, reason }, used }) => ({
      source,
      checks,
      reason,
      isUsed: used,
    }));
  }

  /** Takes what another book has met. */
  add(met: readonly MetException[]): void {
    for (const { isUsed, ...exception } of met) {
      const key = `${exception.source.file} ${exception.source.start}`;
      const known = this.#met.get(key);
      if (known === undefined) this.#met.set(key, { exception, used: isUsed });
      else known.used ||= isUsed;
    }
  }

  /** What is wrong with the comments themselves. Those for checks that did not run may cover something all the same. */
  problems(texts: SourceTexts, ran: ReadonlySet<string>): readonly Problem[] {
    return [...this.#met.values()].flatMap(({ exception, used }) => {
      const place = texts.place(exception.source);
      const where = place === null ? exception.source.file : `${place.file}:${place.line}:${place.column}`;
      const names = exception.checks.join(", ");
      if (exception.checks.length === 0) return [exceptionWithoutForm(where)];
      const unknown = exception.checks.find((id) => !this.#ids.includes(id));
      if (unknown !== undefined)
        return [exceptionForUnknown(where, unknown, nearestWord(unknown, this.#ids))];
      if (exception.reason === null) return [exceptionWithoutReason(where, names)];
      return used || !exception.checks.every((id) => ran.has(id)) ? [] : [exceptionUnused(where, names)];
    });
  }
}

const exceptionsIn = (applied: AppliedSheet): readonly Exception[] => [
  ...sheetExceptions(applied.sheet.remarks),
  ...[...applied.imports.values()].flatMap(exceptionsIn),
];
