import { specimen } from "even-keel/specimen";

const stop = (event) => {
  event.stopImmediatePropagation();
  event.preventDefault();
};

/** Keeps some keys from the widget. */
const keeping = (keys) => () =>
  window.addEventListener("keydown", (event) => keys.test(event.key) && stop(event), true);

/** Puts something right in everything that is there, and in everything that changes. */
const always = (mend) => () => {
  const all = () => {
    for (const element of document.querySelectorAll("*")) mend(element);
  };
  new MutationObserver(all).observe(document, { attributes: true, childList: true, subtree: true });
};

/** Leaves an attribute as it was when it was first seen. */
const stuck = (name) => () => {
  const first = new WeakMap();
  always((element) => {
    if (!element.hasAttribute(name)) return;
    if (!first.has(element)) first.set(element, element.getAttribute(name));
    if (element.getAttribute(name) !== first.get(element)) element.setAttribute(name, first.get(element));
  })();
};

/** Takes attributes away from what a selector picks. */
const without = (selector, names) =>
  always((element) => {
    if (element.matches(selector)) for (const name of names) element.removeAttribute(name);
  });

/** Ordinary ways to break a widget from outside, whatever it is made of. */
const ways = {
  "arrow keys do nothing": keeping(/^(?:Arrow|Home|End|Page)/),
  "Escape does nothing": keeping(/^Escape$/),
  "Enter and Space do nothing": keeping(/^(?:Enter| )$/),
  "what is expanded is not said": stuck("aria-expanded"),
  "what is checked is not said": stuck("aria-checked"),
  "what is selected is not said": stuck("aria-selected"),
  "what is pressed is not said": stuck("aria-pressed"),
  "the value is not said": stuck("aria-valuenow"),
  "the widget has no name": without(
    "[role=dialog], [role=alertdialog], [role=grid], [role=treegrid], [role=tree], [role=slider], [role=switch], [role=combobox], input",
    ["aria-label", "aria-labelledby", "title", "placeholder", "id"],
  ),
  "nothing is announced": without("[role=status], [role=alert], [role=log], [aria-live], output", [
    "role",
    "aria-live",
  ]),
  "focus is not given back": () =>
    window.addEventListener(
      "keydown",
      ({ key }) => key === "Escape" && setTimeout(() => document.activeElement?.blur(), 300),
      true,
    ),
  "Tab leaves the dialog": () =>
    window.addEventListener(
      "keydown",
      (event) => {
        if (
          event.key !== "Tab" ||
          document.activeElement?.closest("[role=dialog], [role=alertdialog]") == null
        )
          return;
        stop(event);
        document.querySelector("main button").focus();
      },
      true,
    ),
};

/** A widget used rightly, and the same broken in one way. */
export function widget(name, way, render, options) {
  specimen(name, render, options);
  specimen(
    `${name}: ${way}`,
    () => {
      ways[way]();
      return render();
    },
    options,
  );
}
