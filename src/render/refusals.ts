import childProcess from "node:child_process";
import dgram from "node:dgram";
import dns from "node:dns";
import { syncBuiltinESMExports } from "node:module";
import net from "node:net";
import workerThreads from "node:worker_threads";

const NO_NETWORK = "There is no network here.";
const NO_PROGRAMS = "No program is started here.";

/** How esbuild starts the service that bundles with it. */
const isOfBundler = (given: unknown): boolean =>
  Array.isArray(given) && given.some((word) => /^--service=/.test(String(word)));

/** Our own program in which the Vite of a project builds. */
const isOfVite = (file: unknown): boolean => /[\\/]vite-builder\.js$/.test(String(file));

/**
 * Refuses, for everything that runs in this process, connections and names of hosts. Windows have no network of their
 * own; this is what lies below them.
 */
export function refuseNetwork(): void {
  net.Socket.prototype.connect = function (this: net.Socket) {
    process.nextTick(() => this.destroy(new Error(NO_NETWORK)));
    return this;
  };
  for (const name of ["send", "connect", "bind"] as const)
    dgram.Socket.prototype[name] = (): never => {
      throw new Error(NO_NETWORK);
    };
  for (const name of Object.keys(dns).filter((one) => /^(?:lookup|resolve|reverse)/.test(one)))
    refuse(dns, name, NO_NETWORK);
  for (const name of Object.keys(dns.promises).filter((one) => /^(?:lookup|resolve|reverse)/.test(one)))
    refuse(dns.promises, name, NO_NETWORK);
  net.Server.prototype.listen = (): never => {
    throw new Error(NO_NETWORK);
  };
  syncBuiltinESMExports();
}

/** Refuses other programs and threads, but for those that bundle specimens. */
export function refusePrograms(): void {
  const { spawn, fork } = childProcess;
  for (const name of ["exec", "execFile", "execFileSync", "execSync", "spawnSync"])
    refuse(childProcess, name, NO_PROGRAMS);
  refuse(workerThreads, "Worker", NO_PROGRAMS);
  replace(childProcess, "fork", (...given: Parameters<typeof fork>) => {
    if (!isOfVite(given[0])) throw new Error(NO_PROGRAMS);
    return fork(...given);
  });
  replace(childProcess, "spawn", (...given: Parameters<typeof spawn>) => {
    if (!isOfBundler(given[1])) throw new Error(NO_PROGRAMS);
    return spawn(...given);
  });
  syncBuiltinESMExports();
}

const refuse = (module: object, name: string, words: string): void =>
  replace(module, name, () => {
    throw new Error(words);
  });

const replace = (module: object, name: string, value: unknown): void => {
  Object.defineProperty(module, name, { value, configurable: true, writable: true, enumerable: true });
};
