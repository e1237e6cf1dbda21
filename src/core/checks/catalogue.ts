import type { Check } from "./check.ts";
import { linksStandOut } from "./colour/links-stand-out.ts";
import { contrastControlEdge } from "./contrast/control-edge.ts";
import { contrastFocusMark } from "./contrast/focus-mark.ts";
import { contrastPlaceholder } from "./contrast/placeholder.ts";
import { contrastText } from "./contrast/text.ts";
import { contrastTextActedOn } from "./contrast/text-acted-on.ts";
import { contrastTextEnhanced } from "./contrast/text-enhanced.ts";
import { purposeTold } from "./forms/purpose-told.ts";
import { focusShows } from "./keys/focus-shows.ts";
import { reachable } from "./keys/reachable.ts";
import { noAutoplay } from "./media/no-autoplay.ts";
import { actionNamed } from "./names/action-named.ts";
import { controlLabelled } from "./names/control-labelled.ts";
import { imageDescribed } from "./names/image-described.ts";
import { labelConnected } from "./names/label-connected.ts";
import { noFileName } from "./names/no-file-name.ts";
import { visibleWordsInName } from "./names/visible-words-in-name.ts";
import { childrenPresent } from "./roles/children-present.ts";
import { documentNotHidden } from "./roles/document-not-hidden.ts";
import { rolesExist } from "./roles/exists.ts";
import { hiddenHoldsNoFocus } from "./roles/hidden-holds-no-focus.ts";
import { noNestedActions } from "./roles/no-nested-actions.ts";
import { parentPresent } from "./roles/parent-present.ts";
import { stateValues } from "./roles/state-values.ts";
import { statesRequired } from "./roles/states-required.ts";
import { idsUnique } from "./structure/ids-unique.ts";
import { language } from "./structure/language.ts";
import { languageOfParts } from "./structure/language-of-parts.ts";
import { tableHeaders } from "./structure/table-headers.ts";
import { title } from "./structure/title.ts";
import { noRefresh } from "./time/no-refresh.ts";
import { zoomNotBlocked } from "./zoom/not-blocked.ts";
import { spacing } from "./zoom/spacing.ts";

/** Every check, in the order in which they are told. */
export const catalogue: readonly Check[] = [
  imageDescribed,
  noFileName,
  controlLabelled,
  labelConnected,
  actionNamed,
  visibleWordsInName,
  rolesExist,
  statesRequired,
  stateValues,
  parentPresent,
  childrenPresent,
  noNestedActions,
  hiddenHoldsNoFocus,
  documentNotHidden,
  contrastText,
  contrastTextActedOn,
  contrastTextEnhanced,
  contrastPlaceholder,
  contrastControlEdge,
  contrastFocusMark,
  linksStandOut,
  reachable,
  focusShows,
  title,
  language,
  languageOfParts,
  tableHeaders,
  idsUnique,
  zoomNotBlocked,
  spacing,
  noRefresh,
  noAutoplay,
  purposeTold,
];
