import type { Span } from "../../core/document/node.ts";

/** A place as a key. */
export const placeKey = ({ file, start }: Span): string => `${file}:${start}`;

/** What a component is called after its file; that of a folder where the file has no name of its own. */
export const baseName = (file: string): string => {
  const name = file.slice(file.lastIndexOf("/") + 1).replace(/\.[^.]*$/, "");
  return name === "index" || name.startsWith("+") ? (file.split("/").at(-2) ?? name) : name;
};

/** Addresses that a component names start from its file even without a dot. */
export const addressFrom = (address: string): string => (/^[./]/.test(address) ? address : `./${address}`);
