// At the table: a pedal sends Page Down or Enter. A cut that is being sent is not sent twice.
document.addEventListener("keydown", (event) => {
  if (event.key !== "Enter" || event.repeat || event.target.closest("a, button, input, select, textarea, summary")) return;
  event.preventDefault();
  document.querySelector(".table-cut")?.click();
});
document.addEventListener("keydown", (event) => {
  if (event.repeat && ["PageDown", "PageUp"].includes(event.key)) event.preventDefault();
}, { capture: true });
// The target keeps the finger: after the answer the focus is back on it.
document.addEventListener("htmx:oobAfterSwap", () => {
  if (document.activeElement === document.body) document.querySelector(".table-cut")?.focus({ preventScroll: true });
});
// After so many minutes on the page a quiet word to stand up; it goes with the next act.
const stretch = () => {
  const minutes = Number(document.getElementById("tally")?.dataset.stretch);
  if (minutes) setTimeout(() => {
    const word = document.querySelector(".stretch");
    if (word) word.hidden = false;
  }, minutes * 60000);
};
stretch();
