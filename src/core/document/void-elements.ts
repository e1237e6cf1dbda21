const voidElements = new Set("area base br col embed hr img input link meta source track wbr".split(" "));

/** Whether an HTML element never has an end tag. HTML §13.1.2. */
export const isVoid = (tag: string): boolean => voidElements.has(tag);
