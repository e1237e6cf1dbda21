import type { Confidence } from "../core/repair/repair.ts";

/** What is read, and how it is looked at, as a front may ask for it. What is not given, the configuration says, then what is usual. */
export interface ReadingOptions {
  /** The configuration file; the nearest `keel.config.*` upward when not given; false for none. */
  readonly config?: string | false | undefined;
  /** Folders whose stylesheets may be read too, and where addresses like `/style.css` are looked for. */
  readonly roots?: readonly string[] | undefined;
  /** Largest page or stylesheet, in megabytes. */
  readonly maxSize?: number | undefined;
  /** Width and height of the window in CSS pixels: `1280x800`. */
  readonly window?: string | undefined;
  readonly pointer?: "fine" | "coarse" | undefined;
  readonly reducedMotion?: boolean | undefined;
  /** What the page on standard input is called. */
  readonly stdinName?: string | undefined;
  /** `read` executes nothing, `render` also runs the scripts of pages and all specimens, `browser` opens pages in one. */
  readonly engine?: "read" | "render" | "browser" | undefined;
  /** The browser to open pages in: its name, or the path of its program; the first that is installed when not given. */
  readonly browser?: string | undefined;
  /** Whether pages are judged that answer with an error. */
  readonly anyStatus?: boolean | undefined;
  /** Whether keys are pressed on every page, or on none; not given: on pages of this machine. */
  readonly press?: boolean | undefined;
  readonly letSend?: boolean | undefined;
  /** Whether pages in a browser are pictured. */
  readonly pictures?: boolean | undefined;
  /** Files that list pages, one a line. */
  readonly pageLists?: readonly string[] | undefined;
  /** Addresses of sitemaps. */
  readonly sitemaps?: readonly string[] | undefined;
  /** Whether pages are followed to others of their origin; how many at most, and which by their paths. */
  readonly crawl?: boolean | undefined;
  readonly most?: number | undefined;
  readonly within?: string | undefined;
  readonly not?: string | undefined;
  /** A program that serves the pages, and the address that tells when it does; the first page when not given. */
  readonly start?: string | undefined;
  readonly ready?: string | undefined;
  /** What a page must show before it is looked at: a CSS selector, or what is heard there, `"Free slips" heading`. */
  readonly readyWhen?: string | undefined;
  /** What is sent with every request to the origin of a page: `Name: value`. */
  readonly headers?: readonly string[] | undefined;
  /** A walk script that signs in: walked once, on the first address. */
  readonly before?: string | undefined;
  /** Where cookies and storage are read from, and where they are kept afterwards. */
  readonly storage?: string | undefined;
  readonly keepStorage?: string | undefined;
  /** Whether certificates are taken that nobody vouches for. */
  readonly trustAll?: boolean | undefined;
  readonly language?: string | undefined;
  readonly forcedColours?: boolean | undefined;
  /** Whether specimens are run that targets do not name but hold; as the configuration says where it is not given. */
  readonly runSpecimens?: boolean | undefined;
  /** How long the scripts and keys of one page or specimen may take, in seconds. */
  readonly timeLimit?: number | undefined;
  /** Themes in which colours are judged too: `data-theme=dark`. */
  readonly themes?: readonly string[] | undefined;
}

/** How pages are judged, and what is told of it. */
export interface AuditOptions extends ReadingOptions {
  readonly wcag?: "2.0" | "2.1" | "2.2" | undefined;
  readonly level?: "A" | "AA" | "AAA" | undefined;
  /** Only these checks or families. */
  readonly only?: readonly string[] | undefined;
  /** All but these checks or families. */
  readonly skipChecks?: readonly string[] | undefined;
  /** What is told of a window that somebody uses. */
  readonly events?: readonly string[] | undefined;
  /** A folder for pictures of what is found in a browser, each element in its surroundings. */
  readonly shots?: string | undefined;
  /** Which outcomes become findings: `failed`, `cantTell`, `passed`. */
  readonly outcomes?: readonly string[] | undefined;
  /** The least severity that counts as a failure. */
  readonly failOn?: "blocker" | "barrier" | "friction" | "never" | undefined;
  /** Whether every family is told, whatever the configuration shows. */
  readonly all?: boolean | undefined;
  /** Whether findings in component source say in which world they were judged. */
  readonly showWorlds?: boolean | undefined;
  /** In how many threads component source is judged; by the cores of the machine where it is not given. */
  readonly workers?: number | undefined;
  /** Whether what came of component source is kept from one run to the next. */
  readonly cache?: boolean | undefined;
  /** Where it is kept; the user's own cache folder when not given. */
  readonly cacheDir?: string | undefined;
}

/** Which edits are wanted beside those that cannot change a meaning. */
export interface MendOptions extends AuditOptions {
  readonly also?: Exclude<Confidence, "ask" | "safe"> | undefined;
}
