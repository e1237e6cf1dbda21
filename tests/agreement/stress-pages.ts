/** Pages that crowd together what is hard about names, roles and hiding. */
export const stressPages: Readonly<Record<string, string>> = {
  names: `<!doctype html><html lang="en"><title>Names</title>
<style>.b::before{content:"New "}.a::after{content:" now"}.ib{display:inline-block}.bl{display:block}.fl{float:left}.ab{position:absolute}.dc{display:contents}.vh{visibility:hidden}.vv{visibility:visible}.alt::before{content:url(x.png) / "boat "}</style>
<button id=n1>Haul<b>out</b></button><button id=n2>Haul<span class=ib>out</span></button><button id=n3>Haul<span class=bl>out</span></button>
<button id=n4>Haul<span class=fl>out</span></button><button id=n5>Haul<span class=ab>out</span></button><button id=n6>Haul<span class=dc> the <i class=dc>boat</i></span></button>
<button id=n7>Haul<br>out</button><button id=n8 class=b>lift</button><button id=n9 class=a>Save</button><button id=n10 class=alt>lift</button>
<button id=n11><span class=vh>no <b class=vv>yes</b></span></button><button id=n12>Book <span aria-hidden=true>x</span><span hidden>y</span>slip</button>
<a id=n13 href=x>Boat<img src=x alt=Petrel>now</a><a id=n14 href=x><i title=Edit></i></a><a id=n15 href=x title=Tip></a><a id=n16 href=x><svg><title>Flag</title></svg></a>
<label for=n17>Length</label><label for=n17>in metres</label><input id=n17><label>Beam <input id=n18 value=3> metres</label>
<label for=n19>Sound after <input value=15> minutes</label><input type=checkbox id=n19><label for=n20>Ring <select><option>once<option selected>twice</select> daily</label><input type=checkbox id=n20>
<label for=n21>Raise to <input type=range min=0 max=9 value=4> m</label><input type=checkbox id=n21>
<i id=r1>one</i><i id=r2 hidden>two <b>three</b></i><input id=n22 aria-labelledby="r2 r1"><input id=n23 aria-labelledby="gone" title="t"><button id=n24 aria-label=Delete aria-labelledby="n24 r1"></button>
<input id=n25 placeholder=p><input id=n26 placeholder=p title=t><input type=submit id=n27><input type=reset id=n28><input type=button id=n29 value=Go><input type=image id=n30 alt=Find src=x>
<fieldset id=n31><legend>Berth <b>choice</b></legend><input type=radio name=r id=n32><label for=n32>A1</label></fieldset>
<table id=n33><caption>Tides</caption><tr><th id=n34>High</th><th>Low</th></tr><tr><td>1</td><td>2</td></tr></table>
<h2 id=n36>Slip <a href=x id=n37>four</a> <img src=x alt=free></h2><div role=heading aria-level=3 id=n38>Lift<div>two</div></div>
<div role=link tabindex=0 id=n39><p>One</p><p>Two</p></div><div role=button tabindex=0 id=n40 title=tip>Text</div>
<textarea id=n41 aria-label=" ">x</textarea><button id=n42 aria-label=""> </button><button id=n43><span><span> </span></span>A<!-- c -->B</button>
<label hidden for=n44>Hidden label</label><input id=n44><progress id=n45 aria-label=Fuel value=.5></progress><meter id=n46 value=3 max=9 title=Tank>3</meter>
<button id=n47>Save<input type=checkbox aria-label=sub>all</button><p id=n48 role=option aria-selected=false>x</p><span role=switch aria-checked=true tabindex=0 id=n49>On <b>deck</b></span>
<select id=n50 aria-label=Kind><optgroup label=G><option>one<option>two</optgroup></select><output id=n51 aria-label=Sum>3</output><q id=n52>quoted</q><button id=n53><q>said</q></button>
`,
  roles: `<!doctype html><html lang="en"><title>Roles</title>
<header>h<nav>n</nav></header><main><header>inner</header><section>s</section><section aria-label=x>s</section><article><footer>f</footer><aside>a</aside></article></main><aside>b</aside><footer>f</footer><search>s</search>
<form>f</form><form aria-label=f>f</form><div role=form>x</div><div role=form aria-label=y>x</div><div role=region>r</div><div role=region aria-label=r>r</div>
<a>no</a><a href=x>yes</a><img src=x alt=""><img src=x><img src=x alt=a><img src=x alt="" aria-label=z><svg width=9 height=9></svg><svg role=img aria-label=s width=9 height=9></svg>
<ul><li>1<li>2</ul><ul role=none><li>1</ul><ol role=presentation aria-label=x><li>1</ol><menu><li>m</menu><dl><dt>t<dd>d</dl>
<table role=none><tr><td>x</table><table role=grid><tr><td>x<th>y</table><table border=1><tr><th>a<th>b<tr><td>1<td>2<tr><td>3<td>4</table><table border=1><tr><th scope=row>a<td>1<tr><th scope=row>b<td>2</table>
<input type=checkbox><input type=radio><input type=range><input type=number><input type=search><input type=email><input list=dl><datalist id=dl><option>1</datalist><input type=tel><input type=url>
<select><option>1</select><select multiple><option>1</select><select size=3><option>1<option>2</select><textarea></textarea><button>b</button><button role=tab>t</button><button role=none>n</button>
<details><summary>s</summary>c</details><details open><summary>s</summary>c</details><dialog open>d</dialog><dialog>no</dialog><figure>f<figcaption>c</figcaption></figure><hr><blockquote>q</blockquote>
<p>p</p><pre>p</pre><code>c</code><em>e</em><strong>s</strong><del>d</del><ins>i</ins><sub>s</sub><sup>s</sup><time>t</time><mark>m</mark><address>a</address><hgroup><h1>x</h1></hgroup><output>o</output><progress></progress><meter></meter>
<div role="nonsense button">b</div><div role=widget>w</div><div role="alert">a</div><div role="doc-chapter" aria-label=c>c</div><div role=img>i</div><div role=presentation tabindex=0>p</div><h2 role=none aria-describedby=q>h</h2><h2 role=none>h</h2>
<div role=switch aria-checked=true tabindex=0>s</div><div role=slider tabindex=0 aria-valuenow=1>s</div><div role=tablist><div role=tab>t</div></div><div role=tree><div role=treeitem>t</div></div><div role=menu><div role=menuitem>m</div></div><div role=toolbar>t</div><div role=math>m</div>
`,
  hidden: `<!doctype html><html lang="en"><title>Hidden</title>
<style>.none{display:none}.vh{visibility:hidden}.vv{visibility:visible}.cv{content-visibility:hidden}.clip{position:absolute;clip-path:inset(50%);width:1px;height:1px;overflow:hidden}.op{opacity:0}</style>
<p class=none><a href=x>1</a></p><p class=vh><a href=x>2</a><a class=vv href=x>3</a></p><div class=cv><a href=x>4</a></div><p class=clip><a href=x>5</a></p><p class=op><a href=x>6</a></p>
<p hidden><a href=x>7</a></p><p hidden=until-found><a href=x>8</a></p><p aria-hidden=true><button>9</button></p><p aria-hidden=false><a href=x>10</a></p><div inert><a href=x>11</a></div>
<details><summary>s</summary><a href=x>12</a></details><details open><summary>s</summary><a href=x>13</a></details><dialog><a href=x>14</a></dialog><dialog open><a href=x>15</a></dialog>
<div popover><a href=x>16</a></div><template><a href=x>17</a></template><noscript><a href=x>18</a></noscript><video><a href=x>19</a></video><canvas><a href=x>20</a></canvas>
<img src=x alt=map usemap=#m><map name=m><area href=x alt=21 coords=0,0,9,9></map><map name=unused><area href=x alt=22 coords=0,0,9,9></map><div style="display:contents"><a href=x>23</a></div>
<div id=h1><template shadowrootmode=open><b><a href=x>24</a></b><slot></slot></template><a href=x>25</a><a href=x slot=none>26</a></div><select hidden><option>27</select><input type=hidden value=28>
`,
  states: `<!doctype html><html lang="en"><title>States</title>
<h3>h</h3><div role=heading aria-level=7>h</div><div role=heading>h</div><input type=checkbox checked><input type=checkbox aria-checked=mixed><input type=radio name=a checked><span role=checkbox aria-checked=mixed>c</span><span role=switch aria-checked=mixed>c</span>
<button aria-pressed=true>p</button><button aria-pressed=mixed>p</button><button aria-expanded=false>e</button><button aria-expanded=true>e</button><button aria-haspopup=true>p</button><button aria-haspopup=dialog>p</button><button disabled>d</button><button aria-disabled=true>d</button>
<fieldset disabled><legend><input aria-label=l></legend><input aria-label=i><button>b</button></fieldset><input required aria-label=r><input aria-required=true aria-label=r><input readonly aria-label=r><textarea readonly aria-label=t></textarea>
<input aria-invalid=true aria-label=i><input aria-invalid=spelling aria-label=i><details><summary>s</summary>x</details><details open><summary>s</summary>x</details><div role=dialog aria-modal=true aria-label=d>d</div><div aria-busy=true role=status>b</div>
<div role=listbox aria-multiselectable=true aria-label=l><div role=option aria-selected=true>o</div><div role=option aria-selected=false>o</div></div><select multiple aria-label=m><option selected>1<option>2</select>
<button popovertarget=pop>o</button><div id=pop popover>p</div><div role=combobox aria-expanded=true aria-label=c tabindex=0>c</div>
`,
};
