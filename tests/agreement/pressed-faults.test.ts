import { expect, test } from "vitest";
import { explore } from "../../src/explore/explore.ts";
import { liveSource } from "../../src/render/live-driver.ts";
import { everyCheck, everyKey, pageSource } from "../render/pages.ts";
import { widgets } from "../render/widgets.ts";

/** A part of a right widget, what stands there when it was done wrong, and the check that says so. */
const planted: readonly (readonly [widget: string, from: string, to: string, check: string])[] = [
  ["a button and a checkbox made of boxes", ` || e.key === " "`, "", "keys.activates"],
  ["a button and a checkbox made of boxes", `e.key === "Enter" || `, "", "keys.activates"],
  ["a button and a checkbox made of boxes", `$("#b").onkeydown`, `$("#b").onfocus`, "keys.activates"],
  [
    "a button and a checkbox made of boxes",
    ` c.setAttribute("aria-checked", c.classList.contains("on"));`,
    "",
    "roles.state-follows",
  ],
  [
    "a switch, a bold button and steps",
    ` e.setAttribute(name, e.classList.contains("on"));`,
    "",
    "roles.state-follows",
  ],
  [
    "a switch, a bold button and steps",
    ` one.removeAttribute("aria-current"); } s.setAttribute("aria-current", "step");`,
    " }",
    "roles.state-follows",
  ],
  ["tabs with arrow keys", ` one.setAttribute("aria-selected", one === tab);`, "", "roles.state-agrees"],
  ["tabs with arrow keys", `/^Arrow(?:Left|Right)$/`, `/^none$/`, "keys.pattern-kept"],
  [
    "a list box whose options are active one by one",
    ` one.setAttribute("aria-selected", i === at);`,
    "",
    "roles.state-follows",
  ],
  [
    "a list box whose options are active one by one",
    `all.length - 1, to`,
    `all.length - 2, to`,
    "keys.pattern-kept",
  ],
  [
    "a field that says what is wrong beside it, tied to it and heard",
    ` aria-describedby="e"`,
    "",
    "forms.error-connected",
  ],
  [
    "a field that says what is wrong beside it, tied to it and heard",
    ` aria-describedby="e"> <span id="e" role="alert">`,
    `> <span id="e">`,
    "roles.change-announced",
  ],
  [
    "a list that is put in order by dragging and by buttons",
    ` <button>Down</button></li><li draggable="true">Paint <button>Down</button>`,
    `</li><li draggable="true">Paint`,
    "keys.drag-has-equal",
  ],
  [
    "a skip link that the browser follows",
    `document.querySelector("button")`,
    `document.querySelector("a").onclick = (e) => e.preventDefault(); document.querySelector("button")`,
    "keys.skip-arrives",
  ],
  [
    "a field that may be left empty",
    `$("#c").classList.toggle("empty", $("#c").value === "");`,
    `setTimeout(() => $("#c").focus());`,
    "keys.no-trap",
  ],
  ["an editor that keeps Tab for itself until Escape", `leaves = true`, "e.preventDefault()", "keys.no-trap"],
  [
    "a menu that a button opens, with focus on its items",
    ` b.focus(); }; b.onclick`,
    ` }; b.onclick`,
    "keys.focus-not-lost",
  ],
  [
    "a menu that a button opens, with focus on its items",
    `items[(at + 1) % 3].focus(); else if (e.key === "ArrowUp") items.at(at - 1).focus(); else if (e.key === "Home") items[0].focus(); else if (e.key === "End") items[2].focus();`,
    `items[1].focus();`,
    "keys.pattern-kept",
  ],
  [
    "a dialog of one's own that takes focus after its animation",
    `if (e.key === "Escape") shut(); `,
    "",
    "keys.dialog-closes",
  ],
  [
    "a dialog of one's own that takes focus after its animation",
    ` o.focus(); }; o.onclick`,
    ` }; o.onclick`,
    "keys.dialog-gives-back",
  ],
  [
    "a dialog of one's own that takes focus after its animation",
    ` setTimeout(() => $("input").focus(), 200);`,
    "",
    "keys.dialog-takes-focus",
  ],
];

test.each(planted)("in %s: %s → %s", async (name, from, to, check) => {
  const [, right = ""] = widgets.find(([widget]) => widget === name) ?? [];
  const wrong = right.replace(from, () => to);
  expect(wrong).not.toBe(right);
  const { findings } = await explore(liveSource(pageSource(wrong)), {
    ...everyKey,
    patience: 20_000,
    plan: everyCheck,
  });
  expect(findings.filter(({ outcome }) => outcome === "failed").map((one) => one.check)).toContain(check);
});
