import { createServer, type RequestListener, type Server } from "node:http";
import type { AddressInfo } from "node:net";

/** Pages on the loopback, by their paths; what is not there is a 404. */
export async function served(
  pages: Readonly<Record<string, string | RequestListener>>,
): Promise<{ readonly base: string; readonly close: () => void }> {
  const server: Server = createServer((request, response) => {
    const page = pages[new URL(request.url ?? "/", "http://localhost").pathname];
    if (typeof page === "function") return void page(request, response);
    response.writeHead(page === undefined ? 404 : 200, { "content-type": "text/html; charset=utf-8" });
    response.end(page ?? "gone");
  });
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
  return {
    base: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    close: () => {
      server.closeAllConnections();
      server.close();
    },
  };
}

/** A whole page around some markup. */
export const page = (body: string): string =>
  `<!DOCTYPE html><html lang="en"><head><title>Slips – Brackwater Boatyard</title></head><body><main><h1>Slips</h1>${body}</main></body></html>`;
