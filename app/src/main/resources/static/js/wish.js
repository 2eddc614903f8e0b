// The wish for addresses: it is about what is chosen, and the style can be picked by its price.

const form = () => document.getElementById("wish");

/** The wish is about what is chosen now, unless it is about everything. */
document.addEventListener("taxon:chosen", () => {
  if (!form()) {
    return;
  }
  const keys = new URLSearchParams(location.search).get("sel") ?? "";
  form().elements.sel.value = keys;
  if (form().elements.scope.value !== "all") {
    form().elements.scope.value = keys ? "chosen" : "unplaced";
  }
  form().dispatchEvent(new Event("change", { bubbles: true }));
});

document.addEventListener("change", (event) => {
  if (event.target.matches(".prices [name=pick]")) {
    form().elements.style.value = event.target.value;
    form().dispatchEvent(new Event("change", { bubbles: true }));
  }
});
