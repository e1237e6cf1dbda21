import { answerTasks } from "./answer-tasks.ts";
import { codeFromTextOnlyInWindows } from "./code-from-text.ts";
import type { Bundle, WindowRequest } from "./protocol.ts";
import { refuseNetwork, refusePrograms } from "./refusals.ts";

// Before anything is loaded that could keep a way out.
refuseNetwork();
refusePrograms();
codeFromTextOnlyInWindows();

const attempts = import("./attempts.ts");

answerTasks<WindowRequest, Bundle>(
  () => attempts,
  async (request, bundle) => (await attempts).attempted(request, bundle),
);
