// What the tape reads lands in the field that has the focus, or else in the first that is empty.
document.addEventListener("kersey:tape", (event) => {
  const fields = [...document.querySelectorAll("[data-measures]")];
  const field = fields.find((each) => each === document.activeElement) ?? fields.find((each) => !each.value);
  if (!field) return;
  field.value = event.detail.read;
  const form = field.closest("form");
  form.elements.by_tape.value = "true";
  form.requestSubmit();
});
