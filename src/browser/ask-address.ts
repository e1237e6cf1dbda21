/** How long a list of pages or a source map may take to come, in milliseconds. */
const FETCH_TIME = 15_000;

/** The bytes at an address; null for none. */
export async function bytesAtAddress(address: string): Promise<Uint8Array | null> {
  try {
    const response = await fetch(address, { signal: AbortSignal.timeout(FETCH_TIME) });
    return response.ok ? new Uint8Array(await response.arrayBuffer()) : null;
  } catch {
    return null;
  }
}

/** The text at an address; null for none. */
export async function textAtAddress(address: string): Promise<string | null> {
  const bytes = await bytesAtAddress(address);
  return bytes === null ? null : new TextDecoder().decode(bytes);
}
