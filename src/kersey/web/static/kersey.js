// What the pages need beyond htmx: keys, news of revisions, and telling when something failed.

const notice = () => document.getElementById("notice");

function say(words) {
  const box = document.createElement("div");
  box.className = "notice";
  const line = document.createElement("p");
  line.textContent = words;
  box.append(line);
  notice().replaceChildren(box);
}

// After a change every form on the page speaks of the new revision.
document.addEventListener("kersey:revision", (event) => {
  for (const field of document.querySelectorAll("input[name=revision]")) {
    field.value = event.detail.revision;
  }
  notice().replaceChildren();
});

document.addEventListener("htmx:afterRequest", (event) => {
  const { xhr, successful } = event.detail;
  if (successful || !xhr || xhr.status === 0) return;
  const kind = xhr.getResponseHeader("content-type") || "";
  if (kind.startsWith("text/plain")) {
    say(`${xhr.responseText} What you typed is still on the page.`);
  }
});
document.addEventListener("htmx:sendError", () => {
  say("Kersey does not answer. Is it still running? What you typed is still on the page.");
});

// Keys: every element with data-key is clicked, or focused when it is a field.
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
  const lines = [...document.querySelectorAll("[data-key]")].flatMap((element) => {
    const key = document.createElement("dt");
    const does = document.createElement("dd");
    key.append(Object.assign(document.createElement("kbd"), { textContent: element.dataset.key }));
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

// Arrows try the next size from anywhere on the page, as they do within the row itself.
function tryNext(step) {
  const sizes = [...document.querySelectorAll("#grid-form input[name=grid]")];
  const chosen = sizes.findIndex((size) => size.checked);
  const next = sizes[chosen + step];
  if (!next) return;
  next.focus();
  next.click();
}

// In a field of several lines Enter sends, as it does in a field of one; Shift and Enter break it.
document.addEventListener("keydown", (event) => {
  const sends = event.key === "Enter" && !event.shiftKey && event.target.matches("[data-enter-sends]");
  if (!sends) return;
  event.preventDefault();
  event.target.form.requestSubmit();
});

document.addEventListener("keydown", (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  const here = event.target;
  if (event.key === "Escape") {
    document.getElementById("keys").hidden = true;
    return;
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
  const inRadio = here.matches("input[type=radio]");
  if (!inRadio && (event.key === "ArrowRight" || event.key === "ArrowLeft")) {
    tryNext(event.key === "ArrowRight" ? 1 : -1);
    return;
  }
  const bound = document.querySelector(`[data-key="${CSS.escape(event.key)}"]`);
  if (bound) {
    event.preventDefault();
    press(bound);
  }
});

const showChosen = () =>
  document.querySelector(".size:has(input:checked)")?.scrollIntoView({ block: "nearest", inline: "center" });
document.addEventListener("DOMContentLoaded", showChosen);
document.addEventListener("htmx:oobAfterSwap", showChosen);

// Prints of a lot are laid in another order: dragged, with Alt and an arrow, or by their buttons.
function move(place, to) {
  const form = document.getElementById("move");
  form.place.value = place;
  form.to.value = to;
  form.requestSubmit();
}

let dragged = null;
const printAt = (event) => event.target.closest?.("[data-movable] > [data-place]");
document.addEventListener("dragstart", (event) => {
  dragged = printAt(event);
});
document.addEventListener("dragover", (event) => {
  if (dragged && printAt(event)) event.preventDefault();
});
document.addEventListener("drop", (event) => {
  const target = printAt(event);
  if (!dragged || !target || target === dragged) return;
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
  if (event.target.closest("[data-keys]")) toggleKeys();
  if (event.target.closest("[data-print]")) window.print();
});
