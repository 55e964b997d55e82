// The row of sizes: arrows try the next from anywhere on the page, as they do within the row itself.

function tryNext(step) {
  const sizes = [...document.querySelectorAll("#grid-form input[name=grid]")];
  const chosen = sizes.findIndex((size) => size.checked);
  const next = sizes[chosen + step];
  if (!next) return;
  next.focus();
  next.click();
}

document.addEventListener("keydown", (event) => {
  const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
  const elsewhere = !event.target.matches("input, select, textarea") && !event.ctrlKey && !event.metaKey && !event.altKey;
  if (step && elsewhere) tryNext(step);
});

// In a field of a width the arrows up and down make it an eighth of an inch wider and narrower.
document.addEventListener("keydown", (event) => {
  const field = event.target;
  const more = { ArrowUp: 1, ArrowDown: -1 }[event.key];
  if (!more || !field.matches("input[data-width]")) return;
  event.preventDefault();
  const step = Number(field.dataset.step);
  const marks = Math.max(0, Math.round(Number(field.dataset.width) / step) + more);
  field.dataset.width = marks * step;
  field.value = String(marks * step);
  field.dispatchEvent(new Event("change", { bubbles: true }));
});

const showChosen = () =>
  document.querySelector(".size:has(input:checked)")?.scrollIntoView({ block: "nearest", inline: "center" });
document.addEventListener("DOMContentLoaded", showChosen);
document.addEventListener("htmx:oobAfterSwap", showChosen);
