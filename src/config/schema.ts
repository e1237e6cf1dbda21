import * as z from "zod";
import { type Family, families } from "../core/checks/check.ts";
import { levels, wcagVersions } from "../core/standards/conformance.ts";
import { followedKinds } from "../core/walk-script/followed-kinds.ts";

const severity = z.enum(["blocker", "barrier", "friction"]);
const globs = z.array(z.string().min(1));

/** What may be set for one check: off, another severity, or both with the words it goes by. */
const checkSetting = z.union([
  z.enum(["off", "blocker", "barrier", "friction"]),
  z.strictObject({
    severity: z.union([severity, z.literal("off")]).optional(),
    /** Further words, for a check that goes by words. */
    words: z.array(z.string().min(1)).optional(),
  }),
]);

/** Check ids and families; ids are looked up where the catalogue is known. */
const checkSettings = z.record(z.string(), checkSetting);

/** `light`, `dark`, or an attribute of the root element that switches a theme on. */
const scheme = z
  .string()
  .regex(/^(?:light|dark|[a-z][a-z0-9-]*=.+)$/i, "light, dark, or a theme such as data-theme=dark");

/** What a configuration may hold. */
export const configSchema = z.strictObject({
  /** Files, folders and globs that are read when none are named; relative to the configuration file. */
  targets: globs.optional(),
  /** Files that targets name and that are not read. */
  skip: globs.optional(),
  conformance: z
    .strictObject({ wcag: z.enum(wcagVersions).optional(), level: z.enum(levels).optional() })
    .optional(),
  /** The least severity that makes an audit fail. */
  failOn: z.enum(["blocker", "barrier", "friction", "never"]).optional(),
  checks: checkSettings.optional(),
  /** Other settings of checks for some files; the last that fits wins. */
  overrides: z.array(z.strictObject({ files: globs.min(1), checks: checkSettings })).optional(),
  /** Stylesheets that every page has, beside those it names. */
  stylesheets: globs.optional(),
  /** Whether specimens that targets hold are run, with the code they import, or counted; those that a target names are run. */
  specimens: z.enum(["run", "count"]).optional(),
  /** Colour schemes and themes in which colours are judged. */
  schemes: z.array(scheme).min(1).optional(),
  /** Which HTML element an element of your own stands for: `{ "yard-pic": { as: "img" } }`. */
  components: z
    .record(
      z.string(),
      z.strictObject({ as: z.string().regex(/^[a-z][a-z0-9]*$/, "the name of an HTML element") }),
    )
    .optional(),
  /** A stylesheet or JSON file with your own colours, of which repairs suggest one. */
  palette: z.string().min(1).optional(),
  /** Folders whose stylesheets may be read too. */
  roots: globs.optional(),
  /** Largest page or stylesheet, in megabytes. */
  maxSize: z.number().positive().optional(),
  /** The browser that pages are opened in: its name, or the path of its program. */
  browser: z.string().min(1).optional(),
  /** The window for media queries, in CSS pixels. */
  window: z
    .string()
    .regex(/^\d{2,5}[x×]\d{2,5}$/i, "a size such as 1280x800")
    .optional(),
  pointer: z.enum(["fine", "coarse"]).optional(),
  reducedMotion: z.boolean().optional(),
  /** What is shown, so that nobody sets it again on every run. */
  output: z
    .strictObject({
      outcomes: z
        .array(z.enum(["failed", "cantTell", "passed"]))
        .min(1)
        .optional(),
      families: z
        .array(z.enum(Object.keys(families) as [Family, ...Family[]]))
        .min(1)
        .optional(),
      all: z.boolean().optional(),
      /** What `keel walk --follow` tells. */
      events: z.array(z.enum(followedKinds)).min(1).optional(),
    })
    .optional(),
});

/** The keys that may stand at a path of the configuration; none where anything may, or nothing. */
export function keysAt(path: readonly PropertyKey[]): readonly string[] {
  let schemas: readonly z.core.$ZodType[] = [configSchema];
  for (const key of path) schemas = schemas.flatMap((schema) => below(schema, key));
  return [...new Set(schemas.flatMap(plain).flatMap((schema) => Object.keys(shapeOf(schema))))];
}

/** What is behind `optional`, and each choice of a union. */
function plain(schema: z.core.$ZodType): readonly z.core.$ZodType[] {
  if (schema instanceof z.ZodOptional) return plain(schema.unwrap());
  return schema instanceof z.ZodUnion ? schema.options.flatMap(plain) : [schema];
}

const shapeOf = (schema: z.core.$ZodType): Readonly<Record<string, z.core.$ZodType>> =>
  schema instanceof z.ZodObject ? schema.shape : {};

const below = (schema: z.core.$ZodType, key: PropertyKey): readonly z.core.$ZodType[] =>
  plain(schema).flatMap((one) => {
    if (one instanceof z.ZodArray) return [one.element];
    if (one instanceof z.ZodRecord) return [one.valueType];
    return shapeOf(one)[String(key)] ?? [];
  });

/** What a configuration file holds. */
export type Config = z.input<typeof configSchema>;
export type CheckSetting = z.infer<typeof checkSetting>;
