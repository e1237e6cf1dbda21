import { type Check, isOfKind } from "./check.ts";
import { linksStandOut } from "./colour/links-stand-out.ts";
import { colourNotAlone } from "./colour/not-alone.ts";
import { contrastControlEdge } from "./contrast/control-edge.ts";
import { contrastControlSeen } from "./contrast/control-seen.ts";
import { contrastFocusMark } from "./contrast/focus-mark.ts";
import { contrastFocusMarkEnhanced } from "./contrast/focus-mark-enhanced.ts";
import { contrastIcon } from "./contrast/icon.ts";
import { contrastPlaceholder } from "./contrast/placeholder.ts";
import { contrastText } from "./contrast/text.ts";
import { contrastTextActedOn } from "./contrast/text-acted-on.ts";
import { contrastTextEnhanced } from "./contrast/text-enhanced.ts";
import { errorConnected } from "./forms/error-connected.ts";
import { optionsGrouped } from "./forms/options-grouped.ts";
import { pasteAllowed } from "./forms/paste-allowed.ts";
import { purposeTold } from "./forms/purpose-told.ts";
import { requiredTold } from "./forms/required-told.ts";
import { accessKeys } from "./keys/access-keys.ts";
import { activates } from "./keys/activates.ts";
import { activeItemTold } from "./keys/active-item-told.ts";
import { autofocusSensible } from "./keys/autofocus-sensible.ts";
import { dialogCloses } from "./keys/dialog-closes.ts";
import { dialogGivesBack } from "./keys/dialog-gives-back.ts";
import { dialogKeepsFocus } from "./keys/dialog-keeps-focus.ts";
import { dialogTakesFocus } from "./keys/dialog-takes-focus.ts";
import { dragHasEqual } from "./keys/drag-has-equal.ts";
import { focusNotCovered } from "./keys/focus-not-covered.ts";
import { focusNotLost } from "./keys/focus-not-lost.ts";
import { focusShows } from "./keys/focus-shows.ts";
import { focusWhollySeen } from "./keys/focus-wholly-seen.ts";
import { hoverHasEqual } from "./keys/hover-has-equal.ts";
import { noLetterShortcuts } from "./keys/no-letter-shortcuts.ts";
import { noSurpriseOnFocus } from "./keys/no-surprise-on-focus.ts";
import { noSurpriseOnInput } from "./keys/no-surprise-on-input.ts";
import { noTrap } from "./keys/no-trap.ts";
import { oneStopPerWidget } from "./keys/one-stop-per-widget.ts";
import { orderMakesSense } from "./keys/order-makes-sense.ts";
import { patternKept } from "./keys/pattern-kept.ts";
import { reachable } from "./keys/reachable.ts";
import { scrolls } from "./keys/scrolls.ts";
import { skipArrives } from "./keys/skip-arrives.ts";
import { walkHolds } from "./keys/walk-holds.ts";
import { wayPastRepeats } from "./keys/way-past-repeats.ts";
import { captions } from "./media/captions.ts";
import { noAutoplay } from "./media/no-autoplay.ts";
import { canStop } from "./motion/can-stop.ts";
import { noFlash } from "./motion/no-flash.ts";
import { actionNamed } from "./names/action-named.ts";
import { areaNamed } from "./names/area-named.ts";
import { controlLabelled } from "./names/control-labelled.ts";
import { fromTooltipOnly } from "./names/from-tooltip-only.ts";
import { groupNamed } from "./names/group-named.ts";
import { imageDescribed } from "./names/image-described.ts";
import { labelConnected } from "./names/label-connected.ts";
import { labelStaysVisible } from "./names/label-stays-visible.ts";
import { landmarksToldApart } from "./names/landmarks-told-apart.ts";
import { linkPurpose } from "./names/link-purpose.ts";
import { linksToldApart } from "./names/links-told-apart.ts";
import { noFileName } from "./names/no-file-name.ts";
import { notHeardTwice } from "./names/not-heard-twice.ts";
import { referencesFound } from "./names/references-found.ts";
import { samePlaceSameName } from "./names/same-place-same-name.ts";
import { saysItOnce } from "./names/says-it-once.ts";
import { takesAName } from "./names/takes-a-name.ts";
import { visibleWordsInName } from "./names/visible-words-in-name.ts";
import { changeAnnounced } from "./roles/change-announced.ts";
import { childrenPresent } from "./roles/children-present.ts";
import { documentNotHidden } from "./roles/document-not-hidden.ts";
import { rolesExist } from "./roles/exists.ts";
import { fitsElement } from "./roles/fits-element.ts";
import { flattenedHoldsNoFocus } from "./roles/flattened-holds-no-focus.ts";
import { hiddenHoldsNoFocus } from "./roles/hidden-holds-no-focus.ts";
import { nativeFirst } from "./roles/native-first.ts";
import { noNestedActions } from "./roles/no-nested-actions.ts";
import { notRepeated } from "./roles/not-repeated.ts";
import { parentPresent } from "./roles/parent-present.ts";
import { promiseKept } from "./roles/promise-kept.ts";
import { stateAgrees } from "./roles/state-agrees.ts";
import { stateFollows } from "./roles/state-follows.ts";
import { stateValues } from "./roles/state-values.ts";
import { statesRequired } from "./roles/states-required.ts";
import { statesSupported } from "./roles/states-supported.ts";
import { headingsExist } from "./structure/headings-exist.ts";
import { headingsMarked } from "./structure/headings-marked.ts";
import { headingsSay } from "./structure/headings-say.ts";
import { headingsStep } from "./structure/headings-step.ts";
import { idsUnique } from "./structure/ids-unique.ts";
import { inLandmarks } from "./structure/in-landmarks.ts";
import { landmarkPlace } from "./structure/landmark-place.ts";
import { language } from "./structure/language.ts";
import { languageOfParts } from "./structure/language-of-parts.ts";
import { layoutTablesPlain } from "./structure/layout-tables.ts";
import { lists } from "./structure/lists.ts";
import { listsMarked } from "./structure/lists-marked.ts";
import { oneMain } from "./structure/main.ts";
import { navigationOrder } from "./structure/navigation-order.ts";
import { readingOrderKept } from "./structure/reading-order.ts";
import { tableHeaders } from "./structure/table-headers.ts";
import { title } from "./structure/title.ts";
import { titlesDiffer } from "./structure/titles-differ.ts";
import { noRefresh } from "./time/no-refresh.ts";
import { targetSize } from "./touch/target-size.ts";
import { targetSizeEnhanced } from "./touch/target-size-enhanced.ts";
import { anyOrientation } from "./zoom/any-orientation.ts";
import { zoomNotBlocked } from "./zoom/not-blocked.ts";
import { reflows } from "./zoom/reflows.ts";
import { spacing } from "./zoom/spacing.ts";
import { textGrows } from "./zoom/text-grows.ts";

/** Every check of whatever kind, in the order in which they are told. */
export const everyCheck: readonly Check[] = [
  imageDescribed,
  noFileName,
  saysItOnce,
  notHeardTwice,
  controlLabelled,
  labelConnected,
  labelStaysVisible,
  actionNamed,
  areaNamed,
  groupNamed,
  referencesFound,
  visibleWordsInName,
  takesAName,
  linkPurpose,
  linksToldApart,
  landmarksToldApart,
  fromTooltipOnly,
  rolesExist,
  fitsElement,
  notRepeated,
  nativeFirst,
  statesRequired,
  statesSupported,
  stateValues,
  stateAgrees,
  parentPresent,
  childrenPresent,
  noNestedActions,
  hiddenHoldsNoFocus,
  flattenedHoldsNoFocus,
  documentNotHidden,
  promiseKept,
  contrastText,
  contrastTextActedOn,
  contrastTextEnhanced,
  contrastPlaceholder,
  contrastControlEdge,
  contrastIcon,
  contrastControlSeen,
  contrastFocusMark,
  linksStandOut,
  colourNotAlone,
  reachable,
  activates,
  noTrap,
  orderMakesSense,
  focusShows,
  wayPastRepeats,
  skipArrives,
  noSurpriseOnFocus,
  noSurpriseOnInput,
  patternKept,
  oneStopPerWidget,
  activeItemTold,
  dialogTakesFocus,
  autofocusSensible,
  hoverHasEqual,
  accessKeys,
  scrolls,
  dragHasEqual,
  title,
  language,
  languageOfParts,
  headingsExist,
  headingsStep,
  headingsSay,
  headingsMarked,
  oneMain,
  inLandmarks,
  landmarkPlace,
  lists,
  listsMarked,
  tableHeaders,
  layoutTablesPlain,
  idsUnique,
  readingOrderKept,
  zoomNotBlocked,
  reflows,
  spacing,
  textGrows,
  anyOrientation,
  targetSize,
  targetSizeEnhanced,
  canStop,
  noFlash,
  noRefresh,
  captions,
  noAutoplay,
  purposeTold,
  pasteAllowed,
  requiredTold,
  errorConnected,
  optionsGrouped,
  samePlaceSameName,
  titlesDiffer,
  navigationOrder,
  dialogKeepsFocus,
  dialogCloses,
  dialogGivesBack,
  focusNotLost,
  focusNotCovered,
  focusWhollySeen,
  contrastFocusMarkEnhanced,
  noLetterShortcuts,
  changeAnnounced,
  stateFollows,
  walkHolds,
];

/** Those that look at one page by what source shows of it. */
export const catalogue = everyCheck.filter(isOfKind("page"));

const byId: ReadonlyMap<string, Check> = new Map(everyCheck.map((check) => [check.id, check]));

/** The check that goes by an id; undefined for none. */
export const checkWith = (id: string): Check | undefined => byId.get(id);
