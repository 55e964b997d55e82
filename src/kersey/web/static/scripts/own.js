// Arrows go from square to square of the block that is drawn; a file is read into its field.
document.addEventListener("keydown", (event) => {
  const at = event.target.closest?.(".own-square");
  const step = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[event.key];
  if (!at || !step) return;
  event.preventDefault();
  const [down, right] = step;
  const row = Number(at.dataset.row), column = Number(at.dataset.column);
  const others = [...document.querySelectorAll(".own-square")].filter((square) => {
    const rows = Number(square.dataset.row) - row, columns = Number(square.dataset.column) - column;
    return rows * down > 0 || columns * right > 0;
  });
  const far = (square) => {
    const rows = Number(square.dataset.row) - row, columns = Number(square.dataset.column) - column;
    return Math.abs(down ? rows : columns) + 10 * Math.abs(down ? columns : rows);
  };
  others.sort((one, other) => far(one) - far(other));
  others[0]?.focus();
});
document.addEventListener("change", async (event) => {
  const into = event.target.dataset?.into;
  if (!into || !event.target.files?.length) return;
  document.getElementById(into).value = await event.target.files[0].text();
});
