// What every page needs beyond htmx: news of revisions, and telling when something failed.

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
    say(`${xhr.responseText} What you typed is still here.`);
  }
});
document.addEventListener("htmx:sendError", () => {
  say("Kersey isn't answering. Is it still running? What you typed is still here.");
});

// A page that is left while a change is still under way would be shown without it: it waits.
document.addEventListener("click", (event) => {
  const link = event.target.closest("a[href]:not([hx-get], [download])");
  if (!link || event.ctrlKey || event.metaKey || event.shiftKey || !document.querySelector(".htmx-request:not(.going-on)")) return;
  event.preventDefault();
  document.addEventListener("htmx:afterRequest", () => location.assign(link.href), { once: true });
});

// An answer that exchanges a form under way would take it from under its own answer, which htmx then
// has no place for: such an answer waits until the form has its own, and is asked for again. So is
// one that was asked for before a change and comes after it: it shows what was before.
const askedAgain = new Set();
let changes = 0;
document.addEventListener("htmx:beforeSend", (event) => {
  event.detail.xhr.changesBefore = changes;
});
document.addEventListener("htmx:beforeSwap", (event) => {
  const { elt, requestConfig, xhr } = event.detail;
  if (requestConfig.verb !== "get") {
    changes += 1;
    return;
  }
  const underWay = document.querySelector("form[method=post].htmx-request");
  if (!underWay && xhr.changesBefore === changes) return;
  event.detail.shouldSwap = false;
  const type = requestConfig.triggeringEvent?.type ?? "load";
  if (underWay) askedAgain.add([elt, type]);
  else setTimeout(() => elt.isConnected && htmx.trigger(elt, type));
});
document.addEventListener("htmx:afterSettle", () => {
  if (document.querySelector("form[method=post].htmx-request")) return;
  for (const [elt, type] of askedAgain) if (elt.isConnected) htmx.trigger(elt, type);
  askedAgain.clear();
});

// What is changed in a form while it is being sent goes into the form that comes with the answer,
// and is sent too.
const underWay = new WeakMap();
const isBox = (field) => field.matches("[type=checkbox], [type=radio]");
const keyOf = (field) => (isBox(field) ? `${field.name}=${field.value}` : field.name);
const filledIn = (form) =>
  new Map(
    [...form.elements]
      .filter((field) => field.name && field.name !== "revision")
      .map((field) => [keyOf(field), isBox(field) ? field.checked : field.value]),
  );
const sentTo = (address) =>
  [...document.querySelectorAll("form[method=post]")].filter((form) => form.getAttribute("action") === address);
document.addEventListener("htmx:beforeSend", (event) => {
  const form = event.detail.elt;
  if (form.matches("form[method=post]")) underWay.set(form, filledIn(form));
});
document.addEventListener("htmx:beforeSwap", (event) => {
  const form = event.detail.elt;
  const before = underWay.get(form);
  if (!before || !event.detail.shouldSwap) return;
  const since = [...filledIn(form)].filter(([name, value]) => before.get(name) !== value);
  underWay.delete(form);
  if (!since.length) return;
  const address = form.getAttribute("action");
  const place = sentTo(address).indexOf(form);
  document.addEventListener("htmx:afterSettle", () => fillInAgain(sentTo(address)[place], new Map(since)), { once: true });
});
function fillInAgain(form, values) {
  for (const field of form?.elements ?? []) {
    const value = values.get(keyOf(field));
    if (value !== undefined) field[isBox(field) ? "checked" : "value"] = value;
  }
  form?.dispatchEvent(new Event("change", { bubbles: true }));
}

// A form is held while it is being sent: pressed twice it goes once.
const sentByHand = new WeakSet();
document.addEventListener("submit", (event) => {
  const form = event.target;
  const underWay = sentByHand.has(form) && form.matches(".htmx-request:not([hx-sync*='queue all'])");
  const held = underWay || form.matches("[aria-busy=true]");
  if (!held) return sentByHand.add(form);
  event.preventDefault();
  event.stopImmediatePropagation();
}, { capture: true });
document.addEventListener("submit", (event) => {
  if (!event.defaultPrevented && event.target.method === "post") event.target.ariaBusy = "true";
});
document.addEventListener("htmx:afterRequest", (event) => sentByHand.delete(event.detail.elt));
addEventListener("pageshow", () => {
  for (const form of document.querySelectorAll("form[aria-busy]")) form.removeAttribute("aria-busy");
});

// In a field of several lines Enter sends, as it does in a field of one; Shift and Enter break it.
document.addEventListener("keydown", (event) => {
  const sends = event.key === "Enter" && !event.shiftKey && event.target.matches("[data-enter-sends]");
  if (!sends) return;
  event.preventDefault();
  event.target.form.requestSubmit();
});

document.addEventListener("click", (event) => {
  if (event.target.closest("[data-print]")) window.print();
});
