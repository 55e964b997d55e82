// Keys: every element with data-key is clicked, or focused when it is a field. A page with keys of
// its own listens before this one, and calls preventDefault on those it takes.
const isField = (element) => element.matches("input:not([type=radio], [type=checkbox]), select, textarea");

function press(element) {
  if (isField(element)) {
    element.focus();
    element.select();
  } else {
    element.click();
  }
}

function listKeys() {
  const list = document.querySelector("#keys dl");
  const lines = [...document.querySelectorAll("[data-key], [data-role-key]")].flatMap((element) => {
    const key = document.createElement("dt");
    const does = document.createElement("dd");
    const written = element.dataset.key ?? element.dataset.roleKey;
    key.append(Object.assign(document.createElement("kbd"), { textContent: written }));
    does.textContent = element.dataset.does;
    return [key, does];
  });
  list.replaceChildren(...lines);
}

function toggleKeys() {
  const panel = document.getElementById("keys");
  listKeys();
  panel.hidden = !panel.hidden;
  document.querySelector("[data-keys]").setAttribute("aria-expanded", String(!panel.hidden));
}

document.addEventListener("keydown", (event) => {
  if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return;
  const here = event.target;
  if (event.key === "Escape") {
    const panel = document.getElementById("keys");
    if (!panel.hidden || isField(here) || here.closest(".term")) {
      panel.hidden = true;
      if (isField(here) || here.closest(".term")) here.blur();
      return;
    }
  }
  if (isField(here)) {
    // The key that leads to an empty field is not written into it.
    if (here.value === "" && event.key === here.dataset.key && event.key === "/") event.preventDefault();
    return;
  }
  if (event.key === "?") {
    toggleKeys();
    return;
  }
  if (event.key === "Enter" && here.closest("a, button, summary, label")) return;
  const bound = document.querySelector(`[data-key="${CSS.escape(event.key)}"]`);
  if (bound) {
    event.preventDefault();
    press(bound);
  }
});

document.addEventListener("click", (event) => {
  if (event.target.closest("[data-keys]")) toggleKeys();
});
