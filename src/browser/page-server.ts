import { randomBytes } from "node:crypto";
import { createServer, type IncomingMessage, type Server, type ServerResponse } from "node:http";
import type { AddressInfo } from "node:net";
import path from "node:path";
import mime from "mime-types";
import type { Host } from "../host/host.ts";
import { liesWithin } from "../host/project-root.ts";
import { decodeText } from "../readers/html/decode.ts";

/** What is served, and from where. */
export interface Served {
  /** Absolute. */
  readonly file: string;
  /** The folder that addresses like `/style.css` start from. Absolute. */
  readonly tree: string;
}

/**
 * Serves files of the machine on 127.0.0.1 to a browser that knows where: below a path that nobody guesses, and only what
 * lies in folders that a page may use.
 */
export class PageServer {
  readonly #host: Host;
  readonly #roots: readonly string[];
  readonly #secret = randomBytes(16).toString("hex");
  readonly #trees: string[] = [];
  readonly #texts = new Map<string, Uint8Array>();
  #server: Promise<Server> | null = null;

  /** @param roots folders whose files pages may use beside their own and the working directory; absolute */
  constructor(host: Host, roots: readonly string[]) {
    this.#host = host;
    this.#roots = roots;
  }

  /** The address at which a file is served. */
  async address({ file, tree }: Served): Promise<string> {
    const root = this.#rootOf(file, tree);
    if (!this.#trees.includes(root)) this.#trees.push(root);
    return `${await this.#origin()}/${this.#secret}/${this.#trees.indexOf(root)}/${path
      .relative(root, file)
      .split(path.sep)
      .map(encodeURIComponent)
      .join("/")}`;
  }

  /** Serves what a page asks for from the root of its site from a folder, too. */
  takeRoot(folder: string): void {
    if (!this.#trees.includes(folder)) this.#trees.push(folder);
  }

  /** Has a file that is not on the disk served as if it were: standard input, what is made for a page. */
  put(file: string, bytes: Uint8Array): void {
    this.#texts.set(file, bytes);
  }

  /** The file that an address of this server stands for; null for what is none of them. */
  async fileOf(address: string): Promise<string | null> {
    if (this.#server === null || !address.startsWith(`${await this.#origin()}/`)) return null;
    return this.#find(new URL(address).pathname, true);
  }

  async close(): Promise<void> {
    const server = await this.#server;
    server?.closeAllConnections();
    await new Promise<void>((done) =>
      server === undefined || server === null ? done() : server.close(() => done()),
    );
  }

  #rootOf(file: string, tree: string): string {
    const { workingDirectory } = this.#host;
    const isBelow = !path.relative(workingDirectory, file).startsWith("..");
    return isBelow ? workingDirectory : tree;
  }

  async #origin(): Promise<string> {
    this.#server ??= new Promise((done, fail) => {
      const server = createServer((request, response) => void this.#answer(request, response));
      server.once("error", fail);
      server.listen(0, "127.0.0.1", () => done(server));
      server.unref();
    });
    return `http://127.0.0.1:${((await this.#server).address() as AddressInfo).port}`;
  }

  async #answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const { pathname } = new URL(request.url ?? "/", "http://127.0.0.1");
    const knows = request.headers.cookie?.includes(this.#secret) === true;
    const file = await this.#find(pathname, knows).catch(() => null);
    const found = file === null ? null : await this.#bytes(file);
    const isPage = file !== null && /\.html?$/i.test(file);
    // A page is read as it is when it is read from its file: its encoding is found out once, and told.
    const decoded = found !== null && isPage ? decodeText(found, file, "html") : null;
    const bytes = decoded?.ok === true ? new TextEncoder().encode(decoded.value.text) : found;
    if (file === null || bytes === null) {
      response.writeHead(404, { "content-type": "text/plain" }).end("There is no such file.");
      return;
    }
    const head: Record<string, string | number> = {
      "content-type": mime.contentType(path.extname(file)) || "application/octet-stream",
      "cache-control": "no-store",
      "accept-ranges": "bytes",
      // What a page asks of the root of its site is told from what a stranger asks.
      "set-cookie": `keel=${this.#secret}; Path=/; HttpOnly; SameSite=Strict`,
    };
    if (isPage) head["content-type"] = "text/html; charset=utf-8";
    const [, from, to] = /^bytes=(\d+)-(\d*)$/.exec(request.headers.range ?? "") ?? [];
    if (from !== undefined && Number(from) < bytes.length) {
      const end = Math.min(to === "" || to === undefined ? bytes.length - 1 : Number(to), bytes.length - 1);
      const part = bytes.subarray(Number(from), end + 1);
      head["content-range"] = `bytes ${from}-${end}/${bytes.length}`;
      head["content-length"] = part.length;
      response.writeHead(206, head).end(part);
      return;
    }
    head["content-length"] = bytes.length;
    response.writeHead(200, head).end(request.method === "HEAD" ? undefined : bytes);
  }

  async #bytes(file: string): Promise<Uint8Array | null> {
    const put = this.#texts.get(file);
    if (put !== undefined) return put;
    const read = await this.#host.files.read(file);
    return read.ok ? read.bytes : null;
  }

  /** The file at a path: below the secret, or from the root of a site for whoever knows the secret. */
  async #find(pathname: string, knows: boolean): Promise<string | null> {
    const { workingDirectory, files } = this.#host;
    const parts = pathname.split("/").slice(1).map(decodeURIComponent);
    if (parts.some((part) => part === ".." || part.includes("\0"))) return null;
    const [secret, tree, ...rest] = parts;
    const known = secret === this.#secret ? this.#trees[Number(tree)] : undefined;
    if (known === undefined && !knows) return null;
    const roots = known === undefined ? [...this.#trees, workingDirectory, ...this.#roots] : [known];
    for (const root of roots) {
      const file = path.join(root, ...(known === undefined ? parts : rest));
      if (this.#texts.has(file)) return file;
      const info = await files.info(file);
      if (info?.kind !== "file") continue;
      if (await liesWithin(file, [...this.#trees, workingDirectory, ...this.#roots], files)) return file;
    }
    return null;
  }
}

/** An address of our own server, without the path that nobody is to guess. */
export const withoutSecret = (address: string): string =>
  address.replace(/^http:\/\/127\.0\.0\.1:\d+\/[0-9a-f]{32}\/\d+\//, "");
