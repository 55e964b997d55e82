// The wall: blocks are taken hold of by mouse, finger or keys. What is done is sent as a form, and the
// wall comes back with it. Rows, columns and places are counted from 0; numbers like 3-5 from 1.

let cursor = null; // the place that the keys are at
let lifted = null; // the place whose block is in the hand
let chosen = new Set(); // places that are marked, to be moved, turned or pinned together
let drag = null;
let view = "";
let lit = "";
let zoom = 1;

const frame = () => document.getElementById("wall-frame");
const drawing = () => frame()?.querySelector("svg");
const placeAt = (place) => document.getElementById(`place-${place}`);
const places = () => [...(frame()?.querySelectorAll(".place") ?? [])];
const rowOf = (element) => Number(element.dataset.row);
const columnOf = (element) => Number(element.dataset.column);
const at = (row, column) => frame()?.querySelector(`.place[data-row="${row}"][data-column="${column}"]`);
const numbersOf = (those) => [...those].map((place) => placeAt(place).dataset.number).join(" ");

function tell(words) {
  const line = document.getElementById("wall-says");
  if (line) line.textContent = words;
}

// Acts are sent one after the other, however fast the hand is: each from the revision that the one
// before has left.
const waiting = [];
let underWayNow = false;
function enqueue(address, values) {
  waiting.push({ address, values });
  sendNext();
}
async function sendNext() {
  if (underWayNow || !waiting.length) return;
  const { address, values } = waiting.shift();
  const sender = document.getElementById("sender");
  underWayNow = true;
  try {
    await htmx.ajax("POST", address, { source: sender, swap: "none", values: { ...values, revision: sender.elements.revision.value } });
  } finally {
    underWayNow = false;
    sendNext();
  }
}
document.addEventListener("submit", (event) => {
  if (!event.target.matches("[data-queued]")) return;
  event.preventDefault();
  event.stopPropagation();
  const values = Object.fromEntries(new FormData(event.target, event.submitter));
  enqueue(event.target.getAttribute("action"), values);
}, { capture: true });
// What was refused ends what was still to be sent: it was meant for another wall.
document.addEventListener("htmx:responseError", () => waiting.splice(0));
document.addEventListener("htmx:beforeSwap", (event) => {
  if (event.detail.xhr.status >= 400) waiting.splice(0);
});
// A search that is over is laid at once.
document.addEventListener("htmx:afterSettle", () => {
  const take = document.querySelector("#searching form.take");
  if (!take) return;
  take.classList.remove("take");
  take.requestSubmit();
});

function act(name, fields) {
  const form = document.getElementById("act-form");
  if (form) enqueue(form.getAttribute("action"), { act: name, places: "", down: 0, across: 0, block: "", ...fields });
}

// What is marked and where the keys are is shown by classes; it lives here, and survives the wall
// being hung anew.
function show() {
  for (const element of places()) {
    const place = Number(element.dataset.place);
    element.classList.toggle("at", place === cursor);
    element.classList.toggle("chosen", chosen.has(place));
    element.classList.toggle("lifted", place === lifted);
  }
  if (cursor !== null && placeAt(cursor)) frame().setAttribute("aria-activedescendant", `place-${cursor}`);
  for (const button of document.querySelectorAll("[data-act]")) button.disabled = !those().size;
  const one = lifted !== null ? placeAt(lifted) : cursor !== null ? placeAt(cursor) : null;
  if (one) {
    const many = chosen.size > 1 ? ` ${chosen.size} selected.` : "";
    tell(lifted !== null ? `${one.dataset.number} is picked up. Arrows move it, Enter puts it down.` : `${one.getAttribute("aria-label")}.${many}`);
  }
}

function look() {
  const all = frame();
  if (!all) return;
  all.dataset.view = view;
  const menu = document.getElementById("view");
  menu.value = [...menu.options].some((each) => each.value === view) ? view : "";
  document.getElementById("lit").value = lit;
  const [kind, name] = [lit.slice(0, lit.indexOf(":")), lit.slice(lit.indexOf(":") + 1)];
  all.classList.toggle("one-lit", lit !== "");
  for (const path of all.querySelectorAll("#wall-cloth [data-print]")) {
    path.classList.toggle("unlit", lit !== "" && path.dataset[kind] !== name);
  }
  drawing().style.width = `${zoom * 100}%`;
  drawing().style.height = `${zoom * 100}%`;
}

function comeNearer(times) {
  const all = frame();
  const before = zoom;
  zoom = Math.min(8, Math.max(1, times === 0 ? 1 : zoom * times));
  const [x, y] = [all.scrollLeft + all.clientWidth / 2, all.scrollTop + all.clientHeight / 2];
  look();
  all.scrollTo((x * zoom) / before - all.clientWidth / 2, (y * zoom) / before - all.clientHeight / 2);
}

// Marked places, or else the one the keys are at.
const those = () => (chosen.size ? chosen : cursor === null ? new Set() : new Set([cursor]));

function go(down, across, swap) {
  const here = placeAt(cursor ?? 0);
  if (!here) return;
  const there = at(rowOf(here) + down, columnOf(here) + across);
  if (!there) return;
  const target = Number(there.dataset.place);
  if (swap && chosen.size > 1) {
    const those = chosen;
    chosen = new Set([...those].map((place) => at(rowOf(placeAt(place)) + down, columnOf(placeAt(place)) + across)?.dataset.place).filter((place) => place !== undefined).map(Number));
    act("move", { places: numbersOf(those), down, across });
  } else if (swap) {
    act("swap", { places: numbersOf([cursor ?? 0, target]) });
  }
  cursor = target;
  show();
  there.scrollIntoView({ block: "nearest", inline: "nearest" });
}

function liftOrLay() {
  if (cursor === null) cursor = 0;
  if (lifted === null) {
    lifted = cursor;
  } else {
    const from = lifted;
    lifted = null;
    if (from !== cursor) act("swap", { places: numbersOf([from, cursor]) });
  }
  show();
}

const MARKED = { r: "turn", p: "pin", x: "aside" };
function doWithMarked(name) {
  const pinned = [...those()].every((place) => placeAt(place).dataset.pinned);
  act(name === "pin" && pinned ? "let go" : name, { places: numbersOf(those()) });
}

const ARROWS = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] };
document.addEventListener("keydown", (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey || !frame() || event.target.matches("input, select, textarea")) return;
  const onWall = event.target === frame() || event.target === document.body;
  const arrow = ARROWS[event.key];
  const key = event.key.toLowerCase();
  if (arrow && onWall) {
    if (cursor === null) {
      cursor = 0;
      show();
    } else go(...arrow, event.shiftKey);
  } else if (event.key === "Enter" && onWall && (event.target === frame() || cursor !== null)) liftOrLay();
  else if (event.key === " " && onWall) {
    const place = cursor ?? 0;
    chosen.has(place) ? chosen.delete(place) : chosen.add(place);
    cursor = place;
    show();
  } else if (event.key === "Escape" && (lifted !== null || chosen.size)) {
    lifted = null;
    chosen = new Set();
    show();
  } else if (MARKED[key] && those().size) doWithMarked(MARKED[key]);
  else return;
  event.preventDefault();
});

// By mouse or finger: a block is dragged onto another, or tapped to mark it; with Shift a rectangle,
// with Ctrl one more. Dragged with others that are marked, they go together.
function hold(event) {
  const element = event.target.closest?.(".place");
  const spare = event.target.closest?.(".spare");
  if (event.button || !(element || spare)) return;
  if (spare) {
    drag = { block: spare.dataset.block, spare, x: event.clientX, y: event.clientY, moving: false, id: event.pointerId };
    return;
  }
  const place = Number(element.dataset.place);
  drag = { place, x: event.clientX, y: event.clientY, moving: false, id: event.pointerId };
}

function ghostOf(place) {
  const svg = drawing();
  const make = (tag, attributes) => {
    const made = document.createElementNS(svg.namespaceURI, tag);
    for (const [name, value] of Object.entries(attributes)) made.setAttribute(name, value);
    return made;
  };
  svg.querySelector("#ghost")?.remove();
  const ghost = make("g", { id: "ghost", class: "ghost" });
  const clip = make("clipPath", { id: "ghost-clip" });
  for (const each of chosen.has(place) ? chosen : [place]) clip.append(make("path", { d: placeAt(each).getAttribute("d") }));
  const shown = make("g", { "clip-path": "url(#ghost-clip)" });
  shown.append(make("use", { href: "#wall-cloth" }));
  ghost.append(clip, shown);
  for (const each of chosen.has(place) ? chosen : [place]) ghost.append(make("path", { d: placeAt(each).getAttribute("d"), class: "ghost-edge" }));
  svg.append(ghost);
  return ghost;
}

// A block from beside the wall, carried under the finger.
function carried(spare) {
  const shown = spare.querySelector("svg").cloneNode(true);
  shown.setAttribute("class", "carried");
  document.body.append(shown);
  return shown;
}

document.addEventListener("pointerdown", (event) => {
  if (event.target.closest?.("#wall-frame, .spare")) hold(event);
});
document.addEventListener("pointermove", (event) => {
  if (!drag || event.pointerId !== drag.id) return;
  const [x, y] = [event.clientX - drag.x, event.clientY - drag.y];
  if (!drag.moving && Math.hypot(x, y) < 6) return;
  if (!drag.moving) {
    drag.moving = true;
    drag.ghost = drag.spare ? carried(drag.spare) : ghostOf(drag.place);
    frame().classList.add("dragging");
  }
  if (drag.spare) drag.ghost.style.translate = `${event.clientX}px ${event.clientY}px`;
  const scale = drawing().getScreenCTM().a;
  if (!drag.spare) drag.ghost.setAttribute("transform", `translate(${x / scale} ${y / scale})`);
  for (const element of places()) element.classList.remove("drop-place");
  placeUnder(event)?.classList.add("drop-place");
});
const placeUnder = (event) => document.elementsFromPoint(event.clientX, event.clientY).find((element) => element.matches?.(".place"));

document.addEventListener("pointerup", (event) => {
  if (!drag || event.pointerId !== drag.id) return;
  const { place, moving, block } = drag;
  const over = placeUnder(event);
  endDrag();
  const target = over ? Number(over.dataset.place) : null;
  if (block) {
    if (moving && target !== null) {
      cursor = target;
      act("bring", { block, places: numbersOf([target]) });
    }
    return undefined;
  }
  if (!moving) return tap(place, event);
  if (target === null) {
    // Dragged off the wall: it lies aside.
    if (event.target.closest?.(".wall-side, #wall-frame")) act("aside", { places: numbersOf(chosen.has(place) ? chosen : [place]) });
    return undefined;
  }
  if (target === place) return undefined;
  const [from, to] = [placeAt(place), placeAt(target)];
  if (chosen.has(place) && chosen.size > 1) {
    const [down, across] = [rowOf(to) - rowOf(from), columnOf(to) - columnOf(from)];
    act("move", { places: numbersOf(chosen), down, across });
    chosen = new Set();
  } else act("swap", { places: numbersOf([place, target]) });
  cursor = target;
  return undefined;
});
function endDrag() {
  drag?.ghost?.remove();
  frame()?.classList.remove("dragging");
  for (const element of places()) element.classList.remove("drop-place");
  drag = null;
}
document.addEventListener("pointercancel", endDrag);

function tap(place, event) {
  if (event.shiftKey && cursor !== null) {
    const [one, other] = [placeAt(cursor), placeAt(place)];
    const between = (value, a, b) => value >= Math.min(a, b) && value <= Math.max(a, b);
    chosen = new Set(
      places()
        .filter((each) => between(rowOf(each), rowOf(one), rowOf(other)) && between(columnOf(each), columnOf(one), columnOf(other)))
        .map((each) => Number(each.dataset.place)),
    );
  } else if (event.ctrlKey || event.metaKey) {
    chosen.has(place) ? chosen.delete(place) : chosen.add(place);
    cursor = place;
  } else {
    chosen = new Set();
    cursor = place;
  }
  frame().focus({ preventScroll: true });
  show();
}

document.addEventListener("click", (event) => {
  const spare = event.target.closest?.(".spare");
  const back = event.target.closest?.("[data-view]");
  const line = event.target.closest?.("[data-line]");
  const marked = event.target.closest?.("[data-act]");
  if (marked) doWithMarked(marked.dataset.act);
  else if (spare) {
    const empty = frame().querySelector(".place.empty");
    const place = cursor ?? (empty ? Number(empty.dataset.place) : null);
    if (place === null) tell("First select the spot for this block.");
    else act("bring", { block: spare.dataset.block, places: numbersOf([place]) });
  } else if (back?.matches(".look-back")) {
    view = view === back.dataset.view ? "" : back.dataset.view;
    look();
  } else if (line) {
    const { line: axis, at: number } = line.dataset;
    chosen = new Set(places().filter((each) => each.dataset[axis] === number).map((each) => Number(each.dataset.place)));
    cursor = Math.min(...chosen);
    frame().focus({ preventScroll: true });
    show();
  } else if (event.target.id === "zoom-in") comeNearer(1.4);
  else if (event.target.id === "zoom-out") comeNearer(1 / 1.4);
  else if (event.target.id === "zoom-whole") comeNearer(0);
});

document.addEventListener("change", (event) => {
  if (event.target.id === "view") view = event.target.value;
  else if (event.target.id === "lit") {
    lit = event.target.value;
    // All of one print are marked with it, so that they can be turned or pinned together.
    if (lit.startsWith("print:")) {
      const name = lit.slice(6);
      chosen = new Set(places().filter((each) => (each.dataset.prints ?? "").split("\n").includes(name)).map((each) => Number(each.dataset.place)));
    } else chosen = new Set();
    show();
  } else return;
  look();
});
document.addEventListener("wheel", (event) => {
  if (!event.ctrlKey || !event.target.closest?.("#wall-frame")) return;
  event.preventDefault();
  comeNearer(event.deltaY < 0 ? 1.15 : 1 / 1.15);
}, { passive: false });

// The wall that comes with an answer is seen as the one before was.
let hadFocus = false;
document.addEventListener("htmx:oobBeforeSwap", (event) => {
  if (event.detail.target.id === "wall") hadFocus = document.activeElement === frame();
});
document.addEventListener("htmx:oobAfterSwap", (event) => {
  if (event.detail.target.id !== "wall" && event.target.id !== "wall") return;
  if (!frame()) return;
  chosen = new Set([...chosen].filter((place) => placeAt(place)));
  if (cursor !== null && !placeAt(cursor)) cursor = null;
  look();
  show();
  if (hadFocus) frame().focus({ preventScroll: true });
});
document.addEventListener("DOMContentLoaded", () => {
  if (frame()) look();
});
