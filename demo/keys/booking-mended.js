const find = (id) => document.getElementById(id);

find("fees").addEventListener("click", () => {
  find("fee-list").hidden = !find("fee-list").hidden;
  find("fees").setAttribute("aria-expanded", String(!find("fee-list").hidden));
});

const tabs = [find("times"), find("depth")];
function choose(chosen) {
  for (const tab of tabs) {
    tab.setAttribute("aria-selected", String(tab === chosen));
    tab.tabIndex = tab === chosen ? 0 : -1;
    find(tab.getAttribute("aria-controls")).hidden = tab !== chosen;
  }
  chosen.focus();
}
for (const [at, tab] of tabs.entries()) {
  tab.addEventListener("click", () => choose(tab));
  tab.addEventListener("keydown", (event) => {
    if (event.key === "ArrowRight" || event.key === "ArrowLeft") choose(tabs[1 - at]);
  });
}

for (const button of document.querySelectorAll("#waiting button"))
  button.addEventListener("click", () => {
    const row = button.closest("li");
    const next = row.nextElementSibling ?? row.previousElementSibling;
    row.remove();
    (next?.querySelector("button") ?? find("book")).focus();
  });

const dialog = find("dialog");
function close() {
  dialog.hidden = true;
  find("book").focus();
}
find("book").addEventListener("click", () => {
  dialog.hidden = false;
  find("boat").focus();
});
find("send").addEventListener("click", () => {
  close();
  find("said").textContent = `${find("boat").value} is booked for slip 4`;
});
dialog.addEventListener("keydown", (event) => {
  if (event.key === "Escape") close();
  if (event.key !== "Tab") return;
  event.preventDefault();
  (document.activeElement === find("boat") ? find("send") : find("boat")).focus();
});
