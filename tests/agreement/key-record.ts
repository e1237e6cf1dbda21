/** Records what keys bring about, in a browser and in the simulated window alike: put into a page as text. */
export const recorder = `
  window.events = [];
  for (const type of ["keydown", "keypress", "beforeinput", "input", "keyup", "click", "change", "submit", "reset", "cancel", "close", "toggle"])
    document.addEventListener(type, (event) => {
      window.events.push(type + (event.target.id ? " " + event.target.id : ""));
      if (type === "submit" && event.target.method !== "dialog") event.preventDefault();
    }, true);
  window.stateNow = () => [...document.querySelectorAll("[id]")].map((one) => {
    const told = [one.id];
    if (one === document.activeElement) told.push("focus");
    if (one.localName === "input" || one.localName === "textarea") told.push("value=" + one.value);
    if (one.localName === "select") told.push("selected=" + [...one.options].flatMap((o, i) => o.selected ? [i] : []).join("+"));
    if (one.checked) told.push("checked");
    if (one.open) told.push("open");
    return told.join(" ");
  });
`;

/** The page of a row, with the recorder in it. */
export const recordedPage = (body: string): string =>
  `<!doctype html><title>t</title>${body}<script>${recorder}</script>`;
