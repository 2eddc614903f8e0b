// Keys that work on every page: / finds, Ctrl+Z undoes, Ctrl+Shift+Z does again, Enter applies what is proposed.
// One listener on the document, so that it outlives the parts of the page that are swapped.

const typing = (element) => element.matches("input, select, textarea, button, a, summary");

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
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z" && !event.target.matches("input, textarea")) {
    return submit(event.shiftKey ? "redo" : "undo");
  }
  if (event.key === "Enter" && free) {
    const button = document.querySelector("#apply button:not(:disabled)");
    button?.click();
    return button !== null;
  }
  return false;
};

document.addEventListener("keydown", (event) => {
  if (!event.altKey && act(event)) {
    event.preventDefault();
  }
});
