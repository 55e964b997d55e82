// A piece is pointed at, or has the focus, in the block, in a cut or in the table: it shows in all.
function light(event) {
  const at = event.target.closest?.("[data-need]") ?? document.activeElement?.closest("[data-need]");
  const need = at?.dataset.need;
  for (const lit of document.querySelectorAll(".lit")) lit.classList.remove("lit");
  if (need === undefined) return;
  for (const piece of document.querySelectorAll(`[data-need="${CSS.escape(need)}"]`)) piece.classList.add("lit");
}
document.addEventListener("pointerover", light);
document.addEventListener("focusin", light);

// While a slider is dragged the page is told where it is, now and then, and where it comes to rest.
let moved = null;
let pause = null;
function tellMoved() {
  pause = null;
  if (!moved) return;
  htmx.trigger(moved, "moved");
  moved = null;
  pause = setTimeout(tellMoved, 90);
}
document.addEventListener("input", (event) => {
  if (!event.target.matches(".slider")) return;
  moved = event.target;
  if (!pause) tellMoved();
});

// Nothing round a slider is exchanged under the hand that drags it; what came meanwhile comes after.
let dragging = null;
let heldBack = false;
document.addEventListener("pointerdown", (event) => {
  dragging = event.target.closest?.(".slider")?.form ?? null;
});
for (const end of ["pointerup", "pointercancel"]) {
  document.addEventListener(end, () => {
    dragging = null;
    if (heldBack) htmx.trigger("#cliff", "let-go");
    heldBack = false;
  });
}
document.addEventListener("htmx:oobBeforeSwap", (event) => {
  if (!dragging?.contains(event.detail.target)) return;
  event.detail.shouldSwap = false;
  heldBack = true;
});
