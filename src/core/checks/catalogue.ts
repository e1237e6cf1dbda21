import type { Check } from "./check.ts";
import { linksStandOut } from "./colour/links-stand-out.ts";
import { contrastControlEdge } from "./contrast/control-edge.ts";
import { contrastFocusMark } from "./contrast/focus-mark.ts";
import { contrastPlaceholder } from "./contrast/placeholder.ts";
import { contrastText } from "./contrast/text.ts";
import { contrastTextActedOn } from "./contrast/text-acted-on.ts";
import { contrastTextEnhanced } from "./contrast/text-enhanced.ts";
import { focusShows } from "./keys/focus-shows.ts";
import { reachable } from "./keys/reachable.ts";
import { actionNamed } from "./names/action-named.ts";
import { controlLabelled } from "./names/control-labelled.ts";
import { imageDescribed } from "./names/image-described.ts";
import { labelConnected } from "./names/label-connected.ts";
import { noFileName } from "./names/no-file-name.ts";
import { rolesExist } from "./roles/exists.ts";
import { stateValues } from "./roles/state-values.ts";
import { statesRequired } from "./roles/states-required.ts";
import { idsUnique } from "./structure/ids-unique.ts";
import { language } from "./structure/language.ts";
import { tableHeaders } from "./structure/table-headers.ts";
import { title } from "./structure/title.ts";
import { noRefresh } from "./time/no-refresh.ts";
import { zoomNotBlocked } from "./zoom/not-blocked.ts";

/** Every check, in the order in which they are told. */
export const catalogue: readonly Check[] = [
  imageDescribed,
  noFileName,
  controlLabelled,
  labelConnected,
  actionNamed,
  rolesExist,
  statesRequired,
  stateValues,
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
  tableHeaders,
  idsUnique,
  zoomNotBlocked,
  noRefresh,
];
