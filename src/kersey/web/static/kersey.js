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

// A page that is left while a change is still under way would be shown without it: it waits.
document.addEventListener("click", (event) => {
  const link = event.target.closest("a[href]:not([hx-get], [download])");
  if (!link || event.ctrlKey || event.metaKey || event.shiftKey || !document.querySelector(".htmx-request:not(.going-on)")) return;
  event.preventDefault();
  document.addEventListener("htmx:afterRequest", () => location.assign(link.href), { once: true });
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
  if (fabricKey(event)) return;
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

// Prints are laid in another order: dragged, with Alt and an arrow, or by their buttons.
// A form inside a page of a project is sent by htmx, one of the cupboard as any form is.
function send(form, fields) {
  for (const [name, value] of Object.entries(fields)) form.elements[name].value = value;
  if (!form.dataset.fragment) return form.requestSubmit();
  htmx.ajax("POST", form.dataset.action ?? form.getAttribute("action"), { source: form, swap: "none", values: htmx.values(form) });
}

function move(place, to) {
  send(document.getElementById("move"), { place, to });
}

// A fabric on the wall of a project: `place` says which, its forms have "~" for it.
function sendFor(id, place, fields) {
  const form = document.getElementById(id);
  form.dataset.action = decodeURIComponent(form.getAttribute("action")).replace("~", place);
  send(form, fields);
}

let dragged = null;
const printAt = (event) => event.target.closest?.("[data-movable] > [data-place]");
document.addEventListener("dragstart", (event) => {
  dragged = printAt(event);
});
document.addEventListener("dragend", () => {
  dragged = null;
  document.querySelectorAll(".drop-here").forEach((target) => target.classList.remove("drop-here"));
});
document.addEventListener("dragover", (event) => {
  const role = event.target.closest?.("[data-role]");
  if (!dragged || !(printAt(event) || role)) return;
  event.preventDefault();
  document.querySelectorAll(".drop-here").forEach((target) => target.classList.remove("drop-here"));
  role?.classList.add("drop-here");
});
document.addEventListener("drop", (event) => {
  const target = printAt(event);
  const role = event.target.closest?.("[data-role]")?.dataset.role;
  if (!dragged) return;
  event.preventDefault();
  const { place, from } = dragged.dataset;
  if (role === "aside" && from !== "aside") {
    sendFor("aside-form", place, { reason: "does not belong" });
  } else if (from === "aside" && role !== "aside") {
    sendFor("aside-form", place, { reason: "" });
  } else if (role && role !== from) {
    sendFor("role-form", place, { role, instead_of: event.shiftKey ? "" : from, besides: event.shiftKey });
  } else if (target && target !== dragged) {
    move(place, target.dataset.place);
  }
});
document.addEventListener("keydown", (event) => {
  const print = event.altKey && printAt(event);
  const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
  if (!print || !step) return;
  event.preventDefault();
  const to = Number(print.dataset.place) + step;
  if (print.parentElement.querySelector(`[data-place="${to}"]`)) move(print.dataset.place, to);
});

// Keys of the fabric that has the focus: its roles, how it reads, back to the cupboard.
function fabricKey(event) {
  const fabric = event.target.closest(".fabric");
  if (!fabric) return false;
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
    return false;
  }
  event.preventDefault();
  return true;
}

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

document.addEventListener("click", (event) => {
  const moving = event.target.closest("[data-move]");
  if (moving) move(moving.dataset.move, moving.dataset.to);
  if (event.target.closest("[data-keys]")) toggleKeys();
  if (event.target.closest("[data-print]")) window.print();
});

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

// A slip of the finger was seen: the line as it may have been meant is taken by one press.
document.addEventListener("click", (event) => {
  const proposal = event.target.closest("[data-proposal]");
  if (!proposal) return;
  const field = document.getElementById("line") ?? document.getElementById("lines");
  const { proposal: better, insteadOf } = proposal.dataset;
  field.value = insteadOf ? field.value.replace(insteadOf, better) : better;
  field.dispatchEvent(new Event("input", { bubbles: true }));
  field.focus();
});
