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

const showChosen = () =>
  document.querySelector(".size:has(input:checked)")?.scrollIntoView({ block: "nearest", inline: "center" });
document.addEventListener("DOMContentLoaded", showChosen);
document.addEventListener("htmx:oobAfterSwap", showChosen);
