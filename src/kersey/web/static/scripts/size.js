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

// A width is changed in marks: eighths of an inch, or half centimetres.
function setWidth(field, width) {
  const step = Number(field.dataset.step);
  const marked = Math.max(0, Math.round(width / step)) * step;
  if (marked === Number(field.dataset.width)) return;
  field.dataset.width = marked;
  field.value = String(marked);
  field.dispatchEvent(new Event("change", { bubbles: true }));
}

// In a field of a width the arrows up and down make it a mark wider and narrower.
document.addEventListener("keydown", (event) => {
  const field = event.target;
  const more = { ArrowUp: 1, ArrowDown: -1 }[event.key];
  if (!more || !field.matches("input[data-width]")) return;
  event.preventDefault();
  setWidth(field, Number(field.dataset.width) + more * Number(field.dataset.step));
});

// At the drawing a border, sashing or edge is pulled; every mark on the way is tried at once, and
// the drawing that comes with its answer is pulled on.
let pull = null;
const fieldPulled = () => document.querySelector(`.finish input[name="${pull.name}"][data-width]`);
const along = (event) => (pull.axis === "x" ? event.clientX : event.clientY);

document.addEventListener("pointerdown", (event) => {
  const handle = event.target.closest?.("[data-pulls]");
  if (!handle || event.button) return;
  const { pulls: name, axis, way } = handle.dataset;
  pull = { name, axis };
  const field = fieldPulled();
  if (!field) {
    pull = null;
    return;
  }
  event.preventDefault();
  const px = handle.ownerSVGElement.getScreenCTM().a;
  pull.from = along(event);
  pull.width = Number(field.dataset.width);
  pull.perPx = (Number(way) * Number(field.dataset.perInch)) / px;
  document.documentElement.dataset.pulling = axis;
});
document.addEventListener("pointermove", (event) => {
  const field = pull && fieldPulled();
  if (field) setWidth(field, pull.width + (along(event) - pull.from) * pull.perPx);
});
for (const over of ["pointerup", "pointercancel"]) {
  document.addEventListener(over, () => {
    pull = null;
    delete document.documentElement.dataset.pulling;
  });
}

const showChosen = () =>
  document.querySelector(".size:has(input:checked)")?.scrollIntoView({ block: "nearest", inline: "center" });
document.addEventListener("DOMContentLoaded", showChosen);
document.addEventListener("htmx:oobAfterSwap", showChosen);
