// The rig table: only the rows in sight are in the page; cells are edited with the keyboard.
// Sorting, filtering and every change are the server's work; here are the keys, the clipboard and the pointer.

import { choose, choosing } from "./page.js";
import { FIXED, box, fixtureOf, grid, keyOf, range } from "./grid-model.js";
import { chooseRows, draw, editor, go, load, table } from "./grid-draw.js";
import { begin, clear, close, commit, goOn, onColumn, propose, series } from "./grid-edit.js";
import { tell } from "./told.js";

// Keys

const moves = {
  ArrowUp: (e) => go(e.ctrlKey ? 0 : grid.row - 1, grid.column, e.shiftKey),
  ArrowDown: (e) => go(e.ctrlKey ? grid.rows.length : grid.row + 1, grid.column, e.shiftKey),
  ArrowLeft: (e) => go(grid.row, grid.column - 1, e.shiftKey),
  ArrowRight: (e) => go(grid.row, grid.column + 1, e.shiftKey),
  PageUp: (e) => go(grid.row - 15, grid.column, e.shiftKey),
  PageDown: (e) => go(grid.row + 15, grid.column, e.shiftKey),
  Home: (e) => go(e.ctrlKey ? 0 : grid.row, 0, e.shiftKey),
  End: (e) => go(e.ctrlKey ? grid.rows.length : grid.row, grid.columns.length, e.shiftKey),
  Enter: () => begin(),
  F2: () => begin(),
  Delete: clear,
  Backspace: clear,
  " ": chooseRows,
};

const withCtrl = (event) => {
  if (event.key.toLowerCase() === "d") {
    (event.shiftKey ? series : () => onColumn("fill", {}))();
    return true;
  }
  if (event.key.toLowerCase() === "a") {
    grid.from = 0;
    go(grid.rows.length, grid.column, true);
    return true;
  }
  return false;
};

const tab = (event) => {
  const next = grid.column + (event.shiftKey ? -1 : 1);
  // At its ends the table lets go, so that the page can be walked through.
  if (next < 0 || next >= grid.columns.length) {
    return false;
  }
  go(grid.row, next, false);
  return true;
};

const onKey = (event) => {
  if ((event.ctrlKey || event.metaKey) && withCtrl(event)) {
    return true;
  }
  if (event.key === "Tab") {
    return tab(event);
  }
  if (moves[event.key]) {
    moves[event.key](event);
    return true;
  }
  if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey) {
    begin(event.key);
    return true;
  }
  return false;
};

const onEditorKey = (event) => {
  const done = { Enter: [event.shiftKey ? -1 : 1, 0], Tab: [0, event.shiftKey ? -1 : 1] }[event.key];
  if (done) {
    commit(...done);
    return true;
  }
  if (event.key === "Escape") {
    close();
    tell("");
    return true;
  }
  return false;
};

document.addEventListener(
  "keydown",
  (event) => {
    const editing = event.target.id === "cell-editor";
    if ((editing && onEditorKey(event)) || (event.target === table() && grid.rows.length && onKey(event))) {
      event.preventDefault();
      event.stopPropagation();
    }
  },
  true,
);

// The clipboard

document.addEventListener("copy", (event) => {
  if (event.target === table() || document.activeElement === table()) {
    const columns = [Math.min(grid.fromColumn, grid.column), Math.max(grid.fromColumn, grid.column) + 1];
    const quoted = (t) => (/["\t\n]/.test(t) ? `"${t.replaceAll('"', '""')}"` : t);
    const lines = range().map((r) => grid.rows[r].slice(FIXED + columns[0], FIXED + columns[1]).map(quoted).join("\t"));
    event.clipboardData.setData("text/plain", `${lines.join("\n")}\n`);
    event.preventDefault();
    tell(lines.length === 1 ? "1 row copied." : `${lines.length} rows copied.`, true);
  }
});

document.addEventListener("paste", (event) => {
  if (document.activeElement === table() && grid.rows.length) {
    event.preventDefault();
    const rows = event.clipboardData.getData("text/plain");
    propose("paste", { rows, key: keyOf(Math.min(grid.from, grid.row)), column: grid.columns[Math.min(grid.fromColumn, grid.column)].name });
  }
});

// The pointer

let pulling = false;

document.addEventListener("mousedown", (event) => {
  const td = event.target.closest?.("#grid.live td");
  if (!td || event.button !== 0 || event.target === editor()) {
    return;
  }
  event.preventDefault();
  if (editor()) {
    commit(0, 0);
  }
  const row = Number(td.dataset.r);
  table().focus({ preventScroll: true });
  if (td.classList.contains("tick") || grid.columns[Number(td.dataset.c)]?.name === "id") {
    const ticking = td.classList.contains("tick") && !event.shiftKey;
    const keys = choosing(ticking ? { ctrlKey: true } : event, fixtureOf(row), grid.order, grid.last);
    grid.last = fixtureOf(row);
    choose(keys);
  }
  if (td.dataset.c !== undefined) {
    pulling = true;
    go(row, Number(td.dataset.c), event.shiftKey);
  }
});

document.addEventListener("mouseover", (event) => {
  const td = pulling ? event.target.closest?.("#grid.live td[data-c]") : null;
  if (td) {
    go(Number(td.dataset.r), Number(td.dataset.c), true);
  }
});
document.addEventListener("mouseup", () => (pulling = false));
document.addEventListener("dblclick", (event) => event.target.closest?.("#grid.live td[data-c]") && begin());
document.addEventListener("focusout", (event) => event.target.id === "cell-editor" && event.target.isConnected && event.relatedTarget && commit(0, 0));
document.addEventListener("click", (event) => {
  const how = event.target.closest?.("[data-grid]")?.dataset.grid;
  if (how) {
    ({ fill: () => onColumn("fill", {}), series })[how]();
  }
});

// Beginnings

let waiting = false;
document.addEventListener("scroll", (event) => {
  if (event.target === box() && !waiting) {
    waiting = true;
    requestAnimationFrame(() => {
      waiting = false;
      draw();
    });
  }
}, true);
document.addEventListener("taxon:chosen", draw);
document.addEventListener("taxon:fresh", () => !editor() && load());
document.addEventListener("htmx:afterSettle", () => box() && !box().classList.contains("live") && load());
load().then(goOn);
