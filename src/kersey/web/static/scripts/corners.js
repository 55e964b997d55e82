// Four corners are dragged onto those of the blocks; their numbers can be typed too.
const form = () => document.getElementById("corners");
const field = (axis, n) => form().elements[`${axis}${n}`];

function drawCorners() {
  const points = [1, 2, 3, 4].map((n) => [Number(field("x", n).value), Number(field("y", n).value)]);
  for (const outline of form().querySelectorAll("polygon")) outline.setAttribute("points", points.map((point) => point.join(",")).join(" "));
  for (const handle of form().querySelectorAll(".corner")) {
    const [x, y] = points[Number(handle.dataset.corner) - 1];
    handle.style.left = `${x}%`;
    handle.style.top = `${y}%`;
  }
}

let held = null;
document.addEventListener("pointerdown", (event) => {
  const handle = event.target.closest?.(".corner");
  if (!handle) return;
  event.preventDefault();
  held = handle;
  handle.setPointerCapture(event.pointerId);
});
document.addEventListener("pointermove", (event) => {
  if (!held) return;
  const box = form().querySelector(".photo").getBoundingClientRect();
  const share = (value, most) => Math.round(Math.min(Math.max(value / most, 0), 1) * 10000) / 100;
  field("x", held.dataset.corner).value = share(event.clientX - box.left, box.width);
  field("y", held.dataset.corner).value = share(event.clientY - box.top, box.height);
  drawCorners();
});
for (const over of ["pointerup", "pointercancel"]) document.addEventListener(over, () => (held = null));
document.addEventListener("input", drawCorners);
document.addEventListener("DOMContentLoaded", drawCorners);
