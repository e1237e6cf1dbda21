/** Pages that crowd together what is hard about the cascade. Compared: colours, sizes, weights, display, visibility. */
export const stylePages: Readonly<Record<string, string>> = {
  cascade: `<!doctype html><html lang="en"><style>
@layer base, theme; @layer theme { p { color: rgb(1 2 3) } #q { color: rgb(9 9 9) !important } } @layer base { #p { color: rgb(4 5 6) } #q { color: rgb(8 8 8) !important } }
:where(#r) { color: red } .r { color: blue } :is(#zzz, .s) { color: green } p.s.s { color: purple }
.t { color: teal; &.u { color: navy } > b { color: maroon } .v & { color: olive } @media (min-width: 1px) { background: silver } font-weight: 700 }
ul li:nth-child(2n+1) { color: red } ul li:nth-last-child(1) { color: blue } ul li:not(:first-child):nth-of-type(2) { font-weight: 900 }
section:has(> h2 + p) { background: lime } section:not(:has(h2)) { background: cyan }
[data-a^="x" i] { color: orange } [lang|=en] .lang { color: brown } p:empty { background: red }
@supports (display: grid) and (not (display: nonsense)) { .sup { color: rgb(7 7 7) } } @supports not (color: red) { .sup { color: red } }
@media print, (min-width: 99999px) { * { color: red !important } } @media (width >= 600px) and (orientation: landscape) { .mq { color: rgb(5 5 5) } }
@scope (.near) { p { color: rgb(6 6 6) } } @scope (.card) { .near p { color: rgb(4 4 4) } } @scope (.card) to (.inner) { p { color: rgb(3 3 3) } } .bad { color: red; color: nonsense; background: #12; font-weight: boldd }
.x::nonsense, .y { color: red } .z, .z:hover { color: green } a { color: inherit } .w { all: unset } .kw { color: initial; background: inherit; font-size: unset }
.m > * + * { color: crimson } .m ~ p { color: indigo } @media not all and (monochrome) { .mono { color: rgb(2 2 2) } }
</style><body>
<p id=p>1</p><p id=q>2</p><p id=r class=r>3</p><p class=s>4</p><div class=v><div class="t u">5<b>6</b></div><div class=t>7<b>8</b><i><b>9</b></i></div></div>
<ul><li>1<li>2<li>3<li>4</ul><section><h2>h</h2><p>p</p></section><section><p>p</p></section><p data-a=Xyz>a</p><p class=lang>l</p><p></p><p class=sup>s</p><p class=mq>m</p><p class=mono>m</p>
<div class=card><p>in</p><div class=inner><p>out</p></div><div class=near><p>near</p></div></div><p class=bad>b</p><p class=y>y</p><p class=z>z</p><p style="color:gold">x<a href=x>link</a><a>no</a></p><p class=w>w</p><div style="background:pink;color:red;font-size:30px"><p class=kw>k</p></div>
<div class=m><i>1</i><i>2</i><i>3</i></div><p>after</p><p style="color:red !important" id=q2>i</p>`,
  values: `<!doctype html><html lang="en"><style>
:root { --a: #123456; --b: var(--a); --c: var(--none, rgb(10 20 30 / .5)); --d: var(--e); --e: var(--d); --size: 2em; --empty: ; }
.v1 { color: var(--b) } .v2 { color: var(--c) } .v3 { color: red; color: var(--d) } .v4 { color: var(--d, green) } .v5 { font-size: var(--size) } .v6 { background: var(--a) } .v7 { font: var(--none, bold 20px/1 serif) }
.c1 { color: hsl(120deg 100% 25%) } .c2 { color: hwb(194 0% 0%) } .c3 { color: rgb(50% 25% 0%) } .c4 { color: rgba(255,0,0,.3) } .c5 { color: #abcd } .c6 { color: lab(50% 20 20) } .c7 { color: oklch(0.6 0.1 240) } .c8 { color: color(srgb 0.2 0.4 0.6) } .c9 { color: rebeccapurple }
.c10 { color: color-mix(in srgb, red 40%, blue) } .c11 { color: light-dark(red, blue) } .c12 { color: currentcolor } .c13 { background: currentcolor; color: teal } .c14 { color: color-mix(in srgb, rgb(255 0 0 / .5), blue) } .c16 { color: rgb(from teal r g b / 50%) } .c17 { color: hsl(from #336699 calc(h + 30) s l) } .c18 { color: oklch(from #336699 calc(l * 0.8) c h) } .c19 { color: rgb(from var(--a) b 100 r) } .c20 { color: lab(from #884422 l a b) }
.c15 { background: CanvasText; color: Canvas }
.f1 { font-size: 1.5em } .f2 { font-size: 150% } .f3 { font-size: larger } .f4 { font-size: calc(1em + 4px) } .f5 { font-size: clamp(10px, 2vw, 20px) } .f6 { font-size: max(12px, 1rem) } .f7 { font-size: x-large } .f8 { font-size: 10pt } .f9 { font-size: 2rem } .f10 { font-size: calc(2 * (1rem - 2px) / 3) }
.w1 { font-weight: bolder } .w2 { font-weight: lighter } .w3 { font-weight: 550 } .mono { font-family: monospace } .d1 { display: inline-flex } .d2 { display: contents } .vis { visibility: collapse } .up { font: italic small-caps 600 1.2em/1.5 serif }
</style><body style="font-size:18px">
<p class=v1>1</p><p class=v2>1</p><p class=v3>1</p><p class=v4>1</p><p class=v5>1<b class=f1>2</b></p><p class=v6>1</p><p class=v7>1</p>
<p class=c1>1</p><p class=c2>1</p><p class=c3>1</p><p class=c4>1</p><p class=c5>1</p><p class=c6>1</p><p class=c7>1</p><p class=c8>1</p><p class=c9>1</p><p class=c10>1</p><p class=c11>1</p><p class=c12>1</p><p class=c13>1</p><p class=c14>1</p><p class=c15>1</p><p class=c16>1</p><p class=c17>1</p><p class=c18>1</p><p class=c19>1</p><p class=c20>1</p>
<p class=f1>1<small>s<big>b</big></small></p><p class=f2>1</p><p class=f3>1</p><p class=f4>1</p><p class=f5>1</p><p class=f6>1</p><p class=f7>1</p><p class=f8>1</p><p class=f9>1</p><p class=f10>1</p>
<p class=w1>1<b>2<b>3</b></b></p><p class=w2>1<b class=w2>2</b></p><p class=w3>1<strong>2</strong></p><p class=mono>m<code>c</code></p><pre>p<code>c</code></pre><p><code>c<b>b</b></code><kbd style="font-size:1em">k</kbd></p><p class=d1>1</p><p class=d2>1</p><p class=vis>1<b style="visibility:visible">2</b></p><p class=up>u</p>
<h1>1</h1><h2>2</h2><h4>4</h4><h6>6</h6><a href=x>a</a><mark>m</mark><sub>s</sub><font color=red size=5>f</font><table bgcolor=#eee><tr><td bgcolor=yellow width=20>t<th>h</table><button>b</button><input value=i><select><option>o</select><textarea>t</textarea><button disabled>d</button><fieldset>f</fieldset><hr><details><summary>s</summary>d</details><dialog open>d</dialog><dialog>no</dialog><p hidden>h</p>`,
  dark: `<!doctype html><html lang="en"><meta name="color-scheme" content="light dark"><style>:root { color-scheme: light dark } .a { color: light-dark(#111, #eee); background: Canvas } @media (prefers-color-scheme: dark) { .b { color: rgb(200 200 200) } } .c { color-scheme: only light; color: CanvasText }</style>
<body><p class=a>a</p><p class=b>b</p><p class=c>c</p><a href=x>l</a><p>p</p>`,
};
