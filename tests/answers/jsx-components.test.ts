import { describe, expect, test } from "vitest";
import { auditFiles, found } from "./component-project.ts";

const app = (body: string, imports = "") =>
  `${imports}\nexport default function App() {\n  return ${body};\n}\n`;

/** Each construct of JSX, with what must come of it. Lines count from 1; `App.tsx` renders from line 3 on. */
const constructs: readonly (readonly [
  name: string,
  files: Readonly<Record<string, string>>,
  expected: readonly string[],
])[] = [
  [
    "className and htmlFor are class and for",
    { "App.tsx": app(`<p><label htmlFor="a">Beam</label><input id="a" className="x" /></p>`) },
    [],
  ],
  [
    "a label that names nothing is a fault",
    { "App.tsx": app(`<p><label htmlFor="b">Beam</label><input id="a" /></p>`) },
    ["failed names.control-labelled App.tsx:3 [App]", "failed names.label-connected App.tsx:3 [App]"],
  ],
  [
    "what hangs on several conditions is looked at",
    {
      "App.jsx": `export const App = ({ tern, gull, auk }) =>\n  tern ? <p>Tern</p> : gull ? <p>Gull</p> : auk ? <img src="auk.png" /> : <button />;\n`,
    },
    ["failed names.action-named App.jsx:2 [App]", "failed names.image-described App.jsx:2 [App]"],
  ],
  [
    "what hangs on more conditions than are followed is open, and not left out",
    {
      "App.jsx": `const Press = ({ children, ...rest }) => <button {...rest}>{children}</button>;\nexport const App = ({ a, b, c, d, e, f, g, h, children }) =>\n  a ? <i /> : b ? <i /> : c ? <i /> : d ? <i /> : e ? <i /> : f ? <i /> : g ? <i /> : <Press {...(h && { lang: "h" })}>{children}</Press>;\n`,
    },
    [],
  ],
  [
    "what a function makes anew each time is not the same twice",
    {
      "App.jsx": `import { useId } from "react";\nconst fresh = () => "yard-" + Math.random();\nconst useField = () => useId();\nexport function App() {\n  const [one, two] = [fresh(), fresh()];\n  const three = useField();\n  const four = useField();\n  return <p><b id={one} /><b id={two} /><b id={three} /><label htmlFor={four}>Beam</label><input id={four} /></p>;\n}\n`,
    },
    [],
  ],
  [
    "what is given more than props and a ref is no component, and no object is shown as a whole",
    {
      "cells.jsx": `export const MailCell = (value, row, column) => <a href={"mailto:" + value}>{value}</a>;\nexport const Line = (value) => <button>{value}</button>;\n`,
    },
    [],
  ],
  [
    "a click that only takes the focus to a field is none that keys lack",
    {
      "App.jsx": `import { useRef } from "react";\nexport function App({ disabled }) {\n  const field = useRef(null);\n  return <div onClick={() => field.current?.focus()}><b>Tags</b><input ref={field} disabled={disabled} aria-label="Tags" /></div>;\n}\n`,
    },
    [],
  ],
  [
    "a field for files that styles elsewhere may hide is asked about",
    {
      "App.jsx": `export const App = () => <p><input type="file" className="upload-field" /><input type="file" /></p>;\n`,
    },
    ["cantTell names.control-labelled App.jsx:1 [App]", "failed names.control-labelled App.jsx:1 [App]"],
  ],
  [
    "a key that may do something is there: it moves the focus, or waits for what a ref holds by then",
    {
      "App.jsx": `import { useRef } from "react";\nexport function App() {\n  const next = useRef(null);\n  const ready = useRef(false);\n  return <p><span role="button" tabIndex={0} onClick={() => alert(1)} onKeyDown={() => next.current.focus()}>One</span><b onClick={() => { if (!ready.current) return; alert(2); }}>Two</b></p>;\n}\n`,
    },
    ["failed keys.reachable App.jsx:5 [App]", "failed roles.native-first App.jsx:5 [App]"],
  ],
  [
    "a handler that leaves off for whoever gave nothing does nothing",
    {
      "App.jsx": `const Tile = ({ onPick }) => <span onClick={() => { if (onPick) { onPick(1); } }}>Book</span>;\nexport const App = () => <p><Tile /></p>;\n`,
    },
    [],
  ],
  [
    "what is set again under a condition is as it was set there, and else as before",
    {
      "App.jsx": `export function App({ calm }) {\n  let label = "Close";\n  if (calm) label = "";\n  return <button aria-label={label}><svg aria-hidden="true" /></button>;\n}\n`,
    },
    ["cantTell names.action-named App.jsx:4 [App]"],
  ],
  [
    "props that one of several helpers gives are not lost where an element is made of them",
    {
      "App.jsx": `import React from "react";\nconst rest = (globalThis.helpers && globalThis.helpers.rest) || function (s, e) { const t = {}; for (const p in s) if (e.indexOf(p) < 0) t[p] = s[p]; return t; };\nconst Title = (given) => { const more = rest(given, ["level"]); return React.createElement("h2", Object.assign({}, more)); };\nexport const App = () => <main>{React.createElement(Title, { level: 2 }, "Slips")}</main>;\n`,
    },
    [],
  ],
  [
    "what follows conditions in conditions is shown where none of them ends it",
    {
      "App.jsx": `export const App = ({ berth, boat }) => {\n  if (berth) {\n    if (boat) return <p>Moored</p>;\n  } else return <i>None</i>;\n  return <button />;\n};\n`,
    },
    ["failed names.action-named App.jsx:5 [App]"],
  ],
  ["fragments add no element", { "App.tsx": app(`<ul><><li>One</li></></ul>`) }, []],
  [
    "a div among the items of a list is a fault",
    { "App.tsx": app(`<ul><div>One</div></ul>`) },
    ["failed structure.lists App.tsx:3 [App]"],
  ],
  [
    "of an object that is spread all is known",
    { "App.tsx": `const given = { alt: "A hull" };\n${app(`<img src="a.png" {...given} />`)}` },
    [],
  ],
  [
    "what is spread last wins",
    { "App.tsx": `const given = { "aria-label": "" };\n${app(`<button aria-label="Close" {...given} />`)}` },
    ["failed names.action-named App.tsx:4 [App]"],
  ],
  [
    "of an unknown object anything may come",
    { "App.tsx": `import { given } from "elsewhere";\n${app(`<button {...given} />`)}` },
    ["cantTell names.action-named App.tsx:4 [App]"],
  ],
  [
    "what is loaded when it is wanted is looked into, by its default and by a name",
    {
      "App.tsx": `import { lazy } from "react";\nconst Tides = lazy(() => import("./Tides"));\nconst Fees = lazy(() => import("./Fees").then((m) => ({ default: m.Fees })));\nconst Gone = lazy(() => import("elsewhere"));\nexport function App() {\n  return <main><Tides /><Fees /><Gone /></main>;\n}`,
      "Tides.tsx": `export default function Tides() {\n  return <img src="tide.png" />;\n}`,
      "Fees.tsx": `export function Fees() {\n  return <button />;\n}`,
    },
    [
      "failed names.action-named Fees.tsx:2 [App › Fees]",
      "failed names.image-described Tides.tsx:2 [App › Tides]",
    ],
  ],
  [
    "an item of a list that a caller has around it is no fault",
    { "Item.jsx": `export function Item({ name }) {\n  return <li>{name}</li>;\n}` },
    [],
  ],
  [
    "what a list is mapped to is looked at, whatever is known of the list",
    {
      "App.jsx": `export function App({ slips }) {\n  return <ul>{slips.filter(Boolean).map((slip) => <li><button /></li>)}</ul>;\n}`,
    },
    ["failed names.action-named App.jsx:2 [App]"],
  ],
  [
    "what a loop puts into a list is looked at",
    {
      "App.jsx": `export function App() {\n  const items = [];\n  for (const name of ["a", "b"]) items.push(<li>{name}<img src={name} /></li>);\n  return <ul>{items}</ul>;\n}`,
    },
    ["failed names.image-described App.jsx:3 [App]"],
  ],
  [
    "both arms of a condition are looked at",
    {
      "App.tsx": `export function App({ on }: { on: boolean }) {\n  return on ? <button>Stop</button> : <button />;\n}`,
    },
    ["failed names.action-named App.tsx:2 [App]"],
  ],
  [
    "what hangs on a number that nobody knows is asked",
    {
      "App.tsx": `export function App({ n }: { n: number }) {\n  return <button>{n > 0 && "Go"}</button>;\n}`,
    },
    ["cantTell names.action-named App.tsx:2 [App]"],
  ],
  [
    "one condition decides alike in two places",
    {
      "App.tsx": `export function App({ on }: { on: boolean }) {\n  return <button aria-label={on ? undefined : "Stop"}>{on && "Go"}</button>;\n}`,
    },
    [],
  ],
  [
    "a list of constants is rendered item by item",
    {
      "App.tsx": `const all = [{ alt: "One" }, {}];\n${app(`<p>{all.map((one, i) => <img key={i} src="a.png" alt={one.alt} />)}</p>`)}`,
    },
    ["failed names.image-described App.tsx:4 [App]"],
  ],
  [
    "of a list that nobody knows each item is one",
    {
      "App.tsx": `export function App({ all }: { all: string[] }) {\n  return <ul>{all.map((one) => <li key={one}>{one}</li>)}</ul>;\n}`,
    },
    [],
  ],
  [
    "a template string keeps what is known of it",
    {
      "App.tsx": `export function App({ n }: { n: number }) {\n  return <button aria-label={\`Slip \${n}\`} />;\n}`,
    },
    [],
  ],
  [
    "words come from constants of other files",
    {
      "App.tsx": app(`<button aria-label={words.close} />`, `import { words } from "./words";`),
      "words.ts": `export const words = { close: "" };`,
    },
    ["failed names.action-named App.tsx:3 [App]"],
  ],
  [
    "enums have values",
    { "App.tsx": `enum Word { Close = "Close" }\n${app(`<button aria-label={Word.Close} />`)}` },
    [],
  ],
  [
    "class helpers join what is true",
    {
      "App.tsx": app(
        `<p className={clsx("a", false && "b", { c: true })}>x</p>`,
        `import clsx from "clsx"; import "./a.css";`,
      ),
      "a.css": `.c { color: #ccc; background: #fff }`,
    },
    ["failed contrast.text App.tsx:3 [App]"],
  ],
  [
    "raw HTML is asked about",
    {
      "App.tsx": `export function App({ html }: { html: string }) {\n  return <button dangerouslySetInnerHTML={{ __html: html }} />;\n}`,
    },
    ["cantTell names.action-named App.tsx:2 [App]"],
  ],
  [
    "memo and forwardRef are seen through",
    {
      "App.tsx": app(
        `<Pic />`,
        `import { memo, forwardRef } from "react"; const Pic = memo(forwardRef((props, ref) => <img ref={ref} src="a.png" />));`,
      ),
    },
    ["failed names.image-described App.tsx:1 [App › Pic]"],
  ],
  [
    "default props fill what is not given",
    {
      "App.jsx": `function Pic({ alt }) { return <img src="a.png" alt={alt} />; }\nPic.defaultProps = { alt: "A hull" };\n${app(`<Pic />`)}`,
    },
    [],
  ],
  [
    "defaults in the pattern fill what is not given",
    {
      "App.jsx": `function Pic({ alt = "A hull" }) { return <img src="a.png" alt={alt} />; }\n${app(`<Pic />`)}`,
    },
    [],
  ],
  [
    "children stand where they are put",
    {
      "App.tsx": app(
        `<Link><svg aria-hidden="true" /></Link>`,
        `const Link = ({ children }) => <a href="x">{children}</a>;`,
      ),
    },
    ["failed names.action-named App.tsx:3 [App › Link]"],
  ],
  [
    "a function as child is given what it asks for",
    {
      "App.tsx": app(
        `<Field>{(id) => <input id={id} />}</Field>`,
        `const Field = ({ children }) => <p><label htmlFor="x">Beam</label>{children("x")}</p>;`,
      ),
    },
    [],
  ],
  [
    "cloneElement adds props",
    {
      "App.tsx": app(
        `<Wrap><button /></Wrap>`,
        `import { cloneElement } from "react"; const Wrap = ({ children }) => cloneElement(children, { "aria-label": "Close" });`,
      ),
    },
    [],
  ],
  [
    "createElement is markup",
    {
      "App.jsx": `import { createElement } from "react";\nexport default function App() {\n  return createElement("img", { src: "a.png" });\n}`,
    },
    ["failed names.image-described App.jsx:3 [App]"],
  ],
  [
    "a context gives what its provider is given",
    {
      "App.tsx": `import { createContext, useContext } from "react";\nconst Words = createContext({ close: "Close" });\nfunction Close() { return <button aria-label={useContext(Words).close} />; }\nexport default function App() {\n  return <Words.Provider value={{ close: "" }}><Close /></Words.Provider>;\n}`,
    },
    ["failed names.action-named App.tsx:3 [App › Close]"],
  ],
  [
    "styles as objects are styles",
    { "App.tsx": app(`<p style={{ color: "#ccc", backgroundColor: "#fff", fontSize: 14 }}>High water</p>`) },
    ["failed contrast.text App.tsx:3 [App]"],
  ],
  [
    "a module of classes is no other's",
    {
      "App.tsx": app(
        `<p className={a.note}>High water</p>`,
        `import a from "./a.module.css"; import "./b.module.css";`,
      ),
      "a.module.css": `.note { color: #222; background: #fff }`,
      "b.module.css": `.note { color: #ccc; background: #fff }`,
    },
    [],
  ],
  [
    "a class of a module is found",
    {
      "App.tsx": app(`<p className={a.note}>High water</p>`, `import a from "./a.module.css";`),
      "a.module.css": `.note { color: #ccc; background: #fff }`,
    },
    ["failed contrast.text App.tsx:3 [App]"],
  ],
  [
    "a button with a picture of a package, and nothing else, is asked about",
    {
      "App.tsx": app(
        "<><button><TrashIcon size={3} /></button><button><TrashIcon /> Delete</button></>",
        `import { TrashIcon } from "hull-kit";`,
      ),
    },
    ["cantTell names.action-named App.tsx:3 [App]"],
  ],
  [
    "a picture that is given words is no question",
    {
      "App.tsx": app(
        `<><button><TrashIcon title="Delete" /></button><button aria-label="Delete"><TrashIcon /></button></>`,
        `import { TrashIcon } from "hull-kit";`,
      ),
    },
    [],
  ],
  [
    "a click on what a component of a package holds is asked about",
    {
      "App.tsx": app(
        `<><Tip text="x"><div onClick={() => book()}>Book</div></Tip><Tip><button onClick={() => book()}>Book</button></Tip></>`,
        `import { Tip } from "hull-kit";`,
      ),
    },
    ["cantTell keys.reachable App.tsx:3 [App]"],
  ],
  [
    "a label that names nothing, before a field that only its placeholder names",
    { "App.tsx": app(`<div><label>Berth</label><input placeholder="4" /></div>`) },
    ["failed names.label-connected App.tsx:3 [App]"],
  ],
  [
    "a label before a field of a package may be its own",
    {
      "App.tsx": app(
        `<><div><label>Berth</label><Field /></div><Field><label>Slip</label><input placeholder="4" /></Field></>`,
        `import { Field } from "hull-kit";`,
      ),
    },
    [],
  ],
  [
    "what a record may lack by its type is asked about, what a caller may leave out is a fault",
    {
      "App.tsx": `type Slip = { id: string; label?: string };
export const List = ({ slips }: { slips: Slip[] }) => (
  <ul>{slips.map((slip) => <li key={slip.id}><img src="a.png" alt={slip.label} /></li>)}</ul>
);
export const One = ({ slip }: { slip: Slip }) => <button aria-label={slip.label}><svg /></button>;
export const Own = ({ label }: { label?: string }) => <button aria-label={label}><svg /></button>;
`,
    },
    [
      "cantTell names.action-named App.tsx:5 [One]",
      "cantTell names.image-described App.tsx:3 [List]",
      "failed names.action-named App.tsx:6 [Own]",
    ],
  ],
  [
    "a role on a tag that a program gives is for the other tags",
    {
      "App.tsx": `const Tap = ({ as: Tag = "button" }: { as?: "button" | "div" }) => <Tag role="button" tabIndex={0}>Book</Tag>;
export const App = () => <main><Tap /></main>;
`,
    },
    [],
  ],
  [
    "a class that says that it hides may have its rules elsewhere",
    { "App.tsx": app(`<><button className="hidden"></button><button className="p-2"></button></>`) },
    ["failed names.action-named App.tsx:3 [App]"],
  ],
  [
    "but not where they are here",
    {
      "App.tsx": app(`<><button className="hidden"></button></>`, `import "./yard.css";`),
      "yard.css": ".hidden { display: inline }",
    },
    ["failed names.action-named App.tsx:3 [App]"],
  ],
  [
    "a handler that only hands on to what nobody gave does nothing",
    {
      "App.tsx": `const noop = () => {};
const Row = ({ onPick = noop, onOpen }: { onPick?: () => void; onOpen?: () => void }) => (
  <>
    <div onClick={(event) => { if (event.detail > 1) onPick(); event.stopPropagation(); }}>Slip 4</div>
    <div onClick={() => onOpen?.()}>Slip 5</div>
  </>
);
export const App = () => <main><Row /><Row onPick={() => book()} /></main>;
`,
    },
    ["failed keys.reachable App.tsx:4 [App › Row]"],
  ],
  [
    "a styled component looks as its style says",
    {
      "App.tsx": app(
        `<Note>High water</Note>`,
        `import styled from "styled-components"; const Note = styled.p\`color: #eee; background: #fff;\`;`,
      ),
    },
    ["failed contrast.text App.tsx:3 [App]"],
  ],
  [
    "a styled component is the element it is made of",
    {
      "App.tsx": app(
        `<Pic src="a.png" />`,
        `import styled from "styled-components"; const Pic = styled.img\`border: 0;\`;`,
      ),
    },
    ["failed names.image-described App.tsx:3 [App]"],
  ],
  [
    "a div with a click handler takes no focus",
    { "App.tsx": app(`<div onClick={() => book()}>Book</div>`) },
    ["failed keys.reachable App.tsx:3 [App]"],
  ],
  [
    "a role of one's own needs keys",
    {
      "App.tsx": app(
        `<div role="checkbox" tabIndex={0} aria-checked={false} onClick={() => book()}>Book</div>`,
      ),
    },
    ["failed keys.activates App.tsx:3 [App]", "failed roles.native-first App.tsx:3 [App]"],
  ],
  [
    "a handler that only stops the event does nothing",
    { "App.tsx": app(`<div onClick={(e) => e.stopPropagation()}>Book</div>`) },
    [],
  ],
  [
    "components of a package stay holes",
    { "App.tsx": app(`<p><Pic src="a.png" /></p>`, `import { Pic } from "@yard/kit";`) },
    [],
  ],
  [
    "an id that nobody knows is the same wherever it is used",
    {
      "App.tsx": `export function App({ id }: { id: string }) {\n  return <p><label htmlFor={id}>Beam</label><input id={id} /></p>;\n}`,
    },
    [],
  ],
  [
    "a component inside itself comes to an end",
    {
      "App.tsx": `export function Tree({ all }: { all: any }) {\n  return <ul><li>{all.name}<Tree all={all.below} /></li></ul>;\n}`,
    },
    [],
  ],
  [
    "a component on a server is read past what it waits for",
    {
      "page.tsx": `export default async function Page() {\n  const slip = await load();\n  return <main><h1>{slip.name}</h1><img src={slip.photo} /></main>;\n}`,
    },
    ["failed names.image-described page.tsx:3 [Page]"],
  ],
  [
    "early returns part what follows",
    {
      "App.tsx": `export function App({ name }: { name?: string }) {\n  if (!name) return <button />;\n  return <button>{name}</button>;\n}`,
    },
    ["failed names.action-named App.tsx:2 [App]"],
  ],
  [
    "a switch is looked at case by case",
    {
      "App.tsx": `type Kind = "a" | "b";\nexport function App({ kind }: { kind: Kind }) {\n  switch (kind) {\n    case "a": return <button>A</button>;\n    default: return <button />;\n  }\n}`,
    },
    ["failed names.action-named App.tsx:5 [App]"],
  ],
  [
    "ids repeated by a repeated component are found",
    {
      "App.tsx": app(
        `<form><Line /><Line /></form>`,
        `const Line = () => <p><label htmlFor="n">Number</label><input id="n" /></p>;`,
      ),
    },
    [
      "failed names.control-labelled App.tsx:1 [App › Line]",
      "failed names.label-connected App.tsx:1 [App › Line]",
      "failed structure.ids-unique App.tsx:1 [App › Line]",
    ],
  ],
  [
    "a button in a button is found across components",
    {
      "App.tsx": app(
        `<Card><button>Book</button></Card>`,
        `const Card = ({ children }) => <button>{children}</button>;`,
      ),
    },
    ["failed roles.no-nested-actions App.tsx:3 [App]"],
  ],
  [
    "heading levels are judged across components",
    { "App.tsx": app(`<main><h1>Slips</h1><Part /></main>`, `const Part = () => <h4>South</h4>;`) },
    ["failed structure.headings-step App.tsx:1 [App › Part]"],
  ],
];

describe("JSX", () => {
  test.each(constructs)("%s", async (_, files, expected) => {
    expect([...(await found(files))].sort()).toEqual([...expected].sort());
  });
});

describe("the place to change", () => {
  const button = `export const Icon = ({ label }: { label?: string }) => (\n  <button aria-label={label}><svg aria-hidden="true" /></button>\n);`;

  test("one use of many goes wrong: the use is named, and the element it decides on", async () => {
    const { findings } = await auditFiles({
      "App.tsx": app(`<p>\n<Icon label="Book" />\n<Icon />\n</p>`, `import { Icon } from "./Icon";`),
      "Icon.tsx": button,
    });
    expect(findings.map(({ source, message }) => [source?.file, source?.line, message])).toEqual([
      [
        "App.tsx",
        5,
        "This button has no name. This use of Icon decides it: the <button> stands at Icon.tsx:2.",
      ],
    ]);
  });

  test("every use goes wrong: the component is named", async () => {
    expect(
      await found({
        "App.tsx": app(`<p>\n<Icon />\n<Icon />\n</p>`, `import { Icon } from "./Icon";`),
        "Icon.tsx": button,
      }),
    ).toEqual(["failed names.action-named Icon.tsx:2 [App › Icon]"]);
  });

  test("nobody uses it: the value that its type allows is named", async () => {
    const { findings } = await auditFiles({ "Icon.tsx": button });
    expect(findings.map(({ message }) => message)).toEqual([
      "This button has no name. It is so when `label` is not given.",
    ]);
  });

  test("a fault that several roots show is told once", async () => {
    const files = {
      "One.tsx": app(`<Pic />`, `import { Pic } from "./Pic";`),
      "Two.tsx": app(`<Pic />`, `import { Pic } from "./Pic";`),
      "Pic.tsx": `export const Pic = () => <img src="a.png" />;`,
    };
    expect(await found(files, ["One.tsx", "Two.tsx"])).toEqual([
      "failed names.image-described Pic.tsx:1 [App › Pic]",
    ]);
  });
});

describe("where components come from", () => {
  const pic = `export const Pic = () => <img src="a.png" />;`;
  const expected = (file: string) => [`failed names.image-described ${file}:1 [App › Pic]`];

  test.each([
    [
      "a barrel",
      {
        "App.tsx": app(`<Pic />`, `import { Pic } from "./parts";`),
        "parts/index.ts": `export * from "./Pic";`,
        "parts/Pic.tsx": pic,
      },
      "parts/Pic.tsx",
    ],
    [
      "another name",
      {
        "App.tsx": app(`<Pic />`, `import { Photo as Pic } from "./parts";`),
        "parts.ts": `export { Pic as Photo } from "./Pic";`,
        "Pic.tsx": pic,
      },
      "Pic.tsx",
    ],
    [
      "a namespace",
      { "App.tsx": app(`<parts.Pic />`, `import * as parts from "./Pic";`), "Pic.tsx": pic },
      "Pic.tsx",
    ],
    [
      "a path of the TypeScript configuration",
      {
        "App.tsx": app(`<Pic />`, `import { Pic } from "@/Pic";`),
        "tsconfig.json": `{ "compilerOptions": { "paths": { "@/*": ["./src/*"] } } } // yes`,
        "src/Pic.tsx": pic,
      },
      "src/Pic.tsx",
    ],
    [
      "a package of the workspace",
      {
        "app/App.tsx": app(`<Pic />`, `import { Pic } from "@yard/kit";`),
        "package.json": `{ "workspaces": ["kit", "app"] }`,
        "kit/package.json": `{ "name": "@yard/kit", "exports": { ".": { "import": "./src/Pic.tsx" } } }`,
        "kit/src/Pic.tsx": pic,
      },
      "kit/src/Pic.tsx",
    ],
    [
      "a table of components",
      {
        "App.tsx": app(
          `<Shown />`,
          `import { Pic } from "./Pic"; const table = { pic: Pic }; const Shown = table["pic"];`,
        ),
        "Pic.tsx": pic,
      },
      "Pic.tsx",
    ],
  ])("%s", async (_, files, file) => {
    expect(await found(files)).toEqual(expected(file));
  });

  test("files that import one another in a circle come to an end", async () => {
    const files = {
      "A.tsx": `import { B } from "./B";\nexport const A = () => <div><B /></div>;`,
      "B.tsx": `import { A } from "./A";\nexport const B = () => <img src="a.png" />;\nexport const again = A;`,
    };
    expect(await found(files)).toEqual(["failed names.image-described B.tsx:2 [A › B]"]);
  });

  test("the configuration says what a component of a package stands for", async () => {
    const files = { "App.tsx": app(`<p><Pic src="a.png" /></p>`, `import { Pic } from "@yard/kit";`) };
    expect(await found(files, "App.tsx", { components: { Pic: "img" } })).toEqual([
      "failed names.image-described App.tsx:3 [App]",
    ]);
  });
});

test("an edit is offered in the stylesheet, in an object of styles and in the markup that it mends", async () => {
  const { findings } = await auditFiles({
    "App.tsx": app(
      `<p className="a" style={{ color: "#ccc", backgroundColor: "#fff" }}>Tides</p>`,
      `import "./a.css"; export const Other = () => <p className="b">Tides</p>; export const Wrong = () => <form><label htmlFor="x">Beam</label><input id="y" /></form>;`,
    ),
    "a.css": `.b { color: #ccc; background: #fff }`,
  });
  expect(
    findings
      .map(({ check, repair }) => [check, repair?.edits.map(({ file, text }) => `${file} ${text}`)])
      .sort(),
  ).toEqual([
    ["contrast.text", ["App.tsx #767676"]],
    ["contrast.text", [expect.stringMatching(/^a\.css #/)]],
    ["names.control-labelled", [`App.tsx "y"`]],
    ["names.label-connected", [`App.tsx "y"`]],
  ]);
});

test("a branch that no use comes to is judged by itself, and what uses show is not told again", async () => {
  const files = {
    "App.tsx": app(`<p><Pic kind="small" /></p>`, `import { Pic } from "./Pic";`),
    "Pic.tsx": `export function Pic({ kind, alt }: { kind: "small" | "large"; alt?: string }) {\n  return kind === "small"\n    ? <img src="a.png" alt="A hull" />\n    : <figure><img src="b.png" /><img src="c.png" alt={alt} /></figure>;\n}`,
  };
  expect(await found(files, ".")).toEqual(["failed names.image-described Pic.tsx:4 [Pic]"]);
});

test("a file that a machine has made is passed over, with a word", async () => {
  const { problems, incomplete } = await auditFiles({
    "App.tsx": `export const App = () => <img src="a.png" title="${"x".repeat(30_000)}" />;`,
  });
  expect(problems).toEqual([{ target: "App.tsx", message: expect.stringContaining("made by a machine") }]);
  expect(incomplete).toBe(false);
  const picture = `data:image/png;base64,${"A".repeat(30_000)}`;
  expect(await found({ "Pic.tsx": `export const Pic = () => <img src="${picture}" />;` })).toEqual([
    "failed names.image-described Pic.tsx:1 [Pic]",
  ]);
});

test("files that only try components are passed over, with a word", async () => {
  const picture = (name: string) => `export const ${name} = () => <img src="a.png" />;`;
  const files = {
    "Pic.tsx": picture("Pic"),
    "Pic.test.tsx": picture("Test"),
    "Pic.stories.tsx": picture("Story"),
    "__fixtures__/Old.tsx": picture("Old"),
  };
  const { subjects, problems, incomplete } = await auditFiles(files, ".");
  expect(subjects.map(({ id }) => id)).toEqual(["Pic.tsx"]);
  expect([problems.map(({ message }) => message), incomplete]).toEqual([
    ["3 files that try components (tests, stories) were passed over. Name one to audit it."],
    false,
  ]);
  const named = await auditFiles(files, "Pic.stories.tsx");
  expect([named.subjects.map(({ id }) => id), named.problems]).toEqual([["Pic.stories.tsx"], []]);
});

test("what parses is audited, and what does not is told with its place", async () => {
  const { findings, problems } = await auditFiles({
    "App.tsx": `export const App = () => <img src="a.png" />;\nconst a = ;\n`,
  });
  expect(problems).toEqual([
    { target: "App.tsx:2:11", message: expect.stringMatching(/^Does not parse: .*audited\.$/) },
  ]);
  expect(findings.map(({ check }) => check)).toEqual(["names.image-described"]);
});

test("a comment in JSX allows a finding on the element after it", async () => {
  const { findings, accepted } = await auditFiles({
    "App.tsx": app(
      `<p>{/* keel: allow names.image-described because it is drawn anew */}<img src="a.png" /></p>`,
    ),
  });
  expect([findings.length, accepted]).toEqual([0, 1]);
});
