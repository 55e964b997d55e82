// Marks on a photograph: a box is dragged over the cloth, or a line across the strips.
const marks = () => document.getElementById("marks");

function drawMarks() {
  const form = marks();
  if (!form) return;
  const fan = form.elements.mode?.value === "fan";
  const at = Object.fromEntries(["left", "top", "right", "bottom"].map((side) => [side, Number(form.elements[side].value)]));
  for (const box of form.querySelectorAll(".photo rect")) {
    box.setAttribute("x", Math.min(at.left, at.right));
    box.setAttribute("y", Math.min(at.top, at.bottom));
    box.setAttribute("width", fan ? 0 : Math.abs(at.right - at.left));
    box.setAttribute("height", fan ? 0 : Math.abs(at.bottom - at.top));
  }
  for (const line of form.querySelectorAll(".photo line")) {
    const ends = fan ? at : { left: 0, top: 0, right: 0, bottom: 0 };
    line.setAttribute("x1", ends.left);
    line.setAttribute("y1", ends.top);
    line.setAttribute("x2", ends.right);
    line.setAttribute("y2", ends.bottom);
  }
  const looked = fan ? [...document.querySelectorAll("#found [data-crop]")] : [];
  form.querySelector(".looked-at").replaceChildren(
    ...looked.map((item) => {
      const box = form.querySelector(".photo rect").cloneNode();
      box.removeAttribute("class");
      const sides = item.dataset.crop.split(" ");
      ["x", "y", "width", "height"].forEach((name, n) => box.setAttribute(name, sides[n]));
      return box;
    }),
  );
}
document.addEventListener("htmx:afterSettle", drawMarks);

function startMarking() {
  const form = marks();
  const photo = form?.querySelector(".photo");
  if (!photo) return;
  const at = (event) => {
    const box = photo.getBoundingClientRect();
    const share = (value, most) => Math.round(Math.min(Math.max(value / most, 0), 1) * 1000) / 10;
    return [share(event.clientX - box.left, box.width), share(event.clientY - box.top, box.height)];
  };
  const set = (names, point) => names.forEach((name, n) => (form.elements[name].value = point[n]));
  photo.addEventListener("pointerdown", (event) => {
    event.preventDefault();
    photo.setPointerCapture(event.pointerId);
    set(["left", "top"], at(event));
    set(["right", "bottom"], at(event));
    drawMarks();
  });
  photo.addEventListener("pointermove", (event) => {
    if (!photo.hasPointerCapture(event.pointerId)) return;
    set(["right", "bottom"], at(event));
    drawMarks();
  });
  photo.addEventListener("pointerup", () => form.dispatchEvent(new Event("change", { bubbles: true })));
  form.addEventListener("change", (event) => {
    // A line goes through the middle until it is drawn; a box stands off the edges.
    if (event.target.name === "mode") {
      const fan = event.target.value === "fan";
      set(["left", "top"], fan ? [8, 50] : [15, 15]);
      set(["right", "bottom"], fan ? [92, 50] : [85, 85]);
    }
    drawMarks();
  });
  drawMarks();
}
document.addEventListener("DOMContentLoaded", startMarking);
