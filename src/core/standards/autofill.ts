/** Autofill field names. HTML §4.10.18.7.1, "autofill"; those of the second list go with a way of contact. */
const fieldNames = new Set(
  (
    "name honorific-prefix given-name additional-name family-name honorific-suffix nickname username new-password current-password one-time-code organization-title organization " +
    "street-address address-line1 address-line2 address-line3 address-level4 address-level3 address-level2 address-level1 country country-name postal-code cc-name cc-given-name cc-additional-name " +
    "cc-family-name cc-number cc-exp cc-exp-month cc-exp-year cc-csc cc-type transaction-currency transaction-amount language bday bday-day bday-month bday-year sex url photo webauthn"
  ).split(" "),
);
const contactNames = new Set(
  "tel tel-country-code tel-national tel-area-code tel-local tel-local-prefix tel-local-suffix tel-extension email impp".split(
    " ",
  ),
);
const contactWays = new Set(["home", "work", "mobile", "fax", "pager"]);

/** Types of `input` that hold what a field name is for, where not any text does. HTML §4.10.18.7.1, "control group". */
const typesOf: readonly (readonly [types: RegExp, names: RegExp])[] = [
  [/^(?:text|search|email|hidden)$/, /^(?:email|username)$/],
  [/^(?:text|search|tel|number|hidden)$/, /^tel(?:-|$)/],
  [/^(?:text|search|url|hidden)$/, /^(?:url|photo|impp)$/],
  [/^(?:text|search|password|hidden)$/, /^(?:current|new)-password$/],
  [/^(?:text|search|date|hidden)$/, /^bday$/],
];

/** Whether an `input` of a type cannot hold what the last name of an `autocomplete` value is for. */
export function isWrongForType(value: string, type: string): boolean {
  const field =
    value
      .trim()
      .toLowerCase()
      .split(/\s+/)
      .findLast((token) => token !== "webauthn") ?? "";
  // What is for one kind of value is not for a name, an address or a card.
  const row = typesOf.find(([, names]) => names.test(field));
  if (row !== undefined) return !row[0].test(type);
  return (
    fieldNames.has(field) &&
    /^(?:email|tel|url)$/.test(type) &&
    !/^(?:one-time-code|cc-|postal-code|nickname)/.test(field)
  );
}

export const autofillNames: readonly string[] = [...fieldNames, ...contactNames];

/** The first token of an `autocomplete` value that is out of place; null when the value is valid. HTML §4.10.18.7.1. */
export function wrongAutofillToken(value: string): string | null {
  const tokens = value
    .trim()
    .toLowerCase()
    .split(/\s+/)
    .filter((token) => token !== "");
  if (tokens.length === 0 || (tokens.length === 1 && (tokens[0] === "on" || tokens[0] === "off")))
    return null;
  const left = [...tokens];
  if (left[0]?.startsWith("section-") === true) left.shift();
  if (left[0] === "shipping" || left[0] === "billing") left.shift();
  const way = contactWays.has(left[0] ?? "") ? left.shift() : null;
  const field = left.shift();
  if (field === undefined) return tokens.at(-1) ?? null;
  const isKnown = contactNames.has(field) || (way == null && fieldNames.has(field));
  if (!isKnown) return field;
  if (left[0] === "webauthn") left.shift();
  return left[0] ?? null;
}
