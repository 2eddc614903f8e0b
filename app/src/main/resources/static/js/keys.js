// Keys that work on every page: / finds, Ctrl+Z undoes, Ctrl+Shift+Z does again, Enter applies what is proposed.
// Listeners stand on the document, so that they outlive the parts of the page that are swapped.

const typing = (element) => element.matches("input, select, textarea");
const pressing = (element) => element.matches("button, a, summary");

const submit = (id) => {
  const form = document.getElementById(id);
  if (form) {
    form.requestSubmit();
  }
  return form !== null;
};

const act = (event) => {
  const free = !typing(event.target);
  if (event.key === "/" && free) {
    document.getElementById("jot")?.focus();
    return true;
  }
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z" && free) {
    return submit(event.shiftKey ? "redo" : "undo");
  }
  if (event.key === "Enter" && free && !pressing(event.target)) {
    const button = document.querySelector("#apply button:not(:disabled)");
    button?.click();
    return button !== null;
  }
  return false;
};

// A link to another page begins at its top; a form that comes back to its own page leaves it where it was.
let page = location.pathname;
document.addEventListener("htmx:afterSettle", (event) => {
  if (event.detail.boosted && event.detail.requestConfig?.verb === "get" && location.pathname !== page && !location.hash) {
    window.scrollTo(0, 0);
  }
  page = location.pathname;
});

document.addEventListener("keydown", (event) => {
  if (!event.altKey && act(event)) {
    event.preventDefault();
  }
});
