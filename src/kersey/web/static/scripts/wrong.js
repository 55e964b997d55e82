// The line over a spoiled piece is dragged to where it was cut; the field says it, and asks anew.
const place = (svg, event) => {
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());
  return svg.closest(".spoiled-figure").dataset.side === "length" ? at.x : at.y;
};
document.addEventListener("pointerdown", (event) => {
  const svg = event.target.closest(".spoiled-figure svg");
  const field = document.getElementById("at");
  if (!svg || !field) return;
  event.preventDefault();
  const figure = svg.closest(".spoiled-figure");
  const blade = svg.querySelector("#blade");
  const start = blade.getBBox();
  const inches = figure.dataset.unit === "in";
  const grain = Number(figure.dataset.grain);
  const follow = (moved) => {
    const at = Math.max(grain, place(svg, moved));
    const shown = Math.round((inches ? at : at * 2.54) / grain) * grain;
    field.value = String(Number(shown.toFixed(3)));
    const now = inches ? shown : shown / 2.54;
    blade.setAttribute("transform", figure.dataset.side === "length" ? `translate(${now - start.x} 0)` : `translate(0 ${now - start.y})`);
  };
  const end = () => {
    document.removeEventListener("pointermove", follow);
    field.dispatchEvent(new Event("change", { bubbles: true }));
  };
  follow(event);
  document.addEventListener("pointermove", follow);
  document.addEventListener("pointerup", end, { once: true });
});
