// A slip of the finger was seen: the line as it may have been meant is taken by one press.
document.addEventListener("click", (event) => {
  const proposal = event.target.closest("[data-proposal]");
  if (!proposal) return;
  const field = ["line", "lines", "words"].map((id) => document.getElementById(id)).find(Boolean);
  const { proposal: better, insteadOf } = proposal.dataset;
  field.value = insteadOf ? field.value.replace(insteadOf, better) : better;
  field.dispatchEvent(new Event("input", { bubbles: true }));
  field.focus();
});
