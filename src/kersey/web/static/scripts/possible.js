// The wall of possible quilts: c lays the one that is looked at beside the others, arrows go on.
// Enter takes it, wherever on the wall the focus is.
document.addEventListener("keydown", (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key === "Enter" && event.target.closest("#wall-form input")) {
    event.preventDefault();
    document.querySelector('#tally [data-key="Enter"]')?.click();
    return;
  }
  if (event.key !== "c") return;
  if (event.target.matches("input:not([type=radio], [type=checkbox]), textarea, select")) return;
  const at = document.querySelector('#quilts input[name="look"]:checked');
  const beside = at?.closest("figure").querySelector('input[name="beside"]');
  if (!beside) return;
  event.preventDefault();
  beside.click();
});

// News that were asked for before somebody chose do not take the choice away.
let looked = "";
document.addEventListener("change", (event) => {
  if (event.target.name === "look") looked = event.target.value;
});
document.addEventListener("htmx:oobBeforeSwap", (event) => {
  const news = event.detail.fragment?.querySelector?.("#tally[data-news]");
  if (looked && news) event.detail.shouldSwap = false;
});
document.addEventListener("htmx:oobAfterSwap", () => {
  const radio = document.getElementById(`look-${looked}`);
  if (radio) radio.checked = true;
});
