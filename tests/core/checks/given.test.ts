import { describe, expect, test } from "vitest";
import { givenIn, lostBy } from "../../../src/core/checks/given.ts";
import { sceneOf } from "../../page.ts";

const given = (html: string) => givenIn(sceneOf(html));
const told = (html: string) => given(html).map(({ kind, value }) => `${kind} ${value}`.trim());

describe("what is given of the elements of a page", () => {
  test.each([
    [
      "a control",
      '<button aria-expanded="true">Slips</button>',
      ["role button", "stop", "name Slips", "state expanded"],
    ],
    [
      "a description",
      '<a href="x" title="By the quay">Slip</a>',
      ["role link", "stop", "name Slip", "description By the quay"],
    ],
    ["a box that takes focus", '<div tabindex="0"></div>', ["stop"]],
    ["a mere box", "<div>Slips</div>", []],
    [
      "what nobody is given",
      '<button hidden>Slips</button><div aria-hidden="true"><img alt="Hull"></div>',
      [],
    ],
  ])("%s", (_, html, expected) => {
    expect(told(html)).toEqual(expected);
  });
});

describe("what an edit takes away", () => {
  const lost = (before: string, after: string) =>
    lostBy(given(before), given(after), ({ start }) => start).map(({ kind }) => kind);

  test.each([
    ["nothing where all stays", "<button>Slips</button>", "<button>Slips</button>", []],
    [
      "nothing where words are others",
      '<button aria-label="a">b</button>',
      '<button aria-label="c">b</button>',
      [],
    ],
    ["a name", '<button aria-label="Slips"></button>', "<button></button>", ["name"]],
    ["a stop", '<a href="x">Slips</a>', '<a href="x" tabindex="-1">Slips</a>', ["stop"]],
    ["a state", '<button aria-expanded="true">Slips</button>', "<button>Slips</button>", ["state"]],
    ["a description", '<a href="x" title="y">Slip</a>', '<a href="x">Slip</a>', ["description"]],
    [
      "nothing where a description is the name now",
      '<a href="x" title="y">Slip</a>',
      '<a href="x" aria-label="y">Slip</a>',
      [],
    ],
    [
      "a role",
      '<div role="button" tabindex="0">Slip</div>',
      '<div tabindex="0">Slip</div>',
      ["role", "name"],
    ],
    ["nothing where the element goes itself", "<p>a</p><button>b</button>", "<p>a</p>", []],
  ])("%s", (_, before, after, expected) => {
    expect(lost(before, after)).toEqual(expected);
  });

  test("what the edit put there was not there before", () => {
    const before = given("<button>Slips</button>");
    expect(lostBy(before, given("<button></button>"), () => null)).toEqual([]);
  });
});
