import type { PressedCheck } from "../check.ts";

export const changeAnnounced = {
  id: "roles.change-announced",
  kind: "pressed",
  criteria: ["4.1.3"],
  severity: "barrier",
  means: "A message that appears without taking focus stands in a live region.",
  who: "Someone using a screen reader presses, hears nothing, and does not know whether it was done.",
  mend: `Let it appear in an element with role="status", or role="alert" where it cannot wait, that was there before.`,
  examples: [
    {
      html: `<!doctype html><title>t</title><button>Book</button><p role="status"></p><script>document.querySelector("button").onclick = () => { document.querySelector("p").textContent = "Slip 4 is booked."; };</script>`,
      finds: [],
    },
    {
      html: `<!doctype html><title>t</title><button>Rules</button><p hidden>Dogs are required to stay ashore.</p><script>document.querySelector("button").onclick = () => { const p = document.querySelector("p"); p.hidden = !p.hidden; };</script>`,
      finds: [],
    },
    {
      html: `<!doctype html><title>t</title><label>Boat <input aria-describedby="e"></label><button>Book</button><p id="e"></p><script>document.querySelector("button").onclick = () => { document.querySelector("p").textContent = "A name is required."; document.querySelector("input").focus(); };</script>`,
      finds: [],
    },
    {
      html: `<!doctype html><title>t</title><button>Book</button><p></p><script>document.querySelector("button").onclick = () => { document.querySelector("p").textContent = "Slip 4 is booked."; };</script>`,
      finds: [
        [
          "failed",
          "<p>",
          `"Slip 4 is booked." appears when this is done, takes no focus and stands in no live region.`,
        ],
      ],
    },
    {
      html: `<!doctype html><title>t</title><button>Book</button><p aria-live="polite"></p><script>document.querySelector("button").onclick = () => { document.querySelector("p").textContent = "Slip 4 is booked."; };</script>`,
      finds: [],
    },
    {
      html: `<!doctype html><title>t</title><button>Book</button><p role="status" aria-live="off"></p><script>document.querySelector("button").onclick = () => { document.querySelector("p").textContent = "Slip 4 is booked."; };</script>`,
      finds: [
        [
          "failed",
          `<p role="status" aria-live="off">`,
          `"Slip 4 is booked." appears when this is done, takes no focus and stands in no live region.`,
        ],
      ],
    },
    {
      html: `<!doctype html><title>t</title><button>Book</button><div class="toast" hidden>Slip 4 is booked.</div><script>document.querySelector("button").onclick = () => { document.querySelector("div").hidden = false; };</script>`,
      finds: [
        [
          "failed",
          `<div class="toast" hidden>`,
          `"Slip 4 is booked." appears when this is done, takes no focus and stands in no live region.`,
        ],
      ],
    },
  ],
} as const satisfies PressedCheck;
