import { parentPort, workerData } from "node:worker_threads";
import { judgeShared } from "./answers/judge-shared.ts";
import { nodeHost } from "./host/node.ts";

/** The program of a thread that judges a part of component source for another. */
await judgeShared(workerData, nodeHost({ workingDirectory: workerData.workingDirectory }), {
  answer: (message) => parentPort?.postMessage(message),
  onTold: (hear) => parentPort?.on("message", hear),
});
