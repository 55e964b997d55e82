// Prints are laid in another order: dragged, with Alt and an arrow, or by their buttons.

// A form inside a page of a project is sent by htmx, one of the cupboard as any form is.
function send(form, fields) {
  for (const [name, value] of Object.entries(fields)) form.elements[name].value = value;
  if (!form.dataset.fragment) return form.requestSubmit();
  htmx.ajax("POST", form.dataset.action ?? form.getAttribute("action"), { source: form, swap: "none", values: htmx.values(form) });
}

function move(place, to) {
  send(document.getElementById("move"), { place, to });
}

let dragged = null;
const printAt = (event) => event.target.closest?.("[data-movable] > [data-place]");
const dropNowhere = () =>
  document.querySelectorAll(".drop-here").forEach((target) => target.classList.remove("drop-here"));
document.addEventListener("dragstart", (event) => {
  dragged = printAt(event);
});
document.addEventListener("dragend", () => {
  dragged = null;
  dropNowhere();
});
document.addEventListener("dragover", (event) => {
  if (dragged && printAt(event)) event.preventDefault();
});
document.addEventListener("drop", (event) => {
  const target = printAt(event);
  if (!dragged || !target || target === dragged || target.parentElement !== dragged.parentElement) return;
  event.preventDefault();
  move(dragged.dataset.place, target.dataset.place);
});
document.addEventListener("keydown", (event) => {
  const print = event.altKey && printAt(event);
  const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
  if (!print || !step) return;
  event.preventDefault();
  const to = Number(print.dataset.place) + step;
  if (print.parentElement.querySelector(`[data-place="${to}"]`)) move(print.dataset.place, to);
});

document.addEventListener("click", (event) => {
  const moving = event.target.closest("[data-move]");
  if (moving) move(moving.dataset.move, moving.dataset.to);
});
