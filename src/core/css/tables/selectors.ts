/** Pseudo-elements a browser knows beside every `-webkit-` one, which it accepts unseen. */
export const pseudoElements = new Set(
  "after backdrop before cue details-content file-selector-button first-letter first-line grammar-error highlight marker part picker picker-icon placeholder scroll-marker scroll-marker-group search-text selection slotted spelling-error target-text view-transition checkmark column".split(
    " ",
  ),
);

/** Pseudo-classes without arguments that current browsers know. Selectors 4, HTML §4.16.3, CSS Scoping 1, fullscreen and view transitions. */
export const plainPseudoClasses = new Set(
  "active active-view-transition any-link autofill blank buffering checked current default defined disabled empty enabled first first-child first-of-type focus focus-visible focus-within fullscreen future has-slotted heading host hover in-range indeterminate interest-source interest-target invalid last-child last-of-type left link local-link modal muted only-child only-of-type open optional out-of-range past paused picture-in-picture placeholder-shown playing popover-open read-only read-write required right root scope seeking stalled target target-after target-before target-current target-within user-invalid user-valid valid visited volume-locked xr-overlay -internal-autofill-previewed -webkit-any-link -webkit-autofill -webkit-drag -webkit-full-screen -webkit-full-page-media".split(
    " ",
  ),
);

/** Attributes whose values selectors compare without case. HTML §4.16.2, "case-sensitivity of selectors", the usual ones. */
export const caseInsensitiveAttributes = new Set(
  "accept align alink axis bgcolor charset checked clear color compact defer dir direction disabled enctype face frame hreflang lang language link media method multiple nohref noresize noshade nowrap readonly rel rev rules scope scrolling selected shape target text type valign valuetype vlink".split(
    " ",
  ),
);
