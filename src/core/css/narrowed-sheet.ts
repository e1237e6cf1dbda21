import type { ComplexSelector, Compound, SelectorList, Step } from "./selector.ts";
import type { Sheet } from "./sheet.ts";

/** A sheet whose rules reach only elements that carry an attribute: styles of one component. */
export const scopedSheet = (sheet: Sheet, attribute: string): Sheet =>
  narrowed(sheet, (compound) => withAttribute(compound, attribute));

/** The same for elements of a class. */
export const classScopedSheet = (sheet: Sheet, name: string): Sheet =>
  narrowed(sheet, (compound) => ({ ...compound, classes: [...compound.classes, name] }));

const narrowed = (sheet: Sheet, change: (compound: Compound) => Compound): Sheet =>
  withSelectors(sheet, (selector) => {
    const inside = selector.steps.some(({ compound }) => leaves(compound, "onwards"))
      ? -1
      : selector.steps.findIndex(({ compound }) => !leaves(compound, "itself"));
    return {
      ...selector,
      steps: selector.steps.map((step, i) =>
        i === inside ? { ...step, compound: change(step.compound) } : step,
      ),
    };
  });

/** Whether a compound is nothing but what is meant for other components, or stands in a rule that is. */
const leaves = (
  { tag, id, classes, attributes, pseudoClasses }: Compound,
  how: "itself" | "onwards",
): boolean =>
  tag === null &&
  id === null &&
  classes.length + attributes.length === 0 &&
  pseudoClasses.some(
    (pseudo) =>
      pseudo.kind === "is" &&
      (pseudo.leavesScope === "onwards" ||
        pseudo.leavesScope === how ||
        (pseudo.list.length > 0 &&
          pseudo.list.every(
            ({ steps: [subject] }) => subject !== undefined && leaves(subject.compound, how),
          ))),
  );

const withAttribute = (compound: Compound, name: string): Compound => ({
  ...compound,
  attributes: [...compound.attributes, { name, operator: null, value: "", ignoreCase: false }],
});

/** A sheet whose class names are other names: those of a stylesheet that is imported as a module. */
export const renamedClasses = (sheet: Sheet, suffix: string): Sheet =>
  withSelectors(sheet, (selector) => renamed(selector, suffix));

const renamed = (selector: ComplexSelector, suffix: string): ComplexSelector => ({
  ...selector,
  steps: selector.steps.map((step): Step => ({ ...step, compound: renamedCompound(step.compound, suffix) })),
});

const renamedCompound = (compound: Compound, suffix: string): Compound => ({
  ...compound,
  classes: compound.classes.map((name) => `${name}${suffix}`),
  pseudoClasses: compound.pseudoClasses.map((pseudo) =>
    (pseudo.kind === "is" && pseudo.leavesScope === undefined) || pseudo.kind === "not"
      ? { ...pseudo, list: pseudo.list.map((inner) => renamed(inner, suffix)) }
      : pseudo,
  ),
});

const withSelectors = (sheet: Sheet, change: (selector: ComplexSelector) => ComplexSelector): Sheet => ({
  ...sheet,
  items: sheet.items.map((item) => {
    if (item.kind !== "rule") return item;
    const selectors: SelectorList = item.rule.selectors.map(change);
    return { ...item, rule: { ...item.rule, selectors } };
  }),
});
