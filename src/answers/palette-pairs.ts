import path from "node:path";
import * as z from "zod";
import { toHex } from "../core/colour/rgba.ts";
import { nearestWord } from "../core/document/nearest-word.ts";
import { type Result, refusal, unreadable } from "../core/findings/problems.ts";
import type { Host } from "../host/host.ts";
import { decodeText } from "../readers/html/decode.ts";
import { readColour } from "./contrast.ts";
import type { PaletteScheme, PlacedColour } from "./palette-file.ts";

/** What stands on what, and the ratio that it needs: names of a palette, or a colour that stands beside it. */
export interface NamedPair {
  readonly text: string;
  readonly ground: string;
  readonly needed: number;
  /** The only scheme in which it was seen; null for every one that has both colours. */
  readonly scheme: string | null;
}

export interface ReadPairs {
  readonly pairs: readonly NamedPair[];
  /** Pairs of an audit that this palette has no say in. */
  readonly elsewhere: number;
  /** Whether an audit lists what failed alone, so that a change could spoil what passes. */
  readonly listsFailuresAlone: boolean;
}

/** WCAG 2.2, 1.4.3: text of ordinary size. */
const NEEDED = 4.5;

const pairLine = /^(\S+)\s+on\s+(\S+?)(?:\s+([\d.]+)(?::1)?)?$/i;

/** The part of an audit's JSON that tells pairs of colours. */
const auditPairs = z.object({
  findings: z.array(
    z.object({
      outcome: z.string(),
      facts: z
        .object({
          foreground: z.string().nullish(),
          background: z.string().nullish(),
          foregroundFrom: z.string().nullish(),
          backgroundFrom: z.string().nullish(),
          needed: z.number().nullish(),
          scheme: z.string().nullish(),
        })
        .nullish(),
    }),
  ),
});

/**
 * The pairs that a palette must satisfy: each asked value is a pair ("--ink on --paper", "--muted on --paper 3"), several with
 * commas between them, or a file: the JSON of an audit, or pairs one a line.
 */
export async function readPairs(
  asked: readonly string[],
  schemes: readonly PaletteScheme[],
  host: Host,
): Promise<Result<ReadPairs>> {
  const pairs: NamedPair[] = [];
  let elsewhere = 0;
  let listsFailuresAlone = false;
  for (const value of asked) {
    if (/\son\s/i.test(value)) {
      const read = writtenPairs(value.split(","), "--pairs", schemes);
      if (!read.ok) return read;
      pairs.push(...read.value);
      continue;
    }
    const bytes = await host.files.read(path.resolve(host.workingDirectory, value));
    if (!bytes.ok) return { ok: false, problem: unreadable(value, bytes.reason) };
    const decoded = decodeText(bytes.bytes, value, "css");
    if (!decoded.ok) return decoded;
    const { text } = decoded.value;
    if (/^\s*\{/.test(text)) {
      const read = pairsOfAudit(text, value, schemes);
      if (!read.ok) return read;
      pairs.push(...read.value.pairs);
      elsewhere += read.value.elsewhere;
      listsFailuresAlone ||= read.value.listsFailuresAlone;
      continue;
    }
    const lines = text.split(/\r?\n/).map((line) => line.replace(/^\s*#.*$/, ""));
    const read = writtenPairs(lines, value, schemes);
    if (!read.ok) return read;
    pairs.push(...read.value);
  }
  return { ok: true, value: { pairs: eachOnce(pairs), elsewhere, listsFailuresAlone } };
}

/** Of pairs that are the same the one that needs most. */
function eachOnce(pairs: readonly NamedPair[]): readonly NamedPair[] {
  const known = new Map<string, NamedPair>();
  for (const pair of pairs) {
    const key = JSON.stringify([pair.text, pair.ground, pair.scheme]);
    if ((known.get(key)?.needed ?? 0) < pair.needed) known.set(key, pair);
  }
  return [...known.values()];
}

function writtenPairs(
  lines: readonly string[],
  where: string,
  schemes: readonly PaletteScheme[],
): Result<readonly NamedPair[]> {
  const pairs: NamedPair[] = [];
  for (const [at, line] of lines.entries()) {
    if (line.trim() === "") continue;
    const [, first, second, ratio] = pairLine.exec(line.trim()) ?? [];
    const needed = ratio === undefined ? NEEDED : Number(ratio);
    if (first === undefined || second === undefined || !(needed > 1 && needed <= 21))
      return refusal(
        `${where === "--pairs" ? where : `${where}:${at + 1}`}: "${line.trim()}" is no pair; write "--ink on --paper", and the ratio after it where it is not 4.5: "--ink on --paper 3"`,
      );
    const [text, ground] = [named(first, schemes), named(second, schemes)];
    if (!text.ok) return text;
    if (!ground.ok) return ground;
    pairs.push({ text: text.value, ground: ground.value, needed, scheme: null });
  }
  return { ok: true, value: pairs };
}

/** A name as the palette has it, whose dashes may be left away. */
export function nameIn(word: string, names: readonly string[]): Result<string> {
  const found = names.find((name) => name === word || name === `--${word}`);
  if (found !== undefined) return { ok: true, value: found };
  const near = nearestWord(word, names) ?? nearestWord(`--${word}`, names);
  return refusal(`${word}: is no colour of the palette${near === null ? "" : `; did you mean ${near}?`}`);
}

/** The names of a palette, in whatever scheme. */
export const namesOf = (schemes: readonly PaletteScheme[]): readonly string[] => [
  ...new Set(schemes.flatMap(({ colours }) => colours.map(({ name }) => name))),
];

/** A colour of the palette by its name, else a colour by itself. */
function named(word: string, schemes: readonly PaletteScheme[]): Result<string> {
  const own = nameIn(word, namesOf(schemes));
  const colour = own.ok ? null : readColour(word);
  return colour?.ok === true ? { ok: true, value: toHex(colour.value) } : own;
}

/** The pairs of an audit in which a colour of the palette takes part as it is. */
function pairsOfAudit(text: string, file: string, schemes: readonly PaletteScheme[]): Result<ReadPairs> {
  const parsed = auditPairs.safeParse(parsedJson(text));
  if (!parsed.success)
    return {
      ok: false,
      problem: {
        target: file,
        message:
          "Is no audit. Write one: keel audit pages --format json --outcomes failed,passed -o audit.json",
      },
    };
  const { findings } = parsed.data;
  let elsewhere = 0;
  const pairs = findings.flatMap(({ facts }): readonly NamedPair[] => {
    if (facts?.foreground == null || facts.background == null || facts.needed == null) return [];
    const { needed } = facts;
    const scheme = schemes.find((one) => one.scheme === facts.scheme) ?? schemes[0];
    const texts = tokensOf(facts.foreground, facts.foregroundFrom, scheme?.colours ?? []);
    const grounds = tokensOf(facts.background, facts.backgroundFrom, scheme?.colours ?? []);
    if (texts.length + grounds.length === 0) {
      elsewhere++;
      return [];
    }
    // A colour beside the palette is known in the scheme alone in which it was seen.
    const only = texts.length === 0 || grounds.length === 0 ? (scheme?.scheme ?? null) : null;
    return orItself(texts, facts.foreground).flatMap((text) =>
      orItself(grounds, facts.background ?? "").map((ground) => ({ text, ground, needed, scheme: only })),
    );
  });
  const contrasts = findings.filter(({ facts }) => facts?.foreground != null);
  return {
    ok: true,
    value: { pairs, elsewhere, listsFailuresAlone: !contrasts.some(({ outcome }) => outcome === "passed") },
  };
}

const orItself = (names: readonly string[], hex: string): readonly string[] =>
  names.length === 0 ? [hex] : names;

/**
 * The colour of the palette that a fact came from: the last custom property on its way, if it shows as that one does. An
 * audit does not tell the way of what passes: that may be each colour that shows so.
 */
function tokensOf(
  hex: string,
  from: string | null | undefined,
  colours: readonly PlacedColour[],
): readonly string[] {
  const alike = colours.filter(({ colour }) => toHex(colour) === hex).map(({ name }) => name);
  if (from == null) return alike;
  const through = [...from.matchAll(/(--[\w-]+): /g)].flatMap(([, name]) => name ?? []);
  return through.filter((name) => alike.includes(name)).slice(-1);
}

function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
