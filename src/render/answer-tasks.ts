import { thrownWords } from "../core/findings/thrown-words.ts";

/**
 * Does the tasks that the process which started this one sends, and answers each.
 * @param load what takes its time once, and is no fault of the task that waits for it
 * @param answered what comes of a task; `kept` is what was given to keep last
 */
export function answerTasks<Request, Kept>(
  load: () => Promise<unknown>,
  answered: (request: Request, kept: Kept | null) => Promise<unknown>,
): void {
  let kept: Kept | null = null;
  const tell = (message: unknown) => process.send?.(message);
  const fail = (error: unknown) => process.send?.({ failed: thrownWords(error) }, () => process.exit(1));
  // What a page rejects and nobody catches is its own affair.
  process.on("unhandledRejection", () => {});
  process.on("uncaughtException", fail);
  // With whoever started it, all that was started here ends.
  process.on("disconnect", () => {
    try {
      process.kill(-process.pid, "SIGKILL");
    } catch {
      process.exit();
    }
  });
  process.on("message", async (message: { readonly data: Request; readonly kept: Kept | null }) => {
    kept = message.kept ?? kept;
    try {
      await load();
      tell("begins");
      tell({ value: await answered(message.data, kept) });
    } catch (error) {
      fail(error);
    }
  });
}
