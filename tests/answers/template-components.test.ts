import { describe, expect, test } from "vitest";
import { auditFiles, found } from "./component-project.ts";

type Construct = readonly [
  name: string,
  files: Readonly<Record<string, string>>,
  expected: readonly string[],
];

const setup = (script: string, template: string, style = "") =>
  `<script setup lang="ts">\n${script}\n</script>\n<template>\n${template}\n</template>\n${style}`;

const noAlt = (file: string, line: number, chain: string) =>
  `failed names.image-described ${file}:${line} [${chain}]`;
const noName = (file: string, line: number, chain: string) =>
  `failed names.action-named ${file}:${line} [${chain}]`;

/** In `setup` the markup starts on line 5 where the script is one line. */
const vue: readonly Construct[] = [
  ...[`const emit = defineEmits(["click"])`, `const emit = defineEmits({ click: null })`].map(
    (emits): Construct => [
      `a listener for an event that a component emits itself is no attribute: ${emits}`,
      {
        "App.vue": setup(
          "import Mark from './Mark.vue'\nconst go = () => alert(1)",
          `<div><Mark @click="go" /></div>`,
        ),
        "Mark.vue": setup(emits, `<span>Book<button @click="emit('click')">Go</button></span>`),
      },
      [],
    ],
  ),
  [
    "a listener that a component says nothing of is on its element",
    {
      "App.vue": setup(
        "import Mark from './Mark.vue'\nconst go = () => alert(1)",
        `<div><Mark @click="go" /></div>`,
      ),
      "Mark.vue": setup(`const emit = defineEmits(["close"])`, `<span>Book</span>`),
    },
    ["failed keys.reachable Mark.vue:5 [App › Mark]"],
  ],
  [
    "types say which events a component emits",
    {
      "App.vue": `<script setup lang="ts">\nimport Mark from './Mark.vue'\nimport Sign from './Sign.vue'\nconst go = () => alert(1)\n</script>\n<template><div><Mark @click="go" /><Sign @row-click="go" /></div></template>`,
      "Mark.vue": `<script setup lang="ts">\nconst emit = defineEmits<{ click: (by: "key" | "hand") => void }>()\n</script>\n<template><span>Book</span></template>`,
      "Sign.vue": `<script setup lang="ts">\nconst emit = defineEmits<{ (event: "rowClick" | "close", by: string): void }>()\n</script>\n<template><span>Book</span></template>`,
    },
    [],
  ],
  [
    "a method that does something only where it is not disabled does nothing where it is",
    {
      "App.vue": setup("import Mark from './Mark.vue'", `<div><Mark disabled /></div>`),
      "Mark.vue": `<template><span @click="go">Book</span></template>\n<script>\nexport default { props: { disabled: Boolean }, methods: { go() { !this.disabled && this.$emit("pick"); } } };\n</script>\n`,
    },
    [],
  ],
  [
    "what keys in a field do too is none that they lack",
    {
      "App.vue": `<template><div><a @click="up"><b>+</b></a><b @click="near(2)">2</b><i @click="far">9</i><input aria-label="Metres" :disabled="disabled" @keydown="keys"></div></template>\n<script>\nexport default { props: { disabled: Boolean }, methods: { up(e) { alert(e) }, near(by) { alert(by) }, far() { alert(9) }, keys(e) { if (e.keyCode === 38) { this.up(e); } else this.near(1); this.$refs.tide.far(); } } };\n</script>\n`,
    },
    ["failed keys.reachable App.vue:1 [App]"],
  ],
  [
    "an event that nobody listens to is nothing that keys lack",
    {
      "App.vue": setup(
        "import Mark from './Mark.vue'\nimport Sign from './Sign.vue'\nconst go = () => alert(1)",
        `<div><Mark /><Mark @row-pick="go" /><Sign /></div>`,
      ),
      "Mark.vue": setup(
        `const emit = defineEmits(["rowPick"]);\nfunction pick(row) { emit("rowPick", row); }`,
        `<span @click="pick">Book</span>`,
      ),
      "Sign.vue": `<template><b @click="$emit('close')">Shut <i @click="shut">now</i></b></template>\n<script>\nexport default { methods: { shut() { this.$emit("close"); } } };\n</script>\n`,
    },
    ["failed keys.reachable Mark.vue:6 [App › Mark]"],
  ],
  [
    "markup stands in plain scripts too",
    {
      "App.vue": `<template><p><img src="a.png"></p></template>\n<script>\nexport default { methods: { row(name) { return <b class="row">{name}</b>; } } };\n</script>\n`,
    },
    ["failed names.image-described App.vue:1 [App]"],
  ],
  [
    "what a caller disables asks for no focus",
    {
      "App.vue": setup(
        "defineProps({ disabled: Boolean, autofocus: Boolean })",
        `<p><input aria-label="Beam" :disabled="disabled" :autofocus="autofocus" /></p>`,
      ),
    },
    [],
  ],
  [
    "whether styles that are not here hide what is hidden from assistive technology is asked",
    {
      "App.vue": `<template><div class="pictures" aria-hidden="true"><button>Close</button></div></template>\n<style src="yard-pictures/pictures.css"></style>\n`,
      "Own.vue": `<template><div class="pictures" aria-hidden="true"><button>Close</button></div></template>\n`,
    },
    ["cantTell roles.hidden-holds-no-focus App.vue:1 [App]"],
  ],
  [
    "keys that wait for a state of the component are there",
    {
      "App.vue": `<template><p><span role="button" tabindex="0" @click="go" @keydown="keys">One</span></p></template>\n<script>\nexport default { data() { return { open: false }; }, methods: { go() { alert(1); }, keys(e) { if (!this.open) return; alert(e); } } };\n</script>\n`,
    },
    ["failed roles.native-first App.vue:1 [App]"],
  ],
  [
    "a handler that leaves off at once does nothing",
    {
      "App.vue": setup("import Mark from './Mark.vue'", `<div><Mark /></div>`),
      "Mark.vue": setup(
        `const props = defineProps({ pressed: Boolean });\nfunction go(event) { if (!props.pressed) return; alert(event); }`,
        `<span @click="go">Book</span>`,
      ),
    },
    [],
  ],
  [
    "a slot hands out what it is given, but for its name",
    {
      "App.vue": setup(
        "import Rows from './Rows.vue'",
        `<Rows><template #row="{ label, name }"><img src="a.png" :alt="label"><button :aria-label="name"></button></template></Rows>`,
      ),
      "Rows.vue": setup("", `<div><slot name="row" label="Slip four" /></div>`),
    },
    [noName("App.vue", 5, "App")],
  ],
  [
    "a default of a prop counts where nothing is given",
    {
      "App.vue": setup("import Shut from './Shut.vue'", `<div><Shut /></div>`),
      "Shut.vue": setup(
        `defineProps({ label: { type: String, default: "Close" }, hint: { type: String, default: "" } })`,
        `<div><button :aria-label="label"></button><button :aria-label="hint"></button></div>`,
      ),
    },
    [`failed names.action-named App.vue:5 [App › Shut]`],
  ],
  [
    "v-if and v-else are never both there",
    { "App.vue": setup("const on = ref(false)", `<div><i v-if="on" id="a"></i><b v-else id="a"></b></div>`) },
    [],
  ],
  [
    "an arm of v-if that fails is a fault",
    {
      "App.vue": setup(
        "import { ref } from 'vue'; const on = ref(false)",
        `<div><button v-if="on">Stop</button><button v-else></button></div>`,
      ),
    },
    [noName("App.vue", 5, "App")],
  ],
  [
    "v-for over constants is rendered item by item",
    {
      "App.vue": setup(
        "const all = [{ alt: 'One' }, {}]",
        `<div><img v-for="one in all" src="a.png" :alt="one.alt"></div>`,
      ),
    },
    [noAlt("App.vue", 5, "App")],
  ],
  [
    "v-for over what nobody knows is one item of many",
    {
      "App.vue": setup(
        "const props = defineProps<{ all: string[] }>()",
        `<ul><li v-for="one in all">{{ one }}</li></ul>`,
      ),
    },
    [],
  ],
  [
    "v-bind gives a value",
    { "App.vue": setup("const words = ''", `<div><button :aria-label="words"></button></div>`) },
    [noName("App.vue", 5, "App")],
  ],
  [
    "v-bind of an object spreads it",
    { "App.vue": setup("const given = { alt: 'A hull' }", `<div><img src="a.png" v-bind="given"></div>`) },
    [],
  ],
  [
    "v-on makes a div clickable",
    { "App.vue": setup("const book = () => 1", `<section><div @click="book()">Book</div></section>`) },
    ["failed keys.reachable App.vue:5 [App]"],
  ],
  [
    "a handler with modifiers alone does nothing",
    { "App.vue": setup("", `<section><div @click.stop>Book</div></section>`) },
    [],
  ],
  [
    "v-show takes away for all",
    { "App.vue": setup("const on = false", `<section><img v-show="on" src="a.png"></section>`) },
    [],
  ],
  [
    "named slots stand where they are put",
    {
      "App.vue": setup(
        "import Card from './Card.vue'",
        `<Card><template #action><button></button></template></Card>`,
      ),
      "Card.vue": `<template><div><slot name="action" /></div></template>`,
    },
    [noName("App.vue", 5, "App")],
  ],
  [
    "a slot hands out values",
    {
      "App.vue": setup(
        "import Rows from './Rows.vue'",
        `<Rows v-slot="{ word }"><button :aria-label="word"></button></Rows>`,
      ),
      "Rows.vue": `<template><div><slot word="" /></div></template>`,
    },
    [noName("App.vue", 5, "App")],
  ],
  [
    "defaults of props fill what is not given",
    {
      "App.vue": setup("import Pic from './Pic.vue'", `<div><Pic /></div>`),
      "Pic.vue": setup(
        "withDefaults(defineProps<{ alt?: string }>(), { alt: 'A hull' })",
        `<img src="a.png" :alt="alt">`,
      ),
    },
    [],
  ],
  [
    "who gives no attributes to what takes them decides what is lacking",
    {
      "App.vue": setup(
        "import Outer from './Outer.vue'\nimport Field from './Field.vue'",
        `<main><Outer aria-label="Open" /><Outer />\n<Field aria-label="Beam" /><Field /></main>`,
      ),
      "Outer.vue": setup("import Go from './Go.vue'", `<Go class="x" />`),
      "Go.vue": `<template><button><svg aria-hidden="true" /></button></template>`,
      "Field.vue": setup("defineOptions({ inheritAttrs: false })", `<p><input v-bind="$attrs"></p>`),
    },
    [noName("App.vue", 6, "App › Outer › Go"), "failed names.control-labelled App.vue:7 [App › Field]"],
  ],
  [
    "elements of a platform that is not here are components of it",
    {
      "App.vue": setup("const go = () => alert(1)", `<view @click="go"><text @click="go">Book</text></view>`),
    },
    [],
  ],
  [
    "and in a drawing they are its own",
    { "App.vue": setup("", `<button><svg viewBox="0 0 9 9"><text>Book</text></svg></button>`) },
    [],
  ],
  [
    "a header of a table that is elsewhere is a header",
    {
      "Head.vue": setup(
        "",
        `<thead><tr><th scope="col" aria-sort="ascending">Slip</th><th aria-sort="none">Boat</th></tr></thead>`,
      ),
    },
    [],
  ],
  [
    "a veil over what is not here gives no ground",
    {
      "App.vue": setup(
        "",
        `<div class="box"><slot /><p class="veil">High water</p></div>`,
        `<style scoped>.box { position: relative } .veil { position: absolute; inset: 0; color: #fff; background: rgba(0, 0, 0, 0.3) }</style>`,
      ),
    },
    [],
  ],
  [
    "what is in props by a spread is told of no type, and costs nothing",
    {
      "App.vue": setup(
        `const base = { required: true }\ndefineProps({ label: { ...base, type: String } })`,
        `<div><button :aria-label="label"></button></div>`,
      ),
    },
    ["failed names.action-named App.vue:6 [App]"],
  ],
  [
    "what nobody is known to use may be named by who does",
    { "Close.vue": `<template><button><svg aria-hidden="true"></svg></button></template>` },
    ["cantTell names.action-named Close.vue:1 [Close]"],
  ],
  [
    "attributes fall through to the root",
    {
      "App.vue": setup("import Close from './Close.vue'", `<div><Close aria-label="Close" /></div>`),
      "Close.vue": `<template><button><svg aria-hidden="true"></svg></button></template>`,
    },
    [],
  ],
  [
    "scoped styles reach their own component alone",
    {
      "App.vue": setup(
        "import Note from './Note.vue'",
        `<div class="page"><p>High</p><Note /></div>`,
        `<style scoped>.page { background: #fff } p { color: #ccc; background: #fff }</style>`,
      ),
      "Note.vue": `<template><p>Low</p></template>`,
    },
    ["failed contrast.text App.vue:5 [App]"],
  ],
  [
    "options of a component are its props, data and computed values",
    {
      "App.vue": `<script>\nexport default { data() { return { words: '' } }, computed: { label() { return 'Book ' + this.words } } }\n</script>\n<template>\n<div><button :aria-label="label"></button></div>\n</template>`,
    },
    [],
  ],
  [
    "registered components are found",
    {
      "App.vue": `<script>\nimport Pic from './Pic.vue';\nexport default { components: { YardPic: Pic } }\n</script>\n<template>\n<div><yard-pic /></div>\n</template>`,
      "Pic.vue": `<template><img src="a.png"></template>`,
    },
    [noAlt("Pic.vue", 1, "App › Pic")],
  ],
  [
    "a component that nobody registered stays a hole",
    { "App.vue": setup("", `<div><yard-pic src="a.png" /></div>`) },
    [],
  ],
  [
    "v-model on a component is its value",
    {
      "App.vue": setup(
        "import { ref } from 'vue'; import Field from './Field.vue'; const v = ref('')",
        `<div><Field v-model="v" label="Beam" /></div>`,
      ),
      "Field.vue": setup(
        "defineProps<{ modelValue: string; label: string }>()",
        `<label>{{ label }}<input :value="modelValue"></label>`,
      ),
    },
    [],
  ],
  [
    "what names itself by its words is not named by those who use it",
    {
      "App.vue": setup(
        "defineProps<{ kind: 'calm' | 'rough' }>()",
        `<button><span v-if="kind === 'calm'">Book</span></button>`,
      ),
    },
    [noName("App.vue", 5, "App")],
  ],
  [
    "provided values are asked about",
    {
      "App.vue": setup(
        "import { inject } from 'vue'; const words = inject('words')",
        `<div><button :aria-label="words"></button></div>`,
      ),
    },
    ["cantTell names.action-named App.vue:5 [App]"],
  ],
];

const svelteScript = (script: string, markup: string) =>
  `<script lang="ts">\n${script}\n</script>\n${markup}\n`;

/** In `svelteScript` the markup starts on line 4 where the script is one line. */
const svelte: readonly Construct[] = [
  [
    "an event that nobody listens to is nothing that keys lack",
    {
      "App.svelte": `<script>import Row from "./Row.svelte"; import Line from "./Line.svelte"; const go = () => alert(1);</script>\n<div><Row /><Line on:pick={go} /></div>`,
      "Row.svelte": `<script>\nimport { createEventDispatcher } from "svelte";\nconst dispatch = createEventDispatcher();\nconst pick = (row) => { dispatch("pick", row); };\n</script>\n<p><b on:click={(e) => pick(e)}>Book</b><i on:click={() => dispatch("pick")}>Moor</i></p>`,
      "Line.svelte": `<script>\nimport { createEventDispatcher } from "svelte";\nconst dispatch = createEventDispatcher();\n</script>\n<p><i on:click={() => dispatch("pick")}>Moor</i></p>`,
    },
    ["failed keys.reachable Line.svelte:5 [App › Line]"],
  ],
  [
    "an expression in quotes is its value, with text around it or alone",
    {
      "App.svelte": svelteScript(
        "const none = ''; const label = 'Book'",
        `<button aria-label="{label}"></button><button aria-label="{label} slip"></button><button aria-label="{none}"></button>`,
      ),
    },
    [noName("App.svelte", 4, "App")],
  ],
  [
    "what a handler in the template changes has both values",
    {
      "App.svelte": svelteScript(
        "let open = false",
        `<button on:click={() => (open = !open)}>Fees</button>{#if open}<img src="a.png" />{/if}`,
      ),
    },
    [noAlt("App.svelte", 4, "App")],
  ],
  [
    "$$slots knows what a caller fills",
    {
      "App.svelte": svelteScript("import Card from './Card.svelte'", `<Card>Slip</Card>`),
      "Card.svelte": `{#if $$slots.heading}<h2><slot name="heading" /></h2>{/if}<slot />`,
    },
    [],
  ],
  [
    "#if and :else are never both there",
    {
      "App.svelte": svelteScript(
        "let on = $state(false)",
        `{#if on}<i id="a"></i>{:else}<b id="a"></b>{/if}`,
      ),
    },
    [],
  ],
  [
    "an arm of :else if that fails is a fault",
    {
      "App.svelte": svelteScript(
        "let { kind }: { kind: 'a' | 'b' } = $props()",
        `<div>{#if kind === 'a'}<button>A</button>{:else if kind === 'b'}<button></button>{/if}</div>`,
      ),
    },
    [noName("App.svelte", 4, "App")],
  ],
  [
    "#each over constants is rendered item by item",
    {
      "App.svelte": svelteScript(
        "const all = [{ alt: 'One' }, {}]",
        `{#each all as one, i}<img src="a.png" alt={one.alt} />{/each}`,
      ),
    },
    [noAlt("App.svelte", 4, "App")],
  ],
  [
    "snippets take values",
    {
      "App.svelte": svelteScript(
        "",
        `{#snippet pic(alt)}<img src="a.png" {alt} />{/snippet}{@render pic("One")}{@render pic(undefined)}`,
      ),
    },
    [noAlt("App.svelte", 4, "App")],
  ],
  [
    "snippets are given to components",
    {
      "App.svelte": svelteScript(
        "import Card from './Card.svelte'",
        `<Card>{#snippet action()}<button></button>{/snippet}</Card>`,
      ),
      "Card.svelte": svelteScript("let { action } = $props()", `<div>{@render action()}</div>`),
    },
    [noName("App.svelte", 4, "App")],
  ],
  [
    "bind: gives a value that nobody knows",
    {
      "App.svelte": svelteScript("let name = $state('')", `<label>Name <input bind:value={name} /></label>`),
    },
    [],
  ],
  [
    "class: decides how it looks",
    { "App.svelte": `<p class:pale={true}>High</p>\n<style>.pale { color: #ccc; background: #fff }</style>` },
    ["failed contrast.text App.svelte:1 [App]"],
  ],
  [
    "a handler makes a div clickable",
    {
      "App.svelte": svelteScript(
        "const book = () => 1",
        `<section><div onclick={() => book()}>Book</div></section>`,
      ),
    },
    ["failed keys.reachable App.svelte:4 [App]"],
  ],
  [
    "on: directives are handlers",
    {
      "App.svelte": svelteScript(
        "const book = () => 1",
        `<section><div on:click={() => book()}>Book</div></section>`,
      ),
    },
    ["failed keys.reachable App.svelte:4 [App]"],
  ],
  [
    "what is exported is a prop",
    {
      "App.svelte": svelteScript("import Pic from './Pic.svelte'", `<Pic />`),
      "Pic.svelte": svelteScript("export let alt = 'A hull'", `<img src="a.png" {alt} />`),
    },
    [],
  ],
  [
    "a derived value is worked out",
    {
      "App.svelte": svelteScript(
        "let n = $state(1); const word = $derived('Slip ' + n)",
        `<button aria-label={word}></button>`,
      ),
    },
    [],
  ],
  [
    "svelte:element is the element it is told",
    { "App.svelte": `<svelte:element this={"button"}></svelte:element>` },
    [noName("App.svelte", 1, "App")],
  ],
  [
    "@const names a value",
    { "App.svelte": `{#each [1] as n}{@const word = ""}<button aria-label={word}></button>{/each}` },
    [noName("App.svelte", 1, "App")],
  ],
  [
    "what $: works out is known, until something else sets it",
    {
      "App.svelte": svelteScript(`import Go from "./Go.svelte"`, `<Go word="" /><Go word="Book" />`),
      "Go.svelte": `<script>\nexport let word;\nlet on = false;\n$: label = word + "";\n$: ({ far } = { far: "Yard " + word });\n$: open = on ? "" : "Close";\n$: other = "";\nfunction set() { other = "Slips"; }\n</script>\n<button aria-label={label} on:click={set}></button><img src="a.png" alt={far}><button aria-label={other}></button>\n`,
    },
    ["failed names.action-named App.svelte:4 [App › Go]"],
  ],
  [
    "what stands inside is the slot's where children are a prop of their own",
    {
      "App.svelte": svelteScript(`import Head from "./Head.svelte"`, `<Head>Slips</Head>`),
      "Head.svelte": svelteScript(
        `export let children = undefined;`,
        `<h2>{#if children}{children}{:else}<slot />{/if}</h2>`,
      ),
    },
    [],
  ],
  [
    "what is left of props by a filter is what was given, or nothing",
    {
      "App.svelte": svelteScript(
        `import Mid from "./Mid.svelte"; import { tides } from "tides"`,
        `<section><h1>Yard</h1><Mid tides={$tides} /></section>`,
      ),
      "Mid.svelte": svelteScript(
        `import Card from "./Card.svelte"; $: given = Object.fromEntries(Object.entries($$props).filter(([, v]) => v !== undefined))`,
        `<Card {...given} />`,
      ),
      "Card.svelte": svelteScript(
        `export let title = undefined; export let tides = undefined`,
        `{#if title}<h4>{title}</h4>{/if}<p>{tides}</p>`,
      ),
    },
    [],
  ],
  [
    "an attribute in quotes is its one value, an event among them",
    {
      "App.svelte": svelteScript("const go = () => alert(1)", `<p><b onclick="{go}">Book</b></p>`),
    },
    ["failed keys.reachable App.svelte:4 [App]"],
  ],
  [
    "a variable that nobody changes is what it was set to",
    { "App.svelte": svelteScript(`let label = ""`, `<button aria-label={label}></button>`) },
    [noName("App.svelte", 4, "App")],
  ],
  [
    "slots have fallbacks",
    {
      "App.svelte": svelteScript("import Send from './Send.svelte'", `<Send />`),
      "Send.svelte": `<button><slot>Send</slot></button>`,
    },
    [],
  ],
];

const angularApp = (template: string, body = "", imports = "", more = "") =>
  `import { Component, input, signal } from "@angular/core";\n${imports}\n@Component({ selector: "app-root", ${more} template: \`\n${template}\n\` })\nexport class AppComponent {\n${body}\n}\n`;

/** In `angularApp` the markup starts on line 4. */
const angular: readonly Construct[] = [
  [
    "@if and @else are never both there",
    {
      "app.component.ts": angularApp(
        `@if (on()) { <i id="a"></i> } @else { <b id="a"></b> }`,
        "on = signal(false);",
      ),
    },
    [],
  ],
  [
    "an input with a default is never left out",
    {
      "app.component.ts": angularApp(
        `<div><img [src]="src" /></div>`,
        "@Input() src = '/a.png';",
        `import { Input } from "@angular/core";`,
      ),
    },
    [noAlt("app.component.ts", 4, "AppComponent")],
  ],
  [
    "fields without ids are labelled by nobody who uses the component",
    {
      "app.component.ts": angularApp(
        `<app-form kind="a" /><app-form kind="b" />`,
        "",
        `import { FormComponent } from "./form.component";`,
        "imports: [FormComponent],",
      ),
      "form.component.ts": `import { Component, input } from "@angular/core";\n@Component({ selector: "app-form", template: \`\n<form><label>Beam</label><p><input></p>\n<label>Length <input></label>{{ kind() }}</form>\n\` })\nexport class FormComponent { kind = input(""); }\n`,
    },
    ["failed names.control-labelled form.component.ts:3 [AppComponent › FormComponent]"],
  ],
  [
    "what *ngFor gives besides the item is not the class's",
    {
      "app.component.ts": angularApp(
        `<button *ngFor="let one of all; let label = last" [attr.aria-label]="label"></button>`,
        "all = ['North', 'South'];\nlabel = '';",
        `import { NgFor } from "@angular/common";`,
        "imports: [NgFor],",
      ),
    },
    [],
  ],
  [
    "@for over constants is rendered item by item",
    {
      "app.component.ts": angularApp(
        `@for (one of all; track one) { <img src="a.png" [attr.alt]="one.alt" /> }`,
        "all = [{ alt: 'One' }, {}];",
      ),
    },
    [noAlt("app.component.ts", 4, "AppComponent")],
  ],
  [
    "*ngIf and *ngFor are read",
    {
      "app.component.ts": angularApp(
        `<ul><li *ngFor="let one of all"><button *ngIf="one.on"></button></li></ul>`,
        "all = [{ on: true }];",
      ),
    },
    [noName("app.component.ts", 4, "AppComponent")],
  ],
  [
    "@switch shows one case",
    {
      "app.component.ts": angularApp(
        `@switch (kind) { @case ("a") { <button>A</button> } @default { <button></button> } }`,
        "kind = 'b';",
      ),
    },
    [noName("app.component.ts", 4, "AppComponent")],
  ],
  [
    "bound attributes have values",
    { "app.component.ts": angularApp(`<button [attr.aria-label]="words"></button>`, "words = '';") },
    [noName("app.component.ts", 4, "AppComponent")],
  ],
  [
    "a pipe gives what nobody knows",
    {
      "app.component.ts": angularApp(
        `<button [attr.aria-label]="words | translate"></button>`,
        "words = '';",
      ),
    },
    [],
  ],
  [
    "an event makes a div clickable",
    { "app.component.ts": angularApp(`<section><div (click)="book()">Book</div></section>`) },
    ["failed keys.reachable app.component.ts:4 [AppComponent]"],
  ],
  [
    "content goes where it is asked for",
    {
      "app.component.ts": angularApp(
        `<app-card><button action></button>Words</app-card>`,
        "",
        `import { CardComponent } from "./card.component";`,
        "imports: [CardComponent],",
      ),
      "card.component.ts": `import { Component } from "@angular/core";\n@Component({ selector: "app-card", template: \`<p><ng-content /></p><div><ng-content select="[action]" /></div>\` })\nexport class CardComponent {}`,
    },
    [noName("app.component.ts", 4, "AppComponent")],
  ],
  [
    "inputs by decorator are read",
    {
      "app.component.ts": angularApp(
        `<app-pic />`,
        "",
        `import { PicComponent } from "./pic.component";`,
        "imports: [PicComponent],",
      ),
      "pic.component.ts": `import { Component, Input } from "@angular/core";\n@Component({ selector: "app-pic", template: \`<img src="a.png" [attr.alt]="alt" />\` })\nexport class PicComponent {\n @Input() alt = "A hull";\n}`,
    },
    [],
  ],
  [
    "members may listen and bind on the component's own element",
    {
      "app.component.ts": angularApp(
        `<section><app-tile /></section>`,
        "",
        `import { TileComponent } from "./tile.component";`,
        "imports: [TileComponent],",
      ),
      "tile.component.ts": `import { Component, HostBinding, HostListener } from "@angular/core";\n@Component({ selector: "app-tile", template: \`Book\` })\nexport class TileComponent {\n @HostBinding("class") look = "tile";\n @HostListener("click") pick() {}\n}`,
    },
    ["failed keys.reachable app.component.ts:4 [AppComponent]"],
  ],
  [
    "directives give their element what they have",
    {
      "app.component.ts": angularApp(
        `<div appPress (click)="go()">Book</div><app-tile (click)="go()" /><p appQuiet (click)="moor()">Moor</p>`,
        "go() { alert(1); } moor() { alert(2); }",
        `import { PressDirective, QuietDirective } from "./press.directive";\nimport { TileComponent } from "./tile.component";`,
        "imports: [PressDirective, QuietDirective, TileComponent],",
      ),
      "press.directive.ts": `import { Directive } from "@angular/core";\n@Directive({ selector: "[appPress]", host: { role: "button", tabindex: "0", "(keydown.enter)": "press()", "(keydown.space)": "press()" } })\nexport class PressDirective {}\n@Directive({ selector: "[appQuiet]" })\nexport class QuietDirective {}`,
      "tile.component.ts": `import { Component } from "@angular/core";\nimport { PressDirective } from "./press.directive";\n@Component({ selector: "app-tile", hostDirectives: [{ directive: PressDirective }], template: "Book" })\nexport class TileComponent {}`,
    },
    [
      "failed keys.reachable app.component.ts:5 [AppComponent]",
      "failed roles.native-first press.directive.ts:2 [AppComponent]",
    ],
  ],
  [
    "what directives of packages give is open",
    {
      "app.component.ts": angularApp(
        `<div yardPress (click)="go()">Book</div><img [yardDescribed]="words" src="a.png"><li *yardAllowed="now">Moor</li><a routerLink="/slips" (click)="go()">Slips</a><span routerLink="/fees">Fees</span>`,
        "go() {}",
      ),
    },
    [
      "failed keys.activates app.component.ts:4 [AppComponent]",
      "failed structure.lists app.component.ts:4 [AppComponent]",
    ],
  ],
  [
    "what is deferred is looked at, and what stands there before and instead",
    {
      "app.component.ts": angularApp(
        `@defer (on viewport) { <b>Late</b> } @placeholder { <img src="a.png"> } @loading { <button></button> } @error { <a href="/"></a> }`,
      ),
    },
    [
      noName("app.component.ts", 4, "AppComponent"),
      noName("app.component.ts", 4, "AppComponent"),
      "failed names.image-described app.component.ts:4 [AppComponent]",
    ],
  ],
  [
    "what a host is given by its component counts",
    {
      "app.component.ts": angularApp(
        `<div role="list"><app-row /></div>`,
        "",
        `import { RowComponent } from "./row.component";`,
        "imports: [RowComponent],",
      ),
      "row.component.ts": `import { Component } from "@angular/core";\n@Component({ selector: "app-row", host: { role: "listitem" }, template: \`One\` })\nexport class RowComponent {}`,
    },
    [],
  ],
  [
    "a member may be called by a word that scripts reserve",
    {
      "app.component.ts": angularApp(
        `<yard-label for="a">Beam</yard-label><input id="a">`,
        "",
        `import { LabelComponent } from "./label.component";`,
        "imports: [LabelComponent],",
      ),
      "label.component.ts": `import { Component, input } from "@angular/core";\n@Component({ selector: "yard-label", template: \`<label [attr.for]="for()"><ng-content /></label>\` })\nexport class LabelComponent {\n readonly for = input.required<string>();\n}`,
    },
    [],
  ],
  [
    "styles of a component are its own",
    {
      "app.component.ts": angularApp(
        `<p class="note">High</p>`,
        "",
        "",
        "styles: [`.note { color: #ccc; background: #fff }`],",
      ),
    },
    ["failed contrast.text app.component.ts:4 [AppComponent]"],
  ],
];

describe.each([
  ["Vue", vue],
  ["Svelte", svelte],
  ["Angular", angular],
] as const)("%s", (_, constructs) => {
  test.each(constructs)("%s", async (_name, files, expected) => {
    expect([...(await found(files))].sort()).toEqual([...expected].sort());
  });
});

test.each([
  ["App.vue", "<template><div></template>"],
  ["App.svelte", "{#if a}<p>x</p>"],
  ["app.component.ts", "@Component({ template: `<p></div>` }) export class A {}"],
])("broken markup in %s is told with its place", async (file, text) => {
  const { problems } = await auditFiles({ [file]: text });
  expect(problems.map(({ target }) => target)).toEqual([
    expect.stringMatching(new RegExp(`^${file.replaceAll(".", "\\.")}:1:\\d+$`)),
  ]);
});

test.each([
  ["Deep.tsx", (markup: string) => `export const App = () => ${markup};`],
  ["Deep.vue", (markup: string) => `<template>${markup}</template>`],
  ["Deep.svelte", (markup: string) => markup],
  [
    "deep.component.ts",
    (markup: string) => `@Component({ selector: "a-b", template: \`${markup}\` }) export class A {}`,
  ],
])("markup that nests without end in %s is told, and the rest is audited", async (file, source) => {
  const markup = "<div>\n".repeat(9000) + "</div>\n".repeat(9000);
  const { problems, findings, incomplete } = await auditFiles(
    { [file]: source(markup), "Pic.tsx": `export const Pic = () => <img src="a.png" />;` },
    ".",
  );
  expect(problems).toEqual([{ target: file, message: expect.stringMatching(/nested too deeply/) }]);
  expect(findings.map(({ check }) => check)).toEqual(["names.image-described"]);
  expect(incomplete).toBe(true);
});

test("frameworks stand side by side in one project", async () => {
  const { subjects, findings } = await auditFiles(
    {
      "Pic.tsx": `export const Pic = () => <img src="a.png" />;`,
      "Pic.vue": `<template><div><img src="a.png"></div></template>`,
      "Pic.svelte": `<img src="a.png" />`,
      "page.html": `<!doctype html><title>t</title><img src="a.png">`,
    },
    ".",
    { checks: ["names.image-described"] },
  );
  expect(subjects.map(({ kind }) => kind).sort()).toEqual([
    "component",
    "component",
    "component",
    "document",
  ]);
  expect(findings.length).toBe(4);
});
