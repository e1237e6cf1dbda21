import type { Span } from "../../core/document/node.ts";

/** Whether what is used under a name, and is not in source, is a picture by that name. */
export const isPictureName = (name: string): boolean =>
  /(?:Icon|Svg)\d*$|^(?:Icon|Svg)(?:[A-Z]|$)/.test(name);

/** Whether something that is given to a picture may be words for it. */
export const mayGiveWords = (name: string): boolean =>
  /^(?:children|title|alt|label|name|text|description|aria-label|ariaLabel|aria-labelledby)$/i.test(name);

/** A place as a key. */
export const placeKey = ({ file, start }: Span): string => `${file}:${start}`;

/** What a component is called after its file; that of a folder where the file has no name of its own. */
export const baseName = (file: string): string => {
  const name = file.slice(file.lastIndexOf("/") + 1).replace(/\.[^.]*$/, "");
  return name === "index" || name.startsWith("+") ? (file.split("/").at(-2) ?? name) : name;
};

/** Addresses that a component names start from its file even without a dot. */
export const addressFrom = (address: string): string => (/^[./]/.test(address) ? address : `./${address}`);
