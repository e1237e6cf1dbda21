/** Pages that crowd together what is hard about the order of Tab. */
export const tabPages: Readonly<Record<string, string>> = {
  order: `<!doctype html><html lang="en"><title>Order</title>
<a href="#1">1</a><button tabindex="3">a</button><b tabindex="1">b</b><b tabindex="0">c</b><b tabindex="-1">d</b><b tabindex="banana">e</b><button tabindex="">f</button>
<b tabindex="+2x">g</b><b tabindex=" 1.9">h</b><b tabindex="99999999999">i</b><a>j</a><a href>k</a><input type="hidden" tabindex="0"><fieldset tabindex="0">l</fieldset>
<div style="display:flex;flex-direction:row-reverse"><a href="#2" style="order:2">m</a><a href="#3">n</a></div><p style="float:right"><a href="#4">o</a></p><img tabindex="0" alt="p">`,
  hidden: `<!doctype html><html lang="en"><title>Hidden</title>
<style>.vh{visibility:hidden}.vv{visibility:visible}</style>
<p hidden><a href="#1">a</a></p><p class="vh"><a href="#2">b</a><a class="vv" href="#3">c</a></p><div inert><a href="#4">d</a></div><p aria-hidden="true"><a href="#5">e</a></p>
<details><summary>f</summary><a href="#6">g</a></details><details open><a href="#7">h</a></details><details open><p>i</p><summary>j</summary><summary>k</summary></details><summary>l</summary>
<dialog><button>m</button></dialog><dialog open><button>n</button></dialog><dialog open tabindex="0">o</dialog><div popover><a href="#8">p</a></div><template><a href="#9">q</a></template>
<p style="opacity:0;height:0;overflow:hidden"><a href="#10">r</a></p><div style="display:contents"><a href="#11">s</a></div><a href="#12" style="display:contents">t</a><div style="content-visibility:hidden"><a href="#13">u</a></div>
<details name="x" open><summary>v</summary><a href="#14">w</a></details><details name="x" open><summary>x</summary><a href="#15">y</a></details>`,
  controls: `<!doctype html><html lang="en"><title>Controls</title>
<input><textarea></textarea><select><option>1</select><button disabled>a</button><fieldset disabled><legend><input></legend><input><a href="#1">b</a><fieldset><legend><input></legend></fieldset></fieldset><input readonly><button aria-disabled="true">c</button>
<input type="radio" name="r"><input type="radio" name="r"><input type="radio" name="s"><input type="radio" name="s" checked><input type="radio"><input type="radio"><form><input type="radio" name="r"><input type="radio" name="r" checked disabled></form>
<label>d <input type="checkbox"></label><div contenteditable><a href="#2">e</a><p contenteditable="false"><a href="#3">g</a></p></div><div contenteditable="no">h</div><progress tabindex="0"></progress><output>i</output>
<img src="data:image/gif;base64,R0lGODlhAQABAAAAACw=" usemap="#m" alt="j"><map name="m"><area href="#4" coords="0,0,9,9" alt="k"></map><map name="n"><area href="#5" coords="0,0,9,9" alt="l"></map><svg width="9" height="9"><a href="#6"><text>m</text></a><a><text>n</text></a><g tabindex="0"></g></svg>`,
  shadow: `<!doctype html><html lang="en"><title>Shadow</title>
<a href="#1">a</a><div><template shadowrootmode="open"><button tabindex="1">b</button><slot name="x"></slot><slot></slot><slot name="none"><a href="#2">fallback</a></slot></template><a href="#3">c</a><a href="#4" slot="x" tabindex="2">d</a><a href="#5" slot="lost">e</a></div>
<div tabindex="0"><template shadowrootmode="open" shadowrootdelegatesfocus><input></template></div><div tabindex="-1"><template shadowrootmode="open"><input><slot></slot></template><a href="#6">f</a></div><div tabindex="1"><template shadowrootmode="open"><a href="#7">g</a></template></div><a href="#8">h</a>`,
};
