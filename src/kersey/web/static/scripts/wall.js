// The wall of pulled fabric: a fabric is dragged to a role, or has keys while it has the focus.
// Uses what moving.js offers.

// A fabric on the wall of a project: `place` says which, its forms have "~" for it.
function sendFor(id, place, fields) {
  const form = document.getElementById(id);
  form.dataset.action = decodeURIComponent(form.getAttribute("action")).replace("~", place);
  send(form, fields);
}

document.addEventListener("dragover", (event) => {
  const role = event.target.closest?.("[data-role]");
  if (!dragged || !role) return;
  event.preventDefault();
  dropNowhere();
  role.classList.add("drop-here");
});
document.addEventListener("drop", (event) => {
  const role = event.target.closest?.("[data-role]")?.dataset.role;
  if (!dragged || !role) return;
  event.preventDefault();
  const { place, from } = dragged.dataset;
  if (role === from) return;
  if (role === "aside") {
    sendFor("aside-form", place, { reason: "does not belong" });
  } else if (from === "aside") {
    sendFor("aside-form", place, { reason: "" });
  } else {
    sendFor("role-form", place, { role, instead_of: event.shiftKey ? "" : from, besides: event.shiftKey });
  }
});

// Its roles, how it reads, back to the cupboard; Shift and a role's key let it serve both.
document.addEventListener("keydown", (event) => {
  const fabric = event.target.closest(".fabric");
  if (!fabric || event.ctrlKey || event.metaKey || event.altKey) return;
  const { place } = fabric.dataset;
  const key = event.key.toLowerCase();
  const step = { arrowleft: -1, arrowright: 1 }[key];
  const role = document.querySelector(`#work [data-role-key="${CSS.escape(key)}"]`)?.dataset.roleOfKey;
  if (step) {
    const all = [...document.querySelectorAll(".fabric > a")];
    all[all.indexOf(fabric.querySelector("a")) + step]?.focus();
  } else if (key === "v" || key === "h") {
    sendFor("next-form", place, { judgement: key === "v" ? "value" : "family" });
  } else if (key === "x") {
    sendFor("aside-form", place, { reason: fabric.dataset.from === "aside" ? "" : "does not belong" });
  } else if (key === "r" || key === "delete") {
    sendFor("return-form", place, {});
  } else if (role) {
    sendFor("role-form", place, { role, instead_of: "", besides: event.shiftKey });
  } else {
    return;
  }
  event.preventDefault();
});

// After the wall was hung anew, the focus is back on the fabric that had it, or on its next role.
let focused = null;
document.addEventListener("htmx:beforeRequest", () => {
  focused = document.activeElement?.closest(".fabric")?.dataset.place ?? null;
});
function focusAgain() {
  if (focused === null || document.activeElement !== document.body) return;
  document.querySelector(`.fabric[data-place="${focused}"] > a`)?.focus();
}
document.addEventListener("htmx:afterRequest", focusAgain);
document.addEventListener("htmx:oobAfterSwap", focusAgain);
