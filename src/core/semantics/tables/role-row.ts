/** What the standards say of one role. */
export interface RoleRow {
  readonly kind: readonly (
    | "widget"
    | "composite"
    | "structure"
    | "landmark"
    | "live"
    | "window"
    | "abstract"
    | "graphics"
  )[];
  /** Superclass roles. */
  readonly is?: readonly string[];
  readonly abstract?: true;
  readonly required?: readonly string[];
  readonly requiredWhenFocusable?: readonly string[];
  /** Allowed beyond the global ones, inherited ones included. */
  readonly supports?: readonly string[];
  readonly supportsWhenFocusable?: readonly string[];
  /** Allowed in some editions only. */
  readonly maySupport?: readonly string[];
  readonly prohibits?: readonly string[];
  readonly nameFrom: readonly string[];
  readonly draftNameFrom?: readonly string[];
  readonly nameRequired?: true;
  /** One of these must hold it; `listbox/group`: a group that is in a listbox. */
  readonly parents?: readonly string[];
  /** It must own at least one of these; `rowgroup/row`: a rowgroup that owns a row. */
  readonly owns?: readonly string[];
  readonly mayOwn?: readonly string[];
  readonly childrenPresentational?: true;
  readonly defaults?: Readonly<Record<string, string>>;
  readonly defaultsWhenFocusable?: Readonly<Record<string, string>>;
  /** Used when a required state is missing; `=middle`: half way between minimum and maximum. */
  readonly fallbacks?: Readonly<Record<string, string>>;
  readonly draft?: true;
  readonly deprecated?: true;
  readonly useInstead?: string;
  /** Fields on which editions differ. */
  readonly doubtful?: readonly string[];
}
