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
