/** What the browser says of an address, in words of ours. */
export function plainReason(reason: string): string {
  const [, code = ""] = /net::(ERR_[A-Z_]+)/.exec(reason) ?? [];
  return (
    words[code] ??
    (code === "" ? (reason.split("\n")[0] ?? reason) : code.slice(4).toLowerCase().replaceAll("_", " "))
  );
}

const words: Readonly<Record<string, string>> = {
  ERR_CONNECTION_REFUSED: "nothing answers there. Start the server first, or name one with --start",
  ERR_NAME_NOT_RESOLVED: "there is no host of that name",
  ERR_TOO_MANY_REDIRECTS: "it leads from one address to the next without end",
  ERR_CERT_AUTHORITY_INVALID: "its certificate is not trusted",
  ERR_ABORTED: "it is a download, and no page",
  ERR_EMPTY_RESPONSE: "the server answered nothing",
  ERR_CONNECTION_RESET: "the server broke off",
};
