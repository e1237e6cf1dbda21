/** A page with everything that faults are planted in, all of it right. */
export const rightPage = `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>Berths – Brackwater Boatyard</title>
<meta name="viewport" content="width=device-width, initial-scale=1">
<style>
:root { --ink: #1d2b36; --paper: #ffffff; --sea: #0b4f6c }
* { box-sizing: border-box }
body { margin: 0; font: 1rem/1.5 serif; color: var(--ink); background: var(--paper) }
a { color: var(--sea); text-decoration: underline }
.skip { position: absolute; left: -999px } .skip:focus { left: 0 }
.bar { background: #0b4f6c; color: #ffffff; padding: 1rem } .bar a { color: #ffffff }
.button { background: #0b4f6c; color: #ffffff; border: 2px solid #0b4f6c; padding: 12px 20px; font-size: 1rem }
.button:hover { background: #093f56 }
.icon { width: 44px; height: 44px; background: #ffffff; color: #1d2b36; border: 1px solid #1d2b36 }
.field { border: 1px solid #5c6b75; background: #ffffff; color: #1d2b36; padding: 8px }
.field::placeholder { color: #5c6b75 }
.note { background: #eef4f7; color: #1d2b36 } .note em { color: #7a1f1f }
:focus-visible { outline: 3px solid #7a1f1f; outline-offset: 2px } .bar :focus-visible { outline-color: #ffffff }
.vh { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%) }
</style>
</head>
<body>
<a class="skip" href="#content">Skip to the berths</a>
<header class="bar">
<p>Brackwater Boatyard</p>
<nav aria-label="Main"><ul><li><a href="berths.html" aria-current="page">Berths</a></li><li><a href="tides.html">Tides</a></li><li><a href="fees.html">Fees</a></li></ul></nav>
</header>
<main id="content" tabindex="-1">
<h1>Berths on the river</h1>
<p>Ask for a berth by noon. Read <a href="rules.html">the rules of the yard</a> before you come.</p>
<h2>Free this week</h2>
<img src="plan.png" alt="Plan of the yard: slips 1 to 6 on the east bank">
<figure><img src="boat.jpg" alt="The ketch Petrel on slip 4"><figcaption>Petrel, hauled out in May</figcaption></figure>
<a href="map.html"><img src="map.png" alt="Map of the river"></a>
<svg role="img" aria-labelledby="wind" viewBox="0 0 9 9"><title id="wind">Wind from the west</title><path d="M0 4h9"/></svg>
<table><caption>Slips and their depth</caption><thead><tr><th scope="col">Slip</th><th scope="col">Depth</th><th scope="col">Free</th></tr></thead><tbody><tr><th scope="row">Slip 1</th><td>2.1 m</td><td>yes</td></tr><tr><th scope="row">Slip 2</th><td>2.4 m</td><td>no</td></tr></tbody></table>
<h3>What to bring</h3>
<ul class="list"><li>Papers of the boat</li><li>Lines and fenders</li></ul>
<dl><dt>High water</dt><dd>six in the morning</dd><dt>Low water</dt><dd>noon</dd></dl>
<h2>Book a berth</h2>
<form action="book" method="post">
<p><label for="boat">Name of the boat</label> <input class="field" id="boat" name="boat" required aria-describedby="hint"> <span id="hint">As painted on the stern</span></p>
<p><label for="mail">E-mail</label> <input class="field" id="mail" name="email" type="email" autocomplete="email" placeholder="you@yard.example"></p>
<p><label>Length in metres <input class="field" type="number" name="length"></label></p>
<p><label for="kind">Kind of berth</label> <select class="field" id="kind" name="kind"><option>Slip</option><option>Mooring</option></select></p>
<p><label for="wish">Wishes</label> <textarea class="field" id="wish" name="wish"></textarea></p>
<fieldset><legend>How long?</legend><label><input type="radio" name="long" value="1"> One week</label> <label><input type="radio" name="long" value="2"> Two weeks</label></fieldset>
<p><input type="checkbox" id="crane" name="crane"> <label for="crane">I need the crane</label></p>
<p><button class="button">Ask for the berth</button></p>
</form>
<h2>Tools</h2>
<div><button class="icon" type="button" aria-label="Print the plan" onclick="print()"><svg aria-hidden="true" viewBox="0 0 9 9" fill="currentColor"><path d="M0 0h9v9z"/></svg></button>
<button class="button" type="button" aria-expanded="false" aria-controls="more" onclick="toggle()">More about slips</button></div>
<div id="more" hidden><p>Slips are hosed down on Fridays.</p></div>
<div role="tablist" aria-label="Seasons" onkeydown="turn()"><button class="button" role="tab" id="t1" aria-selected="true" aria-controls="p1">Summer</button><button class="button" role="tab" id="t2" aria-selected="false" aria-controls="p2" tabindex="-1">Winter</button></div>
<div role="tabpanel" id="p1" aria-labelledby="t1" tabindex="0"><p>Open from six.</p></div>
<div role="tabpanel" id="p2" aria-labelledby="t2" tabindex="0" hidden><p>Open from nine.</p></div>
<div role="checkbox" aria-checked="false" tabindex="0" onclick="flip()" onkeydown="flip()">Tell me of free berths</div>
<p class="note">The yard is closed on <em>Sundays</em>. <span lang="de">Gute Fahrt</span> to all.</p>
<div role="status" id="said"></div>
<iframe title="Tides of the week" src="tides-frame.html"></iframe>
<video controls src="haul.mp4"><track kind="captions" src="haul.vtt" srclang="en" label="English"></video>
<dialog aria-labelledby="sure"><h2 id="sure">Give up the berth?</h2><button class="button" autofocus>Keep it</button></dialog>
<details><summary>Fees for visitors</summary><p>Nine a night.</p></details>
</main>
<footer class="bar"><p>Brackwater Boatyard, the east bank. <a href="mailto:yard@yard.example">Write to the yard</a></p></footer>
<script>
function toggle() { const more = document.getElementById("more"); more.hidden = !more.hidden; event.target.setAttribute("aria-expanded", String(!more.hidden)) }
function show() { document.getElementById("said").textContent = "Shown" }
function flip() { if (event.type === "click" || event.key === " ") event.target.setAttribute("aria-checked", event.target.getAttribute("aria-checked") === "true" ? "false" : "true") }
function turn() { if (event.key === "ArrowRight") document.getElementById("t2").focus(); if (event.key === "ArrowLeft") document.getElementById("t1").focus() }
</script>
</body>
</html>
`;
