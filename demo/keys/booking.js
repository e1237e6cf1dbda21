const find = (id) => document.getElementById(id);

find("fees").addEventListener("click", () => {
  find("fee-list").hidden = !find("fee-list").hidden;
});

const tabs = [find("times"), find("depth")];
function choose(chosen) {
  for (const tab of tabs) {
    tab.setAttribute("aria-selected", String(tab === chosen));
    tab.tabIndex = tab === chosen ? 0 : -1;
    find(tab.getAttribute("aria-controls")).hidden = tab !== chosen;
  }
}
for (const tab of tabs) tab.addEventListener("click", () => choose(tab));

for (const button of document.querySelectorAll("#waiting button"))
  button.addEventListener("click", () => button.closest("li").remove());

find("book").addEventListener("click", () => {
  find("dialog").hidden = false;
  find("boat").focus();
});
find("send").addEventListener("click", () => {
  find("dialog").hidden = true;
  find("said").textContent = `${find("boat").value} is booked for slip 4`;
});
