// Keys that work on every page: / comes to the jot line, ? shows its grammar, Ctrl+Z undoes, Ctrl+Shift+Z does again, Enter applies what is proposed.
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

// Goes on with one of the ways that are offered below the jot line.
const take = (way) => {
  const jot = document.getElementById("jot");
  if (!way || jot.value === way.dataset.way) {
    return false;
  }
  jot.value = way.dataset.way;
  jot.focus();
  jot.dispatchEvent(new Event("input", { bubbles: true }));
  return true;
};

document.addEventListener("mousedown", (event) => {
  const way = event.target.closest?.("#jot-told [data-way]");
  if (way) {
    event.preventDefault();
    take(way);
  }
});

const act = (event) => {
  const free = !typing(event.target);
  if (event.key === "/" && event.target.id === "jot" && event.target.value === "") {
    return true;
  }
  if (event.key === "/" && free) {
    document.getElementById("jot")?.focus();
    return true;
  }
  if (event.key === "?" && free) {
    document.querySelector(".jot .help")?.click();
    return true;
  }
  if (event.key === "Tab" && !event.shiftKey && event.target.id === "jot") {
    return take(document.querySelector("#jot-told [data-way]"));
  }
  if (event.key === "Escape" && event.target.id === "jot") {
    event.target.blur();
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
